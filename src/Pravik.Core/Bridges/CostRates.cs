using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>Rates for the cost of quantities, by key of the quantity, per unit in the project's units.</summary>
public sealed record CostRates
{
    /// <summary>What amounts are in, such as EUR; only printed.</summary>
    public string Currency { get; init; } = "";

    /// <summary>Rates by key of the quantity, per unit of the project's units.</summary>
    public ImmutableSortedDictionary<string, double> Rates { get; init; } = ImmutableSortedDictionary<string, double>.Empty;
}
