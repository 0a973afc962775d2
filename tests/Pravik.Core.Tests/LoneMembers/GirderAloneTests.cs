using Pravik.Core.Bridges;
using Pravik.Core.Checks;
using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;
using Pravik.Core.Runs;

namespace Pravik.Core.Tests.LoneMembers;

/// <summary>A girder of a bridge is checked alone as in the bridge.</summary>
public class GirderAloneTests
{
    private static readonly Bridge Bridge = TestBridges.OneType;
    private static readonly BridgeResults Results = TestBridges.Run(Bridge);

    [Theory]
    [InlineData(0, 0)]
    [InlineData(2, 1)]
    public void Its_utilisations_are_those_in_the_bridge(int girder, int span)
    {
        var geometry = new Places.BridgeGeometry(Bridge);
        Assert.Null(GirderAlone.Refusal(geometry, girder, span));
        var member = GirderAlone.Of(geometry, Results, girder, span);
        Assert.DoesNotContain(LoneValidation.Check(member), f => f.Severity >= Severity.Fault);
        var run = new LoneRun(member);
        double Worst(IEnumerable<CheckOutcome> outcomes, string check) =>
            outcomes.Where(o => o.Check == check).Select(o => o.Utilisation).DefaultIfEmpty(-1).Max();
        var here = Results
            .Points.Select((p, i) => (p, i))
            .Where(p =>
                p.p.Girder == girder
                && p.p.Span == span
                && Results.Members[girder].Points.First(m => m.Number == p.i).Section is { IsInterrupted: false }
            )
            .SelectMany(p => Results.ByPoint[p.i])
            .ToList();
        // Alone strands have one stress for all rows; bars end between places of the bridge.
        foreach (var check in new[] { "bending.sagging", "shear.links", "interface.slab", "stress.characteristic", "stress.sustained" })
        {
            var (there, alone) = (Worst(here, check), Worst(run.Checks.Outcomes, check));
            Assert.True(alone >= 0.97 * there && alone <= 1.05 * there, $"{check}: {there} in the bridge, {alone} alone");
        }
    }

    [Fact]
    public void What_cannot_stand_alone_says_why()
    {
        var tapered = Bridge with
        {
            Girders = Bridge.Girders with
            {
                Depth = new() { Start = 1.4, Middle = 1.2 },
            },
        };
        Assert.Contains("depth", GirderAlone.Refusal(new(tapered), 0, 0), StringComparison.Ordinal);
        var elsewhere = Bridge with { Basis = Bridge.Basis with { Standard = Codes.Standard.Lrfd } };
        Assert.Contains("EN 1990", GirderAlone.Refusal(new(elsewhere), 0, 0), StringComparison.Ordinal);
    }
}
