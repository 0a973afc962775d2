using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Validation;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>The ledger of the basis: project, titles, national values, and definitions that nothing uses.</summary>
internal sealed class BasisLedger(Bridge bridge, LedgerRows rows, IReadOnlyList<LibraryRow> library)
{
    public Ledger Make()
    {
        var set = NationalValues.Named(bridge.Basis.NationalSet)!;
        var titles = new[] { "project", "client", "office", "number", "issue", "drawn", "checked" }.Select(t =>
            rows.Entry($"/basis/titles/{t}")
        );
        var unused = Unused.In(bridge);
        return new(
            "Basis",
            "what the project is built on",
            [
                new(
                    "Project",
                    [
                        rows.Entry("/name"),
                        rows.Entry("/basis/standard"),
                        rows.Entry("/basis/nationalSet"),
                        rows.Entry("/basis/indirectAtUltimate"),
                        rows.Entry("/basis/units"),
                    ]
                ),
                new("Titles", [.. titles]) { Note = "Printed on every sheet." },
                new(
                    "National values",
                    [.. set.Entries.Select(e => rows.Entry($"/basis/ownValues/{e.Name}", e.Value, e.Meaning) with { Help = e.Clause })]
                )
                {
                    Note = "Grey values are those of the set. A value typed here replaces one.",
                    Actions =
                    [
                        new("Keep as a set in the office library", "", []) { Saves = "/basis" },
                        .. library
                            .Where(r => r.Kind == LibraryJson.NationalSet && !r.Superseded)
                            .Select(r => new LedgerAction(
                                $"Take “{r.Name}”",
                                $"National values of “{r.Name}” taken",
                                [
                                    new("replace", "/basis/nationalSet", r.Value["nationalSet"]!.DeepClone()),
                                    new("replace", "/basis/ownValues", r.Value["values"]!.DeepClone()),
                                ]
                            )),
                    ],
                },
                new("Definitions that nothing uses", [.. unused.Select(u => LedgerRows.Reading(u.Kind, u.Name))])
                {
                    // From the last of each list, so that the paths of those before stay.
                    Actions =
                        unused.Count == 0
                            ? []
                            :
                            [
                                new(
                                    "Clear them all",
                                    $"{unused.Count} unused definitions cleared",
                                    [.. unused.Reverse().Select(u => new PatchOperation("remove", u.Path))]
                                ),
                            ],
                    Note = unused.Count == 0 ? "Everything that is defined is in use." : "",
                },
            ]
        );
    }
}
