using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Frames;

/// <summary>
/// A shell of four nodes.
/// </summary>
/// <remarks>
/// Membrane: bilinear with two incompatible modes in each direction, corrected to pass the patch test (Taylor, Beresford and Wilson,
/// Int. J. Num. Meth. Eng. 10 (1976)). Drilling: G·t·∫(ω − θ_z)² dA with ω = ½(v,x − u,y) (Hughes and
/// Brezzi, Comp. Meth. Appl. Mech. Eng. 72 (1989)). Bending: transverse shear tied at the middles of the sides (Bathe and Dvorkin, Int.
/// J. Num. Meth. Eng. 21 (1985)), shear factor 5/6. Two by two points of Gauss.
/// </remarks>
internal sealed class QuadShell : ShellElement
{
    private const int Columns = 24;
    private static readonly double G = 1 / Math.Sqrt(3);
    private static readonly (double Xi, double Eta)[] Gauss = [(-G, -G), (G, -G), (G, G), (-G, G)];
    private static readonly (double Xi, double Eta)[] Corner = [(-1, -1), (1, -1), (1, 1), (-1, 1)];
    private (double[] Membrane, double[] Curvature, double[] Shear)? atCentre;

    public QuadShell(FrameShell shell, FrameMaterial material, IReadOnlyList<Point3> corners, LocalAxes axes, Point3 centre)
        : base(shell, material, corners, axes, centre)
    {
        var k = Stiffness = new double[Columns * Columns];
        Shares = new double[4];
        foreach (var (xi, eta) in Gauss)
        {
            var weight = At(xi, eta).Determinant;
            Area += weight;
            for (var n = 0; n < 4; n++)
                Shares[n] += weight * Shape(n, xi, eta);
        }
        Membrane(k);
        Drilling(k);
        Bending(k);
    }

    private static double Shape(int n, double xi, double eta) => (1 + Corner[n].Xi * xi) * (1 + Corner[n].Eta * eta) / 4;

    /// <summary>Derivatives of the shape functions by x and y, those of x and y by ξ and η, and the determinant, at a point.</summary>
    private readonly record struct Place(double[] ByX, double[] ByY, double XXi, double YXi, double XEta, double YEta, double Determinant);

    private Place At(double xi, double eta)
    {
        double xXi = 0,
            yXi = 0,
            xEta = 0,
            yEta = 0;
        Span<double> byXi = stackalloc double[4],
            byEta = stackalloc double[4];
        for (var n = 0; n < 4; n++)
        {
            (byXi[n], byEta[n]) = (Corner[n].Xi * (1 + Corner[n].Eta * eta) / 4, Corner[n].Eta * (1 + Corner[n].Xi * xi) / 4);
            xXi += byXi[n] * Local[n].X;
            yXi += byXi[n] * Local[n].Y;
            xEta += byEta[n] * Local[n].X;
            yEta += byEta[n] * Local[n].Y;
        }
        var det = xXi * yEta - yXi * xEta;
        var (byX, byY) = (new double[4], new double[4]);
        for (var n = 0; n < 4; n++)
            (byX[n], byY[n]) = ((yEta * byXi[n] - yXi * byEta[n]) / det, (xXi * byEta[n] - xEta * byXi[n]) / det);
        return new(byX, byY, xXi, yXi, xEta, yEta, det);
    }

    private void Membrane(double[] k)
    {
        const int Modes = 4;
        var all = Columns + Modes;
        var (whole, b, middle) = (new double[all * all], new double[3 * all], At(0, 0));
        foreach (var (xi, eta) in Gauss)
        {
            var at = At(xi, eta);
            Array.Clear(b);
            for (var n = 0; n < 4; n++)
                Strain(b, all, 6 * n, at.ByX[n], at.ByY[n]);
            // Modes 1 − ξ² and 1 − η², with the derivatives of the middle so that even strains do no work on them.
            var scale = middle.Determinant / at.Determinant / middle.Determinant;
            Strain(b, all, Columns, -2 * xi * middle.YEta * scale, 2 * xi * middle.XEta * scale, 1);
            Strain(b, all, Columns + 2, 2 * eta * middle.YXi * scale, -2 * eta * middle.XXi * scale, 1);
            AddProduct(whole, b, Plane, 3, all, Thickness * at.Determinant);
        }
        // The inner modes follow from the corners: a = −K_aa⁻¹·K_au·u.
        var inner = Inner(whole, all);
        for (var i = 0; i < Columns; i++)
        {
            for (var j = 0; j < Columns; j++)
            {
                k[i * Columns + j] += whole[i * all + j];
                for (var m = 0; m < Modes; m++)
                    k[i * Columns + j] += whole[i * all + Columns + m] * inner[m * Columns + j];
            }
        }
    }

    /// <summary>Rows xx, yy and xy of a pair of components (u, v) that lie a step apart.</summary>
    private static void Strain(double[] b, int columns, int at, double byX, double byY, int step = 1)
    {
        b[at] = byX;
        b[columns + at + step] = byY;
        b[2 * columns + at] = byY;
        b[2 * columns + at + step] = byX;
    }

    /// <summary>−K_aa⁻¹·K_au: the inner modes for each component of the corners.</summary>
    private static double[] Inner(double[] whole, int all)
    {
        var inner = all - Columns;
        var (a, result) = (new double[inner * inner], new double[inner * Columns]);
        for (var i = 0; i < inner; i++)
        {
            for (var j = 0; j < inner; j++)
                a[i * inner + j] = whole[(Columns + i) * all + Columns + j];
            for (var j = 0; j < Columns; j++)
                result[i * Columns + j] = -whole[(Columns + i) * all + j];
        }
        SmallSystem.Solve(a, result, inner, Columns);
        return result;
    }

