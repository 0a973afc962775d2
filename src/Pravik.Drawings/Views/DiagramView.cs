using System.Collections.Immutable;
using Pravik.Core.Geometry;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>A line of a diagram: values (SI) at stations; two values at one station make a step.</summary>
public sealed record Series(string Name, ImmutableArray<(double Station, double Value)> Values, Pen Pen)
{
    /// <summary>Whether its greatest and least values are labelled.</summary>
    public bool Peaks { get; init; }
}

/// <summary>An axis as a diagram shows it: its name and the girder's own station there.</summary>
public sealed record DiagramAxis(string Name, double Station);

/// <summary>Effects along a girder. Sagging moment is drawn below the line, on the tension side.</summary>
public sealed record Diagram(
    string Title,
    QuantityKind Kind,
    bool PositiveDown,
    ImmutableArray<Series> Series,
    ImmutableArray<DiagramAxis> Axes
)
{
    /// <summary>Two series between which the envelope is shaded, or none.</summary>
    public (int Upper, int Lower)? Envelope { get; init; }

    /// <summary>Least and greatest value (SI) of the scale; null for those of the series.</summary>
    public (double Least, double Greatest)? Range { get; init; }

    /// <summary>How many figures of values count at least; 0 for what suits the scale.</summary>
    public int Figures { get; init; }

    /// <summary>By how much the scale is drawn larger; what then lies beyond it is drawn at its edge.</summary>
    public double Zoom { get; init; } = 1;
}

/// <summary>Draws a <see cref="Diagram"/> with round grid values, labelled peaks and the value at the cursor.</summary>
public static class DiagramView
{
    /// <summary>Room left and right of the curves (mm).</summary>
    public const double Left = 19;

    /// <summary>Room right of them.</summary>
    public const double Right = 8;

    /// <summary>Draws curves along the bridge, with a station and a picked value where given.</summary>
    public static Drawing Draw(
        Diagram diagram,
        UnitSystem units,
        ViewSize size,
        double? cursor = null,
        (double Station, double Value, string Text)? picked = null
    )
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var factor = units[diagram.Kind].Factor;
        double left = Left,
            right = Right,
            top = 5.4 * size.TextHeight,
            bottom = 2.2 * size.TextHeight;
        var values = diagram.Series.SelectMany(s => s.Values.Select(v => v.Value / factor)).Append(0).ToList();
        var (least, greatest) = diagram.Range is { } range ? (range.Least / factor, range.Greatest / factor) : (values.Min(), values.Max());
        (least, greatest) = (least / diagram.Zoom, greatest / diagram.Zoom);
        if (greatest - least < 1e-12)
            greatest = least + 1;
        var step = RoundStep((greatest - least) / 6);
        // A unit load's effects may be small: then more digits count.
        var fine = (int)Math.Clamp(-Math.Floor(Math.Log10(step)), 0, 9);
        var digits =
            step >= 2 ? 0
            : step >= 0.2 ? 1
            : Math.Max(2, fine + 1);
        string Words(double value) =>
            diagram.Figures > 0 ? QuantityText.Significant(value, diagram.Figures) : QuantityText.Fixed(value, digits);
        (least, greatest) = (Math.Floor(least / step) * step, Math.Ceiling(greatest / step) * step);
        var (first, last) = (diagram.Axes[0].Station, diagram.Axes[^1].Station);
        var stations = new StationScale(left, first, (size.Width - left - right) / (last - first));
        double X(double station) => stations.X0 + stations.Scale * (station - first);
        double Y(double value)
        {
            var t = Math.Clamp((value - least) / (greatest - least), 0, 1);
            return top + (size.Height - top - bottom) * (diagram.PositiveDown ? t : 1 - t);
        }

