using System.Collections.Immutable;
using Pravik.Core.Materials;

namespace Pravik.Core.Bridges;

/// <summary>
/// Girders, a line for each: spaced equally between the overhangs or as listed, and span by span where a span has values of its own.
/// </summary>
public sealed record Girders
{
    /// <summary>
    /// Courses of girders between the axes: straight, or keeping their offset from the road line. Any other is the name of a line of
    /// the road file.
    /// </summary>
    public const string Straight = "straight";

    /// <summary>The course of girders that keep their offset from the road line.</summary>
    public const string WithRoad = "road";

    /// <summary>Girders in each span.</summary>
    public int Count { get; init; } = 5;

    /// <summary>From the left edge of the deck to the centre line of the first girder.</summary>
    public double OverhangLeft { get; init; } = 0.95;

    /// <summary>The same on the right; null for as on the left.</summary>
    public double? OverhangRight { get; init; }

    /// <summary>Spacings from the first girder to the last; null for equal ones.</summary>
    public ImmutableArray<double>? Spacings { get; init; }

    /// <summary>
    /// Whether girders stay where they are, seen from the road line, when strips of the deck change: the overhangs take up the change.
    /// Spacings are listed then.
    /// </summary>
    public bool Held { get; init; }

    /// <summary>Whether overhangs and spacings are measured along the axes instead of square to the road.</summary>
    public bool AlongAxis { get; init; }

    /// <summary>What girders follow between the axes; null for straight.</summary>
    public string? Course { get; init; }

    /// <summary>Whether girders run on over the piers in one piece.</summary>
    public bool RunsOn { get; init; }

    /// <summary>Depth along every span; null for that of the section.</summary>
    public DepthLaw? Depth { get; init; }

    /// <summary>Sections over parts of the length.</summary>
    public ImmutableArray<SectionRange> Ranges { get; init; } = [];

    /// <summary>Whether girders are cast in place on falsework, with the deck.</summary>
    public bool CastInPlace { get; init; }

    /// <summary>Own values of spans, by number from 1. Those of spans that do not exist are kept.</summary>
    public ImmutableSortedDictionary<string, SpanLayout> Spans { get; init; } = ImmutableSortedDictionary<string, SpanLayout>.Empty;

    /// <summary>From an axis to the end of a girder, along the girder.</summary>
    public double EndGap { get; init; } = 0.35;

    /// <summary>Types of girders, at least one.</summary>
    public ImmutableArray<GirderType> Types { get; init; } = [new()];

    /// <summary>Name of the type that girders have where neither they nor their span name one; null for the first.</summary>
    public string? Type { get; init; }

    /// <summary>When strands are released.</summary>
    public StrandRelease Release { get; init; } = new();

    /// <summary>Tendons that are stressed in a stage, in every girder of their spans.</summary>
    public ImmutableArray<Tendon> Tendons { get; init; } = [];

    /// <summary>Bars of the slab along the bridge.</summary>
    public SlabBars SlabBars { get; init; } = new();

    /// <summary>Bars of the slab across the girders, outside of those along them.</summary>
    public SlabBars BarsAcross { get; init; } = SlabBars.Across;

    /// <summary>Bars that join the girders at their bottom over a pier, in the pour there.</summary>
    public PierBars PierBars { get; init; } = new();

    /// <summary>
    /// cot θ of the struts in the webs, by which the tension force is shifted (EN 1992-1-1 6.2.3(2), 9.2.1.3): 2.5 shifts it farthest.
    /// </summary>
    public double StrutSlope { get; init; } = 2.5;

    /// <summary>
    /// Whether torsion of girders comes from compatibility alone and is left out of their checks (EN 1992-1-1 6.3.1(2)).
    /// </summary>
    public bool LeavesOutTorsion { get; init; }

    /// <summary>
    /// How many times a span must be longer than frequent traffic deflects it; null where nothing limits deflections.
    /// </summary>
    public double? DeflectionLimit { get; init; }

    /// <summary>How the tops of girders are made on which the slab is cast: a name of <see cref="InterfaceSurface"/>.</summary>
    public string TopSurface { get; init; } = InterfaceSurface.Usual;

    /// <summary>The concrete diaphragm on every axis.</summary>
    public Diaphragm Diaphragm { get; init; } = new();

    /// <summary>Diaphragms between the axes.</summary>
    public ImmutableArray<PlacedDiaphragm> Diaphragms { get; init; } = [];

    /// <summary>Stiffeners of girders of steel.</summary>
    public ImmutableArray<PlacedStiffener> Stiffeners { get; init; } = [];

    /// <summary>Studs on girders of steel.</summary>
    public ImmutableArray<StudZone> Studs { get; init; } = [];

    /// <summary>Fatigue of girders of steel.</summary>
    public SteelFatigue Fatigue { get; init; } = new();

    /// <summary>
    /// Own values of single girders, by number of the girder and of the span, as in <c>3-2</c>. Those of girders that do not exist are
    /// kept.
    /// </summary>
    public ImmutableSortedDictionary<string, GirderOwn> Own { get; init; } = ImmutableSortedDictionary<string, GirderOwn>.Empty;
}
