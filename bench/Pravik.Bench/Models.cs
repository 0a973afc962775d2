using System.Diagnostics;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Places;
using Pravik.Core.Runs;

namespace Pravik.Bench;

/// <summary>The demo by all models: stages and actions alone, with traffic, and the whole run after an edit of a load.</summary>
internal static class Models
{
    private const int Rounds = 9;

    public static void Measure()
    {
        var bridge = Demo.Read();
        Reference.Product();
        var reference = Median(() => Reference.Product());
        Console.WriteLine(Reference.Line("reference", reference, reference));
        foreach (var kind in Enum.GetValues<ModelKind>())
        {
            var modelled = bridge with { Model = bridge.Model with { Kind = kind } };
            var geometry = new BridgeGeometry(modelled);
            var unknowns = ModelRun.Run(geometry, withTraffic: false).Efforts.Max(e => e.Unknowns);
            var name = kind.ToString().ToLowerInvariant();
            Say($"{name}, {unknowns} unknowns, all stages and actions", () => ModelRun.Run(geometry, withTraffic: false));
            Say("  with traffic", () => ModelRun.Run(geometry));
            Say("  with combinations and checks", () => BridgeRun.Run(modelled));
            var kept = new RunStores();
            BridgeRun.Run(modelled, stores: kept);
            Say("  after an edit of strands", () => BridgeRun.Run(modelled, stores: kept));
        }

        void Say(string what, Action work) => Console.WriteLine(Reference.Line(what, Median(work), reference));
    }

    /// <summary>Median time (ms) of some rounds after a first one.</summary>
    public static double Median(Action work)
    {
        work();
        var times = new double[Rounds];
        for (var i = 0; i < Rounds; i++)
        {
            var watch = Stopwatch.StartNew();
            work();
            times[i] = watch.Elapsed.TotalMilliseconds;
        }
        Array.Sort(times);
        return times[Rounds / 2];
    }
}
