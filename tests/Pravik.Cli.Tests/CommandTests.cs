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
        Assert.False(json.GetProperty("fails").GetBoolean());
        Assert.Equal("ultimate bending", json.GetProperty("checked")[0].GetString());
        // Nothing passes as a whole while something is not checked.
        Assert.True(json.GetProperty("notChecked").GetArrayLength() > 5);
        Assert.False(json.GetProperty("passes").GetBoolean());
        Assert.Equal(360, json.GetProperty("checks").GetArrayLength());
        Assert.Contains(json.GetProperty("slabs").EnumerateArray(), s => s.GetProperty("check").GetString() == "Punching by a wheel");
        Assert.Contains("V_Rd,max", File.ReadAllText(Path.Combine(folder.FullName, "calculation.txt")));
        Assert.Equal(text.Trim(), File.ReadAllText(Path.Combine(folder.FullName, "results.json")).Trim());
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
        Assert.Equal(
            ["general-arrangement.pdf", "general-arrangement.svg"],
            Directory.EnumerateFiles(Path.Combine(folder.FullName, "sheets")).Select(Path.GetFileName).Order()
        );
    }

    /// <summary>
    /// A cantilever of 4 m under 1 kN at its tip: P·L³/3EI; what can move is refused with its place, and nothing is written.
    /// </summary>
    [Fact]
    public void Solve_writes_results_or_says_what_can_move()
    {
        string Model(string fix) =>
            $$"""
                { "format": "pravik-frame", "version": 1, "materials": [ { "id": "C", "E": 30e9, "nu": 0.2 } ], "sections": [ { "id": "S", "A": 0.1, "Iy": 0.001, "Iz": 0.001, "J": 0.001 } ],
                  "nodes": [ { "id": "a", "x": 0, "y": 0, "z": 0 }, { "id": "b", "x": 4, "y": 0, "z": 0 } ], "beams": [ { "id": "1", "i": "a", "j": "b", "material": "C", "section": "S" } ],
                  "supports": [ { "node": "a", "fix": [ {{fix}} ] } ], "cases": [ { "id": "tip", "nodal": [ { "node": "b", "fz": -1000 } ] } ] }
                """;
        var (file, output) = (Path.Combine(folder.FullName, "frame.json"), Path.Combine(folder.FullName, "results.json"));
        File.WriteAllText(file, Model("\"ux\", \"uy\", \"uz\", \"rx\", \"rz\""));
        var (status, text, error) = Command.Run("solve", file, "--out", output);
        Assert.Equal((2, "", "/nodes/1: The structure can move: node “b” is free in uz."), (status, text, error.Trim()));
        Assert.False(File.Exists(output));
        File.WriteAllText(file, Model("\"ux\", \"uy\", \"uz\", \"rx\", \"ry\", \"rz\""));
        Assert.Equal(0, Command.Run("solve", file, "--out", output).Status);
        var (_, printed, _) = Command.Run("solve", file);
        Assert.Equal(File.ReadAllText(output), printed.TrimEnd('\n'));
        Assert.Equal(
            -1000 * 64 / (3 * 30e9 * 0.001),
            JsonDocument.Parse(printed).RootElement.GetProperty("cases")[0].GetProperty("nodes")[1].GetProperty("uz").GetDouble(),
            1e-12
        );
        Assert.Equal(2, Command.Run("solve", Path.Combine(folder.FullName, "none.json")).Status);
    }

    /// <summary>
    /// A model of a bridge goes out in the open format, is solved from the file, and its reactions carry what the bridge's own run puts
    /// on.
    /// </summary>
    [Fact]
    public void Models_are_compared_written_and_solved()
    {
        var (file, output) = (Path.Combine(folder.FullName, "shells.json"), Path.Combine(folder.FullName, "results.json"));
        Assert.Equal(0, Command.Run("frame", Command.Example("tansy-lane.json"), "--model", "shells", "--out", file).Status);
        Assert.Equal(0, Command.Run("solve", file, "--out", output).Status);
        var cases = JsonDocument
            .Parse(File.ReadAllText(output))
            .RootElement.GetProperty("cases")
            .EnumerateArray()
            .ToDictionary(c => c.GetProperty("id").GetString()!);
        var balance = cases["Surfacing"].GetProperty("equilibrium");
        Assert.Equal(-balance.GetProperty("applied")[2].GetDouble(), balance.GetProperty("reacted")[2].GetDouble(), 1);
        Assert.True(balance.GetProperty("reacted")[2].GetDouble() > 1e5);
        Assert.Contains("Temperature difference, top warmer", cases.Keys);
        var (status, text, _) = Command.Run("models", Command.Example("tansy-lane.json"));
        Assert.Equal(0, status);
        Assert.Contains("values compared", text);
        Assert.Equal(2, Command.Run("models", Command.WithGap()).Status);
    }

    /// <summary>Status 1 is that of a check that fails, and of nothing else.</summary>
    [Fact]
    public void Wrong_use_and_broken_text_are_status_2_in_one_line()
    {
        var broken = Path.Combine(folder.FullName, "broken.json");
        File.WriteAllBytes(broken, [(byte)'{', 0xFF, 0xC0, (byte)'}']);
        foreach (
            var arguments in new[]
            {
                new[] { "check" },
                ["nothing"],
                ["check", "a", "b"],
                ["setout", broken],
                ["check", broken],
                ["solve", broken],
                ["setout", broken, "--stations", "0:10:5"],
            }
        )
        {
            var (status, _, error) = Command.Run(arguments);
            Assert.Equal(2, status);
            Assert.Single(error.Split('\n', StringSplitOptions.RemoveEmptyEntries));
        }
    }
}
