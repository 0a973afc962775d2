using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Validation;

/// <summary>The bounds of what is entered for types of girders, and of the names by which girders have them.</summary>
internal static class GirderTypeValidation
{
    private const int Most = 30;
    private const int MostRows = 20;
    private const int MostZones = 12;
    private const int MostLengths = 9;

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
            if (types[i].Links.IsDefault || types[i].Links.Contains(null!))
                bounds.Error($"/girders/types/{i}/links", "The list of link zones, or one of them, is missing.");
            if (types[i].Bars.IsDefault || types[i].Bars.Contains(null!))
                bounds.Error($"/girders/types/{i}/bars", "The list of rows of bars, or one of them, is missing.");
            Lists($"/girders/types/{i}/strands", types[i].Strands, bounds);
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
            bounds.Text($"{path}/name", type.Name);
            if (string.IsNullOrWhiteSpace(type.Name))
                bounds.Error($"{path}/name", "A type of girder needs a name.");
            else if (types.Take(i).Any(t => t.Name == type.Name))
                bounds.Error($"{path}/name", $"There is another type of girder called “{type.Name}”.");
            if (type.Section is { } section)
                bounds.Among($"{path}/section", section, [.. bridge.Sections.Select(s => s.Name)]);
            bounds.Check($"{path}/camber", type.Camber);
            bounds.Check($"{path}/laterDeflection", type.LaterDeflection);
            bounds.Check($"{path}/greatestHaunch", type.GreatestHaunch);
            Strands($"{path}/strands", type.Strands, bounds);
            Links($"{path}/links", type.Links, bounds);
            Bars($"{path}/bars", type.Bars, bounds);
        }
        Named("/girders/type", bridge.Girders.Type);
        foreach (var (span, own) in bridge.Girders.Spans)
            Named($"/girders/spans/{span}/type", own?.Type);
        foreach (var (girder, own) in bridge.Girders.Own)
            Named($"/girders/own/{girder}/type", own?.Type);

        void Named(string path, string? name)
        {
            if (name is not null)
                bounds.Among(path, name, [.. types.Select(t => t.Name)]);
        }
    }

    /// <summary>Lists of strands at a path.</summary>
    public static void Lists(string path, Strands? strands, Bounds bounds)
    {
        if (strands is null || strands.Rows.IsDefault || strands.Rows.Contains(null!))
        {
            bounds.Error($"{path}/rows", "The list of strand rows, or one of them, is missing.");
            return;
        }
        for (var i = 0; i < strands.Rows.Length; i++)
        {
            if (strands.Rows[i].AlsoDebonded.IsDefault || strands.Rows[i].AlsoDebonded.Contains(null!))
                bounds.Error(
                    $"{path}/rows/{i}/alsoDebonded",
                    "The list of strands debonded over other lengths, or one of them, is missing."
                );
        }
    }

    /// <summary>Strands at a path; where it is no entry of a bridge, <paramref name="entry"/> is one that is.</summary>
    public static void Strands(string path, Strands strands, Bounds bounds, string? entry = null)
    {
        bounds.Check($"{path}/jackStress", strands.JackStress, entry: $"{entry ?? path}/jackStress");
        bounds.Check($"{path}/effectiveStress", strands.EffectiveStress, entry: $"{entry ?? path}/effectiveStress");
        if (strands.Rows.Length > MostRows)
            bounds.Error($"{path}/rows", $"There are at most {MostRows} rows of strands.");
        for (var i = 0; i < strands.Rows.Length; i++)
            Row($"{path}/rows/{i}", strands.Rows[i], bounds, $"{entry ?? path}/rows/{i}");
    }

    private static void Links(string path, ImmutableArray<LinkZone> zones, Bounds bounds)
    {
        if (zones.Length > MostZones)
            bounds.Error(path, $"There are at most {MostZones} zones of links.");
        for (var i = 0; i < zones.Length; i++)
        {
            bounds.Check($"{path}/{i}/length", zones[i].Length);
            bounds.Check($"{path}/{i}/legs", zones[i].Legs);
            bounds.Check($"{path}/{i}/diameter", zones[i].Diameter);
            bounds.Check($"{path}/{i}/spacing", zones[i].Spacing);
            if (zones[i].Spacing < 2 * zones[i].Diameter)
                bounds.Error($"{path}/{i}/spacing", "Links are at least two diameters apart.");
        }
    }

    private static void Bars(string path, ImmutableArray<BarRow> rows, Bounds bounds)
    {
        if (rows.Length > MostRows)
            bounds.Error(path, $"There are at most {MostRows} rows of bars.");
        for (var i = 0; i < rows.Length; i++)
        {
            bounds.Check($"{path}/{i}/level", rows[i].Level);
            bounds.Check($"{path}/{i}/count", rows[i].Count);
            bounds.Check($"{path}/{i}/diameter", rows[i].Diameter);
            bounds.Check($"{path}/{i}/from", rows[i].From);
            bounds.Check($"{path}/{i}/to", rows[i].To);
            bounds.Check($"{path}/{i}/spacing", rows[i].Spacing);
            bounds.Check($"{path}/{i}/secondFrom", rows[i].SecondFrom);
            bounds.Check($"{path}/{i}/secondTo", rows[i].SecondTo);
            if (rows[i].To <= rows[i].From)
                bounds.Error($"{path}/{i}/to", "Bars end beyond where they begin.");
            else if ((rows[i].SecondTo ?? rows[i].To) <= (rows[i].SecondFrom ?? rows[i].From))
                bounds.Error(
                    $"{path}/{i}/second{(rows[i].SecondTo is null ? "From" : "To")}",
                    "Every second bar ends beyond where it begins."
                );
        }
    }

    private static void Row(string path, StrandRow row, Bounds bounds, string entry)
    {
        bounds.Check($"{path}/level", row.Level, entry: $"{entry}/level");
        bounds.Check($"{path}/count", row.Count, entry: $"{entry}/count");
        bounds.Check($"{path}/spacing", row.Spacing, entry: $"{entry}/spacing");
        bounds.Check($"{path}/debonded", row.Debonded, greatest: row.Count, entry: $"{entry}/debonded");
        bounds.Check($"{path}/debondedLength", row.DebondedLength, entry: $"{entry}/debondedLength");
        if (row.AlsoDebonded.Length > MostLengths)
            bounds.Error($"{path}/alsoDebonded", $"Strands of a row are debonded over at most {MostLengths + 1} lengths.");
        for (var i = 0; i < row.AlsoDebonded.Length; i++)
        {
            bounds.Check($"{path}/alsoDebonded/{i}/count", row.AlsoDebonded[i].Count, entry: $"{entry}/alsoDebonded/{i}/count");
            bounds.Check($"{path}/alsoDebonded/{i}/length", row.AlsoDebonded[i].Length, entry: $"{entry}/alsoDebonded/{i}/length");
        }
        if (row.Debonded <= row.Count && row.AllDebonded > row.Count)
            bounds.Error($"{path}/alsoDebonded", $"{row.AllDebonded} strands are debonded, but the row has {row.Count}.");
        bounds.Check($"{path}/endLevel", row.EndLevel, entry: $"{entry}/endLevel");
        bounds.Check($"{path}/holdDown", row.HoldDown, entry: $"{entry}/holdDown");
    }
}
