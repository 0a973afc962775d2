namespace Pravik.Data;

/// <summary>A project: one bridge with its history. The head is the revision that is shown.</summary>
public sealed class Project
{
    /// <summary>Name in addresses.</summary>
    public required string Id { get; init; }

    /// <summary>When it was begun.</summary>
    public required DateTime CreatedAt { get; init; }

    /// <summary>The revision that is shown.</summary>
    public int Head { get; set; }

    /// <summary>The last revision that redo comes to from the head; the head itself where nothing was undone.</summary>
    public int Tip { get; set; }

    /// <summary>Number of the variant that is shown.</summary>
    public int Variant { get; set; } = Data.Variant.First;

    /// <summary>Where it stands on the start page.</summary>
    public Shelf Shelf { get; set; }

    /// <summary>Words by which it is found, parted by commas.</summary>
    public string Tags { get; set; } = "";

    /// <summary>Whether its values came with a template: each counts as assumed until somebody has looked at it.</summary>
    public bool IsAssumed { get; set; }

    /// <summary>All revisions.</summary>
    public List<Revision> Revisions { get; } = [];
}

/// <summary>One edit and the whole bridge after it. Undo moves the head to the parent; nothing is ever removed.</summary>
public sealed class Revision
{
    /// <summary>Its bridge.</summary>
    public required string ProjectId { get; init; }

    /// <summary>Number within the bridge, from 0.</summary>
    public required int Number { get; init; }

    /// <summary>The revision that was edited; 0 for the first.</summary>
    public required int Parent { get; init; }

    /// <summary>What the edit did, in words.</summary>
    public required string Label { get; init; }

    /// <summary>The RFC 6902 patch, as JSON; empty for the first.</summary>
    public required string Patch { get; init; }

    /// <summary>Name of the bridge, for the list of bridges: documents are large.</summary>
    public required string Name { get; init; }

    /// <summary>The bridge, as JSON.</summary>
    public required string Document { get; init; }

    /// <summary>When it was made.</summary>
    public required DateTime CreatedAt { get; init; }

    /// <summary>Who made it: the name that the person gave; empty where none was given.</summary>
    public string Author { get; init; } = "";

    /// <summary>Spans and kind in words, for the list of bridges; null in revisions made before these were kept.</summary>
    public string? Spans { get; set; }

    /// <summary>What kind of bridge it is.</summary>
    public string? Kind { get; set; }

    /// <summary>What its checks came to when they last ran: a word of <see cref="Data.Verdict"/>; null before they ran.</summary>
    public string? Verdict { get; set; }

    /// <summary>The same in words.</summary>
    public string? VerdictWords { get; set; }
}

/// <summary>Where a bridge stands on the start page.</summary>
public enum Shelf
{
    /// <summary>Among those in work.</summary>
    Current,

    /// <summary>Put away.</summary>
    Archived,

    /// <summary>A beginning for new bridges.</summary>
    Template,

    /// <summary>Deleted; it can be brought back.</summary>
    Deleted,
}

/// <summary>
/// A line of work on a bridge that began at a point of its history: it has a head of its own. Of the variant that is shown the
/// project has the head; the variant keeps it from when another was shown.
/// </summary>
public sealed class Variant
{
    /// <summary>Number of the variant with which each bridge begins.</summary>
    public const int First = 1;

    /// <summary>Its bridge.</summary>
    public required string ProjectId { get; init; }

    /// <summary>Number within the bridge, from 1.</summary>
    public required int Number { get; init; }

    /// <summary>Its name.</summary>
    public required string Name { get; set; }

    /// <summary>The revision at which it began.</summary>
    public required int Start { get; init; }

    /// <summary>Its head when it was last shown.</summary>
    public int Head { get; set; }

    /// <summary>Where redo ends from there.</summary>
    public int Tip { get; set; }

    /// <summary>Whether it was closed: it stays in the history and can be opened again.</summary>
    public bool IsClosed { get; set; }
}

/// <summary>A value or a step of a bridge that somebody has looked at, so that it is not merely assumed.</summary>
public sealed class LookedAt
{
    /// <summary>Its bridge.</summary>
    public required string ProjectId { get; init; }

    /// <summary>Path of the value, or the name of a step.</summary>
    public required string What { get; init; }
}

/// <summary>A name given to a point of the history, to come back to.</summary>
public sealed class RestorePoint
{
    /// <summary>Its bridge.</summary>
    public required string ProjectId { get; init; }

    /// <summary>The revision that it names.</summary>
    public required int Number { get; init; }

    /// <summary>Its name.</summary>
    public required string Name { get; set; }
}

/// <summary>That a bridge stands on a road with others: those of one group have the same road and ground.</summary>
public sealed class RoadShare
{
    /// <summary>A bridge.</summary>
    public required string ProjectId { get; init; }

    /// <summary>Bridges of one group share their road.</summary>
    public required string Group { get; init; }
}

/// <summary>Results under the hash of their inputs.</summary>
public sealed class StoredResult
{
    /// <summary>Hash of the bridge that they belong to.</summary>
    public required string Hash { get; init; }

    /// <summary>Summary of the results.</summary>
    public required string Json { get; init; }

    /// <summary>When they were worked out.</summary>
    public required DateTime CreatedAt { get; init; }
}

/// <summary>Something that the office keeps for use in any bridge: its kind, its name, and itself as JSON.</summary>
public sealed class LibraryEntry
{
    /// <summary>What it is: a section, a pattern, a profile, a set of values.</summary>
    public required string Kind { get; init; }

    /// <summary>Its name within the kind.</summary>
    public required string Name { get; init; }

    /// <summary>Its value.</summary>
    public required string Json { get; set; }

    /// <summary>Whether it is kept for what was built with it and no longer meant for new work.</summary>
    public bool Superseded { get; set; }

    /// <summary>When it was last changed.</summary>
    public required DateTime ChangedAt { get; set; }
}
