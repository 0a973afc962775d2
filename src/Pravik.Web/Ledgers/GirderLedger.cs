using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>
/// The ledger of girders: what is picked, then layout, depth, sections, strands, what stands between the girders.
/// </summary>
internal sealed class GirderLedger(Bridge bridge, BridgeGeometry geometry, LedgerRows rows, double station)
{
    /// <summary>Girders that can be picked together with one click: more would make too long an address.</summary>
    private const int MostTogether = 60;
    private readonly Girders girders = bridge.Girders;

    public Ledger Show(string? picked)
    {
        var parts = (picked ?? "")
            .Split('+')
            .Select(p => PartPath.GirderAt(p, geometry))
            .OfType<(GirderLine Line, SpanIndex Span)>()
            .Distinct()
            .ToList();
        (GirderLine Line, SpanIndex Span)? one = parts.Count == 1 ? parts[0] : null;
        var here = one?.Span ?? geometry.SpanAt(station);
        var shown = GirderTypeLedger.Shown(geometry, picked);
        List<LedgerGroup> groups = [];
        if (one is { } part)
            groups.AddRange(Single(part.Line, part.Span));
        if (parts.Count > 1)
            groups.Add(Several(parts));
        groups.Add(Layout(here));
        if (geometry.SpanCount > 1)
            groups.Add(SpanLayout(here));
        groups.Add(Depth(here));
        groups.Add(Ranges());
        // What is picked comes first.
        groups.InsertRange(IsType(picked) ? 0 : groups.Count, new GirderTypeLedger(bridge, geometry, rows).Groups(shown));
        if (geometry.SectionsInUse.Any(s => !s.IsSteel))
            groups.InsertRange(IsTendon(picked) ? 0 : groups.Count, new TendonLedger(bridge, rows).Groups(picked));
        foreach (var (way, words) in new[] { ("slabBars", "along"), ("barsAcross", "across") })
        {
            foreach (var layer in new[] { "top", "bottom" })
                groups.Add(
                    new(
                        $"Slab bars {words}, {layer}",
                        [
                            rows.Entry($"/girders/{way}/{layer}/diameter"),
                            rows.Entry($"/girders/{way}/{layer}/spacing"),
                            rows.Entry($"/girders/{way}/{layer}/axisDistance"),
                        ]
                    )
                );
        }
        groups.Add(
            new(
                "Over the piers, and webs",
                [
                    rows.Entry("/girders/pierBars/count"),
                    rows.Entry("/girders/pierBars/diameter"),
                    rows.Entry("/girders/pierBars/level"),
                    rows.Entry("/girders/pierBars/reach"),
                    rows.Entry("/girders/strutSlope"),
                    rows.Entry("/girders/topSurface"),
                    rows.Entry("/girders/leavesOutTorsion"),
                    rows.Entry("/girders/deflectionLimit"),
                ]
            )
            {
                Note = "Bars over a pier carry sagging there; no strand passes from girder to girder.",
            }
        );
        groups.AddRange(new GirderPartsLedger(bridge, geometry, rows).Groups(picked));
        return one is { } only ? new($"{only.Line.Name}, span {only.Span + 1}", $"axes {only.Span + 1} to {only.Span + 2}", groups)
            : IsType(picked) ? new(girders.Types[shown].Name, "type of girder", groups)
            : IsTendon(picked) ? new("Tendons", "stressed after casting", groups)
            : parts.Count > 1 ? new($"{parts.Count} girders", "picked together", groups)
            : new("Girders", geometry.IsComplete ? $"{girders.Count} in each span" : "as laid out span by span", groups);
    }

    private static bool IsTendon(string? picked) => picked?.StartsWith("/girders/tendons/", StringComparison.Ordinal) == true;

    private static bool IsType(string? picked) => picked?.StartsWith("/girders/types/", StringComparison.Ordinal) == true;

