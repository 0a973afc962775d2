using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

public class GeometryTests
{
    [Theory]
    [InlineData(0.3)]
    [InlineData(-0.8)]
    public void On_a_straight_road_an_axis_lies_at_s_minus_offset_times_tan_skew(double skew)
    {
        var geometry = new BridgeGeometry(TestBridges.Symmetric(skew, 20, 25));
        foreach (var axis in geometry.Axes)
        {
            Assert.Equal(axis.Station - 3.7 * Math.Tan(skew), geometry.Meet(axis, _ => 3.7).Station, 1e-9);
            Assert.Equal(axis.Station + 3.7 * Math.Tan(skew), geometry.Meet(axis, _ => -3.7).Station, 1e-9);
        }
    }

    [Fact]
    public void On_a_curve_the_end_of_a_girder_has_its_offset_and_lies_on_the_axis()
    {
        var bridge = TestBridges.Symmetric(0.3, 20, 25);
        var geometry = new BridgeGeometry(bridge with { Road = TestBridges.Arc(300, -150) });
        foreach (var girder in geometry.Girders)
        {
            for (var i = 0; i < geometry.Axes.Length; i++)
            {
                var place = geometry.Road.Locate(girder.AtAxes()[i]);
                Assert.Equal(girder.Offsets()[i], place.Offset, 1e-9);
                Assert.Equal(-5.45 + 1 + (girder.Number - 1) * 8.9 / 3, place.Offset, 1e-9);
                // Square to the axis there is no distance from it.
                var axis = Geometry.Point.Towards(geometry.Road.Azimuth(geometry.Axes[i].Station) + Math.PI / 2 + 0.3);
                Assert.Equal(0, axis.Cross(girder.AtAxes()[i] - geometry.Road.At(geometry.Axes[i].Station)), 1e-9);
            }
        }
    }

    [Fact]
    public void Levels_of_the_section_add_up_outward()
    {
        var section = new BridgeGeometry(Constant(TestBridges.Demo)).Deck().At(140);
        Assert.Equal(10.70, section.Width, 1e-12);
        // Left footway: falls 3.4 × 2.5 %, steps up 120 mm, rises 1.8 × 2.5 %; slab 100 mm below the road and straight on.
        var footway = section.Strips.Single(s => s.Kind == StripKind.Footway);
        Assert.Equal(-0.085 + 0.12, footway.SurfaceTo, 1e-12);
        Assert.Equal(-0.085 + 0.12 + 0.045, footway.SurfaceFrom, 1e-12);
        Assert.Equal(-0.1 - 5.2 * 0.025, footway.SlabFrom, 1e-12);
        Assert.Equal(-0.1 - 4 * 0.025, section.SlabTop(-4), 1e-12);
        Assert.Equal(7.0, section.Carriageways.Single().Width, 1e-12);
    }

    /// <summary>The deck with its own crossfalls in place of the road's.</summary>
    private static Bridge Constant(Bridge bridge) =>
        bridge with
        {
            Deck = bridge.Deck.With(p =>
                p with
                {
                    Left = [.. p.Left.Select(s => s with { CrossfallLaw = CrossfallLaw.Constant })],
                    Right = [.. p.Right.Select(s => s with { CrossfallLaw = CrossfallLaw.Constant })],
                }
            ),
        };

    /// <summary>On the demo's curve the carriageway rises 3 % to the left and falls 3 % to the right; its slab goes with it.</summary>
    [Fact]
    public void A_carriageway_that_follows_the_road_is_superelevated()
    {
        var section = new BridgeGeometry(TestBridges.Demo).Deck().At(140);
        var (left, right) = (
            section.Strips.Single(s => s is { Kind: StripKind.Carriageway, To: 0 }),
            section.Strips.Single(s => s is { Kind: StripKind.Carriageway, From: 0 })
        );
        Assert.Equal(3.4 * 0.03, left.SurfaceFrom, 1e-12);
        Assert.Equal(-3.6 * 0.03, right.SurfaceTo, 1e-12);
        Assert.Equal(-0.1 + 3.4 * 0.03, section.SlabTop(-3.4), 1e-12);
    }

