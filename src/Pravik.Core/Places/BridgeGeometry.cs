using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;
using Pravik.Core.Sections;

namespace Pravik.Core.Places;

/// <summary>Where everything is. A pure function of a valid bridge.</summary>
public sealed class BridgeGeometry
{
    private readonly DeckPlan deck;
    private readonly ImmutableArray<GirderLayout> layouts;
    private readonly System.Collections.Concurrent.ConcurrentDictionary<(int Number, SpanIndex Span), HaunchLine> haunches = [];

    /// <param name="bridge">A valid bridge.</param>
    /// <param name="placeGirders">Whether to place girders; without them only the deck is looked at, as before it is known that they
    /// fit.</param>
    public BridgeGeometry(Bridge bridge, bool placeGirders = true)
    {
        Bridge = bridge;
        Road = new(bridge.Road);
        Axes = [.. AxisPlace.All(bridge.Axes, Road)];
        Units = [.. PlaceUnits()];
        layouts = GirderLayout.All(bridge);
        Sections = new(bridge, layouts);
        deck = new(this);
        Girders = placeGirders ? new GirderPlacing(this).Lines() : [];
    }

    /// <summary>The bridge.</summary>
    public Bridge Bridge { get; }

    /// <summary>Its road line.</summary>
    public RoadLine Road { get; }

    /// <summary>Types and sections of the girders.</summary>
    public GirderSections Sections { get; }

    /// <summary>The section of the type that all girders have where neither they nor their span name one.</summary>
    public MadeSection Section => Sections.Main;

    /// <summary>The type of a girder in a span.</summary>
    public GirderType TypeOf(GirderLine girder, SpanIndex span) => Sections.TypeOf(girder.Number, span);

    /// <summary>The section of a girder half way along a span.</summary>
    public MadeSection SectionOf(GirderLine girder, SpanIndex span) => SectionOf(girder, span, 0.5);

    /// <summary>The section of a girder at fraction t of a span, with the depth that it has there.</summary>
    public MadeSection SectionOf(GirderLine girder, SpanIndex span, double t) => Sections.At(girder.Number, span, t);

    /// <summary>
    /// Fractions of a span at which the section of a girder may change: its ends, those of ranges, and where a law of depth
    /// has a corner.
    /// </summary>
    public ImmutableArray<double> Breaks(GirderLine girder, SpanIndex span) =>
        Sections.Breaks(span, EndsOf(girder, span).From, EndsOf(girder, span).To);

    /// <summary>Whether a girder has one section from end to end of a span.</summary>
    public bool IsUniform(GirderLine girder, SpanIndex span) => Sections.IsUniform(girder.Number, span);

    /// <summary>Volume of a girder in a span (m³), by Gauss's rule between the places where its section changes.</summary>
    public double GirderVolume(GirderLine girder, SpanIndex span)
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

    /// <summary>Placed diaphragms bay by bay.</summary>
    public IEnumerable<DiaphragmBay> DiaphragmBays() => DiaphragmBay.All(this);

    /// <summary>Stiffeners of girders of steel, one by one.</summary>
    public IEnumerable<StiffenerPlace> StiffenerPlaces() => StiffenerPlace.All(this);

    /// <summary>Mean weight of a bare girder in a span (N/m).</summary>
    public double GirderWeight(GirderLine girder, SpanIndex span) =>
        IsUniform(girder, span)
            ? WeightAt(girder, span, 0.5)
            : GirderVolume(girder, span) / LengthOf(girder, span) * UnitWeight(SectionOf(girder, span));

    /// <summary>Weight of a bare girder at fraction t of a span (N/m).</summary>
    public double WeightAt(GirderLine girder, SpanIndex span, double t) =>
        SectionOf(girder, span, t) is var section ? section.Properties.GrossArea * UnitWeight(section) : 0;

    private double UnitWeight(MadeSection section) => section.IsSteel ? Bridge.Loads.SteelWeight : Bridge.Loads.ConcreteWeight;

    /// <summary>The sections that girders have, each once.</summary>
    public IEnumerable<MadeSection> SectionsInUse => Sections.InUse.Select(u => u.Section).Distinct();

    /// <summary>
    /// The section of the bars of a steel diaphragm; null for a concrete one, and where the bridge has no section of steel.
    /// </summary>
    public MadeSection? BarsOf(PlacedDiaphragm placed)
    {
        if (placed.Kind == DiaphragmKind.Concrete)
            return null;
        return Sections.Named(placed.Section) ?? Sections.Named(Bridge.Sections.FirstOrDefault(SectionFamily.IsSteel)?.Name);
    }

