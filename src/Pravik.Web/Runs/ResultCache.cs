using Pravik.Core.Runs;

namespace Pravik.Web.Runs;

/// <summary>
/// Results of all projects together under the hash of their inputs, the latest used first, within a bound of memory; the latest one
/// always stays. Safe for use by several threads.
/// </summary>
/// <param name="most">Bytes that may be kept.</param>
public sealed class ResultCache(long most = 600_000_000)
{
    private readonly LinkedList<(string Hash, BridgeResults Results)> kept = [];
    private readonly Lock guard = new();

    /// <summary>Results of a hash, where they are still kept.</summary>
    public BridgeResults? Find(string? hash)
    {
        lock (guard)
        {
            for (var node = kept.First; node is not null; node = node.Next)
            {
                if (node.Value.Hash != hash)
                    continue;
                kept.Remove(node);
                kept.AddFirst(node);
                return node.Value.Results;
            }
        }
        return null;
    }

    /// <summary>Keeps results; the longest unused go where memory is short.</summary>
    public void Keep(string hash, BridgeResults results)
    {
        lock (guard)
        {
            kept.AddFirst((hash, results));
            while (kept.Count > 1 && kept.Sum(k => k.Results.Bytes) > most)
                kept.RemoveLast();
        }
    }
}
