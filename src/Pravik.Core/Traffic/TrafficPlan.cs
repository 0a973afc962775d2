using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Places;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>Which traffic models are put on a bridge.</summary>
public static class TrafficPlan
{
    /// <summary>The models of a bridge, with those that its groups of traffic actions need beside.</summary>
    public static ImmutableArray<TrafficModel> Of(BridgeGeometry geometry)
    {
        var bridge = geometry.Bridge;
        var values = bridge.Basis.Values;
        string[] parts = ["psi0", "psi1", "psi2"];
        IEnumerable<TrafficModel> all =
            bridge.Basis.Standard == Standard.Lrfd
                ? [Usual(bridge), TrafficModels.Named(TrafficModels.FatigueTruck, values)!, .. Chosen(bridge)]
                :
                [
                    Usual(bridge),
                    .. parts.Select(p => UseOf(bridge, "LM1").Of(EnRoadTraffic.Lm1With(values, p))),
                    .. Chosen(bridge),
                    .. Chosen(bridge).Where(m => m.Role == TrafficRole.Special).Select(m => WithFrequent(bridge, m)),
                ];
        return [.. all.DistinctBy(m => m.Name).Select(m => On(geometry, m))];
    }

    /// <summary>What drives in a stage.</summary>
    public static ImmutableArray<TrafficModel> InStage(BridgeGeometry geometry, Stage stage)
    {
        var bridge = geometry.Bridge;
        return
        [
            .. stage
                .Traffic.Select(u =>
                    TrafficModels.Named(u.Name, bridge.Basis.Values, bridge.Traffic.Vehicles) is { } m ? On(geometry, u.Of(m)) : null
                )
                .OfType<TrafficModel>()
                .DistinctBy(m => m.Name),
        ];
    }

    /// <summary>The model that always acts, in lanes of its own where it has some.</summary>
    public static TrafficModel Usual(Bridge bridge)
    {
        var usual = TrafficModels.Usual(bridge.Basis.Standard, bridge.Basis.Values);
        return UseOf(bridge, usual.Name).Of(usual);
    }

    /// <summary>A special vehicle with load model 1 beside it.</summary>
    public static TrafficModel WithFrequent(Bridge bridge, TrafficModel special) =>
        EnRoadTraffic.WithFrequent(special, UseOf(bridge, "LM1").Of(EnRoadTraffic.Lm1With(bridge.Basis.Values, "psi1")));

    /// <summary>How a model of a name is used; as it is where the bridge says nothing of it.</summary>
    public static TrafficUse UseOf(Bridge bridge, string name) =>
        bridge.Traffic.Models.FirstOrDefault(m => m.Name.Trim().Equals(name, StringComparison.OrdinalIgnoreCase)) ?? new();

    /// <summary>
    /// A model as it goes on a bridge: road traffic with its wheels loaded as is typed, railway traffic on its tracks with the factors that
    /// are chosen.
    /// </summary>
    public static TrafficModel On(BridgeGeometry geometry, TrafficModel model)
    {
        var rail = geometry.Bridge.Traffic.Rail;
        if (model.Role != TrafficRole.Rail)
            return model with { Uneven = geometry.Bridge.Traffic.Uneven };
        return rail.IsUsual
            ? model
            : EnRailTraffic.On(
                model,
                [.. rail.Tracks.Select(t => t.Offset).DefaultIfEmpty(0)],
                rail.Alpha,
                DynamicFactor(geometry),
                rail.Bed
            );
    }

    /// <summary>
    /// The dynamic factor of main girders: that which is typed, or Φ of the unit of the deck for which it is greatest; 1 where none is
    /// applied.
    /// </summary>
    public static double DynamicFactor(BridgeGeometry geometry)
    {
        var (rail, spans) = (geometry.Bridge.Traffic.Rail, geometry.Bridge.Axes.Spans);
        if (rail.Dynamic is { } typed || rail.Care == TrackCare.None)
            return rail.Dynamic ?? 1;
        return geometry.Units.Max(u =>
        {
            var lengths = spans.Where((_, span) => u.Has(span)).ToList();
            return EnRailTraffic.DynamicFactor(EnRailTraffic.DeterminantLength(lengths), rail.Care == TrackCare.Careful);
        });
    }

    /// <summary>The models and own vehicles that the bridge names; names of none are left out.</summary>
    public static IEnumerable<TrafficModel> Chosen(Bridge bridge) =>
        bridge
            .Traffic.Models.Select(m =>
                TrafficModels.Named(m.Name, bridge.Basis.Values, bridge.Traffic.Vehicles) is { } model ? m.Of(model) : null
            )
            .OfType<TrafficModel>()
            .Where(m => m.Name != Usual(bridge).Name);

    /// <summary>Whether lorries of EN 1991-2 drive, so that they tire what they pass.</summary>
    public static bool HasLorries(Bridge bridge) => bridge.Basis.Standard == Standard.Eurocode && !Has(bridge, TrafficGroup.Rail);

    /// <summary>Whether a group of traffic actions has loads: groups 1b, 4 and 5 have where a model of theirs is named.</summary>
    public static bool Has(Bridge bridge, TrafficGroup group)
    {
        TrafficRole? role = group switch
        {
            TrafficGroup.Group1b => TrafficRole.SingleAxle,
            TrafficGroup.Group4 => TrafficRole.Crowd,
            TrafficGroup.Group5 or TrafficGroup.Permit => TrafficRole.Special,
            TrafficGroup.Rail => TrafficRole.Rail,
            TrafficGroup.FatigueModels => TrafficRole.Fatigue,
            _ => null,
        };
        return role is null || Chosen(bridge).Any(m => m.Role == role);
    }
}
