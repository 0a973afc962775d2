using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Solids;
using Pravik.Core.Traffic;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The bridge from above, turned so that it runs from left to right.</summary>
public sealed class PlanView
{
    private readonly BridgeGeometry geometry;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly ImmutableArray<SupportPlace> supports;
    private readonly ImmutableArray<PartSolid> substructure;
    private readonly int scale;
    private readonly Point centre;
    private readonly double cos;
    private readonly double sin;
    private readonly double perMetre;
    private readonly double middleY;

    private PlanView(BridgeGeometry geometry, UnitSystem units, ViewSize size)
    {
        this.geometry = geometry;
        this.units = units;
        canvas = new(size.Width, size.Height, size.TextHeight);
        supports = SupportPlace.All(geometry, null);
        substructure =
        [
            .. supports
                .SelectMany(s => new SupportSolids(s).Parts())
                .Where(p => p.Kind is not (SolidKind.Bearings or SolidKind.Plinths or SolidKind.Piles)),
        ];
        var chord = geometry.Road.At(geometry.LastStation) - geometry.Road.At(geometry.FirstStation);
        (cos, sin) = (chord.X / chord.Length, chord.Y / chord.Length);
        perMetre = 1;
        var corners = geometry
            .Units.SelectMany(Outline)
            .Concat(substructure.SelectMany(p => p.Solid.Points).Select(p => new Point(p.X, p.Y)))
            .Select(Turned)
            .ToList();
        var (left, right) = (corners.Min(p => p.X), corners.Max(p => p.X));
        var (low, high) = (corners.Min(p => p.Y), corners.Max(p => p.Y));
        var (top, bottom) = (6 * size.TextHeight, 5 * size.TextHeight);
        scale = Math.Max(
            DrawingScale.Fitting(right - left, size.Width - 26),
            DrawingScale.Fitting(high - low, Math.Max(5, size.Height - top - bottom))
        );
        perMetre = 1000.0 / scale;
        centre = new((left + right) / 2, (low + high) / 2);
        middleY = top + (size.Height - top - bottom) / 2;
    }

    /// <summary>
    /// Draws the plan. A picked part is drawn as active; the cursor marks the station's section; a traffic position is drawn on the deck,
    /// and a mark where a value is told.
    /// </summary>
    public static Drawing Draw(
        BridgeGeometry geometry,
        UnitSystem units,
        ViewSize size,
        double? cursor = null,
        string? picked = null,
        PlacedTraffic? traffic = null,
        (double Station, double Offset)? mark = null
    )
    {
        var view = new PlanView(geometry, units, size);
        view.Deck(picked);
        if (traffic is not null)
            view.Traffic(traffic);
        else
            view.Crossed();
        if (traffic is null)
            view.Supports(picked);
        view.Girders(picked);
        view.Diaphragms(picked);
        if (traffic is null)
            view.Bearings();
        view.Axes(picked);
        view.Dimensions();
        if (cursor is { } station)
            view.Cursor(station);
        if (mark is { } place)
            view.Mark(place.Station, place.Offset);
        view.Directions();
        view.Snaps();
        return view.canvas.Finish(
            "Plan",
            DrawingScale.Text(view.scale),
            new(view.At(geometry.FirstStation, 0).X, geometry.FirstStation, view.perMetre)
        );
    }

    /// <summary>Draws the plan with the engineer's own loads on it, case by case.</summary>
    public static Drawing DrawLoads(BridgeGeometry geometry, UnitSystem units, ViewSize size, double? cursor)
    {
        var view = new PlanView(geometry, units, size);
        view.Deck(null);
        view.Girders(null);
        view.Axes(null);
        for (var c = 0; c < geometry.Bridge.Actions.Cases.Length; c++)
            view.Own(geometry.Bridge.Actions.Cases[c], c);
        if (cursor is { } station)
            view.Cursor(station);
        view.Directions();
        return view.canvas.Finish(
            "Own loads in plan",
            DrawingScale.Text(view.scale),
            new(view.At(geometry.FirstStation, 0).X, geometry.FirstStation, view.perMetre)
        );
    }

