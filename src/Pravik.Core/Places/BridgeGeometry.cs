using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;
using Pravik.Core.Sections;

namespace Pravik.Core.Places;

/// <summary>A support axis: its number from 1, name, station, skew (rad) and kind.</summary>
public sealed record AxisPlace(int Number, string Name, double Station, double Skew, AxisKind Kind);

/// <summary>Where everything is. A pure function of a valid bridge.</summary>
public sealed class BridgeGeometry
{
    private readonly Lazy<double> deckArea;
    private readonly Lazy<ImmutableArray<Carriageway>> carriageways;
    private readonly Lazy<ImmutableArray<ParapetLine>> parapets;
    private readonly Dictionary<string, Lazy<MadeSection>> sections;
    private readonly ImmutableArray<GirderLayout> layouts;
    private readonly System.Collections.Concurrent.ConcurrentDictionary<(int Girder, int Span), HaunchLine> haunches = [];

    /// <param name="bridge">A valid bridge.</param>
    /// <param name="placeGirders">Whether to place girders; without them only the deck is looked at, as before it is known that they
    /// fit.</param>
    public BridgeGeometry(Bridge bridge, bool placeGirders = true)
    {
        Bridge = bridge;
        Road = new(bridge.Road);
        Axes = [.. PlaceAxes(bridge.Axes)];
        sections = bridge.Sections.DistinctBy(s => s.Name).ToDictionary(s => s.Name, s => new Lazy<MadeSection>(() => new(s)));
        Section = (
            bridge.Girders.Section is { } named && sections.TryGetValue(named, out var all) ? all : sections[bridge.Sections[0].Name]
        ).Value;
        Units = [.. PlaceUnits()];
        layouts = [.. Enumerable.Range(0, SpanCount).Select(span => GirderLayout.Of(bridge.Girders, span, SpanCount))];
        deckArea = new(() => Units.Sum(u => u.Integral((_, _) => 1)));
        parapets = new(() => ParapetLine.All(this));
        carriageways = new(FindCarriageways);
        Girders = placeGirders ? [.. Enumerable.Range(1, layouts.Max(l => l.Count)).Select(Line)] : [];
    }

    public Bridge Bridge { get; }
    public RoadLine Road { get; }

    /// <summary>The section that girders have where they have none of their own.</summary>
    public MadeSection Section { get; }

    /// <summary>The section of a girder half way along a span (from 0).</summary>
    public MadeSection SectionOf(GirderLine girder, int span) => SectionOf(girder, span, 0.5);

    /// <summary>
    /// The section of a girder at fraction t of a span: its own, that of a range or of all girders, as deep as the span's law of depth
    /// says.
    /// </summary>
    public MadeSection SectionOf(GirderLine girder, int span, double t)
    {
        var made = BaseSection(girder.Number, span, t);
        return LayoutOf(span).Depth is { } law ? made.WithDepth(law.At(t, Bridge.Axes.Spans[span])) : made;
    }

    /// <summary>
    /// Fractions of a span (from 0) at which the section of a girder may change: its ends, those of ranges, and where a law of depth
    /// has a corner.
    /// </summary>
    public ImmutableArray<double> Breaks(GirderLine girder, int span)
    {
        var (from, to) = EndsOf(girder, span);
        double[] corners = LayoutOf(span).Depth is { } law ? [law.Reach, 0.5, 1 - law.Reach] : [];
        return
        [
            .. Bridge
                .Girders.Ranges.Where(r => r.IsIn(span))
                .SelectMany(r => new[] { r.From, r.To })
                .Concat(corners)
                .Where(t => t > from && t < to)
                .Append(from)
                .Append(to)
                .Distinct()
                .Order(),
        ];
    }

    /// <summary>Whether a girder has one section from end to end of a span.</summary>
    public bool IsUniform(GirderLine girder, int span) =>
        LayoutOf(span).Depth is null && (HasOwnSection(girder.Number, span) || !Bridge.Girders.Ranges.Any(r => r.IsIn(span)));

