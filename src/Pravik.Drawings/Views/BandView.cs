using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// The band at the foot of every screen: the bridge in long section (heights not to scale) with a strip for each girder, shaded by
/// utilisation. The ground lies behind it. The cursor is laid over it by the screen.
/// </summary>
public static class BandView
{
    /// <summary>Draws the band: ground, deck, supports and, with results, utilisations.</summary>
    public static Drawing Draw(
        BridgeGeometry geometry,
        Ground? ground,
        UnitSystem units,
        ViewSize size,
        BridgeResults? results,
        bool current
    )
    {
        var canvas = new Canvas(size.Width, size.Height, 2.75);
        var length = geometry.LastStation - geometry.FirstStation;
        var margin = 26.0;
        var scale = new StationScale(margin, geometry.FirstStation, (size.Width - 2 * margin) / length);
        double X(double station) => scale.X0 + scale.Scale * (station - scale.Station0);
        double road = 7.2,
            strips = road + 2.2,
            foot = size.Height - 4.4;
        var each = Math.Min(2.2, (foot - strips - 3.6) / geometry.Girders.Length);
        UnderTheBridge(canvas, geometry, ground, station => X(station), strips + 2, foot + 1.2);
        canvas.Line(new(0, road - 1.1), new(size.Width, road - 1.1), Pen.Axis);
        foreach (var unit in geometry.Units)
        {
            var (from, to) = (X(unit.Start.Station - unit.StartOverhang), X(unit.End.Station + unit.EndOverhang));
            // A joint is seen, however small the scale.
            if (unit != geometry.Units[0])
                from = Math.Max(from, X(unit.Start.Station) + 0.4);
            if (unit != geometry.Units[^1])
                to = Math.Min(to, X(unit.End.Station) - 0.4);
            canvas.Box(from, road - 1.1, to - from, 1.3, Fill.Ink);
        }
        foreach (var girder in geometry.Girders)
        {
            var y = strips + (girder.Number - 1) * each;
            Strip(canvas, geometry, girder, results, current, X, y, each);
            if (girder.Number == 1 || girder.Number == geometry.Girders.Length || (each > 1.9 && girder.Number % 2 == 1))
                canvas.Text(new(X(geometry.LastStation) + 2.5, y + each / 2 + 0.9), girder.Name, TextKind.Soft, height: 2.4);
        }
        var bottom = strips + geometry.Girders.Length * each;
        for (var i = 0; i < geometry.Axes.Length; i++)
        {
            var axis = geometry.Axes[i];
            canvas.Line(new(X(axis.Station), road - 2.4), new(X(axis.Station), foot), Pen.Axis);
            canvas.Area(
                [new(X(axis.Station), bottom + 0.5), new(X(axis.Station) - 1.2, bottom + 2.5), new(X(axis.Station) + 1.2, bottom + 2.5)],
                Fill.Sheet,
                Pen.Edge
            );
            canvas.AxisBubble(new(X(axis.Station), 2.7), axis.Name);
            canvas.Text(
                new(X(axis.Station), size.Height - 1.4),
                units.Format(axis.Station, QuantityKind.Length),
                TextKind.SoftNumber,
                Anchor.Middle
            );
        }
        for (var i = 0; i < geometry.SpanCount; i++)
            canvas.Text(
                new((X(geometry.Axes[i].Station) + X(geometry.Axes[i + 1].Station)) / 2, foot + 0.4),
                units.FormatWithUnit(geometry.Bridge.Axes.Spans[i], QuantityKind.Length),
                TextKind.SoftNumber,
                Anchor.Middle
            );
        canvas.Text(new(2, size.Height - 1.4), "station", TextKind.Soft, height: 2.4);
        canvas.Text(
            new(2, strips + 1.8),
            results is null ? "utilisation: waiting"
                : current ? "utilisation"
                : "utilisation: out of date",
            TextKind.Soft,
            height: 2.4
        );
        return canvas.Finish("Long section with utilisation of every girder", "", scale);
    }

    /// <summary>The ground under the road line, its heights stretched to the room there is.</summary>
    private static void UnderTheBridge(
        Canvas canvas,
        BridgeGeometry geometry,
        Ground? ground,
        Func<double, double> x,
        double top,
        double bottom
    )
    {
        if (ground is null)
            return;
        var reach = 0.06 * (geometry.LastStation - geometry.FirstStation);
        var levels = Enumerable
            .Range(0, 121)
            .Select(i => geometry.FirstStation - reach + i * (geometry.LastStation - geometry.FirstStation + 2 * reach) / 120)
            .Select(s => (Station: s, Level: ground.Level(geometry.Road.At(s))))
            .Where(p => p.Level is not null)
            .Select(p => (p.Station, Level: p.Level!.Value))
            .ToList();
        if (levels.Count < 2)
            return;
        var (low, high) = (levels.Min(p => p.Level), levels.Max(p => p.Level));
        var room = Math.Max(1, high - low);
        var line = levels.Select(p => new Point(x(p.Station), bottom - (p.Level - low) / room * (bottom - top))).ToList();
        canvas.Area([.. line, new(line[^1].X, canvas.Height), new(line[0].X, canvas.Height)], Fill.Soft);
        canvas.Path(line, Pen.Light);
    }

    /// <summary>Shade for a utilisation: four steps to 1, hatched above it.</summary>
    public static Fill Shade(double utilisation) =>
        utilisation switch
        {
            > 1 => Fill.UseFails,
            > 0.95 => Fill.Use4,
            > 0.8 => Fill.Use3,
            > 0.5 => Fill.Use2,
            _ => Fill.Use1,
        };

    private static void Strip(
        Canvas canvas,
        BridgeGeometry geometry,
        GirderLine girder,
        BridgeResults? results,
        bool current,
        Func<double, double> x,
        double y,
        double height
    )
    {
        if (results is null || results.Outcomes.IsEmpty)
        {
            canvas.Box(x(geometry.FirstStation), y, x(geometry.LastStation) - x(geometry.FirstStation), height - 0.4, Fill.UseUnknown);
            return;
        }
        var points = Enumerable.Range(0, results.Points.Length).Where(i => results.Points[i].Girder == girder.Number - 1).ToList();
        // A skewed girder's own stations are shifted; the band shows each span from its axis.
        var start = geometry.Road.Locate(girder.In(0).Start).Station - geometry.FirstStation;
        for (var i = 0; i + 1 < points.Count; i++)
        {
            var (a, b) = (results.Points[points[i]], results.Points[points[i + 1]]);
            if (a.Span != b.Span)
                continue;
            var (from, to) = (x(a.Station - start), x(b.Station - start));
            var (before, after) = (results.UtilisationAt(points[i]), results.UtilisationAt(points[i + 1]));
            var use = Math.Max(before, after);
            canvas.Part = (before >= after ? a : b).Path;
            canvas.Box(from, y, to - from + 0.05, height - 0.4, current ? Shade(use) : Fill.UseUnknown);
        }
        canvas.Part = null;
    }
}
