using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Unit weights and rates of cost.</summary>
internal static class LoadEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Part("/loads", _ => "", Weights),
            Text("/costs/currency", "Currency", 12),
            Own("/costs/rates/*", "Rate", QuantityKind.Number, 0, 1e9, "Cost per unit. Empty: it is not counted.") with
            {
                Words = s => $"of {s[0]}",
            },
        ];

    private static IEnumerable<Entry> Weights =>
        [
            Value(
                "concreteWeight",
                "Concrete",
                QuantityKind.UnitWeight,
                10e3,
                40e3,
                "Reinforced concrete of girders, slab and edge beams (EN 1991-1-1 Table A.1)."
            ) with
            {
                Subject = "Weight of concrete",
            },
            Value(
                "wetConcrete",
                "Wet concrete, more",
                QuantityKind.UnitWeight,
                0,
                5e3,
                "EN 1991-1-1 Table A.1, note 2; acts while the slab is wet."
            ) with
            {
                Subject = "Added weight of wet concrete",
            },
            Value(
                "steelWeight",
                "Structural steel",
                QuantityKind.UnitWeight,
                60e3,
                90e3,
                "Of girders of steel (EN 1991-1-1 Table A.4)."
            ) with
            {
                Subject = "Weight of structural steel",
            },
            Value(
                "surfacingWeight",
                "Surfacing",
                QuantityKind.UnitWeight,
                0,
                40e3,
                "On carriageway and hard strips, over the depth above the slab."
            ) with
            {
                Subject = "Weight of surfacing",
            },
            Value(
                "footwayWeight",
                "Footway and verge fill",
                QuantityKind.UnitWeight,
                0,
                40e3,
                "Fill and paving over the depth above the slab."
            ) with
            {
                Subject = "Weight of footway and verge fill",
            },
        ];
}
