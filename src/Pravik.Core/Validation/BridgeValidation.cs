using System.Runtime.CompilerServices;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.Materials;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Validation;

/// <summary>
/// The bounds of every value and of values together. Errors mean that the bridge cannot be taken; warnings go with it.
/// The parts that need geometry are looked at only when each value by itself is sound.
/// </summary>
public static class BridgeValidation
{
    private const int MostAxes = 31;

    /// <summary>Findings of bridges that were looked at: a bridge never changes, and is asked about by several.</summary>
    private static readonly ConditionalWeakTable<Bridge, IReadOnlyList<Finding>> Known = [];

    /// <summary>All findings of a bridge, errors first to stand in the way.</summary>
    public static IReadOnlyList<Finding> Check(Bridge bridge) => Known.GetValue(bridge, Look);

    private static List<Finding> Look(Bridge bridge)
    {
        var bounds = new Bounds(UnitSystem.Named(bridge.Basis?.Units), bridge);
        if (!IsWhole(bridge, bounds))
            return bounds.Findings;
        bounds.Text("/name", bridge.Name);
        if (string.IsNullOrWhiteSpace(bridge.Name))
            bounds.Error("/name", "The bridge needs a name.");
        Basis(bridge.Basis!, bounds);
        RoadValidation.Check(bridge.Road, bounds);
        if (bridge.Ground is { } ground)
        {
            bounds.Text("/ground/name", "The ground's name", ground.Name, 120);
            bounds.Text("/ground/hash", "The ground's hash", ground.Hash, 64);
        }
        Axes(bridge, bounds);
        DeckValidation.Check(bridge.Deck, bridge.Axes.Spans.Length + 1, bounds);
        ParapetValidation.Check(bridge, bounds);
        Crossings(bridge, bounds);
        SectionValidation.Check(bridge.Sections, bounds);
        foreach (var (key, own) in bridge.Girders.Own.Where(o => o.Value?.Section is not null))
            bounds.Among($"/girders/own/{key}/section", own.Section!, [.. bridge.Sections.Select(x => x.Name)]);
        GirderTypeValidation.Check(bridge, bounds);
        GirderValidation.Sizes(bridge, bounds);
        SupportValidation.Check(bridge, bounds);
        Steel(bridge.Girders, bounds);
        MaterialValidation.Check(bridge.Materials, bridge.Girders.Types, bounds);
        Loads(bridge.Loads, bounds);
        TrafficValidation.Check(bridge, bounds);
        ModelValidation.Check(bridge, bounds);
        bounds.Text("/costs/currency", bridge.Costs.Currency);
        if (bridge.Costs.Rates.Count > 200)
            bounds.Error("/costs/rates", "There are at most 200 rates.");
        foreach (var (key, rate) in bridge.Costs.Rates)
            bounds.Check($"/costs/rates/{key}", rate);
        if (!bounds.HasErrors)
            Fit.Check(bridge, bounds);
        return bounds.Findings;
    }

