using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>Strands of a row that are debonded, over one length or several, of a type of girder or of a member alone.</summary>
internal static class Debonding
{
    /// <summary>How many of a row are debonded, length by length: “4 + 2”; nothing for none.</summary>
    public static string Counts(StrandRow row) => string.Join(" + ", Of(row).Select(d => d.Count));

    /// <summary>Over what lengths, without their unit: “2.00, 4.00”; nothing for none.</summary>
    public static string Lengths(StrandRow row, UnitSystem units) =>
        string.Join(", ", Of(row).Select(d => units.Format(d.Length, QuantityKind.Length)));

    private static IEnumerable<DebondedStrands> Of(StrandRow row) => row.Bonds.Where(b => b.Length > 0);

    /// <summary>Gives a row that has debonded strands two more, over twice the length.</summary>
    public static ImmutableArray<LedgerAction> Actions(Strands strands, string path) =>
        [
            .. strands
                .Rows.Select((row, i) => (row, i))
                .Where(r => r.row.Debonded > 0 && r.row.AllDebonded + 2 <= r.row.Count)
                .Select(r => new LedgerAction(
                    $"Debond more of row {r.i + 1}",
                    $"Two more strands of row {r.i + 1} debonded",
                    [new("add", $"{path}/rows/{r.i}/alsoDebonded/-", BridgeJson.Node(Next(r.row)))]
                )),
        ];

    /// <summary>All of them, row by row; nothing where there are none.</summary>
    public static IEnumerable<LedgerGroup> Group(Strands strands, string path, LedgerRows rows)
    {
        var all = strands.Rows.SelectMany((row, i) => row.AlsoDebonded.Select((_, k) => (Row: i, At: k))).ToList();
        if (all.Count == 0)
            yield break;
        yield return new(
            "Also debonded, over other lengths",
            [
                .. all.SelectMany(a =>
                    new[]
                    {
                        LedgerRows.Reading("", $"{a.Row + 1}"),
                        rows.Entry($"{path}/rows/{a.Row}/alsoDebonded/{a.At}/count"),
                        rows.Entry($"{path}/rows/{a.Row}/alsoDebonded/{a.At}/length"),
                    }
                ),
            ]
        )
        {
            Columns = ["Row", "Strands", $"over, {rows.Units[QuantityKind.Length].Symbol}"],
            RowActions =
            [
                .. all.Select(a => new LedgerAction(
                    $"Bond these of row {a.Row + 1} from the ends",
                    $"Strands of row {a.Row + 1} bonded from the ends",
                    [new("remove", $"{path}/rows/{a.Row}/alsoDebonded/{a.At}")]
                )),
            ],
            Note = "From each end of the girder, beside those of the table above.",
        };
    }

    private static DebondedStrands Next(StrandRow row)
    {
        var longest = row.AlsoDebonded.Select(d => d.Length).Append(row.DebondedLength).Max();
        return new() { Length = longest > 0 ? Math.Min(60, 2 * longest) : 2 };
    }
}
