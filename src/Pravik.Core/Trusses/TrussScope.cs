using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>What the checks of a truss scheme cover, and what they do not.</summary>
public static class TrussScope
{
    /// <summary>What is checked.</summary>
    public static ImmutableArray<string> Checked { get; } =
    ["yielding in tension", "buckling between joints", "slenderness", "deflection under traffic"];

    /// <summary>What is not: it is told beside every result.</summary>
    public static ImmutableArray<string> NotChecked { get; } =
    [
        "joints and gussets",
        "net sections",
        "bending of bars by stiff joints or loads between them",
        "bracing between the planes and what holds joints sideways",
        "deck and cross beams",
        "wind, temperature, braking and fatigue",
        "masts and compressed chords buckling as a whole",
        "foundations and anchorages",
    ];
}
