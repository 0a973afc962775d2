using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Members;

/// <summary>How a member is made, as far as checks differ by it.</summary>
public enum MemberForm
{
    /// <summary>A precast girder with strands, and a slab on it.</summary>
    PretensionedWithSlab,

    /// <summary>A girder cast in place, with bars alone.</summary>
    CastInPlace,

    /// <summary>A girder cast in place, with tendons.</summary>
    PostTensioned,

    /// <summary>A precast girder that runs on over piers in one piece.</summary>
    RunsOnOverPiers,

    /// <summary>A steel girder.</summary>
    Steel,
}

/// <summary>A place along a member.</summary>
/// <param name="Number">Number of the place in the effects.</param>
/// <param name="Span">The span from 0; the tension force is not shifted from one to another.</param>
/// <param name="Distance">Distance from the beginning of the member (m).</param>
/// <param name="Station">Station of the road there (m).</param>
/// <param name="Section">The section; null where there is nothing to check.</param>
/// <param name="AxialHeight">Height above the soffit at which axial forces act (m).</param>
public sealed record MemberPoint(int Number, int Span, double Distance, double Station, MemberSection? Section, double AxialHeight)
{
    /// <summary>The section of a steel girder, or those behind and ahead of the place; none for members of concrete.</summary>
    public ImmutableArray<MemberSteel> Steel { get; init; } = [];
}

/// <summary>
/// A member as a check sees it: sections along it, and what acts on them. A check does not know from which bridge it came.
/// </summary>
/// <param name="Name">Name in words: “G2”.</param>
/// <param name="Form">How it is made.</param>
/// <param name="Points">Places along it.</param>
/// <param name="Effects">The envelope of all combinations of a limit state.</param>
/// <param name="Values">National values.</param>
/// <param name="StrutSlope">cot θ of the compression struts.</param>
public sealed record Member(
    string Name,
    MemberForm Form,
    ImmutableArray<MemberPoint> Points,
    Func<LimitState, EffectRange> Effects,
    NationalValues Values,
    double StrutSlope
)
{
    /// <summary>Whether girder and slab are cast in one, so that all acts on one section.</summary>
    public bool IsCastInOne => Form is MemberForm.CastInPlace or MemberForm.PostTensioned;

    /// <summary>r_sup and r_inf at a section (EN 1992-1-1 5.10.9): the wider ones with tendons.</summary>
    public (double More, double Less) PrestressFactors(MemberSection section) =>
        Form == MemberForm.PostTensioned || section.HasTendons
            ? (Values["tendonsMore"], Values["tendonsLess"])
            : (Values["prestressMore"], Values["prestressLess"]);

    /// <summary>Moments while it is built, the release of strands first; none where the stress after losses is entered.</summary>
    public ImmutableArray<MemberStage> Stages { get; init; } = [];

    /// <summary>Frequent traffic by itself; null for none.</summary>
    public EffectRange? FrequentTraffic { get; init; }

    /// <summary>
    /// Cycles of the moment or the shear at a place (by its number) as each lorry of fatigue load model 4 passes alone; null where they are
    /// not known.
    /// </summary>
    public Func<int, GirderEffect, IReadOnlyList<PassageCycles>>? Lorries { get; init; }

    /// <summary>How many times a span must be longer than frequent traffic deflects it; null for no limit.</summary>
    public double? DeflectionLimit { get; init; }

    /// <summary>The envelope of accidental combinations; null for none.</summary>
    public EffectRange? Accidental { get; init; }

    /// <summary>What prestress does, all losses off.</summary>
    public required EffectValues Prestress { get; init; }

    /// <summary>Why torsion is not checked where it comes from compatibility alone.</summary>
    public const string TorsionByCompatibility = "torsion, which is taken as compatibility alone (EN 1992-1-1 6.3.1(2))";

    /// <summary>Why torsion is not checked, in words; null where it is.</summary>
    public string? LeavesOutTorsion { get; init; }

    /// <summary>
    /// From the end of the member that is nearest to a place to the front of its bearing there (m); null where none is
    /// known.
    /// </summary>
    public Func<MemberPoint, double?> ToBearing { get; init; } = _ => null;

    /// <summary>Wheels that may punch through it, where it is a strip of slab; null for none.</summary>
    public MemberWheels? Wheels { get; init; }

    /// <summary>What fatigue of steel is reckoned with.</summary>
    public SteelFatigue Fatigue { get; init; } = new();

    /// <summary>What resists a case at a place (by its number) of a steel girder.</summary>
    public Func<CaseId, int, SteelState> StateOf { get; init; } = (_, _) => SteelState.ShortTerm;

    /// <summary>Class of exposure.</summary>
    public string Exposure { get; init; } = "";
}
