using System.Collections.Immutable;
using Pravik.Core.Bridges;

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
            Assert.Equal(axis.Station - 3.7 * Math.Tan(skew), geometry.StationOnAxis(axis, 3.7), 1e-9);
            Assert.Equal(axis.Station + 3.7 * Math.Tan(skew), geometry.StationOnAxis(axis, -3.7), 1e-9);
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
                var place = geometry.Road.Locate(girder.AtAxes[i]);
                Assert.Equal(girder.Offset, place.Offset, 1e-9);
                // Square to the axis there is no distance from it.
                var axis = Geometry.Point.Towards(geometry.Road.Azimuth(geometry.Axes[i].Station) + Math.PI / 2 + 0.3);
                Assert.Equal(0, axis.Cross(girder.AtAxes[i] - geometry.Road.At(geometry.Axes[i].Station)), 1e-9);
            }
        }
    }

    [Fact]
    public void Levels_of_the_section_add_up_outward()
    {
        var section = new BridgeGeometry(TestBridges.Demo).Section;
        Assert.Equal(10.70, section.Width, 1e-12);
        // Left footway: falls 3.4 × 2.5 %, steps up 120 mm, rises 1.8 × 2.5 %; slab 100 mm below the road and straight on.
        var footway = section.Strips.Single(s => s.Kind == StripKind.Footway);
        Assert.Equal(-0.085 + 0.12, footway.SurfaceTo, 1e-12);
        Assert.Equal(-0.085 + 0.12 + 0.045, footway.SurfaceFrom, 1e-12);
        Assert.Equal(-0.1 - 5.2 * 0.025, footway.SlabFrom, 1e-12);
        Assert.Equal(-0.1 - 4 * 0.025, section.SlabTop(-4), 1e-12);
        Assert.Equal(7.0, section.Carriageway!.Value.Width, 1e-12);
    }

    [Fact]
    public void Traffic_drives_over_a_verge_without_kerb()
    {
        var deck = TestBridges.Demo.Deck;
        var flush = deck with { Right = deck.Right.SetItem(1, deck.Right[1] with { Upstand = 0.05 }) };
        Assert.Equal(8.0, new DeckSection(flush, 0.1).Carriageway!.Value.Width, 1e-12);
        Assert.Equal(7.0, new DeckSection(flush, 0.05).Carriageway!.Value.Width, 1e-12);
    }

    [Fact]
    public void Spacing_and_wet_slab_share_out_the_deck()
    {
        var geometry = new BridgeGeometry(TestBridges.Demo);
        Assert.Equal(2.2, geometry.Spacing, 1e-12);
        Assert.Equal(10.7, geometry.Girders.Sum(geometry.WetSlabWidth), 1e-12);
    }

    [Fact]
    public void Every_national_set_has_the_same_names()
    {
        var names = NationalValues.Named(NationalValues.Recommended)!.Entries.Select(e => e.Name).ToList();
        Assert.True(NationalValues.Names.Count >= 2);
        Assert.All(NationalValues.Names, set => Assert.Equal(names, NationalValues.Named(set)!.Entries.Select(e => e.Name)));
        Assert.Equal(1.4, NationalValues.For(new() { OwnValues = new Dictionary<string, double> { ["gammaC"] = 1.4 }.ToImmutableSortedDictionary() })["gammaC"]);
    }
}
