namespace Pravik.Core.Bridges;

/// <summary>Weights that load the deck (N/m³, N/m).</summary>
public sealed record UnitWeights
{
    /// <summary>Reinforced concrete, normal weight: 24 + 1 kN/m³ (EN 1991-1-1 Table A.1).</summary>
    public double ConcreteWeight { get; init; } = 25e3;

    /// <summary>What concrete weighs more while it is wet: 1 kN/m³ (EN 1991-1-1 Table A.1, note 2).</summary>
    public double WetConcrete { get; init; } = 1e3;

    /// <summary>Structural steel: 77 to 78.5 kN/m³ (EN 1991-1-1 Table A.4).</summary>
    public double SteelWeight { get; init; } = 77e3;

    /// <summary>Surfacing on the carriageway: 24 to 25 kN/m³ (EN 1991-1-1 Table A.6).</summary>
    public double SurfacingWeight { get; init; } = 24e3;

    /// <summary>Fill and paving of footways and verges above the slab.</summary>
    public double FootwayWeight { get; init; } = 24e3;
}
