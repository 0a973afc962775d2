using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Models;

namespace Pravik.Core.Effects;

/// <summary>A variable action of the engineer's own, with its combination factors.</summary>
internal sealed record OwnVariable(string Name, double Psi0, double Psi1, double Psi2, EffectRange Range)
{
    /// <summary>One of its combination factors.</summary>
    public double Psi(OwnPart part) =>
        part switch
        {
            OwnPart.Psi0 => Psi0,
            OwnPart.Psi1 => Psi1,
            _ => Psi2,
        };
}

/// <summary>Temperature: uniform change and difference together, and each by itself.</summary>
internal sealed record TemperatureParts(EffectRange Together, EffectRange Uniform, EffectRange Difference);

/// <summary>What generated combinations are made of, and how they are made of it by the rules of a standard.</summary>
/// <param name="Layout">The places of the effects.</param>
/// <param name="Values">National values.</param>
/// <param name="Permanent">Permanent actions with the factors of a rule.</param>
/// <param name="Groups">Groups of traffic actions, those that there are.</param>
/// <param name="Temperature">Temperature; null for none.</param>
internal sealed record CombinationParts(
    EffectLayout Layout,
    NationalValues Values,
    Func<CombinationRule, EffectRange> Permanent,
    IReadOnlyDictionary<TrafficGroup, EffectRange> Groups,
    TemperatureParts? Temperature
)
{
    private readonly Dictionary<CombinationRule, EffectRange> permanent = [];

    /// <summary>Settlements of supports; null for none.</summary>
    public EffectRange? Settlements { get; init; }

    /// <summary>Wind on the deck alone; null for none.</summary>
    public EffectRange? Wind { get; init; }

    /// <summary>Wind on deck and traffic at a limit state, and the factor by which it goes with traffic; null for none.</summary>
    public Func<LimitState, (double Factor, EffectRange Range)>? WindWithTraffic { get; init; }

    /// <summary>Accidental actions, one of them; null for none.</summary>
    public EffectRange? Accidental { get; init; }

    /// <summary>Variable actions of the engineer's own.</summary>
    public ImmutableArray<OwnVariable> Own { get; init; } = [];

    /// <summary>Limit states in words.</summary>
    public required Func<LimitState, string> NameOf { get; init; }

    /// <summary>Every combination of a rule: with what leads in it, and with each own action leading in its place.</summary>
    public IEnumerable<EffectRange> Of(CombinationRule rule, string group)
    {
        foreach (var led in Leading(rule))
            yield return EffectRange.Sum(led.Name, [.. Terms(led.Rule), .. led.Own], Layout).As(new(led.Id), group, led.Rule.Clause);
    }

    /// <summary>
    /// A weight with one factor where it worsens and another where it relieves; surfacing with its thickness varied too, unless the rule
    /// has factors for it (EN 1991-1-1 5.2.3(3)).
    /// </summary>
    public static EffectRange Weight(CombinationRule rule, NationalValues values, ActionKind kind, EffectRange range)
    {
        var (adverse, relieving) = (rule.WeightAdverse, rule.WeightRelieving);
        if (kind == ActionKind.Surfacing)
            (adverse, relieving) = (
                rule.SurfacingAdverse ?? adverse * (1 + values["surfacingMore"]),
                rule.SurfacingRelieving ?? relieving * (1 - values["surfacingLess"])
            );
        return EffectRange.Envelope(range.Name, [(adverse, range), (relieving, range)]);
    }

    /// <summary>Road traffic at its frequent value, or trains, by themselves; null for neither.</summary>
    public static EffectRange? FrequentTraffic(IReadOnlyDictionary<TrafficGroup, EffectRange> groups) =>
        EffectRange.OneOf(
            "Frequent traffic",
            new[] { TrafficGroup.Group1aFrequent, TrafficGroup.Rail }.Where(groups.ContainsKey).Select(g => groups[g])
        );

    private IEnumerable<(double, EffectRange)> Terms(CombinationRule rule)
    {
        if (!rule.IsRange)
            yield return (1, PermanentBy(rule));
        if (Settlements is not null && rule is { IsRange: false, Settlement: > 0 })
            yield return (rule.Settlement, Settlements);
        if (rule.Traffic > 0 && Groups.TryGetValue(rule.Group, out var traffic))
            yield return (rule.Traffic, traffic);
        if (Temperature is not null && rule.Temperature > 0)
            yield return (rule.Temperature, Temperature.Together);
        if (Temperature is not null && rule.Uniform > 0)
            yield return (rule.Uniform, Temperature.Uniform);
        if (Temperature is not null && rule.Difference > 0)
            yield return (rule.Difference, Temperature.Difference);
        if (Wind is not null && rule.Wind > 0)
            yield return (rule.Wind, Wind);
        if (WindWithTraffic is not null && rule.WindWithTraffic > 0)
        {
            var (factor, range) = WindWithTraffic(rule.State);
            yield return (rule.WindWithTraffic * factor, range);
        }
        if (Accidental is not null && rule.Accidental > 0)
            yield return (rule.Accidental, Accidental);
    }

    /// <summary>Permanent actions by a rule: worked out once for rules that have the same factors of them.</summary>
    private EffectRange PermanentBy(CombinationRule rule)
    {
        var key = new CombinationRule("", "", rule.State, "")
        {
            Restraint = rule.Restraint,
            WeightAdverse = rule.WeightAdverse,
            WeightRelieving = rule.WeightRelieving,
            SurfacingAdverse = rule.SurfacingAdverse,
            SurfacingRelieving = rule.SurfacingRelieving,
        };
        return permanent.TryGetValue(key, out var known) ? known : permanent[key] = Permanent(rule);
    }

    private IEnumerable<(CombinationRule Rule, string Id, string Name, List<(double, EffectRange)> Own)> Leading(CombinationRule rule)
    {
        (double, EffectRange) Term(OwnVariable own, double factor) => (factor, EffectRange.OrNothing(own.Name, [(1, own.Range)]));
        yield return (rule, rule.Id, rule.Name, [.. Own.Select(o => Term(o, rule.Own * o.Psi(rule.OwnPart)))]);
        // Beside an own action that leads stands what stands beside temperature.
        if (!rule.Id.EndsWith(".temperature", StringComparison.Ordinal) || rule.State == LimitState.QuasiPermanent)
            yield break;
        var isFrequent = rule.State == LimitState.Frequent;
        var beside = isFrequent ? OwnPart.Psi2 : OwnPart.Psi0;
        for (var i = 0; i < Own.Length; i++)
        {
            var leading = Own[i];
            var lead = rule.Own * (isFrequent ? leading.Psi1 : 1);
            yield return (
                rule with
                {
                    Temperature = isFrequent ? Values["psi2temperature"] : rule.Temperature * Values["psi0temperature"],
                },
                $"{rule.Id[..rule.Id.IndexOf('.')]}.own{i + 1}",
                $"{NameOf(rule.State).Split(',')[0]}, “{leading.Name}” leading",
                [.. Own.Select(o => Term(o, o == leading ? lead : rule.Own * o.Psi(beside)))]
            );
        }
    }
}
