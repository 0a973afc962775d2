using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>What the layout of girders has of its own in a span; null follows the span named, or the common layout.</summary>
public sealed record SpanLayout
{
    /// <summary>Number of the span that this one follows in all that it has not of its own.</summary>
    public string? Follows { get; init; }

    /// <summary>Number of girders in the span, from the left.</summary>
    public int? Count { get; init; }

    /// <summary>Overhang on the left (m); null follows.</summary>
    public double? OverhangLeft { get; init; }

    /// <summary>Overhang on the right (m); null follows.</summary>
    public double? OverhangRight { get; init; }

    /// <summary>Spacings from the first girder to the last, in place of equal ones.</summary>
    public ImmutableArray<double>? Spacings { get; init; }

    /// <summary>Whether overhangs and spacings are measured along the axes instead of square to the road.</summary>
    public bool? AlongAxis { get; init; }

    /// <summary>From the axes to the ends of the girders where the span begins and ends, along the girder.</summary>
    public double? StartGap { get; init; }

    /// <summary>Gap from the end of the girders to the axis (m); null follows.</summary>
    public double? EndGap { get; init; }

    /// <summary>What girders follow between the axes (<see cref="Girders.Course"/>).</summary>
    public string? Course { get; init; }

    /// <summary>Whether girders run on over the axis at the end of the span, in one piece with those of the next.</summary>
    public bool? RunsOn { get; init; }

    /// <summary>Name of the type of its girders.</summary>
    public string? Type { get; init; }

    /// <summary>Depth along the span.</summary>
    public DepthLaw? Depth { get; init; }
}
