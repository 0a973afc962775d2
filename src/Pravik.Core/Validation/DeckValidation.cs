using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Validation;

/// <summary>The bounds of the deck's values: patterns, their strips and slab, and what units have of their own.</summary>
internal static class DeckValidation
{
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
        bounds.Check("/deck/haunch", deck.Haunch);
        bounds.Check("/deck/endOverhang", deck.EndOverhang);
        bounds.Check("/deck/jointGap", deck.JointGap);
    }

    private static void Pattern(DeckPattern pattern, string path, Deck deck, int axisCount, Bounds bounds)
    {
        bounds.Text($"{path}/name", pattern.Name);
        if (string.IsNullOrWhiteSpace(pattern.Name))
            bounds.Error($"{path}/name", "The pattern needs a name.");
        else if (deck.Patterns.Count(p => p.Name == pattern.Name) > 1)
            bounds.Error($"{path}/name", $"There are two patterns named “{pattern.Name}”.");
        foreach (var (side, strips) in new[] { ("left", pattern.Left), ("right", pattern.Right) })
        {
            for (var i = 0; i < strips.Length; i++)
                Strip(strips[i], $"{path}/{side}/{i}", $"strip {i + 1} on the {side}", axisCount, bounds);
        }
        bounds.Check($"{path}/surfacing", pattern.Surfacing);
        var slab = pattern.Slab;
        bounds.Check($"{path}/slab/thickness", slab.Thickness);
        Table($"{path}/slab/thicknesses", "slab thickness", slab.Thicknesses, axisCount, bounds);
        bounds.Known($"{path}/slab/soffit", slab.Soffit);
        bounds.Check($"{path}/slab/edgeThickness", slab.EdgeThickness);
        bounds.Check($"{path}/slab/edgeTaper", slab.EdgeTaper);
        bounds.Check($"{path}/slab/edgeInset", slab.EdgeInset);
        bounds.Check($"{path}/slab/thickening", slab.Thickening);
        bounds.Check($"{path}/slab/thickeningWidth", slab.ThickeningWidth);
    }

    private static void Strip(Strip strip, string path, string name, int axisCount, Bounds bounds)
    {
        bounds.Text($"{path}/name", strip.Name);
        bounds.Known($"{path}/kind", strip.Kind);
        bounds.Check($"{path}/width", strip.Width);
        bounds.Check($"{path}/crossfall", strip.Crossfall);
        bounds.Known($"{path}/crossfallLaw", strip.CrossfallLaw);
        Table($"{path}/widths", $"width of {name}", strip.Widths, axisCount, bounds);
        Table($"{path}/crossfalls", $"crossfall of {name}", strip.Crossfalls, axisCount, bounds);
        if (strip is { CrossfallLaw: CrossfallLaw.Table, Crossfalls.IsEmpty: true })
            bounds.Warning(
                $"{path}/crossfalls",
                $"The crossfall of {name} is to follow a table that has no entry; its constant value holds."
            );
        bounds.Check($"{path}/surfacing", strip.Surfacing);
        bounds.Check($"{path}/unitWeight", strip.UnitWeight);
        bounds.Check($"{path}/upstand", strip.Upstand);
    }

    private static void Unit(DeckUnit unit, string key, Deck deck, Bounds bounds)
    {
        var (path, name) = ($"/deck/units/{key}", $"the unit from axis {key}");
        if (!int.TryParse(key, out var number) || number is < 1 or > 30 || $"{number}" != key)
            bounds.Error(path, $"“{key}” is not the number of an axis at which a unit can begin.");
        bounds.Text($"{path}/name", unit.Name);
        if (unit.Pattern is { } pattern)
            bounds.Among($"{path}/pattern", pattern, [.. deck.Patterns.Select(p => p.Name)]);
        bounds.Check($"{path}/startOverhang", unit.StartOverhang);
        bounds.Check($"{path}/endOverhang", unit.EndOverhang);
        bounds.Check($"{path}/slabThickness", unit.SlabThickness);
        bounds.Check($"{path}/surfacing", unit.Surfacing);
        foreach (var (side, strips) in new[] { ("left", unit.Left), ("right", unit.Right) })
        {
            foreach (var (item, strip) in strips)
            {
                var at = $"{path}/{side}/{item}";
                if (!int.TryParse(item, out var i) || i is < 0 or > 11 || $"{i}" != item)
                    bounds.Error(at, $"“{item}” is not the number of a strip.");
                bounds.Check($"{at}/width", strip.Width);
                bounds.Check($"{at}/crossfall", strip.Crossfall);
                bounds.Check($"{at}/upstand", strip.Upstand);
                bounds.Check($"{at}/surfacing", strip.Surfacing);
                bounds.Check($"{at}/unitWeight", strip.UnitWeight);
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

    private static void Table(string path, string name, ImmutableArray<LawPoint> table, int axisCount, Bounds bounds)
    {
        for (var i = 0; i < table.Length; i++)
        {
            bounds.Check($"{path}/{i}/value", table[i].Value);
            bounds.Check($"{path}/{i}/at", table[i].At);
            if (table[i].Axis is { } axis && (axis < 1 || axis > axisCount))
                bounds.Error($"{path}/{i}/axis", $"Entry {i + 1} of the {name} names axis {axis}; there are {axisCount}.");
            if (i > 0 && table[i].Axis == table[i - 1].Axis && table[i].At - table[i - 1].At < 1e-6)
                bounds.Error($"{path}/{i}/at", $"Entry {i + 1} of the {name} does not lie beyond the one before it.");
        }
    }
}
