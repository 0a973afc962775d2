using System.Text.Json;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Stages;

namespace Pravik.Core.Traffic;

/// <summary>
/// Keeps the latest traffic on finished bridges, so that an edit on which traffic does not depend, as of strands, bars or links, does not
/// ask for it again. Safe for use by several runs at once.
/// </summary>
public sealed class TrafficStore
{
    private const int Most = 2;
    private readonly LinkedList<(string Key, TrafficResults Results)> kept = [];
    private readonly Lock guard = new();

    /// <summary>
    /// What traffic depends on: the bridge without its strands, links, bars, titles, rates and stages, and the model as it stands finished.
    /// </summary>
    public static string KeyOf(Bridge bridge, ModelChoices choices, FrameModel finished)
    {
        var bare = bridge with
        {
            Name = "",
            Basis = bridge.Basis with { Titles = new() },
            Girders = bridge.Girders with
            {
                Types =
                [
                    .. bridge.Girders.Types.Select(t =>
                        t with
                        {
                            Strands = new() { Rows = [] },
                            Links = [],
                            Bars = [],
                        }
                    ),
                ],
                SlabBars = new(),
                BarsAcross = new(),
                PierBars = new(),
                Release = new(),
                StrutSlope = 1,
                TopSurface = "",
                LeavesOutTorsion = false,
                DeflectionLimit = null,
                Tendons = [],
            },
            Parapets = [.. bridge.Parapets.Select(p => p with { Impact = null })],
            Materials = bridge.Materials with { Strand = new(), Reinforcement = new(), Exposure = "" },
            Costs = new(),
            Actions = new(),
            Model = choices,
        };
        return $"{FactorStore.KeyOf(finished)} {JsonSerializer.Serialize(bare)}";
    }

    /// <summary>Traffic that is known; null where it is not.</summary>
    public TrafficResults? Find(string key)
    {
        lock (guard)
        {
            for (var node = kept.First; node is not null; node = node.Next)
            {
                if (node.Value.Key != key)
                    continue;
                kept.Remove(node);
                kept.AddFirst(node);
                return node.Value.Results;
            }
        }
        return null;
    }

    /// <summary>Keeps traffic that was found.</summary>
    public void Keep(string key, TrafficResults results)
    {
        lock (guard)
        {
            kept.AddFirst((key, results));
            if (kept.Count > Most)
                kept.RemoveLast();
        }
    }
}
