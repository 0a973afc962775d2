using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Web.Workspaces;

/// <summary>Tables of all supports.</summary>
internal static class SupportTables
{
    /// <summary>The chain of levels at every bearing.</summary>
    public static DataTable Seats(IEnumerable<SupportPlace> supports, UnitSystem units, string? picked)
    {
        TableColumn[] columns =
        [
            new("Axis", false),
            new("Girder", false),
            new("Bearing", false),
            new("Road", true),
            .. new[] { "Surfacing", "Slab", "Haunch", "Girder", "Bearing" }.Select(n => new TableColumn($"− {n}", true)),
            new("= Seat", true),
            new("− Shelf", true),
            new("= Plinth", true),
        ];
        var rows = supports.SelectMany(support =>
            support.Bearings.Select(b =>
            {
                var path = PartPath.Support(support.Axis);
                double[] sizes = [b.Surfacing, b.Slab, b.Haunch, b.GirderDepth, b.Type.Height];
                return new TableRow(
                    [
                        support.Axis.Name,
                        support.Values.Rows == 2 ? $"{b.Girder.Name} {(b.IsAhead ? "ahead" : "behind")}" : b.Girder.Name,
                        b.Type.Name,
                        units.Format(b.RoadLevel, QuantityKind.Length),
                        .. sizes.Select(s => units.Format(s, QuantityKind.Size)),
                        units.Format(b.Seat, QuantityKind.Length),
                        units.Format(support.ShelfLevel, QuantityKind.Length),
                        units.Format(b.Seat - support.ShelfLevel, QuantityKind.Size),
                    ],
                    [
                        support.Axis.Number,
                        b.Girder.Number,
                        null,
                        b.RoadLevel,
                        .. sizes.Select(s => (double?)s),
                        b.Seat,
                        support.ShelfLevel,
                        b.Seat - support.ShelfLevel,
                    ],
                    path,
                    null,
                    picked?.StartsWith(path, StringComparison.Ordinal) == true
                );
            })
        );
        return new(
            $"From the road down to the plinths: levels in {units[QuantityKind.Length].Symbol}, sizes in {units[QuantityKind.Size].Symbol}",
            columns,
            [.. rows]
        );
    }
}
