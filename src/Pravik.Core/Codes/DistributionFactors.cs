using System.Collections.Immutable;

namespace Pravik.Core.Codes;

/// <summary>What AASHTO LRFD 4.6.2.2 knows of a girder in a span, in the units of its formulas.</summary>
/// <param name="Spacing">S (ft).</param>
/// <param name="Length">L (ft): of the span, or the mean of both beside a support.</param>
/// <param name="Slab">t_s (in).</param>
/// <param name="Stiffness">K_g = n(I + A·e_g²) (in⁴).</param>
/// <param name="Girders">N_b.</param>
/// <param name="Skew">θ of the supports (rad).</param>
public sealed record DistributionInput(double Spacing, double Length, double Slab, double Stiffness, int Girders, double Skew)
{
    /// <summary>d_e of an outer girder (ft): from its web to the edge of the carriageway, outward; null for an inner one.</summary>
    public double? EdgeDistance { get; init; }

    /// <summary>Offsets of all girders from their middle (ft), and that of this one.</summary>
    public ImmutableArray<double> Offsets { get; init; } = [];

    /// <summary>Offset of this girder from the middle of all (ft).</summary>
    public double Offset { get; init; }
}

/// <summary>Shares of a lane that a girder takes, factors by number of lanes included, with one lane loaded and with several.</summary>
public readonly record struct Distribution(double OneLane, double SeveralLanes)
{
    /// <summary>The greater.</summary>
    public double Greatest => Math.Max(OneLane, SeveralLanes);
}

/// <summary>
/// Live load distribution of AASHTO LRFD 4.6.2.2 for concrete slabs on steel or precast concrete I girders (types a and k of Table
/// 4.6.2.2.1-1).
/// </summary>
public static class DistributionFactors
{
    private const double OneLanePresence = 1.2;
    private static readonly double[] Presence = [1.2, 1, 0.85, 0.65];

    /// <summary>
    /// Bending moment. Inner girders (Table 4.6.2.2.2b-1): 0.06 + (S/14)^0.4·(S/L)^0.3·k^0.1 and 0.075 + (S/9.5)^0.6·(S/L)^0.2·k^0.1, with
    /// k = K_g/(12·L·t_s³). Outer ones (2d-1): lever rule, and (0.77 + d_e/9.1) times that of an inner one, not less than with sections
    /// that stay plane across. Skew from 30° on (2e-1): 1 − 0.25·k^0.25·(S/L)^0.5·tan(θ)^1.5, θ at most 60°.
    /// </summary>
    public static Distribution Moment(DistributionInput of)
    {
        var (s, l, k) = (of.Spacing, of.Length, of.Stiffness / (12 * of.Length * Math.Pow(of.Slab, 3)));
        var one = 0.06 + Math.Pow(s / 14, 0.4) * Math.Pow(s / l, 0.3) * Math.Pow(k, 0.1);
        var several = 0.075 + Math.Pow(s / 9.5, 0.6) * Math.Pow(s / l, 0.2) * Math.Pow(k, 0.1);
        var theta = Math.Min(Math.Abs(of.Skew), Math.PI / 3);
        var less = theta < Math.PI / 6 ? 1 : 1 - 0.25 * Math.Pow(k, 0.25) * Math.Pow(s / l, 0.5) * Math.Pow(Math.Tan(theta), 1.5);
        return Of(of, new(one, several), edge => 0.77 + edge / 9.1, less);
    }

    /// <summary>
    /// Shear. Inner girders (Table 4.6.2.2.3a-1): 0.36 + S/25 and 0.2 + S/12 − (S/35)². Outer ones (3b-1): lever rule, and (0.6 + d_e/10)
    /// times that of an inner one. At an obtuse corner (3c-1): 1 + 0.20·(1/k)^0.3·tan θ; taken for every girder.
    /// </summary>
    public static Distribution Shear(DistributionInput of)
    {
        var (s, k) = (of.Spacing, of.Stiffness / (12 * of.Length * Math.Pow(of.Slab, 3)));
        var (one, several) = (0.36 + s / 25, 0.2 + s / 12 - Math.Pow(s / 35, 2));
        var more = 1 + 0.2 * Math.Pow(1 / k, 0.3) * Math.Tan(Math.Min(Math.Abs(of.Skew), Math.PI / 3));
        return Of(of, new(one, several), edge => 0.6 + edge / 10, more);
    }

    /// <summary>The shares of an inner girder, or of an outer one from them, times the correction for skew.</summary>
    private static Distribution Of(DistributionInput of, Distribution inner, Func<double, double> outward, double skew)
    {
        if (of.EdgeDistance is not { } edge)
            return new(skew * inner.OneLane, skew * inner.SeveralLanes);
        var plane = Plane(of, edge);
        return new(
            skew * Math.Max(OneLanePresence * Lever(of.Spacing, edge), plane.OneLane),
            skew * Math.Max(outward(edge) * inner.SeveralLanes, plane.SeveralLanes)
        );
    }

    /// <summary>
    /// The reaction of an outer girder to one truck 2 ft from the kerb, the slab hinged over the girder beside it (4.6.2.2.1): wheels 6 ft
    /// apart, those beyond the hinge left out.
    /// </summary>
    public static double Lever(double spacing, double edge) =>
        (Math.Max(0, spacing + edge - 2) + Math.Max(0, spacing + edge - 8)) / (2 * spacing);

    /// <summary>
    /// An outer girder where the cross-section stays plane (C4.6.2.2.2d-1): N_L/N_b + X_ext·Σe/Σx², with trucks in lanes of 12 ft packed
    /// from this side, each 2 ft from the edge of its lane, times the factor by number of lanes.
    /// </summary>
    private static Distribution Plane(DistributionInput of, double edge)
    {
        var squares = of.Offsets.Sum(x => x * x);
        if (squares == 0)
            return new(0, 0);
        var (outer, kerb) = (Math.Abs(of.Offset), Math.Abs(of.Offset) + edge);
        double moment = 0,
            one = 0,
            several = 0;
        for (var lanes = 1; lanes <= Presence.Length; lanes++)
        {
            var truck = kerb - 5 - 12 * (lanes - 1);
            // No room for another lane on the deck.
            if (truck < -kerb + 5)
                break;
            moment += truck;
            var share = Presence[lanes - 1] * (lanes / (double)of.Girders + outer * moment / squares);
            if (lanes == 1)
                one = share;
            else
                several = Math.Max(several, share);
        }
        return new(one, several);
    }

    /// <summary>In what a girder lies outside the ranges of the formulas, in words; none where it lies within.</summary>
    public static IEnumerable<string> OutOfRange(DistributionInput of)
    {
        if (of.Spacing is < 3.5 or > 16)
            yield return "S outside 3.5 to 16 ft";
        if (of.Slab is < 4.5 or > 12)
            yield return "tₛ outside 4.5 to 12 in";
        if (of.Length is < 20 or > 240)
            yield return "L outside 20 to 240 ft";
        if (of.Girders < 4)
            yield return "fewer than 4 girders";
        if (of.Stiffness is < 10_000 or > 7_000_000)
            yield return "K_g outside 10,000 to 7,000,000 in⁴";
        if (of.EdgeDistance is < -1 or > 5.5)
            yield return "dₑ outside −1 to 5.5 ft";
        if (Math.Abs(of.Skew) > Math.PI / 3)
            yield return "skew over 60°";
    }
}
