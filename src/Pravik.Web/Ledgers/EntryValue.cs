using System.Text.Json.Nodes;
using Pravik.Core.Entries;
using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>A single value that was typed: as JSON with its words for the history, or why it is not taken.</summary>
internal readonly record struct EntryValue(JsonNode? Value, string Words, string? Error)
{
    /// <summary>Reads a text, a choice or a quantity.</summary>
    public static EntryValue Read(Entry entry, string text, UnitSystem units) =>
        entry.Kind switch
        {
            EntryKind.Text => new(JsonValue.Create(text), $"“{text}”", null),
            EntryKind.Choice => entry.Choices.FirstOrDefault(c => c.Value == text) is { } choice
                ? new(text is "true" or "false" ? JsonValue.Create(text == "true") : JsonValue.Create(text), choice.Words, null)
                : new(null, "", $"“{text}” is not one of the choices."),
            _ => Quantity(entry, text, units),
        };

    private static EntryValue Quantity(Entry entry, string text, UnitSystem units)
    {
        var parsed = QuantityParser.Parse(text, entry.Quantity, units);
        if (!parsed.IsValid)
            return new(null, "", parsed.Error);
        // Counts are whole numbers in the document.
        JsonNode node =
            entry.Quantity == QuantityKind.Count && Math.Abs(parsed.Value) < int.MaxValue
                ? JsonValue.Create((int)parsed.Value)
                : JsonValue.Create(parsed.Value);
        return new(node, $"{QuantityText.Entered(parsed.Value, entry.Quantity, units)} {units[entry.Quantity].Symbol}".TrimEnd(), null);
    }
}
