using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using static Pravik.Core.Frames.FrameDirection;

namespace Pravik.Core.Tests.Analysis.Frames;

/// <summary>Shells against patch tests, plates and published targets.</summary>
public class ShellTests
{
    private const double E = Sketch.E;
    private const double Nu = Sketch.Nu;
    private const double Thickness = 0.2;

    /// <summary>A rectangle of 2.4 × 1.2 in five uneven quadrilaterals (or ten triangles), its corners first.</summary>
    private static (Sketch Sketch, int[] Rim, int[] Inner) Patch(bool triangles, Func<Point3, Point3>? turn = null)
    {
        var s = new Sketch();
        (double X, double Y)[] places = [(0, 0), (2.4, 0), (2.4, 1.2), (0, 1.2), (0.4, 0.2), (1.8, 0.3), (1.6, 0.8), (0.8, 0.8)];
        foreach (var (x, y) in places)
        {
            var p = turn?.Invoke(new(x, y, 0)) ?? new(x, y, 0);
            s.Node(p.X, p.Y, p.Z);
        }
        int[][] quads =
        [
            [0, 1, 5, 4],
            [1, 2, 6, 5],
            [2, 3, 7, 6],
            [3, 0, 4, 7],
            [4, 5, 6, 7],
        ];
        foreach (var q in quads)
        {
            if (!triangles)
                s.Shell(Thickness, q);
            else
            {
                s.Shell(Thickness, q[0], q[1], q[2]);
                s.Shell(Thickness, q[0], q[2], q[3]);
            }
        }
        return (s, [0, 1, 2, 3], [4, 5, 6, 7]);
    }

    /// <summary>
    /// Corners moved as an even strain with its rotation; inside, displacement, rotation and forces follow exactly, whichever way the
    /// patch lies in space.
    /// </summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Membrane_patch(bool triangles)
    {
        var (sin, cos) = Math.SinCos(0.6);
        Point3 Turn(Point3 p) => new(cos * p.X - sin * p.Z, p.Y, sin * p.X + cos * p.Z);
        var (s, rim, inner) = Patch(triangles, Turn);
        // u = 1e-3(x + y/2) + 2e-3·(−y), v = 1e-3(y + x/2) + 2e-3·x: strains 1e-3, 1e-3, 1e-3 and a rotation of 2e-3.
        Point3 Moved(double x, double y) => Turn(new(1e-3 * (x + y / 2) - 2e-3 * y, 1e-3 * (y + x / 2) + 2e-3 * x, 0));
        var axis = Turn(new(0, 0, 2e-3));
        (double X, double Y)[] places = [(0, 0), (2.4, 0), (2.4, 1.2), (0, 1.2), (0.4, 0.2), (1.8, 0.3), (1.6, 0.8), (0.8, 0.8)];
        foreach (var n in rim)
            s.HoldAll(n);
        s.Cases.Add(new("patch") { Settlements = [.. rim.Select(n => new Settlement(n, Moved(places[n].X, places[n].Y), axis))] });
        var result = s.Solve().Cases[0];
        foreach (var n in inner)
        {
            var wanted = Moved(places[n].X, places[n].Y);
            Assert.Equal(
                [wanted.X, wanted.Y, wanted.Z, axis.X, axis.Y, axis.Z],
                result.Displacements[n],
                (a, b) => Math.Abs(a - b) < 1e-14
            );
        }
        var direct = E * Thickness / (1 - Nu);
        // The strains are the same in every direction but for the shear, which is that of the turned axes.
        Assert.All(result.Shells, f => Assert.Equal(2 * direct * 1e-3, f.Nxx + f.Nyy, 1e-6 * direct * 1e-3));
        Assert.All(
            result.Shells,
            f =>
                Assert.Equal(
                    E / (2 * (1 + Nu)) * Thickness * 1e-3,
                    Math.Sqrt(f.Nxy * f.Nxy + Math.Pow((f.Nxx - f.Nyy) / 2, 2)),
                    1e-6 * direct * 1e-3
                )
        );
    }

