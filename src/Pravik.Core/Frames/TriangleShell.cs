using Pravik.Core.Geometry;

namespace Pravik.Core.Frames;

/// <summary>
/// A shell of three nodes.
/// </summary>
/// <remarks>
/// Both parts are quadratic with six points whose middle ones follow from the corners. Membrane: the middle of a side moves square to
/// it by l/8 of the difference of the drilling rotations (Allman, Computers and Structures 19
/// (1984)); equal rotations, which that does not feel, are held to ω = ½(v,x − u,y) at the centre. Bending: slopes along a side are
/// those of a cubic deflection, across it straight (Batoz, Bathe and Ho, Int. J. Num. Meth. Eng. 15
/// (1980)); there is no shear deformation. Three points, at the middles of the sides.
/// </remarks>
internal sealed class TriangleShell : ShellElement
{
    private const int Columns = 18;
    private static readonly (double A, double B)[] Points = [(0.5, 0), (0.5, 0.5), (0, 0.5)];
    private readonly double[] membrane;
    private readonly double[] slopes;

    public TriangleShell(FrameShell shell, FrameMaterial material, IReadOnlyList<Point3> corners, LocalAxes axes, Point3 centre)
        : base(shell, material, corners, axes, centre)
    {
        Area = (Local[1] - Local[0]).Cross(Local[2] - Local[0]) / 2;
        Shares = [Area / 3, Area / 3, Area / 3];
        (membrane, slopes) = (SixPoints(Allman), SixPoints(Slopes));
        Stiffness = new double[Columns * Columns];
        foreach (var (a, b) in Points)
        {
            AddProduct(Stiffness, Strains(membrane, a, b), Plane, 3, Columns, Thickness * Area / 3);
            AddProduct(Stiffness, Strains(slopes, a, b), Plane, 3, Columns, Math.Pow(Thickness, 3) / 12 * Area / 3);
        }
        AddProduct(Stiffness, Drilling(), [Material.G], 1, Columns, Thickness * Area);
    }

    private delegate void Middle(double[] points, int row, int i, int j, Point along, double length);

    /// <summary>
    /// Two components at six points (corners, then middles of the sides 1–2, 2–3, 3–1) from those of the corners: 12 × 18.
    /// </summary>
    private double[] SixPoints(Middle middle)
    {
        var points = new double[12 * Columns];
        for (var side = 0; side < 3; side++)
        {
            var (i, j) = (side, (side + 1) % 3);
            var along = Local[j] - Local[i];
            middle(points, 2 * (3 + side), i, j, 1 / along.Length * along, along.Length);
        }
        for (var n = 0; n < 3; n++)
        {
            // In plane u and v; out of plane the slopes ry and −rx.
            if (middle == Allman)
                (points[2 * n * Columns + 6 * n], points[(2 * n + 1) * Columns + 6 * n + 1]) = (1, 1);
            else
                (points[2 * n * Columns + 6 * n + 4], points[(2 * n + 1) * Columns + 6 * n + 3]) = (1, -1);
        }
        return points;
    }

    private static void Allman(double[] points, int row, int i, int j, Point along, double length)
    {
        // Square to the side, outward of a triangle that turns anticlockwise.
        var outward = new Point(along.Y, -along.X);
        foreach (var (component, part) in new[] { (0, outward.X), (1, outward.Y) })
        {
            var at = (row + component) * Columns;
            points[at + 6 * i + component] = points[at + 6 * j + component] = 0.5;
            points[at + 6 * j + 5] = part * length / 8;
            points[at + 6 * i + 5] = -part * length / 8;
        }
    }

    private static void Slopes(double[] points, int row, int i, int j, Point along, double length)
    {
        // Slope of the strain-giving movement β = (ry, −rx): along the side β_s = 3/(2l)·(w_i − w_j) − ¼(β_s,i + β_s,j), across it the
        // mean.
        var across = new Point(-along.Y, along.X);
        foreach (var (component, s, n) in new[] { (0, along.X, across.X), (1, along.Y, across.Y) })
        {
            var at = (row + component) * Columns;
            points[at + 6 * i + 2] = s * 1.5 / length;
            points[at + 6 * j + 2] = -s * 1.5 / length;
            foreach (var corner in new[] { i, j })
            {
                points[at + 6 * corner + 4] = -0.25 * s * along.X + 0.5 * n * across.X;
                points[at + 6 * corner + 3] = -(-0.25 * s * along.Y + 0.5 * n * across.Y);
            }
        }
    }

