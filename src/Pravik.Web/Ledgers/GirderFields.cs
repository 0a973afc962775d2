using Pravik.Core.Units;
using static Pravik.Web.Ledgers.Fields;

namespace Pravik.Web.Ledgers;

/// <summary>Values of girders that can be entered, by path.</summary>
internal static class GirderFields
{
    public static IReadOnlyList<Field> All { get; } =
    [
        Q("/girders/count", "Girders", QuantityKind.Count, "Number of girder lines, equally spaced between the overhangs."),
        Own("/girders/spans/*/count", "Girders", QuantityKind.Count, "Of this span alone."),
        Q(
            "/girders/overhangLeft",
            "Overhang left",
            QuantityKind.Length,
            "From the deck's left edge to the centre line of the first girder."
        ),
        Own("/girders/overhangRight", "Overhang right", QuantityKind.Length, "The same on the right. Empty: as on the left."),
        Q("/girders/endGap", "End gap", QuantityKind.Size, "From an axis to the end of the precast girder, along the girder."),
        new("/girders/spacings", "Spacings", EntryKind.Spans, QuantityKind.Length)
        {
            IsOwn = true,
            Help = "From the first girder to the last: 2.2 + 2.4 + 2.2, or 4*2.2. Empty: equal between the overhangs.",
        },
        Flag("/girders/alongAxis", "Measured", "square to the road", "along the axes"),
        Own("/girders/spans/*/overhangLeft", "Overhang left", QuantityKind.Length, "Of this span alone."),
        Own("/girders/spans/*/overhangRight", "Overhang right", QuantityKind.Length, "Of this span alone."),
        new("/girders/spans/*/spacings", "Spacings", EntryKind.Spans, QuantityKind.Length) { IsOwn = true, Help = "Of this span alone." },
        Flag("/girders/spans/*/alongAxis", "Measured", "square to the road", "along the axes") with
        {
            IsOwn = true,
        },
        Own(
            "/girders/spans/*/startGap",
            "Gap at its start",
            QuantityKind.Size,
            "From the axis to the end of the girder, along the girder."
        ),
        Own("/girders/spans/*/endGap", "Gap at its end", QuantityKind.Size, "From the end of the girder to the axis, along the girder."),
        new("/girders/spans/*/follows", "Follows", EntryKind.Choice)
        {
            IsOwn = true,
            Help = "Another span, whose layout this one takes where it has none of its own. Empty: the common layout.",
        },
        new("/girders/course", "Girders follow", EntryKind.Choice)
        {
            IsOwn = true,
            Help = "Between the axes: straight lines, the road line or a line of its file, from which they keep their distance.",
        },
        new("/girders/spans/*/course", "Girders follow", EntryKind.Choice) { IsOwn = true, Help = "Of this span alone." },
        Flag("/girders/runsOn", "Over the piers", "end at each", "run on in one piece"),
        Flag("/girders/spans/*/runsOn", "Over its last axis", "end there", "run on in one piece") with
        {
            IsOwn = true,
        },
        Flag("/girders/castInPlace", "Made", "precast or welded", "cast in place") with
        {
            Help = "Cast in place on falsework, with the deck: without strands, and without a deflection under the wet slab.",
        },
        .. Depth("/girders/depth"),
        .. Depth("/girders/spans/*/depth"),
        Own("/girders/ranges/*/span", "Span", QuantityKind.Count, "Empty: every span."),
        Q("/girders/ranges/*/from", "From", QuantityKind.Number, "Part of the span."),
        Q("/girders/ranges/*/to", "To", QuantityKind.Number, "Part of the span."),
        new("/girders/ranges/*/section", "Section", EntryKind.Choice) { IsOwn = true },
        new("/girders/diaphragms/*/kind", "It is", EntryKind.Choice)
        {
            Choices =
            [
                new("concrete", "of concrete"),
                new("beam", "a steel member"),
                new("crossFrame", "a cross-frame"),
                new("kFrame", "a K-frame"),
            ],
        },
        Own("/girders/diaphragms/*/span", "Span", QuantityKind.Count, "Empty: every span."),
        Q(
            "/girders/diaphragms/*/at",
            "At",
            QuantityKind.Number,
            "Part of the span, 0.5 for half way: it goes along when the span's length changes."
        ),
        Own(
            "/girders/diaphragms/*/distance",
            "At a distance of",
            QuantityKind.Length,
            "From the first axis along the girder, whatever the span's length. Empty: at the part of the span above."
        ),
        Flag("/girders/diaphragms/*/square", "It lies", "at the same part of all", "square, bay by bay"),
        Q("/girders/diaphragms/*/width", "Width", QuantityKind.Size),
        Q("/girders/diaphragms/*/depth", "Depth", QuantityKind.Size, "From the girders' top."),
        new("/girders/diaphragms/*/section", "Section of its bars", EntryKind.Choice)
        {
            IsOwn = true,
            Help = "Of the sections of steel of this bridge. Empty: the first.",
        },
        new("/girders/diaphragms/*/stage", "Cast or set", EntryKind.Choice)
        {
            Choices = [new("beforeSlab", "before the slab"), new("withSlab", "with the slab"), new("afterSlab", "after the slab")],
        },
        Own("/girders/diaphragms/*/firstBay", "First bay", QuantityKind.Count, "Counted from the left. Empty: the first."),
        Own("/girders/diaphragms/*/lastBay", "Last bay", QuantityKind.Count, "Counted from the left. Empty: the last."),
        new("/girders/stiffeners/*/kind", "It is", EntryKind.Choice)
        {
            Choices = [new("transverse", "transverse"), new("bearing", "over the bearings"), new("longitudinal", "longitudinal")],
        },
        Own("/girders/stiffeners/*/span", "Span", QuantityKind.Count, "Empty: every span."),
        Q("/girders/stiffeners/*/from", "From", QuantityKind.Number, "Part of the span."),
        Q("/girders/stiffeners/*/to", "To", QuantityKind.Number, "Part of the span."),
        Own(
            "/girders/stiffeners/*/spacing",
            "Greatest distance",
            QuantityKind.Length,
            "They share the way equally. Empty: one at its beginning."
        ),
        Q("/girders/stiffeners/*/height", "Height", QuantityKind.Number, "Above the bottom flange, as a part of the web."),
        Q("/girders/stiffeners/*/width", "Width", QuantityKind.Size, "How far it stands out from the web."),
        Q("/girders/stiffeners/*/thickness", "Thickness", QuantityKind.Size),
        Flag("/girders/stiffeners/*/bothSides", "Stands", "on the right", "on both sides"),
        Own("/girders/own/*/haunch", "Haunch over bearings", QuantityKind.Size, "In place of the computed one."),
        Own("/girders/own/*/camber", "Camber at casting", QuantityKind.Size, "Of this girder alone."),
        new("/girders/own/*/section", "Section", EntryKind.Choice)
        {
            IsOwn = true,
            Help = "Of this girder alone. Empty: that of its type.",
        },
        Own("/girders/own/*/shift", "Shift to the right", QuantityKind.Length, "From where the layout puts it, square to the road."),
        .. GirderTypeFields.All,
        .. new[] { "top", "bottom" }.SelectMany(layer => Bars($"/girders/slabBars/{layer}")),
        Q(
            "/girders/diaphragm/width",
            "Diaphragm width",
            QuantityKind.Size,
            "Width of the concrete diaphragm on every axis, along the road."
        ),
        Q("/girders/diaphragm/depth", "Diaphragm depth", QuantityKind.Size, "Its depth."),
    ];

    private static IEnumerable<Field> Depth(string path) =>
        [
            new($"{path}/course", "It goes", EntryKind.Choice)
            {
                Choices = [new("linear", "straight"), new("parabola", "along a parabola"), new("arc", "along an arc")],
                Help = "From the depth at an axis to that half way; parabola and arc end level.",
            },
            Q($"{path}/start", "Depth at the first axis", QuantityKind.Size),
            Own($"{path}/end", "At the second axis", QuantityKind.Size, "Empty: as at the first."),
            Q($"{path}/middle", "Half way", QuantityKind.Size),
            Q($"{path}/reach", "It changes over", QuantityKind.Number, "Part of the span at either end; 0.5 for all along."),
            Flag($"{path}/soffitStraight", "Kept straight", "the top", "the soffit"),
        ];

    private static IEnumerable<Field> Bars(string path) =>
        [
            Q($"{path}/diameter", "Diameter", QuantityKind.Size),
            Q($"{path}/spacing", "Spacing", QuantityKind.Size),
            Q($"{path}/axisDistance", "Axis distance", QuantityKind.Size, "From the nearer face of the slab to the axis of the bars."),
        ];
}
