using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;
using Pravik.Core.Bridges;

namespace Pravik.Exchange;

/// <summary>
/// The hash of what an analysis reads: everything but names, titles, units, the ground, what is crossed, stages and the choice of
/// model, and of supports all but where their bearings lie. The profile
/// counts: the haunch follows it, and weighs. Equal hashes have equal results.
/// </summary>
public static class InputHash
{
    /// <summary>Names the build of the computation, so that stored results of an older one are not taken for new.</summary>
    private static readonly string Computation = typeof(Bridge).Assembly.ManifestModule.ModuleVersionId.ToString("N");

    public static string Of(Bridge bridge)
    {
        var read = bridge with
        {
            Name = "",
            Basis = bridge.Basis with { Titles = new(), Units = "metric" },
            Road = bridge.Road with { Name = "", Equations = [] },
            Ground = null,
            Crossings = [],
            Bearings = [],
            Costs = new(),
            Actions = new(),
            Model = new(),
            Supports = bridge.Supports.ToImmutableSortedDictionary(
                s => s.Key,
                s => new Support
                {
                    Follows = s.Value.Follows,
                    Sizes = s.Value.Sizes.RemoveRange(s.Value.Sizes.Keys.Where(k => k is not ("rows" or "bearingDistance"))),
                    Links = s.Value.Links,
                }
            ),
        };
        return Hash(read);
    }

    /// <summary>
    /// The hash of what the bridge's model reads: everything but names, titles, units, what is crossed, and prices; the ground by its
    /// own hash.
    /// </summary>
    public static string OfModel(Bridge bridge) =>
        Hash(
            bridge with
            {
                Name = "",
                Basis = bridge.Basis with { Titles = new(), Units = "metric" },
                Road = bridge.Road with { Name = "", Equations = [] },
                Crossings = [],
                Costs = new(),
            }
        );

    private static string Hash(Bridge read) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes($"{Computation}\n{BridgeJson.Write(read)}")))[..32];
}
