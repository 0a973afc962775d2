using BenchmarkDotNet.Attributes;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Frames;
using Pravik.Core.Places;
using Pravik.Core.Runs;
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
    private readonly FrameModel frame;

    public PartsBench()
    {
        text = BridgeJson.Write(bridge);
        geometry = new(bridge);
        frame = ModelRun.Run(geometry, withTraffic: false).Finished.Frame;
    }

    [Benchmark(Baseline = true)]
    public double ReferenceProduct() => Reference.Product();

    [Benchmark]
    public BridgeReading ReadAndValidate() => BridgeJson.Read(text);

    [Benchmark]
    public string DrawPlan() => SvgWriter.Inline(PlanView.Draw(geometry, UnitSystem.Metric, ViewSize.Pixels(960, 300), 140));

    [Benchmark]
    public FrameAnalysis Factorise() => new(frame);

    [Benchmark]
    public ModelResults StagesAndActions() => ModelRun.Run(geometry, withTraffic: false);

    [Benchmark]
    public ModelResults StagesActionsAndTraffic() => ModelRun.Run(geometry);

    [Benchmark]
    public BridgeResults WholeRun() => BridgeRun.Run(bridge);
}
