using Pravik.Core.Findings;
using Pravik.Core.Trusses;
using Pravik.Exchange.Dxf;
using Pravik.Exchange.Frames;

namespace Pravik.Exchange.Tests;

/// <summary>Truss schemes as files: JSON, DXF, models of frames, what the command line writes.</summary>
public class TrussFilesTests
{
    private static readonly string Folder = Path.Combine(Checkout.Root, "examples", "trusses");

    private static TrussScheme Example(string name) => Formats.Truss.Read(File.ReadAllText(Path.Combine(Folder, $"{name}.json"))).Document!;

    [Fact]
    public void Examples_are_read_without_findings_and_written_as_they_are()
    {
        foreach (var file in Directory.EnumerateFiles(Folder, "*.json"))
        {
            var text = File.ReadAllText(file);
            var reading = Formats.Truss.Read(text);
            Assert.DoesNotContain(reading.Findings, f => f.Severity >= Severity.Fault);
            Assert.Equal(text, Formats.Truss.WriteIndented(reading.Document!));
        }
    }

    [Theory]
    [InlineData("\"opening\": 36", "\"opening\": \"wide\"", "/site/opening")]
    [InlineData("\"opening\": 36", "\"opening\": 1", "/site/opening")]
    [InlineData("\"version\": 1", "\"version\": 2", "/version")]
    [InlineData("pravik-truss", "pravik-bridge", "/format")]
    [InlineData("\"deck\": \"plank\"", "\"deck\": \"glass\"", "/site/deck")]
    [InlineData("\"prices\": {}", "\"prices\": { \"order\": -1 }", "/prices/order")]
    [InlineData("\"bars\": [", "\"bars\": [null, ", "/bars")]
    [InlineData("\"kind\": \"pratt\"", "\"kind\": \"prat\"", "/form/kind")]
    public void What_is_wrong_is_found_at_its_place(string right, string wrong, string path)
    {
        var text = File.ReadAllText(Path.Combine(Folder, "cobble-gill-first.json"));
        Assert.Contains(right, text);
        var reading = Formats.Truss.Read(text.Replace(right, wrong));
        Assert.Null(reading.Document);
        Assert.Equal(path, reading.Findings.First(f => f.Severity == Severity.Error).Path);
    }

    [Fact]
    public void A_drawing_file_has_every_bar_and_joint_at_its_place()
    {
        var scheme = Example("cobble-gill-first");
        var lines = TrussDxf.Write(scheme).Split("\r\n");
        Assert.Equal(("0", "SECTION", "0", "EOF"), (lines[0], lines[1], lines[^3], lines[^2]));
        var pairs = lines.Chunk(2).Where(p => p.Length == 2).Select(p => (p[0], p[1])).ToList();
        var axes = pairs.Where((p, i) => p == ("0", "LINE") && pairs[i + 1].Item2.StartsWith("axes ", StringComparison.Ordinal));
        Assert.Equal(scheme.Bars.Length, axes.Count());
        Assert.Equal(18, pairs.Count(p => p == ("0", "CIRCLE")));
        Assert.All(lines, l => Assert.All(l, c => Assert.InRange(c, ' ', '~')));
        var first = pairs.FindIndex(p => p.Item2 == "axes 114.3x6.3 S355" && p.Item1 == "8");
        Assert.Equal(["0", "118", "0", "4", "118", "0"], pairs.Skip(first + 1).Take(6).Select(p => p.Item2));
    }

    [Fact]
    public void A_truss_becomes_a_frame_model_that_is_read_back()
    {
        using var stream = new MemoryStream();
        FrameWriter.Write(stream, TrussFrame.Of(Example("cobble-gill-mended")));
        var reading = FrameReader.Read(stream.ToArray());
        Assert.Equal((34, 18), (reading.Model!.Beams.Length, reading.Model.Nodes.Length));
    }

    [Fact]
    public void The_summary_tells_what_fails_and_what_gives_way_first()
    {
        var scheme = Example("cobble-gill-first");
        var summary = TrussSummary.Of(scheme, TrussResults.Of(TrussModel.Of(scheme))!);
        Assert.False(summary.Passes);
        Assert.Equal(summary.Worst, summary.Bars.Max(b => b.Ratio));
        Assert.Equal(25, summary.Bars.MaxBy(b => b.Ratio)!.Bar);
        Assert.Contains("bar 25, D0 to J1, buckles", summary.Failures[0]);
        Assert.Equal(summary.TotalCost, summary.Cost.Sum(c => c.Cost), 6);
        Assert.NotEmpty(summary.NotChecked);
    }
}
