using System.Text.Json.Serialization;

namespace Pravik.Core.Bridges;

/// <summary>Bars along a girder in one row, following its soffit.</summary>
public sealed record BarRow
{
    /// <summary>Height of their axis above the soffit (m).</summary>
    public double Level { get; init; } = 0.06;

    /// <summary>Bars in the row.</summary>
    public int Count { get; init; } = 6;

    /// <summary>Diameter (m).</summary>
    public double Diameter { get; init; } = 0.025;

    /// <summary>Where they begin, as a part of the span; 0 where they run on.</summary>
    public double From { get; init; }

    /// <summary>Where they end, as a part of the span; 1 where they run on.</summary>
    public double To { get; init; } = 1;

    /// <summary>Area together (m²).</summary>
    [JsonIgnore]
    public double Area => Count * Math.PI * Diameter * Diameter / 4;

    /// <summary>
    /// From the nearer end of the bars to a place of a span (m), 0 or less beyond it; infinite where they run on.
    /// </summary>
    /// <param name="fraction">The place, as a part of the span.</param>
    /// <param name="length">Length of the span (m).</param>
    public double FromEnd(double fraction, double length) =>
        Math.Min(
            From <= 0 ? double.PositiveInfinity : (fraction - From) * length,
            To >= 1 ? double.PositiveInfinity : (To - fraction) * length
        );
}
