using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;

namespace Pravik.Core.Checks;

/// <summary>A check of members: to which it applies, its outcomes at every place, and the calculation behind each.</summary>
public interface ICheck
{
    /// <summary>Name of the check in paths and files.</summary>
    string Id { get; }

    /// <summary>What is checked, in words that go on a sentence: “ultimate bending”.</summary>
    string Subject { get; }

    /// <summary>Whether traffic is rated by it: it sets the ultimate state against a resistance.</summary>
    bool IsRated => true;

    /// <summary>Whether it is a check of members of a form at all: one of concrete, or one of steel.</summary>
    bool IsFor(MemberForm form) => form != MemberForm.Steel;

    /// <summary>Why the check does not cover members of a form, under a family of standards, yet; null where it does.</summary>
    string? Refusal(MemberForm form, Standard standard);

    /// <summary>The check made ready for members; what they share is worked out once.</summary>
    IMemberCheck Of(ImmutableArray<Member> members);
}

/// <summary>A check made ready. Outcomes and calculations may be asked for by several threads.</summary>
public interface IMemberCheck
{
    /// <summary>What it leaves out of these members, in words; nothing for most.</summary>
    IEnumerable<string> LeftOut => [];

    /// <summary>Outcomes at a place of a member, one for each sense; none where there is nothing to check.</summary>
    IEnumerable<CheckOutcome> At(Member member, int place);

    /// <summary>The outcome with an id at a place, with every line of its calculation.</summary>
    CheckOutcome Write(Member member, int place, string check, Calculation calculation);
}

/// <summary>All checks, and the subjects that no check covers yet.</summary>
public static class CheckCatalog
{
    /// <summary>All checks, in the order in which they are told.</summary>
    public static IReadOnlyList<ICheck> All { get; } =
    [
        new En1992.UltimateBending(),
        new En1992.UltimateShear(),
        new En1992.InterfaceShear(),
        new En1992.UltimateTorsion(),
        new En1992.SupportAnchorage(),
        new En1992.ServiceStress(),
        new En1992.BarStress(),
        new En1992.StrandStress(),
        new En1992.CrackWidth(),
        new En1992.SuddenFailure(),
        new En1992.Punching(),
        new En1992.TrafficDeflection(),
        new En1992.Fatigue(),
        new En1992.InAccident(new En1992.UltimateBending()),
        new En1992.InAccident(new En1992.UltimateShear()),
        new En1992.InAccident(new En1992.InterfaceShear()),
        new En1992.InAccident(new En1992.UltimateTorsion()),
        new Lrfd6.Proportions(),
        new Lrfd6.Flexure(),
        new Lrfd6.WebShear(),
        new Lrfd6.ServiceTwo(),
        new Lrfd6.Construction(),
        new Lrfd6.DetailFatigue(),
        new Lrfd6.WebFatigue(),
        new Lrfd6.SlabOverPiers(),
        new Lrfd6.Studs(),
        new Lrfd6.Stiffeners(),
    ];

    /// <summary>What no check covers yet of a bridge, said wherever something passes.</summary>
    public static IReadOnlyList<string> NotYet { get; } = ["bearings and substructure"];
}
