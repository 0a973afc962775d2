using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Roads;
using Pravik.Data;
using Pravik.Exchange.Tables;
using Pravik.Web.Runs;

namespace Pravik.Web.Endpoints;

/// <summary>The answer to an edit that was not taken.</summary>
public sealed record Refusal(IReadOnlyList<Finding> Findings, IReadOnlyList<Conflict> Conflicts);

/// <summary>Answers that endpoints share.</summary>
internal static class Answers
{
    public const string NotYet = "The bridge has not been analysed yet: wait until its results are current.";

    public static Ground? GroundOf(Snapshot snapshot, GroundStore grounds) => snapshot.Bridge.Ground is { } g ? grounds.Find(g.Hash) : null;

    public static async Task<IResult> EditedAsync(string id, Task<EditOutcome?> work, RunQueue runs)
    {
        if (await work is not { } outcome)
            return NoSuchBridge(id);
        if (outcome.Snapshot is not { } snapshot)
            return Results.Json(new Refusal(outcome.Refusals, outcome.Conflicts), statusCode: outcome.Conflicts.Length > 0 ? 409 : 422);
        await runs.FollowAsync(id, snapshot, outcome);
        return Results.Json(new { snapshot.Revision, snapshot.Label });
    }

    public static IResult Refused(params Finding[] findings) => Results.Json(new Refusal(findings, []), statusCode: 422);

    public static IResult NoSuchBridge(string id) =>
        Results.Json(new Refusal([Finding.Error("", $"There is no bridge “{id}”.")], []), statusCode: 404);

    /// <summary>All rows of the table that a screen shows, columns parted by tabs, as spreadsheets take it.</summary>
    public static IResult TableText(Workspaces.DataTable? table)
    {
        if (table is null)
            return Refused(Finding.Error("", "No table is shown."));
        var rows = table.Rows.Select(r => r.Cells).Prepend([.. table.Columns.Select(c => c.Name)]);
        var lines = rows.Select(cells => string.Join('\t', cells.Select(c => c.Replace('−', '-'))));
        return Results.Text(string.Join('\n', lines), "text/plain");
    }

    public static string FileName(Bridge bridge)
    {
        var name = new string([.. bridge.Name.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')]).Trim('-');
        return name.Length == 0 ? "bridge" : name;
    }

    /// <summary>A table as a file, <c>csv</c> or <c>xlsx</c>.</summary>
    public static IResult Table(string format, TableContent content, string name) =>
        format switch
        {
            "csv" => Results.File(TableFiles.Csv(content), "text/csv", $"{name}.csv"),
            "xlsx" => Results.File(
                TableFiles.Spreadsheet(content),
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                $"{name}.xlsx"
            ),
            _ => Results.NotFound(),
        };
}
