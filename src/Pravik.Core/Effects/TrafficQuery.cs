using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Effects;

/// <summary>The finished bridge ready for any traffic model to be put on it.</summary>
public static class TrafficQuery
{
    /// <summary>
    /// A bridge's finished model with its factor. Throws <see cref="ModelRefusedException"/> where the model can move or is too large.
    /// </summary>
    /// <param name="geometry">The bridge.</param>
    /// <param name="factors">Where factors are kept from run to run.</param>
    /// <param name="ground">The ground, for foundations.</param>
    /// <param name="cancel">Stops it.</param>
    public static TrafficTarget Target(
        BridgeGeometry geometry,
        FactorStore? factors = null,
        Roads.Ground? ground = null,
        CancellationToken cancel = default
    )
    {
        var choices = geometry.Bridge.Model;
        var builder = new ModelBuilder(geometry, choices, ground);
        var models = new SolvedModels(builder, new ModelLoads(geometry, builder.Mesh, choices), factors ?? new(), cancel);
        var finished = models.Of(Staging.Finished(Staging.Steps(geometry.Bridge), geometry.SpanCount), "finished bridge");
        var model = models[finished];
        return new(geometry, model, models.Layout, models.EffectsOf(finished), new(model.Mesh, choices), models.AnalysisOf(finished));
    }

    /// <summary>The extremes of an effect at every point of some girders under a traffic model.</summary>
    /// <param name="target">The bridge.</param>
    /// <param name="traffic">The traffic model.</param>
    /// <param name="wanted">Effects of points.</param>
    /// <param name="reactions">Whether reactions of bearings are wanted.</param>
    /// <param name="girder">The girder; null for all.</param>
    /// <param name="cancel">Stops it.</param>
    public static TrafficEnvelope Run(
        TrafficTarget target,
        TrafficModel traffic,
        ImmutableArray<GirderEffect> wanted,
        bool reactions,
        GirderIndex? girder = null,
        CancellationToken cancel = default
    )
    {
        var layout = target.Layout;
        HashSet<int> effects = [];
        for (var p = 0; p < layout.Points.Length; p++)
        {
            if (girder is null || layout.Points[p].Girder == girder)
                effects.UnionWith(wanted.Select(e => layout.At(p, e)));
        }
        for (var s = 0; reactions && s < layout.Seats.Length; s++)
        {
            if (girder is null || layout.Seats[s].Girder == girder)
                effects.Add(layout.AtSeat(s) + 2);
        }
        return TrafficRun.Run(target, [traffic], effects.Contains, cancel: cancel).Models[0];
    }
}
