using System.Text.Json.Nodes;
using Pravik.Core.Analysis;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Quantities;
using Pravik.Core.Sections;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Exchange;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Ledgers;

/// <summary>The ledgers of the steps in which the bridge is described.</summary>
internal sealed class StepLedgers(Bridge bridge, BridgeGeometry geometry, double station, Around around)
{
    private readonly DeckSection section = geometry.SectionAt(station);
    private readonly LedgerRows rows = new(bridge);

    public Ledger Basis()
    {
        var set = NationalValues.Named(bridge.Basis.NationalSet)!;
        var titles = new[] { "project", "client", "office", "number", "issue", "drawn", "checked" }.Select(t => rows.Entry($"/basis/titles/{t}"));
        var unused = Unused.In(bridge);
        return new("Basis", "what the project is built on",
        [
            new("Project", [rows.Entry("/name"), LedgerRows.Reading("Code", "EN 1990, 1991, 1992", "Design basis of actions and checks."), rows.Entry("/basis/nationalSet"), rows.Entry("/basis/units")]),
            new("Titles", [.. titles]) { Note = "Printed on every sheet." },
            new("National values", [.. set.Entries.Select(e => rows.Entry($"/basis/ownValues/{e.Name}", e.Value, e.Meaning) with { Help = e.Clause })])
            {
                Note = "Grey values are those of the set. A value typed here replaces one.",
                Actions =
                [
                    new("Keep as a set in the office library", "", []) { Saves = "/basis" },
                    .. around.Library.Where(r => r.Kind == LibraryJson.NationalSet && !r.Superseded).Select(r => new LedgerAction($"Take “{r.Name}”", $"National values of “{r.Name}” taken",
                        [new("replace", "/basis/nationalSet", r.Value["nationalSet"]!.DeepClone()), new("replace", "/basis/ownValues", r.Value["values"]!.DeepClone())])),
                ],
            },
            new("Definitions that nothing uses", [.. unused.Select(u => LedgerRows.Reading(u.Kind, u.Name))])
            {
                // From the last of each list, so that the paths of those before stay.
                Actions = unused.Count == 0 ? [] : [new("Clear them all", $"{unused.Count} unused definitions cleared", [.. unused.Reverse().Select(u => new PatchOperation("remove", u.Path))])],
                Note = unused.Count == 0 ? "Everything that is defined is in use." : "",
            },
        ]);
    }

    public Ledger Deck(string? picked) => new DeckLedger(bridge, geometry, rows, station, around.Library).Make(picked);

    public Ledger Road() => new RoadLedger(bridge, geometry, rows, around.Neighbours).Make(station);

    public Ledger Axes()
    {
        var axes = bridge.Axes;
        var spans = axes.Spans;
        var units = rows.Units;
        var add = new LedgerAction("Add a span", $"Span {spans.Length + 1} added", [new("add", "/axes/spans/-", JsonValue.Create(spans[^1]))]);
        return new("Axes", $"{spans.Length} {(spans.Length == 1 ? "span" : "spans")}",
        [
            new("Set out", [rows.Entry("/axes/firstStation"), rows.Entry("/axes/spans"), rows.Entry("/axes/skew"), rows.Derived("/axes/count", spans.Length), rows.Derived("/axes/overall", spans.Sum()), rows.Derived("/axes/lastStation", geometry.LastStation)])
            {
                Actions = spans.Length > 1 ? [add, new("Take the last away", $"Span {spans.Length} taken away", [new("remove", $"/axes/spans/{spans.Length - 1}")])] : [add],
            },
            new("Axis by axis", [.. geometry.Axes.SelectMany(a => new[]
            {
                rows.Entry($"/axes/own/{a.Number}/name", inheritedChoice: $"{a.Number}"), rows.Derived($"/axes/stations/{a.Number}", a.Station), rows.Entry($"/axes/own/{a.Number}/skew", a.Skew),
                rows.Entry($"/axes/own/{a.Number}/kind", inheritedChoice: a.Number == 1 || a.Number == geometry.Axes.Length ? "abutment" : "pier"),
            })]) { Columns = ["Axis", $"Station, {units[QuantityKind.Length].Symbol}", $"Skew, {units[QuantityKind.Angle].Symbol}", "Kind"], Note = "Grey values follow from the common ones; clear an own value to give it back." },
            .. Crossings(),
            new("Directions", [.. geometry.Axes.Select(a => rows.Entry($"/axes/own/{a.Number}/azimuth", Direction(a), $"Axis {a.Name}"))]) { Note = "A direction clockwise from north takes the place of a skew." },
            new("Readings", [.. geometry.Axes.SelectMany(a => new[]
            {
                LedgerRows.Reading("", a.Name) with { Picks = $"/parts/axes/{a.Number}" },
                LedgerRows.Reading("", units.Format(geometry.Road.Level(a.Station), QuantityKind.Length)),
                LedgerRows.Reading("", units.Format(a.Skew, QuantityKind.Angle)),
                LedgerRows.Reading("", units.Format(AxisLength(a), QuantityKind.Length)),
            })]) { Columns = ["Axis", "Road level", "Skew", "Length"] },
        ]);
    }

