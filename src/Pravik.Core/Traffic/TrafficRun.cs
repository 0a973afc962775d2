using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>Load model 1 and footway load at their worst for every effect of a model, all from one factor.</summary>
public sealed class TrafficRun
{
    /// <summary>Effects whose surfaces are held at one time by each thread.</summary>
    private const int Together = 64;
    private readonly BridgeModel model;
    private readonly EffectLayout layout;
    private readonly ModelEffects effects;
    private readonly DeckShares shares;
    private readonly TrafficPlacement placement;
    private readonly NationalValues values;
    private readonly ImmutableArray<TrafficEnvelope> envelopes;
    private readonly TrafficEnvelope footways;

    private TrafficRun(BridgeGeometry geometry, BridgeModel model, EffectLayout layout, ModelEffects effects, ModelChoices choices)
    {
        (this.model, this.layout, this.effects) = (model, layout, effects);
        values = geometry.Bridge.Basis.Values;
        shares = new(model.Mesh, choices);
        placement = new(geometry, model.Mesh, values);
        envelopes =
        [
            .. new[] { Weights(""), Weights("psi1"), Weights("psi0"), Weights("psi2") }
                .Distinct()
                .Select(w => new TrafficEnvelope(layout, w)),
        ];
        footways = new(layout, new(0, 1));
    }

    private TrafficWeights Weights(string psi) => psi.Length == 0 ? new(1, 1) : new(values[$"{psi}tandem"], values[$"{psi}lane"]);

