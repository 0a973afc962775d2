using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// Three diagrams over the stations of the road, one under the other: levels (with the ground, and the bridge's reach), curvature, and
/// crossfalls left and right. The cursor reads every one.
/// </summary>
public sealed class RoadDiagramView
{
    private const int Samples = 400;
    private readonly BridgeGeometry geometry;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly StationScale stations;
    private readonly double? cursor;
    private readonly double[] at;

    private RoadDiagramView(BridgeGeometry geometry, UnitSystem units, ViewSize size, double? cursor)
    {
        (this.geometry, this.units, this.cursor) = (geometry, units, cursor);
        canvas = new(size.Width, size.Height, size.TextHeight);
        var (from, to) = (geometry.Road.StartStation, geometry.Road.EndStation);
        stations = new(24, from, (size.Width - 44) / (to - from));
        var line = geometry.Road.Line;
        // Regular samples, and both sides of every joint so that steps stay steep.
        at =
        [
            .. Enumerable
                .Range(0, Samples + 1)
                .Select(i => from + i * (to - from) / Samples)
                .Concat(line.Segments.Length > Samples ? [] : line.Segments.SelectMany(s => new[] { s.Station - 1e-7, s.Station + 1e-7 }))
                .Concat(geometry.Bridge.Road.Crossfalls.Length > Samples ? [] : geometry.Bridge.Road.Crossfalls.Select(c => c.Station))
                .Where(s => s >= from && s <= to)
                .Order(),
        ];
    }

    /// <summary>Draws profile, curvature and crossfall along the road.</summary>
    public static Drawing Draw(BridgeGeometry geometry, Ground? ground, UnitSystem units, ViewSize size, double? cursor = null)
    {
        var view = new RoadDiagramView(geometry, units, size, cursor);
        var room = size.Height - 2.4 * size.TextHeight;
        view.Levels(ground, 0, 0.46 * room);
        view.Strip(
            "curvature, 1/R",
            0.46 * room,
            0.25 * room,
            QuantityKind.Number,
            1,
            [("", Pen.Active, geometry.Road.Line.Curvature)],
            s => Radius(s)
        );
        view.Strip(
            "crossfall, % outward",
            0.71 * room,
            0.29 * room,
            QuantityKind.Slope,
            100,
            [
                ("left", Pen.Active, s => geometry.Road.Crossfalls.At(s).Left),
                ("right", Pen.Load, s => geometry.Road.Crossfalls.At(s).Right),
            ],
            v => QuantityText.Fixed(v * 100, 2)
        );
        view.Stations(room);
        return view.canvas.Finish(
            "Profile, curvature and crossfall",
            "over the stations of the road; heights are stretched",
            view.stations
        );

        string Radius(double curvature) =>
            Math.Abs(curvature) < 1e-12
                ? "straight"
                : $"R {units.Format(1 / Math.Abs(curvature), QuantityKind.Length)} {(curvature > 0 ? "right" : "left")}";
    }

    private double X(double station) => stations.X0 + stations.Scale * (station - stations.Station0);

    private void Levels(Ground? ground, double top, double height)
    {
        var profile = geometry.Road.Profile;
        double? Level(double s) => profile is { } p && p.Covers(s) ? p.Level(s) : null;
        double? Under(double s) => ground?.Level(geometry.Road.At(s));
        var levels = at.Select(Level).Concat(at.Select(Under)).OfType<double>().ToList();
        if (levels.Count == 0)
        {
            canvas.Text(new(canvas.Width / 2, top + height / 2), "No profile is given.", TextKind.Soft, Anchor.Middle);
            return;
        }
        var (low, high) = (levels.Min(), levels.Max());
        var room = Math.Max(0.5, high - low);
        var (y0, y1) = (top + 2.2 * canvas.TextHeight, top + height - 1.2 * canvas.TextHeight);
        double Y(double level) => y1 - (level - low) / room * (y1 - y0);
        Bridge(y0, y1);
        var under = at.Select(s => (s, Level: Under(s)))
            .Where(p => p.Level is not null)
            .Select(p => new Point(X(p.s), Y(p.Level!.Value)))
            .ToList();
        if (under.Count > 1)
        {
            canvas.Area([.. under, new(under[^1].X, y1), new(under[0].X, y1)], Fill.Soft);
            canvas.Path(under, Pen.Light);
        }
        canvas.Path(at.Where(s => Level(s) is not null).Select(s => new Point(X(s), Y(Level(s)!.Value))), Pen.Cut);
        if (profile is not null && geometry.Bridge.Road.Profile.Length is > 1 and < 60)
        {
            canvas.Path(geometry.Bridge.Road.Profile.Select(p => new Point(X(p.Station), Y(Math.Clamp(p.Level, low, high)))), Pen.Hidden);
            foreach (var p in geometry.Bridge.Road.Profile)
                canvas.Circle(new(X(p.Station), Y(Math.Clamp(p.Level, low, high))), 0.7, Pen.Edge, Fill.Sheet);
        }
        foreach (var level in new[] { low, high })
            canvas.Text(
                new(stations.X0 - 1.5, Y(level) + 0.35 * canvas.TextHeight),
                units.Format(level, QuantityKind.Length),
                TextKind.SoftNumber,
                Anchor.End
            );
        canvas.Text(new(2, top + 1.4 * canvas.TextHeight), $"level, {units[QuantityKind.Length].Symbol}", TextKind.Soft);
        if (ground is null)
            canvas.Text(new(canvas.Width - 20, y1 - 1), "no ground given", TextKind.Soft, Anchor.End);
        if (cursor is not { } c)
            return;
        canvas.Line(new(X(c), y0), new(X(c), y1), Pen.Active);
        if (Level(c) is { } here)
            canvas.Text(new(X(c) + 1.4, Y(here) - 1.2), units.Format(here, QuantityKind.Length), TextKind.Number, halo: true);
        if (Under(c) is { } below)
            canvas.Text(
                new(X(c) + 1.4, Y(below) + 1.2 * canvas.TextHeight),
                units.Format(below, QuantityKind.Length),
                TextKind.SoftNumber,
                halo: true
            );
    }

