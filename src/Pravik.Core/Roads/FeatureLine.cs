using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Roads;

/// <summary>A line beside the road, by its offset at any station of the road.</summary>
public sealed class FeatureLine
{
    private const int PiecesPerSegment = 16;
    private readonly HorizontalLine road;
    private readonly HorizontalLine line;
    private readonly (double Along, double Station)[] places;

    /// <summary>A line beside a road, found from its own elements.</summary>
    public FeatureLine(RoadFeature feature, HorizontalLine road)
    {
        Name = feature.Name;
        this.road = road;
        line = new(LineBuilder.Chain(0, default, 0, feature.Elements));
        var along = line
            .Segments.SelectMany(s => Enumerable.Range(0, PiecesPerSegment).Select(i => s.Station + s.Length * i / PiecesPerSegment))
            .Append(line.EndStation);
        places = [.. along.Select(a => (a, road.Locate(line.At(a)).Station))];
        // Seen along the road, whichever way the line was drawn.
        if (places[^1].Station < places[0].Station)
            Array.Reverse(places);
    }

    /// <summary>Name of the line.</summary>
    public string Name { get; }

    /// <summary>Stations of the road between which the line runs.</summary>
    public double From => places[0].Station;

    /// <summary>Station where it ends (m).</summary>
    public double To => places[^1].Station;

    /// <summary>Point of the line at a distance from its start.</summary>
    public IEnumerable<Point> Points => places.Select(p => line.At(p.Along));

    /// <summary>
    /// Offset at which the line crosses the section square to the road at a station, to 1e-9 m; beyond the line's ends, and past them,
    /// the offset
    /// of the end. Where a line turns back on itself the first crossing counts.
    /// </summary>
    public double OffsetAt(double station)
    {
        station = Math.Clamp(station, From, To);
        var (origin, ahead) = (road.At(station), Point.Towards(road.Azimuth(station)));
        (double, double) Ahead(double along) => ((line.At(along) - origin).Dot(ahead), Point.Towards(line.Azimuth(along)).Dot(ahead));
        var i = 1;
        while (i < places.Length - 1 && places[i].Station < station)
            i++;
        var (a, b) = (places[i - 1], places[i]);
        var at =
            station <= a.Station ? a.Along
            : station >= b.Station ? b.Along
            : Roots.Newton(Ahead, Math.Min(a.Along, b.Along), Math.Max(a.Along, b.Along));
        return (line.At(at) - origin).Dot(new(ahead.Y, -ahead.X));
    }
}
