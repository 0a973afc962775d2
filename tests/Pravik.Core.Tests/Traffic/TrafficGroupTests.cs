using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Core.Validation;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Models and own vehicles that drive beside load model 1: their groups, combinations, lanes to look at, and bounds.</summary>
public class TrafficGroupTests
{
    private static readonly Vehicle Pair = new("Pair", Vehicle.Alike(2, 200e3, 1.2)) { Dynamic = 1.2 };

    private static Bridge With(Bridge bridge, params string[] models) =>
        bridge with
        {
            Traffic = new() { Models = [.. models.Select(m => new TrafficUse { Name = m })], Vehicles = [Pair] },
        };

    private static Bridge Line(params string[] models) =>
        With(
            TestBridges.OneGirder(20) with
            {
                Model = new() { Kind = ModelKind.Line, Divisions = 40 },
            },
            models
        );

    /// <summary>
    /// A line girder of 20 m under one lane of 3 m, at midspan by hand. Single axle 400·20/4 = 2000 kNm; crowd 5·3·20²/8 = 750; two axles
    /// of 200 kN 1.2 m apart, 1.2-fold: 1.2·200·(20/4 + (10 − 1.2)/2) = 2256, and 0.4·9·3·20²/8 = 540 of load model 1 beside them.
    /// </summary>
    [Fact]
    public void Each_group_has_the_value_by_hand()
    {
        var bridge = Line("LM2", "LM4", "Pair");
        var results = ModelRun.Run(new(bridge));
        var effects = new BridgeEffects(bridge, results);
        var point = Array.FindIndex([.. results.Points], p => Math.Abs(p.Fraction - 0.5) < 1e-9);
        double Group(TrafficGroup group) => effects.Group(group).Greatest[point, GirderEffect.M];
        Assert.Equal(2000e3, Group(TrafficGroup.Group1b), 2000e3 * 1e-3);
        Assert.Equal(750e3, Group(TrafficGroup.Group4), 750e3 * 1e-3);
        Assert.Equal(2256e3 + 540e3, Group(TrafficGroup.Group5), 2796e3 * 1e-3);
        Assert.Equal(2256e3, effects.Find(CaseId.OfTraffic("Pair"))!.Greatest[point, GirderEffect.M], 2256e3 * 1e-3);
        // Each leads with γ_Q over the same permanent actions.
        double Beside(string id, TrafficGroup group) => effects.Find(new(id))!.Greatest[point, GirderEffect.M] - 1.35 * Group(group);
        var weights = Beside("ultimate.axle", TrafficGroup.Group1b);
        Assert.Equal(weights, Beside("ultimate.crowd", TrafficGroup.Group4), 1e-6 * weights);
        Assert.True(weights > 1.3 * effects.Find(CaseId.UpTo(0))!.Greatest[point, GirderEffect.M]);
        Assert.NotNull(effects.Find(new("frequent.axle")));
    }

    [Fact]
    public void Groups_that_nothing_is_named_for_lead_nothing()
    {
        var bridge = Line();
        var effects = new BridgeEffects(bridge, ModelRun.Run(new(bridge)));
        foreach (var id in new[] { "ultimate.axle", "ultimate.crowd", "ultimate.special", "frequent.axle" })
            Assert.Null(effects.Find(new(id)));
        Assert.NotNull(effects.Find(new("ultimate.traffic")));
    }

    /// <summary>Axles in the other order are the same vehicle going the other way.</summary>
    [Fact]
    public void A_vehicle_turned_round_is_as_bad()
    {
        var coarse = TestBridges.Demo with { Model = TestBridges.Demo.Model with { Divisions = 8 } };
        var target = TrafficQuery.Target(new(coarse));
        EffectValues Worst(double[] loads, double[] gaps)
        {
            var vehicle = new Vehicle("v", Vehicle.Of([.. loads.Select(l => l * 1e3)], gaps));
            var model = TrafficModels.Of(vehicle, coarse.Basis.Values);
            return TrafficQuery.Run(target, model, [GirderEffect.M, GirderEffect.V], true, 1).Least;
        }
        var (one, other) = (Worst([80, 120, 160, 160], [3.6, 6, 1.5]), Worst([160, 160, 120, 80], [1.5, 6, 3.6]));
        for (var i = 0; i < target.Layout.Count; i++)
            Assert.Equal(one[i], other[i], 1e-9 * Math.Abs(one[i]) + 1e-6);
        Assert.Contains(Enumerable.Range(0, target.Layout.Count), i => one[i] < -50e3);
    }

