using Pravik.Core.Calculations;
using Pravik.Core.Units;

namespace Pravik.Core.Trusses;

/// <summary>What a bar can carry: EN 1993-1-1 6.2.3 in tension, 6.3.1 in compression, with its ends held at the joints both ways.</summary>
/// <param name="Tension">N_t,Rd = A·f_y/γ_M0 (N).</param>
/// <param name="Compression">N_b,Rd = χ·A·f_y/γ_M1, of the axis where it is least (N).</param>
/// <param name="Slenderness">L/i about the weaker axis; 0 for a bar that does not buckle.</param>
/// <param name="Reduction">χ; 1 for a bar that does not buckle.</param>
public readonly record struct BarResistance(double Tension, double Compression, double Slenderness, double Reduction)
{
    /// <summary>Imperfection factors α of curves a0 to d (EN 1993-1-1 Table 6.1).</summary>
    private static readonly double[] Imperfection = [0.13, 0.21, 0.34, 0.49, 0.76];

    /// <summary>A force (N, tension positive) over what the bar can carry that way.</summary>
    public double RatioOf(double force) => force > 0 ? force / Tension : -force / Compression;

    /// <summary>The resistance of a bar of a length (m).</summary>
    /// <remarks>
    /// λ̄ = (L/i)/(π·√(E/f_y)), Φ = 0.5·(1 + α·(λ̄ − 0.2) + λ̄²), χ = 1/(Φ + √(Φ² − λ̄²)) ≤ 1 ((6.49), (6.50)). For walls of class 4 it
    /// does not hold: see <see cref="BarSection.IsWholeInCompression"/>.
    /// </remarks>
    public static BarResistance Of(BarSection section, BarGrade grade, double length, TrussRules rules, Calculation? lines = null)
    {
        var yield = section.Yield(grade);
        var squash = section.Area * yield;
        var tension = squash / rules.GammaM0;
        lines?.Line("A", section.Name, section.Area, QuantityKind.SmallArea, "");
        lines?.Line(
            "f_y",
            $"{grade.Name}, walls to {lines.Text(section.Thickness, QuantityKind.Size)}",
            yield,
            QuantityKind.Stress,
            "T. 3.1"
        );
        lines?.Line("N_t,Rd", "A·f_y/γ_M0", tension, QuantityKind.Force, "(6.6)");
        var (least, reduction) = (squash / rules.GammaM1, 1.0);
        foreach (var axis in section.Axes)
        {
            var curve = grade.IsS460 ? axis.CurveS460 : axis.Curve;
            var gyration = Math.Sqrt(axis.I / section.Area);
            var relative = length / gyration / (Math.PI * Math.Sqrt(grade.E / yield));
            var alpha = Imperfection[(int)curve];
            var phi = 0.5 * (1 + alpha * (relative - 0.2) + relative * relative);
            var chi = relative <= 0.2 ? 1 : Math.Min(1, 1 / (phi + Math.Sqrt(phi * phi - relative * relative)));
            lines?.Line("i", "√(I/A)", gyration, QuantityKind.Size, "");
            lines?.Ratio("λ̄", "(L/i)/(π·√(E/f_y))", relative, 3, "(6.50)", $"L = {lines.Text(length, QuantityKind.Length)}");
            lines?.Ratio("χ", $"curve {curve.ToString().ToLowerInvariant()}, α = {QuantityText.Fixed(alpha, 2)}", chi, 3, "(6.49)");
            if (chi < reduction)
                (least, reduction) = (chi * squash / rules.GammaM1, chi);
        }
        lines?.Line("N_b,Rd", "χ·A·f_y/γ_M1", least, QuantityKind.Force, "(6.47)");
        return new(tension, least, section.Axes.IsEmpty ? 0 : length / section.Gyration, reduction);
    }
}
