using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>
/// Support axes: the first station, the spans along the road, the skew of all (rad, positive clockwise from above), and own values.
/// </summary>
public sealed record Axes
{
    public double FirstStation { get; init; } = 20;
    public ImmutableArray<double> Spans { get; init; } = [20.0];
    public double Skew { get; init; }

    /// <summary>Own values of single axes, by their number from 1. Those of axes that do not exist are kept for when they do.</summary>
    public ImmutableSortedDictionary<string, AxisOwn> Own { get; init; } = ImmutableSortedDictionary<string, AxisOwn>.Empty;
}

/// <summary>What an axis has of its own; null follows from the others.</summary>
public sealed record AxisOwn
{
    public string? Name { get; init; }
    public double? Skew { get; init; }

    /// <summary>Direction of the axis itself, clockwise from north (rad), in place of a skew.</summary>
    public double? Azimuth { get; init; }
    public AxisKind? Kind { get; init; }
}

/// <summary>What stands at an axis.</summary>
public enum AxisKind
{
    Abutment,
    Pier,

    /// <summary>A pier over which the deck is parted: one unit ends there and the next begins.</summary>
    Joint,
}
