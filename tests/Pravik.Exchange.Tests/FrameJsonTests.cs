using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Pravik.Core.Frames;
using Pravik.Exchange.Frames;

namespace Pravik.Exchange.Tests;

/// <summary>Frame models as JSON: what is taken, what is refused and where, and the results.</summary>
public class FrameJsonTests
{
    private static JsonNode Good() =>
        JsonNode.Parse(
            """
            {
              "format": "pravik-frame", "version": 1,
              "materials": [ { "id": "C40", "E": 35e9, "nu": 0.2, "density": 2500, "alpha": 1e-5 } ],
              "sections": [ { "id": "G", "A": 0.6, "Iy": 0.08, "Iz": 0.01, "J": 0.012, "Avy": 0, "Avz": 0 } ],
              "nodes": [ { "id": "1", "x": 0, "y": 0, "z": 0 }, { "id": "2", "x": 10, "y": 0, "z": 0 }, { "id": "3", "x": 20, "y": 0, "z": 0 }, { "id": "4", "x": 20, "y": 2, "z": 0 }, { "id": "9", "x": 10, "y": 2, "z": 0 } ],
              "beams": [
                { "id": "b1", "i": "1", "j": "2", "material": "C40", "section": "G", "up": [0, 0, 1], "offsetI": [0, 0, -0.5], "offsetJ": [0, 0, -0.5], "releaseI": ["ry"], "releaseJ": [] },
                { "id": "b2", "i": "2", "j": "3", "material": "C40", "section": "G" } ],
              "shells": [ { "id": "s1", "nodes": ["2", "3", "4", "9"], "material": "C40", "thickness": 0.2 } ],
              "springs": [ { "id": "k1", "i": "3", "j": "4", "x": [0, 1, 0], "up": [0, 0, 1], "ux": 1e8, "uz": 2e9 } ],
              "supports": [ { "node": "1", "fix": ["ux", "uy", "uz", "rx", "ry"], "springs": { "rz": 1e8 } }, { "node": "3", "fix": ["uy", "uz"], "x": [1, 0, 0], "up": [0, 0, 1] } ],
              "links": [ { "master": "2", "slave": "9" } ],
              "cases": [ {
                "id": "dead", "gravity": [0, 0, -9.80665],
                "nodal": [ { "node": "2", "fz": -1000 } ],
                "beam": [ { "beam": "b1", "kind": "distributed", "component": "fz", "axes": "global", "from": 0.0, "to": 1.0, "start": -1000, "end": -2000 }, { "beam": "b1", "kind": "point", "component": "fz", "at": 0.5, "value": -5000 } ],
                "shell": [ { "shell": "s1", "axes": "global", "pz": -5000 } ],
                "thermal": [ { "beam": "b1", "uniform": 15, "gradientZ": 10 }, { "shell": "s1", "uniform": 15, "gradient": 0 } ],
                "settlement": [ { "node": "3", "uz": -0.01 } ] } ]
            }
            """
        )!;

    private static FrameReading Read(JsonNode node) => FrameReader.Read(Encoding.UTF8.GetBytes(node.ToJsonString()));

    /// <summary>Everything of the format at once: solved, balanced, and written with all that it promises.</summary>
    [Fact]
    public void A_model_with_everything_is_solved_and_written()
    {
        var model = Read(Good()).Model!;
        var results = new FrameAnalysis(model).Solve();
        Assert.InRange(results.Cases[0].Imbalance, 0, 1e-8);
        // 12.3 m³ of beams and 4 m³ of shell, loads and pressure.
        var applied = -(0.6 * 20 + 2 * 10 * 0.2) * 2500 * 9.80665 - 1000 - 15000 - 5000 - 5000 * 20;
        Assert.Equal(applied, results.Cases[0].Applied[2], 1e-6 * Math.Abs(applied));
        using var stream = new MemoryStream();
        FrameResultsWriter.Write(stream, model, results);
        var json = JsonDocument.Parse(stream.ToArray()).RootElement;
        Assert.Equal("pravik-frame-results", json.GetProperty("format").GetString());
        var dead = json.GetProperty("cases")[0];
        Assert.Equal(["id", "nodes", "reactions", "beams", "shells", "springs", "equilibrium"], dead.EnumerateObject().Select(p => p.Name));
        var beam = dead.GetProperty("beams")[0];
        var at = beam.GetProperty("at").EnumerateArray().Select(v => v.GetDouble()).ToList();
        Assert.Equal([0, 0.25, 0.5, 0.5, 0.75, 1], at);
        Assert.All(new[] { "N", "Vy", "Vz", "T", "My", "Mz" }, name => Assert.Equal(at.Count, beam.GetProperty(name).GetArrayLength()));
        Assert.Equal(0, beam.GetProperty("My")[0].GetDouble(), 1e-6);
        Assert.Equal(["1", "3"], dead.GetProperty("reactions").EnumerateArray().Select(r => r.GetProperty("node").GetString()));
    }