    /// <summary>JSON can leave null where a part must stand.</summary>
    private static bool IsWhole(Bridge bridge, Bounds bounds)
    {
        if (bridge.Format != Bridge.FormatName)
            bounds.Error("/format", $"This is not a bridge file: the format must be “{Bridge.FormatName}”.");
        if (bridge.Version is < 1 or > Bridge.CurrentVersion)
            bounds.Error(
                "/version",
                $"File version {bridge.Version} is not known here; this program reads versions 1 to {Bridge.CurrentVersion}."
            );
        (string Path, object? Part)[] parts =
        [
            ("/basis", bridge.Basis),
            ("/basis/titles", bridge.Basis?.Titles),
            ("/basis/ownValues", bridge.Basis?.OwnValues),
            ("/road", bridge.Road),
            ("/axes", bridge.Axes),
            ("/deck", bridge.Deck),
            ("/girders", bridge.Girders),
            ("/girders/slabBars", bridge.Girders?.SlabBars),
            ("/girders/pierBars", bridge.Girders?.PierBars),
            ("/girders/slabBars/top", bridge.Girders?.SlabBars?.Top),
            ("/girders/slabBars/bottom", bridge.Girders?.SlabBars?.Bottom),
            ("/girders/barsAcross", bridge.Girders?.BarsAcross),
            ("/girders/barsAcross/top", bridge.Girders?.BarsAcross?.Top),
            ("/girders/barsAcross/bottom", bridge.Girders?.BarsAcross?.Bottom),
            ("/girders/release", bridge.Girders?.Release),
            ("/girders/diaphragm", bridge.Girders?.Diaphragm),
            ("/girders/own", bridge.Girders?.Own),
            ("/girders/spans", bridge.Girders?.Spans),
            ("/materials", bridge.Materials),
            ("/materials/slab", bridge.Materials?.Slab),
            ("/materials/support", bridge.Materials?.Support),
            ("/costs", bridge.Costs),
            ("/costs/rates", bridge.Costs?.Rates),
            ("/materials/reinforcement", bridge.Materials?.Reinforcement),
            ("/materials/strand", bridge.Materials?.Strand),
            ("/materials/structural", bridge.Materials?.Structural),
            ("/loads", bridge.Loads),
        ];
        foreach (var (path, _) in parts.Where(p => p.Part is null))
            bounds.Error(path, "This part is missing.");
        if (!bounds.HasErrors)
        {
            if (bridge.Axes!.Spans.IsDefault)
                bounds.Error("/axes/spans", "The list of spans is missing.");
            if (bridge.Axes.Own is null)
                bounds.Error("/axes/own", "This part is missing.");
            RoadValidation.CheckLists(bridge.Road!, bounds);
            if (bridge.Parapets.IsDefault)
                bounds.Error("/parapets", "The list of parapets is missing.");
            else if (bridge.Parapets.Contains(null!))
                bounds.Error("/parapets", "A parapet is missing.");
            else if (bridge.Parapets.Length > 20)
                bounds.Error("/parapets", "There are at most 20 parapets.");
            if (bridge.Profiles.IsDefault || bridge.Profiles.Any(p => p is null || p.Outline.IsDefault || p.Outline.Contains(null!)))
                bounds.Error("/profiles", "The list of profiles, an outline or a corner of one is missing.");
            else if (bridge.Profiles.Length > 50)
                bounds.Error("/profiles", "There are at most 50 profiles.");
            if (bridge.Crossings.IsDefault || bridge.Crossings.Contains(null!))
                bounds.Error("/crossings", "The list of crossings, or an item of it, is missing.");
            else if (bridge.Crossings.Length > 50)
                bounds.Error("/crossings", "There are at most 50 crossings.");
            DeckValidation.CheckLists(bridge.Deck!, bounds);
            SectionValidation.CheckLists(bridge.Sections, bounds);
            SupportValidation.CheckLists(bridge, bounds);
            GirderValidation.CheckLists(bridge.Girders!, bounds);
            GirderTypeValidation.CheckLists(bridge.Girders!.Types, bounds);
            ModelValidation.CheckLists(bridge, bounds);
            TrafficValidation.CheckLists(bridge, bounds);
        }
        return !bounds.HasErrors;
    }

    /// <summary>What a project is built on.</summary>
    internal static void Basis(Basis basis, Bounds bounds)
    {
        bounds.Among("/basis/units", basis.Units ?? "", [UnitSystem.Metric.Name, UnitSystem.UsCustomary.Name]);
        bounds.Known("/basis/standard", basis.Standard);
        if (bounds.Among("/basis/nationalSet", basis.NationalSet ?? "", [.. NationalValues.Names]))
        {
            var set = NationalValues.Named(basis.NationalSet!)!;
            foreach (var (name, value) in basis.OwnValues)
            {
                if (!set.Has(name))
                    bounds.Error($"/basis/ownValues/{name}", $"“{name}” is not a value of the national set.");
                else
                    bounds.Check($"/basis/ownValues/{name}", value);
            }
        }
        var titles = basis.Titles;
        bounds.Text("/basis/titles/project", titles.Project);
        bounds.Text("/basis/titles/client", titles.Client);
        bounds.Text("/basis/titles/office", titles.Office);
        bounds.Text("/basis/titles/number", titles.Number);
        bounds.Text("/basis/titles/issue", titles.Issue);
        bounds.Text("/basis/titles/drawn", titles.Drawn);
        bounds.Text("/basis/titles/checked", titles.Checked);
    }

