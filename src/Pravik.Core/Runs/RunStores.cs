using Pravik.Core.Slabs;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Runs;

/// <summary>What is kept from run to run. Safe for use by several runs at once.</summary>
public sealed class RunStores
{
    /// <summary>Factors of models.</summary>
    public FactorStore Factors { get; } = new();

    /// <summary>Traffic on finished bridges.</summary>
    public TrafficStore Traffic { get; } = new();

    /// <summary>What acts on slabs across.</summary>
    public SlabStore Slabs { get; } = new();
}