    private IEnumerable<LedgerGroup> Crossings()
    {
        var add = new LedgerAction("Add what is crossed", "Crossing added", [new("add", "/crossings/-", new JsonObject { ["station"] = Math.Round((geometry.FirstStation + geometry.LastStation) / 2, 3), ["level"] = Math.Round(geometry.Road.Level(geometry.FirstStation) - 6, 2) })]);
        if (bridge.Crossings.IsEmpty) yield return new("What is crossed", []) { Actions = [add], Note = "Roads, railways, paths and water under the bridge, with the space that they need." };
        for (var i = 0; i < bridge.Crossings.Length; i++)
        {
            var path = $"/crossings/{i}";
            var least = Clearances.Least(geometry, bridge.Crossings[i]);
            yield return new($"Crossed: {bridge.Crossings[i].Name}",
            [
                .. new[] { "name", "kind", "station", "skew", "level", "grade", "width", "height" }.Select(f => rows.Entry($"{path}/{f}")),
                .. least is null ? new[] { LedgerRows.Reading("Clearance", "not under the bridge") } :
                [
                    rows.Reading("Least clearance", least.Height, QuantityKind.Length, "From its surface to the girders' soffit, within the width of the envelope."), LedgerRows.Reading("under", least.Girder),
                    rows.Reading("at station", least.Station, QuantityKind.Length), rows.Reading("and offset", least.Offset, QuantityKind.Length),
                ],
            ])
            { Actions = [new("Take away", $"{bridge.Crossings[i].Name} taken away", [new("remove", path)]), .. i == bridge.Crossings.Length - 1 ? new[] { add } : []] };
        }
    }

    private double AxisLength(AxisPlace axis)
    {
        var (left, right) = geometry.EdgesOn(axis);
        return Point.Distance(geometry.Road.At(left), geometry.Road.At(right));
    }

    /// <summary>Azimuth of an axis seen from left to right, 0 to 2π.</summary>
    private double Direction(AxisPlace axis)
    {
        var azimuth = (geometry.Road.Azimuth(axis.Station) + Math.PI / 2 + axis.Skew) % (2 * Math.PI);
        return azimuth < 0 ? azimuth + 2 * Math.PI : azimuth;
    }

