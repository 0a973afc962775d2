using Pravik.Core.Geometry;

namespace Pravik.Core.Frames;

/// <summary>Three unit vectors, each square to the others, right-handed.</summary>
public readonly record struct LocalAxes(Point3 X, Point3 Y, Point3 Z)
{
    /// <summary>Sine of the angle below which a direction counts as parallel to another.</summary>
    public const double Parallel = 1e-3;

    /// <summary>The axes of the model itself.</summary>
    public static LocalAxes Global { get; } = new(new(1, 0, 0), new(0, 1, 0), new(0, 0, 1));

    /// <summary>
    /// Axes of a beam: x along it, z the part of <paramref name="up"/> square to x; without up that of global z, or of global x where
    /// the horizontal part of the beam is under a thousandth of
    /// its length. Null where up is parallel to x.
    /// </summary>
    public static LocalAxes? Along(Point3 axis, Point3? up)
    {
        var x = 1 / axis.Length * axis;
        var wanted = up ?? (Math.Sqrt(x.X * x.X + x.Y * x.Y) < Parallel ? new(1, 0, 0) : new Point3(0, 0, 1));
        return Of(x, wanted);
    }

    /// <summary>Axes given by x and the direction near which z lies; global ones where both are missing.</summary>
    public static LocalAxes? Given(Point3? x, Point3? up)
    {
        if (x is null && up is null)
            return Global;
        var along = x ?? new(1, 0, 0);
        return along.Length == 0 ? null : Of(1 / along.Length * along, up ?? new(0, 0, 1));
    }

    private static LocalAxes? Of(Point3 x, Point3 up)
    {
        var z = up - up.Dot(x) * x;
        if (up.Length == 0 || z.Length < Parallel * up.Length)
            return null;
        z = 1 / z.Length * z;
        return new(x, z.Cross(x), z);
    }

    /// <summary>A vector in these axes.</summary>
    public Point3 ToLocal(Point3 v) => new(v.Dot(X), v.Dot(Y), v.Dot(Z));

    /// <summary>A vector of these axes in those of the model.</summary>
    public Point3 ToGlobal(Point3 v) => v.X * X + v.Y * Y + v.Z * Z;

    /// <summary>The axis of a direction, 0 to 2.</summary>
    public Point3 this[int direction] =>
        direction switch
        {
            0 => X,
            1 => Y,
            _ => Z,
        };
}
