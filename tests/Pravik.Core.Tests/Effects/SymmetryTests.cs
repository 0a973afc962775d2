using Pravik.Core.Models;
using Pravik.Core.Runs;
using Pravik.Core.Stages;

namespace Pravik.Core.Tests.Effects;

public class SymmetryTests
{
    /// <summary>
    /// A deck alike on both sides is turned into itself by half a turn, skewed or not: girder j at x must be as girder n + 1 − j at
    /// L − x, moments alike and shears with the other sign. Supports hold the deck along at one end only, which loads above do not ask.
    /// </summary>
    [Theory]
    [InlineData(0)]
    [InlineData(15)]
    [InlineData(40)]
    public void Half_a_turn_changes_nothing(double skew)
    {
        var results = TestBridges.Run(TestBridges.Symmetric(skew * Math.PI / 180, 16, 20, 16));
        var (points, traffic) = (results.Points, results.Model.Traffic!["LM1"]);
        var edges = results.Model.Cases.Single(c => c.Name == CaseNames.Edges).Effects;
        var place = Enumerable
            .Range(0, points.Length)
            .ToDictionary(i => (points[i].Girder, points[i].Span, Math.Round(points[i].Fraction, 6)));
        var (scale, shear) = (Greatest(GirderEffect.M), Greatest(GirderEffect.V));
        for (var i = 0; i < points.Length; i += 4)
        {
            var twin = place[(3 - points[i].Girder, 2 - points[i].Span, Math.Round(1 - points[i].Fraction, 6))];
            Assert.Equal(edges[i, GirderEffect.M], edges[twin, GirderEffect.M], scale * 1e-6);
            Assert.Equal(traffic.Greatest[i, GirderEffect.M], traffic.Greatest[twin, GirderEffect.M], scale * 1e-6);
            Assert.Equal(traffic.Least[i, GirderEffect.M], traffic.Least[twin, GirderEffect.M], scale * 1e-6);
            Assert.Equal(traffic.Greatest[i, GirderEffect.V], -traffic.Least[twin, GirderEffect.V], shear * 1e-6);
            Assert.Equal(traffic.Least[i, GirderEffect.Deflection], traffic.Least[twin, GirderEffect.Deflection], 1e-9);
        }

        double Greatest(GirderEffect effect) => Enumerable.Range(0, points.Length).Max(i => traffic.Greatest[i, effect]);
    }

    [Fact]
    public void Turning_the_road_on_the_map_changes_nothing()
    {
        var demo = TestBridges.Demo;
        var turned = TestBridges.Run(demo with { Road = demo.Road with { Azimuth = -2.2, StartEast = 0 } });
        Assert.Equal(TestBridges.Run(demo).Governing!.Utilisation, turned.Governing!.Utilisation, 1e-6);
    }

    [Fact]
    public void A_run_stops_when_it_is_cancelled()
    {
        using var cancel = new CancellationTokenSource();
        cancel.Cancel();
        Assert.ThrowsAny<OperationCanceledException>(() => BridgeRun.Run(TestBridges.Demo, cancel: cancel.Token));
    }
}
