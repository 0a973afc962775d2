using System.Text.Json;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>
/// Whether the parts of a bridge fit together: girders under the deck, strands in the section, traffic on the carriageway.
/// </summary>
internal static class Fit
{
    private const double LeastClear = 0.02;

    public static void Check(Bridge bridge, Bounds bounds)
    {
        var units = UnitSystem.Named(bridge.Basis.Units);
        var values = bridge.Basis.Values;
        for (var i = 0; i < bridge.Deck.Patterns.Length; i++)
        {
            if (bridge.Deck.Patterns[i] is { Left.IsEmpty: true, Right.IsEmpty: true })
            {
                bounds.Error($"/deck/patterns/{i}/left", "This cross-section has no strips: it needs at least a carriageway.");
                return;
            }
        }
        var geometry = new BridgeGeometry(bridge, placeGirders: false);
        foreach (var shape in geometry.SectionsInUse.Where(s => s.IsSteel && bridge.Basis.Standard != Standard.Lrfd))
            bounds.Warning(
                PathOfSection(bridge, shape.Shape.Name),
                $"The section “{shape.Shape.Name}” is of steel: girders of steel are laid out, drawn, billed and modelled, but "
                    + "checked under AASHTO LRFD alone."
            );
        foreach (var (section, type) in geometry.Sections.InUse.Where(u => !u.Section.IsSteel && !bridge.Girders.CastInPlace))
            Strands(bridge, type, section, bounds);
        foreach (var (section, type) in geometry.Sections.InUse.Where(u => !u.Section.IsSteel))
            OwnBars(bridge, type, section, bounds);
        SteelFit.Check(bridge, geometry, units, bounds);
        Lines(geometry, units, bounds);
        if (bounds.HasErrors)
            return;
        var sections = geometry.Units.SelectMany(u => Sections(geometry, u)).ToList();
        foreach (var (unit, section, span) in sections)
        {
            if (!bounds.HasErrors)
                Strips(unit, section, bridge.Traffic, values, units, bounds);
            if (!bounds.HasErrors)
                Girders(bridge, span, Narrowest(geometry, span), section, units, bounds);
            if (!bounds.HasErrors)
                Bars(section, bridge.Girders, bounds);
        }
        Layers(bridge.Girders, bounds);
        Joints(geometry, units, bounds);
        if (bounds.HasErrors)
            return;
        geometry = new(bridge);
        Coverage.Check(geometry, bounds);
        if (bounds.HasErrors)
            return;
        GirderLines(bridge, geometry, units, bounds);
        if (bounds.HasErrors)
            return;
        Haunches(geometry, units, bounds);
        TendonValidation.Fit(geometry, units, bounds);
        Parapets(geometry, units, bounds);
        Clear(geometry, units, bounds);
        Advice(bridge, geometry, [.. sections.Select(s => s.Section)], values, bounds);
    }

    /// <summary>A unit's sections at its axes, half way between them, and wherever a table has an entry.</summary>
    private static IEnumerable<(UnitPlace Unit, DeckSection Section, SpanIndex Span)> Sections(BridgeGeometry geometry, UnitPlace unit)
    {
        var axes = geometry.Axes.Where(a => a.Number >= unit.Start.Number && a.Number <= unit.End.Number).Select(a => a.Station).ToList();
        var breaks = unit
            .Shape.Breaks.Concat(geometry.Bridge.Road.Crossfalls.Select(c => c.Station))
            .Where(s => s > axes[0] && s < axes[^1]);
        var places = axes.Concat(axes.Zip(axes.Skip(1), (a, b) => (a + b) / 2)).Concat(breaks);
        // An axis belongs to the spans on both sides of it.
        return places
            .Distinct()
            .Order()
            .Take(2000)
            .SelectMany(s =>
                new[] { geometry.SpanAt(s - 1e-6), geometry.SpanAt(s + 1e-6) }
                    .Distinct()
                    .Where(span => unit.Has(span))
                    .Select(span => (unit, unit.Shape.At(s), span))
            );
    }

