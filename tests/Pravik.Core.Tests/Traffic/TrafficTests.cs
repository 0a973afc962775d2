using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Tests.Bridges;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

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

    private static Bridge Fine(Bridge bridge) => bridge with { Model = bridge.Model with { Divisions = 40 } };

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
        var results = ModelRun.Run(new(Fine(TestBridges.OneGirder(20))));
        var (layout, traffic) = (results.Layout, results.Traffic!["LM1"]);
        PlacedTraffic At(double t, GirderEffect effect, bool greatest)
        {
            var point = Array.FindIndex([.. results.Points], p => Math.Abs(p.Fraction - t) < 1e-9);
            return traffic.Loading(layout.At(point, effect), greatest) ?? PlacedTraffic.None;
        }
        var middle = At(0.5, GirderEffect.M, true);
        // Wheels stand between girder and edge: near them the edge member and its strips bend by themselves, which shifts up to 0.25 %.
        Assert.Equal(2820e3, middle.OfVehicles, 2820e3 * 0.003);
        Assert.Equal(1350e3, middle.Distributed, 1350e3 * 0.001);
        Assert.Equal(0, At(0.5, GirderEffect.M, false).OfVehicles, 1);
        // Anywhere with an axle on each side of the middle is as bad: the influence line falls alike on both.
        Assert.InRange(middle.Lanes.Single().Vehicle!.Axles.Average(a => a.Station), 19.4 - 1e-6, 20.6 + 1e-6);
        var quarter = At(0.25, GirderEffect.V, true);
        Assert.InRange(quarter.OfVehicles, 402e3, 432e3);
        Assert.Equal(151.9e3, quarter.Distributed, 151.9e3 * 0.02);
        Assert.Equal(-quarter.OfVehicles, At(0.75, GirderEffect.V, false).OfVehicles, 1);
        Assert.InRange(At(0, GirderEffect.V, true).OfVehicles, 0.88 * 582e3, 582e3);
        // Deflection under the lane: 5·w·l⁴/384·EI with w = 27 kN/m is the part that the distributed load has in the worst place.
        var down = At(0.5, GirderEffect.Deflection, false);
        var section = results.Finished.Sections[0][0]!;
        Assert.Equal(
            -5 * 27e3 * Math.Pow(20, 4) / 384 / (section.Modulus * section.Composite.SecondMoment),
            down.Distributed,
            1e-3 * Math.Abs(down.Distributed)
        );
        // Reactions of the two supports: under the whole lane each has half of it.
        Assert.Equal(27e3 * 20 / 2, traffic.Loading(layout.AtSeat(0) + 2, true)!.Distributed, 27e3 * 20 / 2 * 0.001);
    }

    /// <summary>A loading put on as a load of its own gives the value for which it was sought, and what acts together with it.</summary>
    [Theory]
    [InlineData(ModelKind.Grillage, "LM1")]
    [InlineData(ModelKind.Grillage, "Permit 96 t")]
    [InlineData(ModelKind.Shells, "LM1")]
    [InlineData(ModelKind.Line, "LM3 1500/200")]
    public void The_loading_behind_a_value_gives_it_when_it_is_put_on(ModelKind kind, string name)
    {
        var demo = TestBridges.Demo with { Model = TestBridges.Demo.Model with { Kind = kind } };
        var (geometry, target) = (new BridgeGeometry(demo), TrafficQuery.Target(new(demo)));
        var (layout, mesh) = (target.Layout, target.Model.Mesh);
        var model = TrafficModels.Named(name, demo.Basis.Values, demo.Traffic.Vehicles)!;
        var traffic = TrafficQuery.Run(target, model, [GirderEffect.M, GirderEffect.T], false);
        foreach (
            var (girder, span, fraction, effect) in new[]
            {
                (0, 1, 0.45, GirderEffect.M),
                (1, 0, 0.6, GirderEffect.M),
                (2, 0, 0.55, GirderEffect.M),
                (1, 1, 0.55, GirderEffect.T),
            }
        )
        {
            var point = Enumerable
                .Range(0, layout.Points.Length)
                .Where(p => layout.Points[p].Girder == girder && layout.Points[p].Span == span)
                .MinBy(p => Math.Abs(layout.Points[p].Fraction - fraction));
            var at = layout.At(point, effect);
            var loading = traffic.Loading(at, true)!;
            var nodal = new double[mesh.Nodes.Length];
            foreach (var lane in loading.Lanes)
            {
                foreach (var (station, load) in lane.Vehicle?.Axles ?? [])
                {
                    foreach (var side in new[] { -0.5, 0.5 })
                    {
                        var line = DeckLine.At(mesh, geometry, lane.Offset + side * lane.Load.Vehicle!.WheelSpacing);
                        if (station >= line.Station[0] && station <= line.Station[^1])
                            Wheel(line, nodal, station, lane.Load.Dynamic * load / 2);
                    }
                }
            }
            var solved = target.Analysis.Solve([new FrameCase("vehicles") { Nodal = target.Shares.Put(nodal) }]).Cases[0];
            Assert.Equal(loading.OfVehicles, target.Effects.Force(point, (int)effect).Of(solved), Math.Abs(loading.OfVehicles) * 1e-6);
            var together = traffic.Together(at, true);
            Assert.Equal(traffic.Greatest[at], together[(int)effect], 1e-6 * traffic.Greatest[at]);
        }
    }

    /// <summary>With a lane alone on a simple beam M = w·a·b/2 has V = w·(l/2 − a) beside it, and the tandem V = R − P: by hand.</summary>
    [Fact]
    public void What_acts_together_with_a_moment_is_the_shear_of_the_same_load()
    {
        var results = ModelRun.Run(new(Fine(TestBridges.OneGirder(20))));
        var point = Array.FindIndex([.. results.Points], p => Math.Abs(p.Fraction - 0.25) < 1e-9);
        var traffic = results.Traffic!["LM1"];
        var at = results.Layout.At(point, GirderEffect.M);
        var loading = traffic.Loading(at, true)!;
        // Lane over all of the span: V = 27·(10 − 5) = 135 kN. Tandem with its rear axle over the section, read as the mean of both
        // sides: R = 300·(15 + 13.8)/20 = 432 kN less half an axle, 282 kN.
        var station = loading.Lanes.Single().Vehicle!.Axles.Average(a => a.Station);
        Assert.Equal(15.6, station, 0.02);
        Assert.Equal(135e3 + 282e3, traffic.Together(at, true)[(int)GirderEffect.V], 0.04 * 417e3);
    }

    private static void Wheel(DeckLine line, double[] nodal, double station, double load)
    {
        var k = Math.Clamp(Array.FindLastIndex(line.Station, s => s <= station), 0, line.Station.Length - 2);
        var t = Math.Clamp((station - line.Station[k]) / (line.Station[k + 1] - line.Station[k]), 0, 1);
        foreach (var (row, share) in new[] { (k, 1 - t), (k + 1, t) })
        {
            nodal[line.Node[row]] += load * share * (1 - line.Weight[row]);
            nodal[line.Node[row] + 1] += load * share * line.Weight[row];
        }
    }

    /// <summary>
    /// No arrangement found at random, tandems with their lane loads and the rest of the carriageway on adverse parts, gives more than
    /// the one that is kept.
    /// </summary>
    [Fact]
    public void No_other_arrangement_gives_more()
    {
        var geometry = new BridgeGeometry(TestBridges.Demo);
        var results = ModelRun.Run(geometry);
        var (layout, traffic, model) = (results.Layout, results.Traffic!["LM1"], results.Finished);
        var (mesh, effects) = (model.Mesh, new ModelEffects(model, results.Layout));
        var loads = Enumerable.Range(0, mesh.Nodes.Length).Select(n => new[] { DeckShares.Down(n, 1) }).ToList();
        var solver = new InfluenceSolver(new FrameAnalysis(model.Frame), loads, 4);
        var (random, carriageway) = (new Random(7), geometry.Carriageways.Single());
        (double Axle, double Lane)[] numbers = [(300e3, 9e3), (200e3, 2.5e3)];
        foreach (var point in new[] { 30, 75, 137, 210 })
        {
            var ordinates = solver.Ordinates([effects.Force(point, (int)GirderEffect.M)])[0];
            foreach (var sign in new[] { 1, -1 })
            {
                var kept = (sign > 0 ? traffic.Greatest : traffic.Least)[layout.At(point, GirderEffect.M)];
                var rest = 2.5e3 * Area(carriageway.From, carriageway.Width);
                for (var i = 0; i < 150; i++)
                {
                    // Two lanes of 3 m anywhere, in either order; cells of 0.25 m keep the integrals of both the same.
                    var first = carriageway.From + 0.25 * random.Next(0, (int)((carriageway.Width - 6) / 0.25) + 1);
                    var second = first + 3 + 0.25 * random.Next(0, (int)((carriageway.To - first - 6) / 0.25 + 1e-9) + 1);
                    var order = random.Next(2);
                    double Lane(double from, (double Axle, double Lane) n) =>
                        n.Axle / 2 * Math.Max(0, sign * Tandem(from)) + sign * (n.Lane - 2.5e3) * Area(from, 3);
                    var other = sign * rest + Lane(first, numbers[order]) + Lane(second, numbers[1 - order]);
                    Assert.True(other <= sign * kept * (1 + 1e-6) + 1, $"{other} beats {sign * kept}");
                }

                double Area(double from, double width) => Adverse(geometry, mesh, ordinates, from, width, sign);
                double Tandem(double from) => Sum(geometry, mesh, ordinates, from, 112 + random.NextDouble() * 60.6);
            }
        }
    }

    /// <summary>Integral over a strip of what is adverse, cell by cell and piece by piece at a hundred places each.</summary>
    private static double Adverse(BridgeGeometry geometry, DeckMesh mesh, double[] ordinates, double from, double width, int sign)
    {
        double sum = 0;
        for (var c = 0; c < (int)Math.Round(width / 0.25); c++)
        {
            var line = DeckLine.At(mesh, geometry, from + (c + 0.5) * 0.25);
            for (var k = 0; k + 1 < line.Station.Length; k++)
            {
                var (a, b) = (sign * On(line, ordinates, k), sign * On(line, ordinates, k + 1));
                for (var i = 0; i < 100; i++)
                    sum += 0.25 * line.Length[k] / 100 * Math.Max(0, a + (i + 0.5) / 100 * (b - a));
            }
        }
        return sign * sum;
    }

    private static double On(DeckLine line, double[] ordinates, int k) =>
        (1 - line.Weight[k]) * ordinates[line.Node[k]] + line.Weight[k] * ordinates[line.Node[k] + 1];

    private static double Sum(BridgeGeometry geometry, DeckMesh mesh, double[] ordinates, double from, double station)
    {
        double sum = 0;
        foreach (var side in new[] { -1.0, 1.0 })
        {
            var line = DeckLine.At(mesh, geometry, from + 1.5 + side);
            foreach (var s in new[] { station - 0.6, station + 0.6 })
            {
                var k = Array.FindLastIndex(line.Station, x => x <= s);
                if (k < 0 || k + 1 >= line.Station.Length)
                    continue;
                var t = (s - line.Station[k]) / (line.Station[k + 1] - line.Station[k]);
                sum += (1 - t) * On(line, ordinates, k) + t * On(line, ordinates, k + 1);
            }
        }
        return sum;
    }

    /// <summary>A verge without kerb widens the carriageway, so nothing can get less.</summary>
    [Fact]
    public void More_room_for_traffic_never_lowers_an_envelope()
    {
        var demo = TestBridges.Demo;
        var wider = demo with { Deck = demo.Deck.With(p => p with { Right = p.Right.SetItem(1, p.Right[1] with { Upstand = 0.05 }) }) };
        var (before, after) = (ModelRun.Run(new(demo)), ModelRun.Run(new(wider)));
        var (a, b) = (before.Traffic!["LM1"].Greatest, after.Traffic!["LM1"].Greatest);
        for (var p = 0; p < before.Points.Length; p++)
            Assert.True(b[p, GirderEffect.M] >= a[p, GirderEffect.M] * (1 - 1e-3) - 1);
    }
}
