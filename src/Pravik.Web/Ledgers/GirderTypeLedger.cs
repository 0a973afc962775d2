using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>The ledger groups of types of girders: the list of them, then what one of them is made of.</summary>
internal sealed class GirderTypeLedger(Bridge bridge, BridgeGeometry geometry, LedgerRows rows)
{
    private readonly Girders girders = bridge.Girders;

    /// <summary>Place of the type that is picked, that of the picked girder, or that of the first.</summary>
    public static int Shown(BridgeGeometry geometry, string? picked) =>
        picked?.Split('/') is ["", "girders", "types", var item, ..]
        && int.TryParse(item, out var i)
        && i >= 0
        && i < geometry.Sections.Types.Length
            ? i
            : Of(PartPath.GirderAt(picked, geometry) ?? (geometry.GirdersIn(0)[0], 0), geometry);

    private static int Of((GirderLine Girder, SpanIndex Span) at, BridgeGeometry geometry) =>
        geometry.Sections.TypeIndex(at.Girder.Number, at.Span);

    /// <param name="shown">Place of the type whose values are shown.</param>
    public IEnumerable<LedgerGroup> Groups(int shown)
    {
        var (type, path) = (girders.Types[shown], $"/girders/types/{shown}");
        var section = geometry.Sections.OfType(type);
        yield return List(shown);
        yield return Values(shown, path);
        yield return Section(section, path);
        if (section.IsSteel)
            yield break;
        if (!girders.CastInPlace)
        {
            yield return Strands(type, path);
            yield return Stressing(type, path);
            yield return StrandCourses(type, path);
        }
        yield return Bars(type, path);
        yield return Links(type, path);
    }

    /// <summary>All types, each with how many girders have it; a click shows its values.</summary>
    private LedgerGroup List(int shown)
    {
        var counts = geometry
            .Pieces.GroupBy(p => geometry.Sections.TypeIndex(p.Girder.Number, p.Span))
            .ToDictionary(g => g.Key, g => g.Count());
        var copy = Enumerable.Range(0, 26).Select(i => $"Type {(char)('A' + i)}").FirstOrDefault(n => girders.Types.All(t => t.Name != n));
        copy ??= $"Type {girders.Types.Length + 1}";
        var added = girders.Types[shown] with { Name = copy };
        return new(
            "Types of girders",
            [
                rows.Entry("/girders/type", inheritedChoice: girders.Types[0].Name, name: "Of all girders"),
                .. girders.Types.Select(
                    (t, i) =>
                        LedgerRows.Reading(
                            i == shown ? $"{t.Name} ◂" : t.Name,
                            $"{counts.GetValueOrDefault(i)} {(counts.GetValueOrDefault(i) == 1 ? "girder" : "girders")}",
                            "Click to see what it is made of."
                        ) with
                        {
                            Picks = $"/girders/types/{i}",
                        }
                ),
            ]
        )
        {
            Actions =
            [
                new(
                    $"Add a type like {girders.Types[shown].Name}",
                    $"{copy} added",
                    [new("add", "/girders/types/-", BridgeJson.Node(added))]
                ),
            ],
            Note = "Section, concrete, strands and haunch of girders that are made alike. Spans and single girders can have another type.",
        };
    }

    private LedgerGroup Values(int shown, string path)
    {
        var type = girders.Types[shown];
        var first = geometry.Pieces.FirstOrDefault(p => geometry.Sections.TypeIndex(p.Girder.Number, p.Span) == shown);
        var camber = first.Girder is null ? type.LaterDeflection : geometry.HaunchOf(first.Girder, first.Span).CastingCamber;
        var isUsed = first.Girder is not null || References.To(bridge, path).Any();
        return new(
            type.Name,
            [
                rows.Entry($"{path}/name"),
                .. geometry.Sections.OfType(type).IsSteel
                    ? Array.Empty<LedgerRow>()
                    : [rows.Entry($"{path}/concrete/class", name: "Concrete")],
                rows.Entry("/deck/haunch"),
                rows.Entry($"{path}/camber", camber),
                rows.Entry($"{path}/laterDeflection"),
                rows.Entry($"{path}/greatestHaunch"),
            ]
        )
        {
            Note = "The haunch along every girder follows; the layout “Levels” lists it.",
            Actions =
            [
                .. (girders.Type ?? girders.Types[0].Name) == type.Name
                    ? Array.Empty<LedgerAction>()
                    :
                    [
                        new LedgerAction(
                            "Give it to all girders",
                            $"All girders of {type.Name}",
                            [new("replace", "/girders/type", JsonValue.Create(type.Name))]
                        ),
                    ],
                .. isUsed || girders.Types.Length == 1
                    ? Array.Empty<LedgerAction>()
                    : [new LedgerAction("Take it away", $"{type.Name} taken away", [new("remove", path)])],
            ],
        };
    }

