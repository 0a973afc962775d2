using Pravik.Core.Places;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;

namespace Pravik.Drawings.Views;

/// <summary>The section with the lanes of a traffic model above it: their loads, and wheels where vehicles run in their middle.</summary>
public static class LanesView
{
    /// <summary>Draws a model in an arrangement of its lanes at a station.</summary>
    public static Drawing Draw(
        BridgeGeometry geometry,
        UnitSystem units,
        ViewSize size,
        double station,
        TrafficModel model,
        LaneScheme scheme
    )
    {
        var view = new SectionView(geometry, units, size, station, 10.5 * size.TextHeight);
        view.Structure(null);
        var (canvas, section) = (view.Canvas, geometry.SectionAt(station));
        var foot = view.At(0, section.Strips.Max(s => Math.Max(s.SurfaceFrom, s.SurfaceTo))).Y - 3.6 * canvas.TextHeight;
        var placed = scheme.At(model, station);
        var greatest = placed.Lanes.Select(l => l.Load.Area).Append(Math.Max(1, model.Rest)).Max();
        void Area(double from, double to, double load, string words, Fill fill)
        {
            var height = load / greatest * 2.4 * canvas.TextHeight;
            LoadsView.Block(canvas, view.At(from, 0).X, view.At(to, 0).X, foot, height, words, fill, null);
        }
        string Words(double load) => load == 0 ? "" : units.Format(load, QuantityKind.AreaLoad);
        foreach (var carriageway in geometry.CarriagewaysAt(geometry.UnitAt(station), station))
            Rest(carriageway, placed, (from, to) => Area(from, to, model.Rest, Words(model.Rest), Fill.Lane));
        foreach (var lane in placed.Lanes)
        {
            var (to, words) = (lane.From + lane.Width, $"lane {lane.Kind}  {Words(lane.Load.Area)}");
            Area(lane.From, to, lane.Load.Area, words, lane.Kind == 1 ? Fill.LaneOne : Fill.Lane);
            var (left, right) = (view.At(lane.From, 0).X, view.At(to, 0).X);
            canvas.Line(new(left, foot - 3.4 * canvas.TextHeight), new(left, foot + 1.2 * canvas.TextHeight), Pen.Dimension);
            canvas.Line(new(right, foot - 3.4 * canvas.TextHeight), new(right, foot + 1.2 * canvas.TextHeight), Pen.Dimension);
            if (lane.Load.Vehicle is not { } vehicle)
                continue;
            foreach (var across in WheelTracks.Of(vehicle).Across)
            {
                var x = view.At(lane.Offset + across, 0).X;
                canvas.Arrow(new(x, foot - 0.2 * canvas.TextHeight), new(x, foot + 2.2 * canvas.TextHeight), Pen.Load);
            }
            // Beside each other words of narrow lanes would meet: they stand on two lines in turn.
            var line = foot - (lane.Kind % 2 == 0 ? 4.4 : 5.8) * canvas.TextHeight;
            canvas.Text(new((left + right) / 2, line), vehicle.InWords(units), TextKind.Number, Anchor.Middle, true);
        }
        canvas.Text(new(2, foot - 7.8 * canvas.TextHeight), $"{model.Name}: {scheme.Name}", TextKind.Strong);
        return canvas.Finish("Lanes on the section", $"{units[QuantityKind.AreaLoad].Symbol}, {view.ScaleText}");
    }

    /// <summary>What lanes leave of a carriageway.</summary>
    private static void Rest(Carriageway carriageway, PlacedTraffic placed, Action<double, double> draw)
    {
        var from = carriageway.From;
        foreach (var lane in placed.Lanes.Where(l => l.From >= carriageway.From - 1e-6 && l.From < carriageway.To))
        {
            if (lane.From - from > 0.01)
                draw(from, lane.From);
            from = lane.From + lane.Width;
        }
        if (carriageway.To - from > 0.01)
            draw(from, carriageway.To);
    }
}