    /// <summary>Runs traffic over the finished bridge. Throws <see cref="OperationCanceledException"/> when cancelled.</summary>
    /// <param name="geometry">The bridge.</param>
    /// <param name="model">Its finished model.</param>
    /// <param name="layout">The places of all effects.</param>
    /// <param name="effects">The model's effects.</param>
    /// <param name="choices">How line girders share the deck.</param>
    /// <param name="analysis">The model's factor.</param>
    /// <param name="report">Told how far it is (0 to 1).</param>
    /// <param name="cancel">Stops it.</param>
    public static TrafficResults Run(
        BridgeGeometry geometry,
        BridgeModel model,
        EffectLayout layout,
        ModelEffects effects,
        ModelChoices choices,
        FrameAnalysis analysis,
        Action<double>? report = null,
        CancellationToken cancel = default
    )
    {
        var run = new TrafficRun(geometry, model, layout, effects, choices);
        var tasks = run.Tasks().ToList();
        var solver = new InfluenceSolver(analysis, run.shares.UnitLoads(), tasks.Sum(t => t.Effects.Length), cancel);
        var done = 0;
        Parallel.ForEach(
            Chunks(tasks),
            new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount },
            () => new Workspace(),
            (chunk, _, workspace) =>
            {
                var ordinates = solver.Ordinates([.. chunk.SelectMany(t => t.Effects)]);
                var from = 0;
                foreach (var task in chunk)
                {
                    cancel.ThrowIfCancellationRequested();
                    task.Place(ordinates.AsSpan(from, task.Effects.Length), workspace);
                    workspace.Clear();
                    from += task.Effects.Length;
                }
                report?.Invoke((double)Interlocked.Add(ref done, chunk.Count) / tasks.Count);
                return workspace;
            },
            _ => { }
        );
        return run.Results();
    }

    private TrafficResults Results()
    {
        TrafficEnvelope Of(string psi) => envelopes.First(e => e.Weights == Weights(psi));
        return new(Of(""), Of("psi1"), Of("psi0"), Of("psi2"), footways);
    }

    /// <summary>Effects whose surfaces are wanted together, and what is done with their ordinates.</summary>
    private sealed record Task(FrameEffect[] Effects, TakeOrdinates Place);

    private delegate void TakeOrdinates(ReadOnlySpan<double[]> ordinates, Workspace workspace);

    private static List<List<Task>> Chunks(List<Task> tasks)
    {
        List<List<Task>> chunks =
        [
            [],
        ];
        var count = 0;
        foreach (var task in tasks)
        {
            if (count + task.Effects.Length > Together && chunks[^1].Count > 0)
            {
                chunks.Add([]);
                count = 0;
            }
            chunks[^1].Add(task);
            count += task.Effects.Length;
        }
        return chunks;
    }

    private IEnumerable<Task> Tasks()
    {
        for (var p = 0; p < layout.Points.Length; p++)
        {
            if (effects.Stands(layout.Points[p]))
                yield return OfPoint(p);
        }
        for (var s = 0; s < model.Seats.Length; s++)
        {
            var seat = s;
            FrameEffect[] all = [.. Enumerable.Range(0, EffectLayout.OfSeat).Select(c => effects.Seat(seat, c))];
            yield return new(all, (ordinates, workspace) => new Loader(this, workspace).Forces(layout.AtSeat(seat), Surfaces(ordinates)));
        }
        for (var m = 0; m < model.Others.Length; m++)
            yield return OfMember(m);
    }

    private static List<InfluenceSurface> Surfaces(ReadOnlySpan<double[]> ordinates)
    {
        List<InfluenceSurface> all = [];
        foreach (var o in ordinates)
            all.Add(new(o));
        return all;
    }

    private const int V = (int)GirderEffect.V;

    /// <summary>Forces at a point, shear from both sides too, and deflection; stresses follow from forces.</summary>
    private Task OfPoint(int point)
    {
        var place = layout.Points[point];
        FrameEffect[] all =
        [
            .. Enumerable.Range(0, EffectLayout.Forces).Select(c => effects.Force(point, c)),
            effects.Force(point, V, ModelEffects.Side.Behind),
            effects.Force(point, V, ModelEffects.Side.Ahead),
            effects.Deflection(point),
        ];
        return new(
            all,
            (ordinates, workspace) =>
            {
                var surfaces = Surfaces(ordinates);
                var (behind, ahead, deflection) = (surfaces[^3], surfaces[^2], surfaces[^1]);
                if (SurfaceJump.OfShear(model, shares, place) is { } jump)
                {
                    surfaces[V] = surfaces[V] with { Jump = jump };
                    (behind, ahead) = (surfaces[V], surfaces[V]);
                }
                var loader = new Loader(this, workspace);
                loader.Forces(layout.At(point, GirderEffect.N), surfaces[..EffectLayout.Forces], behind, ahead);
                loader.Alone(layout.At(point, GirderEffect.Deflection), deflection);
                for (var face = GirderEffect.Bottom; face <= GirderEffect.SlabTop; face++)
                {
                    var (ofN, ofM) = effects.StressFactors(point, face);
                    if (ofN == 0 && ofM == 0)
                        continue;
                    if (Loader.IsZero(surfaces[(int)GirderEffect.N]))
                        Scale(layout.At(point, GirderEffect.M), layout.At(point, face), ofM);
                    else
                        loader.Alone(layout.At(point, face), Sum(surfaces[(int)GirderEffect.N], ofN, surfaces[(int)GirderEffect.M], ofM));
                }
            }
        );
    }

    private static InfluenceSurface Sum(InfluenceSurface a, double ofA, InfluenceSurface b, double ofB) =>
        new([.. a.Ordinates.Zip(b.Ordinates, (x, y) => ofA * x + ofB * y)]);

    /// <summary>An effect that is a multiple of another has the same loadings.</summary>
    private void Scale(int from, int to, double factor)
    {
        foreach (var envelope in envelopes.Append(footways))
        {
            foreach (var greatest in new[] { true, false })
            {
                var side = factor > 0 == greatest;
                var value = factor * (side ? envelope.Greatest : envelope.Least)[from];
                envelope.Set(to, greatest, value, envelope.Loading(from, side));
            }
        }
    }

    private Task OfMember(int member)
    {
        var beam = model.Others[member].Beam;
        var number = layout.MemberNamed(model.Others[member].Name)!.Value;
        const int M = (int)GirderEffect.M;
        const int Mz = (int)GirderEffect.Mz;
        FrameEffect[] all =
        [
            .. Enumerable.Range(0, EffectLayout.OfEnd).Select(c => ModelEffects.End(beam, c, false)),
            ModelEffects.End(beam, M, true),
            ModelEffects.End(beam, Mz, true),
        ];
        return new(
            all,
            (ordinates, workspace) =>
            {
                var surfaces = Surfaces(ordinates);
                var loader = new Loader(this, workspace);
                loader.Forces(layout.AtEnd(number, false), surfaces[..EffectLayout.OfEnd]);
                // Without loads on the member itself all but the moments are the same at both ends.
                (surfaces[M], surfaces[Mz]) = (surfaces[EffectLayout.OfEnd], surfaces[EffectLayout.OfEnd + 1]);
                loader.Forces(layout.AtEnd(number, true), surfaces[..EffectLayout.OfEnd]);
            }
        );
    }

    /// <summary>Loads the surfaces of one place; what is worst for one of them is worked out once.</summary>
    private sealed class Loader(TrafficRun run, Workspace workspace)
    {
        private const double Nothing = 1e-10;
        private readonly Dictionary<InfluenceSurface, SurfaceCut> cuts = new(ReferenceEqualityComparer.Instance);
        private readonly Dictionary<SurfaceCut, TrafficPlacement.TandemSums> tandems = [];
        private readonly Dictionary<(SurfaceCut, bool), Worst> worst = [];

        private sealed record Worst(
            TrafficPlacement.Adverse Adverse,
            ImmutableArray<(TrafficLoading Loading, ImmutableArray<(int Lane, int Track)> Chosen)> Arranged
        );

        public static bool IsZero(InfluenceSurface surface) => Array.TrueForAll(surface.Ordinates, o => Math.Abs(o) < Nothing);

        /// <summary>An effect with which no other is wanted.</summary>
        public void Alone(int effect, InfluenceSurface surface)
        {
            if (IsZero(surface))
                return;
            Set(effect, Cut(surface), true);
            Set(effect, Cut(surface), false);
        }

        /// <summary>The forces of a block, each with those that act together with it.</summary>
        /// <param name="from">Where the block begins.</param>
        /// <param name="surfaces">Surfaces of its forces.</param>
        /// <param name="behind">The surface that gives shear its greatest value; null for that of the block.</param>
        /// <param name="ahead">That which gives its least.</param>
        public void Forces(int from, List<InfluenceSurface> surfaces, InfluenceSurface? behind = null, InfluenceSurface? ahead = null)
        {
            var all = surfaces.ConvertAll(s => IsZero(s) && s.Jump is null ? null : Cut(s));
            for (var c = 0; c < all.Count; c++)
            {
                foreach (var greatest in new[] { true, false })
                {
                    var special = c == V ? (greatest ? behind : ahead) : null;
                    if ((special is null ? all[c] : Cut(special)) is { } cut)
                        Set(from + c, cut, greatest, all, c);
                }
            }
        }

        private SurfaceCut Cut(InfluenceSurface surface) =>
            cuts.TryGetValue(surface, out var cut) ? cut : cuts[surface] = run.placement.Cut(surface, workspace);

        private Worst Of(SurfaceCut cut, bool greatest)
        {
            if (worst.TryGetValue((cut, greatest), out var known))
                return known;
            if (!tandems.TryGetValue(cut, out var sums))
                tandems[cut] = sums = run.placement.Tandems(cut);
            var adverse = run.placement.Prepare(cut, sums, greatest, workspace);
            return worst[(cut, greatest)] = new(
                adverse,
                [.. run.envelopes.Select(e => e.Weights == default ? (TrafficLoading.None, []) : run.placement.Arrange(adverse, e.Weights))]
            );
        }

        private void Set(int effect, SurfaceCut cut, bool greatest, List<SurfaceCut?>? others = null, int own = -1)
        {
            var found = Of(cut, greatest);
            ImmutableArray<(int Lane, int Track)> last = default;
            (double Tandem, double Distributed)[] over = [];
            for (var e = 0; e < run.envelopes.Length; e++)
            {
                var (envelope, weights, (loading, chosen)) = (run.envelopes[e], run.envelopes[e].Weights, found.Arranged[e]);
                if (weights == default)
                    continue;
                var value = weights.Tandem * loading.Tandem + weights.Lane * loading.Distributed;
                envelope.Set(effect, greatest, value, loading);
                if (others is null)
                    continue;
                // Most loadings are the worst for several weights.
                if (last.IsDefault || !last.SequenceEqual(chosen))
                    (last, over) = (chosen, run.placement.Over(others, found.Adverse, chosen));
                var beside = envelope.Beside(effect, greatest);
                for (var c = 0; c < over.Length; c++)
                    beside[c] = weights.Tandem * over[c].Tandem + weights.Lane * over[c].Distributed;
                // Shear read on one side is the value itself.
                beside[own] = value;
            }
            var footway = run.placement.Footway(found.Adverse, cut);
            run.footways.Set(effect, greatest, footway, null);
            for (var c = 0; c < others?.Count; c++)
                run.footways.Beside(effect, greatest)[c] = others[c] is { } other ? run.placement.Footway(found.Adverse, other) : 0;
            if (others is not null)
                run.footways.Beside(effect, greatest)[own] = footway;
        }
    }
}
