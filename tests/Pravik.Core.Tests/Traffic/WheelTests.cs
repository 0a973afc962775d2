using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Traffic;
using Pravik.Core.Validation;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Single wheels, vehicles that stay on the deck or take two lanes, uneven wheels, and places across in fine steps.</summary>
public class WheelTests
{
    private static readonly Bridge Line = TestBridges.OneGirder(10) with
    {
        Model = new() { Kind = ModelKind.Line, Divisions = 40 },
    };
    private static readonly Bridge Grid = TestBridges.Symmetric(0.25, 20, 20) with { Model = new() { Divisions = 8 } };

    private static TrafficEnvelope Run(Bridge bridge, TrafficModel model) =>
        TrafficQuery.Run(TrafficQuery.Target(new(bridge)), model, [GirderEffect.M, GirderEffect.V], false);

    private static TrafficEnvelope Run(Bridge bridge, Vehicle vehicle) => Run(bridge, TrafficModels.Of(vehicle, bridge.Basis.Values));

    private static double[] Values(TrafficEnvelope of) => [.. of.Greatest.All, .. of.Least.All];

    /// <summary>
    /// A simple beam of 10 m with axles of 100 and 10 kN 8 m apart, moment in the middle: 250 kNm with the light axle off the deck; with all
    /// of it on the deck the heavy axle is at most 2 m from a support, 100·2/2 = 100 kNm.
    /// </summary>
    [Fact]
    public void A_vehicle_that_stays_on_the_deck_acts_with_all_of_it_there()
    {
        var vehicle = new Vehicle("long", Vehicle.Of([100e3, 10e3], [8]));
        double Middle(Vehicle of)
        {
            var envelope = Run(Line, of);
            var middle = envelope.Layout.Points.Select((p, i) => (p, i)).Single(p => Math.Abs(p.p.Fraction - 0.5) < 1e-9).i;
            return envelope.Greatest[middle, GirderEffect.M];
        }
        Assert.Equal(250e3, Middle(vehicle), 250.0);
        Assert.Equal(100e3, Middle(vehicle with { StaysOnDeck = true }), 100.0);
        Assert.Equal(0, Middle(vehicle with { StaysOnDeck = true, Axles = Vehicle.Of([100e3, 10e3], [10.5]) }));
    }

    /// <summary>The same wheels, told as axles or one by one, do the same; a vehicle and its mirror image do the same going both ways.</summary>
    [Fact]
    public void Wheels_are_the_same_however_they_are_told()
    {
        var axles = new Vehicle("axles", Vehicle.Of([100e3, 160e3], [3])) { WheelSpacing = 1.8 };
        Axle Wheel(double load, double gap, double at) => new(load, gap) { Wheels = [at] };
        var wheels = new Vehicle("wheels", [Wheel(50e3, 0, -0.9), Wheel(50e3, 0, 0.9), Wheel(80e3, 3, 0.9), Wheel(80e3, 0, -0.9)]);
        Assert.All(
            Values(Run(Grid, axles)).Zip(Values(Run(Grid, wheels))),
            p => Assert.Equal(p.First, p.Second, 1e-6 * Math.Abs(p.First) + 1e-3)
        );
        var odd = new Vehicle("odd", [Wheel(60e3, 0, 1.1), Wheel(90e3, 2, -0.5), Wheel(30e3, 4, 0.2)]);
        // Turned about: the last wheel leads and left is right.
        var turned = new Vehicle("turned", [Wheel(30e3, 0, -0.2), Wheel(90e3, 4, 0.5), Wheel(60e3, 2, -1.1)]);
        Assert.All(
            Values(Run(Grid, odd)).Zip(Values(Run(Grid, turned))),
            p => Assert.Equal(p.First, p.Second, 1e-6 * Math.Abs(p.First) + 1e-3)
        );
    }

