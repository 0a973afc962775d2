using Pravik.Data;
using Pravik.Web.Runs;

namespace Pravik.Web.Endpoints;

/// <summary>A name for a point of the history; empty takes it away.</summary>
public sealed record NameRequest(string? Name);

/// <summary>A new variant: the revision at which it begins, and its name.</summary>
public sealed record VariantRequest(int Revision, string? Name);

/// <summary>The history of a bridge and its variants: back, forward, to any point of it, and names for points.</summary>
internal static class HistoryEndpoints
{
    public static void Map(RouteGroupBuilder bridge)
    {
        bridge.MapGet("/history", async (string id, BridgeHistory history) => Results.Json(await history.ListAsync(id)));
        bridge.MapPost("/undo", (string id, ProjectStore store, RunQueue runs) => Answers.EditedAsync(id, store.UndoAsync(id), runs));
        bridge.MapPost("/redo", (string id, ProjectStore store, RunQueue runs) => Answers.EditedAsync(id, store.RedoAsync(id), runs));
        bridge.MapPost("/revisions/{revision:int}", GoTo);
        bridge.MapPut("/revisions/{revision:int}/name", Name);
        bridge.MapGet("/variants", async (string id, BridgeHistory history) => Results.Json(await history.VariantsAsync(id)));
        bridge.MapPost("/variants", BeginVariant);
        bridge.MapPost("/variants/{number:int}", ShowVariant);
        bridge.MapDelete("/variants/{number:int}", CloseVariant);
    }

    private static Task<IResult> BeginVariant(string id, VariantRequest wanted, BridgeHistory history, RunQueue runs) =>
        Answers.EditedAsync(id, history.BeginAsync(id, wanted?.Revision ?? 0, wanted?.Name ?? ""), runs);

    private static Task<IResult> ShowVariant(string id, int number, BridgeHistory history, RunQueue runs) =>
        Answers.EditedAsync(id, history.ShowAsync(id, number), runs);

    private static Task<IResult> CloseVariant(string id, int number, BridgeHistory history, RunQueue runs) =>
        Answers.EditedAsync(id, history.CloseAsync(id, number), runs);

    private static Task<IResult> GoTo(string id, int revision, ProjectStore store, RunQueue runs) =>
        Answers.EditedAsync(id, store.GoToAsync(id, revision), runs);

    private static async Task<IResult> Name(string id, int revision, NameRequest named, BridgeHistory history) =>
        await history.NameAsync(id, revision, named?.Name ?? "") ? Results.NoContent() : Answers.NoSuchBridge(id);
}
