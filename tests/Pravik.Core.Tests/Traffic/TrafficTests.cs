using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Models;
using Pravik.Core.Numerics;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Tests.Bridges;
using Pravik.Core.Traffic;

namespace Pravik.Core.Tests.Traffic;

public class TrafficTests
{
    /// <summary>EN 1991-2 Table 4.1.</summary>
    [Theory]
    [InlineData(3.5, 1, 3.0, 0.5)]
    [InlineData(5.39, 1, 3.0, 2.39)]
    [InlineData(5.4, 2, 2.7, 0)]
    [InlineData(5.99, 2, 2.995, 0)]
    [InlineData(6.0, 2, 3.0, 0)]
    [InlineData(7.0, 2, 3.0, 1.0)]
    [InlineData(11.0, 3, 3.0, 2.0)]
    public void Notional_lanes_follow_the_table(double carriageway, int count, double width, double remaining)
    {
        var lanes = NotionalLanes.On(carriageway, 3);
        Assert.Equal(count, lanes.Count);
        Assert.Equal(width, lanes.Width, 1e-12);
        Assert.Equal(remaining, lanes.Remaining, 1e-9);
    }

    /// <summary>
    /// One lane on a simple span of 20 m, by hand. Moment at mid-span: an axle of 300 kN over it and the other 1.2 m off,
    /// 300·(20/4 + (10 − 1.2)/2) = 2820 kNm; lane 9·3·20²/8 = 1350 kNm. Shear at a quarter of the span, load ahead of it:
    /// 300·(15 + 13.8)/20 = 432 kN and 9·3·15²/(2·20) = 151.9 kN; at the support 300·(1 + 18.8/20) = 582 kN. These bound the
    /// shear from above: the wheels stand a metre beside the girder, so the slab spreads them along it (by a metre: 600·1/20 =
    /// 30 kN less), and what is close to the diaphragm goes through it straight to the bearing.
    /// </summary>
    [Fact]
    public void One_lane_on_a_simple_span_agrees_with_hand_values()
    {
        var results = BridgeRun.Run(TestBridges.OneGirder(20));
        var middle = results.Points.Single(p => p.Point.Number == 10);
        // Wheels stand between girder and edge: near them the edge member and its strips bend by themselves, which shifts up to 0.25 %.
        Assert.Equal(2820e3, middle.Moment.Traffic.Max.Tandem, 2820e3 * 0.003);
        Assert.Equal(1350e3, middle.Moment.Traffic.Max.Distributed, 1350e3 * 0.001);
        Assert.Equal(0, middle.Moment.Traffic.Min.Total, 1);
        // Anywhere with an axle on each side of the middle is as bad: the influence line falls alike on both.
        Assert.InRange(middle.Moment.Traffic.Max.Lanes.Single().TandemStation!.Value, 19.4 - 1e-6, 20.6 + 1e-6);
        var quarter = results.Points.Single(p => p.Point.Number == 5);
        Assert.InRange(quarter.Shear.Traffic.Max.Tandem, 402e3, 432e3);
        Assert.Equal(151.9e3, quarter.Shear.Traffic.Max.Distributed, 151.9e3 * 0.02);
        Assert.Equal(-quarter.Shear.Traffic.Max.Tandem, results.Points.Single(p => p.Point.Number == 15).Shear.Traffic.Min.Tandem, 1);
        Assert.InRange(results.Points.Single(p => p.Point.Number == 0).Shear.Traffic.Max.Tandem, 0.88 * 582e3, 582e3);
    }

    private static (Grillage, BridgeGeometry, InfluenceSurface[]) Surfaces(
        Bridge bridge,
        params (int Girder, int Span, int Number, EffectKind Kind)[] wanted
    )
    {
        var geometry = new BridgeGeometry(bridge);
        var grillage = GrillageBuilder.Build(geometry);
        var points = EffectPoint.All(grillage);
        var effects = wanted
            .Select(w => new WantedEffect(points.Single(p => p.Girder == w.Girder && p.Span == w.Span && p.Number == w.Number), w.Kind))
            .ToList();
        return (grillage, geometry, InfluenceSurface.Solve(grillage, new GrillageSolver(grillage, new BandedCholesky()), effects));
    }

    /// <summary>Sum of ordinates under the four wheels, by looking the surface up wheel by wheel.</summary>
    private static double Tandem(
        Grillage grillage,
        BridgeGeometry geometry,
        InfluenceSurface surface,
        double from,
        double width,
        double station
    )
    {
        double sum = 0;
        foreach (var side in new[] { -1.0, 1.0 })
        {
            var line = DeckLine.At(grillage.Mesh, geometry, from + width / 2 + side);
            foreach (var axle in new[] { -0.6, 0.6 })
            {
                var s = station + axle;
                var k = Array.FindLastIndex(line.Station, x => x <= s);
                if (k < 0 || k + 1 >= line.Station.Length)
                    continue;
                double At(int line1) =>
                    (1 - line.Weight[line1]) * surface.Ordinates[line.Node[line1]]
                    + line.Weight[line1] * surface.Ordinates[line.Node[line1] + 1];
                var t = (s - line.Station[k]) / (line.Station[k + 1] - line.Station[k]);
                sum += (1 - t) * At(k) + t * At(k + 1);
            }
        }
        return sum;
    }

