using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>The least bonded steel that keeps cracks fine when a face first cracks (EN 1992-1-1 7.3.2).</summary>
/// <remarks>
/// A_s·σ_s + ξ₁·A_p·Δσ_p ≥ k_c·k·f_ct,eff·A_ct (7.1), A_ct what is in tension of the part at the face as bending alone brings the face to
/// f_ct,eff = f_ctm. Of a slab on a web: k_c = 0.9·F_cr/(A_ct·f_ct,eff) ≥ 0.5 (7.3); of a web or a whole section: k_c = 0.4 (7.2), the
/// axial force left out where it presses and (7.2) with k₁ = 2·h*/(3·h) where it pulls. k falls from 1 at 300 mm to 0.65 at 800 mm of
/// the slab's width or the web's depth. σ_s is that of Table 7.2N by the diameter, which (7.6N) and (7.7N) alter; strands within 150 mm
/// count with ξ₁ = √(ξ·φ_s/φ_p), ξ = 0.6, φ_p = 1.75·φ/3, and Δσ_p ≤ f_p0.1k − σ_pm∞.
/// </remarks>
internal sealed class LeastAgainstCracks
{
    private const string Clause = "EN 1992-1-1 7.3.2";
    private const double NoResistance = 99;
    private const double NearFace = 0.15;
    private const double BondOfStrands = 0.6;

    /// <summary>Stresses of bars of Table 7.2N (MPa).</summary>
    private static readonly double[] Stresses = [160, 200, 240, 280, 320, 360, 400, 450];

    /// <summary>Its greatest diameters at these stresses, by the width of cracks (mm).</summary>
    private static readonly ImmutableArray<(double Width, double[] Diameters)> Table =
    [
        (0.2, [25, 16, 12, 8, 6, 5, 4, 3.2]),
        (0.3, [32, 25, 16, 12, 10, 8, 6, 5]),
        (0.4, [40, 32, 20, 16, 12, 10, 8, 6]),
    ];

    private readonly MemberSection section;
    private readonly bool isTop;
    private readonly bool isFlange;
    private readonly Concrete concrete;
    private readonly double tension;
    private readonly double area;
    private readonly double force;
    private readonly Func<double> axial;

    /// <param name="section">The section.</param>
    /// <param name="isTop">Whether its top is looked at; else its soffit.</param>
    /// <param name="axial">Axial force beside it (N, tension positive).</param>
    public LeastAgainstCracks(MemberSection section, bool isTop, Func<double> axial)
    {
        (this.section, this.isTop, this.axial) = (section, isTop, axial);
        isFlange = isTop && section.Concrete.Length > 1;
        concrete = (isTop ? section.Concrete[0] : section.Concrete[^1]).Concrete;
        var parts = LinearSection.Stresses(section, 0, 0, isTop ? -1 : 1);
        var (near, face) = (isTop ? parts[0] : parts[^1], isTop ? section.Depth : 0);
        var scale = concrete.Fctm / near.StressAt(face);
        var axis = -near.AtSoffit / near.Slope;
        tension = isTop ? section.Depth - axis : axis;
        foreach (var part in isFlange ? [parts[0]] : parts)
        {
            var (low, high) = (Math.Max(part.Outline.Bottom, isTop ? axis : 0), Math.Min(part.Outline.Top, isTop ? section.Depth : axis));
            if (high <= low)
                continue;
            foreach (var (y, piece) in OutlineSlices.Between(part.Outline, low, high))
                (area, force) = (area + piece, force + piece * scale * part.StressAt(y));
        }
    }

    private double FlangeWidth => section.Concrete[0].Outline.WidthAt(section.Depth - 1e-6);

    /// <summary>k.</summary>
    public double Uneven => Math.Clamp(1 - 0.35 * ((isFlange ? FlangeWidth : section.Depth) - 0.3) / 0.5, 0.65, 1);

    /// <summary>k_c.</summary>
    public double Shape => isFlange ? Math.Max(0.5, 0.9 * force / (area * concrete.Fctm)) : Math.Min(1, 0.4 * (1 + Pull));

    /// <summary>What an axial force in tension adds to k_c/0.4.</summary>
    private double Pull
    {
        get
        {
            var (h, most) = (section.Depth, Math.Min(1, section.Depth));
            var stress = Math.Max(0, axial()) / section.Concrete.Sum(c => Math.Abs(c.Outline.Moments().Area));
            return stress / (2 * most / (3 * h) * (h / most) * concrete.Fctm);
        }
    }

    /// <summary>k_c·k·f_ct,eff·A_ct (N).</summary>
    public double Force => Shape * Uneven * concrete.Fctm * area;

    private double FromFace(double height) => isTop ? section.Depth - height : height;

