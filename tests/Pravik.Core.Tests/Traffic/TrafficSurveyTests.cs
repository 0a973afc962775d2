using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Traffic models by name through the whole product, and against the traffic of the everyday run.</summary>
public class TrafficSurveyTests
{
    private static readonly NationalValues Values = NationalValues.Named(NationalValues.Recommended)!;

    /// <summary>The demo with fewer joints along it.</summary>
    private static readonly Bridge Coarse = TestBridges.Demo with { Model = TestBridges.Demo.Model with { Divisions = 8 } };

    private static TrafficModel Named(string name) => TrafficModels.Named(name, Values)!;

    /// <summary>What the loading that is told does to the effect itself is the value; with every kind of load in it.</summary>
    [Theory]
    [InlineData("LM1")]
    [InlineData("LM3 3000/200/200")]
    [InlineData("HL-93")]
    [InlineData("LM71")]
    [InlineData("SW/2")]
    [InlineData("FLM4")]
    public void The_loading_that_is_told_gives_the_value(string model)
    {
        var target = TrafficQuery.Target(new(Coarse));
        var envelope = TrafficQuery.Run(target, Named(model), [GirderEffect.M, GirderEffect.T], false, 2);
        foreach (var effect in new[] { GirderEffect.M, GirderEffect.T })
        {
            foreach (var isGreatest in new[] { true, false })
            {
                foreach (var point in target.Layout.Points.Select((p, i) => (p, i)).Where(p => p.p.Girder == 2).Select(p => p.i))
                {
                    var at = target.Layout.At(point, effect);
                    var (placed, value) = (envelope.Loading(at, isGreatest), (isGreatest ? envelope.Greatest : envelope.Least)[at]);
                    if (placed is null)
                        continue;
                    Assert.Equal(value, envelope.Together(at, isGreatest)[(int)effect], 1e-5 * Math.Abs(value) + 1);
                    double[] factors = model == "HL-93" ? [1, 1.2, 1, 0.85, 0.65] : [1, 1, 1, 1];
                    Assert.Equal(factors[placed.Lanes.Length], placed.Presence);
                    // Lanes lie clear of each other.
                    for (var i = 1; i < placed.Lanes.Length; i++)
                        Assert.True(placed.Lanes[i].From >= placed.Lanes[i - 1].From + placed.Lanes[i - 1].Width - 1e-6);
                }
            }
        }
    }

    /// <summary>Three lanes of 12 ft just fill a carriageway of 36 ft: they stand side by side, whatever the steps across.</summary>
    [Fact]
    public void Lanes_that_just_fill_a_carriageway_are_all_loaded()
    {
        const double ft = 0.3048;
        var bridge = TestBridges.Read("ellow-viaduct.json") with
        {
            Traffic = new() { Carriageways = [new() { From = -18 * ft, To = 18 * ft }] },
        };
        var target = TrafficQuery.Target(new(bridge));
        var envelope = TrafficQuery.Run(target, Named("HL-93"), [GirderEffect.M], false, 1);
        var points = target
            .Layout.Points.Select((p, i) => (p, i))
            .Where(p => p.p.Girder == 1)
            .Select(p => target.Layout.At(p.i, GirderEffect.M));
        var loaded = points.Select(p => envelope.Loading(p, true)).OfType<PlacedTraffic>().Where(l => l.Lanes.Length == 3).ToList();
        Assert.NotEmpty(loaded);
        Assert.All(
            loaded,
            l =>
            {
                Assert.Equal([-18 * ft, -6 * ft, 6 * ft], l.Lanes.Select(x => x.From), (a, b) => Math.Abs(a - b) < 1e-6);
                Assert.Equal(0.85, l.Presence);
            }
        );
    }

    /// <summary>Values are found side by side for several effects, places one by one: vehicles with sought gaps and left out axles.</summary>
    [Theory]
    [InlineData("HL-93 truck")]
    [InlineData("HL-93 two trucks")]
    [InlineData("whole, in two parts")]
    public void A_value_is_that_of_the_place_where_it_is_found(string name)
    {
        Vehicle parted = new("whole, in two parts", [new(80e3, 0), new(120e3, 3), new(120e3, 1.4) { MostGap = 9 }, new(90e3, 1.3)]);
        var target = TrafficQuery.Target(new(Coarse));
        var envelope = TrafficQuery.Run(
            target,
            TrafficModels.Named(name, Values, [parted])!,
            [GirderEffect.M, GirderEffect.V, GirderEffect.T],
            true,
            1
        );
        var all = Enumerable.Range(0, target.Layout.Count).Where(e => envelope.Greatest[e] != 0 || envelope.Least[e] != 0).ToList();
        Assert.True(all.Count > 50, $"{all.Count}");
        foreach (var effect in all)
        {
            Assert.Equal(envelope.Greatest[effect], envelope.Loading(effect, true)?.Value ?? 0, 1e-6 * envelope.Greatest[effect] + 1e-9);
            Assert.Equal(envelope.Least[effect], envelope.Loading(effect, false)?.Value ?? 0, -1e-6 * envelope.Least[effect] + 1e-9);
        }
    }

    /// <summary>One line girder of 30 m: tandem 4320 and lane 3037.5 kNm; the train of load model 71 at midspan by statics.</summary>
    [Fact]
    public void Values_on_a_line_bridge()
    {
        var bridge = TestBridges.OneGirder(30) with
        {
            Model = new() { Kind = ModelKind.Line, Divisions = 40 },
        };
        var target = TrafficQuery.Target(new(bridge));
        PlacedTraffic Midspan(TrafficModel model)
        {
            var point = target.Layout.Points.Select((p, i) => (p, i)).Single(p => Math.Abs(p.p.Fraction - 0.5) < 1e-6).i;
            return TrafficQuery.Run(target, model, [GirderEffect.M], false).Loading(target.Layout.At(point, GirderEffect.M), true)!;
        }
        Assert.Equal(4320e3 + 3037.5e3, Midspan(Named("LM1")).Value, 7357.5e3 * 2e-3);
        // An axle at midspan, others 1.6, 1.6 and 3.2 m off, 80 kN/m from 2.4 m and from 4 m on: 250·(4·7.5 − 6.4/2) + 80·(12.6² + 11²)/4.
        var lm71 = (250 * (30 - 3.2) + 80 * (12.6 * 12.6 + 11 * 11) / 4) * 1e3;
        Assert.Equal(lm71, Midspan(Named("LM71")).Value, 12.3e6 * 1e-4);
        // A single lane counts 1.2-fold; the vehicle alone 1.33-fold.
        var hl = Midspan(Named("HL-93"));
        Assert.Equal((1.2, 1.33), (hl.Presence, hl.Lanes.Single().Load.Dynamic));
        var still = Midspan(Named("HL-93").Static());
        Assert.Equal((1.0, 1.0), (still.Presence, still.Lanes.Single().Load.Dynamic));
        Assert.True(hl.Value > 1.2 * still.Value && hl.Value < 1.2 * 1.33 * still.Value);
    }

    [Fact]
    public void A_vehicle_twice_as_heavy_gives_twice_as_much()
    {
        var target = TrafficQuery.Target(new(Coarse));
        EffectValues Own(double load)
        {
            var own = TrafficModels.Of(new("own", Vehicle.Alike(3, load, 2)), Values);
            return TrafficQuery.Run(target, own, [GirderEffect.M], false, 0).Greatest;
        }
        var (one, two) = (Own(100e3), Own(200e3));
        for (var i = 0; i < target.Layout.Count; i++)
            Assert.Equal(2 * one[i], two[i], 1e-6 * Math.Abs(two[i]) + 1e-3);
    }
}
