using Pravik.Core.Geometry;

namespace Pravik.Core.Frames;

/// <summary>Forces per metre at the centre of a shell, in its axes, with the signs of the frame format.</summary>
public readonly record struct ShellForces(double Nxx, double Nyy, double Nxy, double Mxx, double Myy, double Mxy, double Vxz, double Vyz)
{
    /// <summary>Forces told of a shell: n_x, n_y, n_xy, m_x, m_y, m_xy, v_x, v_y.</summary>
    public const int Components = 8;

    /// <summary>A force by its place.</summary>
    public double this[int component] =>
        component switch
        {
            0 => Nxx,
            1 => Nyy,
            2 => Nxy,
            3 => Mxx,
            4 => Myy,
            5 => Mxy,
            6 => Vxz,
            _ => Vyz,
        };
}

/// <summary>
/// A flat shell of three or four nodes; nodes of a slightly warped one are joined to their feet on its middle plane by rigid arms along
/// the normal.
/// </summary>
public abstract class ShellElement : FrameElement
{
    private protected ShellElement(FrameShell shell, FrameMaterial material, IReadOnlyList<Point3> corners, LocalAxes axes, Point3 centre)
        : base([.. shell.Nodes], [.. corners.Select(p => -(p - centre).Dot(axes.Z) * axes.Z)], axes)
    {
        (Shell, Material, Thickness, Centre) = (shell, material, shell.Thickness, centre);
        Local = [.. corners.Select(p => axes.ToLocal(p - centre)).Select(p => new Point(p.X, p.Y))];
        var e = material.E / (1 - material.Nu * material.Nu);
        Plane = [e, e * material.Nu, 0, e * material.Nu, e, 0, 0, 0, material.G];
    }

    /// <summary>The shell.</summary>
    public FrameShell Shell { get; }

    /// <summary>Its material.</summary>
    public FrameMaterial Material { get; }

    /// <summary>Its thickness (m).</summary>
    public double Thickness { get; }

    /// <summary>Its centre.</summary>
    public Point3 Centre { get; }

    /// <summary>Corners in the plane of the shell, about its centre.</summary>
    public Point[] Local { get; }

    /// <summary>Its area (m²).</summary>
    public double Area { get; private protected set; }

    /// <summary>Shares of the corners in a load that is even over the surface.</summary>
    public double[] Shares { get; private protected set; } = [];

    /// <summary>Plane stress: from strains xx, yy, xy to stresses.</summary>
    private protected double[] Plane { get; }

    /// <summary>The largest distance of a corner from the middle plane over the square root of the area.</summary>
    public static double Warp(IReadOnlyList<Point3> corners)
    {
        var (axes, centre) = Frame(corners);
        var area = (corners[2] - corners[0]).Cross(corners[^1] - corners[1]).Length / 2;
        return corners.Max(p => Math.Abs((p - centre).Dot(axes.Z))) / Math.Sqrt(area);
    }

    /// <summary>
    /// Axes and centre: z along the normal (of four nodes the cross product of the diagonals 1–3 and 2–4), x the projection of global
    /// x, or of global y where the normal's part square to global x is under a thousandth.
    /// </summary>
    public static (LocalAxes Axes, Point3 Centre) Frame(IReadOnlyList<Point3> corners)
    {
        var normal =
            corners.Count == 4
                ? (corners[2] - corners[0]).Cross(corners[3] - corners[1])
                : (corners[1] - corners[0]).Cross(corners[2] - corners[0]);
        var z = 1 / normal.Length * normal;
        var wanted = Math.Sqrt(z.Y * z.Y + z.Z * z.Z) < LocalAxes.Parallel ? new Point3(0, 1, 0) : new(1, 0, 0);
        var x = wanted - wanted.Dot(z) * z;
        x = 1 / x.Length * x;
        return (new(x, z.Cross(x), z), 1.0 / corners.Count * corners.Aggregate((a, b) => a + b));
    }

    /// <summary>The element of three or four corners.</summary>
    public static ShellElement Of(FrameShell shell, FrameMaterial material, IReadOnlyList<Point3> corners)
    {
        var (axes, centre) = Frame(corners);
        return corners.Count == 4
            ? new QuadShell(shell, material, corners, axes, centre)
            : new TriangleShell(shell, material, corners, axes, centre);
    }

