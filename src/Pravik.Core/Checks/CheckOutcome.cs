using Pravik.Core.Codes;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks;

/// <summary>Effect against resistance of one check at one point (by its number in the layout); signs as those of the effect.</summary>
/// <param name="Check">Id of the check, with its sense where it has two.</param>
/// <param name="Name">Name in words.</param>
/// <param name="Point">Number of the point.</param>
/// <param name="Source">Number of the point whose effect governs: another where moments are shifted.</param>
/// <param name="Effect">Effect (N, Nm or Pa).</param>
/// <param name="Resistance">Resistance in the same unit.</param>
/// <param name="Utilisation">Effect over resistance; 0 where the effect has the other sign.</param>
/// <param name="Clause">Clause that asks for it.</param>
public sealed record CheckOutcome(
    string Check,
    string Name,
    int Point,
    int Source,
    double Effect,
    double Resistance,
    double Utilisation,
    string Clause
)
{
    /// <summary>What the effect and the resistance are measured in.</summary>
    public QuantityKind Kind { get; init; } = QuantityKind.Moment;

    /// <summary>Axial force that acts with a moment (N, tension positive).</summary>
    public double Axial { get; init; }

    /// <summary>Which effect stands at its greatest or least, with what acts together with it.</summary>
    public GirderEffect Leads { get; init; } = GirderEffect.M;

    /// <summary>The limit state whose combinations it takes; null for what is told along its calculation alone.</summary>
    public LimitState? State { get; init; } = LimitState.Ultimate;

    /// <summary>Whether it stands at its greatest.</summary>
    public bool IsGreatest { get; init; }

    /// <summary>
    /// Another point towards which the effect is taken, and how far of the way from <see cref="Source"/>: straight between both. Null
    /// for the effect at the source itself.
    /// </summary>
    public (int Point, double Part)? Towards { get; init; }

    /// <summary>Whether the utilisation is at most 1.</summary>
    public bool Passes => Utilisation <= 1;
}