    /// <summary>The section of a girder at a fraction of a span before a law of depth changes it.</summary>
    public MadeSection BaseSectionOf(GirderLine girder, SpanIndex span, double t) => Sections.BeforeDepth(girder.Number, span, t);

    /// <summary>The units of the deck, along the bridge.</summary>
    public ImmutableArray<UnitPlace> Units { get; }

    /// <summary>Its support axes, along the road.</summary>
    public ImmutableArray<AxisPlace> Axes { get; }

    /// <summary>Its lines of girders, from the left.</summary>
    public ImmutableArray<GirderLine> Girders { get; }

    /// <summary>All spans, along the road.</summary>
    public IEnumerable<SpanIndex> SpanIndices => Enumerable.Range(0, SpanCount).Select(i => new SpanIndex(i));

    /// <summary>The lines that have a girder in a span, from the left.</summary>
    public ImmutableArray<GirderLine> GirdersIn(SpanIndex span) => [.. Girders.Where(g => g.IsIn(span))];

    /// <summary>Every girder with its span, line by line.</summary>
    public IEnumerable<(GirderLine Girder, SpanIndex Span)> Pieces =>
        Girders.SelectMany(g => SpanIndices.Where(g.IsIn).Select(span => (g, span)));

    /// <summary>Whether every line has a girder in every span.</summary>
    public bool IsComplete =>
        layouts.All(l => l.Count == layouts[0].Count)
        && Enumerable.Range(0, SpanCount).All(span => Enumerable.Range(1, layouts[0].Count).All(n => Sections.IsPresent(n, span)));

    /// <summary>Whether girders run on over a pier in one piece anywhere.</summary>
    public bool RunsOn => layouts.Any(l => l.RunsOn);

    /// <summary>Number of spans.</summary>
    public int SpanCount => Axes.Length - 1;

    /// <summary>Station of the first axis (m).</summary>
    public double FirstStation => Axes[0].Station;

    /// <summary>Station of the last axis (m).</summary>
    public double LastStation => Axes[^1].Station;

    /// <summary>Stations from the first axis to the last, in equal steps.</summary>
    public IEnumerable<double> Stations(int pieces) =>
        Enumerable.Range(0, pieces + 1).Select(i => FirstStation + i * (LastStation - FirstStation) / pieces);

    /// <summary>Area of a thickening over a girder: t·(w + 3t), its sides running out at 1:3.</summary>
    public static double ThickeningArea(SlabShape slab) => slab.Thickening * (slab.ThickeningWidth + 3 * slab.Thickening);

    /// <summary>The unit to which a span belongs.</summary>
    public UnitPlace UnitOf(SpanIndex span) => Units.First(u => u.Has(span));

    /// <summary>The unit at a place: the road line's where no offset is given. A joint parts units along its axis, skew or not.</summary>
    public UnitPlace UnitAt(double station, double offset = 0)
    {
        foreach (var unit in Units)
        {
            if (unit == Units[^1] || unit.End.IsAheadOf(Road, station, offset))
                return unit;
        }
        return Units[^1];
    }

    /// <summary>The section of the unit at a place.</summary>
    public DeckSection SectionAt(double station, double offset = 0) => UnitAt(station, offset).Shape.At(station);

    /// <summary>Offset of the deck's left or right edge at a station, that of the unit which has the edge there.</summary>
    public double LeftEdge(double station) => deck.Edge(station, u => u.Shape.LeftEdge(station));

    /// <summary>Offset of the deck's right edge at a station.</summary>
    public double RightEdge(double station) => deck.Edge(station, u => u.Shape.RightEdge(station));

    /// <summary>The deck as a section square to the road at a station cuts it, from left to right; none beyond the ends.</summary>
    public ImmutableArray<DeckCut> CutAt(double station) => deck.CutAt(station);

    /// <summary>The corners of the deck: the end axes, moved out by the overhang, on the left and the right edge.</summary>
    public IEnumerable<(string Name, RoadPlace Place)> Corners() => deck.Corners();

    /// <summary>Where an axis meets the deck's left and right edges: those of the wider unit at a joint.</summary>
    public (RoadPlace Left, RoadPlace Right) EdgesOn(AxisPlace axis) => deck.EdgesOn(axis);

    /// <summary>
    /// Where traffic may drive anywhere on the bridge, from the left: parted by kerbs and restraint systems. Empty where there is none.
    /// </summary>
    public ImmutableArray<Carriageway> Carriageways => deck.Carriageways;

    /// <summary>A typed carriageway at a station of a unit.</summary>
    public Carriageway TypedAt(TypedCarriageway typed, UnitPlace unit, double station) => deck.TypedAt(typed, unit, station);

