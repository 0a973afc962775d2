using Pravik.Core.Bridges;
using Pravik.Core.Geometry;

namespace Pravik.Core.Tests.Bridges;

public class SolidTests
{
    [Fact]
    public void A_box_is_closed_and_has_its_volume()
    {
        var box = Solid.Sweep([(Row(0, 0), Row(0, 2)), (Row(5, 0), Row(5, 2))]);
        Assert.True(box.IsClosed);
        Assert.Equal(3 * 2 * 5, box.Volume, 1e-12);
        Assert.False((box with { Triangles = box.Triangles.RemoveRange(0, 3) }).IsClosed);

        // Left to right is x here; ahead is y.
        static Point3[] Row(double ahead, double level) => [new(0, ahead, level), new(1, ahead, level), new(3, ahead, level)];
    }

    /// <summary>
    /// Slab of constant vertical thickness: area in plan × thickness. Pieces of 1 m on a radius of 460 m miss less than 1e-5 of it. A girder is its
    /// area × length, of which the slope of 1 % makes no difference as sections stay upright.
    /// </summary>
    [Fact]
    public void Solids_of_the_demo_are_closed_and_have_their_volumes()
    {
        var geometry = new BridgeGeometry(TestBridges.Demo);
        var solids = new BridgeSolids(geometry).All();
        Assert.All(solids, part => Assert.True(part.Solid.IsClosed, part.Name));
        Assert.All(solids, part => Assert.True(part.Solid.Volume > 0, part.Name));
        var slab = solids.Single(p => p.Kind == "slab").Solid.Volume;
        Assert.Equal(geometry.DeckArea * 0.22, slab, slab * 1e-5);
        var girder = solids.Single(p => p.Path == "/parts/girders/3/spans/2").Solid.Volume;
        Assert.Equal(TestBridges.Demo.Girders.Section.Properties().Area * (geometry.Girders[2].SpanLength(1) - 0.7), girder, 1e-9);
        Assert.Equal(15, solids.Count(p => p.Kind == "girders"));
    }
}
