using Pravik.Core.Calculations;
using Pravik.Core.Effects;
using Pravik.Core.Places;

namespace Pravik.Core.Checks;

/// <summary>A check of girders: to what it applies, its outcomes at every point, and the calculation behind each.</summary>
public interface ICheck
{
    /// <summary>Name of the check in paths and files.</summary>
    string Id { get; }

    /// <summary>What is checked, in words that go on a sentence: “ultimate bending”.</summary>
    string Subject { get; }

    /// <summary>Why the check does not cover a bridge yet, or null where it does.</summary>
    string? Refusal(BridgeGeometry geometry);

    /// <summary>The check of a bridge's girders. Outcomes and calculations may be asked for by several threads.</summary>
    IPointCheck Of(BridgeGeometry geometry, BridgeEffects effects);
}

/// <summary>A check made ready for the girders of a bridge.</summary>
public interface IPointCheck
{
    /// <summary>Outcomes at a point, one for each sense; none where there is nothing to check.</summary>
    IEnumerable<CheckOutcome> At(int point);

    /// <summary>The outcome with an id at a point, with every line of its calculation.</summary>
    CheckOutcome Write(int point, string check, Calculation calculation);
}

/// <summary>All checks, and the subjects that no check covers yet.</summary>
public static class CheckCatalog
{
    /// <summary>All checks, in the order in which they are told.</summary>
    public static IReadOnlyList<ICheck> All { get; } = [new En1992.UltimateBending()];

    /// <summary>What is not checked yet, said wherever something passes.</summary>
    public static IReadOnlyList<string> NotYet { get; } =
    [
        "transfer and service stresses",
        "crack widths",
        "shear and torsion",
        "interface between girder and slab",
        "anchorage at supports",
        "losses of prestress",
        "deflections",
        "fatigue",
        "slab across",
        "bearings and substructure",
    ];
}
