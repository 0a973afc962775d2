using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Stress at which a web buckles in bending: F_crw = 0.9·E·k/(D/t_w)² ≤ min(R_h·F_yc, F_yw/0.7), k = 9/(D_c/D)² (AASHTO LRFD 6.10.1.9.1).
/// </summary>
internal static class WebBendBuckling
{
    private const string Clause = "AASHTO LRFD 6.10.1.9.1";

    /// <summary>The web wholly in compression (6.10.1.9.1).</summary>
    private const double LeastCoefficient = 7.2;

    /// <summary>F_crw (Pa).</summary>
    public static double Stress(MemberSteel steel, bool top, double webInCompression, Calculation? c)
    {
        var (depth, yield) = (steel.Plates.WebDepth, steel.FlangeYield(top));
        var most = Math.Min(yield, steel.WebYield / 0.7);
        var k =
            webInCompression >= depth ? LeastCoefficient
            : webInCompression <= 0 ? double.PositiveInfinity
            : Math.Max(LeastCoefficient, 9 / Math.Pow(webInCompression / depth, 2));
        var found = Math.Min(most, 0.9 * steel.Steel.E * k / Math.Pow(steel.Plates.WebSlenderness, 2));
        if (c is not null)
        {
            c.Line("D_c", "web in compression", webInCompression, QuantityKind.Size, "AASHTO LRFD D6.3.1");
            if (double.IsFinite(k))
                c.Ratio("k", "9 / (D_c / D)², at least 7.2", k, 2, Clause);
            c.Line("F_crw", "0.9 E k / (D / t_w)², within R_h F_yc and F_yw / 0.7", found, QuantityKind.Stress, Clause);
        }
        return found;
    }
}
