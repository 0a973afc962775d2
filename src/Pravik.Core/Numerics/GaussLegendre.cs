namespace Pravik.Core.Numerics;

/// <summary>
/// Gauss–Legendre rules on [0, 1]: ∫f = Σ w_i·f(x_i), exact for polynomials of degree 2n − 1 (Abramowitz and Stegun 25.4.29).
/// </summary>
public sealed class GaussLegendre
{
    /// <summary>The rule with ten points: for ∫cos φ with φ smooth and changing by up to 1 rad its error is below 1e-15.</summary>
    public static GaussLegendre Ten { get; } = new(10);

    /// <summary>The rule with five points, for functions that are nearly polynomials.</summary>
    public static GaussLegendre Five { get; } = new(5);

    /// <summary>The rule with two points, exact for cubics.</summary>
    public static GaussLegendre Two { get; } = new(2);

    private GaussLegendre(int count)
    {
        (At, Weight) = (new double[count], new double[count]);
        for (var i = 0; i < count; i++)
        {
            // Newton's method on P_n from the usual first guess.
            var x = Math.Cos(Math.PI * (i + 0.75) / (count + 0.5));
            double slope = 0;
            for (var round = 0; round < 20; round++)
            {
                double p = 1,
                    before = 0;
                for (var n = 0; n < count; n++)
                    (p, before) = (((2 * n + 1) * x * p - n * before) / (n + 1), p);
                slope = count * (x * p - before) / (x * x - 1);
                x -= p / slope;
            }
            At[i] = (1 - x) / 2;
            Weight[i] = 1 / ((1 - x * x) * slope * slope);
        }
    }

    /// <summary>Places within 0 and 1.</summary>
    public double[] At { get; }

    /// <summary>Weights, which add up to 1.</summary>
    public double[] Weight { get; }
}