    /// <summary>Loads of a case whose sizes are written; of more only the case is named.</summary>
    private const int MostNamed = 12;

    private void Own(OwnCase own, int number)
    {
        canvas.Part = $"/actions/cases/{number}";
        if (own.Loads.Length > MostNamed)
            canvas.Text(
                At(geometry.FirstStation, geometry.LeftEdge(geometry.FirstStation)) + new Point(0, -1.6 - 1.2 * canvas.TextHeight * number),
                $"{own.Name}: {own.Loads.Length} loads",
                TextKind.Number,
                Anchor.Start,
                true
            );
        foreach (var load in own.Loads)
        {
            canvas.Part = $"/actions/cases/{number}";
            var (from, to) = (At(load.Station, load.Offset), At(load.ToStation, load.ToOffset));
            if (load.Kind == OwnLoadKind.Point)
                canvas.Circle(from, 1.2, Pen.Load, Fill.LaneOne);
            else if (load.Kind == OwnLoadKind.Line)
                canvas.Line(from, to, Pen.Load);
            else
                canvas.Area([from, At(load.ToStation, load.Offset), to, At(load.Station, load.ToOffset)], Fill.LaneOne, Pen.Load);
            if (own.Loads.Length > MostNamed)
                continue;
            canvas.Text(
                (load.Kind == OwnLoadKind.Point ? from : Point.Between(from, to, 0.5))
                    + new Point(1.6, -1 + 1.2 * canvas.TextHeight * own.Loads.IndexOf(load)),
                $"{own.Name}: {units.FormatWithUnit(load.Value, load.Quantity)}",
                TextKind.Number,
                Anchor.Start,
                true
            );
        }
        canvas.Part = null;
    }

    /// <summary>Draws the plan with another state of the bridge over it, in its own pen.</summary>
    public static Drawing Compare(BridgeGeometry geometry, BridgeGeometry old, UnitSystem units, ViewSize size)
    {
        var view = new PlanView(geometry, units, size);
        view.Deck(null);
        view.Girders(null);
        view.Axes(null);
        view.Dimensions();
        view.Directions();
        var before = new PlanView(old, units, size);
        foreach (var unit in old.Units)
            view.canvas.Area(before.Outline(unit).Select(view.At), Fill.None, Pen.Former);
        foreach (var axis in old.Axes)
            view.canvas.Line(view.At(before.Edge(axis, left: true)), view.At(before.Edge(axis, left: false)), Pen.Former);
        foreach (var girder in old.Girders)
            view.canvas.Path(girder.Points.Select(view.At), Pen.Former);
        return view.canvas.Finish("Plan", $"{DrawingScale.Text(view.scale)}; broken lines: before");
    }

    /// <summary>
    /// Axes on the road line, the edges and the girders; girder ends. Levels are those of the surface, or the girder's top.
    /// </summary>
    private void Snaps()
    {
        foreach (var axis in geometry.Axes)
        {
            foreach (var unit in geometry.Units.Where(u => axis.Number >= u.Start.Number && axis.Number <= u.End.Number))
            {
                for (var b = 0; b < unit.Shape.Boundaries; b++)
                    Surface(unit.BoundaryOnAxis(axis, b), $"axis {axis.Name}, boundary {b}");
            }
            Surface(new(axis.Station, 0, 0), $"axis {axis.Name}, road line");
        }
        foreach (var (girder, span) in geometry.Pieces)
        {
            var (from, to) = geometry.EndsOf(girder, span);
            foreach (var t in new[] { from, to })
            {
                var p = geometry.OnGirder(girder, span, t);
                canvas.Catch(At(p), new(p.X, p.Y, geometry.HaunchOf(girder, span).Top(t)), $"{girder.Name}, end in span {span + 1}");
            }
        }

        void Surface(RoadPlace place, string name)
        {
            var p = geometry.Road.At(place);
            canvas.Catch(
                At(p),
                new(p.X, p.Y, geometry.Road.Level(place.Station) + geometry.SectionAt(place.Station, place.Offset).Surface(place.Offset)),
                name
            );
        }
    }