    [Fact]
    public void The_position_that_is_kept_gives_the_value_and_no_other_gives_more()
    {
        var (grillage, geometry, surfaces) = Surfaces(
            TestBridges.Demo,
            (2, 1, 10, EffectKind.Moment),
            (0, 0, 9, EffectKind.Moment),
            (3, 1, 0, EffectKind.Moment),
            (4, 1, 6, EffectKind.Moment)
        );
        var values = TestBridges.Demo.Basis.Values;
        var placement = new TrafficPlacement(grillage, geometry, values);
        var random = new Random(7);
        double[] axle = [300e3, 200e3];
        foreach (var surface in surfaces)
        {
            var range = placement.Worst(surface);
            foreach (var (effect, sign) in new[] { (range.Max, 1), (range.Min, -1) })
            {
                var kept = effect
                    .Lanes.Where(l => l.TandemStation is not null)
                    .Sum(l => axle[l.Number - 1] / 2 * Tandem(grillage, geometry, surface, l.From, l.Width, l.TandemStation!.Value));
                Assert.Equal(effect.Tandem, kept, Math.Abs(effect.Tandem) * 1e-6 + 1);
                for (var i = 0; i < 400; i++)
                {
                    // Two lanes of 3 m in a carriageway from −3.4 to 3.6, on the steps that the search uses, in either order.
                    var first = -3.4 + 0.25 * random.Next(0, 5);
                    var second = first + 3 + 0.25 * random.Next(0, (int)((3.6 - first - 6) / 0.25 + 1e-9) + 1);
                    var order = random.Next(2);
                    double Some(double from) => Tandem(grillage, geometry, surface, from, 3, 112 + random.NextDouble() * 60.6);
                    var other = axle[order] / 2 * Some(first) + axle[1 - order] / 2 * Some(second);
                    Assert.True(sign * other <= sign * effect.Total + 1e-6 * Math.Abs(effect.Total), $"{other} beats {effect.Total}");
                }
            }
            // Adverse parts only: together the two signs make up the whole integral of 2.5 kN/m² plus that of lane 1's surplus.
            Assert.True(range.Max.Distributed >= 0 && range.Min.Distributed <= 0);
        }
    }

    [Fact]
    public void Combinations_agree_with_a_hand_sum()
    {
        var values = new Basis().Values;
        TrafficEffect up = new(1000, 500, []),
            down = new(-300, -100, []);
        var effects = new PointEffects(null!, EffectKind.Moment, new(200, 100, -50, 20), new(up, down, up, down, 0.02, -0.2));
        // 1.35·(200 + 100 + 20) − 1.00·50 + 1.35·(1500 + 3000·0.02)
        Assert.Equal(1.35 * 320 - 50 + 1.35 * 1560, Combinations.Of(Combination.Ultimate, effects, values).Max, 1e-9);
        // Footways alone govern downward: 5000·0.2 = 1000 against 400 + 600; equal, group 1a is taken.
        Assert.Equal(320 - 1.35 * 50 - 1.35 * 1000, Combinations.Of(Combination.Ultimate, effects, values).Min, 1e-9);
        Assert.Equal(270 + 1560, Combinations.Of(Combination.Characteristic, effects, values).Max, 1e-9);
        Assert.Equal(270 + 0.75 * 1000 + 0.4 * 500 + 0.4 * 60, Combinations.Of(Combination.Frequent, effects, values).Max, 1e-9);
        Assert.Equal(270, Combinations.Of(Combination.QuasiPermanent, effects, values).Max, 1e-9);
    }

    /// <summary>A verge without kerb widens the carriageway, so nothing can get less.</summary>
    [Fact]
    public void More_room_for_traffic_never_lowers_an_envelope()
    {
        var demo = TestBridges.Demo;
        var wider = demo with { Deck = demo.Deck.With(p => p with { Right = p.Right.SetItem(1, p.Right[1] with { Upstand = 0.05 }) }) };
        var (before, after) = (BridgeRun.Run(demo), BridgeRun.Run(wider));
        foreach (var (a, b) in before.Points.Zip(after.Points))
            Assert.True(b.Moment.Traffic.Max.Total >= a.Moment.Traffic.Max.Total * (1 - 1e-3) - 1);
    }
}
