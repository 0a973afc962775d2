using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Stiffeners over a bearing (AASHTO LRFD 6.10.11.2): b_t ≤ 0.48·t_p·√(E/F_ys), bearing 1.4·A_pn·F_ys (φ_b = 1), and the column of plates
/// and 9·t_w of the web on either side over 0.75·D (φ_c = 0.95, 6.9.4.1). Plates are taken as cut 1 in at the web’s welds.
/// </summary>
internal sealed class BearingStiffener(MemberSteel steel, PlacedStiffener stiffener, double reaction)
{
    private const string OfWidth = "AASHTO LRFD 6.10.11.2.2";
    private const string OfBearing = "AASHTO LRFD 6.10.11.2.3";
    private const string OfColumn = "AASHTO LRFD 6.10.11.2.4";
    private const double PhiColumn = 0.95;
    private const double Cut = SteelGirders.Inch;

    /// <summary>The worst of its limits.</summary>
    public LimitResult Check(Calculation? c)
    {
        var (plates, web, e) = (stiffener.BothSides ? 2 : 1, steel.Plates.WebThickness, steel.Steel.E);
        var yield = steel.Steel.YieldOf(stiffener.Thickness);
        var widest = 0.48 * stiffener.Thickness * Math.Sqrt(e / yield);
        var contact = 1.4 * plates * Math.Max(0, stiffener.Width - Cut) * stiffener.Thickness * yield;
        var area = plates * stiffener.Width * stiffener.Thickness + 18 * web * web;
        var across = stiffener.BothSides
            ? stiffener.Thickness * Math.Pow(2 * stiffener.Width + web, 3) / 12
            : stiffener.Thickness * Math.Pow(stiffener.Width, 3) / 12;
        var radius = Math.Sqrt((across + (18 * web - stiffener.Thickness) * Math.Pow(web, 3) / 12) / area);
        var weakest = Math.Min(yield, steel.WebYield);
        var (whole, buckles) = (weakest * area, Math.PI * Math.PI * e * area / Math.Pow(0.75 * steel.Plates.WebDepth / radius, 2));
        var column = PhiColumn * (whole / buckles <= 2.25 ? Math.Pow(0.658, whole / buckles) * whole : 0.877 * buckles);
        if (c is not null)
        {
            c.Heading("Effect");
            c.Line("R_u", "greatest shears on both sides together, each by itself", reaction, QuantityKind.Force, "AASHTO LRFD 3.4.1");
            c.Heading("Resistance");
            c.Line("0.48 t_p √(E / F_ys)", "b_t at most", widest, QuantityKind.Size, OfWidth);
            c.Line("φ_b R_sb", "1.4 A_pn F_ys, 1 in cut away", contact, QuantityKind.Force, OfBearing);
            c.Line("A", "plates and 18 t_w of the web", area, QuantityKind.SectionArea, OfColumn);
            c.Line("r", "about the web’s middle", radius, QuantityKind.Size, OfColumn);
            c.Line("P_o", "F_y A", whole, QuantityKind.Force, "AASHTO LRFD 6.9.4.1.1");
            c.Line("P_e", "π² E A / (0.75 D / r)²", buckles, QuantityKind.Force, "AASHTO LRFD 6.9.4.1.2");
            c.Line("φ_c P_n", "0.95 · 0.658^(P_o / P_e) P_o, or 0.95 · 0.877 P_e", column, QuantityKind.Force, "AASHTO LRFD 6.9.4.1.1");
        }
        LimitResult[] all =
        [
            new("Bearing stiffener, width", stiffener.Width, widest, stiffener.Width / widest, QuantityKind.Size, OfWidth),
            new("Bearing stiffener, bearing", reaction, contact, contact == 0 ? 99 : reaction / contact, QuantityKind.Force, OfBearing),
            new("Bearing stiffener, as a column", reaction, column, reaction / column, QuantityKind.Force, OfColumn),
        ];
        return all.Aggregate(LimitResult.Worse);
    }
}
