using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;

namespace Pravik.Drawings.Sheets;

/// <summary>Sizes of the substructure in words, supports that are alike in one line.</summary>
internal static class SupportNotes
{
    /// <summary>“Axes 2, 3: 3 round columns 0.900, crosshead 1.200 × 1.000; pad 4.000 × 2.500 × 0.800”: across, along, upright.</summary>
    public static IEnumerable<string> Of(BridgeGeometry geometry, Ground? ground, UnitSystem units) =>
        SupportPlace
            .All(geometry, ground)
            .Select(s => (s.Axis.Name, Words: Words(s, units)))
            .GroupBy(s => s.Words)
            .Select(alike => $"{(alike.Count() > 1 ? "Axes" : "Axis")} {string.Join(", ", alike.Select(s => s.Name))}: {alike.Key}.");

    private static string Words(SupportPlace support, UnitSystem units)
    {
        string By(params double[] sizes) => string.Join(" × ", sizes.Select(s => units.Format(s, QuantityKind.Length)));
        var (values, stem) = (support.Values, support.Stems[0]);
        var head = values.IsAbutment
            ? values.IsSeat
                ? "bank seat"
                : values.Is("abutment", "piled")
                    ? "seat on piles"
                    : $"abutment wall, {By(stem.Length)} thick"
            : values.Is("pier", "wall")
                ? $"wall {By(stem.Width, stem.Length)}"
                : $"{Columns(support, By)}, crosshead {By(values.Size("capWidth"), values.Size("capDepth"))}";
        return support.Feet.IsEmpty ? $"{head}{Piles(support, By)}" : $"{head}; {Foundation(support, By)}{Piles(support, By)}";
    }

    private static string Columns(SupportPlace support, Func<double[], string> by)
    {
        var (count, stem) = (support.Stems.Length, support.Stems[0]);
        var size = stem.Shape == "round" ? by([stem.Width]) : by([stem.Width, stem.Length]);
        return $"{count} {stem.Shape} {(count == 1 ? "column" : "columns")} {size}";
    }

    private static string Foundation(SupportPlace support, Func<double[], string> by)
    {
        var (foot, count) = (support.Feet[0], support.Feet.Length);
        var name = support.Values.HasPiles ? "cap" : "pad";
        var size = by([foot.To - foot.From, foot.Ahead - foot.Back, support.Values.Size("footThickness")]);
        return $"{(count == 1 ? name : $"{count} {name}s")} {size}";
    }

    private static string Piles(SupportPlace support, Func<double[], string> by) =>
        support.Values.HasPiles
            ? $" on piles {by([support.Values.Size("pileDiameter")])}, {by([support.Values.Size("pileLength")])} long"
            : "";
}
