using Pravik.Core.Frames;
using Pravik.Core.Geometry;

namespace Pravik.Core.Tests.Analysis.Frames;

/// <summary>Frame models put together by hand.</summary>
internal sealed class Sketch
{
    public const double E = 30e9;
    public const double Nu = 0.2;
    private readonly List<FrameNode> nodes = [];
    private readonly List<FrameBeam> beams = [];
    private readonly List<FrameShell> shells = [];
    private readonly List<FrameSupport> supports = [];

    public List<FrameSection> Sections { get; } = [new("S", 0.12, 0.0016, 0.0009, 0.001)];
    public List<FrameMaterial> Materials { get; } = [new("C", E, Nu, 2500, 1e-5)];
    public List<FrameSpring> Springs { get; } = [];
    public List<FrameLink> Links { get; } = [];
    public List<FrameCase> Cases { get; } = [];
    public int Nodes => nodes.Count;

    public Point3 At(int node) => nodes[node].At;

    public int Node(double x, double y = 0, double z = 0)
    {
        nodes.Add(new($"n{nodes.Count}", new(x, y, z)));
        return nodes.Count - 1;
    }

    public int Beam(int i, int j, Func<FrameBeam, FrameBeam>? change = null, int section = 0)
    {
        var beam = new FrameBeam($"b{beams.Count}", i, j, 0, section);
        beams.Add(change is null ? beam : change(beam));
        return beams.Count - 1;
    }

    public int Shell(double thickness, params int[] corners)
    {
        shells.Add(new($"s{shells.Count}", [.. corners], 0, thickness));
        return shells.Count - 1;
    }

    public void Hold(int node, params FrameDirection[] directions) => supports.Add(new(node, [.. directions], [0, 0, 0, 0, 0, 0]));

    public void HoldAll(int node) => Hold(node, [.. FrameDirections.All]);

    public void Support(FrameSupport support) => supports.Add(support);

    public void Push(int node, double fx = 0, double fy = 0, double fz = 0, double mx = 0, double my = 0, double mz = 0) =>
        Cases.Add(new($"c{Cases.Count}") { Nodal = [new(node, new(fx, fy, fz), new(mx, my, mz))] });

    public FrameModel Model =>
        new()
        {
            Materials = [.. Materials],
            Sections = [.. Sections],
            Nodes = [.. nodes],
            Beams = [.. beams],
            Shells = [.. shells],
            Springs = [.. Springs],
            Supports = [.. supports],
            Links = [.. Links],
            Cases = [.. Cases],
        };

    /// <summary>Results, each case in balance to 1e-8 of its loads and reactions.</summary>
    public FrameResults Solve()
    {
        var results = new FrameAnalysis(Model).Solve();
        Assert.All(results.Cases, c => Assert.InRange(c.Imbalance, 0, shells.Count > 0 ? 1e-8 : 1e-9));
        return results;
    }

    /// <summary>A chain of beams along x, divided evenly; its nodes.</summary>
    public int[] Line(double length, int pieces)
    {
        var line = Enumerable.Range(0, pieces + 1).Select(i => Node(length * i / pieces)).ToArray();
        for (var i = 0; i < pieces; i++)
            Beam(line[i], line[i + 1]);
        return line;
    }

    /// <summary>A grid of shells over (u, v) in 0 to 1, mapped to space; nodes by row and column.</summary>
    public int[,] Grid(int along, int across, double thickness, Func<double, double, Point3> place, bool triangles = false)
    {
        var grid = new int[along + 1, across + 1];
        for (var i = 0; i <= along; i++)
        {
            for (var j = 0; j <= across; j++)
            {
                var p = place((double)i / along, (double)j / across);
                grid[i, j] = Node(p.X, p.Y, p.Z);
            }
        }
        for (var i = 0; i < along; i++)
        {
            for (var j = 0; j < across; j++)
            {
                var (a, b, c, d) = (grid[i, j], grid[i + 1, j], grid[i + 1, j + 1], grid[i, j + 1]);
                if (!triangles)
                    Shell(thickness, a, b, c, d);
                else if ((i + j) % 2 == 0)
                {
                    Shell(thickness, a, b, c);
                    Shell(thickness, a, c, d);
                }
                else
                {
                    Shell(thickness, a, b, d);
                    Shell(thickness, b, c, d);
                }
            }
        }
        return grid;
    }
}