    public Ledger Girders(string? picked)
    {
        var girders = bridge.Girders;
        var part = picked?.Split('/') is ["", "parts", "girders", var number, "spans", var span] && int.TryParse(number, out var n) && int.TryParse(span, out var s)
            && n >= 1 && n <= geometry.Girders.Length && s >= 1 && s <= geometry.SpanCount ? (Line: geometry.Girders[n - 1], Span: s - 1) : default;
        var bare = (part.Line is { } own ? geometry.SectionOf(own, part.Span) : geometry.Section).Bending;
        List<LedgerGroup> groups = [];
        if (part.Line is { } line)
        {
            var length = geometry.LengthOf(line, part.Span);
            groups.Add(new("Readings of this girder",
            [
                rows.Reading("Offset from road line", line.Spans[part.Span].MiddleOffset, QuantityKind.Length), rows.Reading("Axis to axis", line.SpanLength(part.Span), QuantityKind.Length),
                rows.Reading("Length of the girder", length, QuantityKind.Length), rows.Reading("Weight", length * geometry.GirderWeight(line, part.Span), QuantityKind.Force),
                rows.Reading("Wet slab it carries", geometry.WetSlabWidth(line, part.Span), QuantityKind.Length, "Half the spacing on each side, or the overhang."),
                rows.Entry($"/girders/own/{HaunchLine.Key(line.Number, part.Span)}/section", inheritedChoice: geometry.Section.Shape.Name), rows.Entry($"/girders/own/{HaunchLine.Key(line.Number, part.Span)}/shift", 0),
                rows.Reading("I, composite", Core.Structures.GrillageBuilder.Composite(geometry, line, part.Span).SecondMoment, QuantityKind.SecondMoment, "Uncracked, in girder concrete, with the span's effective width (EN 1992-1-1 5.3.2.1)."),
            ])
            { Actions = [.. Copies(line, part.Span)] });
            groups.AddRange(Levels(line, part.Span));
        }
        var here = part.Line is null ? geometry.SpanAt(station) : part.Span;
        groups.Add(new("Layout", [rows.Entry("/girders/count"), rows.Entry("/girders/overhangLeft"), rows.Entry("/girders/overhangRight", girders.OverhangLeft), rows.Entry("/girders/spacings", inheritedChoice: "equal"), rows.Entry("/girders/alongAxis"), rows.Entry("/girders/endGap"),
            rows.Reading(geometry.LayoutOf(here).Spacings.IsEmpty ? "Spacing" : "Least spacing", geometry.SpacingAt(station), QuantityKind.Length)]));
        if (geometry.SpanCount > 1) groups.Add(SpanLayout(here));
        groups.Add(new("Haunch and camber", [rows.Entry("/deck/haunch"), rows.Entry("/girders/camber", geometry.HaunchOf(geometry.Girders[0], 0).CastingCamber), rows.Entry("/girders/laterDeflection"), rows.Entry("/girders/greatestHaunch")]) { Note = "The haunch along every girder follows; the layout “Levels” lists it." });
        if (geometry.SectionsInUse.Any(s => !s.IsSteel)) groups.Add(Strands());
        var shape = geometry.Section.Shape;
        var path = $"/sections/{bridge.Sections.IndexOf(shape)}";
        groups.Add(new("Section", [rows.Entry("/girders/section", inheritedChoice: shape.Name), .. SectionFamily.Named(shape.Family)!.Sizes.Select(f => rows.Entry($"{path}/sizes/{f.Name}", f.Usual)),
            rows.Reading("Area", bare.Area, QuantityKind.SectionArea), rows.Reading("Centroid above soffit", bare.Centroid, QuantityKind.Size), rows.Reading("I, bare", bare.SecondMoment, QuantityKind.SecondMoment)])
        { Actions = [new("Design sections", "", []) { Goes = "sections" }], Note = "All properties, other families, published shapes and own outlines are with the design of sections." });
        foreach (var layer in new[] { "top", "bottom" })
            groups.Add(new($"Slab bars, {layer}", [rows.Entry($"/girders/slabBars/{layer}/diameter"), rows.Entry($"/girders/slabBars/{layer}/spacing"), rows.Entry($"/girders/slabBars/{layer}/axisDistance")]));
        groups.Add(new("Diaphragms on the axes", [rows.Entry("/girders/diaphragm/width"), rows.Entry("/girders/diaphragm/depth")]));
        var placed = girders.Diaphragms;
        groups.Add(new("Diaphragms between", [.. placed.SelectMany((_, i) => new[] { "span", "at", "width", "depth", "firstBay", "lastBay" }.Select(c => rows.Entry($"/girders/diaphragms/{i}/{c}", inheritedChoice: "all")))])
        {
            Columns = placed.IsEmpty ? [] : ["Span", "At", $"Width, {rows.Units[QuantityKind.Size].Symbol}", "Depth", "Bays", "to"],
            RowActions = [.. placed.Select((_, i) => new LedgerAction($"Take diaphragm {i + 1} away", $"Diaphragm {i + 1} taken away", [new("remove", $"/girders/diaphragms/{i}")]))],
            Actions = [new("Add a diaphragm", "Diaphragm added", [new("add", "/girders/diaphragms/-", new JsonObject())])],
            Note = placed.IsEmpty ? "" : "At a part of every girder's span; an empty span means every one. Their weight is on the girders alone, their stiffness in the model.",
        });
        groups.AddRange(Materials());
        return new(part.Line is { } l ? $"{l.Name}, span {part.Span + 1}" : "Girders", part.Line is null ? $"{girders.Count} in each span" : $"axes {part.Span + 1} to {part.Span + 2}", groups);
    }

