using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Traffic;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The section with its permanent loads above it and, higher, load model 1 on notional lanes packed from the left kerb.</summary>
public static class LoadsView
{
    public static Drawing Draw(BridgeGeometry geometry, UnitSystem units, ViewSize size, double station)
    {
        var view = new SectionView(geometry, units, size, station, 19.5 * size.TextHeight);
        view.Structure(null);
        var (canvas, section, loads) = (view.Canvas, geometry.SectionAt(station), geometry.Bridge.Loads);
        var high = view.At(0, section.Strips.Max(s => Math.Max(s.SurfaceFrom, s.SurfaceTo))).Y - 3.4 * canvas.TextHeight;
        canvas.Text(new(2, high - 8.4 * canvas.TextHeight), "Permanent, on the finished deck", TextKind.Strong);
        var greatest = section.Strips.Max(s => PermanentLoads.StripLoad(s, loads));
        foreach (var strip in section.Strips)
        {
            var load = PermanentLoads.StripLoad(strip, loads);
            Block(
                canvas,
                view.At(strip.From, 0).X,
                view.At(strip.To, 0).X,
                high,
                greatest == 0 ? 0 : load / greatest * 2.6 * canvas.TextHeight,
                units.Format(load, QuantityKind.AreaLoad),
                Fill.Soft,
                strip.Part
            );
        }
        foreach (var parapet in ParapetLine.All(geometry).Where(p => p.Covers(station)))
        {
            var (left, weight, at) = (parapet.Side < 0, parapet.Weight, view.At(parapet.Centre(station), 0));
            canvas.Arrow(new(at.X, high - 6.2 * canvas.TextHeight), new(at.X, high - 3.9 * canvas.TextHeight), Pen.Load);
            canvas.Text(
                new(at.X + (left ? -1 : 1), high - 6.4 * canvas.TextHeight),
                units.FormatWithUnit(weight, QuantityKind.LineLoad),
                TextKind.Number,
                left ? Anchor.End : Anchor.Start
            );
        }
        Lanes(geometry, section, units, view, high - 12.2 * canvas.TextHeight);
        return canvas.Finish("Loads on the section", $"{units[QuantityKind.AreaLoad].Symbol}, looking ahead, {view.ScaleText}");
    }

    private static void Lanes(BridgeGeometry geometry, DeckSection section, UnitSystem units, SectionView view, double y)
    {
        if (section.Carriageway is not { } carriageway)
            return;
        var canvas = view.Canvas;
        var values = geometry.Bridge.Basis.Values;
        var (model, lanes) = (LoadModel1.Of(values), NotionalLanes.On(carriageway.Width, values["laneWidth"]));
        canvas.Text(
            new(2, y - 4.6 * canvas.TextHeight),
            $"Load model 1: {lanes.Count} notional {(lanes.Count == 1 ? "lane" : "lanes")}, moved to the worst place for every effect",
            TextKind.Strong
        );
        var from = carriageway.From;
        for (var i = 0; i < lanes.Count; i++, from += lanes.Width)
        {
            var load = i < 3 ? model.Lane[i] : model.Rest;
            var axle =
                i < 3
                    ? $"2 axles of {QuantityText.Fixed(model.Axle[i] / units[QuantityKind.Force].Factor, 0)} {units[QuantityKind.Force].Symbol}"
                    : "";
            var (left, right) = (view.At(from, 0).X, view.At(from + lanes.Width, 0).X);
            Block(
                canvas,
                left,
                right,
                y,
                load / Math.Max(1, model.Lane.Max()) * 2.4 * canvas.TextHeight,
                $"lane {i + 1}: {units.Format(load, QuantityKind.AreaLoad)}",
                i == 0 ? Fill.LaneOne : Fill.Lane,
                null
            );
            canvas.Text(new((left + right) / 2, y + 1.2 * canvas.TextHeight), axle, TextKind.Number, Anchor.Middle);
        }
        if (carriageway.To - from > 0.01)
            Block(
                canvas,
                view.At(from, 0).X,
                view.At(carriageway.To, 0).X,
                y,
                model.Rest / Math.Max(1, model.Lane.Max()) * 2.4 * canvas.TextHeight,
                units.Format(model.Rest, QuantityKind.AreaLoad),
                Fill.Lane,
                null
            );
    }

    private static void Block(Canvas canvas, double left, double right, double foot, double height, string text, Fill fill, string? part)
    {
        canvas.Part = part;
        canvas.Box(left, foot - height, right - left, height, fill, Pen.Edge);
        canvas.Part = null;
        canvas.Text(new((left + right) / 2, foot - height - 0.45 * canvas.TextHeight), text, TextKind.Number, Anchor.Middle, true);
    }
}
