using System.Collections.Immutable;
using static Pravik.Core.Trusses.BarCatalogue;

namespace Pravik.Core.Trusses;

/// <summary>A line of the cost of a scheme.</summary>
/// <param name="Group">Site, deck, steel, orders or joints.</param>
/// <param name="Words">What it is.</param>
/// <param name="Amount">How much of it.</param>
/// <param name="Unit">Its unit: m, m², m³, kg or a thing.</param>
/// <param name="Price">Price of a unit, with its factors.</param>
public sealed record CostLine(string Group, string Words, double Amount, string Unit, double Price)
{
    /// <summary>What it costs.</summary>
    public double Cost => Amount * Price;
}

/// <summary>
/// What a scheme costs: its site, its deck, steel by mass, a charge for each different section, and joints. Two planes; prices are those
/// of the scheme. Nothing else is in it: no transport, erection, coating, bracing between the planes, land or fees.
/// </summary>
public sealed class TrussCost
{
    /// <summary>What is not in it, told beside every cost.</summary>
    public const string Scope = "Not in it: transport, erection, coating, bracing between the planes, land and fees.";

    /// <summary>Group of the site.</summary>
    public const string SiteGroup = "Site";

    /// <summary>Group of the deck.</summary>
    public const string DeckGroup = "Deck";

    /// <summary>Group of steel.</summary>
    public const string SteelGroup = "Steel";

    /// <summary>Group of orders and joints.</summary>
    public const string MakingGroup = "Making";

    /// <summary>Number of planes of bars.</summary>
    public const int Planes = 2;

    private TrussCost(IEnumerable<CostLine> lines) => Lines = [.. lines.Where(l => l.Amount > 0)];

    /// <summary>Its lines.</summary>
    public ImmutableArray<CostLine> Lines { get; }

    /// <summary>All of them.</summary>
    public double Total => Lines.Sum(l => l.Cost);

    /// <summary>Those of a group.</summary>
    public double Of(string group) => Lines.Where(l => l.Group == group).Sum(l => l.Cost);

    /// <summary>The cost of a scheme.</summary>
    public static TrussCost Of(TrussScheme scheme)
    {
        var model = TrussModel.Of(scheme);
        return new([.. SiteAndDeck(scheme), .. Steel(model), .. Making(scheme, model)]);
    }

    /// <summary>The cost of site and deck alone, before there are bars.</summary>
    public static TrussCost OfSite(TrussScheme scheme) => new(SiteAndDeck(scheme));

    private static IEnumerable<CostLine> SiteAndDeck(TrussScheme scheme)
    {
        var places = new SitePlaces(scheme.Site);
        return [.. Site(scheme, places), .. Deck(scheme, places)];
    }

    private static IEnumerable<CostLine> Site(TrussScheme scheme, SitePlaces places)
    {
        var site = scheme.Site;
        var (dug, filled) = places.Earthworks();
        var anchors = new[] { site.LeftAnchor, site.RightAnchor }.Count(a => a is not null);
        CostLine Line(string name, double amount)
        {
            var price = Prices.First(p => p.Name == name);
            return new(SiteGroup, price.Words, amount, price.Unit, PriceOf(scheme, name));
        }
        yield return Line("excavation", dug);
        yield return Line("fill", filled);
        yield return Line("abutment", 2);
        yield return Line("springing", 2 * (site.Springings ?? 0));
        yield return Line("pier", site.Pier is null ? 0 : 1);
        yield return Line("pier.height", site.Pier is { } pier ? Math.Max(0, pier.Top - places.GroundAt(pier.X)) : 0);
        yield return Line("anchor", anchors);
    }

    private static IEnumerable<CostLine> Deck(TrussScheme scheme, SitePlaces places)
    {
        var site = scheme.Site;
        yield return new(DeckGroup, DeckWords(site.Deck), site.Opening * places.Width, "m²", PriceOf(scheme, $"deck.{site.Deck}"));
        yield return new(
            DeckGroup,
            $"Cross beams, {places.Deck.Length} of {places.Width:0.##} m",
            places.Deck.Length * places.Width,
            "m",
            PriceOf(scheme, "crossBeam")
        );
    }

    private static IEnumerable<CostLine> Steel(TrussModel model) =>
        Enumerable
            .Range(0, model.Bars.Length)
            .GroupBy(b => (model.Bars[b].Section.Family, Grade: model.Bars[b].Grade.Name, model.Bars[b].Price))
            .OrderBy(g => g.Key.Family, StringComparer.Ordinal)
            .Select(g => new CostLine(
                SteelGroup,
                $"{FamilyWords(g.Key.Family)}, {g.Key.Grade}",
                Planes * g.Sum(model.Mass),
                "kg",
                g.Key.Price
            ));

    private static IEnumerable<CostLine> Making(TrussScheme scheme, TrussModel model)
    {
        var used = model.Bars.SelectMany(b => new[] { b.From, b.To }).Distinct().Count();
        yield return new(MakingGroup, "Different sections", Sections(model), "section", PriceOf(scheme, "order"));
        yield return new(MakingGroup, "Joints", Planes * used, "joint", PriceOf(scheme, "joint"));
        yield return new(MakingGroup, "Ends of bars", Planes * 2 * model.Bars.Length, "end", PriceOf(scheme, "joint.bar"));
    }

    /// <summary>How many different sections of a grade have to be bought.</summary>
    public static int Sections(TrussModel model) =>
        model.Bars.Select(b => (b.Section.Family, b.Section.Name, b.Grade.Name)).Distinct().Count();

    private static string DeckWords(string name) =>
        BarCatalogue.Deck(name) is { } deck ? char.ToUpperInvariant(deck.Words[0]) + deck.Words[1..] : name;

    /// <summary>A family in words, as it begins a line.</summary>
    public static string FamilyWords(string family) =>
        Families.FirstOrDefault(f => f.Name == family) is { } known
            ? char.ToUpperInvariant(known.Words[0]) + known.Words[1..]
            : "Own section";
}
