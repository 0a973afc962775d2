using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>The bounds of the deck's values: patterns, their strips and slab, and what units have of their own.</summary>
internal static class DeckValidation
{
    private const double GreatestCrossfall = 0.15;

    /// <summary>JSON can leave null where a list or an item of one must stand.</summary>
    public static void CheckLists(Deck deck, Bounds bounds)
    {
        if (deck.Patterns.IsDefaultOrEmpty || deck.Patterns.Contains(null!))
            bounds.Error("/deck/patterns", "The deck needs at least one cross-section in its list of patterns, and none may be missing.");
        else if (deck.Patterns.Length > 50)
            bounds.Error("/deck/patterns", "There are at most 50 patterns.");
        else
        {
            for (var i = 0; i < deck.Patterns.Length; i++)
            {
                var (pattern, path) = (deck.Patterns[i], $"/deck/patterns/{i}");
                if (pattern.Slab is null)
                    bounds.Error($"{path}/slab", "This part is missing.");
                else if (IsBroken(pattern.Slab.Thicknesses))
                    bounds.Error($"{path}/slab/thicknesses", "The table is missing, has a missing entry, or has more than 200.");
                CheckStrips($"{path}/left", pattern.Left, bounds);
                CheckStrips($"{path}/right", pattern.Right, bounds);
            }
        }
        if (deck.Units is null)
            bounds.Error("/deck/units", "This part is missing.");
        else
        {
            foreach (var (key, unit) in deck.Units)
            {
                if (unit?.Left is null || unit.Right is null || unit.Left.Concat(unit.Right).Any(s => s.Value is null))
                    bounds.Error($"/deck/units/{key}", "This part, or one within it, is missing.");
            }
        }
    }

    public static void Check(Deck deck, int axisCount, Bounds bounds)
    {
        for (var i = 0; i < deck.Patterns.Length; i++)
            Pattern(deck.Patterns[i], $"/deck/patterns/{i}", deck, axisCount, bounds);
        foreach (var (key, unit) in deck.Units)
            Unit(unit, key, deck, bounds);
        bounds.Between("/deck/haunch", "Haunch", deck.Haunch, 0, 0.5, QuantityKind.Size);
        bounds.Between("/deck/endOverhang", "Deck beyond the end axes", deck.EndOverhang, 0, 3, QuantityKind.Length);
        bounds.Between("/deck/jointGap", "Joint gap", deck.JointGap, 0, 1, QuantityKind.Size);
    }

    private static void Pattern(DeckPattern pattern, string path, Deck deck, int axisCount, Bounds bounds)
    {
        bounds.Text($"{path}/name", "The name of the pattern", pattern.Name, 60);
        if (string.IsNullOrWhiteSpace(pattern.Name))
            bounds.Error($"{path}/name", "The pattern needs a name.");
        else if (deck.Patterns.Count(p => p.Name == pattern.Name) > 1)
            bounds.Error($"{path}/name", $"There are two patterns named “{pattern.Name}”.");
        foreach (var (side, strips) in new[] { ("left", pattern.Left), ("right", pattern.Right) })
        {
            for (var i = 0; i < strips.Length; i++)
                Strip(strips[i], $"{path}/{side}/{i}", $"strip {i + 1} on the {side}", axisCount, bounds);
        }
        bounds.Between($"{path}/surfacing", "Surfacing", pattern.Surfacing, 0, 0.5, QuantityKind.Size);
        var slab = pattern.Slab;
        bounds.Between($"{path}/slab/thickness", "Slab thickness", slab.Thickness, 0.10, 1.0, QuantityKind.Size);
        Table($"{path}/slab/thicknesses", "slab thickness", slab.Thicknesses, 0.10, 1.0, QuantityKind.Size, axisCount, bounds);
        if (!Enum.IsDefined(slab.Soffit))
            bounds.Error($"{path}/slab/soffit", "The law of the soffit is not known.");
        bounds.Own($"{path}/slab/edgeThickness", "Slab thickness at the edges", slab.EdgeThickness, 0.10, 1.5, QuantityKind.Size);
        bounds.Between($"{path}/slab/edgeTaper", "Width of the change towards the edges", slab.EdgeTaper, 0, 5, QuantityKind.Length);
        bounds.Between($"{path}/slab/edgeInset", "Inset of the soffit's edge", slab.EdgeInset, 0, 0.5, QuantityKind.Size);
        bounds.Between($"{path}/slab/thickening", "Thickening over girders", slab.Thickening, 0, 0.5, QuantityKind.Size);
        bounds.Between($"{path}/slab/thickeningWidth", "Width of the thickening", slab.ThickeningWidth, 0.1, 3, QuantityKind.Size);
    }