    private LedgerGroup Section(MadeSection section, string type)
    {
        var (shape, bare) = (section.Shape, section.Bending);
        var path = $"/sections/{bridge.Sections.IndexOf(shape)}";
        return new(
            "Section",
            [
                rows.Entry($"{type}/section", inheritedChoice: shape.Name),
                .. SectionFamily.Named(shape.Family)!.Sizes.Select(f => rows.Entry($"{path}/sizes/{f.Name}", f.Usual)),
                rows.Reading("Area", bare.Area, QuantityKind.SectionArea),
                rows.Reading("Centroid above soffit", bare.Centroid, QuantityKind.Size),
                rows.Reading("I, bare", bare.SecondMoment, QuantityKind.SecondMoment),
            ]
        )
        {
            Actions = [new("Design sections", "", []) { Goes = "sections" }],
            Note = "All properties, other families, published shapes and own outlines are with the design of sections.",
        };
    }

    /// <summary>Debonding and deflection, row by row.</summary>
    private LedgerGroup StrandCourses(GirderType type, string path) =>
        new(
            $"Strands of {type.Name} along the girder",
            [
                .. type.Strands.Rows.SelectMany(
                    (_, i) =>
                        new[] { LedgerRows.Reading("", $"{i + 1}") }.Concat(
                            new[] { "debonded", "debondedLength", "endLevel", "holdDown" }.Select(c =>
                                rows.Entry($"{path}/strands/rows/{i}/{c}", type.Strands.Rows[i].Level)
                            )
                        )
                ),
            ]
        )
        {
            Columns =
            [
                "Row",
                "Debonded",
                $"over, {rows.Units[QuantityKind.Length].Symbol}",
                $"End level, {rows.Units[QuantityKind.Size].Symbol}",
                "Held at",
            ],
            Note =
                "Debonded near both ends; a row with an end level runs straight from there to where it is held down (part of the length).",
        };

    /// <summary>To what strands are stressed, and the concrete when they are released.</summary>
    private LedgerGroup Stressing(GirderType type, string path)
    {
        var early = StrandRows.AtRelease(bridge, Concrete.Of(type.Concrete));
        return new(
            $"Stressing and release, {type.Name}",
            [
                rows.Entry($"{path}/strands/jackStress"),
                rows.Entry($"{path}/strands/effectiveStress"),
                rows.Entry("/girders/release/age"),
                rows.Entry("/girders/release/heatTemperature"),
                rows.Entry("/girders/release/heatHours"),
                rows.Entry("/girders/release/strength", (early with { Entered = null }).Fck),
                rows.Reading("f_ctm(t)", early.Fctm, QuantityKind.Stress, "Mean tensile strength at release (EN 1992-1-1 3.1.2(9))."),
                rows.Reading("E_cm(t)", early.Ecm, QuantityKind.Stress, "Modulus at release (EN 1992-1-1 3.1.3(3))."),
            ]
        )
        {
            Note = type.Strands.EffectiveStress is null
                ? "Losses are worked out place by place; under Checks, “Stress of strands in service” tells each. Release is one for all "
                    + "types."
                : "The stress after losses is entered: losses, release and construction are not checked. Empty it to have them worked out.",
        };
    }

