using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;

namespace Pravik.Exchange;

/// <summary>What reading a document gave: a member, or none and the reasons; warnings and faults may go with a member.</summary>
public sealed record MemberReading(LoneMember? Member, ImmutableArray<Finding> Findings);

/// <summary>Members alone as JSON (docs/member-format.md), by the rules of <see cref="BridgeJson"/>. Reading never throws.</summary>
public static class MemberJson
{
    /// <summary>A member in one line.</summary>
    public static string Write(LoneMember member) => JsonSerializer.Serialize(member, BridgeJson.Options);

    /// <summary>A member as it is kept in files.</summary>
    public static string WriteIndented(LoneMember member) => JsonSerializer.Serialize(member, BridgeJson.Indented) + "\n";

    /// <summary>Reads a member.</summary>
    public static MemberReading Read(string text)
    {
        if (text.Length > BridgeJson.LongestDocument)
            return Refused(Finding.Error("", $"The document is larger than {BridgeJson.LongestDocument / 1_000_000} MB."));
        return Read(() => JsonSerializer.Deserialize<LoneMember>(text, BridgeJson.Options));
    }

    /// <summary>Reads a member.</summary>
    public static MemberReading Read(JsonNode node) => Read(() => node.Deserialize<LoneMember>(BridgeJson.Options));

    /// <summary>A member as a JSON tree.</summary>
    public static JsonNode Node(string document) => JsonNode.Parse(document)!;

    /// <summary>A member as a JSON tree.</summary>
    public static JsonNode Node(LoneMember member) => JsonSerializer.SerializeToNode(member, BridgeJson.Options)!;

    /// <summary>The member after a patch, or none with the reasons. The tree is changed.</summary>
    public static MemberReading Edit(JsonNode document, IReadOnlyList<PatchOperation> patch) =>
        JsonEditing.Apply(document, patch) is { } problem ? Refused(problem) : Read(document);

    /// <summary>The JSON Schema (2020-12) of the format.</summary>
    public static string Schema() => BridgeJson.Schema(typeof(LoneMember), $"Pravik member, version {LoneMember.CurrentVersion}");

    private static MemberReading Read(Func<LoneMember?> parse)
    {
        try
        {
            if (parse() is not { } member)
                return Refused(Finding.Error("", "The document is empty."));
            ImmutableArray<Finding> findings = [.. LoneValidation.Check(member)];
            return new(findings.Any(f => f.Severity == Severity.Error) ? null : member, findings);
        }
        catch (Exception problem) when (BridgeJson.Explained(problem, "a member") is { } finding)
        {
            return Refused(finding);
        }
    }

    private static MemberReading Refused(Finding finding) => new(null, [finding]);
}
