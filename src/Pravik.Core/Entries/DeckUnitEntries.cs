using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>What units of the deck have of their own.</summary>
internal static class DeckUnitEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. OwnPart("/deck/units/*", s => $"of the unit from axis {s[0]}", Unit),
            .. new[] { "left", "right" }.SelectMany(side =>
                OwnPart($"/deck/units/*/{side}/*", s => $"of strip {s.Number(1)} on the {side}, unit from axis {s[0]}", Strip)
            ),
        ];

    private static IEnumerable<Entry> Unit =>
        [
            Text("name", "Name", 30) with
            {
                IsOwn = true,
            },
            Offer(
                "pattern",
                "Pattern",
                b => Named(b.Deck.Patterns, p => p.Name, p => p.Superseded),
                "Cross-section of this unit. Empty: the first of the library."
            ) with
            {
                IsOwn = true,
            },
            Own(
                "startOverhang",
                "Beyond its first axis",
                QuantityKind.Length,
                -3,
                3,
                "How far the unit reaches back beyond it, along the road; negative where it stops short."
            ) with
            {
                Subject = "Overhang at the start",
            },
            Own(
                "endOverhang",
                "Beyond its last axis",
                QuantityKind.Length,
                -3,
                3,
                "How far the unit reaches ahead beyond it, along the road; negative where it stops short."
            ) with
            {
                Subject = "Overhang at the end",
            },
            Own("slabThickness", "Slab thickness", QuantityKind.Size, 0.10, 1, "Own value of this unit, all along it."),
            Own("surfacing", "Surfacing", QuantityKind.Size, 0, 0.5, "Own value of this unit."),
        ];

    private static IEnumerable<Entry> Strip =>
        [
            Own("width", "Width", QuantityKind.Length, 0.05, 30, "Own value of this unit, all along it. Empty: as in the pattern."),
            Own(
                "crossfall",
                "Crossfall",
                QuantityKind.Slope,
                -RoadEntries.GreatestCrossfall,
                RoadEntries.GreatestCrossfall,
                "Own value of this unit, all along it. Empty: as in the pattern."
            ),
            Own("upstand", "Upstand", QuantityKind.Size, -0.5, 1.5, "Own value of this unit. Empty: as in the pattern."),
            Own("surfacing", "Surfacing", QuantityKind.Size, 0, 0.5, "Own value of this unit. Empty: as in the pattern."),
            Own("unitWeight", "Unit weight", QuantityKind.UnitWeight, 0, 80e3, "Own value of this unit. Empty: as in the pattern."),
        ];
}
