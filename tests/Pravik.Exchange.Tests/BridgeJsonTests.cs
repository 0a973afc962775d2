using System.Text.Json.Nodes;
using Pravik.Core.Places;
using Pravik.Core.Runs;

namespace Pravik.Exchange.Tests;

public class BridgeJsonTests
{
    private static string Root => Checkout.Root;

    private static string Demo => File.ReadAllText(Path.Combine(Root, "examples", "sorrel-brook.json"));

    [Fact]
    public void A_bridge_comes_back_as_it_was_written()
    {
        foreach (var file in Directory.EnumerateFiles(Path.Combine(Root, "examples"), "*.json"))
        {
            var bridge = BridgeJson.Read(File.ReadAllText(file)).Bridge!;
            var text = BridgeJson.WriteIndented(bridge);
            Assert.Equal(text, BridgeJson.WriteIndented(BridgeJson.Read(text).Bridge!));
        }
    }

    /// <summary>Version 1 had one straight or arc and one grade.</summary>
    [Fact]
    public void A_file_of_version_1_opens_as_the_same_road()
    {
        const string Old =
            """{ "format": "pravik-bridge", "version": 1, "name": "Old", "road": { "startStation": 100, "azimuth": 0, "length": 250, "radius": -400, "startLevel": 44.3, "grade": 0.012 }, "axes": { "firstStation": 150 }, "loads": { "parapetLeft": 1500 } }""";
        var road = new Core.Roads.RoadLine(BridgeJson.Read(Old).Bridge!.Road);
        Assert.Equal(350, road.EndStation);
        Assert.Equal(-1 / 400.0, road.Line.Curvature(200), 1e-15);
        Assert.Equal(44.3 + 0.012 * 90, road.Level(190), 1e-12);
        Assert.Equal([1500.0, 1000], BridgeJson.Read(Old).Bridge!.Parapets.Select(p => p.Weight!.Value));
        Assert.NotEmpty(BridgeJson.Read(Old.Replace("250", "\"long\"")).Errors);
    }

    /// <summary>Version 3 had one section, one concrete, one layout of strands and one rule for the haunch for all girders.</summary>
    /// <summary>
    /// A parabola through three levels is the same curve through its ends and its lowest point; over the pier it has a kink.
    /// </summary>
    [Fact]
    public void A_file_of_version_5_opens_with_its_tendons_through_points()
    {
        var bridge = BridgeJson
            .Read(
                """{ "format": "pravik-bridge", "version": 5, "axes": { "spans": [20, 20] }, "girders": { "tendons": [{ "name": "A" }, { "name": "B", "span": 2, "startLevel": 0.9, "lowLevel": 0.2, "endLevel": 0.6, "lowAt": 0.4, "effectiveStress": 9e8 }] } }"""
            )
            .Bridge!;
        var (both, one) = (bridge.Girders.Tendons[0], bridge.Girders.Tendons[1]);
        Assert.Equal([0, 0.5, 1, 0.5, 1], both.Points.Select(p => p.At));
        Assert.Equal([1, 1, 1, 2, 2], both.Points.Select(p => p.Span));
        Assert.Equal([0.7, 0.15, 0.7, 0.15, 0.7], both.Points.Select(p => Math.Round(p.Level, 9)));
        Assert.Equal([false, false, true, false, false], both.Points.Select(p => p.Kink));
        Assert.Equal((1100e6, 900e6), (both.EffectiveStress, one.EffectiveStress));
        double Parabola(double t) =>
            0.9 * (t - 0.4) * (t - 1) / 0.4 + 0.2 * t * (t - 1) / (0.4 * (0.4 - 1)) + 0.6 * t * (t - 0.4) / (1 - 0.4);
        var geometry = new BridgeGeometry(bridge);
        var path = TendonPath.Of(geometry, one, geometry.Girders[0])!;
        Assert.All([0, 0.1, 0.3, 0.4, 0.55, 0.8, 1], t => Assert.Equal(Parabola(t), path.LevelAt(1, t), 1e-9));
        Assert.False(path.Passes(0, 0.5));
    }