    private IEnumerable<LedgerGroup> Single(GirderLine line, SpanIndex span)
    {
        var (length, key) = (geometry.LengthOf(line, span), HaunchLine.Key(line.Number, span));
        yield return new(
            "Readings of this girder",
            [
                rows.Reading("Offset from road line", line.In(span).MiddleOffset, QuantityKind.Length),
                rows.Reading("Axis to axis", line.SpanLength(span), QuantityKind.Length),
                rows.Reading("Length of the girder", length, QuantityKind.Length),
                .. Through(line, span),
                rows.Reading("Weight", length * geometry.GirderWeight(line, span), QuantityKind.Force),
                rows.Reading(
                    "Wet slab it carries",
                    geometry.WetSlabWidth(line, span),
                    QuantityKind.Length,
                    "Half the spacing on each side, or the overhang."
                ),
                rows.Entry($"/girders/own/{key}/type", inheritedChoice: geometry.TypeOf(line, span).Name),
                rows.Entry($"/girders/own/{key}/section", inheritedChoice: geometry.SectionOf(line, span).Shape.Name),
                rows.Entry($"/girders/own/{key}/shift", 0),
                rows.Reading(
                    "I, composite",
                    EffectiveSlab.Composite(geometry, line, span).SecondMoment,
                    QuantityKind.SecondMoment,
                    "Half way, short-term and uncracked, in the girder's material, with the span's effective width (EN 1992-1-1 5.3.2.1)."
                ),
            ]
        )
        {
            Actions = [.. Copies(line, span), .. AddedOrLeftOut(line, span)],
        };
        foreach (var group in Levels(line, span))
            yield return group;
    }

    /// <summary>The length of a girder that runs on over piers.</summary>
    private IEnumerable<LedgerRow> Through(GirderLine line, SpanIndex span)
    {
        var (first, last) = (span, span);
        while (first > 0 && line.IsIn(first - 1) && geometry.LayoutOf(first - 1).RunsOn)
            first--;
        while (line.IsIn(last) && geometry.LayoutOf(last).RunsOn && line.IsIn(last + 1))
            last++;
        if (first < last)
            yield return rows.Reading(
                $"In one piece, axes {first + 1} to {last + 2}",
                Enumerable.Range(first, last - first + 1).Sum(s => geometry.LengthOf(line, s)),
                QuantityKind.Length
            );
    }

    /// <summary>Actions that change which girders there are.</summary>
    private IEnumerable<LedgerAction> AddedOrLeftOut(GirderLine line, SpanIndex span)
    {
        var where = $"span {span + 1}";
        if (line.Number < geometry.LayoutOf(span).Count && GirderAddition.RightOf(geometry, line, span) is var added)
            yield return new(
                "Add a girder to its right",
                $"A girder added right of {line.Name}, {where}",
                [new("replace", "/girders/spans", BridgeJson.Node(added.Spans)), new("replace", "/girders/own", BridgeJson.Node(added.Own))]
            );
        if (geometry.GirdersIn(span).Length > 1)
            yield return new(
                "Leave it out",
                $"{line.Name} left out of {where}",
                [
                    .. girders.Own.ContainsKey(HaunchLine.Key(line.Number, span))
                        ? Array.Empty<PatchOperation>()
                        : [new("add", $"/girders/own/{HaunchLine.Key(line.Number, span)}", new JsonObject())],
                    new("add", $"/girders/own/{HaunchLine.Key(line.Number, span)}/absent", JsonValue.Create(true)),
                ]
            );
    }

    /// <summary>Values of several girders at once: what they share, or that they differ.</summary>
    private LedgerGroup Several(List<(GirderLine Line, SpanIndex Span)> parts)
    {
        var keys = parts.ConvertAll(p => HaunchLine.Key(p.Line.Number, p.Span));
        LedgerRow Shared(string value)
        {
            var all = keys.ConvertAll(k =>
                rows.Entry(
                    $"/girders/own/{k}/{value}",
                    value switch
                    {
                        "shift" => 0,
                        "camber" => geometry.HaunchOf(parts[0].Line, parts[0].Span).CastingCamber,
                        "haunch" => geometry.HaunchOf(parts[0].Line, parts[0].Span).OverBearings,
                        _ => null,
                    },
                    inheritedChoice: value == "type"
                        ? geometry.TypeOf(parts[0].Line, parts[0].Span).Name
                        : geometry.SectionOf(parts[0].Line, parts[0].Span).Shape.Name
                )
            );
            var isOwn = all.Any(r => r.IsOwn);
            var isOne = all.All(r => r.IsOwn == all[0].IsOwn && r.Value == all[0].Value);
            return all[0] with
            {
                Path = $"/girders/own/{string.Join('+', keys)}/{value}",
                Value = isOne ? all[0].Value : "",
                IsOwn = isOwn,
                IsInherited = !isOwn,
                Help = isOne ? all[0].Help : "They differ. What is typed holds for all of them.",
            };
        }
        var named = string.Join(", ", parts.Take(6).Select(p => $"{p.Line.Name} in span {p.Span + 1}"));
        var more = parts.Count > 6 ? $" and {parts.Count - 6} more" : "";
        return new(
            $"Own values of {parts.Count} girders",
            [Shared("type"), Shared("section"), Shared("shift"), Shared("haunch"), Shared("camber")]
        )
        {
            Note = $"{named}{more}. What is typed goes to all of them; an empty value gives theirs back.",
            Actions = keys.Any(girders.Own.ContainsKey)
                ?
                [
                    new(
                        "Same as the others",
                        $"{parts.Count} girders as the others",
                        [.. keys.Where(girders.Own.ContainsKey).Select(k => new PatchOperation("remove", $"/girders/own/{k}"))]
                    ),
                ]
                : [],
        };
    }

