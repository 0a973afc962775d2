using Pravik.Core.Geometry;

namespace Pravik.Core.Roads;

/// <summary>Where a point lies on the road: station along it, offset square to it (positive right looking ahead).</summary>
public readonly record struct RoadPlace(double Station, double Offset);

/// <summary>Answers where stations are. The pure geometry of a <see cref="Road"/>.</summary>
public sealed class RoadLine(Road road)
{
    private readonly Point start = new(road.StartEast, road.StartNorth);
    private readonly double curvature = road.Radius is { } radius ? 1 / radius : 0;

    public double StartStation => road.StartStation;
    public double EndStation => road.StartStation + road.Length;

    /// <summary>Direction of the road at a station, clockwise from north (rad). Continues beyond the ends with the same curvature.</summary>
    public double Azimuth(double station) => road.Azimuth + curvature * (station - road.StartStation);

    /// <summary>
    /// The point at a station and offset. On an arc the position is the chord: length 2R·sin(δ/2) along azimuth + δ/2.
    /// Stations beyond the ends continue the line.
    /// </summary>
    public Point At(double station, double offset = 0)
    {
        var length = station - road.StartStation;
        var half = curvature * length / 2;
        var chord = half == 0 ? length : length * Math.Sin(half) / half;
        return start + chord * Point.Towards(road.Azimuth + half) + offset * Point.Towards(Azimuth(station) + Math.PI / 2);
    }

    /// <summary>Level of the road line at a station.</summary>
    public double Level(double station) => road.StartLevel + road.Grade * (station - road.StartStation);

    /// <summary>
    /// Station and offset of a point: the nearest solution. On an arc, points at the centre have no single answer and get the
    /// start station; stations are found within half a turn either side of the road's middle.
    /// </summary>
    public RoadPlace Locate(Point point)
    {
        var ahead = Point.Towards(road.Azimuth);
        var right = Point.Towards(road.Azimuth + Math.PI / 2);
        var along = (point - start).Dot(ahead);
        var across = (point - start).Dot(right);
        if (curvature == 0) return new(road.StartStation + along, across);
        var radius = 1 / curvature;
        var side = Math.Sign(radius);
        var toCentre = radius - across;
        var middle = road.Length / 2 / Math.Abs(radius);
        var angle = Math.Atan2(along, side * toCentre);
        angle += 2 * Math.PI * Math.Round((middle - angle) / (2 * Math.PI));
        var distance = Math.Sqrt(along * along + toCentre * toCentre);
        return new(road.StartStation + angle * Math.Abs(radius), side * (Math.Abs(radius) - distance));
    }
}
