using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Models;
using Pravik.Core.Traffic;
using Pravik.Core.Validation;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Models with lanes of their own, and vehicles with a margin to the lane's edge.</summary>
public class OwnLanesTests
{
    private static readonly Bridge Coarse = TestBridges.Symmetric(0, 25, 25) with { Model = TestBridges.Demo.Model with { Divisions = 8 } };

    private static Bridge With(params TrafficUse[] uses) => Coarse with { Traffic = new() { Models = [.. uses] } };

    private static TrafficEnvelope Run(Bridge bridge, TrafficModel model) =>
        TrafficQuery.Run(TrafficQuery.Target(new(bridge)), model, [GirderEffect.M], false);

    private static (double Greatest, PlacedTraffic Loading) Worst(TrafficEnvelope of, int girder)
    {
        var points = of.Layout.Points.Select((p, i) => (p, i)).Where(p => p.p.Girder == girder).Select(p => p.i);
        var at = of.Layout.At(points.MaxBy(p => of.Greatest[p, GirderEffect.M]), GirderEffect.M);
        return (of.Greatest[at], of.Loading(at, true)!);
    }

    /// <summary>Lanes stand where they are put; the same lanes as are worst anywhere give the same, others less.</summary>
    [Fact]
    public void A_model_stays_in_lanes_of_its_own()
    {
        var anywhere = Run(Coarse, TrafficPlan.Usual(Coarse));
        var (worst, loading) = Worst(anywhere, 0);
        TypedLane[] same = [.. loading.Lanes.Select(l => new TypedLane { From = l.From, Width = l.Width })];
        var put = With(new TrafficUse { Name = "LM1", Lanes = [.. same] });
        Assert.Equal(worst, Worst(Run(put, TrafficPlan.Usual(put)), 0).Greatest, 1e-6 * worst);
        var right = new Places.BridgeGeometry(Coarse).Carriageways[0].To;
        var aside = With(new TrafficUse { Name = "LM1", Lanes = [new() { From = right - 3, Width = 3 }] });
        var (less, one) = Worst(Run(aside, TrafficPlan.Usual(aside)), 0);
        Assert.True(less < worst);
        Assert.All(one.Lanes, l => Assert.Equal((right - 3, 3), (l.From, l.Width)));
        // Every variant of load model 1 goes there.
        Assert.All(
            TrafficPlan.Of(new(aside)).Where(m => m.Name.StartsWith("LM1", StringComparison.Ordinal)).SelectMany(m => m.Kinds),
            k => Assert.Single(k.Lanes)
        );
    }

    /// <summary>A special vehicle in its own lane has load model 1 beside it anywhere else.</summary>
    [Fact]
    public void Others_lie_anywhere_beside_a_vehicle_in_its_own_lane()
    {
        var left = new Places.BridgeGeometry(Coarse).Carriageways[0].From;
        var bridge = With(new TrafficUse { Name = "LM3 1800/150", Lanes = [new() { From = left, Width = 3 }] });
        var special = TrafficPlan.Chosen(bridge).Single();
        var (_, loading) = Worst(Run(bridge, TrafficPlan.WithFrequent(bridge, special)), 0);
        Assert.Equal(left, loading.Lanes.Single(l => l.Kind == 1).From);
        Assert.True(loading.Lanes.Length > 1);
        for (var i = 1; i < loading.Lanes.Length; i++)
            Assert.True(loading.Lanes[i].From >= loading.Lanes[i - 1].From + loading.Lanes[i - 1].Width - 1e-6);
    }

    /// <summary>With a margin a vehicle comes nearer to an edge girder, and never gives less.</summary>
    [Fact]
    public void A_margin_lets_vehicles_leave_the_middle()
    {
        var lane = new TypedLane { From = new Places.BridgeGeometry(Coarse).Carriageways[0].From, Width = 3.5 };
        double Of(double? margin)
        {
            var bridge = With(
                new TrafficUse
                {
                    Name = "FLM3",
                    Lanes = [lane],
                    Margin = margin,
                }
            );
            var (value, loading) = Worst(Run(bridge, TrafficPlan.Chosen(bridge).Single()), 0);
            if (margin is { } least)
                Assert.Equal(lane.From + least + 1, loading.Lanes.Single().Offset, 1e-9);
            return value;
        }
        Assert.True(Of(0.2) > 1.02 * Of(null));
    }

    /// <summary>A dynamic factor counts on the vehicle, and not on what acts beside it.</summary>
    [Fact]
    public void A_special_vehicle_at_normal_speed_has_its_factor()
    {
        TrafficModel Special(double? factor) =>
            TrafficPlan.Chosen(With(new TrafficUse { Name = "LM3 1800/150", Dynamic = factor })).Single();
        var still = Worst(Run(Coarse, Special(null)), 0).Greatest;
        Assert.Equal(1.35 * still, Worst(Run(Coarse, Special(1.35)), 0).Greatest, 1e-6 * still);
        var beside = TrafficPlan.WithFrequent(Coarse, Special(1.35));
        Assert.All(beside.Kinds[1..].SelectMany(k => k.Loads), l => Assert.Equal(1, l.Dynamic));
        Assert.All(beside.Kinds[0].Loads, l => Assert.Equal(1.35, l.Dynamic));
    }

    [Fact]
    public void What_is_wrong_with_lanes_is_told()
    {
        string[] Told(TrafficUse use) =>
            [
                .. BridgeValidation
                    .Check(With(use))
                    .Where(f => f.Path.StartsWith("/traffic", StringComparison.Ordinal))
                    .Select(f => f.Message),
            ];
        TypedLane Lane(double from) => new() { From = from, Width = 3 };
        Assert.Empty(Told(new() { Name = "LM2", Lanes = [Lane(-3), Lane(0)] }));
        Assert.Contains(Told(new() { Name = "LM2", Lanes = [Lane(-3), Lane(-1)] }), m => m.Contains("overlaps", StringComparison.Ordinal));
        Assert.Contains(
            Told(new() { Name = "LM2", Lanes = [Lane(50)] }),
            m => m.Contains("off the carriageways", StringComparison.Ordinal)
        );
        Assert.Contains(
            Told(
                new()
                {
                    Name = "LM71",
                    Lanes = [Lane(0)],
                    Dynamic = 1.2,
                }
            ),
            m => m.Contains("does not count", StringComparison.Ordinal)
        );
        Assert.Contains(Told(new() { Name = "LM2", Margin = 1.2 }), m => m.Contains("no room", StringComparison.Ordinal));
        Assert.Contains(
            BridgeValidation.Check(With(new TrafficUse { Name = "LM2", Lanes = [Lane(double.NaN)] })),
            f => f.Severity == Severity.Error
        );
    }
}
