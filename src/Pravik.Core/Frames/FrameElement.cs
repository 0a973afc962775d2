using Pravik.Core.Geometry;

namespace Pravik.Core.Frames;

/// <summary>
/// An element in its own axes: the points at which it is held, each rigidly joined to a node by an arm (global, from the node), six
/// components at each (ux uy uz rx ry rz), and its stiffness.
/// </summary>
public abstract class FrameElement
{
    private protected FrameElement(int[] nodes, Point3[] arms, LocalAxes axes) => (Nodes, Arms, Axes) = (nodes, arms, axes);

    /// <summary>Its joints.</summary>
    public int[] Nodes { get; }

    /// <summary>From its joints to where it is joined to them (m).</summary>
    public Point3[] Arms { get; }

    /// <summary>Its own axes.</summary>
    public LocalAxes Axes { get; }

    /// <summary>Stiffness in local axes, 6n × 6n, row by row.</summary>
    public double[] Stiffness { get; private protected set; } = [];

    /// <summary>Number of its degrees of freedom.</summary>
    public int Size => 6 * Nodes.Length;

    /// <summary>
    /// The same between the six components of bodies whose roots lie at an arm from each node: Kᵍ = Bᵀ·K·B with local components of a
    /// point = axes · (U + Θ × arm, Θ).
    /// </summary>
    /// <param name="b">What <see cref="Transforms"/> gives.</param>
    public double[] Global(double[][] b)
    {
        var n = Size;
        var left = new double[n * n];
        // K·B, then Bᵀ of it: B has a 6 × 6 block for each point alone.
        for (var i = 0; i < n; i++)
        {
            for (var p = 0; p < Nodes.Length; p++)
            {
                for (var k = 0; k < 6; k++)
                {
                    var value = Stiffness[i * n + 6 * p + k];
                    if (value == 0)
                        continue;
                    for (var j = 0; j < 6; j++)
                        left[i * n + 6 * p + j] += value * b[p][k * 6 + j];
                }
            }
        }
        var result = new double[n * n];
        for (var p = 0; p < Nodes.Length; p++)
        {
            for (var k = 0; k < 6; k++)
            {
                for (var i = 0; i < 6; i++)
                {
                    var value = b[p][k * 6 + i];
                    if (value == 0)
                        continue;
                    for (var j = 0; j < n; j++)
                        result[(6 * p + i) * n + j] += value * left[(6 * p + k) * n + j];
                }
            }
        }
        return result;
    }

    /// <summary>What resists a rotation of the body at every point alone, 3 × 3 each.</summary>
    public double[] Turning(double[][] b)
    {
        var (n, result) = (Size, new double[9 * Nodes.Length]);
        for (var p = 0; p < Nodes.Length; p++)
        {
            for (var k = 0; k < 6; k++)
            {
                for (var l = 0; l < 6; l++)
                {
                    var value = Stiffness[(6 * p + k) * n + 6 * p + l];
                    if (value == 0)
                        continue;
                    for (var i = 0; i < 9; i++)
                        result[9 * p + i] += b[p][6 * k + 3 + i / 3] * value * b[p][6 * l + 3 + i % 3];
                }
            }
        }
        return result;
    }

    /// <summary>For every point the 6 × 6 matrix from the components of its body's root (global) to its own (local).</summary>
    public double[][] Transforms(Func<int, Point3> armOfNode)
    {
        var all = new double[Nodes.Length][];
        for (var p = 0; p < Nodes.Length; p++)
        {
            var arm = armOfNode(Nodes[p]) + Arms[p];
            var b = all[p] = new double[36];
            for (var r = 0; r < 3; r++)
            {
                var axis = Axes[r];
                // axis · (Θ × arm) = Θ · (arm × axis).
                var turn = arm.Cross(axis);
                (b[r * 6], b[r * 6 + 1], b[r * 6 + 2]) = (axis.X, axis.Y, axis.Z);
                (b[r * 6 + 3], b[r * 6 + 4], b[r * 6 + 5]) = (turn.X, turn.Y, turn.Z);
                (b[(r + 3) * 6 + 3], b[(r + 3) * 6 + 4], b[(r + 3) * 6 + 5]) = (axis.X, axis.Y, axis.Z);
            }
        }
        return all;
    }
}
