namespace Pravik.Data;

/// <summary>A member alone with its history. The head is the revision that is shown.</summary>
public sealed class MemberProject
{
    /// <summary>Name in addresses.</summary>
    public required string Id { get; init; }

    /// <summary>When it was begun.</summary>
    public required DateTime CreatedAt { get; init; }

    /// <summary>The revision that is shown.</summary>
    public int Head { get; set; }

    /// <summary>The last revision that redo comes to from the head.</summary>
    public int Tip { get; set; }

    /// <summary>Whether it was deleted; it can be brought back.</summary>
    public bool IsDeleted { get; set; }

    /// <summary>All revisions.</summary>
    public List<MemberRevision> Revisions { get; } = [];
}

/// <summary>One edit and the whole member after it. Undo moves the head to the parent; nothing is ever removed.</summary>
public sealed class MemberRevision
{
    /// <summary>Its member.</summary>
    public required string MemberId { get; init; }

    /// <summary>Number within the member, from 1.</summary>
    public required int Number { get; init; }

    /// <summary>The revision that was edited; 0 for the first.</summary>
    public required int Parent { get; init; }

    /// <summary>What the edit did, in words.</summary>
    public required string Label { get; init; }

    /// <summary>Name of the member, for the list.</summary>
    public required string Name { get; init; }

    /// <summary>Spans in words, for the list (m).</summary>
    public required string Spans { get; init; }

    /// <summary>The member, as JSON.</summary>
    public required string Document { get; init; }

    /// <summary>When it was made.</summary>
    public required DateTime CreatedAt { get; init; }

    /// <summary>Who made it; empty where no name was given.</summary>
    public string Author { get; init; } = "";
}
