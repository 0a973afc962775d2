using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Solids;

/// <summary>A part of the bridge in space: the path by which it is picked, what it is, its name and its solid.</summary>
public sealed record PartSolid(string Path, SolidKind Kind, string Name, Solid Solid);

/// <summary>The solids of a bridge. Curves are followed by pieces of at most 1 m along the road; levels are true.</summary>
public sealed class BridgeSolids(BridgeGeometry geometry)
{
    private const double LongestPiece = 1;

    /// <summary>All solids of the superstructure.</summary>
    public IReadOnlyList<PartSolid> All() =>
        [.. Slabs(), .. Strips(), .. Girders(), .. Haunches(), .. Diaphragms(), .. Stiffeners(), .. Parapets()];

    /// <summary>The slab of every unit, and its thickenings over the girders.</summary>
    public IEnumerable<PartSolid> Slabs()
    {
        foreach (var unit in geometry.Units)
        {
            yield return new(
                PartPath.Unit(unit.Number),
                SolidKind.Slab,
                geometry.Units.Length == 1 ? "Slab" : $"Slab, {unit.Name}",
                Slab(unit)
            );
            if (unit.Pattern.Slab.Thickening <= 0)
                continue;
            foreach (var (girder, span) in geometry.Pieces.Where(p => unit.Has(p.Span)))
                yield return new(
                    PartPath.Unit(unit.Number),
                    SolidKind.Thickenings,
                    $"Thickening over {girder.Name}, span {span + 1}",
                    Thickening(girder, span, unit.Pattern.Slab)
                );
        }
    }

    /// <summary>
    /// What lies on the slab: surfacing, footways, verges, edge beams. A strip that is nowhere above the slab is left out.
    /// </summary>
    public IEnumerable<PartSolid> Strips()
    {
        foreach (var unit in geometry.Units)
        {
            var strips = unit.Shape.At(unit.Start.Station).Strips;
            for (var i = 0; i < strips.Length; i++)
            {
                if (strips[i].MeanFill <= 1e-6)
                    continue;
                var strip = i;
                var kind = strips[i].Kind switch
                {
                    StripKind.Carriageway or StripKind.HardStrip => SolidKind.Surfacing,
                    StripKind.EdgeBeam => SolidKind.EdgeBeams,
                    _ => SolidKind.Footways,
                };
                yield return new(
                    strips[i].Part,
                    kind,
                    strips[i].Name,
                    Sweep(
                        unit,
                        [strip, strip + 1],
                        [0, 0],
                        (section, k) =>
                        {
                            var here = section.Strips[strip];
                            return k == 0 ? (here.SlabFrom, here.SurfaceFrom) : (here.SlabTo, here.SurfaceTo);
                        }
                    )
                );
            }
        }
    }

    /// <summary>
    /// The slab, with its corners at the boundaries of the strips and where the thickness begins to change towards the edges.
    /// </summary>
    private Solid Slab(UnitPlace unit)
    {
        var (slab, last) = (unit.Pattern.Slab, unit.Shape.Boundaries - 1);
        var boundaries = Enumerable.Range(0, last + 1).Select(b => (double)b).ToList();
        if (slab.EdgeThickness is not null)
        {
            // Where the taper ends, as a place among the boundaries; half way along the unit, so that corners keep their order where
            // it widens.
            var middle = unit.Shape.At((unit.Start.Station + unit.End.Station) / 2);
            foreach (var corner in new[] { middle.LeftEdge + slab.EdgeTaper, middle.RightEdge - slab.EdgeTaper })
            {
                var strip = middle.Strips.IndexOf(middle.StripAt(corner));
                boundaries.Add(strip + (corner - middle.Strips[strip].From) / middle.Strips[strip].Width);
            }
            boundaries = [.. boundaries.Where(b => b >= 0 && b <= last).Distinct().Order()];
        }
        double Inset(int k) =>
            k == 0 ? slab.EdgeInset
            : k == boundaries.Count - 1 ? -slab.EdgeInset
            : 0;
        return Sweep(
            unit,
            boundaries,
            [.. boundaries.Select((_, k) => Inset(k))],
            (section, k) =>
            {
                var b = boundaries[k];
                var strip = section.Strips[Math.Min((int)b, last - 1)];
                var offset = strip.From + (b - Math.Min((int)b, last - 1)) * strip.Width;
                var top = strip.SlabFrom + (b - Math.Min((int)b, last - 1)) * (strip.SlabTo - strip.SlabFrom);
                return (top - section.Thickness(offset), top);
            }
        );
    }

