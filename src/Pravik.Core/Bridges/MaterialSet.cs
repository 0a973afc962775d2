using Pravik.Core.Materials;

namespace Pravik.Core.Bridges;

/// <summary>The materials in use, beside the concrete of each type of girder.</summary>
public sealed record MaterialSet
{
    /// <summary>Of the slab, haunches, edge beams and diaphragms.</summary>
    public ConcreteGrade Slab { get; init; } = new() { Class = "C35/45" };

    /// <summary>Class of exposure of girders and deck.</summary>
    public string Exposure { get; init; } = "XC3";

    /// <summary>Of abutments, piers and foundations.</summary>
    public ConcreteGrade Support { get; init; } = new() { Class = "C30/37" };

    /// <summary>Of all bars.</summary>
    public ReinforcementGrade Reinforcement { get; init; } = new();

    /// <summary>Of strands and tendons.</summary>
    public StrandGrade Strand { get; init; } = new();

    /// <summary>Of girders, frames and stiffeners of steel.</summary>
    public StructuralGrade Structural { get; init; } = new();
}
