using Pravik.Core.Bridges;
using Pravik.Core.Materials;

namespace Pravik.Core.Members;

/// <summary>Upright links at a place of a member.</summary>
/// <param name="Area">Area of the legs of one of them that cross the web (m²).</param>
/// <param name="Spacing">Their distance along the member (m).</param>
/// <param name="Steel">Their steel.</param>
public sealed record MemberLinks(double Area, double Spacing, ReinforcingSteel Steel)
{
    /// <summary>The links of a zone.</summary>
    public static MemberLinks Of(LinkZone zone, ReinforcingSteel steel) =>
        new(zone.Area, zone.Spacing, steel)
        {
            Legs = zone.Legs,
            Words = $"{zone.Legs} legs of {1000 * zone.Diameter:0.#} mm every {1000 * zone.Spacing:0} mm",
        };

    /// <summary>Legs of one of them.</summary>
    public int Legs { get; init; } = 2;

    /// <summary>Them in words.</summary>
    public string Words { get; init; } = "";
}
