using System.Collections.Immutable;
using CsCheck;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Roads;

namespace Pravik.Core.Tests.Bridges;

public class DeckShapeTests
{
    private static readonly RoadLine Road = new(
        new()
        {
            Crossfalls =
            [
                new()
                {
                    Station = 100,
                    Left = -0.025,
                    Right = -0.025,
                },
                new()
                {
                    Station = 200,
                    Left = 0.04,
                    Right = -0.05,
                },
            ],
        }
    );
    private static readonly ImmutableArray<double> Axes = [110, 130, 160];

    private static DeckShape Shape(Strip left, Strip right) =>
        new(new() { Left = [left, new() { Kind = StripKind.EdgeBeam, Width = 0.5 }], Right = [right] }, 1, 0, Road, Axes, 0.1);

    [Fact]
    public void Tables_run_straight_between_places_and_level_beyond_them()
    {
        var shape = Shape(
            new() { Width = 3 },
            new()
            {
                Width = 9,
                Widths =
                [
                    new() { At = 120, Value = 3 },
                    new()
                    {
                        Axis = 2,
                        At = 10,
                        Value = 4,
                    },
                    new()
                    {
                        Axis = 3,
                        At = -5,
                        Value = 7,
                    },
                ],
            }
        );
        // Places 120, 130 + 10 = 140, 160 − 5 = 155.
        Assert.Equal([3.0, 3, 3.5, 4, 5, 7, 7], new[] { 90.0, 120, 130, 140, 145, 155, 300 }.Select(shape.RightEdge));
        Assert.Equal([120.0, 140, 155], shape.Breaks);
        Assert.False(shape.HasConstantWidths);
        Assert.Equal(4, shape.Boundaries);
        Assert.Equal([-3.5, -3, 0, 3.5], Enumerable.Range(0, 4).Select(b => shape.Boundary(b, 130)));
    }

    [Theory]
    [InlineData(CrossfallLaw.Constant, -0.02)]
    [InlineData(CrossfallLaw.Level, 0)]
    [InlineData(CrossfallLaw.Road, 0.0075)]
    [InlineData(CrossfallLaw.Table, -0.01)]
    public void A_crossfall_follows_its_law(CrossfallLaw law, double expected)
    {
        var strip = new Strip
        {
            Width = 4,
            Crossfall = -0.02,
            CrossfallLaw = law,
            Crossfalls = [new() { At = 140, Value = 0 }, new() { At = 160, Value = -0.02 }],
        };
        var section = Shape(strip, new() { Width = 4 }).At(150);
        Assert.Equal(4 * expected, section.Strips.Single(s => s.Path == "/deck/patterns/0/left/0").SurfaceFrom, 1e-12);
    }

    [Fact]
    public void A_law_without_a_table_keeps_the_constant_value()
    {
        var strip = new Strip
        {
            Width = 4,
            Crossfall = -0.02,
            CrossfallLaw = CrossfallLaw.Table,
        };
        Assert.Equal(
            -0.08,
            Shape(strip, new() { Width = 4 }).At(150).Strips.Single(s => s.Path == "/deck/patterns/0/left/0").SurfaceFrom,
            1e-12
        );
    }

    [Fact]
    public void Surface_and_slope_agree_everywhere() =>
        Gen.Select(Gen.Double[-0.05, 0.05], Gen.Double[-0.05, 0.05], Gen.Double[-4.4, 3.9])
            .Sample(
                (left, right, offset) =>
                {
                    var section = Shape(new() { Width = 4, Crossfall = left }, new() { Width = 4, Crossfall = right }).At(0);
                    var level =
                        offset >= 0 ? right * offset
                        : offset >= -4 ? -left * offset
                        : left * 4;
                    Assert.Equal(level, section.Surface(offset), 1e-12);
                    if (offset < 3.8 && Math.Abs(offset) > 0.01 && Math.Abs(offset + 4) > 0.01)
                        Assert.Equal((section.Surface(offset + 1e-3) - section.Surface(offset)) / 1e-3, section.SlopeAt(offset), 1e-6);
                }
            );

    [Fact]
    public void An_own_unit_weight_replaces_that_of_the_kind()
    {
        var pattern = new DeckPattern { Left = [new() { Width = 3 }], Right = [new() { Width = 3, UnitWeight = 20e3 }] };
        var strips = new DeckShape(pattern, 1, 0, Road, Axes, 0.1).At(120).Strips;
        Assert.Equal(0.1 * 24e3, PermanentLoads.StripLoad(strips[0], new()), 1e-9);
        Assert.Equal(0.1 * 20e3, PermanentLoads.StripLoad(strips[1], new()), 1e-9);
    }

    [Fact]
    public void The_widest_carriageway_covers_every_section()
    {
        var bridge = Bridge.New("Taper") with
        {
            Deck = DeckEdits.Of(
                Strip.Usual,
                [new() { Width = 3.5, Widths = [new() { Axis = 1, Value = 3.5 }, new() { Axis = 2, Value = 5 }] }, .. Strip.Usual.Skip(1)]
            ),
        };
        var geometry = new BridgeGeometry(bridge);
        var carriageway = Assert.Single(geometry.Carriageways);
        Assert.Equal(-3.5, carriageway.From, 1e-9);
        Assert.Equal(5, carriageway.To, 1e-9);
        Assert.Equal(7.75, geometry.Deck().At(30).Carriageways.Single().Width, 1e-9);
    }

    [Fact]
    public void Half_way_shares_of_the_slab_add_up_to_the_deck()
    {
        var bridge = TestBridges.Read("hazel-row.json");
        var geometry = new BridgeGeometry(bridge);
        for (var span = 0; span < 3; span++)
        {
            var middle = geometry.Road.Locate(geometry.OnGirder(geometry.Girders[2], span, 0.5)).Station;
            var width = geometry.Deck().RightEdge(middle) - geometry.Deck().LeftEdge(middle);
            // Girders are straight under a curved deck, so their offsets at mid-span are those of their chords.
            Assert.Equal(width, geometry.Girders.Sum(g => geometry.WetSlabWidth(g, span)), 0.05);
        }
    }
}
