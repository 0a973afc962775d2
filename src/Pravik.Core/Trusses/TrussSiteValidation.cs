using Pravik.Core.Units;
using Pravik.Core.Validation;

namespace Pravik.Core.Trusses;

/// <summary>Whether the choices of a site and what drives go together.</summary>
internal static class TrussSiteValidation
{
    public static void Check(TrussScheme scheme, Bounds bounds)
    {
        var (site, units) = (scheme.Site, UnitSystem.Named(scheme.Units));
        string Length(double x) => units.FormatWithUnit(x, QuantityKind.Length);
        Ground(site, bounds);
        if (BarCatalogue.Deck(site.Deck) is not { } deck)
            bounds.Error(
                "/site/deck",
                $"There is no deck “{site.Deck}”; known are {string.Join(", ", BarCatalogue.Decks.Select(d => d.Name))}."
            );
        else if (site.Opening / site.Panels > deck.Longest + 1e-9)
        {
            var panels = (int)Math.Ceiling(site.Opening / deck.Longest - 1e-9);
            bounds.Fault(
                "/site/panels",
                $"This deck spans {Length(deck.Longest)} at most; panels are {Length(site.Opening / site.Panels)} long.",
                TrussValidation.Repair($"{panels} panels", "replace", "/site/panels", panels)
            );
        }
        if (bounds.HasErrors)
            return;
        var places = new SitePlaces(site);
        if (site.Pier is { } pier)
        {
            if (pier.X <= 0 || pier.X >= site.Opening)
                bounds.Fault("/site/pier/x", "The intermediate support must stand within the opening.");
            else if (pier.Top > site.Road)
                bounds.Fault("/site/pier/top", "The intermediate support reaches above the road.");
            else if (pier.Top < places.DugAt(pier.X))
                bounds.Fault("/site/pier/top", $"The intermediate support ends in the ground, which is at {Length(places.DugAt(pier.X))}.");
        }
        if (site.Clearance is { } clear)
        {
            if (clear.To <= clear.From)
                bounds.Fault("/site/clearance/to", "The clearance ends before it begins.");
            if (clear.Top >= site.Road)
                bounds.Fault("/site/clearance/top", "The clearance reaches up to the road.");
        }
        if (scheme.Vehicles.IsEmpty || scheme.Vehicles.All(v => v.Axles.IsEmpty))
            bounds.Fault("/vehicles", "Nothing drives over it: give at least one vehicle with an axle.");
        for (var v = 0; v < scheme.Vehicles.Length; v++)
        {
            var length = VehiclePositions.Length(scheme.Vehicles[v]);
            if (length > site.Opening)
                bounds.Warning(
                    $"/vehicles/{v}",
                    $"{scheme.Vehicles[v].Name} is {Length(length)} long, longer than the opening: it never stands on it whole.",
                    "Axles beside the deck do not act."
                );
        }
    }

    private static void Ground(TrussSite site, Bounds bounds)
    {
        for (var i = 1; i < site.Ground.Length; i++)
        {
            if (site.Ground[i].X <= site.Ground[i - 1].X)
                bounds.Error($"/site/ground/{i}/x", "Levels of the ground go from left to right; this one lies left of the one before.");
        }
        if (site.Ground.Length < 2)
            bounds.Error("/site/ground", "The ground needs at least two levels.");
        else if (site.Ground[0].X > 0 || site.Ground[^1].X < site.Opening)
            bounds.Warning(
                "/site/ground",
                "The ground is not given over the whole opening: it is taken to go on level.",
                "Earthworks are counted within the levels that are given."
            );
    }
}