    /// <summary>
    /// Right of the road line the deck widens from 4 m to 7 m over 40 m of a curve of 200 m to the right, left of it 5 m stay. No skew:
    /// A = ∫ (w − κ(b² − a²)/2) ds = L(5 + 5.5) − (L/200)((4² + 4·7 + 7²)/3 − 5²)/2 with L = 40 (no overhang at the ends).
    /// </summary>
    [Fact]
    public void A_curved_tapering_deck_has_its_area_and_its_girders_splay()
    {
        var bridge = Bridge.New("Taper") with
        {
            Road = TestBridges.Arc(200, 200),
            Axes = new() { FirstStation = 50, Spans = [20.0, 20] },
            Deck = DeckEdits.Of(
                [
                    new() { Width = 4.5 },
                    new()
                    {
                        Kind = StripKind.EdgeBeam,
                        Width = 0.5,
                        Upstand = 0.1,
                    },
                ],
                [
                    new()
                    {
                        Width = 9,
                        Widths =
                        [
                            new() { At = 50, Value = 3.5 },
                            new()
                            {
                                Axis = 3,
                                At = 0,
                                Value = 6.5,
                            },
                        ],
                    },
                    new()
                    {
                        Kind = StripKind.EdgeBeam,
                        Width = 0.5,
                        Upstand = 0.1,
                    },
                ]
            ) with
            {
                EndOverhang = 0,
            },
            Girders = new() { Count = 4, OverhangLeft = 1 },
        };
        Assert.DoesNotContain(BridgeValidation.Check(bridge), f => f.Severity == Findings.Severity.Error);
        var geometry = new BridgeGeometry(bridge);
        Assert.Equal(40 * 10.5 - 40 / 200.0 * (93.0 / 3 - 25) / 2, geometry.DeckArea, 1e-6);
        Assert.Equal(5.5, geometry.Deck().RightEdge(70), 1e-12);
        Assert.Equal(4, geometry.Deck().RightEdge(40), 1e-12);
        Assert.Equal(7.0 / 3, geometry.SpacingAt(50), 1e-12);
        Assert.Equal([3, 4.5, 6], geometry.Girders[3].Offsets().Select(o => Math.Round(o, 9)));
        // What is spread on the mesh is the load of that deck.
        var loads = new PermanentLoads(geometry, DeckMesh.Of(geometry, [.. geometry.Bridge.Axes.Spans.Select(_ => MeshRows.Even(40))]));
        Assert.Equal(loads.SurfacingTotal(), loads.Surfacing.OnJoints().Sum(), loads.SurfacingTotal() * 1e-4);
        var carriageway = 40 * (4.5 + 5) - 40 / 200.0 * ((3.5 * 3.5 + 3.5 * 6.5 + 6.5 * 6.5) / 3 - 4.5 * 4.5) / 2;
        Assert.Equal(carriageway * 2400, loads.SurfacingTotal(), carriageway * 2400 * 1e-4);
    }

    [Fact]
    public void Traffic_drives_over_a_verge_without_kerb()
    {
        var deck = TestBridges.Demo.Deck.Patterns[0];
        var flush = deck with { Right = deck.Right.SetItem(1, deck.Right[1] with { Upstand = 0.05 }) };
        Assert.Equal(8.0, new DeckSection(flush, 1, 0, 0.1).Carriageways.Single().Width, 1e-12);
        Assert.Equal(7.0, new DeckSection(flush, 1, 0, 0.05).Carriageways.Single().Width, 1e-12);
    }

    [Fact]
    public void Spacing_and_wet_slab_share_out_the_deck()
    {
        var geometry = new BridgeGeometry(TestBridges.Demo);
        Assert.Equal(2.2, geometry.SpacingAt(140), 1e-12);
        Assert.Equal(10.7, geometry.Girders.Sum(g => geometry.WetSlabWidth(g, 1)), 1e-9);
    }

    [Fact]
    public void Every_national_set_has_the_same_names()
    {
        var names = NationalValues.Named(NationalValues.Recommended)!.Entries.Select(e => e.Name).ToList();
        Assert.True(NationalValues.Names.Count >= 2);
        Assert.All(NationalValues.Names, set => Assert.Equal(names, NationalValues.Named(set)!.Entries.Select(e => e.Name)));
        Assert.Equal(
            1.4,
            new Basis { OwnValues = new Dictionary<string, double> { ["gammaC"] = 1.4 }.ToImmutableSortedDictionary() }.Values["gammaC"]
        );
    }

    /// <summary>
    /// On a curve of 100 m to the right: from station 10, 20 m left, to station 10 + 10π, 0 m: a tenth of a turn, with chords by the
    /// cosine rule.
    /// </summary>
    [Fact]
    public void Measuring_gives_plan_slope_and_road_distances()
    {
        var road = new Core.Roads.RoadLine(TestBridges.Arc(200, 100));
        var (a, b) = (road.At(10, -20), road.At(10 + 10 * Math.PI, 0));
        var between = Measurement.Between(road, new(a.X, a.Y, 5), new(b.X, b.Y, 2));
        var plan = Math.Sqrt(120 * 120 + 100 * 100 - 2 * 120 * 100 * Math.Cos(Math.PI / 10));
        Assert.Equal(plan, between.Plan, 1e-9);
        Assert.Equal(Math.Sqrt(plan * plan + 9), between.Slope, 1e-9);
        Assert.Equal(-3, between.Vertical, 1e-12);
        Assert.Equal(10 * Math.PI, between.Along, 1e-9);
        Assert.Equal(20, between.Square, 1e-9);
    }
}