    [Fact]
    public void A_file_of_version_3_opens_with_its_girders_as_one_type()
    {
        const string Old =
            """{ "format": "pravik-bridge", "version": 3, "name": "Old", "girders": { "count": 4, "section": "Precast I", "camber": 0.03, "greatestHaunch": 0.4, "strands": { "effectiveStress": 9e8, "rows": [{ "level": 0.07, "count": 9 }] } }, "materials": { "girder": { "class": "C50/60" } } }""";
        var girders = BridgeJson.Read(Old).Bridge!.Girders;
        var type = Assert.Single(girders.Types);
        Assert.Equal(("Type A", "Precast I", "C50/60", 4), (type.Name, type.Section, type.Concrete.Class, girders.Count));
        Assert.Equal((0.03, 0.4, 9e8), (type.Camber, type.GreatestHaunch, type.Strands.EffectiveStress));
        Assert.Equal((0.07, 9), (type.Strands.Rows.Single().Level, type.Strands.Rows.Single().Count));
        const string Bare = """{ "format": "pravik-bridge", "version": 3, "materials": { "girder": { "class": "C50/60" } } }""";
        Assert.Equal("C50/60", BridgeJson.Read(Bare).Bridge!.Girders.Types.Single().Concrete.Class);
    }

    [Fact]
    public void The_published_schemas_are_those_of_the_program() =>
        Assert.Equal(
            (BridgeJson.Schema(), Formats.Member.Schema(), Formats.Truss.Schema()),
            (
                File.ReadAllText(Path.Combine(Root, "docs", "bridge.schema.json")),
                File.ReadAllText(Path.Combine(Root, "docs", "member.schema.json")),
                File.ReadAllText(Path.Combine(Root, "docs", "truss.schema.json"))
            )
        );

    [Theory]
    [InlineData("\"azimuth\": 1.43", "\"azimuth\": \"east\"", "/road/azimuth")]
    [InlineData("\"skew\": 0.209", "\"skue\": 0.209", "/axes/skue")]
    [InlineData("\"spans\": [17.4", "\"spans\": [true", "/axes/spans/0")]
    [InlineData("\"kind\": \"footway\"", "\"kind\": \"runway\"", "/deck/patterns/0/left/1/kind")]
    [InlineData("\"kind\": \"footway\"", "\"kind\": 3", "/deck/patterns/0/left/1/kind")]
    [InlineData("\"count\": 5,", "\"count\": 5.5,", "/girders/count")]
    [InlineData("C35/45", "C36/46", "/materials/slab/class")]
    [InlineData("\"skew\": 0.20943951023931953", "\"skew\": 1.3", "/axes/skew")]
    [InlineData("\"version\": 6", "\"version\": 7", "/version")]
    [InlineData("\"startNorth\": 1850", "\"startNorth\": 1850, \"startNorth\": 0", "/road/startNorth")]
    public void What_is_wrong_is_found_at_its_place(string right, string wrong, string path)
    {
        Assert.Contains(right, Demo);
        var reading = BridgeJson.Read(Demo.Replace(right, wrong));
        Assert.Null(reading.Bridge);
        var error = reading.Errors.First();
        Assert.StartsWith(path, error.Path + "/");
        Assert.NotEmpty(error.Message);
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("{")]
    [InlineData("{}")]
    [InlineData("17")]
    [InlineData("{\"format\":\"pravik-bridge\",\"version\":1,\"road\":null}")]
    [InlineData("{\"format\":\"pravik-bridge\",\"version\":1,\"deck\":{\"left\":null}}")]
    [InlineData("{\"format\":\"pravik-bridge\",\"version\":1,\"axes\":{\"spans\":[1e999]}}")]
    [InlineData("{\"format\":\"other\",\"version\":1}")]
    public void Broken_documents_are_findings_not_exceptions(string text)
    {
        var reading = BridgeJson.Read(text);
        Assert.Null(reading.Bridge);
        Assert.NotEmpty(reading.Errors);
    }

    [Fact]
    public void Huge_and_deep_documents_are_refused()
    {
        Assert.Contains("MB", BridgeJson.Read(new string(' ', 3_000_000)).Errors.Single().Message);
        Assert.NotEmpty(BridgeJson.Read(new string('[', 100_000)).Errors);
    }

    [Fact]
    public void Any_damage_to_a_file_gives_findings()
    {
        var random = new Random(3);
        for (var i = 0; i < 400; i++)
        {
            var text = Demo.ToCharArray();
            for (var k = 0; k < 3; k++)
                text[random.Next(text.Length)] = (char)random.Next(32, 126);
            var reading = BridgeJson.Read(new string(text));
            Assert.True(reading.Bridge is not null || reading.Errors.Any());
        }
    }

