using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson.Exceptions;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson.Operations;
using Pravik.Core.Findings;

namespace Pravik.Exchange;

/// <summary>One operation of an RFC 6902 patch.</summary>
public sealed record PatchOperation(string Op, string Path, JsonNode? Value = null, string? From = null);

/// <summary>Edits of a document of any kind: a JSON Patch applied to it, and what differs between two of them.</summary>
public static class JsonEditing
{
    /// <summary>The most operations of one edit.</summary>
    public const int MostOperations = 500;

    /// <summary>
    /// Applies a patch to a document in place, and then what else belongs to it. Operations apply in order. An own value that is missing
    /// may be replaced: it is added. Returns why it cannot be, or null; the document is worth nothing then.
    /// </summary>
    public static Finding? Apply(JsonNode document, IReadOnlyList<PatchOperation> patch, Action? then = null)
    {
        if (patch.Count is 0 or > MostOperations)
            return Finding.Error("", $"A patch has 1 to {MostOperations} operations.");
        var changes = new JsonPatchDocument<JsonNode>([], BridgeJson.Options);
        foreach (var operation in patch)
        {
            if (operation.Path is null || !operation.Path.StartsWith('/'))
                return Finding.Error(operation.Path ?? "", "A path begins with “/” and names a value of the document.");
            changes.Operations.Add(new Operation<JsonNode>(operation.Op, operation.Path, operation.From, operation.Value?.DeepClone()));
        }
        try
        {
            changes.ApplyTo(document);
            then?.Invoke();
            return null;
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
            return Finding.Error(place, $"The edit does not apply: {problem.Message}");
        }
    }

    /// <summary>
    /// The paths at which two documents differ, as deep as both have the same kind of value there. Arrays of other length differ as a
    /// whole.
    /// </summary>
    public static IReadOnlyList<string> ChangedPaths(JsonNode a, JsonNode b)
    {
        var paths = new List<string>();
        Compare(a, b, "", paths);
        return paths;
    }

    /// <summary>Whether one path is the other or lies within it, so that edits at the two meet.</summary>
    public static bool Meet(string a, string b) =>
        a == b || a.StartsWith(b + "/", StringComparison.Ordinal) || b.StartsWith(a + "/", StringComparison.Ordinal);

    /// <summary>
    /// Operations of a patch, made against an older document, that meet a value that changed since: the path, what is there now, and what
    /// was wanted. A place in a list that is being lengthened or shortened concerns the whole list.
    /// </summary>
    public static IEnumerable<(string Path, string Theirs, string Yours)> Conflicts(
        JsonNode old,
        JsonNode head,
        IReadOnlyList<PatchOperation> patch
    )
    {
        static string WholeArray(string path) => path.EndsWith("/-", StringComparison.Ordinal) ? path[..^2] : path;
        var changed = ChangedPaths(old, head);
        return patch
            .SelectMany(op => new[] { (op.Path, op.Value), (Path: op.From ?? "", Value: null) })
            .Where(op => op.Path.Length > 0 && changed.Any(path => Meet(path, WholeArray(op.Path))))
            .Select(op => (op.Path, ValueAt(head, op.Path)?.ToJsonString() ?? "null", op.Value?.ToJsonString() ?? "null"));
    }

    /// <summary>The value at a JSON Pointer, or null where there is none.</summary>
    public static JsonNode? ValueAt(JsonNode document, string path)
    {
        var node = document;
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
}
