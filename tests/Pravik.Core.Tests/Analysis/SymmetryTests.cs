using Pravik.Core.Geometry;
using Pravik.Core.Roads;
using Pravik.Core.Runs;

namespace Pravik.Core.Tests.Analysis;

public class SymmetryTests
{
    /// <summary>
    /// A deck alike on both sides is turned into itself by half a turn, skewed or not: girder j at x must be as girder n + 1 − j at
    /// L − x, moments alike and shears with the other sign.
    /// </summary>
    [Theory]
    [InlineData(0)]
    [InlineData(15)]
    [InlineData(40)]
    public void Half_a_turn_changes_nothing(double skew)
    {
        var results = BridgeRun.Run(TestBridges.Symmetric(skew * Math.PI / 180, 16, 20, 16));
        var points = results.Points.ToDictionary(p => (p.Point.Girder, p.Point.Span, p.Point.Number));
        var scale = results.Points.Max(p => p.Moment.Traffic.Max.Total);
        var shear = results.Points.Max(p => p.Shear.Traffic.Max.Total);
        foreach (var point in results.Points.Where(p => p.Point.Number % 4 == 0))
        {
            var twin = points[(3 - point.Point.Girder, 2 - point.Point.Span, 20 - point.Point.Number)];
            Assert.Equal(point.Moment.Permanent.Superimposed, twin.Moment.Permanent.Superimposed, scale * 1e-6);
            Assert.Equal(point.Moment.Traffic.Max.Total, twin.Moment.Traffic.Max.Total, scale * 1e-6);
            Assert.Equal(point.Moment.Traffic.Min.Total, twin.Moment.Traffic.Min.Total, scale * 1e-6);
            Assert.Equal(point.Shear.Traffic.Max.Total, -twin.Shear.Traffic.Min.Total, shear * 1e-6);
            Assert.Equal(point.Worst.Utilisation, twin.Worst.Utilisation, 1e-6);
        }
    }

    [Fact]
    public void Turning_the_road_on_the_map_changes_nothing()
    {
        var demo = TestBridges.Demo;
        var turned = BridgeRun.Run(demo with { Road = demo.Road with { Azimuth = -2.2, StartEast = 0 } });
        Assert.Equal(BridgeRun.Run(demo).Governing.Worst.Utilisation, turned.Governing.Worst.Utilisation, 1e-7);
    }

    [Fact]
    public void A_run_stops_when_it_is_cancelled()
    {
        using var cancel = new CancellationTokenSource();
        cancel.Cancel();
        Assert.Throws<OperationCanceledException>(() => BridgeRun.Run(TestBridges.Demo, null, cancel.Token));
    }
}