    /// <summary>
    /// Corners bent to w = −1e-3·(x² + y² + x·y)/2: inside, deflection, slopes and moments follow exactly (with shear deformation none
    /// of it strains in shear).
    /// </summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Bending_patch(bool triangles)
    {
        var (s, rim, inner) = Patch(triangles);
        double W(double x, double y) => -1e-3 * (x * x + y * y + x * y) / 2;
        // rx = w,y and ry = −w,x.
        Point3 Slope(double x, double y) => new(-1e-3 * (y + x / 2), 1e-3 * (x + y / 2), 0);
        foreach (var n in rim)
            s.HoldAll(n);
        s.Cases.Add(
            new("patch")
            {
                Settlements = [.. rim.Select(n => new Settlement(n, new(0, 0, W(s.At(n).X, s.At(n).Y)), Slope(s.At(n).X, s.At(n).Y)))],
            }
        );
        var result = s.Solve().Cases[0];
        foreach (var n in inner)
        {
            var slope = Slope(s.At(n).X, s.At(n).Y);
            Assert.Equal([0, 0, W(s.At(n).X, s.At(n).Y), slope.X, slope.Y, 0], result.Displacements[n], (a, b) => Math.Abs(a - b) < 1e-14);
        }
        // κ = −w,xx: the top is pulled, so that m, positive with the bottom pulled, is negative: −D(1 + ν)·1e-3; mxy = −D(1 − ν)·½·1e-3.
        var d = E * Math.Pow(Thickness, 3) / (12 * (1 - Nu * Nu));
        Assert.All(
            result.Shells,
            f =>
            {
                Assert.Equal(-d * (1 + Nu) * 1e-3, f.Mxx, 1e-9 * d);
                Assert.Equal(-d * (1 + Nu) * 1e-3, f.Myy, 1e-9 * d);
                Assert.Equal(-d * (1 - Nu) / 2 * 1e-3, f.Mxy, 1e-9 * d);
                Assert.Equal(0, f.Vxz, 1e-9 * d);
            }
        );
    }

    /// <summary>Moved and turned as one, a warped patch of both kinds feels nothing.</summary>
    [Fact]
    public void A_rigid_movement_strains_nothing()
    {
        var s = new Sketch();
        var grid = s.Grid(3, 2, 0.1, (u, v) => new(3 * u, 2 * v, 0.1 * u * v));
        s.Shell(0.1, grid[3, 0], s.Node(4, 0.5, 0.3), grid[3, 1]);
        Point3 move = new(0.1, -0.2, 0.3),
            turn = new(0.01, 0.02, 0.03);
        s.HoldAll(grid[0, 0]);
        s.Cases.Add(new("rigid") { Settlements = [new(grid[0, 0], move + turn.Cross(s.At(grid[0, 0])), turn)] });
        var result = new FrameAnalysis(s.Model).Solve().Cases[0];
        for (var n = 0; n < s.Nodes; n++)
        {
            var wanted = move + turn.Cross(s.At(n));
            Assert.Equal(
                [wanted.X, wanted.Y, wanted.Z, turn.X, turn.Y, turn.Z],
                result.Displacements[n],
                (a, b) => Math.Abs(a - b) < 1e-11
            );
        }
        Assert.All(result.Reactions[0].Force, f => Assert.Equal(0, f, 1e-9 * E * 0.1 * 0.3));
        Assert.All(result.Shells, f => Assert.Equal(0, Math.Abs(f.Nxx) + Math.Abs(f.Mxx), 1e-9 * E * 0.1 * 0.03));
    }

    /// <summary>
    /// Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells, Tables 8 and 35, ν = 0.3: 0.00406·q·a⁴/D simply supported,
    /// 0.00126 clamped, and moments 0.0479·q·a² and −0.0513·q·a².
    /// </summary>
    [Theory]
    [InlineData(false, false, 0.00406)]
    [InlineData(true, false, 0.00126)]
    [InlineData(false, true, 0.00406)]
    [InlineData(true, true, 0.00126)]
    public void Square_plates(bool clamped, bool triangles, double factor)
    {
        const int Pieces = 24;
        var s = new Sketch();
        s.Materials[0] = s.Materials[0] with { Nu = 0.3 };
        var grid = s.Grid(Pieces, Pieces, 0.02, (u, v) => new(4 * u, 4 * v, 0), triangles);
        for (var i = 0; i <= Pieces; i++)
        {
            foreach (var n in new[] { grid[i, 0], grid[i, Pieces], grid[0, i], grid[Pieces, i] }.Distinct())
                s.Hold(n, clamped ? [Ux, Uy, Uz, Rx, Ry, Rz] : [Ux, Uy, Uz, Rz]);
        }
        s.Cases.Add(
            new("even") { Shells = [.. Enumerable.Range(0, s.Model.Shells.Length).Select(e => new ShellLoad(e, new(0, 0, -1000)))] }
        );
        var result = s.Solve().Cases[0];
        var d = E * Math.Pow(0.02, 3) / (12 * (1 - 0.09));
        Assert.Equal(factor, -result.Displacements[grid[Pieces / 2, Pieces / 2]][2] * d / (1000 * 256), 0.01 * factor);
        if (triangles)
            return;
        // The middle element's moment, half an element off the centre.
        var middle = result.Shells[Pieces / 2 * Pieces + Pieces / 2];
        Assert.Equal(clamped ? 0.0231 : 0.0479, middle.Mxx / (1000 * 16), 0.02 * 0.0479);
    }

