using Pravik.Core.Bridges;

namespace Pravik.Core.Validation;

/// <summary>Definitions of a bridge that nothing uses: patterns, parapet profiles, sections, types of bearings.</summary>
public static class Unused
{
    /// <summary>Kind, name and path of each; a list keeps at least one, so the first of a list that is all unused is left out.</summary>
    public static IReadOnlyList<(string Kind, string Name, string Path)> In(Bridge bridge)
    {
        var patterns = Enumerable
            .Range(0, bridge.Deck.Patterns.Length)
            .Where(i => i > 0 && bridge.Deck.Units.Values.All(u => u.Pattern != bridge.Deck.Patterns[i].Name))
            .Select(i => ("Cross-section", bridge.Deck.Patterns[i].Name, $"/deck/patterns/{i}"));
        var profiles = Enumerable
            .Range(0, bridge.Profiles.Length)
            .Where(i => bridge.Parapets.All(p => p.Profile != bridge.Profiles[i].Name))
            .Select(i => ("Parapet profile", bridge.Profiles[i].Name, $"/profiles/{i}"));
        var sections = Enumerable
            .Range(0, bridge.Sections.Length)
            .Where(i =>
                (bridge.Girders.Section ?? bridge.Sections[0].Name) != bridge.Sections[i].Name
                && bridge.Girders.Own.Values.All(o => o.Section != bridge.Sections[i].Name)
                && bridge.Girders.Ranges.All(r => r.Section != bridge.Sections[i].Name)
                && bridge.Girders.Diaphragms.All(d =>
                    d.Kind == DiaphragmKind.Concrete || (d.Section is not null && d.Section != bridge.Sections[i].Name)
                )
            )
            .Where(i => i > 0 || bridge.Girders.Section is not null)
            .Select(i => ("Section", bridge.Sections[i].Name, $"/sections/{i}"));
        // The first type of bearing stands wherever none is chosen.
        var bearings = Enumerable
            .Range(1, bridge.Bearings.Length - 1)
            .Where(i =>
                bridge.Supports.Values.All(s =>
                    s.Choices.All(c => c.Value != bridge.Bearings[i].Name || !c.Key.StartsWith("bearing", StringComparison.Ordinal))
                )
            )
            .Select(i => ("Bearing", bridge.Bearings[i].Name, $"/bearings/{i}"));
        return [.. patterns, .. profiles, .. sections, .. bearings];
    }
}
