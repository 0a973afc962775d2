using Pravik.Core.Findings;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Units;

namespace Pravik.Core.Bridges;

/// <summary>Whether the parts of a bridge fit together: girders under the deck, strands in the section, traffic on the carriageway.</summary>
internal static class Fit
{
    public static void Check(Bridge bridge, Bounds bounds)
    {
        var units = UnitSystem.Named(bridge.Basis.Units);
        var values = NationalValues.For(bridge.Basis);
        if (bridge.Deck.Left.IsEmpty && bridge.Deck.Right.IsEmpty)
        {
            bounds.Error("/deck/left", "The deck has no strips: it needs at least a carriageway.");
            return;
        }
        var sections = Sections(bridge, values, bounds);
        foreach (var section in sections)
        {
            if (!bounds.HasErrors) Strips(bridge, section, values, units, bounds);
            if (!bounds.HasErrors) Girders(bridge, section, units, bounds);
        }
        Strands(bridge, bounds);
        Bars(bridge.Deck, bridge.Girders.SlabBars, bounds);
        if (bounds.HasErrors) return;
        var geometry = new BridgeGeometry(bridge);
        Coverage.Check(geometry, bounds);
        if (bounds.HasErrors) return;
        Lines(bridge, geometry, units, bounds);
        Parapets(geometry, units, bounds);
        Clear(geometry, units, bounds);
        Advice(bridge, sections, values, bounds);
    }

    /// <summary>The deck's sections at the axes, half way between them, and wherever a table has an entry; none where widths run out.</summary>
    private static List<DeckSection> Sections(Bridge bridge, NationalValues values, Bounds bounds)
    {
        List<double> axes = [bridge.Axes.FirstStation];
        foreach (var span in bridge.Axes.Spans) axes.Add(axes[^1] + span);
        var shape = new DeckShape(bridge.Deck, new(bridge.Road.Crossfalls), [.. axes], values["kerbHeight"]);
        var places = axes.Concat(axes.Zip(axes.Skip(1), (a, b) => (a + b) / 2)).Concat(shape.Breaks.Where(s => s > axes[0] && s < axes[^1])).Concat(bridge.Road.Crossfalls.Select(c => c.Station).Where(s => s > axes[0] && s < axes[^1]));
        return [.. places.Distinct().Order().Take(2000).Select(shape.At)];
    }

    private static void Strips(Bridge bridge, DeckSection deck, NationalValues values, UnitSystem units, Bounds bounds)
    {
        foreach (var strip in deck.Strips.Where(s => s.LeastFill < -1e-9))
        {
            bounds.Error($"{strip.Path}/upstand", $"The surface of this strip lies {units.FormatWithUnit(-strip.LeastFill, QuantityKind.Size)} below the top of the slab. Raise its upstand or lower the slab by more surfacing.");
        }
        if (deck.Carriageway is not { } part)
            bounds.Error(bridge.Deck.Left.IsEmpty ? "/deck/right" : "/deck/left", "The deck has no carriageway beside the road line, so traffic has nowhere to drive.");
        else if (part.Width < values["laneWidth"] - 1e-9)
            bounds.Error("/deck/left", $"The carriageway is {units.FormatWithUnit(part.Width, QuantityKind.Length)} wide between kerbs; one notional lane needs {units.FormatWithUnit(values["laneWidth"], QuantityKind.Length)}.");
    }

    private static void Girders(Bridge bridge, DeckSection deck, UnitSystem units, Bounds bounds)
    {
        var girders = bridge.Girders;
        var flange = Math.Max(girders.Section.TopFlangeWidth, girders.Section.BottomFlangeWidth);
        string Text(double length) => units.FormatWithUnit(length, QuantityKind.Length);
        var right = girders.OverhangRight ?? girders.OverhangLeft;
        if (girders.Count == 1)
        {
            if (girders.OverhangLeft < flange / 2 || girders.OverhangLeft > deck.Width - flange / 2)
                bounds.Error("/girders/overhangLeft", $"The girder would lie at or beyond the deck's edge; its overhang must lie between {Text(flange / 2)} and {Text(deck.Width - flange / 2)}.");
            return;
        }
        if (girders.OverhangLeft < flange / 2)
            bounds.Error("/girders/overhangLeft", $"The first girder lies on the deck's edge: with a flange of {Text(flange)} the overhang must be at least {Text(flange / 2)}.");
        if (right < flange / 2)
            bounds.Error(girders.OverhangRight is null ? "/girders/overhangLeft" : "/girders/overhangRight", $"The last girder lies on the deck's edge: with a flange of {Text(flange)} the overhang must be at least {Text(flange / 2)}.");
        var room = deck.Width - girders.OverhangLeft - right;
        var most = (int)Math.Floor(room / flange + 1e-9) + 1;
        if (room <= 0) bounds.Error("/girders/overhangLeft", $"The overhangs leave no room for girders on a deck {Text(deck.Width)} wide.");
        else if (girders.Count > most)
            bounds.Error("/girders/count", $"{girders.Count} girders do not fit: between the overhangs there are {Text(room)}, room for {most} with flanges of {Text(flange)}.");
    }

