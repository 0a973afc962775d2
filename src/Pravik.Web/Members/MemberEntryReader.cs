using System.Text.Json.Nodes;
using Pravik.Core.LoneMembers;
using Pravik.Core.Units;
using Pravik.Exchange;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Members;

/// <summary>Turns what was typed into an entry of a member alone into an edit.</summary>
internal static class MemberEntryReader
{
    /// <summary>Reads what was typed into the entry at a path, in the units of the member.</summary>
    public static EntryReading Read(LoneMember member, string path, string? text) =>
        DocumentEntries.Read(
            Formats.Member.Node(member),
            "member",
            LoneEntries.At(path, member),
            path,
            text,
            UnitSystem.Named(member.Basis.Units),
            value => Beside(member, path, value)
        );

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
}
