using Pravik.Core.Entries;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Trusses;

/// <summary>All values of a truss scheme that can be entered, by path.</summary>
public static class TrussEntries
{
    /// <summary>Farthest place and level (m).</summary>
    public const double Far = 1000;

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Entry> All { get; } =
    [
        Text("/name", "Name", 120),
        Text("/author", "Author", 80, "Stands beside the scheme where designs are ranked."),
        Choose("/units", "Units", [new("metric", "metric"), new("us", "US customary")]),
        Text("/currency", "Currency", 8, "Stands behind every cost. Empty for none."),
        .. Part("/site", _ => "", Site),
        .. Part("/site/ground/*", s => $"of ground level {s.Number(0)}", Place("x", "Along"), Place("z", "Level")),
        .. Part("/site/clearance", _ => "of the clearance", Place("from", "From"), Place("to", "To"), Place("top", "Kept free up to")),
        .. Part("/site/pier", _ => "of the intermediate support", Place("x", "Along"), Place("top", "Level of its top")),
        .. Part("/rules", _ => "", Rules),
        .. Part(
            "/vehicles/*",
            s => $"of vehicle {s.Number(0)}",
            Text("name", "Name", 80),
            Value("dynamic", "Dynamic factor", QuantityKind.Number, 0.5, 3, "On all its axles.")
        ),
        .. Part(
            "/vehicles/*/axles/*",
            s => $"of axle {s.Number(1)}, vehicle {s.Number(0)}",
            Value("load", "Load", QuantityKind.Force, 0, 5e6, "Of the whole axle."),
            Value("gap", "Behind the one before", QuantityKind.Length, 0, 200)
        ),
        .. Part("/form", _ => "", Form).Select(e => e with { Subject = e.Name }),
        .. Part(
            "/joints/*",
            s => $"of joint {s.Number(0)}",
            Text("id", "Name", 12, "Letters and digits, by which bars name it."),
            Place("x", "Along"),
            Place("z", "Level"),
            Flag("locked", "In searches", "may move", "stays", "Whether a search for a better shape may move it.")
        ),
        .. Part(
            "/bars/*",
            s => $"of bar {s.Number(0)}",
            Text("from", "From joint", 12),
            Text("to", "To joint", 12),
            Choose("grade", "Grade", []),
            Choose("family", "Family", []),
            Choose("size", "Size", []),
            Flag("locked", "In searches", "may change", "stays", "Whether a search for lighter sections may change it.")
        ),
        .. Part(
            "/sections/*",
            s => $"of own section {s.Number(0)}",
            Text("name", "Name", 40),
            Value("area", "Area", QuantityKind.SmallArea, 1e-6, 1),
            Value("secondMoment", "Second moment", QuantityKind.SecondMoment, 1e-12, 1, "About the weaker axis."),
            Value("depth", "Depth as drawn", QuantityKind.Size, 0.001, 3),
            Choose("curve", "Buckling curve", [.. "a0 a b c d".Split(' ').Select(c => new Choice(c, c)), new("", "does not buckle")])
        ),
        .. Part(
            "/grades/*",
            s => $"of own grade {s.Number(0)}",
            Text("name", "Name", 40),
            Value("yield", "Yield strength", QuantityKind.Stress, 1e6, 2e9),
            Value("e", "Modulus", QuantityKind.Stress, 1e8, 1e12),
            Value("density", "Density, kg/m³", QuantityKind.Number, 100, 20000),
            Value("price", "Factor on the price", QuantityKind.Number, 0, 100)
        ),
        .. Part(
            "/picture",
            _ => "of the picture",
            Place("x", "Left edge"),
            Place("top", "Upper edge"),
            Value("width", "Width", QuantityKind.Length, 0.1, Far, "Its height follows: the picture keeps its proportions.")
        ),
        Own("/prices/*", "Price", QuantityKind.Number, 0, 1e7),
        .. Part("/task", _ => "of the task", Task),
    ];

    /// <summary>Entries by the length and the first part of their paths: a scheme has thousands of values that are looked up.</summary>
    private static readonly ILookup<(int, string), Entry> ByHead = All.ToLookup(e =>
        (e.Pattern.Split('/').Length, e.Pattern.Split('/')[1])
    );

    /// <summary>The entry at a path as a scheme makes it, or null where nothing is entered there.</summary>
    public static Entry? At(string path, TrussScheme scheme)
    {
        var parts = path.Split('/');
        if (parts.Length < 2 || ByHead[(parts.Length, parts[1])].FirstOrDefault(e => e.IsAt(parts)) is not { } entry)
            return null;
        var bar = parts is ["", "bars", var number, ..] && int.TryParse(number, out var i) ? scheme.Bars.ElementAtOrDefault(i) : null;
        return parts switch
        {
            ["", "bars", _, "grade"] => entry with { Choices = Grades(scheme) },
            ["", "bars", _, "family"] => entry with { Choices = Families(scheme) },
            ["", "bars", _, "size"] => entry with { Choices = Sizes(scheme, bar?.Family ?? "") },
            ["", "prices", var name] => BarCatalogue.Prices.FirstOrDefault(p => p.Name == name) is { } price
                ? entry with
                {
                    Subject = $"Price of {price.Words}",
                }
                : null,
            _ => entry,
        };
    }

    /// <summary>Grades as choices.</summary>
    public static IReadOnlyList<Choice> Grades(TrussScheme scheme) =>
        [.. BarCatalogue.GradesOf(scheme).Select(g => new Choice(g.Name, g.Name))];