    private double EndOverhang => Math.Max(geometry.Units[0].StartOverhang, geometry.Units[^1].EndOverhang);

    /// <summary>A line along the deck, from end to end, by its offset at every station.</summary>
    private IEnumerable<Point> EdgeLine(double offset) =>
        Along(_ => offset, geometry.Units[0].Ends(_ => offset).From, geometry.Units[^1].Ends(_ => offset).To, true);

    private IEnumerable<Point> Boundary(UnitPlace unit, int number)
    {
        var (from, to) = unit.Ends(number);
        return Along(s => unit.Shape.Boundary(number, s), from, to, unit.Shape.HasConstantWidths);
    }

    private IEnumerable<Point> Along(Func<double, double> offset, double from, double to, bool isParallel)
    {
        var isStraight =
            isParallel && geometry.Road.Azimuth(from) == geometry.Road.Azimuth(to) && geometry.Road.Line.Curvature((from + to) / 2) == 0;
        var pieces = isStraight ? 1 : 48;
        return Enumerable.Range(0, pieces + 1).Select(i => from + i * (to - from) / pieces).Select(s => geometry.Road.At(s, offset(s)));
    }

    private IEnumerable<Point> Outline(UnitPlace unit) => Boundary(unit, 0).Concat(Boundary(unit, unit.Shape.Boundaries - 1).Reverse());

    private Point Turned(Point p)
    {
        var d = p - geometry.Road.At(geometry.FirstStation);
        return new(perMetre * (d.X * cos + d.Y * sin), perMetre * (d.Y * cos - d.X * sin));
    }

    private Point At(Point p)
    {
        var t = Turned(p);
        return new(canvas.Width / 2 + t.X - perMetre * centre.X, middleY - t.Y + perMetre * centre.Y);
    }

    private Point Edge(AxisPlace axis, bool left) => geometry.Road.At(left ? geometry.EdgesOn(axis).Left : geometry.EdgesOn(axis).Right);

    private Point At(double station, double offset) => At(geometry.Road.At(station, offset));

    private void Deck(string? picked)
    {
        foreach (var unit in geometry.Units)
        {
            canvas.Area(Outline(unit).Select(At), Fill.Paper);
            foreach (var (strip, i) in unit.Shape.At(unit.Start.Station).Strips.Select((s, i) => (s, i)))
            {
                canvas.Part = strip.Part;
                canvas.Area(
                    Boundary(unit, i).Concat(Boundary(unit, i + 1).Reverse()).Select(At),
                    picked == strip.Part ? Fill.Picked
                        : strip.Kind is StripKind.Carriageway or StripKind.HardStrip ? Fill.Paper
                        : Fill.Sheet,
                    Pen.Light
                );
            }
            canvas.Part = null;
            canvas.Area(Outline(unit).Select(At), Fill.None, Pen.Cut);
        }
        var reach = 0.04 * (geometry.LastStation - geometry.FirstStation) + 2;
        var (from, to) = (geometry.FirstStation - reach, geometry.LastStation + reach);
        canvas.Path(Enumerable.Range(0, 25).Select(i => At(from + i * (to - from) / 24, 0)), Pen.Axis);
    }

    /// <summary>What is crossed: the edges of its envelope below the deck, and its name beside it.</summary>
    private void Crossed()
    {
        foreach (var (crossing, i) in geometry.Bridge.Crossings.Select((c, i) => (c, i)))
        {
            var ((origin, along, across), reach) = (crossing.Place(geometry.Road), 4.5 / perMetre);
            var (from, to) = (geometry.LeftEdge(crossing.Station) - reach, geometry.RightEdge(crossing.Station) + reach);
            canvas.Part = $"/crossings/{i}";
            foreach (var side in new[] { -0.5, 0.5 })
            {
                var edge = origin + side * crossing.Width * across;
                canvas.Line(At(edge + from / Math.Cos(crossing.Skew) * along), At(edge + to / Math.Cos(crossing.Skew) * along), Pen.Hidden);
            }
            canvas.Text(
                At(origin + from / Math.Cos(crossing.Skew) * along) + new Point(0, -0.6),
                crossing.Name,
                TextKind.Soft,
                Anchor.Middle,
                true
            );
            canvas.Part = null;
        }
    }

