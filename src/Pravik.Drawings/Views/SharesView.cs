using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>Shares of the girders in one effect of a lane: in the model, and by formula.</summary>
public sealed record SharesGroup(string Name, IReadOnlyList<(string Girder, double InModel, double ByFormula)> Girders);

/// <summary>Shares of a lane side by side: a bar for what a girder takes in the model, a line for what the formula gives it.</summary>
public static class SharesView
{
    /// <summary>Draws the groups from left to right.</summary>
    public static Drawing Draw(IReadOnlyList<SharesGroup> groups, string caption, ViewSize size)
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var (top, bottom, left) = (5.2 * size.TextHeight, size.Height - 2.4 * size.TextHeight, 5.5 * size.TextHeight);
        var most = groups.SelectMany(g => g.Girders).SelectMany(g => new[] { g.InModel, g.ByFormula }).DefaultIfEmpty(1).Max();
        most = Math.Ceiling(5 * most) / 5;
        double Y(double share) => bottom - (bottom - top) * share / most;
        for (var mark = 0.0; mark <= most + 1e-9; mark += 0.2)
        {
            canvas.Line(new(left, Y(mark)), new(size.Width, Y(mark)), Pen.Grid);
            canvas.Text(new(left - 1, Y(mark) + 0.35 * size.TextHeight), QuantityText.Fixed(mark, 1), TextKind.SoftNumber, Anchor.End);
        }
        var slots = groups.Sum(g => g.Girders.Count) + groups.Count;
        var slot = (size.Width - left) / Math.Max(1, slots);
        var x = left + slot / 2;
        foreach (var group in groups)
        {
            canvas.Text(new(x, top - 1.6 * size.TextHeight), group.Name, TextKind.Plain);
            foreach (var (girder, inModel, byFormula) in group.Girders)
            {
                var width = Math.Min(0.62 * slot, 5 * size.TextHeight);
                canvas.Box(x, Y(inModel), width, bottom - Y(inModel), Fill.Use2, Pen.Edge);
                canvas.Line(new(x - 0.06 * slot, Y(byFormula)), new(x + width + 0.06 * slot, Y(byFormula)), Pen.Resistance);
                canvas.Text(
                    new(x + width / 2, Y(Math.Max(inModel, byFormula)) - 0.5 * size.TextHeight),
                    QuantityText.Fixed(inModel, 2),
                    TextKind.Number,
                    Anchor.Middle,
                    true
                );
                canvas.Text(new(x + width / 2, bottom + 1.4 * size.TextHeight), girder, TextKind.Plain, Anchor.Middle);
                x += slot;
            }
            x += slot;
        }
        return canvas.Finish("Shares of a lane", caption);
    }
}
