using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Pravik.Core.Codes;
using Pravik.Core.Materials;
using Pravik.Core.Roads;
using Pravik.Core.Sections;

namespace Pravik.Core.Bridges;

/// <summary>
/// A bridge: one immutable value in SI base units, from which all else follows. Stored and exchanged as JSON with the same
/// names (docs/file-format.md).
/// </summary>
public sealed record Bridge
{
    public const string FormatName = "pravik-bridge";
    public const int CurrentVersion = 3;

    public required string Format { get; init; }
    public required int Version { get; init; }
    public string Name { get; init; } = "New bridge";
    public Basis Basis { get; init; } = new();
    public Road Road { get; init; } = new();

    /// <summary>The ground, by name and hash of its content; null where none is given.</summary>
    public GroundReference? Ground { get; init; }
    public ImmutableArray<Crossing> Crossings { get; init; } = [];
    public Axes Axes { get; init; } = new();
    public Deck Deck { get; init; } = new();
    public ImmutableArray<Parapet> Parapets { get; init; } = [new()];

    /// <summary>Own parapet profiles, beside those that come with the program.</summary>
    public ImmutableArray<OwnProfile> Profiles { get; init; } = [];
    public Girders Girders { get; init; } = new();

    /// <summary>Sections of members, at least one.</summary>
    public ImmutableArray<SectionShape> Sections { get; init; } = [new() { Name = "Precast I" }];

    /// <summary>Types of bearings, at least one.</summary>
    public ImmutableArray<BearingType> Bearings { get; init; } = [.. BearingType.Usual];

    /// <summary>What supports have of their own, by number of the axis. Those of axes that do not exist are kept.</summary>
    public ImmutableSortedDictionary<string, Support> Supports { get; init; } = ImmutableSortedDictionary<string, Support>.Empty;
    public MaterialSet Materials { get; init; } = new();
    public UnitWeights Loads { get; init; } = new();

    /// <summary>Actions beside weights and traffic, own cases, and stages of construction.</summary>
    public Actions Actions { get; init; } = new();

    /// <summary>The model that is made of the bridge, and what is changed in it by hand.</summary>
    public ModelChoices Model { get; init; } = new();
    public CostRates Costs { get; init; } = new();

    /// <summary>A bridge with defaults that give a sound single span, to be edited.</summary>
    public static Bridge New(string name) =>
        new()
        {
            Format = FormatName,
            Version = CurrentVersion,
            Name = name,
        };
}

/// <summary>What the project is built on: code, national values, units and titles.</summary>
public sealed record Basis
{
    public string NationalSet { get; init; } = NationalValues.Recommended;

    /// <summary>Own values that replace those of the national set, by name.</summary>
    public ImmutableSortedDictionary<string, double> OwnValues { get; init; } = ImmutableSortedDictionary<string, double>.Empty;

    /// <summary>
    /// Whether temperature, settlement, creep and shrinkage count at the ultimate state. They may be left out where members have enough
    /// ductility and rotation capacity (EN 1992-1-1 2.3.1.2(2), 2.3.1.3(3), 2.3.2.2(2)).
    /// </summary>
    public bool IndirectAtUltimate { get; init; } = true;

    /// <summary>The national values in force.</summary>
    [JsonIgnore]
    public NationalValues Values => NationalValues.With(NationalSet, OwnValues);

    /// <summary><c>metric</c> or <c>us</c>: how values are shown and typed.</summary>
    public string Units { get; init; } = "metric";
    public Titles Titles { get; init; } = new();
}

/// <summary>The project's own titles, printed on every sheet.</summary>
public sealed record Titles
{
    public string Project { get; init; } = "";
    public string Client { get; init; } = "";
    public string Office { get; init; } = "";
    public string Number { get; init; } = "";
    public string Issue { get; init; } = "A";
    public string Drawn { get; init; } = "";
    public string Checked { get; init; } = "";
}

