using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Bridges;

/// <summary>What is crossed.</summary>
public enum CrossingKind
{
    /// <summary>A road.</summary>
    Road,

    /// <summary>A railway.</summary>
    Railway,

    /// <summary>A path.</summary>
    Path,

    /// <summary>A stream, river or canal.</summary>
    Water,
}

/// <summary>
/// Something that the bridge crosses: a line, straight about the bridge, with an envelope of width and height that must stay clear
/// above its
/// surface.
/// </summary>
public sealed record Crossing
{
    /// <summary>Name of what is crossed.</summary>
    public string Name { get; init; } = "Path";

    /// <summary>What it is.</summary>
    public CrossingKind Kind { get; init; } = CrossingKind.Path;

    /// <summary>Station of the road line that its centre line passes under.</summary>
    public double Station { get; init; }

    /// <summary>Direction, clockwise from the line square to the road (rad), as a skew.</summary>
    public double Skew { get; init; }

    /// <summary>Level of its surface under the road line, and its grade to the right of the road.</summary>
    public double Level { get; init; }

    /// <summary>Rise over run of its surface to the right of the road.</summary>
    public double Grade { get; init; }

    /// <summary>Width that must be clear (m).</summary>
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
