using System.Collections.Immutable;

namespace Pravik.Core.Codes;

/// <summary>A factor of a combination that can have an own value.</summary>
/// <param name="Id">How it is called in files.</param>
/// <param name="Words">Name in words.</param>
/// <param name="Of">The factor in a rule; null where the rule has none.</param>
/// <param name="With">The rule with another factor.</param>
public sealed record RulePart(
    string Id,
    string Words,
    Func<CombinationRule, double?> Of,
    Func<CombinationRule, double, CombinationRule> With
)
{
    /// <summary>All factors.</summary>
    public static ImmutableArray<RulePart> All { get; } =
    [
        new("weightAdverse", "Weights where they worsen", r => Permanent(r, r.WeightAdverse), (r, v) => r with { WeightAdverse = v }),
        new(
            "weightRelieving",
            "Weights where they relieve",
            r => Permanent(r, r.WeightRelieving),
            (r, v) => r with { WeightRelieving = v }
        ),
        new("surfacingAdverse", "Surfacing where it worsens", r => r.SurfacingAdverse, (r, v) => r with { SurfacingAdverse = v }),
        new("surfacingRelieving", "Surfacing where it relieves", r => r.SurfacingRelieving, (r, v) => r with { SurfacingRelieving = v }),
        new("restraint", "Creep and shrinkage", r => Permanent(r, r.Restraint), (r, v) => r with { Restraint = v }),
        new("settlement", "Settlement", r => Permanent(r, r.Settlement), (r, v) => r with { Settlement = v }),
        new("traffic", "Traffic", r => r.Group == TrafficGroup.None ? null : r.Traffic, (r, v) => r with { Traffic = v }),
        new("temperature", "Temperature", r => r.SurfacingAdverse is null ? r.Temperature : null, (r, v) => r with { Temperature = v }),
        new("uniform", "Uniform temperature", r => r.SurfacingAdverse is null ? null : r.Uniform, (r, v) => r with { Uniform = v }),
        new(
            "difference",
            "Difference of temperature",
            r => r.SurfacingAdverse is null ? null : r.Difference,
            (r, v) => r with { Difference = v }
        ),
        new("wind", "Wind on the deck", r => Permanent(r, r.Wind), (r, v) => r with { Wind = v }),
        new("windWithTraffic", "Wind on deck and traffic", r => Permanent(r, r.WindWithTraffic), (r, v) => r with { WindWithTraffic = v }),
        new("accidental", "Accidental actions", r => r.Accidental == 0 ? null : r.Accidental, (r, v) => r with { Accidental = v }),
        new("own", "Own variable actions", r => Permanent(r, r.Own), (r, v) => r with { Own = v }),
    ];

    /// <summary>The name under which an own value of a rule's factor is kept.</summary>
    public string KeyIn(CombinationRule rule) => $"{rule.Id}.{Id}";

    private static double? Permanent(CombinationRule rule, double factor) => rule.IsRange ? null : factor;
}
