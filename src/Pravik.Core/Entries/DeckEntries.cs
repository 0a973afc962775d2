using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Cross-sections of the deck: their strips and slab.</summary>
internal static class DeckEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Part(
                "/deck/patterns/*",
                _ => "",
                Text("name", "Name") with
                {
                    Subject = "Name of the pattern",
                },
                Flag(
                    "superseded",
                    "State",
                    "current",
                    "superseded",
                    "A superseded pattern stays in the units that have it; it is no longer meant for new ones."
                ),
                Value("surfacing", "Surfacing", QuantityKind.Size, 0, 0.5, "Thickness of asphalt and waterproofing on the carriageway.")
            ),
            .. Sides.SelectMany(side => Part($"/deck/patterns/*/{side}/*", s => $"of strip {s.Number(1)} on the {side}", Strip)),
            .. Sides.SelectMany(side => Table(side, "widths", "Width", QuantityKind.Length, 0.05, 30)),
            .. Sides.SelectMany(side =>
                Table(side, "crossfalls", "Crossfall", QuantityKind.Slope, -RoadEntries.GreatestCrossfall, RoadEntries.GreatestCrossfall)
            ),
            .. Part("/deck/patterns/*/slab", _ => "", Slab),
            .. Part(
                "/deck/patterns/*/slab/thicknesses/*",
                s => $"of entry {s.Number(1)}, thickness of the slab",
                LawPoint("Thickness", QuantityKind.Size, 0.10, 1)
            ),
            Value(
                "/deck/jointGap",
                "Joint gap",
                QuantityKind.Size,
                0,
                1,
                "Between two units, along the road; its middle lies on the axis."
            ),
            Value(
                "/deck/haunch",
                "Least haunch",
                QuantityKind.Size,
                0,
                0.5,
                "The least concrete wanted between girder top and slab soffit, anywhere over the flange."
            ),
            Value(
                "/deck/endOverhang",
                "Deck beyond end axes",
                QuantityKind.Length,
                0,
                3,
                "How far the deck reaches beyond the first and the last axis."
            ),
        ];

    private static IEnumerable<string> Sides => ["left", "right"];

    private static IEnumerable<Entry> Strip =>
        [
            Text("name", "Own name", 30) with
            {
                IsOwn = true,
            },
            Choose(
                "kind",
                "Strip",
                [
                    new("carriageway", "Carriageway"),
                    new("hardStrip", "Hard strip"),
                    new("verge", "Verge"),
                    new("footway", "Footway"),
                    new("edgeBeam", "Edge beam"),
                    new("median", "Median"),
                ]
            ) with
            {
                Subject = "Kind",
            },
            Value("width", "Width", QuantityKind.Length, 0.05, 30, "Width of the strip, square to the road."),
            Value(
                "crossfall",
                "Crossfall",
                QuantityKind.Slope,
                -RoadEntries.GreatestCrossfall,
                RoadEntries.GreatestCrossfall,
                "Rise per metre outward from the road line; negative falls away from it."
            ),
            Choose(
                "crossfallLaw",
                "Crossfall follows",
                [new("constant", "Own value"), new("road", "Superelevation"), new("table", "Own table"), new("level", "Level")],
                "Superelevation: that of the road on this side. Values not in force are kept."
            ) with
            {
                Subject = "Law of the crossfall",
            },
            Offer(
                "widthLine",
                "Width up to",
                b => [new("", "none"), .. Named(b.Road.Features, f => f.Name)],
                "A line of the road file to which the strip reaches, in place of a width. Empty: its own width or table."
            ) with
            {
                IsOwn = true,
            },
            Own(
                "surfacing",
                "Surfacing on top",
                QuantityKind.Size,
                0,
                0.5,
                "Thickness of surfacing above a layer of the strip's own kind. Empty: one layer."
            ),
            Own(
                "unitWeight",
                "Unit weight above slab",
                QuantityKind.UnitWeight,
                0,
                80e3,
                "Of what lies on the slab. Empty: that of the strip's kind, in the loads step."
            ),
            Value(
                "upstand",
                "Upstand",
                QuantityKind.Size,
                -0.5,
                1.5,
                "Step up at the strip's inner side. From 100 mm it is a kerb that bounds traffic."
            ),
        ];

    private static IEnumerable<Entry> Slab =>
        [
            Value(
                "thickness",
                "Slab thickness",
                QuantityKind.Size,
                0.10,
                1,
                "Thickness of the in-situ slab; the least one where the soffit is level."
            ),
            Choose("soffit", "Soffit", [new("parallel", "Parallel to the top"), new("level", "Level across")]),
            Own(
                "edgeThickness",
                "Thickness at the edges",
                QuantityKind.Size,
                0.10,
                1.5,
                "Reached evenly over the width below. Empty: as everywhere."
            ),
            Value(
                "edgeTaper",
                "Over a width of",
                QuantityKind.Length,
                0,
                5,
                "From the edge inward, where the thickness changes to that of the edge."
            ) with
            {
                Subject = "Width of the change towards the edges",
            },
            Value(
                "edgeInset",
                "Soffit's edge inset",
                QuantityKind.Size,
                0,
                0.5,
                "How far the soffit's edge lies inward of the top's; 0 for an upright face."
            ),
            Value(
                "thickening",
                "Thickening over girders",
                QuantityKind.Size,
                0,
                0.5,
                "Added to the slab over every girder, with sides running out at 1:3."
            ),
            Value("thickeningWidth", "Its width below", QuantityKind.Size, 0.1, 3, "Width over which the thickening is full.") with
            {
                Subject = "Width of the thickening",
            },
        ];

    private static IEnumerable<Entry> Table(string side, string list, string name, QuantityKind kind, double least, double greatest) =>
        Part(
            $"/deck/patterns/*/{side}/*/{list}/*",
            s => $"of entry {s.Number(2)}, {name.ToLowerInvariant()} of strip {s.Number(1)} on the {side}",
            LawPoint(name, kind, least, greatest)
        );

    /// <summary>An entry of a table along the road.</summary>
    private static IEnumerable<Entry> LawPoint(string name, QuantityKind kind, double least, double greatest) =>
        [
            Own("axis", "From axis", QuantityKind.Count, 1, 31, "Number of the axis from which the distance counts. Empty: a station."),
            Value(
                "at",
                "At",
                QuantityKind.Length,
                -1e6,
                2e6,
                "Station, or distance ahead of the axis named. Straight between entries, level beyond them."
            ) with
            {
                Subject = "Place",
            },
            Value("value", name, kind, least, greatest),
        ];
}
