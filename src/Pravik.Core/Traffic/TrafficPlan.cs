using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
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

    /// <summary>Whether a group of traffic actions has loads: groups 1b, 4 and 5 have where a model of theirs is named.</summary>
    public static bool Has(Bridge bridge, TrafficGroup group)
    {
        TrafficRole? role = group switch
        {
            TrafficGroup.Group1b => TrafficRole.SingleAxle,
            TrafficGroup.Group4 => TrafficRole.Crowd,
            TrafficGroup.Group5 => TrafficRole.Special,
            _ => null,
        };
        return role is null || Chosen(bridge).Any(m => m.Role == role);
    }
}
