using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>What the crossfall of a strip follows.</summary>
public enum CrossfallLaw
{
    /// <summary>Its own constant value.</summary>
    Constant,

    /// <summary>Its own table.</summary>
    Table,

    /// <summary>The superelevation of the road on its side.</summary>
    Road,

    /// <summary>Level.</summary>
    Level,
}

/// <summary>
/// A value at a place along the bridge: at a station, or at a distance from an axis (by its number). Linear between places.
/// </summary>
public sealed record LawPoint
{
    /// <summary>Number of the axis from which the distance counts; null for a station.</summary>
    public int? Axis { get; init; }

    /// <summary>Station, or distance ahead of the axis where one is named (m).</summary>
    public double At { get; init; }

    /// <summary>Value there.</summary>
    public double Value { get; init; }
}

/// <summary>What a strip of the deck is for.</summary>
public enum StripKind
{
    /// <summary>Traffic.</summary>
    Carriageway,

    /// <summary>A marginal strip beside the traffic, level with it.</summary>
    HardStrip,

    /// <summary>A verge, not for traffic.</summary>
    Verge,

    /// <summary>A footway.</summary>
    Footway,

    /// <summary>An edge beam, on which parapets stand.</summary>
    EdgeBeam,

    /// <summary>Between two carriageways; traffic does not drive there.</summary>
    Median,
}

/// <summary>
/// One strip of the cross-section. Crossfall is rise per metre outward; the upstand is the step up at its inner boundary (a kerb). Where a
/// table of widths or crossfalls is given it holds in place of the constant value, which is kept; a line goes before both.
/// </summary>
public sealed record Strip
{
    /// <summary>What it is for.</summary>
    public StripKind Kind { get; init; }

    /// <summary>Own name, as of a tramway or a service strip; null for that of its kind.</summary>
    public string? Name { get; init; }

    /// <summary>Width (m), square to the road.</summary>
    public double Width { get; init; }

    /// <summary>Widths along the road, in place of one.</summary>
    public ImmutableArray<LawPoint> Widths { get; init; } = [];

    /// <summary>Name of a line of the road to which the strip reaches, in place of a width; null for none.</summary>
    public string? WidthLine { get; init; }

    /// <summary>What its crossfall follows.</summary>
    public CrossfallLaw CrossfallLaw { get; init; }

    /// <summary>Rise over run outward from the road line.</summary>
    public double Crossfall { get; init; }

    /// <summary>Crossfalls along the road, in place of one.</summary>
    public ImmutableArray<LawPoint> Crossfalls { get; init; } = [];

    /// <summary>Step up at its inner side (m).</summary>
    public double Upstand { get; init; }

    /// <summary>
    /// Thickness of surfacing at the top of what lies on the slab (m); what is below it, down to the slab, is of the strip's own kind.
    /// Null for
    /// one layer.
    /// </summary>
    public double? Surfacing { get; init; }

    /// <summary>Own unit weight of what lies on the slab, below own surfacing (N/m³); null for that of its kind.</summary>
    public double? UnitWeight { get; init; }

    /// <summary>Half of a usual deck: a lane and a half, a footway and an edge beam.</summary>
    public static ImmutableArray<Strip> Usual { get; } =
    [
        new()
        {
            Kind = StripKind.Carriageway,
            Width = 3.5,
            Crossfall = -0.025,
        },
        new()
        {
            Kind = StripKind.Footway,
            Width = 1.5,
            Crossfall = 0.025,
            Upstand = 0.12,
        },
        new()
        {
            Kind = StripKind.EdgeBeam,
            Width = 0.45,
            Upstand = 0.05,
        },
    ];
}
