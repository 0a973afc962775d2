using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Effects;

/// <summary>What girders move and turn on their bearings.</summary>
public class BearingMovementTests
{
    private static Bridge Beam(ModelSupports supports) =>
        TestBridges.OneGirder(20) with
        {
            Model = new()
            {
                Kind = ModelKind.Line,
                Divisions = 40,
                Supports = supports,
            },
        };

    /// <summary>
    /// Uniform warming of 27 K, α per K: the far end moves by α·ΔT·L,
    /// the held one not at all; bearings of rubber share it evenly and lean to both sides.
    /// </summary>
    [Fact]
    public void Warming_moves_the_free_end()
    {
        var results = ModelRun.Run(new(Beam(ModelSupports.Simple)), withTraffic: false);
        var (warmer, layout) = (results.Find(CaseId.Expansion)!.Effects, results.Layout);
        var seats = results.Finished.Seats.Select(s => results.Finished.Frame.Nodes[s.Node].At).ToList();
        var length = (seats[1] - seats[0]).Length;
        Assert.Equal(0, warmer[layout.AtSeat(0) + 3], 1e-9);
        Assert.Equal(ModelBuilder.Expansion * 27 * length, warmer[layout.AtSeat(1) + 3], 1e-3 * ModelBuilder.Expansion * 27 * length);
        var rubber = ModelRun.Run(new(Beam(ModelSupports.Bearings)), withTraffic: false);
        var moved = rubber.Find(CaseId.Expansion)!.Effects;
        var (first, last) = (moved[rubber.Layout.AtSeat(0) + 3], moved[rubber.Layout.AtSeat(1) + 3]);
        Assert.Equal(-first, last, 1e-3 * last);
        Assert.InRange(last, 0.45 * ModelBuilder.Expansion * 27 * length, 0.5 * ModelBuilder.Expansion * 27 * length);
    }

    /// <summary>
    /// A single axle P = 400 kN at b = l/√3 from the far end turns the near end of a simple beam most, by P·l²/(9·√3·EI), and the reaction
    /// that acts together with it is P/√3.
    /// </summary>
    [Fact]
    public void An_axle_turns_the_end_of_a_beam()
    {
        var bridge = Beam(ModelSupports.Simple);
        var target = TrafficQuery.Target(new(bridge));
        var envelope = Core.Traffic.TrafficRun.Run(target, [TrafficModels.Named("LM2", bridge.Basis.Values)!]).Models[0];
        var turn = target.Layout.AtSeat(0) + 5;
        var section = target.Model.Sections[0][0]!;
        var ei = section.Modulus * section.Composite.SecondMoment;
        var nodes = target.Model.Seats.Select(s => target.Model.Frame.Nodes[s.Node].At).ToList();
        var most = 400e3 * Math.Pow((nodes[1] - nodes[0]).Length, 2) / (9 * Math.Sqrt(3) * ei);
        var isGreatest = envelope.Greatest[turn] > -envelope.Least[turn];
        Assert.Equal(most, Math.Abs((isGreatest ? envelope.Greatest : envelope.Least)[turn]), 0.01 * most);
        Assert.Equal(400e3 / Math.Sqrt(3), envelope.Together(turn, isGreatest)[2], 400e3 * 0.02);
        // The far end turns by as much, the other way.
        var other = target.Layout.AtSeat(1) + 5;
        Assert.Equal(envelope.Greatest[turn], -envelope.Least[other], 1e-6 * most);
        Assert.Equal(envelope.Least[turn], -envelope.Greatest[other], 1e-6 * most);
    }
}