    private static void Strands(Bridge bridge, Bounds bounds)
    {
        var strands = bridge.Girders.Strands;
        var outline = bridge.Girders.Section.Outline();
        var steel = PrestressingSteel.Of(bridge.Materials.Strand);
        for (var i = 0; i < strands.Rows.Length; i++)
        {
            var (row, path) = (strands.Rows[i], $"/girders/strands/rows/{i}");
            if (row.Count == 0) continue;
            var outermost = new Point((row.Count - 1) * row.Spacing / 2, row.Level);
            if (!outline.Contains(outermost) || !outline.Contains(new(-outermost.X, row.Level)))
                bounds.Error(row.Level >= outline.Top ? $"{path}/level" : $"{path}/count", $"Strands of row {i + 1} lie outside the girder's section.");
            else if (outline.DistanceToOutline(outermost) < steel.Diameter)
                bounds.Warning(path, $"The outer strands of row {i + 1} lie less than one diameter from the face.", "Cover for bond and durability is not checked yet (EN 1992-1-1 4.4.1).");
        }
        if (strands.EffectiveStress > 0.75 * steel.Fpk)
            bounds.Warning("/girders/strands/effectiveStress", "The effective stress after losses is above 0.75 fpk.", "EN 1992-1-1 7.2(5) limits the mean value of prestress to 0.75 fpk.");
    }

    private static void Bars(Deck deck, SlabBars bars, Bounds bounds)
    {
        foreach (var (name, layer) in new[] { ("top", bars.Top), ("bottom", bars.Bottom) })
        {
            if (layer.AxisDistance + layer.Diameter / 2 > deck.SlabThickness || layer.AxisDistance < layer.Diameter / 2)
                bounds.Error($"/girders/slabBars/{name}/axisDistance", $"The {name} slab bars lie outside the slab.");
            if (layer.Spacing <= layer.Diameter) bounds.Error($"/girders/slabBars/{name}/spacing", $"The {name} slab bars touch each other.");
        }
    }

    /// <summary>On a curved road, straight girders must stay under the deck.</summary>
    private static void Lines(Bridge bridge, BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        if (Folds(geometry))
        {
            bounds.Error("/road/elements", "The road turns so tightly under the bridge that the deck would fold over itself at its edge.");
            return;
        }
        var half = bridge.Girders.Section.TopFlangeWidth / 2;
        foreach (var girder in new[] { geometry.Girders[0], geometry.Girders[^1] })
        {
            for (var span = 0; span < geometry.SpanCount; span++)
            {
                var length = girder.SpanLength(span);
                if (length < 1 + 2 * bridge.Girders.EndGap)
                {
                    bounds.Error($"/axes/spans/{span}", $"{girder.Name} is only {units.FormatWithUnit(length, QuantityKind.Length)} long in span {span + 1}; little is left between its end gaps.");
                    continue;
                }
                var room = Enumerable.Range(0, 9).Select(i => geometry.Road.Locate(geometry.OnGirder(girder, span, i / 8.0))).Min(p => Math.Min(p.Offset - geometry.Deck.LeftEdge(p.Station), geometry.Deck.RightEdge(p.Station) - p.Offset));
                if (room < half - 1e-9)
                    bounds.Error("/girders/overhangLeft", $"{girder.Name} is straight under a curved deck and comes within {units.FormatWithUnit(Math.Max(0, room), QuantityKind.Length)} of its edge in span {span + 1}, less than half its flange. Widen the overhang.");
            }
        }
        for (var i = 0; i < geometry.SpanCount; i++)
        {
            foreach (var edge in new[] { 0, geometry.Deck.Boundaries - 1 })
            {
                if (geometry.BoundaryOnAxis(geometry.Axes[i + 1], edge).Station - geometry.BoundaryOnAxis(geometry.Axes[i], edge).Station < 0.5)
                    bounds.Error("/axes/skew", $"Axes {i + 1} and {i + 2} meet within the deck.");
            }
        }
    }