    private void Drilling(double[] k)
    {
        var b = new double[Columns];
        foreach (var (xi, eta) in Gauss)
        {
            var at = At(xi, eta);
            for (var n = 0; n < 4; n++)
                (b[6 * n], b[6 * n + 1], b[6 * n + 5]) = (-at.ByY[n] / 2, at.ByX[n] / 2, -Shape(n, xi, eta));
            AddProduct(k, b, [Material.G], 1, Columns, Thickness * at.Determinant);
        }
    }

    private void Bending(double[] k)
    {
        var (b, shear) = (new double[3 * Columns], 5.0 / 6 * Material.G * Thickness);
        foreach (var (xi, eta) in Gauss)
        {
            var at = At(xi, eta);
            Curvature(b, at);
            AddProduct(k, b, Plane, 3, Columns, Math.Pow(Thickness, 3) / 12 * at.Determinant);
            AddProduct(k, Shear(xi, eta), [shear, 0, 0, shear], 2, Columns, at.Determinant);
        }
    }

    /// <summary>κxx = ry,x; κyy = −rx,y; κxy = ry,y − rx,x: strain grows by z·κ.</summary>
    private static void Curvature(double[] b, Place at)
    {
        for (var n = 0; n < 4; n++)
        {
            b[6 * n + 4] = at.ByX[n];
            b[Columns + 6 * n + 3] = -at.ByY[n];
            b[2 * Columns + 6 * n + 4] = at.ByY[n];
            b[2 * Columns + 6 * n + 3] = -at.ByX[n];
        }
    }

    /// <summary>γxz and γyz, from those along ξ tied at (0, ∓1) and along η tied at (∓1, 0).</summary>
    private double[] Shear(double xi, double eta)
    {
        var along = new double[2 * Columns];
        Tie(0, 0, -1, (1 - eta) / 2);
        Tie(0, 0, 1, (1 + eta) / 2);
        Tie(1, -1, 0, (1 - xi) / 2);
        Tie(1, 1, 0, (1 + xi) / 2);
        var at = At(xi, eta);
        var b = new double[2 * Columns];
        for (var j = 0; j < Columns; j++)
        {
            b[j] = (at.YEta * along[j] - at.YXi * along[Columns + j]) / at.Determinant;
            b[Columns + j] = (at.XXi * along[Columns + j] - at.XEta * along[j]) / at.Determinant;
        }
        return b;

        void Tie(int row, double xi, double eta, double share)
        {
            var at = At(xi, eta);
            var (x, y) = row == 0 ? (at.XXi, at.YXi) : (at.XEta, at.YEta);
            for (var n = 0; n < 4; n++)
            {
                var (shape, slope) = (
                    Shape(n, xi, eta),
                    row == 0 ? Corner[n].Xi * (1 + Corner[n].Eta * eta) / 4 : Corner[n].Eta * (1 + Corner[n].Xi * xi) / 4
                );
                along[row * Columns + 6 * n + 2] += share * slope;
                along[row * Columns + 6 * n + 4] += share * shape * x;
                along[row * Columns + 6 * n + 3] -= share * shape * y;
            }
        }
    }

    public override void Add(ShellThermal thermal, double[] loads)
    {
        var stress = Held(thermal);
        var b = new double[3 * Columns];
        foreach (var (xi, eta) in Gauss)
        {
            var at = At(xi, eta);
            var membrane = Thickness * Material.Alpha * thermal.Uniform * at.Determinant;
            for (var n = 0; n < 4; n++)
            {
                loads[6 * n] += (at.ByX[n] * stress[0] + at.ByY[n] * stress[2]) * membrane;
                loads[6 * n + 1] += (at.ByY[n] * stress[1] + at.ByX[n] * stress[2]) * membrane;
            }
            Curvature(b, at);
            var moment = Math.Pow(Thickness, 3) / 12 * Material.Alpha * thermal.Gradient * at.Determinant;
            for (var j = 0; j < Columns; j++)
                loads[j] += (b[j] * stress[0] + b[Columns + j] * stress[1] + b[2 * Columns + j] * stress[2]) * moment;
        }
    }

    public override ShellForces Forces(double[] displacements, IEnumerable<ShellThermal> thermal)
    {
        var (membrane, curvature, shear) = atCentre ??= AtCentre();
        var stiffness = 5.0 / 6 * Material.G * Thickness;
        double[] Of(double[] b) =>
            [Row(b, 0, Columns, displacements), Row(b, 1, Columns, displacements), Row(b, 2, Columns, displacements)];
        return Stress(
            Of(membrane),
            Of(curvature),
            -stiffness * Row(shear, 0, Columns, displacements),
            -stiffness * Row(shear, 1, Columns, displacements),
            thermal
        );
    }

    /// <summary>Strains, curvatures and shear strains at the middle, where the inner modes have none.</summary>
    private (double[] Membrane, double[] Curvature, double[] Shear) AtCentre()
    {
        var at = At(0, 0);
        var (membrane, curvature) = (new double[3 * Columns], new double[3 * Columns]);
        for (var n = 0; n < 4; n++)
            Strain(membrane, Columns, 6 * n, at.ByX[n], at.ByY[n]);
        Curvature(curvature, at);
        return (membrane, curvature, Shear(0, 0));
    }
}
