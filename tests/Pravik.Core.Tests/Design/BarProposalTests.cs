using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Proposals;

namespace Pravik.Core.Tests.Design;

/// <summary>Bars that are proposed pass in the ordinary run; fewer do not; where none do it is told.</summary>
public sealed class BarProposalTests
{
    private static readonly string[] OfTheTop = ["bending.hogging", "cracks.top", "cracks.least-top", "sudden.hogging"];

    private static Bridge With(Bridge bridge, ImmutableArray<BarRow> rows) =>
        bridge with
        {
            Girders = bridge.Girders.Typed(t => t with { Bars = rows }),
        };

    [Theory]
    [InlineData("osier-cut.json")]
    [InlineData("plover-gate.json")]
    public void Proposed_bars_pass_in_the_ordinary_run_and_one_fewer_does_not(string name)
    {
        var bridge = TestBridges.Read(name);
        var proposal = BarProposal.Of(new(bridge), TestBridges.Run(bridge), 0);
        Assert.Equal("", proposal.Why);
        Assert.Equal("", proposal.Beside);
        Assert.InRange(proposal.OfToday, 0.1, 1);
        var run = TestBridges.Run(With(bridge, proposal.Rows));
        Assert.DoesNotContain(run.Outcomes, o => !o.Passes);
        var counted = run.Outcomes.Where(o =>
            o.Check.Split('.')[0] is "bending" or "bars" or "cracks" or "sudden" or "torsion" or "anchorage"
        );
        var worst = counted.Where(o => !OfTheTop.Contains(o.Check)).Max(o => o.Utilisation);
        Assert.InRange(worst, proposal.Worst!.Utilisation - 1e-9, proposal.Worst.Utilisation + 0.3);
        var fewer = proposal.Rows.Select(r => r with { Count = Math.Max(0, r.Count - (r == proposal.Rows[0] ? 2 : 0)) });
        Assert.Contains(TestBridges.Run(With(bridge, [.. fewer])).Outcomes, o => !o.Passes);
    }

    [Fact]
    public void Where_no_bars_do_it_is_told()
    {
        var bridge = TestBridges.Read("osier-cut.json");
        var slender = bridge with
        {
            Axes = bridge.Axes with { Spans = [24, 32, 24] },
            Road = bridge.Road with { Elements = [bridge.Road.Elements[0] with { Length = 220 }] },
        };
        var proposal = BarProposal.Of(new(slender), TestBridges.Run(slender), 0);
        Assert.NotEqual("", proposal.Why + proposal.Beside);
    }
}
