using Pravik.Core.Geometry;

namespace Pravik.Core.Bridges;

/// <summary>A part of the bridge in space: the path by which it is picked, what it is, its name and its solid.</summary>
public sealed record PartSolid(string Path, string Kind, string Name, Solid Solid);

/// <summary>The solids of a bridge. Curves are followed by pieces of at most 1 m along the road; levels are true.</summary>
public sealed class BridgeSolids(BridgeGeometry geometry)
{
    private const double LongestPiece = 1;

    public IReadOnlyList<PartSolid> All() => [.. Slabs(), .. Strips(), .. Girders(), .. Haunches(), .. Diaphragms(), .. Parapets()];

    /// <summary>The slab of every unit, and its thickenings over the girders.</summary>
    public IEnumerable<PartSolid> Slabs()
    {
        foreach (var unit in geometry.Units)
        {
            yield return new($"/parts/units/{unit.Number}", "slab", geometry.Units.Length == 1 ? "Slab" : $"Slab, {unit.Name}", Slab(unit));
            if (unit.Pattern.Slab.Thickening <= 0) continue;
            foreach (var girder in geometry.Girders)
            {
                for (var span = unit.FirstSpan; span <= unit.LastSpan; span++)
                    yield return new($"/parts/units/{unit.Number}", "slab", $"Thickening over {girder.Name}, span {span + 1}", Thickening(girder, span, unit.Pattern.Slab));
            }
        }
    }

    /// <summary>What lies on the slab: surfacing, footways, verges, edge beams. A strip that is nowhere above the slab is left out.</summary>
    public IEnumerable<PartSolid> Strips()
    {
        foreach (var unit in geometry.Units)
        {
            var strips = unit.Shape.At(unit.Start.Station).Strips;
            for (var i = 0; i < strips.Length; i++)
            {
                if (strips[i].MeanFill <= 1e-6) continue;
                var strip = i;
                var kind = strips[i].Kind switch { StripKind.Carriageway or StripKind.HardStrip => "surfacing", StripKind.EdgeBeam => "edge beams", _ => "footways" };
                yield return new(strips[i].Part, kind, strips[i].Name, Sweep(unit, [strip, strip + 1], [0, 0], (section, k) =>
                {
                    var here = section.Strips[strip];
                    return k == 0 ? (here.SlabFrom, here.SurfaceFrom) : (here.SlabTo, here.SurfaceTo);
                }));
            }
        }
    }

    /// <summary>The slab, with its corners at the boundaries of the strips and where the thickness begins to change towards the edges.</summary>
    private Solid Slab(UnitPlace unit)
    {
        var (slab, last) = (unit.Pattern.Slab, unit.Shape.Boundaries - 1);
        var boundaries = Enumerable.Range(0, last + 1).Select(b => (double)b).ToList();
        if (slab.EdgeThickness is not null)
        {
            // Where the taper ends, as a place among the boundaries; half way along the unit, so that corners keep their order where it widens.
            var middle = unit.Shape.At((unit.Start.Station + unit.End.Station) / 2);
            foreach (var corner in new[] { middle.LeftEdge + slab.EdgeTaper, middle.RightEdge - slab.EdgeTaper })
            {
                var strip = middle.Strips.IndexOf(middle.StripAt(corner));
                boundaries.Add(strip + (corner - middle.Strips[strip].From) / middle.Strips[strip].Width);
            }
            boundaries = [.. boundaries.Where(b => b >= 0 && b <= last).Distinct().Order()];
        }
        double Inset(int k) => k == 0 ? slab.EdgeInset : k == boundaries.Count - 1 ? -slab.EdgeInset : 0;
        return Sweep(unit, boundaries, [.. boundaries.Select((_, k) => Inset(k))], (section, k) =>
        {
            var b = boundaries[k];
            var strip = section.Strips[Math.Min((int)b, last - 1)];
            var offset = strip.From + (b - Math.Min((int)b, last - 1)) * strip.Width;
            var top = strip.SlabFrom + (b - Math.Min((int)b, last - 1)) * (strip.SlabTo - strip.SlabFrom);
            return (top - section.Thickness(offset), top);
        });
    }

    /// <summary>The slab's thickening over a girder: a trapezium below the soffit.</summary>
    private Solid Thickening(GirderLine girder, int span, SlabShape slab)
    {
        var (line, half, reach, depth) = (geometry.HaunchOf(girder, span), slab.ThickeningWidth / 2, slab.ThickeningWidth / 2 + 3 * slab.Thickening, slab.Thickening);
        return Solid.Sweep([.. Along(girder, span, 0, 1).Select(t =>
        {
            var below = line.Top(t) + line.At(t);
            return (new[] { Corner(girder, span, t, -reach, below + depth), Corner(girder, span, t, -half, below), Corner(girder, span, t, half, below), Corner(girder, span, t, reach, below + depth) },
                new[] { -reach, -half, half, reach }.Select(x => Corner(girder, span, t, x, below + depth)).ToArray());
        })]);
    }

    /// <summary>Haunches between girder and slab, wherever they have a thickness.</summary>
    public IEnumerable<PartSolid> Haunches()
    {
        foreach (var girder in geometry.Girders)
        {
            for (var span = 0; span < geometry.SpanCount; span++)
            {
                var half = geometry.SectionOf(girder, span).TopWidth / 2;
                var line = geometry.HaunchOf(girder, span);
                if (line.Least <= 1e-6) continue;
                var (from, to) = geometry.EndsOf(girder, span);
                var places = new[] { -half, 0, half };
                yield return new($"/parts/girders/{girder.Number}/spans/{span + 1}", "haunches", $"Haunch of {girder.Name}, span {span + 1}", Solid.Sweep([.. Along(girder, span, from, to).Select(t =>
                    (places.Select(x => Corner(girder, span, t, x, line.Top(t))).ToArray(), places.Select(x => Corner(girder, span, t, x, line.Top(t) + line.At(t, x))).ToArray()))]));
            }
        }
    }

