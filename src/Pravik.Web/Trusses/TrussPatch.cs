using Pravik.Core.Trusses;
using Pravik.Exchange;

namespace Pravik.Web.Trusses;

/// <summary>Edits of joints and bars as patches.</summary>
internal static class TrussPatch
{
    /// <summary>
    /// What leads from one scheme to another in joints and bars: single values where their numbers stay, else whole lists.
    /// </summary>
    public static IReadOnlyList<PatchOperation> Between(TrussScheme from, TrussScheme to)
    {
        var (a, b) = (Formats.Truss.Node(from), Formats.Truss.Node(to));
        List<string> paths =
        [
            .. JsonEditing
                .ChangedPaths(a, b)
                .Where(p => p.StartsWith("/joints", StringComparison.Ordinal) || p.StartsWith("/bars", StringComparison.Ordinal)),
        ];
        return paths.Count > JsonEditing.MostOperations
            ? Drawn(to)
            : [.. paths.Select(p => new PatchOperation("replace", p, JsonEditing.ValueAt(b, p)?.DeepClone()))];
    }

    /// <summary>All joints and bars of a scheme.</summary>
    public static IReadOnlyList<PatchOperation> Drawn(TrussScheme scheme)
    {
        var node = Formats.Truss.Node(scheme);
        return [new("replace", "/joints", node["joints"]!.DeepClone()), new("replace", "/bars", node["bars"]!.DeepClone())];
    }

    /// <summary>A form with all that it draws.</summary>
    public static IReadOnlyList<PatchOperation> Of(TrussScheme scheme) =>
        [new("replace", "/form", Formats.Truss.Node(scheme)["form"]?.DeepClone()), .. Drawn(scheme)];
}