    /// <summary>Volume of a girder in a span (m³), by Gauss's rule between the places where its section changes.</summary>
    public double GirderVolume(GirderLine girder, int span)
    {
        if (IsUniform(girder, span))
            return SectionOf(girder, span).Properties.GrossArea * LengthOf(girder, span);
        var (breaks, rule) = (Breaks(girder, span), Numerics.GaussLegendre.Five);
        double Area(double a, double b) =>
            Enumerable
                .Range(0, rule.At.Length)
                .Sum(i => rule.Weight[i] * SectionOf(girder, span, a + rule.At[i] * (b - a)).Properties.GrossArea);
        return girder.SpanLength(span) * breaks.Zip(breaks.Skip(1), (a, b) => (b - a) * Area(a, b)).Sum();
    }

    /// <summary>
    /// Placed diaphragms bay by bay: which, in which span and bay (from 1), between which points of the girders' centre lines, and its
    /// clear length between their webs.
    /// </summary>
    public IEnumerable<DiaphragmBay> DiaphragmBays()
    {
        for (var i = 0; i < Bridge.Girders.Diaphragms.Length; i++)
        {
            var placed = Bridge.Girders.Diaphragms[i];
            for (var span = 0; span < SpanCount; span++)
            {
                if (!placed.IsIn(span))
                    continue;
                var girders = GirdersIn(span);
                for (var bay = 1; bay < girders.Length; bay++)
                {
                    if (!placed.HasBay(bay))
                        continue;
                    var (left, right) = (girders[bay - 1], girders[bay]);
                    var (onLeft, onRight) = Fractions(placed, left, right, span);
                    var (from, to) = (OnGirder(left, span, onLeft), OnGirder(right, span, onRight));
                    yield return new(
                        placed,
                        i,
                        span,
                        bay,
                        left,
                        right,
                        onLeft,
                        onRight,
                        from,
                        to,
                        Point.Distance(from, to) - (SectionOf(left, span, onLeft).WebWidth + SectionOf(right, span, onRight).WebWidth) / 2
                    );
                }
            }
        }
    }

    /// <summary>Stiffeners of girders of steel, one by one.</summary>
    public IEnumerable<StiffenerPlace> StiffenerPlaces() => StiffenerPlace.All(this);

    /// <summary>
    /// Fractions of the span at which a diaphragm meets the girders of a bay: the same part of both, or square to the left one about
    /// the middle of the bay.
    /// </summary>
    private (double Left, double Right) Fractions(PlacedDiaphragm placed, GirderLine left, GirderLine right, int span)
    {
        double Part(GirderLine girder) => placed.Distance is { } distance ? distance / girder.SpanLength(span) : placed.At;
        if (!placed.Square)
            return (Part(left), Part(right));
        // Projections of the middle of the bay on both girders, along which they are all but straight.
        var middle = Point.Between(OnGirder(left, span, Part(left)), OnGirder(right, span, Part(right)), 0.5);
        double Foot(GirderLine girder) =>
            Math.Clamp(
                Part(girder)
                    + (middle - OnGirder(girder, span, Part(girder))).Dot(left.In(span).Along(Part(left))) / girder.SpanLength(span),
                0,
                1
            );
        return (Foot(left), Foot(right));
    }

    /// <summary>Weight of a diaphragm in a bay (N): its clear length times its section, or its bars.</summary>
    public double DiaphragmWeight(DiaphragmBay bay)
    {
        var placed = bay.Diaphragm;
        if (placed.Kind == DiaphragmKind.Concrete)
            return bay.Clear * placed.Width * placed.Depth * Bridge.Loads.ConcreteWeight;
        return (BarsOf(placed)?.Properties.GrossArea ?? 0) * BarLength(bay) * Bridge.Loads.SteelWeight;
    }

    /// <summary>Length of the bars of a steel diaphragm in a bay together (m), between the girders' webs.</summary>
    public static double BarLength(DiaphragmBay bay) =>
        DiaphragmBay
            .Bars(bay.Diaphragm)
            .Sum(b => Math.Sqrt(Math.Pow((b.To.Across - b.From.Across) * bay.Clear, 2) + Math.Pow(b.To.Below - b.From.Below, 2)));

    /// <summary>Mean weight of a bare girder in a span (N/m).</summary>
    public double GirderWeight(GirderLine girder, int span) =>
        IsUniform(girder, span)
            ? WeightAt(girder, span, 0.5)
            : GirderVolume(girder, span) / LengthOf(girder, span) * UnitWeight(SectionOf(girder, span));

    /// <summary>Weight of a bare girder at fraction t of a span (N/m).</summary>
    public double WeightAt(GirderLine girder, int span, double t) =>
        SectionOf(girder, span, t) is var section ? section.Properties.GrossArea * UnitWeight(section) : 0;