    /// <summary>Bars in the part of the section that is in tension.</summary>
    private IEnumerable<MemberBars> Bars =>
        section.Bars.Where(b => b.Diameter > 0 && FromFace(b.Height) <= (isFlange ? Flange : tension) + 1e-9);

    private double Flange => section.Concrete[0].Outline.Top - section.Concrete[0].Outline.Bottom;

    private double Diameter => Bars.Max(b => b.Diameter);

    /// <summary>σ_s of Table 7.2N for a width of cracks (Pa), straight between its diameters, at most f_yk.</summary>
    /// <param name="width">The width in mm; between 0.2 and 0.4.</param>
    public double BarStress(double width)
    {
        if (!Bars.Any())
            return 0;
        var nearest = Bars.Min(b => FromFace(b.Height));
        var depth = isFlange ? Math.Min(tension, Flange) : tension;
        // A flange that is in tension all over by (7.7N); else by (7.6N).
        var change =
            isFlange && tension >= Flange
                ? concrete.Fctm / 2.9e6 * depth / (8 * nearest)
                : concrete.Fctm / 2.9e6 * Shape * depth / (2 * nearest);
        var wanted = 1000 * Diameter / change;
        var row = Table.Last(t => t.Width <= Math.Max(0.2, width) + 1e-9).Diameters;
        var stress = Stresses[0];
        for (var i = 0; i < row.Length; i++)
        {
            if (wanted <= row[i])
                stress = Stresses[i];
            if (i + 1 < row.Length && wanted <= row[i] && wanted > row[i + 1])
                stress = Stresses[i] + (Stresses[i + 1] - Stresses[i]) * (row[i] - wanted) / (row[i] - row[i + 1]);
        }
        return Math.Min(1e6 * stress, Bars.Min(b => b.Steel.Fyk));
    }

    /// <summary>What bars and strands near the face hold (N).</summary>
    public double Held(double width) => Bars.Sum(b => b.Area) * BarStress(width) + Strands.Sum(s => OfStrand(s, width));

    private IEnumerable<MemberStrands> Strands => section.Strands.Where(s => FromFace(s.Height) <= NearFace);

    private double OfStrand(MemberStrands row, double width)
    {
        var diameter = 1.75 * row.Steel.Diameter / 3;
        var bond = Math.Sqrt(BondOfStrands * (Bars.Any() ? Diameter / diameter : 1));
        var stress = Bars.Any() ? BarStress(width) : row.Steel.Fp01k;
        var most = Math.Max(0, row.Steel.Fp01k - row.EffectiveStress);
        return Math.Min(1, bond) * row.Area * Math.Min(stress, most);
    }

    /// <summary>What is needed over what is held.</summary>
    public double Utilisation(double width) => Held(width) is > 0 and var held ? Math.Min(NoResistance, Force / held) : NoResistance;

    /// <summary>Writes how it comes about.</summary>
    public void Write(Calculation c, double width)
    {
        c.Heading("Least steel as it first cracks");
        c.Line("A_ct", isFlange ? "of the slab, in tension" : "in tension, by bending alone", area, QuantityKind.Area, Clause);
        c.Line("f_ct,eff", $"f_ctm of {concrete.Class}", concrete.Fctm, QuantityKind.Stress, Clause);
        c.Ratio("k", $"by the {(isFlange ? "width of the slab" : "depth")}, 1 to 0.65", Uneven, 2, Clause);
        c.Ratio(
            "k_c",
            isFlange ? "0.9 F_cr / (A_ct f_ct,eff) ≥ 0.5" : "0.4, more where an axial force pulls",
            Shape,
            2,
            isFlange ? "EN 1992-1-1 (7.3)" : "EN 1992-1-1 (7.2)"
        );
        c.Line("F", "k_c k f_ct,eff A_ct", Force, QuantityKind.Force, "EN 1992-1-1 (7.1)");
        if (Bars.Any())
        {
            c.Line("φ_s", "thickest bar there", Diameter, QuantityKind.Size, "entered");
            c.Line("σ_s", $"Table 7.2N for {width:0.0#} mm", BarStress(width), QuantityKind.Stress, "EN 1992-1-1 (7.6N), (7.7N)");
            c.Line("A_s", string.Join(", ", Bars.Select(b => b.Name)), Bars.Sum(b => b.Area), QuantityKind.SmallArea, "entered");
        }
        else
            c.Remark("No bars lie there.", Clause);
        foreach (var row in Strands)
            c.Line(
                $"F_p{row.Row}",
                $"ξ_1 A_p Δσ_p, strand row {row.Row}",
                OfStrand(row, width),
                QuantityKind.Force,
                "EN 1992-1-1 7.3.2(3)"
            );
        c.Line("F_s", "what is held", Held(width), QuantityKind.Force, "EN 1992-1-1 (7.1)");
        c.Ratio("η", CheckWords.Met("F / F_s", Utilisation(width)), Utilisation(width), 3, Clause);
    }
}
