using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using static Pravik.Core.Frames.FrameDirection;

namespace Pravik.Core.Tests.Analysis.Frames;

/// <summary>Beams, supports, springs and links against closed forms.</summary>
public class FrameTests
{
    private const double E = Sketch.E;
    private const double Iy = 0.0016;
    private const double Iz = 0.0009;
    private const double J = 0.001;
    private const double A = 0.12;
    private const double G = E / 2.4;

    private static void Near(double expected, double actual, double relative = 1e-9) =>
        Assert.Equal(expected, actual, Math.Abs(expected) * relative + 1e-15);

    private static BeamLoad Even(int beam, double value, FrameDirection direction = Uz) => BeamLoad.Even(beam, direction, value);

    /// <summary>A cantilever of 8 m: P·L³/3EI and P·L²/2EI in both planes, T·L/GJ, P·L/EA.</summary>
    [Fact]
    public void Cantilever()
    {
        var s = new Sketch();
        var line = s.Line(8, 2);
        s.HoldAll(line[0]);
        s.Push(line[2], 2000, 500, -1000, 300);
        var result = s.Solve().Cases[0];
        var tip = result.Displacements[line[2]];
        Near(-1000 * 512 / (3 * E * Iy), tip[2]);
        Near(1000 * 64 / (2 * E * Iy), tip[4]);
        Near(500 * 512 / (3 * E * Iz), tip[1]);
        Near(500 * 64 / (2 * E * Iz), tip[5]);
        Near(300 * 8 / (G * J), tip[3]);
        Near(2000 * 8 / (E * A), tip[0]);
        var root = result.Beams[0];
        Assert.Equal(
            [2000, -500, 1000, 300, -8000, 4000],
            new[] { root.N[0], root.Vy[0], root.Vz[0], root.T[0], root.My[0], root.Mz[0] }.Select(v => Math.Round(v, 6))
        );
        Assert.Equal([-2000, -500, 1000, -300, -8000, -4000], result.Reactions[0].Force.Select(v => Math.Round(v, 6)));
    }

    /// <summary>With shear areas P·L/(G·A_v) more.</summary>
    [Fact]
    public void Timoshenko_cantilever()
    {
        var s = new Sketch();
        s.Sections[0] = s.Sections[0] with { Avy = 0.05, Avz = 0.1 };
        var line = s.Line(2, 1);
        s.HoldAll(line[0]);
        s.Push(line[1], 0, 1000, 1000);
        var tip = s.Solve().Cases[0].Displacements[line[1]];
        Near(1000 * 8 / (3 * E * Iy) + 1000 * 2 / (G * 0.1), tip[2]);
        Near(1000 * 8 / (3 * E * Iz) + 1000 * 2 / (G * 0.05), tip[1]);
    }

    /// <summary>
    /// Fixed at both ends under an even load: w·L²/12, w·L²/24, w·L⁴/384EI, whichever way it is divided; a triangle: w·L²/20 and
    /// w·L²/30.
    /// </summary>
    [Fact]
    public void Fixed_beam_under_even_and_triangular_load()
    {
        var s = new Sketch();
        var line = s.Line(6, 1);
        s.HoldAll(line[0]);
        s.HoldAll(line[1]);
        s.Cases.Add(new("even") { Beams = [Even(0, -1000)] });
        s.Cases.Add(new("triangle") { Beams = [new(0, Uz, 0, 1, 0, -1000)] });
        s.Cases.Add(new("part") { Beams = [new(0, Uz, 0.25, 0.75, -1000, -1000), BeamLoad.Point(0, Uz, 0.4, -500)] });
        var results = s.Solve();
        var even = results.Cases[0].Beams[0];
        Near(-1000 * 36 / 12.0, even.My[0]);
        Near(1000 * 36 / 24.0, even.My[2]);
        Near(3000, even.Vz[0]);
        var triangle = results.Cases[1].Beams[0];
        Near(-1000 * 36 / 30.0, triangle.My[0]);
        Near(-1000 * 36 / 20.0, triangle.My[^1]);
        // By hand for b = 3 m in the middle: −w·b·(3L² − b²)/(24L), and P·a·b²/L², P·a²·b/L².
        var part = results.Cases[2].Beams[0];
        Near(-1000 * 3 * (3 * 36 - 9) / (24.0 * 6) - 500 * 2.4 * 3.6 * 3.6 / 36, part.My[0]);
        Near(-1000 * 3 * (3 * 36 - 9) / (24.0 * 6) - 500 * 2.4 * 2.4 * 3.6 / 36, part.My[^1]);
        Assert.Equal<double>([0, 0.25, 0.4, 0.4, 0.5, 0.75, 1], part.At.ToArray());
        Near(500, part.Vz[2] - part.Vz[3]);
    }