    private double UnitWeight(MadeSection section) => section.IsSteel ? Bridge.Loads.SteelWeight : Bridge.Loads.ConcreteWeight;

    /// <summary>The sections that girders have, each once.</summary>
    public IEnumerable<MadeSection> SectionsInUse =>
        Enumerable
            .Range(0, SpanCount)
            .SelectMany(span =>
                Enumerable
                    .Range(1, LayoutOf(span).Count)
                    .Where(n => IsPresent(n, span))
                    .SelectMany(n => Places(span).Select(t => BaseSection(n, span, t)))
            )
            .Distinct();

    /// <summary>A place within each part of a span in which one section holds.</summary>
    private IEnumerable<double> Places(int span)
    {
        double[] ends =
        [
            .. Bridge
                .Girders.Ranges.Where(r => r.IsIn(span))
                .SelectMany(r => new[] { r.From, r.To })
                .Append(0)
                .Append(1)
                .Distinct()
                .Order(),
        ];
        return ends.Zip(ends.Skip(1), (a, b) => (a + b) / 2);
    }

    /// <summary>
    /// The section of the bars of a steel diaphragm; null for a concrete one, and where the bridge has no section of steel.
    /// </summary>
    public MadeSection? BarsOf(PlacedDiaphragm placed)
    {
        if (placed.Kind == DiaphragmKind.Concrete)
            return null;
        var name =
            placed.Section is { } own && sections.ContainsKey(own)
                ? own
                : Bridge.Sections.FirstOrDefault(s => SectionFamily.IsSteel(s))?.Name;
        return name is null ? null : sections[name].Value;
    }

    /// <summary>The section of a girder at a fraction of a span before a law of depth changes it.</summary>
    public MadeSection BaseSectionOf(GirderLine girder, int span, double t) => BaseSection(girder.Number, span, t);

    private bool HasOwnSection(int number, int span) =>
        Bridge.Girders.Own.GetValueOrDefault(HaunchLine.Key(number, span))?.Section is { } name && sections.ContainsKey(name);

    private MadeSection BaseSection(int number, int span, double t)
    {
        if (HasOwnSection(number, span))
            return sections[Bridge.Girders.Own[HaunchLine.Key(number, span)].Section!].Value;
        return Bridge.Girders.Ranges.LastOrDefault(r => r.Holds(span, t)) is { } range
            ? sections[range.Section is { } name && sections.ContainsKey(name) ? name : Bridge.Sections[0].Name].Value
            : Section;
    }

    /// <summary>The units of the deck, along the bridge.</summary>
    public ImmutableArray<UnitPlace> Units { get; }
    public ImmutableArray<AxisPlace> Axes { get; }
    public ImmutableArray<GirderLine> Girders { get; }

    /// <summary>The lines that have a girder in a span (from 0), from the left.</summary>
    public ImmutableArray<GirderLine> GirdersIn(int span) => [.. Girders.Where(g => g.IsIn(span))];

    /// <summary>Every girder with its span (from 0), line by line.</summary>
    public IEnumerable<(GirderLine Girder, int Span)> Pieces =>
        Girders.SelectMany(g => Enumerable.Range(0, SpanCount).Where(g.IsIn).Select(span => (g, span)));

    /// <summary>Whether every line has a girder in every span.</summary>
    public bool IsComplete =>
        layouts.All(l => l.Count == layouts[0].Count)
        && Enumerable.Range(0, SpanCount).All(span => Enumerable.Range(1, layouts[0].Count).All(n => IsPresent(n, span)));

    /// <summary>Whether girders run on over a pier in one piece anywhere.</summary>
    public bool RunsOn => layouts.Any(l => l.RunsOn);

    public int SpanCount => Axes.Length - 1;
    public double FirstStation => Axes[0].Station;
    public double LastStation => Axes[^1].Station;

    /// <summary>Stations from the first axis to the last, in equal steps.</summary>
    public IEnumerable<double> Stations(int pieces) =>
        Enumerable.Range(0, pieces + 1).Select(i => FirstStation + i * (LastStation - FirstStation) / pieces);

