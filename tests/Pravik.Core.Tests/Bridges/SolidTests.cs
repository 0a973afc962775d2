using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Solids;
using Pravik.Core.Validation;

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
    /// Slab of constant vertical thickness: area in plan × thickness. Pieces of 1 m on a radius of 460 m miss less than 1e-5 of it. A
    /// girder is its
    /// area × length, of which the slope of 1 % makes no difference as sections stay upright.
    /// </summary>
    [Fact]
    public void Solids_of_the_demo_are_closed_and_have_their_volumes()
    {
        var geometry = new BridgeGeometry(TestBridges.Demo);
        var solids = new BridgeSolids(geometry).All();
        Assert.All(solids, part => Assert.True(part.Solid.IsClosed, part.Name));
        Assert.All(solids, part => Assert.True(part.Solid.Volume > 0, part.Name));
        var slab = solids.Single(p => p.Kind == SolidKind.Slab).Solid.Volume;
        Assert.Equal(geometry.DeckArea * 0.22, slab, slab * 1e-5);
        var girder = solids.Single(p => p.Kind == SolidKind.Girders && p.Path == "/parts/girders/3/spans/2").Solid.Volume;
        Assert.Equal(geometry.Section.Properties.Area * (geometry.Girders[2].SpanLength(1) - 0.7), girder, 1e-9);
        Assert.Equal(15, solids.Count(p => p.Kind == SolidKind.Girders));
    }

    /// <summary>
    /// Every row of strands, bars and ducts is closed, lies in its girder, and has the volume of its rods: 2r² each times the length from
    /// end to end, a little more where they are deflected.
    /// </summary>
    [Theory]
    [InlineData("sorrel-brook.json", SolidKind.Strands)]
    [InlineData("osier-cut.json", SolidKind.Bars)]
    [InlineData("plover-gate.json", SolidKind.Tendons)]
    public void Steel_lies_in_its_girder(string name, SolidKind kind)
    {
        var geometry = new BridgeGeometry(TestBridges.Read(name));
        var (all, girders) = (new SteelSolids(geometry).All().ToList(), new BridgeSolids(geometry).Girders().ToList());
        Assert.Contains(all, p => p.Kind == kind);
        Assert.All(all, part => Assert.True(part.Solid.IsClosed && part.Solid.Volume > 0, part.Name));
        foreach (var part in all)
        {
            var of = girders.Where(g => g.Path == part.Path).SelectMany(g => g.Solid.Points).ToList();
            Assert.InRange(part.Solid.Points.Min(p => p.Z), of.Min(p => p.Z), of.Max(p => p.Z));
            // Where girder and slab are cast in one, tendons over piers rise into the slab.
            Assert.InRange(part.Solid.Points.Max(p => p.Z), of.Min(p => p.Z), of.Max(p => p.Z) + 0.25);
        }
        if (kind != SolidKind.Strands)
            return;
        var (row, radius) = (geometry.TypeOf(geometry.Girders[2], 1).Strands.Rows[0], 0.0157 / 2);
        var strands = all.First(p => p is { Kind: SolidKind.Strands, Path: "/parts/girders/3/spans/2" });
        var length = geometry.Girders[2].SpanLength(1) - 0.7;
        Assert.Equal(row.Count * 2 * radius * radius * length, strands.Solid.Volume, 0.01 * strands.Solid.Volume);
    }

    /// <summary>
    /// On a curve of 200 m to the right, 40 m long, faces stand 5.1 m from the road line: lengths 40·(1 ± 5.1/200). Weight of solid
    /// concrete: 25 kN/m³
    /// on 0.25 m²; its centre runs 5.225 m out. The foot follows a deck that is level across, so that the volume is area × length at
    /// the centre.
    /// </summary>
    [Fact]
    public void Parapets_have_the_length_of_their_face_and_mirror_each_other()
    {
        Strip[] half =
        [
            new() { Width = 5 },
            new()
            {
                Kind = StripKind.EdgeBeam,
                Width = 0.5,
                Upstand = 0.1,
            },
        ];
        var bridge = Bridge.New("Curve") with
        {
            Road = TestBridges.Arc(200, 200),
            Axes = new() { FirstStation = 50, Spans = [20.0, 20] },
            Deck = DeckEdits.Of(half, half) with { EndOverhang = 0 },
            Girders = new() { OverhangLeft = 1 },
            Parapets = [new() { Profile = "Upright concrete", Across = -0.4 }],
        };
        var geometry = new BridgeGeometry(bridge);
        var (left, right) = (ParapetLine.All(geometry)[0], ParapetLine.All(geometry)[1]);
        Assert.Equal(40 * (1 + 5.1 / 200), left.Length, 1e-9);
        Assert.Equal(40 * (1 - 5.1 / 200), right.Length, 1e-9);
        Assert.Equal(6250, left.Weight, 1e-9);
        foreach (var (a, b) in left.Outlines(60)[0].Zip(right.Outlines(60)[0]))
            Assert.Equal((a.X, a.Y), (-b.X, b.Y));
        var solids = new BridgeSolids(geometry).Parapets().ToList();
        Assert.All(solids, p => Assert.True(p.Solid.IsClosed));
        Assert.Equal(0.25 * 40 * (1 + 5.225 / 200), solids[0].Solid.Volume, 1e-4);
        Assert.Equal(0.25 * 40 * (1 - 5.225 / 200), solids[1].Solid.Volume, 1e-4);
    }

    [Fact]
    public void An_outline_with_a_recess_is_filled_by_triangles()
    {
        var outline = new Polygon([new(0, 0), new(4, 0), new(4, 3), new(3, 3), new(3, 1), new(1, 1), new(1, 3), new(0, 3)]);
        var triangles = outline.Triangulate()!.Value;
        Assert.Equal(6 * 3, triangles.Length);
        var area = 0.0;
        for (var t = 0; t < triangles.Length; t += 3)
            area +=
                (outline.Points[triangles[t + 1]] - outline.Points[triangles[t]]).Cross(
                    outline.Points[triangles[t + 2]] - outline.Points[triangles[t]]
                ) / 2;
        Assert.Equal(outline.Moments().Area, area, 1e-12);
    }

    /// <summary>
    /// A level, straight bridge: soffit at road − 0.10 surfacing − 0.22 slab − 0.03 haunch − 1.20 girder, less 2.5 % of the offset of
    /// the outer girder's flange.
    /// A road 5 m below that rises to the right by 4 % comes nearest under the outer flange edge of the last girder.
    /// </summary>
    [Fact]
    public void The_least_clearance_lies_under_the_outer_girder()
    {
        var bridge = Bridge.New("Level") with
        {
            Crossings =
            [
                new()
                {
                    Station = 30,
                    Level = -5,
                    Grade = 0.04,
                    Width = 4,
                    Height = 3.5,
                },
            ],
        };
        var geometry = new BridgeGeometry(bridge);
        var last = geometry.Girders[^1].Offsets()[0];
        var least = Clearances.Least(geometry, bridge.Crossings[0])!;
        Assert.Equal(5 - 1.55 - 0.025 * (last + 0.4) - 0.04 * (last + 0.325), least.Height, 1e-9);
        Assert.StartsWith("G5", least.Girder);
        Assert.Contains(BridgeValidation.Check(bridge), f => f.Path == "/crossings/0/height" && f.Message.Contains("less than wanted"));
        Assert.Null(Clearances.Least(geometry, bridge.Crossings[0] with { Station = 90 }));
    }
}
