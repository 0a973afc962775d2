using System.Text.Json;

namespace Pravik.Cli.Tests;

public class MemberTests
{
    [Theory]
    [InlineData("marl-pit-beam.json")]
    [InlineData("ferry-siding-trough.json")]
    [InlineData("sluice-strip.json")]
    public void An_example_passes_and_says_what_is_not_checked(string name)
    {
        var (status, text, errors) = Command.Run("member", Command.Example(Path.Combine("members", name)));
        Assert.Equal(0, status);
        Assert.Empty(errors);
        Assert.Contains("all pass; the worst utilisation is 0.", text);
        Assert.Contains("Not checked yet: torsion, as no load on a member alone lies beside its axis", text);
        Assert.Contains("Support 1", text);
    }

    [Fact]
    public void A_member_that_fails_has_status_1_and_its_results_in_a_folder()
    {
        var text = File.ReadAllText(Command.Example("members/sluice-strip.json"));
        var folder = Directory.CreateTempSubdirectory("pravik-member").FullName;
        var file = Path.Combine(folder, "thin.json");
        File.WriteAllText(file, text.Replace("\"depth\": 0.45", "\"depth\": 0.3"));
        var (status, json, _) = Command.Run("member", file, "--json", "--out", folder);
        Assert.Equal(1, status);
        using var read = JsonDocument.Parse(json);
        var root = read.RootElement;
        Assert.True(root.GetProperty("fails").GetBoolean());
        Assert.True(root.GetProperty("checks")[0].GetProperty("utilisation").GetDouble() > 1);
        var places = root.GetProperty("at").GetArrayLength();
        Assert.All(root.GetProperty("effects").EnumerateArray(), e => Assert.Equal(places, e.GetProperty("greatest").GetArrayLength()));
        Assert.Equal(json.Trim(), File.ReadAllText(Path.Combine(folder, "results.json")).Trim());
        Assert.Contains("Ultimate shear, span", File.ReadAllText(Path.Combine(folder, "calculation.txt")));
    }

    [Theory]
    [InlineData("\"length\": 5.2", "\"length\": 1e9", "/spans/0/length", "must lie between")]
    [InlineData("C30/37", "C200/240", "/materials/concrete/class", "is not known")]
    [InlineData("\"pravik-member\"", "\"pravik-bridge\"", "/format", "not a member file")]
    [InlineData("\"spans\"", "\"length\"", "", "does not know")]
    [InlineData("\"traffic\": [", "traffic [", "", "broken")]
    public void Bad_input_has_status_2_and_is_told_with_its_place(string old, string wrong, string path, string words)
    {
        var text = File.ReadAllText(Command.Example("members/sluice-strip.json"));
        var file = Path.Combine(Directory.CreateTempSubdirectory("pravik-member").FullName, "wrong.json");
        Assert.Contains(old, text);
        File.WriteAllText(file, text.Replace(old, wrong));
        var (status, output, errors) = Command.Run("member", file);
        Assert.Equal(2, status);
        Assert.Empty(output);
        Assert.Contains(path, errors);
        Assert.Contains(words, errors);
    }
}
