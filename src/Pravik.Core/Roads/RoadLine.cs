using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Roads;

/// <summary>
/// A point of the road: east and north, level (null where no profile is given), azimuth (rad, 0 to 2π), grade and crossfall (rise
/// outward).
/// </summary>
public readonly record struct RoadPoint(double X, double Y, double? Z, double Azimuth, double Grade, double Crossfall);

/// <summary>Answers where stations are: line, profile and crossfalls of a <see cref="Road"/>.</summary>
public sealed class RoadLine
{
    private readonly ProfileLine? profile;
    private readonly Lazy<ImmutableArray<FeatureLine>> features;

    /// <summary>Throws <see cref="ArgumentException"/> for a road without a line, which validation refuses.</summary>
    public RoadLine(Road road)
    {
        Road = road;
        Line = LineBuilder.Build(road);
        profile = road.Profile.IsDefaultOrEmpty ? null : new(road.Profile);
        Crossfalls = new(road.Crossfalls);
        Stationing = new(road.Equations);
        features = new(() => [.. road.Features.Select(f => new FeatureLine(f, Line))]);
    }

    /// <summary>The road as it was entered.</summary>
    public Road Road { get; }

    /// <summary>Its line in plan.</summary>
    public HorizontalLine Line { get; }

    /// <summary>Its levels; null where none are given.</summary>
    public ProfileLine? Profile => profile;

    /// <summary>Its crossfalls.</summary>
    public CrossfallLine Crossfalls { get; }

    /// <summary>Stations as they are shown.</summary>
    public Stationing Stationing { get; }

    /// <summary>Other lines of the road file.</summary>
    public ImmutableArray<FeatureLine> Features => features.Value;

    /// <summary>Station where it begins (m).</summary>
    public double StartStation => Line.StartStation;

    /// <summary>Station where it ends (m).</summary>
    public double EndStation => Line.EndStation;

    /// <summary>Direction of the road at a station, clockwise from north (rad), not reduced to one turn.</summary>
    public double Azimuth(double station) => Line.Azimuth(station);

    /// <summary>The point at a station and offset in plan; beyond the ends on their tangents.</summary>
    public Point At(double station, double offset = 0) => Line.At(station, offset);

    /// <summary>The point at a place.</summary>
    public Point At(RoadPlace place) => Line.At(place.Station, place.Offset);

    /// <summary>Level of the road line at a station; 0 where no profile is given, which validation refuses for a bridge.</summary>
    public double Level(double station) => profile?.Level(station) ?? 0;

    /// <summary>Station and offset of a point: the nearest solution.</summary>
    public RoadPlace Locate(Point point) => Line.Locate(point);

    /// <summary>
    /// Everything at a station and offset: level = profile + crossfall·|offset|, the crossfall being that of the offset's side. No level
    /// where the profile does not reach.
    /// </summary>
    public RoadPoint Survey(double station, double offset)
    {
        var at = Line.At(station, offset);
        var (left, right) = Crossfalls.At(station);
        var crossfall = offset < 0 ? left : right;
        var azimuth = Math.IEEERemainder(Line.Azimuth(station), 2 * Math.PI);
        return new(
            at.X,
            at.Y,
            profile is { } p && p.Covers(station) ? p.Level(station) + crossfall * Math.Abs(offset) : null,
            azimuth < 0 ? azimuth + 2 * Math.PI : azimuth,
            profile?.Grade(station) ?? 0,
            crossfall
        );
    }
}
