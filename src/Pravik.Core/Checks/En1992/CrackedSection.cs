using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Checks.En1992;

/// <summary>Concrete of one kind before it cracks: its outline (y up from the soffit), its modulus, its stress as a line over y.</summary>
/// <param name="Outline">Its outline (m).</param>
/// <param name="Modulus">Modulus of elasticity (Pa).</param>
/// <param name="AtSoffit">Stress at y = 0 (Pa, tension positive).</param>
/// <param name="Slope">How the stress grows with y (Pa/m).</param>
public sealed record ElasticConcrete(Polygon Outline, double Modulus, double AtSoffit, double Slope)
{
    /// <summary>Stress at a height (Pa).</summary>
    public double StressAt(double y) => AtSoffit + Slope * y;
}

/// <summary>
/// Steel bonded at one height (m), with its area (m²), its modulus (Pa), and the stress that counts as its share of what acts: of bars what
/// the concrete around them strains, of strands 0, as prestress is among what acts.
/// </summary>
public sealed record ElasticSteel(double Height, double Area, double Modulus, double Stress);

/// <summary>
/// A section whose concrete gives up its tension: the stresses before it cracks are known, and the same axial force and moment are carried
/// by concrete in compression and by steel. Elastic, plane sections (EN 1992-1-1 7.1, the section fully cracked).
/// </summary>
/// <remarks>
/// The strains that are added, Δε(y) = e + κ·y, leave the resultants as they were:
/// Σ∫min(σ₀ + E_c·Δε, 0) dA + Σ A_s·(σ_s0 + E_s·Δε) = Σ∫σ₀ dA,
/// and the same times y. What acts was worked out on the concrete alone. The function whose gradient this is is convex, and
/// Newton's method with halved steps finds its least value.
/// </remarks>
public sealed class CrackedSection
{
    private const int MostRounds = 60;
    private readonly ImmutableArray<ElasticConcrete> concrete;
    private readonly ImmutableArray<ElasticSteel> steel;

    private CrackedSection(ImmutableArray<ElasticConcrete> concrete, ImmutableArray<ElasticSteel> steel) =>
        (this.concrete, this.steel) = (concrete, steel);

    /// <summary>e, the strain that is added at y = 0.</summary>
    public double Strain { get; private set; }

    /// <summary>κ, how the strain that is added grows with y (1/m).</summary>
    public double Curvature { get; private set; }

    /// <summary>The cracked section; null where what is left cannot carry what acts.</summary>
    public static CrackedSection? Of(ImmutableArray<ElasticConcrete> concrete, ImmutableArray<ElasticSteel> steel)
    {
        var section = new CrackedSection(concrete, steel);
        return section.Solve() ? section : null;
    }

    /// <summary>The stress of steel (Pa).</summary>
    public double StressOf(ElasticSteel layer) => layer.Stress + layer.Modulus * Added(layer.Height);

    /// <summary>The strain of concrete of a part at a height since it was free of stress.</summary>
    public double StrainOf(ElasticConcrete part, double y) => part.StressAt(y) / part.Modulus + Added(y);

    /// <summary>The stress of concrete of a part at a height; 0 where it is cracked (Pa).</summary>
    public double StressOf(ElasticConcrete part, double y) => Math.Min(0, part.Modulus * StrainOf(part, y));

    private double Added(double y) => Strain + Curvature * y;

    private bool Solve()
    {
        var (force, moment, scale) = Resultants();
        for (var round = 0; round < MostRounds; round++)
        {
            var (n, m, k) = Unbalanced(force, moment);
            if (Math.Abs(n) + Math.Abs(m) <= 1e-10 * scale)
                return true;
            var det = k.A * k.C - k.B * k.B;
            if (!(det > 1e-12 * k.A * k.C))
                return false;
            var (e, kappa) = ((k.C * n - k.B * m) / det, (k.A * m - k.B * n) / det);
            var (strain, curvature, before) = (Strain, Curvature, Energy(force, moment));
            var part = 1.0;
            do
            {
                (Strain, Curvature) = (strain - part * e, curvature - part * kappa);
                part /= 2;
            } while (part > 1e-6 && Energy(force, moment) > before + 1e-14 * Math.Abs(before));
        }
        return false;
    }

    /// <summary>What acts: the force and the moment about y = 0 of the concrete before it cracks, and their size.</summary>
    private (double Force, double Moment, double Scale) Resultants()
    {
        var (force, moment, scale) = (0.0, 0.0, 1e-9);
        foreach (var part in concrete)
        {
            foreach (var (y, area) in Slices(part, double.NaN))
            {
                force += part.StressAt(y) * area;
                moment += part.StressAt(y) * area * y;
                scale += Math.Abs(part.StressAt(y)) * area;
            }
        }
        return (force, moment, scale);
    }

    /// <summary>What is out of balance, and how it grows with e and κ.</summary>
    private (double N, double M, (double A, double B, double C) Stiffness) Unbalanced(double force, double moment)
    {
        var (n, m, a, b, c) = (-force, -moment, 0.0, 0.0, 0.0);
        void Add(double stress, double area, double y, double modulus)
        {
            n += stress * area;
            m += stress * area * y;
            a += modulus * area;
            b += modulus * area * y;
            c += modulus * area * y * y;
        }
        foreach (var part in concrete)
        {
            foreach (var (y, area) in Slices(part, Zero(part)))
            {
                var stress = part.Modulus * StrainOf(part, y);
                if (stress < 0)
                    Add(stress, area, y, part.Modulus);
            }
        }
        foreach (var layer in steel)
            Add(StressOf(layer), layer.Area, layer.Height, layer.Modulus);
        return (n, m, (a, b, c));
    }

    /// <summary>The function whose gradient is what is out of balance.</summary>
    private double Energy(double force, double moment)
    {
        var sum = -force * Strain - moment * Curvature;
        foreach (var part in concrete)
        {
            foreach (var (y, area) in Slices(part, Zero(part)))
            {
                var stress = StressOf(part, y);
                sum += 0.5 * stress * stress / part.Modulus * area;
            }
        }
        return sum + steel.Sum(s => 0.5 * StressOf(s) * StressOf(s) / s.Modulus * s.Area);
    }

    /// <summary>The height at which a part has no stress; NaN where there is none.</summary>
    private double Zero(ElasticConcrete part)
    {
        var slope = part.Slope / part.Modulus + Curvature;
        return slope == 0 ? double.NaN : -(part.AtSoffit / part.Modulus + Strain) / slope;
    }

    /// <summary>Heights and areas by which linear stress over an outline is summed exactly, cut where the stress changes sign.</summary>
    private static IEnumerable<(double Y, double Area)> Slices(ElasticConcrete part, double zero) =>
        OutlineSlices.Between(part.Outline, part.Outline.Bottom, part.Outline.Top, zero);
}
