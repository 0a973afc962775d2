using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>
/// Support axes: the first station, the spans along the road, the skew of all (rad, positive clockwise from above), and own values.
/// </summary>
public sealed record Axes
{
    /// <summary>The greatest skew of an axis (rad).</summary>
    public const double GreatestSkew = 60 * Math.PI / 180;

    /// <summary>Station of the first axis (m).</summary>
    public double FirstStation { get; init; } = 20;

    /// <summary>Spans along the road (m), one fewer than axes.</summary>
    public ImmutableArray<double> Spans { get; init; } = [20.0];

    /// <summary>Skew of all axes (rad).</summary>
    public double Skew { get; init; }

    /// <summary>Own values of single axes, by their number from 1. Those of axes that do not exist are kept for when they do.</summary>
    public ImmutableSortedDictionary<string, AxisOwn> Own { get; init; } = ImmutableSortedDictionary<string, AxisOwn>.Empty;
}

/// <summary>What an axis has of its own; null follows from the others.</summary>
public sealed record AxisOwn
{
    /// <summary>Name; null for its number.</summary>
    public string? Name { get; init; }

    /// <summary>Skew (rad); null for that of all axes.</summary>
    public double? Skew { get; init; }

    /// <summary>Direction of the axis itself, clockwise from north (rad), in place of a skew.</summary>
    public double? Azimuth { get; init; }

    /// <summary>What stands there; null for an abutment at the ends and a pier between.</summary>
    public AxisKind? Kind { get; init; }
}

/// <summary>What stands at an axis.</summary>
public enum AxisKind
{
    /// <summary>An abutment at an end of the bridge.</summary>
    Abutment,

    /// <summary>A pier over which the deck is continuous.</summary>
    Pier,

    /// <summary>A pier over which the deck is parted: one unit ends there and the next begins.</summary>
    Joint,
}
