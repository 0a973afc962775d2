using Pravik.Core.Geometry;

namespace Pravik.Core.Roads;

/// <summary>A line of equal level on a ground.</summary>
public sealed record Contour(double Level, IReadOnlyList<Point> Points);

/// <summary>Lines of equal level within a box.</summary>
public static class Contours
{
    private const int MostTriangles = 20_000;
    private const int Grid = 120;

    /// <summary>
    /// Contours at whole multiples of an interval. In each triangle a level is a straight piece; pieces that meet are joined. Where the
    /// box holds
    /// more than 20,000 triangles, the ground is first read on a grid of 120 by 120.
    /// </summary>
    public static IReadOnlyList<Contour> Of(Ground ground, Point from, Point to, double interval)
    {
        var inside = ground.In(from, to);
        var triangles = inside.Count <= MostTriangles ? inside.Select(ground.CornersOf) : Sampled(ground, from, to);
        var pieces = new SortedDictionary<long, List<(Point, Point)>>();
        foreach (var corners in triangles)
        {
            var (low, high) = (corners.Min(c => c.Level), corners.Max(c => c.Level));
            for (var n = (long)Math.Ceiling(low / interval); n * interval <= high; n++)
            {
                if (Piece(corners, n * interval) is not { } piece)
                    continue;
                if (!pieces.TryGetValue(n, out var list))
                    pieces[n] = list = [];
                list.Add(piece);
            }
        }
        return [.. pieces.SelectMany(p => Joined(p.Value).Select(line => new Contour(p.Key * interval, line)))];
    }

    /// <summary>A round interval (1, 2 or 5 times a power of ten) that gives about a dozen contours over a height.</summary>
    public static double Interval(double height)
    {
        var rough = Math.Max(height, 0.1) / 12;
        var power = Math.Pow(10, Math.Floor(Math.Log10(rough)));
        return new[] { 1, 2, 5, 10 }.Select(n => n * power).First(i => i >= rough - 1e-12);
    }

    private static (Point, Point)? Piece((Point At, double Level)[] corners, double level)
    {
        List<Point> cut = [];
        for (var i = 0; i < 3; i++)
        {
            var (a, b) = (corners[i], corners[(i + 1) % 3]);
            // A corner that lies on the level counts as above it.
            if (a.Level >= level == b.Level >= level)
                continue;
            // The same point from both triangles of an edge, to the last bit.
            if (b.At.X < a.At.X || (b.At.X == a.At.X && b.At.Y < a.At.Y))
                (a, b) = (b, a);
            cut.Add(
                a.Level == level ? a.At
                : b.Level == level ? b.At
                : Point.Between(a.At, b.At, (level - a.Level) / (b.Level - a.Level))
            );
        }
        return cut.Count == 2 && cut[0] != cut[1] ? (cut[0], cut[1]) : null;
    }

    private static IEnumerable<(Point At, double Level)[]> Sampled(Ground ground, Point from, Point to)
    {
        (Point At, double? Level) Node(int i, int j)
        {
            var p = new Point(from.X + (to.X - from.X) * i / Grid, from.Y + (to.Y - from.Y) * j / Grid);
            return (p, ground.Level(p));
        }
        var nodes = new (Point At, double? Level)[Grid + 1, Grid + 1];
        for (var i = 0; i <= Grid; i++)
        {
            for (var j = 0; j <= Grid; j++)
                nodes[i, j] = Node(i, j);
        }
        for (var i = 0; i < Grid; i++)
        {
            for (var j = 0; j < Grid; j++)
            {
                foreach (
                    var three in new[]
                    {
                        new[] { nodes[i, j], nodes[i + 1, j], nodes[i + 1, j + 1] },
                        [nodes[i, j], nodes[i + 1, j + 1], nodes[i, j + 1]],
                    }
                )
                {
                    if (three.All(n => n.Level is not null))
                        yield return [.. three.Select(n => (n.At, n.Level!.Value))];
                }
            }
        }
    }

    private static IEnumerable<List<Point>> Joined(List<(Point A, Point B)> pieces)
    {
        var ends = new Dictionary<Point, List<int>>();
        for (var i = 0; i < pieces.Count; i++)
        {
            foreach (var p in new[] { pieces[i].A, pieces[i].B })
            {
                if (!ends.TryGetValue(p, out var list))
                    ends[p] = list = [];
                list.Add(i);
            }
        }
        var used = new bool[pieces.Count];
        for (var i = 0; i < pieces.Count; i++)
        {
            if (used[i])
                continue;
            used[i] = true;
            var line = new LinkedList<Point>([pieces[i].A, pieces[i].B]);
            while (Next(line.Last!.Value) is { } ahead)
                line.AddLast(ahead);
            while (Next(line.First!.Value) is { } back)
                line.AddFirst(back);
            yield return [.. line];
        }

        Point? Next(Point end)
        {
            foreach (var i in ends[end])
            {
                if (used[i])
                    continue;
                used[i] = true;
                return pieces[i].A == end ? pieces[i].B : pieces[i].A;
            }
            return null;
        }
    }
}
