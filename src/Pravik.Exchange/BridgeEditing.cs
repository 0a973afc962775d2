using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson.Exceptions;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson.Operations;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;

namespace Pravik.Exchange;

/// <summary>One operation of an RFC 6902 patch.</summary>
public sealed record PatchOperation(string Op, string Path, JsonNode? Value = null, string? From = null);

/// <summary>Edits of a bridge: a JSON Patch applied to the whole document, which is then read and validated whole.</summary>
public static class BridgeEditing
{
    /// <summary>The most operations of one edit.</summary>
    public const int MostOperations = 500;

    /// <summary>
    /// The bridge after the patch, or none with the reasons. Operations apply in order, all or none. An own value that is missing
    /// may be replaced: it is added.
    /// </summary>
    public static BridgeReading Apply(Bridge bridge, IReadOnlyList<PatchOperation> patch)
    {
        if (patch.Count is 0 or > MostOperations)
            return Refused("", $"A patch has 1 to {MostOperations} operations.");
        var node = BridgeJson.ToNode(bridge);
        var document = new JsonPatchDocument<JsonNode>([], BridgeJson.Options);
        foreach (var operation in patch)
        {
            if (operation.Path is null || !operation.Path.StartsWith('/'))
                return Refused(operation.Path ?? "", "A path begins with “/” and names a value of the bridge.");
            document.Operations.Add(new Operation<JsonNode>(operation.Op, operation.Path, operation.From, operation.Value?.DeepClone()));
        }
        try
        {
            document.ApplyTo(node);
            HeldGirders.Keep(bridge, node, patch);
        }
        catch (Exception problem)
            when (problem
                    is JsonPatchException
                        or JsonException
                        or InvalidOperationException
                        or ArgumentException
                        or FormatException
                        or NullReferenceException
            )
        {
            var place = (problem as JsonPatchException)?.FailedOperation?.path ?? patch[0].Path;
            return Refused(place, $"The edit does not apply: {problem.Message}");
        }
        return BridgeJson.Read(node);
    }

    /// <summary>
    /// The paths at which two bridges differ, as deep as both have the same kind of value there. Arrays of other length differ as a
    /// whole.
    /// </summary>
    public static IReadOnlyList<string> ChangedPaths(Bridge a, Bridge b)
    {
        var paths = new List<string>();
        Compare(BridgeJson.ToNode(a), BridgeJson.ToNode(b), "", paths);
        return paths;
    }

    /// <summary>Whether one path is the other or lies within it, so that edits at the two meet.</summary>
    public static bool Meet(string a, string b) =>
        a == b || a.StartsWith(b + "/", StringComparison.Ordinal) || b.StartsWith(a + "/", StringComparison.Ordinal);

    /// <summary>The value at a JSON Pointer, or null where there is none.</summary>
    public static JsonNode? ValueAt(Bridge bridge, string path)
    {
        JsonNode? node = BridgeJson.ToNode(bridge);
        foreach (var part in path.Split('/').Skip(1))
        {
            node = node switch
            {
                JsonObject o => o[part.Replace("~1", "/").Replace("~0", "~")],
                JsonArray a when int.TryParse(part, out var i) && i >= 0 && i < a.Count => a[i],
                _ => null,
            };
        }
        return node;
    }

    private static void Compare(JsonNode? a, JsonNode? b, string path, List<string> paths)
    {
        switch (a, b)
        {
            case (JsonObject x, JsonObject y):
                foreach (var name in x.Select(p => p.Key).Union(y.Select(p => p.Key)))
                    Compare(x[name], y[name], $"{path}/{name}", paths);
                break;
            case (JsonArray x, JsonArray y) when x.Count == y.Count:
                for (var i = 0; i < x.Count; i++)
                    Compare(x[i], y[i], $"{path}/{i}", paths);
                break;
            default:
                if (!JsonNode.DeepEquals(a, b))
                    paths.Add(path);
                break;
        }
    }

    private static BridgeReading Refused(string path, string message) => new(null, [Finding.Error(path, message)]);
}
