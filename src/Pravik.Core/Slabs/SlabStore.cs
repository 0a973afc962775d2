using System.Collections.Immutable;
using System.Text.Json;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Slabs;

/// <summary>What acts on the slab of a span across, or why it is not looked at.</summary>
public sealed record SlabOfSpan(SlabEffects? Effects, string? Refusal);

/// <summary>
/// Keeps what acts on the latest slabs across, so that an edit on which it does not depend, as of strands, links or bars along, does not
/// ask for it again. Safe for use by several runs at once.
/// </summary>
/// <param name="bridges">Of how many bridges it is kept.</param>
public sealed class SlabStore(int bridges = 2)
{
    private sealed record Kept(ImmutableArray<SlabOfSpan> Spans);

    private readonly LatestStore<Kept> kept = new(_ => 1, bridges);

    /// <summary>Of every span; throws <see cref="OperationCanceledException"/> when cancelled.</summary>
    public ImmutableArray<SlabOfSpan> Of(BridgeGeometry geometry, CancellationToken cancel = default)
    {
        var key = JsonSerializer.Serialize(TrafficStore.BareOf(geometry.Bridge));
        if (kept.Find(key) is { } known)
            return known.Spans;
        var spans = geometry.SpanIndices.ToList();
        var all = new SlabOfSpan[spans.Count];
        Parallel.For(
            0,
            spans.Count,
            new ParallelOptions { CancellationToken = cancel },
            i =>
            {
                var (cut, refusal) = SlabCut.Of(geometry, spans[i]);
                all[i] = new(cut is null ? null : new(cut, cancel), refusal);
            }
        );
        kept.Keep(key, new([.. all]));
        return [.. all];
    }
}
