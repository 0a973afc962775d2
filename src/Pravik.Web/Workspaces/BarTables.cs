using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Proposals;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>Bars that are proposed for a type of girder cast in place beside those of today.</summary>
internal static class BarTables
{
    /// <summary>The girder with the bars, and the table of rows, or how far the search is.</summary>
    public static SheetContent Sheet(Screen screen)
    {
        if (screen.Seen.Proposed?.Bars is not { } found)
            return new([screen.Waiting("No bars proposed yet", screen.Seen.Proposing?.Doing ?? "the search waits for results")]);
        var (bridge, type) = (screen.Snapshot.Bridge, StrandTables.TypeOf(screen));
        var today = bridge.Girders.Types[type];
        if (found.Rows.IsEmpty)
            return new([screen.Waiting("No bars do", found.Why)], Table(today, found, screen.Units));
        var proposed = bridge with
        {
            Girders = bridge.Girders with { Types = bridge.Girders.Types.SetItem(type, today with { Bars = found.Rows }) },
        };
        return new(
            [
                Screen.Drawn("proposed", ShapeView.Girder(new(proposed), screen.Units, screen.Half, type)) with
                {
                    Title = $"Girders of {today.Name}, bars proposed",
                },
            ],
            Table(today, found, screen.Units)
        );
    }

    private static DataTable Table(GirderType type, BarProposal proposal, UnitSystem units)
    {
        var size = units[QuantityKind.Size].Symbol;
        IEnumerable<TableRow> Rows(string whose, IEnumerable<BarRow> rows) =>
            rows.Where(r => !r.IsEmpty)
                .Select(r => new TableRow(
                    [
                        whose,
                        units.Format(r.Level, QuantityKind.Size),
                        r.Spacing is { } every ? $"every {units.Format(every, QuantityKind.Size)}" : $"{r.Count}",
                        units.Format(r.Diameter, QuantityKind.Size),
                        QuantityText.Fixed(r.From, 2),
                        QuantityText.Fixed(r.To, 2),
                    ],
                    [null, r.Level, r.Count, r.Diameter, r.From, r.To],
                    null,
                    null,
                    false
                ));
        return new(
            $"Bars of {type.Name}, row by row",
            [
                new("Rows of", false),
                new($"Level, {size}", true),
                new("Bars", true),
                new($"Diameter, {size}", true),
                new("From, part of the span", true),
                new("to", true),
            ],
            [.. Rows("today", type.Bars), .. Rows("the proposal", proposal.Rows)]
        );
    }

    /// <summary>What the proposal saves and what governs, and how it is taken.</summary>
    public static Ledger Ledger(Screen screen)
    {
        var type = StrandTables.TypeOf(screen);
        var today = screen.Snapshot.Bridge.Girders.Types[type];
        if (screen.Seen.Proposed?.Bars is not { } proposal)
            return new("Bars proposed", today.Name, [How]);
        List<LedgerRow> rows = [LedgerRows.Reading("Layouts tried", $"{proposal.Tried}", "Each by the checks at every place of the type.")];
        if (double.IsFinite(proposal.OfToday) && proposal.OfToday > 0)
            rows.Add(LedgerRows.Reading("Steel at the soffit", $"{QuantityText.Fixed(100 * proposal.OfToday, 0)} % of today’s"));
        if (proposal.Worst is { } worst)
            rows.Add(LedgerRows.Reading("Governs", $"{QuantityText.Fixed(worst.Utilisation, 2)}", worst.Name));
        var isTaken = proposal.Rows.SequenceEqual(today.Bars);
        return new(
            "Bars proposed",
            today.Name,
            [
                new("Readings: proposal", rows)
                {
                    Actions =
                        proposal.Rows.IsEmpty || isTaken
                            ? []
                            :
                            [
                                new(
                                    "Take these bars",
                                    $"Bars of {today.Name} as proposed",
                                    [new("add", $"/girders/types/{type}/bars", new JsonArray([.. proposal.Rows.Select(BridgeJson.Node)]))]
                                ),
                            ],
                    Note =
                        proposal.Why.Length > 0 ? proposal.Why
                        : proposal.Beside.Length > 0 ? proposal.Beside
                        : isTaken ? "These are the bars of today."
                        : proposal.Worst is { } governs ? $"{governs.Name} governs."
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
                "The least steel of one diameter at the soffit, in one row or two, with which sagging, stresses, cracks, least steel, "
                + "sudden failure, anchorage and the tension chord of torsion pass at every place of the type. At least half of the bars "
                + "run on; the others stop where they are not needed. Bars over piers and of the slab stay as they are; links are "
                + "proposed beside shear. What fatigue asks for is not counted.",
        };
}