    /// <summary>The slab's thickening over a girder: a trapezium below the soffit.</summary>
    private Solid Thickening(GirderLine girder, SpanIndex span, SlabShape slab)
    {
        var (line, half, reach, depth) = (
            geometry.HaunchOf(girder, span),
            slab.ThickeningWidth / 2,
            slab.ThickeningWidth / 2 + 3 * slab.Thickening,
            slab.Thickening
        );
        return Solid.Sweep([
            .. Along(girder, span, 0, 1)
                .Select(t =>
                {
                    var below = line.Top(t) + line.At(t);
                    return (
                        new[]
                        {
                            Corner(girder, span, t, -reach, below + depth),
                            Corner(girder, span, t, -half, below),
                            Corner(girder, span, t, half, below),
                            Corner(girder, span, t, reach, below + depth),
                        },
                        new[] { -reach, -half, half, reach }.Select(x => Corner(girder, span, t, x, below + depth)).ToArray()
                    );
                }),
        ]);
    }

    /// <summary>Haunches between girder and slab, wherever they have a thickness.</summary>
    public IEnumerable<PartSolid> Haunches()
    {
        foreach (var (girder, span) in geometry.Pieces)
        {
            var half = geometry.SectionOf(girder, span).TopWidth / 2;
            var line = geometry.HaunchOf(girder, span);
            if (line.Least <= 1e-6)
                continue;
            var (from, to) = geometry.EndsOf(girder, span);
            var places = new[] { -half, 0, half };
            yield return new(
                PartPath.Girder(girder, span),
                SolidKind.Haunches,
                $"Haunch of {girder.Name}, span {span + 1}",
                Solid.Sweep([
                    .. Along(girder, span, from, to)
                        .Select(t =>
                            (
                                places.Select(x => Corner(girder, span, t, x, line.Top(t))).ToArray(),
                                places.Select(x => Corner(girder, span, t, x, line.Top(t) + line.At(t, x))).ToArray()
                            )
                        ),
                ])
            );
        }
    }

    /// <summary>Fractions of a span between two of them, in pieces of at most 1 m.</summary>
    private static IEnumerable<double> Along(GirderLine girder, SpanIndex span, double from, double to)
    {
        var pieces = Math.Max(2, (int)Math.Ceiling((to - from) * girder.SpanLength(span) / LongestPiece));
        return Enumerable.Range(0, pieces + 1).Select(i => from + (to - from) * i / pieces);
    }

    private Point3 Corner(GirderLine girder, SpanIndex span, double t, double right, double level, double ahead = 0)
    {
        var p = geometry.OnGirder(girder, span, t) + right * girder.In(span).Right(t) + ahead * girder.In(span).Along(t);
        return new(p.X, p.Y, level);
    }

    /// <summary>Girders from end to end, part by part where their section changes, cambered; their ends are square to them.</summary>
    public IEnumerable<PartSolid> Girders()
    {
        // Seen looking ahead, as the outlines are drawn: validation refuses those that cannot be filled.
        var caps = geometry.SectionsInUse.ToDictionary(s => s, s => s.Solids.Select(o => o.Triangulate()!.Value).ToList());
        foreach (var (girder, span) in geometry.Pieces)
        {
            var (line, breaks) = (geometry.HaunchOf(girder, span), geometry.Breaks(girder, span));
            var isStraight = girder.In(span).Curve is null && Math.Abs(line.Camber) < 1e-9 && geometry.LayoutOf(span).Depth is null;
            for (var part = 0; part + 1 < breaks.Length; part++)
            {
                var (from, to) = (breaks[part], breaks[part + 1]);
                // At the ends of a part, the section that holds within it.
                MadeSection Made(double t) => geometry.SectionOf(girder, span, Math.Clamp(t, from + 1e-9, to - 1e-9));
                var pattern = geometry.BaseSectionOf(girder, span, (from + to) / 2);
                var pieces = (isStraight ? [from, to] : Along(girder, span, from, to).ToList()).Select(t => (T: t, Made: Made(t))).ToList();
                for (var k = 0; k < caps[pattern].Count; k++)
                {
                    var rings = pieces
                        .Select(p =>
                            p.Made.SolidsLike(pattern)[k]
                                .Points.Select(q => Corner(girder, span, p.T, q.X, line.Top(p.T) - p.Made.Top + q.Y))
                                .ToArray()
                        )
                        .ToList();
                    yield return new(
                        PartPath.Girder(girder, span),
                        SolidKind.Girders,
                        $"{girder.Name}, span {span + 1}",
                        Solid.Lead(rings, caps[pattern][k])
                    );
                }
            }
        }
    }