/// <summary>Names a ground that is kept beside the bridge: a surface is far larger than all the rest.</summary>
public sealed record GroundReference(string Name, string Hash);

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
    public const string WithRoad = "road";

    public int Count { get; init; } = 5;

    /// <summary>From the left edge of the deck to the centre line of the first girder.</summary>
    public double OverhangLeft { get; init; } = 0.95;

    /// <summary>The same on the right; null for as on the left.</summary>
    public double? OverhangRight { get; init; }

    /// <summary>Spacings from the first girder to the last; null for equal ones.</summary>
    public ImmutableArray<double>? Spacings { get; init; }

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

    /// <summary>Name of a section of the bridge; null for the first.</summary>
    public string? Section { get; init; }
    public Strands Strands { get; init; } = new();

    /// <summary>Tendons that are stressed in a stage, in every girder of their spans.</summary>
    public ImmutableArray<Tendon> Tendons { get; init; } = [];
    public SlabBars SlabBars { get; init; } = new();

    /// <summary>Bars that join the girders at their bottom over a pier, in the pour there.</summary>
    public PierBars PierBars { get; init; } = new();

    /// <summary>
    /// cot θ of the struts in the webs, by which the tension force is shifted (EN 1992-1-1 6.2.3(2), 9.2.1.3): 2.5 shifts it farthest.
    /// </summary>
    public double StrutSlope { get; init; } = 2.5;
    public Diaphragm Diaphragm { get; init; } = new();

    /// <summary>Diaphragms between the axes.</summary>
    public ImmutableArray<PlacedDiaphragm> Diaphragms { get; init; } = [];

    /// <summary>Stiffeners of girders of steel.</summary>
    public ImmutableArray<PlacedStiffener> Stiffeners { get; init; } = [];

    /// <summary>
    /// Camber half way along every girder when the slab is cast (m); null for just what deflects later, so that girders end straight.
    /// </summary>
    public double? Camber { get; init; }

    /// <summary>Deflection half way under what is put on after the slab (m, downward).</summary>
    public double LaterDeflection { get; init; }

    /// <summary>A haunch greater than this is told (m).</summary>
    public double GreatestHaunch { get; init; } = 0.15;

    /// <summary>
    /// Own values of single girders, by number of the girder and of the span, as in <c>3-2</c>. Those of girders that do not exist are
    /// kept.
    /// </summary>
    public ImmutableSortedDictionary<string, GirderOwn> Own { get; init; } = ImmutableSortedDictionary<string, GirderOwn>.Empty;
}

/// <summary>What a girder has of its own in a span; null follows.</summary>
public sealed record GirderOwn
{
    /// <summary>Haunch over both bearings, in place of the computed one (m).</summary>
    public double? Haunch { get; init; }
    public double? Camber { get; init; }

    /// <summary>Name of a section of the bridge, in place of that of all girders.</summary>
    public string? Section { get; init; }

    /// <summary>How far it lies right of where the layout puts it, square to the road (m).</summary>
    public double? Shift { get; init; }

    /// <summary>Whether the girder is left out of the span.</summary>
    public bool? Absent { get; init; }
}

/// <summary>The pretensioned strands of every girder.</summary>
public sealed record Strands
{
    /// <summary>Stress in the strands after all losses, before external load (Pa), entered.</summary>
    public double EffectiveStress { get; init; } = 1050e6;
    public ImmutableArray<StrandRow> Rows { get; init; } =
    [
        new()
        {
            Level = 0.06,
            Count = 10,
            Spacing = 0.05,
        },
        new()
        {
            Level = 0.11,
            Count = 10,
            Spacing = 0.05,
        },
    ];
}

/// <summary>A row of strands, centred on the girder: height above the soffit, number and spacing.</summary>
public sealed record StrandRow
{
    public double Level { get; init; } = 0.06;
    public int Count { get; init; } = 10;
    public double Spacing { get; init; } = 0.05;

