using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Pravik.Core.Bridges;
using Pravik.Core.Entries;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Workspaces;

/// <summary>Values of a bridge in words, for comparisons: no paths, no JSON.</summary>
public static partial class ChangeWords
{
    private const int MostNumbers = 8;
    private const int Longest = 120;

    /// <summary>What a value is called: by its entry, or by the parts of its path.</summary>
    public static string Name(string path, Bridge bridge)
    {
        if (EntryCatalog.At(path)?.Label(path, bridge) is { Length: > 0 } label)
            return label;
        var parts = path.Split('/').Skip(1).Select(p => int.TryParse(p, out var index) ? $"{index + 1}" : Apart(p)).ToList();
        var words = new List<string>();
        foreach (var part in parts)
        {
            if (int.TryParse(part, out _) && words.Count > 0)
                words[^1] += $" {part}";
            else
                words.Add(part);
        }
        var text = string.Join(", ", words);
        return text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];
    }

    /// <summary>The value at a path as a person reads it.</summary>
    public static string Value(Bridge bridge, string path, UnitSystem units)
    {
        var entry = EntryCatalog.At(path);
        var text = BridgeEditing.ValueAt(bridge, path) switch
        {
            null => entry?.Blank is { Length: > 0 } blank ? blank : "–",
            JsonArray list => List(list, units),
            JsonObject own => own.Count == 1 ? "1 own value" : $"{own.Count} own values",
            JsonValue value => Single(value, entry, units),
            _ => "–",
        };
        return text.Length <= Longest ? text : $"{text[..Longest]}…";
    }

    private static string List(JsonArray list, UnitSystem units)
    {
        var numbers = list.OfType<JsonValue>().Where(v => v.GetValueKind() == JsonValueKind.Number).ToList();
        if (list.Count == 0)
            return "none";
        if (numbers.Count < list.Count || list.Count > MostNumbers)
            return $"{list.Count} in the list";
        var lengths = numbers.Select(n => QuantityText.Entered(n.GetValue<double>(), QuantityKind.Length, units));
        return $"{string.Join(" + ", lengths)} {units[QuantityKind.Length].Symbol}";
    }

    private static string Single(JsonValue value, Entry? entry, UnitSystem units) =>
        value.GetValueKind() switch
        {
            JsonValueKind.True => "yes",
            JsonValueKind.False => "no",
            JsonValueKind.Number when entry is { Kind: EntryKind.Quantity } =>
                $"{QuantityText.Entered(value.GetValue<double>(), entry.Quantity, units)} {units[entry.Quantity].Symbol}".TrimEnd(),
            JsonValueKind.Number => QuantityText.Entered(value.GetValue<double>(), QuantityKind.Number, units),
            _ => entry?.Choices.FirstOrDefault(c => c.Value == value.GetValue<string>())?.Words ?? value.GetValue<string>(),
        };

    private static string Apart(string camel) => Hump().Replace(camel, " $0").ToLowerInvariant();

    [GeneratedRegex("(?<=[a-z])[A-Z]")]
    private static partial Regex Hump();
}
