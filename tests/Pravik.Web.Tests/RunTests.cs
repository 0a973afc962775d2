using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;
using Pravik.Core.Bridges;
using Pravik.Core.Runs;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Runs;

namespace Pravik.Web.Tests;

/// <summary>The queue of runs: what is newer comes first, what is out of date says so, and memory is bounded.</summary>
public sealed class RunTests(Application application) : IClassFixture<Application>
{
    private readonly HttpClient client = application.CreateClient(
        new() { AllowAutoRedirect = false, BaseAddress = new("http://localhost") }
    );

    private RunQueue Runs => application.Services.GetRequiredService<RunQueue>();

    private ProjectStore Store => application.Services.GetRequiredService<ProjectStore>();

    private async Task<JsonNode> Workspace(string id) =>
        JsonNode.Parse(await client.GetStringAsync($"/api/bridges/{id}/workspace?step=checks"))!;

    private async Task<Snapshot> Enter(string id, int revision, string text)
    {
        var answer = await client.PostAsJsonAsync(
            $"/api/bridges/{id}/entries",
            new
            {
                revision,
                path = "/axes/spans/0",
                text,
            }
        );
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (await Store.FindAsync(id))!;
    }

    private async Task Settled(string id)
    {
        for (var i = 0; i < 600; i++)
        {
            if (Runs.State(id) is { IsUnderWay: false } or { Status: RunStatus.Done })
                return;
            await Task.Delay(100);
        }
        Assert.Fail("The run does not come to an end.");
    }

    private async Task<string> Begin() => (await Store.CreateAsync(Bridge.New("Queued"), "Begun")).ProjectId;

    /// <summary>Three edits one after the other: the last one's results come in, and no older ones after them.</summary>
    [Fact]
    public async Task A_newer_edit_cancels_the_run_of_an_older_one()
    {
        var id = await Begin();
        await Workspace(id);
        Snapshot last = null!;
        foreach (var (text, revision) in new[] { ("21", 1), ("22", 2), ("23", 3) })
            last = await Enter(id, revision, text);
        await Settled(id);
        Assert.Equal(InputHash.Of(last.Bridge), Runs.Latest(id)!.Hash);
        Assert.Equal(4, Runs.Latest(id)!.Revision);
        await Task.Delay(500);
        Assert.Equal(4, Runs.Latest(id)!.Revision);
    }

    /// <summary>Line girders, grillage and shells of a viaduct take a while; a small bridge asked for after them is there first.</summary>
    [Fact]
    public async Task A_short_run_passes_a_long_one()
    {
        var large = (await Store.FindAsync("ellow-viaduct"))!;
        Runs.RequestComparison("ellow-viaduct", large.Revision, large.Bridge);
        var id = await Begin();
        await Workspace(id);
        await Settled(id);
        Assert.Equal(RunStatus.Done, Runs.State(id)!.Status);
        Assert.True(Runs.ComparisonState("ellow-viaduct")!.IsUnderWay, "The comparison was over before it could be passed.");
        await Runs.StopAsync("ellow-viaduct");
    }

    /// <summary>After an edit the screen comes at once, with what is known marked as out of date, until the run is done.</summary>
    [Fact]
    public async Task What_is_out_of_date_says_so_until_it_is_not()
    {
        static string State(JsonNode workspace, string step) =>
            workspace["steps"]!.AsArray().Single(s => s!["id"]!.GetValue<string>() == step)!["state"]!.GetValue<string>();
        var id = await Begin();
        await Workspace(id);
        await Settled(id);
        Assert.Equal("good", State(await Workspace(id), "checks"));
        // Another bridge's long run stands before it in the queue.
        var wide = Bridge.New("Before it") with
        {
            Model = new() { Kind = ModelKind.Shells, Divisions = 60 },
            Axes = new() { Spans = [20, 20, 20] },
            Road = new() { Elements = [new() { Length = 200 }] },
        };
        var other = await Store.CreateAsync(wide, "Begun");
        await Runs.RequestAsync(other.ProjectId, 1, wide);
        await Enter(id, 1, "19");
        var between = await Workspace(id);
        Assert.Equal("old", State(between, "checks"));
        Assert.Contains(between["run"]!["status"]!.GetValue<string>(), new[] { "waiting", "running" });
        await client.DeleteAsync($"/api/bridges/{other.ProjectId}/run");
        Assert.Equal(RunStatus.Stopped, Runs.State(other.ProjectId)!.Status);
        await Settled(id);
        Assert.Equal("good", State(await Workspace(id), "checks"));
    }

    [Fact]
    public void Kept_results_stay_within_their_bound_and_the_latest_always_stays()
    {
        var results = BridgeRun.Run(Bridge.New("Kept"));
        var cache = new ResultCache(results.Bytes * 5 / 2);
        foreach (var name in new[] { "a", "b" })
            cache.Keep(name, results);
        Assert.NotNull(cache.Find("a"));
        cache.Keep("c", results);
        // “b” was used longest ago.
        Assert.Null(cache.Find("b"));
        Assert.NotNull(cache.Find("a"));
        Assert.NotNull(cache.Find("c"));
        var small = new ResultCache(1);
        small.Keep("a", results);
        Assert.NotNull(small.Find("a"));
        small.Keep("b", results);
        Assert.Null(small.Find("a"));
    }
}
