using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>A bar of a rating: the traffic with its rule, the factor, and where it governs.</summary>
public sealed record RatingBar(string Traffic, double Factor, string Place);

/// <summary>The least factor of every traffic as a bar, with a line at 1: what reaches it may drive.</summary>
public static class RatingView
{
    private const double Most = 3;

    /// <summary>Draws the bars in their order, as many as there is room for.</summary>
    public static Drawing Draw(IReadOnlyList<RatingBar> bars, ViewSize size)
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var names = bars.Select(b => canvas.WidthOf(b.Traffic, TextKind.Plain)).DefaultIfEmpty(0).Max();
        var (left, top, line) = (Math.Min(names + 6, 0.4 * size.Width), 4.4 * size.TextHeight, 2.1 * size.TextHeight);
        var perUnit = (size.Width - left - 64) / Most;
        double X(double factor) => left + perUnit * Math.Min(factor, Most);
        var shown = bars.Take((int)Math.Max(1, (size.Height - top - size.TextHeight) / line)).ToList();
        for (var mark = 0.0; mark <= Most; mark += 0.5)
        {
            canvas.Line(new(X(mark), top - 1), new(X(mark), top + shown.Count * line), mark == 1 ? Pen.Resistance : Pen.Grid);
            canvas.Text(new(X(mark), top - 2), QuantityText.Fixed(mark, 1), TextKind.SoftNumber, Anchor.Middle);
        }
        for (var i = 0; i < shown.Count; i++)
        {
            var (bar, y) = (shown[i], top + i * line + 0.5 * size.TextHeight);
            canvas.Text(new(left - 2, y + 0.95 * size.TextHeight), bar.Traffic, TextKind.Plain, Anchor.End);
            var fill =
                bar.Factor >= 1.25 ? Fill.Use2
                : bar.Factor >= 1 ? Fill.Use3
                : Fill.UseFails;
            canvas.Box(left, y, Math.Max(0.2, X(bar.Factor) - left), 1.2 * size.TextHeight, fill, Pen.Edge);
            canvas.Text(
                new(X(bar.Factor) + 1.6, y + 0.95 * size.TextHeight),
                $"{QuantityText.Fixed(bar.Factor, 2)}  {bar.Place}",
                TextKind.Number,
                Anchor.Start,
                true
            );
        }
        if (shown.Count < bars.Count)
            canvas.Text(new(left, top + shown.Count * line + size.TextHeight), $"and {bars.Count - shown.Count} more", TextKind.Soft);
        return canvas.Finish("Rating factors", "the least of each traffic");
    }
}
