namespace Pravik.Data;

/// <summary>A project: one bridge with its history. The head is the revision that is shown.</summary>
public sealed class Project
{
    public required string Id { get; init; }
    public required DateTime CreatedAt { get; init; }
    public int Head { get; set; }
    public List<Revision> Revisions { get; } = [];
}

/// <summary>One edit and the whole bridge after it. Undo moves the head to the parent; nothing is ever removed.</summary>
public sealed class Revision
{
    public required string ProjectId { get; init; }
    public required int Number { get; init; }

    /// <summary>The revision that was edited; 0 for the first.</summary>
    public required int Parent { get; init; }
    public required string Label { get; init; }

    /// <summary>The RFC 6902 patch, as JSON; empty for the first.</summary>
    public required string Patch { get; init; }

    /// <summary>Name of the bridge, for the list of bridges: documents are large.</summary>
    public required string Name { get; init; }

    /// <summary>The bridge, as JSON.</summary>
    public required string Document { get; init; }
    public required DateTime CreatedAt { get; init; }
}

/// <summary>A name given to a point of the history, to come back to.</summary>
public sealed class RestorePoint
{
    public required string ProjectId { get; init; }
    public required int Number { get; init; }
    public required string Name { get; set; }
}

/// <summary>That a bridge stands on a road with others: those of one group have the same road and ground.</summary>
public sealed class RoadShare
{
    public required string ProjectId { get; init; }
    public required string Group { get; init; }
}

/// <summary>Results under the hash of their inputs.</summary>
public sealed class StoredResult
{
    public required string Hash { get; init; }
    public required string Json { get; init; }
    public required DateTime CreatedAt { get; init; }
}

/// <summary>Something that the office keeps for use in any bridge: its kind, its name, and itself as JSON.</summary>
public sealed class LibraryEntry
{
    public required string Kind { get; init; }
    public required string Name { get; init; }
    public required string Json { get; set; }

    /// <summary>Whether it is kept for what was built with it and no longer meant for new work.</summary>
    public bool Superseded { get; set; }
    public required DateTime ChangedAt { get; set; }
}
