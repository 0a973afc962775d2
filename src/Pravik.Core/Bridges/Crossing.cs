using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Bridges;

public enum CrossingKind
{
    Road,
    Railway,
    Path,
    Water,
}

/// <summary>
/// Something that the bridge crosses: a line, straight about the bridge, with an envelope of width and height that must stay clear
/// above its
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

    /// <summary>
    /// A road that passes under another between two stations of it, with its direction, level and grade there; null where it does not,
    /// or has no level.
    /// The first place counts. The envelope is that of a usual road.
    /// </summary>
    public static Crossing? Of(RoadLine other, RoadLine road, double from, double to)
    {
        const int Steps = 2000;
        if (other.Profile is null)
            return null;
        double Offset(double station) => road.Locate(other.At(station)).Offset;
        double At(int i) => other.StartStation + (other.EndStation - other.StartStation) * i / Steps;
        for (var i = 0; i < Steps; i++)
        {
            if (Math.Sign(Offset(At(i))) == Math.Sign(Offset(At(i + 1))) || Numerics.Roots.Bisect(Offset, At(i), At(i + 1)) is not { } at)
                continue;
            var place = road.Locate(other.At(at));
            // On a line that turns back, the sign also changes far away from it.
            if (Math.Abs(place.Offset) > 1e-3 || place.Beyond != 0 || place.Station < from || place.Station > to)
                continue;
            var turn = Math.IEEERemainder(other.Azimuth(at) - road.Azimuth(place.Station) - Math.PI / 2, 2 * Math.PI);
            var isReversed = Math.Abs(turn) > Math.PI / 2;
            var grade = other.Profile.Grade(at);
            return new()
            {
                Name = other.Road.Name.Length > 60 ? other.Road.Name[..60] : other.Road.Name,
                Kind = CrossingKind.Road,
                Station = place.Station,
                Skew = Math.IEEERemainder(turn, Math.PI),
                Level = other.Level(at),
                Grade = isReversed ? -grade : grade,
                Width = 8,
                Height = 4.7,
            };
        }
        return null;
    }

    /// <summary>Where it passes under the road line, its direction to the right of the road, and the direction square to that.</summary>
    public (Point Origin, Point Along, Point Across) Place(RoadLine road)
    {
        var along = Point.Towards(road.Azimuth(Station) + Math.PI / 2 + Skew);
        return (road.At(Station), along, new(along.Y, -along.X));
    }
}

/// <summary>The least clearance over a crossing: how much, over which point, and under which girder.</summary>
public sealed record Clearance(double Height, Point At, double Station, double Offset, string Girder);

/// <summary>Finds the least clearance under the girders.</summary>
public static class Clearances
{
    private const int Steps = 400;

    /// <summary>
    /// The least height between a crossing's surface and a girder's soffit within the envelope's width; null where no girder passes
    /// over it. Along
    /// each edge and the middle of the girders' bottom flanges, in steps of a four-hundredth of a span and at the envelope's own edges.
    /// </summary>
    public static Clearance? Least(BridgeGeometry geometry, Crossing crossing)
    {
        var (origin, along, across) = crossing.Place(geometry.Road);
        Clearance? least = null;
        foreach (var (girder, span) in geometry.Pieces)
        {
            var (line, width, run) = (geometry.HaunchOf(girder, span), geometry.SectionOf(girder, span).BottomWidth, girder.In(span));
            foreach (var side in new[] { -0.5, 0, 0.5 })
            {
                Point At(double t) => run.At(t) + side * width * run.Right(t);
                foreach (var t in Places(At))
                {
                    var p = At(t);
                    if (Math.Abs((p - origin).Dot(across)) > crossing.Width / 2 + 1e-9)
                        continue;
                    var height = line.Bottom(t) - crossing.Level - crossing.Grade * (p - origin).Dot(along);
                    if (least is not null && height >= least.Height)
                        continue;
                    var place = geometry.Road.Locate(p);
                    least = new(height, p, place.Station, place.Offset, $"{girder.Name}, span {span + 1}");
                }
            }
        }
        return least;

        // Regular places, and where the line runs over an edge of the envelope, between the places on either side of it.
        IEnumerable<double> Places(Func<double, Point> at)
        {
            double Across(double t) => (at(t) - origin).Dot(across);
            var before = Across(0);
            yield return 0;
            for (var i = 1; i <= Steps; i++)
            {
                var (t, here) = ((double)i / Steps, Across((double)i / Steps));
                foreach (var edge in new[] { -crossing.Width / 2, crossing.Width / 2 })
                {
                    if (here != before && (edge - before) / (here - before) is > 0 and < 1 and var part)
                        yield return t - (1 - part) / Steps;
                }
                yield return t;
                before = here;
            }
        }
    }
}
