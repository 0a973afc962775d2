using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Solids;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

/// <summary>The slab's soffit, edges and thickenings, and strips that follow a line of the road.</summary>
public class SlabShapeTests
{
    private static Bridge WithSlab(SlabShape slab, double fall = -0.02)
    {
        Strip[] half =
        [
            new() { Width = 4.5, Crossfall = fall },
            new()
            {
                Kind = StripKind.EdgeBeam,
                Width = 0.5,
                Upstand = 0.1,
            },
        ];
        var bridge = TestBridges.Symmetric(0, 20);
        return bridge with { Deck = DeckEdits.Of(half, half).With(p => p with { Slab = slab }) with { EndOverhang = 0 } };
    }

    /// <summary>
    /// The top falls 2 % over 5 m to each side: the level soffit lies 0.10 + t below the middle, so the slab is t + 0.1 thick there.
    /// </summary>
    [Fact]
    public void A_level_soffit_leaves_the_least_thickness_where_the_top_is_lowest()
    {
        var section = new BridgeGeometry(WithSlab(new() { Thickness = 0.2, Soffit = SoffitLaw.Level })).Deck().At(40);
        Assert.Equal(0.3, section.Thickness(0), 1e-12);
        Assert.Equal(0.2, section.Thickness(5), 1e-12);
        Assert.Equal(section.SlabSoffit(-4), section.SlabSoffit(1), 1e-12);
        Assert.Equal(10 * 0.25, section.SlabArea(-5, 5), 1e-12);
        Assert.Equal(0.2, section.LeastThickness, 1e-12);
    }

    /// <summary>
    /// Edges 0.40 thick over 1.6 m: each adds ½·1.6·0.2 to the section. The soffit's corner moved in by 0.1 between the top and the
    /// soffit below the
    /// edge beam's inner side, 0.3375 apart, takes ½·0.1·0.3375 away.
    /// </summary>
    [Fact]
    public void Thick_edges_insets_and_thickenings_add_up_to_the_volume_of_the_solids()
    {
        var slab = new SlabShape
        {
            Thickness = 0.2,
            EdgeThickness = 0.4,
            EdgeTaper = 1.6,
            EdgeInset = 0.1,
            Thickening = 0.05,
            ThickeningWidth = 0.5,
        };
        var geometry = new BridgeGeometry(WithSlab(slab, 0));
        var section = geometry.Deck().At(40);
        Assert.Equal([0.4, 0.3, 0.2, 0.2], new[] { -5.0, -4.2, -3.4, 0 }.Select(o => Math.Round(section.Thickness(o), 12)));
        var area = 10 * 0.2 + 2 * 1.6 * 0.2 / 2 - 2 * 0.1 * 0.3375 / 2 + 4 * 0.05 * (0.5 + 0.15);
        Assert.Equal(area * 20, geometry.SlabVolume, 1e-9);
        var solids = new BridgeSolids(geometry).Slabs().ToList();
        Assert.All(solids, s => Assert.True(s.Solid.IsClosed, s.Name));
        Assert.Equal(5, solids.Count);
        Assert.Equal(area * 20, solids.Sum(s => s.Solid.Volume), 1e-9);
        // The haunch grows by the thickening, and girders go down with it.
        Assert.Equal(0.08, geometry.Haunch(0), 1e-12);
        Assert.Equal(0 - 0.1 - 0.2 - 0.08, geometry.HaunchOf(geometry.Girders[1], 0).Top(0), 1e-9);
    }

    /// <summary>
    /// On a curve with superelevation and a thickness from 0.2 to 0.3, the volume by integration is that of the solid within the chords
    /// of 1 m.
    /// </summary>
    [Fact]
    public void A_slab_that_thickens_along_a_curve_has_the_volume_of_its_solid()
    {
        Strip[] half =
        [
            new() { Width = 4.5, CrossfallLaw = CrossfallLaw.Road },
            new()
            {
                Kind = StripKind.EdgeBeam,
                Width = 0.5,
                Upstand = 0.1,
            },
        ];
        var deck = DeckEdits
            .Of(half, half)
            .With(p =>
                p with
                {
                    Slab = new()
                    {
                        Thicknesses = [new() { Axis = 1, Value = 0.2 }, new() { Axis = 3, Value = 0.3 }],
                        EdgeThickness = 0.35,
                        EdgeTaper = 1.2,
                    },
                }
            );
        var bridge = TestBridges.Symmetric(0.2, 20, 20) with
        {
            Deck = deck,
            Road = TestBridges.Arc(120, 150) with
            {
                Crossfalls =
                [
                    new()
                    {
                        Station = 0,
                        Left = 0.05,
                        Right = -0.05,
                    },
                ],
            },
        };
        var geometry = new BridgeGeometry(bridge);
        var solid = Assert.Single(new BridgeSolids(geometry).Slabs()).Solid;
        Assert.True(solid.IsClosed);
        Assert.Equal(solid.Volume, geometry.SlabVolume, geometry.SlabVolume * 2e-5);
        Assert.Equal(0.25, geometry.SlabThickness(geometry.Girders[1], 0, 1), 2e-3);
    }

