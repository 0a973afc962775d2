using Pravik.Core.Quantities;
using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>The ledger of sheets: titles, and rates of quantities.</summary>
internal sealed class SheetsLedger(LedgerRows rows)
{
    public Ledger Make(IReadOnlyList<BillItem> bill) =>
        new(
            "Sheets",
            "general arrangement, A3",
            [
                new(
                    "Titles",
                    [
                        .. new[] { "project", "client", "office", "number", "issue", "drawn", "checked" }.Select(t =>
                            rows.Entry($"/basis/titles/{t}")
                        ),
                    ]
                ),
                new(
                    "Rates",
                    [
                        rows.Entry("/costs/currency"),
                        .. bill.Select(i =>
                            rows.Entry($"/costs/rates/{i.Key}", null, i.Words) with
                            {
                                Unit = $"per {(i.Kind == QuantityKind.Count ? "piece" : rows.Units[i.Kind].Symbol)}",
                            }
                        ),
                    ]
                )
                {
                    Note = "A rate gives its quantity a cost. Rates are per unit of the project's own units.",
                },
            ]
        );
}
