using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Traffic;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Traffic models by name through the whole product, and against the traffic of the everyday run.</summary>
public class TrafficSurveyTests
{
    private static readonly NationalValues Values = NationalValues.Named(NationalValues.Recommended)!;

    /// <summary>The demo with fewer joints along it.</summary>
    private static readonly Bridge Coarse = TestBridges.Demo with { Model = TestBridges.Demo.Model with { Divisions = 8 } };

    private static TrafficModel Named(string name) => TrafficModels.Named(name, Values)!;

    /// <summary>
    /// The everyday run and the survey share the surfaces and nothing else of how they place load model 1; reactions at both ends of the
    /// deck too, where a wheel on the very edge counts.
    /// </summary>
    [Fact]
    public void Load_model_1_is_as_in_the_everyday_run()
    {
        var geometry = new BridgeGeometry(Coarse);
        var results = ModelRun.Run(geometry);
        var survey = TrafficQuery.Of(geometry);
        var (traffic, layout) = (results.Traffic!.Characteristic, results.Layout);
        foreach (var found in survey.Of(Named("LM1"), [SurveyEffect.M, SurveyEffect.V, SurveyEffect.D], 1))
        {
            var point = results.Points.IndexOf(found.Point!);
            var effect = found.Effect switch
            {
                SurveyEffect.M => GirderEffect.M,
                SurveyEffect.V => GirderEffect.V,
                _ => GirderEffect.Deflection,
            };
            var (greatest, least) = (traffic.Greatest[layout.At(point, effect)], traffic.Least[layout.At(point, effect)]);
            var tolerance = 1e-5 * Math.Max(Math.Abs(greatest), Math.Abs(least)) + 1e-9;
            Assert.True(
                Math.Abs(greatest - found.Greatest.Value) < tolerance,
                $"{found.Effect} {found.Point}: {greatest}, {found.Greatest}"
            );
            Assert.True(Math.Abs(least - found.Least.Value) < tolerance, $"{found.Effect} {found.Point}: {least}, {found.Least}");
        }
        foreach (var found in survey.Of(Named("LM1"), [SurveyEffect.R]))
        {
            var at = layout.AtSeat(layout.Seats.IndexOf(found.Seat!)) + 2;
            Assert.Equal(traffic.Greatest[at], found.Greatest.Value, 1e-5 * traffic.Greatest[at]);
            Assert.Equal(traffic.Least[at], found.Least.Value, 1e-5 * traffic.Greatest[at]);
        }
    }

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
        var survey = TrafficQuery.Of(new(Coarse));
        foreach (var found in survey.Of(Named(model), [SurveyEffect.M, SurveyEffect.T], 2))
        {
            foreach (var side in new[] { found.Greatest, found.Least })
            {
                Assert.Equal(side.Value, side.Together[found.Effect], 1e-5 * Math.Abs(side.Value) + 1);
                double[] factors = model == "HL-93" ? [1, 1.2, 1, 0.85, 0.65] : [1, 1, 1, 1];
                Assert.Equal(factors[side.Lanes.Length], side.Presence);
                // Lanes lie clear of each other.
                for (var i = 1; i < side.Lanes.Length; i++)
                    Assert.True(side.Lanes[i].From >= side.Lanes[i - 1].From + side.Lanes[i - 1].Width - 1e-6);
            }
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
        var survey = TrafficQuery.Of(new(bridge));
        double Midspan(string model) =>
            survey.Of(Named(model), [SurveyEffect.M]).Single(f => Math.Abs(f.Point!.Fraction - 0.5) < 1e-6).Greatest.Value;
        Assert.Equal(4320e3 + 3037.5e3, Midspan("LM1"), 7357.5e3 * 2e-3);
        // An axle at midspan, others 1.6, 1.6 and 3.2 m off, 80 kN/m from 2.4 m and from 4 m on: 250·(4·7.5 − 6.4/2) + 80·(12.6² + 11²)/4.
        Assert.Equal((250 * (30 - 3.2) + 80 * (12.6 * 12.6 + 11 * 11) / 4) * 1e3, Midspan("LM71"), 12.3e6 * 1e-4);
        // A single lane counts 1.2-fold; the vehicle alone 1.33-fold.
        var hl = survey.Of(Named("HL-93"), [SurveyEffect.M]).Single(f => Math.Abs(f.Point!.Fraction - 0.5) < 1e-6).Greatest;
        Assert.Equal((1.2, 1.33), (hl.Presence, hl.Lanes.Single().Dynamic));
        var still = survey.Of(Named("HL-93").Static(), [SurveyEffect.M]).Single(f => Math.Abs(f.Point!.Fraction - 0.5) < 1e-6).Greatest;
        Assert.Equal((1.0, 1.0), (still.Presence, still.Lanes.Single().Dynamic));
        Assert.True(hl.Value > 1.2 * still.Value && hl.Value < 1.2 * 1.33 * still.Value);
    }

    [Fact]
    public void A_vehicle_twice_as_heavy_gives_twice_as_much()
    {
        var survey = TrafficQuery.Of(new(Coarse));
        TrafficModel Own(double load) => TrafficModels.Of(new("own", Vehicle.Alike(3, load, 2)), Values);
        var (one, two) = (survey.Of(Own(100e3), [SurveyEffect.M], 0), survey.Of(Own(200e3), [SurveyEffect.M], 0));
        for (var i = 0; i < one.Length; i++)
            Assert.Equal(2 * one[i].Greatest.Value, two[i].Greatest.Value, 1e-6 * Math.Abs(two[i].Greatest.Value) + 1e-3);
    }
}