    /// <summary>Lines of the road that strips and parapets name must be there and reach over the unit.</summary>
    private static void Lines(BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        for (var i = 0; i < geometry.Bridge.Parapets.Length; i++)
        {
            if (geometry.Bridge.Parapets[i].Line is { } line && geometry.Road.Features.All(f => f.Name != line))
                bounds.Error($"/parapets/{i}/line", Missing(line));
        }
        foreach (var unit in geometry.Units)
        {
            foreach (var (side, strips) in new[] { ("left", unit.Pattern.Left), ("right", unit.Pattern.Right) })
            {
                for (var i = 0; i < strips.Length; i++)
                {
                    if (strips[i].WidthLine is not { } name)
                        continue;
                    var path = $"/deck/patterns/{unit.PatternIndex}/{side}/{i}/widthLine";
                    if (geometry.Road.Features.FirstOrDefault(f => f.Name == name) is not { } line)
                        bounds.Error(path, Missing(name));
                    else if (line.From > unit.Start.Station + 1e-6 || line.To < unit.End.Station - 1e-6)
                        bounds.Warning(
                            path,
                            $"The line “{name}” runs from station {units.Format(line.From, QuantityKind.Length)} to "
                                + $"{units.Format(line.To, QuantityKind.Length)}, not all along {unit.Name}.",
                            "Beyond its ends the deck keeps the width that it has there."
                        );
                }
            }
        }
        string Missing(string name)
        {
            var names = string.Join(", ", geometry.Road.Features.Select(f => f.Name));
            return $"The road has no line “{name}”. {(names.Length == 0 ? "Lines come with a road file." : $"It has {names}.")}";
        }
    }

    /// <summary>Units must leave a gap between them, and stay joined nowhere.</summary>
    private static void Joints(BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        foreach (var (before, after) in geometry.Units.Zip(geometry.Units.Skip(1)))
        {
            var overlap = before.EndOverhang + after.StartOverhang;
            if (overlap > 1e-9)
                bounds.Error(
                    $"/deck/units/{after.Key}/startOverhang",
                    $"{before.Name} and {after.Name} overlap by {units.FormatWithUnit(overlap, QuantityKind.Size)} at axis "
                        + $"{after.Start.Name}. Let one of them end sooner."
                );
        }
        foreach (var unit in geometry.Units)
        {
            if (unit.End.Station + unit.EndOverhang - unit.Start.Station + unit.StartOverhang < 1)
                bounds.Error($"/deck/units/{unit.Key}/endOverhang", $"Nothing is left of {unit.Name} between its ends.");
        }
    }

    private static void Strips(
        UnitPlace unit,
        DeckSection deck,
        TrafficChoices traffic,
        NationalValues values,
        UnitSystem units,
        Bounds bounds
    )
    {
        foreach (var strip in deck.Strips.Where(s => s.Width < 0.01))
            bounds.Error(
                $"{strip.Path}/width",
                $"The line that this strip follows leaves it {units.FormatWithUnit(strip.Width, QuantityKind.Size)} wide in "
                    + $"{unit.Name}: it must lie outward of the strip before."
            );
        foreach (var strip in deck.Strips.Where(s => s.LeastFill < -1e-9))
        {
            bounds.Error(
                $"{strip.Path}/upstand",
                $"The surface of this strip lies {units.FormatWithUnit(-strip.LeastFill, QuantityKind.Size)} below the top of the "
                    + "slab. Raise its upstand or lower the slab by more surfacing."
            );
        }
        var pattern = $"/deck/patterns/{unit.PatternIndex}";
        string Width(double width) => units.FormatWithUnit(width, QuantityKind.Length);
        var lane = values["laneWidth"];
        if (deck.Carriageways.IsEmpty && traffic.Rail.Tracks.IsEmpty && traffic.Carriageways.IsEmpty)
            bounds.Error(
                $"{pattern}/{(unit.Pattern.Left.IsEmpty ? "right" : "left")}",
                "The deck has no carriageway, so traffic has nowhere to drive."
            );
        foreach (var part in deck.Carriageways.Where(c => c.Width < lane - 1e-9))
        {
            var message = $"The carriageway is {Width(part.Width)} wide between kerbs; one notional lane needs {Width(lane)}.";
            if (deck.Carriageways.All(c => c.Width < lane - 1e-9))
                bounds.Error($"{pattern}/left", message);
            else
                bounds.Warning($"{pattern}/left", $"{message} It is loaded by one lane of its own width.");
        }
    }

    /// <summary>Where a section is named: by a type of girder, by a girder, or by a range.</summary>
    private static string PathOfSection(Bridge bridge, string name)
    {
        var types = bridge.Girders.Types;
        for (var i = 0; i < types.Length; i++)
        {
            if ((types[i].Section ?? bridge.Sections[0].Name) == name)
                return $"/girders/types/{i}/section";
        }
        return bridge.Girders.Own.FirstOrDefault(o => o.Value.Section == name).Key is { } key
            ? $"/girders/own/{key}/section"
            : "/girders/ranges";
    }

