using System.Text.Json;

namespace Pravik.Cli.Tests;

/// <summary>Traffic models by name on the command line.</summary>
public sealed class TrafficTests : IDisposable
{
    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("pravik-traffic-");

    public void Dispose() => folder.Delete(true);

    private string Vehicles(string text)
    {
        var file = Path.Combine(folder.FullName, "own.json");
        File.WriteAllText(file, text);
        return file;
    }

    [Fact]
    public void An_own_vehicle_is_put_where_it_is_worst_and_told_with_its_axles()
    {
        var file = Vehicles(
            """{ "vehicles": [ { "name": "Permit", "axles": [ { "load": 80000 }, { "load": 120000, "gap": 3.6 }, { "load": 120000, "gap": 1.4 } ] } ] }"""
        );
        var (status, text, _) = Command.Run([
            "traffic",
            Command.Example("tansy-lane.json"),
            "--model",
            "permit",
            "--girder",
            "2",
            "--vehicles",
            file,
            "--json",
        ]);
        Assert.Equal(0, status);
        var all = JsonDocument.Parse(text).RootElement.GetProperty("envelopes").EnumerateArray().ToList();
        Assert.All(all, e => Assert.Equal((2, "M"), (e.GetProperty("girder").GetInt32(), e.GetProperty("effect").GetString())));
        var worst = all.MaxBy(e => e.GetProperty("greatest").GetDouble());
        Assert.InRange(worst.GetProperty("at").GetDouble(), 0.4, 0.6);
        var loading = worst.GetProperty("greatestLoading");
        var axles = loading.GetProperty("lanes")[0].GetProperty("vehicle").GetProperty("axles");
        Assert.Equal(3, axles.GetArrayLength());
        Assert.Equal(worst.GetProperty("greatest").GetDouble(), loading.GetProperty("together").GetProperty("M").GetDouble(), 1);
    }

    [Theory]
    [InlineData("--model", "LM9", "LM9")]
    [InlineData("--effect", "Q", "--effect")]
    [InlineData("--girder", "99", "99")]
    [InlineData("--vehicles", "none.json", "none.json")]
    public void What_is_asked_for_wrongly_is_status_2_with_the_reason(string option, string value, string words)
    {
        var (status, text, error) = Command.Run("traffic", Command.Example("tansy-lane.json"), option, value);
        Assert.Equal((2, ""), (status, text));
        Assert.Contains(words, error);
        Assert.Equal(2, Command.Run("traffic", Command.WithGap()).Status);
    }
}
