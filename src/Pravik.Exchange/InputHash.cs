using System.Security.Cryptography;
using System.Text;
using Pravik.Core.Bridges;

namespace Pravik.Exchange;

/// <summary>
/// The hash of what an analysis reads: everything but names, titles, units, what is crossed, and prices; the ground by its own hash.
/// Equal hashes have equal results.
/// </summary>
public static class InputHash
{
    /// <summary>Names the build of the computation, so that stored results of an older one are not taken for new.</summary>
    private static readonly string Computation = typeof(Bridge).Assembly.ManifestModule.ModuleVersionId.ToString("N");

    /// <summary>Hash of all that results of a bridge depend on.</summary>
    public static string Of(Bridge bridge) =>
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
