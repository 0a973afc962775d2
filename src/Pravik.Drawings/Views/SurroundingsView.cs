using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// The land about the bridge, north up: contours of the ground, the road and its other lines, what is crossed, the bridge and its
/// neighbours on the
/// same road.
/// </summary>
public sealed class SurroundingsView
{
    private readonly BridgeGeometry geometry;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly Point low;
    private readonly Point high;
    private readonly int scale;
    private readonly double k;

    private SurroundingsView(BridgeGeometry geometry, UnitSystem units, ViewSize size)
    {
        (this.geometry, this.units) = (geometry, units);
        canvas = new(size.Width, size.Height, size.TextHeight);
        var corners = geometry.Units.SelectMany(Outline).ToList();
        var (left, right, bottom, top) = (corners.Min(p => p.X), corners.Max(p => p.X), corners.Min(p => p.Y), corners.Max(p => p.Y));
        // The bridge and as much again about it.
        var reach = 0.5 * Math.Max(right - left, top - bottom);
        scale = Math.Max(
            DrawingScale.Fitting(right - left + 2 * reach, size.Width),
            DrawingScale.Fitting(top - bottom + 2 * reach, size.Height)
        );
        k = 1000.0 / scale;
        var centre = new Point((left + right) / 2, (bottom + top) / 2);
        var half = new Point(size.Width / 2 / k, size.Height / 2 / k);
        (low, high) = (centre - half, centre + half);
    }

    /// <summary>Draws the road with ground, crossings and other bridges on it.</summary>
    public static Drawing Draw(
        BridgeGeometry geometry,
        Ground? ground,
        IEnumerable<BridgeGeometry> neighbours,
        UnitSystem units,
        ViewSize size,
        double? cursor = null
    )
    {
        var view = new SurroundingsView(geometry, units, size);
        var interval = view.Land(ground);
        view.Road();
        view.Crossed();
        foreach (var neighbour in neighbours)
            view.Bridge(neighbour, false);
        view.Bridge(geometry, true);
        if (cursor is { } station)
            view.canvas.Line(view.At(geometry.Road.At(station, -8 / view.k)), view.At(geometry.Road.At(station, 8 / view.k)), Pen.Active);
        view.canvas.Arrow(new(size.Width - 8, size.Height - 6), new(size.Width - 8, size.Height - 15), Pen.Edge);
        view.canvas.Text(new(size.Width - 8, size.Height - 16.5), "N", TextKind.Strong, Anchor.Middle);
        var contours =
            interval is { } i ? $"contours every {units.FormatWithUnit(i, QuantityKind.Length)}"
            : ground is null ? "no ground given"
            : "the ground does not reach here";
        return view.canvas.Finish("Surroundings", $"north up, {DrawingScale.Text(view.scale)}; {contours}");
    }

    private Point At(Point p) => new(k * (p.X - low.X), canvas.Height - k * (p.Y - low.Y));

    private static IEnumerable<Point> Outline(UnitPlace unit)
    {
        IEnumerable<Point> Edge(int boundary)
        {
            var (from, to) = unit.Ends(boundary);
            return Enumerable
                .Range(0, 17)
                .Select(i => from + i * (to - from) / 16)
                .Select(s => unit.Road.At(s, unit.Shape.Boundary(boundary, s)));
        }
        return Edge(0).Concat(Edge(unit.Shape.Boundaries - 1).Reverse());
    }

    /// <summary>Contours, every fifth one heavier and with its level; gives their interval, or null without ground here.</summary>
    private double? Land(Ground? ground)
    {
        if (ground is null)
            return null;
        var levels = Enumerable
            .Range(0, 13 * 13)
            .Select(i => ground.Level(new(low.X + (high.X - low.X) * (i % 13) / 12, low.Y + (high.Y - low.Y) * (i / 13) / 12)))
            .OfType<double>()
            .ToList();
        if (levels.Count == 0)
            return null;
        // Round in the units in which it is read.
        var unit = units[QuantityKind.Length].Factor;
        var interval = unit * Contours.Interval((levels.Max() - levels.Min()) / unit);
        foreach (var contour in Contours.Of(ground, low, high, interval))
        {
            var isHeavy = Math.Round(contour.Level / interval) % 5 == 0;
            foreach (var run in Clipped(contour.Points))
            {
                canvas.Path(run.Select(At), isHeavy ? Pen.Light : Pen.Grid);
                if (isHeavy && run.Count > 3 && Length(run) * k > 24)
                    canvas.Text(
                        At(run[run.Count / 2]),
                        units.Format(contour.Level, QuantityKind.Length),
                        TextKind.SoftNumber,
                        Anchor.Middle,
                        true
                    );
            }
        }
        return interval;
    }

