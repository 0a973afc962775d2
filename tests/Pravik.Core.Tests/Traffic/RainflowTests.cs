using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Cycles by rainflow, and those of vehicles that pass.</summary>
public class RainflowTests
{
    /// <summary>By hand. The sixth is the example of ASTM E1049, figure 6, as a repeating history: ranges 9, 7, 4, 3.</summary>
    [Theory]
    [InlineData(new double[] { }, new double[] { })]
    [InlineData(new double[] { 0, 0, 0 }, new double[] { })]
    [InlineData(new double[] { 0, 5, 0 }, new double[] { 5 })]
    [InlineData(new double[] { 0, 5, 2, 7, 0 }, new double[] { 7, 3 })]
    [InlineData(new double[] { 0, -2, 6, 3, 4, -1, 0 }, new double[] { 8, 1, 1 })]
    [InlineData(new double[] { -2, 1, -3, 5, -1, 3, -4, 4, -2 }, new double[] { 9, 7, 4, 3 })]
    public void Cycles_are_those_by_hand(double[] history, double[] ranges) => Assert.Equal(ranges, Rainflow.Ranges(history));

    /// <summary>
    /// A lorry of two axles, 100 kN each and 15 m apart, on a simple beam of 10 m: at no time are both on it, the moment in the middle goes
    /// to 250 kNm twice. With 4 m between them it goes to 100·(10/4 + (5 − 4)/2) = 300 and back to 0 with one dip: with one axle over the
    /// middle 300, half way between both 100·2·3/2 = 300 too. The equivalent of two equal cycles is 2^(1/3) of one.
    /// </summary>
    [Fact]
    public void A_passage_has_the_cycles_by_hand()
    {
        var bridge = TestBridges.OneGirder(10) with
        {
            Model = new() { Kind = ModelKind.Line, Divisions = 40 },
        };
        PassageCycles Of(double gap)
        {
            var model = TrafficModels.Of(new("lorry", Vehicle.Of([100e3, 100e3], [gap])), bridge.Basis.Values);
            var envelope = TrafficQuery.Run(TrafficQuery.Target(new(bridge)), model, [GirderEffect.M], false);
            var middle = envelope.Layout.Points.Select((p, i) => (p, i)).Single(p => Math.Abs(p.p.Fraction - 0.5) < 1e-9).i;
            var at = envelope.Layout.At(middle, GirderEffect.M);
            var cycles = envelope.Cycles(at).Single();
            Assert.Equal(envelope.Greatest[at] - envelope.Least[at], cycles.Ranges[0], 1e-3 * cycles.Ranges[0]);
            return cycles;
        }
        var apart = Of(15);
        Assert.Equal([250.0, 250.0], apart.Ranges.Where(r => r > 1e3).Select(r => Math.Round(r / 1e3, 1)));
        Assert.Equal(250e3 * Math.Pow(2, 1.0 / 3), apart.Equivalent(3), 300.0);
        Assert.Equal([300.0], Of(4).Ranges.Where(r => r > 1e3).Select(r => Math.Round(r / 1e3, 1)));
    }

    /// <summary>Models that load several lanes and trains have no cycles of one vehicle.</summary>
    [Fact]
    public void Models_of_many_lanes_have_none()
    {
        var bridge = TestBridges.OneGirder(10) with
        {
            Model = new() { Kind = ModelKind.Line, Divisions = 10 },
        };
        foreach (var name in new[] { "LM1", "LM71", "HL-93", "FLM3, two vehicles" })
        {
            var model = TrafficModels.Named(name, bridge.Basis.Values)!;
            var envelope = TrafficQuery.Run(TrafficQuery.Target(new(bridge)), model, [GirderEffect.M], false);
            Assert.Empty(envelope.Cycles(envelope.Layout.At(5, GirderEffect.M)));
        }
        Assert.All(EnRoadTraffic.SharesOfLorries, s => Assert.Equal(1, s.Shares.Sum(), 1e-12));
        var lorries = TrafficModels.Named("FLM4", bridge.Basis.Values)!;
        var of = TrafficQuery.Run(TrafficQuery.Target(new(bridge)), lorries, [GirderEffect.M], false);
        Assert.Equal(5, of.Cycles(of.Layout.At(5, GirderEffect.M)).Count);
    }
}
