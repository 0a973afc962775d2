using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Roads;

/// <summary>
/// Where a point lies on a line: station along it, offset square to it (positive right looking ahead), and how far it lies beyond an
/// end.
/// </summary>
/// <param name="Station">Running station of the nearest point; beyond the ends on the end's tangent.</param>
/// <param name="Offset">Square distance, positive to the right.</param>
/// <param name="Beyond">0 on the line; negative before its start, positive after its end (m).</param>
public readonly record struct RoadPlace(double Station, double Offset, double Beyond);

/// <summary>
/// A horizontal line in plan. Beyond its ends it continues as its end tangents, so that nothing near an end is lost; who needs the line
/// itself asks <see cref="Covers"/>.
/// </summary>
public sealed class HorizontalLine
{
    private const double EndTolerance = 1e-6;
    private readonly double[] stations;
    private readonly SegmentTree tree;

    /// <summary>Throws <see cref="ArgumentException"/> for a line without pieces.</summary>
    public HorizontalLine(ImmutableArray<LineSegment> segments)
    {
        if (segments.IsDefaultOrEmpty)
            throw new ArgumentException("A line has at least one piece.", nameof(segments));
        Segments = segments;
        stations = [.. segments.Select(s => s.Station)];
        tree = new(segments);
    }

    /// <summary>Its pieces, along the road.</summary>
    public ImmutableArray<LineSegment> Segments { get; }

    /// <summary>Station where it begins (m).</summary>
    public double StartStation => Segments[0].Station;

    /// <summary>Station where it ends (m).</summary>
    public double EndStation => Segments[^1].EndStation;

    /// <summary>Whether a station lies on the line; an end is met within 1e-6 m.</summary>
    public bool Covers(double station) => station >= StartStation - EndTolerance && station <= EndStation + EndTolerance;

    /// <summary>Azimuth at a station, not reduced to one turn; constant beyond the ends.</summary>
    public double Azimuth(double station)
    {
        var segment = Find(station);
        return segment.Azimuth(Math.Clamp(station - segment.Station, 0, segment.Length));
    }

    /// <summary>Curvature at a station, positive turning right; 0 beyond the ends.</summary>
    public double Curvature(double station)
    {
        if (!Covers(station))
            return 0;
        var segment = Find(station);
        return segment.Curvature(Math.Clamp(station - segment.Station, 0, segment.Length));
    }

    /// <summary>The point at a station and offset.</summary>
    public Point At(double station, double offset = 0)
    {
        var segment = Find(station);
        var along = Math.Clamp(station - segment.Station, 0, segment.Length);
        var azimuth = segment.Azimuth(along);
        var point = segment.At(along);
        var beyond = station - segment.Station - along;
        if (beyond != 0)
            point += beyond * Point.Towards(azimuth);
        return offset == 0 ? point : point + offset * Point.Towards(azimuth + Math.PI / 2);
    }

    /// <summary>
    /// Station and offset of a point: the nearest of all solutions. A point before the start or after the end gets its place on the
    /// end's tangent, and how far beyond it is.
    /// </summary>
    public RoadPlace Locate(Point point)
    {
        var (nearest, along, distance) = tree.Nearest(point);
        var azimuth = nearest.Azimuth(along);
        var from = point - nearest.At(along);
        var station = nearest.Station + along;
        var ahead = from.Dot(Point.Towards(azimuth));
        var square = from.Dot(Point.Towards(azimuth + Math.PI / 2));
        var beyond =
            nearest == Segments[0] && along == 0 ? Math.Min(0, ahead)
            : nearest == Segments[^1] && along == nearest.Length ? Math.Max(0, ahead)
            : 0;
        if (beyond != 0)
            return new(station + beyond, square, Math.Abs(beyond) <= EndTolerance ? 0 : beyond);
        return new(station, square >= 0 ? distance : -distance, 0);
    }

    /// <summary>
    /// Length between two stations along a line of constant offset: Δs − o·Δα (exact, as ∫κ ds is the change of azimuth).
    /// </summary>
    public double LengthAt(double offset, double from, double to) => to - from - offset * (Azimuth(to) - Azimuth(from));

    private LineSegment Find(double station)
    {
        var at = Array.BinarySearch(stations, station);
        return Segments[Math.Max(0, at >= 0 ? at : ~at - 1)];
    }
}
