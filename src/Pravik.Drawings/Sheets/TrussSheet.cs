using Pravik.Core.Geometry;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Drawings.Views;

namespace Pravik.Drawings.Sheets;

/// <summary>The sheet of a truss scheme, A3: side view with ratios, bar schedule, cost, what is not looked at, title.</summary>
public static class TrussSheet
{
    private const double Width = 420;
    private const double Height = 297;
    private const double Margin = 10;
    private const double Text = 2.5;
    private const double Row = 3.9;
    private const double Foot = 22;

    /// <summary>Draws the sheet.</summary>
    /// <param name="scheme">The scheme.</param>
    /// <param name="results">Its results; null where it does not stand.</param>
    /// <param name="units">Units of the texts.</param>
    /// <param name="date">Date, as printed.</param>
    public static Drawing Draw(TrussScheme scheme, TrussResults? results, UnitSystem units, string date)
    {
        var canvas = new Canvas(Width, Height, Text);
        canvas.Box(0, 0, Width, Height, Fill.Sheet);
        canvas.Box(Margin, Margin, Width - 2 * Margin, Height - 2 * Margin, Fill.None, Pen.Cut);
        TrussShown shown = new() { HasNames = true, States = BarState.WorstOf(results) };
        var side = TrussSideView.Draw(scheme, units, new(Width - 2 * Margin - 4, 128, Text), shown).Drawing;
        canvas.Place(side, Margin + 2, Margin + 8);
        canvas.Text(new(Margin + 5, Margin + 6), "Side view of one plane, each bar with its greatest ratio", TextKind.Strong, height: 3.2);
        var y = Margin + 142;
        Schedule(canvas, scheme, results, units, new(Margin + 5, y));
        Cost(canvas, scheme, new(300, y));
        Title(canvas, scheme, results, date);
        return canvas.Finish($"{scheme.Name}: sheet");
    }

    /// <summary>Bars of the same section, grade and length in one line.</summary>
    private static void Schedule(Canvas canvas, TrussScheme scheme, TrussResults? results, UnitSystem units, Point at)
    {
        var model = TrussModel.Of(scheme);
        var groups = Enumerable
            .Range(0, model.Bars.Length)
            .GroupBy(b => (model.Bars[b].Section.Name, Grade: model.Bars[b].Grade.Name, Length: Math.Round(model.Length(b), 3)))
            .OrderBy(g => g.Key.Name, StringComparer.Ordinal)
            .ThenByDescending(g => g.Key.Length)
            .ToList();
        var rows = (int)((Height - Margin - Foot - at.Y - 10) / Row);
        canvas.Text(at, "Bar schedule, both planes", TextKind.Strong, height: 3.2);
        for (var i = 0; i < groups.Count; i++)
        {
            var (column, row) = (i / rows, i % rows);
            if (column > 1)
            {
                canvas.Text(new(at.X, at.Y + 9 + rows * Row), $"and {groups.Count - 2 * rows} more lines in the tables", TextKind.Soft);
                break;
            }
            Point p = new(at.X + 142 * column, at.Y + 9 + row * Row);
            if (row == 0)
                Line(canvas, new(p.X, p.Y - Row), ["Section", "Grade", "Length", "Pieces", "kg", "Ratio"], TextKind.Soft);
            var group = groups[i];
            var ratio = results is null ? "" : QuantityText.Fixed(group.Max(b => results.Bars[b].Ratio), 2);
            string[] cells =
            [
                group.Key.Name,
                group.Key.Grade,
                units.FormatWithUnit(group.Key.Length, QuantityKind.Length),
                $"{TrussCost.Planes * group.Count()}",
                QuantityText.Fixed(TrussCost.Planes * group.Sum(model.Mass), 0),
                ratio,
            ];
            Line(canvas, p, cells, TextKind.Number);
        }
    }

    private static void Line(Canvas canvas, Point at, string[] cells, TextKind kind)
    {
        double[] ends = [0, 34, 68, 82, 100, 116];
        for (var i = 0; i < cells.Length; i++)
            canvas.Text(new(at.X + ends[i], at.Y), cells[i], kind, i < 2 ? Anchor.Start : Anchor.End, height: 2.4);
    }

    private static void Cost(Canvas canvas, TrussScheme scheme, Point at)
    {
        var cost = TrussCost.Of(scheme);
        canvas.Text(at, "Cost", TextKind.Strong, height: 3.2);
        var y = at.Y + 6;
        foreach (var line in cost.Lines.Append(new("", "In all", 1, "", cost.Total)))
        {
            canvas.Text(new(at.X, y), line.Words, height: 2.4);
            canvas.Text(new(Width - Margin - 5, y), scheme.Money(line.Cost), TextKind.Number, Anchor.End, height: 2.4);
            y += Row;
        }
    }

    private static void Title(Canvas canvas, TrussScheme scheme, TrussResults? results, string date)
    {
        var y = Height - Margin - Foot;
        canvas.Line(new(Margin, y), new(Width - Margin, y), Pen.Edge);
        canvas.Text(new(Margin + 5, y + 7), scheme.Name, TextKind.Title);
        canvas.Text(new(Margin + 5, y + 12), $"{(scheme.Author.Length > 0 ? scheme.Author : "no author given")}, {date}", TextKind.Soft);
        var verdict =
            results is null ? "It does not stand: nothing is worked out."
            : results.Worst <= 1 ? $"What is checked passes: greatest ratio {QuantityText.Fixed(results.Worst, 2)}."
            : $"A check fails: greatest ratio {QuantityText.Fixed(results.Worst, 2)}.";
        canvas.Text(new(150, y + 6), verdict, TextKind.Strong);
        canvas.Text(new(150, y + 11), $"Checked: {string.Join(", ", TrussScope.Checked)}.", TextKind.Soft, height: 2.2);
        canvas.Text(new(150, y + 15), $"Not looked at: {string.Join(", ", TrussScope.NotChecked.Take(4))},", TextKind.Soft, height: 2.2);
        canvas.Text(new(150, y + 18.5), $"{string.Join(", ", TrussScope.NotChecked.Skip(4))}.", TextKind.Soft, height: 2.2);
    }
}
