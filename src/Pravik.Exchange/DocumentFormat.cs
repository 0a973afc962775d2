using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;
using Pravik.Core.Trusses;

namespace Pravik.Exchange;

/// <summary>What reading a document gave: a document, or none and the reasons; warnings and faults may go with a document.</summary>
public sealed record DocumentReading<T>(T? Document, ImmutableArray<Finding> Findings)
    where T : class;

/// <summary>A kind of document beside bridges as JSON, by the rules of <see cref="BridgeJson"/>. Reading never throws.</summary>
/// <param name="kind">The kind with its article: “a member”.</param>
/// <param name="title">Title of its schema.</param>
/// <param name="check">What is wrong with a document; one with an error is not read.</param>
public sealed class DocumentFormat<T>(string kind, string title, Func<T, IReadOnlyList<Finding>> check)
    where T : class
{
    /// <summary>A document in one line.</summary>
    public string Write(T document) => JsonSerializer.Serialize(document, BridgeJson.Options);

    /// <summary>A document as it is kept in files.</summary>
    public string WriteIndented(T document) => JsonSerializer.Serialize(document, BridgeJson.Indented) + "\n";

    /// <summary>Reads a document.</summary>
    public DocumentReading<T> Read(string text) =>
        text.Length > BridgeJson.LongestDocument
            ? Refused(Finding.Error("", $"The document is larger than {BridgeJson.LongestDocument / 1_000_000} MB."))
            : Read(() => JsonSerializer.Deserialize<T>(text, BridgeJson.Options));

    /// <summary>Reads a document.</summary>
    public DocumentReading<T> Read(JsonNode node) => Read(() => node.Deserialize<T>(BridgeJson.Options));

    /// <summary>A document as a JSON tree.</summary>
    public JsonNode Node(string document) => JsonNode.Parse(document)!;

    /// <summary>A document as a JSON tree.</summary>
    public JsonNode Node(T document) => JsonSerializer.SerializeToNode(document, BridgeJson.Options)!;

    /// <summary>The document after a patch, or none with the reasons. The tree is changed.</summary>
    public DocumentReading<T> Edit(JsonNode document, IReadOnlyList<PatchOperation> patch) =>
        JsonEditing.Apply(document, patch) is { } problem ? Refused(problem) : Read(document);

    /// <summary>The JSON Schema (2020-12) of the format.</summary>
    public string Schema() => BridgeJson.Schema(typeof(T), title);

    private DocumentReading<T> Read(Func<T?> parse)
    {
        try
        {
            if (parse() is not { } document)
                return Refused(Finding.Error("", "The document is empty."));
            ImmutableArray<Finding> findings = [.. check(document)];
            return new(findings.Any(f => f.Severity == Severity.Error) ? null : document, findings);
        }
        catch (Exception problem) when (BridgeJson.Explained(problem, kind) is { } finding)
        {
            return Refused(finding);
        }
    }

    private static DocumentReading<T> Refused(Finding finding) => new(null, [finding]);
}

/// <summary>The kinds of documents beside bridges.</summary>
public static class Formats
{
    /// <summary>Members alone (docs/member-format.md).</summary>
    public static DocumentFormat<LoneMember> Member { get; } =
        new("a member", $"Pravik member, version {LoneMember.CurrentVersion}", LoneValidation.Check);

    /// <summary>Truss schemes (docs/truss-format.md).</summary>
    public static DocumentFormat<TrussScheme> Truss { get; } =
        new("a truss", $"Pravik truss, version {TrussScheme.CurrentVersion}", TrussValidation.Check);
}