    /// <summary>Strands of the row that are debonded near both ends, and over what length from each end (m).</summary>
    public int Debonded { get; init; }
    public double DebondedLength { get; init; }

    /// <summary>Level at both ends, where the row is deflected; null for a straight one.</summary>
    public double? EndLevel { get; init; }

    /// <summary>From either end to where a deflected row is held down, as a part of the girder's length.</summary>
    public double HoldDown { get; init; } = 0.4;

    /// <summary>Bonded strands at a distance from the girder's end (m).</summary>
    public int CountAt(double x, double length) =>
        Debonded > 0 && Math.Min(x, length - x) < DebondedLength ? Math.Max(0, Count - Debonded) : Count;

    /// <summary>Height above the soffit at a distance from the girder's end: straight from the end to where the row is held down.</summary>
    public double LevelAt(double x, double length)
    {
        if (EndLevel is not { } end)
            return Level;
        var part = Math.Clamp(Math.Min(x, length - x) / (HoldDown * length), 0, 1);
        return end + part * (Level - end);
    }
}

/// <summary>A tendon stressed after casting, along a parabola through three levels of a span; a stage puts it on by its name.</summary>
public sealed record Tendon
{
    public string Name { get; init; } = "Tendon";

    /// <summary>Number of the span; null for every one, which makes it run on over the piers.</summary>
    public int? Span { get; init; }
    public int Strands { get; init; } = 12;

    /// <summary>Stress after all losses (Pa), entered.</summary>
    public double EffectiveStress { get; init; } = 1100e6;

    /// <summary>Levels above the girder's soffit at both ends of the span and at its low point (m).</summary>
    public double StartLevel { get; init; } = 0.7;
    public double LowLevel { get; init; } = 0.15;
    public double EndLevel { get; init; } = 0.7;

    /// <summary>Where the low point is, as a part of the span.</summary>
    public double LowAt { get; init; } = 0.5;

    /// <summary>Whether it is in a span (from 0).</summary>
    public bool IsIn(int span) => Span is null || Span == span + 1;

    /// <summary>Level above the soffit at fraction t of the span: the parabola through the three points.</summary>
    public double LevelAt(double t) =>
        StartLevel * (t - LowAt) * (t - 1) / LowAt
        + LowLevel * t * (t - 1) / (LowAt * (LowAt - 1))
        + EndLevel * t * (t - LowAt) / (1 - LowAt);
}

/// <summary>Longitudinal reinforcement of the slab, which carries hogging at the piers.</summary>
public sealed record SlabBars
{
    public BarLayer Top { get; init; } =
        new()
        {
            Diameter = 0.020,
            Spacing = 0.125,
            AxisDistance = 0.060,
        };
    public BarLayer Bottom { get; init; } =
        new()
        {
            Diameter = 0.016,
            Spacing = 0.125,
            AxisDistance = 0.055,
        };
}

/// <summary>Bars from girder to girder through the diaphragm over a pier, which carry sagging there.</summary>
public sealed record PierBars
{
    public int Count { get; init; }
    public double Diameter { get; init; } = 0.025;

    /// <summary>Height of their axis above the soffit (m).</summary>
    public double Level { get; init; } = 0.08;

    /// <summary>How far they reach into the girders from the axis (m).</summary>
    public double Reach { get; init; } = 2.5;

    /// <summary>Area together (m²).</summary>
    public double Area => Count * Math.PI * Diameter * Diameter / 4;
}

/// <summary>Bars at equal spacing, with the distance of their axis from the nearer face.</summary>
public sealed record BarLayer
{
    public double Diameter { get; init; }
    public double Spacing { get; init; }
    public double AxisDistance { get; init; }

    /// <summary>Area of bars per metre of width (m²/m).</summary>
    public double AreaPerMetre => Math.PI * Diameter * Diameter / 4 / Spacing;
}

