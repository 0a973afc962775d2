using Pravik.Core.Bridges;
using Pravik.Core.Units;

namespace Pravik.Web.Workspaces;

/// <summary>Tables of all girders.</summary>
internal static class GirderTables
{
    /// <summary>The haunch of every girder in tenths of its span.</summary>
    public static DataTable Haunches(BridgeGeometry geometry, UnitSystem units, string? picked)
    {
        var size = units[QuantityKind.Size].Symbol;
        List<TableColumn> columns = [new("Girder", false), new("Span", true), .. Enumerable.Range(0, 11).Select(i => new TableColumn(i == 0 ? "At 0" : $".{i}".Replace(".10", "1"), true)), new("Least", true), new("Greatest", true), new($"Volume, {units[QuantityKind.Volume].Symbol}", true)];
        var rows = geometry.Girders.SelectMany(girder => Enumerable.Range(0, geometry.SpanCount).Select(span =>
        {
            var (line, path) = (geometry.HaunchOf(girder, span), $"/parts/girders/{girder.Number}/spans/{span + 1}");
            double[] values = [.. line.Tenths, line.Least, line.Greatest];
            return new TableRow([girder.Name, $"{span + 1}", .. values.Select(v => units.Format(v, QuantityKind.Size)), units.Format(line.Volume, QuantityKind.Volume)],
                [girder.Number, span + 1, .. values.Select(v => (double?)v), line.Volume], path, null, path == picked);
        }));
        return new($"Haunch over the girders' centre lines in tenths of the span, {size}", columns, [.. rows]);
    }
}