    public static TheoryData<string, string, string> Bad =>
        new()
        {
            { "/format", "\"other\"", "pravik-frame" },
            { "/version", "2", "not known" },
            { "/colour", "1", "not a member" },
            { "/materials/0/E", "\"35e9\"", "number is expected" },
            { "/materials/0/E", "0", "greater than 0" },
            { "/materials/0/E", "1e999", "" },
            { "/materials/0/nu", "0.7", "between" },
            { "/sections/0/A", "-1", "greater than 0" },
            { "/sections/0/Iq", "1", "not a member" },
            { "/nodes/1/id", "\"1\"", "twice" },
            { "/nodes/1/x", "null", "not null" },
            { "/beams/0/material", "\"C99\"", "no “C99” in materials" },
            { "/beams/0/j", "\"77\"", "no “77” in nodes" },
            { "/beams/0/up", "[1, 0, 0]", "parallel" },
            { "/beams/0/up", "[0, 0, 0]", "length" },
            { "/beams/0/releaseI", "[\"rq\"]", "expected" },
            { "/beams/0/offsetJ", "[-10, 0, -0.5]", "no length" },
            { "/shells/0/thickness", "0", "greater than 0" },
            { "/shells/0/nodes", "[\"2\", \"3\"]", "three or four" },
            { "/shells/0/nodes", "[\"2\", \"4\", \"3\", \"9\"]", "" },
            { "/springs/0/ux", "-1", "at least 0" },
            { "/supports/0/springs/rq", "1", "not a member" },
            { "/links/0/slave", "\"2\"", "itself" },
            { "/cases/0/beam/0/component", "\"fq\"", "not known" },
            { "/cases/0/beam/0/to", "1.5", "between" },
            { "/cases/0/beam/1/from", "0", "not a member" },
            { "/cases/0/settlement/0/ux", "0.1", "nothing is fixed" },
            { "/nodes", "{}", "list is expected" },
            { "/cases/0", "[]", "object is expected" },
        };

    /// <summary>Each fault is told at its place (or that of the item it belongs to), and there is no model.</summary>
    [Theory]
    [MemberData(nameof(Bad))]
    public void Faults_are_told_with_their_place(string path, string value, string words)
    {
        var (node, parts) = (Good(), path.Split('/')[1..]);
        var at = node;
        foreach (var part in parts[..^1])
            at = at is JsonArray list ? list[int.Parse(part)]! : at[part]!;
        if (value.Contains("e999"))
        {
            // A number that JSON can write and a double cannot hold.
            var text = node.ToJsonString().Replace("35e9", value);
            Assert.Contains(FrameReader.Read(Encoding.UTF8.GetBytes(text)).Problems, p => p.Path == path);
            return;
        }
        if (at is JsonArray items)
            items[int.Parse(parts[^1])] = JsonNode.Parse(value);
        else
            at[parts[^1]] = JsonNode.Parse(value);
        var reading = Read(node);
        Assert.Null(reading.Model);
        Assert.Contains(
            reading.Problems,
            p =>
                (p.Path.StartsWith(path, StringComparison.Ordinal) || path.StartsWith(p.Path, StringComparison.Ordinal))
                && p.Message.Contains(words)
        );
    }

    [Theory]
    [InlineData("{ \"format\": NaN }")]
    [InlineData("[1, 2")]
    [InlineData("{ \"format\": \"pravik-frame\", \"format\": \"pravik-frame\", \"version\": 1 }")]
    [InlineData("")]
    public void What_is_no_json_is_told(string text) =>
        Assert.Contains("not JSON", Assert.Single(FrameReader.Read(Encoding.UTF8.GetBytes(text)).Problems).Message);

    /// <summary>Files changed at random never throw.</summary>
    [Fact]
    public void Mutated_files_are_read_or_refused()
    {
        var (random, text) = (new Random(11), Encoding.UTF8.GetBytes(Good().ToJsonString()));
        for (var i = 0; i < 400; i++)
        {
            var copy = (byte[])text.Clone();
            for (var k = random.Next(1, 5); k > 0; k--)
                copy[random.Next(copy.Length)] = (byte)"0123456789.,-{}[]\"abz"[random.Next(21)];
            if (FrameReader.Read(copy).Model is not { } model)
                continue;
            var problem = Record.Exception(() => new FrameAnalysis(model).Solve());
            Assert.True(problem is null or FrameRefusedException, problem?.ToString());
        }
    }
}