    private static void Strip(Strip strip, string path, string name, int axisCount, Bounds bounds)
    {
        if (strip.Name is { } own && (own.Length is 0 or > 30 || own.Any(char.IsControl)))
            bounds.Error($"{path}/name", $"The name of {name} has 1 to 30 characters.");
        if (!Enum.IsDefined(strip.Kind))
            bounds.Error($"{path}/kind", $"The kind of {name} is not known.");
        bounds.Between($"{path}/width", $"Width of {name}", strip.Width, 0.05, 30, QuantityKind.Length);
        bounds.Between(
            $"{path}/crossfall",
            $"Crossfall of {name}",
            strip.Crossfall,
            -GreatestCrossfall,
            GreatestCrossfall,
            QuantityKind.Slope
        );
        if (!Enum.IsDefined(strip.CrossfallLaw))
            bounds.Error($"{path}/crossfallLaw", $"The crossfall law of {name} is not known.");
        Table($"{path}/widths", $"width of {name}", strip.Widths, 0.05, 30, QuantityKind.Length, axisCount, bounds);
        Table(
            $"{path}/crossfalls",
            $"crossfall of {name}",
            strip.Crossfalls,
            -GreatestCrossfall,
            GreatestCrossfall,
            QuantityKind.Slope,
            axisCount,
            bounds
        );
        if (strip is { CrossfallLaw: CrossfallLaw.Table, Crossfalls.IsEmpty: true })
            bounds.Warning(
                $"{path}/crossfalls",
                $"The crossfall of {name} is to follow a table that has no entry; its constant value holds."
            );
        bounds.Own($"{path}/surfacing", $"Surfacing on {name}", strip.Surfacing, 0, 0.5, QuantityKind.Size);
        bounds.Own($"{path}/unitWeight", $"Unit weight on {name}", strip.UnitWeight, 0, 80e3, QuantityKind.UnitWeight);
        bounds.Between($"{path}/upstand", $"Upstand of {name}", strip.Upstand, -0.5, 1.5, QuantityKind.Size);
    }

    private static void Unit(DeckUnit unit, string key, Deck deck, Bounds bounds)
    {
        var (path, name) = ($"/deck/units/{key}", $"the unit from axis {key}");
        if (!int.TryParse(key, out var number) || number is < 1 or > 30 || $"{number}" != key)
            bounds.Error(path, $"“{key}” is not the number of an axis at which a unit can begin.");
        if (unit.Name is { } own && (own.Length is 0 or > 30 || own.Any(char.IsControl)))
            bounds.Error($"{path}/name", $"The name of {name} has 1 to 30 characters.");
        if (unit.Pattern is { } pattern)
            bounds.Among($"{path}/pattern", "Pattern", pattern, [.. deck.Patterns.Select(p => p.Name)]);
        bounds.Own($"{path}/startOverhang", $"Overhang at the start of {name}", unit.StartOverhang, -3, 3, QuantityKind.Length);
        bounds.Own($"{path}/endOverhang", $"Overhang at the end of {name}", unit.EndOverhang, -3, 3, QuantityKind.Length);
        bounds.Own($"{path}/slabThickness", $"Slab thickness of {name}", unit.SlabThickness, 0.10, 1.0, QuantityKind.Size);
        bounds.Own($"{path}/surfacing", $"Surfacing of {name}", unit.Surfacing, 0, 0.5, QuantityKind.Size);
        foreach (var (side, strips) in new[] { ("left", unit.Left), ("right", unit.Right) })
        {
            foreach (var (item, strip) in strips)
            {
                var (at, words) = ($"{path}/{side}/{item}", $"strip {item} on the {side} of {name}");
                if (!int.TryParse(item, out var i) || i is < 0 or > 11 || $"{i}" != item)
                    bounds.Error(at, $"“{item}” is not the number of a strip.");
                bounds.Own($"{at}/width", $"Width of {words}", strip.Width, 0.05, 30, QuantityKind.Length);
                bounds.Own(
                    $"{at}/crossfall",
                    $"Crossfall of {words}",
                    strip.Crossfall,
                    -GreatestCrossfall,
                    GreatestCrossfall,
                    QuantityKind.Slope
                );
                bounds.Own($"{at}/upstand", $"Upstand of {words}", strip.Upstand, -0.5, 1.5, QuantityKind.Size);
                bounds.Own($"{at}/surfacing", $"Surfacing of {words}", strip.Surfacing, 0, 0.5, QuantityKind.Size);
                bounds.Own($"{at}/unitWeight", $"Unit weight of {words}", strip.UnitWeight, 0, 80e3, QuantityKind.UnitWeight);
            }
        }
    }

    private static void CheckStrips(string path, ImmutableArray<Strip> strips, Bounds bounds)
    {
        if (strips.IsDefault)
            bounds.Error(path, "The list of strips is missing.");
        else if (strips.Length > 12)
            bounds.Error(path, $"A side has at most 12 strips; {strips.Length} were given.");
        else if (strips.Contains(null!))
            bounds.Error(path, "A strip is missing.");
        else if (strips.Any(s => IsBroken(s.Widths) || IsBroken(s.Crossfalls)))
            bounds.Error(path, "A table of a strip is missing, has a missing entry, or has more than 200.");
    }

    private static bool IsBroken(ImmutableArray<LawPoint> table) => table.IsDefault || table.Length > 200 || table.Contains(null!);

    private static void Table(
        string path,
        string name,
        ImmutableArray<LawPoint> table,
        double least,
        double greatest,
        QuantityKind kind,
        int axisCount,
        Bounds bounds
    )
    {
        for (var i = 0; i < table.Length; i++)
        {
            bounds.Between($"{path}/{i}/value", $"Entry {i + 1} of the {name}", table[i].Value, least, greatest, kind);
            bounds.Between($"{path}/{i}/at", $"Place {i + 1} of the {name}", table[i].At, -1e6, 2e6, QuantityKind.Length);
            if (table[i].Axis is { } axis && (axis < 1 || axis > axisCount))
                bounds.Error($"{path}/{i}/axis", $"Entry {i + 1} of the {name} names axis {axis}; there are {axisCount}.");
            if (i > 0 && table[i].Axis == table[i - 1].Axis && table[i].At - table[i - 1].At < 1e-6)
                bounds.Error($"{path}/{i}/at", $"Entry {i + 1} of the {name} does not lie beyond the one before it.");
        }
    }
}
