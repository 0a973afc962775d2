using System.Collections.Concurrent;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Models;

namespace Pravik.Core.Traffic;

/// <summary>What stands behind a value: its loading, and the forces at the place under it.</summary>
/// <param name="Loading">The loading; null where none worsens the effect, and for footways.</param>
/// <param name="Together">Forces of the block, in its order.</param>
internal sealed record TrafficDetail(PlacedTraffic? Loading, double[] Together);

/// <summary>
/// Loadings behind the values of a run, and the forces that act together with them. A run keeps values alone; what stands behind one of
/// them is found when it is asked for, by the same search, and kept then. Safe for use by several threads.
/// </summary>
internal sealed class TrafficDetails(EffectPlaces places, InfluenceSolver solver, DeckLoading deck)
{
    /// <summary>Number of the envelope of footways.</summary>
    public const int Footways = -1;

    /// <summary>About how much memory one takes (bytes).</summary>
    private const long BytesOfOne = 900;
    private readonly ConcurrentDictionary<(int Model, int Effect, bool IsGreatest), TrafficDetail> known = new();
    private readonly ConcurrentBag<Workspace> workspaces = [];

    /// <summary>About how much memory all of it takes (bytes).</summary>
    public long Bytes => BytesOfOne * known.Count + solver.Bytes;

    /// <summary>What stands behind a value of a model, by its number, or of footways.</summary>
    public TrafficDetail Of(int model, int effect, bool isGreatest) =>
        known.GetOrAdd((model, effect, isGreatest), key => Find(key.Model, key.Effect, key.IsGreatest));

    /// <summary>Keeps what stands behind a value.</summary>
    public void Keep(int model, int effect, bool isGreatest, TrafficDetail detail) => known[(model, effect, isGreatest)] = detail;

    /// <summary>The influence surface of an effect; null where nothing stands at its place.</summary>
    public InfluenceSurface? Surface(int effect, bool isGreatest) => SoughtAt(effect)?.Sought.Surface(isGreatest);

    private (EffectBlock Block, SoughtEffect Sought)? SoughtAt(int effect)
    {
        if (places.Of(effect) is not { } place)
            return null;
        foreach (var block in place.Blocks(solver.Ordinates(place.Effects)))
        {
            if (block.Sought.Find(s => s.Effect == effect) is { } sought)
                return (block, sought);
        }
        return null;
    }

    private TrafficDetail Find(int model, int effect, bool isGreatest) =>
        At(
            effect,
            isGreatest,
            (place, at) =>
                model == Footways ? place.OnFootways(at.Block, at.Sought, isGreatest) : place.Detail(model, at.Block, at.Sought, isGreatest)
        ) ?? new(null, new double[EffectLayout.Forces]);

    /// <summary>The loading behind a value as loads of a case; none where nothing worsens it.</summary>
    public IReadOnlyList<OwnLoad> Loads(int model, int effect, bool isGreatest) =>
        At<IReadOnlyList<OwnLoad>>(
            effect,
            isGreatest,
            (place, at) =>
                model == Footways
                    ? [.. place.LoadsOnFootways(at.Sought, isGreatest)]
                    : [.. place.Loads(model, at.Block, at.Sought, isGreatest)]
        ) ?? [];

    /// <summary>The cycles of one passage of each vehicle of a model; none where vehicles do not pass alone.</summary>
    public IReadOnlyList<PassageCycles> Cycles(int model, int effect) =>
        At(effect, true, (place, at) => place.Cycles(model, at.Sought)) ?? [];

    /// <summary>Loads the surfaces of the place of an effect; null where nothing stands there or nothing acts on it.</summary>
    private T? At<T>(int effect, bool isGreatest, Func<PlaceLoading, (EffectBlock Block, SoughtEffect Sought), T> find)
        where T : class
    {
        if (SoughtAt(effect) is not { } at || at.Sought.Surface(isGreatest).IsNothing)
            return null;
        if (!workspaces.TryTake(out var workspace))
            workspace = new();
        var place = new PlaceLoading(deck, workspace);
        place.Expect(at.Block.Forces.Append(at.Sought.Surface(isGreatest)));
        var found = find(place, at);
        workspace.Clear();
        workspaces.Add(workspace);
        return found;
    }
}
