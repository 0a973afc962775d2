using System.Collections.Immutable;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Web.Workspaces;

/// <summary>Sections side by side.</summary>
internal static class ShapeTables
{
    /// <summary>All sections of a bridge, a row each; a row picks its section.</summary>
    public static DataTable Compare(ImmutableArray<SectionShape> sections, UnitSystem units, int picked)
    {
        string Head(string name, QuantityKind kind) => $"{name}, {units[kind].Symbol}";
        TableColumn[] columns =
        [
            new("Section", false),
            new("Family", false),
            new(Head("Depth", QuantityKind.Size), true),
            new(Head("A", QuantityKind.SectionArea), true),
            new(Head("Centroid", QuantityKind.Size), true),
            new(Head("Ix", QuantityKind.SecondMoment), true),
            new(Head("Iy", QuantityKind.SecondMoment), true),
            new(Head("W top", QuantityKind.Modulus), true),
            new(Head("W bottom", QuantityKind.Modulus), true),
            new("Q", true),
        ];
        var rows = sections.Select(
            (shape, i) =>
            {
                var p = new MadeSection(shape).Properties;
                // Guyon's measure of how well a prestressed section uses its area.
                var efficiency = p.Ix / (p.Area * (p.Top - p.Centroid.Y) * (p.Centroid.Y - p.Bottom));
                double?[] sort =
                [
                    null,
                    null,
                    p.Depth,
                    p.Area,
                    p.Centroid.Y - p.Bottom,
                    p.Ix,
                    p.Iy,
                    p.TopModulus,
                    p.BottomModulus,
                    efficiency,
                ];
                string[] cells =
                [
                    shape.Superseded ? $"{shape.Name} (superseded)" : shape.Name,
                    SectionFamily.Named(shape.Family)!.Words,
                    units.Format(p.Depth, QuantityKind.Size),
                    units.Format(p.Area, QuantityKind.SectionArea),
                    units.Format(p.Centroid.Y - p.Bottom, QuantityKind.Size),
                    units.Format(p.Ix, QuantityKind.SecondMoment),
                    units.Format(p.Iy, QuantityKind.SecondMoment),
                    units.Format(p.TopModulus, QuantityKind.Modulus),
                    units.Format(p.BottomModulus, QuantityKind.Modulus),
                    QuantityText.Fixed(efficiency, 3),
                ];
                return new TableRow(cells, sort, $"/sections/{i}", null, i == picked);
            }
        );
        return new("Sections side by side; Q = I / (A·y top·y bottom)", columns, [.. rows]);
    }
}
