using System.Diagnostics;
using System.Text.Json;
using System.Text.Json.Nodes;
using Pravik.Core.Entries;
using Pravik.Exchange;

namespace Pravik.Bench;

/// <summary>
/// Extremes of every number of the examples: nothing, tiny, huge, negative, at its bounds and just beyond. Each is taken or refused in
/// words; none may take longer than <see cref="Longest"/> or fail otherwise.
/// </summary>
internal static class Extremes
{
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(2);

    /// <summary>Tries them all; whether none was answered badly.</summary>
    public static bool Try()
    {
        var (tried, taken, bad, slowest) = (0, 0, 0, TimeSpan.Zero);
        foreach (var file in Directory.EnumerateFiles(Path.Combine(Demo.Root, "examples"), "*.json").Order())
        {
            var bridge = BridgeJson.Read(File.ReadAllText(file)).Bridge!;
            foreach (var (path, value) in Numbers(BridgeJson.ToNode(bridge), ""))
            {
                foreach (var odd in Values(path, value).Distinct().Where(v => double.IsFinite(v) && v != value))
                {
                    var clock = Stopwatch.StartNew();
                    string? fault = null;
                    try
                    {
                        taken += BridgeEditing.Apply(bridge, [new("replace", path, odd)]).Bridge is null ? 0 : 1;
                    }
                    catch (Exception problem)
                    {
                        fault = problem.GetType().Name;
                    }
                    tried++;
                    slowest = clock.Elapsed > slowest ? clock.Elapsed : slowest;
                    if (fault is null && clock.Elapsed <= Longest)
                        continue;
                    bad++;
                    Console.WriteLine($"{Path.GetFileName(file)} {path} = {odd:R}: {fault ?? "slow"}, {clock.Elapsed.TotalSeconds:0.0} s");
                }
            }
            Console.WriteLine(
                $"{Path.GetFileName(file)}: {tried} tried so far, {taken} taken, {bad} badly, slowest {slowest.TotalSeconds:0.00} s"
            );
        }
        return bad == 0;
    }

    private static IEnumerable<double> Values(string path, double value)
    {
        double[] usual = [0, 1e-12, -1, -value, 1e6, 1e12, 1e300];
        return EntryCatalog.At(path) is { } entry
            ? [.. usual, entry.Least, entry.Greatest, 1.001 * entry.Greatest, entry.Least - 0.001 * Math.Abs(entry.Least)]
            : usual;
    }

    private static IEnumerable<(string Path, double Value)> Numbers(JsonNode? node, string path) =>
        node switch
        {
            JsonObject o => o.SelectMany(p => Numbers(p.Value, $"{path}/{p.Key.Replace("~", "~0").Replace("/", "~1")}")),
            JsonArray a => a.SelectMany((item, i) => Numbers(item, $"{path}/{i}")),
            JsonValue v when v.GetValueKind() == JsonValueKind.Number => [(path, v.GetValue<double>())],
            _ => [],
        };
}