    [Fact]
    public void Two_spans_and_a_settlement()
    {
        var s = new Sketch();
        var line = s.Line(20, 2);
        s.Hold(line[0], Ux, Uy, Uz, Rx);
        s.Hold(line[1], Uy, Uz);
        s.Hold(line[2], Uy, Uz);
        s.Cases.Add(new("even") { Beams = [Even(0, -1000), Even(1, -1000)] });
        s.Cases.Add(new("settled") { Settlements = [new(line[1], new(0, 0, -0.01), default)] });
        var results = s.Solve();
        Near(-1000 * 100 / 8.0, results.Cases[0].Beams[0].My[^1]);
        Near(1000 * 10 * 1.25, results.Cases[0].Reactions.Single(r => r.Node == line[1]).Force[2]);
        // M = 3EI·δ/L².
        Near(3 * E * Iy * 0.01 / 100, results.Cases[1].Beams[0].My[^1]);
        Near(-0.01, results.Cases[1].Displacements[line[1]][2]);
    }

    /// <summary>
    /// A portal, fixed at its feet, of three members of length h, pushed at the top: M at the feet = −P·h/2·(1 + 3k)/(1 + 6k) with k =
    /// 1 for equal members: 2/7·P·h (axial stiffness as good as rigid).
    /// </summary>
    [Fact]
    public void Portal()
    {
        var s = new Sketch();
        s.Sections[0] = s.Sections[0] with { A = 10 };
        var (a, b, c, d) = (s.Node(0), s.Node(0, 0, 4), s.Node(4, 0, 4), s.Node(4));
        foreach (var (i, j) in new[] { (a, b), (b, c), (c, d) })
            s.Beam(i, j, beam => beam with { Up = new(0, 1, 0) });
        s.HoldAll(a);
        s.HoldAll(d);
        s.Push(b, 7000);
        var feet = s.Solve().Cases[0].Reactions;
        Assert.All(feet, f => Near(-2.0 / 7 * 7000 * 4, f.Force[4], 1e-4));
        Assert.All(feet, f => Near(-3500, f.Force[0], 1e-4));
    }

    /// <summary>
    /// A beam fixed at both ends with a member square to it half way, pushed at its tip: the moment P·b twists both halves, φ =
    /// P·b·L/(4GJ); the tip sinks by φ·b + P·b³/3EI + P·L³/192EI.
    /// </summary>
    [Fact]
    public void Grid_in_torsion()
    {
        var s = new Sketch();
        var line = s.Line(6, 2);
        var tip = s.Node(3, 2);
        s.Beam(line[1], tip);
        s.HoldAll(line[0]);
        s.HoldAll(line[2]);
        s.Push(tip, 0, 0, -1000);
        var result = s.Solve().Cases[0];
        Near(-(1000 * 2 * 6 / (4 * G * J) * 2 + 1000 * 8 / (3 * E * Iy) + 1000 * 216 / (192 * E * Iy)), result.Displacements[tip][2]);
        Near(1000, Math.Abs(result.Beams[0].T[0]));
    }

