using System.Collections.Immutable;

namespace Pravik.Core.Geometry;

/// <summary>A point in space: x east, y north, z up (m).</summary>
public readonly record struct Point3(double X, double Y, double Z)
{
    /// <summary>The vector from one point to another.</summary>
    public static Point3 operator -(Point3 a, Point3 b) => new(a.X - b.X, a.Y - b.Y, a.Z - b.Z);

    /// <summary>The sum of two vectors.</summary>
    public static Point3 operator +(Point3 a, Point3 b) => new(a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    /// <summary>A vector times a number.</summary>
    public static Point3 operator *(double factor, Point3 a) => new(factor * a.X, factor * a.Y, factor * a.Z);

    /// <summary>Length.</summary>
    public double Length => Math.Sqrt(Dot(this));

    /// <summary>The scalar product.</summary>
    public double Dot(Point3 o) => X * o.X + Y * o.Y + Z * o.Z;

    /// <summary>The vector product.</summary>
    public Point3 Cross(Point3 o) => new(Y * o.Z - Z * o.Y, Z * o.X - X * o.Z, X * o.Y - Y * o.X);
}

/// <summary>
/// A solid by its surface: points and triangles, seen from outside anticlockwise. A swept solid is closed by making: every edge belongs to
/// two triangles.
/// </summary>
public sealed record Solid(ImmutableArray<Point3> Points, ImmutableArray<int> Triangles)
{
    /// <summary>V = ⅙ Σ a·(b × c), by the divergence theorem; positive where triangles look outward.</summary>
    public double Volume
    {
        get
        {
            double six = 0;
            var origin = Points[0];
            for (var t = 0; t < Triangles.Length; t += 3)
                six += (Points[Triangles[t]] - origin).Dot((Points[Triangles[t + 1]] - origin).Cross(Points[Triangles[t + 2]] - origin));
            return six / 6;
        }
    }

    /// <summary>Area of the faces whose outward normal, of length 1, is wanted.</summary>
    public double Area(Func<Point3, bool> wanted)
    {
        double sum = 0;
        for (var t = 0; t < Triangles.Length; t += 3)
        {
            var (a, b, c) = (Points[Triangles[t]], Points[Triangles[t + 1]], Points[Triangles[t + 2]]);
            var normal = (b - a).Cross(c - a);
            var length = Math.Sqrt(normal.Dot(normal));
            if (length > 0 && wanted(new(normal.X / length, normal.Y / length, normal.Z / length)))
                sum += length / 2;
        }
        return sum;
    }

    /// <summary>Whether every edge of every triangle is met by exactly one other in the opposite direction.</summary>
    public bool IsClosed
    {
        get
        {
            var edges = new HashSet<(int, int)>();
            for (var t = 0; t < Triangles.Length; t += 3)
            {
                for (var e = 0; e < 3; e++)
                {
                    if (!edges.Add((Triangles[t + e], Triangles[t + (e + 1) % 3])))
                        return false;
                }
            }
            return edges.All(e => edges.Contains((e.Item2, e.Item1)));
        }
    }

    /// <summary>
    /// A solid led through rings that all have the same points, anticlockwise as seen looking ahead; its ends are closed by triangles
    /// of the first
    /// ring's points.
    /// </summary>
    public static Solid Lead(IReadOnlyList<Point3[]> rings, ImmutableArray<int> caps)
    {
        var count = rings[0].Length;
        var triangles = ImmutableArray.CreateBuilder<int>();
        for (var s = 0; s + 1 < rings.Count; s++)
        {
            for (var i = 0; i < count; i++)
            {
                var (a, b) = (s * count + i, s * count + (i + 1) % count);
                triangles.AddRange((ReadOnlySpan<int>)[a, a + count, b + count, a, b + count, b]);
            }
        }
        var end = (rings.Count - 1) * count;
        for (var t = 0; t < caps.Length; t += 3)
        {
            triangles.AddRange((ReadOnlySpan<int>)[caps[t], caps[t + 1], caps[t + 2]]);
            triangles.AddRange((ReadOnlySpan<int>)[end + caps[t], end + caps[t + 2], end + caps[t + 1]]);
        }
        return new([.. rings.SelectMany(r => r)], triangles.ToImmutable());
    }

    /// <summary>
    /// A solid swept through cross-sections that all have the same points: the lower side from left to right, then the upper side from
    /// left to
    /// right, paired so that point i of the lower lies under point i of the upper.
    /// </summary>
    public static Solid Sweep(IReadOnlyList<(Point3[] Lower, Point3[] Upper)> sections)
    {
        var width = sections[0].Lower.Length;
        var points = ImmutableArray.CreateBuilder<Point3>();
        foreach (var (lower, upper) in sections)
        {
            points.AddRange(lower);
            points.AddRange(upper);
        }
        var triangles = ImmutableArray.CreateBuilder<int>();
        int Lower(int s, int i) => s * 2 * width + i;
        int Upper(int s, int i) => s * 2 * width + width + i;
        // Corners anticlockwise as seen from outside.
        void Quad(int a, int b, int c, int d) => triangles.AddRange((ReadOnlySpan<int>)[a, b, c, a, c, d]);
        for (var s = 0; s + 1 < sections.Count; s++)
        {
            for (var i = 0; i + 1 < width; i++)
            {
                Quad(Upper(s, i), Upper(s, i + 1), Upper(s + 1, i + 1), Upper(s + 1, i));
                Quad(Lower(s, i), Lower(s + 1, i), Lower(s + 1, i + 1), Lower(s, i + 1));
            }
            Quad(Lower(s, 0), Upper(s, 0), Upper(s + 1, 0), Lower(s + 1, 0));
            Quad(Lower(s, width - 1), Lower(s + 1, width - 1), Upper(s + 1, width - 1), Upper(s, width - 1));
        }
        var end = sections.Count - 1;
        for (var i = 0; i + 1 < width; i++)
        {
            Quad(Lower(0, i), Lower(0, i + 1), Upper(0, i + 1), Upper(0, i));
            Quad(Lower(end, i), Upper(end, i), Upper(end, i + 1), Lower(end, i + 1));
        }
        return new(points.ToImmutable(), triangles.ToImmutable());
    }
}
