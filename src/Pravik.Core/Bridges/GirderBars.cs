using System.Text.Json.Serialization;

namespace Pravik.Core.Bridges;

/// <summary>Reinforcement of the slab in one direction: along it carries hogging at the piers.</summary>
public sealed record SlabBars
{
    /// <summary>Bars near the slab's top.</summary>
    public BarLayer Top { get; init; } =
        new()
        {
            Diameter = 0.020,
            Spacing = 0.125,
            AxisDistance = 0.060,
        };

    /// <summary>Bars near the slab's soffit.</summary>
    public BarLayer Bottom { get; init; } =
        new()
        {
            Diameter = 0.016,
            Spacing = 0.125,
            AxisDistance = 0.055,
        };

    /// <summary>Usual bars across the girders, outside of usual ones along them.</summary>
    public static SlabBars Across { get; } =
        new()
        {
            Top = new()
            {
                Diameter = 0.016,
                Spacing = 0.125,
                AxisDistance = 0.042,
            },
            Bottom = new()
            {
                Diameter = 0.016,
                Spacing = 0.125,
                AxisDistance = 0.039,
            },
        };
}

/// <summary>Bars at equal spacing, with the distance of their axis from the nearer face.</summary>
public sealed record BarLayer
{
    /// <summary>Diameter (m).</summary>
    public double Diameter { get; init; }

    /// <summary>Spacing (m).</summary>
    public double Spacing { get; init; }

    /// <summary>From the nearer face of the slab to the axis of the bars (m).</summary>
    public double AxisDistance { get; init; }

    /// <summary>Area of bars per metre of width (m²/m).</summary>
    [JsonIgnore]
    public double AreaPerMetre => Math.PI * Diameter * Diameter / 4 / Spacing;
}

/// <summary>Bars from girder to girder through the diaphragm over a pier, which carry sagging there.</summary>
public sealed record PierBars
{
    /// <summary>Bars of each girder.</summary>
    public int Count { get; init; }

    /// <summary>Diameter (m).</summary>
    public double Diameter { get; init; } = 0.025;

    /// <summary>Height of their axis above the soffit (m).</summary>
    public double Level { get; init; } = 0.08;

    /// <summary>How far they reach into the girders from the axis (m).</summary>
    public double Reach { get; init; } = 2.5;

    /// <summary>Area together (m²).</summary>
    [JsonIgnore]
    public double Area => Count * Math.PI * Diameter * Diameter / 4;
}
