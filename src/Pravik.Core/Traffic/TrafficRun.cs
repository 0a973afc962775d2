using System.Collections.Concurrent;
using System.Collections.Immutable;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>
/// Traffic models and footway load at their worst for every effect of a model, all from one factor. What stands behind the axial forces
/// and shears and bending moments of girders, which checks ask for, is found with them.
/// </summary>
public sealed class TrafficRun
{
    /// <summary>Effects whose surfaces are held at one time by each thread.</summary>
    private const int Together = 64;

    /// <summary>Numbers of solved loads that are kept for what is asked for later (8 bytes each).</summary>
    private const long MostKept = 4_000_000;
    private readonly EffectLayout layout;
    private readonly DeckLoading deck;
    private readonly Func<int, bool>? wanted;
    private readonly TrafficDetails details;
    private readonly ImmutableArray<TrafficEnvelope> envelopes;
    private readonly TrafficEnvelope footways;
    private readonly ConcurrentDictionary<int, IReadOnlyList<PassageCycles>> passages = new();

    private TrafficRun(
        TrafficTarget target,
        DeckLoading deck,
        ImmutableArray<TrafficModel> models,
        TrafficDetails details,
        Func<int, bool>? wanted
    )
    {
        (layout, this.deck, this.details, this.wanted) = (target.Layout, deck, details, wanted);
        envelopes = [.. models.Select((m, number) => new TrafficEnvelope(layout, m, number, details))];
        footways = new(layout, null, TrafficDetails.Footways, details);
    }

