using System.Collections.Immutable;
using Pravik.Core.Calculations;

namespace Pravik.Drawings.Reports;

/// <summary>A piece of a report, in order down its pages.</summary>
public abstract record ReportBlock;

/// <summary>A heading: level 1 for a part, 2 within it.</summary>
public sealed record ReportHeading(string Text, int Level = 1) : ReportBlock;

/// <summary>A paragraph.</summary>
public sealed record ReportText(string Text) : ReportBlock
{
    /// <summary>Whether it is what the reader must see.</summary>
    public bool IsStrong { get; init; }
}

/// <summary>A drawing, as wide as the text or less (<see cref="ReportPages.TextWidth"/>).</summary>
public sealed record ReportFigure(Drawing Drawing) : ReportBlock;

/// <summary>A column of a table.</summary>
public sealed record ReportColumn(string Name, bool IsNumber = false);

/// <summary>A row of a table: cells, or one text across it.</summary>
public sealed record ReportRow(ImmutableArray<string> Cells)
{
    /// <summary>Whether its only cell is a heading across the table.</summary>
    public bool IsHeading { get; init; }

    /// <summary>Whether its first cell is a sentence across the table, and the last stands in the last column.</summary>
    public bool IsRemark { get; init; }

    /// <summary>Whether it stands out: something fails, or is of the project’s own.</summary>
    public bool StandsOut { get; init; }
}

/// <summary>A table; its head stands on every page that it goes on to.</summary>
public sealed record ReportTable(string Title, ImmutableArray<ReportColumn> Columns, ImmutableArray<ReportRow> Rows) : ReportBlock
{
    private static readonly ImmutableArray<ReportColumn> OfCalculation =
    [
        new("Symbol"),
        new("Formula and numbers"),
        new("Value", true),
        new("Unit"),
        new("Clause"),
    ];

    /// <summary>The lines of a calculation.</summary>
    public static ReportTable Of(Calculation calculation) =>
        new(
            calculation.Title,
            OfCalculation,
            [
                .. calculation.Lines.Select(l =>
                    l.IsHeading ? new ReportRow([l.Formula]) { IsHeading = true }
                    : l.IsRemark ? new ReportRow([l.Formula, l.Clause]) { IsRemark = true }
                    : new ReportRow([l.Symbol, l.Numbers.Length > 0 ? $"{l.Formula}: {l.Numbers}" : l.Formula, l.Value, l.Unit, l.Clause])
                ),
            ]
        );
}