    /// <summary>
    /// Hotter below: a cantilever rises by α·g·L²/2; held at both ends it bears E·I·α·g, tension where it is colder; evenly hotter
    /// −E·A·α·ΔT.
    /// </summary>
    [Fact]
    public void Temperature()
    {
        var s = new Sketch();
        var (free, held) = (s.Line(5, 1), s.Line(5, 1));
        s.HoldAll(free[0]);
        s.HoldAll(held[0]);
        s.HoldAll(held[1]);
        s.Cases.Add(new("gradient") { BeamThermal = [new(0, 0, 0, -20), new(1, 0, 0, -20)] });
        s.Cases.Add(new("across") { BeamThermal = [new(0, 0, 20, 0), new(1, 0, 20, 0)] });
        s.Cases.Add(new("even") { BeamThermal = [new(0, 15, 0, 0), new(1, 15, 0, 0)] });
        var results = s.Solve();
        Near(1e-5 * 20 * 25 / 2, results.Cases[0].Displacements[free[1]][2]);
        Assert.Equal(0, results.Cases[0].Beams[0].My[2], 1e-8);
        // The top is colder and would shorten: it is pulled.
        Assert.All(results.Cases[0].Beams[1].My, m => Near(-E * Iy * 1e-5 * 20, m));
        Near(-1e-5 * 20 * 25 / 2, results.Cases[1].Displacements[free[1]][1]);
        Assert.All(results.Cases[1].Beams[1].Mz, m => Near(E * Iz * 1e-5 * 20, m));
        Near(1e-5 * 15 * 5, results.Cases[2].Displacements[free[1]][0]);
        Assert.All(results.Cases[2].Beams[1].N, n => Near(-E * A * 1e-5 * 15, n));
    }

    /// <summary>
    /// A hinge in a fixed beam: two cantilevers of L/2 that share the load, P·(L/2)/2 at each end; a released end carries what a
    /// propped one does.
    /// </summary>
    [Fact]
    public void Releases()
    {
        var s = new Sketch();
        var (a, b, c) = (s.Node(0), s.Node(4), s.Node(8));
        s.Beam(a, b, beam => beam with { ReleaseJ = [Ry] });
        s.Beam(b, c);
        s.HoldAll(a);
        s.HoldAll(c);
        s.Push(b, 0, 0, -1000);
        s.Cases.Add(new("even") { Beams = [Even(0, -1000)] });
        var results = s.Solve();
        Near(-1000 / 2.0 * 4, results.Cases[0].Beams[0].My[0]);
        Assert.Equal(0, results.Cases[0].Beams[0].My[^1], 1e-8);
        // The loaded cantilever with an elastic prop of the other: w·L⁴/8EI − X·L³/3EI = X·L³/3EI.
        var prop = 3.0 / 16 * 1000 * 4;
        Near(-(1000 * 16 / 2.0 - prop * 4), results.Cases[1].Beams[0].My[0]);
        Near(-prop, results.Cases[1].Beams[1].Vz[0]);
    }

    /// <summary>
    /// A beam hung below its nodes by offsets acts as one by links, and as I + A·e² where its nodes are held from stretching.
    /// </summary>
    [Fact]
    public void Offsets_are_rigid_and_so_are_links()
    {
        FrameCaseResults Of(bool byLinks)
        {
            var s = new Sketch();
            var (a, b) = (s.Node(0), s.Node(6));
            if (byLinks)
            {
                var (c, d) = (s.Node(0, 0, -0.7), s.Node(6, 0, -0.7));
                s.Links.AddRange([new(a, c), new(b, d)]);
                s.Beam(c, d);
            }
            else
                s.Beam(a, b, beam => beam with { OffsetI = new(0, 0, -0.7), OffsetJ = new(0, 0, -0.7) });
            s.HoldAll(a);
            s.Hold(b, Ux);
            s.Push(b, 0, 0, 0, 0, -5000);
            return s.Solve().Cases[0];
        }
        var (offset, link) = (Of(false), Of(true));
        Assert.Equal(offset.Displacements[1], link.Displacements[1], (x, y) => Math.Abs(x - y) < 1e-15);
        // Rotation of the end: M·L/E(I + A·e²).
        Near(-5000 * 6 / (E * (Iy + A * 0.49)), offset.Displacements[1][4]);
    }

