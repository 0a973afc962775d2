using Pravik.Core.Geometry;

namespace Pravik.Core.Bridges;

public enum CrossingKind
{
    Road,
    Railway,
    Path,
    Water,
}

/// <summary>
/// Something that the bridge crosses: a line, straight about the bridge, with an envelope of width and height that must stay clear above its
/// surface.
/// </summary>
public sealed record Crossing
{
    public string Name { get; init; } = "Path";
    public CrossingKind Kind { get; init; } = CrossingKind.Path;

    /// <summary>Station of the road line that its centre line passes under.</summary>
    public double Station { get; init; }

    /// <summary>Direction, clockwise from the line square to the road (rad), as a skew.</summary>
    public double Skew { get; init; }

    /// <summary>Level of its surface under the road line, and its grade to the right of the road.</summary>
    public double Level { get; init; }
    public double Grade { get; init; }
    public double Width { get; init; } = 3;

    /// <summary>Height that must be clear above its surface (m).</summary>
    public double Height { get; init; } = 2.5;
}

/// <summary>The least clearance over a crossing: how much, over which point, and under which girder.</summary>
public sealed record Clearance(double Height, Point At, double Station, double Offset, string Girder);

/// <summary>Finds the least clearance under the girders.</summary>
public static class Clearances
{
    private const int Steps = 400;

    /// <summary>
    /// The least height between a crossing's surface and a girder's soffit within the envelope's width; null where no girder passes over it. Along
    /// each edge and the middle of the girders' bottom flanges, in steps of a four-hundredth of a span and at the envelope's own edges.
    /// </summary>
    public static Clearance? Least(BridgeGeometry geometry, Crossing crossing)
    {
        var solids = new BridgeSolids(geometry);
        var shape = geometry.Bridge.Girders.Section;
        var origin = geometry.Road.At(crossing.Station);
        var along = Point.Towards(geometry.Road.Azimuth(crossing.Station) + Math.PI / 2 + crossing.Skew);
        var across = new Point(along.Y, -along.X);
        Clearance? least = null;
        foreach (var girder in geometry.Girders)
        {
            for (var span = 0; span < geometry.SpanCount; span++)
            {
                var (a, b) = (girder.Spans[span].Start, girder.Spans[span].End);
                var (from, to) = (solids.TopAt(girder, span, false) - shape.Depth, solids.TopAt(girder, span, true) - shape.Depth);
                var ahead = 1 / Point.Distance(a, b) * (b - a);
                foreach (var side in new[] { -0.5, 0, 0.5 })
                {
                    var shift = side * shape.BottomFlangeWidth * new Point(ahead.Y, -ahead.X);
                    foreach (var t in Places(a + shift, b + shift))
                    {
                        var p = Point.Between(a + shift, b + shift, t);
                        if (Math.Abs((p - origin).Dot(across)) > crossing.Width / 2 + 1e-9) continue;
                        var height = from + t * (to - from) - crossing.Level - crossing.Grade * (p - origin).Dot(along);
                        if (least is not null && height >= least.Height) continue;
                        var place = geometry.Road.Locate(p);
                        least = new(height, p, place.Station, place.Offset, $"{girder.Name}, span {span + 1}");
                    }
                }
            }
        }
        return least;

        // Regular places, and where the line runs over an edge of the envelope.
        IEnumerable<double> Places(Point a, Point b)
        {
            for (var i = 0; i <= Steps; i++) yield return (double)i / Steps;
            var (start, run) = ((a - origin).Dot(across), (b - a).Dot(across));
            foreach (var edge in new[] { -crossing.Width / 2, crossing.Width / 2 })
            {
                if (run != 0 && (edge - start) / run is >= 0 and <= 1 and var t) yield return t;
            }
        }
    }
}
