using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>Strands, bars and links of a type of girders of concrete.</summary>
internal sealed class GirderSteelLedger(Bridge bridge, BridgeGeometry geometry, LedgerRows rows)
{
    /// <summary>The groups of a type at a path.</summary>
    public IEnumerable<LedgerGroup> Groups(GirderType type, string path)
    {
        if (!bridge.Girders.CastInPlace)
        {
            yield return Strands(type, path);
            yield return Stressing(type, path);
            yield return StrandCourses(type, path);
            foreach (var group in Debonding.Group(type.Strands, $"{path}/strands", rows))
                yield return group;
        }
        yield return Bars(type, path);
        if (!type.Bars.IsEmpty)
            yield return BarEnds(type, path);
        yield return Links(type, path);
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
            Actions = Debonding.Actions(type.Strands, $"{path}/strands"),
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
                    (row, i) =>
                        new[] { "level", "count", "spacing", "diameter" }.Select(c =>
                            c == "count" && row.Spacing is not null ? Counted(row) : rows.Entry($"{path}/bars/{i}/{c}")
                        )
                ),
            ]
        )
        {
            Columns = all.IsEmpty ? [] : [$"Level, {rows.Units[QuantityKind.Size].Symbol}", "Bars", "or every", "Diameter"],
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
                : "They follow the soffit. Bars given by their distance lie at least 50 mm from the sides.",
        };

        LedgerRow Counted(BarRow row) =>
            LedgerRows.Reading("", $"{row.In(geometry.Sections.OfType(type)).Sum(r => r.Count)}", "Found by their distance.");
    }

    /// <summary>Where bars, and every second of a row, begin and end.</summary>
    private LedgerGroup BarEnds(GirderType type, string path) =>
        new(
            $"Where bars of {type.Name} begin and end",
            [
                .. type.Bars.SelectMany(
                    (row, i) =>
                        new[]
                        {
                            LedgerRows.Reading("", $"{i + 1}"),
                            rows.Entry($"{path}/bars/{i}/from"),
                            rows.Entry($"{path}/bars/{i}/to"),
                            rows.Entry($"{path}/bars/{i}/secondFrom", row.From),
                            rows.Entry($"{path}/bars/{i}/secondTo", row.To),
                        }
                ),
            ]
        )
        {
            Columns = ["Row", "From", "to", "Every 2nd", "to"],
            Note =
                "Parts of the span, 0 and 1 where bars run on. Every second bar of a row may begin or end elsewhere; empty: as the others.",
        };

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
