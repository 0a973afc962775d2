using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Core.Checks;

/// <summary>
/// Effect against resistance at a point (Nm; hogging with its sign). The utilisation is 0 where the effect has the other sign.
/// </summary>
public sealed record BendingOutcome(Bending Bending, double Effect, double Resistance, double Utilisation)
{
    public const string Clause = "EN 1992-1-1 6.1";

    public bool Passes => Utilisation <= 1;

    public string Name => Bending == Bending.Sagging ? "Ultimate bending, sagging" : "Ultimate bending, hogging";
}

/// <summary>Checks the ultimate bending of every point, and writes the calculation of one.</summary>
public sealed class GirderCheck(BridgeGeometry geometry, NationalValues values)
{
    /// <summary>What the calculation of this version leaves out, said on every calculation.</summary>
    public const string NotCovered =
        "Not covered yet: losses of prestress (the effective stress is entered), effects of prestress on the continuous structure, creep and shrinkage, "
        + "transfer and service stresses, shear and torsion, anchorage of strands at girder ends, temperature, settlement, wind, braking, fatigue.";

    private const double NoResistance = 99;
    private readonly GirderBending bending = new(geometry, values);

    public BendingOutcome Check(PointEffects moments, Bending side, Calculation? calculation = null)
    {
        calculation?.Heading("Effect");
        var effect = Combinations.Side(Combination.Ultimate, moments, values, side == Bending.Sagging, calculation);
        var state = bending.At(moments.Point, side, calculation);
        var sign = side == Bending.Sagging ? 1 : -1;
        var resistance = sign * (state?.Moment ?? 0);
        var utilisation =
            sign * effect <= 0 ? 0
            : sign * resistance <= 0 ? NoResistance
            : Math.Min(NoResistance, effect / resistance);
        if (calculation is { } c)
        {
            c.Heading("Check");
            c.Ratio(
                "η",
                utilisation <= 1 ? "M_Ed / M_Rd ≤ 1, passes" : "M_Ed / M_Rd > 1, fails",
                utilisation,
                3,
                BendingOutcome.Clause,
                $"{c.Text(effect, QuantityKind.Moment)} / {c.Text(resistance, QuantityKind.Moment)}"
            );
            c.Remark(
                "Girder and wet slab act on the girder alone as a simple span from axis to axis; later loads act on the continuous composite grillage. "
                    + "At the ultimate state the whole moment is set against the composite section; the strain that the girder has when the slab is cast is left out, as is usual.",
                "EN 1992-1-1 6.1"
            );
            c.Remark(NotCovered);
        }
        return new(side, effect, resistance, utilisation);
    }
}