    /// <summary>
    /// A spring between nodes and one to the ground in a row: P/k₁ + P/k₂; and a support on a slope carries square to it.
    /// </summary>
    [Fact]
    public void Springs_and_sloping_supports()
    {
        var s = new Sketch();
        var (a, b) = (s.Node(0), s.Node(0));
        s.Springs.Add(new("k", a, b, [0, 0, 2e6, 0, 0, 0]));
        s.Support(new(a, [Ux, Uy, Rx, Ry, Rz], [0, 0, 1e6, 0, 0, 0]));
        s.Hold(b, Ux, Uy, Rx, Ry, Rz);
        s.Push(b, 0, 0, -1000);
        var result = s.Solve().Cases[0];
        Near(-1000 / 2e6 - 1000 / 1e6, result.Displacements[b][2]);
        Near(-1000, result.Springs[0][2]);
        Near(1000, result.Reactions.Single(r => r.Node == a).Force[2]);

        var t = new Sketch();
        var line = t.Line(5, 1);
        t.Hold(line[0], Ux, Uy, Uz, Rx);
        // Rolls along a slope of 45°: held square to it.
        t.Support(new(line[1], [Uy, Uz], [0, 0, 0, 0, 0, 0]) { X = new(1, 0, 1) });
        t.Cases.Add(new("even") { Beams = [Even(0, -1000)] });
        var sloping = t.Solve().Cases[0];
        var force = sloping.Reactions.Single(r => r.Node == line[1]).Force;
        Near(2500, force[2]);
        Near(-2500, force[0]);
        Near(sloping.Displacements[line[1]][0], sloping.Displacements[line[1]][2]);
    }

    /// <summary>A pin-jointed truss: rotations of its joints are held with a warning, forces are those of the method of joints.</summary>
    [Fact]
    public void Truss()
    {
        var s = new Sketch();
        var (a, b, c) = (s.Node(0), s.Node(6), s.Node(3, 0, 4));
        foreach (var (i, j) in new[] { (a, b), (b, c), (c, a) })
            s.Beam(i, j, beam => beam with { Up = new(0, 1, 0), ReleaseI = [Rx, Ry, Rz], ReleaseJ = [Rx, Ry, Rz] });
        s.Hold(a, Ux, Uy, Uz);
        s.Hold(b, Uy, Uz);
        s.Hold(c, Uy);
        s.Push(c, 0, 0, -8000);
        var results = s.Solve();
        Assert.Equal(9, results.Warnings.Length);
        Near(-5000, results.Cases[0].Beams[1].N[2]);
        Near(3000, results.Cases[0].Beams[0].N[2]);
        s.Push(c, 0, 0, 0, 0, 100);
        var refused = Assert.Throws<FrameRefusedException>(() => s.Solve());
        Assert.Contains("nothing resists ry at node “n2”", refused.Message);
    }

    [Theory]
    [InlineData(new[] { Uy, Uz, Rx, Ry, Rz }, "free in ux")]
    [InlineData(new[] { Ux, Uy, Rx, Ry, Rz }, "free in uz")]
    [InlineData(new[] { Ux, Uy, Uz, Ry, Rz }, "free in rx")]
    [InlineData(new[] { Ux, Uy, Uz, Rx, Rz }, "free in uz")] // turns about y: the far end moves most
    public void What_can_move_is_named(FrameDirection[] held, string words)
    {
        var s = new Sketch();
        var line = s.Line(8, 4);
        s.Hold(line[0], held);
        s.Push(line[4], 1, 0, 1, 1);
        Assert.Contains(words, Assert.Throws<FrameRefusedException>(() => s.Solve()).Message);
    }

