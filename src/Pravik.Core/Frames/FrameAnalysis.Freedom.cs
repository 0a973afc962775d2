using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Frames;

// What can move: rotations that nothing resists, and free movements of the whole.
public sealed partial class FrameAnalysis
{
    private const double Unresisted = 1e-13;
    private static readonly string[] Names = ["ux", "uy", "uz", "rx", "ry", "rz"];

    /// <summary>Rotations of bodies that no element, spring or support resists: they are held.</summary>
    private void FindUnresisted()
    {
        var (resists, scale) = (bodies.Roots.Select(_ => new double[9]).ToArray(), new double[bodies.Roots.Length]);
        var turning = new double[elements.Length][];
        Parallel.For(0, elements.Length, e => turning[e] = elements[e].Turning(transforms[e]));
        for (var e = 0; e < elements.Length; e++)
        {
            for (var p = 0; p < elements[e].Nodes.Length; p++)
            {
                var body = bodies.Of(elements[e].Nodes[p]);
                var k = turning[e].AsSpan(9 * p, 9);
                for (var i = 0; i < 9; i++)
                    resists[body][i] += k[i];
                scale[body] += Math.Max(k[0] + k[4] + k[8], (elements[e] as BeamElement)?.RotationScale ?? 0);
            }
        }
        foreach (var spring in model.Springs)
        {
            foreach (var (onI, onJ, stiffness) in SpringRows(spring))
            {
                Add(bodies.Of(spring.I), onI, stiffness);
                Add(bodies.Of(spring.J), onJ, stiffness);
            }
        }
        for (var s = 0; s < model.Supports.Length; s++)
        {
            for (var d = 0; d < 6; d++)
            {
                if (model.Supports[s].Springs[d] > 0)
                    Add(bodies.Of(model.Supports[s].Node), Row(s, d), model.Supports[s].Springs[d]);
            }
        }
        var forces = new Lazy<List<(string Case, double[]?[] Force)>>(() =>
            [.. model.Cases.Select(c => (c.Id, OnBodies(new CaseLoads(model, elements, c))))]
        );
        for (var b = 0; b < bodies.Roots.Length; b++)
        {
            var all = Array.ConvertAll(resists[b], v => scale[b] > 0 ? v / scale[b] : 0);
            // Held directions resist as well.
            foreach (var (support, direction) in rowsOf[b])
            {
                var row = Row(support, direction);
                for (var i = 0; i < 9; i++)
                    all[i] += row[3 + i / 3] * row[3 + i % 3];
            }
            foreach (var (value, axis) in Eigen(all))
            {
                if (value > Unresisted)
                    continue;
                turns[b].Add([0, 0, 0, axis.X, axis.Y, axis.Z]);
                var free = RotationName(axis);
                if (LoadedBy(forces.Value, b, axis) is { } load)
                    throw new FrameRefusedException([
                        new(
                            $"/nodes/{bodies.Roots[b]}",
                            $"The structure can move: nothing resists {free} at node “{model.Nodes[bodies.Roots[b]].Id}”, and "
                                + $"case “{load}” loads it."
                        ),
                    ]);
                Warn($"Nothing resists {free} at node “{model.Nodes[bodies.Roots[b]].Id}”; it is held at 0.");
            }
        }

        void Add(int body, double[] row, double stiffness)
        {
            for (var i = 0; i < 9; i++)
                resists[body][i] += stiffness * row[3 + i / 3] * row[3 + i % 3];
            scale[body] += stiffness * (row[3] * row[3] + row[4] * row[4] + row[5] * row[5]);
        }
    }

    private static string RotationName(Point3 axis)
    {
        var most = Math.Max(Math.Abs(axis.X), Math.Max(Math.Abs(axis.Y), Math.Abs(axis.Z)));
        return most == Math.Abs(axis.X) ? "rx"
            : most == Math.Abs(axis.Y) ? "ry"
            : "rz";
    }

    /// <summary>The first case that turns a body about an axis.</summary>
    private static string? LoadedBy(List<(string Case, double[]?[] Force)> forces, int body, Point3 axis) =>
        forces
            .FirstOrDefault(load =>
                load.Force[body] is { } f
                && Math.Abs(f[3] * axis.X + f[4] * axis.Y + f[5] * axis.Z)
                    > 1e-9 * Math.Max(Math.Abs(f[3]) + Math.Abs(f[4]) + Math.Abs(f[5]), 1e-300)
            )
            .Case;

    /// <summary>Values and axes of a symmetric 3 × 3 matrix by Jacobi's rotations.</summary>
    private static IEnumerable<(double Value, Point3 Axis)> Eigen(double[] a)
    {
        double[] m = [.. a],
            v = [1, 0, 0, 0, 1, 0, 0, 0, 1];
        for (var sweep = 0; sweep < 30; sweep++)
        {
            foreach (var (p, q) in new[] { (0, 1), (0, 2), (1, 2) })
            {
                if (m[3 * p + q] == 0)
                    continue;
                var theta = (m[4 * q] - m[4 * p]) / (2 * m[3 * p + q]);
                var t = Math.CopySign(1, theta) / (Math.Abs(theta) + Math.Sqrt(theta * theta + 1));
                var c = 1 / Math.Sqrt(t * t + 1);
                var s = t * c;
                for (var k = 0; k < 3; k++)
                    (m[3 * k + p], m[3 * k + q]) = (c * m[3 * k + p] - s * m[3 * k + q], s * m[3 * k + p] + c * m[3 * k + q]);
                for (var k = 0; k < 3; k++)
                    (m[3 * p + k], m[3 * q + k]) = (c * m[3 * p + k] - s * m[3 * q + k], s * m[3 * p + k] + c * m[3 * q + k]);
                for (var k = 0; k < 3; k++)
                    (v[3 * k + p], v[3 * k + q]) = (c * v[3 * k + p] - s * v[3 * k + q], s * v[3 * k + p] + c * v[3 * k + q]);
            }
        }
        for (var i = 0; i < 3; i++)
            yield return (m[4 * i], new(v[i], v[3 + i], v[6 + i]));
    }

    /// <summary>Names the node and direction that move most in a free movement, translations first.</summary>
    private FrameProblem Free(ZeroPivot zero)
    {
        var x = new double[matrix.Unknowns];
        x[zero.Unknown] = 1e20 * (zero.Scale > 0 ? zero.Scale : 1);
        factor.Solve(x, 1);
        var moved = Displacements(x, 1, 0, new double[bodies.Roots.Length][]);
        (int Node, int Direction, double Size) Most(int from)
        {
            var best = (0, from, 0.0);
            for (var n = 0; n < moved.Length; n++)
            {
                for (var d = from; d < from + 3; d++)
                {
                    // Of nearly equal ones the first.
                    if (Math.Abs(moved[n][d]) > best.Item3 * (1 + 1e-6))
                        best = (n, d, Math.Abs(moved[n][d]));
                }
            }
            return best;
        }
        var size = model.Nodes.Max(n => (n.At - model.Nodes[0].At).Length);
        var (shift, turn) = (Most(0), Most(3));
        var (node, direction, _) = shift.Size > 1e-6 * turn.Size * Math.Max(size, 1e-3) ? shift : turn;
        mode = moved;
        return new($"/nodes/{node}", $"The structure can move: node “{model.Nodes[node].Id}” is free in {Names[direction]}.");
    }

    private double[][]? mode;
}