    [Fact]
    public void Patches_apply_whole_or_not_at_all()
    {
        var bridge = BridgeJson.Read(Demo).Bridge!;
        var edited = BridgeEditing
            .Apply(bridge, [new("replace", "/axes/spans/1", JsonValue.Create(26.5)), new("add", "/axes/spans/-", JsonValue.Create(17.4))])
            .Bridge!;
        Assert.Equal<double>([17.4, 26.5, 17.4, 17.4], edited.Axes.Spans.AsEnumerable());
        Assert.Equal(3, bridge.Axes.Spans.Length);

        (PatchOperation Operation, string Path)[] bad =
        [
            (new("replace", "/axes/spans/9", JsonValue.Create(1)), "/axes/spans/9"),
            (new("replace", "/axes/skew", JsonValue.Create("much")), "/axes/skew"),
            (new("replace", "/nothing", JsonValue.Create(1)), "/nothing"),
            (new("remove", "/axes/spans"), "/axes"),
            (new("test", "/axes/spans/0", JsonValue.Create(3)), "/axes/spans/0"),
            (new("replace", "axes", null), "axes"),
            (new("frobnicate", "/axes", null), "/axes"),
            (new("replace", "/road", null), "/road"),
        ];
        foreach (var (operation, path) in bad)
        {
            var reading = BridgeEditing.Apply(bridge, [new("replace", "/name", JsonValue.Create("Other")), operation]);
            Assert.True(
                reading.Bridge is null || (operation.Op == "remove" && reading.Bridge.Axes.Spans.Length == 1),
                $"{operation} was taken"
            );
            if (reading.Bridge is null)
                Assert.All(reading.Errors, e => Assert.NotEmpty(e.Message));
        }
    }

    [Fact]
    public void Changed_paths_tell_where_two_bridges_differ()
    {
        var bridge = BridgeJson.Read(Demo).Bridge!;
        var other = bridge with { Name = "Other", Axes = bridge.Axes with { Spans = [17.4, 26, 17.4] } };
        Assert.Equal(["/name", "/axes/spans/1"], BridgeEditing.ChangedPaths(bridge, other));
        Assert.Equal(["/axes/spans"], BridgeEditing.ChangedPaths(bridge, bridge with { Axes = bridge.Axes with { Spans = [17.4] } }));
        Assert.True(JsonEditing.Meet("/axes", "/axes/spans/1"));
        Assert.False(JsonEditing.Meet("/axes/spans/1", "/axes/spans/10"));
    }

    /// <summary>“Passes” is said of what was checked only, and of a bridge only where everything was.</summary>
    [Fact]
    public void A_summary_of_checks_names_what_was_checked_and_what_was_not()
    {
        var bridge = BridgeJson.Read(Demo).Bridge!;
        var summary = CheckSummary.Of(bridge.Name, BridgeRun.Run(bridge));
        Assert.False(summary.Fails);
        Assert.False(summary.Passes);
        Assert.Equal(
            [
                "ultimate bending",
                "ultimate shear",
                "interface between girder and slab",
                "torsion with shear",
                "stresses at release, while it is built and in service",
                "stress of strands with all losses",
                "crack widths and least steel along",
                "steel against sudden failure",
                "fatigue along",
                "slab across",
            ],
            summary.Checked.AsEnumerable()
        );
        Assert.Contains(summary.NotChecked, n => n.Contains("fatigue", StringComparison.OrdinalIgnoreCase));
        Assert.StartsWith("10 checks pass, 0.9", summary.Words);
        Assert.EndsWith($"{summary.NotChecked.Length} not checked yet", summary.Words);
        Assert.Equal(summary.Checks.Max(c => c.Utilisation), summary.Utilisation);

        var back = CheckSummary.Read(summary.Write())!;
        Assert.Equal(summary.Checks.AsEnumerable(), back.Checks);
        Assert.Equal(summary.Words, back.Words);
        Assert.Null(CheckSummary.Read("{"));
    }

    [Fact]
    public void Equal_hashes_are_of_what_is_computed()
    {
        var bridge = BridgeJson.Read(Demo).Bridge!;
        Assert.Equal(InputHash.Of(bridge), InputHash.Of(bridge with { Name = "Other", Basis = bridge.Basis with { Units = "us" } }));
        Assert.Equal(InputHash.Of(bridge), InputHash.Of(bridge with { Crossings = [new()], Road = bridge.Road with { Name = "Lane" } }));
        // Foundations stand in the ground.
        Assert.NotEqual(InputHash.Of(bridge), InputHash.Of(bridge with { Ground = new("Field", "0") }));
        Assert.NotEqual(InputHash.Of(bridge), InputHash.Of(bridge with { Road = bridge.Road with { Profile = [new() { Level = 7 }] } }));
        Assert.NotEqual(InputHash.Of(bridge), InputHash.Of(bridge with { Loads = new() { SurfacingWeight = 23e3 } }));
    }
}