    /// <summary>
    /// Where traffic may drive anywhere on the bridge, from the left: parted by kerbs and restraint systems, of all sections together.
    /// Where a carriageway narrows this reaches over its kerbs, which is on the safe side. Empty where there is none.
    /// </summary>
    public ImmutableArray<Carriageway> Carriageways => carriageways.Value;

    /// <summary>The carriageways of a unit at a station.</summary>
    public ImmutableArray<Carriageway> CarriagewaysAt(UnitPlace unit, double station)
    {
        List<Restraint> restraints = [];
        foreach (var parapet in parapets.Value.Where(p => p.Unit == unit && p.Covers(station)))
        {
            var (face, back) = (parapet.Face(station), parapet.Face(station) + parapet.Side * parapet.Profile.Width);
            restraints.Add(new(Math.Min(face, back), Math.Max(face, back)));
        }
        return Carriageway.Between(unit.Shape.At(station).Strips, restraints, Bridge.Basis.Values["kerbHeight"]);
    }

    private ImmutableArray<Carriageway> FindCarriageways() =>
        Carriageway.Union(
            Units.SelectMany(unit =>
            {
                var ends = parapets.Value.Where(p => p.Unit == unit).SelectMany(p => new[] { p.From + 1e-3, p.To - 1e-3 });
                var stations = unit.Shape.IsConstant ? [unit.Start.Station] : unit.Stations(40);
                return stations.Concat(ends).SelectMany(station => CarriagewaysAt(unit, station));
            })
        );

    /// <summary>Area of the deck in plan, ends cut along the axes and moved out by the overhangs (measured along the road).</summary>
    public double DeckArea => deckArea.Value;

    /// <summary>
    /// Volume of the slab (m³): its thickness over the deck's area, less what inset edges take away, plus thickenings over girders.
    /// </summary>
    public double SlabVolume =>
        Units.Sum(unit =>
        {
            var slab = unit.Pattern.Slab;
            double EdgeLoss(int boundary)
            {
                var (from, to) = unit.Ends(boundary);
                var at = unit.Shape.At((from + to) / 2);
                // A corner moved sideways by e between neighbours whose levels differ by h takes e·h/2 away.
                var corners = at.SlabCorners.ToList();
                var (edge, next) = boundary == 0 ? (corners[0], corners[1]) : (corners[^1], corners[^2]);
                return slab.EdgeInset
                    * (at.SlabTop(edge) - at.SlabSoffit(next))
                    / 2
                    * Road.Line.LengthAt(unit.Shape.Boundary(boundary, (from + to) / 2), from, to);
            }
            var loss = slab.EdgeInset == 0 ? 0 : EdgeLoss(0) + EdgeLoss(unit.Shape.Boundaries - 1);
            var over = Pieces.Where(p => unit.Has(p.Span)).Sum(p => p.Girder.SpanLength(p.Span) * ThickeningArea(slab));
            return unit.Integral((s, o) => unit.Shape.At(s).Thickness(o)) - loss + over;
        });

    /// <summary>Area of a thickening over a girder: t·(w + 3t), its sides running out at 1:3.</summary>
    public static double ThickeningArea(SlabShape slab) => slab.Thickening * (slab.ThickeningWidth + 3 * slab.Thickening);

    /// <summary>The unit to which a span (from 0) belongs.</summary>
    public UnitPlace UnitOf(int span) => Units.First(u => u.Has(span));

    /// <summary>The unit at a place: the road line's where no offset is given. A joint parts units along its axis, skew or not.</summary>
    public UnitPlace UnitAt(double station, double offset = 0)
    {
        foreach (var unit in Units)
        {
            if (unit == Units[^1] || IsBehind(unit.End, station, offset))
                return unit;
        }
        return Units[^1];
    }

    /// <summary>The section of the unit at a place.</summary>
    public DeckSection SectionAt(double station, double offset = 0) => UnitAt(station, offset).Shape.At(station);

    /// <summary>Offset of the deck's left or right edge at a station, that of the unit which has the edge there.</summary>
    public double LeftEdge(double station) => Edge(station, u => u.Shape.LeftEdge(station));

    public double RightEdge(double station) => Edge(station, u => u.Shape.RightEdge(station));

