using Pravik.Core.Findings;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings.Reports;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Web.Members;
using Pravik.Web.Reports;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Endpoints;

/// <summary>Members alone: new ones, edits, history, files. Words and answers are those of bridges.</summary>
internal static class MemberEndpoints
{
    public static void Map(WebApplication app)
    {
        var (members, member) = (app.MapGroup("/api/members"), app.MapGroup("/api/members/{id}"));
        members.MapPost("/", Import);
        member.MapPatch("/", Patch);
        member.MapPost("/entries", Enter);
        member.MapPost("/undo", (string id, MemberStore store, RunQueue runs) => EditedAsync(id, store.UndoAsync(id), runs));
        member.MapPost("/redo", (string id, MemberStore store, RunQueue runs) => EditedAsync(id, store.RedoAsync(id), runs));
        member.MapPost(
            "/revisions/{revision:int}",
            (string id, int revision, MemberStore store, RunQueue runs) => EditedAsync(id, store.GoToAsync(id, revision), runs)
        );
        member.MapGet("/history", async (string id, MemberStore store) => Results.Json(await store.HistoryAsync(id)));
        member.MapGet("/member.json", File);
        member.MapGet("/results.json", Summary);
        member.MapGet("/report.pdf", Report);
        member.MapGet("/table.txt", Table);
        member.MapGet("/events", Listen);
    }

    private static async Task<IResult> Import(HttpRequest http, MemberStore store)
    {
        using var reader = new StreamReader(http.Body);
        var text = new char[BridgeJson.LongestDocument + 1];
        var length = await reader.ReadBlockAsync(text);
        var reading = MemberJson.Read(new string(text, 0, length));
        if (reading.Member is not { } member)
            return Results.Json(new Refusal([.. reading.Findings.Where(f => f.Severity == Severity.Error)], []), statusCode: 422);
        var snapshot = await store.CreateAsync(member, "Brought in from a file", null, Author.Of(http));
        return Results.Created($"/members/{snapshot.MemberId}/spans", new { id = snapshot.MemberId });
    }

    private static async Task<IResult> Patch(string id, int? revision, string? label, HttpRequest http, MemberStore store, RunQueue runs)
    {
        var (patch, problem) = await PatchBody.ReadAsync(revision, http);
        if (problem is not null)
            return Answers.Refused(problem);
        var words = string.IsNullOrWhiteSpace(label) ? "Edited" : label;
        return await EditedAsync(id, store.EditAsync(id, revision!.Value, patch, words, Author.Of(http)), runs);
    }

    private static async Task<IResult> Enter(string id, EntryRequest entry, HttpRequest http, MemberStore store, RunQueue runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NoSuchMember(id);
        var path = entry.Path ?? "";
        var reading = MemberEntryReader.Read(UserUnits.For(http, snapshot.Member), path, entry.Text);
        if (reading.Error is { } error)
            return Answers.Refused(Finding.Error(path, error));
        return await EditedAsync(id, store.EditAsync(id, entry.Revision, reading.Patch, reading.Label, Author.Of(http)), runs);
    }

    private static async Task<IResult> EditedAsync(string id, Task<MemberOutcome?> work, RunQueue runs)
    {
        if (await work is not { } outcome)
            return NoSuchMember(id);
        if (outcome.Snapshot is not { } snapshot)
            return Results.Json(new Refusal(outcome.Refusals, outcome.Conflicts), statusCode: outcome.Conflicts.Length > 0 ? 409 : 422);
        runs.Events.TellEdit(ChannelOf(id), snapshot.Revision);
        return Results.Json(new { snapshot.Revision, snapshot.Label });
    }

    private static async Task<IResult> File(string id, MemberStore store) =>
        await store.FindAsync(id) is { } snapshot
            ? Results.File(System.Text.Encoding.UTF8.GetBytes(MemberJson.WriteIndented(snapshot.Member)), "application/json", $"{id}.json")
            : NoSuchMember(id);

    /// <summary>What the checks say, as the command line writes it.</summary>
    private static async Task<IResult> Summary(string id, MemberStore store, MemberRuns runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NoSuchMember(id);
        var (run, why) = runs.Of(snapshot);
        return run is null ? Answers.Refused(Finding.Error("", why)) : Results.Text(MemberSummary.Of(run).Write(), "application/json");
    }

    /// <summary>The report on a member as it stands, on pages.</summary>
    private static async Task<IResult> Report(string id, HttpRequest http, MemberStore store, MemberRuns runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NoSuchMember(id);
        var (run, why) = runs.Of(snapshot);
        if (run is null)
            return Answers.Refused(Finding.Error("", why));
        var units = UnitSystem.Named(UserUnits.For(http, snapshot.Member).Basis.Units);
        var frame = ReportParts.Frame(snapshot.Member.Name, snapshot.Member.Basis.Titles, snapshot.Revision);
        var pages = ReportPages.Of(frame, new MemberReport(run, units, snapshot.Findings).Blocks);
        return Results.File(PdfWriter.Write(snapshot.Member.Name, pages), "application/pdf", $"{id}-report.pdf");
    }

    /// <summary>The table that a step shows, all rows of it, as text with tabs between columns.</summary>
    private static async Task<IResult> Table(string id, [AsParameters] WorkspaceQuery query, HttpRequest http, MemberReader reader)
    {
        var request = query.ToRequest();
        if (await reader.ReadAsync(id, request with { Rows = 100_000 }, null, http) is not { } work)
            return NoSuchMember(id);
        if (work.Table is not { } table)
            return Results.NotFound();
        var lines = table.Rows.Select(r => r.Cells).Prepend([.. table.Columns.Select(c => c.Name)]);
        return Results.Text(string.Join('\n', lines.Select(cells => string.Join('\t', cells))));
    }

    private static IResult Listen(string id, RunQueue runs, CancellationToken cancel) =>
        TypedResults.ServerSentEvents(runs.Events.ListenAsync(ChannelOf(id), cancel));

    /// <summary>The name under which events of a member go: ids of bridges have no slash.</summary>
    private static string ChannelOf(string id) => $"members/{id}";

    private static IResult NoSuchMember(string id) =>
        Results.Json(new Refusal([Finding.Error("", $"There is no member “{id}”.")], []), statusCode: 404);
}
