using System.Collections.Immutable;

namespace Pravik.Core.Codes;

/// <summary>Generated combinations of a family of standards.</summary>
public static class Combinations
{
    /// <summary>All of them, as the standard has them.</summary>
    /// <param name="standard">The family.</param>
    /// <param name="values">National values.</param>
    /// <param name="indirectAtUltimate">
    /// Whether temperature, settlement, creep and shrinkage count at the ultimate or strength states.
    /// </param>
    public static ImmutableArray<CombinationRule> Of(Standard standard, NationalValues values, bool indirectAtUltimate) =>
        standard == Standard.Lrfd ? LrfdCombinations.Rules(indirectAtUltimate) : RoadCombinations.Rules(values, indirectAtUltimate);

    /// <summary>The names under which own factors of some rules are kept.</summary>
    public static IEnumerable<string> Keys(ImmutableArray<CombinationRule> rules) =>
        rules.SelectMany(r => RulePart.All.Where(p => p.Of(r) is not null).Select(p => p.KeyIn(r)));
}
