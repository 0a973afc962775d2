using System.Text;
using Pravik.Core.Findings;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;

namespace Pravik.Web.Endpoints;

/// <summary>
/// What every kind of document beside bridges answers: new ones, edits, history, its file. Words and answers are those of bridges.
/// </summary>
/// <param name="root">Beginning of its addresses, such as members.</param>
/// <param name="kind">Its kind in words, such as member.</param>
/// <param name="firstStep">The step to which a new one leads.</param>
/// <param name="format">How it is read and written.</param>
/// <param name="read">Turns what was typed into an entry into an edit, in the units of the reader.</param>
internal sealed class DocumentEndpoints<T>(
    string root,
    string kind,
    string firstStep,
    DocumentFormat<T> format,
    Func<HttpRequest, T, string, string?, EntryReading> read
)
    where T : class
{
    /// <summary>Maps them; the group is that of one document, to which a kind adds its own.</summary>
    public RouteGroupBuilder Map(WebApplication app)
    {
        var one = app.MapGroup($"/api/{root}/{{id}}");
        app.MapGroup($"/api/{root}").MapPost("/", ImportAsync);
        one.MapPatch("/", PatchAsync);
        one.MapPost("/entries", EnterAsync);
        one.MapPost("/undo", (string id, DocumentStore<T> store, RunQueue runs) => EditedAsync(id, store.UndoAsync(id), runs));
        one.MapPost("/redo", (string id, DocumentStore<T> store, RunQueue runs) => EditedAsync(id, store.RedoAsync(id), runs));
        one.MapPost(
            "/revisions/{revision:int}",
            (string id, int revision, DocumentStore<T> store, RunQueue runs) => EditedAsync(id, store.GoToAsync(id, revision), runs)
        );
        one.MapGet("/history", async (string id, DocumentStore<T> store) => Results.Json(await store.HistoryAsync(id)));
        one.MapGet($"/{kind}.json", FileAsync);
        one.MapGet(
            "/events",
            (string id, RunQueue runs, CancellationToken cancel) =>
                TypedResults.ServerSentEvents(runs.Events.ListenAsync(ChannelOf(id), cancel))
        );
        return one;
    }

    /// <summary>What an edit came to, told to all who look at the document.</summary>
    public async Task<IResult> EditedAsync(string id, Task<DocumentOutcome<T>?> work, RunQueue runs)
    {
        if (await work is not { } outcome)
            return Missing(id);
        if (outcome.Snapshot is not { } snapshot)
            return Results.Json(new Refusal(outcome.Refusals, outcome.Conflicts), statusCode: outcome.Conflicts.Length > 0 ? 409 : 422);
        runs.Events.TellEdit(ChannelOf(id), snapshot.Revision);
        return Results.Json(new { snapshot.Revision, snapshot.Label });
    }

    /// <summary>That there is no such document.</summary>
    public IResult Missing(string id) => Results.Json(new Refusal([Finding.Error("", $"There is no {kind} “{id}”.")], []), statusCode: 404);

    /// <summary>The name under which events of a document go: ids of bridges have no slash.</summary>
    public string ChannelOf(string id) => $"{root}/{id}";

    private async Task<IResult> ImportAsync(HttpRequest http, DocumentStore<T> store)
    {
        using var reader = new StreamReader(http.Body);
        var text = new char[BridgeJson.LongestDocument + 1];
        var length = await reader.ReadBlockAsync(text);
        var reading = format.Read(new string(text, 0, length));
        if (reading.Document is not { } document)
            return Results.Json(new Refusal([.. reading.Findings.Where(f => f.Severity == Severity.Error)], []), statusCode: 422);
        var snapshot = await store.CreateAsync(document, "Brought in from a file", null, Author.Of(http));
        return Results.Created($"/{root}/{snapshot.Id}/{firstStep}", new { id = snapshot.Id });
    }

    private async Task<IResult> PatchAsync(string id, int? revision, string? label, HttpRequest http, DocumentStore<T> store, RunQueue runs)
    {
        var (patch, problem) = await PatchBody.ReadAsync(revision, http);
        if (problem is not null)
            return Answers.Refused(problem);
        var words = string.IsNullOrWhiteSpace(label) ? "Edited" : label;
        return await EditedAsync(id, store.EditAsync(id, revision!.Value, patch, words, Author.Of(http)), runs);
    }

    private async Task<IResult> EnterAsync(string id, EntryRequest entry, HttpRequest http, DocumentStore<T> store, RunQueue runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Missing(id);
        var path = entry.Path ?? "";
        var reading = read(http, snapshot.Document, path, entry.Text);
        if (reading.Error is { } error)
            return Answers.Refused(Finding.Error(path, error));
        return await EditedAsync(id, store.EditAsync(id, entry.Revision, reading.Patch, reading.Label, Author.Of(http)), runs);
    }

    private async Task<IResult> FileAsync(string id, DocumentStore<T> store) =>
        await store.FindAsync(id) is { } snapshot
            ? Results.File(Encoding.UTF8.GetBytes(format.WriteIndented(snapshot.Document)), "application/json", $"{id}.json")
            : Missing(id);
}
