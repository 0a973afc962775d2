using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Composite sections under hogging by the stresses of both flanges (AASHTO LRFD 6.10.8.1): the bottom one between braces, f_bu + f_l/3 ≤
/// φ_f·F_nc, the top one, which the slab holds, f_bu ≤ φ_f·R_h·F_yf.
/// </summary>
internal static class NegativeFlexure
{
    private const string Compressed = "AASHTO LRFD 6.10.8.1.1";
    private const string Pulled = "AASHTO LRFD 6.10.8.1.3";

    /// <summary>Effect against resistance.</summary>
    public static LimitResult Check(MemberSteel steel, FlangeStresses along, int place, Calculation? c)
    {
        var (stresses, acting) = (along.Of(steel, place, false), along.Moments(place, false));
        var (flange, gradient) = (along.Resisting(steel, place, false, false), along.Gradient(steel, false, false));
        var (stress, length) = (stresses.Bottom, steel.Unbraced.Length);
        if (c is not null)
            stresses.Write(c, false, Compressed);
        var sideways = LateralBending.Stress(steel, false, acting.Total, stress, flange, gradient, c);
        var between = along.LeastBetween(steel, false, false, gradient);
        var resistance = SteelGirders.Phi * Math.Min(flange.Resistance(length, gradient), between);
        if (c is not null)
            flange.Write(c, length, gradient);
        if (between < flange.Resistance(length, gradient))
            c?.Line("F_nc", "the least of the plates between the braces", between, QuantityKind.Stress, "AASHTO LRFD 6.10.8.2.3");
        if (c is not null)
            stresses.Write(c, true, Pulled);
        var yield = SteelGirders.Phi * steel.FlangeYield(true);
        c?.Line("φ_f R_h F_yf", "of the top flange, which the slab holds", yield, QuantityKind.Stress, Pulled);
        var compression = Math.Max(0, -stress);
        LimitResult[] both =
        [
            new(
                "Flexure, hogging, bottom flange",
                -(compression + sideways / 3),
                -resistance,
                Math.Max((compression + sideways / 3) / resistance, sideways / (LateralBending.Most * steel.FlangeYield(false))),
                QuantityKind.Stress,
                Compressed
            ),
            new("Flexure, hogging, top flange", stresses.Top, yield, Math.Max(0, stresses.Top) / yield, QuantityKind.Stress, Pulled),
        ];
        var worst = LimitResult.Worse(both[0], both[1]);
        if (c is not null)
        {
            c.Heading("Check");
            c.Ratio("η_b", "bottom flange, (|f_bu| + f_l / 3) / φ_f F_nc, f_l within 0.6 F_yf", both[0].Utilisation, 3, Compressed);
            c.Ratio("η_t", "top flange, f_bu / φ_f R_h F_yf", both[1].Utilisation, 3, Pulled);
            c.Ratio("η", CheckWords.Met("the greater", worst.Utilisation), worst.Utilisation, 3, Compressed);
        }
        return worst;
    }
}
