using Pravik.Core.Geometry;

namespace Pravik.Core.Bridges;

/// <summary>A part of the bridge in space: the path by which it is picked, what it is, its name and its solid.</summary>
public sealed record PartSolid(string Path, string Kind, string Name, Solid Solid);

/// <summary>The solids of a bridge. Curves are followed by pieces of at most 1 m along the road; levels are true.</summary>
public sealed class BridgeSolids(BridgeGeometry geometry)
{
    private const double LongestPiece = 1;
    private readonly Deck deck = geometry.Bridge.Deck;

    public IReadOnlyList<PartSolid> All() => [Slab(), .. Strips(), .. Girders(), .. Parapets()];

    public PartSolid Slab()
    {
        var last = geometry.Deck.Boundaries - 1;
        return new("/parts/slab", "slab", "Slab", Sweep(0, last, (section, b) =>
        {
            var top = b == 0 ? section.Strips[0].SlabFrom : section.Strips[b - 1].SlabTo;
            return (top - deck.SlabThickness, top);
        }));
    }

    /// <summary>What lies on the slab: surfacing, footways, verges, edge beams. A strip that is nowhere above the slab is left out.</summary>
    public IEnumerable<PartSolid> Strips()
    {
        var strips = geometry.Deck.At(geometry.FirstStation).Strips;
        for (var i = 0; i < strips.Length; i++)
        {
            if (strips[i].MeanFill <= 1e-6) continue;
            var strip = i;
            var kind = strips[i].Kind switch { StripKind.Carriageway or StripKind.HardStrip => "surfacing", StripKind.EdgeBeam => "edge beams", _ => "footways" };
            yield return new(strips[i].Path, kind, Name(strips[i].Kind), Sweep(i, i + 1, (section, b) =>
            {
                var here = section.Strips[strip];
                return b == strip ? (here.SlabFrom, here.SurfaceFrom) : (here.SlabTo, here.SurfaceTo);
            }));
        }
    }

    /// <summary>Girders, straight from end to end; their ends are square to them.</summary>
    public IEnumerable<PartSolid> Girders()
    {
        var shape = geometry.Bridge.Girders.Section;
        var outline = shape.Outline().Points;
        var half = outline.Length / 2;
        foreach (var girder in geometry.Girders)
        {
            for (var span = 0; span < geometry.SpanCount; span++)
            {
                var (a, b) = (girder.AtAxes[span], girder.AtAxes[span + 1]);
                var (levelA, levelB) = (TopAt(girder, span), TopAt(girder, span + 1));
                var length = Point.Distance(a, b);
                var gap = geometry.Bridge.Girders.EndGap / length;
                var along = 1 / length * (b - a);
                var right = new Point(along.Y, -along.X);
                // Standing the section on its side, its left and right halves are the lower and upper side of the sweep.
                (Point3[], Point3[]) At(double t)
                {
                    var (p, top) = (Point.Between(a, b, t), levelA + t * (levelB - levelA));
                    Point3 Corner(Point q) => new(p.X + q.X * right.X, p.Y + q.X * right.Y, top - shape.Depth + q.Y);
                    return ([.. Enumerable.Range(0, half).Select(i => Corner(outline[i]))], [.. Enumerable.Range(0, half).Select(i => Corner(outline[outline.Length - 1 - i]))]);
                }
                yield return new($"/parts/girders/{girder.Number}/spans/{span + 1}", "girders", $"{girder.Name}, span {span + 1}", Solid.Sweep([At(gap), At(1 - gap)]));
            }
        }
    }

    public IEnumerable<PartSolid> Parapets()
    {
        foreach (var line in ParapetLine.All(geometry))
        {
            var pieces = Math.Max(1, (int)Math.Ceiling((line.To - line.From) / LongestPiece));
            var stations = Enumerable.Range(0, pieces + 1).Select(i => line.From + (line.To - line.From) * i / pieces).ToList();
            foreach (var outline in line.Profile.Outlines) yield return Part(line, outline, stations);
            if (line.Profile.Posts is not { } posts) continue;
            for (var at = line.From + posts.Spacing / 2; at < line.To; at += posts.Spacing) yield return Part(line, posts.Outline, [at - posts.Length / 2, at + posts.Length / 2]);
        }
    }

    private PartSolid Part(ParapetLine line, Polygon outline, List<double> stations)
    {
        // Seen looking ahead, offsets to the right and levels up: anticlockwise has positive area.
        var seen = outline.Points.Select(p => new Point(line.Side * p.X, p.Y)).ToList();
        var isClockwise = seen.Select((p, i) => p.Cross(seen[(i + 1) % seen.Count])).Sum() < 0;
        if (isClockwise) seen.Reverse();
        IEnumerable<Point> Ring(double station) => isClockwise ? line.Place(outline, station).Reverse() : line.Place(outline, station);
        var rings = stations.Select(s => Ring(s).Select(p =>
        {
            var at = geometry.Road.At(s, p.X);
            return new Point3(at.X, at.Y, geometry.Road.Level(s) + p.Y);
        }).ToArray()).ToList();
        // Validation refuses outlines that cannot be filled.
        return new(line.Path, "parapets", $"Parapet {line.Index + 1} {(line.Side < 0 ? "left" : "right")}", Solid.Lead(rings, new Polygon(seen).Triangulate()!.Value));
    }

    /// <summary>Level of a girder's top where it meets an axis (from 0): the slab's soffit there less the haunch.</summary>
    public double TopAt(GirderLine girder, int axis)
    {
        var place = geometry.Road.Locate(girder.AtAxes[axis]);
        return geometry.Road.Level(place.Station) + geometry.Deck.At(place.Station).SlabTop(place.Offset) - deck.SlabThickness - deck.Haunch;
    }

    /// <summary>A layer of the deck between two boundaries, its ends cut along the end axes; levels relative to the road line at each boundary.</summary>
    private Solid Sweep(int from, int to, Func<DeckSection, int, (double Lower, double Upper)> levels)
    {
        var boundaries = Enumerable.Range(from, to - from + 1).ToList();
        var ends = boundaries.Select(b => (geometry.BoundaryOnAxis(geometry.Axes[0], b).Station - deck.EndOverhang, geometry.BoundaryOnAxis(geometry.Axes[^1], b).Station + deck.EndOverhang)).ToList();
        var pieces = Math.Max(1, (int)Math.Ceiling(ends.Max(e => e.Item2 - e.Item1) / LongestPiece));
        List<(Point3[], Point3[])> sections = [];
        for (var i = 0; i <= pieces; i++)
        {
            var (lower, upper) = (new Point3[boundaries.Count], new Point3[boundaries.Count]);
            for (var k = 0; k < boundaries.Count; k++)
            {
                var station = ends[k].Item1 + (ends[k].Item2 - ends[k].Item1) * i / pieces;
                var (point, level) = (geometry.Road.At(station, geometry.Deck.Boundary(boundaries[k], station)), geometry.Road.Level(station));
                var (low, high) = levels(geometry.Deck.At(station), boundaries[k]);
                lower[k] = new(point.X, point.Y, level + low);
                upper[k] = new(point.X, point.Y, level + high);
            }
            sections.Add((lower, upper));
        }
        return Solid.Sweep(sections);
    }

    private static string Name(StripKind kind) => kind switch
    {
        StripKind.Carriageway => "Carriageway surfacing",
        StripKind.HardStrip => "Hard strip surfacing",
        StripKind.Verge => "Verge",
        StripKind.Footway => "Footway",
        _ => "Edge beam",
    };
}
