using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.LoneMembers;

/// <summary>
/// A member alone: a beam over one span or several, without a road or a bridge. One immutable value in SI base units, from which its
/// effects and checks follow (docs/member-format.md).
/// </summary>
public sealed record LoneMember
{
    /// <summary>What the member <c>format</c> of a file says.</summary>
    public const string FormatName = "pravik-member";

    /// <summary>The version that is written and read.</summary>
    public const int CurrentVersion = 1;

    /// <summary>
    /// A rectangle over some spans (m), a twelfth of the longest deep, with bars at both faces and links; EN recommended values.
    /// </summary>
    public static LoneMember New(IReadOnlyList<double> spans)
    {
        var depth = Math.Clamp(Math.Round(spans.Max() / 12, 2), 0.3, 3);
        var sizes = new Dictionary<string, double> { ["depth"] = depth, ["width"] = Math.Max(0.4, Math.Round(depth / 2, 2)) };
        return new()
        {
            Format = FormatName,
            Version = CurrentVersion,
            Spans = [.. spans.Select(l => new LoneSpan { Length = l })],
            Supports = [.. Enumerable.Repeat(new LoneSupport(), spans.Count + 1)],
            Sections =
            [
                new()
                {
                    Name = "Beam",
                    Family = "rectangle",
                    Sizes = sizes.ToImmutableSortedDictionary(),
                },
            ],
            Bars =
            [
                new() { Count = 5, Diameter = 0.025 },
                new()
                {
                    Face = BarFace.Top,
                    Count = spans.Count > 1 ? 5 : 3,
                    Diameter = spans.Count > 1 ? 0.025 : 0.016,
                },
            ],
            Links = [new()],
            StrutSlope = 1.5,
        };
    }

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Version of the format.</summary>
    public required int Version { get; init; }

    /// <summary>Name of the member.</summary>
    public string Name { get; init; } = "New member";

    /// <summary>Code, national values, units and titles; EN 1990 to 1992 alone.</summary>
    public Basis Basis { get; init; } = new();

    /// <summary>Spans from the first support, or from a free end, to the last.</summary>
    public ImmutableArray<LoneSpan> Spans { get; init; } = [new()];

    /// <summary>What holds it at the ends of the spans: one more than there are spans.</summary>
    public ImmutableArray<LoneSupport> Supports { get; init; } = [new(), new()];

    /// <summary>
    /// How far it goes on beyond its first and last support (m), negative where it ends short of them: strands begin there. What lies
    /// beyond weighs nothing.
    /// </summary>
    public double Overhang { get; init; }

    /// <summary>Sections; the first is that of the whole length where no stretch says otherwise.</summary>
    public ImmutableArray<SectionShape> Sections { get; init; } = [new() { Name = "Beam", Family = "rectangle" }];

    /// <summary>Stretches with another section.</summary>
    public ImmutableArray<SectionStretch> Stretches { get; init; } = [];

    /// <summary>Materials.</summary>
    public LoneMaterials Materials { get; init; } = new();

    /// <summary>A slab that is cast on the member later and works with it; null for none.</summary>
    public LoneSlab? Slab { get; init; }

    /// <summary>Layers of bars.</summary>
    public ImmutableArray<BarStretch> Bars { get; init; } = [];

    /// <summary>Upright links.</summary>
    public ImmutableArray<LinkStretch> Links { get; init; } = [];

    /// <summary>Pretensioned strands; no rows for none.</summary>
    public Strands Strands { get; init; } = new() { Rows = [] };

    /// <summary>Whether losses of its strands are worked out: no stress after losses is entered, and no effects from elsewhere.</summary>
    [JsonIgnore]
    public bool WorksOutLosses => HasStrands && Strands.EffectiveStress is null && Effects is null;

    /// <summary>How it ages, where losses are worked out.</summary>
    public LoneTime Time { get; init; } = new();

    /// <summary>Whether it has any strands.</summary>
    [JsonIgnore]
    public bool HasStrands => Strands.Rows.Any(r => r.Count > 0);

    /// <summary>Whether a slab is cast on it when it stands already; a slab on a member without strands is cast with it.</summary>
    [JsonIgnore]
    public bool StandsBeforeSlab => Slab is not null && HasStrands;

    /// <summary>When strands are released.</summary>
    public StrandRelease Release { get; init; } = new();

    /// <summary>cot θ of the struts in the web (EN 1992-1-1 6.2.3(2)).</summary>
    public double StrutSlope { get; init; } = 2.5;

