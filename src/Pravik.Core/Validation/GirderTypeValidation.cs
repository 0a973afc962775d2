using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>The bounds of what is entered for types of girders, and of the names by which girders have them.</summary>
internal static class GirderTypeValidation
{
    private const int Most = 30;
    private const int MostRows = 20;

    public static void CheckLists(ImmutableArray<GirderType> types, Bounds bounds)
    {
        if (types.IsDefaultOrEmpty || types.Contains(null!))
        {
            bounds.Error("/girders/types", "A bridge has at least one type of girder; the list, or one of them, is missing.");
            return;
        }
        for (var i = 0; i < types.Length; i++)
        {
            if (types[i].Concrete is null)
                bounds.Error($"/girders/types/{i}/concrete", "This part is missing.");
            if (types[i].Strands is null || types[i].Strands.Rows.IsDefault || types[i].Strands.Rows.Contains(null!))
                bounds.Error($"/girders/types/{i}/strands/rows", "The list of strand rows, or one of them, is missing.");
        }
    }

    public static void Check(Bridge bridge, Bounds bounds)
    {
        var types = bridge.Girders.Types;
        if (types.Length > Most)
            bounds.Error("/girders/types", $"There are at most {Most} types of girders.");
        for (var i = 0; i < types.Length; i++)
        {
            var (type, path) = (types[i], $"/girders/types/{i}");
            bounds.Text($"{path}/name", "The type's name", type.Name, 60);
            if (string.IsNullOrWhiteSpace(type.Name))
                bounds.Error($"{path}/name", "A type of girder needs a name.");
            else if (types.Take(i).Any(t => t.Name == type.Name))
                bounds.Error($"{path}/name", $"There is another type of girder called “{type.Name}”.");
            if (type.Section is { } section)
                bounds.Among($"{path}/section", "Section", section, [.. bridge.Sections.Select(s => s.Name)]);
            bounds.Own($"{path}/camber", "Camber when the slab is cast", type.Camber, -0.3, 0.5, QuantityKind.Size);
            bounds.Between($"{path}/laterDeflection", "Deflection after the slab", type.LaterDeflection, -0.1, 0.3, QuantityKind.Size);
            bounds.Between($"{path}/greatestHaunch", "Greatest haunch", type.GreatestHaunch, 0, 1, QuantityKind.Size);
            Strands($"{path}/strands", type.Strands, bounds);
        }
        Named("/girders/type", bridge.Girders.Type);
        foreach (var (span, own) in bridge.Girders.Spans)
            Named($"/girders/spans/{span}/type", own?.Type);
        foreach (var (girder, own) in bridge.Girders.Own)
            Named($"/girders/own/{girder}/type", own?.Type);

        void Named(string path, string? name)
        {
            if (name is not null)
                bounds.Among(path, "Type of girder", name, [.. types.Select(t => t.Name)]);
        }
    }

    private static void Strands(string path, Strands strands, Bounds bounds)
    {
        bounds.Between($"{path}/effectiveStress", "Effective stress", strands.EffectiveStress, 0, 1700e6, QuantityKind.Stress);
        if (strands.Rows.Length > MostRows)
            bounds.Error($"{path}/rows", $"There are at most {MostRows} rows of strands.");
        for (var i = 0; i < strands.Rows.Length; i++)
            Row($"{path}/rows/{i}", i + 1, strands.Rows[i], bounds);
    }

    private static void Row(string path, int number, StrandRow row, Bounds bounds)
    {
        bounds.Between($"{path}/level", $"Level of strand row {number}", row.Level, 0, 5, QuantityKind.Size);
        bounds.Between($"{path}/count", $"Strands in row {number}", row.Count, 0, 80, QuantityKind.Count);
        bounds.Between($"{path}/spacing", $"Spacing in strand row {number}", row.Spacing, 0.02, 1, QuantityKind.Size);
        bounds.Between($"{path}/debonded", $"Debonded strands in row {number}", row.Debonded, 0, row.Count, QuantityKind.Count);
        bounds.Between($"{path}/debondedLength", $"Debonded length in row {number}", row.DebondedLength, 0, 60, QuantityKind.Length);
        bounds.Own($"{path}/endLevel", $"Level of strand row {number} at the ends", row.EndLevel, 0, 5, QuantityKind.Size);
        bounds.Between($"{path}/holdDown", $"Hold-down point of row {number}", row.HoldDown, 0.05, 0.5, QuantityKind.Number);
    }
}