        for (var v = least; v <= greatest + step / 2; v += step)
        {
            canvas.Line(new(left, Y(v)), new(size.Width - right, Y(v)), Math.Abs(v) < step / 2 ? Pen.Edge : Pen.Grid);
            canvas.Text(
                new(left - 1.5, Y(v) + 0.35 * size.TextHeight),
                QuantityText.Fixed(
                    v,
                    step < 0.1 ? Math.Max(2, fine)
                        : step < 1 ? 1
                        : 0
                ),
                TextKind.SoftNumber,
                Anchor.End
            );
        }
        canvas.Text(new(2, top - 1.6 * size.TextHeight), units[diagram.Kind].Symbol, TextKind.Soft);
        IEnumerable<Point> Points(Series s) => s.Values.Select(v => new Point(X(v.Station), Y(v.Value / factor)));
        if (diagram.Envelope is var (upper, lower))
            canvas.Area(Points(diagram.Series[upper]).Concat(Points(diagram.Series[lower]).Reverse()), Fill.Envelope);
        foreach (var axis in diagram.Axes)
        {
            canvas.Line(new(X(axis.Station), top - 1.2), new(X(axis.Station), size.Height - bottom + 1), Pen.Axis);
            canvas.AxisBubble(new(X(axis.Station), top - 1.2 - 0.9 * size.TextHeight), axis.Name);
        }
        foreach (var series in diagram.Series)
            canvas.Path(Points(series), series.Pen);
        var taken = new List<(double X, double Y, double Width)>();
        foreach (var series in diagram.Series.Where(s => s.Peaks && !s.Values.IsEmpty))
            Peaks(series, picked is null);
        if (cursor is { } at && at >= first && at <= last)
        {
            canvas.Line(new(X(at), top - 1), new(X(at), size.Height - bottom + 1), Pen.Active);
            // Among many lines a value says whose it is.
            var many = diagram.Series.Select(s => s.Name).Distinct().Count() > 2;
            foreach (var series in diagram.Series)
                Say(X(at), Y(Read(series, at) / factor), $"{(many ? series.Name + " " : "")}{Words(Read(series, at) / factor)}", false);
        }
        if (picked is { } p)
        {
            canvas.Circle(new(X(p.Station), Y(p.Value / factor)), 1.1, Pen.Active, Fill.Sheet);
            Say(X(p.Station), Y(p.Value / factor), p.Text, false);
        }
        Legend(canvas, diagram, left, size);
        return canvas.Finish(diagram.Title, diagram.PositiveDown ? "sagging down" : "positive up", stations);

        void Peaks(Series series, bool both)
        {
            var high = series.Values.MaxBy(v => v.Value);
            var low = series.Values.MinBy(v => v.Value);
            if (both && high.Value > 0)
                Mark(high);
            if (both && low.Value < 0)
                Mark(low);
            void Mark((double Station, double Value) v)
            {
                canvas.Circle(new(X(v.Station), Y(v.Value / factor)), 0.6, Pen.None, Fill.Ink);
                Say(X(v.Station), Y(v.Value / factor), Words(v.Value / factor), true);
            }
        }

        // A label beside a point, moved until it is clear of those already there.
        void Say(double x, double y, string text, bool strong)
        {
            var width = canvas.WidthOf(text, TextKind.Number);
            var anchorLeft = x + 2 + width < size.Width - 2;
            var start = anchorLeft ? x + 1.6 : x - 1.6 - width;
            var height = 1.2 * size.TextHeight;
            for (var tries = 0; tries < 12; tries++)
            {
                var shift = (tries + 1) / 2 * height * (tries % 2 == 0 ? 1 : -1);
                var place = Math.Clamp(y + shift - 0.45 * size.TextHeight, top, size.Height - 1);
                if (taken.Any(t => Math.Abs(t.Y - place) < height * 0.95 && start < t.X + t.Width && t.X < start + width))
                    continue;
                taken.Add((start, place, width));
                canvas.Text(new(start, place), text, TextKind.Number, Anchor.Start, true);
                return;
            }
        }
    }

    /// <summary>The value of a series at a station, linear between its points; the ends beyond them.</summary>
    public static double Read(Series series, double station)
    {
        var values = series.Values;
        for (var i = 0; i + 1 < values.Length; i++)
        {
            if (station < values[i].Station || station > values[i + 1].Station || values[i + 1].Station <= values[i].Station)
                continue;
            return values[i].Value
                + (station - values[i].Station) / (values[i + 1].Station - values[i].Station) * (values[i + 1].Value - values[i].Value);
        }
        return station < values[0].Station ? values[0].Value : values[^1].Value;
    }

    private static void Legend(Canvas canvas, Diagram diagram, double left, ViewSize size)
    {
        var x = left;
        foreach (var group in diagram.Series.GroupBy(s => s.Name))
        {
            canvas.Line(new(x, 1.6 * size.TextHeight), new(x + 6, 1.6 * size.TextHeight), group.First().Pen);
            canvas.Symbol(new(x + 7.5, 1.95 * size.TextHeight), group.Key);
            x += 14 + canvas.WidthOf(group.Key, TextKind.Plain);
        }
    }

    /// <summary>The next round number that is not less.</summary>
    internal static double RoundStep(double raw)
    {
        var power = Math.Pow(10, Math.Floor(Math.Log10(raw)));
        var first = (raw / power) switch
        {
            <= 1 => 1,
            <= 2 => 2,
            <= 2.5 => 2.5,
            <= 5 => 5,
            _ => 10,
        };
        return first * power;
    }
}
