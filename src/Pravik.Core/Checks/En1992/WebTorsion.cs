using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Resistance of a web to its part of the torsion beside shear, as a thin-walled tube, or of the walls around voids (EN 1992-1-1 6.3).
/// </summary>
/// <remarks>
/// A section of parts shares torsion by their uncracked stiffness (6.3.1(3)): T_w = T_Ed·J_w/J, J_w of the rectangle b_w·h.
/// t_ef = A/u, A_k = (b_w − t_ef)·(h − t_ef), u_k = 2·(b_w + h − 2·t_ef) (6.3.2(1)). T_Rd,max = 2·ν·α_cw·f_cd·A_k·t_ef·sin θ·cos θ
/// (6.30), T_Rd,c = 2·A_k·t_ef·f_ctd (6.26 with τ = f_ctd), a leg of links A_st/s = T_w/(2·A_k·f_ywd·cot θ), bars along
/// ΔF = T_w·cot θ·u_k/(2·A_k) (6.28). Around voids the tube is that of the outermost webs and of what is under and over them, each no
/// thicker than A/u; several voids count as one, and every web has the flow of the outermost ones beside its part of the shear.
/// </remarks>
/// <param name="section">The section.</param>
/// <param name="shear">Its resistance to shear, beside the same forces.</param>
/// <param name="slope">cot θ of the struts.</param>
/// <param name="fctd">Design tensile strength of the web (Pa).</param>
internal sealed class WebTorsion(MemberSection section, ShearResistance shear, double slope, double fctd)
{
    private readonly CellWalls? cells = section.Cells;
    private readonly double width = section.Cells?.Width ?? section.WebWidth;
    private readonly double height = section.Cells is null ? section.WebHeight : section.Depth;

    private double OfSolid => width * height / (2 * (width + height));

    /// <summary>t_ef of webs (m).</summary>
    public double Wall => Math.Min(OfSolid, cells?.Web ?? OfSolid);

    private double Under => Math.Min(OfSolid, cells?.Bottom ?? OfSolid);

    private double Over => Math.Min(OfSolid, cells?.Top ?? OfSolid);

    /// <summary>A_k (m²).</summary>
    public double Enclosed => (width - Wall) * (height - (Under + Over) / 2);

    /// <summary>u_k (m).</summary>
    public double Perimeter => 2 * (width - Wall + height - (Under + Over) / 2);

    /// <summary>T_Rd,max of the webs (Nm).</summary>
    public double Struts => StrutsOf(Wall);

    /// <summary>T_Rd,max of a wall (Nm).</summary>
    private double StrutsOf(double wall) => 2 * shear.StrutStrength * Enclosed * wall / (slope + 1 / slope);

    /// <summary>T_Rd,c of the thinnest wall (Nm).</summary>
    public double Concrete => 2 * Enclosed * Math.Min(Wall, Math.Min(Under, Over)) * fctd;

    /// <summary>The web's part of a torsional moment (Nm).</summary>
    public double PartOf(double torsion) => Math.Abs(torsion) * section.WebTorsion;

    /// <summary>T_w/T_Rd,max + V/V_Rd,max (6.29), or without shear in a thinner wall under or over voids.</summary>
    public double OfStruts(double torsion, double force) =>
        Math.Max(PartOf(torsion) / Struts + Math.Abs(force) / shear.Struts, PartOf(torsion) / StrutsOf(Math.Min(Under, Over)));

    /// <summary>T_w/T_Rd,c + V/V_Rd,c, at most 1 where the least links do (6.31).</summary>
    public double OfConcrete(double torsion, double force) =>
        PartOf(torsion) / Concrete + (force == 0 ? 0 : Math.Abs(force) / Math.Max(1, shear.Concrete));

    /// <summary>
    /// A_sw/s that carries both (m²/m): every leg its part of the shear, and each of the two outer ones the torsion; around voids the legs
    /// of each web together.
    /// </summary>
    public double LinksFor(double torsion, double force)
    {
        if (section.Links is not { } links)
            return double.PositiveInfinity;
        var leg = PartOf(torsion) * shear.Lever / (2 * Enclosed);
        return shear.LinksFor(Math.Abs(force) + (cells?.Webs ?? links.Legs) * leg);
    }

    /// <summary>ΔF, what torsion pulls along the web, half of it in the tension chord (N).</summary>
    public double Along(double torsion) => PartOf(torsion) * slope * Perimeter / (2 * Enclosed);

    /// <summary>Writes how the resistance comes about.</summary>
    public void Write(Calculation c, double torsion)
    {
        var size = $"{c.Text(width, QuantityKind.Size)} × {c.Text(height, QuantityKind.Size)}";
        c.Heading(cells is null ? "Web as a tube" : "Walls around voids as a tube");
        c.Ratio(
            "J_w/J",
            $"{(cells is null ? "rectangle" : "walls")} {size} over girder and its part of the slab",
            section.WebTorsion,
            3,
            "EN 1992-1-1 6.3.1(3)"
        );
        c.Line("T_w", "|T_Ed| J_w / J", PartOf(torsion), QuantityKind.Moment, "EN 1992-1-1 6.3.1(3)");
        c.Line("t_ef", cells is null ? "A / u" : "of webs, at most A / u", Wall, QuantityKind.Size, "EN 1992-1-1 6.3.2(1)");
        if (cells is not null)
        {
            c.Line("t_ef", "under the voids", Under, QuantityKind.Size, "EN 1992-1-1 6.3.2(1)");
            c.Line("t_ef", "over them, with the slab", Over, QuantityKind.Size, "EN 1992-1-1 6.3.2(1)");
        }
        c.Line("A_k", "within the middle of the walls", Enclosed, QuantityKind.SectionArea, "EN 1992-1-1 6.3.2(1)");
        c.Line("T_Rd,c", "2 A_k t_ef f_ctd", Concrete, QuantityKind.Moment, "EN 1992-1-1 (6.26)");
        c.Line("T_Rd,max", "2 ν α_cw f_cd A_k t_ef sin θ cos θ", Struts, QuantityKind.Moment, "EN 1992-1-1 (6.30)");
    }
}
