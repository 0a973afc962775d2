using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Actions, own cases and combinations, and stages of construction.</summary>
internal static class ActionEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Part("/actions", _ => "", Values),
            Own("/actions/settlements/*", "Settlement", QuantityKind.Size, -0.5, 0.5, "Of this support. Empty: as each.") with
            {
                Words = s => $"of axis {s[0]}",
            },
            Own("/actions/ownFactors/*", "Factor", QuantityKind.Number, 0, 10, "Empty: that of the standard.") with
            {
                Words = s => $"of {s[0]}",
            },
            .. Part("/actions/cases/*", s => $"of own case {s.Number(0)}", Case),
            .. Part("/actions/cases/*/loads/*", s => $"of load {s.Number(1)}, own case {s.Number(0)}", Load),
            .. Part(
                "/actions/combinations/*",
                s => $"of combination {s.Number(0)}",
                Text("name", "Name"),
                Flag("isEnvelope", "It is", "a sum", "an envelope") with
                {
                    Subject = "Kind",
                }
            ),
            .. Part(
                "/actions/combinations/*/terms/*",
                s => $"of term {s.Number(1)}, combination {s.Number(0)}",
                Choose("case", "Case", []) with
                {
                    Longest = 80,
                },
                Value("factor", "Factor", QuantityKind.Number, -100, 100)
            ),
            .. Part("/actions/stages/*", s => $"of stage {s.Number(0)}", Stage),
            .. TrafficEntries.Uses("/actions/stages/*/traffic/*", s => $"of traffic {s.Number(1)}, stage {s.Number(0)}"),
            .. TrafficEntries.Lanes(
                "/actions/stages/*/traffic/*/lanes/*",
                s => $"of lane {s.Number(2)}, traffic {s.Number(1)}, stage {s.Number(0)}"
            ),
        ];

    private static IEnumerable<Entry> Values =>
        [
            Value("expansion", "Warmer by", QuantityKind.Number, 0, 80, "K, above the temperature at closing (EN 1991-1-5 6.1.3.3).") with
            {
                Subject = "Rise of temperature",
            },
            Value("contraction", "Cooler by", QuantityKind.Number, 0, 80, "K, below it.") with
            {
                Subject = "Fall of temperature",
            },
            Value("humidity", "Relative humidity", QuantityKind.Number, 0.2, 1, "Of the air, 0 to 1 (EN 1992-1-1 Annex B)."),
            Pick("cement", "Cement class", ["S", "N", "R"], "Slow, normal or rapid (EN 1992-1-1 3.1.2(6))."),
            Value(
                "lastDay",
                "Followed to day",
                QuantityKind.Number,
                1,
                100_000,
                "Day to which creep and shrinkage are followed; 36500 is a hundred years."
            ) with
            {
                Subject = "Last day",
            },
            Value(
                "aging",
                "χ",
                QuantityKind.Number,
                0.5,
                1,
                "Aging coefficient of the age-adjusted modulus E/(1 + χφ) (EN 1992-2 KK.7)."
            ) with
            {
                Subject = "Aging coefficient χ",
            },
            Value("settlement", "Settlement of each", QuantityKind.Size, 0, 0.5, "Downward, of every support by itself."),
            Own(
                "braking",
                "Braking force",
                QuantityKind.Force,
                0,
                5e6,
                "Along the whole bridge. Empty: 0.6 α_Q1 2Q_1k + 0.10 α_q1 q_1k w_1 L, 180 α_Q1 to 900 kN (EN 1991-2 4.4.1)."
            ),
            Value(
                "windVelocity",
                "Wind velocity",
                QuantityKind.Number,
                0,
                90,
                "m/s: basic wind velocity (EN 1991-1-4 4.2), or that of the 3-second gust of AASHTO LRFD Figure 3.8.1.1.2-1."
            ),
            Choose(
                "windExposure",
                "Wind exposure",
                [new("b", "B: towns, woods"), new("c", "C: open land"), new("d", "D: flat land, water")],
                "By which wind grows with height (AASHTO LRFD 3.8.1.1.5)."
            ),
            Own(
                "windHeight",
                "Height above the ground",
                QuantityKind.Length,
                0,
                300,
                "Of the deck above the lowest ground or water (EN 1991-1-4 Table 8.2; AASHTO LRFD 3.8.1.2). Empty: that of the ground; "
                    + "20 m or less, 10 m under AASHTO LRFD, where there is none."
            ),
            Own(
                "windFactor",
                "Wind factor C",
                QuantityKind.Number,
                0,
                15,
                "Empty: EN 1991-1-4 Table 8.2 by b/d_tot and the deck's height above the ground, or 1.3 (AASHTO LRFD Table 3.8.1.2.1-2)."
            ),
        ];

    private static IEnumerable<Entry> Case =>
        [
            Text("name", "Name"),
            Choose(
                "action",
                "Combined as",
                [
                    new("variable", "a variable action"),
                    new("permanent", "a permanent action"),
                    new("surfacing", "surfacing and utilities"),
                    new("accidental", "an accidental action"),
                    new("aside", "not at all"),
                    new("counted", "not at all: counted otherwise"),
                ],
                "How the case enters generated combinations; what a stage puts on is permanent, or surfacing."
            ) with
            {
                Subject = "Kind of action",
            },
            Value("psi0", "ψ₀", QuantityKind.Number, 0, 1, "Combination factor of a variable case beside another leading action."),
            Value("psi1", "ψ₁", QuantityKind.Number, 0, 1, "Frequent factor."),
            Value("psi2", "ψ₂", QuantityKind.Number, 0, 1, "Quasi-permanent factor."),
        ];

    private static IEnumerable<Entry> Load =>
        [
            Choose("kind", "Load", [new("point", "point"), new("line", "line"), new("patch", "patch")]) with
            {
                Subject = "Kind",
            },
            Value("station", "Station", QuantityKind.Length, -1e6, 2e6),
            Value("offset", "Offset", QuantityKind.Length, -200, 200, "Positive to the right, looking ahead."),
            Value("toStation", "To station", QuantityKind.Length, -1e6, 2e6, "Of lines and patches.") with
            {
                Subject = "Last station",
            },
            Value(
                "toOffset",
                "To offset",
                QuantityKind.Length,
                -200,
                200,
                "Of lines and patches: the other end, or the opposite corner."
            ) with
            {
                Subject = "Last offset",
            },
            Value("value", "Down", QuantityKind.Force, -1e8, 1e8) with
            {
                Subject = "Size",
                Shaped = LoadUnit,
            },
        ];

    private static Entry? LoadUnit(Entry entry, Stars stars) =>
        stars.Of(0, stars.Bridge!.Actions.Cases) is { } own && stars.Of(1, own.Loads) is { } load
            ? entry with
            {
                Quantity = load.Quantity,
            }
            : entry;

    private static IEnumerable<Entry> Stage =>
        [
            Text("name", "Name"),
            Value("day", "Day", QuantityKind.Number, 0, 100_000, "Days after the girders were made."),
            Text("girders", "Girders set in spans", 100, "Numbers of spans, as in 1, 2-3, or all."),
            Text("pours", "Slab cast in spans", 100, "Its weight comes now; it is stiff from the next stage."),
            Text("joins", "Cast over axes", 100, "Numbers of axes over which girders are joined; continuous from the next stage."),
            Text("props", "Props in spans", 100, "Half way under every girder."),
            Text("releases", "Props away from spans", 100, "Where girders are cast in place, spans whose falsework is struck."),
            Text("loads", "Put on", 400, "edges, surfacing, and names of own cases and tendons, with commas between.") with
            {
                Subject = "What is put on",
            },
        ];
}