    private LedgerGroup Layout(int here)
    {
        var absent = girders.Own.Where(o => o.Value.Absent == true).Select(o => o.Key.Split('-')).ToList();
        return new(
            "Layout",
            [
                rows.Entry("/girders/count"),
                rows.Entry("/girders/overhangLeft"),
                girders.Spacings is null ? rows.Entry("/girders/overhangRight", girders.OverhangLeft) : RightOverhang(here),
                rows.Entry("/girders/spacings"),
                .. girders.Spacings is null ? Array.Empty<LedgerRow>() : [rows.Entry("/girders/held")],
                rows.Entry("/girders/alongAxis"),
                rows.Entry("/girders/course", inheritedChoice: Girders.Straight),
                rows.Entry("/girders/endGap"),
                .. geometry.SpanCount > 1 ? new[] { rows.Entry("/girders/runsOn") } : [],
                rows.Entry("/girders/castInPlace"),
                .. geometry.Pieces.Count() is var count && count is > 1 and <= MostTogether
                    ? new[]
                    {
                        LedgerRows.Reading(
                            "Own values",
                            $"of all {count} girders at once",
                            "Several are also picked in the table or the plan with Shift or Ctrl."
                        ) with
                        {
                            Picks = string.Join('+', geometry.Pieces.Select(p => PartPath.Girder(p.Girder, p.Span))),
                        },
                    }
                    : [],
                rows.Reading(
                    geometry.LayoutOf(here).Spacings.IsEmpty ? "Spacing" : "Least spacing",
                    geometry.SpacingAt(station),
                    QuantityKind.Length
                ),
            ]
        )
        {
            Actions =
            [
                .. new Widening(bridge, geometry).Actions(here),
                .. absent.Select(k => new LedgerAction(
                    $"Put G{k[0]} back in span {k[1]}",
                    $"G{k[0]} put back in span {k[1]}",
                    [new("replace", $"/girders/own/{k[0]}-{k[1]}/absent")]
                )),
            ],
        };
    }

    /// <summary>Where spacings are listed, what they leave on the right.</summary>
    private LedgerRow RightOverhang(SpanIndex span) =>
        rows.Reading(
            "Overhang right",
            new Widening(bridge, geometry).RightOverhang(span),
            QuantityKind.Length,
            "What the listed spacings leave half way along the span; it cannot be typed while they are listed."
        );

    /// <summary>What the span at the cursor, or of the picked girder, has of its own.</summary>
    private LedgerGroup SpanLayout(SpanIndex span)
    {
        var (layout, path) = (geometry.LayoutOf(span), $"/girders/spans/{span + 1}");
        var followed = girders.Spans.GetValueOrDefault($"{span + 1}")?.Follows is { } other ? $"span {other}" : "the common layout";
        return new(
            $"Layout in span {span + 1}",
            [
                rows.Entry($"{path}/follows", inheritedChoice: ""),
                rows.Entry($"{path}/type", inheritedChoice: layout.Type ?? girders.Types[0].Name),
                rows.Entry($"{path}/count", layout.Count),
                rows.Entry($"{path}/overhangLeft", layout.OverhangLeft),
                layout.Spacings.IsEmpty ? rows.Entry($"{path}/overhangRight", layout.OverhangRight) : RightOverhang(span),
                rows.Entry(
                    $"{path}/spacings",
                    inheritedChoice: layout.Spacings.IsEmpty
                        ? "equal"
                        : string.Join(" + ", layout.Spacings.Select(v => rows.Units.Format(v, QuantityKind.Length)))
                ),
                rows.Entry($"{path}/alongAxis", inheritedChoice: Words(layout.AlongAxis)),
                rows.Entry($"{path}/course", inheritedChoice: layout.Course),
                rows.Entry($"{path}/startGap", layout.StartGap),
                rows.Entry($"{path}/endGap", layout.EndGap),
                .. span < geometry.SpanCount - 1 ? new[] { rows.Entry($"{path}/runsOn", inheritedChoice: Words(layout.RunsOn)) } : [],
            ]
        )
        {
            Note = $"Grey values follow {followed}. Own ones are kept when following changes.",
            Actions = girders.Spans.ContainsKey($"{span + 1}")
                ? [new("Same as the others", $"Span {span + 1} follows the common layout", [new("remove", path)])]
                : [],
        };
    }