    /// <summary>Fractions of a span between two of them, in pieces of at most 1 m.</summary>
    private static IEnumerable<double> Along(GirderLine girder, int span, double from, double to)
    {
        var pieces = Math.Max(2, (int)Math.Ceiling((to - from) * girder.SpanLength(span) / LongestPiece));
        return Enumerable.Range(0, pieces + 1).Select(i => from + (to - from) * i / pieces);
    }

    private Point3 Corner(GirderLine girder, int span, double t, double right, double level)
    {
        var p = geometry.OnGirder(girder, span, t) + right * girder.Spans[span].Right;
        return new(p.X, p.Y, level);
    }

    /// <summary>Girders, straight from end to end in plan, cambered; their ends are square to them.</summary>
    public IEnumerable<PartSolid> Girders()
    {
        // Seen looking ahead, as the outlines are drawn: validation refuses those that cannot be filled.
        var all = geometry.SectionsInUse.ToDictionary(s => s, s => s.Solids.Select(o => (o.Points, Caps: o.Triangulate()!.Value)).ToList());
        foreach (var girder in geometry.Girders)
        {
            for (var span = 0; span < geometry.SpanCount; span++)
            {
                var (line, (from, to)) = (geometry.HaunchOf(girder, span), geometry.EndsOf(girder, span));
                var pieces = Math.Abs(line.Camber) < 1e-9 ? [from, to] : Along(girder, span, from, to).ToList();
                var shape = geometry.SectionOf(girder, span);
                foreach (var (points, caps) in all[shape])
                {
                    var rings = pieces.Select(t => points.Select(q => Corner(girder, span, t, q.X, line.Top(t) - shape.Top + q.Y)).ToArray()).ToList();
                    yield return new($"/parts/girders/{girder.Number}/spans/{span + 1}", "girders", $"{girder.Name}, span {span + 1}", Solid.Lead(rings, caps));
                }
            }
        }
    }

    /// <summary>Diaphragms between the axes, from web to web, their top at the girders'.</summary>
    public IEnumerable<PartSolid> Diaphragms()
    {
        foreach (var (placed, index, span, bay, from, to, clear) in geometry.DiaphragmBays())
        {
            var along = 1 / Point.Distance(from, to) * (to - from);
            var (left, right) = (geometry.Girders[bay - 1], geometry.Girders[bay]);
            // Led from left to right; ahead lies to the left of that.
            var ahead = new Point(-along.Y, along.X);
            Point3[] Ring(GirderLine girder, Point at, double toward)
            {
                var (p, top) = (at + toward * geometry.SectionOf(girder, span).WebWidth / 2 * along, geometry.HaunchOf(girder, span).Top(placed.At));
                return [.. new[] { (0.5, -placed.Depth), (-0.5, -placed.Depth), (-0.5, 0.0), (0.5, 0.0) }.Select(c => new Point3(p.X + c.Item1 * placed.Width * ahead.X, p.Y + c.Item1 * placed.Width * ahead.Y, top + c.Item2))];
            }
            if (clear > 0.01) yield return new($"/parts/diaphragms/{index + 1}", "diaphragms", $"Diaphragm {index + 1}, span {span + 1}, bay {bay}", Solid.Lead([Ring(left, from, 1), Ring(right, to, -1)], [0, 1, 2, 0, 2, 3]));
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
        var isClockwise = new Polygon(seen).IsClockwise;
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

    /// <summary>
    /// A layer of a unit along boundaries of its strips (or places between them), its ends cut along its axes; levels relative to the road line at
    /// each of them, the lower side moved across by the insets.
    /// </summary>
    private Solid Sweep(UnitPlace unit, IReadOnlyList<double> boundaries, double[] insets, Func<DeckSection, int, (double Lower, double Upper)> levels)
    {
        double Offset(double boundary, double station)
        {
            var strip = Math.Min((int)boundary, unit.Shape.Boundaries - 2);
            return unit.Shape.Within(strip, boundary - strip, station);
        }
        var ends = boundaries.Select(b => unit.Ends(s => Offset(b, s))).ToList();
        var pieces = Math.Max(1, (int)Math.Ceiling(ends.Max(e => e.To - e.From) / LongestPiece));
        List<(Point3[], Point3[])> sections = [];
        for (var i = 0; i <= pieces; i++)
        {
            var (lower, upper) = (new Point3[boundaries.Count], new Point3[boundaries.Count]);
            for (var k = 0; k < boundaries.Count; k++)
            {
                var station = ends[k].From + (ends[k].To - ends[k].From) * i / pieces;
                var (section, offset, level) = (unit.Shape.At(station), Offset(boundaries[k], station), geometry.Road.Level(station));
                var (low, high) = levels(section, k);
                var (under, over) = (geometry.Road.At(station, offset + insets[k]), geometry.Road.At(station, offset));
                lower[k] = new(under.X, under.Y, level + low);
                upper[k] = new(over.X, over.Y, level + high);
            }
            sections.Add((lower, upper));
        }
        return Solid.Sweep(sections);
    }
}
