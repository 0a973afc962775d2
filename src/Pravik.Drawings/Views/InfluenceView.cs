using System.Collections.Immutable;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Traffic;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>What is drawn of an influence surface.</summary>
/// <param name="Surface">The surface.</param>
/// <param name="Kind">The effect's kind of quantity; ordinates are told under the unit of force.</param>
/// <param name="Units">Units shown.</param>
public sealed record ShownInfluence(SurfaceOnDeck Surface, QuantityKind Kind, UnitSystem Units)
{
    /// <summary>Offset of the line along which it is told beside; null for none.</summary>
    public double? Line { get; init; }

    /// <summary>Traffic that is drawn on it.</summary>
    public PlacedTraffic? Traffic { get; init; }

    /// <summary>An ordinate in the effect's unit under one unit of force.</summary>
    public double Shown(double ordinate) => ordinate * Units[QuantityKind.Force].Factor / Units[Kind].Factor;

    /// <summary>The same with three figures that count.</summary>
    public string Words(double ordinate) => QuantityText.Significant(Shown(ordinate), 3);

    /// <summary>Its unit.</summary>
    public string Symbol => $"{Units[Kind].Symbol} under 1 {Units[QuantityKind.Force].Symbol}";

    /// <summary>The largest ordinate without sign.</summary>
    public double Largest => Math.Max(1e-30, Math.Max(Math.Abs(Surface.Greatest.Ordinate), Math.Abs(Surface.Least.Ordinate)));
}

/// <summary>An influence surface over the deck: in bands from above, or as heights in space.</summary>
public sealed class InfluenceView
{
    private readonly BridgeGeometry geometry;
    private readonly ShownInfluence show;
    private readonly Canvas canvas;
    private readonly Point origin;
    private readonly Point along;
    private readonly double slope;
    private readonly double rise;
    private readonly double perMetre;
    private readonly Point shift;

    private InfluenceView(BridgeGeometry geometry, ShownInfluence show, ViewSize size, bool inSpace)
    {
        (this.geometry, this.show) = (geometry, show);
        canvas = new(size.Width, size.Height, size.TextHeight);
        origin = geometry.Road.At(geometry.FirstStation);
        var chord = geometry.Road.At(geometry.LastStation) - origin;
        along = 1 / chord.Length * chord;
        slope = inSpace ? 0.45 : 0;
        perMetre = 1;
        var corners = show.Surface.Pieces.SelectMany(p => p).ToList();
        var flat = corners.ConvertAll(c => At(c.At.At, 0));
        var (top, bottom) = (3.4 * size.TextHeight, 5.2 * size.TextHeight);
        var room = new Point(size.Width - 26, Math.Max(5, size.Height - top - bottom));
        var (wide, high) = (flat.Max(p => p.X) - flat.Min(p => p.X), flat.Max(p => p.Y) - flat.Min(p => p.Y));
        // In space a third of the room is for heights.
        perMetre = Math.Min(room.X / wide, (inSpace ? 0.6 : 1) * room.Y / high);
        var range = Math.Max(show.Largest, show.Surface.Greatest.Ordinate - show.Surface.Least.Ordinate);
        rise = inSpace ? 0.8 * Math.Max(0.4 * room.Y, room.Y - perMetre * high) / range : 0;
        var drawn = corners.ConvertAll(c => At(c.At.At, inSpace ? c.Ordinate : 0)).Concat(corners.Select(c => At(c.At.At, 0))).ToList();
        shift = new(
            size.Width / 2 - (drawn.Min(p => p.X) + drawn.Max(p => p.X)) / 2,
            top + room.Y / 2 - (drawn.Min(p => p.Y) + drawn.Max(p => p.Y)) / 2
        );
    }

    /// <summary>Bands from above, with the traffic and the line on it.</summary>
    public static Drawing DrawBands(BridgeGeometry geometry, ShownInfluence show, ViewSize size, double? cursor)
    {
        var view = new InfluenceView(geometry, show, size, false);
        foreach (var piece in show.Surface.Pieces)
            view.Banded(piece);
        view.Outline();
        view.Traffic();
        view.Line(_ => 0);
        view.Peaks();
        if (cursor is { } station)
            view.Cursor(station);
        view.Key();
        return view.canvas.Finish("Influence surface", show.Symbol, view.Stations);
    }

    /// <summary>Heights in space over the deck, seen from the right and above; greater values are higher.</summary>
    public static Drawing DrawHeights(BridgeGeometry geometry, ShownInfluence show, ViewSize size, double? cursor)
    {
        var view = new InfluenceView(geometry, show, size, true);
        view.Outline();
        // From the far side to the near one.
        foreach (var piece in show.Surface.Pieces.OrderBy(p => p.Average(c => view.At(c.At.At, 0).Y)))
        {
            var mean = piece.Average(c => c.Ordinate);
            view.canvas.Area(piece.Select(c => view.At(c.At.At, c.Ordinate)), view.BandOf(mean), Pen.Grid);
        }
        view.Line(o => o);
        view.Peaks();
        if (cursor is { } station)
            view.Cursor(station);
        view.Key();
        return view.canvas.Finish("Influence surface", show.Symbol, view.Stations);
    }

    private Point At(Point plan, double ordinate)
    {
        var d = plan - origin;
        var (x, y) = (d.X * along.X + d.Y * along.Y, d.Y * along.X - d.X * along.Y);
        return shift + perMetre * new Point(x + slope * y, -y * (slope == 0 ? 1 : 0.6)) - new Point(0, rise * ordinate);
    }

