using System.Text.Json.Nodes;
using Pravik.Core.LoneMembers;
using Pravik.Core.Units;
using Pravik.Exchange;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Members;

/// <summary>Turns what was typed into an entry of a member alone into an edit.</summary>
internal static class MemberEntryReader
{
    private const int LongestText = 1000;

    /// <summary>Reads what was typed into the entry at a path, in the units of the member.</summary>
    public static EntryReading Read(LoneMember member, string path, string? text)
    {
        if (LoneEntries.At(path, member) is not { } entry)
            return Refused("This value cannot be entered.");
        text = text?.Trim() ?? "";
        if (text.Length > LongestText)
            return Refused($"An entry has at most {LongestText} characters.");
        var document = MemberJson.Node(member);
        var slash = path.LastIndexOf('/');
        if (slash > 0 && JsonEditing.ValueAt(document, path[..slash]) is null)
            return Refused("There is no such part in this member: it may have been taken away meanwhile.");
        var label = entry.Label(path);
        if (entry.IsOwn && (text.Length == 0 || text.Equals(entry.Blank, StringComparison.OrdinalIgnoreCase)))
            return new([new(entry.IsItem ? "remove" : "replace", path)], $"{label} given back", null);
        var (value, words, error) = EntryValue.Read(entry, text, UnitSystem.Named(member.Basis.Units));
        if (value is null)
            return Refused(error!);
        return new([new(entry.IsItem ? "add" : "replace", path, value), .. Beside(member, path, value)], $"{label} set to {words}", null);
    }

    /// <summary>
    /// What changes with a value: bars are given by number or by distance, not both; stretches name a section by its new name.
    /// </summary>
    private static IEnumerable<PatchOperation> Beside(LoneMember member, string path, JsonNode value)
    {
        var parts = path.Split('/');
        if (parts is ["", "bars", var bars, "count" or "spacing"])
            yield return new("replace", $"/bars/{bars}/{(parts[3] == "count" ? "spacing" : "count")}");
        if (
            parts is not ["", "sections", var number, "name"]
            || !int.TryParse(number, out var section)
            || section >= member.Sections.Length
        )
            yield break;
        for (var i = 0; i < member.Stretches.Length; i++)
        {
            if (member.Stretches[i].Section == member.Sections[section].Name)
                yield return new("replace", $"/stretches/{i}/section", value.DeepClone());
        }
    }

    private static EntryReading Refused(string reason) => new([], "", reason);
}
