using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The bridge along the road line, developed, at true scale: road, slab, girders, axes and levels.</summary>
public static class ElevationView
{
    public static Drawing Draw(BridgeGeometry geometry, UnitSystem units, ViewSize size, double? cursor = null, string? picked = null)
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var deck = geometry.Bridge.Deck;
        var (first, last) = (geometry.FirstStation - deck.EndOverhang, geometry.LastStation + deck.EndOverhang);
        var depth = deck.Surfacing + deck.SlabThickness + deck.Haunch + geometry.Bridge.Girders.Section.Depth;
        var (head, foot) = (5.2 * size.TextHeight, 6.5 * size.TextHeight);
        var rise = Math.Abs(geometry.Road.Level(last) - geometry.Road.Level(first)) + depth;
        var scale = Math.Max(DrawingScale.Fitting(last - first, size.Width - 26), DrawingScale.Fitting(rise, Math.Max(4, size.Height - head - foot)));
        var k = 1000.0 / scale;
        var (x0, middle) = (size.Width / 2 - k * (first + last) / 2, (geometry.Road.Level(first) + geometry.Road.Level(last)) / 2);
        var y0 = head + (size.Height - head - foot) / 2 - k * depth / 2;
        Point At(double station, double below) => new(x0 + k * station, y0 - k * (geometry.Road.Level(station) - middle - below));
        Point[] Band(double from, double to, double top, double bottom) => [At(from, top), At(to, top), At(to, bottom), At(from, bottom)];

        var slabTop = deck.Surfacing;
        canvas.Area(Band(first, last, 0, slabTop), Fill.Surfacing, Pen.Light);
        canvas.Part = "/parts/slab";
        canvas.Area(Band(first, last, slabTop, slabTop + deck.SlabThickness), picked == canvas.Part ? Fill.Picked : Fill.Concrete, Pen.Cut);
        var girderTop = slabTop + deck.SlabThickness + deck.Haunch;
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var (a, b) = (geometry.Axes[span].Station, geometry.Axes[span + 1].Station);
            var gap = geometry.Bridge.Girders.EndGap;
            canvas.Part = $"/parts/girders/1/spans/{span + 1}";
            canvas.Area(Band(a + gap, b - gap, girderTop, depth), Fill.Precast, Pen.Edge);
            var s = geometry.Bridge.Girders.Section;
            canvas.Path([At(a + gap, girderTop + s.TopFlangeThickness), At(b - gap, girderTop + s.TopFlangeThickness)], Pen.Light);
            canvas.Path([At(a + gap, depth - s.BottomFlangeThickness), At(b - gap, depth - s.BottomFlangeThickness)], Pen.Light);
            canvas.Part = null;
        }
        var reach = 0.05 * (last - first);
        canvas.Path([At(first - reach, 0), At(last + reach, 0)], Pen.Axis);
        Supports(geometry, units, canvas, At, depth, picked);
        var y = At(geometry.FirstStation, depth).Y;
        var line = Math.Min(size.Height - 1.6 * size.TextHeight, Math.Max(y, At(geometry.LastStation, depth).Y) + 4.6 * size.TextHeight);
        canvas.Dimensions([.. geometry.Axes.Select(a => new Point(At(a.Station, 0).X, line))], [.. geometry.Bridge.Axes.Spans.Select(s => units.Format(s, QuantityKind.Length))]);
        if (cursor is { } station) canvas.Line(At(station, -6 / k), At(station, depth + 6 / k), Pen.Active);
        canvas.Text(new(size.Width - 3, size.Height - 1.2 * size.TextHeight), "no ground given", TextKind.Soft, Anchor.End);
        return canvas.Finish("Elevation", $"along the road line, from its right, {DrawingScale.Text(scale)}; levels are those of the road line");
    }

    private static void Supports(BridgeGeometry geometry, UnitSystem units, Canvas canvas, Func<double, double, Point> at, double depth, string? picked)
    {
        for (var i = 0; i < geometry.Axes.Length; i++)
        {
            var axis = geometry.Axes[i];
            var (top, foot) = (at(axis.Station, 0), at(axis.Station, depth));
            canvas.Part = $"/parts/axes/{i + 1}";
            canvas.Line(new(top.X, top.Y - 3), new(foot.X, foot.Y + 3.4), picked == canvas.Part ? Pen.Active : Pen.Axis);
            canvas.AxisBubble(new(top.X, top.Y - 3 - 0.9 * canvas.TextHeight), axis.Name);
            canvas.Area([foot, foot + new Point(-1.3, 2.2), foot + new Point(1.3, 2.2)], Fill.Sheet, Pen.Edge);
            canvas.Part = null;
            canvas.Text(new(foot.X + 2.4, foot.Y + 2.1 * canvas.TextHeight), $"+{units.Format(geometry.Road.Level(axis.Station), QuantityKind.Length)}", TextKind.SoftNumber, i == geometry.Axes.Length - 1 ? Anchor.End : Anchor.Start, true);
        }
    }
}
