namespace Pravik.Core.Bridges;

/// <summary>Longitudinal reinforcement of the slab, which carries hogging at the piers.</summary>
public sealed record SlabBars
{
    public BarLayer Top { get; init; } =
        new()
        {
            Diameter = 0.020,
            Spacing = 0.125,
            AxisDistance = 0.060,
        };
    public BarLayer Bottom { get; init; } =
        new()
        {
            Diameter = 0.016,
            Spacing = 0.125,
            AxisDistance = 0.055,
        };
}

/// <summary>Bars at equal spacing, with the distance of their axis from the nearer face.</summary>
public sealed record BarLayer
{
    public double Diameter { get; init; }
    public double Spacing { get; init; }
    public double AxisDistance { get; init; }

    /// <summary>Area of bars per metre of width (m²/m).</summary>
    public double AreaPerMetre => Math.PI * Diameter * Diameter / 4 / Spacing;
}

/// <summary>Bars from girder to girder through the diaphragm over a pier, which carry sagging there.</summary>
public sealed record PierBars
{
    public int Count { get; init; }
    public double Diameter { get; init; } = 0.025;

    /// <summary>Height of their axis above the soffit (m).</summary>
    public double Level { get; init; } = 0.08;

    /// <summary>How far they reach into the girders from the axis (m).</summary>
    public double Reach { get; init; } = 2.5;

    /// <summary>Area together (m²).</summary>
    public double Area => Count * Math.PI * Diameter * Diameter / 4;
}
