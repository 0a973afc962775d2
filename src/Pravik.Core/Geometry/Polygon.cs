using System.Collections.Immutable;

namespace Pravik.Core.Geometry;

/// <summary>
/// A simple closed polygon; the last point is joined to the first. Clockwise outlines give the same properties as anticlockwise ones.
/// </summary>
public sealed class Polygon
{
    /// <summary>A polygon of at least three points, in either direction.</summary>
    public Polygon(IEnumerable<Point> points)
    {
        Points = [.. points];
        if (Points.Length < 3)
            throw new ArgumentException("A polygon has at least three points.", nameof(points));
        (Bottom, Top) = (Points.Min(p => p.Y), Points.Max(p => p.Y));
    }

    /// <summary>Its corners, in order.</summary>
    public ImmutableArray<Point> Points { get; }

    /// <summary>A circle as a polygon of the circle's own area, standing on an edge where the corners are a multiple of four.</summary>
    public static Polygon Circle(Point centre, double radius, int corners)
    {
        var step = 2 * Math.PI / corners;
        var r = radius * Math.Sqrt(step / Math.Sin(step));
        return new(
            Enumerable.Range(0, corners).Select(i => centre + r * new Point(Math.Cos(step * (i + 0.5)), Math.Sin(step * (i + 0.5))))
        );
    }

    /// <summary>Whether its points run clockwise, with y upward.</summary>
    public bool IsClockwise => Points.Select((p, i) => p.Cross(Points[(i + 1) % Points.Length])).Sum() < 0;

    /// <summary>Its highest level.</summary>
    public double Top { get; }

    /// <summary>Its lowest level.</summary>
    public double Bottom { get; }

    /// <summary>
    /// Area, first and second moments about the origin's axes, by Green's theorem on each edge:
    /// A = ½Σ(x_i y_j − x_j y_i), S_x = ⅙Σ(y_i + y_j)·c, I_xx = ¹⁄₁₂Σ(y_i² + y_i y_j + y_j²)·c, with c the edge's cross product.
    /// </summary>
    public (double Area, double Sx, double Sy, double Ixx, double Iyy) Moments()
    {
        double area = 0,
            sx = 0,
            sy = 0,
            ixx = 0,
            iyy = 0;
        for (var i = 0; i < Points.Length; i++)
        {
            var (p, q) = (Points[i], Points[(i + 1) % Points.Length]);
            var c = p.Cross(q);
            area += c / 2;
            sx += (p.Y + q.Y) * c / 6;
            sy += (p.X + q.X) * c / 6;
            ixx += (p.Y * p.Y + p.Y * q.Y + q.Y * q.Y) * c / 12;
            iyy += (p.X * p.X + p.X * q.X + q.X * q.X) * c / 12;
        }
        var sign = Math.Sign(area);
        return (sign * area, sign * sx, sign * sy, sign * ixx, sign * iyy);
    }

    /// <summary>The width of the polygon cut by the horizontal line at <paramref name="y"/>; 0 above and below it.</summary>
    public double WidthAt(double y)
    {
        double width = 0;
        for (var i = 0; i < Points.Length; i++)
        {
            var (p, q) = (Points[i], Points[(i + 1) % Points.Length]);
            if (p.Y <= y == q.Y <= y)
                continue;
            var x = p.X + (y - p.Y) / (q.Y - p.Y) * (q.X - p.X);
            width += q.Y > p.Y ? x : -x;
        }
        return Math.Abs(width);
    }

    /// <summary>Where the horizontal line at <paramref name="y"/> cuts the outline, from left to right; none above and below it.</summary>
    public IReadOnlyList<double> CutsAt(double y)
    {
        List<double> cuts = [];
        for (var i = 0; i < Points.Length; i++)
        {
            var (p, q) = (Points[i], Points[(i + 1) % Points.Length]);
            if (p.Y <= y != q.Y <= y)
                cuts.Add(p.X + (y - p.Y) / (q.Y - p.Y) * (q.X - p.X));
        }
        cuts.Sort();
        return cuts;
    }

    /// <summary>
    /// Point numbers of triangles that fill the polygon, each in the polygon's own sense, by cutting off ears (Meisters 1975). Null for an
    /// outline that crosses itself or has no area.
    /// </summary>
    public ImmutableArray<int>? Triangulate()
    {
        double signed = 0;
        for (var i = 0; i < Points.Length; i++)
            signed += Points[i].Cross(Points[(i + 1) % Points.Length]);
        var sense = Math.Sign(signed);
        var left = Enumerable.Range(0, Points.Length).ToList();
        var triangles = ImmutableArray.CreateBuilder<int>();
        while (left.Count > 2)
        {
            var ear = Enumerable.Range(0, left.Count).FirstOrDefault(IsEar, -1);
            if (ear < 0 || sense == 0)
                return null;
            triangles.AddRange((ReadOnlySpan<int>)[left[(ear + left.Count - 1) % left.Count], left[ear], left[(ear + 1) % left.Count]]);
            left.RemoveAt(ear);
        }
        return triangles.ToImmutable();

        bool IsEar(int i)
        {
            var (before, at, after) = (left[(i + left.Count - 1) % left.Count], left[i], left[(i + 1) % left.Count]);
            var (a, b, c) = (Points[before], Points[at], Points[after]);
            if (sense * (b - a).Cross(c - b) < (left.Count == 3 ? -1e-12 : 1e-15))
                return false;
            // Where a cut joins a void to the outline, corners lie in one place.
            return left.All(n =>
                n == before || n == at || n == after || Points[n] == a || Points[n] == b || Points[n] == c || !Inside(Points[n])
            );
            bool Inside(Point p) =>
                sense * (b - a).Cross(p - a) >= 0 && sense * (c - b).Cross(p - b) >= 0 && sense * (a - c).Cross(p - c) >= 0;
        }
    }

    /// <summary>Whether a point lies inside; a point on the outline may count either way.</summary>
    public bool Contains(Point point)
    {
        var inside = false;
        for (int i = 0, j = Points.Length - 1; i < Points.Length; j = i++)
        {
            var (p, q) = (Points[i], Points[j]);
            if (p.Y > point.Y != q.Y > point.Y && point.X < (q.X - p.X) * (point.Y - p.Y) / (q.Y - p.Y) + p.X)
                inside = !inside;
        }
        return inside;
    }

    /// <summary>The least distance from a point to the outline.</summary>
    public double DistanceToOutline(Point point)
    {
        var least = double.PositiveInfinity;
        for (var i = 0; i < Points.Length; i++)
        {
            var (p, q) = (Points[i], Points[(i + 1) % Points.Length]);
            var along = q - p;
            var t = Math.Clamp((point - p).Dot(along) / along.Dot(along), 0, 1);
            least = Math.Min(least, Point.Distance(point, Point.Between(p, q, t)));
        }
        return least;
    }
}
