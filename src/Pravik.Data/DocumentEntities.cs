namespace Pravik.Data;

/// <summary>
/// A document beside bridges, a member alone or a truss scheme, with its history. The head is the revision that is shown.
/// </summary>
public sealed class DocumentProject
{
    /// <summary>Name in addresses.</summary>
    public required string Id { get; init; }

    /// <summary>Its kind: member or truss.</summary>
    public required string Kind { get; init; }

    /// <summary>When it was begun.</summary>
    public required DateTime CreatedAt { get; init; }

    /// <summary>The revision that is shown.</summary>
    public int Head { get; set; }

    /// <summary>The last revision that redo comes to from the head.</summary>
    public int Tip { get; set; }

    /// <summary>Whether it was deleted; it can be brought back.</summary>
    public bool IsDeleted { get; set; }

    /// <summary>All revisions.</summary>
    public List<DocumentRevision> Revisions { get; } = [];
}

/// <summary>One edit and the whole document after it. Undo moves the head to the parent; nothing is ever removed.</summary>
public sealed class DocumentRevision
{
    /// <summary>Its document.</summary>
    public required string DocumentId { get; init; }

    /// <summary>Number within the document, from 1.</summary>
    public required int Number { get; init; }

    /// <summary>The revision that was edited; 0 for the first.</summary>
    public required int Parent { get; init; }

    /// <summary>What the edit did, in words.</summary>
    public required string Label { get; init; }

    /// <summary>Name of the document, for the list.</summary>
    public required string Name { get; init; }

    /// <summary>What it is in words, for the list: of a member its spans.</summary>
    public required string Words { get; init; }

    /// <summary>The document, as JSON.</summary>
    public required string Document { get; init; }

    /// <summary>When it was made.</summary>
    public required DateTime CreatedAt { get; init; }

    /// <summary>Who made it; empty where no name was given.</summary>
    public string Author { get; init; } = "";
}
