using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Moments and shears of simple spans under standard traffic, against published tables and closed forms.</summary>
public class PublishedSpansTests
{
    private const double Foot = 0.3048;
    private const double Kip = 4448.2216152605;
    private static readonly NationalValues Values = NationalValues.Named(NationalValues.Recommended)!;

    /// <summary>The greatest moment, and the greatest reaction, of a line girder of one span under a model without dynamic factors.</summary>
    private static (double Moment, double Reaction) Of(double span, string model)
    {
        var bridge = TestBridges.OneGirder(span) with
        {
            Model = new() { Kind = ModelKind.Line, Divisions = 120 },
        };
        var target = TrafficQuery.Target(new(bridge));
        var envelope = TrafficQuery.Run(target, TrafficModels.Named(model, Values)!.Static(), [GirderEffect.M], true);
        var points = Enumerable.Range(0, target.Layout.Points.Length);
        return (points.Max(p => envelope.Greatest[p, GirderEffect.M]), envelope.Greatest.Seat(0).Up);
    }

    /// <summary>
    /// The truck of 8, 32 and 32 kip: moments (kip-ft) and end shears (kip) of one lane without impact as AASHTO’s Standard Specifications
    /// for Highway Bridges (17th edition, Appendix A) list them, to one decimal. The tandem of 25 kip 4 ft apart: 50/L·(L/2 − 1)² and
    /// 50·(1 − 2/L); the lane 0.64·L²/8 and 0.64·L/2.
    /// </summary>
    [Theory]
    [InlineData(40, 449.8, 55.2)]
    [InlineData(50, 627.9, 58.5)]
    [InlineData(60, 806.5, 60.8)]
    [InlineData(70, 985.6, 62.4)]
    [InlineData(80, 1164.9, 63.6)]
    [InlineData(90, 1344.4, 64.5)]
    [InlineData(100, 1524.0, 65.3)]
    [InlineData(120, 1883.3, 66.4)]
    public void Design_truck_tandem_and_lane_give_the_published_values(double feet, double moment, double shear)
    {
        void Compare(string model, double expectedMoment, double expectedShear)
        {
            var (m, r) = Of(feet * Foot, model);
            // Half of the last digit of the table, and points at every 120th of the span.
            Assert.Equal(expectedMoment, m / (Kip * Foot), 0.05 + 2e-4 * expectedMoment);
            Assert.Equal(expectedShear, r / Kip, 0.05 + 2e-4 * expectedShear);
        }
        Compare("HL-93 truck", moment, shear);
        Compare("HL-93 tandem", 50 / feet * Math.Pow(feet / 2 - 1, 2), 50 * (1 - 2 / feet));
        Compare("HL-93 lane", 0.64 * feet * feet / 8, 0.64 * feet / 2);
        // The design load is the worse of truck and tandem with the lane; without impact and with one lane alone.
        var tandem = 50 / feet * Math.Pow(feet / 2 - 1, 2);
        var (together, _) = Of(feet * Foot, "HL-93");
        Assert.InRange(
            together / (Kip * Foot),
            0.998 * (Math.Max(moment, tandem) + 0.08 * feet * feet),
            Math.Max(moment, tandem) + 0.08 * feet * feet + 0.5
        );
    }

    /// <summary>
    /// Load model 71 with an axle over the middle of the span, whose distributed load keeps 0.8 m from the axles: 250·(L − 3.2) + 20·[(L/2 −
    /// 2.4)² + (L/2 − 4)²]; with an axle over the bearing 250·(4 − 9.6/L) + 40·(L − 5.6)²/L. The greatest moment stands beside the middle
    /// and is a little greater; a search over places by one ordinate after another tells by how much.
    /// </summary>
    [Theory]
    [InlineData(8)]
    [InlineData(10)]
    [InlineData(15)]
    [InlineData(20)]
    [InlineData(30)]
    [InlineData(40)]
    public void Load_model_71_gives_the_closed_forms(double span)
    {
        var (moment, reaction) = Of(span, "LM71");
        var middle = 250e3 * (span - 3.2) + 20e3 * (Math.Pow(span / 2 - 2.4, 2) + Math.Pow(span / 2 - 4, 2));
        Assert.InRange(moment, middle, 1.01 * middle);
        Assert.Equal(Searched(span), moment, 5e-4 * moment);
        Assert.Equal(250e3 * (4 - 9.6 / span) + 40e3 * Math.Pow(span - 5.6, 2) / span, reaction, 2e-4 * reaction);
    }

    /// <summary>The greatest moment anywhere in a simple span, tried place by place: axles 1.6 m apart, 80 kN/m from 0.8 m beyond them.</summary>
    private static double Searched(double span)
    {
        double worst = 0;
        for (var at = 0.4 * span; at <= 0.6 * span; at += span / 240)
        {
            double Ordinate(double x) => x <= 0 || x >= span ? 0 : Math.Min(x * (span - at), at * (span - x)) / span;
            double Area(double from, double to)
            {
                // Straight on both sides of the place.
                double Piece(double a, double b) => b <= a ? 0 : (Ordinate(a) + Ordinate(b)) / 2 * (b - a);
                (from, to) = (Math.Clamp(from, 0, span), Math.Clamp(to, 0, span));
                return Piece(from, Math.Min(to, at)) + Piece(Math.Max(from, at), to);
            }
            for (var first = -5.0; first <= span; first += 0.005)
            {
                var axles = Enumerable.Range(0, 4).Sum(i => 250e3 * Ordinate(first + 1.6 * i));
                worst = Math.Max(worst, axles + 80e3 * (Area(0, first - 0.8) + Area(first + 5.6, span)));
            }
        }
        return worst;
    }
}
