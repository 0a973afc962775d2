using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Geometry;
using Pravik.Core.Loads;
using Pravik.Core.Stages;

namespace Pravik.Core.Tests.Loads;

/// <summary>Horizontal forces of traffic on curves and on tracks.</summary>
public class TrafficForceTests
{
    /// <summary>EN 1991-2 Table 4.3 by hand, Q_v of three lanes 2·(300 + 200 + 100) = 1200 kN, of one 600 kN.</summary>
    [Theory]
    [InlineData(150, 3, 240e3)]
    [InlineData(400, 3, 120e3)]
    [InlineData(1500, 3, 32e3)]
    [InlineData(1501, 3, 0)]
    [InlineData(400, 1, 60e3)]
    [InlineData(400, 5, 120e3)]
    public void Road_traffic_has_the_centrifugal_force_of_the_table(double radius, int lanes, double force)
    {
        var values = NationalValues.Named(NationalValues.Recommended)!;
        Assert.Equal(force, TrafficForces.Centrifugal(radius, TrafficForces.Tandems(values, lanes)), 1e-6);
    }

    /// <summary>
    /// AASHTO LRFD 3.6.3, 45 mph on R = 1000 ft: C = 4/3·66²/(32.17·1000) = 0.1805. Wheels 6 ft apart, force 6 ft up, crossfall 4 %:
    /// 2·(0.1805 − 0.04) = 0.281.
    /// </summary>
    [Fact]
    public void Lrfd_has_its_factor_and_the_moment_over_the_wheels()
    {
        var factor = TrafficForces.LrfdCentrifugalFactor(304.8, 45 * 0.44704);
        Assert.Equal(0.1805, factor, 2e-4);
        Assert.Equal(0.281, TrafficForces.Uneven(factor, 0.04, TrafficForces.LrfdHeight, TrafficForces.LrfdHeight), 5e-4);
    }

    /// <summary>
    /// EN 1991-2 6.5 by hand. 20 m: traction 660 kN, braking 400 kN; on two tracks their sum; 40 m: 1000 kN at most. SW/2 brakes with
    /// 35·20 = 700 kN. r = 500 m at 100 km/h: 27.78²/(9.81·500) = 0.1573. At 160 km/h over 20 m f = 1 − 0.04·(814/160 + 1.75)·(1 −
    /// √(2.88/20)) = 0.8302, 0.4027·0.8302 = 0.3343, more than 0.2265 at 120 km/h.
    /// </summary>
    [Fact]
    public void Trains_have_the_forces_of_the_standard()
    {
        Assert.Equal(660e3, TrafficForces.AlongTracks(20, 1, 1, false), 1e-6);
        Assert.Equal(1.21 * 1060e3, TrafficForces.AlongTracks(20, 2, 1.21, false), 1e-6);
        Assert.Equal(1000e3, TrafficForces.AlongTracks(40, 1, 1, false), 1e-6);
        Assert.Equal(6000e3, TrafficForces.AlongTracks(400, 1, 1, false), 1e-6);
        Assert.Equal(1.21 * 660e3, TrafficForces.AlongTracks(20, 1, 1.21, true), 1e-6);
        Assert.Equal(700e3, TrafficForces.AlongTracks(20, 1, 1, true), 1e-6);
        Assert.Equal((100e3, 133e3), (TrafficForces.Nosing(0.91), TrafficForces.Nosing(1.33)));
        Assert.Equal(0.1573, TrafficForces.TrainCentrifugalFactor(500, 100 / 3.6, 20), 1e-4);
        Assert.Equal(0.3343, TrafficForces.TrainCentrifugalFactor(500, 160 / 3.6, 20), 2e-4);
        Assert.Equal(0.1007, TrafficForces.HeavyCentrifugalFactor(500, 160 / 3.6), 1e-4);
    }

