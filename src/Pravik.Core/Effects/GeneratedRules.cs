using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Traffic;

namespace Pravik.Core.Effects;

/// <summary>The combinations that are generated for a bridge, with factors of the project's own.</summary>
public static class GeneratedRules
{
    /// <summary>Those of the standard, as it has them.</summary>
    public static ImmutableArray<CombinationRule> Usual(Basis basis) =>
        Combinations.Of(basis.Standard, basis.Values, basis.IndirectAtUltimate);

    /// <summary>Those for which the bridge has traffic and accidental actions, with the project's own factors.</summary>
    public static ImmutableArray<CombinationRule> Of(Bridge bridge)
    {
        var hasAccidents = bridge.Actions.Cases.Any(c => c.Action == OwnAction.Accidental);
        return
        [
            .. Usual(bridge.Basis)
                .Where(r => TrafficPlan.Has(bridge, r.Group) && (hasAccidents || r.State != LimitState.Accidental))
                .Select(r => WithOwn(r, bridge.Actions)),
        ];
    }

    private static CombinationRule WithOwn(CombinationRule rule, Actions actions)
    {
        foreach (var part in RulePart.All)
        {
            if (part.Of(rule) is not null && actions.OwnFactors.TryGetValue(part.KeyIn(rule), out var own))
                rule = part.With(rule, own);
        }
        return rule;
    }
}
