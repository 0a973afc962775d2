using System.Diagnostics;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Numerics;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Bench;

/// <summary>
/// The demo's grillage with all unit deck loads, and its models with all stages and actions: new, and after an edit of a load.
/// </summary>
internal static class Models
{
    private const int Rounds = 9;

    public static void Measure()
    {
        var bridge = Demo.Read();
        Reference.Product();
        var reference = Median(() => Reference.Product());
        Console.WriteLine($"reference                                          {reference, 7:0} ms");
        Say("grillage made, factorised, 945 unit loads", () => UnitLoads(bridge));
        foreach (var kind in Enum.GetValues<ModelKind>())
        {
            var geometry = new BridgeGeometry(bridge with { Model = bridge.Model with { Kind = kind } });
            var unknowns = ModelRun.Run(geometry).Efforts.Max(e => e.Unknowns);
            Say($"{kind.ToString().ToLowerInvariant()}, {unknowns} unknowns, all stages and actions", () => ModelRun.Run(geometry));
            var kept = new FactorStore();
            ModelRun.Run(geometry, factors: kept);
            Say("  after an edit of a load", () => ModelRun.Run(geometry, factors: kept));
        }

        void Say(string what, Action work)
        {
            var time = Median(work);
            Console.WriteLine($"{what, -50} {time, 7:0} ms   {time / reference, 6:0.0} × reference");
        }
    }

    /// <summary>
    /// By Maxwell and Betti one solution gives what a unit load anywhere does to one effect; they are solved in blocks on both cores.
    /// </summary>
    private static void UnitLoads(Bridge bridge)
    {
        var grillage = GrillageBuilder.Build(new(bridge));
        var solver = new GrillageSolver(grillage, new BandedCholesky());
        var wanted = EffectPoint
            .All(grillage)
            .SelectMany(p =>
                new[]
                {
                    new WantedEffect(p, EffectKind.Moment),
                    new WantedEffect(p, EffectKind.Shear, SectionSide.Behind),
                    new WantedEffect(p, EffectKind.Shear, SectionSide.Ahead),
                }
            );
        Parallel.ForEach(wanted.Chunk(48), block => InfluenceSurface.Solve(grillage, solver, block));
    }

    private static double Median(Action work)
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
