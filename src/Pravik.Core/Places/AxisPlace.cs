using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Places;

/// <summary>A support axis: its number from 1, name, station, skew (rad) and kind.</summary>
public sealed record AxisPlace(int Number, string Name, double Station, double Skew, AxisKind Kind)
{
    /// <summary>
    /// Where the axis meets a line along the bridge that is given by its offset at every station, to 1e-12 m. The axis passes through the
    /// road at its station with azimuth = road azimuth + 90° + skew; on a straight road it has the offset o at station s₀ − o·tan(skew).
    /// </summary>
    public RoadPlace Meet(RoadLine road, Func<double, double> offsetAt)
    {
        var (direction, origin) = (Direction(road), road.At(Station));
        var along = offsetAt(Station) / Math.Cos(Skew);
        var place = road.Locate(origin + along * direction);
        for (var i = 0; i < 60; i++)
        {
            var error = offsetAt(place.Station) - place.Offset;
            if (Math.Abs(error) < 1e-12)
                break;
            along += error / Math.Cos(Skew);
            place = road.Locate(origin + along * direction);
        }
        return place;
    }

    /// <summary>Whether a place lies before the axis. Far from it the station tells; near it, the side of the axis's line.</summary>
    public bool IsAheadOf(RoadLine road, double station, double offset)
    {
        var reach = 1 + 2 * Math.Abs(offset * Math.Tan(Skew));
        return offset == 0 || Math.Abs(station - Station) > reach
            ? station < Station
            : Direction(road).Cross(road.At(station, offset) - road.At(Station)) < 0;
    }

    /// <summary>All axes of a bridge, along the road.</summary>
    public static IEnumerable<AxisPlace> All(Axes axes, RoadLine road)
    {
        var station = axes.FirstStation;
        for (var number = 1; number <= axes.Spans.Length + 1; number++)
        {
            if (number > 1)
                station += axes.Spans[number - 2];
            var own = axes.Own.GetValueOrDefault($"{number}");
            var skew = own?.Azimuth is { } azimuth
                ? Math.IEEERemainder(azimuth - road.Azimuth(station) - Math.PI / 2, Math.PI)
                : own?.Skew ?? axes.Skew;
            var kind = own?.Kind ?? (number == 1 || number > axes.Spans.Length ? AxisKind.Abutment : AxisKind.Pier);
            yield return new(number, own?.Name ?? $"{number}", station, skew, kind);
        }
    }

    private Point Direction(RoadLine road) => Point.Towards(road.Azimuth(Station) + Math.PI / 2 + Skew);
}
