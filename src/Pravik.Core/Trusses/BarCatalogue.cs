using System.Collections.Immutable;
using System.Text.Json;
using Pravik.Core.Materials;

namespace Pravik.Core.Trusses;

/// <summary>A family of sections.</summary>
/// <param name="Name">Its name in files.</param>
/// <param name="Words">Its name in words.</param>
/// <param name="Sections">Its sections as the list has them.</param>
public sealed record BarFamily(string Name, string Words, ImmutableArray<BarSection> Sections);

/// <summary>A kind of deck.</summary>
/// <param name="Name">Its name in files.</param>
/// <param name="Words">Its name in words.</param>
/// <param name="Thickness">How thick it is (m).</param>
/// <param name="Weight">Its weight with beams and railings (N/m²).</param>
/// <param name="Longest">The longest panel that it spans (m).</param>
public sealed record DeckKind(string Name, string Words, double Thickness, double Weight, double Longest);

/// <summary>A price of the list.</summary>
/// <param name="Name">Its name in files.</param>
/// <param name="Group">Heading under which it stands.</param>
/// <param name="Words">What is priced.</param>
/// <param name="Unit">For how much of it.</param>
/// <param name="Value">The usual price, or a factor.</param>
public sealed record Price(string Name, string Group, string Words, string Unit, double Value);

/// <summary>Sections, grades, decks and prices that ship with the program, as data.</summary>
public static class BarCatalogue
{
    /// <summary>Name of the family that holds a scheme's own sections.</summary>
    public const string Own = "own";

    static BarCatalogue()
    {
        using var stream = typeof(BarCatalogue).Assembly.GetManifestResourceStream("trusses/catalogue.json")!;
        var file = JsonSerializer.Deserialize<CatalogueFile>(stream, JsonSerializerOptions.Web)!;
        Families = [.. file.Families.Select(f => new BarFamily(f.Name, f.Words, [.. f.Sizes.Select(s => Read(f.Name, s))]))];
        Grades =
        [
            .. file.Grades.Select(g =>
            {
                var steel = StructuralSteel.Of(new() { Class = g });
                return new BarGrade(g, steel.Fy, steel.FyThick, steel.E, file.Density);
            }),
        ];
        Decks = [.. file.Decks];
        Prices = [.. file.Prices];
    }

    /// <summary>Families of sections.</summary>
    public static ImmutableArray<BarFamily> Families { get; }

    /// <summary>Grades of steel.</summary>
    public static ImmutableArray<BarGrade> Grades { get; }

    /// <summary>Kinds of deck.</summary>
    public static ImmutableArray<DeckKind> Decks { get; }

    /// <summary>The price list.</summary>
    public static ImmutableArray<Price> Prices { get; }

    /// <summary>The kind of deck with a name, or null.</summary>
    public static DeckKind? Deck(string name) => Decks.FirstOrDefault(d => d.Name == name);

    /// <summary>The price in force: the scheme's own, or that of the list. Throws where the list has none of that name.</summary>
    public static double PriceOf(TrussScheme scheme, string name) =>
        scheme.Prices.TryGetValue(name, out var own) ? own : Prices.First(p => p.Name == name).Value;

    /// <summary>The sections of a family, of the scheme's own where it is <see cref="Own"/>.</summary>
    public static ImmutableArray<BarSection> SectionsOf(TrussScheme scheme, string family) =>
        family == Own ? [.. scheme.Sections.Select(BarSection.Of)] : Families.FirstOrDefault(f => f.Name == family)?.Sections ?? [];

    /// <summary>A section by family and size, or null where there is none.</summary>
    public static BarSection? Section(TrussScheme scheme, string family, string size) =>
        SectionsOf(scheme, family).FirstOrDefault(s => s.Name == size);

    /// <summary>All grades that a scheme can name.</summary>
    public static IEnumerable<BarGrade> GradesOf(TrussScheme scheme) =>
        Grades.Concat(scheme.Grades.Select(g => new BarGrade(g.Name, g.Yield, g.Yield, g.E, g.Density)));

    /// <summary>A grade by its name, or null.</summary>
    public static BarGrade? Grade(TrussScheme scheme, string name) => GradesOf(scheme).FirstOrDefault(g => g.Name == name);

    /// <summary>The price of a kilogram of a family and a grade.</summary>
    public static double SteelPrice(TrussScheme scheme, string family, string grade)
    {
        var own = scheme.Grades.FirstOrDefault(g => g.Name == grade);
        return PriceOf(scheme, $"steel.{family}") * (own?.Price ?? PriceOf(scheme, $"grade.{grade}"));
    }

    private static BarSection Read(string family, JsonElement[] row)
    {
        var name = row[0].GetString()!;
        var size = row.Skip(1).Select(v => v.GetDouble() / 1000).ToArray();
        return family switch
        {
            "square" => BarSection.Square(name, size[0]),
            "tube" => BarSection.Tube(name, size[0], size[1]),
            "i" => BarSection.Rolled(name, size[0], size[1], size[2], size[3], size[4]),
            "angles" => BarSection.Angles(name, size[0], size[1]),
            "plate" => BarSection.Plate(name, size[0], size[1]),
            _ => throw new InvalidOperationException($"The catalogue has a family “{family}” that the program does not know."),
        };
    }

    private sealed record CatalogueFile(
        List<FamilyRows> Families,
        List<string> Grades,
        double Density,
        List<DeckKind> Decks,
        List<Price> Prices
    );

    private sealed record FamilyRows(string Name, string Words, List<JsonElement[]> Sizes);
}
