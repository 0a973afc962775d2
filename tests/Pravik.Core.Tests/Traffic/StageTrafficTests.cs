using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Validation;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>What drives while the bridge is built.</summary>
public class StageTrafficTests
{
    private static readonly Vehicle Crane = new("Crane", [new(120e3, 0), new(120e3, 2)]);

    private static Bridge With(Bridge bridge, int stage, params TrafficUse[] uses)
    {
        var stages = Stage.Usual(bridge.Axes.Spans.Length);
        return bridge with
        {
            Traffic = new() { Vehicles = [Crane] },
            Actions = bridge.Actions with { Stages = stages.SetItem(stage, stages[stage] with { Traffic = [.. uses] }) },
        };
    }

    /// <summary>
    /// A crane of two axles of 120 kN 2 m apart on the bare girder, which rests on bearings 19.55 m apart while there is no slab:
    /// 120·(19.55/4 + (9.775 − 2)/2) = 1053 kNm at midspan; with the girder's own weight beside it, once and with γ.
    /// </summary>
    [Fact]
    public void A_crane_on_a_girder_by_hand()
    {
        var bridge = With(
            TestBridges.OneGirder(20) with
            {
                Model = new() { Kind = ModelKind.Line, Divisions = 40 },
            },
            0,
            new TrafficUse { Name = "Crane" }
        );
        var results = ModelRun.Run(new(bridge));
        var effects = new BridgeEffects(bridge, results);
        var point = Array.FindIndex([.. results.Points], p => Math.Abs(p.Fraction - 0.5) < 1e-9);
        double Of(string name) => effects.All.Single(r => r.Name == name).Greatest[point, GirderEffect.M];
        Assert.Equal(1053e3, Of("Crane, Girders set"), 1053e3 * 1e-3);
        var built = Of(Stages.CaseNames.After(results.Steps[0].Stage));
        Assert.Equal(built + Of("Crane, Girders set"), Of($"{Stages.CaseNames.After(results.Steps[0].Stage)}, with its traffic"), 1);
        // One axle at the girder's end, on the axis 0.225 m before the bearing, which takes all of it; the other 1.775 m beyond the bearing:
        // 120·(1 + 17.775/19.55).
        var crane = results.InStages.Single().Results.Models.Single();
        Assert.Equal(120e3 * (1 + 17.775 / 19.55), crane.Greatest[crane.Layout.AtSeat(0) + 2], 200.0);
        Assert.Equal(120e3 * (1 + 17.775 / 19.55), crane.Loading(crane.Layout.AtSeat(1) + 2, true)!.Value, 200.0);
        var weight = Of(Stages.CaseNames.Girders);
        var secondary = Of(Stages.CaseNames.Secondary(Stages.CaseNames.Prestress));
        Assert.Equal(secondary + 1.35 * (weight + Of("Crane, Girders set")), Of("Ultimate, Girders set, with its traffic"), 1);
    }

    /// <summary>On simple spans before they are joined a vehicle leaves the other span alone; half the deck open loads one side.</summary>
    [Fact]
    public void It_stands_on_what_is_built_and_in_its_lanes()
    {
        var bridge = TestBridges.Symmetric(0, 25, 25) with { Model = TestBridges.Demo.Model with { Divisions = 8 } };
        var left = new Places.BridgeGeometry(bridge).Carriageways[0].From;
        var half = With(bridge, 2, new TrafficUse { Name = "LM1", Lanes = [new() { From = left, Width = 3 }] });
        var results = ModelRun.Run(new(half));
        var traffic = results.InStages.Single().Results.Models.Single();
        var pier = results.Points.Select((p, i) => (p, i)).First(p => p.p.Span == 1 && p.p.Fraction == 0 && p.p.Girder == 0).i;
        // No moment over the pier while girders are not joined, apart from what the slab alone carries.
        var middle = results.Points.Select((p, i) => (p, i)).First(p => p.p.Span == 1 && p.p.Fraction == 0.5 && p.p.Girder == 0).i;
        Assert.True(-traffic.Least[pier, GirderEffect.M] < 0.02 * traffic.Greatest[middle, GirderEffect.M]);
        Assert.True(-results.Traffic!["LM1"].Least[pier, GirderEffect.M] > 0.2 * traffic.Greatest[middle, GirderEffect.M]);
        // Bearings have their share: under the girder beside the lane more than a quarter of the tandem.
        var seats = Enumerable.Range(0, traffic.Layout.Seats.Length).Select(s => traffic.Greatest[traffic.Layout.AtSeat(s) + 2]).ToList();
        Assert.True(seats.Max() > 150e3);
        var loading = traffic.Loading(traffic.Layout.At(middle, GirderEffect.M), true)!;
        Assert.Equal(left, Assert.Single(loading.Lanes).From);
    }

    [Fact]
    public void Where_it_cannot_drive_is_told()
    {
        var bridge = TestBridges.Symmetric(0, 25, 25);
        var stages = Stage.Usual(2);
        stages = stages.SetItem(0, stages[0] with { Girders = "1", Traffic = [new() { Name = "LM1" }] });
        stages = stages.Insert(1, stages[0] with { Name = "Second span", Girders = "2", Traffic = [new() { Name = "no such" }] });
        var found = BridgeValidation.Check(bridge with { Actions = bridge.Actions with { Stages = stages } });
        Assert.Contains(found, f => f.Path == "/actions/stages/0/traffic" && f.Message.Contains("every span", StringComparison.Ordinal));
        Assert.Contains(found, f => f.Path == "/actions/stages/1/traffic/0/name");
    }
}
