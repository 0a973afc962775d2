using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

public class AxesTests
{
    private static readonly Bridge Base = Bridge.New("Axes") with
    {
        Road = TestBridges.Arc(300, 250),
        Axes = new()
        {
            FirstStation = 100,
            Spans = [20, 25, 20],
            Skew = 0.1,
        },
    };

    private static BridgeGeometry With(params (string Axis, AxisOwn Own)[] own) =>
        new(Base with { Axes = Base.Axes with { Own = own.Aggregate(Base.Axes.Own, (all, o) => all.Add(o.Axis, o.Own)) } });

    [Fact]
    public void Axes_have_names_kinds_and_skews_of_their_own_or_follow()
    {
        var axes = With(
            ("2", new() { Name = "P1", Skew = -0.2 }),
            ("4", new() { Kind = AxisKind.Pier }),
            ("9", new() { Name = "later" })
        ).Axes;
        Assert.Equal(["1", "P1", "3", "4"], axes.Select(a => a.Name));
        Assert.Equal([100.0, 120, 145, 165], axes.Select(a => a.Station));
        Assert.Equal([0.1, -0.2, 0.1, 0.1], axes.Select(a => a.Skew));
        Assert.Equal([AxisKind.Abutment, AxisKind.Pier, AxisKind.Pier, AxisKind.Pier], axes.Select(a => a.Kind));
    }

    /// <summary>
    /// At station 120 of a curve of 250 m that begins heading east the road's azimuth is 90° + 120/250; an axis has no sense, so half a
    /// turn is the same.
    /// </summary>
    [Theory]
    [InlineData(0)]
    [InlineData(Math.PI)]
    [InlineData(-Math.PI)]
    public void A_direction_of_an_axis_takes_the_place_of_its_skew(double turned)
    {
        var square = Math.PI / 2 + 120.0 / 250 + Math.PI / 2;
        var axis = With(("2", new() { Skew = 0.4, Azimuth = Math.IEEERemainder(square + 0.15 + turned, 2 * Math.PI) })).Axes[1];
        Assert.Equal(0.15, axis.Skew, 1e-12);
    }

    [Fact]
    public void Neighbouring_axes_of_different_skew_bound_girders_of_different_length()
    {
        var geometry = With(("2", new() { Skew = -0.2 }));
        foreach (var girder in geometry.Girders)
        {
            for (var i = 0; i < 4; i++)
            {
                var axis = geometry.Axes[i];
                var direction = Point.Towards(geometry.Road.Azimuth(axis.Station) + Math.PI / 2 + axis.Skew);
                Assert.Equal(0, direction.Cross(girder.AtAxes()[i] - geometry.Road.At(axis.Station)), 1e-9);
            }
        }
        // Axis 2 leans back on the left, where s = s₀ − o·tan(skew) with o and skew both negative: the first girder is short before it
        // and long after.
        Assert.True(geometry.Girders[0].SpanLength(0) < geometry.Girders[^1].SpanLength(0) - 1);
        Assert.True(geometry.Girders[0].SpanLength(1) > geometry.Girders[^1].SpanLength(1) + 1);
    }

    /// <summary>On a straight road an axis with skew φ meets the line o = a + b·s at s = (s₀ − a·tan φ)/(1 + b·tan φ).</summary>
    [Theory]
    [InlineData(0.3, -4, 0.02)]
    [InlineData(-0.5, 5, -0.03)]
    [InlineData(0, 3, 0.1)]
    public void An_axis_meets_a_line_that_runs_aslant(double skew, double a, double b)
    {
        var geometry = new BridgeGeometry(Base with { Road = TestBridges.Straight(300), Axes = Base.Axes with { Skew = skew } });
        var place = geometry.Meet(geometry.Axes[1], s => a + b * s);
        var expected = (120 - a * Math.Tan(skew)) / (1 + b * Math.Tan(skew));
        Assert.Equal(expected, place.Station, 1e-9);
        Assert.Equal(a + b * expected, place.Offset, 1e-9);
    }

    [Fact]
    public void Axes_that_meet_within_the_deck_are_refused()
    {
        var bridge = Base with { Axes = Base.Axes with { Spans = [8, 8, 8], Own = Base.Axes.Own.Add("2", new() { Skew = 1.04 }) } };
        Assert.Contains(
            BridgeValidation.Check(bridge),
            f => f.Severity == Findings.Severity.Error && f.Message.Contains("meet within the deck")
        );
    }

    [Fact]
    public void A_bridge_follows_when_its_road_changes()
    {
        var before = new BridgeGeometry(Base);
        var after = new BridgeGeometry(Base with { Road = TestBridges.Arc(300, -180) });
        Assert.Equal(before.Axes.Select(a => (a.Station, a.Skew)), after.Axes.Select(a => (a.Station, a.Skew)));
        Assert.All(
            after.Girders.Zip(before.Girders),
            g => Assert.All(g.First.Offsets().Zip(g.Second.Offsets()), o => Assert.Equal(o.First, o.Second, 1e-9))
        );
        Assert.All(
            after.Girders,
            g => Assert.All(g.AtAxes().Zip(g.Offsets()), p => Assert.Equal(p.Second, after.Road.Locate(p.First).Offset, 1e-9))
        );
    }
}
