using Pravik.Core.Sections;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>What belongs to girders: ranges of section, diaphragms, stiffeners, bars and tendons.</summary>
internal static class GirderPartEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Part("/girders/ranges/*", s => $"of range {s.Number(0)}", Range),
            .. Part("/girders/diaphragms/*", s => $"of diaphragm {s.Number(0)}", Diaphragm),
            .. Part(
                "/girders/diaphragm",
                _ => "",
                Value(
                    "width",
                    "Diaphragm width",
                    QuantityKind.Size,
                    0.1,
                    5,
                    "Width of the concrete diaphragm on every axis, along the road."
                ),
                Value("depth", "Diaphragm depth", QuantityKind.Size, 0.1, 5, "Its depth.")
            ),
            .. Part("/girders/stiffeners/*", s => $"of stiffener {s.Number(0)}", Stiffener),
            .. Part("/girders/studs/*", s => $"of stud zone {s.Number(0)}", Studs),
            .. Part("/girders/fatigue", _ => "of fatigue of steel", Fatigue),
            .. Part("/girders/fatigue/details/*", s => $"of fatigue detail {s.Number(0)}", FatigueDetails),
            .. Part("/girders/slabBars/top", _ => "of the top slab bars", SlabBars),
            .. Part("/girders/slabBars/bottom", _ => "of the bottom slab bars", SlabBars),
            .. Part("/girders/barsAcross/top", _ => "of the top bars across", SlabBars),
            .. Part("/girders/barsAcross/bottom", _ => "of the bottom bars across", SlabBars),
            .. Part("/girders/pierBars", _ => "of bars over piers", PierBars),
            .. Part("/girders/release", _ => "of strands", Release),
            .. TendonEntries.All,
        ];

    private static IEnumerable<Entry> Stretch =>
        [
            Own("span", "Span", QuantityKind.Count, 1, 30, "Empty: every span.") with
            {
                Blank = "all",
            },
            Value("from", "From", QuantityKind.Number, 0, 1, "Part of the span.") with
            {
                Subject = "Beginning",
            },
            Value("to", "To", QuantityKind.Number, 0, 1, "Part of the span.") with
            {
                Subject = "End",
            },
        ];

    private static IEnumerable<Entry> Release =>
        [
            Value("age", "Released after, days", QuantityKind.Number, 0.5, 28, "Days from casting to the release of the strands.") with
            {
                Subject = "Age at release",
            },
            Own(
                "strength",
                "Strength at release",
                QuantityKind.Stress,
                10e6,
                100e6,
                "f_ck(t) of the cylinder. Empty: by age, cement and curing (EN 1992-1-1 3.1.2(6), B.1(3))."
            ),
            Value("heatTemperature", "Cured at, °C", QuantityKind.Number, 0, 90, "Temperature of heat curing; 20 for none.") with
            {
                Subject = "Temperature of curing",
            },
            Value("heatHours", "for, hours", QuantityKind.Number, 0, 672, "Hours at that temperature.") with
            {
                Subject = "Hours of curing",
            },
        ];

    private static IEnumerable<Entry> Range =>
        [.. Stretch, Offer("section", "Section", b => Named(b.Sections, x => x.Name)) with { IsOwn = true }];

    private static IEnumerable<Entry> Diaphragm =>
        [
            Choose(
                "kind",
                "It is",
                [
                    new("concrete", "of concrete"),
                    new("beam", "a steel member"),
                    new("crossFrame", "a cross-frame"),
                    new("kFrame", "a K-frame"),
                ]
            ) with
            {
                Subject = "Kind",
            },
            Own("span", "Span", QuantityKind.Count, 1, 30, "Empty: every span.") with
            {
                Blank = "all",
            },
            Value(
                "at",
                "At",
                QuantityKind.Number,
                0,
                1,
                "Part of the span, 0.5 for half way: it goes along when the span's length changes."
            ) with
            {
                Subject = "Place",
            },
            Own(
                "distance",
                "At a distance of",
                QuantityKind.Length,
                0,
                120,
                "From the first axis along the girder, whatever the span's length. Empty: at the part of the span above."
            ) with
            {
                Subject = "Distance from the axis",
            },
            Flag("square", "It lies", "at the same part of all", "square, bay by bay") with
            {
                Subject = "Direction",
            },
            Value("width", "Width", QuantityKind.Size, 0.1, 3),
            Value("depth", "Depth", QuantityKind.Size, 0.1, 4, "From the girders' top."),
            Offer(
                "section",
                "Section of its bars",
                b => Named(b.Sections.Where(SectionFamily.IsSteel), x => x.Name),
                "Of the sections of steel of this bridge. Empty: the first."
            ) with
            {
                IsOwn = true,
                Subject = "Section of the bars",
            },
            Choose(
                "stage",
                "Cast or set",
                [new("beforeSlab", "before the slab"), new("withSlab", "with the slab"), new("afterSlab", "after the slab")]
            ) with
            {
                Subject = "Time of casting or setting",
            },
            Own("firstBay", "First bay", QuantityKind.Count, 1, 39, "Counted from the left. Empty: the first.") with
            {
                Blank = "the first",
            },
            Own("lastBay", "Last bay", QuantityKind.Count, 1, 39, "Counted from the left. Empty: the last.") with
            {
                Blank = "the last",
            },
        ];

    private static IEnumerable<Entry> Stiffener =>
        [
            Choose(
                "kind",
                "It is",
                [new("transverse", "transverse"), new("bearing", "over the bearings"), new("longitudinal", "longitudinal")]
            ) with
            {
                Subject = "Kind",
            },
            .. Stretch,
            Own("spacing", "Greatest distance", QuantityKind.Length, 0.1, 120, "They share the way equally. Empty: one at its beginning."),
            Value("height", "Height", QuantityKind.Number, 0.05, 0.95, "Above the bottom flange, as a part of the web."),
            Value("width", "Width", QuantityKind.Size, 0.02, 1, "How far it stands out from the web."),
            Value("thickness", "Thickness", QuantityKind.Size, 0.004, 0.1),
            Flag("bothSides", "Stands", "on the right", "on both sides") with
            {
                Subject = "Side",
            },
        ];

    private static IEnumerable<Entry> Studs =>
        [
            .. Stretch,
            Value("perRow", "Studs in a row", QuantityKind.Count, 1, 12, "Side by side across the flange."),
            Value("spacing", "Pitch", QuantityKind.Size, 0.03, 3, "From row to row along the girder."),
            Value("diameter", "Diameter", QuantityKind.Size, 0.008, 0.04, "Of the shank."),
            Value("height", "Height", QuantityKind.Size, 0.03, 0.6, "After welding."),
            Value("across", "Across", QuantityKind.Size, 0, 2, "From the middle of the first stud of a row to that of the last."),
        ];

    private static IEnumerable<Entry> Fatigue =>
        [
            Own(
                "trucksADay",
                "Trucks a day",
                QuantityKind.Number,
                1,
                100_000,
                "In one lane, as the mean over the design life. Empty: not known, so that life is to be infinite."
            ) with
            {
                Blank = "not known",
            },
            Value("years", "Design life, years", QuantityKind.Number, 1, 300),
        ];

    private static IEnumerable<Entry> FatigueDetails =>
        [
            Text("name", "Name", 60),
            Choose("category", "Category", [.. Bridges.FatigueDetail.Categories.Select(c => new Choice(c, c))]),
            Value("level", "Height", QuantityKind.Size, 0, 10, "Above the soffit of the girder."),
            .. Stretch,
        ];

    private static IEnumerable<Entry> SlabBars =>
        [
            Value("diameter", "Diameter", QuantityKind.Size, 0.006, 0.050),
            Value("spacing", "Spacing", QuantityKind.Size, 0.05, 1),
            Value(
                "axisDistance",
                "Axis distance",
                QuantityKind.Size,
                0.01,
                0.5,
                "From the nearer face of the slab to the axis of the bars."
            ),
        ];

    private static IEnumerable<Entry> PierBars =>
        [
            Value(
                "count",
                "Bars over a pier, bottom",
                QuantityKind.Count,
                0,
                60,
                "Of every girder, from girder to girder in the pour there."
            ) with
            {
                Subject = "Number",
            },
            Value("diameter", "Diameter", QuantityKind.Size, 0.006, 0.05, "They carry sagging over piers: creep, temperature, settlement."),
            Value("level", "Level", QuantityKind.Size, 0.03, 1, "Of their axis above the soffit."),
            Value("reach", "Reach", QuantityKind.Length, 0.1, 20, "From the axis into each girder, anchorage length included."),
        ];
}