    /// <summary>Families as choices.</summary>
    public static IReadOnlyList<Choice> Families(TrussScheme scheme) =>
        [
            .. BarCatalogue.Families.Select(f => new Choice(f.Name, f.Words)),
            .. scheme.Sections.IsEmpty ? Array.Empty<Choice>() : [new Choice(BarCatalogue.Own, "own section")],
        ];

    /// <summary>Sizes of a family as choices.</summary>
    public static IReadOnlyList<Choice> Sizes(TrussScheme scheme, string family) =>
        [.. BarCatalogue.SectionsOf(scheme, family).Select(s => new Choice(s.Name, s.Name))];

    private static Entry Place(string path, string name) => Value(path, name, QuantityKind.Length, -Far, Far);

    private static IEnumerable<Entry> Site =>
        [
            Value("opening", "Opening", QuantityKind.Length, 4, 300, "Between the faces of the abutments."),
            Value("road", "Road level", QuantityKind.Length, -Far, Far),
            Own("springings", "Springings below the road", QuantityKind.Length, 1, 80, "Empty for plain abutments.") with
            {
                Blank = "none",
            },
            Own("leftAnchor", "Left anchorage behind", QuantityKind.Length, 1, 200, "Of a back-stay, behind the face of the abutment.") with
            {
                Blank = "none",
            },
            Own("rightAnchor", "Right anchorage behind", QuantityKind.Length, 1, 200, "As on the left.") with
            {
                Blank = "none",
            },
            Value("panels", "Panels", QuantityKind.Count, 1, 60, "Joints of the deck divide the opening into so many equal lengths."),
            Choose("deck", "Deck", [.. BarCatalogue.Decks.Select(d => new Choice(d.Name, d.Words))]),
            Own("deckWeight", "Weight of the deck", QuantityKind.AreaLoad, 0, 50e3, "With its beams and railings."),
            Value("lanes", "Lanes", QuantityKind.Count, 1, 6, "A vehicle in each, abreast; each plane bears half of them."),
            Value("laneWidth", "Width of a lane", QuantityKind.Length, 2, 6),
            Value("kerb", "Width of a kerb", QuantityKind.Length, 0, 4),
            Value("headroom", "Headroom", QuantityKind.Length, 0, 12, "That vehicles need over the road."),
            Choose("planes", "Planes", [new("beside", "at the edges of the deck"), new("under", "beneath the deck")]),
            Flag("locked", "Choices of the site", "free", "stand"),
        ];

    private static IEnumerable<Entry> Rules =>
        [
            Value("permanent", "γ_G on weight, worsening", QuantityKind.Number, 0.5, 3, "EN 1990 Table A2.4(B)."),
            Value("permanentRelieving", "γ_G on weight, relieving", QuantityKind.Number, 0.5, 1.5, "EN 1990 Table A2.4(B)."),
            Value("traffic", "γ_Q on traffic", QuantityKind.Number, 0.5, 3, "EN 1990 Table A2.4(B)."),
            Value("gammaM0", "γ_M0 on yielding", QuantityKind.Number, 0.9, 2, "EN 1993-2 6.1."),
            Value("gammaM1", "γ_M1 on buckling", QuantityKind.Number, 0.9, 2, "EN 1993-2 6.1."),
            Own("slendernessCompression", "Most slender in compression", QuantityKind.Number, 20, 1000, "L/i; a rule of practice.") with
            {
                Blank = "any",
            },
            Own("slendernessTension", "Most slender in tension", QuantityKind.Number, 20, 2000, "L/i; a rule of practice.") with
            {
                Blank = "any",
            },
            Own("deflection", "Deflects at most opening over", QuantityKind.Number, 10, 10000, "Under traffic, without factor.") with
            {
                Blank = "any",
            },
        ];

    private static IEnumerable<Entry> Form =>
        [
            Choose(
                "kind",
                "Form",
                [
                    new("warren", "Warren"),
                    new("pratt", "Pratt"),
                    new("howe", "Howe"),
                    new("parker", "Parker"),
                    new("k", "K"),
                    new("bowstring", "bowstring"),
                    new("deckArch", "deck arch"),
                    new("stayed", "stayed"),
                ]
            ),
            Value("depth", "Depth", QuantityKind.Length, 0.2, 100, "Between chords, at the middle; of masts their height."),
            Value("rise", "Rise", QuantityKind.Length, 0, 100, "Of a bent chord or an arch; of stays the depth of the stiff deck."),
            Flag("isBelow", "Bars lie", "above the deck", "below the deck"),
        ];

    private static IEnumerable<Entry> Task =>
        [
            Text("name", "Name", 120),
            Text("text", "What is asked", 2000),
            Own("mostJoints", "Most joints", QuantityKind.Count, 0, 400, "Beside those of the site.") with
            {
                Blank = "any",
            },
            Own("mostBars", "Most bars", QuantityKind.Count, 1, 1000) with
            {
                Blank = "any",
            },
            Own("mostSections", "Most different sections", QuantityKind.Count, 1, 100) with
            {
                Blank = "any",
            },
            Own("mostCost", "Most cost", QuantityKind.Number, 0, 1e12) with
            {
                Blank = "any",
            },
            Choose("score", "Ranked by", [new("cost", "cost"), new("ratio", "greatest ratio"), new("both", "cost × greatest ratio")]),
        ];
}