    private static Bridge Curved(double radius) =>
        TestBridges.Symmetric(0, 20, 30) with
        {
            Road = TestBridges.Arc(120, radius),
            Model = new() { Divisions = 6 },
        };

    private static Point3 Force(ActionResult of) => of.Load!.Nodal.Aggregate(default(Point3), (s, n) => s + n.Force);

    /// <summary>
    /// On a right turn of 300 m every case is 40·Q_v/r, square to the road and to its left; bearings take all of it. A straight road and one
    /// of 2000 m have none.
    /// </summary>
    [Fact]
    public void Forces_point_out_of_the_curve_and_reach_the_bearings()
    {
        var bridge = Curved(300);
        var geometry = new Core.Places.BridgeGeometry(bridge);
        var results = ModelRun.Run(new(bridge), withTraffic: false);
        var cases = results.Cases.Where(c => c.Kind == ActionKind.Centrifugal).ToList();
        Assert.Equal(["at axis 1", "in span 1", "at axis 2", "in span 2", "at axis 3"], cases.Select(c => c.Name[18..]));
        var lanes = Math.Min(3, NotionalLanesOf(geometry));
        var expected = 40 * TrafficForces.Tandems(bridge.Basis.Values, lanes) / 300;
        foreach (var one in cases)
        {
            var (force, at) = (Force(one), one.Load!.Nodal[0]);
            Assert.Equal(expected, force.Length, 1e-3 * expected);
            var station = results.Finished.Mesh.Nodes[at.Node].Station;
            var right = geometry.Road.At(station, 1) - geometry.Road.At(station, 0);
            Assert.True(force.X * right.X + force.Y * right.Y < -0.99 * expected);
            Assert.Equal(0, force.Z, 1e-9);
            // What bearings carry across adds up to the force.
            var seats = Enumerable.Range(0, results.Finished.Seats.Length);
            var carried = seats.Sum(s =>
                Math.Pow(one.Effects[results.Layout.AtSeat(s)], 2) + Math.Pow(one.Effects[results.Layout.AtSeat(s) + 1], 2)
            );
            Assert.True(Math.Sqrt(carried) > expected / Math.Sqrt(results.Finished.Seats.Length) - 1);
        }
        Assert.DoesNotContain(ModelRun.Run(new(Curved(2000)), withTraffic: false).Cases, c => c.Kind == ActionKind.Centrifugal);
        Assert.DoesNotContain(
            ModelRun.Run(new(TestBridges.Symmetric(0, 20, 30)), withTraffic: false).Cases,
            c => c.Kind == ActionKind.Centrifugal
        );
    }

    /// <summary>The force at a bearing on which cases of a kind do most.</summary>
    private static int MostOf(ModelResults results, ActionKind kind)
    {
        var cases = results.Cases.Where(c => c.Kind == kind).ToList();
        var seats = Enumerable
            .Range(0, results.Finished.Seats.Length)
            .SelectMany(s => new[] { 0, 1, 2 }, (s, c) => results.Layout.AtSeat(s) + c);
        return seats.MaxBy(e => cases.Max(c => Math.Abs(c.Effects[e])));
    }

    private static int NotionalLanesOf(Core.Places.BridgeGeometry geometry) =>
        geometry.Carriageways.Sum(c => Core.Vehicles.NotionalLanes.On(c.Width, 3).Count);

