using System.Collections.Immutable;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>Traffic models and footway load at their worst for every effect of a model, all from one factor.</summary>
public sealed class TrafficRun
{
    /// <summary>Effects whose surfaces are held at one time by each thread.</summary>
    private const int Together = 64;
    private readonly BridgeModel model;
    private readonly EffectLayout layout;
    private readonly ModelEffects effects;
    private readonly DeckShares shares;
    private readonly DeckLoading deck;
    private readonly TrafficTarget target;
    private readonly Func<int, bool>? wanted;
    private readonly ImmutableArray<TrafficEnvelope> envelopes;
    private readonly TrafficEnvelope footways;

    private TrafficRun(TrafficTarget target, ImmutableArray<TrafficModel> models, Func<int, bool>? wanted)
    {
        (this.target, model, layout, effects, shares) = (target, target.Model, target.Layout, target.Effects, target.Shares);
        this.wanted = wanted;
        deck = new(target.Geometry, model.Mesh, models);
        envelopes = [.. models.Select(m => new TrafficEnvelope(layout, m))];
        footways = new(layout, null);
    }

    /// <summary>
    /// Runs traffic over the finished bridge. Throws <see cref="OperationCanceledException"/> when cancelled.
    /// </summary>
    /// <param name="target">The bridge.</param>
    /// <param name="models">The traffic models.</param>
    /// <param name="wanted">Whether the extremes of an effect of the layout are wanted; null for all.</param>
    /// <param name="report">Told how far it is (0 to 1).</param>
    /// <param name="cancel">Stops it.</param>
    public static TrafficResults Run(
        TrafficTarget target,
        ImmutableArray<TrafficModel> models,
        Func<int, bool>? wanted = null,
        Action<double>? report = null,
        CancellationToken cancel = default
    )
    {
        var run = new TrafficRun(target, models, wanted);
        var tasks = run.Tasks().ToList();
        var solver = new InfluenceSolver(target.Analysis, run.shares.UnitLoads(), tasks.Sum(t => t.Effects.Length), cancel);
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
        return new(run.envelopes, run.footways);
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

    private bool IsWanted(int from, int count) => wanted is null || Enumerable.Range(from, count).Any(wanted);

    private IEnumerable<Task> Tasks()
    {
        for (var p = 0; p < layout.Points.Length; p++)
        {
            if (effects.Stands(layout.Points[p]) && IsWanted(layout.At(p, GirderEffect.N), EffectLayout.OfPoint))
                yield return OfPoint(p);
        }
        for (var s = 0; s < model.Seats.Length; s++)
        {
            var seat = s;
            if (!IsWanted(layout.AtSeat(seat), EffectLayout.OfSeat))
                continue;
            FrameEffect[] all = [.. Enumerable.Range(0, EffectLayout.OfSeat).Select(c => effects.Seat(seat, c))];
            yield return new(
                all,
                (ordinates, workspace) =>
                    new Loader(this, workspace) { IsOverPier = IsOverPier(seat) }.Forces(layout.AtSeat(seat), Surfaces(ordinates))
            );
        }
        for (var m = 0; m < model.Others.Length; m++)
        {
            if (IsWanted(layout.AtEnd(layout.MemberNamed(model.Others[m].Name)!.Value, false), 2 * EffectLayout.OfEnd))
                yield return OfMember(m);
        }
    }

    /// <summary>Whether a bearing stands between spans that are joined; elsewhere it is as at an abutment.</summary>
    private bool IsOverPier(int seat)
    {
        var (axis, geometry) = (model.Seats[seat].Axis.Value, target.Geometry);
        return axis > 0 && axis < geometry.SpanCount && geometry.UnitOf(axis - 1) == geometry.UnitOf(axis);
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
                var loader = new Loader(this, workspace) { OfPoint = layout.At(point, GirderEffect.N) };
                var (ofAxial, ofMoment) = (surfaces[(int)GirderEffect.N], surfaces[(int)GirderEffect.M]);
                Dictionary<GirderEffect, InfluenceSurface> stresses = [];
                for (var face = GirderEffect.Bottom; face <= GirderEffect.SlabTop; face++)
                {
                    var (ofN, ofM) = effects.StressFactors(point, face);
                    if (ofN != 0 && !Loader.IsZero(ofAxial))
                        stresses[face] = Sum(ofAxial, ofN, ofMoment, ofM);
                }
                loader.Expect([.. stresses.Values, deflection]);
                loader.Forces(layout.At(point, GirderEffect.N), surfaces[..EffectLayout.Forces], behind, ahead);
                loader.Alone(layout.At(point, GirderEffect.Deflection), deflection);
                for (var face = GirderEffect.Bottom; face <= GirderEffect.SlabTop; face++)
                {
                    if (stresses.TryGetValue(face, out var stress))
                        loader.Alone(layout.At(point, face), stress);
                    else if (effects.StressFactors(point, face).OfM is not 0 and var ofM)
                        Scale(layout.At(point, GirderEffect.M), layout.At(point, face), ofM);
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
                var loader = new Loader(this, workspace)
                {
                    IsOverPier = model.Others[member].Kind is MemberKind.Crosshead or MemberKind.Column,
                };
                loader.Forces(layout.AtEnd(number, false), surfaces[..EffectLayout.OfEnd]);
                // Without loads on the member itself all but the moments are the same at both ends.
                (surfaces[M], surfaces[Mz]) = (surfaces[EffectLayout.OfEnd], surfaces[EffectLayout.OfEnd + 1]);
                loader.Forces(layout.AtEnd(number, true), surfaces[..EffectLayout.OfEnd]);
            }
        );
    }

