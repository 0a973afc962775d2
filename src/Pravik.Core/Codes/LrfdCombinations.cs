using System.Collections.Immutable;

namespace Pravik.Core.Codes;

/// <summary>
/// Combinations of actions by AASHTO LRFD Table 3.4.1-1, permanent loads by Table 3.4.1-2: DC 1.25 or 0.90, DW 1.50 or 0.65.
/// </summary>
/// <remarks>
/// Load modifiers η are 1. Wind is the characteristic one of the site, with the factors that belong to a wind of fifty years (Table
/// 3.4.1-1 of the editions before 2017: 1.4, 0.4, 0.3, 0.7). Uniform temperature has the factor for force effects, 0.5 at the strength
/// states. Extreme events, construction (3.4.2) and water are not among them.
/// </remarks>
public static class LrfdCombinations
{
    private const string Clause = "AASHTO LRFD 3.4.1";

    /// <summary>All rules.</summary>
    /// <param name="indirectAtStrength">Whether temperature, settlement, creep and shrinkage count at the strength states.</param>
    public static ImmutableArray<CombinationRule> Rules(bool indirectAtStrength)
    {
        var indirect = indirectAtStrength ? 1.0 : 0;
        CombinationRule Strength(string id, string words) =>
            new($"strength.{id}", $"Strength {id}, {words}", LimitState.Ultimate, Clause)
            {
                WeightAdverse = 1.25,
                WeightRelieving = 0.9,
                SurfacingAdverse = 1.5,
                SurfacingRelieving = 0.65,
                Restraint = indirect,
                Settlement = indirect,
                Uniform = 0.5 * indirect,
            };
        CombinationRule Service(string id, string words, LimitState state, double difference) =>
            new($"service.{id}", $"Service {id}, {words}", state, Clause)
            {
                SurfacingAdverse = 1,
                SurfacingRelieving = 1,
                Uniform = 1,
                Difference = difference,
            };
        CombinationRule Fatigue(string id, double factor) =>
            new($"fatigue.{id}", $"Fatigue {id}, the truck alone", LimitState.Fatigue, $"{Clause}, 3.6.1.4")
            {
                IsRange = true,
                Group = TrafficGroup.FatigueTruck,
                Traffic = factor,
            };
        return
        [
            Live(Strength("I", "live load"), 1.75),
            Live(Strength("II", "permit vehicles"), 1.35) with
            {
                Group = TrafficGroup.Permit,
            },
            Strength("III", "wind") with
            {
                Wind = 1.4,
            },
            Strength("IV", "dead load") with
            {
                WeightAdverse = 1.5,
            },
            Live(Strength("V", "live load and wind"), 1.35) with
            {
                WindWithTraffic = 0.4,
            },
            Live(Service("I", "live load and wind", LimitState.Characteristic, 0.5), 1) with
            {
                WindWithTraffic = 0.3,
            },
            Live(Service("II", "live load on steel", LimitState.Characteristic, 0), 1.3),
            Live(Service("III", "tension in concrete", LimitState.Frequent, 0.5), 0.8),
            Service("IV", "wind without traffic", LimitState.Characteristic, 1) with
            {
                Wind = 0.7,
            },
            Service("sustained", "permanent loads alone", LimitState.QuasiPermanent, 0) with
            {
                Uniform = 0,
            },
            Fatigue("I", 1.75),
            Fatigue("II", 0.8),
        ];
    }

    private static CombinationRule Live(CombinationRule rule, double factor) =>
        rule with
        {
            Group = TrafficGroup.Live,
            Traffic = factor,
            Own = factor,
            OwnPart = OwnPart.Psi0,
        };
}
