using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Effects;

/// <summary>The names in words of what a bridge's results will hold, as far as they follow from the bridge alone.</summary>
public static class RangeNames
{
    /// <summary>All names that a term of an own combination can give, those of combinations above it included.</summary>
    public static IReadOnlyList<string> All(Bridge bridge, int combination) =>
        [
            .. OfStages(bridge)
                .Append(CaseNames.Permanent)
                .Concat(WithTime(bridge))
                .Concat(OfActions(bridge))
                .Concat(TrafficPlan.Chosen(bridge).Select(m => m.Name))
                .Concat(GeneratedRules.Of(bridge).Select(r => r.Name))
                .Concat(bridge.Actions.Combinations.Take(combination).Select(c => c.Name))
                .Distinct(),
        ];

    private static string Axis(Bridge bridge, AxisIndex axis) => bridge.Axes.Own.GetValueOrDefault($"{axis + 1}")?.Name ?? $"{axis + 1}";

    private static IEnumerable<string> OfStages(Bridge bridge)
    {
        foreach (var step in Staging.Steps(bridge))
        {
            if (step.NewGirders.Length > 0)
                yield return CaseNames.Girders;
            if (step.NewGirders.Length > 0 && StageRun.IsPrestressed(bridge))
            {
                foreach (var name in WithParts(CaseNames.Prestress))
                    yield return name;
            }
            if (step.Releases.Length > 0)
                yield return CaseNames.PropsAway;
            if (step.Pours.Length > 0)
                yield return CaseNames.Slab(step.Pours);
            foreach (var axis in Staging.JoinedIn(bridge, step))
                yield return CaseNames.Pour(Axis(bridge, axis));
            foreach (var load in step.Stage.LoadNames)
            {
                foreach (var name in bridge.Girders.Tendons.Any(t => t.Name == load) ? WithParts(load) : [OfLoad(load)])
                    yield return name;
            }
            if (step.Stage.LoadNames.Any(l => bridge.Girders.Tendons.Any(t => t.Name == l && t.EffectiveStress is null)))
            {
                foreach (var name in WithParts(CaseNames.Shortening(step.Stage)))
                    yield return name;
            }
            yield return CaseNames.After(step.Stage);
        }
    }

    private static IEnumerable<string> WithParts(string prestress) =>
        [prestress, CaseNames.Primary(prestress), CaseNames.Secondary(prestress)];

    private static string OfLoad(string load) =>
        load switch
        {
            "edges" => CaseNames.Edges,
            "surfacing" => CaseNames.Surfacing,
            _ => load,
        };

    private static IEnumerable<string> WithTime(Bridge bridge)
    {
        var losses = StrandStresses.AreWorkedOut(bridge) || TendonStresses.AreWorkedOut(bridge);
        return
        [
            .. LongTerm.Intervals(Staging.Steps(bridge), bridge).SelectMany(i => InInterval(i, losses)),
            CaseNames.AllCreep(bridge.Actions),
            CaseNames.AllShrinkage(bridge.Actions),
            .. losses ? [CaseNames.AllLosses(bridge.Actions)] : Array.Empty<string>(),
        ];
    }

    private static IEnumerable<string> InInterval(LongTerm.Interval of, bool losses) =>
        [
            CaseNames.Creep(of.From, of.To),
            CaseNames.Shrinkage(of.From, of.To),
            .. losses ? WithParts(CaseNames.Losses(of.From, of.To)) : [],
        ];

    private static IEnumerable<string> OfActions(Bridge bridge)
    {
        var actions = bridge.Actions;
        var settlements = Enumerable
            .Range(0, bridge.Axes.Spans.Length + 1)
            .Where(a => CaseNames.SettlementOf(actions, a) != 0)
            .Select(a => CaseNames.Settlement(Axis(bridge, a), CaseNames.SettlementOf(actions, a)));
        return
        [
            CaseNames.Expansion(actions),
            CaseNames.Contraction(actions),
            CaseNames.Heating,
            CaseNames.Cooling,
            .. settlements,
            CaseNames.Braking,
            CaseNames.Wind,
            .. actions.Cases.Select(c => c.Name),
            BridgeEffects.TemperatureName,
            BridgeEffects.SettlementsName,
            BridgeEffects.BrakingName,
            BridgeEffects.WindName,
            BridgeEffects.TrafficName,
        ];
    }
}