    /// <summary>Derivatives of the six quadratic functions by x and y at area coordinates (1 − a − b, a, b).</summary>
    private (double[] ByX, double[] ByY) Derivatives(double a, double b)
    {
        var c = 1 - a - b;
        double[] byA = [1 - 4 * c, 4 * a - 1, 0, 4 * (c - a), 4 * b, -4 * b];
        double[] byB = [1 - 4 * c, 0, 4 * b - 1, -4 * a, 4 * a, 4 * (c - b)];
        var (p, q) = (Local[1] - Local[0], Local[2] - Local[0]);
        return (
            [.. byA.Zip(byB, (da, db) => (q.Y * da - p.Y * db) / (2 * Area))],
            [.. byA.Zip(byB, (da, db) => (p.X * db - q.X * da) / (2 * Area))]
        );
    }

    /// <summary>xx, yy and xy of the two components.</summary>
    private double[] Strains(double[] points, double a, double b)
    {
        var (byX, byY) = Derivatives(a, b);
        var result = new double[3 * Columns];
        for (var n = 0; n < 6; n++)
        {
            for (var j = 0; j < Columns; j++)
            {
                var (u, v) = (points[2 * n * Columns + j], points[(2 * n + 1) * Columns + j]);
                result[j] += byX[n] * u;
                result[Columns + j] += byY[n] * v;
                result[2 * Columns + j] += byY[n] * u + byX[n] * v;
            }
        }
        return result;
    }

    /// <summary>ω of the corners' own movement less the mean drilling rotation.</summary>
    private double[] Drilling()
    {
        var row = new double[Columns];
        for (var n = 0; n < 3; n++)
        {
            var (next, last) = (Local[(n + 1) % 3], Local[(n + 2) % 3]);
            var (byX, byY) = ((next.Y - last.Y) / (2 * Area), (last.X - next.X) / (2 * Area));
            (row[6 * n], row[6 * n + 1], row[6 * n + 5]) = (-byY / 2, byX / 2, -1.0 / 3);
        }
        return row;
    }

    public override void Add(ShellThermal thermal, double[] loads)
    {
        var stress = Held(thermal);
        var (axial, moment) = (
            Thickness * Material.Alpha * thermal.Uniform * Area / 3,
            Math.Pow(Thickness, 3) / 12 * Material.Alpha * thermal.Gradient * Area / 3
        );
        foreach (var (a, b) in Points)
        {
            var (m, s) = (Strains(membrane, a, b), Strains(slopes, a, b));
            for (var j = 0; j < Columns; j++)
                loads[j] +=
                    (m[j] * stress[0] + m[Columns + j] * stress[1] + m[2 * Columns + j] * stress[2]) * axial
                    + (s[j] * stress[0] + s[Columns + j] * stress[1] + s[2 * Columns + j] * stress[2]) * moment;
        }
    }

    public override ShellForces Forces(double[] displacements, IEnumerable<ShellThermal> thermal)
    {
        double[] Of(double[] points, double a, double b) =>
            Strains(points, a, b) is var rows
                ? [Row(rows, 0, Columns, displacements), Row(rows, 1, Columns, displacements), Row(rows, 2, Columns, displacements)]
                : [];
        // Moments run straight over the triangle: shear is their slope.
        ShellForces At(double a, double b) => Stress([0, 0, 0], Of(slopes, a, b), 0, 0, []);
        var (m, ma, mb) = (At(0, 0), At(1, 0), At(0, 1));
        var (p, q) = (Local[1] - Local[0], Local[2] - Local[0]);
        (double X, double Y) Slope(double at, double atA, double atB) =>
            ((q.Y * (atA - at) - p.Y * (atB - at)) / (2 * Area), (p.X * (atB - at) - q.X * (atA - at)) / (2 * Area));
        var (xx, yy, xy) = (Slope(m.Mxx, ma.Mxx, mb.Mxx), Slope(m.Myy, ma.Myy, mb.Myy), Slope(m.Mxy, ma.Mxy, mb.Mxy));
        return Stress(Of(membrane, 1.0 / 3, 1.0 / 3), Of(slopes, 1.0 / 3, 1.0 / 3), xx.X + xy.Y, xy.X + yy.Y, thermal);
    }
}