    /// <summary>
    /// Diaphragms between the axes, from web to web, their top at the girders'; steel ones bar by bar, without their section's shape.
    /// </summary>
    public IEnumerable<PartSolid> Diaphragms()
    {
        foreach (var bay in geometry.DiaphragmBays().Where(b => b.Clear > 0.01))
        {
            var (placed, along) = (bay.Diaphragm, 1 / Point.Distance(bay.From, bay.To) * (bay.To - bay.From));
            // Led from left to right; ahead lies to the left of that.
            var ahead = new Point(-along.Y, along.X);
            Point3[] Ring(Point at, double middle, double width, double depth) =>
                [
                    .. new[] { (0.5, -0.5), (-0.5, -0.5), (-0.5, 0.5), (0.5, 0.5) }.Select(c => new Point3(
                        at.X + c.Item1 * width * ahead.X,
                        at.Y + c.Item1 * width * ahead.Y,
                        middle + c.Item2 * depth
                    )),
                ];
            var (left, right) = (
                bay.From + geometry.SectionOf(bay.Left, bay.Span, bay.OnLeft).WebWidth / 2 * along,
                bay.To - geometry.SectionOf(bay.Right, bay.Span, bay.OnRight).WebWidth / 2 * along
            );
            var (topLeft, topRight) = (
                geometry.HaunchOf(bay.Left, bay.Span).Top(bay.OnLeft),
                geometry.HaunchOf(bay.Right, bay.Span).Top(bay.OnRight)
            );
            var bars = geometry.BarsOf(placed);
            var (width, depth) = bars is null ? (placed.Width, placed.Depth) : (Math.Max(bars.TopWidth, bars.BottomWidth), bars.Depth);
            foreach (var (from, to, name) in DiaphragmBay.Bars(placed))
            {
                // Level below the girders' tops, from one to the other, as a part of the way across.
                double Level((double Across, double Below) p) => topLeft + p.Across * (topRight - topLeft) - p.Below;
                yield return new(
                    PartPath.Diaphragm(bay.Index),
                    bars is null ? SolidKind.Diaphragms : SolidKind.Frames,
                    $"{name} {bay.Index + 1}, span {bay.Span + 1}, bay {bay.Bay}",
                    Solid.Lead(
                        [
                            Ring(Point.Between(left, right, from.Across), Level(from), width, depth),
                            Ring(Point.Between(left, right, to.Across), Level(to), width, depth),
                        ],
                        [0, 1, 2, 0, 2, 3]
                    )
                );
            }
        }
    }