    /// <summary>
    /// MacNeal and Harder, A proposed standard set of problems to test finite element accuracy (1985): a beam of 12 × 1.1 × 0.32
    /// twisted by 90°, E = 29e6, ν = 0.22: 0.005424 along the load in plane, 0.001754 out of plane.
    /// </summary>
    [Theory]
    [InlineData(false, 0.005424)]
    [InlineData(true, 0.001754)]
    public void Twisted_beam(bool outOfPlane, double target)
    {
        var s = new Sketch();
        s.Materials[0] = new("M", 29e6, 0.22);
        var grid = s.Grid(
            24,
            4,
            0.32,
            (u, v) => Math.SinCos(Math.PI / 2 * u) is var (sin, cos) ? new(12 * u, 1.1 * (v - 0.5) * cos, 1.1 * (v - 0.5) * sin) : default
        );
        for (var j = 0; j <= 4; j++)
            s.HoldAll(grid[0, j]);
        // At the tip the width lies along z: in plane is along z, out of plane along y.
        s.Push(grid[24, 2], 0, outOfPlane ? 1 : 0, outOfPlane ? 0 : 1);
        Assert.Equal(target, s.Solve().Cases[0].Displacements[grid[24, 2]][outOfPlane ? 1 : 2], 0.015 * target);
    }

    /// <summary>
    /// The same paper's roof: radius 25, length 50, 80° in all, thickness 0.25, E = 432e6, ν = 0, 90 a unit of area, on rigid
    /// diaphragms: 0.3024 at the middle of the free edge (a quarter is modelled).
    /// </summary>
    [Theory]
    [InlineData(false, 0.01)]
    [InlineData(true, 0.04)]
    public void Cylindrical_roof(bool triangles, double within)
    {
        const int Pieces = 16;
        var s = new Sketch();
        s.Materials[0] = new("M", 432e6, 0);
        var grid = s.Grid(
            Pieces,
            Pieces,
            0.25,
            (u, v) => Math.SinCos(40 * Math.PI / 180 * v) is var (sin, cos) ? new(25 * u, 25 * sin, 25 * cos) : default,
            triangles
        );
        for (var i = 0; i <= Pieces; i++)
        {
            s.Hold(grid[0, i], Uy, Uz); // the diaphragm
            s.Hold(grid[Pieces, i], Ux, Ry, Rz); // symmetry along
            s.Hold(grid[i, 0], Uy, Rx, Rz); // symmetry at the crown
        }
        s.Cases.Add(
            new("weight") { Shells = [.. Enumerable.Range(0, s.Model.Shells.Length).Select(e => new ShellLoad(e, new(0, 0, -90)))] }
        );
        Assert.Equal(0.3024, -s.Solve().Cases[0].Displacements[grid[Pieces, Pieces]][2], within * 0.3024);
    }

