namespace Pravik.Core.Geometry;

/// <summary>Straight pieces between two points of a plane.</summary>
public static class Segments
{
    /// <summary>Distance of a point from the piece between two others; from its nearer end where the foot lies beyond.</summary>
    public static double Distance(Point at, Point from, Point to)
    {
        var along = to - from;
        var square = along.Dot(along);
        var t = square == 0 ? 0 : Math.Clamp((at - from).Dot(along) / square, 0, 1);
        return Point.Distance(at, Point.Between(from, to, t));
    }
}
