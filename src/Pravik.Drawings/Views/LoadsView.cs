using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The section with its permanent loads above it.</summary>
public static class LoadsView
{
    /// <summary>Draws what lies on the deck at a station.</summary>
    public static Drawing Draw(BridgeGeometry geometry, UnitSystem units, ViewSize size, double station)
    {
        var view = new SectionView(geometry, units, size, station, 13 * size.TextHeight);
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
        return canvas.Finish("Permanent loads on the section", $"{units[QuantityKind.AreaLoad].Symbol}, looking ahead, {view.ScaleText}");
    }

    internal static void Block(Canvas canvas, double left, double right, double foot, double height, string text, Fill fill, string? part)
    {
        canvas.Part = part;
        canvas.Box(left, foot - height, right - left, height, fill, Pen.Edge);
        canvas.Part = null;
        canvas.Text(new((left + right) / 2, foot - height - 0.45 * canvas.TextHeight), text, TextKind.Number, Anchor.Middle, true);
    }
}
