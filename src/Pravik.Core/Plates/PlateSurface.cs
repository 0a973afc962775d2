using System.Collections.Immutable;
using System.Numerics;

namespace Pravik.Core.Plates;

/// <summary>
/// What loads anywhere on a plate do to a moment or shear across it, half way along (per metre, N and Nm): its ordinates by the place
/// along.
/// </summary>
/// <param name="lines">The lines of the plate.</param>
/// <param name="length">Its span L (m).</param>
/// <param name="terms">For each few terms of the series, side by side, what w and dw/dy of every line would do.</param>
/// <param name="mean">Length along the span over which the effect is averaged (m); 0 for none.</param>
public sealed class PlateSurface(ImmutableArray<PlateLine> lines, double length, Vector<double>[][] terms, double mean = 0)
{
    /// <summary>
    /// Ordinates of a unit load, down, spread evenly along the span: Σ 2/L·sin(k·L/2)·sin(k·x)·sin(k·a/2)/(k·a/2)·a_n.
    /// </summary>
    /// <param name="beside">From half way along to the middle of the load (m).</param>
    /// <param name="over">Length a over which it is spread (m).</param>
    public PlateOrdinates OfLoad(double beside, double over) => Sum(0, k => Spread(k, beside, over));

    /// <summary>The same of a unit load at each of two places along.</summary>
    public PlateOrdinates OfTwo(double first, double second, double over) => Sum(0, k => Spread(k, first, over) + Spread(k, second, over));

    /// <summary>The same of a unit couple that turns about the line, its right side down.</summary>
    public PlateOrdinates OfCouple(double beside, double over) => Sum(1, k => Spread(k, beside, over));

    /// <summary>Ordinates of a load of 1 N/m all along.</summary>
    public PlateOrdinates OfLine() => Sum(0, k => 4 / (k * length) * Half(k));

    /// <summary>sin(k·x) half way along, or its mean about it.</summary>
    private double Half(double k) => Math.Sin(k * length / 2) * Sinc(k * mean / 2);

    private double Spread(double k, double beside, double over) =>
        2 / length * Half(k) * Math.Sin(k * (length / 2 + beside)) * Sinc(k * over / 2);

    private static double Sinc(double x) => x == 0 ? 1 : Math.Sin(x) / x;

    private PlateOrdinates Sum(int of, Func<double, double> factor)
    {
        var sums = new Vector<double>[lines.Length];
        Span<double> own = stackalloc double[Vector<double>.Count];
        for (var i = 0; i < terms.Length; i++)
        {
            for (var lane = 0; lane < own.Length; lane++)
                own[lane] = factor((2 * (i * own.Length + lane) + 1) * Math.PI / length);
            var (factors, term) = (new Vector<double>(own), terms[i]);
            for (var l = 0; l < sums.Length; l++)
                sums[l] += factors * term[2 * l + of];
        }
        return new(lines, [.. sums.Select(Vector.Sum)]);
    }
}
