using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>Which traffic models are put on a bridge.</summary>
public static class TrafficPlan
{
    /// <summary>The models of a bridge, with those that its groups of traffic actions need beside.</summary>
    public static ImmutableArray<TrafficModel> Of(Bridge bridge)
    {
        var values = bridge.Basis.Values;
        string[] parts = ["psi0", "psi1", "psi2"];
        IEnumerable<TrafficModel> all =
        [
            TrafficModels.Named("LM1", values)!,
            .. parts.Select(p => EnRoadTraffic.Lm1With(values, p)),
            .. Chosen(bridge),
            .. Chosen(bridge).Where(m => m.Role == TrafficRole.Special).Select(m => EnRoadTraffic.WithFrequent(m, values)),
        ];
        return [.. all.DistinctBy(m => m.Name)];
    }

    /// <summary>The models and own vehicles that the bridge names; names of none are left out.</summary>
    public static IEnumerable<TrafficModel> Chosen(Bridge bridge) =>
        bridge
            .Traffic.Models.Select(m => TrafficModels.Named(m.Name, bridge.Basis.Values, bridge.Traffic.Vehicles))
            .OfType<TrafficModel>()
            .Where(m => m.Role != TrafficRole.Usual);
}