    private static string Words(bool yes) => yes ? "true" : "false";

    /// <summary>The law of depth that holds in a span, where it is kept; or how to begin one.</summary>
    private LedgerGroup Depth(SpanIndex span)
    {
        var shape = geometry.Section.Shape;
        var (own, hasOwn) = ($"/girders/spans/{span + 1}", girders.Spans.GetValueOrDefault($"{span + 1}")?.Depth is not null);
        // To 50 mm or an inch, as one would choose it.
        var step = rows.Units == UnitSystem.Metric ? 0.05 : 0.0254;
        JsonNode Begin() =>
            new JsonObject
            {
                ["start"] = Math.Round(Math.Round(1.5 * shape.Size("depth") / step) * step, 6),
                ["middle"] = shape.Size("depth"),
            };
        var inSpan = new LedgerAction(
            $"Another depth in span {span + 1}",
            $"Depth of span {span + 1} of its own",
            [
                .. girders.Spans.ContainsKey($"{span + 1}") ? Array.Empty<PatchOperation>() : [new("add", own, new JsonObject())],
                new("add", $"{own}/depth", girders.Depth is { } common ? BridgeJson.Node(common) : Begin()),
            ]
        );
        if (geometry.LayoutOf(span).Depth is null)
            return new("Depth along the girders", [LedgerRows.Reading("Depth", "that of the section")])
            {
                Actions = geometry.Section.HasDepth
                    ?
                    [
                        new("Let it change along every span", "Depth changes along the spans", [new("add", "/girders/depth", Begin())]),
                        .. geometry.SpanCount > 1 ? new[] { inSpan } : [],
                    ]
                    : [],
            };
        var path = hasOwn ? $"{own}/depth" : GirderLayout.PathOf(girders, span, "depth", l => l.Depth is not null);
        var end = geometry.LayoutOf(span).Depth!.Start;
        return new(
            path == "/girders/depth" ? "Depth along every span" : $"Depth along span {span + 1}",
            [
                rows.Entry($"{path}/course"),
                rows.Entry($"{path}/start"),
                rows.Entry($"{path}/end", end),
                rows.Entry($"{path}/middle"),
                rows.Entry($"{path}/reach"),
                rows.Entry($"{path}/soffitStraight"),
            ]
        )
        {
            Note =
                path.StartsWith("/girders/spans", StringComparison.Ordinal) && !hasOwn ? "Kept with the span that this one follows." : "",
            Actions =
            [
                new("Back to the section's depth", "Depth as that of the section", [new("replace", path)]),
                .. geometry.SpanCount > 1 && !hasOwn ? new[] { inSpan } : [],
            ],
        };
    }

    /// <summary>Sections over parts of the length.</summary>
    private LedgerGroup Ranges()
    {
        var ranges = girders.Ranges;
        return new(
            "Sections along the girders",
            [
                .. ranges.SelectMany(
                    (_, i) =>
                        new[] { "span", "from", "to", "section" }.Select(c =>
                            rows.Entry($"/girders/ranges/{i}/{c}", inheritedChoice: c == "section" ? bridge.Sections[0].Name : null)
                        )
                ),
            ]
        )
        {
            Columns = ranges.IsEmpty ? [] : ["Span", "From", "To", "Section"],
            RowActions =
            [
                .. ranges.Select(
                    (_, i) =>
                        new LedgerAction($"Take range {i + 1} away", $"Range {i + 1} taken away", [new("remove", $"/girders/ranges/{i}")])
                ),
            ],
            Actions = [new("Add a range", "Range added", [new("add", "/girders/ranges/-", new JsonObject())])],
            Note = ranges.IsEmpty ? "" : "Parts of the span; an empty span means every one. Where ranges meet the later one holds.",
        };
    }

