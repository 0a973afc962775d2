using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Frames;

/// <summary>
/// A straight beam in space with shear deformation, rigid offsets and released ends.
/// </summary>
/// <remarks>
/// Przemieniecki, Theory of Matrix Structural Analysis (1968), section 5.6: Φ = 12EI/(G·A_v·L²), stiffness 12EI/(L³(1 + Φ)), 6EI/(L²(1
/// + Φ)), (4 + Φ)EI/(L(1 + Φ)), (2 − Φ)EI/(L(1 + Φ)). Loads are brought
/// to the ends with the deflections that the beam has without load between, which is exact. Released components are eliminated.
/// </remarks>
public sealed class BeamElement : FrameElement
{
    private static readonly (int V, int R, double Sign)[] Planes = [(1, 5, 1), (2, 4, -1)];
    private readonly double[] full;
    private readonly int[] released;
    private readonly double[] inverse;

    /// <summary>A beam between two joints.</summary>
    public BeamElement(FrameBeam beam, FrameMaterial material, FrameSection section, Point3 i, Point3 j)
        : base(
            [beam.I, beam.J],
            [beam.OffsetI, beam.OffsetJ],
            LocalAxes.Along(j + beam.OffsetJ - i - beam.OffsetI, beam.Up)
                ?? throw new ArgumentException("Up is parallel to the beam.", nameof(beam))
        )
    {
        (Beam, Material, Section, Start) = (beam, material, section, i + beam.OffsetI);
        Length = (j + beam.OffsetJ - Start).Length;
        ShearY = section.Avy > 0 ? 12 * material.E * section.Iz / (material.G * section.Avy * Length * Length) : 0;
        ShearZ = section.Avz > 0 ? 12 * material.E * section.Iy / (material.G * section.Avz * Length * Length) : 0;
        full = Elastic();
        released = [.. beam.ReleaseI.Select(r => (int)r), .. beam.ReleaseJ.Select(r => (int)r + 6)];
        inverse = InverseOfReleased();
        Stiffness = Condensed();
    }

    /// <summary>The member.</summary>
    public FrameBeam Beam { get; }

    /// <summary>Its material.</summary>
    public FrameMaterial Material { get; }

    /// <summary>Its section.</summary>
    public FrameSection Section { get; }

    /// <summary>Where it begins, its offset counted.</summary>
    public Point3 Start { get; }

    /// <summary>Length between its ends (m).</summary>
    public double Length { get; }

    /// <summary>Rotational stiffness that the ends would have without releases: what vanishing is set against.</summary>
    public double RotationScale => (4 * Material.E * (Section.Iy + Section.Iz) + Material.G * Section.J) / Length;

    /// <summary>Components, released at both ends, along or about which the beam itself can move without resistance.</summary>
    public IReadOnlyList<int> Loose { get; private set; } = [];

    private double ShearY { get; }
    private double ShearZ { get; }

    private double[] Elastic()
    {
        var k = new double[144];
        void Set(int i, int j, double value) => k[i * 12 + j] = k[j * 12 + i] = value;
        foreach (var (at, value) in new[] { (0, Material.E * Section.A / Length), (3, Material.G * Section.J / Length) })
        {
            Set(at, at, value);
            Set(at + 6, at + 6, value);
            Set(at, at + 6, -value);
        }
        foreach (var (v, r, sign) in Planes)
        {
            var (inertia, shear) = v == 1 ? (Section.Iz, ShearY) : (Section.Iy, ShearZ);
            var unit = Material.E * inertia / (Length * (1 + shear));
            var (a, b, c, d) = (12 * unit / (Length * Length), sign * 6 * unit / Length, (4 + shear) * unit, (2 - shear) * unit);
            Set(v, v, a);
            Set(v, r, b);
            Set(v, v + 6, -a);
            Set(v, r + 6, b);
            Set(r, r, c);
            Set(r, v + 6, -b);
            Set(r, r + 6, d);
            Set(v + 6, v + 6, a);
            Set(v + 6, r + 6, -b);
            Set(r + 6, r + 6, c);
        }
        return k;
    }

