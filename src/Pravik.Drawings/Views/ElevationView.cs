using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Solids;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// The bridge along the road line, developed, at true scale: road, slab, girders, axes, levels, and the ground under the road line.
/// </summary>
public sealed class ElevationView
{
    private const int Pieces = 60;
    private readonly BridgeGeometry geometry;
    private readonly Ground? ground;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly int scale;
    private readonly double k;
    private readonly double x0;
    private readonly double y0;
    private readonly double depth;
    private readonly ImmutableArray<PartSolid> substructure;
    private readonly ImmutableArray<SupportPlace> supports;
    private readonly ImmutableArray<ParapetLine> parapets;

    /// <summary>Height of the highest parapet over the road line (m).</summary>
    private readonly double overRoad;
    private readonly double low;
    private readonly double first;
    private readonly double last;

    private ElevationView(BridgeGeometry geometry, Ground? ground, UnitSystem units, ViewSize size)
    {
        (this.geometry, this.ground, this.units) = (geometry, ground, units);
        canvas = new(size.Width, size.Height, size.TextHeight);
        (first, last) = Ends(geometry);
        depth =
            Stations(first, last).Concat(geometry.Axes.Select(a => a.Station)).Max(s => GirderTop(geometry, s))
            + Math.Max(
                geometry.SectionsInUse.Max(s => s.Depth),
                Enumerable.Range(0, geometry.SpanCount).Max(i => geometry.LayoutOf(i).Depth?.Greatest ?? 0)
            );
        var levels = Stations(first, last).Select(geometry.Road.Level).ToList();
        var lows = Stations(first, last)
            .Select(s => ground?.Level(geometry.Road.At(s)))
            .OfType<double>()
            .Append(levels.Min() - depth)
            .Concat(geometry.Bridge.Crossings.Select(c => c.Level))
            .ToList();
        supports = [.. SupportPlace.All(geometry, ground)];
        substructure = [.. supports.SelectMany(s => new SupportSolids(s).Parts())];
        // Of long piles only their heads are shown.
        low = Math.Min(lows.Min(), supports.Min(s => s.FoundingLevel - (s.Values.HasPiles ? 2 : 0)));
        parapets = ParapetLine.All(geometry);
        overRoad = parapets.Select(p => p.Outlines((p.From + p.To) / 2).SelectMany(o => o).Max(q => q.Y)).DefaultIfEmpty(0).Max();
        var high = Math.Max(levels.Max() + overRoad, lows.Max());
        var (head, foot) = (5.2 * size.TextHeight, 6.5 * size.TextHeight);
        var along = substructure.SelectMany(p => p.Solid.Points.Select(q => StationOf(p, q))).ToList();
        var (left, right) = (Math.Min(first, along.Min()), Math.Max(last, along.Max()));
        scale = Math.Max(
            DrawingScale.Fitting(right - left, size.Width - 26),
            DrawingScale.Fitting(high - low, Math.Max(4, size.Height - head - foot))
        );
        k = 1000.0 / scale;
        x0 = size.Width / 2 - k * (left + right) / 2;
        y0 = head + (size.Height - head - foot) / 2 + k * (high + low) / 2;
    }

    /// <summary>Draws the elevation. Without ground it says so.</summary>
    public static Drawing Draw(
        BridgeGeometry geometry,
        Ground? ground,
        UnitSystem units,
        ViewSize size,
        double? cursor = null,
        string? picked = null
    )
    {
        var view = new ElevationView(geometry, ground, units, size);
        view.UnderTheBridge();
        view.Crossed();
        view.Substructure(picked);
        view.Structure(picked);
        view.Parapets();
        view.Supports(picked);
        view.Foundations();
        view.Dimensions();
        view.Snaps();
        if (cursor is { } station)
            view.canvas.Line(view.At(station, -6 / view.k), view.At(station, view.depth + 6 / view.k), Pen.Active);
        return view.canvas.Finish(
            "Elevation",
            $"from the right, {DrawingScale.Text(view.scale)}; levels of the road line",
            new(view.X(geometry.FirstStation), geometry.FirstStation, view.k)
        );
    }

    /// <summary>A small picture of the bridge, by which it is known in a list: no words, no dimensions.</summary>
    public static Drawing Picture(BridgeGeometry geometry, Ground? ground, ViewSize size)
    {
        const double LeastText = 0.6;
        var view = new ElevationView(geometry, ground, UnitSystem.Metric, size with { TextHeight = LeastText });
        if (ground is not null)
            view.UnderTheBridge();
        view.Substructure(null);
        view.Structure(null);
        return view.canvas.Finish(geometry.Bridge.Name);
    }