    private void Girders(string? picked)
    {
        foreach (var girder in geometry.Girders.Where(g => g.FirstSpan >= 0))
        {
            foreach (var span in geometry.SpanIndices.Where(girder.IsIn))
            {
                canvas.Part = PartPath.Girder(girder, span);
                var half = geometry.SectionOf(girder, span).TopWidth / 2;
                var ((from, to), line) = (geometry.EndsOf(girder, span), girder.In(span));
                var places = line.Curve is null ? [from, to] : Enumerable.Range(0, 25).Select(i => from + (to - from) * i / 24).ToList();
                IEnumerable<Point> Side(double right) => places.Select(t => At(line.At(t) + right * line.Right(t)));
                // Several are picked by paths joined by +; only a single one is dimensioned.
                var isPicked = picked?.Split('+').Contains(canvas.Part) == true;
                canvas.Area(
                    Side(-half).Concat(Side(half).Reverse()),
                    isPicked ? Fill.Picked : Fill.None,
                    isPicked ? Pen.Active : Pen.Hidden
                );
                if (picked == canvas.Part)
                    PickedGirder(girder, span);
            }
            canvas.Part = null;
            var start = At(geometry.OnGirder(girder, girder.FirstSpan, 0));
            canvas.Text(
                new(
                    start.X - (girder.FirstSpan == 0 ? perMetre * EndOverhang + 1.6 : 0),
                    start.Y + (girder.FirstSpan == 0 ? 0.35 : -0.5) * canvas.TextHeight
                ),
                girder.Name,
                TextKind.Soft,
                girder.FirstSpan == 0 ? Anchor.End : Anchor.Start,
                true
            );
        }
        canvas.Part = null;
    }

    /// <summary>A picked girder's length, end gaps and distances to its neighbours or the edge, half way along.</summary>
    private void PickedGirder(GirderLine girder, SpanIndex span)
    {
        var part = canvas.Part;
        canvas.Part = null;
        var (line, (from, to), all) = (girder.In(span), geometry.EndsOf(girder, span), geometry.GirdersIn(span));
        // Gaps and distances that would be smaller than their own numbers are left to the ledger.
        const double Least = 9;
        var layout = geometry.LayoutOf(span);
        List<(double T, string Words)> chain = [(from, ""), (to, units.Format(geometry.LengthOf(girder, span), QuantityKind.Length))];
        if (layout.StartGap * perMetre > Least)
            chain = [(0, ""), (from, units.Format(layout.StartGap, QuantityKind.Size)), chain[1]];
        if (layout.EndGap * perMetre > Least)
            chain.Add((1, units.Format(layout.EndGap, QuantityKind.Size)));
        canvas.Dimensions([.. chain.Select(c => At(line.At(c.T)))], [.. chain.Skip(1).Select(c => c.Words)]);
        var (at, place) = (all.IndexOf(girder), geometry.Road.Locate(line.At(0.62)));
        var (left, right) = (
            at == 0 ? geometry.LeftEdge(place.Station) : geometry.GirderOffsetAt(all[at - 1], place.Station),
            at == all.Length - 1 ? geometry.RightEdge(place.Station) : geometry.GirderOffsetAt(all[at + 1], place.Station)
        );
        List<double> across = [.. new[] { left, place.Offset, right }.OfType<double>()];
        if (across.Zip(across.Skip(1), (a, b) => b - a).Min() * perMetre < Least)
            across = [];
        if (across.Count > 1)
            canvas.Dimensions(
                [.. across.Select(o => At(place.Station, o))],
                [.. across.Zip(across.Skip(1), (a, b) => units.Format(b - a, QuantityKind.Length))]
            );
        canvas.Part = part;
    }

