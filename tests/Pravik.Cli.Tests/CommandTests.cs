using System.Text.Json;

namespace Pravik.Cli.Tests;

/// <summary>Runs the command line as a user does: a process, its output and its exit status.</summary>
public sealed class CommandTests : IDisposable
{
    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("pravik-cli-");

    public void Dispose() => folder.Delete(true);

    [Fact]
    public void Check_passes_the_demo_and_writes_its_files()
    {
        var (status, text, _) = Command.Run("check", Command.Example("sorrel-brook.json"), "--json", "--out", folder.FullName);
        Assert.Equal(0, status);
        var json = JsonDocument.Parse(text).RootElement;
        Assert.InRange(json.GetProperty("utilisation").GetDouble(), 0.85, 0.98);
        Assert.True(json.GetProperty("passes").GetBoolean());
        Assert.Equal(30, json.GetProperty("checks").GetArrayLength());
        Assert.Contains("M_Rd", File.ReadAllText(Path.Combine(folder.FullName, "calculation.txt")));
        Assert.True(JsonDocument.Parse(File.ReadAllText(Path.Combine(folder.FullName, "results.json"))).RootElement.TryGetProperty("points", out _));
    }

    [Fact]
    public void Check_says_what_fails()
    {
        var (status, text, _) = Command.Run("check", Command.Example("sorrel-brook-fails.json"));
        Assert.Equal(1, status);
        Assert.Contains("FAILS", text);
        Assert.Equal(0, Command.Run("check", Command.Example("tansy-lane.json")).Status);
    }

    [Theory]
    [InlineData("{ \"format\": \"pravik-bridge\", \"version\": 1, \"axes\": { \"skew\": 1.4 } }", "/axes/skew")]
    [InlineData("{ \"format\": ", "broken")]
    public void Bad_input_is_status_2_with_place_and_reason(string content, string place)
    {
        var file = Path.Combine(folder.FullName, "bad.json");
        File.WriteAllText(file, content);
        var (status, text, error) = Command.Run("check", file, "--out", Path.Combine(folder.FullName, "out"));
        Assert.Equal(2, status);
        Assert.Empty(text);
        Assert.Contains(place, error);
        Assert.False(Directory.Exists(Path.Combine(folder.FullName, "out")));
        Assert.Equal(2, Command.Run("check", Path.Combine(folder.FullName, "none.json")).Status);
    }

    [Fact]
    public void Sheets_are_written_as_pdf_and_svg()
    {
        var (status, _, _) = Command.Run("sheets", Command.Example("tansy-lane.json"), "--out", Path.Combine(folder.FullName, "sheets"));
        Assert.Equal(0, status);
        Assert.Equal(["general-arrangement.pdf", "general-arrangement.svg"], Directory.EnumerateFiles(Path.Combine(folder.FullName, "sheets")).Select(Path.GetFileName).Order());
    }
}