/// <summary>The concrete diaphragm over every support axis, cast with the slab.</summary>
public sealed record Diaphragm
{
    public double Width { get; init; } = 0.9;
    public double Depth { get; init; } = 1.2;
}

/// <summary>When a diaphragm is cast or set.</summary>
public enum DiaphragmStage
{
    BeforeSlab,
    WithSlab,
    AfterSlab,
}

/// <summary>What stands between the girders: a concrete diaphragm, or a steel one of a member or a frame of bars.</summary>
public enum DiaphragmKind
{
    Concrete,

    /// <summary>A steel member at half depth.</summary>
    Beam,

    /// <summary>Two diagonals that cross, and a bar at the bottom.</summary>
    CrossFrame,

    /// <summary>Two diagonals that meet half way at the bottom bar, and a bar at the top and the bottom.</summary>
    KFrame,
}

/// <summary>A diaphragm or cross-frame between the girders, at the same part of every girder's span or square to them.</summary>
public sealed record PlacedDiaphragm
{
    /// <summary>Number of the span; null for every one.</summary>
    public int? Span { get; init; }

    /// <summary>Where, as a part of the span, which scales with its length.</summary>
    public double At { get; init; } = 0.5;

    /// <summary>Where, as a distance from the first axis along the girder (m), which does not; null for the part of the span.</summary>
    public double? Distance { get; init; }

    /// <summary>Square to the girders, bay by bay, instead of at the same part of all.</summary>
    public bool Square { get; init; }
    public DiaphragmKind Kind { get; init; }
    public DiaphragmStage Stage { get; init; } = DiaphragmStage.WithSlab;

    /// <summary>Section of the bars of a steel one; null for the first section of steel.</summary>
    public string? Section { get; init; }
    public double Width { get; init; } = 0.3;

    /// <summary>From the girders' top downward.</summary>
    public double Depth { get; init; } = 0.9;

    /// <summary>First and last bay, counted from the left from 1; null for the outer ones.</summary>
    public int? FirstBay { get; init; }
    public int? LastBay { get; init; }

    /// <summary>Whether it stands in a span (from 0), and in a bay (from 1).</summary>
    public bool IsIn(int span) => Span is null || Span == span + 1;

    public bool HasBay(int bay) => bay >= (FirstBay ?? 1) && bay <= (LastBay ?? int.MaxValue);
}

/// <summary>The materials in use.</summary>
public sealed record MaterialSet
{
    public ConcreteGrade Slab { get; init; } = new() { Class = "C35/45" };
    public ConcreteGrade Girder { get; init; } = new() { Class = "C45/55" };

    /// <summary>Of abutments, piers and foundations.</summary>
    public ConcreteGrade Support { get; init; } = new() { Class = "C30/37" };
    public ReinforcementGrade Reinforcement { get; init; } = new();
    public StrandGrade Strand { get; init; } = new();

    /// <summary>Of girders, frames and stiffeners of steel.</summary>
    public StructuralGrade Structural { get; init; } = new();
}

/// <summary>Weights that load the deck (N/m³, N/m).</summary>
public sealed record UnitWeights
{
    /// <summary>Reinforced concrete, normal weight: 24 + 1 kN/m³ (EN 1991-1-1 Table A.1).</summary>
    public double ConcreteWeight { get; init; } = 25e3;

    /// <summary>What concrete weighs more while it is wet: 1 kN/m³ (EN 1991-1-1 Table A.1, note 2).</summary>
    public double WetConcrete { get; init; } = 1e3;

    /// <summary>Structural steel: 77 to 78.5 kN/m³ (EN 1991-1-1 Table A.4).</summary>
    public double SteelWeight { get; init; } = 77e3;

    /// <summary>Surfacing on the carriageway: 24 to 25 kN/m³ (EN 1991-1-1 Table A.6).</summary>
    public double SurfacingWeight { get; init; } = 24e3;

    /// <summary>Fill and paving of footways and verges above the slab.</summary>
    public double FootwayWeight { get; init; } = 24e3;
}