    /// <summary>Bars along the girder, row by row.</summary>
    private LedgerGroup Bars(GirderType type, string path)
    {
        var all = type.Bars;
        var added = all.IsEmpty ? new BarRow() : all[^1] with { Level = Math.Round(all[^1].Level + 0.05, 3) };
        return new(
            $"Bars of {type.Name}",
            [
                .. all.SelectMany(
                    (_, i) => new[] { "level", "count", "diameter", "from", "to" }.Select(c => rows.Entry($"{path}/bars/{i}/{c}"))
                ),
            ]
        )
        {
            Columns = all.IsEmpty ? [] : [$"Level, {rows.Units[QuantityKind.Size].Symbol}", "Bars", "Diameter", "From", "to"],
            RowActions =
            [
                .. all.Select(
                    (_, i) =>
                        new LedgerAction(
                            $"Take bar row {i + 1} away",
                            $"Row {i + 1} of bars taken away",
                            [new("remove", $"{path}/bars/{i}")]
                        )
                ),
            ],
            Actions = [new("Add a row of bars", "Row of bars added", [new("add", $"{path}/bars/-", BridgeJson.Node(added))])],
            Note = all.IsEmpty
                ? "None beside those of the slab and over the piers."
                : "From and to are parts of the span, 0 and 1 where bars run on. They follow the soffit.",
        };
    }

    /// <summary>Upright links, zone by zone from the ends.</summary>
    private LedgerGroup Links(GirderType type, string path)
    {
        var zones = type.Links;
        var (first, next) = (new LinkZone(), zones.IsEmpty ? null : zones[^1] with { Spacing = Math.Min(0.3, 2 * zones[^1].Spacing) });
        return new(
            $"Links of {type.Name}",
            [
                .. zones.SelectMany(
                    (_, i) => new[] { "length", "legs", "diameter", "spacing" }.Select(c => rows.Entry($"{path}/links/{i}/{c}"))
                ),
            ]
        )
        {
            Columns = zones.IsEmpty
                ? []
                :
                [
                    $"Length, {rows.Units[QuantityKind.Length].Symbol}",
                    "Legs",
                    $"Diameter, {rows.Units[QuantityKind.Size].Symbol}",
                    "every",
                ],
            RowActions =
            [
                .. zones.Select(
                    (_, i) =>
                        new LedgerAction(
                            $"Take zone {i + 1} away",
                            $"Zone {i + 1} of links taken away",
                            [new("remove", $"{path}/links/{i}")]
                        )
                ),
            ],
            Actions = [new("Add a zone", "Zone of links added", [new("add", $"{path}/links/-", BridgeJson.Node(next ?? first))])],
            Note = zones.IsEmpty
                ? "None: shear is set against the concrete alone."
                : "Zones from both ends of the girder; the last goes on to the middle.",
        };
    }

    private LedgerGroup Strands(GirderType type, string path)
    {
        var strandRows = type.Strands.Rows;
        var added = new JsonObject
        {
            ["level"] = strandRows.IsEmpty ? 0.06 : Math.Round(strandRows.Max(r => r.Level) + 0.05, 3),
            ["count"] = 2,
            ["spacing"] = 0.05,
        };
        return new(
            $"Strands of {type.Name}",
            [
                .. strandRows.SelectMany(
                    (_, i) => new[] { "level", "count", "spacing" }.Select(c => rows.Entry($"{path}/strands/rows/{i}/{c}"))
                ),
            ]
        )
        {
            Columns = [$"Level, {rows.Units[QuantityKind.Size].Symbol}", "Strands", "Spacing"],
            RowActions =
            [
                .. strandRows.Select(
                    (_, i) =>
                        new LedgerAction(
                            $"Take strand row {i + 1} away",
                            $"Strand row {i + 1} taken away",
                            [new("remove", $"{path}/strands/rows/{i}")]
                        )
                ),
            ],
            Actions = [new("Add a row", "Strand row added", [new("add", $"{path}/strands/rows/-", added)])],
            Note = $"{strandRows.Sum(r => r.Count)} strands in all",
        };
    }
}
