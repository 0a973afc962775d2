using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Traffic;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The section with its permanent loads above it and, higher, load model 1 on notional lanes packed from the left kerb.</summary>
public static class LoadsView
{
    /// <summary>Draws the deck's lanes and what lies on it at a station.</summary>
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
        Lanes(geometry, station, units, view, high - 12.2 * canvas.TextHeight);
        return canvas.Finish("Loads on the section", $"{units[QuantityKind.AreaLoad].Symbol}, looking ahead, {view.ScaleText}");
    }

    private static void Lanes(BridgeGeometry geometry, double station, UnitSystem units, SectionView view, double y)
    {
        var (canvas, values) = (view.Canvas, geometry.Bridge.Basis.Values);
        var model = TrafficModels.Named("LM1", values)!;
        var carriageways = geometry.CarriagewaysAt(geometry.UnitAt(station), station);
        var notional = carriageways.Select(c => NotionalLanes.On(c.Width, model.LaneWidth)).ToList();
        var count = notional.Sum(n => n.Count);
        var (many, where) = (count == 1 ? "lane" : "lanes", carriageways.Length > 1 ? $" on {carriageways.Length} carriageways" : "");
        canvas.Text(
            new(2, y - 4.6 * canvas.TextHeight),
            $"{model.Name}: {count} notional {many}{where}, moved to the worst place for every effect",
            TextKind.Strong
        );
        var greatest = model.Kinds.SelectMany(k => k.Loads).Select(l => l.Area).Append(Math.Max(1, model.Rest)).Max();
        void Area(double from, double to, double load, string words, Fill fill) =>
            Block(canvas, view.At(from, 0).X, view.At(to, 0).X, y, load / greatest * 2.4 * canvas.TextHeight, words, fill, null);
        string Words(double load) => units.Format(load, QuantityKind.AreaLoad);
        var number = 0;
        for (var c = 0; c < carriageways.Length; c++)
        {
            for (var i = 0; i < notional[c].Count; i++, number++)
            {
                var (from, load) = (
                    carriageways[c].From + i * notional[c].Width,
                    number < model.Kinds.Length ? model.Kinds[number].Loads[0] : null
                );
                var (to, area) = (Math.Min(carriageways[c].To, from + notional[c].Width), load?.Area ?? model.Rest);
                Area(from, to, area, $"lane {number + 1}: {Words(area)}", number == 0 ? Fill.LaneOne : Fill.Lane);
                if (load?.Vehicle is { } vehicle)
                    canvas.Text(
                        new((view.At(from, 0).X + view.At(to, 0).X) / 2, y + 1.2 * canvas.TextHeight),
                        vehicle.InWords(units),
                        TextKind.Number,
                        Anchor.Middle
                    );
            }
            var rest = carriageways[c].From + notional[c].Count * notional[c].Width;
            if (carriageways[c].To - rest > 0.01)
                Area(rest, carriageways[c].To, model.Rest, Words(model.Rest), Fill.Lane);
        }
    }

    private static void Block(Canvas canvas, double left, double right, double foot, double height, string text, Fill fill, string? part)
    {
        canvas.Part = part;
        canvas.Box(left, foot - height, right - left, height, fill, Pen.Edge);
        canvas.Part = null;
        canvas.Text(new((left + right) / 2, foot - height - 0.45 * canvas.TextHeight), text, TextKind.Number, Anchor.Middle, true);
    }
}