    private void Strip(
        string name,
        double top,
        double height,
        QuantityKind kind,
        double shown,
        (string Name, Pen Pen, Func<double, double> Value)[] series,
        Func<double, string> words
    )
    {
        var values = series.SelectMany(s => at.Select(s.Value)).Append(0).ToList();
        var reach = Math.Max(Math.Abs(values.Min()), Math.Abs(values.Max()));
        var (y0, y1) = (top + 1.8 * canvas.TextHeight, top + height - 0.8 * canvas.TextHeight);
        var (low, high) = (Math.Min(0, values.Min()), Math.Max(0, values.Max()));
        if (high - low < 1e-12)
            (low, high) = (-1, 1);
        double Y(double value) => y1 - (value - low) / (high - low) * (y1 - y0);
        Bridge(y0, y1);
        canvas.Line(new(stations.X0, Y(0)), new(canvas.Width - 20, Y(0)), Pen.Dimension);
        canvas.Text(new(2, top + 1.2 * canvas.TextHeight), name, TextKind.Soft);
        canvas.Text(new(stations.X0 - 1.5, Y(0) + 0.35 * canvas.TextHeight), "0", TextKind.SoftNumber, Anchor.End);
        if (kind == QuantityKind.Slope && reach > 0)
        {
            foreach (var v in new[] { low, high }.Where(v => v != 0))
                canvas.Text(
                    new(stations.X0 - 1.5, Y(v) + 0.35 * canvas.TextHeight),
                    QuantityText.Fixed(v * shown, 1),
                    TextKind.SoftNumber,
                    Anchor.End
                );
        }
        var labels = new List<double>();
        foreach (var (label, pen, value) in series)
        {
            canvas.Path(at.Select(s => new Point(X(s), Y(value(s)))), pen);
            Place(Y(value(at[^1])), y => canvas.Text(new(canvas.Width - 18.5, y), label, TextKind.Soft));
        }
        labels.Clear();
        if (cursor is not { } c)
            return;
        canvas.Line(new(X(c), y0), new(X(c), y1), Pen.Active);
        foreach (var (_, _, value) in series)
            Place(Y(value(c)), y => canvas.Text(new(X(c) + 1.4, y), words(value(c)), TextKind.Number, halo: true));

        // One below the other where values are alike.
        void Place(double y, Action<double> write)
        {
            var place = Math.Clamp(y + 0.35 * canvas.TextHeight, y0 + 0.6 * canvas.TextHeight, y1 + 0.4 * canvas.TextHeight);
            while (labels.Any(l => Math.Abs(l - place) < 1.1 * canvas.TextHeight))
                place += 1.15 * canvas.TextHeight;
            labels.Add(place);
            write(place);
        }
    }

    /// <summary>Where the bridge lies.</summary>
    private void Bridge(double y0, double y1) =>
        canvas.Box(X(geometry.FirstStation), y0, X(geometry.LastStation) - X(geometry.FirstStation), y1 - y0, Fill.Picked);

    private void Stations(double top)
    {
        var y = top + 1.7 * canvas.TextHeight;
        var length = geometry.Road.EndStation - geometry.Road.StartStation;
        var step = new[] { 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10000 }.FirstOrDefault(s => length / s <= 12, 20000);
        for (var s = Math.Ceiling(geometry.Road.StartStation / step) * step; s <= geometry.Road.EndStation + 1e-6; s += step)
        {
            canvas.Line(new(X(s), y - 1.3 * canvas.TextHeight), new(X(s), y - 1.0 * canvas.TextHeight), Pen.Dimension);
            canvas.Text(
                new(X(s), y),
                units.Format(geometry.Road.Stationing.Shown(s), QuantityKind.Length),
                TextKind.SoftNumber,
                Anchor.Middle
            );
        }
        canvas.Text(new(2, y), "station", TextKind.Soft);
    }
}