    /// <summary>Supports below the deck: crossheads, walls and foundations.</summary>
    private void Supports(string? picked)
    {
        SupportShapes.Draw(
            canvas,
            substructure,
            p => At(new Point(p.X, p.Y)),
            picked,
            kind => kind is SolidKind.WingWalls or SolidKind.ApproachSlabs ? Pen.Light : Pen.Hidden
        );
    }

    private void Diaphragms(string? picked)
    {
        foreach (var group in geometry.DiaphragmBays().GroupBy(d => d.Index))
        {
            canvas.Part = PartPath.Diaphragm(group.Key);
            foreach (var bay in group)
            {
                var along = 1 / Point.Distance(bay.From, bay.To) * (bay.To - bay.From);
                var side = bay.Diaphragm.Width / 2 * new Point(-along.Y, along.X);
                canvas.Area(
                    new[] { bay.From + side, bay.To + side, bay.To - side, bay.From - side }.Select(At),
                    picked == canvas.Part ? Fill.Picked : Fill.None,
                    picked == canvas.Part ? Pen.Active : Pen.Hidden
                );
            }
        }
        canvas.Part = null;
    }

    private void Bearings()
    {
        foreach (var support in supports)
        {
            canvas.Part = PartPath.Support(support.Axis);
            foreach (var bearing in support.Bearings)
            {
                var (a, b) = (At(bearing.At), At(bearing.At + bearing.Along));
                SupportShapes.Bearing(canvas, bearing.Type, a, 1 / Point.Distance(a, b) * (b - a), perMetre);
            }
        }
        canvas.Part = null;
    }

    private void Axes(string? picked)
    {
        for (var i = 0; i < geometry.Axes.Length; i++)
        {
            var axis = geometry.Axes[i];
            var (left, right) = (At(Edge(axis, left: true)), At(Edge(axis, left: false)));
            var along = 1 / (left - right).Length * (left - right);
            canvas.Part = PartPath.Axis(i);
            canvas.Line(right - 2.2 * along, left + 4 * along, picked == canvas.Part ? Pen.Active : Pen.Axis);
            canvas.AxisBubble(left + (4 + 0.9 * canvas.TextHeight) * along, axis.Name);
        }
        canvas.Part = null;
    }

    private void Dimensions()
    {
        var below = geometry.Stations(20).Max(geometry.RightEdge) + (2.6 + canvas.TextHeight) / perMetre;
        var points = geometry.Axes.Select(axis => At(geometry.Road.At(geometry.EdgesOn(axis).Right.Station, below))).ToList();
        canvas.Dimensions(points, [.. geometry.Bridge.Axes.Spans.Select(s => units.Format(s, QuantityKind.Length))]);
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            // A span laid out as the one before it needs no dimensions of its own.
            if (span == 0 || Layout(span) != Layout(span - 1))
                Spacings(span);
        }

