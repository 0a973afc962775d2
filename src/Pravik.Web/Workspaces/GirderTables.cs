using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Web.Workspaces;

/// <summary>Tables of all girders.</summary>
internal static class GirderTables
{
    /// <summary>All girders with what they are; values that are a girder's own are marked.</summary>
    public static DataTable All(BridgeGeometry geometry, UnitSystem units, string? picked)
    {
        string Head(string name, QuantityKind kind) => $"{name}, {units[kind].Symbol}";
        TableColumn[] columns =
        [
            new("Girder", false),
            new("Span", true),
            new("Type", false),
            new("Section", false),
            new(Head("Length", QuantityKind.Length), true),
            new(Head("Weight", QuantityKind.Force), true),
            new(Head("Offset at start", QuantityKind.Length), true),
            new("At end", true),
            new(Head("Wet slab", QuantityKind.Length), true),
            new(Head("Camber", QuantityKind.Size), true),
            new("Least haunch", true),
            new("Own", false),
        ];
        var rows = geometry.Pieces.Select(piece =>
        {
            var (girder, span) = piece;
            var (section, line, at) = (geometry.SectionOf(girder, span), geometry.HaunchOf(girder, span), girder.In(span));
            var length = geometry.LengthOf(girder, span);
            var (weight, wet, path) = (
                length * geometry.GirderWeight(girder, span),
                geometry.WetSlabWidth(girder, span),
                PartPath.Girder(girder, span)
            );
            string[] own =
            [
                .. new[]
                {
                    ("type", line.Own.Type is not null),
                    ("section", line.Own.Section is not null),
                    ("shift", line.Own.Shift is not null),
                    ("haunch", line.Own.Haunch is not null),
                    ("camber", line.Own.Camber is not null),
                }
                    .Where(o => o.Item2)
                    .Select(o => o.Item1),
            ];
            return new TableRow(
                [
                    girder.Name,
                    $"{span + 1}",
                    geometry.TypeOf(girder, span).Name,
                    section.Shape.Name,
                    units.Format(length, QuantityKind.Length),
                    units.Format(weight, QuantityKind.Force),
                    units.Format(at.StartOffset, QuantityKind.Length),
                    units.Format(at.EndOffset, QuantityKind.Length),
                    units.Format(wet, QuantityKind.Length),
                    units.Format(line.CastingCamber, QuantityKind.Size),
                    units.Format(line.Least, QuantityKind.Size),
                    own.Length == 0 ? "–" : string.Join(", ", own),
                ],
                [
                    girder.Number,
                    span + 1,
                    null,
                    null,
                    length,
                    weight,
                    at.StartOffset,
                    at.EndOffset,
                    wet,
                    line.CastingCamber,
                    line.Least,
                    own.Length,
                ],
                path,
                null,
                IsPicked(picked, path)
            );
        });
        return new("All girders", columns, [.. rows]);
    }

    /// <summary>The haunch of every girder in tenths of its span.</summary>
    public static DataTable Haunches(BridgeGeometry geometry, UnitSystem units, string? picked)
    {
        var size = units[QuantityKind.Size].Symbol;
        List<TableColumn> columns =
        [
            new("Girder", false),
            new("Span", true),
            .. Enumerable.Range(0, 11).Select(i => new TableColumn(i == 0 ? "At 0" : $".{i}".Replace(".10", "1"), true)),
            new("Least", true),
            new("Greatest", true),
            new($"Volume, {units[QuantityKind.Volume].Symbol}", true),
        ];
        var rows = geometry.Pieces.Select(piece =>
        {
            var (girder, span) = piece;
            var (line, path) = (geometry.HaunchOf(girder, span), PartPath.Girder(girder, span));
            double[] values = [.. line.Tenths, line.Least, line.Greatest];
            return new TableRow(
                [
                    girder.Name,
                    $"{span + 1}",
                    .. values.Select(v => units.Format(v, QuantityKind.Size)),
                    units.Format(line.Volume, QuantityKind.Volume),
                ],
                [girder.Number, span + 1, .. values.Select(v => (double?)v), line.Volume],
                path,
                null,
                IsPicked(picked, path)
            );
        });
        return new($"Haunch over the girders' centre lines in tenths of the span, {size}", columns, [.. rows]);
    }

    /// <summary>Whether a part is the picked one, or among several joined by +.</summary>
    private static bool IsPicked(string? picked, string path) => picked?.Split('+').Contains(path) == true;
}
