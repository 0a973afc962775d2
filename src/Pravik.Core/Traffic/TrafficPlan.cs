using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Traffic;

/// <summary>Which traffic models are put on a bridge.</summary>
public static class TrafficPlan
{
    /// <summary>The models of a bridge, with those that its groups of traffic actions need beside.</summary>
    public static ImmutableArray<TrafficModel> Of(Bridge bridge)
    {
        var values = bridge.Basis.Values;
        string[] parts = ["psi0", "psi1", "psi2"];
        return [TrafficModels.Named("LM1", values)!, .. parts.Select(p => EnRoadTraffic.Lm1With(values, p)).DistinctBy(m => m.Name)];
    }
}
