using NetTopologySuite.Algorithm;
using NetTopologySuite.Geometries;

namespace Pravik.Core.Geometry;

/// <summary>The convex hull of points in a plane.</summary>
public static class Hull
{
    /// <summary>Corners of the hull in order; fewer than three for points in one line.</summary>
    public static IReadOnlyList<Point> Of(IEnumerable<Point> points)
    {
        var hull = new ConvexHull([.. points.Select(p => new Coordinate(p.X, p.Y))], GeometryFactory.Default).GetConvexHull();
        return [.. hull.Coordinates.Take(Math.Max(1, hull.NumPoints - 1)).Select(c => new Point(c.X, c.Y))];
    }
}
