namespace Pravik.Core.Geometry;

/// <summary>A point, or a vector, in a plane: x east and y north in plan; across and up in a section (m).</summary>
public readonly record struct Point(double X, double Y)
{
    /// <summary>The sum of two vectors.</summary>
    public static Point operator +(Point a, Point b) => new(a.X + b.X, a.Y + b.Y);

    /// <summary>The vector from one point to another.</summary>
    public static Point operator -(Point a, Point b) => new(a.X - b.X, a.Y - b.Y);

    /// <summary>A vector times a number.</summary>
    public static Point operator *(double k, Point a) => new(k * a.X, k * a.Y);

    /// <summary>Length.</summary>
    public double Length => Math.Sqrt(X * X + Y * Y);

    /// <summary>The z component of the cross product with <paramref name="other"/>.</summary>
    public double Cross(Point other) => X * other.Y - Y * other.X;

    /// <summary>The scalar product.</summary>
    public double Dot(Point other) => X * other.X + Y * other.Y;

    /// <summary>The distance between two points.</summary>
    public static double Distance(Point a, Point b) => (a - b).Length;

    /// <summary>The point at fraction <paramref name="t"/> of the way from a to b; not clamped.</summary>
    public static Point Between(Point a, Point b, double t) => a + t * (b - a);

    /// <summary>The unit vector with an azimuth, clockwise from north (rad).</summary>
    public static Point Towards(double azimuth) => new(Math.Sin(azimuth), Math.Cos(azimuth));
}
