using Pravik.Data;
using Pravik.Web.Runs;

namespace Pravik.Web.Endpoints;

/// <summary>A name for a point of the history; empty takes it away.</summary>
public sealed record NameRequest(string? Name);

/// <summary>The history of a bridge: back, forward, to any point of it, and names for points.</summary>
internal static class HistoryEndpoints
{
    public static void Map(RouteGroupBuilder bridge)
    {
        bridge.MapGet("/history", async (string id, ProjectStore store) => Results.Json(await store.HistoryAsync(id)));
        bridge.MapPost("/undo", (string id, ProjectStore store, RunQueue runs) => Answers.EditedAsync(id, store.UndoAsync(id), runs));
        bridge.MapPost("/redo", (string id, ProjectStore store, RunQueue runs) => Answers.EditedAsync(id, store.RedoAsync(id), runs));
        bridge.MapPost("/revisions/{revision:int}", GoTo);
        bridge.MapPut("/revisions/{revision:int}/name", Name);
    }

    private static Task<IResult> GoTo(string id, int revision, ProjectStore store, RunQueue runs) =>
        Answers.EditedAsync(id, store.GoToAsync(id, revision), runs);

    private static async Task<IResult> Name(string id, int revision, NameRequest named, ProjectStore store) =>
        await store.NameAsync(id, revision, named?.Name ?? "") ? Results.NoContent() : Answers.NoSuchBridge(id);
}