    /// <summary>Adds what an even pressure (local) puts on the corners.</summary>
    public void Add(Point3 pressure, double[] loads)
    {
        for (var n = 0; n < Nodes.Length; n++)
        {
            loads[6 * n] += Shares[n] * pressure.X;
            loads[6 * n + 1] += Shares[n] * pressure.Y;
            loads[6 * n + 2] += Shares[n] * pressure.Z;
        }
    }

    /// <summary>Adds what temperature puts on the corners when they are held.</summary>
    public abstract void Add(ShellThermal thermal, double[] loads);

    /// <summary>
    /// Forces at the centre for displacements of the corners (local), with the strains that temperature would give freely taken off.
    /// </summary>
    public abstract ShellForces Forces(double[] displacements, IEnumerable<ShellThermal> thermal);

    /// <summary>
    /// Free strains xx, yy, xy for a lengthening of 1: in all directions 1, 1, 0; along one that makes an angle φ with local x cos²φ,
    /// sin²φ, 2·sin φ·cos φ.
    /// </summary>
    private protected double[] Free(ShellThermal thermal)
    {
        if (thermal.Along is not { } along)
            return [1, 1, 0];
        var (x, y) = (along.Dot(Axes.X), along.Dot(Axes.Y));
        var square = x * x + y * y;
        return [x * x / square, y * y / square, 2 * x * y / square];
    }

    /// <summary>Stresses xx, yy, xy that hold such a strain.</summary>
    private protected double[] Held(ShellThermal thermal)
    {
        var free = Free(thermal);
        return [.. Enumerable.Range(0, 3).Select(i => Plane[3 * i] * free[0] + Plane[3 * i + 1] * free[1] + Plane[3 * i + 2] * free[2])];
    }

    /// <summary>Adds wᵗ·Bᵀ·D·B: rows of B by component, n columns.</summary>
    private protected static void AddProduct(double[] target, double[] b, double[] d, int components, int columns, double weight)
    {
        var db = new double[components * columns];
        for (var i = 0; i < components; i++)
        {
            for (var k = 0; k < components; k++)
            {
                var value = d[i * components + k] * weight;
                if (value == 0)
                    continue;
                for (var j = 0; j < columns; j++)
                    db[i * columns + j] += value * b[k * columns + j];
            }
        }
        for (var k = 0; k < components; k++)
        {
            for (var i = 0; i < columns; i++)
            {
                var value = b[k * columns + i];
                if (value == 0)
                    continue;
                for (var j = 0; j < columns; j++)
                    target[i * columns + j] += value * db[k * columns + j];
            }
        }
    }

    private protected static double Row(double[] b, int row, int columns, double[] values)
    {
        double sum = 0;
        for (var j = 0; j < columns; j++)
            sum += b[row * columns + j] * values[j];
        return sum;
    }

    /// <summary>Membrane forces and moments from strains and curvatures, with those of temperature taken off; shear given.</summary>
    private protected ShellForces Stress(double[] strain, double[] curvature, double vxz, double vyz, IEnumerable<ShellThermal> thermal)
    {
        var (free, bent) = (new double[3], new double[3]);
        foreach (var t0 in thermal)
        {
            var shape = Free(t0);
            for (var i = 0; i < 3; i++)
                (free[i], bent[i]) = (free[i] + Material.Alpha * t0.Uniform * shape[i], bent[i] + Material.Alpha * t0.Gradient * shape[i]);
        }
        var (t, bending) = (Thickness, Math.Pow(Thickness, 3) / 12);
        double Of(double[] e, int row, double[] off) =>
            Plane[row * 3] * (e[0] - off[0]) + Plane[row * 3 + 1] * (e[1] - off[1]) + Plane[row * 3 + 2] * (e[2] - off[2]);
        return new(
            t * Of(strain, 0, free),
            t * Of(strain, 1, free),
            t * Of(strain, 2, free),
            -bending * Of(curvature, 0, bent),
            -bending * Of(curvature, 1, bent),
            -bending * Of(curvature, 2, bent),
            vxz,
            vyz
        );
    }
}
