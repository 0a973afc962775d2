using Pravik.Core.Findings;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;

namespace Pravik.Web.Endpoints;

/// <summary>A typed entry: what was typed into the field of a path, and the revision that was on screen.</summary>
public sealed record EntryRequest(int Revision, string Path, string? Text);

/// <summary>New bridges, and edits of a bridge: patches and typed entries.</summary>
internal static class EditEndpoints
{
    private const int MostLooked = 1000;

    public static void Map(RouteGroupBuilder bridges, RouteGroupBuilder bridge)
    {
        bridges.MapPost("/", Import);
        bridge.MapPatch("/", Patch);
        bridge.MapPost("/entries", Enter);
        bridge.MapPost("/neighbours", AddNeighbour);
        bridge.MapPost("/looked", Look);
    }

    private static async Task<IResult> Import(HttpRequest http, ProjectStore store)
    {
        using var reader = new StreamReader(http.Body);
        var text = new char[BridgeJson.LongestDocument + 1];
        var length = await reader.ReadBlockAsync(text);
        var reading = BridgeJson.Read(new string(text, 0, length));
        if (reading.Bridge is not { } bridge)
            return Results.Json(new Refusal([.. reading.Errors], []), statusCode: 422);
        var snapshot = await store.CreateAsync(bridge, "Brought in from a file", null, Author.Of(http));
        return Results.Created($"/bridges/{snapshot.ProjectId}/axes", new { id = snapshot.ProjectId });
    }

    private static async Task<IResult> Patch(string id, int? revision, string? label, HttpRequest http, ProjectStore store, RunQueue runs)
    {
        var (patch, problem) = await PatchBody.ReadAsync(revision, http);
        if (problem is not null)
            return Answers.Refused(problem);
        var words = string.IsNullOrWhiteSpace(label) ? "Edited" : label;
        return await Answers.EditedAsync(id, store.EditAsync(id, revision!.Value, patch, words, Author.Of(http)), runs);
    }

    private static async Task<IResult> Enter(
        string id,
        EntryRequest entry,
        HttpRequest http,
        ProjectStore store,
        AssumedValues assumed,
        RunQueue runs
    )
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Answers.NoSuchBridge(id);
        var reading = EntryReader.Read(UserUnits.For(http, snapshot.Bridge), entry.Path ?? "", entry.Text);
        if (reading.Error is { } error)
            return Answers.Refused(Finding.Error(entry.Path ?? "", error));
        await assumed.LookAsync(id, [entry.Path ?? ""]);
        return await Answers.EditedAsync(id, store.EditAsync(id, entry.Revision, reading.Patch, reading.Label, Author.Of(http)), runs);
    }

    /// <summary>Takes down that values or steps were looked at: they are assumed no more.</summary>
    private static async Task<IResult> Look(string id, string[] what, AssumedValues assumed)
    {
        await assumed.LookAsync(id, what.Where(w => w is not null).Take(MostLooked).ToList());
        return Results.NoContent();
    }

    /// <summary>A new bridge on the same road.</summary>
    private static async Task<IResult> AddNeighbour(string id, NameRequest named, HttpRequest http, ProjectStore store)
    {
        if (named?.Name?.Trim() is not { Length: > 0 and <= 120 } name)
            return Answers.Refused(Finding.Error("/name", "The new bridge needs a name of at most 120 characters."));
        if (await store.AddOnRoadAsync(id, name, Author.Of(http)) is not { } outcome)
            return Answers.NoSuchBridge(id);
        return outcome.Snapshot is { } added
            ? Results.Created($"/bridges/{added.ProjectId}/axes", new { id = added.ProjectId })
            : Answers.Refused([.. outcome.Refusals]);
    }
}