    /// <summary>Gives what a girder has of its own to others.</summary>
    private IEnumerable<LedgerAction> Copies(GirderLine girder, int span)
    {
        if (bridge.Girders.Own.GetValueOrDefault(HaunchLine.Key(girder.Number, span)) is not { } own) yield break;
        var node = BridgeJson.Node(own);
        LedgerAction Give(string words, IEnumerable<string> keys) => new(words, $"Own values of {girder.Name}, span {span + 1}: {words.ToLowerInvariant()}", [.. keys.Select(k => new PatchOperation("add", $"/girders/own/{k}", node.DeepClone()))]);
        if (geometry.SpanCount > 1) yield return Give($"Give to {girder.Name} in all spans", Enumerable.Range(0, geometry.SpanCount).Where(s => s != span).Select(s => HaunchLine.Key(girder.Number, s)));
        if (geometry.Girders.Length > 1) yield return Give($"Give to all girders in span {span + 1}", geometry.Girders.Where(g => g != girder).Select(g => HaunchLine.Key(g.Number, span)));
        yield return new("As the others again", $"{girder.Name}, span {span + 1} as the others", [new("remove", $"/girders/own/{HaunchLine.Key(girder.Number, span)}")]);
    }

    /// <summary>What the span at the cursor, or of the picked girder, has of its own.</summary>
    private LedgerGroup SpanLayout(int span)
    {
        var (layout, path) = (geometry.LayoutOf(span), $"/girders/spans/{span + 1}");
        var followed = bridge.Girders.Spans.GetValueOrDefault($"{span + 1}")?.Follows is { } other ? $"span {other}" : "the common layout";
        return new($"Layout in span {span + 1}",
        [
            rows.Entry($"{path}/follows", inheritedChoice: ""), rows.Entry($"{path}/overhangLeft", layout.OverhangLeft), rows.Entry($"{path}/overhangRight", layout.OverhangRight),
            rows.Entry($"{path}/spacings", inheritedChoice: layout.Spacings.IsEmpty ? "equal" : string.Join(" + ", layout.Spacings.Select(v => rows.Units.Format(v, QuantityKind.Length)))), rows.Entry($"{path}/alongAxis", inheritedChoice: layout.AlongAxis ? "true" : "false"),
            rows.Entry($"{path}/startGap", layout.StartGap), rows.Entry($"{path}/endGap", layout.EndGap),
        ])
        { Note = $"Grey values follow {followed}. Own ones are kept when following changes.", Actions = bridge.Girders.Spans.ContainsKey($"{span + 1}") ? [new("As the others again", $"Span {span + 1} follows the common layout", [new("remove", path)])] : [] };
    }