    /// <summary>
    /// Runs traffic over the finished bridge. Throws <see cref="OperationCanceledException"/> when cancelled.
    /// </summary>
    /// <param name="target">The bridge.</param>
    /// <param name="models">The traffic models.</param>
    /// <param name="wanted">Whether the extremes of an effect of the layout are wanted; null for all.</param>
    /// <param name="report">Told how far it is (0 to 1).</param>
    /// <param name="withLorries">Whether moments and shears of girders are followed as the lorries of fatigue load model 4 pass.</param>
    /// <param name="cancel">Stops it.</param>
    public static TrafficResults Run(
        TrafficTarget target,
        ImmutableArray<TrafficModel> models,
        Func<int, bool>? wanted = null,
        Action<double>? report = null,
        bool withLorries = false,
        CancellationToken cancel = default
    )
    {
        var places = new EffectPlaces(target);
        var all = places.Wanted(wanted).ToList();
        var solver = new InfluenceSolver(target.Analysis, target.Shares.UnitLoads(), all.Sum(p => p.Effects.Length), cancel);
        // The lorries of fatigue come last: their passages alone are wanted.
        ImmutableArray<TrafficModel> driving = withLorries ? [.. models, LorriesOn(target.Geometry)] : models;
        var deck = new DeckLoading(target.Geometry, target.Model.Mesh, driving);
        var details = new TrafficDetails(places, solver, deck);
        var run = new TrafficRun(target, deck, models, details, wanted);
        var done = 0;
        Parallel.ForEach(
            Chunks(all),
            new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount },
            () => new Workspace(),
            (chunk, _, workspace) =>
            {
                var ordinates = solver.Ordinates([.. chunk.SelectMany(p => p.Effects)], cancel).AsSpan();
                foreach (var together in SideBySide(chunk))
                {
                    cancel.ThrowIfCancellationRequested();
                    List<EffectBlock> blocks = [];
                    foreach (var place in together)
                    {
                        blocks.AddRange(place.Blocks(ordinates[..place.Effects.Length].ToArray()));
                        ordinates = ordinates[place.Effects.Length..];
                    }
                    run.Load(blocks, workspace);
                    workspace.Clear();
                }
                report?.Invoke((double)Interlocked.Add(ref done, chunk.Count) / all.Count);
                return workspace;
            },
            _ => { }
        );
        solver.Release(MostKept);
        return new(run.envelopes, run.footways, details, run.passages);
    }

    /// <summary>Fatigue load model 4, on this deck.</summary>
    private static TrafficModel LorriesOn(BridgeGeometry geometry) =>
        TrafficPlan.On(geometry, EnRoadTraffic.All(geometry.Bridge.Basis.Values).First(m => m.Name == "FLM4"));

    private static List<List<EffectPlace>> Chunks(List<EffectPlace> places)
    {
        List<List<EffectPlace>> chunks =
        [
            [],
        ];
        var count = 0;
        foreach (var place in places)
        {
            if (count + place.Effects.Length > Together && chunks[^1].Count > 0)
            {
                chunks.Add([]);
                count = 0;
            }
            chunks[^1].Add(place);
            count += place.Effects.Length;
        }
        return chunks;
    }

    /// <summary>Places one by one, and two of few effects together: the surfaces of both are swept side by side.</summary>
    private static IEnumerable<List<EffectPlace>> SideBySide(List<EffectPlace> places)
    {
        List<EffectPlace> together = [];
        foreach (var place in places)
        {
            if (together.Count > 0 && (together.Count == 2 || !together.Append(place).All(p => p.Effects.Length <= SurfaceBlock.Most)))
            {
                yield return together;
                together = [];
            }
            together.Add(place);
        }
        if (together.Count > 0)
            yield return together;
    }

    private void Load(List<EffectBlock> blocks, Workspace workspace)
    {
        var place = new PlaceLoading(deck, workspace);
        var searched = blocks.SelectMany(b => b.Sought).Where(s => s.Multiple is null);
        place.Expect(searched.SelectMany(s => new[] { s.Greatest, s.Least }));
        foreach (var block in blocks)
        {
            foreach (var sought in block.Sought)
            {
                Set(place, block, sought, true);
                Set(place, block, sought, false);
                if (deck.Models.Length > envelopes.Length && IsFollowed(sought.Effect))
                    passages[sought.Effect] = place.Follow(envelopes.Length, sought);
            }
        }
    }

    private void Set(PlaceLoading place, EffectBlock block, SoughtEffect sought, bool isGreatest)
    {
        if (wanted?.Invoke(sought.Effect) == false || sought.Surface(isGreatest).IsNothing)
            return;
        if (sought.Multiple is { } of && wanted is null)
        {
            foreach (var envelope in envelopes.Append(footways))
                envelope[sought.Effect, isGreatest] = of.Factor * envelope[of.Effect, of.Factor > 0 == isGreatest];
            return;
        }
        for (var m = 0; m < envelopes.Length; m++)
        {
            if (envelopes[m].IsNothing)
                continue;
            if (IsOfMember(sought.Effect))
            {
                var detail = place.Detail(m, block, sought, isGreatest);
                details.Keep(m, sought.Effect, isGreatest, detail);
                envelopes[m][sought.Effect, isGreatest] = detail.Loading!.Value;
            }
            else
                envelopes[m][sought.Effect, isGreatest] = place.Value(m, block, sought, isGreatest);
        }
        if (deck.Footways.IsEmpty)
            return;
        footways[sought.Effect, isGreatest] = place.ValueOnFootways(sought, isGreatest);
        if (IsOfMember(sought.Effect))
            details.Keep(TrafficDetails.Footways, sought.Effect, isGreatest, place.OnFootways(block, sought, isGreatest));
    }

    /// <summary>Whether an effect is a shear or a bending moment of a girder.</summary>
    private bool IsFollowed(int effect) => IsOfMember(effect) && (GirderEffect)(effect % EffectLayout.OfPoint) is not GirderEffect.N;

    /// <summary>Whether an effect is an axial force, a shear or a bending moment of a girder.</summary>
    private bool IsOfMember(int effect) =>
        effect < layout.AtSeat(0) && (GirderEffect)(effect % EffectLayout.OfPoint) is GirderEffect.N or GirderEffect.V or GirderEffect.M;
}