    /// <summary>
    /// On a deck alike on both sides right wheels with more load do to a girder what left ones do to its mirror image; the load of axles
    /// stays, and with wheels even nothing changes.
    /// </summary>
    [Fact]
    public void Uneven_wheels_shift_load_from_side_to_side()
    {
        var vehicle = new Vehicle("pair", Vehicle.Alike(2, 200e3, 1.2));
        var model = TrafficModels.Of(vehicle, Grid.Basis.Values);
        var straight = Grid with { Axes = Grid.Axes with { Skew = 0 } };
        double[] Of(double uneven, int girder)
        {
            var of = Run(straight, model with { Uneven = uneven });
            return
            [
                .. of.Layout.Points.Select((p, i) => (p, i)).Where(p => p.p.Girder == girder).Select(p => of.Greatest[p.i, GirderEffect.M]),
            ];
        }
        var (right, left, even) = (Of(0.3, 3), Of(-0.3, 0), Of(0, 3));
        Assert.All(right.Zip(left), p => Assert.Equal(p.First, p.Second, 1e-6 * right.Max()));
        Assert.True(right.Max() > 1.01 * even.Max());
        var loading = Run(straight, model with { Uneven = 0.3 }).Loading(Run(straight, model).Layout.At(12, GirderEffect.M), true)!;
        var wheels = loading.Lanes.Single().Wheels.ToList();
        Assert.Equal(400e3, wheels.Sum(w => w.Load), 1e-6);
        Assert.Equal(1.3 / 0.7, wheels.Max(w => w.Load) / wheels.Min(w => w.Load), 1e-9);
    }

    /// <summary>Ten axle lines of 240 kN on three wheels each (EN 1991-2 Table A.2) in two lanes, load model 1 in the third alone.</summary>
    [Fact]
    public void Axles_of_240_kN_take_two_lanes()
    {
        var special = TrafficModels.Named("LM3 2400/240", Grid.Basis.Values)!;
        var vehicle = special.Kinds[0].Loads[0].Vehicle!;
        Assert.Equal((2400e3, 13.5, 1.5), (vehicle.Total, vehicle.Length, vehicle.HalfWidth));
        var lm1 = EnRoadTraffic.Lm1With(Grid.Basis.Values, "psi1");
        var of = Run(Grid, EnRoadTraffic.WithFrequent(special, lm1));
        var points = of.Layout.Points.Select((p, i) => (p, i)).Where(p => p.p.Girder == 1).Select(p => p.i);
        var at = of.Layout.At(points.MaxBy(p => of.Greatest[p, GirderEffect.M]), GirderEffect.M);
        var loading = of.Loading(at, true)!;
        var own = loading.Lanes.Single(l => l.Kind == 1);
        Assert.Equal(6, own.Width, 1e-9);
        Assert.Equal(own.From + 3, own.Offset, 1e-9);
        Assert.Equal(30, own.Wheels.Count());
        Assert.All(own.Wheels, w => Assert.Equal(80e3, w.Load, 1e-6));
        // Beside it at most one more lane, that of the third tandem.
        Assert.True(loading.Lanes.Length <= 2);
        Assert.All(
            loading.Lanes.Where(l => l.Kind > 1),
            l => Assert.True(l.From >= own.From + 6 - 1e-6 || l.From + l.Width <= own.From + 1e-6)
        );
        // Its two lanes have the frequent loads of lanes 1 and 2: 0.4·9 on one of them and 0.4·2.5 on the other.
        Assert.Equal(0.4 * 2.5e3, own.Load.Area, 1e-6);
        Assert.Equal(0.4 * 6.5e3, own.Strip!.Value.Load, 1e-6);
        Assert.Equal(3, own.Strip.Value.Width, 1e-9);
    }

    /// <summary>The second vehicle of 36 kN an axle stands 40 m behind the first, from middle to middle, or farther (4.6.4(3)).</summary>
    [Fact]
    public void The_second_fatigue_vehicle_keeps_its_distance()
    {
        var bridge = TestBridges.OneGirder(60, 60) with
        {
            Model = new() { Kind = ModelKind.Line, Divisions = 20 },
        };
        var both = Run(bridge, TrafficModels.Named("FLM3, two vehicles", bridge.Basis.Values)!);
        var alone = Run(bridge, TrafficModels.Named("FLM3", bridge.Basis.Values)!);
        var pier = both.Layout.Points.Select((p, i) => (p, i)).First(p => p.p.Fraction > 0.999).i;
        var at = both.Layout.At(pier, GirderEffect.M);
        Assert.True(both.Least[at] < 1.05 * alone.Least[at]);
        var axles = both.Loading(at, false)!.Lanes.Single().Vehicle!.Axles.ToList();
        double Middle(double load) => axles.Where(a => a.Load == load).Average(a => a.Station);
        Assert.True(Math.Abs(Middle(120e3) - Middle(36e3)) >= 40 - 1e-6);
    }

