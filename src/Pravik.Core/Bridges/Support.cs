using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>
/// What a support has of its own: sizes and choices by name (<see cref="SupportValues"/>). What is missing follows from another
/// support, or has its usual value.
/// </summary>
public sealed record Support
{
    /// <summary>Number of the axis whose support this one follows in all that it has not of its own; null for none.</summary>
    public string? Follows { get; init; }

    /// <summary>Own sizes (m, rad, slopes, counts).</summary>
    public ImmutableSortedDictionary<string, double> Sizes { get; init; } = ImmutableSortedDictionary<string, double>.Empty;

    /// <summary>Own choices. <c>bearing-3</c> is the bearing under girder 3.</summary>
    public ImmutableSortedDictionary<string, string> Choices { get; init; } = ImmutableSortedDictionary<string, string>.Empty;

    /// <summary>Sizes that are those of another place: <c>columnWidth</c> from <c>2/capWidth</c>, the size capWidth at axis 2.</summary>
    public ImmutableSortedDictionary<string, string> Links { get; init; } = ImmutableSortedDictionary<string, string>.Empty;
}
