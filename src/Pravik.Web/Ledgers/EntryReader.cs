using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Entries;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>A typed entry turned into a patch with its label, or the reason why it cannot be.</summary>
public sealed record EntryReading(IReadOnlyList<PatchOperation> Patch, string Label, string? Error)
{
    /// <summary>Objects that must be there first, outer ones before inner ones.</summary>
    public IReadOnlyList<string> Needs { get; init; } = [];
}

/// <summary>Turns what was typed into a entry into an edit of the bridge.</summary>
public static class EntryReader
{
    private const int MostSpans = 100;
    private const int LongestText = 1000;
    private const string HowToList = "Join lengths with +, as in 17.4 + 25.8, or write equal ones as 2*24.";

    /// <summary>Reads what was typed into the entry at a path, in the units of the bridge.</summary>
    public static EntryReading Read(Bridge bridge, string path, string? text)
    {
        if (Entered.At(path, bridge) is not { } entry)
            return Refused("This value cannot be entered.");
        var units = UnitSystem.Named(bridge.Basis.Units);
        text = text?.Trim() ?? "";
        if (text.Length > LongestText)
            return Refused($"An entry has at most {LongestText} characters.");
        if (path.Contains('+'))
            return Several(bridge, entry, path, text);
        if (!IsThere(bridge, entry, path))
            return Refused("There is no such part in this bridge: it may have been taken away meanwhile.");
        if (IsSupportSize(path) && ReadLink(bridge, entry, path, text) is { } link)
            return link;
        if (entry.IsOwn && (text.Length == 0 || text.Equals(entry.Blank, StringComparison.OrdinalIgnoreCase)))
            return Clear(bridge, entry, path);
        if (DerivedEntries.Matches(path))
            return DerivedEntries.Read(bridge, entry, path, text);
        var reading = Plain(bridge, entry, path, text, units);
        var missing = reading
            .Needs.Where(part => BridgeEditing.ValueAt(bridge, part) is null)
            .Select(part => new PatchOperation("add", part, new JsonObject()));
        return reading with
        {
            Patch =
            [
                .. missing,
                .. path.StartsWith("/actions/stages/", StringComparison.Ordinal) ? OwnStages(bridge) : [],
                .. reading.Patch,
            ],
        };
    }

    /// <summary>
    /// Whether the part of a value is in the bridge, or will be made with it. Places in lists are looked at in one place, here: words,
    /// negative numbers and those beyond the end are no places.
    /// </summary>
    private static bool IsThere(Bridge bridge, Entry entry, string path)
    {
        if (entry.MakesPart || entry.IsItem || DerivedEntries.Matches(path))
            return true;
        if (path.StartsWith("/actions/stages/", StringComparison.Ordinal) && bridge.Actions.Stages is null)
            return int.TryParse(path.Split('/')[3], out var stage)
                && stage >= 0
                && stage < bridge.Actions.StagesOf(bridge.Girders, bridge.Axes.Spans.Length).Length;
        return BridgeEditing.ValueAt(bridge, path[..path.LastIndexOf('/')]) is not null || path.LastIndexOf('/') == 0;
    }

    /// <summary>What makes the usual stages a bridge's own, so that they can be changed; nothing where they are.</summary>
    internal static IReadOnlyList<PatchOperation> OwnStages(Bridge bridge) =>
        bridge.Actions.Stages is null
            ? [new("replace", "/actions/stages", BridgeJson.Node(bridge.Actions.StagesOf(bridge.Girders, bridge.Axes.Spans.Length)))]
            : [];

    /// <summary>
    /// One entry for several girders, whose keys are joined by + in the path: what each of them would need, or the first reason against
    /// it.
    /// </summary>
    private static EntryReading Several(Bridge bridge, Entry entry, string path, string text)
    {
        var parts = path.Split('/');
        if (parts is not ["", "girders", "own", var keys, var value])
            return Refused("This value cannot be entered for several at once.");
        var readings = keys.Split('+')
            .Where(key => text.Length > 0 || bridge.Girders.Own.ContainsKey(key))
            .Select(key => Read(bridge, $"/girders/own/{key}/{value}", text))
            .ToList();
        return readings.Count == 0
            ? Refused("None of these girders has a value of its own.")
            : readings.FirstOrDefault(r => r.Error is not null)
                ?? new(
                    [.. readings.SelectMany(r => r.Patch)],
                    $"{entry.Name} of {readings.Count} girders {(text.Length == 0 ? "given back" : $"set to {text}")}",
                    null
                );
    }

    private static EntryReading Plain(Bridge bridge, Entry entry, string path, string text, UnitSystem units)
    {
        if (entry.Kind == EntryKind.Spans)
            return Spans(bridge, entry, path, text, units);
        if (entry.Kind == EntryKind.Places)
            return Places(bridge, entry, path, text, units);
        var (value, words, error) = EntryValue.Read(entry, text, units);
        return value is null ? Refused(error!) : Taken(bridge, entry, path, value, words);
    }

    /// <summary>Spans in one line: lengths joined by +, a whole number times a length for equal ones.</summary>
    public static (IReadOnlyList<double> Spans, string? Error) ReadSpans(string text, UnitSystem units)
    {
        var spans = new List<double>();
        foreach (var item in text.Replace('×', '*').Split('+'))
        {
            var times = item.Split('*');
            var count = 1.0;
            if (times.Length > 2)
                return ([], $"“{item.Trim()}” was not understood. {HowToList}");
            if (times.Length == 2)
            {
                var number = QuantityParser.Parse(times[0], QuantityKind.Count, units);
                if (!number.IsValid)
                    return ([], number.Error);
                if (number.Value is < 1 or > MostSpans)
                    return ([], $"The number of equal ones must lie between 1 and {MostSpans}.");
                count = number.Value;
            }
            var length = QuantityParser.Parse(times[^1], QuantityKind.Length, units);
            if (!length.IsValid)
                return ([], $"{length.Error}. {HowToList}");
            if (spans.Count + count > MostSpans)
                return ([], $"There are more than {MostSpans}.");
            for (var i = 0; i < count; i++)
                spans.Add(length.Value);
        }
        return (spans, null);
    }

