using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>What a scheme costs, line by line, and every price.</summary>
internal static class CostStep
{
    private static readonly string[] Groups = [TrussCost.SiteGroup, TrussCost.DeckGroup, TrussCost.SteelGroup, TrussCost.MakingGroup];

    public static SheetContent Sheet(TrussScreen screen, string layout)
    {
        var cost = screen.Run.Cost;
        List<CostBar> bars = [Bar("This scheme", cost)];
        if (screen.Before is { } before)
            bars.Insert(0, Bar("Before the last edit", before));
        return new(
            [Screen.Drawn("cost", CostBarsView.Draw("Cost", bars, ViewSize.Pixels(screen.Request.Width, 130)))],
            Table(screen, cost)
        );

        CostBar Bar(string words, TrussCost of) => new(words, [.. Groups.Select(g => (g, of.Of(g)))], screen.Money(of.Total));
    }

    private static DataTable Table(TrussScreen screen, TrussCost cost) =>
        new(
            "Cost, line by line",
            [new("Group", false), new("What", false), new("Amount", true), new("Unit", false), new("Price", true), new("Cost", true)],
            [
                .. cost.Lines.Select(l => new TableRow(
                    [
                        l.Group,
                        l.Words,
                        QuantityText.Fixed(l.Amount, l.Unit is "kg" or "m" or "m²" or "m³" ? 1 : 0),
                        l.Unit,
                        QuantityText.Significant(l.Price, 4),
                        screen.Money(l.Cost),
                    ],
                    [null, null, l.Amount, null, l.Price, l.Cost],
                    null,
                    null,
                    false
                )),
            ]
        );

    public static Ledger Ledger(TrussScreen screen)
    {
        var cost = screen.Run.Cost;
        List<LedgerRow> readings =
        [
            .. Groups.Select(g => LedgerRows.Reading(g, screen.Money(cost.Of(g)))),
            LedgerRows.Reading("In all", screen.Money(cost.Total)),
        ];
        if (screen.Before is { } before)
        {
            var change = cost.Total - before.Total;
            readings.Add(LedgerRows.Reading(change <= 0 ? "The last edit saved" : "The last edit added", screen.Money(Math.Abs(change))));
        }
        return new(
            "Cost",
            screen.Money(cost.Total),
            [
                new("Readings", readings) { Note = TrussCost.Scope },
                .. BarCatalogue
                    .Prices.GroupBy(p => p.Group)
                    .Select(g => new LedgerGroup(
                        g.Key,
                        [
                            .. g.Select(p =>
                                screen.Rows.Entry($"/prices/{p.Name}", p.Value, p.Words) with
                                {
                                    Unit = p.Unit == "times" ? "×" : $"/ {p.Unit}",
                                }
                            ),
                        ]
                    )),
            ]
        );
    }
}