    /// <summary>
    /// Where girders and road run askew the kept lanes, moved to either side as far as they have room, are nowhere worse: steps of 0.01 m
    /// about the place, both tandem and lane.
    /// </summary>
    [Fact]
    public void Lanes_moved_about_are_nowhere_worse()
    {
        var demo = TestBridges.Demo with { Model = TestBridges.Demo.Model with { Divisions = 8 } };
        var traffic = Run(demo, TrafficModels.Named("LM1", demo.Basis.Values)!);
        var (layout, compared) = (traffic.Layout, 0);
        var carriageway = new Places.BridgeGeometry(demo).Carriageways[0];
        for (var point = 3; point < layout.Points.Length; point += 17)
        {
            var at = layout.At(point, GirderEffect.M);
            if (traffic.Loading(at, true) is not { Lanes.Length: > 0 } loading)
                continue;
            for (var l = 0; l < loading.Lanes.Length; l++)
            {
                var lane = loading.Lanes[l];
                var low = l > 0 ? loading.Lanes[l - 1].From + loading.Lanes[l - 1].Width : carriageway.From;
                var high = l + 1 < loading.Lanes.Length ? loading.Lanes[l + 1].From : carriageway.To;
                foreach (var step in new[] { -0.2, -0.07, -0.01, 0.01, 0.07, 0.2 })
                {
                    if (lane.From + step < low || lane.From + lane.Width + step > high)
                        continue;
                    var uses = loading.Lanes.Select((x, i) => new FixedLane(i == l ? x.From + step : x.From, x.Width)).ToList();
                    // Each lane keeps its load: lane k of the model has its own place.
                    var model = traffic.Model! with
                    {
                        Kinds = [.. loading.Lanes.Select((x, i) => traffic.Model.Kinds[x.Kind - 1] with { Lanes = [uses[i]] })],
                    };
                    var moved = Run(demo, model).Greatest[at];
                    Assert.True(moved <= traffic.Greatest[at] * (1 + 2e-4), $"point {point}, lane {l + 1} by {step}: {moved}");
                    compared++;
                }
                if (compared > 24)
                    return;
            }
        }
        Assert.True(compared > 10);
    }

    /// <summary>A vehicle of two lanes on a carriageway of one, and a curve without a speed, are told.</summary>
    [Fact]
    public void What_loads_nothing_or_is_left_out_is_told()
    {
        Bridge With(Bridge bridge, string model) => bridge with { Traffic = new() { Models = [new() { Name = model }] } };
        bool Tells(Bridge bridge, string path, string words) =>
            BridgeValidation.Check(bridge).Any(f => f.Path == path && f.Message.Contains(words, StringComparison.Ordinal));
        Assert.True(Tells(With(Line, "LM3 2400/240"), "/traffic/models/0/name", "takes 2 lanes side by side"));
        Assert.False(Tells(With(Grid, "LM3 2400/240"), "/traffic/models/0/name", "takes 2 lanes side by side"));
        var curved = Grid with { Road = TestBridges.Arc(120, 300), Basis = Grid.Basis with { Standard = Core.Codes.Standard.Lrfd } };
        Assert.True(Tells(curved, "/traffic/speed", "centrifugal forces"));
        Assert.False(Tells(curved with { Traffic = new() { Speed = 20 } }, "/traffic/speed", "centrifugal forces"));
    }

    [Fact]
    public void Bad_wheels_are_told_with_their_place()
    {
        IEnumerable<string> Of(Vehicle vehicle) => BridgeValidation.Check(vehicle).Select(f => f.Path);
        Vehicle With(params double[] wheels) => new("own", [new(100e3, 0) { Wheels = [.. wheels] }]);
        Assert.Empty(Of(With(-1, 1)));
        Assert.Contains("/axles/0/wheels", Of(With(1, -1)));
        Assert.Contains("/axles/0/wheels", Of(With(-1, 4)));
        Assert.Contains("/axles/0/wheels", Of(With(double.NaN)));
        Assert.Contains("/axles/0/wheels", Of(With([.. Enumerable.Range(0, 13).Select(i => -2 + 0.2 * i)])));
        Assert.Contains("/axles", Of(With(0.5) with { OnlyWorsening = true }));
        Assert.Contains("/staysOnDeck", Of(With(-1, 1) with { OnlyWorsening = true, StaysOnDeck = true }));
        var inLine = new Vehicle("own", [new(100e3, 0) { Wheels = [-1] }, new(50e3, 0) { Wheels = [1] }]);
        Assert.Empty(Of(inLine));
        Assert.Contains("/axles/1/gap", Of(inLine with { Axles = inLine.Axles.SetItem(1, new(50e3, 0)) }));
    }
}
