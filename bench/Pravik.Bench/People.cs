using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Pravik.Bench;

/// <summary>
/// Fifty people who edit six bridges for a minute, each about every two seconds, while the analyses that their edits ask for run: how
/// long an edit takes to be acknowledged. Who is told of a conflict looks at the bridge anew and goes on.
/// </summary>
internal static class People
{
    private const int Count = 50;
    private static readonly TimeSpan Lasting = TimeSpan.FromSeconds(60);
    private static readonly TimeSpan Thinking = TimeSpan.FromSeconds(2);

    private static readonly string[] Bridges = ["sorrel-brook", "hazel-row", "willow-mill", "tansy-lane", "rowan-fold", "clover-drove"];

    private static readonly (string Path, double Value)[] Values =
    [
        ("/deck/haunch", 0.03),
        ("/deck/jointGap", 0.04),
        ("/deck/endOverhang", 0.5),
        ("/loads/wetConcrete", 1000),
        ("/loads/concreteWeight", 25e3),
        ("/loads/surfacingWeight", 24e3),
        ("/actions/windVelocity", 26),
        ("/actions/settlement", 0.01),
        ("/basis/titles/drawn", 0),
    ];

    public static async Task MeasureAsync()
    {
        await using var server = await WarmServer.StartAsync();
        await Task.Delay(TimeSpan.FromSeconds(5));
        var reference = Enumerable.Range(0, 15).Select(_ => Timed(() => Reference.Product())).Order().ElementAt(7);
        ConcurrentBag<double> taken = [];
        ConcurrentDictionary<HttpStatusCode, int> answers = [];
        await Task.WhenAll(Enumerable.Range(0, Count).Select(p => EditAsync(server.Http, p, taken, answers)));
        var times = taken.Order().ToList();
        string Figure(double value) => value.ToString("0.0").PadLeft(8);
        double At(double part) => times[(int)(part * (times.Count - 1))];
        Console.WriteLine(
            $"{Count} people, {Environment.ProcessorCount} cores, {times.Count} edits in {Lasting.TotalSeconds:0} s, "
                + $"{times.Count / Lasting.TotalSeconds:0.0} a second"
        );
        foreach (var (name, part) in new[] { ("median", 0.5), ("95 %", 0.95), ("99 %", 0.99), ("slowest", 1.0) })
            Console.WriteLine($"{name.PadLeft(10)} {Figure(At(part))} ms  {Figure(At(part) / reference)} × reference ({reference:0.0} ms)");
        Console.WriteLine(string.Join(", ", answers.OrderBy(a => a.Key).Select(a => $"{(int)a.Key}: {a.Value}")));
    }

    private static async Task EditAsync(
        HttpClient http,
        int person,
        ConcurrentBag<double> taken,
        ConcurrentDictionary<HttpStatusCode, int> answers
    )
    {
        var (random, revision) = (new Random(person), 1);
        var (id, (path, usual)) = (Bridges[person % Bridges.Length], Values[person / Bridges.Length]);
        await Task.Delay(random.NextDouble() * Thinking);
        var clock = Stopwatch.StartNew();
        while (clock.Elapsed < Lasting)
        {
            JsonNode value =
                usual == 0 ? JsonValue.Create($"P{random.Next(1000)}") : JsonValue.Create(usual * (1 + 0.01 * random.NextDouble()));
            JsonArray patch =
            [
                new JsonObject
                {
                    ["op"] = "replace",
                    ["path"] = path,
                    ["value"] = value,
                },
            ];
            var began = clock.Elapsed;
            using var answer = await http.PatchAsync($"/api/bridges/{id}?revision={revision}&label=Bench", JsonContent.Create(patch));
            taken.Add((clock.Elapsed - began).TotalMilliseconds);
            answers.AddOrUpdate(answer.StatusCode, 1, (_, n) => n + 1);
            if (answer.StatusCode == HttpStatusCode.OK)
                revision = (int)(await answer.Content.ReadFromJsonAsync<JsonNode>())!["revision"]!;
            else if (answer.StatusCode == HttpStatusCode.Conflict)
                revision = (int)(await http.GetFromJsonAsync<JsonNode>($"/api/bridges/{id}/history"))![0]!["revision"]!;
            await Task.Delay((0.5 + random.NextDouble()) * Thinking);
        }
    }

    private static double Timed(Action work)
    {
        var clock = Stopwatch.StartNew();
        work();
        return clock.Elapsed.TotalMilliseconds;
    }
}
