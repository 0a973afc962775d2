using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Pravik.Bench;

/// <summary>
/// Starts the application with an empty database and edits the demo bridge over HTTP as the screen does: time from an edit to the
/// new drawings, and to the new utilisations. Every edit gives a value not seen before, so nothing comes from stored results.
/// </summary>
internal static class ServerEdits
{
    private const int Warm = 8;
    private const int Counted = 25;

    public static async Task MeasureAsync()
    {
        await using var server = await WarmServer.StartAsync();
        var http = server.Http;
        var bridge = await WorkspaceAsync(http);
        using var heard = new SemaphoreSlim(0);
        using var listening = new CancellationTokenSource();
        var listener = ListenAsync(http, heard, listening.Token);
        List<double> drawings = [],
            results = [],
            models = [],
            strands = [],
            references = [];
        for (var i = 0; i < Warm + Counted; i++)
        {
            references.Add(Time(() => Reference.Product()));
            var clock = Stopwatch.StartNew();
            await EditAsync(http, bridge, "/deck/patterns/0/slab/thickness", 0.22 + (i + 1) * 1e-5);
            bridge = await WorkspaceAsync(http);
            if (i >= Warm)
                drawings.Add(clock.Elapsed.TotalMilliseconds);
            bridge = await DoneAsync(http, bridge, heard);
            if (i >= Warm)
                results.Add(clock.Elapsed.TotalMilliseconds);
            clock.Restart();
            await EditAsync(http, bridge, "/deck/haunch", 0.03 + (i + 1) * 1e-5);
            await http.GetByteArrayAsync("/api/bridges/sorrel-brook/model.glb");
            if (i >= Warm)
                models.Add(clock.Elapsed.TotalMilliseconds);
            bridge = await DoneAsync(http, await WorkspaceAsync(http), heard);
            clock.Restart();
            await EditAsync(http, bridge, "/girders/types/0/strands/rows/0/level", 0.06 + (i + 1) * 1e-5);
            bridge = await DoneAsync(http, await WorkspaceAsync(http), heard);
            if (i >= Warm)
                strands.Add(clock.Elapsed.TotalMilliseconds);
        }
        await listening.CancelAsync();
        await listener;
        var reference = Median(references[Warm..]);
        Console.WriteLine(
            $"Sorrel Brook overbridge, {Environment.ProcessorCount} cores, {Counted} edits in a warm server; times in ms as "
                + "least / median / greatest"
        );
        Print("reference: dense product 300 × 300", references[Warm..], reference);
        Print("edit to new drawings", drawings, reference);
        Print("edit of slab to new utilisations", results, reference);
        Print("edit of strands to utilisations", strands, reference);
        Print("edit to new model in space", models, reference);
    }

    /// <summary>Hears of runs as the screen does.</summary>
    private static async Task ListenAsync(HttpClient http, SemaphoreSlim heard, CancellationToken cancel)
    {
        try
        {
            using var reader = new StreamReader(await http.GetStreamAsync("/api/bridges/sorrel-brook/events", cancel));
            while (await reader.ReadLineAsync(cancel) is { } line)
            {
                if (line.StartsWith("data:", StringComparison.Ordinal))
                    heard.Release();
            }
        }
        catch (OperationCanceledException)
        {
            // No more is wanted.
        }
    }

    /// <summary>The screen with the results of the latest edit, asked for whenever there is news of the run.</summary>
    private static async Task<JsonNode> DoneAsync(HttpClient http, JsonNode bridge, SemaphoreSlim heard)
    {
        while ((string?)bridge["run"]!["status"] is not "done")
        {
            await heard.WaitAsync(TimeSpan.FromSeconds(1));
            bridge = await WorkspaceAsync(http);
        }
        return bridge;
    }

    private static async Task EditAsync(HttpClient http, JsonNode bridge, string path, double value)
    {
        JsonArray patch =
        [
            new JsonObject
            {
                ["op"] = "replace",
                ["path"] = path,
                ["value"] = value,
            },
        ];
        using var edit = await http.PatchAsync(
            $"/api/bridges/sorrel-brook?revision={bridge["revision"]}&label=Bench",
            JsonContent.Create(patch)
        );
        edit.EnsureSuccessStatusCode();
    }

    private static async Task<JsonNode> WorkspaceAsync(HttpClient http) =>
        (await http.GetFromJsonAsync<JsonNode>("/api/bridges/sorrel-brook/workspace?step=girders&width=964&height=600&bandWidth=1280"))!;

    private static double Time(Action work)
    {
        var clock = Stopwatch.StartNew();
        work();
        return clock.Elapsed.TotalMilliseconds;
    }

    private static double Median(IReadOnlyCollection<double> values) => values.Order().ElementAt(values.Count / 2);

    private static void Print(string name, IReadOnlyCollection<double> values, double reference)
    {
        string Figure(double value) => value.ToString("0.0").PadLeft(8);
        var (least, median, greatest) = (values.Min(), Median(values), values.Max());
        Console.WriteLine(
            $"{name.PadRight(36)} {Figure(least)} / {Figure(median)} / {Figure(greatest)}   {Figure(median / reference)} × reference"
        );
    }
}
