using Pravik.Core.Calculations;
using Pravik.Core.Units;

namespace Pravik.Core.Sections;

/// <summary>Effective width of the slab acting with a girder, EN 1992-1-1 5.3.2.1.</summary>
public static class EffectiveWidth
{
    /// <summary>
    /// Distance between points of zero moment in a span, Figure 5.2: the span itself when it is the only one, 0.85·l in an end
    /// span, 0.7·l in an inner one. Spans are counted from 0.
    /// </summary>
    public static double ZeroMomentLength(IReadOnlyList<double> spans, int span) =>
        spans.Count == 1 ? spans[0] : (span == 0 || span == spans.Count - 1 ? 0.85 : 0.7) * spans[span];

    /// <summary>The same over the pier between a span and the next: 0.15·(l₁ + l₂).</summary>
    public static double ZeroMomentLengthAtPier(IReadOnlyList<double> spans, int spanBefore) =>
        0.15 * (spans[spanBefore] + spans[spanBefore + 1]);

    /// <summary>
    /// Whether a place in a span (fraction t) lies within the hogging length of a pier: 0.15·l from it on each side (Figure 5.2).
    /// </summary>
    public static bool IsNearPier(int spans, int span, double t) => (t <= 0.15 && span > 0) || (t >= 0.85 && span < spans - 1);

    /// <summary>b_eff,i = 0.2·b_i + 0.1·l₀, at most 0.2·l₀ and at most b_i (Expressions 5.7a and 5.7b).</summary>
    /// <param name="available">b_i: half the clear distance to the next web, or the clear overhang (m).</param>
    /// <param name="zeroMomentLength">l₀ (m).</param>
    public static double OneSide(double available, double zeroMomentLength) =>
        Math.Min(Math.Min(0.2 * available + 0.1 * zeroMomentLength, 0.2 * zeroMomentLength), available);

    /// <summary>b_eff = Σ b_eff,i + b_w (Expression 5.7), with its lines.</summary>
    /// <param name="web">b_w (m).</param>
    /// <param name="left">b_1: clear width on the left (m).</param>
    /// <param name="right">b_2: clear width on the right (m).</param>
    /// <param name="zeroMomentLength">l₀ (m).</param>
    /// <param name="calculation">Where to write the lines, or null.</param>
    public static double Of(double web, double left, double right, double zeroMomentLength, Calculation? calculation = null)
    {
        var (one, two) = (OneSide(left, zeroMomentLength), OneSide(right, zeroMomentLength));
        var width = one + two + web;
        if (calculation is { } c)
        {
            c.Line("l_0", "distance between points of zero moment", zeroMomentLength, QuantityKind.Length, "EN 1992-1-1 Fig. 5.2");
            c.Line(
                "b_eff,1",
                "0.2 b_1 + 0.1 l_0 ≤ 0.2 l_0 ≤ b_1",
                one,
                QuantityKind.Length,
                "EN 1992-1-1 (5.7a), (5.7b)",
                $"b_1 = {c.Text(left, QuantityKind.Length)}"
            );
            c.Line(
                "b_eff,2",
                "0.2 b_2 + 0.1 l_0 ≤ 0.2 l_0 ≤ b_2",
                two,
                QuantityKind.Length,
                "EN 1992-1-1 (5.7a), (5.7b)",
                $"b_2 = {c.Text(right, QuantityKind.Length)}"
            );
            c.Line(
                "b_eff",
                "b_eff,1 + b_eff,2 + b_w",
                width,
                QuantityKind.Length,
                "EN 1992-1-1 (5.7)",
                $"b_w = {c.Text(web, QuantityKind.Length)}"
            );
        }
        return width;
    }
}
