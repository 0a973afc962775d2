using System.Text.Json.Serialization;

namespace Pravik.Core.Bridges;

/// <summary>Upright links of a girder over a length from both its ends, or from the zone before; the last goes on to the middle.</summary>
public sealed record LinkZone
{
    /// <summary>Length of the zone (m).</summary>
    public double Length { get; init; } = 3;

    /// <summary>Legs of a link that cross the web.</summary>
    public int Legs { get; init; } = 2;

    /// <summary>Diameter (m).</summary>
    public double Diameter { get; init; } = 0.012;

    /// <summary>Distance of links along the girder (m).</summary>
    public double Spacing { get; init; } = 0.15;

    /// <summary>Area of the legs of a link (m²).</summary>
    [JsonIgnore]
    public double Area => Legs * Math.PI * Diameter * Diameter / 4;
}
