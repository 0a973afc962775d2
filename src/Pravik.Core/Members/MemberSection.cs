using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Sections;
using Pravik.Core.Stages;

namespace Pravik.Core.Members;

/// <summary>Concrete of one kind in a section: its outline (m, y up from the soffit) and its material.</summary>
public sealed record MemberConcrete(string Name, Polygon Outline, Concrete Concrete);

/// <summary>Bars at one height (m above the soffit).</summary>
/// <param name="Name">Name in words.</param>
/// <param name="Height">Height above the soffit (m).</param>
/// <param name="Area">Area of all of them (m²).</param>
/// <param name="Steel">Their steel.</param>
public sealed record MemberBars(string Name, double Height, double Area, ReinforcingSteel Steel)
{
    /// <summary>Diameter of a bar (m).</summary>
    public double Diameter { get; init; }

    /// <summary>Distance of bars where they are entered by it (m); 0 where they are entered by number.</summary>
    public double Spacing { get; init; }

    /// <summary>Whether they lie near the top.</summary>
    public bool IsTop { get; init; }

    /// <summary>From the end of the bars (m); infinite where they go on.</summary>
    public double FromEnd { get; init; } = double.PositiveInfinity;

    /// <summary>Mean tensile strength of the concrete that anchors them (Pa).</summary>
    public double Fctm { get; init; }
}

/// <summary>A step of the stress of strands: why, from which day to which, and the change (Pa).</summary>
public readonly record struct StrandStep(LossKind Kind, double From, double To, double Change);

/// <summary>Strands whose bond begins in one place: how many, and from there (m; negative before it).</summary>
public readonly record struct StrandBond(int Count, double From);

/// <summary>Pretensioned strands of one row, or a tendon.</summary>
/// <param name="Row">The row, from 1; tendons come after rows.</param>
/// <param name="Height">Height above the soffit here (m).</param>
/// <param name="Bonds">Them by where their bond begins, those bonded from the end of the girder, of which there may be none, first.</param>
public sealed record MemberStrands(int Row, double Height, ImmutableArray<StrandBond> Bonds)
{
    /// <summary>From the end of the girder (m); infinite for tendons.</summary>
    public double FromEnd => Bonds[0].From;

    /// <summary>How many there are.</summary>
    public int Count => Bonds.Sum(b => b.Count);

    /// <summary>Strands of a row at a distance from the end of the girder (m).</summary>
    public static ImmutableArray<StrandBond> BondsOf(StrandRow row, double fromEnd) =>
        [.. row.Bonds.Select(b => new StrandBond(b.Count, fromEnd - b.Length))];

    /// <summary>The sum over strands of what one does whose bond began so far back (m).</summary>
    public double Sum(Func<double, double> ofOne)
    {
        double sum = 0;
        foreach (var bond in Bonds)
            sum += bond.Count == 0 ? 0 : bond.Count * ofOne(bond.From);
        return sum;
    }

    /// <summary>Them in words.</summary>
    public string Name { get; init; } = $"strand row {Row}";

    /// <summary>The duct of a tendon, which plates anchor and grout bonds; null for strands, which bond alone anchors.</summary>
    public MemberDuct? Duct { get; init; }

    /// <summary>Distance between strands of a row (m), as it is drawn.</summary>
    public double Spacing { get; init; } = 0.05;

    /// <summary>Area of all of them (m²).</summary>
    public double Area => Count * Steel.Area;

    /// <summary>Their steel.</summary>
    public required PrestressingSteel Steel { get; init; }

    /// <summary>Stress after all losses (Pa).</summary>
    public required double EffectiveStress { get; init; }

    /// <summary>How it came to that, step by step from the jack on.</summary>
    public required IEnumerable<StrandStep> Steps { get; init; }

    /// <summary>Stress just after release (Pa).</summary>
    public required double StressAtRelease { get; init; }

    /// <summary>f_ctm(t) of the concrete around them at release (Pa).</summary>
    public required double FctmAtRelease { get; init; }

    /// <summary>Concrete around them.</summary>
    public required Concrete Concrete { get; init; }
}

/// <summary>Ducts of a tendon.</summary>
/// <param name="Count">How many lie side by side.</param>
/// <param name="Diameter">Their outer diameter (m).</param>
/// <param name="Slope">Slope of the tendon, rising ahead positive.</param>
public sealed record MemberDuct(int Count, double Diameter, double Slope);

/// <summary>A cross-section of a member when it is finished. What is alike at several places is one array of concrete.</summary>
/// <param name="Concrete">Its concrete, the slab first.</param>
/// <param name="Bars">Its bars.</param>
/// <param name="Strands">Its strands.</param>
public sealed record MemberSection(
    ImmutableArray<MemberConcrete> Concrete,
    ImmutableArray<MemberBars> Bars,
    ImmutableArray<MemberStrands> Strands
)
{
    /// <summary>Whether the member is interrupted here, as girders are between their ends over a pier.</summary>
    public bool IsInterrupted { get; init; }

    /// <summary>
    /// Concrete of the girder when its strands are released, or its first tendon is jacked; null where none are, or their losses are not
    /// worked out.
    /// </summary>
    public EarlyConcrete? AtRelease { get; init; }

    /// <summary>From the nearer end of the girder (m).</summary>
    public double FromEnd { get; init; }

    /// <summary>Least width of the web (m).</summary>
    public double WebWidth { get; init; }

    /// <summary>Height of the web, that of the girder (m).</summary>
    public double WebHeight { get; init; }

    /// <summary>The web's part of the torsion of the member, by its stiffness; 0 where it has none.</summary>
    public double WebTorsion { get; init; }

    /// <summary>The walls around voids, the slab over them among the top one; null without voids.</summary>
    public CellWalls? Cells { get; init; }

    /// <summary>Upright links; null for none.</summary>
    public MemberLinks? Links { get; init; }

    /// <summary>The face on which later concrete lies; null for none.</summary>
    public MemberJoint? Joint { get; init; }

    /// <summary>Writes how the section came about: effective widths and thicknesses.</summary>
    public Action<Calculation>? Origin { get; init; }

    /// <summary>Whether tendons pass it.</summary>
    public bool HasTendons => Strands.Any(s => s.Duct is not null);

    /// <summary>Whether it has strands that bond alone anchors.</summary>
    public bool HasPretensioned => Strands.Any(s => s.Duct is null);

    /// <summary>Height of the whole (m).</summary>
    public double Depth => Concrete.Max(c => c.Outline.Top);
}
