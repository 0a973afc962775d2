using System.Diagnostics;
using Pravik.Core.Effects;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;
using Pravik.Exchange;

namespace Pravik.Bench;

/// <summary>
/// Traffic on every effect of the demo and of the viaduct, models by themselves and thirty vehicles together, from a known factor.
/// </summary>
internal static class TrafficTimes
{
    public static void Measure()
    {
        var reference = Enumerable.Range(0, 15).Select(_ => Timed(() => Reference.Product())).Order().ElementAt(7);
        foreach (var name in new[] { "sorrel-brook", "ellow-viaduct" })
        {
            var bridge = BridgeJson.Read(File.ReadAllText(Path.Combine(Demo.Root, "examples", $"{name}.json"))).Bridge!;
            var target = TrafficQuery.Target(new(bridge));
            Console.WriteLine($"{bridge.Name}: {target.Layout.Count} effects, {target.Model.Mesh.Nodes.Length} joints");
            TrafficModel[] Named(string model) => [TrafficModels.Named(model, bridge.Basis.Values)!];
            Vehicle Lorry(int i) => new($"lorry {i}", Vehicle.Of([60e3 + 1e3 * i, 110e3, 90e3, 90e3], [3.2 + 0.05 * i, 4 + 0.1 * i, 1.3]));
            foreach (
                var (words, models) in new (string, TrafficModel[])[]
                {
                    ("surfaces alone", []),
                    ("LM1", Named("LM1")),
                    ("LM3 3000/200/200", Named("LM3 3000/200/200")),
                    ("LM71", Named("LM71")),
                    ("HL-93", Named("HL-93")),
                    ("30 vehicles", [.. Enumerable.Range(0, 30).Select(i => TrafficModels.Of(Lorry(i), bridge.Basis.Values))]),
                }
            )
            {
                var time = Enumerable.Range(0, 4).Select(_ => Timed(() => TrafficRun.Run(target, [.. models]))).Min();
                Console.WriteLine(Reference.Line($"  {words}", time, reference));
            }
        }
    }

    private static double Timed(Action work)
    {
        var clock = Stopwatch.StartNew();
        work();
        return clock.Elapsed.TotalMilliseconds;
    }
}
