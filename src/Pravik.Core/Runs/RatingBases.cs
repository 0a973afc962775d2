using Pravik.Core.Bridges;
using Pravik.Core.Checks;
using Pravik.Core.Effects;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Runs;

/// <summary>What is rated on a bridge: load model 1, and the models and own vehicles that drive there.</summary>
public static class RatingBases
{
    /// <summary>
    /// Every traffic by itself, with permanent actions as at the ultimate state beside it and the factor of traffic; models with design
    /// lanes by load and resistance factors (AASHTO, The Manual for Bridge Evaluation, Table 6A.4.2.2-1, Strength I): 1.25 DC + 1.5 DW, and
    /// 1.75 for inventory or 1.35 for operating on the live load with its allowance; condition and system factors are 1.
    /// </summary>
    public static IEnumerable<RatingBasis> Of(Bridge bridge, BridgeEffects effects, ModelResults results)
    {
        var permanent = new Lazy<EffectRange>(effects.PermanentAtUltimate);
        var byFactors = new Lazy<EffectRange>(() => effects.PermanentWith(1.25, 1.5));
        var names = TrafficPlan.Chosen(bridge).Select(m => m.Name).Prepend(TrafficPlan.Usual(bridge).Name).Distinct();
        foreach (var envelope in names.Select(n => results.Traffic?.Find(n)).OfType<TrafficEnvelope>())
        {
            var (model, load) = (envelope.Model!, EffectRange.Of(envelope.Model!.Name, envelope));
            if (model.Rule != LaneRule.Design)
                yield return new(
                    model.Name,
                    "ultimate state",
                    "EN 1990 (6.10)",
                    permanent.Value,
                    load,
                    bridge.Basis.Values[model.Rule == LaneRule.Track ? "gammaQrail" : "gammaQtraffic"]
                );
            if (model.Rule != LaneRule.Design)
                continue;
            yield return new(model.Name, "inventory", "MBE 6A.4.2.2", byFactors.Value, load, 1.75);
            yield return new(model.Name, "operating", "MBE 6A.4.2.2", byFactors.Value, load, 1.35);
        }
    }
}