    /// <summary>Faults of geometry, each with its place.</summary>
    [Fact]
    public void Faults_of_geometry_are_told_with_their_place()
    {
        void Refused(string path, Action<Sketch, int, int> build)
        {
            var s = new Sketch();
            var line = s.Line(4, 1);
            s.HoldAll(line[0]);
            build(s, line[0], line[1]);
            Assert.Contains(Assert.Throws<FrameRefusedException>(() => s.Solve()).Problems, p => p.Path == path);
        }
        Refused("/beams/1", (s, a, _) => s.Beam(a, s.Node(0)));
        Refused("/beams/1/up", (s, a, b) => s.Beam(a, b, beam => beam with { Up = new(1, 0, 0.0005) }));
        Refused("/links/1/slave", (s, a, b) => s.Links.AddRange([new(a, b), new(s.Node(9), b)]));
        Refused("/links/1", (s, a, b) => s.Links.AddRange([new(a, b), new(b, a)]));
        Refused("/shells/0/nodes", (s, a, b) => s.Shell(0.2, a, b, s.Node(0, 3), s.Node(4, 3))); // sides cross
        Refused("/shells/0/nodes", (s, a, b) => s.Shell(0.2, a, b, s.Node(1, 1), s.Node(0, 4))); // a corner turned in
        Refused("/shells/0/nodes", (s, a, b) => s.Shell(0.2, a, b, s.Node(4, 4, 1.5), s.Node(0, 4))); // warped
        Refused("/cases/0/settlement/0", (s, _, b) => s.Cases.Add(new("x") { Settlements = [new(b, new(0, 0, 1), default)] }));
    }

    /// <summary>
    /// Two supports on one rigid body share its load as the smallest reactions do; settling together they turn it, against each other
    /// they cannot.
    /// </summary>
    [Fact]
    public void Several_supports_on_one_body()
    {
        var s = new Sketch();
        var (a, b, c) = (s.Node(0), s.Node(4), s.Node(2, 0, 0));
        s.Links.AddRange([new(a, b), new(a, c)]);
        s.Hold(a, Ux, Uy, Uz, Rx, Rz);
        s.Hold(b, Uz);
        s.Push(c, 0, 0, -1000);
        s.Cases.Add(new("turn") { Settlements = [new(b, new(0, 0, -0.04), default)] });
        var results = s.Solve();
        Assert.All(results.Cases[0].Reactions, r => Near(500, r.Force[2]));
        Near(0.01, results.Cases[1].Displacements[c][4]);
        Near(-0.02, results.Cases[1].Displacements[c][2]);
        s.Hold(c, Uz);
        var refused = Assert.Throws<FrameRefusedException>(() => s.Solve());
        Assert.Contains("cannot settle like this together", refused.Message);
    }

