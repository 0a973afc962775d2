using System.Collections.Concurrent;
using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>Puts any traffic model on effects of the finished bridge, and tells the load behind each value.</summary>
public sealed class TrafficSurvey
{
    /// <summary>Places whose surfaces are worked out at one time by each thread.</summary>
    private const int Together = 8;
    private readonly BridgeGeometry geometry;
    private readonly BridgeModel model;
    private readonly EffectLayout layout;
    private readonly ModelEffects effects;
    private readonly DeckShares shares;
    private readonly FrameAnalysis analysis;

    /// <summary>A survey of a model with its factor.</summary>
    public TrafficSurvey(
        BridgeGeometry geometry,
        BridgeModel model,
        EffectLayout layout,
        ModelEffects effects,
        ModelChoices choices,
        FrameAnalysis analysis
    )
    {
        (this.geometry, this.model, this.layout, this.effects, this.analysis) = (geometry, model, layout, effects, analysis);
        shares = new(model.Mesh, choices);
    }

    /// <summary>
    /// The greatest and the least value of the wanted effects of some girders, place by place. Throws
    /// <see cref="OperationCanceledException"/> when cancelled.
    /// </summary>
    /// <param name="traffic">The traffic model.</param>
    /// <param name="wanted">Which effects.</param>
    /// <param name="girder">The girder; null for all.</param>
    /// <param name="cancel">Stops it.</param>
    public ImmutableArray<SurveyedEffect> Of(
        TrafficModel traffic,
        IReadOnlyCollection<SurveyEffect> wanted,
        GirderIndex? girder = null,
        CancellationToken cancel = default
    )
    {
        var loading = new SurfaceLoading(traffic, geometry, model.Mesh);
        var places = Places(wanted, girder).ToList();
        var solver = new InfluenceSolver(analysis, shares.UnitLoads(), places.Sum(p => p.Effects.Length), cancel);
        var found = new ConcurrentDictionary<int, ImmutableArray<SurveyedEffect>>();
        Parallel.ForEach(
            places.Select((p, i) => (Place: p, Number: i)).Chunk(Together),
            new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount },
            () => new Workspace(),
            (chunk, _, workspace) =>
            {
                var ordinates = solver.Ordinates([.. chunk.SelectMany(p => p.Place.Effects)]);
                var from = 0;
                foreach (var (place, number) in chunk)
                {
                    found[number] = [.. place.Load(loading, ordinates[from..(from + place.Effects.Length)], workspace)];
                    workspace.Clear();
                    from += place.Effects.Length;
                }
                return workspace;
            },
            _ => { }
        );
        return [.. Enumerable.Range(0, places.Count).SelectMany(i => found[i])];
    }

    /// <summary>Effects whose surfaces belong together, and what is done with their ordinates.</summary>
    private sealed record Place(FrameEffect[] Effects, Func<SurfaceLoading, double[][], Workspace, IEnumerable<SurveyedEffect>> Load);

    private IEnumerable<Place> Places(IReadOnlyCollection<SurveyEffect> wanted, GirderIndex? girder)
    {
        SurveyEffect[] ofPoints = [.. wanted.Where(w => w != SurveyEffect.R)];
        for (var p = 0; p < layout.Points.Length && ofPoints.Length > 0; p++)
        {
            if (effects.Stands(layout.Points[p]) && (girder is null || layout.Points[p].Girder == girder))
                yield return OfPoint(p, ofPoints);
        }
        for (var s = 0; s < model.Seats.Length && wanted.Contains(SurveyEffect.R); s++)
        {
            if (girder is null || model.Seats[s].Girder == girder)
                yield return OfSeat(s);
        }
    }

    private Place OfPoint(int point, SurveyEffect[] wanted)
    {
        var place = layout.Points[point];
        FrameEffect Force(GirderEffect effect, ModelEffects.Side side = ModelEffects.Side.Mean) => effects.Force(point, (int)effect, side);
        FrameEffect[] all =
        [
            Force(GirderEffect.N),
            Force(GirderEffect.V),
            Force(GirderEffect.T),
            Force(GirderEffect.M),
            effects.Deflection(point),
            Force(GirderEffect.V, ModelEffects.Side.Behind),
            Force(GirderEffect.V, ModelEffects.Side.Ahead),
        ];
        return new(all, Load);

        IEnumerable<SurveyedEffect> Load(SurfaceLoading loading, double[][] ordinates, Workspace workspace)
        {
            var jump = SurfaceJump.OfShear(model, shares, place);
            SurfaceLoading.Surface Cut(int i, SurfaceJump? at = null) => loading.Cut(new(ordinates[i], at), workspace);
            var shear = Cut(1, jump);
            Dictionary<SurveyEffect, SurfaceLoading.Surface> surfaces = new()
            {
                [SurveyEffect.N] = Cut(0),
                [SurveyEffect.V] = shear,
                [SurveyEffect.T] = Cut(2),
                [SurveyEffect.M] = Cut(3),
                [SurveyEffect.D] = Cut(4),
            };
            foreach (var effect in wanted)
            {
                PlacedTraffic Worst(bool greatest)
                {
                    // Within a span shear jumps where it is read: a load just ahead of the place gives the greatest, just behind the least.
                    var sought =
                        effect != SurveyEffect.V || jump is not null ? surfaces[effect]
                        : greatest ? Cut(5)
                        : Cut(6);
                    var found = loading.Worst(sought, greatest, effect == SurveyEffect.M && !greatest, surfaces, workspace);
                    // Shear read on one side is the value itself.
                    return effect == SurveyEffect.V ? found with { Together = found.Together.SetItem(effect, found.Value) } : found;
                }
                yield return new(effect, place, null, Worst(true), Worst(false));
            }
        }
    }

    private Place OfSeat(int seat)
    {
        var at = model.Seats[seat];
        var place = layout.Seats[seat];
        var (axis, spans) = (at.Axis.Value, geometry.SpanCount);
        // Where the deck is parted, or ends, a bearing is as at an abutment.
        var isPier = axis > 0 && axis < spans && geometry.UnitOf(axis - 1) == geometry.UnitOf(axis);
        return new([effects.Seat(seat, 2)], Load);

        IEnumerable<SurveyedEffect> Load(SurfaceLoading loading, double[][] ordinates, Workspace workspace)
        {
            var surface = loading.Cut(new(ordinates[0]), workspace);
            Dictionary<SurveyEffect, SurfaceLoading.Surface> surfaces = new() { [SurveyEffect.R] = surface };
            yield return new(
                SurveyEffect.R,
                null,
                place,
                loading.Worst(surface, true, isPier, surfaces, workspace),
                loading.Worst(surface, false, false, surfaces, workspace)
            );
        }
    }
}
