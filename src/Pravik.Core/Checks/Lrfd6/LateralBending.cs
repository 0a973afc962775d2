using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Stress of a flange that its curvature bends sideways between braces: M_lat = M·L²/(N·R·D), with N = 10, and f_l = M_lat/(t·b²/6) (AASHTO
/// LRFD C4.6.1.2.4b); in compression enlarged by 0.85/(1 − f_bu/F_cr) where the length between braces asks for it (6.10.1.6).
/// </summary>
internal static class LateralBending
{
    private const double N = 10;
    private const string Formula = "AASHTO LRFD C4.6.1.2.4b";
    private const string Second = "AASHTO LRFD 6.10.1.6";

    /// <summary>Beyond its critical stress a flange fails in any case: it is enlarged no further than by 0.85 over this.</summary>
    private const double Least = 0.05;

    /// <summary>More than this of F_y is not allowed (6.10.1.6).</summary>
    public const double Most = 0.6;

    /// <summary>f_l (Pa), positive.</summary>
    /// <param name="steel">The section.</param>
    /// <param name="top">Whether it is the top flange.</param>
    /// <param name="moment">The moment about the girder’s strong axis (Nm).</param>
    /// <param name="stress">f_bu (Pa), compression negative.</param>
    /// <param name="resists">The flange in compression; null for one in tension.</param>
    /// <param name="gradient">C_b.</param>
    /// <param name="c">Where it is written; null for nowhere.</param>
    public static double Stress(
        MemberSteel steel,
        bool top,
        double moment,
        double stress,
        CompressionFlange? resists,
        double gradient,
        Calculation? c
    )
    {
        if (!steel.IsCurved)
            return 0;
        var (length, flange) = (steel.Unbraced.Length, steel.Plates.FlangeAt(top));
        var sideways = Math.Abs(moment * steel.Curvature) * length * length / (N * steel.Plates.WebDepth);
        var first = sideways / flange.LateralModulus;
        var enlarged = resists is null ? first : first * Enlarged(steel, top, Math.Abs(stress), resists, gradient);
        if (c is not null)
        {
            c.Heading("Lateral bending of the flange");
            c.Line("R", "radius in plan", Math.Abs(1 / steel.Curvature), QuantityKind.Length, "from the geometry");
            c.Line("L_b", "between cross-frames or supports", length, QuantityKind.Length, Formula);
            c.Line("M_lat", "|M_u| L_b² / (N R D), N = 10", sideways, QuantityKind.Moment, Formula);
            c.Line("f_l1", "M_lat / (t_f b_f² / 6)", first, QuantityKind.Stress, Formula);
            c.Line(
                "f_l",
                resists is null ? "f_l1, in tension" : "f_l1, times 0.85 / (1 − f_bu / F_cr) where L_b > 1.2 L_p √(C_b R_b F_yc / f_bu)",
                enlarged,
                QuantityKind.Stress,
                Second
            );
        }
        return enlarged;
    }

    private static double Enlarged(MemberSteel steel, bool top, double stress, CompressionFlange resists, double gradient)
    {
        if (stress == 0)
            return 1;
        var limit = 1.2 * resists.ShortLength * Math.Sqrt(gradient * resists.WebLoad * steel.FlangeYield(top) / stress);
        if (steel.Unbraced.Length <= limit)
            return 1;
        var left = 1 - stress / resists.Elastic(steel.Unbraced.Length, gradient);
        return Math.Max(1, 0.85 / Math.Max(left, Least));
    }
}