    /// <summary>The section with the least flange in a span: whether each girder fits with its own is seen once they are placed.</summary>
    private static MadeSection Narrowest(BridgeGeometry geometry, SpanIndex span) =>
        geometry.Sections.UsedIn(span).Select(u => u.Section).MinBy(s => Math.Max(s.TopWidth, s.BottomWidth))!;

    private static void Girders(Bridge bridge, SpanIndex span, MadeSection shape, DeckSection deck, UnitSystem units, Bounds bounds)
    {
        var (girders, layout) = (bridge.Girders, GirderLayout.Of(bridge.Girders, span, bridge.Axes.Spans.Length));
        // Along a skewed axis lengths are longer; validated at the axes, where girders lie.
        if (layout.AlongAxis)
            return;
        var flange = Math.Max(shape.TopWidth, shape.BottomWidth);
        string Text(double length) => units.FormatWithUnit(length, QuantityKind.Length);
        var leftPath = GirderLayout.PathOf(girders, span, "overhangLeft", l => l.OverhangLeft is not null);
        if (layout.Count == 1)
        {
            if (layout.OverhangLeft < flange / 2 || layout.OverhangLeft > deck.Width - flange / 2)
                bounds.Error(
                    leftPath,
                    $"The girder would lie at or beyond the deck's edge; its overhang must lie between {Text(flange / 2)} and "
                        + $"{Text(deck.Width - flange / 2)}."
                );
            return;
        }
        if (layout.OverhangLeft < flange / 2)
            bounds.Fault(
                leftPath,
                $"The first girder lies on the deck's edge: with a flange of {Text(flange)} the overhang must be at least "
                    + $"{Text(flange / 2)}.",
                Set($"Make it {Text(flange / 2)}", leftPath, flange / 2)
            );
        if (!layout.Spacings.IsEmpty)
        {
            var path = GirderLayout.PathOf(girders, span, "spacings", l => l.Spacings is not null);
            var left = deck.Width - layout.OverhangLeft - layout.Spacings.Sum();
            if (left >= 0 && left < flange / 2)
                bounds.Fault(
                    path,
                    $"With these spacings the last girder lies {Text(left)} from the right edge of the deck, {Text(deck.Width)} wide; half "
                        + $"its flange, {Text(flange / 2)}, must stay under it.",
                    new("Space them equally between the overhangs", [new("replace", path, "null")])
                );
            else if (left < 0)
                bounds.Error(
                    path,
                    $"With these spacings the last girder lies {Text(-left)} beyond the right "
                        + $"edge of the deck, {Text(deck.Width)} wide; half its flange, {Text(flange / 2)}, must stay under it."
                );
            else if (layout.Spacings.Min() < flange)
                bounds.Error(
                    path,
                    $"A spacing of {Text(layout.Spacings.Min())} is less than the girders' flange of {Text(flange)}: they would cross."
                );
            return;
        }
        // Where the right is as the left, the left has been told.
        if (layout.OverhangRight < flange / 2 && layout.OverhangRight != layout.OverhangLeft)
        {
            var right = GirderLayout.PathOf(girders, span, "overhangRight", l => l.OverhangRight is not null);
            bounds.Fault(
                right,
                $"The last girder lies on the deck's edge: with a flange of {Text(flange)} the overhang must be at least "
                    + $"{Text(flange / 2)}.",
                Set($"Make it {Text(flange / 2)}", right, flange / 2)
            );
        }
        var room = deck.Width - layout.OverhangLeft - layout.OverhangRight;
        var most = (int)Math.Floor(room / flange + 1e-9) + 1;
        if (room <= 0)
            bounds.Error(leftPath, $"The overhangs leave no room for girders on a deck {Text(deck.Width)} wide.");
        else if (layout.Count > most)
            bounds.Error(
                GirderLayout.PathOf(girders, span, "count", l => l.Count is not null),
                $"{layout.Count} girders do not fit: between the overhangs there are {Text(room)}, room for {most} with flanges "
                    + $"of {Text(flange)}."
            );
    }

