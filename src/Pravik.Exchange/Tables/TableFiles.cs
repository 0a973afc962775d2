using System.Globalization;
using System.Text;
using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Spreadsheet;

namespace Pravik.Exchange.Tables;

/// <summary>A table to be written: columns and rows of text, numbers or nothing.</summary>
public sealed record TableContent(string Title, IReadOnlyList<string> Columns, IReadOnlyList<IReadOnlyList<object?>> Rows);

/// <summary>Writes tables as CSV (RFC 4180, UTF-8) and as spreadsheets (ECMA-376).</summary>
public static class TableFiles
{
    /// <summary>A table as CSV (RFC 4180).</summary>
    public static byte[] Csv(TableContent table)
    {
        var text = new StringBuilder();
        foreach (var row in table.Rows.Prepend([.. table.Columns]))
            text.AppendJoin(',', row.Select(Field)).Append("\r\n");
        return Encoding.UTF8.GetBytes(text.ToString());
    }

    /// <summary>A workbook of one sheet; numbers stay numbers.</summary>
    public static byte[] Spreadsheet(TableContent table)
    {
        using var stream = new MemoryStream();
        using (var document = SpreadsheetDocument.Create(stream, SpreadsheetDocumentType.Workbook))
        {
            var book = document.AddWorkbookPart();
            var sheet = book.AddNewPart<WorksheetPart>();
            sheet.Worksheet = new Worksheet(new SheetData(table.Rows.Prepend([.. table.Columns]).Select(row => new Row(row.Select(Cell)))));
            // Names of sheets have at most 31 characters, without a few of them.
            var name = new string([.. table.Title.Where(c => !"[]:*?/\\".Contains(c)).Take(31)]);
            book.Workbook = new Workbook(
                new Sheets(
                    new Sheet
                    {
                        Id = book.GetIdOfPart(sheet),
                        SheetId = 1,
                        Name = name.Length == 0 ? "Table" : name,
                    }
                )
            );
        }
        return stream.ToArray();
    }

    /// <summary>A field of CSV. Text that a spreadsheet would take for a formula is led by an apostrophe.</summary>
    private static string Field(object? value)
    {
        if (value is double number)
            return number.ToString("R", CultureInfo.InvariantCulture);
        var text = value?.ToString() ?? "";
        if (text.Length > 0 && "=+-@".Contains(text[0]))
            text = "'" + text;
        return text.AsSpan().IndexOfAny(",\"\r\n") >= 0 ? $"\"{text.Replace("\"", "\"\"")}\"" : text;
    }

    private static Cell Cell(object? value) =>
        value switch
        {
            null => new Cell(),
            double number => new Cell { DataType = CellValues.Number, CellValue = new(number.ToString("R", CultureInfo.InvariantCulture)) },
            _ => new Cell { DataType = CellValues.InlineString, InlineString = new(new Text(value.ToString()!)) },
        };
}
