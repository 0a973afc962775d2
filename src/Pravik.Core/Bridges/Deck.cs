using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>
/// The deck: one unit from end to end, or several between joints. A unit's cross-section is a pattern, of which the bridge keeps a library;
/// a unit can have values of its own in place of the pattern's.
/// </summary>
public sealed record Deck
{
    /// <summary>The patterns, at least one. A unit that names none has the first.</summary>
    public ImmutableArray<DeckPattern> Patterns { get; init; } = [new()];

    /// <summary>
    /// What units have of their own, by the number of the axis at which they begin. Kept where no unit begins, for when one does.
    /// </summary>
    public ImmutableSortedDictionary<string, DeckUnit> Units { get; init; } = ImmutableSortedDictionary<string, DeckUnit>.Empty;

    /// <summary>Concrete between girder top and slab soffit.</summary>
    public double Haunch { get; init; } = 0.03;

    /// <summary>How far the deck reaches beyond the first and last axis.</summary>
    public double EndOverhang { get; init; } = 0.6;

    /// <summary>Gap between two units at a joint, along the road, its middle on the axis.</summary>
    public double JointGap { get; init; } = 0.04;
}

/// <summary>
/// A cross-section of the deck for use in units: strips outward from the road line on each side, and the slab below them.
/// </summary>
public sealed record DeckPattern
{
    /// <summary>Name, by which units call it.</summary>
    public string Name { get; init; } = "Deck section";

    /// <summary>Whether it is kept for what was built with it and no longer meant for new units.</summary>
    public bool Superseded { get; init; }

    /// <summary>Strips from the road line outward on the left.</summary>
    public ImmutableArray<Strip> Left { get; init; } = Strip.Usual;

    /// <summary>Strips from the road line outward on the right.</summary>
    public ImmutableArray<Strip> Right { get; init; } = Strip.Usual;

    /// <summary>The slab under the strips.</summary>
    public SlabShape Slab { get; init; } = new();

    /// <summary>Thickness of the surfacing on the carriageway.</summary>
    public double Surfacing { get; init; } = 0.10;
}

/// <summary>The slab's thickness and the shape of its soffit and edges.</summary>
public sealed record SlabShape
{
    /// <summary>Thickness of the slab (m); the least one where the soffit is level.</summary>
    public double Thickness { get; init; } = 0.22;

    /// <summary>Thickness by place along the bridge, in place of the constant value, which is kept.</summary>
    public ImmutableArray<LawPoint> Thicknesses { get; init; } = [];

    /// <summary>How the soffit runs across.</summary>
    public SoffitLaw Soffit { get; init; }

    /// <summary>Thickness at the edges (m), reached from the usual one over <see cref="EdgeTaper"/>; null for the usual one.</summary>
    public double? EdgeThickness { get; init; }

    /// <summary>Width over which the thickness goes from the usual one to that of the edge.</summary>
    public double EdgeTaper { get; init; } = 1.0;

    /// <summary>How far the soffit's edge lies inward of the top's: 0 for an upright face.</summary>
    public double EdgeInset { get; init; }

    /// <summary>
    /// Additional thickness over every girder, full over <see cref="ThickeningWidth"/> and running out at 1:3 on both sides.
    /// </summary>
    public double Thickening { get; init; }

    /// <summary>Width over which the thickening over a girder is full (m).</summary>
    public double ThickeningWidth { get; init; } = 0.6;
}

/// <summary>What the slab's soffit follows across the deck.</summary>
public enum SoffitLaw
{
    /// <summary>The top of the slab: the thickness is the same everywhere.</summary>
    Parallel,

    /// <summary>It is level across: the thickness is the least one, where the top lies lowest.</summary>
    Level,
}

/// <summary>A unit of the deck: the pattern of its cross-section, its ends, and values of its own. Null follows.</summary>
public sealed record DeckUnit
{
    /// <summary>Name; null for its number.</summary>
    public string? Name { get; init; }

    /// <summary>Name of its pattern; null for the first of the library.</summary>
    public string? Pattern { get; init; }

    /// <summary>
    /// How far it reaches back beyond its first axis; null for the bridge's end overhang, or half the gap short of a joint.
    /// </summary>
    public double? StartOverhang { get; init; }

    /// <summary>How far it reaches ahead beyond its last axis.</summary>
    public double? EndOverhang { get; init; }

    /// <summary>Thickness of the slab (m) in place of the pattern's.</summary>
    public double? SlabThickness { get; init; }

    /// <summary>Thickness of the surfacing (m) in place of the pattern's.</summary>
    public double? Surfacing { get; init; }

    /// <summary>Own values of strips, by side and by number from 0 at the road line.</summary>
    public ImmutableSortedDictionary<string, StripOwn> Left { get; init; } = ImmutableSortedDictionary<string, StripOwn>.Empty;

    /// <summary>Own values of strips on the right, by their number from 0 outward.</summary>
    public ImmutableSortedDictionary<string, StripOwn> Right { get; init; } = ImmutableSortedDictionary<string, StripOwn>.Empty;

    /// <summary>The cross-section that the unit has: its pattern with its own values put in.</summary>
    public DeckPattern Applied(DeckPattern pattern) =>
        pattern with
        {
            Left = Applied(pattern.Left, Left),
            Right = Applied(pattern.Right, Right),
            // An own thickness holds all along: it stands in place of the pattern's table too.
            Slab = SlabThickness is { } thickness ? pattern.Slab with { Thickness = thickness, Thicknesses = [] } : pattern.Slab,
            Surfacing = Surfacing ?? pattern.Surfacing,
        };

    private static ImmutableArray<Strip> Applied(ImmutableArray<Strip> strips, ImmutableSortedDictionary<string, StripOwn> own) =>
        own.IsEmpty ? strips : [.. strips.Select((strip, i) => own.GetValueOrDefault($"{i}")?.Applied(strip) ?? strip)];
}

/// <summary>What a strip of a unit has of its own; null follows the pattern.</summary>
public sealed record StripOwn
{
    /// <summary>Width (m) in place of the pattern's.</summary>
    public double? Width { get; init; }

    /// <summary>Crossfall in place of the pattern's.</summary>
    public double? Crossfall { get; init; }

    /// <summary>Upstand (m) in place of the pattern's.</summary>
    public double? Upstand { get; init; }

    /// <summary>Thickness of surfacing on top (m) in place of the pattern's.</summary>
    public double? Surfacing { get; init; }

    /// <summary>Unit weight above the slab (N/m³) in place of the pattern's.</summary>
    public double? UnitWeight { get; init; }

    /// <summary>The strip with these values. An own width or crossfall is constant along the unit.</summary>
    public Strip Applied(Strip strip)
    {
        if (Width is { } width)
            strip = strip with { Width = width, Widths = [], WidthLine = null };
        if (Crossfall is { } crossfall)
            strip = strip with { Crossfall = crossfall, CrossfallLaw = CrossfallLaw.Constant };
        return strip with
        {
            Upstand = Upstand ?? strip.Upstand,
            Surfacing = Surfacing ?? strip.Surfacing,
            UnitWeight = UnitWeight ?? strip.UnitWeight,
        };
    }
}