    private static void Strands(Bridge bridge, int type, MadeSection section, Bounds bounds)
    {
        var strands = bridge.Girders.Types[type].Strands;
        var steel = PrestressingSteel.Of(bridge.Materials.Strand);
        for (var i = 0; i < strands.Rows.Length; i++)
        {
            var (row, path) = (strands.Rows[i], $"/girders/types/{type}/strands/rows/{i}");
            if (row.Count == 0)
                continue;
            var outermost = new Point((row.Count - 1) * row.Spacing / 2, row.Level);
            if (
                !section.Contains(outermost + new Point(0, section.Bottom))
                || !section.Contains(new(-outermost.X, row.Level + section.Bottom))
            )
                bounds.Fault(
                    row.Level >= section.Depth ? $"{path}/level" : $"{path}/count",
                    $"Strands of row {i + 1} lie outside the girder's section.",
                    Fewer(section, row, $"{path}/count")
                );
            else if (section.DistanceToOutline(outermost + new Point(0, section.Bottom)) < steel.Diameter)
                bounds.Warning(
                    path,
                    $"The outer strands of row {i + 1} lie less than one diameter from the face.",
                    "Cover for bond and durability is not checked yet (EN 1992-1-1 4.4.1)."
                );
        }
        if (strands.EffectiveStress is null && strands.Rows.Any(r => r.Count > 0) && strands.JackStress > steel.MostAtJack)
            bounds.Fault(
                $"/girders/types/{type}/strands/jackStress",
                $"Strands are stressed to at most min(0.8 f_pk, 0.9 f_p0.1k) = {steel.MostAtJack / 1e6:0} MPa (EN 1992-1-1 5.10.2.1).",
                Set(
                    $"Stress them to {Math.Floor(steel.MostAtJack / 1e7) * 10:0} MPa",
                    $"/girders/types/{type}/strands/jackStress",
                    Math.Floor(steel.MostAtJack / 1e7) * 1e7
                )
            );
        if (strands.EffectiveStress > 0.75 * steel.Fpk)
            bounds.Warning(
                $"/girders/types/{type}/strands/effectiveStress",
                "The effective stress after losses is above 0.75 fpk.",
                "EN 1992-1-1 7.2(5) limits the mean value of prestress to 0.75 fpk."
            );
    }

    private static Repair Set(string label, string path, double value) =>
        new(label, [new("replace", path, JsonSerializer.Serialize(Math.Round(value, 4)))]);

    private static string CoursePath(Bridge bridge, SpanIndex span) =>
        GirderLayout.PathOf(bridge.Girders, span, "course", l => l.Course is not null);

    /// <summary>The greatest number of strands of a row that lie within the section; null where not even two do.</summary>
    private static Repair? Fewer(MadeSection section, StrandRow row, string path)
    {
        for (var count = row.Count - 1; count >= 2; count--)
        {
            var outer = (count - 1) * row.Spacing / 2;
            if (section.Contains(new(outer, row.Level + section.Bottom)) && section.Contains(new(-outer, row.Level + section.Bottom)))
                return new($"Make them {count}", [new("replace", path, $"{count}")]);
        }
        return null;
    }

    /// <summary>Whether rows of bars lie in the concrete, with their own diameter or 20 mm of clear distance
    /// (EN 1992-1-1 8.2(2)).</summary>
    private static void OwnBars(Bridge bridge, int type, MadeSection section, Bounds bounds)
    {
        var rows = bridge.Girders.Types[type].Bars;
        for (var i = 0; i < rows.Length; i++)
        {
            var (row, path) = (rows[i], $"/girders/types/{type}/bars/{i}");
            if (row.Level > section.Depth)
                bounds.Error($"{path}/level", "These bars lie above the girder: bars of the slab are entered with it.");
            else if (row.Spacing is { } every && every < row.Diameter + Math.Max(row.Diameter, LeastClear))
                bounds.Error($"{path}/spacing", "Bars are at least a diameter or 20 mm clear of each other.");
            else if (row.Spacing is not null && row.In(section).All(r => r.Count == 0))
                bounds.Error($"{path}/spacing", "No bars have room in the concrete at their level, 50 mm from its sides.");
            else if (
                row.Spacing is null
                && row.Count > 1
                && section.Solids.Sum(s => s.WidthAt(section.Bottom + row.Level))
                    < row.Count * row.Diameter + (row.Count - 1) * Math.Max(row.Diameter, LeastClear)
            )
                bounds.Error($"{path}/count", $"{row.Count} bars do not fit beside each other at their level, a diameter or 20 mm apart.");
        }
    }

    private static void Bars(DeckSection section, Girders girders, Bounds bounds)
    {
        var (along, across) = (girders.SlabBars, girders.BarsAcross);
        foreach (
            var (path, name, layer) in new[]
            {
                ("slabBars/top", "top slab bars", along.Top),
                ("slabBars/bottom", "bottom slab bars", along.Bottom),
                ("barsAcross/top", "top bars across", across.Top),
                ("barsAcross/bottom", "bottom bars across", across.Bottom),
            }
        )
        {
            if (layer.AxisDistance + layer.Diameter / 2 > section.LeastThickness || layer.AxisDistance < layer.Diameter / 2)
                bounds.Fault($"/girders/{path}/axisDistance", $"The {name} lie outside the slab.");
            if (layer.Spacing <= layer.Diameter)
                bounds.Fault($"/girders/{path}/spacing", $"The {name} touch each other.");
        }
    }