        string Layout(SpanIndex span)
        {
            var layout = geometry.LayoutOf(span);
            return $"{layout.Count} {layout.OverhangLeft} {layout.OverhangRight} {string.Join(' ', layout.Spacings)}";
        }
    }

    /// <summary>Dimensions between the girders of a span, not far from its beginning.</summary>
    private void Spacings(SpanIndex span)
    {
        var girders = geometry.GirdersIn(span);
        if (girders.Length < 2)
            return;
        var (station, last) = (geometry.Axes[span].Station + 0.28 * geometry.Bridge.Axes.Spans[span], girders.Length - 1);
        List<Point> across = [.. girders.Select(g => At(station, geometry.GirderOffsetAt(g, station) ?? g.In(span).StartOffset))];
        var (a, b) = (across[0], across[last]);
        var listed = geometry.LayoutOf(span).Spacings;
        // Listed spacings one by one, and those between girders of which some are left out or shifted.
        var regular = listed.IsEmpty && girders.Length == geometry.LayoutOf(span).Count;
        canvas.Dimensions(
            across,
            regular ? [] : [.. girders.Zip(girders.Skip(1), (a, b) => units.Format(Spacing(a, b), QuantityKind.Length))]
        );
        if (!regular)
            return;
        double Spacing(GirderLine a, GirderLine b) =>
            (geometry.GirderOffsetAt(b, station) ?? b.In(span).StartOffset)
            - (geometry.GirderOffsetAt(a, station) ?? a.In(span).StartOffset);
        canvas.Text(
            new(Point.Between(a, b, 0.5).X + 1.2, Point.Between(a, b, 0.5 - 0.5 / Math.Max(2, last)).Y + 0.35 * canvas.TextHeight),
            $"{last} × {units.Format(geometry.SpacingAt(station), QuantityKind.Length)}",
            TextKind.Number,
            Anchor.Start,
            true
        );
    }

    private void Traffic(PlacedTraffic traffic)
    {
        foreach (var lane in traffic.Lanes)
        {
            var (left, right) = (lane.From, lane.From + lane.Width);
            // The lane is drawn by its edges: its distributed load acts on the adverse parts only, which are not known here.
            canvas.Path(EdgeLine(left).Select(At), Pen.Dimension);
            canvas.Path(EdgeLine(right).Select(At), Pen.Dimension);
            canvas.Text(
                At(EdgeLine((left + right) / 2).Last()) + new Point(-3, 0.35 * canvas.TextHeight),
                $"lane {lane.Kind}",
                TextKind.Soft,
                Anchor.End,
                true
            );
            var wheels = lane.Wheels.Where(w => IsOnDeck(w.Station, w.Offset));
            foreach (var axle in wheels.GroupBy(w => w.Station))
            {
                canvas.Line(At(axle.Key, axle.Min(w => w.Offset)), At(axle.Key, axle.Max(w => w.Offset)), Pen.Load);
                foreach (var wheel in axle.Select(w => At(w.Station, w.Offset)))
                    canvas.Box(wheel.X - 0.2 * perMetre, wheel.Y - 0.2 * perMetre, 0.4 * perMetre, 0.4 * perMetre, Fill.Track, Pen.Load);
            }
        }
    }

    private void Mark(double station, double offset)
    {
        const double Radius = 1.6;
        var at = At(station, offset);
        canvas.Circle(at, Radius, Pen.Active);
        canvas.Line(at - new Point(Radius, 0), at + new Point(Radius, 0), Pen.Active);
        canvas.Line(at - new Point(0, Radius), at + new Point(0, Radius), Pen.Active);
    }

    /// <summary>Whether a place lies between the ends of the deck, which a skew lays elsewhere beside the road line.</summary>
    private bool IsOnDeck(double station, double offset) =>
        station >= geometry.Meet(geometry.Axes[0], _ => offset).Station - 1e-6
        && station <= geometry.Meet(geometry.Axes[^1], _ => offset).Station + 1e-6;

    private void Cursor(double station)
    {
        var margin = 1.4 / perMetre;
        canvas.Line(At(station, geometry.LeftEdge(station) - margin), At(station, geometry.RightEdge(station) + margin), Pen.Active);
    }

    private void Directions()
    {
        var (x, y) = (canvas.Width - 12, canvas.Height - 10);
        var north = new Point(sin, -cos);
        var tip = new Point(x, y) + 5 * north;
        canvas.Arrow(new Point(x, y) - 4 * north, tip, Pen.Edge);
        canvas.Text(tip + 2.4 * north + new Point(0, 0.35 * canvas.TextHeight), "N", TextKind.Strong, Anchor.Middle);
        var ahead = At(geometry.LastStation + 0.02 * (geometry.LastStation - geometry.FirstStation) + EndOverhang, 0) + new Point(1, -1.6);
        canvas.Text(ahead + new Point(0, -1.2), "ahead", TextKind.Soft, Anchor.Start, true);
        canvas.Arrow(ahead, ahead + new Point(6, 0), Pen.Dimension);
    }
}
