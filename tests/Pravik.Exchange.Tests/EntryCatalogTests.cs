using System.Text.Json;
using System.Text.Json.Nodes;
using Pravik.Core.Entries;
using Pravik.Core.Findings;
using Pravik.Core.Units;

namespace Pravik.Exchange.Tests;

/// <summary>Entries describe the document: every value of the examples has one, its bounds hold, and no pattern leads nowhere.</summary>
public sealed class EntryCatalogTests
{
    /// <summary>Values that a person does not type: what the file is, and what is set by picking in a list or drawing.</summary>
    private static readonly string[] NotTyped =
    [
        "/format",
        "/version",
        "/ground/name",
        "/ground/hash",
        "/girders/own/*/absent",
        "/supports/*/links/*",
        "/road/features/*/elements/*/turn",
    ];

    public static TheoryData<string> Examples =>
        [.. Directory.GetFiles(Path.Combine(Checkout.Root, "examples"), "*.json").Select(f => Path.GetFileName(f)!)];

    [Theory]
    [MemberData(nameof(Examples))]
    public void Every_value_of_a_bridge_is_described(string file)
    {
        var read = BridgeJson.Read(File.ReadAllText(Path.Combine(Checkout.Root, "examples", file)));
        if (read.Bridge is not { } bridge)
            return;
        foreach (var (path, value) in Leaves(BridgeJson.ToNode(bridge), ""))
        {
            if (NotTyped.Any(pattern => Matches(pattern, path)))
                continue;
            var entry = EntryCatalog.At(path);
            Assert.True(entry is not null, $"{path} = {value.ToJsonString()} has no entry.");
            if (value.GetValueKind() == JsonValueKind.Number)
                Assert.True(entry.Kind == EntryKind.Quantity, $"{path} is a number, and entered as {entry.Kind}.");
        }
    }

    [Fact]
    public void Entries_have_names_and_sound_bounds()
    {
        foreach (var entry in EntryCatalog.All)
        {
            Assert.False(string.IsNullOrWhiteSpace(entry.Name), entry.Pattern);
            Assert.True(entry.Help.Trim() == entry.Help && !entry.Help.Contains("  "), $"{entry.Pattern}: {entry.Help}");
            Assert.True(entry.Least <= entry.Greatest, entry.Pattern);
        }
    }

    /// <summary>Every kind of number that the examples hold is refused just beyond its bounds, at its own path and by its own name.</summary>
    [Fact]
    public void Bounds_described_are_those_that_hold()
    {
        var tried = new HashSet<string>();
        foreach (var file in Directory.GetFiles(Path.Combine(Checkout.Root, "examples"), "*.json"))
        {
            if (BridgeJson.Read(File.ReadAllText(file)).Bridge is not { } bridge)
                continue;
            var document = BridgeJson.ToNode(bridge);
            foreach (var (path, value) in Leaves(document, "").ToList())
            {
                if (value.GetValueKind() != JsonValueKind.Number || EntryCatalog.At(path) is not { } entry || !double.IsFinite(entry.Least))
                    continue;
                if (!tried.Add(entry.Pattern))
                    continue;
                var step = entry.Quantity == QuantityKind.Count ? 1 : 1e-6 * Math.Max(1, Math.Abs(entry.Greatest));
                Refused(document, path, entry.Greatest + step);
                if (!entry.IsBoundBySize)
                    Refused(document, path, entry.Least - step);
            }
        }
        Assert.True(tried.Count > 120, $"Only {tried.Count} values were tried.");
    }

    private static void Refused(JsonNode document, string path, double value) =>
        Assert.True(IsRefused(document, path, value), $"{path} takes {value}.");

    private static bool IsRefused(JsonNode document, string path, double value)
    {
        var (copy, parts) = (document.DeepClone(), path.Split('/'));
        var parent = copy;
        foreach (var part in parts[1..^1])
            parent = parent is JsonArray list ? list[int.Parse(part)]! : parent![part]!;
        JsonNode number = value == Math.Round(value) && Math.Abs(value) < 1e9 ? JsonValue.Create((int)value) : JsonValue.Create(value);
        if (parent is JsonArray items)
            items[int.Parse(parts[^1])] = number;
        else
            parent![parts[^1]] = number;
        return BridgeJson.Read(copy.ToJsonString()).Findings.Any(f => f.Path == path && f.Severity == Severity.Error);
    }

    private static IEnumerable<(string Path, JsonValue Value)> Leaves(JsonNode? node, string path) =>
        node switch
        {
            JsonObject o => o.SelectMany(p => Leaves(p.Value, $"{path}/{p.Key}")),
            JsonArray a => a.SelectMany((item, i) => Leaves(item, $"{path}/{i}")),
            JsonValue v => [(path, v)],
            _ => [],
        };

    private static bool Matches(string pattern, string path)
    {
        var (mine, theirs) = (pattern.Split('/'), path.Split('/'));
        return mine.Length == theirs.Length && mine.Zip(theirs).All(pair => pair.First == "*" || pair.First == pair.Second);
    }
}
