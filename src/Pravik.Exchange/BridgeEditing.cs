using System.Text.Json.Nodes;
using Pravik.Core.Bridges;

namespace Pravik.Exchange;

/// <summary>Edits of a bridge: a JSON Patch applied to the whole document, which is then read and validated whole.</summary>
public static class BridgeEditing
{
    /// <summary>The bridge after the patch, or none with the reasons (<see cref="JsonEditing.Apply"/>).</summary>
    public static BridgeReading Apply(Bridge bridge, IReadOnlyList<PatchOperation> patch)
    {
        var node = BridgeJson.ToNode(bridge);
        return JsonEditing.Apply(node, patch, () => HeldGirders.Keep(bridge, node, patch)) is { } problem
            ? new(null, [problem])
            : BridgeJson.Read(node);
    }

    /// <summary>The paths at which two bridges differ (<see cref="JsonEditing.ChangedPaths"/>).</summary>
    public static IReadOnlyList<string> ChangedPaths(Bridge a, Bridge b) =>
        JsonEditing.ChangedPaths(BridgeJson.ToNode(a), BridgeJson.ToNode(b));

    /// <summary>The value at a JSON Pointer, or null where there is none.</summary>
    public static JsonNode? ValueAt(Bridge bridge, string path) => JsonEditing.ValueAt(BridgeJson.ToNode(bridge), path);
}
