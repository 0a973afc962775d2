using System.Collections.Immutable;
using Pravik.Core.Geometry;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>Axial force against moment: what a section just carries, and what acts.</summary>
public static class InteractionView
{
    /// <summary>Draws the diagram.</summary>
    /// <param name="line">Pairs that are just carried, once around (N, tension positive; Nm, sagging positive).</param>
    /// <param name="acting">What acts, by name.</param>
    /// <param name="at">The place in words.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    public static Drawing Draw(
        ImmutableArray<(double Axial, double Moment)> line,
        IEnumerable<(string Name, double Axial, double Moment)> acting,
        string at,
        UnitSystem units,
        ViewSize size
    )
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var (force, moment) = (units[QuantityKind.Force], units[QuantityKind.Moment]);
        var points = acting.ToList();
        var (left, right) = Reach(line.Select(p => p.Moment).Concat(points.Select(p => p.Moment)));
        var (low, high) = Reach(line.Select(p => -p.Axial).Concat(points.Select(p => -p.Axial)));
        var text = size.TextHeight;
        var (x0, x1, y0, y1) = (26.0, size.Width - 14, size.Height - 3.2 * text, 3.4 * text);
        Point At(double axial, double m) =>
            new(x0 + (m - left) / (right - left) * (x1 - x0), y0 - (-axial - low) / (high - low) * (y0 - y1));
        foreach (var (step, words) in Steps(left, right, moment.Factor))
        {
            canvas.Line(At(-low, step), At(-high, step), Pen.Grid);
            canvas.Text(new(At(0, step).X, y0 + 1.3 * text), words, TextKind.SoftNumber, Anchor.Middle);
        }
        foreach (var (step, words) in Steps(low, high, force.Factor))
        {
            canvas.Line(At(-step, left), At(-step, right), Pen.Grid);
            canvas.Text(new(x0 - 1.5, At(-step, left).Y + 0.35 * text), words, TextKind.SoftNumber, Anchor.End);
        }
        canvas.Line(At(0, left), At(0, right), Pen.Edge);
        canvas.Line(At(-low, 0), At(-high, 0), Pen.Edge);
        canvas.Area(line.Select(p => At(p.Axial, p.Moment)), Fill.Envelope, Pen.Resistance);
        foreach (var (name, axial, m) in points)
        {
            canvas.Circle(At(axial, m), 0.8, Pen.Active, Fill.Sheet);
            canvas.Text(At(axial, m) + new Point(1.6, -0.5 * text), name, TextKind.Soft, Anchor.Start, true);
        }
        canvas.Text(new(x0, y1 - 1.2 * text), $"compression, {force.Symbol}", TextKind.Soft);
        canvas.Text(new(x1, y0 + 2.5 * text), $"sagging moment, {moment.Symbol}", TextKind.Soft, Anchor.End);
        return canvas.Finish(
            $"Axial force and moment {at}",
            "line: what the section just carries; circles: what acts at the ultimate state"
        );
    }

    /// <summary>From the least to the greatest value and 0, with room beyond.</summary>
    private static (double Low, double High) Reach(IEnumerable<double> values)
    {
        var all = values.Append(0).ToList();
        var (low, high) = (all.Min(), all.Max());
        var room = Math.Max(1, 0.06 * (high - low));
        return (low - room, high + room);
    }

    /// <summary>Round values between two, about six of them, each as it is written in a unit.</summary>
    private static IEnumerable<(double Value, string Words)> Steps(double low, double high, double unit)
    {
        var step = DiagramView.RoundStep((high - low) / unit / 6);
        // As many decimals as tell one step from the next.
        var digits = Math.Max(0, 1 - (int)Math.Floor(Math.Log10(step)));
        for (var i = (int)Math.Ceiling(low / unit / step); i * step * unit <= high; i++)
            yield return (i * step * unit, QuantityText.Fixed(i * step, digits));
    }
}