    /// <summary>
    /// A slab with a beam under it on rigid offsets bends as the composite section does, by hand: 5wL⁴/384EI (ν = 0). It is softer by
    /// 1.3, 0.6 and 0.3 % with 24, 48 and 96 pieces.
    /// </summary>
    [Fact]
    public void Slab_and_offset_beam_are_a_composite_beam()
    {
        const int Pieces = 48;
        const double Length = 20,
            Width = 1.2,
            Slab = 0.2,
            Below = 0.6;
        var s = new Sketch();
        s.Materials[0] = new("M", E, 0, 0, 1e-5);
        var grid = s.Grid(Pieces, 2, Slab, (u, v) => new(Length * u, Width * (v - 0.5), 0));
        for (var i = 0; i < Pieces; i++)
            s.Beam(grid[i, 1], grid[i + 1, 1], b => b with { OffsetI = new(0, 0, -Below), OffsetJ = new(0, 0, -Below) });
        s.Hold(grid[0, 1], Ux, Uy, Uz, Rx, Rz);
        s.Hold(grid[Pieces, 1], Uy, Uz, Rx);
        s.Cases.Add(new("even") { Beams = [.. Enumerable.Range(0, Pieces).Select(b => BeamLoad.Even(b, Uz, -5000))] });
        var result = s.Solve().Cases[0];
        var (area, own) = (Width * Slab, Width * Math.Pow(Slab, 3) / 12);
        var inertia = own + 0.0016 + Below * Below * area * 0.12 / (area + 0.12);
        var deflection = 5 * 5000 * Math.Pow(Length, 4) / (384 * E * inertia);
        Assert.Equal(deflection, -result.Displacements[grid[Pieces / 2, 1]][2], 0.01 * deflection);
        // Moment half way: that of the beam, of the slab, and the couple of their axial forces.
        var beam = result.Beams[Pieces / 2];
        var slab = result.Shells.Skip(2 * (Pieces / 2)).Take(2).Sum(f => f.Mxx * Width / 2);
        Assert.Equal(5000 * Length * Length / 8, beam.My[0] + slab + beam.N[0] * Below, 0.01 * 5000 * Length * Length / 8);
    }

    /// <summary>
    /// Evenly warmed and free a plate grows; warmed on one side it bows to a sphere of curvature α·g; held it bears E·t·α·ΔT/(1 − ν).
    /// </summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Temperature(bool triangles)
    {
        var s = new Sketch();
        var grid = s.Grid(3, 3, 0.1, (u, v) => new(3 * u, 3 * v, 0), triangles);
        s.HoldAll(grid[0, 0]);
        var all = Enumerable.Range(0, s.Model.Shells.Length).ToList();
        s.Cases.Add(new("even") { ShellThermal = [.. all.Select(e => new ShellThermal(e, 20, 0))] });
        s.Cases.Add(new("gradient") { ShellThermal = [.. all.Select(e => new ShellThermal(e, 0, 50))] });
        var results = s.Solve();
        Assert.Equal(3 * 1e-5 * 20, results.Cases[0].Displacements[grid[3, 0]][0], 1e-12);
        Assert.Equal(-1e-5 * 50 * 9 / 2, results.Cases[1].Displacements[grid[3, 0]][2], 1e-12);
        Assert.All(
            results.Cases.SelectMany(c => c.Shells),
            f => Assert.Equal(0, Math.Abs(f.Nxx) + Math.Abs(f.Mxx) + Math.Abs(f.Mxy), 1e-3)
        );
        for (var i = 0; i <= 3; i++)
        {
            for (var j = 0; j <= 3; j++)
                s.HoldAll(grid[i, j]);
        }
        var held = s.Solve();
        Assert.All(held.Cases[0].Shells, f => Assert.Equal(-E * 0.1 * 1e-5 * 20 / (1 - Nu), f.Nxx, 1e-3));
        // Hotter above: the top is pressed, the bottom pulled.
        Assert.All(held.Cases[1].Shells, f => Assert.Equal(E * 1e-3 / 12 * 1e-5 * 50 / (1 - Nu), f.Mxx, 1e-3));
    }

    /// <summary>
    /// Finer meshes come nearer at the second order: the error of a clamped plate falls fourfold when its elements are halved.
    /// </summary>
    [Fact]
    public void Refining_converges()
    {
        double At(int pieces)
        {
            var s = new Sketch();
            s.Materials[0] = s.Materials[0] with { Nu = 0.3 };
            var grid = s.Grid(pieces, pieces, 0.02, (u, v) => new(4 * u, 4 * v, 0));
            for (var i = 0; i <= pieces; i++)
            {
                foreach (var n in new[] { grid[i, 0], grid[i, pieces], grid[0, i], grid[pieces, i] }.Distinct())
                    s.HoldAll(n);
            }
            s.Cases.Add(new("even") { Shells = [.. Enumerable.Range(0, pieces * pieces).Select(e => new ShellLoad(e, new(0, 0, -1000)))] });
            return s.Solve().Cases[0].Displacements[grid[pieces / 2, pieces / 2]][2];
        }
        var (coarse, middle, fine) = (At(8), At(16), At(32));
        Assert.InRange(Math.Abs((coarse - middle) / (middle - fine)), 3.3, 4.8);
    }
}