    private static void Axes(Bridge bridge, Bounds bounds)
    {
        var axes = bridge.Axes;
        if (axes.Spans.Length is < 1 or > 30)
        {
            bounds.Error("/axes/spans", $"A bridge has 1 to 30 spans; {axes.Spans.Length} were given.");
            return;
        }
        for (var i = 0; i < axes.Spans.Length; i++)
            bounds.Check($"/axes/spans/{i}", axes.Spans[i]);
        bounds.Check("/axes/skew", axes.Skew);
        bounds.Check("/axes/firstStation", axes.FirstStation);
        foreach (var (number, own) in axes.Own)
        {
            var path = $"/axes/own/{number}";
            if (!int.TryParse(number, out var n) || n is < 1 or > 31 || $"{n}" != number)
                bounds.Error(path, $"“{number}” is not the number of an axis.");
            else if (own is null)
                bounds.Error(path, "This part is missing.");
            else
            {
                bounds.Text($"{path}/name", own.Name);
                bounds.Check($"{path}/skew", own.Skew);
                bounds.Check($"{path}/azimuth", own.Azimuth);
                bounds.Known($"{path}/kind", own.Kind);
                if (own.Kind == AxisKind.Joint && (n == 1 || n == axes.Spans.Length + 1))
                    bounds.Error($"{path}/kind", $"The deck ends at axis {number}: a joint parts it at an axis between.");
            }
        }
    }

    private static void Crossings(Bridge bridge, Bounds bounds)
    {
        for (var i = 0; i < bridge.Crossings.Length; i++)
        {
            var (crossing, path) = (bridge.Crossings[i], $"/crossings/{i}");
            bounds.Text($"{path}/name", crossing.Name);
            bounds.Known($"{path}/kind", crossing.Kind);
            bounds.Check($"{path}/station", crossing.Station);
            bounds.Check($"{path}/skew", crossing.Skew);
            bounds.Check($"{path}/level", crossing.Level);
            bounds.Check($"{path}/grade", crossing.Grade);
            bounds.Check($"{path}/width", crossing.Width);
            bounds.Check($"{path}/height", crossing.Height);
        }
    }

    /// <summary>The findings about one own profile by itself, as it stands in a library.</summary>
    public static IReadOnlyList<Finding> Check(OwnProfile profile)
    {
        var bounds = new Bounds(UnitSystem.Metric);
        if (profile.Outline.IsDefault || profile.Outline.Contains(null!))
            bounds.Error("/outline", "The outline, or a corner of it, is missing.");
        else
            ParapetValidation.Profile(profile, "", bounds);
        return bounds.Findings;
    }

    /// <summary>The findings about one vehicle by itself, as it stands in a library.</summary>
    public static IReadOnlyList<Finding> Check(Vehicle vehicle)
    {
        const string Place = "/traffic/vehicles/0";
        if (vehicle.Name is null)
            return [Finding.Error("/name", "A vehicle needs a name.")];
        if (vehicle.Axles.IsDefault)
            return [Finding.Error("/axles", "A vehicle has a list of axles.")];
        return
        [
            .. Check(Bridge.New("Library") with { Traffic = new() { Vehicles = [vehicle] } })
                .Where(f => f.Path.StartsWith(Place, StringComparison.Ordinal) || f.Path == "/traffic")
                .Select(f => f with { Path = f.Path == "/traffic" ? "" : f.Path[Place.Length..] }),
        ];
    }

