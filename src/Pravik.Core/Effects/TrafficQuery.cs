using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Effects;

/// <summary>The finished bridge ready for any traffic model to be put on it.</summary>
public static class TrafficQuery
{
    /// <summary>
    /// The survey of a bridge's finished model. Throws <see cref="ModelRefusedException"/> where the model can move or is too large.
    /// </summary>
    public static TrafficSurvey Of(BridgeGeometry geometry, CancellationToken cancel = default)
    {
        var choices = geometry.Bridge.Model;
        var builder = new ModelBuilder(geometry, choices, null);
        var models = new SolvedModels(builder, new ModelLoads(geometry, builder.Mesh, choices), new(), cancel);
        var finished = models.Of(Staging.Finished(Staging.Steps(geometry.Bridge), geometry.SpanCount), "finished bridge");
        return new(geometry, models[finished], models.Layout, models.EffectsOf(finished), choices, models.AnalysisOf(finished));
    }
}
