using Pravik.Core.Runs;
using Pravik.Core.Stages;

namespace Pravik.Web.Runs;

/// <summary>
/// Results of all projects together under the hash of their inputs, the latest used first, within a bound of memory; the latest one
/// always stays. Safe for use by several threads.
/// </summary>
/// <param name="most">Bytes that may be kept.</param>
public sealed class ResultCache(long most = 600_000_000)
{
    private readonly LatestStore<BridgeResults> kept = new(r => r.Bytes, most);

    /// <summary>Results of a hash, where they are still kept.</summary>
    public BridgeResults? Find(string? hash) => hash is null ? null : kept.Find(hash);

    /// <summary>Keeps results; the longest unused go where memory is short.</summary>
    public void Keep(string hash, BridgeResults results) => kept.Keep(hash, results);
}