    /// <summary>Loads the surfaces of one place; what is found on one of them is found once.</summary>
    private sealed class Loader(TrafficRun run, Workspace workspace)
    {
        private const double Nothing = 1e-10;
        private readonly Dictionary<InfluenceSurface, LoadedSurface> loaded = new(ReferenceEqualityComparer.Instance);

        private readonly List<LoadedSurface> waiting = [];

        /// <summary>Whether loads that are for reactions and members of piers apply to all effects.</summary>
        public bool IsOverPier { get; init; }

        /// <summary>First effect of a point of a girder, on whose hogging moment they apply; −1 for others.</summary>
        public int OfPoint { get; init; } = -1;

        public static bool IsZero(InfluenceSurface surface) => Array.TrueForAll(surface.Ordinates, o => Math.Abs(o) < Nothing);

        /// <summary>Surfaces that will be loaded later, so that they are searched with the others.</summary>
        public void Expect(IEnumerable<InfluenceSurface> surfaces)
        {
            foreach (var surface in surfaces.Where(s => !IsZero(s)))
                Load(surface);
        }

        /// <summary>An effect with which no other is wanted.</summary>
        public void Alone(int effect, InfluenceSurface surface)
        {
            if (IsZero(surface))
                return;
            Set(effect, Load(surface), true);
            Set(effect, Load(surface), false);
        }

        /// <summary>The forces of a block, each with those that act together with it.</summary>
        /// <param name="from">Where the block begins.</param>
        /// <param name="surfaces">Surfaces of its forces.</param>
        /// <param name="behind">The surface that gives shear its greatest value; null for that of the block.</param>
        /// <param name="ahead">That which gives its least.</param>
        public void Forces(int from, List<InfluenceSurface> surfaces, InfluenceSurface? behind = null, InfluenceSurface? ahead = null)
        {
            var all = surfaces.ConvertAll(s => IsZero(s) && s.Jump is null ? null : Load(s));
            // All of them are there before the first is searched.
            Expect(new[] { behind, ahead }.OfType<InfluenceSurface>().Where(s => !surfaces.Contains(s)));
            for (var c = 0; c < all.Count; c++)
            {
                foreach (var greatest in new[] { true, false })
                {
                    var special = c == V ? (greatest ? behind : ahead) : null;
                    if ((special is null ? all[c] : Load(special)) is { } surface)
                        Set(from + c, surface, greatest, all, c);
                }
            }
        }

        private LoadedSurface Load(InfluenceSurface surface) =>
            loaded.TryGetValue(surface, out var known) ? known : loaded[surface] = new(run.deck, surface, workspace, waiting);

        private void Set(int effect, LoadedSurface surface, bool greatest, List<LoadedSurface?>? others = null, int own = -1)
        {
            if (run.wanted?.Invoke(effect) == false)
                return;
            var isOverPier = IsOverPier || (!greatest && OfPoint >= 0 && effect == OfPoint + (int)GirderEffect.M);
            for (var e = 0; e < run.envelopes.Length; e++)
            {
                var (envelope, loading) = (run.envelopes[e], run.deck.Models[e]);
                if (loading.Model is { Kinds.IsEmpty: true, Rest: 0 })
                    continue;
                var placed = loading.Worst(surface, greatest, isOverPier, workspace);
                envelope.Set(effect, greatest, placed.Value, placed);
                if (others is null)
                    continue;
                var print = loading.FootprintOf(placed, surface.AdverseTo(greatest));
                var beside = envelope.Beside(effect, greatest);
                for (var c = 0; c < others.Count; c++)
                    beside[c] = others[c] is { } other ? loading.Over(print, other) : 0;
                // Shear read on one side is the value itself.
                if (others[own] != surface)
                    beside[own] = placed.Value;
            }
            SetFootways(effect, surface, greatest, others, own);
        }

        private void SetFootways(int effect, LoadedSurface surface, bool greatest, List<LoadedSurface?>? others, int own)
        {
            if (run.deck.Footways.IsEmpty || surface.AdverseTo(greatest).Parts is not { } parts)
                return;
            double On(LoadedSurface of)
            {
                double sum = 0;
                foreach (var (line, width) in run.deck.Footways)
                    sum += width * parts.Of(of.Cut, line);
                return sum;
            }
            var value = On(surface);
            run.footways.Set(effect, greatest, value, null);
            for (var c = 0; c < others?.Count; c++)
                run.footways.Beside(effect, greatest)[c] = others[c] is { } other ? On(other) : 0;
            if (others is not null)
                run.footways.Beside(effect, greatest)[own] = value;
        }
    }
}
