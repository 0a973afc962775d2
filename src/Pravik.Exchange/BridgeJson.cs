using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Validation;

namespace Pravik.Exchange;

/// <summary>What reading a document gave: a bridge, or none and the reasons; warnings may go with a bridge.</summary>
public sealed record BridgeReading(Bridge? Bridge, ImmutableArray<Finding> Findings)
{
    /// <summary>Findings that stand in the way of reading.</summary>
    public IEnumerable<Finding> Errors => Findings.Where(f => f.Severity == Severity.Error);
}

/// <summary>
/// Bridges as JSON (docs/file-format.md). Reading never throws: unknown members, text in a number, broken or oversized documents
/// and values out of bounds come back as findings with their place.
/// </summary>
public static class BridgeJson
{
    /// <summary>Longest document that is read (bytes).</summary>
    public const int LongestDocument = 2_000_000;

    /// <summary>How bridges are written and read.</summary>
    public static JsonSerializerOptions Options { get; } = MakeOptions(false);

    internal static readonly JsonSerializerOptions Indented = MakeOptions(true);

    /// <summary>A bridge in one line.</summary>
    public static string Write(Bridge bridge) => JsonSerializer.Serialize(bridge, Options);

    /// <summary>A bridge as it is kept in files.</summary>
    public static string WriteIndented(Bridge bridge) => JsonSerializer.Serialize(bridge, Indented) + "\n";

    /// <summary>A bridge as a JSON tree.</summary>
    public static JsonNode ToNode(Bridge bridge) => JsonSerializer.SerializeToNode(bridge, Options)!;

    /// <summary>A part of a bridge as JSON.</summary>
    public static JsonNode Node<T>(T part) => JsonSerializer.SerializeToNode(part, Options)!;

    /// <summary>Reads a bridge; older versions are brought up first. Never throws.</summary>
    public static BridgeReading Read(string text)
    {
        if (text.Length > LongestDocument)
            return Refused("", $"The document is larger than {LongestDocument / 1_000_000} MB; a bridge of this version needs far less.");
        return OlderVersions.Named(text) is { } version and >= 1 and < Bridge.CurrentVersion
            ? Read(() => OlderVersions.Upgrade(text, version).Deserialize<Bridge>(Options))
            : Read(() => JsonSerializer.Deserialize<Bridge>(text, Options));
    }

    /// <summary>Reads a bridge; older versions are brought up first. Never throws.</summary>
    public static BridgeReading Read(JsonNode node) => Read(() => node.Deserialize<Bridge>(Options));

    /// <summary>The JSON Schema (2020-12) of the format.</summary>
    public static string Schema() => Schema(typeof(Bridge), $"Pravik bridge, version {Bridge.CurrentVersion}");

    /// <summary>The schema of a kind of document.</summary>
    internal static string Schema(Type type, string title)
    {
        var schema = Options.GetJsonSchemaAsNode(type, new() { TreatNullObliviousAsNonNullable = true });
        var head = new JsonObject { ["$schema"] = "https://json-schema.org/draft/2020-12/schema", ["title"] = title };
        foreach (var (name, value) in schema.AsObject().ToList())
            head[name] = value?.DeepClone();
        return head.ToJsonString(Indented) + "\n";
    }

    private static BridgeReading Read(Func<Bridge?> parse)
    {
        try
        {
            if (parse() is not { } bridge)
                return Refused("", "The document is empty.");
            ImmutableArray<Finding> findings = [.. BridgeValidation.Check(bridge)];
            return new(findings.Any(f => f.Severity == Severity.Error) ? null : bridge, findings);
        }
        catch (Exception problem) when (Explained(problem, "a bridge") is { } finding)
        {
            return new(null, [finding]);
        }
    }

    /// <summary>What an exception of reading says of a document of a kind; null for one that is none of reading.</summary>
    internal static Finding? Explained(Exception problem, string kind) =>
        problem switch
        {
            JsonException json => Finding.Error(Pointer(json.Path), Explain(json, kind)),
            InvalidOperationException or FormatException or NotSupportedException or ArgumentException => Finding.Error(
                "",
                $"The document is not {kind}: {problem.Message}"
            ),
            _ => null,
        };

    private static BridgeReading Refused(string path, string message) => new(null, [Finding.Error(path, message)]);

    /// <summary>Turns <c>$.axes.spans[1]</c> into <c>/axes/spans/1</c>.</summary>
    private static string Pointer(string? path) =>
        path is null or "$"
            ? ""
            : path.TrimStart('$').Replace("['", ".").Replace("']", "").Replace('.', '/').Replace("[", "/").Replace("]", "");

    private static string Explain(JsonException problem, string kind)
    {
        var place = problem.LineNumber is { } line ? $" (line {line + 1}, column {(problem.BytePositionInLine ?? 0) + 1})" : "";
        var text = problem.Message;
        if (text.Contains("could not be mapped", StringComparison.Ordinal))
            return $"A member that the format does not know{place}.";
        if (text.Contains("could not be converted", StringComparison.Ordinal))
            return $"The value is not of the kind that belongs here: a number where text stands, or the reverse{place}.";
        if (text.Contains("missing required", StringComparison.Ordinal))
            return $"This is not {kind} file: “format” and “version” are missing.";
        return $"The JSON is broken{place}: {text.Split(" Path:")[0].Split(" LineNumber:")[0]}";
    }

    private static JsonSerializerOptions MakeOptions(bool indented)
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web)
        {
            NumberHandling = JsonNumberHandling.Strict,
            UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
            PropertyNameCaseInsensitive = false,
            AllowDuplicateProperties = false,
            MaxDepth = 32,
            WriteIndented = indented,
            RespectNullableAnnotations = true,
            DefaultIgnoreCondition = JsonIgnoreCondition.Never,
            Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        };
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }
}
