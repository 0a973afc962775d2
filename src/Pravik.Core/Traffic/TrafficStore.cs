using System.Text.Json;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Stages;

namespace Pravik.Core.Traffic;

/// <summary>
/// Keeps the latest traffic on finished bridges, so that an edit on which traffic does not depend, as of strands, bars or links, does not
/// ask for it again. Safe for use by several runs at once.
/// </summary>
/// <param name="bridges">Of how many bridges it is kept.</param>
public sealed class TrafficStore(int bridges = 2)
{
    private readonly LatestStore<TrafficResults> kept = new(_ => 1, bridges);

    /// <summary>Traffic that is known; null where it is not.</summary>
    public TrafficResults? Find(string key) => kept.Find(key);

    /// <summary>Keeps traffic that was found.</summary>
    public void Keep(string key, TrafficResults results) => kept.Keep(key, results);

    /// <summary>
    /// What traffic depends on: the bridge without its strands, links, bars, titles, rates and stages, and the model as it stands finished.
    /// </summary>
    public static string KeyOf(Bridge bridge, ModelChoices choices, FrameModel finished)
    {
        var bare = BareOf(bridge);
        var own = bare with
        {
            Girders = bare.Girders with { BarsAcross = new() },
            Parapets = [.. bare.Parapets.Select(p => p with { Impact = null })],
            Model = choices,
        };
        return $"{FactorStore.KeyOf(finished)} {JsonSerializer.Serialize(own)}";
    }

    /// <summary>A bridge without its strands, links, bars along, titles, costs, actions and choices of the model.</summary>
    public static Bridge BareOf(Bridge bridge) =>
        bridge with
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
                PierBars = new(),
                Release = new(),
                StrutSlope = 1,
                TopSurface = "",
                LeavesOutTorsion = false,
                DeflectionLimit = null,
                Tendons = [],
            },
            Materials = bridge.Materials with { Strand = new(), Reinforcement = new(), Exposure = "" },
            Costs = new(),
            Actions = new(),
            Model = new(),
        };
}