    /// <summary>
    /// The deck as a section square to the road at a station cuts it: near skewed ends and joints only a part, or parts of two units.
    /// From left
    /// to right; none beyond the ends.
    /// </summary>
    public ImmutableArray<DeckCut> CutAt(double station)
    {
        var cuts = ImmutableArray.CreateBuilder<DeckCut>();
        foreach (var unit in Units)
        {
            var section = unit.Shape.At(station);
            var (left, right) = (section.LeftEdge, section.RightEdge);
            Narrow(o => station - (Meet(unit.Start, _ => o).Station - unit.StartOverhang));
            if (left < right)
                Narrow(o => Meet(unit.End, _ => o).Station + unit.EndOverhang - station);
            if (right - left > 1e-6)
                cuts.Add(new(unit, section, left, right));

            // Keeps the offsets at which a measure, which runs one way across the deck, is not negative.
            void Narrow(Func<double, double> inside)
            {
                var (atLeft, atRight) = (inside(left), inside(right));
                if (atLeft >= 0 && atRight >= 0)
                    return;
                if (atLeft < 0 && atRight < 0)
                    (left, right) = (0, 0);
                else if (Numerics.Roots.Bisect(inside, left, right) is { } edge)
                {
                    if (atLeft < 0)
                        left = edge;
                    else
                        right = edge;
                }
            }
        }
        return [.. cuts.OrderBy(c => c.From)];
    }

    private double Edge(double station, Func<UnitPlace, double> edge) =>
        edge(Units.Length == 1 ? Units[0] : UnitAt(station, edge(UnitAt(station))));

    /// <summary>Whether a place lies behind an axis. Far from it the station tells; near it, the side of the axis's line.</summary>
    private bool IsBehind(AxisPlace axis, double station, double offset)
    {
        var reach = 1 + 2 * Math.Abs(offset * Math.Tan(axis.Skew));
        if (offset == 0 || Math.Abs(station - axis.Station) > reach)
            return station < axis.Station;
        var direction = Point.Towards(Road.Azimuth(axis.Station) + Math.PI / 2 + axis.Skew);
        return direction.Cross(Road.At(station, offset) - Road.At(axis.Station)) < 0;
    }

    public Titles Titles => Bridge.Basis.Titles;

    /// <summary>
    /// Where an axis meets a line along the bridge that is given by its offset at every station, to 1e-12 m. The axis passes through
    /// the road at
    /// its station with azimuth = road azimuth + 90° + skew; on a straight road it has the offset o at station s₀ − o·tan(skew).
    /// </summary>
    public RoadPlace Meet(AxisPlace axis, Func<double, double> offsetAt)
    {
        var direction = Point.Towards(Road.Azimuth(axis.Station) + Math.PI / 2 + axis.Skew);
        var origin = Road.At(axis.Station);
        var along = offsetAt(axis.Station) / Math.Cos(axis.Skew);
        var place = Road.Locate(origin + along * direction);
        for (var i = 0; i < 60; i++)
        {
            var error = offsetAt(place.Station) - place.Offset;
            if (Math.Abs(error) < 1e-12)
                break;
            along += error / Math.Cos(axis.Skew);
            place = Road.Locate(origin + along * direction);
        }
        return place;
    }

    /// <summary>The corners of the deck: the end axes, moved out by the overhang, on the left and the right edge.</summary>
    public IEnumerable<(string Name, RoadPlace Place)> Corners()
    {
        foreach (
            var (unit, axis, outward, end) in new[]
            {
                (Units[0], Axes[0], -Units[0].StartOverhang, "first"),
                (Units[^1], Axes[^1], Units[^1].EndOverhang, "last"),
            }
        )
        {
            foreach (var (boundary, side) in new[] { (0, "left"), (unit.Shape.Boundaries - 1, "right") })
            {
                var place = unit.BoundaryOnAxis(axis, boundary);
                yield return ($"{end} {side}", place with { Station = place.Station + outward });
            }
        }
    }

    /// <summary>Where an axis meets the deck's left and right edges: those of the wider unit at a joint.</summary>
    public (RoadPlace Left, RoadPlace Right) EdgesOn(AxisPlace axis)
    {
        var at = Units.Where(u => axis.Number >= u.Start.Number && axis.Number <= u.End.Number).Select(u => u.OnAxis(axis)).ToList();
        return (at.MinBy(e => e.Left.Offset).Left, at.MaxBy(e => e.Right.Offset).Right);
    }

    /// <summary>A point on a girder at fraction t of a span (0 at its first axis).</summary>
    public Point OnGirder(GirderLine girder, int span, double t) => girder.In(span).At(t);

