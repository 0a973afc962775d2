namespace Pravik.Drawings.Reports;

/// <summary>Widths of a table's columns, and its rows drawn in them.</summary>
internal sealed class TableLayout
{
    private const double Pad = 1.6;
    private const double Least = 13;
    private const int Measured = 400;
    private static readonly SetText Plain = new(TextKind.Plain, 2.6);
    private static readonly SetText Strong = new(TextKind.Strong, 2.6);
    private static readonly SetText Number = new(TextKind.Number, 2.4);
    private static readonly SetText Soft = new(TextKind.Soft, 2.6);
    private readonly ReportTable table;
    private readonly double[] widths;
    private readonly double total;

    public TableLayout(ReportTable table, double total)
    {
        (this.table, this.total) = (table, total);
        widths = [.. table.Columns.Select((c, i) => Natural(c, i))];
        var spare = total - widths.Sum();
        int[] texts = [.. Enumerable.Range(0, widths.Length).Where(i => !table.Columns[i].IsNumber)];
        if (texts.Length == 0 || spare == 0)
            return;
        if (spare > 0)
        {
            // What is left over goes to the widest text, so that tables are as wide as the page.
            widths[texts.MaxBy(i => widths[i])] += spare;
            return;
        }
        // Wide texts give way first.
        while (spare < -1e-9)
        {
            var widest = texts.MaxBy(i => widths[i]);
            if (widths[widest] <= Least)
                break;
            var step = Math.Min(1, -spare);
            (widths[widest], spare) = (widths[widest] - step, spare + step);
        }
    }

    public double HeadHeight => HeightOf(table.Columns.Select((c, i) => Strong.Lines(c.Name, widths[i] - Pad).Count).Max());

    public double HeightOf(ReportRow row) =>
        row.IsHeading || row.IsRemark
            ? HeightOf(Across(row).Count)
            : HeightOf(row.Cells.Select((c, i) => SetOf(i).Lines(c, widths[i] - Pad).Count).Max());

    public double DrawHead(Canvas canvas, double left, double y)
    {
        canvas.Box(left, y, total, HeadHeight, Fill.Paper);
        var x = left;
        for (var i = 0; i < widths.Length; i++)
        {
            DrawCell(canvas, Strong, table.Columns[i].Name, x, y, i);
            x += widths[i];
        }
        canvas.Line(new(left, y + HeadHeight), new(left + total, y + HeadHeight), Pen.Dimension);
        return y + HeadHeight;
    }

    public double Draw(Canvas canvas, ReportRow row, double left, double y)
    {
        var height = HeightOf(row);
        if (row.IsHeading || row.IsRemark)
        {
            var (set, lines) = (row.IsHeading ? Strong : Soft, Across(row));
            for (var i = 0; i < lines.Count; i++)
                set.Draw(canvas, left + Pad / 2, Base(y, i), lines[i]);
            if (row.IsRemark && row.Cells.Length > 1)
                DrawCell(canvas, Soft, row.Cells[^1], left + total - widths[^1], y, widths.Length - 1);
        }
        else
        {
            var x = left;
            for (var i = 0; i < widths.Length; i++)
            {
                DrawCell(canvas, row.StandsOut ? Strong : SetOf(i), row.Cells[i], x, y, i);
                x += widths[i];
            }
        }
        canvas.Line(new(left, y + height), new(left + total, y + height), Pen.Grid);
        return y + height;
    }

    private double Natural(ReportColumn column, int i)
    {
        var cells = table.Rows.Where(r => !r.IsHeading && !r.IsRemark).Take(Measured).Select(r => SetOf(i).WidthOf(r.Cells[i]));
        var head = column.Name.Split(' ').Select(Strong.WidthOf).Max();
        return Math.Max(head, cells.DefaultIfEmpty().Max()) + Pad + 0.6;
    }

    private IReadOnlyList<string> Across(ReportRow row) =>
        (row.IsHeading ? Strong : Soft).Lines(row.Cells[0], total - Pad - (row.IsRemark && row.Cells.Length > 1 ? widths[^1] : 0));

    private SetText SetOf(int column) => table.Columns[column].IsNumber ? Number : Plain;

    private void DrawCell(Canvas canvas, SetText set, string text, double x, double y, int column)
    {
        var isNumber = table.Columns[column].IsNumber;
        var lines = set.Lines(text, widths[column] - Pad);
        for (var i = 0; i < lines.Count; i++)
            set.Draw(canvas, isNumber ? x + widths[column] - Pad / 2 : x + Pad / 2, Base(y, i), lines[i], isNumber);
    }

    private static double HeightOf(int lines) => lines * Plain.Leading + 1.1;

    private static double Base(double y, int line) => y + 0.5 + (line + 0.76) * Plain.Leading;
}
