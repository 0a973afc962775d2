using System.Globalization;
using System.Text.Json;
using Pravik.Core.Findings;
using Pravik.Data;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Pages;

/// <summary>
/// What a part of the workspace is made of: the bridge, what is shown of it, and its history and variants where they are
/// wanted.
/// </summary>
public sealed record WorkPart(
    string ProjectId,
    Workspace Work,
    WorkspaceRequest Request,
    IReadOnlyList<HistoryEntry> History,
    IReadOnlyList<VariantEntry> Variants,
    string Author
)
{
    /// <summary>A utilisation from which a passing check is near its limit.</summary>
    private const double Near = 0.95;
    private static readonly JsonSerializerOptions Web = new(JsonSerializerDefaults.Web);

    /// <summary>Beginning of the addresses of the document's pages.</summary>
    public string Root { get; init; } = $"/bridges/{ProjectId}";

    /// <summary>What the document is: bridge, member or truss.</summary>
    public string Kind { get; init; } = "bridge";

    /// <summary>Address of a step.</summary>
    public string StepUrl(string step) => $"{Root}/{step}";

    /// <summary>Beginning of the addresses of the document's files.</summary>
    public string Api => $"/api{Root}";

    /// <summary>The layout that is shown.</summary>
    public string Layout => Work.Layouts.First(l => l.IsActive).Id;

    /// <summary>Whether the controls have a line of their own over the sheet.</summary>
    public bool HasBar =>
        Work.Controls.Count > 0
        && (Work.Step, Layout)
            is
                ("analysis", "results" or "loading" or "influence" or "deflected" or "frame" or "stages")
                or
                ("loads", "lanes")
                or
                ("effects", "effects")
                or
                ("checks", "section" or "check")
                or
                ("sketch" or "drive" or "lighter", _);

    /// <summary>The step to which a value belongs: the one that knows the longest beginning of its path.</summary>
    public string StepOf(string path) =>
        path.StartsWith("/parts/results/", StringComparison.Ordinal)
            ? "checks"
            : Work.Places.Where(p => path.StartsWith(p.Key, StringComparison.Ordinal)).MaxBy(p => p.Key.Length).Value ?? "basis";

    /// <summary>Station of a row that a click goes to; null where it has none.</summary>
    public string? StationOf(TableRow row)
    {
        var column = Work.Table!.Columns.ToList().FindIndex(c => c.Name == "Station");
        return column >= 0 && column < row.Sort.Count && row.Sort[column] is { } s ? Number(s) : null;
    }

    /// <summary>The rows of the table with a key each, so that a row stays the same element where others come and go.</summary>
    public IEnumerable<(string Key, TableRow Row)> KeyedRows
    {
        get
        {
            var seen = new Dictionary<string, int>();
            foreach (var row in Work.Table!.Rows)
            {
                var name = row.Pick ?? "";
                var times = seen[name] = seen.GetValueOrDefault(name) + 1;
                yield return ($"{name} {times}", row);
            }
        }
    }

    /// <summary>Station of a finding; null where it has none.</summary>
    public string? StationOf(Finding finding) => finding.Station is { } s ? Number(s) : null;

    /// <summary>A value for a script, as JSON in an attribute.</summary>
    public static string Json(object value) => JsonSerializer.Serialize(value, Web);

    /// <summary>What a button of the ledger does.</summary>
    public static string Act(LedgerAction action) => Json(action);

    /// <summary>A repair as a patch: its values are JSON already.</summary>
    public static string Repair(Repair repair) =>
        Json(
            new
            {
                repair.Label,
                Patch = repair.Patch.Select(o => new
                {
                    o.Op,
                    o.Path,
                    Value = JsonSerializer.Deserialize<JsonElement>(o.Value),
                }),
            }
        );

    /// <summary>How a utilisation is marked.</summary>
    public static string UseClass(double? use) =>
        use switch
        {
            > 1 => "f",
            > Near => "w",
            _ => "",
        };

    /// <summary>How long its bar is.</summary>
    public static string UseBar(double? use) => FormattableString.Invariant($"width:{Math.Min(100, 80 * (use ?? 0)):0.#}%");

    /// <summary>A time for a machine.</summary>
    public static string Iso(DateTime at) => DateTime.SpecifyKind(at, DateTimeKind.Utc).ToString("O", CultureInfo.InvariantCulture);

    private static string Number(double value) => value.ToString("R", CultureInfo.InvariantCulture);
}

/// <summary>A row of the ledger as a field; its label where none stands beside it.</summary>
public sealed record LedgerField(LedgerRow Row, string? Label)
{
    /// <summary>Id of the field.</summary>
    public string Id => $"f{Row.Path?.Replace('/', '-')}";
}
