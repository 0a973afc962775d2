using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>
/// The bounds of every value and of values together. Errors mean that the bridge cannot be taken; warnings go with it.
/// The parts that need geometry are looked at only when each value by itself is sound.
/// </summary>
public static class BridgeValidation
{
    private const int MostAxes = 31;

    /// <summary>The greatest skew of an axis (rad).</summary>
    public const double GreatestSkew = 60 * Math.PI / 180;

    /// <summary>All findings of a bridge, errors first to stand in the way.</summary>
    public static IReadOnlyList<Finding> Check(Bridge bridge)
    {
        var bounds = new Bounds(UnitSystem.Named(bridge.Basis?.Units));
        if (!IsWhole(bridge, bounds))
            return bounds.Findings;
        Basis(bridge, bounds);
        RoadValidation.Check(bridge.Road, bounds);
        if (bridge.Ground is { } ground)
        {
            bounds.Text("/ground/name", "The ground's name", ground.Name, 120);
            bounds.Text("/ground/hash", "The ground's hash", ground.Hash, 64);
        }
        Axes(bridge, bounds);
        DeckValidation.Check(bridge.Deck, bridge.Axes.Spans.Length + 1, bounds);
        Parapets(bridge, bounds);
        Crossings(bridge, bounds);
        SectionValidation.Check(bridge.Sections, bounds);
        foreach (var (key, own) in bridge.Girders.Own.Where(o => o.Value?.Section is not null))
            bounds.Among($"/girders/own/{key}/section", "Section", own.Section!, [.. bridge.Sections.Select(x => x.Name)]);
        GirderTypeValidation.Check(bridge, bounds);
        GirderValidation.Sizes(bridge, bounds);
        SupportValidation.Check(bridge, bounds);
        Steel(bridge.Girders, bounds);
        MaterialValidation.Check(bridge.Materials, bridge.Girders.Types, bounds);
        Loads(bridge.Loads, bounds);
        ModelValidation.Check(bridge, bounds);
        bounds.Text("/costs/currency", "The currency", bridge.Costs.Currency, 12);
        if (bridge.Costs.Rates.Count > 200)
            bounds.Error("/costs/rates", "There are at most 200 rates.");
        foreach (var (key, rate) in bridge.Costs.Rates)
            bounds.Between($"/costs/rates/{key}", "The rate", rate, 0, 1e9, QuantityKind.Number);
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
        }
        return !bounds.HasErrors;
    }

    private static void Basis(Bridge bridge, Bounds bounds)
    {
        var basis = bridge.Basis;
        bounds.Text("/name", "The bridge's name", bridge.Name, 120);
        if (string.IsNullOrWhiteSpace(bridge.Name))
            bounds.Error("/name", "The bridge needs a name.");
        bounds.Among("/basis/units", "Unit system", basis.Units ?? "", [UnitSystem.Metric.Name, UnitSystem.UsCustomary.Name]);
        if (bounds.Among("/basis/nationalSet", "National set", basis.NationalSet ?? "", [.. NationalValues.Names]))
        {
            var set = NationalValues.Named(basis.NationalSet!)!;
            foreach (var (name, value) in basis.OwnValues)
            {
                if (!set.Has(name))
                    bounds.Error($"/basis/ownValues/{name}", $"“{name}” is not a value of the national set.");
                else
                    NationalBounds(name, value, bounds);
            }
        }
        var titles = basis.Titles;
        (string Name, string? Text)[] all =
        [
            ("project", titles.Project),
            ("client", titles.Client),
            ("office", titles.Office),
            ("number", titles.Number),
            ("issue", titles.Issue),
            ("drawn", titles.Drawn),
            ("checked", titles.Checked),
        ];
        foreach (var (name, text) in all)
            bounds.Text($"/basis/titles/{name}", $"The title “{name}”", text, 80);
    }

    private static void NationalBounds(string name, double value, Bounds bounds)
    {
        var (least, greatest) = name switch
        {
            "gammaC" or "gammaS" => (1.0, 3.0),
            "alphaCc" => (0.5, 1.0),
            "laneWidth" => (2.0, 5.0),
            "kerbHeight" => (0.0, 0.5),
            _ when name.StartsWith("gamma", StringComparison.Ordinal) => (0.5, 3.0),
            _ when name.StartsWith("psi", StringComparison.Ordinal) => (0.0, 1.0),
            _ when name.StartsWith("alpha", StringComparison.Ordinal) => (0.0, 3.0),
            _ => (0.0, 1e6),
        };
        bounds.Between($"/basis/ownValues/{name}", name, value, least, greatest, QuantityKind.Number);
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
            bounds.Between($"/axes/spans/{i}", $"Span {i + 1}", axes.Spans[i], 2, 120, QuantityKind.Length);
        bounds.Between("/axes/skew", "Skew", axes.Skew, -GreatestSkew, GreatestSkew, QuantityKind.Angle);
        bounds.Between("/axes/firstStation", "Station of the first axis", axes.FirstStation, -1e6, 1e6, QuantityKind.Length);
        foreach (var (number, own) in axes.Own)
        {
            var (path, words) = ($"/axes/own/{number}", $"axis {number}");
            if (!int.TryParse(number, out var n) || n is < 1 or > 31 || $"{n}" != number)
                bounds.Error(path, $"“{number}” is not the number of an axis.");
            else if (own is null)
                bounds.Error(path, "This part is missing.");
            else
            {
                if (own.Name is { } name && (name.Length is 0 or > 8 || name.Any(char.IsControl)))
                    bounds.Error($"{path}/name", $"The name of {words} has 1 to 8 characters.");
                bounds.Own($"{path}/skew", $"Skew of {words}", own.Skew, -GreatestSkew, GreatestSkew, QuantityKind.Angle);
                bounds.Own($"{path}/azimuth", $"Direction of {words}", own.Azimuth, -2 * Math.PI, 2 * Math.PI, QuantityKind.Angle);
                if (own.Kind is { } kind && !Enum.IsDefined(kind))
                    bounds.Error($"{path}/kind", $"The kind of {words} is not known.");
                else if (own.Kind == AxisKind.Joint && (n == 1 || n == axes.Spans.Length + 1))
                    bounds.Error($"{path}/kind", $"The deck ends at {words}: a joint parts it at an axis between.");
            }
        }
    }

    private static void Crossings(Bridge bridge, Bounds bounds)
    {
        for (var i = 0; i < bridge.Crossings.Length; i++)
        {
            var (crossing, path) = (bridge.Crossings[i], $"/crossings/{i}");
            bounds.Text($"{path}/name", "The name of the crossing", crossing.Name, 60);
            if (!Enum.IsDefined(crossing.Kind))
                bounds.Error($"{path}/kind", "The kind of crossing is not known.");
            bounds.Between($"{path}/station", "Station of the crossing", crossing.Station, -1e6, 2e6, QuantityKind.Length);
            bounds.Between(
                $"{path}/skew",
                "Skew of the crossing",
                crossing.Skew,
                -80 * Math.PI / 180,
                80 * Math.PI / 180,
                QuantityKind.Angle
            );
            bounds.Between($"{path}/level", "Level of the crossing", crossing.Level, -500, 9000, QuantityKind.Length);
            bounds.Between($"{path}/grade", "Grade of the crossing", crossing.Grade, -0.3, 0.3, QuantityKind.Slope);
            bounds.Between($"{path}/width", "Width of the envelope", crossing.Width, 0, 500, QuantityKind.Length);
            bounds.Between($"{path}/height", "Height of the envelope", crossing.Height, 0, 100, QuantityKind.Length);
        }
    }

    /// <summary>The findings about one own profile by itself, as it stands in a library.</summary>
    public static IReadOnlyList<Finding> Check(OwnProfile profile)
    {
        var bounds = new Bounds(UnitSystem.Metric);
        if (profile.Outline.IsDefault || profile.Outline.Contains(null!))
            bounds.Error("/outline", "The outline, or a corner of it, is missing.");
        else
            Profile(profile, "", bounds);
        return bounds.Findings;
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
        else if (bounds.Among("/nationalSet", "National set", set.NationalSet ?? "", [.. NationalValues.Names]))
            foreach (var (name, value) in set.Values)
            {
                if (!NationalValues.Named(set.NationalSet!)!.Has(name))
                    bounds.Error($"/values/{name}", $"“{name}” is not a value of the national set.");
                else
                    NationalBounds(name, value, bounds);
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

    private static void Profile(OwnProfile profile, string path, Bounds bounds)
    {
        bounds.Text($"{path}/name", "The name of the profile", profile.Name, 60);
        if (string.IsNullOrWhiteSpace(profile.Name))
            bounds.Error($"{path}/name", "The profile needs a name.");
        if (profile.Outline.Length is < 3 or > 100)
            bounds.Error($"{path}/outline", "An outline has 3 to 100 corners.");
        for (var i = 0; i < profile.Outline.Length; i++)
        {
            bounds.Between($"{path}/outline/{i}/across", $"Corner {i + 1} across", profile.Outline[i].Across, -5, 5, QuantityKind.Size);
            bounds.Between($"{path}/outline/{i}/up", $"Corner {i + 1} up", profile.Outline[i].Up, -2, 10, QuantityKind.Size);
        }
        bounds.Own($"{path}/weight", "Weight of the profile", profile.Weight, 0, 50e3, QuantityKind.LineLoad);
        if (!bounds.HasErrors && ParapetProfile.Of(profile).Outlines[0].Triangulate() is null)
            bounds.Error($"{path}/outline", $"The outline of “{profile.Name}” crosses itself or has no area.");
    }

    private static void Parapets(Bridge bridge, Bounds bounds)
    {
        for (var i = 0; i < bridge.Profiles.Length; i++)
        {
            Profile(bridge.Profiles[i], $"/profiles/{i}", bounds);
            if (
                ParapetProfile.Library.Any(p => p.Name == bridge.Profiles[i].Name)
                || bridge.Profiles.Take(i).Any(p => p.Name == bridge.Profiles[i].Name)
            )
                bounds.Error($"/profiles/{i}/name", $"There are two profiles named “{bridge.Profiles[i].Name}”.");
        }
        for (var i = 0; i < bridge.Parapets.Length; i++)
        {
            var (parapet, path) = (bridge.Parapets[i], $"/parapets/{i}");
            if (!Enum.IsDefined(parapet.Side))
                bounds.Error($"{path}/side", "A parapet stands on the left, the right or both sides.");
            bounds.Among(
                $"{path}/profile",
                "Parapet profile",
                parapet.Profile ?? "",
                [.. bridge.Profiles.Select(p => p.Name), .. ParapetProfile.Library.Select(p => p.Name)]
            );
            var most = bridge.Deck.Patterns.Max(p =>
                parapet.Side switch
                {
                    ParapetSide.Left => p.Left.Length,
                    ParapetSide.Right => p.Right.Length,
                    _ => Math.Min(p.Left.Length, p.Right.Length),
                }
            );
            if (parapet.Boundary is { } boundary && (boundary < 0 || boundary > most))
                bounds.Error($"{path}/boundary", $"Boundaries of strips are counted from 0 at the road line to {most} at the edge.");
            bounds.Between($"{path}/across", "Distance to the traffic face", parapet.Across, -10, 10, QuantityKind.Size);
            bounds.Between($"{path}/rise", "Rise of the foot", parapet.Rise, -1, 2, QuantityKind.Size);
            bounds.Between($"{path}/extraDepth", "Extra depth", parapet.ExtraDepth, 0, 1, QuantityKind.Size);
            bounds.Own($"{path}/from", "First station of the parapet", parapet.From, -1e6, 2e6, QuantityKind.Length);
            bounds.Own($"{path}/to", "Last station of the parapet", parapet.To, -1e6, 2e6, QuantityKind.Length);
            if (parapet.From >= parapet.To)
                bounds.Error($"{path}/to", "The parapet ends before it begins.");
            bounds.Own($"{path}/weight", "Weight of the parapet", parapet.Weight, 0, 50e3, QuantityKind.LineLoad);
        }
    }

    private static void Steel(Girders girders, Bounds bounds)
    {
        bounds.Between("/girders/pierBars/count", "Bars over a pier", girders.PierBars.Count, 0, 60, QuantityKind.Count);
        bounds.Between("/girders/pierBars/diameter", "Diameter", girders.PierBars.Diameter, 0.006, 0.05, QuantityKind.Size);
        bounds.Between("/girders/pierBars/level", "Level of bars over a pier", girders.PierBars.Level, 0.03, 1, QuantityKind.Size);
        bounds.Between("/girders/pierBars/reach", "Reach of bars over a pier", girders.PierBars.Reach, 0.1, 20, QuantityKind.Length);
        bounds.Between("/girders/strutSlope", "cot θ of struts", girders.StrutSlope, 1, 2.5, QuantityKind.Number);
        foreach (var (name, layer) in new[] { ("top", girders.SlabBars.Top), ("bottom", girders.SlabBars.Bottom) })
        {
            var path = $"/girders/slabBars/{name}";
            bounds.Between($"{path}/diameter", $"Diameter of the {name} slab bars", layer.Diameter, 0.006, 0.050, QuantityKind.Size);
            bounds.Between($"{path}/spacing", $"Spacing of the {name} slab bars", layer.Spacing, 0.05, 1, QuantityKind.Size);
            bounds.Between(
                $"{path}/axisDistance",
                $"Axis distance of the {name} slab bars",
                layer.AxisDistance,
                0.01,
                0.5,
                QuantityKind.Size
            );
        }
    }

    private static void Loads(UnitWeights loads, Bounds bounds)
    {
        bounds.Between("/loads/steelWeight", "Weight of steel", loads.SteelWeight, 60e3, 90e3, QuantityKind.UnitWeight);
        bounds.Between("/loads/wetConcrete", "Weight of water", loads.WetConcrete, 0, 5e3, QuantityKind.UnitWeight);
        bounds.Between("/loads/concreteWeight", "Weight of concrete", loads.ConcreteWeight, 10e3, 40e3, QuantityKind.UnitWeight);
        bounds.Between("/loads/surfacingWeight", "Weight of surfacing", loads.SurfacingWeight, 0, 40e3, QuantityKind.UnitWeight);
        bounds.Between("/loads/footwayWeight", "Weight of footway fill", loads.FootwayWeight, 0, 40e3, QuantityKind.UnitWeight);
    }
}