    /// <summary>A carriageway of 7 m: two lanes of 3 m and 1 m left; 12 ft design lanes, of which one fits 24 ft less.</summary>
    [Fact]
    public void Lanes_to_look_at_are_packed_from_both_sides_and_the_middle()
    {
        var values = NationalValues.Named(NationalValues.Recommended)!;
        var schemes = LaneScheme.Of(TrafficModels.Named("LM1", values)!, [new(-3.5, 3.5)]);
        static void Are(LaneScheme scheme, (int Number, double From, double Width)[] lanes)
        {
            Assert.Equal(lanes.Select(l => l.Number), scheme.All.Select(l => l.Number));
            Assert.All(lanes.Zip(scheme.All), p => Assert.Equal(p.First.From, p.Second.From, 1e-9));
            Assert.All(lanes.Zip(scheme.All), p => Assert.Equal(p.First.Width, p.Second.Width, 1e-9));
        }
        Assert.Equal(6, schemes.Length);
        Are(schemes[0], [(1, -3.5, 3.0), (2, -0.5, 3.0)]);
        Are(schemes[3], [(2, -2.5, 3.0), (1, 0.5, 3.0)]);
        Are(schemes[4], [(1, -3.0, 3.0), (2, 0.0, 3.0)]);
        var placed = schemes[0].At(TrafficModels.Named("LM1", values)!, 50);
        Assert.Equal([50.6, 49.4], placed.Lanes[0].Vehicle!.Axles.Select(a => Math.Round(a.Station, 9)));
        Assert.Equal((2, 3.5), LaneScheme.Lanes(7, TrafficModels.Named("HL-93", values)!));
        Assert.Empty(Assert.Single(LaneScheme.Of(TrafficModels.Named("LM4", values)!, [new(-3.5, 3.5)])).All);
    }

    [Fact]
    public void Vehicles_out_of_bounds_are_told_with_place_and_reason()
    {
        void Told(Vehicle vehicle, string path, string words)
        {
            var bridge = TestBridges.Demo with { Traffic = new() { Vehicles = [vehicle] } };
            Assert.Contains(BridgeValidation.Check(bridge), f => f.Path == $"/traffic/vehicles/0{path}" && f.Message.Contains(words));
        }
        Told(new("none", []), "/axles", "0 axles");
        Told(new("heavy", [new(1e9, 0)]), "/axles/0/load", "must lie between");
        Told(new("light", [new(-5, 0)]), "/axles/0/load", "must lie between");
        Told(new("order", [new(1e5, 0), new(1e5, 0)]), "/axles/1/gap", "before the one before");
        Told(new("first", [new(1e5, 2)]), "/axles/0/gap", "stands behind none");
        Told(new("sought", [new(1e5, 0), new(1e5, 5) { MostGap = 4 }]), "/axles/1/mostGap", "less than the least");
        Told(new("LM1", [new(1e5, 0)]), "/name", "another vehicle or traffic model");
        Told(new(" ", [new(1e5, 0)]), "/name", "needs a name");
        var unknown = With(TestBridges.Demo, "Nothing of that name");
        Assert.Contains(BridgeValidation.Check(unknown), f => f.Path == "/traffic/models/0/name" && f.Message.Contains("loads nothing"));
        // It is left out, and all else is there.
        Assert.Equal(TrafficPlan.Of(new(TestBridges.Demo)).Length, TrafficPlan.Of(new(unknown)).Length);
    }

    [Fact]
    public void A_vehicle_called_otherwise_takes_what_names_it_along() =>
        Assert.Equal(
            "/traffic/models/1/name",
            Assert.Single(References.To(With(TestBridges.Demo, "LM2", "Pair"), "/traffic/vehicles/0")).Path
        );
}