    /// <summary>
    /// What a random space frame must obey: supports moved as a rigid body strain nothing; Maxwell and Betti; superposition; the whole
    /// turned in space turns its results.
    /// </summary>
    [Fact]
    public void Properties_of_any_frame()
    {
        var random = new Random(7);
        Sketch Frame(Func<Point3, Point3> turn)
        {
            var (s, r) = (new Sketch(), new Random(3));
            s.Sections[0] = s.Sections[0] with { Avy = 0.06, Avz = 0.08 };
            var all = Enumerable
                .Range(0, 8)
                .Select(i => turn(new(r.NextDouble() * 9, r.NextDouble() * 9, i)))
                .Select(p => s.Node(p.X, p.Y, p.Z))
                .ToList();
            for (var i = 0; i < 7; i++)
                s.Beam(
                    all[i],
                    all[i + 1],
                    b => b with { Up = turn(new(0.3, 0.2, 1)), OffsetI = turn(new(0.1, 0, 0.2)), ReleaseJ = i == 2 ? [Ry] : [] }
                );
            s.Beam(all[0], all[4], b => b with { Up = turn(new(1, 0, 0.1)) });
            s.Beam(all[2], all[7], b => b with { Up = turn(new(1, 0, 0.1)) });
            foreach (var end in new[] { 0, 5, 7 })
                s.Support(new(all[end], [Ux, Uy, Uz, Rx, Ry, Rz], [0, 0, 0, 0, 0, 0]) { X = turn(new(1, 0, 0)), Up = turn(new(0, 0, 1)) });
            return s;
        }
        var plain = Frame(p => p);
        // A rigid movement: u + θ × r.
        Point3 u = new(0.02, -0.01, 0.03),
            theta = new(0.001, 0.002, -0.0015);
        plain.Cases.Add(
            new("rigid") { Settlements = [.. new[] { 0, 5, 7 }.Select(n => new Settlement(n, u + theta.Cross(plain.At(n)), theta))] }
        );
        plain.Push(3, 100, 200, 300);
        plain.Push(4, -50, 80, 10, 5, 7, 9);
        plain.Cases.Add(new("both") { Nodal = [.. plain.Cases[1].Nodal, .. plain.Cases[2].Nodal] });
        var results = new FrameAnalysis(plain.Model).Solve();
        var stiff = E * A * 0.03;
        Assert.All(results.Cases[0].Beams.SelectMany(b => b.N.Concat(b.My).Concat(b.Vz)), v => Assert.Equal(0, v, 1e-12 * stiff));
        for (var n = 0; n < 8; n++)
            Near((u + theta.Cross(plain.At(n))).Y, results.Cases[0].Displacements[n][1], 1e-9);
        double Work(FrameCase load, FrameCaseResults of) =>
            load.Nodal.Sum(l =>
                l.Force.Dot(new(of.Displacements[l.Node][0], of.Displacements[l.Node][1], of.Displacements[l.Node][2]))
                + l.Moment.Dot(new(of.Displacements[l.Node][3], of.Displacements[l.Node][4], of.Displacements[l.Node][5]))
            );
        Near(Work(plain.Cases[1], results.Cases[2]), Work(plain.Cases[2], results.Cases[1]), 1e-9);
        Near(results.Cases[1].Beams[1].My[2] + results.Cases[2].Beams[1].My[2], results.Cases[3].Beams[1].My[2], 1e-9);
        var (sin, cos) = Math.SinCos(0.7);
        Point3 Turn(Point3 p) => new(cos * p.X - sin * p.Z, p.Y, sin * p.X + cos * p.Z);
        var turned = Frame(Turn);
        var (force, moment) = (Turn(new(-50, 80, 10)), Turn(new(5, 7, 9)));
        turned.Push(4, force.X, force.Y, force.Z, moment.X, moment.Y, moment.Z);
        var again = turned.Solve().Cases[0];
        for (var b = 0; b < 9; b++)
        {
            for (var i = 0; i < 5; i++)
                Assert.Equal(results.Cases[2].Beams[b].My[i], again.Beams[b].My[i], 1e-7);
        }
    }

    /// <summary>Members a million million times as stiff as their neighbours: told or refused, never silently wrong.</summary>
    [Fact]
    public void Stiffness_ratios_are_told()
    {
        var s = new Sketch();
        s.Sections.Add(new("hard", 0.12e12, 0.0016e12, 0.0009e12, 0.001e12));
        var (a, b, c) = (s.Node(0), s.Node(4), s.Node(8));
        s.Beam(a, b);
        s.Beam(b, c, null, 1);
        s.HoldAll(a);
        s.Push(c, 0, 0, -1000);
        FrameResults? results = null;
        var refused = Record.Exception(() => results = new FrameAnalysis(s.Model).Solve());
        Assert.True(refused is FrameRefusedException || results!.Warnings.Any(w => w.Contains("digits")));
    }

    [Fact]
    public void A_run_can_be_stopped()
    {
        var s = new Sketch();
        s.Grid(40, 40, 0.2, (u, v) => new(10 * u, 10 * v, 0));
        s.HoldAll(0);
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        Assert.ThrowsAny<OperationCanceledException>(() => new FrameAnalysis(s.Model, null, stop.Token));
    }
}
