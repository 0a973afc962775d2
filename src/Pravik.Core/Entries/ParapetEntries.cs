using Pravik.Core.Bridges;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Parapets and their profiles.</summary>
internal static class ParapetEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Part(
                "/profiles/*",
                s => $"of profile {s.Number(0)}",
                Text("name", "Name"),
                Own("weight", "Weight", QuantityKind.LineLoad, 0, 50e3, "Per metre. Empty: that of solid concrete.")
            ),
            .. Part(
                "/profiles/*/outline/*",
                s => $"of corner {s.Number(1)}, profile {s.Number(0)}",
                Value("across", "Across", QuantityKind.Size, -5, 5, "Outward from the foot of the traffic face.") with
                {
                    Subject = "Place across",
                },
                Value("up", "Up", QuantityKind.Size, -2, 10, "From the surface at the traffic face.") with
                {
                    Subject = "Height",
                }
            ),
            .. Part("/parapets/*", s => $"of parapet {s.Number(0)}", Parapet),
        ];

    private static IEnumerable<Entry> Parapet =>
        [
            Offer(
                "profile",
                "Profile",
                b => Named(ParapetProfile.Library.Select(p => p.Name).Concat(b.Profiles.Select(p => p.Name)), n => n),
                "A generic profile, or one of this bridge's own."
            ),
            Choose("side", "Side", [new("left", "Left"), new("right", "Right"), new("both", "Both, mirrored")]),
            Offer(
                "line",
                "Along line",
                b => [new("", "none"), .. Named(b.Road.Features, f => f.Name)],
                "A line of the road file, in place of a boundary. Empty: along a boundary."
            ) with
            {
                IsOwn = true,
            },
            Own(
                "boundary",
                "Along boundary",
                QuantityKind.Count,
                0,
                12,
                "Boundary of the strips, counted outward from the road line (0). Empty: the edge of the deck."
            ),
            Value(
                "across",
                "Traffic face from it",
                QuantityKind.Size,
                -10,
                10,
                "From that line to the foot of the traffic face, positive outward."
            ) with
            {
                Subject = "Distance to the traffic face",
            },
            Value("rise", "Rise of the foot", QuantityKind.Size, -1, 2, "Above the surface."),
            Value("extraDepth", "Extra depth", QuantityKind.Size, 0, 1, "Below the surface, as where asphalt runs past it."),
            Flag("squareToDeck", "Stands", "upright", "square to the deck"),
            Own("from", "From station", QuantityKind.Length, -1e6, 2e6, "Empty: from the deck's end.") with
            {
                Subject = "First station",
            },
            Own("to", "To station", QuantityKind.Length, -1e6, 2e6, "Empty: to the deck's end.") with
            {
                Subject = "Last station",
            },
            Own("weight", "Weight", QuantityKind.LineLoad, 0, 50e3, "Per metre. Empty: that of the profile."),
            Own(
                "impact",
                "Vehicle impact",
                QuantityKind.Force,
                0,
                2e6,
                "Force across of a vehicle that hits it: 100, 200, 400 or 600 kN by EN 1991-2 4.7.3.3, class A to D. Empty: none."
            ) with
            {
                Blank = "none",
            },
        ];
}
