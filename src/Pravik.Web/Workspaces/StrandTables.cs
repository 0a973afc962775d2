using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Proposals;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>Strands that are proposed for a type of girder beside those of today.</summary>
internal static class StrandTables
{
    /// <summary>The type, from 0, of the girder that is picked, or of the one that governs.</summary>
    public static int TypeOf(BridgeGeometry geometry, BridgeResults? results, string? pick)
    {
        if ((results?.Find(pick) ?? results?.Governing) is not { } outcome)
            return 0;
        var point = results!.Points[outcome.Point];
        return point.Girder < geometry.Girders.Length && point.Span < geometry.SpanCount
            ? geometry.Sections.TypeIndex(point.Girder.Number, point.Span)
            : 0;
    }

    /// <summary>The type whose steel is proposed on a screen.</summary>
    public static int TypeOf(Screen screen) => TypeOf(screen.Geometry, screen.Latest?.Results, screen.Pick);

    /// <summary>Both sections and the table of rows, or how far the search is.</summary>
    public static SheetContent Sheet(Screen screen)
    {
        if (screen.Seen.Proposed?.Strands is not { } found)
            return new([screen.Waiting("No strands proposed yet", screen.Seen.Proposing?.Doing ?? "the search waits for results")]);
        var type = TypeOf(screen);
        var proposed = screen.Snapshot.Bridge with { Girders = With(screen.Snapshot.Bridge.Girders, type, found) };
        var name = screen.Snapshot.Bridge.Girders.Types[type].Name;
        var title = found.Why.Length > 0 ? "the best that was tried" : "proposed";
        return new(
            [
                Screen.Drawn("proposed", ShapeView.Girder(new(proposed), screen.Units, screen.Half, type)) with
                {
                    Title = $"Girders of {name}, {title}",
                },
            ],
            Table(screen.Snapshot.Bridge.Girders.Types[type], found, screen.Units)
        );
    }

    private static Girders With(Girders girders, int type, StrandProposal proposal)
    {
        var strands = girders.Types[type].Strands with { Rows = proposal.Rows, EffectiveStress = null };
        return girders with { Types = girders.Types.SetItem(type, girders.Types[type] with { Strands = strands }) };
    }

    /// <summary>Rows by level, today's beside the proposed ones.</summary>
    private static DataTable Table(GirderType type, StrandProposal proposal, UnitSystem units)
    {
        var levels = type.Strands.Rows.Concat(proposal.Rows).Select(r => r.Level).Distinct().Order().ToList();
        string Size(double value) => units.Format(value, QuantityKind.Size);
        return new(
            $"Strands of {type.Name}, row by row",
            [
                new($"Level, {units[QuantityKind.Size].Symbol}", true),
                new("Today", true),
                new("debonded", true),
                new($"over, {units[QuantityKind.Length].Symbol}", true),
                new("Proposed", true),
                new("debonded", true),
                new($"over, {units[QuantityKind.Length].Symbol}", true),
            ],
            [.. levels.Select(Row)]
        );

        TableRow Row(double level)
        {
            var rows = new[] { type.Strands.Rows, proposal.Rows }.Select(all => all.FirstOrDefault(r => r.Level == level)).ToList();
            return new(
                [
                    Size(level),
                    .. rows.SelectMany(r =>
                        new[]
                        {
                            r is null ? "–" : $"{r.Count}",
                            r is null or { Debonded: 0 } ? "–" : Debonding.Counts(r),
                            r is null or { Debonded: 0 } ? "–" : Debonding.Lengths(r, units),
                        }
                    ),
                ],
                [level, .. rows.SelectMany(r => new double?[] { r?.Count, r?.AllDebonded, r?.DebondedLength })],
                null,
                null,
                false
            );
        }
    }

    /// <summary>What the proposal saves and what governs, and how it is taken.</summary>
    public static Ledger Ledger(Screen screen)
    {
        var type = TypeOf(screen);
        var today = screen.Snapshot.Bridge.Girders.Types[type];
        if (screen.Seen.Proposed?.Strands is not { } proposal)
            return new("Strands proposed", today.Name, [How]);
        var before = today.Strands.Rows.Sum(r => r.Count);
        List<LedgerRow> rows =
        [
            LedgerRows.Reading("Strands today", $"{before}"),
            LedgerRows.Reading("Proposed", $"{proposal.Count}"),
            LedgerRows.Reading("Layouts tried", $"{proposal.Tried}", "Each by the ordinary analysis of the whole bridge."),
        ];
        if (proposal.Governing is { } worst)
            rows.Add(LedgerRows.Reading("Governs", $"{QuantityText.Fixed(worst.Utilisation, 2)}", worst.Name));
        rows.AddRange(
            proposal.Others.Select(o =>
                LedgerRows.Reading(
                    "Fails with them",
                    $"{QuantityText.Fixed(o.Utilisation, 2)}",
                    $"{o.Name}: strands are not sought for it."
                )
            )
        );
        var isTaken = today.Strands.EffectiveStress is null && proposal.Rows.SequenceEqual(today.Strands.Rows);
        var path = $"/girders/types/{type}/strands";
        List<PatchOperation> patch = [new("add", $"{path}/rows", new JsonArray([.. proposal.Rows.Select(BridgeJson.Node)]))];
        if (today.Strands.EffectiveStress is not null)
            patch.Add(new("remove", $"{path}/effectiveStress"));
        return new(
            "Strands proposed",
            today.Name,
            [
                new("Readings: proposal", rows)
                {
                    Actions =
                        proposal.Why.Length > 0 || isTaken
                            ? []
                            : [new("Take these strands", $"Strands of {today.Name} as proposed", patch)],
                    Note =
                        proposal.Why.Length > 0 ? $"None passes. {proposal.Why}"
                        : isTaken ? "These are the strands of today."
                        : proposal.Governing is { } governs ? $"{governs.Name} governs."
                        : "",
                },
                How,
            ]
        );
    }

    private static LedgerGroup How { get; } =
        new("How", [])
        {
            Note =
                "The fewest strands of the type of the picked girder with which bending, stresses and strands pass at every place: rows "
                + "filled from the soffit up, at most a quarter debonded near the ends and two or four at the top. Losses are worked out; "
                + "concrete, its strength at release and the stress at the jack stay as they are. Shear is left to links.",
        };
}