    private Point At(double station, double offset, double ordinate = 0) => At(geometry.Road.At(station, offset), ordinate);

    private StationScale? Stations => slope == 0 ? new(At(geometry.FirstStation, 0).X, geometry.FirstStation, perMetre) : null;

    private Fill BandOf(double ordinate) => ContourBands.Of(ordinate, show.Largest);

    /// <summary>A piece in bands: its two triangles cut at the limits of the bands.</summary>
    private void Banded(ImmutableArray<SurfaceCorner> piece)
    {
        var bands = piece.Select(c => BandOf(c.Ordinate)).Distinct().ToList();
        if (bands.Count == 1)
        {
            canvas.Area(piece.Select(c => At(c.At.At, 0)), bands[0]);
            return;
        }
        foreach (var (i, j) in new[] { (1, 2), (2, 3) })
        {
            List<(Point At, double Value)> triangle =
            [
                .. new[] { piece[0], piece[i], piece[j] }.Select(c => (At(c.At.At, 0), ContourBands.Place(c.Ordinate, show.Largest))),
            ];
            for (var band = 0; band < ContourBands.All.Length; band++)
            {
                var part = Cut(Cut(triangle, band - 0.5, 1), band + 0.5, -1);
                if (part.Count > 2)
                    canvas.Area(part.Select(p => p.At), ContourBands.All[band]);
            }
        }
    }

    /// <summary>What of a polygon is on one side of a limit.</summary>
    private static List<(Point At, double Value)> Cut(List<(Point At, double Value)> polygon, double limit, int sign)
    {
        List<(Point, double)> kept = [];
        for (var i = 0; i < polygon.Count; i++)
        {
            var (a, b) = (polygon[i], polygon[(i + 1) % polygon.Count]);
            var (inside, next) = (sign * (a.Value - limit) >= 0, sign * (b.Value - limit) >= 0);
            if (inside)
                kept.Add(a);
            if (inside != next)
                kept.Add((Point.Between(a.At, b.At, (limit - a.Value) / (b.Value - a.Value)), limit));
        }
        return kept;
    }

    private void Outline()
    {
        var last = show.Surface.Pieces.Max(p => p[1].At.Longitudinal);
        foreach (var piece in show.Surface.Pieces)
        {
            if (piece[0].At.Longitudinal == 0)
                canvas.Line(At(piece[0].At.At, 0), At(piece[3].At.At, 0), Pen.Edge);
            if (piece[1].At.Longitudinal == last)
                canvas.Line(At(piece[1].At.At, 0), At(piece[2].At.At, 0), Pen.Edge);
        }
        foreach (var axis in geometry.Axes)
        {
            var (left, right) = geometry.EdgesOn(axis);
            var (a, b) = (At(geometry.Road.At(left), 0), At(geometry.Road.At(right), 0));
            canvas.Line(a, b, Pen.Axis);
            canvas.AxisBubble(a - new Point(0, 1.1 * canvas.TextHeight), axis.Name);
        }
    }

    private void Traffic()
    {
        foreach (var lane in show.Traffic?.Lanes ?? [])
        {
            foreach (var edge in new[] { lane.From, lane.From + lane.Width })
                canvas.Path(geometry.Stations(60).Select(s => At(s, edge)), Pen.Hidden);
            foreach (var axle in lane.Wheels.GroupBy(w => w.Station))
            {
                canvas.Line(At(axle.Key, axle.Min(w => w.Offset)), At(axle.Key, axle.Max(w => w.Offset)), Pen.Load);
                foreach (var wheel in axle)
                    canvas.Circle(At(wheel.Station, wheel.Offset), 0.7, Pen.None, Fill.Ink);
            }
        }
    }

    private void Line(Func<double, double> height)
    {
        if (show.Line is not { } offset)
            return;
        var profile = show.Surface.Along(offset);
        canvas.Path(
            profile
                .Stations.SelectMany((s, i) => new[] { (s, profile.Behind[i]), (s, profile.Ahead[i]) })
                .Select(p => At(p.s, offset, height(p.Item2))),
            Pen.Active
        );
    }

    private void Peaks()
    {
        foreach (var peak in new[] { show.Surface.Greatest, show.Surface.Least })
        {
            if (peak.Ordinate == 0)
                continue;
            var at = At(peak.At.At, peak.Ordinate);
            canvas.Circle(at, 1, Pen.Edge, Fill.Sheet);
            canvas.Text(at + new Point(1.8, -0.4 * canvas.TextHeight), show.Words(peak.Ordinate), TextKind.Number, Anchor.Start, true);
        }
    }

    private void Cursor(double station)
    {
        if (station < geometry.FirstStation || station > geometry.LastStation)
            return;
        canvas.Line(At(station, geometry.LeftEdge(station)), At(station, geometry.RightEdge(station)), Pen.Active);
    }

    private void Key()
    {
        const double Width = 11;
        var (x, y) = (4.0, canvas.Height - 3.2 * canvas.TextHeight);
        for (var i = 0; i < ContourBands.All.Length; i++)
        {
            canvas.Box(x + i * Width, y, Width, 0.9 * canvas.TextHeight, ContourBands.All[i], Pen.Grid);
            canvas.Text(
                new(x + (i + 0.5) * Width, y + 2 * canvas.TextHeight),
                show.Words((i - 4) / 4.5 * show.Largest),
                TextKind.SoftNumber,
                Anchor.Middle,
                false,
                0.8 * canvas.TextHeight
            );
        }
    }
}
