using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// What a flange in compression between braces resists (AASHTO LRFD 6.10.8.2): the lesser of local buckling and lateral torsional
/// buckling. R_h is 1, as flanges and web are of one grade.
/// </summary>
/// <remarks>
/// Where plates change between two braces, C_b is 1 and the least resistance between them counts (6.10.8.2.3), so that each place is
/// asked with its own plates. Appendices A6 and B6 are not taken.
/// </remarks>
internal sealed class CompressionFlange
{
    private const string Local = "AASHTO LRFD 6.10.8.2.2";
    private const string Lateral = "AASHTO LRFD 6.10.8.2.3";
    private const string Shedding = "AASHTO LRFD 6.10.1.10.2";
    private readonly Flange flange;
    private readonly double modulus;
    private readonly double yield;
    private readonly double webInCompression;
    private readonly double webThickness;

    /// <param name="steel">The section.</param>
    /// <param name="top">Whether it is the top flange.</param>
    /// <param name="webInCompression">D_c (m).</param>
    /// <param name="shedsNone">Whether R_b is 1 anyway: while it is built (6.10.3.2.1), and composite under sagging.</param>
    public CompressionFlange(MemberSteel steel, bool top, double webInCompression, bool shedsNone)
    {
        (flange, modulus, yield) = (steel.Plates.FlangeAt(top), steel.Steel.E, steel.FlangeYield(top));
        (this.webInCompression, webThickness) = (webInCompression, steel.Plates.WebThickness);
        Reduced = Math.Max(Math.Min(0.7 * yield, steel.WebYield), 0.5 * yield);
        WebLimit = WebSlendernessLimit;
        WebLoad =
            shedsNone || WebSlenderness <= WebLimit
                ? 1
                : Math.Min(1, 1 - WebToFlange / (1200 + 300 * WebToFlange) * (WebSlenderness - WebLimit));
    }

    /// <summary>F_yr (Pa).</summary>
    public double Reduced { get; }

    /// <summary>R_b.</summary>
    public double WebLoad { get; }

    private double WebLimit { get; }

    /// <summary>2·D_c/t_w.</summary>
    public double WebSlenderness => 2 * webInCompression / webThickness;

    /// <summary>a_wc.</summary>
    private double WebToFlange => 2 * webInCompression * webThickness / flange.Area;

    /// <summary>λ_rw: (3.1 + 5/a_wc)·√(E/F_yc) between 4.6 and 5.7 of the root.</summary>
    private double WebSlendernessLimit =>
        (WebToFlange == 0 ? 5.7 : Math.Clamp(3.1 + 5 / WebToFlange, 4.6, 5.7)) * Math.Sqrt(modulus / yield);

    /// <summary>Whether the web is slender: it then may buckle under bending.</summary>
    public bool HasSlenderWeb => WebSlenderness > WebLimit;

    private double LocalLimit => 0.38 * Math.Sqrt(modulus / yield);
    private double LocalElastic => 0.56 * Math.Sqrt(modulus / Reduced);

    /// <summary>R_b·F_yc (Pa).</summary>
    public double Plateau => WebLoad * yield;

    /// <summary>F_nc of local buckling (Pa), Equations 6.10.8.2.2-1 and -2.</summary>
    public double OfLocalBuckling =>
        flange.Slenderness <= LocalLimit
            ? Plateau
            : (1 - (1 - Reduced / yield) * (flange.Slenderness - LocalLimit) / (LocalElastic - LocalLimit)) * Plateau;

    /// <summary>r_t = b/√(12·(1 + D_c·t_w/(3·b·t))).</summary>
    public double Radius => flange.Width / Math.Sqrt(12 * (1 + webInCompression * webThickness / (3 * flange.Area)));

    /// <summary>L_p = r_t·√(E/F_yc) (m).</summary>
    public double ShortLength => Radius * Math.Sqrt(modulus / yield);

    /// <summary>L_r = π·r_t·√(E/F_yr) (m).</summary>
    public double LongLength => Math.PI * Radius * Math.Sqrt(modulus / Reduced);

    /// <summary>F_cr = C_b·R_b·π²·E/(L_b/r_t)² (Pa).</summary>
    public double Elastic(double length, double gradient) =>
        gradient * WebLoad * Math.PI * Math.PI * modulus / Math.Pow(length / Radius, 2);

    /// <summary>F_nc of lateral torsional buckling (Pa), Equations 6.10.8.2.3-1 to -3.</summary>
    public double OfLateralBuckling(double length, double gradient) =>
        length <= ShortLength ? Plateau
        : length <= LongLength
            ? Math.Min(Plateau, gradient * (1 - (1 - Reduced / yield) * (length - ShortLength) / (LongLength - ShortLength)) * Plateau)
        : Math.Min(Plateau, Elastic(length, gradient));

    /// <summary>F_nc (Pa).</summary>
    public double Resistance(double length, double gradient) => Math.Min(OfLocalBuckling, OfLateralBuckling(length, gradient));

    /// <summary>Writes F_nc with all that it depends on.</summary>
    public void Write(Calculation c, double length, double gradient)
    {
        c.Heading("Resistance of the flange in compression");
        c.Line("D_c", "web in compression", webInCompression, QuantityKind.Size, "AASHTO LRFD D6.3.1");
        c.Line("F_yc", "of the flange", yield, QuantityKind.Stress, "AASHTO LRFD 6.4.1");
        c.Line("F_yr", "min(0.7 F_yc, F_yw), at least 0.5 F_yc", Reduced, QuantityKind.Stress, Local);
        c.Ratio("a_wc", "2 D_c t_w / (b_fc t_fc)", WebToFlange, 3, Shedding);
        c.Ratio("2 D_c / t_w", "slenderness of the web", WebSlenderness, 1, Shedding);
        c.Ratio("λ_rw", "(3.1 + 5 / a_wc) √(E / F_yc), between 4.6 and 5.7 √(E / F_yc)", WebLimit, 1, Shedding);
        c.Ratio("R_b", HasSlenderWeb && WebLoad < 1 ? "1 − a_wc / (1200 + 300 a_wc) (2 D_c / t_w − λ_rw)" : "1", WebLoad, 3, Shedding);
        c.Ratio("λ_f", "b_fc / (2 t_fc)", flange.Slenderness, 2, Local);
        c.Ratio("λ_pf", "0.38 √(E / F_yc)", LocalLimit, 2, Local);
        c.Ratio("λ_rf", "0.56 √(E / F_yr)", LocalElastic, 2, Local);
        c.Line("F_nc,FLB", "local buckling, R_h = 1", OfLocalBuckling, QuantityKind.Stress, Local);
        c.Line("r_t", "b_fc / √(12 (1 + D_c t_w / (3 b_fc t_fc)))", Radius, QuantityKind.Size, Lateral);
        c.Line("L_p", "r_t √(E / F_yc)", ShortLength, QuantityKind.Length, Lateral);
        c.Line("L_r", "π r_t √(E / F_yr)", LongLength, QuantityKind.Length, Lateral);
        c.Line("L_b", "between cross-frames or supports", length, QuantityKind.Length, Lateral);
        c.Ratio("C_b", "moment gradient", gradient, 3, Lateral);
        c.Line("F_nc,LTB", "lateral torsional buckling", OfLateralBuckling(length, gradient), QuantityKind.Stress, Lateral);
        c.Line("F_nc", "the lesser", Resistance(length, gradient), QuantityKind.Stress, "AASHTO LRFD 6.10.8.2.1");
    }
}