    /// <summary>
    /// Offset of a girder where the section square to the road at a station cuts it; null before its first axis and beyond its last.
    /// </summary>
    public double? GirderOffsetAt(GirderLine girder, double station) => GirderCutAt(girder, station)?.Offset;

    /// <summary>The same with the span (from 0) and the fraction of it.</summary>
    public (int Span, double Fraction, double Offset)? GirderCutAt(GirderLine girder, double station)
    {
        for (var span = 0; span < SpanCount; span++)
        {
            if (!girder.IsIn(span))
                continue;
            double Station(double t) => Road.Locate(OnGirder(girder, span, t)).Station;
            if (station < Station(0) - 1e-9 || station > Station(1) + 1e-9)
                continue;
            var t = Numerics.Roots.Bisect(t => Station(t) - station, 0, 1) ?? (Math.Abs(Station(0) - station) < 1e-6 ? 0 : 1);
            return (span, t, Road.Locate(OnGirder(girder, span, t)).Offset);
        }
        return null;
    }

    /// <summary>
    /// The span (from 0) in which a place lies, the road line's where no offset is given; the first or last beyond the ends.
    /// </summary>
    public int SpanAt(double station, double offset = 0)
    {
        for (var i = 0; i < SpanCount - 1; i++)
        {
            if (IsBehind(Axes[i + 1], station, offset))
                return i;
        }
        return SpanCount - 1;
    }

    /// <summary>Width of slab that each girder carries while it is wet: half the spacing on each side, or the overhang.</summary>
    public double WetSlabWidth(GirderLine girder, int span)
    {
        var (left, right) = SlabShares(girder, span);
        return left + right;
    }

    /// <summary>
    /// Width of slab left and right of a girder that is its own: half the distance to the next girder, or the whole overhang. Taken half
    /// way along the span, which is the mean where the deck widens.
    /// </summary>
    public (double Left, double Right) SlabShares(GirderLine girder, int span)
    {
        var station = Road.Locate(OnGirder(girder, span, 0.5)).Station;
        var (offset, shape, all) = (girder.In(span).MiddleOffset, UnitOf(span).Shape, GirdersIn(span));
        var at = all.IndexOf(girder);
        double Gap(GirderLine other) => Math.Abs(other.In(span).MiddleOffset - offset) / 2;
        return (
            at == 0 ? offset - shape.LeftEdge(station) : Gap(all[at - 1]),
            at == all.Length - 1 ? shape.RightEdge(station) - offset : Gap(all[at + 1])
        );
    }

    /// <summary>Thickness of the slab over a girder at fraction t of a span, without the thickening over it.</summary>
    public double SlabThickness(GirderLine girder, int span, double t)
    {
        var shape = UnitOf(span).Shape;
        var place = shape.IsConstant
            ? new RoadPlace(0, girder.In(span).StartOffset + t * (girder.In(span).EndOffset - girder.In(span).StartOffset), 0)
            : Road.Locate(OnGirder(girder, span, t));
        return shape.At(place.Station).Thickness(place.Offset);
    }

    /// <summary>The values of the support at an axis.</summary>
    public SupportValues SupportAt(AxisPlace axis) =>
        new(Bridge.Supports, axis.Number, axis.Kind == AxisKind.Abutment, axis.Kind == AxisKind.Joint);

    /// <summary>The haunch along a girder in a span (from 0), and with it the girder's levels.</summary>
    public HaunchLine HaunchOf(GirderLine girder, int span) => haunches.GetOrAdd((girder.Number, span), _ => new(this, girder, span));

    /// <summary>
    /// Concrete between girder top and slab soffit in a span, with the slab's thickening over girders: the least haunch, with which
    /// sections
    /// are made, on the safe side.
    /// </summary>
    public double Haunch(int span) => Bridge.Deck.Haunch + UnitOf(span).Pattern.Slab.Thickening;

    /// <summary>Spacing of girders square to the road at a station; 0 for a single girder.</summary>
    public double SpacingAt(double station) => SpacingIn(SpanAt(station), station);

    /// <summary>Spacing of girders in a span (from 0) at a station, the least where spacings are listed.</summary>
    public double SpacingIn(int span, double station)
    {
        var shape = UnitOf(span).Shape;
        return LayoutOf(span).Spacing(shape.RightEdge(station) - shape.LeftEdge(station));
    }

