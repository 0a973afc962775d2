using System.Collections.Immutable;

namespace Pravik.Core.Codes;

/// <summary>
/// Combinations of actions by AASHTO LRFD Table 3.4.1-1, permanent loads by Table 3.4.1-2: DC 1.25 or 0.90, DW 1.50 or 0.65.
/// </summary>
/// <remarks>
/// Load modifiers η are 1. Wind is that of 3.8.1: at Strength III the design wind, at Service IV three quarters of its speed, at Strength V
/// 80 mph and at Service I 70 mph with wind on vehicles. Uniform temperature has the factor for force effects, 0.5 at the strength
/// states. Extreme Event II takes the accidental actions that the engineer enters, one at a time. Extreme Event I (earthquakes) and water
/// are not among them; construction (3.4.2) is combined stage by stage.
/// </remarks>
public static class LrfdCombinations
{
    private const string Clause = "AASHTO LRFD 3.4.1";

    /// <summary>Speed of wind at Service IV over that at Strength III (Table 3.8.1.1.2-1).</summary>
    private const double ServiceIvSpeed = 0.75;

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
                Wind = 1,
            },
            Strength("IV", "dead load") with
            {
                WeightAdverse = 1.5,
            },
            Live(Strength("V", "live load and wind"), 1.35) with
            {
                WindWithTraffic = 1,
            },
            Live(
                new("extreme.II", "Extreme Event II, an accidental action", LimitState.Accidental, Clause)
                {
                    SurfacingAdverse = 1,
                    SurfacingRelieving = 1,
                    Accidental = 1,
                },
                0.5
            ),
            Live(Service("I", "live load and wind", LimitState.Characteristic, 0.5), 1) with
            {
                WindWithTraffic = 1,
            },
            Live(Service("II", "live load on steel", LimitState.Characteristic, 0), 1.3),
            Live(Service("III", "tension in concrete", LimitState.Frequent, 0.5), 0.8),
            Service("IV", "wind without traffic", LimitState.Characteristic, 1) with
            {
                Wind = ServiceIvSpeed * ServiceIvSpeed,
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
