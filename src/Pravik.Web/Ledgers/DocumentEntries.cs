using System.Text.Json.Nodes;
using Pravik.Core.Entries;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>Turns what was typed into an entry of a document beside bridges into an edit.</summary>
internal static class DocumentEntries
{
    private const int LongestText = 2000;

    /// <summary>Reads what was typed into the entry at a path.</summary>
    /// <param name="document">The document.</param>
    /// <param name="kind">Its kind in words.</param>
    /// <param name="entry">The entry; null where there is none at the path.</param>
    /// <param name="path">Its path.</param>
    /// <param name="text">What was typed.</param>
    /// <param name="units">Units of the reader.</param>
    /// <param name="beside">What changes with the value.</param>
    public static EntryReading Read(
        JsonNode document,
        string kind,
        Entry? entry,
        string path,
        string? text,
        UnitSystem units,
        Func<JsonNode, IEnumerable<PatchOperation>> beside
    )
    {
        if (entry is null)
            return Refused("This value cannot be entered.");
        text = text?.Trim() ?? "";
        if (text.Length > LongestText)
            return Refused($"An entry has at most {LongestText} characters.");
        var slash = path.LastIndexOf('/');
        if (slash > 0 && JsonEditing.ValueAt(document, path[..slash]) is null)
            return Refused($"There is no such part in this {kind}: it may have been taken away meanwhile.");
        var label = entry.Label(path);
        if (entry.IsOwn && (text.Length == 0 || text.Equals(entry.Blank, StringComparison.OrdinalIgnoreCase)))
            return new([new(entry.IsItem ? "remove" : "replace", path)], $"{label} given back", null);
        var (value, words, error) = EntryValue.Read(entry, text, units);
        return value is null
            ? Refused(error!)
            : new([new(entry.IsItem ? "add" : "replace", path, value), .. beside(value)], $"{label} set to {words}", null);
    }

    /// <summary>Why it is not taken.</summary>
    public static EntryReading Refused(string reason) => new([], "", reason);
}
