using System.Collections.Concurrent;
using Pravik.Exchange;

namespace Pravik.Data;

/// <summary>
/// Bridges that were read of late, by project and revision. A revision never changes, so that each is read and looked through once; the
/// longest unused go beyond <see cref="Most"/>.
/// </summary>
internal sealed class BridgeCache
{
    /// <summary>How many are kept.</summary>
    public const int Most = 200;

    private readonly ConcurrentDictionary<(string Project, int Revision), Kept> kept = [];
    private long now;

    private sealed class Kept(Lazy<BridgeReading> reading)
    {
        public Lazy<BridgeReading> Reading { get; } = reading;

        public long LastUsed { get; set; }
    }

    /// <summary>The bridge of a revision; its document is read where it is not known.</summary>
    public BridgeReading Read(string project, int revision, string document) =>
        Use(kept.GetOrAdd((project, revision), _ => new(new(() => BridgeJson.Read(document)))));

    /// <summary>Keeps what was just written.</summary>
    public void Keep(string project, int revision, BridgeReading reading) =>
        Use(kept[(project, revision)] = new(new Lazy<BridgeReading>(reading)));

    private BridgeReading Use(Kept found)
    {
        found.LastUsed = Interlocked.Increment(ref now);
        if (kept.Count > Most)
        {
            // A copy is taken at once: the dictionary changes while it is gone through.
            var all = kept.ToArray();
            foreach (var (key, _) in all.OrderBy(k => k.Value.LastUsed).Take(all.Length - Most))
                kept.TryRemove(key, out _);
        }
        return found.Reading.Value;
    }
}
