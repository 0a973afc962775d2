using Pravik.Core.Geometry;

namespace Pravik.Drawings.Views;

/// <summary>A bar of costs: what it is, its parts with their costs, all of it in words.</summary>
public sealed record CostBar(string Words, IReadOnlyList<(string Name, double Cost)> Parts, string Total);

/// <summary>Costs as bars over each other, each in parts.</summary>
public static class CostBarsView
{
    private static readonly Fill[] Fills = [Fill.Use3, Fill.Surfacing, Fill.Track, Fill.Use1, Fill.LaneOne];

    /// <summary>Draws bars in the order given, all to one scale.</summary>
    public static Drawing Draw(string title, IReadOnlyList<CostBar> bars, ViewSize size)
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var names = bars.SelectMany(b => b.Parts.Select(p => p.Name)).Distinct().ToList();
        var left = 4 + bars.Select(b => canvas.WidthOf(b.Words, TextKind.Plain)).DefaultIfEmpty(20).Max();
        var most = Math.Max(1, bars.Select(b => b.Parts.Sum(p => p.Cost)).DefaultIfEmpty(1).Max());
        var scale = (size.Width - left - 34) / most;
        var (top, room) = (9.0, size.Height - 12);
        var step = Math.Min(9, room / Math.Max(1, bars.Count));
        var x = left;
        foreach (var (name, i) in names.Select((n, i) => (n, i)))
        {
            canvas.Box(x, 2.2, 3, 2.6, Fills[i % Fills.Length]);
            canvas.Text(new(x + 4, 4.6), name);
            x += 9 + canvas.WidthOf(name, TextKind.Plain);
        }
        for (var b = 0; b < bars.Count; b++)
        {
            var y = top + b * step;
            canvas.Text(new Point(left - 2, y + 0.62 * step), bars[b].Words, TextKind.Plain, Anchor.End);
            var at = left;
            foreach (var (name, cost) in bars[b].Parts)
            {
                canvas.Box(at, y + 0.15 * step, scale * cost, 0.7 * step, Fills[names.IndexOf(name) % Fills.Length]);
                at += scale * cost;
            }
            canvas.Text(new Point(at + 1.5, y + 0.62 * step), bars[b].Total, TextKind.Number);
        }
        return canvas.Finish(title);
    }
}
