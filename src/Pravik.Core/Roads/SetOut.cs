using System.Globalization;

namespace Pravik.Core.Roads;

/// <summary>Points to set out: a table of stations and offsets with their coordinates.</summary>
public static class SetOut
{
    /// <summary>More points than this are refused.</summary>
    public const int MostPoints = 1_000_000;
    private const double EndTolerance = 1e-6;

    /// <summary>
    /// Stations from one to another by steps, the last always included (a step that ends within 1e-6 m of it is it). Null, with the reason,
    /// for a step that is not positive, ends in the wrong order, or more than a million points.
    /// </summary>
    public static (IReadOnlyList<double>? Stations, string? Reason) Stations(double from, double to, double step)
    {
        if (!(step > 0))
            return (null, "the step must be greater than 0");
        if (!(to >= from))
            return (null, "the last station lies before the first");
        var count = Math.Floor((to - from - EndTolerance) / step);
        if (count > MostPoints)
            return (null, $"that would be more than {MostPoints} stations");
        List<double> stations = [];
        for (var i = 0; i <= count; i++)
            stations.Add(from + i * step);
        if (stations.Count == 0 || to - stations[^1] > EndTolerance)
            stations.Add(to);
        else
            stations[^1] = to;
        return (stations, null);
    }

    /// <summary>The station moved onto an end that it meets within 1e-6 m; null beyond the road.</summary>
    public static double? OnRoad(RoadLine road, double station) =>
        road.Line.Covers(station) ? Math.Clamp(station, road.StartStation, road.EndStation) : null;

    /// <summary>
    /// Writes CSV, point by point, <c>station,offset,x,y,z,azimuth</c>: metres with nine decimals, azimuth in degrees clockwise from
    /// north with ten. z is empty where no profile reaches. Stations must lie on the road.
    /// </summary>
    public static void WriteCsv(TextWriter text, RoadLine road, IEnumerable<double> stations, IReadOnlyList<double> offsets)
    {
        text.Write("station,offset,x,y,z,azimuth\n");
        foreach (var station in stations)
        {
            var on =
                OnRoad(road, station)
                ?? throw new ArgumentOutOfRangeException(nameof(stations), station, "The station does not lie on the road.");
            foreach (var offset in offsets)
            {
                var at = road.Survey(on, offset);
                var level = at.Z is { } z ? N(z, 9) : "";
                text.Write($"{N(station, 6)},{N(offset, 6)},{N(at.X, 9)},{N(at.Y, 9)},{level},{N(Degrees(at.Azimuth), 10)}\n");
            }
        }
    }

    /// <summary>Degrees in [0, 360) also after rounding to ten decimals.</summary>
    private static double Degrees(double azimuth)
    {
        var degrees = azimuth * 180 / Math.PI;
        return degrees >= 360 - 5e-11 ? 0 : degrees;
    }

    private static string N(double value, int decimals)
    {
        var text = value.ToString("F" + decimals, CultureInfo.InvariantCulture);
        return text.StartsWith('-') && text.All(c => c is '-' or '0' or '.') ? text[1..] : text;
    }
}
