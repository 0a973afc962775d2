using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>A typed entry turned into a patch with its label, or the reason why it cannot be.</summary>
public sealed record EntryReading(IReadOnlyList<PatchOperation> Patch, string Label, string? Error)
{
    /// <summary>Objects that must be there first, outer ones before inner ones.</summary>
    public IReadOnlyList<string> Needs { get; init; } = [];
}

/// <summary>Turns what was typed into a field into an edit of the bridge.</summary>
public static class EntryReader
{
    private const int MostSpans = 100;

    public static EntryReading Read(Bridge bridge, string path, string? text)
    {
        if (Fields.At(path, bridge) is not { } field)
            return Refused("This value cannot be entered.");
        var units = UnitSystem.Named(bridge.Basis.Units);
        text = text?.Trim() ?? "";
        if (path.Contains('+'))
            return Several(bridge, field, path, text);
        if (IsSupportSize(path) && ReadLink(bridge, field, path, text) is { } link)
            return link;
        if (field.IsOwn && text.Length == 0)
            return Clear(bridge, field, path);
        if (DerivedEntries.Matches(path))
            return DerivedEntries.Read(bridge, field, path, text);
        var reading = Plain(bridge, field, path, text, units);
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

    /// <summary>What makes the usual stages a bridge's own, so that they can be changed; nothing where they are.</summary>
    internal static IReadOnlyList<PatchOperation> OwnStages(Bridge bridge) =>
        bridge.Actions.Stages is null ? [new("replace", "/actions/stages", BridgeJson.Node(Stage.Usual(bridge.Axes.Spans.Length)))] : [];

    /// <summary>
    /// One entry for several girders, whose keys are joined by + in the path: what each of them would need, or the first reason against
    /// it.
    /// </summary>
    private static EntryReading Several(Bridge bridge, Field field, string path, string text)
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
                    $"{field.Name} of {readings.Count} girders {(text.Length == 0 ? "given back" : $"set to {text}")}",
                    null
                );
    }

    private static EntryReading Plain(Bridge bridge, Field field, string path, string text, UnitSystem units)
    {
        return field.Entry switch
        {
            EntryKind.Text => Taken(bridge, field, path, JsonValue.Create(text), $"“{text}”"),
            EntryKind.Choice => field.Choices.FirstOrDefault(c => c.Value == text) is { } choice
                ? Taken(
                    bridge,
                    field,
                    path,
                    text is "true" or "false" ? JsonValue.Create(text == "true") : JsonValue.Create(text),
                    choice.Words
                )
                : Refused($"“{text}” is not one of the choices."),
            EntryKind.Spans => Spans(bridge, field, path, text, units),
            _ => Quantity(bridge, field, path, text, units),
        };
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
                return ([], $"“{item.Trim()}” was not understood; equal ones are typed as 5*30.");
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
                return ([], length.Error);
            if (spans.Count + count > MostSpans)
                return ([], $"There are more than {MostSpans}.");
            for (var i = 0; i < count; i++)
                spans.Add(length.Value);
        }
        return (spans, null);
    }

    private static EntryReading Spans(Bridge bridge, Field field, string path, string text, UnitSystem units)
    {
        var (spans, error) = ReadSpans(text, units);
        return error is not null
            ? Refused(error)
            : Taken(bridge, field, path, new JsonArray([.. spans.Select(s => (JsonNode)JsonValue.Create(s))]), text);
    }

    private static EntryReading Quantity(Bridge bridge, Field field, string path, string text, UnitSystem units)
    {
        var parsed = QuantityParser.Parse(text, field.Quantity, units);
        if (!parsed.IsValid)
            return Refused(parsed.Error!);
        // Counts are whole numbers in the document.
        JsonNode node =
            field.Quantity == QuantityKind.Count && Math.Abs(parsed.Value) < int.MaxValue
                ? JsonValue.Create((int)parsed.Value)
                : JsonValue.Create(parsed.Value);
        return Taken(
            bridge,
            field,
            path,
            node,
            $"{QuantityText.Entered(parsed.Value, field.Quantity, units)} {units[field.Quantity].Symbol}".TrimEnd()
        );
    }

    private static EntryReading Clear(Bridge bridge, Field field, string path) =>
        path.StartsWith("/basis/ownValues/", StringComparison.Ordinal)
            ? new([new("remove", path)], $"{Named(bridge, field, path)} as in the national set", null)
        : IsSize(path) ? new([new("remove", path)], $"{Named(bridge, field, path)} given back", null)
        : new([new("replace", path)], $"{Named(bridge, field, path)} given back", null);

    private static EntryReading Taken(Bridge bridge, Field field, string path, JsonNode value, string words)
    {
        var label = $"{Named(bridge, field, path)} set to {words}";
        var parts = path.Split('/');
        IReadOnlyList<string> needs = parts switch
        {
            ["", "axes", "own", var axis, _] => [$"/axes/own/{axis}"],
            ["", "supports", var support, "sizes" or "choices", _] => [$"/supports/{support}", $"/supports/{support}/{parts[3]}"],
            ["", "supports", var support, _] => [$"/supports/{support}"],
            ["", "girders", "spans", var span, _] => [$"/girders/spans/{span}"],
            ["", "girders", "own", var girder, _] => [$"/girders/own/{girder}"],
            ["", "deck", "units", var unit, _] => [$"/deck/units/{unit}"],
            ["", "deck", "units", var unit, var side, var strip, _] =>
            [
                $"/deck/units/{unit}",
                $"/deck/units/{unit}/{side}",
                $"/deck/units/{unit}/{side}/{strip}",
            ],
            _ => [],
        };
        // What is called by its name is called by the new one.
        if (parts[^1] == "name" && References.To(bridge, path[..^"/name".Length]).ToList() is { Count: > 0 } references)
            return new(
                [
                    new("replace", path, value),
                    .. references.Select(r => new PatchOperation("replace", r.Path, r.Renamed(value.GetValue<string>()))),
                ],
                label,
                null
            );
        if (needs.Count > 0)
            return new([new("add", path, value)], label, null) { Needs = needs };
        return new(
            [new(path.StartsWith("/basis/ownValues/", StringComparison.Ordinal) || IsSize(path) ? "add" : "replace", path, value)],
            label,
            null
        );
    }

    /// <summary>The field's name, with the number of the span, strip or row it belongs to.</summary>
    private static string Named(Bridge bridge, Field field, string path)
    {
        var parts = path.Split('/');
        if (path.StartsWith("/basis/ownValues/", StringComparison.Ordinal))
            return parts[^1];
        if (path.StartsWith("/axes/spans/", StringComparison.Ordinal))
            return $"Span {int.Parse(parts[^1]) + 1}";
        if (parts is ["", "road", "elements" or "points" or "profile" or "crossfalls" or "equations", var item, _])
        {
            var kind = parts[2] switch
            {
                "elements" => "element",
                "points" => "point",
                "profile" => "profile point",
                "crossfalls" => "crossfall",
                _ => "equation",
            };
            return $"{field.Name} of {kind} {int.Parse(item) + 1}";
        }
        if (parts is ["", "supports", var support, ..])
            return $"{field.Name} at axis {support}";
        if (parts is ["", "bearings", var bearing, _])
            return $"{field.Name} of bearing type {int.Parse(bearing) + 1}";
        if (parts is ["", "girders", "diaphragms", var placed, _])
            return $"{field.Name} of diaphragm {int.Parse(placed) + 1}";
        if (parts is ["", "girders", "ranges" or "stiffeners", var ranged, _])
            return $"{field.Name} of {(parts[2] == "ranges" ? "range" : "stiffener")} {int.Parse(ranged) + 1}";
        if (parts is ["", "girders", "spans", var deep, "depth", _])
            return $"Depth of span {deep}: {field.Name.ToLowerInvariant()}";
        if (parts is ["", "girders", "depth", _])
            return $"Depth: {field.Name.ToLowerInvariant()}";
        if (parts is ["", "materials", var lined, "line", var at, _])
            return $"{field.Name} of point {int.Parse(at) + 1}, {lined}";
        if (parts is ["", "girders", "spans", var inSpan, _])
            return $"{field.Name} of span {inSpan}";
        if (parts is ["", "girders", "own", var one, _])
            return $"{field.Name} of girder {one.Replace("-", ", span ")}";
        if (parts is ["", "axes", "own", var number, _])
            return $"{field.Name} of axis {number}";
        if (parts is ["", "sections", var section, "outlines", var line, "corners", var place, _])
            return $"{field.Name} of corner {int.Parse(place) + 1}, outline {int.Parse(line) + 1}, section {int.Parse(section) + 1}";
        if (parts is ["", "sections", var shape, ..])
            return $"{field.Name} of section {int.Parse(shape) + 1}";
        if (parts is ["", "actions", "stages", var stage, _])
            return $"{field.Name} of stage {int.Parse(stage) + 1}";
        if (parts is ["", "actions", "cases", var ownCase, "loads", var load, _])
            return $"{field.Name} of load {int.Parse(load) + 1}, own case {int.Parse(ownCase) + 1}";
        if (parts is ["", "actions", "combinations", var sum, ..])
            return $"{field.Name} of combination {int.Parse(sum) + 1}";
        if (parts is ["", "actions", "settlements", var settles])
            return $"Settlement of axis {settles}";
        if (parts is ["", "girders", "tendons", var tendon, _])
            return $"{field.Name} of tendon {int.Parse(tendon) + 1}";
        if (parts is ["", "model", "spanDivisions", var divided])
            return $"Pieces of span {divided}";
        if (parts is ["", "model", "changes", var change, _])
            return $"{field.Name} of change {int.Parse(change) + 1}";
        if (parts is ["", "crossings", var crossing, _])
            return $"{field.Name} of crossing {int.Parse(crossing) + 1}";
        if (parts is ["", "profiles", var drawn, "outline", var corner, _])
            return $"{field.Name} of corner {int.Parse(corner) + 1}, profile {int.Parse(drawn) + 1}";
        if (parts is ["", "parapets", var parapet, _])
            return $"{field.Name} of parapet {int.Parse(parapet) + 1}";
        if (parts is ["", "deck", "patterns", _, "left" or "right", var strip, ..])
            return $"{field.Name} of strip {int.Parse(strip) + 1} {parts[4]}";
        if (parts is ["", "deck", "units", var unit, "left" or "right", var own, _])
            return $"{field.Name} of strip {int.Parse(own) + 1} {parts[4]}, unit from axis {unit}";
        if (parts is ["", "deck", "units", var from, _])
            return $"{field.Name} of the unit from axis {from}";
        if (parts is ["", "girders", "types", _, "strands", "rows", var row, _])
            return $"{field.Name} of strand row {int.Parse(row) + 1}, {TypeName(bridge, parts[3])}";
        if (parts is ["", "girders", "types", _, "concrete", ..])
            return $"{field.Name} of the concrete of {TypeName(bridge, parts[3])}";
        if (parts is ["", "girders", "types", _, ..])
            return $"{field.Name} of {TypeName(bridge, parts[3])}";
        if (path.StartsWith("/girders/slabBars/", StringComparison.Ordinal))
            return $"{field.Name} of {parts[3]} slab bars";
        if (path.StartsWith("/materials/", StringComparison.Ordinal))
            return $"{field.Name} of {parts[2]}";
        return field.Name;
    }

    private static string TypeName(Bridge bridge, string index) =>
        int.TryParse(index, out var i) && i >= 0 && i < bridge.Girders.Types.Length ? bridge.Girders.Types[i].Name : "a type of girder";

    private static bool IsSize(string path) =>
        path.Split('/')
            is ["", "sections", _, "sizes", _]
                or ["", "supports", _, "sizes" or "choices", _]
                or ["", "costs", "rates", _]
                or ["", "actions", "settlements", _]
                or ["", "model", "spanDivisions", _];

    private static bool IsSupportSize(string path) => path.Split('/') is ["", "supports", _, "sizes", _];

    /// <summary>
    /// What changes a link of a support's size: “like axis 2” makes one to the same size there, “like axis 2 capWidth” to another;
    /// clearing or a value of its own takes
    /// it away. Null where no link is in play.
    /// </summary>
    private static EntryReading? ReadLink(Bridge bridge, Field field, string path, string text)
    {
        var parts = path.Split('/');
        var (support, name) = (bridge.Supports.GetValueOrDefault(parts[2]), parts[4]);
        var link = $"/supports/{parts[2]}/links/{name}";
        if (!text.StartsWith("like ", StringComparison.OrdinalIgnoreCase))
        {
            if (support?.Links.ContainsKey(name) != true)
                return null;
            if (text.Length == 0)
                return new([new("remove", link)], $"{Named(bridge, field, path)} given back", null);
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
            $"{Named(bridge, field, path)} follows axis {axis}",
            null
        );
    }

    private static EntryReading Refused(string reason) => new([], "", reason);
}
