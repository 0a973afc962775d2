using Pravik.Core.Codes;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// How much of a bar is anchored near its end: in proportion to the distance from the end, all of it from its anchorage length on
/// (EN 1992-1-1 8.4.3, 8.4.2: f_bd = 2.25·f_ctd, l_b = φ/4 · f_yd/f_bd, good bond).
/// </summary>
public static class BarAnchorage
{
    /// <summary>The anchored part of bars, 0 to 1.</summary>
    public static double Part(MemberBars bars, NationalValues values)
    {
        if (double.IsPositiveInfinity(bars.FromEnd))
            return 1;
        var bond = 2.25 * 0.7 * bars.Fctm / values["gammaC"];
        var length = bars.Diameter / 4 * (bars.Steel.Fyk / values["gammaS"]) / bond;
        return Math.Clamp(bars.FromEnd / length, 0, 1);
    }
}
