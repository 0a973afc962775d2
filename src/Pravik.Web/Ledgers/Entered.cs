using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Entries;

namespace Pravik.Web.Ledgers;

/// <summary>Entries with what their choices need of results: the names of cases that a term of an own combination can give.</summary>
internal static class Entered
{
    /// <summary>The entry at a path as a bridge makes it, or null where nothing is entered there.</summary>
    public static Entry? At(string path, Bridge bridge)
    {
        var entry = EntryCatalog.At(path, bridge);
        return entry?.Pattern == "/actions/combinations/*/terms/*/case" && int.TryParse(entry.StarsOf(path)[0], out var combination)
            ? entry with
            {
                Choices = [.. RangeNames.All(bridge, combination).Select(n => new Choice(n, n))],
            }
            : entry;
    }
}