    /// <summary>The layout of girders in a span (from 0).</summary>
    public GirderLayout LayoutOf(int span) => layouts[span];

    /// <summary>Fractions of a span between which a girder lies, its end gaps taken off.</summary>
    public (double From, double To) EndsOf(GirderLine girder, int span)
    {
        var (layout, length) = (LayoutOf(span), girder.SpanLength(span));
        return (layout.StartGap / length, 1 - layout.EndGap / length);
    }

    /// <summary>Length of a girder from end to end (m).</summary>
    public double LengthOf(GirderLine girder, int span) => girder.SpanLength(span) - LayoutOf(span).StartGap - LayoutOf(span).EndGap;

    /// <summary>Units lie between the ends of the bridge and the joints.</summary>
    private IEnumerable<UnitPlace> PlaceUnits()
    {
        var kerbHeight = Bridge.Basis.Values["kerbHeight"];
        var ends = Axes.Where(a => a.Number == 1 || a.Number == Axes.Length || a.Kind == AxisKind.Joint).ToList();
        for (var i = 1; i < ends.Count; i++)
            yield return new(this, i, ends[i - 1], ends[i], kerbHeight);
    }

    private IEnumerable<AxisPlace> PlaceAxes(Axes axes)
    {
        var station = axes.FirstStation;
        for (var number = 1; number <= axes.Spans.Length + 1; number++)
        {
            if (number > 1)
                station += axes.Spans[number - 2];
            var own = axes.Own.GetValueOrDefault($"{number}");
            var skew = own?.Azimuth is { } azimuth
                ? Math.IEEERemainder(azimuth - Road.Azimuth(station) - Math.PI / 2, Math.PI)
                : own?.Skew ?? axes.Skew;
            var kind = own?.Kind ?? (number == 1 || number > axes.Spans.Length ? AxisKind.Abutment : AxisKind.Pier);
            yield return new(number, own?.Name ?? $"{number}", station, skew, kind);
        }
    }

    /// <summary>A girder line, placed by the layout of every span at both of its axes: where the deck widens, girders splay.</summary>
    private GirderLine Line(int number) =>
        new(number, [.. Enumerable.Range(0, SpanCount).Select(span => IsPresent(number, span) ? Between(number, span) : null)]);

    private bool IsPresent(int number, int span) =>
        number <= LayoutOf(span).Count && Bridge.Girders.Own.GetValueOrDefault(HaunchLine.Key(number, span))?.Absent != true;

    /// <summary>
    /// A girder between the axes of a span: straight, or keeping its offset from the road line or a line of its file, evenly from that
    /// at one axis to that at the other.
    /// </summary>
    private GirderSpan Between(int number, int span)
    {
        var (start, end) = (GirderOnAxis(Axes[span], span, number), GirderOnAxis(Axes[span + 1], span, number));
        var straight = new GirderSpan(Road.At(start), Road.At(end), start.Offset, end.Offset);
        var course = LayoutOf(span).Course;
        if (course == Bridges.Girders.Straight)
            return straight;
        var line = Road.Features.FirstOrDefault(f => f.Name == course);
        double Guide(double station) => line?.OffsetAt(station) ?? 0;
        var (first, change) = (start.Offset - Guide(start.Station), end.Offset - Guide(end.Station) - start.Offset + Guide(start.Station));
        return straight with
        {
            Curve = new(
                Road,
                start.Station,
                end.Station,
                s => Guide(s) + first + (s - start.Station) / (end.Station - start.Station) * change
            ),
        };
    }

    private RoadPlace GirderOnAxis(AxisPlace axis, int span, int number)
    {
        var (layout, unit) = (LayoutOf(span), UnitOf(span));
        var shift = Bridge.Girders.Own.GetValueOrDefault(HaunchLine.Key(number, span))?.Shift ?? 0;
        if (!layout.AlongAxis)
            return Meet(
                axis,
                s => shift + unit.Shape.LeftEdge(s) + layout.FromLeft(number, unit.Shape.RightEdge(s) - unit.Shape.LeftEdge(s))
            );
        var edges = unit.OnAxis(axis);
        var (left, right) = (Road.At(edges.Left), Road.At(edges.Right));
        var width = Point.Distance(left, right);
        return Road.Locate(left + (shift / Math.Cos(axis.Skew) + layout.FromLeft(number, width)) / width * (right - left));
    }
}