    /// <summary>Stiffeners, on the webs of girders that are open and inside those of boxes alike.</summary>
    public IEnumerable<PartSolid> Stiffeners()
    {
        foreach (var place in geometry.StiffenerPlaces())
        {
            var (stiffener, girder, span) = (place.Stiffener, place.Girder, place.Span);
            var line = geometry.HaunchOf(girder, span);
            foreach (var side in stiffener.BothSides ? new[] { -1, 1 } : [1])
            {
                // From left to right, so that rings look the same on both sides.
                (double From, double To) Across(double t) =>
                    geometry.SectionOf(girder, span, t).WebWidth / 2 is var web && side > 0
                        ? (web, web + stiffener.Width)
                        : (-web - stiffener.Width, -web);
                double Level(double t, double part) =>
                    geometry.SectionOf(girder, span, t) is var made && made.Web is var (low, high)
                        ? line.Top(t) - made.Depth + low + part * (high - low)
                        : 0;
                List<Point3[]> rings;
                if (place.IsUpright)
                {
                    var (t, half) = (place.From, stiffener.Thickness / 2);
                    var (from, to) = Across(t);
                    rings =
                    [
                        .. new[] { from, to }.Select(x =>
                            new[]
                            {
                                Corner(girder, span, t, x, Level(t, 0), half),
                                Corner(girder, span, t, x, Level(t, 0), -half),
                                Corner(girder, span, t, x, Level(t, 1), -half),
                                Corner(girder, span, t, x, Level(t, 1), half),
                            }
                        ),
                    ];
                }
                else
                {
                    rings =
                    [
                        .. Along(girder, span, place.From, place.To)
                            .Select(t =>
                            {
                                var (from, to) = Across(t);
                                var (low, high) = (
                                    Level(t, stiffener.Height) - stiffener.Thickness / 2,
                                    Level(t, stiffener.Height) + stiffener.Thickness / 2
                                );
                                return new[]
                                {
                                    Corner(girder, span, t, from, low),
                                    Corner(girder, span, t, to, low),
                                    Corner(girder, span, t, to, high),
                                    Corner(girder, span, t, from, high),
                                };
                            }),
                    ];
                }
                yield return new(
                    PartPath.Stiffener(place.Index),
                    SolidKind.Stiffeners,
                    $"Stiffener {place.Index + 1} of {girder.Name}, span {span + 1}",
                    Solid.Lead(rings, [0, 1, 2, 0, 2, 3])
                );
            }
        }
    }

    /// <summary>Parapets.</summary>
    public IEnumerable<PartSolid> Parapets()
    {
        foreach (var line in ParapetLine.All(geometry))
        {
            var pieces = Math.Max(1, (int)Math.Ceiling((line.To - line.From) / LongestPiece));
            var stations = Enumerable.Range(0, pieces + 1).Select(i => line.From + (line.To - line.From) * i / pieces).ToList();
            foreach (var outline in line.Profile.Outlines)
                yield return Part(line, outline, stations);
            if (line.Profile.Posts is not { } posts)
                continue;
            for (var at = line.From + posts.Spacing / 2; at < line.To; at += posts.Spacing)
                yield return Part(line, posts.Outline, [at - posts.Length / 2, at + posts.Length / 2]);
        }
    }

    private PartSolid Part(ParapetLine line, Polygon outline, List<double> stations)
    {
        // Seen looking ahead, offsets to the right and levels up: anticlockwise has positive area.
        var seen = outline.Points.Select(p => new Point(line.Side * p.X, p.Y)).ToList();
        var isClockwise = new Polygon(seen).IsClockwise;
        if (isClockwise)
            seen.Reverse();
        IEnumerable<Point> Ring(double station) => isClockwise ? line.Place(outline, station).Reverse() : line.Place(outline, station);
        var rings = stations
            .Select(s =>
                Ring(s)
                    .Select(p =>
                    {
                        var at = geometry.Road.At(s, p.X);
                        return new Point3(at.X, at.Y, geometry.Road.Level(s) + p.Y);
                    })
                    .ToArray()
            )
            .ToList();
        // Validation refuses outlines that cannot be filled.
        return new(
            line.Path,
            SolidKind.Parapets,
            $"Parapet {line.Index + 1} {(line.Side < 0 ? "left" : "right")}",
            Solid.Lead(rings, new Polygon(seen).Triangulate()!.Value)
        );
    }

    /// <summary>
    /// A layer of a unit along boundaries of its strips (or places between them), its ends cut along its axes; levels relative to the
    /// road line at
    /// each of them, the lower side moved across by the insets.
    /// </summary>
    private Solid Sweep(
        UnitPlace unit,
        IReadOnlyList<double> boundaries,
        double[] insets,
        Func<DeckSection, int, (double Lower, double Upper)> levels
    )
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