    /// <summary>Draws the elevation with another state of the bridge over it, in its own pen.</summary>
    public static Drawing Compare(BridgeGeometry geometry, BridgeGeometry old, UnitSystem units, ViewSize size)
    {
        var view = new ElevationView(geometry, null, units, size);
        view.Substructure(null);
        view.Structure(null);
        view.Supports(null);
        view.Dimensions();
        var (from, to) = Ends(old);
        double Depth(double station)
        {
            var span = old.SpanAt(station);
            return GirderTop(old, station)
                + old.SectionOf(old.GirdersIn(span)[0], span, (station - old.Axes[span].Station) / old.Bridge.Axes.Spans[span]).Depth;
        }
        foreach (var below in new Func<double, double>[] { _ => 0, s => SlabSoffit(old, s), Depth })
            view.canvas.Path(Stations(from, to).Select(s => new Point(view.X(s), view.Y(old.Road.Level(s) - below(s)))), Pen.Former);
        foreach (var axis in old.Axes)
            view.canvas.Line(
                new(view.X(axis.Station), view.Y(old.Road.Level(axis.Station))),
                new(view.X(axis.Station), view.Y(old.Road.Level(axis.Station) - Depth(axis.Station))),
                Pen.Former
            );
        return view.canvas.Finish("Elevation", $"{DrawingScale.Text(view.scale)}; broken lines: before");
    }

    private static (double First, double Last) Ends(BridgeGeometry geometry) =>
        (geometry.FirstStation - geometry.Units[0].StartOverhang, geometry.LastStation + geometry.Units[^1].EndOverhang);

    /// <summary>Depths below the road line, on it: of the slab's soffit and of the girders' top as if a girder lay there.</summary>
    private static double SlabSoffit(BridgeGeometry geometry, double station) => -geometry.SectionAt(station).SlabSoffit(0);

    private static double GirderTop(BridgeGeometry geometry, double station) =>
        SlabSoffit(geometry, station) + geometry.Haunch(geometry.SpanAt(station));

    /// <summary>Depth of the girders at an axis, in the span ahead of it or the last.</summary>
    private static double DepthAt(BridgeGeometry geometry, AxisPlace axis)
    {
        var span = Math.Min(axis.Number - 1, geometry.SpanCount - 1);
        return geometry.SectionOf(geometry.GirdersIn(span)[0], span, axis.Number - 1 > span ? 1 : 0).Depth;
    }

    private static IEnumerable<double> Stations(double from, double to) =>
        Enumerable.Range(0, Pieces + 1).Select(i => from + i * (to - from) / Pieces);

    private double X(double station) => x0 + k * station;

    private double Y(double level) => y0 - k * level;

    private Point At(double station, double below) => new(X(station), Y(geometry.Road.Level(station) - below));

    /// <summary>The outline between two depths below the road line, following the profile.</summary>
    private IEnumerable<Point> Layer(double from, double to, Func<double, double> top, Func<double, double> bottom) =>
        Stations(from, to).Select(s => At(s, top(s))).Concat(Stations(from, to).Reverse().Select(s => At(s, bottom(s))));

    private void UnderTheBridge()
    {
        var reach = 0.05 * (last - first);
        var under = Stations(first - reach, last + reach)
            .Select(s => (Station: s, Level: ground?.Level(geometry.Road.At(s))))
            .Where(p => p.Level is not null)
            .Select(p => new Point(X(p.Station), Y(p.Level!.Value)))
            .ToList();
        if (under.Count < 2)
        {
            canvas.Text(
                new(canvas.Width - 3, canvas.Height - 1.2 * canvas.TextHeight),
                ground is null ? "no ground given" : "the ground does not reach here",
                TextKind.Soft,
                Anchor.End
            );
            return;
        }
        canvas.Area([.. under, .. under.AsEnumerable().Reverse().Select(p => p + new Point(0, 2.2))], Fill.Soft);
        canvas.Path(under, Pen.Light);
    }

    /// <summary>What is crossed, with its envelope as wide as it is along the road line.</summary>
    private void Crossed()
    {
        foreach (var (crossing, i) in geometry.Bridge.Crossings.Select((c, i) => (c, i)))
        {
            var half = crossing.Width / 2 / Math.Cos(crossing.Skew);
            canvas.Part = $"/crossings/{i}";
            var (left, right, low, high) = (
                X(crossing.Station - half),
                X(crossing.Station + half),
                Y(crossing.Level),
                Y(crossing.Level + crossing.Height)
            );
            canvas.Area(
                [new(left, low), new(left, high), new(right, high), new(right, low)],
                crossing.Kind == CrossingKind.Water ? Fill.Lane : Fill.None,
                Pen.Hidden
            );
            canvas.Line(new(left, low), new(right, low), Pen.Edge);
            canvas.Text(new((left + right) / 2, low + 1.15 * canvas.TextHeight), crossing.Name, TextKind.Soft, Anchor.Middle, true);
            if (Clearances.Least(geometry, crossing) is { } least)
                canvas.Text(
                    new(
                        (left + right) / 2,
                        low - high > 2.5 * canvas.TextHeight ? (low + high) / 2 + 0.35 * canvas.TextHeight : high - 0.5 * canvas.TextHeight
                    ),
                    units.Format(least.Height, QuantityKind.Length),
                    TextKind.Number,
                    Anchor.Middle,
                    true
                );
            canvas.Part = null;
        }
    }