    /// <summary>The carriageways of a unit at a station.</summary>
    public ImmutableArray<Carriageway> CarriagewaysAt(UnitPlace unit, double station) => deck.CarriagewaysAt(unit, station);

    /// <summary>Area of the deck in plan (m²), and volume of its slab (m³).</summary>
    public double DeckArea => deck.Area;

    /// <summary>Volume of the slab (m³).</summary>
    public double SlabVolume => deck.SlabVolume;

    /// <summary>Where an axis meets a line that is given by its offset at every station (<see cref="AxisPlace.Meet"/>).</summary>
    public RoadPlace Meet(AxisPlace axis, Func<double, double> offsetAt) => axis.Meet(Road, offsetAt);

    /// <summary>Titles of the project.</summary>
    public Titles Titles => Bridge.Basis.Titles;

    /// <summary>A point on a girder at fraction t of a span (0 at its first axis).</summary>
    public Point OnGirder(GirderLine girder, SpanIndex span, double t) => girder.In(span).At(t);

    /// <summary>
    /// Offset of a girder where the section square to the road at a station cuts it; null before its first axis and beyond its last.
    /// </summary>
    public double? GirderOffsetAt(GirderLine girder, double station) => GirderCutAt(girder, station)?.Offset;

    /// <summary>The same with the span and the fraction of it.</summary>
    public (SpanIndex Span, double Fraction, double Offset)? GirderCutAt(GirderLine girder, double station)
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
    /// The span in which a place lies, the road line's where no offset is given; the first or last beyond the ends.
    /// </summary>
    public SpanIndex SpanAt(double station, double offset = 0)
    {
        for (var i = 0; i < SpanCount - 1; i++)
        {
            if (Axes[i + 1].IsAheadOf(Road, station, offset))
                return i;
        }
        return SpanCount - 1;
    }

    /// <summary>Width of slab that each girder carries while it is wet: half the spacing on each side, or the overhang.</summary>
    public double WetSlabWidth(GirderLine girder, SpanIndex span)
    {
        var (left, right) = SlabShares(girder, span);
        return left + right;
    }

    /// <summary>
    /// Width of slab left and right of a girder that is its own: half the distance to the next girder, or the whole overhang. Taken half
    /// way along the span, which is the mean where the deck widens.
    /// </summary>
    public (double Left, double Right) SlabShares(GirderLine girder, SpanIndex span)
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
    public double SlabThickness(GirderLine girder, SpanIndex span, double t)
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

    /// <summary>The haunch along a girder in a span, and with it the girder's levels.</summary>
    public HaunchLine HaunchOf(GirderLine girder, SpanIndex span) => haunches.GetOrAdd((girder.Number, span), _ => new(this, girder, span));

    /// <summary>
    /// Concrete between girder top and slab soffit in a span, with the slab's thickening over girders: the least haunch, with which
    /// sections
    /// are made, on the safe side.
    /// </summary>
    public double Haunch(SpanIndex span) => Bridge.Deck.Haunch + UnitOf(span).Pattern.Slab.Thickening;

    /// <summary>Spacing of girders square to the road at a station; 0 for a single girder.</summary>
    public double SpacingAt(double station) => SpacingIn(SpanAt(station), station);

    /// <summary>Spacing of girders in a span at a station, the least where spacings are listed.</summary>
    public double SpacingIn(SpanIndex span, double station)
    {
        var shape = UnitOf(span).Shape;
        return LayoutOf(span).Spacing(shape.RightEdge(station) - shape.LeftEdge(station));
    }

    /// <summary>The layout of girders in a span.</summary>
    public GirderLayout LayoutOf(SpanIndex span) => layouts[span];

    /// <summary>Fractions of a span between which a girder lies, its end gaps taken off.</summary>
    public (double From, double To) EndsOf(GirderLine girder, SpanIndex span)
    {
        var (layout, length) = (LayoutOf(span), girder.SpanLength(span));
        return (layout.StartGap / length, 1 - layout.EndGap / length);
    }

    /// <summary>Length of a girder from end to end (m).</summary>
    public double LengthOf(GirderLine girder, SpanIndex span) => girder.SpanLength(span) - LayoutOf(span).StartGap - LayoutOf(span).EndGap;

    /// <summary>Units lie between the ends of the bridge and the joints.</summary>
    private IEnumerable<UnitPlace> PlaceUnits()
    {
        var kerbHeight = Bridge.Basis.Values["kerbHeight"];
        var ends = Axes.Where(a => a.Number == 1 || a.Number == Axes.Length || a.Kind == AxisKind.Joint).ToList();
        for (var i = 1; i < ends.Count; i++)
            yield return new(this, i, ends[i - 1], ends[i], kerbHeight);
    }
}