    /// <summary>Whether torsion comes from compatibility alone and is left out of the checks (EN 1992-1-1 6.3.1(2)).</summary>
    public bool LeavesOutTorsion { get; init; }

    /// <summary>
    /// How many times a span must be longer than frequent traffic deflects it; null where nothing limits deflections.
    /// </summary>
    public double? DeflectionLimit { get; init; }

    /// <summary>How the top is made on which the slab is cast: a name of <see cref="InterfaceSurface"/>.</summary>
    public string TopSurface { get; init; } = InterfaceSurface.Usual;

    /// <summary>Weight of concrete (N/m³).</summary>
    public double UnitWeight { get; init; } = 25e3;

    /// <summary>Load cases beside its weight.</summary>
    public ImmutableArray<LoneCase> Cases { get; init; } = [];

    /// <summary>What drives over it.</summary>
    public ImmutableArray<LoneTraffic> Traffic { get; init; } = [];

    /// <summary>By how much the top is warmer than the soffit, straight over the depth (K, EN 1991-1-5 Table 6.1).</summary>
    public double Heating { get; init; } = 15;

    /// <summary>By how much the top is cooler than the soffit (K).</summary>
    public double Cooling { get; init; } = 8;

    /// <summary>Wheels that may punch through it, where it is a strip of slab; null for none.</summary>
    public LoneWheels? Wheels { get; init; }

    /// <summary>Effects that were worked out elsewhere, in place of all loads; null for none.</summary>
    public EffectTables? Effects { get; init; }
}

/// <summary>A span.</summary>
public sealed record LoneSpan
{
    /// <summary>Its length (m).</summary>
    public double Length { get; init; } = 10;

    /// <summary>How the depth goes along it; null for that of the section.</summary>
    public DepthLaw? Depth { get; init; }
}

/// <summary>How a member is held at an end of a span.</summary>
public enum Restraint
{
    /// <summary>Upright alone: it can turn.</summary>
    Pinned,

    /// <summary>Upright and against turning.</summary>
    Fixed,

    /// <summary>Not at all, at an end of the member: a cantilever.</summary>
    Free,
}

/// <summary>What holds a member at an end of a span.</summary>
public sealed record LoneSupport
{
    /// <summary>What is held.</summary>
    public Restraint Restraint { get; init; }

    /// <summary>Upright stiffness in place of a firm hold (N/m); null for firm.</summary>
    public double? Spring { get; init; }

    /// <summary>Length of the bearing along the member (m): a place is checked at its face.</summary>
    public double Bearing { get; init; } = 0.3;

    /// <summary>How much it may settle (m).</summary>
    public double Settlement { get; init; }
}

/// <summary>A stretch of a member with a section of its own; where stretches meet the later one holds.</summary>
public sealed record SectionStretch
{
    /// <summary>Name of the section.</summary>
    public string Section { get; init; } = "";

    /// <summary>Where it begins, from the beginning of the member (m).</summary>
    public double From { get; init; }

    /// <summary>Where it ends (m).</summary>
    public double To { get; init; }
}

/// <summary>Materials of a member alone.</summary>
public sealed record LoneMaterials
{
    /// <summary>Of the member.</summary>
    public ConcreteGrade Concrete { get; init; } = new();

    /// <summary>Of the slab on it.</summary>
    public ConcreteGrade Slab { get; init; } = new();

    /// <summary>Of all bars.</summary>
    public ReinforcementGrade Reinforcement { get; init; } = new();

    /// <summary>Of strands.</summary>
    public StrandGrade Strand { get; init; } = new();

    /// <summary>Class of exposure.</summary>
    public string Exposure { get; init; } = "XC3";
}

/// <summary>A slab on a member, as wide as works with it.</summary>
public sealed record LoneSlab
{
    /// <summary>Effective width (m).</summary>
    public double Width { get; init; } = 2;

    /// <summary>Width that weighs on the member (m); null for the effective width.</summary>
    public double? Weighs { get; init; }

    /// <summary>Thickness (m).</summary>
    public double Thickness { get; init; } = 0.2;

    /// <summary>Concrete between the member's top and the slab's soffit (m).</summary>
    public double Haunch { get; init; }

    /// <summary>Day on which it is cast, from when the member was made.</summary>
    public double Day { get; init; } = 60;
}

