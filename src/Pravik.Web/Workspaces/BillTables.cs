using System.Globalization;
using Pravik.Core.Quantities;
using Pravik.Core.Units;
using Pravik.Exchange.Tables;

namespace Pravik.Web.Workspaces;

/// <summary>The bill of quantities as a table on the screen and in files.</summary>
internal static class BillTables
{
    public static DataTable Show(IReadOnlyList<BillItem> bill, UnitSystem units, string currency)
    {
        TableColumn[] columns = [new("Group", false), new("Item", false), new("Amount", true), new("Unit", false), new("Cost", true)];
        var rows = bill.Select(i => new TableRow(
                [i.Group, i.Words, units.Format(i.Amount, i.Kind), Unit(i, units), i.Cost is { } c ? Money(c) : "–"],
                [null, null, i.Amount, null, i.Cost],
                null,
                null,
                false
            ))
            .ToList();
        if (bill.Any(i => i.Cost is not null))
            rows.Add(
                new(
                    ["", "Sum of all that have a rate", "", currency, Money(bill.Sum(i => i.Cost ?? 0))],
                    [null, null, null, null, bill.Sum(i => i.Cost ?? 0)],
                    null,
                    null,
                    false
                )
            );
        return new("Quantities of the bridge as it stands", columns, rows);
    }

    public static TableContent Content(IReadOnlyList<BillItem> bill, UnitSystem units, string currency) =>
        new(
            "Quantities",
            ["Group", "Item", "Amount", "Unit", $"Cost{(currency.Length > 0 ? $", {currency}" : "")}"],
            [
                .. bill.Select(i =>
                    (IReadOnlyList<object?>)
                        [
                            i.Group,
                            i.Words,
                            Math.Round(i.Amount / units[i.Kind].Factor, 4),
                            Unit(i, units),
                            i.Cost is { } c ? Math.Round(c, 2) : null,
                        ]
                ),
            ]
        );

    private static string Unit(BillItem item, UnitSystem units) => item.Kind == QuantityKind.Count ? "no." : units[item.Kind].Symbol;

    private static string Money(double amount) => amount.ToString("N0", CultureInfo.InvariantCulture).Replace(",", " ");
}