    private void Structure(string? picked)
    {
        foreach (var unit in geometry.Units)
        {
            var (from, to) = (unit.Start.Station - unit.StartOverhang, unit.End.Station + unit.EndOverhang);
            double SlabTop(double s) => -unit.Shape.At(s).SlabTop(0);
            double Soffit(double s) => -unit.Shape.At(s).SlabSoffit(0);
            canvas.Area(Layer(from, to, _ => 0, SlabTop), Fill.Surfacing, Pen.Light);
            canvas.Part = PartPath.Unit(unit.Number);
            canvas.Area(Layer(from, to, SlabTop, Soffit), picked == canvas.Part ? Fill.Picked : Fill.Concrete, Pen.Cut);
            canvas.Part = null;
        }
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var layout = geometry.LayoutOf(span);
            var (a, b) = (geometry.Axes[span].Station + layout.StartGap, geometry.Axes[span + 1].Station - layout.EndGap);
            // The girder next to the road line, as far below the slab there as it is in truth.
            var girder = geometry.GirdersIn(span).MinBy(g => Math.Abs(g.In(span).MiddleOffset))!;
            var (unit, haunch) = (geometry.UnitOf(span), geometry.HaunchOf(girder, span));
            double Fraction(double s) =>
                (s - geometry.Axes[span].Station) / (geometry.Axes[span + 1].Station - geometry.Axes[span].Station);
            double Station(double t) => geometry.Axes[span].Station + t * (geometry.Axes[span + 1].Station - geometry.Axes[span].Station);
            var breaks = geometry.Breaks(girder, span);
            canvas.Part = PartPath.Girder(girder, span);
            for (var part = 0; part + 1 < breaks.Length; part++)
            {
                var (from, to) = (part == 0 ? a : Station(breaks[part]), part == breaks.Length - 2 ? b : Station(breaks[part + 1]));
                // At its ends, the section that holds within the part.
                Core.Sections.MadeSection Made(double s) =>
                    geometry.SectionOf(girder, span, Math.Clamp(Fraction(s), breaks[part] + 1e-9, breaks[part + 1] - 1e-9));
                IEnumerable<Point> On(Func<double, double> below) =>
                    Enumerable
                        .Range(0, 13)
                        .Select(i => from + i * (to - from) / 12)
                        .Select(s =>
                            At(s, -unit.Shape.At(s).SlabSoffit(0) + unit.Pattern.Slab.Thickening + haunch.At(Fraction(s)) + below(s))
                        );
                canvas.Area(On(_ => 0).Concat(On(s => Made(s).Depth).Reverse()), Fill.Precast, Pen.Edge);
                for (var k = 0; k < Made(from).Edges.Count(); k++)
                    canvas.Path(On(s => Made(s) is var made ? made.Top - made.Edges.ElementAt(k) : 0), Pen.Light);
            }
        }
        Stiffeners();
        canvas.Part = null;
        var reach = 0.05 * (last - first);
        canvas.Path(Stations(first - reach, last + reach).Select(s => At(s, 0)), Pen.Axis);
    }

    /// <summary>Upright stiffeners of the girder that is shown, on the web.</summary>
    private void Stiffeners()
    {
        var shown = Enumerable
            .Range(0, geometry.SpanCount)
            .Select(span => geometry.GirdersIn(span).MinBy(g => Math.Abs(g.In(span).MiddleOffset))!)
            .ToList();
        foreach (var place in geometry.StiffenerPlaces().Where(p => p.IsUpright && p.Girder == shown[p.Span]))
        {
            var (t, made, unit) = (place.From, geometry.SectionOf(place.Girder, place.Span, place.From), geometry.UnitOf(place.Span));
            var s = geometry.Axes[place.Span].Station + t * geometry.Bridge.Axes.Spans[place.Span];
            var top = -unit.Shape.At(s).SlabSoffit(0) + unit.Pattern.Slab.Thickening + geometry.HaunchOf(place.Girder, place.Span).At(t);
            var (low, high) = made.Web!.Value;
            canvas.Part = PartPath.Stiffener(place.Index);
            canvas.Line(At(s, top + made.Depth - high), At(s, top + made.Depth - low), Pen.Light);
        }
    }

    /// <summary>
    /// Parapets on the right, which is the side seen, and those on the left behind them: their top above the surface there.
    /// </summary>
    private void Parapets()
    {
        foreach (var parapet in parapets.OrderBy(p => p.Side))
        {
            var stations = Stations(parapet.From, parapet.To).ToList();
            IEnumerable<Point> On(Func<IEnumerable<double>, double> of) =>
                stations.Select(s => At(s, -of(parapet.Outlines(s).SelectMany(o => o).Select(p => p.Y))));
            var pen = parapet.Side > 0 ? Pen.Edge : Pen.Light;
            canvas.Part = parapet.Path;
            canvas.Path(On(l => l.Max()), pen);
            canvas.Path([On(l => l.Min()).First(), On(l => l.Max()).First()], pen);
            canvas.Path([On(l => l.Min()).Last(), On(l => l.Max()).Last()], pen);
        }
        canvas.Part = null;
    }

    /// <summary>The level at which each support is founded.</summary>
    private void Foundations()
    {
        foreach (var support in supports)
        {
            var name = PartPath.Support(support.Axis);
            var foot = substructure.Where(p => p.Path.StartsWith(name, StringComparison.Ordinal)).ToList();
            if (foot.Count == 0)
                continue;
            var x = foot.SelectMany(p => p.Solid.Points.Select(q => X(StationOf(p, q)))).Average();
            canvas.Text(
                new(x, Y(Math.Max(support.FoundingLevel, low)) + 1.2 * canvas.TextHeight),
                $"founded at {units.Format(support.FoundingLevel, QuantityKind.Length)}",
                TextKind.SoftNumber,
                Anchor.Middle,
                true
            );
        }
    }

    /// <summary>Supports, seen from the right; what lies off the axis by its distance along the road.</summary>
    private void Substructure(string? picked)
    {
        foreach (var support in substructure.GroupBy(p => p.Path))
            SupportShapes.Draw(canvas, support, p => new(X(StationOf(support.First(), p)), Y(Math.Max(p.Z, low))), picked);
    }

    /// <summary>Station of a point of a support by its distance from the axis along the road there.</summary>
    private double StationOf(PartSolid part, Point3 point)
    {
        var station = geometry.Axes[int.Parse(part.Path.Split('/')[3], System.Globalization.CultureInfo.InvariantCulture) - 1].Station;
        return station + (new Point(point.X, point.Y) - geometry.Road.At(station)).Dot(Point.Towards(geometry.Road.Azimuth(station)));
    }

    private void Supports(string? picked)
    {
        for (var i = 0; i < geometry.Axes.Length; i++)
        {
            var axis = geometry.Axes[i];
            var (top, foot) = (At(axis.Station, 0), At(axis.Station, GirderTop(geometry, axis.Station) + DepthAt(geometry, axis)));
            canvas.Part = PartPath.Axis(axis);
            top += new Point(0, -k * overRoad);
            canvas.Line(new(top.X, top.Y - 3), new(foot.X, foot.Y + 3.4), picked == canvas.Part ? Pen.Active : Pen.Axis);
            canvas.AxisBubble(new(top.X, top.Y - 3 - 0.9 * canvas.TextHeight), axis.Name);
            canvas.Part = null;
            canvas.Text(
                new(top.X + (i == geometry.Axes.Length - 1 ? -1.5 : 1.5), top.Y - 1.1),
                $"+{units.Format(geometry.Road.Level(axis.Station), QuantityKind.Length)}",
                TextKind.SoftNumber,
                i == geometry.Axes.Length - 1 ? Anchor.End : Anchor.Start,
                true
            );
        }
    }

    /// <summary>Road surface, slab soffit and girder soffit on the road line at every axis; the ground there; what is crossed.</summary>
    private void Snaps()
    {
        foreach (var axis in geometry.Axes)
        {
            foreach (
                var (below, name) in new[]
                {
                    (0, "road"),
                    (SlabSoffit(geometry, axis.Station), "slab soffit"),
                    (GirderTop(geometry, axis.Station) + DepthAt(geometry, axis), "girder soffit"),
                }
            )
                Catch(axis.Station, geometry.Road.Level(axis.Station) - below, $"axis {axis.Name}, {name}");
            if (ground?.Level(geometry.Road.At(axis.Station)) is { } level)
                Catch(axis.Station, level, $"axis {axis.Name}, ground");
        }
        foreach (var crossing in geometry.Bridge.Crossings)
            Catch(crossing.Station, crossing.Level, crossing.Name);

        void Catch(double station, double level, string name)
        {
            var p = geometry.Road.At(station);
            canvas.Catch(new(X(station), Y(level)), new(p.X, p.Y, level), name);
        }
    }

    private void Dimensions()
    {
        var y = canvas.Height - 1.6 * canvas.TextHeight;
        canvas.Dimensions(
            [.. geometry.Axes.Select(a => new Point(X(a.Station), y))],
            [.. geometry.Bridge.Axes.Spans.Select(s => units.Format(s, QuantityKind.Length))]
        );
    }
}