    private static EntryReading Spans(Bridge bridge, Entry entry, string path, string text, UnitSystem units)
    {
        var (spans, error) = ReadSpans(text, units);
        return error is not null
            ? Refused(error)
            : Taken(bridge, entry, path, new JsonArray([.. spans.Select(s => (JsonNode)JsonValue.Create(s))]), text);
    }

    /// <summary>Places in one line, with spaces or semicolons between them.</summary>
    private static EntryReading Places(Bridge bridge, Entry entry, string path, string text, UnitSystem units)
    {
        var places = new JsonArray();
        foreach (var item in text.Split([' ', ';'], StringSplitOptions.RemoveEmptyEntries))
        {
            var place = QuantityParser.Parse(item, entry.Quantity, units);
            if (!place.IsValid)
                return Refused($"{place.Error}. Places have spaces between them, as in -1.5 0 1.5.");
            places.Add(place.Value);
        }
        return Taken(bridge, entry, path, places, text);
    }

    private static EntryReading Clear(Bridge bridge, Entry entry, string path)
    {
        var words = path.StartsWith("/basis/ownValues/", StringComparison.Ordinal) ? "as in the national set" : "given back";
        if (entry.Kind == EntryKind.Places)
            return new([new("replace", path, new JsonArray())], $"{entry.Label(path, bridge)} {words}", null);
        return new([new(entry.IsItem ? "remove" : "replace", path)], $"{entry.Label(path, bridge)} {words}", null);
    }

    private static EntryReading Taken(Bridge bridge, Entry entry, string path, JsonNode value, string words)
    {
        var label = $"{entry.Label(path, bridge)} set to {words}";
        // What is called by its name is called by the new one.
        if (
            path.EndsWith("/name", StringComparison.Ordinal)
            && References.To(bridge, path[..^"/name".Length]).ToList() is { Count: > 0 } named
        )
            return new(
                [
                    new("replace", path, value),
                    .. named.Select(r => new PatchOperation("replace", r.Path, r.Renamed(value.GetValue<string>()))),
                ],
                label,
                null
            );
        return new([new(entry.IsItem || entry.MakesPart ? "add" : "replace", path, value)], label, null)
        {
            Needs = entry.MakesPart ? PartsAround(entry, path) : [],
        };
    }

    /// <summary>The parts that a value stands in, from the first that a star of the pattern names.</summary>
    private static IReadOnlyList<string> PartsAround(Entry entry, string path)
    {
        var parts = path.Split('/');
        var first = Array.IndexOf(entry.Pattern.Split('/'), "*");
        return [.. Enumerable.Range(first + 1, parts.Length - first - 1).Select(n => string.Join('/', parts[..n]))];
    }

    private static bool IsSupportSize(string path) => path.Split('/') is ["", "supports", _, "sizes", _];

    /// <summary>
    /// What changes a link of a support's size: “like axis 2” makes one to the same size there, “like axis 2 capWidth” to another;
    /// clearing or a value of its own takes
    /// it away. Null where no link is in play.
    /// </summary>
    private static EntryReading? ReadLink(Bridge bridge, Entry entry, string path, string text)
    {
        var parts = path.Split('/');
        var (support, name) = (bridge.Supports.GetValueOrDefault(parts[2]), parts[4]);
        var link = $"/supports/{parts[2]}/links/{name}";
        if (!text.StartsWith("like ", StringComparison.OrdinalIgnoreCase))
        {
            if (support?.Links.ContainsKey(name) != true)
                return null;
            if (text.Length == 0)
                return new([new("remove", link)], $"{entry.Label(path, bridge)} given back", null);
            var reading = Read(
                bridge with
                {
                    Supports = bridge.Supports.SetItem(parts[2], support with { Links = support.Links.Remove(name) }),
                },
                path,
                text
            );
            return reading.Error is null ? reading with { Patch = [new("remove", link), .. reading.Patch] } : reading;
        }
        var words = text[5..]
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .SkipWhile(w => w.Equals("axis", StringComparison.OrdinalIgnoreCase))
            .ToList();
        if (words.Count is 0 or > 2 || !int.TryParse(words[0], out var axis) || axis < 1 || axis > bridge.Axes.Spans.Length + 1)
            return Refused("Name an axis by its number, as in “like axis 2”.");
        var target = words.Count == 2 ? words[1] : name;
        if (SupportValues.AllSizes.All(s => s.Name != target))
            return Refused(
                $"“{target}” is not a size of a support. There are {string.Join(", ", SupportValues.AllSizes.Select(s => s.Name))}."
            );
        List<PatchOperation> patch = [];
        if (support is null)
            patch.Add(new("add", $"/supports/{parts[2]}", new JsonObject { ["sizes"] = new JsonObject(), ["links"] = new JsonObject() }));
        if (support?.Sizes.ContainsKey(name) == true)
            patch.Add(new("remove", path));
        return new(
            [.. patch, new("add", link, JsonValue.Create($"{axis}/{target}"))],
            $"{entry.Label(path, bridge)} follows axis {axis}",
            null
        );
    }

    private static EntryReading Refused(string reason) => new([], "", reason);
}
