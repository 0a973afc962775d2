using Pravik.Core.Bridges;

namespace Pravik.Core.Validation;

/// <summary>Definitions of a bridge that nothing uses: patterns, parapet profiles, sections, types of girders and bearings.</summary>
public static class Unused
{
    /// <summary>Kind, name and path of each; a list keeps at least one, so the first of a list that is all unused is left out.</summary>
    public static IReadOnlyList<(string Kind, string Name, string Path)> In(Bridge bridge)
    {
        var first = bridge.Sections[0].Name;
        // Whoever names no pattern, section, type or bearing has the first.
        var namesNoSection = bridge
            .Girders.Types.Select(t => t.Section)
            .Concat(bridge.Girders.Ranges.Select(r => r.Section))
            .Append(bridge.Girders.Diaphragms.Any(d => d.Kind != DiaphragmKind.Concrete && d.Section is null) ? null : first)
            .Contains(null);
        IEnumerable<(string, string, string)> Of<T>(string kind, string path, IReadOnlyList<T> list, Func<T, string> name, int from) =>
            Enumerable
                .Range(0, list.Count)
                .Where(i => i >= from && !References.To(bridge, $"{path}/{i}").Any())
                .Select(i => (kind, name(list[i]), $"{path}/{i}"));
        return
        [
            .. Of("Cross-section", "/deck/patterns", bridge.Deck.Patterns, p => p.Name, 1),
            .. Of("Parapet profile", "/profiles", bridge.Profiles, p => p.Name, 0),
            .. Of("Section", "/sections", bridge.Sections, s => s.Name, namesNoSection || bridge.Sections.Length == 1 ? 1 : 0),
            .. Of("Type of girder", "/girders/types", bridge.Girders.Types, t => t.Name, 1),
            .. Of("Bearing", "/bearings", bridge.Bearings, b => b.Name, 1),
        ];
    }
}