    /// <summary>Group 2 is load model 1 at its frequent values with braking and the worst of the centrifugal forces.</summary>
    [Fact]
    public void Group_2_has_the_centrifugal_force()
    {
        var bridge = Curved(300);
        var results = ModelRun.Run(new(bridge));
        var effects = new BridgeEffects(bridge, results);
        var across = MostOf(results, ActionKind.Centrifugal);
        var frequent = results.Traffic![Core.Vehicles.EnRoadTraffic.Lm1With(bridge.Basis.Values, "psi1").Name];
        var braking = effects.Find(new("brakingBoth"))!;
        var worst = results.Cases.Where(c => c.Kind == ActionKind.Centrifugal).Max(c => Math.Max(0, c.Effects[across]));
        var least = results.Cases.Where(c => c.Kind == ActionKind.Centrifugal).Min(c => Math.Min(0, c.Effects[across]));
        Assert.True(worst - least > 1);
        var group = effects.Group(TrafficGroup.Group2);
        Assert.Equal(frequent.Greatest[across] + braking.Greatest[across] + worst, group.Greatest[across], 1e-6 * Math.Abs(worst - least));
        Assert.Equal(frequent.Least[across] + braking.Least[across] + least, group.Least[across], 1e-6 * Math.Abs(worst - least));
    }

    /// <summary>
    /// EN 1991-2 Table 6.11 by cases: a bearing's force along is the upright part with 1.0 of traction and braking and 0.5 of what acts
    /// across, or the reverse; with an unloaded train nothing along.
    /// </summary>
    [Fact]
    public void Railway_groups_weigh_what_acts_along_and_across()
    {
        var rail = new RailChoices { Alpha = 1.1, Speed = 100 / 3.6 };
        Bridge With(string model) =>
            Curved(400) with
            {
                Traffic = new() { Rail = rail, Models = [new() { Name = model }] },
            };
        var bridge = With("LM71");
        var results = ModelRun.Run(new(bridge));
        var group = new BridgeEffects(bridge, results).Group(TrafficGroup.Rail);
        var upright = results.Traffic!["LM71"];
        foreach (
            var effect in new[] { ActionKind.TrainAlong, ActionKind.Nosing, ActionKind.TrainCentrifugal }.Select(k => MostOf(results, k))
        )
        {
            double Worst(ActionKind kind, bool bothWays) =>
                results
                    .Cases.Where(c => c.Kind == kind)
                    .SelectMany(c => bothWays ? [c.Effects[effect], -c.Effects[effect]] : new[] { c.Effects[effect] })
                    .DefaultIfEmpty(0)
                    .Max(v => Math.Max(0, v));
            var along = Worst(ActionKind.TrainAlong, true);
            var across =
                Worst(ActionKind.Nosing, true) + Worst(ActionKind.TrainCentrifugal, false) + Worst(ActionKind.TrainCentrifugalAt, false);
            Assert.True(along + across > 1e3);
            var expected = upright.Greatest[effect] + Math.Max(along + across / 2, along / 2 + across);
            Assert.Equal(expected, group.Greatest[effect], 1e-6 * expected);
        }
        // 80 kN/m on the deck's 50 m at C = v²/(g·r), and the axles' 488 kN at one place.
        var factor = 1.1 * TrafficForces.TrainCentrifugalFactor(400, 100 / 3.6, 20);
        var even = Force(results.Cases.Single(c => c.Kind == ActionKind.TrainCentrifugal));
        Assert.InRange(even.Length, 0.99 * factor * 80e3 * 50, 1.001 * factor * 80e3 * 50);
        Assert.All(
            results.Cases.Where(c => c.Kind == ActionKind.TrainCentrifugalAt),
            c => Assert.Equal(factor * 488e3, Force(c).Length, 1e-6 * factor * 488e3)
        );
        var unloaded = With("unloaded train");
        var bare = ModelRun.Run(new(unloaded));
        Assert.DoesNotContain(bare.Cases, c => c.Kind == ActionKind.TrainCentrifugalAt);
        var seat = bare.Layout.AtSeat(0);
        var nosing = bare.Cases.Where(c => c.Kind is ActionKind.Nosing or ActionKind.TrainCentrifugal).Max(c => Math.Abs(c.Effects[seat]));
        var reached = new BridgeEffects(unloaded, bare).Group(TrafficGroup.Rail).Greatest[seat];
        Assert.True(reached < bare.Traffic!["unloaded train"].Greatest[seat] + 2 * nosing + 1);
    }
}