    /// <summary>Gives what a girder has of its own to others.</summary>
    private IEnumerable<LedgerAction> Copies(GirderLine girder, SpanIndex span)
    {
        if (girders.Own.GetValueOrDefault(HaunchLine.Key(girder.Number, span)) is not { } own)
            yield break;
        var node = BridgeJson.Node(own);
        var length = girder.SpanLength(span);
        LedgerAction Give(string words, IEnumerable<string> keys) =>
            new(
                words,
                $"Own values of {girder.Name}, span {span + 1}: {words.ToLowerInvariant()}",
                [.. keys.Select(k => new PatchOperation("add", $"/girders/own/{k}", node.DeepClone()))]
            );
        if (geometry.SpanCount > 1)
            yield return Give(
                $"Give to {girder.Name} in all spans",
                Enumerable
                    .Range(0, geometry.SpanCount)
                    .Where(s => s != span && girder.IsIn(s))
                    .Select(s => HaunchLine.Key(girder.Number, s))
            );
        if (geometry.Girders.Length > 1)
            yield return Give(
                $"Give to all girders in span {span + 1}",
                geometry.GirdersIn(span).Where(g => g != girder).Select(g => HaunchLine.Key(g.Number, span))
            );
        // A camber taken over to a longer girder may scale with its length.
        if (own.Camber is { } camber && geometry.Pieces.Any(p => Math.Abs(p.Girder.SpanLength(p.Span) - length) > 0.01))
            yield return new(
                "Give to all, camber by length",
                $"Own values of {girder.Name}, span {span + 1}, to all girders, camber by length",
                [
                    .. geometry
                        .Pieces.Where(p => p.Girder != girder || p.Span != span)
                        .Select(p => new PatchOperation(
                            "add",
                            $"/girders/own/{HaunchLine.Key(p.Girder.Number, p.Span)}",
                            BridgeJson.Node(own with { Camber = Math.Round(camber * p.Girder.SpanLength(p.Span) / length, 4) })
                        )),
                ]
            );
        yield return new(
            "Same as the others",
            $"{girder.Name}, span {span + 1} as the others",
            [new("remove", $"/girders/own/{HaunchLine.Key(girder.Number, span)}")]
        );
    }

    private IEnumerable<LedgerGroup> Levels(GirderLine girder, SpanIndex span)
    {
        var (haunch, path) = (geometry.HaunchOf(girder, span), $"/girders/own/{HaunchLine.Key(girder.Number, span)}");
        yield return new(
            "Haunch of this girder",
            [
                rows.Entry($"{path}/haunch", haunch.OverBearings),
                rows.Entry($"{path}/camber", haunch.CastingCamber),
                rows.Reading(
                    "Deflection under wet slab",
                    haunch.SlabDeflection,
                    QuantityKind.Size,
                    "Half way, of the bare girder: 5wL⁴/(384 EI) for a simple span; ∫ M m/(EI) ds where its section changes, on "
                        + "a continuous beam where it runs on over piers."
                ),
                rows.Reading("Camber that stays", haunch.Camber, QuantityKind.Size, "Upward, when the road is finished."),
                rows.Reading("Least haunch", haunch.Least, QuantityKind.Size),
                rows.Reading("Greatest haunch", haunch.Greatest, QuantityKind.Size),
                rows.Reading("Concrete in the haunch", haunch.Volume, QuantityKind.Volume),
            ]
        );
        yield return new(
            "Levels in tenths of the span",
            [
                .. Enumerable
                    .Range(0, 11)
                    .SelectMany(i =>
                        new[]
                        {
                            LedgerRows.Reading("", QuantityText.Fixed(i / 10.0, 1)),
                            LedgerRows.Reading("", rows.Units.Format(haunch.At(i / 10.0), QuantityKind.Size)),
                            LedgerRows.Reading("", rows.Units.Format(haunch.Top(i / 10.0), QuantityKind.Length)),
                            LedgerRows.Reading("", rows.Units.Format(haunch.Bottom(i / 10.0), QuantityKind.Length)),
                        }
                    ),
            ]
        )
        {
            Columns =
            [
                "Part",
                $"Haunch, {rows.Units[QuantityKind.Size].Symbol}",
                $"Top, {rows.Units[QuantityKind.Length].Symbol}",
                "Soffit",
            ],
        };
    }
}
