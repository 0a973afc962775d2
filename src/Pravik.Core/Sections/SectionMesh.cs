using NetTopologySuite.Geometries;
using NetTopologySuite.Triangulate;
using Pravik.Core.Numerics;
using Point = Pravik.Core.Geometry.Point;
using Segments = Pravik.Core.Geometry.Segments;

namespace Pravik.Core.Sections;

/// <summary>
/// A section divided into triangles of six nodes (corners, then middles of the sides 0–1, 1–2, 2–0), each with the weight of its part.
/// Walls are one
/// element or more across, corners finer.
/// </summary>
internal sealed class SectionMesh
{
    private const int MostRounds = 5;

    private SectionMesh(Point[] nodes, int[][] elements, double[] weights, int[] hole)
    {
        (Nodes, Elements, Weights, Hole) = (nodes, elements, weights, hole);
        Positions = CuthillMcKee.Positions(Coupled());
    }

    public Point[] Nodes { get; }
    public int[][] Elements { get; }
    public double[] Weights { get; }

    /// <summary>For each node the void on whose edge it lies (from 0), −1 on the outer edge, −2 inside.</summary>
    public int[] Hole { get; }

    /// <summary>Place of each node in an order with a narrow band.</summary>
    public int[] Positions { get; }

    /// <summary>
    /// Divides a section. Throws <see cref="ArgumentException"/> for parts that cannot be divided, as where outlines cross.
    /// </summary>
    public static SectionMesh Of(IReadOnlyList<SectionPart> parts)
    {
        var area = parts.Sum(p => (p.IsVoid ? -1 : 1) * p.Outline.Moments().Area);
        var size = Math.Sqrt(area / 150);
        for (var round = 0; round < MostRounds; round++, size /= 2)
        {
            if (Try(parts, size) is { } mesh && Math.Abs(mesh.Area - area) < 1e-6 * area)
                return mesh;
        }
        throw new ArgumentException(
            "The section cannot be divided into triangles: its outlines cross, or lie too near each other.",
            nameof(parts)
        );
    }

    private double Area => Elements.Sum(e => (Nodes[e[1]] - Nodes[e[0]]).Cross(Nodes[e[2]] - Nodes[e[0]]) / 2);

    private static SectionMesh? Try(IReadOnlyList<SectionPart> parts, double size)
    {
        var edges = parts
            .SelectMany(
                (part, i) =>
                    part.Outline.Points.Select((p, k) => (From: p, To: part.Outline.Points[(k + 1) % part.Outline.Points.Length], Part: i))
            )
            .Where(e => Point.Distance(e.From, e.To) > 1e-9)
            .ToList();
        var points = new HashSet<Point>();
        foreach (var (from, to, _) in edges)
        {
            var length = Point.Distance(from, to);
            // As far apart as the wall is thick there, and closer near re-entrant corners and the ends.
            var at = 0.0;
            while (at < length - 1e-12)
            {
                points.Add(Point.Between(from, to, at / length));
                var here = Point.Between(from, to, Math.Min(1, (at + 1e-6 * length) / length));
                var end = Math.Min(at, length - at);
                at += Math.Clamp(
                    Math.Min(size, 0.9 * Thickness(edges, from, to, here)),
                    0.02 * size,
                    Math.Max(0.3 * size, 0.3 * size + 0.5 * end)
                );
                if (length - at < 0.15 * size && at < length)
                    at = length;
            }
        }
        var boundary = points.ToList();
        double left = boundary.Min(p => p.X),
            right = boundary.Max(p => p.X),
            low = boundary.Min(p => p.Y),
            high = boundary.Max(p => p.Y);
        var row = 0;
        for (var y = low + 0.43 * size; y < high; y += size * Math.Sqrt(3) / 2, row++)
        {
            for (var x = left + (row % 2 == 0 ? 0.47 : 0.97) * size; x < right; x += size)
            {
                var p = new Point(x, y);
                if (Weight(parts, p) > 0 && edges.All(e => Segments.Distance(p, e.From, e.To) > 0.5 * size))
                    points.Add(p);
            }
        }
        var builder = new DelaunayTriangulationBuilder();
        builder.SetSites(points.Select(p => new Coordinate(p.X, p.Y)).ToList());
        var triangles = builder.GetTriangles(GeometryFactory.Default);
        var (numbers, nodes, elements, weights) = (new Dictionary<Point, int>(), new List<Point>(), new List<int[]>(), new List<double>());
        int Number(Point p)
        {
            if (numbers.TryGetValue(p, out var n))
                return n;
            nodes.Add(p);
            return numbers[p] = nodes.Count - 1;
        }
        var middles = new Dictionary<(int, int), int>();
        int Middle(int a, int b)
        {
            var key = (Math.Min(a, b), Math.Max(a, b));
            if (middles.TryGetValue(key, out var n))
                return n;
            nodes.Add(Point.Between(nodes[a], nodes[b], 0.5));
            return middles[key] = nodes.Count - 1;
        }
        foreach (var geometry in triangles.Geometries)
        {
            var corners = geometry.Coordinates.Take(3).Select(c => new Point(c.X, c.Y)).ToArray();
            if ((corners[1] - corners[0]).Cross(corners[2] - corners[0]) < 0)
                Array.Reverse(corners);
            if ((corners[1] - corners[0]).Cross(corners[2] - corners[0]) < 1e-10 * size * size)
                continue;
            var middle = 1.0 / 3 * (corners[0] + corners[1] + corners[2]);
            if (Weight(parts, middle) is not > 0 and var weight)
                continue;
            weight = Weight(parts, middle);
            // A triangle that reaches over an edge does not follow the section.
            if (corners.Any(c => Weight(parts, Point.Between(middle, c, 0.98)) != weight))
                return null;
            weights.Add(weight);
            var at = Array.ConvertAll(corners, Number);
            elements.Add([.. at, .. Enumerable.Range(0, 3).Select(i => Middle(at[i], at[(i + 1) % 3]))]);
        }
        if (elements.Count == 0)
            return null;
        return new([.. nodes], [.. elements], [.. weights], Holes(parts, nodes, elements));
    }

