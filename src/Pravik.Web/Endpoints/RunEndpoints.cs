using Pravik.Data;
using Pravik.Web.Runs;

namespace Pravik.Web.Endpoints;

/// <summary>Runs of a bridge: what they tell, beginning one again, and stopping it.</summary>
internal static class RunEndpoints
{
    public static void Map(RouteGroupBuilder bridge)
    {
        bridge.MapGet("/events", Listen);
        bridge.MapPost("/run", Begin);
        bridge.MapDelete("/run", Stop);
    }

    private static IResult Listen(string id, RunQueue runs, CancellationToken cancel) =>
        TypedResults.ServerSentEvents(runs.Events.ListenAsync(id, cancel));

    private static async Task<IResult> Begin(string id, ProjectStore store, RunQueue runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Answers.NoSuchBridge(id);
        await runs.RequestAsync(id, snapshot.Revision, snapshot.Bridge, again: true);
        return Results.NoContent();
    }

    private static async Task<IResult> Stop(string id, RunQueue runs)
    {
        await runs.StopAsync(id);
        return Results.NoContent();
    }
}