    private IEnumerable<LedgerGroup> Levels(GirderLine girder, int span)
    {
        var (haunch, path) = (geometry.HaunchOf(girder, span), $"/girders/own/{HaunchLine.Key(girder.Number, span)}");
        yield return new("Haunch of this girder",
        [
            rows.Entry($"{path}/haunch", haunch.OverBearings), rows.Entry($"{path}/camber", haunch.CastingCamber), rows.Reading("Deflection under wet slab", haunch.SlabDeflection, QuantityKind.Size, "5wL⁴/(384 EI) of the bare girder, half way."),
            rows.Reading("Camber that stays", haunch.Camber, QuantityKind.Size, "Upward, when the road is finished."), rows.Reading("Least haunch", haunch.Least, QuantityKind.Size), rows.Reading("Greatest haunch", haunch.Greatest, QuantityKind.Size), rows.Reading("Concrete in the haunch", haunch.Volume, QuantityKind.Volume),
        ]);
        yield return new("Levels in tenths of the span", [.. Enumerable.Range(0, 11).SelectMany(i => new[]
        {
            LedgerRows.Reading("", QuantityText.Fixed(i / 10.0, 1)), LedgerRows.Reading("", rows.Units.Format(haunch.At(i / 10.0), QuantityKind.Size)),
            LedgerRows.Reading("", rows.Units.Format(haunch.Top(i / 10.0), QuantityKind.Length)), LedgerRows.Reading("", rows.Units.Format(haunch.Bottom(i / 10.0), QuantityKind.Length)),
        })])
        { Columns = ["Part", $"Haunch, {rows.Units[QuantityKind.Size].Symbol}", $"Top, {rows.Units[QuantityKind.Length].Symbol}", "Soffit"] };
    }

    public Ledger Loads()
    {
        var strips = section.Strips;
        var lanes = Lanes();
        return new("Loads", "what acts on the finished deck",
        [
            new("Unit weights", [rows.Entry("/loads/concreteWeight"), rows.Entry("/loads/steelWeight"), rows.Entry("/loads/surfacingWeight"), rows.Entry("/loads/footwayWeight")]),
            new("Parapets", [.. ParapetLine.All(geometry).Select(p => rows.Reading($"{p.Profile.Name}, {(p.Side < 0 ? "left" : "right")}", p.Weight, QuantityKind.LineLoad, "Entered in the deck step."))]),
            new("Readings: strips, left to right", [.. strips.SelectMany(s => new[]
            {
                LedgerRows.Reading("", s.Name),
                LedgerRows.Reading("", rows.Units.Format(s.MeanFill, QuantityKind.Size)),
                LedgerRows.Reading("", rows.Units.Format(PermanentLoads.StripLoad(s, bridge.Loads), QuantityKind.AreaLoad)),
            })]) { Columns = ["Strip", $"Depth, {rows.Units[QuantityKind.Size].Symbol}", rows.Units[QuantityKind.AreaLoad].Symbol] },
            new("Readings: on each girder", [rows.Reading("Girder", geometry.GirderWeight(geometry.Girders[0], 0), QuantityKind.LineLoad)]),
            new("Readings: traffic", [rows.Reading("Carriageway", section.Carriageway?.Width ?? 0, QuantityKind.Length), LedgerRows.Reading("Notional lanes", lanes.Count.ToString(), "EN 1991-2 Table 4.1"),
                rows.Reading("Width of a lane", lanes.Width, QuantityKind.Length), rows.Reading("Remaining area", lanes.Remaining, QuantityKind.Length)])
            { Note = "Load model 1 and footway load of EN 1991-2, factors from the national set (Basis). Lanes go anywhere in the carriageway, tandems anywhere along it, for every effect by itself." },
        ]);
    }

