using BenchmarkDotNet.Attributes;
using Pravik.Core.Bridges;
using Pravik.Core.Numerics;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;
using Pravik.Exchange;

namespace Pravik.Bench;

/// <summary>The pieces of the way from a bridge to checked girders, on the demo bridge.</summary>
[MemoryDiagnoser]
public class PartsBench
{
    private readonly Bridge bridge = Demo.Read();
    private readonly string text;
    private readonly BridgeGeometry geometry;
    private readonly Grillage grillage;
    private readonly GrillageSolver solver;

    public PartsBench()
    {
        text = BridgeJson.Write(bridge);
        geometry = new(bridge);
        grillage = GrillageBuilder.Build(geometry);
        solver = new(grillage, new BandedCholesky());
    }

    [Benchmark(Baseline = true)]
    public double ReferenceProduct() => Reference.Product();

    [Benchmark]
    public BridgeReading ReadAndValidate() => BridgeJson.Read(text);

    [Benchmark]
    public string DrawPlan() => SvgWriter.Inline(PlanView.Draw(geometry, UnitSystem.Metric, ViewSize.Pixels(960, 300), 140));

    [Benchmark]
    public GrillageSolver Factorise() => new(grillage, new BandedCholesky());

    [Benchmark]
    public InfluenceSurface[] FortyInfluenceSurfaces() =>
        InfluenceSurface.Solve(
            grillage,
            solver,
            [.. EffectPoint.All(grillage).Take(40).Select(p => new WantedEffect(p, EffectKind.Moment))]
        );

    [Benchmark]
    public BridgeResults WholeRun() => BridgeRun.Run(bridge);
}
