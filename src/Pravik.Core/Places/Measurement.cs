using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Places;

/// <summary>
/// What lies between two points: distance in plan and in space, vertical, and along the road and square to it (differences of station and
/// offset), with the place of both.
/// </summary>
public sealed record Measurement(double Plan, double Slope, double Vertical, double Along, double Square, RoadPlace From, RoadPlace To)
{
    /// <summary>What lies between two points in space.</summary>
    public static Measurement Between(RoadLine road, Point3 a, Point3 b)
    {
        var (from, to) = (road.Locate(new(a.X, a.Y)), road.Locate(new(b.X, b.Y)));
        var d = b - a;
        return new(
            Math.Sqrt(d.X * d.X + d.Y * d.Y),
            Math.Sqrt(d.Dot(d)),
            d.Z,
            to.Station - from.Station,
            to.Offset - from.Offset,
            from,
            to
        );
    }
}
