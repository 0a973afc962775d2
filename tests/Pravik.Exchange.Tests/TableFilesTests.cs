using System.Text;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Spreadsheet;
using Pravik.Exchange.Tables;

namespace Pravik.Exchange.Tests;

public class TableFilesTests
{
    private static readonly TableContent Table = new(
        "Part: a/b",
        ["Item", "Amount"],
        [
            ["Slab, \"wet\"", 12.5],
            ["=1+1", null],
        ]
    );

    [Fact]
    public void Csv_quotes_what_needs_it_and_lets_no_formula_through() =>
        Assert.Equal("Item,Amount\r\n\"Slab, \"\"wet\"\"\",12.5\r\n'=1+1,\r\n", Encoding.UTF8.GetString(TableFiles.Csv(Table)));

    [Fact]
    public void A_spreadsheet_reads_back_with_numbers_as_numbers()
    {
        using var document = SpreadsheetDocument.Open(new MemoryStream(TableFiles.Spreadsheet(Table)), false);
        var sheet = document.WorkbookPart!.Workbook!.Descendants<Sheet>().Single();
        Assert.Equal("Part ab", sheet.Name!.Value);
        var cells = ((WorksheetPart)document.WorkbookPart.GetPartById(sheet.Id!.Value!)).Worksheet!.Descendants<Cell>().ToList();
        Assert.Equal(6, cells.Count);
        Assert.Equal("Slab, \"wet\"", cells[2].InlineString!.InnerText);
        Assert.Equal("12.5", cells[3].CellValue!.Text);
        Assert.Equal(CellValues.Number, cells[3].DataType!.Value);
        Assert.Equal("=1+1", cells[4].InlineString!.InnerText);
    }
}
