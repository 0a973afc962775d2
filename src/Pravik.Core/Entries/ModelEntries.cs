using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Choices of the structural model and changes to it by hand.</summary>
internal static class ModelEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Part("/model", _ => "", Values),
            Own("/model/spanDivisions/*", "Pieces", QuantityKind.Count, 4, 200, "Of this span alone. Empty: as all.") with
            {
                Words = s => $"of span {s[0]}",
            },
            .. Part("/model/slabPlaces/*", s => $"of slab place {s.Number(0)}", SlabPlace),
            .. Part("/model/changes/*", s => $"of change {s.Number(0)}", Change),
        ];

    private static IEnumerable<Entry> Values =>
        [
            Choose(
                "kind",
                "Model",
                [new("grillage", "Grillage"), new("line", "Line girders"), new("shells", "Shells and beams")],
                "All results and checks come from it: stages, creep and shrinkage, actions and traffic."
            ) with
            {
                Subject = "Kind of model",
            },
            Choose(
                "supports",
                "Girders rest on",
                [new("simple", "simple supports"), new("bearings", "bearings"), new("substructure", "bearings, piers and ground")],
                "Simple: rigid on the axes; the middle girder is held along at the first axis of each unit and across at every "
                    + "one, so that the deck is free to expand. Bearings have their freedoms and stiffness; piers and abutments stand "
                    + "on the ground as the substructure step says."
            ) with
            {
                Subject = "What girders rest on",
            },
            Value(
                "divisions",
                "Pieces along a span",
                QuantityKind.Count,
                4,
                200,
                "Members into which every span is divided, about: rows also lie where strands bond, bars end and zones of links meet."
            ),
            Value(
                "between",
                "Shells between girders",
                QuantityKind.Count,
                2,
                20,
                "An even number, so that each girder has its own half; used by the model with shells."
            ),
            Flag("haunchActs", "The haunch", "only lifts the slab", "counts in the stiffness"),
            Choose(
                "share",
                "Line girders share by",
                [new("lever", "the lever rule"), new("stiffDeck", "a stiff deck")],
                "Lever: each load goes to the two girders beside it. Stiff deck: 1/n + e·x/Σx²."
            ) with
            {
                Subject = "Rule by which line girders share",
            },
            Own(
                "shareFactor",
                "Own share",
                QuantityKind.Number,
                0.01,
                2,
                "Part of all that lies on the deck which every line girder carries, in place of the rule."
            ),
        ];

    private static IEnumerable<Entry> SlabPlace =>
        [
            Value("station", "Station", QuantityKind.Length, -1e6, 2e6),
            Value("offset", "Offset", QuantityKind.Length, -200, 200, "Positive to the right, looking ahead."),
        ];

    private static IEnumerable<Entry> Change =>
        [
            Choose(
                "kind",
                "Change",
                [
                    new("delete", "left out"),
                    new("restrain", "held"),
                    new("stiffness", "stiffness ×"),
                    new("material", "of material"),
                    new("section", "section like"),
                ]
            ) with
            {
                Subject = "Kind",
            },
            Text("part", "Part"),
            Text("directions", "Directions", help: "Some of ux uy uz rx ry rz, in global axes."),
            Value("factor", "Factor", QuantityKind.Number, 1e-6, 1e6),
            Text("like", "Member", help: "Name of the member whose section it takes."),
            Text("material", "Material", help: "girder, slab, support or steel."),
        ];
}
