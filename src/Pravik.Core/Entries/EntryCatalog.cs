using Pravik.Core.Bridges;

namespace Pravik.Core.Entries;

/// <summary>All values that can be entered, by path.</summary>
public static class EntryCatalog
{
    private static readonly Node Root = new();

    static EntryCatalog()
    {
        foreach (var entry in All)
            Root.Add(entry.Pattern.Split('/'), 1, entry);
    }

    /// <summary>All of them, part by part.</summary>
    public static IReadOnlyList<Entry> All { get; } =
    [
        .. BasisEntries.All,
        .. RoadEntries.All,
        .. AxesEntries.All,
        .. DeckEntries.All,
        .. DeckUnitEntries.All,
        .. ParapetEntries.All,
        .. GirderEntries.All,
        .. GirderTypeEntries.All,
        .. GirderPartEntries.All,
        .. SectionEntries.All,
        .. SupportEntries.All,
        .. MaterialEntries.All,
        .. LoadEntries.All,
        .. TrafficEntries.All,
        .. ActionEntries.All,
        .. ModelEntries.All,
    ];

    /// <summary>The entry at a path, or null where nothing is entered there. A name in a pattern goes before a star.</summary>
    public static Entry? At(string path) => path.StartsWith('/') ? Root.Find(path.Split('/'), 1) : null;

    /// <summary>The same as a bridge makes it: with its patterns, sections and lines to choose from.</summary>
    public static Entry? At(string path, Bridge bridge)
    {
        if (At(path) is not { } entry)
            return null;
        if (entry.Offered is { } offered)
            entry = entry with { Choices = offered(bridge) };
        return entry.Shaped is { } shaped ? shaped(entry, entry.StarsOf(path, bridge)) : entry;
    }

    private sealed class Node
    {
        private readonly Dictionary<string, Node> next = [];
        private Entry? entry;

        public void Add(string[] parts, int at, Entry described)
        {
            if (at == parts.Length)
            {
                if (entry is not null)
                    throw new InvalidOperationException($"{described.Pattern} is described twice.");
                entry = described;
                return;
            }
            if (!next.TryGetValue(parts[at], out var node))
                next[parts[at]] = node = new();
            node.Add(parts, at + 1, described);
        }

        public Entry? Find(string[] parts, int at)
        {
            if (at == parts.Length)
                return entry;
            return (next.TryGetValue(parts[at], out var named) ? named.Find(parts, at + 1) : null)
                ?? (next.TryGetValue("*", out var any) ? any.Find(parts, at + 1) : null);
        }
    }
}
