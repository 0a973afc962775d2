using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>Resistance of a section to shear in the plane of its web (EN 1992-1-1 6.2).</summary>
/// <remarks>
/// Without links (6.2a, b): V_Rd,c = max(C_Rd,c·k·(100·ρ_l·f_ck)^⅓, v_min)·b_w·d + k₁·σ_cp·b_w·d, C_Rd,c = 0.18/γ_C,
/// k = 1 + √(200 mm/d) ≤ 2, v_min = 0.035·k^1.5·√f_ck, k₁ = 0.15, σ_cp ≤ 0.2·f_cd. With links (6.8, 6.9): V_Rd,s = A_sw/s·z·f_ywd·cot θ,
/// V_Rd,max = α_cw·b_w·z·ν₁·f_cd/(cot θ + tan θ), ν₁ = 0.6·(1 − f_ck/250 MPa), α_cw by (6.11), z = 0.9·d. The factors are national values.
/// What strands that rise carry by their slope, and the resistance of uncracked stretches by (6.4), are left out, which is safe.
/// </remarks>
public sealed class ShearResistance
{
    private const double MostRatio = 0.02;
    private readonly MemberSection section;
    private readonly NationalValues values;
    private readonly double slope;
    private readonly double transmittedAt;
    private readonly double steel;
    private readonly double prestress;
    private readonly double area;
    private readonly double fcd;
    private readonly double fck;

    /// <param name="section">The section.</param>
    /// <param name="values">National values.</param>
    /// <param name="slope">cot θ of the struts.</param>
    /// <param name="isSagging">Whether the soffit is in tension.</param>
    /// <param name="axial">Axial force from outside (N, tension positive).</param>
    /// <param name="transmittedAt">
    /// Distance from the girder's end to which prestress counts as transmitted, where it is less than that of the section (m): struts at an
    /// end have that at 0.5·d·cot θ (6.2.3(3), note).
    /// </param>
    public ShearResistance(
        MemberSection section,
        NationalValues values,
        double slope,
        bool isSagging,
        double axial,
        double transmittedAt = double.PositiveInfinity
    )
    {
        (this.section, this.values, this.slope, Axial) = (section, values, slope, axial);
        this.transmittedAt = transmittedAt;
        var web = section.Concrete[^1].Concrete;
        (fck, fcd) = (web.Fck, web.DesignStrength(values["alphaCc"], values["gammaC"]));
        var (sum, lever) = (0.0, 0.0);
        foreach (var (height, amount, strength) in Steel())
        {
            if (isSagging != height < section.Depth / 2)
                continue;
            (steel, sum, lever) = (steel + amount, sum + amount * strength, lever + amount * strength * height);
        }
        Depth =
            sum == 0 ? 0.9 * section.Depth
            : isSagging ? section.Depth - lever / sum
            : lever / sum;
        area = section.Concrete.Sum(c => Math.Abs(c.Outline.Moments().Area));
        prestress = section.Strands.Sum(Transmitted);
        Compression = (prestress - axial) / area;
    }

    /// <summary>Axial force from outside (N, tension positive).</summary>
    public double Axial { get; }

    /// <summary>d, from the compressed face to the middle of the tension steel (m).</summary>
    public double Depth { get; }

    /// <summary>z = 0.9·d (m).</summary>
    public double Lever => 0.9 * Depth;

    /// <summary>σ_cp, mean compression (Pa).</summary>
    public double Compression { get; }

    /// <summary>V_Rd,c, without links (N).</summary>
    public double Concrete
    {
        get
        {
            var stress = Math.Min(Compression, 0.2 * fcd);
            return Math.Max(0, (Math.Max(ByReinforcement, Least) + values["shearK1"] * stress) * section.WebWidth * Depth);
        }
    }

    private double Size => Math.Min(2, 1 + Math.Sqrt(0.2 / Depth));

    private double Ratio => Math.Min(MostRatio, steel / (section.WebWidth * Depth));

    private double ByReinforcement => values["shearC"] / values["gammaC"] * Size * Math.Cbrt(100 * Ratio * fck / 1e6) * 1e6;

