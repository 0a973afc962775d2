using Pravik.Core.Slabs;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Runs;

/// <summary>What is kept from run to run. Safe for use by several runs at once.</summary>
/// <param name="bridges">Of how many bridges traffic and slabs are kept.</param>
public sealed class RunStores(int bridges = 2)
{
    /// <summary>Factors of models.</summary>
    public FactorStore Factors { get; } = new();

    /// <summary>Traffic on finished bridges.</summary>
    public TrafficStore Traffic { get; } = new(bridges);

    /// <summary>What acts on slabs across.</summary>
    public SlabStore Slabs { get; } = new(bridges);
}