    /// <summary>The findings about one set of national values by itself, as it stands in a library.</summary>
    public static IReadOnlyList<Finding> Check(OfficeSet set)
    {
        var bounds = new Bounds(UnitSystem.Metric);
        bounds.Text("/name", "The name of the set", set.Name, 140);
        if (string.IsNullOrWhiteSpace(set.Name))
            bounds.Error("/name", "The set needs a name.");
        if (set.Values is null)
            bounds.Error("/values", "The values are missing.");
        else if (bounds.Among("/nationalSet", set.NationalSet ?? "", [.. NationalValues.Names], "/basis/nationalSet"))
            foreach (var (name, value) in set.Values)
            {
                if (!NationalValues.Named(set.NationalSet!)!.Has(name))
                    bounds.Error($"/values/{name}", $"“{name}” is not a value of the national set.");
                else
                    bounds.Check($"/values/{name}", value, entry: $"/basis/ownValues/{name}");
            }
        return bounds.Findings;
    }

    /// <summary>The findings about one section of members by itself, as it stands in a library.</summary>
    public static IReadOnlyList<Finding> Check(Sections.SectionShape section)
    {
        var bounds = new Bounds(UnitSystem.Metric);
        SectionValidation.CheckLists([section], bounds);
        if (!bounds.HasErrors)
            SectionValidation.Check([section], bounds);
        return bounds.Findings;
    }

    /// <summary>The findings about one cross-section by itself, as it stands in a library.</summary>
    public static IReadOnlyList<Finding> Check(DeckPattern pattern)
    {
        var (bounds, deck) = (new Bounds(UnitSystem.Metric), new Deck { Patterns = [pattern] });
        DeckValidation.CheckLists(deck, bounds);
        if (!bounds.HasErrors)
            DeckValidation.Check(deck, MostAxes, bounds);
        return bounds.Findings;
    }

    private static void Steel(Girders girders, Bounds bounds)
    {
        bounds.Check("/girders/pierBars/count", girders.PierBars.Count);
        bounds.Check("/girders/pierBars/diameter", girders.PierBars.Diameter);
        bounds.Check("/girders/pierBars/level", girders.PierBars.Level);
        bounds.Check("/girders/pierBars/reach", girders.PierBars.Reach);
        bounds.Check("/girders/strutSlope", girders.StrutSlope);
        bounds.Check("/girders/deflectionLimit", girders.DeflectionLimit);
        bounds.Among("/girders/topSurface", girders.TopSurface ?? "", [.. InterfaceSurface.Names]);
        bounds.Check("/girders/release/age", girders.Release.Age);
        bounds.Check("/girders/release/strength", girders.Release.Strength);
        bounds.Check("/girders/release/heatTemperature", girders.Release.HeatTemperature);
        bounds.Check("/girders/release/heatHours", girders.Release.HeatHours);
        var (along, across) = (girders.SlabBars, girders.BarsAcross);
        foreach (
            var (path, layer) in new[]
            {
                ("/girders/slabBars/top", along.Top),
                ("/girders/slabBars/bottom", along.Bottom),
                ("/girders/barsAcross/top", across.Top),
                ("/girders/barsAcross/bottom", across.Bottom),
            }
        )
        {
            bounds.Check($"{path}/diameter", layer.Diameter);
            bounds.Check($"{path}/spacing", layer.Spacing);
            bounds.Check($"{path}/axisDistance", layer.AxisDistance);
        }
    }

    private static void Loads(UnitWeights loads, Bounds bounds)
    {
        bounds.Check("/loads/steelWeight", loads.SteelWeight);
        bounds.Check("/loads/wetConcrete", loads.WetConcrete);
        bounds.Check("/loads/concreteWeight", loads.ConcreteWeight);
        bounds.Check("/loads/surfacingWeight", loads.SurfacingWeight);
        bounds.Check("/loads/footwayWeight", loads.FootwayWeight);
    }
}
