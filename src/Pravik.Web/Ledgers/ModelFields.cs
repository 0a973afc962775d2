using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Units;
using static Pravik.Web.Ledgers.Fields;

namespace Pravik.Web.Ledgers;

/// <summary>Values of the model, of actions and of stages that can be entered, by path.</summary>
internal static class ModelFields
{
    public static IReadOnlyList<Field> All { get; } =
    [
        new("/model/kind", "Model", EntryKind.Choice)
        {
            Choices = [new("grillage", "Grillage"), new("line", "Line girders"), new("shells", "Shells and beams")],
            Help = "All results and checks come from it: stages, creep and shrinkage, actions and traffic.",
        },
        new("/model/supports", "Girders rest on", EntryKind.Choice)
        {
            Choices = [new("simple", "simple supports"), new("bearings", "bearings"), new("substructure", "bearings, piers and ground")],
            Help =
                "Simple: rigid on the axes; the middle girder is held along at the first axis of each unit and across at every "
                + "one, so that the deck is free to expand. Bearings have their freedoms and stiffness; piers and abutments stand "
                + "on the ground as the substructure step says.",
        },
        Q("/model/divisions", "Pieces along a span", QuantityKind.Count, "Members into which every span is divided."),
        Own("/model/spanDivisions/*", "Pieces", QuantityKind.Count, "Of this span alone. Empty: as all."),
        Q(
            "/model/between",
            "Shells between girders",
            QuantityKind.Count,
            "An even number, so that each girder has its own half; used by the model with shells."
        ),
        Flag("/model/haunchActs", "The haunch", "only lifts the slab", "counts in the stiffness"),
        new("/model/share", "Line girders share by", EntryKind.Choice)
        {
            Choices = [new("lever", "the lever rule"), new("stiffDeck", "a stiff deck")],
            Help = "Lever: each load goes to the two girders beside it. Stiff deck: 1/n + e·x/Σx².",
        },
        Own(
            "/model/shareFactor",
            "Own share",
            QuantityKind.Number,
            "Part of all that lies on the deck which every line girder carries, in place of the rule."
        ),
        new("/model/changes/*/kind", "Change", EntryKind.Choice)
        {
            Choices =
            [
                new("delete", "left out"),
                new("restrain", "held"),
                new("stiffness", "stiffness ×"),
                new("material", "of material"),
                new("section", "section like"),
            ],
        },
        Text("/model/changes/*/part", "Part"),
        Text("/model/changes/*/directions", "Directions") with
        {
            Help = "Some of ux uy uz rx ry rz, in global axes.",
        },
        Q("/model/changes/*/factor", "Factor", QuantityKind.Number),
        Text("/model/changes/*/like", "Member") with
        {
            Help = "Name of the member whose section it takes.",
        },
        Text("/model/changes/*/material", "Material") with
        {
            Help = "girder, slab, support or steel.",
        },
        Q("/actions/expansion", "Warmer by", QuantityKind.Number, "K, above the temperature at closing (EN 1991-1-5 6.1.3.3)."),
        Q("/actions/contraction", "Cooler by", QuantityKind.Number, "K, below it."),
        Q("/actions/humidity", "Relative humidity", QuantityKind.Number, "Of the air, 0 to 1 (EN 1992-1-1 Annex B)."),
        Pick("/actions/cement", "Cement class", ["S", "N", "R"], "Slow, normal or rapid (EN 1992-1-1 3.1.2(6))."),
        Q(
            "/actions/lastDay",
            "Followed to day",
            QuantityKind.Number,
            "Day to which creep and shrinkage are followed; 36500 is a hundred years."
        ),
        Q("/actions/aging", "χ", QuantityKind.Number, "Aging coefficient of the age-adjusted modulus E/(1 + χφ) (EN 1992-2 KK.7)."),
        Q("/actions/settlement", "Settlement of each", QuantityKind.Size, "Downward, of every support by itself."),
        Own("/actions/settlements/*", "Settlement", QuantityKind.Size, "Of this support. Empty: as each."),
        Own(
            "/actions/braking",
            "Braking force",
            QuantityKind.Force,
            "Along the whole bridge. Empty: 0.6 α_Q1 2Q_1k + 0.10 α_q1 q_1k w_1 L, 180 α_Q1 to 900 kN (EN 1991-2 4.4.1)."
        ),
        Q("/actions/windVelocity", "Wind velocity", QuantityKind.Number, "Basic wind velocity, m/s (EN 1991-1-4 4.2)."),
        Own(
            "/actions/windFactor",
            "Wind factor C",
            QuantityKind.Number,
            "Empty: EN 1991-1-4 Table 8.2 by b/d_tot, deck up to 20 m above the ground."
        ),
        Text("/actions/cases/*/name", "Name"),
        new("/actions/cases/*/loads/*/kind", "Load", EntryKind.Choice)
        {
            Choices = [new("point", "point"), new("line", "line"), new("patch", "patch")],
        },
        Q("/actions/cases/*/loads/*/station", "Station", QuantityKind.Length),
        Q("/actions/cases/*/loads/*/offset", "Offset", QuantityKind.Length, "Positive to the right, looking ahead."),
        Q("/actions/cases/*/loads/*/toStation", "To station", QuantityKind.Length, "Of lines and patches."),
        Q(
            "/actions/cases/*/loads/*/toOffset",
            "To offset",
            QuantityKind.Length,
            "Of lines and patches: the other end, or the opposite corner."
        ),
        Q("/actions/cases/*/loads/*/value", "Down", QuantityKind.Force),
        Text("/actions/combinations/*/name", "Name"),
        Flag("/actions/combinations/*/isEnvelope", "It is", "a sum", "an envelope"),
        new("/actions/combinations/*/terms/*/case", "Case", EntryKind.Choice),
        Q("/actions/combinations/*/terms/*/factor", "Factor", QuantityKind.Number),
        Text("/actions/stages/*/name", "Name"),
        Q("/actions/stages/*/day", "Day", QuantityKind.Number, "Days after the girders were made."),
        Text("/actions/stages/*/girders", "Girders set in spans") with
        {
            Help = "Numbers of spans, as in 1, 2-3, or all.",
        },
        Text("/actions/stages/*/pours", "Slab cast in spans") with
        {
            Help = "Its weight comes now; it is stiff from the next stage.",
        },
        Text("/actions/stages/*/joins", "Cast over axes") with
        {
            Help = "Numbers of axes over which girders are joined; continuous from the next stage.",
        },
        Text("/actions/stages/*/props", "Props in spans") with
        {
            Help = "Half way under every girder.",
        },
        Text("/actions/stages/*/releases", "Props away from spans"),
        Text("/actions/stages/*/loads", "Put on") with
        {
            Help = "edges, surfacing, and names of own cases and tendons, with commas between.",
        },
        Text("/girders/tendons/*/name", "Name") with
        {
            Help = "A stage stresses it by this name.",
        },
        Own("/girders/tendons/*/span", "Span", QuantityKind.Count, "Empty: every span, so that it runs on over the piers."),
        Q("/girders/tendons/*/strands", "Strands", QuantityKind.Count),
        Q("/girders/tendons/*/effectiveStress", "Effective stress", QuantityKind.Stress, "After all losses, friction included. Entered."),
        Q("/girders/tendons/*/startLevel", "Level at the start", QuantityKind.Size, "Above the girder's soffit."),
        Q("/girders/tendons/*/lowLevel", "At the low point", QuantityKind.Size),
        Q("/girders/tendons/*/endLevel", "At the end", QuantityKind.Size),
        Q("/girders/tendons/*/lowAt", "Low point at", QuantityKind.Number, "Part of the span."),
        Q(
            "/girders/pierBars/count",
            "Bars over a pier, bottom",
            QuantityKind.Count,
            "Of every girder, from girder to girder in the pour there."
        ),
        Q("/girders/pierBars/diameter", "Diameter", QuantityKind.Size, "They carry sagging over piers: creep, temperature, settlement."),
        Q("/girders/pierBars/level", "Level", QuantityKind.Size, "Of their axis above the soffit."),
        Q("/girders/pierBars/reach", "Reach", QuantityKind.Length, "From the axis into each girder, anchorage length included."),
        Q(
            "/girders/strutSlope",
            "cot θ of struts",
            QuantityKind.Number,
            "1 to 2.5: by how much moments are shifted, a_l = z·cot θ/2 (EN 1992-1-1 9.2.1.3). 2.5 shifts them farthest."
        ),
        Flag("/basis/indirectAtUltimate", "Temperature, settlement, creep at ultimate", "left out", "count"),
        Own(
            "/actions/windHeight",
            "Height above the ground",
            QuantityKind.Length,
            "Of the deck above the lowest ground or water (EN 1991-1-4 Table 8.2). Empty: that of the ground; 20 m or less where "
                + "there is none."
        ),
        Q(
            "/loads/wetConcrete",
            "Wet concrete, more",
            QuantityKind.UnitWeight,
            "EN 1991-1-1 Table A.1, note 2; acts while the slab is wet."
        ),
        new("/actions/cases/*/action", "Combined as", EntryKind.Choice)
        {
            Choices = [new("variable", "a variable action"), new("permanent", "a permanent action"), new("aside", "not at all")],
            Help = "How the case enters generated combinations; what a stage puts on is permanent.",
        },
        Q("/actions/cases/*/psi0", "ψ₀", QuantityKind.Number, "Combination factor of a variable case beside another leading action."),
        Q("/actions/cases/*/psi1", "ψ₁", QuantityKind.Number, "Frequent factor."),
        Q("/actions/cases/*/psi2", "ψ₂", QuantityKind.Number, "Quasi-permanent factor."),
    ];

    /// <summary>A field with what the bridge gives it: the unit of a load by its kind, the names that a term can give.</summary>
    public static Field For(Field field, string path, Bridge bridge)
    {
        var parts = path.Split('/');
        if (field.Pattern == "/actions/combinations/*/terms/*/case" && int.TryParse(parts[3], out var combination))
            return field with { Choices = [.. RangeNames.All(bridge, combination).Select(n => new Choice(n, n))] };
        if (
            field.Pattern != "/actions/cases/*/loads/*/value"
            || !int.TryParse(parts[3], out var c)
            || !int.TryParse(parts[5], out var l)
            || c >= bridge.Actions.Cases.Length
            || l >= bridge.Actions.Cases[c].Loads.Length
        )
            return field;
        return field with
        {
            Quantity = bridge.Actions.Cases[c].Loads[l].Kind switch
            {
                OwnLoadKind.Point => QuantityKind.Force,
                OwnLoadKind.Line => QuantityKind.LineLoad,
                _ => QuantityKind.AreaLoad,
            },
        };
    }
}