    /// <summary>The runs of a line that lie within the drawing, cut at its edge.</summary>
    private IEnumerable<List<Point>> Clipped(IEnumerable<Point> line)
    {
        List<Point> run = [];
        Point? before = null;
        foreach (var p in line)
        {
            if (before is { } last && Inside(p) != Inside(last))
                run.Add(Edge(Inside(p) ? last : p, Inside(p) ? p : last));
            if (Inside(p))
                run.Add(p);
            else if (run.Count > 0)
            {
                if (run.Count > 1)
                    yield return run;
                run = [];
            }
            before = p;
        }
        if (run.Count > 1)
            yield return run;
    }

    private bool Inside(Point p) => p.X >= low.X && p.X <= high.X && p.Y >= low.Y && p.Y <= high.Y;

    /// <summary>Where the way from a point outside to one inside enters the drawing.</summary>
    private Point Edge(Point outside, Point inside)
    {
        var t = 0.0;
        void Enter(double from, double to, double edge, bool isBeyond)
        {
            if (isBeyond)
                t = Math.Max(t, (edge - from) / (to - from));
        }
        Enter(outside.X, inside.X, low.X, outside.X < low.X);
        Enter(outside.X, inside.X, high.X, outside.X > high.X);
        Enter(outside.Y, inside.Y, low.Y, outside.Y < low.Y);
        Enter(outside.Y, inside.Y, high.Y, outside.Y > high.Y);
        return Point.Between(outside, inside, t);
    }

    private static double Length(List<Point> run) => run.Zip(run.Skip(1), Point.Distance).Sum();

    private void Road()
    {
        var road = geometry.Road;
        var reach = (high - low).Length;
        var (from, to) = (
            Math.Max(road.StartStation, geometry.FirstStation - reach),
            Math.Min(road.EndStation, geometry.LastStation + reach)
        );
        var (left, right) = (geometry.LeftEdge(geometry.FirstStation), geometry.RightEdge(geometry.FirstStation));
        var stations = Enumerable.Range(0, 301).Select(i => from + i * (to - from) / 300).ToList();
        foreach (var offset in new[] { left, right })
        {
            foreach (var run in Clipped(stations.Select(s => road.At(s, offset))))
                canvas.Path(run.Select(At), Pen.Light);
        }
        foreach (var run in Clipped(stations.Select(s => road.At(s))))
            canvas.Path(run.Select(At), Pen.Axis);
        foreach (var line in road.Features)
        {
            var runs = Clipped(line.Points).ToList();
            foreach (var run in runs)
                canvas.Path(run.Select(At), Pen.Hidden);
            if (runs.Count > 0)
                canvas.Text(At(runs[0][runs[0].Count / 3]), line.Name, TextKind.Soft, Anchor.Start, true);
        }
        var step = Math.Pow(10, Math.Ceiling(Math.Log10(26 / k)));
        for (var s = Math.Ceiling(from / step) * step; s <= to; s += step)
        {
            var (p, across) = (road.At(s), Point.Towards(road.Azimuth(s) + Math.PI / 2));
            if (!Inside(p))
                continue;
            var tick = 1.2 / k * across;
            canvas.Line(At(p - tick), At(p + tick), Pen.Dimension);
            canvas.Text(At(p + 4.5 / k * across), units.Format(s, QuantityKind.Length), TextKind.SoftNumber, Anchor.Middle, true);
        }
    }

    private void Crossed()
    {
        for (var i = 0; i < geometry.Bridge.Crossings.Length; i++)
        {
            var crossing = geometry.Bridge.Crossings[i];
            var (origin, along, across) = crossing.Place(geometry.Road);
            canvas.Part = $"/crossings/{i}";
            foreach (var side in new[] { -0.5, 0.5 })
            {
                var edge = origin + side * crossing.Width * across;
                foreach (var run in Clipped(Enumerable.Range(-60, 121).Select(n => edge + n / 60.0 * (high - low).Length * along)))
                    canvas.Path(run.Select(At), Pen.Hidden);
            }
            canvas.Text(At(origin + (0.28 + 0.06 * (i % 3)) * (high.Y - low.Y) * along), crossing.Name, TextKind.Soft, Anchor.Middle, true);
            canvas.Part = null;
        }
    }

    private void Bridge(BridgeGeometry bridge, bool isOwn)
    {
        foreach (var unit in bridge.Units)
            canvas.Area(Outline(unit).Select(At), isOwn ? Fill.Picked : Fill.Sheet, isOwn ? Pen.Cut : Pen.Light);
        foreach (var axis in bridge.Axes)
        {
            var (left, right) = bridge.EdgesOn(axis);
            canvas.Line(At(bridge.Road.At(left)), At(bridge.Road.At(right)), isOwn ? Pen.Edge : Pen.Light);
            if (isOwn && (axis == bridge.Axes[0] || axis == bridge.Axes[^1]))
                canvas.AxisBubble(At(bridge.Road.At(left.Station, left.Offset - 5 / k)), axis.Name);
        }
        if (!isOwn)
            canvas.Text(
                At(bridge.Road.At(bridge.Axes[0].Station, bridge.RightEdge(bridge.FirstStation) + 4 / k)),
                bridge.Bridge.Name,
                TextKind.Soft,
                Anchor.Middle,
                true
            );
    }
}
