using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Types of girders, and what names a type.</summary>
internal static class GirderTypeEntries
{
    private const string Type = "/girders/types/*";

    public static IEnumerable<Entry> All =>
        [
            Naming("/girders/type", "That all girders have where neither they nor their span name one. Empty: the first."),
            .. OwnPart("/girders/spans/*", s => $"of span {s[0]}", Naming("type", "Of this span alone.")),
            .. OwnPart("/girders/own/*", s => $"of girder {s[0].Replace("-", ", span ")}", Naming("type", "Of this girder alone.")),
            .. Part(Type, s => $"of {Name(s)}", Values),
            .. Part($"{Type}/concrete", s => $"of the concrete of {Name(s)}", MaterialEntries.Grade),
            .. Part($"{Type}/concrete/line/*", s => $"of point {s.Number(1)}, concrete of {Name(s)}", MaterialEntries.LinePoint),
            .. Part($"{Type}/links/*", s => $"in zone {s.Number(1)} of {Name(s)}", Links),
            .. Part($"{Type}/bars/*", s => $"in row {s.Number(1)} of bars of {Name(s)}", BarsOf),
            .. Part($"{Type}/strands/rows/*", s => $"in row {s.Number(1)} of {Name(s)}", Row),
            .. Part($"{Type}/strands/rows/*/alsoDebonded/*", s => $"also debonded in row {s.Number(1)} of {Name(s)}", AlsoDebonded),
        ];

    private static string Name(Stars stars) =>
        stars.Bridge is { } bridge && stars.Of(0, bridge.Girders.Types) is { } type ? type.Name : $"type {stars.Number(0)}";

    private static Entry Naming(string path, string help) =>
        Offer(path, "Type of girder", b => Named(b.Girders.Types, t => t.Name), help) with
        {
            IsOwn = true,
        };

    private static IEnumerable<Entry> Values =>
        [
            Text("name", "Name"),
            Offer(
                "section",
                "Section",
                b => Named(b.Sections, x => x.Name, x => x.Superseded),
                "Of the sections of this bridge. Empty: the first."
            ) with
            {
                IsOwn = true,
            },
            Own(
                "camber",
                "Camber at casting",
                QuantityKind.Size,
                -0.3,
                0.5,
                "Upward, half way, when the slab is cast. Empty: just what deflects later."
            ),
            Value("laterDeflection", "Later deflection", QuantityKind.Size, -0.1, 0.3, "Half way, under what is put on after the slab."),
            Value("greatestHaunch", "Greatest haunch", QuantityKind.Size, 0, 1, "A haunch greater than this is told."),
            Value(
                "strands/jackStress",
                "Stressed to",
                QuantityKind.Stress,
                0,
                2000e6,
                "Stress in the strands when the concrete is cast: at most 0.8 f_pk and 0.9 f_p0.1k (EN 1992-1-1 5.10.2.1)."
            ),
            Own(
                "strands/effectiveStress",
                "Effective stress",
                QuantityKind.Stress,
                0,
                1700e6,
                "Stress after all losses and before external load. Empty: losses are worked out, step by step."
            ) with
            {
                Blank = "by losses",
            },
        ];

    private static IEnumerable<Entry> Links =>
        [
            Value(
                "length",
                "Length",
                QuantityKind.Length,
                0.1,
                100,
                "From both ends of the girder, or from the zone before; the last zone goes on to the middle."
            ) with
            {
                Subject = "Length of links",
            },
            Value("legs", "Legs", QuantityKind.Count, 1, 12, "Legs of a link that cross the web.") with
            {
                Subject = "Legs of links",
            },
            Value("diameter", "Diameter", QuantityKind.Size, 0.006, 0.032) with
            {
                Subject = "Diameter of links",
            },
            Value("spacing", "every", QuantityKind.Size, 0.04, 1, "Distance of links along the girder.") with
            {
                Subject = "Spacing of links",
            },
        ];

    private static IEnumerable<Entry> BarsOf =>
        [
            Value("level", "Level", QuantityKind.Size, 0.02, 5, "Height of the bars’ axis above the soffit, which they follow.") with
            {
                Subject = "Level of bars",
            },
            Value("count", "Bars", QuantityKind.Count, 0, 120, "Number of bars in the row.") with
            {
                Subject = "Number of bars",
            },
            Own(
                "spacing",
                "or every",
                QuantityKind.Size,
                0.03,
                1,
                "Distance of bars over the concrete at their level, 50 mm from its sides or more, in place of their number. Empty: counted."
            ) with
            {
                Subject = "Distance of bars",
            },
            Value("diameter", "Diameter", QuantityKind.Size, 0.006, 0.05) with
            {
                Subject = "Diameter of bars",
            },
            Own("secondFrom", "From", QuantityKind.Number, 0, 1, "Where every second bar begins. Empty: where the others do.") with
            {
                Subject = "Beginning of every second bar",
            },
            Own("secondTo", "to", QuantityKind.Number, 0, 1, "Where every second bar ends. Empty: where the others do.") with
            {
                Subject = "End of every second bar",
            },
            Value("from", "From", QuantityKind.Number, 0, 1, "Where they begin, as a part of the span; 0: they run on.") with
            {
                Subject = "Beginning of bars",
            },
            Value("to", "to", QuantityKind.Number, 0, 1, "Where they end, as a part of the span; 1: they run on.") with
            {
                Subject = "End of bars",
            },
        ];

    private static IEnumerable<Entry> AlsoDebonded =>
        [
            Value("count", "Strands", QuantityKind.Count, 0, 80, "Strands of the row that are debonded over this length.") with
            {
                Subject = "Number of strands",
            },
            Value("length", "over", QuantityKind.Length, 0, 60, "From each end of the girder.") with
            {
                Subject = "Length",
            },
        ];

    private static IEnumerable<Entry> Row =>
        [
            Value("level", "Level", QuantityKind.Size, 0, 5, "Height of the row above the soffit."),
            Value("count", "Strands", QuantityKind.Count, 0, 80, "Number of strands in the row, centred on the girder.") with
            {
                Subject = "Number of strands",
            },
            Value("spacing", "Spacing", QuantityKind.Size, 0.02, 1, "Distance between strands of the row."),
            Value("debonded", "Debonded", QuantityKind.Count, 0, 80, "Strands of the row that are debonded near both ends.") with
            {
                Subject = "Debonded strands",
            },
            Value("debondedLength", "over", QuantityKind.Length, 0, 60, "From each end of the girder.") with
            {
                Subject = "Debonded length",
            },
            Own("endLevel", "At the ends", QuantityKind.Size, 0, 5, "Level of a deflected row at both ends. Empty: straight.") with
            {
                Subject = "Level at the ends",
            },
            Value("holdDown", "Held down at", QuantityKind.Number, 0.05, 0.5, "From either end, as a part of the girder's length.") with
            {
                Subject = "Hold-down point",
            },
        ];
}
