using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>The layout of girders: for all, of single spans, of single girders.</summary>
internal static class GirderEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Part("/girders", _ => "", Common),
            .. OwnPart("/girders/spans/*", s => $"of span {s[0]}", Span),
            .. Part("/girders/spacings", s => s.Number(0), Value("*", "Spacing", QuantityKind.Length, 0.1, 20)),
            .. Part("/girders/spans/*/spacings", s => $"{s.Number(1)} of span {s[0]}", Value("*", "Spacing", QuantityKind.Length, 0.1, 20)),
            .. Part("/girders/depth", _ => "", Depth),
            .. Part("/girders/spans/*/depth", s => $"in span {s[0]}", Depth),
            .. OwnPart("/girders/own/*", s => $"of girder {s[0].Replace("-", ", span ")}", Girder),
        ];

    private static IEnumerable<Entry> Common =>
        [
            Value("count", "Girders", QuantityKind.Count, 1, 40, "Number of girder lines, equally spaced between the overhangs.") with
            {
                Subject = "Number of girders",
            },
            Value(
                "overhangLeft",
                "Overhang left",
                QuantityKind.Length,
                0,
                10,
                "From the deck's left edge to the centre line of the first girder."
            ),
            Own("overhangRight", "Overhang right", QuantityKind.Length, 0, 10, "The same on the right. Empty: as on the left."),
            Value("endGap", "End gap", QuantityKind.Size, 0, 1.5, "From an axis to the end of the precast girder, along the girder."),
            Spacings("From the first girder to the last: 2.2 + 2.4 + 2.2, or 4*2.2. Empty: equal between the overhangs."),
            Flag(
                "held",
                "When strips change",
                "move with the edges",
                "stay where they are",
                "Girders that stay keep their places from the road line when strips of the deck are made wider, added or taken away; "
                    + "the overhangs take up the change."
            ) with
            {
                Subject = "Girders when strips change",
            },
            Flag("alongAxis", "Measured", "square to the road", "along the axes") with
            {
                Subject = "Measure of overhangs and spacings",
            },
            Course("Between the axes: straight lines, the road line or a line of its file, from which they keep their distance."),
            Flag("runsOn", "Over the piers", "end at each", "run on in one piece") with
            {
                Subject = "Girders over the piers",
            },
            Flag(
                "castInPlace",
                "Made",
                "precast or welded",
                "cast in place",
                "Cast in place on falsework, with the deck: without strands, and without a deflection under the wet slab."
            ) with
            {
                Subject = "Making of girders",
            },
            Value(
                "strutSlope",
                "cot θ of struts",
                QuantityKind.Number,
                1,
                2.5,
                "1 to 2.5: by how much moments are shifted, a_l = z·cot θ/2 (EN 1992-1-1 9.2.1.3). 2.5 shifts them farthest."
            ),
            Own(
                "deflectionLimit",
                "Span over deflection",
                QuantityKind.Number,
                100,
                10_000,
                "At least, under frequent traffic, of members that stay uncracked: a limit of the client's; EN 1990 A2.4.4.2.3 has 600 for "
                    + "railway bridges. Empty: deflections are shown and not checked."
            ) with
            {
                Subject = "Span over deflection",
            },
            Flag(
                "leavesOutTorsion",
                "Torsion",
                "checked",
                "left out",
                "It may be left out where it comes from compatibility alone, and nothing stands by it (EN 1992-1-1 6.3.1(2)); "
                    + "what is left out is then told among what is not checked."
            ) with
            {
                Subject = "Torsion of girders",
            },
            Pick(
                "topSurface",
                "Top of girders",
                InterfaceSurface.Names,
                "The face on which the slab is cast, by its roughness (EN 1992-1-1 6.2.5(2)): friction 0.5, 0.6, 0.7, 0.9."
            ),
        ];

    private static IEnumerable<Entry> Span =>
        [
            Own("count", "Girders", QuantityKind.Count, 1, 40, "Of this span alone.") with
            {
                Subject = "Number of girders",
            },
            Own("overhangLeft", "Overhang left", QuantityKind.Length, 0, 10, "Of this span alone."),
            Own("overhangRight", "Overhang right", QuantityKind.Length, 0, 10, "Of this span alone."),
            Spacings("Of this span alone."),
            Flag(
                "held",
                "When strips change",
                "move with the edges",
                "stay where they are",
                "Girders that stay keep their places from the road line when strips of the deck are made wider, added or taken away; "
                    + "the overhangs take up the change."
            ) with
            {
                Subject = "Girders when strips change",
            },
            Flag("alongAxis", "Measured", "square to the road", "along the axes") with
            {
                IsOwn = true,
                Subject = "Measure of overhangs and spacings",
            },
            Own("startGap", "Gap at its start", QuantityKind.Size, 0, 1.5, "From the axis to the end of the girder, along the girder.") with
            {
                Subject = "Gap at the start",
            },
            Own("endGap", "Gap at its end", QuantityKind.Size, 0, 1.5, "From the end of the girder to the axis, along the girder.") with
            {
                Subject = "Gap at the end",
            },
            Offer(
                "follows",
                "Follows",
                b =>
                    [
                        new("", "the common layout"),
                        .. Enumerable.Range(1, b.Axes.Spans.Length).Select(n => new Choice($"{n}", $"span {n}")),
                    ],
                "Another span, whose layout this one takes where it has none of its own. Empty: the common layout."
            ) with
            {
                IsOwn = true,
                Subject = "Layout followed",
            },
            Course("Of this span alone."),
            Flag("runsOn", "Over its last axis", "end there", "run on in one piece") with
            {
                IsOwn = true,
                Subject = "Girders over the last axis",
            },
        ];

    private static IEnumerable<Entry> Girder =>
        [
            Own("haunch", "Haunch over bearings", QuantityKind.Size, -0.5, 1, "In place of the computed one."),
            Own("camber", "Camber at casting", QuantityKind.Size, -0.3, 0.5, "Of this girder alone."),
            Offer(
                "section",
                "Section",
                b => Named(b.Sections, x => x.Name, x => x.Superseded),
                "Of this girder alone. Empty: that of its type."
            ) with
            {
                IsOwn = true,
            },
            Own("shift", "Shift to the right", QuantityKind.Length, -5, 5, "From where the layout puts it, square to the road."),
        ];

    private static Entry Spacings(string help) =>
        new("spacings", "Spacings", EntryKind.Spans, QuantityKind.Length)
        {
            IsOwn = true,
            Help = help,
            Blank = "equal",
        };

    private static Entry Course(string help) =>
        Offer(
            "course",
            "Girders follow",
            b => [new(Girders.Straight, "straight lines"), new(Girders.WithRoad, "the road line"), .. Named(b.Road.Features, f => f.Name)],
            help
        ) with
        {
            IsOwn = true,
            Subject = "Line that girders follow",
        };

    private static IEnumerable<Entry> Depth =>
        [
            Choose(
                "course",
                "It goes",
                [new("linear", "straight"), new("parabola", "along a parabola"), new("arc", "along an arc")],
                "From the depth at an axis to that half way; parabola and arc end level."
            ) with
            {
                Subject = "Course of the depth",
            },
            Value("start", "Depth at the first axis", QuantityKind.Size, 0.1, 10),
            Own("end", "At the second axis", QuantityKind.Size, 0.1, 10, "Empty: as at the first.") with
            {
                Subject = "Depth at the second axis",
            },
            Value("middle", "Half way", QuantityKind.Size, 0.1, 10) with
            {
                Subject = "Depth half way",
            },
            Value("reach", "It changes over", QuantityKind.Number, 0.02, 0.5, "Part of the span at either end; 0.5 for all along.") with
            {
                Subject = "Reach of the change of depth",
            },
            Flag("soffitStraight", "Kept straight", "the top", "the soffit"),
        ];
}
