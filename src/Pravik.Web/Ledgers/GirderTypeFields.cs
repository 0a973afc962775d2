using Pravik.Core.Units;
using static Pravik.Web.Ledgers.Fields;

namespace Pravik.Web.Ledgers;

/// <summary>Values of types of girders that can be entered, and of what names a type, by path.</summary>
internal static class GirderTypeFields
{
    private const string Type = "/girders/types/*";

    public static IReadOnlyList<Field> All { get; } =
    [
        new("/girders/type", "Type of girder", EntryKind.Choice)
        {
            IsOwn = true,
            Help = "That all girders have where neither they nor their span name one. Empty: the first.",
        },
        new("/girders/spans/*/type", "Type of girder", EntryKind.Choice) { IsOwn = true, Help = "Of this span alone." },
        new("/girders/own/*/type", "Type of girder", EntryKind.Choice) { IsOwn = true, Help = "Of this girder alone." },
        Text($"{Type}/name", "Name"),
        new($"{Type}/section", "Section", EntryKind.Choice) { IsOwn = true, Help = "Of the sections of this bridge. Empty: the first." },
        .. MaterialFields.Grade($"{Type}/concrete"),
        .. MaterialFields.Line($"{Type}/concrete"),
        Own(
            $"{Type}/camber",
            "Camber at casting",
            QuantityKind.Size,
            "Upward, half way, when the slab is cast. Empty: just what deflects later."
        ),
        Q($"{Type}/laterDeflection", "Later deflection", QuantityKind.Size, "Half way, under what is put on after the slab."),
        Q($"{Type}/greatestHaunch", "Greatest haunch", QuantityKind.Size, "A haunch greater than this is told."),
        Q(
            $"{Type}/strands/effectiveStress",
            "Effective stress",
            QuantityKind.Stress,
            "Stress in the strands after all losses and before external load. Entered, as losses are not worked out yet."
        ),
        Q($"{Type}/strands/rows/*/level", "Level", QuantityKind.Size, "Height of the row above the soffit."),
        Q($"{Type}/strands/rows/*/count", "Strands", QuantityKind.Count, "Number of strands in the row, centred on the girder."),
        Q($"{Type}/strands/rows/*/spacing", "Spacing", QuantityKind.Size, "Distance between strands of the row."),
        Q($"{Type}/strands/rows/*/debonded", "Debonded", QuantityKind.Count, "Strands of the row that are debonded near both ends."),
        Q($"{Type}/strands/rows/*/debondedLength", "over", QuantityKind.Length, "From each end of the girder."),
        Own($"{Type}/strands/rows/*/endLevel", "At the ends", QuantityKind.Size, "Level of a deflected row at both ends. Empty: straight."),
        Q($"{Type}/strands/rows/*/holdDown", "Held down at", QuantityKind.Number, "From either end, as a part of the girder's length."),
    ];
}