    /// <summary>Bars along and across the slab lie in layers of their own.</summary>
    private static void Layers(Girders girders, Bounds bounds)
    {
        var (along, across) = (girders.SlabBars, girders.BarsAcross);
        foreach (var (name, a, b) in new[] { ("top", along.Top, across.Top), ("bottom", along.Bottom, across.Bottom) })
        {
            if (Math.Abs(a.AxisDistance - b.AxisDistance) < (a.Diameter + b.Diameter) / 2 - 1e-4)
                bounds.Warning($"/girders/barsAcross/{name}/axisDistance", $"The {name} bars along and across the slab lie in each other.");
        }
    }

    /// <summary>On a curved road, straight girders must stay under the deck.</summary>
    private static void GirderLines(Bridge bridge, BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        if (Folds(geometry))
        {
            bounds.Error("/road/elements", "The road turns so tightly under the bridge that the deck would fold over itself at its edge.");
            return;
        }
        // Overhangs that are told already are not told again from here.
        var isTold = bounds.HasFaults;
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var all = geometry.GirdersIn(span);
            foreach (var girder in new[] { all[0], all[^1] })
            {
                var half = geometry.SectionOf(girder, span).TopWidth / 2;
                var length = girder.SpanLength(span);
                if (geometry.LengthOf(girder, span) < 1)
                {
                    bounds.Error(
                        $"/axes/spans/{span}",
                        $"{girder.Name} is only {units.FormatWithUnit(length, QuantityKind.Length)} long in span {span + 1}; "
                            + "little is left between its end gaps."
                    );
                    continue;
                }
                var room = Enumerable
                    .Range(0, 9)
                    .Select(i => geometry.Road.Locate(geometry.OnGirder(girder, span, i / 8.0)))
                    .Min(p =>
                        Math.Min(
                            p.Offset - geometry.UnitOf(span).Shape.LeftEdge(p.Station),
                            geometry.UnitOf(span).Shape.RightEdge(p.Station) - p.Offset
                        )
                    );
                if (!isTold && room < half - 1e-9)
                    bounds.Fault(
                        GirderLayout.PathOf(bridge.Girders, span, "overhangLeft", l => l.OverhangLeft is not null),
                        $"{girder.Name} {(girder.In(span).Curve is null ? "is straight under a curved deck and comes" : "comes")} "
                            + $"within {units.FormatWithUnit(Math.Max(0, room), QuantityKind.Length)} of its edge in span {span + 1}, "
                            + "less than half its flange. Widen the overhang, or let the girders follow the road.",
                        girder.In(span).Curve is null
                            ? new(
                                "Let the girders follow the road",
                                [new("replace", CoursePath(bridge, span), $"\"{Core.Bridges.Girders.WithRoad}\"")]
                            )
                            : null
                    );
            }
        }
        Steps(geometry, units, bounds);
        for (var i = 0; i < geometry.SpanCount; i++)
        {
            var unit = geometry.UnitOf(i);
            foreach (var edge in new[] { 0, unit.Shape.Boundaries - 1 })
            {
                if (unit.BoundaryOnAxis(geometry.Axes[i + 1], edge).Station - unit.BoundaryOnAxis(geometry.Axes[i], edge).Station < 0.5)
                    bounds.Error("/axes/skew", $"Axes {i + 1} and {i + 2} meet within the deck.");
            }
        }
    }

    /// <summary>Girders that keep their distance along the axis, and do not step aside between continuous spans.</summary>
    private static void Steps(BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var all = geometry.GirdersIn(span);
            foreach (var (before, after) in all.Zip(all.Skip(1)))
            {
                double Half(GirderLine girder) => geometry.SectionOf(girder, span) is var s ? Math.Max(s.TopWidth, s.BottomWidth) / 2 : 0;
                var flange = Half(before) + Half(after);
                var near = Math.Min(
                    after.In(span).StartOffset - before.In(span).StartOffset,
                    after.In(span).EndOffset - before.In(span).EndOffset
                );
                if (near >= flange - 1e-6)
                    continue;
                var moved = new[] { before, after }
                    .Select(g => HaunchLine.Key(g.Number, span))
                    .FirstOrDefault(k => geometry.Bridge.Girders.Own.GetValueOrDefault(k) is { Shift: not null } or { Section: not null });
                bounds.Error(
                    moved is not null
                        ? $"/girders/own/{moved}/{(geometry.Bridge.Girders.Own[moved].Shift is null ? "section" : "shift")}"
                        : GirderLayout.PathOf(geometry.Bridge.Girders, span, "spacings", l => l.Spacings is not null),
                    $"{before.Name} and {after.Name} come within {units.FormatWithUnit(near, QuantityKind.Length)} of each other "
                        + $"in span {span + 1}: they would cross."
                );
                return;
            }
            if (span == 0 || geometry.UnitOf(span).FirstSpan == span)
                continue;
            var (girder, step) = all.Where(g => g.IsIn(span - 1))
                .Select(g => (Girder: g, Step: Math.Abs(g.In(span).StartOffset - g.In(span - 1).EndOffset)))
                .DefaultIfEmpty((Girder: all[0], Step: 0))
                .MaxBy(g => g.Step);
            if (step > 0.02)
                bounds.Warning(
                    $"/girders/spans/{span + 1}",
                    $"{girder.Name} steps aside by {units.FormatWithUnit(step, QuantityKind.Length)} over axis "
                        + $"{geometry.Axes[span].Name}, where the deck is continuous.",
                    "The model leads its moments straight over the support; the twist that the step causes is not in it.",
                    geometry.Axes[span].Station
                );
        }
    }

    /// <summary>Girders must not cut into the slab, nor lie far below it. The worst is told.</summary>
    private static void Haunches(BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        // The calling thread takes part: a busy pool slows it down, and never holds it up.
        var pieces = geometry.Pieces.ToArray();
        Parallel.For(0, pieces.Length, i => geometry.HaunchOf(pieces[i].Girder, pieces[i].Span));
        var all = pieces.Select(p => (p.Girder, p.Span, Line: geometry.HaunchOf(p.Girder, p.Span))).ToList();
        foreach (
            var (girder, span, line) in all.Where(h => h.Line.Own.Haunch is not null && h.Line.Least < geometry.Bridge.Deck.Haunch - 1e-9)
        )
        {
            var own = $"/girders/own/{HaunchLine.Key(girder.Number, span)}/haunch";
            var (least, wanted) = (
                units.FormatWithUnit(Math.Abs(line.Least), QuantityKind.Size),
                units.FormatWithUnit(geometry.Bridge.Deck.Haunch, QuantityKind.Size)
            );
            bounds.Findings.Add(
                Finding.Warning(
                    own,
                    line.Least < 0
                        ? $"{girder.Name} cuts {least} into the slab in span {span + 1}: its own haunch of "
                            + $"{units.FormatWithUnit(line.OverBearings, QuantityKind.Size)} over the bearings is too small."
                        : $"The haunch of {girder.Name} in span {span + 1} shrinks to {least}; {wanted} are wanted."
                ) with
                {
                    Repair = new("Lower its seats to the computed haunch", [new("remove", own, "null")]),
                }
            );
        }
        var (thickest, at, greatest) = all.MaxBy(h => h.Line.Greatest - geometry.TypeOf(h.Girder, h.Span).GreatestHaunch);
        var (type, path) = (geometry.TypeOf(thickest, at), $"/girders/types/{geometry.Sections.TypeIndex(thickest.Number, at)}");
        if (greatest.Greatest <= type.GreatestHaunch)
            return;
        var sag = greatest.At(0.5) - greatest.OverBearings;
        var camber = Math.Round(greatest.CastingCamber + sag, 3);
        bounds.Findings.Add(
            Finding.Warning(
                $"{path}/greatestHaunch",
                $"The haunch of {thickest.Name} in span {at + 1} grows to "
                    + $"{units.FormatWithUnit(greatest.Greatest, QuantityKind.Size)}, more than "
                    + $"{units.FormatWithUnit(type.GreatestHaunch, QuantityKind.Size)}.",
                "Thick haunches weigh, and need links and formwork of their own."
            ) with
            {
                Repair =
                    sag > 0.01 && camber <= 0.5
                        ? new(
                            $"Camber girders of this type by {units.FormatWithUnit(camber, QuantityKind.Size)}",
                            [new("replace", $"{path}/camber", FormattableString.Invariant($"{camber:R}"))]
                        )
                        : null,
            }
        );
    }

    /// <summary>What is crossed must stay clear.</summary>
    private static void Clear(BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        for (var i = 0; i < geometry.Bridge.Crossings.Length; i++)
        {
            var crossing = geometry.Bridge.Crossings[i];
            if (Clearances.Least(geometry, crossing) is not { } least)
                bounds.Warning($"/crossings/{i}/station", $"{crossing.Name} does not pass under the bridge.", null, crossing.Station);
            else if (least.Height < crossing.Height - 1e-9)
                bounds.Warning(
                    $"/crossings/{i}/height",
                    $"{crossing.Name} has a clearance of {units.FormatWithUnit(least.Height, QuantityKind.Length)} under "
                        + $"{least.Girder}, {units.FormatWithUnit(crossing.Height - least.Height, QuantityKind.Length)} less than "
                        + "wanted.",
                    "Raise the road, take a shallower girder, or move the axes.",
                    least.Station
                );
        }
    }

    /// <summary>Parapets must stand on the deck.</summary>
    private static void Parapets(BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        foreach (var line in ParapetLine.All(geometry))
        {
            var side = line.Side < 0 ? "left" : "right";
            foreach (var station in line.Unit.Stations(8).Where(line.Covers))
            {
                var (inner, outer) = (line.Face(station), line.Face(station) + line.Side * line.Profile.Width);
                var beyond = Math.Max(
                    line.Unit.Shape.LeftEdge(station) - Math.Min(inner, outer),
                    Math.Max(inner, outer) - line.Unit.Shape.RightEdge(station)
                );
                if (beyond <= 1e-6)
                    continue;
                bounds.Error(
                    $"{line.Path}/across",
                    $"The parapet on the {side} stands {units.FormatWithUnit(beyond, QuantityKind.Size)} off the deck at station "
                        + $"{units.Format(station, QuantityKind.Length)}. Move it inward."
                );
                break;
            }
        }
        var standing = ParapetLine.All(geometry).Select(l => l.Index).ToHashSet();
        for (var i = 0; i < geometry.Bridge.Parapets.Length; i++)
        {
            if (!standing.Contains(i))
                bounds.Warning($"/parapets/{i}/from", $"Parapet {i + 1} lies wholly off the bridge.");
        }
    }

    /// <summary>Whether an edge of the deck comes near the centre of a curve.</summary>
    private static bool Folds(BridgeGeometry geometry)
    {
        for (var i = 0; i <= 200; i++)
        {
            var station = geometry.FirstStation + (geometry.LastStation - geometry.FirstStation) * i / 200;
            var curvature = geometry.Road.Line.Curvature(station);
            if (1 - curvature * geometry.LeftEdge(station) < 0.2 || 1 - curvature * geometry.RightEdge(station) < 0.2)
                return true;
        }
        return false;
    }

    /// <summary>Distance within which a load still lies on the deck's end (m).</summary>
    private const double OnEdge = 0.05;

    /// <summary>Own loads must lie on the deck; those that do not are put on its edge, and told.</summary>
    private static void OwnLoads(Bridge bridge, BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        for (var c = 0; c < bridge.Actions.Cases.Length; c++)
        {
            var own = bridge.Actions.Cases[c];
            for (var l = 0; l < own.Loads.Length; l++)
            {
                var load = own.Loads[l];
                var corners =
                    load.Kind == OwnLoadKind.Point
                        ? [(load.Station, load.Offset)]
                        : new[] { (load.Station, load.Offset), (load.ToStation, load.ToOffset) };
                foreach (var (station, offset) in corners)
                {
                    var (isOn, inside) = OnDeck(geometry, station, offset);
                    if (isOn)
                        continue;
                    bounds.Warning(
                        $"/actions/cases/{c}/loads/{l}/station",
                        $"Load {l + 1} of {own.Name} lies off the deck at station {units.Format(station, QuantityKind.Length)}, "
                            + $"offset {units.Format(offset, QuantityKind.Length)}: it is put on the nearest edge.",
                        null,
                        inside
                    );
                    break;
                }
            }
        }
    }

    /// <summary>Whether a place lies on the deck, and the nearest station at its offset between the ends of the deck.</summary>
    private static (bool IsOn, double Inside) OnDeck(BridgeGeometry geometry, double station, double offset)
    {
        // Ends of a skew deck lie at other stations away from the road line.
        var (first, last) = (geometry.Meet(geometry.Axes[0], _ => offset), geometry.Meet(geometry.Axes[^1], _ => offset));
        var inside = Math.Clamp(station, first.Station, Math.Max(first.Station, last.Station));
        var isBetween = offset >= geometry.LeftEdge(station) - 1e-6 && offset <= geometry.RightEdge(station) + 1e-6;
        return (Math.Abs(station - inside) < OnEdge && isBetween, inside);
    }

    /// <summary>Places at which moments of the slab are told must lie on the deck, and want a model with shells.</summary>
    private static void SlabPlaces(Bridge bridge, BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        var places = bridge.Model.SlabPlaces;
        if (!places.IsEmpty && bridge.Model.Kind != ModelKind.Shells)
            bounds.Warning(
                "/model/kind",
                "Moments of the slab are asked for and not told: this model has no shells.",
                "Choose shells and beams, or take the places of the slab away."
            );
        for (var i = 0; i < places.Length; i++)
        {
            var (isOn, inside) = OnDeck(geometry, places[i].Station, places[i].Offset);
            if (!isOn)
                bounds.Warning(
                    $"/model/slabPlaces/{i}/station",
                    $"Place {i + 1} of the slab lies off the deck, at station {units.Format(places[i].Station, QuantityKind.Length)}, "
                        + $"offset {units.Format(places[i].Offset, QuantityKind.Length)}: nothing is told there.",
                    null,
                    inside
                );
        }
    }

    private static void Advice(Bridge bridge, BridgeGeometry geometry, List<DeckSection> sections, NationalValues values, Bounds bounds)
    {
        OwnLoads(bridge, geometry, UnitSystem.Named(bridge.Basis.Units), bounds);
        SlabPlaces(bridge, geometry, UnitSystem.Named(bridge.Basis.Units), bounds);
        TrafficValidation.Carriageways(bridge, geometry, UnitSystem.Named(bridge.Basis.Units), bounds);
        TrafficValidation.Lanes(bridge, geometry, UnitSystem.Named(bridge.Basis.Units), bounds);
        if (!geometry.IsComplete)
            bounds.Warning(
                "/girders/spans",
                "Not every girder line has a girder in every span: the girders are laid out, drawn and billed, but neither "
                    + "modelled nor checked in this version."
            );
        if (geometry.RunsOn && !bridge.Girders.CastInPlace && geometry.SectionsInUse.Any(s => !s.IsSteel))
            bounds.Warning(
                "/girders/runsOn",
                "Girders that run on over piers in one piece are laid out, drawn, billed and modelled, but not checked in this version.",
                "The checks take girder and wet slab as simple spans, which such girders are not; the model in the analysis step does not."
            );
        if (bridge.Girders.CastInPlace && bridge.Girders.Types.Any(t => t.Strands.Rows.Any(r => r.Count > 0)))
            bounds.Warning(
                "/girders/castInPlace",
                "Strands of girders cast in place are left out: they would be stressed before the concrete is cast."
            );
        if (!bridge.Girders.Stiffeners.IsEmpty && !geometry.SectionsInUse.Any(s => s.Web is not null))
            bounds.Warning("/girders/stiffeners", "Stiffeners stand on webs of steel, and no girder is of steel: none is placed.");
        var spans = bridge.Axes.Spans;
        for (var i = 0; i + 1 < spans.Length; i++)
        {
            var ratio = spans[i] / spans[i + 1];
            if (ratio is < 2.0 / 3 - 1e-9 or > 1.5 + 1e-9)
                bounds.Warning(
                    $"/axes/spans/{i + 1}",
                    $"Spans {i + 1} and {i + 2} differ by more than the factor 1.5.",
                    "The distances between points of zero moment in EN 1992-1-1 Figure 5.2, and so the effective widths, hold "
                        + "for neighbouring spans of ratio 2/3 to 1.5."
                );
        }
        foreach (
            var (path, side, strips) in bridge.Deck.Patterns.SelectMany(
                (p, i) => new[] { ($"/deck/patterns/{i}/left", "left", p.Left), ($"/deck/patterns/{i}/right", "right", p.Right) }
            )
        )
        {
            for (var i = 1; i < strips.Length; i++)
            {
                if (
                    strips[i].Kind == StripKind.Footway
                    && strips[i - 1].Kind is StripKind.Carriageway or StripKind.HardStrip
                    && strips[i].Upstand < values["kerbHeight"]
                )
                {
                    bounds.Findings.Add(
                        Finding.Warning(
                            $"{path}/{i}/upstand",
                            $"No kerb guards the footway on the {side}: vehicles could mount it.",
                            "Traffic is placed on the carriageway only (EN 1991-2 1.4.2.1)."
                        ) with
                        {
                            Repair = new("Raise it by a kerb of 120 mm", [new("replace", $"{path}/{i}/upstand", "0.12")]),
                        }
                    );
                }
            }
        }
        if (geometry.Girders.Length == 1)
            bounds.Warning(
                "/girders/count",
                "A single girder is taken as held against twisting at every axis.",
                "Two bearings or a stiff diaphragm on two columns are needed to do that."
            );
        if (sections.Max(s => s.Width) > 40)
            bounds.Warning(
                "/deck/patterns/0/left",
                "The deck is wider than 40 m.",
                "Effects of temperature and restraint across the deck are not covered."
            );
    }
}
