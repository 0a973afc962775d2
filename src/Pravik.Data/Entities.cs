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

/// <summary>Results under the hash of their inputs.</summary>
public sealed class StoredResult
{
    public required string Hash { get; init; }
    public required string Json { get; init; }
    public required DateTime CreatedAt { get; init; }
}
