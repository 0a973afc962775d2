using System.Text.Json;

namespace Pravik.Cli.Tests;

/// <summary><c>pravik truss</c>: its statuses, files and searches.</summary>
public class TrussTests
{
    private static string Example(string name) => Command.Example(Path.Combine("trusses", $"cobble-gill-{name}.json"));

    [Fact]
    public void A_scheme_that_passes_has_status_0_and_tells_what_is_not_looked_at()
    {
        var (status, text, errors) = Command.Run("truss", Example("mended"));
        Assert.Equal((0, ""), (status, errors));
        Assert.Contains("What is checked passes", text);
        Assert.Contains("Not looked at: joints and gussets", text);
    }

    [Fact]
    public void A_scheme_that_fails_has_status_1_and_its_files_in_a_folder()
    {
        var folder = Directory.CreateTempSubdirectory("pravik-truss").FullName;
        var (status, json, _) = Command.Run("truss", Example("first"), "--json", "--out", folder);
        Assert.Equal(1, status);
        using var parsed = JsonDocument.Parse(json);
        Assert.Equal(34, parsed.RootElement.GetProperty("bars").GetArrayLength());
        Assert.Equal(json.Trim(), File.ReadAllText(Path.Combine(folder, "results.json")).Trim());
        foreach (var name in new[] { "bars.txt", "sheet.pdf", "sheet.svg", "scheme.dxf", "frame.json" })
            Assert.True(new FileInfo(Path.Combine(folder, name)).Length > 500, name);
        var (solved, _, _) = Command.Run("solve", Path.Combine(folder, "frame.json"));
        Assert.Equal(0, solved);
    }

    [Fact]
    public void A_search_writes_a_cheaper_scheme()
    {
        var better = Path.Combine(Directory.CreateTempSubdirectory("pravik-truss").FullName, "better.json");
        var (status, text, errors) = Command.Run("truss", Example("mended"), "--optimise", "size", "--out", better);
        Assert.Equal((0, ""), (status, errors));
        Assert.Contains("18899 EUR, worst ratio 0.916 → ", text);
        Assert.Equal(0, Command.Run("truss", better).Status);
    }

    [Fact]
    public void Bad_input_has_status_2()
    {
        Assert.Equal(2, Command.Run("truss", Example("task")).Status);
        Assert.Equal(2, Command.Run("truss", Example("nowhere")).Status);
        Assert.Equal(2, Command.Run("truss", Example("first"), "--optimise", "size").Status);
        Assert.Equal(2, Command.Run("truss", Example("first"), "--optimise", "weight", "--out", "x.json").Status);
        var file = Path.Combine(Directory.CreateTempSubdirectory("pravik-truss").FullName, "wrong.json");
        File.WriteAllText(file, File.ReadAllText(Example("first")).Replace("\"to\": \"J1\"", "\"to\": \"X9\""));
        var (status, _, errors) = Command.Run("truss", file);
        Assert.Equal(2, status);
        Assert.Contains("goes to joint X9, which there is not", errors);
    }
}