    private double Least => values["shearLeast"] * Math.Pow(Size, 1.5) * Math.Sqrt(fck / 1e6) * 1e6;

    /// <summary>V_Rd,s, what links carry (N).</summary>
    public double Links => section.Links is { } links ? links.Area / links.Spacing * Lever * links.Steel.Fyk / values["gammaS"] * slope : 0;

    /// <summary>A_sw/s of links that carry a shear (m²/m).</summary>
    public double LinksFor(double shear) =>
        section.Links is { } links ? shear / (Lever * links.Steel.Fyk / values["gammaS"] * slope) : double.PositiveInfinity;

    /// <summary>V_Rd,max, what struts carry (N).</summary>
    public double Struts => StrutStrength * StrutWidth * Lever / (slope + 1 / slope);

    /// <summary>b_w,nom = b_w − 0.5·Σφ with ducts at one level (6.16): at most half of the web is taken away (m).</summary>
    public double StrutWidth => Math.Max(section.WebWidth / 2, section.WebWidth - 0.5 * Ducts);

    /// <summary>Σφ, the ducts whose level is within a diameter, at the worst of all levels (m).</summary>
    private double Ducts =>
        section
            .Strands.Where(s => s.Duct is not null)
            .Select(s => section.Strands.Where(o => o.Duct is { } d && Math.Abs(o.Height - s.Height) < d.Diameter))
            .Select(level => level.Sum(o => o.Duct!.Count * o.Duct.Diameter))
            .DefaultIfEmpty(0)
            .Max();

    /// <summary>α_cw·ν₁·f_cd (Pa).</summary>
    public double StrutStrength => Prestressed * Softened * fcd;

    /// <summary>A_sw/s of the links that are there (m²/m).</summary>
    public double LinksPerLength => section.Links is { } links ? links.Area / links.Spacing : 0;

    private double Softened => values["shearNu"] * (1 - fck / 250e6);

    /// <summary>α_cw (6.11): 1 without compression, up to 1.25, and down to 0 where all of the strength is used.</summary>
    private double Prestressed
    {
        get
        {
            var part = Math.Max(0, Compression) / fcd;
            return part <= 0.25 ? 1 + part
                : part <= 0.5 ? 1.25
                : Math.Max(0, 2.5 * (1 - part));
        }
    }

    /// <summary>V_Rd: without links where that is more, else the less of links and struts (N).</summary>
    public double Resistance => Math.Max(Concrete, Math.Min(Links, Struts));

    /// <summary>Least ratio of links ρ_w,min = 0.08·√f_ck/f_yk (9.5N).</summary>
    public double LeastLinks => section.Links is { } links ? values["leastLinks"] * Math.Sqrt(fck / 1e6) / (links.Steel.Fyk / 1e6) : 0;

    /// <summary>Ratio of links ρ_w = A_sw/(s·b_w) (9.4).</summary>
    public double LinkRatio => section.Links is { } links ? links.Area / (links.Spacing * section.WebWidth) : 0;

    /// <summary>Greatest distance of links 0.75·d (9.6N) (m).</summary>
    public double MostSpacing => values["linkSpacing"] * Depth;

    private IEnumerable<(double Height, double Area, double Strength)> Steel()
    {
        foreach (var row in section.Strands)
            yield return (row.Height, BendingResistance.AnchoredArea(row, values), row.Steel.Fp01k / values["gammaS"]);
        foreach (var bars in section.Bars)
            yield return (bars.Height, bars.Area * BarAnchorage.Part(bars, values), bars.Steel.Fyk / values["gammaS"]);
    }

    /// <summary>The force of a row as far as it is transmitted, linearly over l_pt2.</summary>
    private double Transmitted(MemberStrands row)
    {
        if (row.Duct is not null)
            return row.Area * row.EffectiveStress;
        var length = StrandAnchorage.Of(row, values).Transmission;
        double Part(double distance) => Math.Clamp(Math.Min(distance, transmittedAt) / length, 0, 1);
        return row.Sum(Part) * row.Steel.Area * row.EffectiveStress;
    }