    /// <summary>Edges of one element alone bound the section; each hangs on the outline that it lies on.</summary>
    private static int[] Holes(IReadOnlyList<SectionPart> parts, List<Point> nodes, List<int[]> elements)
    {
        var voids = parts.Where(p => p.IsVoid).ToList();
        var sides = new Dictionary<(int, int), int[]?>();
        foreach (var e in elements)
        {
            for (var k = 0; k < 3; k++)
            {
                var (a, b) = (e[k], e[(k + 1) % 3]);
                var key = (Math.Min(a, b), Math.Max(a, b));
                sides[key] = sides.ContainsKey(key) ? null : [a, b, e[3 + k]];
            }
        }
        var hole = Enumerable.Repeat(-2, nodes.Count).ToArray();
        foreach (var side in sides.Values.OfType<int[]>())
        {
            var middle = nodes[side[2]];
            var mine = voids.FindIndex(v => v.Outline.DistanceToOutline(middle) < 1e-9);
            foreach (var n in side)
                hole[n] = mine;
        }
        return hole;
    }

    /// <summary>Weight of the innermost part at a point; 0 in a void or outside.</summary>
    private static double Weight(IReadOnlyList<SectionPart> parts, Point p) =>
        parts.Any(part => part.IsVoid && part.Outline.Contains(p))
            ? 0
            : parts.FirstOrDefault(part => !part.IsVoid && part.Outline.Contains(p))?.Weight ?? 0;

    /// <summary>
    /// How far it is from a point of an edge, square to it, to the nearest other edge on either side that bounds the same material.
    /// </summary>
    private static double Thickness(List<(Point From, Point To, int Part)> edges, Point from, Point to, Point at)
    {
        var along = 1 / Point.Distance(from, to) * (to - from);
        var least = double.PositiveInfinity;
        foreach (var (a, b, _) in edges)
        {
            var (da, db) = ((a - at).Dot(along), (b - at).Dot(along));
            if (da > 0 == db > 0)
                continue;
            var t = da / (da - db);
            var distance = Math.Abs(Point.Between(a, b, t).Cross(along) - at.Cross(along));
            if (distance > 1e-9)
                least = Math.Min(least, distance);
        }
        return least;
    }

    private IReadOnlyCollection<int>[] Coupled()
    {
        var coupled = Nodes.Select(_ => new HashSet<int>()).ToArray();
        foreach (var e in Elements)
        {
            foreach (var a in e)
            {
                foreach (var b in e.Where(b => b != a))
                    coupled[a].Add(b);
            }
        }
        return coupled;
    }
}