    /// <summary>
    /// Weight of the wet slab on an inner girder: its bay of an even slab; on the outer one also what its thick edge adds. That edge
    /// reaches 0.2 m over the flange and is 0.05 m
    /// thicker at the flange's end, so the girder hangs 0.05 m lower.
    /// </summary>
    [Fact]
    public void Wet_slab_follows_the_section_over_each_girder()
    {
        var bridge = WithSlab(
            new()
            {
                Thickness = 0.2,
                EdgeThickness = 0.4,
                EdgeTaper = 0.8,
                Thickening = 0.05,
                ThickeningWidth = 0.5,
            },
            0
        );
        bridge = bridge with { Deck = bridge.Deck with { Haunch = 0 } };
        var geometry = new BridgeGeometry(bridge);
        var loads = new PermanentLoads(geometry, DeckMesh.Of(geometry, [.. geometry.Bridge.Axes.Spans.Select(_ => MeshRows.Even(40))]));
        var (bay, over) = (8.0 / 3, 0.05 * 0.65);
        Assert.Equal(25e3 * (bay * 0.2 + over), loads.WetSlab(geometry.Girders[1], 0), 1e-6);
        Assert.Equal(
            25e3 * ((1 + bay / 2) * 0.2 + 0.8 * 0.2 / 2 + over + 0.8 * 0.05 - 0.2 * 0.05 / 2),
            loads.WetSlab(geometry.Girders[0], 0),
            1e-6
        );
    }

    [Fact]
    public void Surfacing_on_a_strip_is_a_layer_of_its_own()
    {
        var pattern = new DeckPattern
        {
            Left =
            [
                new() { Width = 3 },
                new()
                {
                    Kind = StripKind.Footway,
                    Width = 1.5,
                    Upstand = 0.15,
                    Surfacing = 0.03,
                },
            ],
            Right = [],
        };
        var footway = new DeckShape(pattern, 1, 0, new(new()), [0.0, 20], 0.1).At(5).Strips[0];
        Assert.Equal(0.25, footway.MeanFill, 1e-12);
        Assert.Equal(0.03 * 20e3 + 0.22 * 24e3, PermanentLoads.StripLoad(footway, new() { SurfacingWeight = 20e3 }), 1e-9);
    }

    /// <summary>
    /// A kerb concentric with a road of radius 300 m at 4 m to the left keeps that offset; a straight one square off it follows the
    /// chord.
    /// </summary>
    [Fact]
    public void A_strip_reaches_to_a_line_of_the_road()
    {
        var road = TestBridges.Arc(150, 300) with
        {
            Features =
            [
                // The road starts at the origin going east and turns right: its centre is (0, −300).
                new()
                {
                    Name = "Kerb",
                    Elements =
                    [
                        new()
                        {
                            Length = 150 * 304 / 300.0,
                            StartRadius = 304,
                            EndRadius = 304,
                            Start = new(0, 4, Math.PI / 2),
                        },
                    ],
                },
                new() { Name = "Wall", Elements = [new() { Length = 200, Start = new(150, -6, -Math.PI / 2) }] },
            ],
        };
        var line = new RoadLine(road);
        foreach (var station in new[] { 0, 17.3, 80, 149.9 })
            Assert.Equal(-4, line.Features[0].OffsetAt(station), 1e-9);
        // The wall runs west along y = −6. At station s the section leaves the centre at angle s/300: y = −300 + r·cos(s/300).
        foreach (var station in new[] { 5, 40.0, 100 })
            Assert.Equal(300 - 294 / Math.Cos(station / 300), line.Features[1].OffsetAt(station), 1e-9);
        Assert.Equal(line.Features[0].OffsetAt(150), line.Features[0].OffsetAt(170), 1e-9);

        var pattern = new DeckPattern
        {
            Left = [new() { Width = 1, WidthLine = "Kerb" }, new() { Kind = StripKind.EdgeBeam, Width = 0.5 }],
            Right = [new() { Width = 3 }],
        };
        var shape = new DeckShape(pattern, 1, 0, line, [20.0, 60], 0.1);
        Assert.Equal(-4.5, shape.LeftEdge(40), 1e-9);
        Assert.Equal(4, shape.At(40).Strips[1].Width, 1e-9);
        Assert.False(shape.IsConstant);
    }

    [Fact]
    public void A_parapet_runs_along_a_line_and_is_parted_by_a_joint()
    {
        var bridge = TestBridges.Symmetric(0, 20, 20);
        bridge = bridge with
        {
            Axes = bridge.Axes with { Own = bridge.Axes.Own.Add("2", new() { Kind = AxisKind.Joint }) },
            Road = bridge.Road with
            {
                Features = [new() { Name = "Rail", Elements = [new() { Length = 120, Start = new(0, 4.2, Math.PI / 2) }] }],
            },
            Parapets =
            [
                new()
                {
                    Profile = "Upright concrete",
                    Side = ParapetSide.Left,
                    Line = "Rail",
                    Across = 0.1,
                },
            ],
        };
        Assert.DoesNotContain(BridgeValidation.Check(bridge), f => f.Severity == Findings.Severity.Error);
        var lines = ParapetLine.All(new(bridge));
        Assert.Equal([-4.3, -4.3], lines.Select(l => Math.Round(l.Face(45), 9)));
        Assert.Equal([20 + 0.6 - 0.02, 20 + 0.6 - 0.02], lines.Select(l => l.Length), (a, b) => Math.Abs(a - b) < 1e-9);
    }
}
