using Pravik.Core.Calculations;
using Pravik.Core.Units;
using Pravik.Drawings.Reports;

namespace Pravik.Drawings.Tests;

/// <summary>Reports on pages: nothing is lost, nothing runs over the margin, every page says what it is of.</summary>
public sealed class ReportTests
{
    private static readonly ReportFrame Frame = new(
        "Fern Gill bridge",
        "Gill parish · An office",
        "FG-1 A",
        "Pravik, edit 7",
        "2026-11-28"
    );

    private static string Words(Drawing page) => string.Join(" ", page.Marks.OfType<Label>().Select(l => l.Text));

    private static ReportTable Table(int rows) =>
        new(
            "A long table",
            [new("Name"), new("Station", true), new("What it is about, which may be long")],
            [
                .. Enumerable
                    .Range(0, rows)
                    .Select(i => new ReportRow([$"row{i}", $"{i}.000", string.Join(" ", Enumerable.Repeat("words", i % 40 + 1))])),
            ]
        );

    [Fact]
    public void A_table_goes_on_under_its_head_and_loses_no_row()
    {
        var pages = ReportPages.Of(Frame, [new ReportHeading("1 Summary"), new ReportText("Some words."), Table(200)]);
        Assert.True(pages.Count > 3);
        for (var i = 0; i < pages.Count; i++)
        {
            var words = Words(pages[i]);
            Assert.Contains($"page {i + 1} of {pages.Count}", words, StringComparison.Ordinal);
            Assert.Contains("Fern Gill bridge", words, StringComparison.Ordinal);
            Assert.Contains("Pravik, edit 7", words, StringComparison.Ordinal);
            Assert.Contains("Station", words, StringComparison.Ordinal);
        }
        var all = pages.SelectMany(p => p.Marks.OfType<Label>()).Select(l => l.Text).ToList();
        Assert.All(Enumerable.Range(0, 200), i => Assert.Single(all, t => t == $"row{i}"));
    }

    [Fact]
    public void Nothing_runs_over_the_margin()
    {
        var many = new ReportTable(
            "",
            [.. Enumerable.Range(0, 9).Select(i => new ReportColumn($"A column with a long name, {i}", i % 3 == 0))],
            [new([.. Enumerable.Range(0, 9).Select(i => i % 3 == 0 ? "12345.678" : new string('m', 60))])]
        );
        var pages = ReportPages.Of(Frame, [new ReportText(new string('w', 300)), many, Table(60)]);
        foreach (var mark in pages.SelectMany(p => p.Marks).OfType<Stroke>().Where(s => s.Points.Length == 2))
            Assert.All(mark.Points, p => Assert.InRange(p.X, 19.9, 192.1));
        Assert.All(pages.SelectMany(p => p.Marks).OfType<Label>(), l => Assert.InRange(l.At.Y, 10, 288));
    }

    /// <summary>Headings, remarks and symbols with their indices of a calculation are all there.</summary>
    [Fact]
    public void A_calculation_is_set_line_by_line()
    {
        var calculation = new Calculation("Bending, G1", UnitSystem.Metric);
        calculation.Heading("Effect");
        calculation.Line("M_Ed", "Σ at station 12", 1.5e6, QuantityKind.Moment, "EN 1990 (6.10)");
        calculation.Remark("Said in words.", "EN 1992-1-1 6.1");
        var words = Words(ReportPages.Of(Frame, [ReportTable.Of(calculation)]).Single());
        foreach (
            var wanted in new[] { "Bending, G1", "Effect", "M Ed", "Σ at station 12", "1500", "kNm", "Said in words.", "EN 1992-1-1 6.1" }
        )
            Assert.Contains(wanted, words, StringComparison.Ordinal);
    }

    /// <summary>An index begins at an underscore and ends where it says; text without any stays whole.</summary>
    [Theory]
    [InlineData("V_Rd,max", "V|_Rd,max")]
    [InlineData("α_cc f_ck / γ_C", "α|_cc| f|_ck| / γ|_C")]
    [InlineData("plain", "plain")]
    [InlineData("", "")]
    public void Indices_are_found(string text, string runs) =>
        Assert.Equal(runs, string.Join("|", SymbolText.Runs(text).Select(r => r.IsSubscript ? $"_{r.Text}" : r.Text)));
}