    /// <summary>What is crossed must stay clear.</summary>
    private static void Clear(BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        for (var i = 0; i < geometry.Bridge.Crossings.Length; i++)
        {
            var crossing = geometry.Bridge.Crossings[i];
            if (Clearances.Least(geometry, crossing) is not { } least) bounds.Warning($"/crossings/{i}/station", $"{crossing.Name} does not pass under the bridge.", null, crossing.Station);
            else if (least.Height < crossing.Height - 1e-9)
                bounds.Warning($"/crossings/{i}/height", $"{crossing.Name} has a clearance of {units.FormatWithUnit(least.Height, QuantityKind.Length)} under {least.Girder}, {units.FormatWithUnit(crossing.Height - least.Height, QuantityKind.Length)} less than wanted.",
                    "Raise the road, take a shallower girder, or move the axes.", least.Station);
        }
    }

    /// <summary>Parapets must stand on the deck.</summary>
    private static void Parapets(BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        foreach (var line in ParapetLine.All(geometry))
        {
            var side = line.Side < 0 ? "left" : "right";
            foreach (var station in geometry.Stations(8).Where(line.Covers))
            {
                var (inner, outer) = (line.Face(station), line.Face(station) + line.Side * line.Profile.Width);
                var beyond = Math.Max(geometry.Deck.LeftEdge(station) - Math.Min(inner, outer), Math.Max(inner, outer) - geometry.Deck.RightEdge(station));
                if (beyond <= 1e-6) continue;
                bounds.Error($"{line.Path}/across", $"The parapet on the {side} stands {units.FormatWithUnit(beyond, QuantityKind.Size)} off the deck at station {units.Format(station, QuantityKind.Length)}. Move it inward.");
                break;
            }
            if (line.To < geometry.FirstStation || line.From > geometry.LastStation) bounds.Warning($"{line.Path}/from", $"The parapet on the {side} lies wholly off the bridge.");
        }
    }

    /// <summary>Whether an edge of the deck comes near the centre of a curve.</summary>
    private static bool Folds(BridgeGeometry geometry)
    {
        for (var i = 0; i <= 200; i++)
        {
            var station = geometry.FirstStation + (geometry.LastStation - geometry.FirstStation) * i / 200;
            var curvature = geometry.Road.Line.Curvature(station);
            if (1 - curvature * geometry.Deck.LeftEdge(station) < 0.2 || 1 - curvature * geometry.Deck.RightEdge(station) < 0.2) return true;
        }
        return false;
    }

    private static void Advice(Bridge bridge, List<DeckSection> sections, NationalValues values, Bounds bounds)
    {
        var spans = bridge.Axes.Spans;
        for (var i = 0; i + 1 < spans.Length; i++)
        {
            var ratio = spans[i] / spans[i + 1];
            if (ratio is < 2.0 / 3 - 1e-9 or > 1.5 + 1e-9)
                bounds.Warning($"/axes/spans/{i + 1}", $"Spans {i + 1} and {i + 2} differ by more than the factor 1.5.", "The distances between points of zero moment in EN 1992-1-1 Figure 5.2, and so the effective widths, hold for neighbouring spans of ratio 2/3 to 1.5.");
        }
        foreach (var (side, strips) in new[] { ("left", bridge.Deck.Left), ("right", bridge.Deck.Right) })
        {
            for (var i = 1; i < strips.Length; i++)
            {
                if (strips[i].Kind == StripKind.Footway && strips[i - 1].Kind is StripKind.Carriageway or StripKind.HardStrip && strips[i].Upstand < values["kerbHeight"])
                {
                    bounds.Findings.Add(Finding.Warning($"/deck/{side}/{i}/upstand", $"No kerb guards the footway on the {side}: vehicles could mount it.", "Traffic is placed on the carriageway only (EN 1991-2 1.4.2.1).") with
                    {
                        Repair = new("Raise it by a kerb of 120 mm", [new("replace", $"/deck/{side}/{i}/upstand", "0.12")]),
                    });
                }
            }
        }
        if (bridge.Girders.Count == 1)
            bounds.Warning("/girders/count", "A single girder is taken as held against twisting at every axis.", "Two bearings or a stiff diaphragm on two columns are needed to do that.");
        if (sections.Max(s => s.Width) > 40) bounds.Warning("/deck/left", "The deck is wider than 40 m.", "Effects of temperature and restraint across the deck are not covered.");
    }
}
