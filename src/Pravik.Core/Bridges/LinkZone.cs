using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Pravik.Core.Bridges;

/// <summary>Upright links of a girder over a length from both its ends, or from the zone before; the last goes on to the middle.</summary>
public sealed record LinkZone
{
    private const double Border = 1e-6;

    /// <summary>Length of the zone (m).</summary>
    public double Length { get; init; } = 3;

    /// <summary>Legs of a link that cross the web.</summary>
    public int Legs { get; init; } = 2;

    /// <summary>Diameter (m).</summary>
    public double Diameter { get; init; } = 0.012;

    /// <summary>Distance of links along the girder (m).</summary>
    public double Spacing { get; init; } = 0.15;

    /// <summary>
    /// The zone at a distance from the nearer end of a girder (m), where two meet that with less steel; null where there are none.
    /// </summary>
    public static LinkZone? At(ImmutableArray<LinkZone> zones, double fromEnd)
    {
        if (zones.IsEmpty)
            return null;
        var (i, until) = (0, zones[0].Length);
        while (i + 1 < zones.Length && until < fromEnd - Border)
            until += zones[++i].Length;
        var meets = i + 1 < zones.Length && until < fromEnd + Border;
        return meets && zones[i + 1].Area / zones[i + 1].Spacing < zones[i].Area / zones[i].Spacing ? zones[i + 1] : zones[i];
    }

    /// <summary>Area of the legs of a link (m²).</summary>
    [JsonIgnore]
    public double Area => Legs * Math.PI * Diameter * Diameter / 4;
}