/// <summary>The face from which bars are measured.</summary>
public enum BarFace
{
    /// <summary>The soffit.</summary>
    Soffit,

    /// <summary>The top of the whole, the slab with it.</summary>
    Top,
}

/// <summary>A layer of bars that follows a face, over a stretch of a member; by number, or by their distance.</summary>
public sealed record BarStretch
{
    /// <summary>The face that it follows.</summary>
    public BarFace Face { get; init; }

    /// <summary>From the face to the axis of the bars (m).</summary>
    public double AxisDistance { get; init; } = 0.06;

    /// <summary>Diameter (m).</summary>
    public double Diameter { get; init; } = 0.02;

    /// <summary>How many there are; null where their distance is given.</summary>
    public int? Count { get; init; }

    /// <summary>Their distance across (m), over the width of the face; null where their number is given.</summary>
    public double? Spacing { get; init; }

    /// <summary>Where they begin, from the beginning of the member (m); null for before it.</summary>
    public double? From { get; init; }

    /// <summary>Where they end (m); null for beyond the member.</summary>
    public double? To { get; init; }
}

/// <summary>Links over a stretch of a member.</summary>
public sealed record LinkStretch
{
    /// <summary>Where they begin, from the beginning of the member (m); null for its beginning.</summary>
    public double? From { get; init; }

    /// <summary>Where they end (m); null for the end of the member.</summary>
    public double? To { get; init; }

    /// <summary>Legs of a link that cross the web.</summary>
    public int Legs { get; init; } = 2;

    /// <summary>Diameter (m).</summary>
    public double Diameter { get; init; } = 0.012;

    /// <summary>Distance along the member (m).</summary>
    public double Spacing { get; init; } = 0.15;
}

/// <summary>A load case on a member.</summary>
public sealed record LoneCase
{
    /// <summary>Name.</summary>
    public string Name { get; init; } = "Own case";

    /// <summary>How it enters combinations.</summary>
    public OwnAction Action { get; init; } = OwnAction.Permanent;

    /// <summary>Whether it is put on before the slab is stiff, so that the member carries it alone.</summary>
    public bool BeforeSlab { get; init; }

    /// <summary>Combination factor ψ₀ of a variable case; 1 where none is known is on the safe side.</summary>
    public double Psi0 { get; init; } = 1;

    /// <summary>Combination factor ψ₁.</summary>
    public double Psi1 { get; init; } = 1;

    /// <summary>Combination factor ψ₂.</summary>
    public double Psi2 { get; init; } = 1;

    /// <summary>Its loads.</summary>
    public ImmutableArray<LoneLoad> Loads { get; init; } = [];
}

/// <summary>What kind of load on a member it is.</summary>
public enum LoneLoadKind
{
    /// <summary>A force at a place (N), down.</summary>
    Point,

    /// <summary>A force per metre between two places (N/m), down.</summary>
    Line,

    /// <summary>A moment at a place (Nm), sagging ahead of it positive.</summary>
    Moment,
}

/// <summary>A load on a member.</summary>
public sealed record LoneLoad
{
    /// <summary>What kind of load it is.</summary>
    public LoneLoadKind Kind { get; init; } = LoneLoadKind.Line;

    /// <summary>Where it stands or begins, from the beginning of the member (m); null for its beginning.</summary>
    public double? From { get; init; }

    /// <summary>Where a line load ends (m); null for the end of the member.</summary>
    public double? To { get; init; }

    /// <summary>N, N/m or Nm by its kind.</summary>
    public double Value { get; init; } = 10e3;

    /// <summary>Value at the end of a line load (N/m), straight from the first; null for the same.</summary>
    public double? ToValue { get; init; }

    /// <summary>What its value is.</summary>
    [JsonIgnore]
    public QuantityKind Quantity =>
        Kind switch
        {
            LoneLoadKind.Point => QuantityKind.Force,
            LoneLoadKind.Moment => QuantityKind.Moment,
            _ => QuantityKind.LineLoad,
        };
}

/// <summary>A traffic model of which the member carries a share of one lane.</summary>
public sealed record LoneTraffic
{
    /// <summary>Name of the model: <c>LM1</c>, <c>LM71</c>.</summary>
    public string Model { get; init; } = "LM1";

    /// <summary>The part of the first lane's load, or of a track's, that the member carries.</summary>
    public double Share { get; init; } = 1;

    /// <summary>Factor on vehicles and trains for their dynamics.</summary>
    public double Dynamic { get; init; } = 1;
}
