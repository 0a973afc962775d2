using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Sections;
using Pravik.Core.Validation;
using Pravik.Core.Vehicles;

namespace Pravik.Exchange;

/// <summary>What a library item is: its kind, its name and itself as JSON.</summary>
public sealed record LibraryItem(string Kind, string Name, bool Superseded, JsonNode Value);

/// <summary>What reading a library file gave: its items, and findings about those that could not be taken.</summary>
public sealed record LibraryReading(ImmutableArray<LibraryItem> Items, ImmutableArray<Finding> Findings);

/// <summary>
/// Libraries as JSON: <c>{ "format": "pravik-library", "version": 1, "items": [ { "kind": "pattern", "superseded": false, "value": { …
/// } } ] }</c>.
/// A value is what stands at its place in a bridge. Reading never throws; an item that is not sound is left out with its reason.
/// </summary>
public static class LibraryJson
{
    /// <summary>Name of the format.</summary>
    public const string FormatName = "pravik-library";

    /// <summary>Its version.</summary>
    public const int CurrentVersion = 1;
    private const int MostItems = 1000;

    /// <summary>Cross-sections of decks.</summary>
    public const string Pattern = "pattern";

    /// <summary>Profiles of parapets.</summary>
    public const string Profile = "profile";

    /// <summary>Sections of members.</summary>
    public const string Section = "section";

    /// <summary>Own vehicles.</summary>
    public const string Vehicle = "vehicle";

    /// <summary>Sets of national values.</summary>
    public const string NationalSet = "nationalSet";

    /// <summary>Library items as a file.</summary>
    public static string Write(IEnumerable<LibraryItem> items) =>
        new JsonObject
        {
            ["format"] = FormatName,
            ["version"] = CurrentVersion,
            ["items"] = new JsonArray([
                .. items.Select(i =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["kind"] = i.Kind,
                            ["superseded"] = i.Superseded,
                            ["value"] = i.Value.DeepClone(),
                        }
                ),
            ]),
        }.ToJsonString(new() { WriteIndented = true }) + "\n";

    /// <summary>Reads library items; what cannot be taken is told.</summary>
    public static LibraryReading Read(string text)
    {
        if (text.Length > BridgeJson.LongestDocument)
            return Refused("The file is too large to be a library.");
        JsonObject? file;
        try
        {
            file = JsonNode.Parse(text) as JsonObject;
        }
        catch (JsonException problem)
        {
            return Refused($"The file is not JSON (line {problem.LineNumber + 1}).");
        }
        if (Text(file?["format"]) != FormatName)
            return Refused($"This is not a library file: its format must be “{FormatName}”.");
        if (Whole(file!["version"]) is not { } version || version < 1)
            return Refused("The library file names no version.");
        if (version > CurrentVersion)
            return Refused($"The library file has version {version}; this program reads version {CurrentVersion}. Nothing was taken.");
        if (file["items"] is not JsonArray items || items.Count > MostItems)
            return Refused($"A library file has a list of up to {MostItems} items.");
        var (read, findings) = (ImmutableArray.CreateBuilder<LibraryItem>(), ImmutableArray.CreateBuilder<Finding>());
        for (var i = 0; i < items.Count; i++)
        {
            var (item, problems) = Item(
                Text(items[i]?["kind"]) ?? "",
                items[i] is JsonObject o ? o["value"] : null,
                items[i]?["superseded"] is JsonValue flag && flag.TryGetValue<bool>(out var s) && s
            );
            if (item is not null)
                read.Add(item);
            findings.AddRange(problems.Select(p => p with { Path = $"/items/{i}/value{p.Path}" }));
        }
        return new(read.ToImmutable(), findings.ToImmutable());
    }

    /// <summary>One item, or none with the reasons.</summary>
    public static (LibraryItem? Item, IReadOnlyList<Finding> Findings) Item(string kind, JsonNode? value, bool superseded)
    {
        try
        {
            return kind switch
            {
                Pattern => Sound(value.Deserialize<DeckPattern>(BridgeJson.Options), p => p.Name, BridgeValidation.Check),
                Section => Sound(value.Deserialize<SectionShape>(BridgeJson.Options), s => s.Name, BridgeValidation.Check),
                Vehicle => Sound(value.Deserialize<Vehicle>(BridgeJson.Options), v => v.Name, BridgeValidation.Check),
                NationalSet => Sound(value.Deserialize<OfficeSet>(BridgeJson.Options), s => s.Name, BridgeValidation.Check),
                Profile => Sound(value.Deserialize<OwnProfile>(BridgeJson.Options), p => p.Name, BridgeValidation.Check),
                _ => (null, [Finding.Error("", $"“{kind}” is not a kind of library item.")]),
            };
        }
        catch (Exception problem) when (problem is JsonException or InvalidOperationException or NotSupportedException)
        {
            return (null, [Finding.Error("", $"The item cannot be read: {problem.Message}")]);
        }

        (LibraryItem?, IReadOnlyList<Finding>) Sound<T>(T? part, Func<T, string> name, Func<T, IReadOnlyList<Finding>> check)
        {
            if (part is null)
                return (null, [Finding.Error("", "The item has no value.")]);
            var errors = check(part).Where(f => f.Severity == Severity.Error).ToList();
            return errors.Count > 0 ? (null, errors) : (new(kind, name(part), superseded, BridgeJson.Node(part)), []);
        }
    }

    private static string? Text(JsonNode? node) => node is JsonValue value && value.TryGetValue<string>(out var text) ? text : null;

    private static int? Whole(JsonNode? node) => node is JsonValue value && value.TryGetValue<int>(out var number) ? number : null;

    private static LibraryReading Refused(string reason) => new([], [Finding.Error("", reason)]);
}