    /// <summary>Inverse of the stiffness among released components; those that nothing resists are left out and named.</summary>
    private double[] InverseOfReleased()
    {
        var n = released.Length;
        var (a, result) = (new double[n * n], new double[n * n]);
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < n; j++)
                a[i * n + j] = full[released[i] * 12 + released[j]];
            result[i * n + i] = 1;
        }
        List<int> loose = [];
        for (var p = 0; p < n; p++)
        {
            if (!(a[p * n + p] > 1e-12 * full[released[p] * 12 + released[p]]))
            {
                loose.Add(released[p]);
                for (var j = 0; j < n; j++)
                    (a[p * n + j], a[j * n + p], result[p * n + j], result[j * n + p]) = (0, 0, 0, 0);
                continue;
            }
            var pivot = a[p * n + p];
            for (var j = 0; j < n; j++)
                (a[p * n + j], result[p * n + j]) = (a[p * n + j] / pivot, result[p * n + j] / pivot);
            for (var i = 0; i < n; i++)
            {
                var factor = a[i * n + p];
                if (i == p || factor == 0)
                    continue;
                for (var j = 0; j < n; j++)
                {
                    a[i * n + j] -= factor * a[p * n + j];
                    result[i * n + j] -= factor * result[p * n + j];
                }
            }
        }
        Loose = loose;
        return result;
    }

    /// <summary>K − K_c·K_cc⁻¹·K_cᵀ, 0 at released components.</summary>
    private double[] Condensed()
    {
        var n = released.Length;
        var k = (double[])full.Clone();
        if (n == 0)
            return k;
        for (var i = 0; i < 12; i++)
        {
            for (var j = 0; j < 12; j++)
            {
                for (var p = 0; p < n; p++)
                {
                    for (var q = 0; q < n; q++)
                        k[i * 12 + j] -= full[i * 12 + released[p]] * inverse[p * n + q] * full[released[q] * 12 + j];
                }
            }
        }
        foreach (var r in released)
        {
            for (var j = 0; j < 12; j++)
                k[r * 12 + j] = k[j * 12 + r] = 0;
        }
        return k;
    }

    /// <summary>Forces at the ends (local) that stand for loads between them, with ends as they are released.</summary>
    public double[] EndLoads(double[] atFixedEnds)
    {
        var n = released.Length;
        var loads = (double[])atFixedEnds.Clone();
        for (var i = 0; i < 12; i++)
        {
            for (var p = 0; p < n; p++)
            {
                for (var q = 0; q < n; q++)
                    loads[i] -= full[i * 12 + released[p]] * inverse[p * n + q] * atFixedEnds[released[q]];
            }
        }
        foreach (var r in released)
            loads[r] = 0;
        return loads;
    }

    /// <summary>Forces that the joints put on the ends (local) for displacements of the points (local) and loads at fixed ends.</summary>
    public double[] EndForces(double[] displacements, double[] atFixedEnds)
    {
        var (n, d) = (released.Length, (double[])displacements.Clone());
        foreach (var r in released)
            d[r] = 0;
        // What the beam's own ends do where they are released: K_cc·d_c = f_c − K_ca·d_a.
        var missing = new double[n];
        for (var p = 0; p < n; p++)
        {
            missing[p] = atFixedEnds[released[p]];
            for (var j = 0; j < 12; j++)
                missing[p] -= full[released[p] * 12 + j] * d[j];
        }
        for (var p = 0; p < n; p++)
        {
            for (var q = 0; q < n; q++)
                d[released[p]] += inverse[p * n + q] * missing[q];
        }
        var forces = new double[12];
        for (var i = 0; i < 12; i++)
        {
            forces[i] = -atFixedEnds[i];
            for (var j = 0; j < 12; j++)
                forces[i] += full[i * 12 + j] * d[j];
        }
        foreach (var r in released)
            forces[r] = 0;
        return forces;
    }

    /// <summary>Along or about which direction a load acts, in local axes.</summary>
    public Point3 Direction(BeamLoad load)
    {
        var unit = load.Direction switch
        {
            FrameDirection.Ux or FrameDirection.Rx => new Point3(1, 0, 0),
            FrameDirection.Uy or FrameDirection.Ry => new(0, 1, 0),
            _ => new(0, 0, 1),
        };
        return load.IsLocal ? unit : Axes.ToLocal(unit);
    }

    /// <summary>Adds what a load puts on fixed ends (local).</summary>
    public void Add(BeamLoad load, double[] ends)
    {
        var direction = Direction(load);
        if (load.IsPoint)
        {
            At(load.From, load.Start, 1);
            return;
        }
        var rule = GaussLegendre.Five;
        for (var i = 0; i < rule.At.Length; i++)
        {
            var t = load.From + rule.At[i] * (load.To - load.From);
            At(t, load.Start + rule.At[i] * (load.End - load.Start), rule.Weight[i] * (load.To - load.From) * Length);
        }

        void At(double t, double value, double weight)
        {
            var (x, y, z) = (direction.X * value * weight, direction.Y * value * weight, direction.Z * value * weight);
            var isForce = !load.Direction.IsTurn();
            var along = isForce ? 0 : 3;
            ends[along] += (1 - t) * x;
            ends[along + 6] += t * x;
            Across(1, t, isForce ? y : 0, isForce ? 0 : z, ends);
            Across(2, t, isForce ? z : 0, isForce ? 0 : y, ends);
        }
    }

    /// <summary>
    /// A force across (towards local y or z) and a moment about the other axis at fraction t, by the beam's own deflections.
    /// </summary>
    private void Across(int v, double t, double force, double moment, double[] ends)
    {
        var (_, r, sign) = Planes[v - 1];
        var shear = v == 1 ? ShearY : ShearZ;
        var (l, s) = (Length, 1 / (1 + shear));
        // Deflection and slope for unit movements and slopes of the ends; slope is the rotation times the sign.
        Span<double> deflection =
        [
            (1 - 3 * t * t + 2 * t * t * t + shear * (1 - t)) * s,
            l * (t - 2 * t * t + t * t * t + shear / 2 * (t - t * t)) * s,
            (3 * t * t - 2 * t * t * t + shear * t) * s,
            l * (-t * t + t * t * t - shear / 2 * (t - t * t)) * s,
        ];
        Span<double> slope =
        [
            6 * (t * t - t) / l * s,
            (1 - 4 * t + 3 * t * t + shear * (1 - t)) * s,
            6 * (t - t * t) / l * s,
            (-2 * t + 3 * t * t + shear * t) * s,
        ];
        ends[v] += force * deflection[0] + sign * moment * slope[0];
        ends[r] += sign * force * deflection[1] + moment * slope[1];
        ends[v + 6] += force * deflection[2] + sign * moment * slope[2];
        ends[r + 6] += sign * force * deflection[3] + moment * slope[3];
    }

    /// <summary>Adds what temperature puts on fixed ends: EAα·ΔT along, EIα·gradient about.</summary>
    public void Add(BeamThermal thermal, double[] ends)
    {
        var axial = Material.E * Section.A * Material.Alpha * thermal.Uniform;
        var (aboutY, aboutZ) = (
            Material.E * Section.Iy * Material.Alpha * thermal.GradientZ,
            Material.E * Section.Iz * Material.Alpha * thermal.GradientY
        );
        ends[0] -= axial;
        ends[6] += axial;
        ends[4] -= aboutY;
        ends[10] += aboutY;
        ends[5] += aboutZ;
        ends[11] -= aboutZ;
    }
}
