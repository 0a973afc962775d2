using Pravik.Core.Geometry;

namespace Pravik.Core.Roads;

/// <summary>
/// A surveyed surface as triangles: coordinates x, y, z in turn, and three point numbers for each triangle. Having no ground is a null
/// reference, never a surface at level 0.
/// </summary>
public sealed class Ground
{
    private readonly double[] coordinates;
    private readonly int[] triangles;
    private readonly (double X, double Y) low;
    private readonly double cell;
    private readonly int columns;
    private readonly int rows;
    private readonly int[] first;
    private readonly int[] members;

    /// <summary>Throws <see cref="ArgumentException"/> for a point number out of range or no triangle at all.</summary>
    public Ground(double[] coordinates, int[] triangles)
    {
        if (triangles.Length < 3 || triangles.Length % 3 != 0)
            throw new ArgumentException("A ground has at least one triangle.", nameof(triangles));
        if (triangles.Any(t => t < 0 || t >= coordinates.Length / 3))
            throw new ArgumentException("A triangle names a point that is not there.", nameof(triangles));
        (this.coordinates, this.triangles) = (coordinates, triangles);
        double left = double.PositiveInfinity,
            right = double.NegativeInfinity,
            bottom = left,
            top = right;
        foreach (var p in triangles)
        {
            (left, right) = (Math.Min(left, coordinates[3 * p]), Math.Max(right, coordinates[3 * p]));
            (bottom, top) = (Math.Min(bottom, coordinates[3 * p + 1]), Math.Max(top, coordinates[3 * p + 1]));
        }
        low = (left, bottom);
        cell = Math.Max(
            1e-6,
            Math.Max(Math.Sqrt((right - left) * (top - bottom) / TriangleCount), Math.Max(right - left, top - bottom) / 4000)
        );
        (columns, rows) = (1 + (int)((right - left) / cell), 1 + (int)((top - bottom) / cell));
        first = new int[columns * rows + 1];
        for (var t = 0; t < TriangleCount; t++)
            ForCells(t, c => first[c + 1]++);
        for (var c = 0; c < columns * rows; c++)
            first[c + 1] += first[c];
        members = new int[first[^1]];
        var next = first[..^1];
        for (var t = 0; t < TriangleCount; t++)
            ForCells(t, c => members[next[c]++] = t);
    }

    /// <summary>Number of triangles.</summary>
    public int TriangleCount => triangles.Length / 3;

    /// <summary>Number of points.</summary>
    public int PointCount => coordinates.Length / 3;

    /// <summary>x, y and z of all points, one after the other (m).</summary>
    public ReadOnlySpan<double> Coordinates => coordinates;

    /// <summary>Numbers of the points of all triangles, three by three.</summary>
    public ReadOnlySpan<int> Triangles => triangles;

    /// <summary>Level at a point, linear in its triangle; null where no triangle lies.</summary>
    public double? Level(Point at)
    {
        var (column, row) = ((int)Math.Floor((at.X - low.X) / cell), (int)Math.Floor((at.Y - low.Y) / cell));
        if (column < 0 || row < 0 || column >= columns || row >= rows)
            return null;
        var c = row * columns + column;
        for (var m = first[c]; m < first[c + 1]; m++)
        {
            if (LevelIn(members[m], at) is { } level)
                return level;
        }
        return null;
    }

    /// <summary>Numbers of the triangles that lie in or near a box.</summary>
    public IReadOnlyCollection<int> In(Point from, Point to)
    {
        var found = new HashSet<int>();
        for (var row = Row(from.Y); row <= Row(to.Y); row++)
        {
            for (var column = Column(from.X); column <= Column(to.X); column++)
            {
                var c = row * columns + column;
                for (var m = first[c]; m < first[c + 1]; m++)
                    found.Add(members[m]);
            }
        }
        return found;
    }

    /// <summary>Corners of a triangle, in plan with their levels.</summary>
    public (Point At, double Level)[] CornersOf(int triangle) =>
        [.. Enumerable.Range(0, 3).Select(i => (Corner(triangle, i), Height(triangle, i)))];

    private double? LevelIn(int triangle, Point p)
    {
        var (a, b, c) = (Corner(triangle, 0), Corner(triangle, 1), Corner(triangle, 2));
        var (ab, ac, ap) = (b - a, c - a, p - a);
        var area = ab.Cross(ac);
        if (area == 0)
            return null;
        var (u, v) = (ap.Cross(ac) / area, ab.Cross(ap) / area);
        const double Tiny = 1e-9;
        if (u < -Tiny || v < -Tiny || u + v > 1 + Tiny)
            return null;
        return Height(triangle, 0) + u * (Height(triangle, 1) - Height(triangle, 0)) + v * (Height(triangle, 2) - Height(triangle, 0));
    }

    private Point Corner(int triangle, int corner)
    {
        var p = 3 * triangles[3 * triangle + corner];
        return new(coordinates[p], coordinates[p + 1]);
    }

    private double Height(int triangle, int corner) => coordinates[3 * triangles[3 * triangle + corner] + 2];

    private int Column(double x) => (int)Math.Clamp((x - low.X) / cell, 0, columns - 1);

    private int Row(double y) => (int)Math.Clamp((y - low.Y) / cell, 0, rows - 1);

    private void ForCells(int triangle, Action<int> visit)
    {
        var (a, b, c) = (Corner(triangle, 0), Corner(triangle, 1), Corner(triangle, 2));
        for (var row = Row(Math.Min(a.Y, Math.Min(b.Y, c.Y))); row <= Row(Math.Max(a.Y, Math.Max(b.Y, c.Y))); row++)
        {
            for (var column = Column(Math.Min(a.X, Math.Min(b.X, c.X))); column <= Column(Math.Max(a.X, Math.Max(b.X, c.X))); column++)
                visit(row * columns + column);
        }
    }
}