    public Ledger Sheets(IReadOnlyList<BillItem> bill) => new("Sheets", "general arrangement, A3",
    [
        new("Titles", [.. new[] { "project", "client", "office", "number", "issue", "drawn", "checked" }.Select(t => rows.Entry($"/basis/titles/{t}"))]),
        new("Rates", [rows.Entry("/costs/currency"), .. bill.Select(i => rows.Entry($"/costs/rates/{i.Key}", null, i.Words) with { Unit = $"per {(i.Kind == QuantityKind.Count ? "piece" : rows.Units[i.Kind].Symbol)}" })]) { Note = "A rate gives its quantity a cost. Rates are per unit of the project's own units." },
    ]);

    private NotionalLanes Lanes() => section.Carriageway is { } c ? NotionalLanes.On(c.Width, NationalValues.For(bridge.Basis)["laneWidth"]) : new(0, 0, 0);

    private LedgerGroup Strands()
    {
        var strandRows = bridge.Girders.Strands.Rows;
        var added = new JsonObject { ["level"] = strandRows.IsEmpty ? 0.06 : Math.Round(strandRows.Max(r => r.Level) + 0.05, 3), ["count"] = 2, ["spacing"] = 0.05 };
        return new("Strands of every girder", [.. strandRows.SelectMany((_, i) => new[] { "level", "count", "spacing" }.Select(c => rows.Entry($"/girders/strands/rows/{i}/{c}")))])
        {
            Columns = [$"Level, {rows.Units[QuantityKind.Size].Symbol}", "Strands", "Spacing"],
            RowActions = [.. strandRows.Select((_, i) => new LedgerAction($"Take strand row {i + 1} away", $"Strand row {i + 1} taken away", [new("remove", $"/girders/strands/rows/{i}")]))],
            Actions = [new("Add a row", "Strand row added", [new("add", "/girders/strands/rows/-", added)])],
            Note = $"{strandRows.Sum(r => r.Count)} strands in all",
        };
    }

    private IEnumerable<LedgerGroup> Materials()
    {
        foreach (var (path, title, grade) in new[] { ("/materials/girder", "Girder concrete", bridge.Materials.Girder), ("/materials/slab", "Slab concrete", bridge.Materials.Slab), ("/materials/support", "Concrete of supports", bridge.Materials.Support) })
        {
            var concrete = Concrete.Of(new ConcreteGrade { Class = grade.Class });
            yield return new(title, [rows.Entry($"{path}/class"), rows.Reading("f_ck", concrete.Fck, QuantityKind.Stress, "Characteristic cylinder strength."), rows.Reading("f_cm", concrete.Fcm, QuantityKind.Stress, "f_ck + 8 MPa (Table 3.1)."),
                rows.Entry($"{path}/ecm", concrete.Ecm), rows.Entry($"{path}/fctm", concrete.Fctm), rows.Entry($"{path}/epsilonC2", concrete.EpsilonC2), rows.Entry($"{path}/epsilonCu2", concrete.EpsilonCu2), rows.Entry($"{path}/exponent", concrete.Exponent)]);
        }
        var bars = ReinforcingSteel.Of(new ReinforcementGrade { Class = bridge.Materials.Reinforcement.Class });
        var strand = PrestressingSteel.Of(new StrandGrade { Type = bridge.Materials.Strand.Type });
        var withFpk = PrestressingSteel.Of(new StrandGrade { Type = bridge.Materials.Strand.Type, Fpk = bridge.Materials.Strand.Fpk });
        yield return new("Steel", [rows.Entry("/materials/strand/type"), rows.Entry("/girders/strands/effectiveStress"), rows.Entry("/materials/strand/area", strand.Area), rows.Entry("/materials/strand/fpk", strand.Fpk), rows.Entry("/materials/strand/fp01k", withFpk.Fp01k), rows.Entry("/materials/strand/ep", strand.Ep),
            rows.Entry("/materials/reinforcement/class"), rows.Entry("/materials/reinforcement/fyk", bars.Fyk), rows.Entry("/materials/reinforcement/es", bars.Es)]);
    }
}