    /// <summary>Writes how the resistance comes about.</summary>
    public void Write(Calculation c)
    {
        var (b, d) = (c.Text(section.WebWidth, QuantityKind.Size), c.Text(Depth, QuantityKind.Size));
        c.Heading("Section");
        section.Origin?.Invoke(c);
        c.Line("b_w", "least width of the web", section.WebWidth, QuantityKind.Size, "EN 1992-1-1 6.2.2(1)");
        c.Line("A_sl", "steel near the tension face, as far as it is anchored here", steel, QuantityKind.SmallArea, "EN 1992-1-1 6.2.2(1)");
        c.Line("d", "from the compressed face to its middle, by strength", Depth, QuantityKind.Size, "EN 1992-1-1 6.2.2(1)");
        var at = double.IsFinite(transmittedAt) ? ", at most as at 0.5 d cot θ from the end" : "";
        c.Line("N_p", $"prestress after all losses, transmitted over l_pt2{at}", prestress, QuantityKind.Force, "EN 1992-1-1 8.10.2.2");
        c.Line(
            "σ_cp",
            "(N_p − N_Ed) / A_c, all of the concrete",
            Compression,
            QuantityKind.Stress,
            "EN 1992-1-1 6.2.2(1)",
            $"N_Ed = {c.Text(Axial, QuantityKind.Force)}, tension positive"
        );
        c.Line("f_cd", "α_cc f_ck / γ_C of the web", fcd, QuantityKind.Stress, "EN 1992-2 3.1.6(101)");
        c.Heading("Without links");
        c.Ratio("k", "1 + √(200 mm / d) ≤ 2", Size, 3, "EN 1992-1-1 6.2.2(1)");
        c.Ratio("ρ_l", "A_sl / (b_w d) ≤ 0.02", Ratio, 4, "EN 1992-1-1 6.2.2(1)");
        c.Line("v_Rd", $"{values["shearC"]:0.##} / γ_C k (100 ρ_l f_ck)^⅓", ByReinforcement, QuantityKind.Stress, "EN 1992-1-1 (6.2a)");
        c.Line("v_min", $"{values["shearLeast"]:0.###} k^1.5 √f_ck", Least, QuantityKind.Stress, "EN 1992-1-1 (6.3N)");
        c.Line(
            "V_Rd,c",
            $"(max(v_Rd, v_min) + {values["shearK1"]:0.##} σ_cp) b_w d, σ_cp ≤ 0.2 f_cd",
            Concrete,
            QuantityKind.Force,
            "EN 1992-1-1 (6.2)",
            $"{b}, {d}"
        );
        c.Heading("With links");
        if (section.Links is not { } links)
        {
            c.Remark("No links are entered: the concrete alone is set against the shear.", "EN 1992-1-1 6.2.1(4)");
            return;
        }
        c.Line("A_sw/s", $"{links.Words}; area per metre", links.Area / links.Spacing, QuantityKind.SmallArea, "entered");
        c.Line("z", "0.9 d", Lever, QuantityKind.Size, "EN 1992-1-1 6.2.3(1)");
        c.Line("V_Rd,s", $"A_sw/s z f_ywd cot θ, cot θ = {slope:0.##}", Links, QuantityKind.Force, "EN 1992-1-1 (6.8)");
        c.Ratio("α_cw", "by σ_cp / f_cd", Prestressed, 3, "EN 1992-1-1 (6.11)");
        c.Ratio("ν_1", $"{values["shearNu"]:0.##} (1 − f_ck / 250)", Softened, 3, "EN 1992-1-1 (6.6N)");
        if (StrutWidth < section.WebWidth)
            c.Line("b_w,nom", "b_w − 0.5 Σφ, ducts with grout", StrutWidth, QuantityKind.Size, "EN 1992-1-1 (6.16)");
        c.Line("V_Rd,max", "α_cw b_w z ν_1 f_cd / (cot θ + tan θ)", Struts, QuantityKind.Force, "EN 1992-1-1 (6.9)");
    }
}
