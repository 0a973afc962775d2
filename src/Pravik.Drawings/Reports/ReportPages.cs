namespace Pravik.Drawings.Reports;

/// <summary>What stands on every page of a report.</summary>
/// <param name="Title">What it is of.</param>
/// <param name="Project">Titles of the project, in one line.</param>
/// <param name="Number">Number and issue.</param>
/// <param name="State">From which state it was computed.</param>
/// <param name="Date">When it was made.</param>
public sealed record ReportFrame(string Title, string Project, string Number, string State, string Date);

/// <summary>Lays the blocks of a report on pages of A4, each with titles, page n of m, date and state.</summary>
public sealed class ReportPages
{
    private const double Width = 210;
    private const double Height = 297;
    private const double Left = 20;
    private const double Top = 24;
    private const double Bottom = 278;
    private const double Gap = 2.5;
    private static readonly SetText Body = new(TextKind.Plain, 3);
    private static readonly SetText Warning = new(TextKind.Strong, 3);
    private static readonly SetText Small = new(TextKind.Soft, 2.6);
    private readonly List<Canvas> pages = [];
    private double y = Bottom;

    private ReportPages() { }

    /// <summary>Width of the text, and of figures at most (mm).</summary>
    public static double TextWidth => 172;

    private Canvas Page => pages[^1];

    /// <summary>The pages of a report, at least one.</summary>
    public static IReadOnlyList<Drawing> Of(ReportFrame frame, IEnumerable<ReportBlock> blocks)
    {
        var report = new ReportPages();
        report.Room(1);
        var all = blocks.ToList();
        for (var i = 0; i < all.Count; i++)
            report.Add(all[i], i + 1 < all.Count ? all[i + 1] : null);
        return report.Framed(frame);
    }

    private void Add(ReportBlock block, ReportBlock? next)
    {
        switch (block)
        {
            case ReportHeading heading:
                var head = new SetText(TextKind.Strong, heading.Level == 1 ? 5.2 : 3.6);
                // A heading stays with what it heads.
                Room(
                    next is ReportFigure below ? below.Drawing.Height + 26
                    : heading.Level == 1 ? 50
                    : 32
                );
                y += y > Top + 1 ? 2 * Gap : 0;
                Lines(head, heading.Text);
                y += Gap / 2;
                break;
            case ReportText text:
                Lines(text.IsStrong ? Warning : Body, text.Text);
                y += Gap;
                break;
            case ReportFigure figure:
                Room(figure.Drawing.Height + 8);
                Lines(Warning, figure.Drawing.Title);
                if (figure.Drawing.Note.Length > 0)
                    Lines(Small, figure.Drawing.Note);
                Page.Place(figure.Drawing, Left, y);
                y += figure.Drawing.Height + Gap;
                break;
            case ReportTable table:
                Add(table);
                break;
        }
    }

    private void Add(ReportTable table)
    {
        var layout = new TableLayout(table, TextWidth);
        if (table.Title.Length > 0)
        {
            Room(layout.HeadHeight + 24);
            Lines(Warning, table.Title);
        }
        else
            Room(layout.HeadHeight + 12);
        y = layout.DrawHead(Page, Left, y);
        foreach (var row in table.Rows)
        {
            // A heading within it does not stand alone at the foot of a page.
            if (Room(layout.HeightOf(row) + (row.IsHeading ? 12 : 0)))
                y = layout.DrawHead(Page, Left, y);
            y = layout.Draw(Page, row, Left, y);
        }
        y += 2 * Gap;
    }

    private void Lines(SetText text, string words)
    {
        foreach (var line in text.Lines(words, TextWidth))
        {
            Room(text.Leading);
            text.Draw(Page, Left, y + 0.76 * text.Leading, line);
            y += text.Leading;
        }
    }

    /// <summary>Makes room of a height (mm); whether that began a page.</summary>
    private bool Room(double height)
    {
        if (y + height <= Bottom)
            return false;
        pages.Add(new(Width, Height, 2.6));
        Page.Box(0, 0, Width, Height, Fill.Sheet);
        y = Top;
        return true;
    }

    private List<Drawing> Framed(ReportFrame frame)
    {
        for (var i = 0; i < pages.Count; i++)
        {
            var page = pages[i];
            page.Text(new(Left, 13), frame.Title, TextKind.Strong, height: 3);
            page.Text(new(Left, 17.5), frame.Project, TextKind.Soft, height: 2.5);
            page.Text(new(Left + TextWidth, 13), frame.Number, TextKind.Plain, Anchor.End, height: 3);
            page.Line(new(Left, 20), new(Left + TextWidth, 20), Pen.Dimension);
            page.Line(new(Left, 283), new(Left + TextWidth, 283), Pen.Dimension);
            page.Text(new(Left, 287.5), frame.State, TextKind.Soft, height: 2.5);
            page.Text(new(Left + TextWidth / 2, 287.5), frame.Date, TextKind.Soft, Anchor.Middle, height: 2.5);
            page.Text(new(Left + TextWidth, 287.5), $"page {i + 1} of {pages.Count}", TextKind.Plain, Anchor.End, height: 2.5);
        }
        return [.. pages.Select((p, i) => p.Finish($"{frame.Title}, page {i + 1}"))];
    }
}
