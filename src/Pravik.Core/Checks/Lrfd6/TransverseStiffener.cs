using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// A transverse stiffener (AASHTO LRFD 6.10.11.1): b_t ≥ 2 in + D/30 and b_f/4, at most 16·t_p, and I_t between I_t1 = b·t_w³·J and I_t2 =
/// D⁴·ρ_t^1.3/40·(F_yw/E)^1.5 by how much of the tension field is needed.
/// </summary>
internal sealed class TransverseStiffener(MemberSteel steel, PlacedStiffener stiffener, double shear)
{
    private const string OfWidth = "AASHTO LRFD 6.10.11.1.2";
    private const string OfStiffness = "AASHTO LRFD 6.10.11.1.3";
    private const double TwoInches = 2 * SteelGirders.Inch;

    /// <summary>The worst of its limits.</summary>
    public LimitResult Check(Calculation? c)
    {
        var (web, thickness, panel) = (steel.Plates.WebDepth, steel.Plates.WebThickness, new WebPanel(steel));
        var least = Math.Max(TwoInches + web / 30, Math.Max(steel.Plates.Top.Width, steel.Plates.Bottom.Width) / 4);
        var aspect = steel.Panel.Length / web;
        var j = Math.Max(0.5, 2.5 / (aspect * aspect) - 2);
        var first = Math.Min(steel.Panel.Length, web) * Math.Pow(thickness, 3) * j;
        var yield = steel.Steel.YieldOf(stiffener.Thickness);
        var critical = Math.Min(yield, 0.31 * steel.Steel.E / Math.Pow(stiffener.Width / stiffener.Thickness, 2));
        var ratio = Math.Max(1, steel.WebYield / critical);
        var second = Math.Pow(web, 4) * Math.Pow(ratio, 1.3) / 40 * Math.Pow(steel.WebYield / steel.Steel.E, 1.5);
        var field = panel.Resistance - panel.Buckling;
        var part = field <= 0 ? 0 : Math.Clamp((shear - panel.Buckling) / field, 0, 1);
        var needed =
            part == 0 ? Math.Min(first, second)
            : second > first ? first + (second - first) * part
            : second;
        var provided = stiffener.BothSides
            ? stiffener.Thickness * Math.Pow(2 * stiffener.Width + thickness, 3) / 12
            : stiffener.Thickness * Math.Pow(stiffener.Width, 3) / 3;
        if (c is not null)
        {
            c.Heading("Width");
            c.Line("b_t", "stands out", stiffener.Width, QuantityKind.Size, "entered");
            c.Line("least b_t", "2 in + D / 30, and a quarter of the wider flange", least, QuantityKind.Size, OfWidth);
            c.Line("16 t_p", "at most", 16 * stiffener.Thickness, QuantityKind.Size, OfWidth);
            c.Heading("Stiffness");
            c.Ratio("J", "2.5 / (d_o / D)² − 2, at least 0.5", j, 3, OfStiffness);
            c.Line("I_t1", "min(d_o, D) t_w³ J", first, QuantityKind.SecondMoment, OfStiffness);
            c.Line("F_crs", "0.31 E / (b_t / t_p)², within F_ys", critical, QuantityKind.Stress, OfStiffness);
            c.Line("I_t2", "D⁴ ρ_t^1.3 / 40 (F_yw / E)^1.5, ρ_t = F_yw / F_crs ≥ 1", second, QuantityKind.SecondMoment, OfStiffness);
            c.Line("V_u", "at the place", shear, QuantityKind.Force, "AASHTO LRFD 3.4.1");
            c.Line("V_cr", "C V_p", panel.Buckling, QuantityKind.Force, "AASHTO LRFD 6.10.9.3");
            c.Ratio("ρ_w", "(V_u − V_cr) / (V_n − V_cr), from 0 to 1", part, 3, OfStiffness);
            c.Line("least I_t", "by ρ_w between I_t1 and I_t2", needed, QuantityKind.SecondMoment, OfStiffness);
            c.Line(
                "I_t",
                stiffener.BothSides ? "of both about the web’s middle" : "about the face of the web",
                provided,
                QuantityKind.SecondMoment,
                OfStiffness
            );
        }
        LimitResult[] all =
        [
            new("Stiffener, width", stiffener.Width, least, least / stiffener.Width, QuantityKind.Size, OfWidth),
            new(
                "Stiffener, slenderness",
                stiffener.Width,
                16 * stiffener.Thickness,
                stiffener.Width / (16 * stiffener.Thickness),
                QuantityKind.Size,
                OfWidth
            ),
            new("Stiffener, stiffness", needed, provided, needed / provided, QuantityKind.SecondMoment, OfStiffness),
        ];
        return all.Aggregate(LimitResult.Worse);
    }
}
