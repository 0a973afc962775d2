using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Tests.Bridges;

namespace Pravik.Core.Tests.Structures;

public class GrillageTests
{
    public static TheoryData<string> Examples => new("sorrel-brook.json", "hazel-row.json", "tansy-lane.json", "willow-mill.json");

    /// <summary>
    /// Transverse members at most a tenth of the span and one and a half girder spacings apart; longitudinal lines through every
    /// girder's axis points.
    /// </summary>
    [Theory]
    [MemberData(nameof(Examples))]
    public void The_mesh_is_as_fine_as_asked_and_lies_on_the_girders(string example)
    {
        var geometry = new BridgeGeometry(TestBridges.Read(example));
        var grillage = GrillageBuilder.Build(geometry);
        Assert.Equal(geometry.Girders.Length + 2, grillage.Longitudinals);
        Assert.Equal(grillage.Lines * grillage.Longitudinals, grillage.Nodes.Length);
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var (first, last) = grillage.Spans[span];
            foreach (var girder in geometry.Girders)
            {
                Assert.Equal(0, Point.Distance(girder.In(span).Start, grillage.Nodes[grillage.NodeAt(girder.Number, first)].At), 1e-9);
                var piece = girder.SpanLength(span) / (last - first);
                Assert.True(
                    piece <= girder.SpanLength(span) / 10 + 1e-9 && piece <= 1.5 * geometry.SpacingAt(geometry.Axes[span].Station) + 0.1
                );
            }
        }
    }

    /// <summary>The edge lines follow the deck's edges, also where it curves and widens, and end on the axes.</summary>
    [Theory]
    [MemberData(nameof(Examples))]
    public void Edge_lines_follow_the_edges(string example)
    {
        var geometry = new BridgeGeometry(TestBridges.Read(example));
        var grillage = GrillageBuilder.Build(geometry);
        foreach (
            var (line, edge) in new (int, Func<double, double>)[]
            {
                (0, geometry.Deck().LeftEdge),
                (grillage.Longitudinals - 1, geometry.Deck().RightEdge),
            }
        )
        {
            for (var k = 0; k < grillage.Lines; k++)
            {
                var place = geometry.Road.Locate(grillage.Nodes[grillage.NodeAt(line, k)].At);
                Assert.Equal(edge(place.Station), place.Offset, 1e-6);
            }
        }
    }

    /// <summary>Slab strips share the deck among them: the sum of their widths over one bay is its length square to them.</summary>
    [Fact]
    public void Strips_and_diaphragms_have_the_stiffness_of_their_concrete()
    {
        var bridge = TestBridges.Symmetric(0, 20);
        var geometry = new BridgeGeometry(bridge);
        var grillage = GrillageBuilder.Build(geometry);
        var slab = Concrete.Of(bridge.Materials.Slab).Ecm;
        var bay = grillage.Members.Where(m => m.Kind == MemberKind.Strip && grillage.Nodes[m.I].Longitudinal == 1).ToList();
        // 39 strips of half a metre between the axes; EI = E·b·d³/12, GJ = G·b·d³/6.
        Assert.Equal(39, bay.Count);
        Assert.All(bay, m => Assert.Equal(slab * 0.5 * Math.Pow(0.22, 3) / 12, m.Flexural, m.Flexural * 1e-9));
        Assert.All(bay, m => Assert.Equal(slab / 2.4 * 0.5 * Math.Pow(0.22, 3) / 6, m.Torsional, m.Torsional * 1e-9));
        var diaphragms = grillage.Members.Where(m => m.Kind == MemberKind.Diaphragm).ToList();
        Assert.Equal(2 * 5, diaphragms.Count);
        Assert.All(diaphragms, m => Assert.Equal(slab * 0.9 * Math.Pow(1.2, 3) / 12, m.Flexural, m.Flexural * 1e-9));
        Assert.Equal(8, grillage.Supports.Length);
        Assert.DoesNotContain(grillage.Supports, s => s.HoldsTwist);
    }

    [Theory]
    [InlineData(19.9, true)]
    [InlineData(20.1, false)]
    [InlineData(45, false)]
    public void Strips_lie_along_a_small_skew_and_square_beyond(double skew, bool aligned)
    {
        var grillage = GrillageBuilder.Build(new(TestBridges.Symmetric(skew * Math.PI / 180, 20)));
        var strips = grillage.Members.Where(m => m.Kind == MemberKind.Strip).ToList();
        Assert.Equal(aligned, strips.All(m => grillage.Nodes[m.I].Line == grillage.Nodes[m.J].Line));
        if (aligned)
            return;
        // Nearly square: no more than half a mesh piece out over a bay.
        Assert.All(strips, m => Assert.True(Math.Abs(grillage.Nodes[m.I].Station - grillage.Nodes[m.J].Station) <= 0.26));
    }

    /// <summary>A load per metre along any line is spread without loss, and its centre stays where it is across the deck.</summary>
    [Theory]
    [InlineData(-3.2)]
    [InlineData(0)]
    [InlineData(2.05)]
    public void A_line_load_keeps_its_size_and_place(double offset)
    {
        var geometry = new BridgeGeometry(TestBridges.Demo with { Road = TestBridges.Straight(300) });
        var grillage = GrillageBuilder.Build(geometry);
        var load = new double[grillage.Nodes.Length];
        DeckLine.At(grillage.Mesh, geometry, offset).Spread(load, 1000);
        Assert.Equal(60.6 * 1000, load.Sum(), 1e-6);
        Assert.Equal(offset, load.Select((l, n) => l * grillage.Nodes[n].Offset).Sum() / load.Sum(), 1e-9);
    }
}
