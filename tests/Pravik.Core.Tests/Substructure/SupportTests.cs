using System.Collections.Immutable;
using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Solids;
using Pravik.Core.Validation;
using Pravik.Exchange;

namespace Pravik.Core.Tests.Substructure;

/// <summary>Supports: levels, volumes, values that follow, and what does not fit.</summary>
public class SupportTests
{
    /// <summary>The demo with the usual supports.</summary>
    private static readonly Bridge Demo = TestBridges.Demo with { Supports = ImmutableSortedDictionary<string, Support>.Empty };

    /// <summary>Level ground at a level about the origin.</summary>
    private static Ground Plain(double level) =>
        new([-9e5, -9e5, level, 9e5, -9e5, level, 9e5, 9e5, level, -9e5, 9e5, level], [0, 1, 2, 0, 2, 3]);

    private static Bridge With(
        Bridge bridge,
        int axis,
        (string, double)[]? sizes = null,
        (string, string)[]? choices = null,
        (string, string)[]? links = null,
        string? follows = null
    ) =>
        bridge with
        {
            Supports = bridge.Supports.SetItem(
                $"{axis}",
                new()
                {
                    Follows = follows,
                    Sizes = (sizes ?? []).ToImmutableSortedDictionary(s => s.Item1, s => s.Item2),
                    Choices = (choices ?? []).ToImmutableSortedDictionary(s => s.Item1, s => s.Item2),
                    Links = (links ?? []).ToImmutableSortedDictionary(s => s.Item1, s => s.Item2),
                }
            ),
        };

    private static SupportPlace At(Bridge bridge, int axis, Ground? ground = null)
    {
        var geometry = new BridgeGeometry(bridge);
        return new(geometry, ground, geometry.Axes[axis - 1]);
    }

    /// <summary>
    /// road − surfacing − slab − haunch − girder − bearing = seat, plinths from the shelf up to it: against the girder's own levels,
    /// which come from its chord.
    /// </summary>
    [Fact]
    public void The_chain_of_levels_adds_up_to_the_road()
    {
        var geometry = new BridgeGeometry(With(Demo, 2, [("rows", 2), ("bearingDistance", 0.6)]));
        foreach (var support in SupportPlace.All(geometry, null))
        {
            Assert.Equal(support.Axis.Number == 2 ? 10 : 5, support.Bearings.Length);
            foreach (var b in support.Bearings)
            {
                var line = geometry.HaunchOf(b.Girder, b.Span);
                Assert.Equal(line.Bottom(b.IsAhead ? line.From : line.To), b.Soffit, 1e-9);
                var place = geometry.Road.Locate(b.At);
                Assert.Equal(
                    geometry.Road.Level(place.Station) + geometry.SectionAt(place.Station, place.Offset).Surface(place.Offset),
                    b.Seat + b.Type.Height + b.GirderDepth + b.Haunch + b.Slab + b.Surfacing,
                    1e-9
                );
            }
            Assert.Equal(0.10, support.Bearings.Min(b => b.Seat) - support.ShelfLevel, 1e-9);
        }
        // Bearings of two rows lie 0.6 m from the axis along their girder.
        var two = new SupportPlace(geometry, null, geometry.Axes[1]);
        Assert.All(
            two.Bearings,
            b => Assert.Equal(0.6, Point.Distance(b.At, b.IsAhead ? b.Girder.In(b.Span).Start : b.Girder.In(b.Span).End), 1e-9)
        );
    }

    [Fact]
    public void Foundations_lie_below_the_ground_or_where_they_are_told()
    {
        var demo = TestBridges.Symmetric(0, 20, 20);
        Assert.Equal(-9.5 - 2, At(With(demo, 2, [("foundingDepth", 2)]), 2, Plain(-9.5)).FoundingLevel, 1e-9);
        Assert.Equal(-14, At(With(demo, 2, [("foundingLevel", -14)]), 2, Plain(-9.5)).FoundingLevel, 1e-9);
        var none = At(demo, 2);
        Assert.Null(none.LowestGround);
        Assert.Equal(none.ShelfLevel - 6, none.FoundingLevel, 1e-9);
    }

    /// <summary>All solids are closed; a round column of 1.0 m, a pad and a crosshead have the volumes of their closed forms.</summary>
    [Fact]
    public void Solids_of_every_form_are_closed_and_have_their_volumes()
    {
        foreach (
            var (abutment, pier, foundation, wings, shape) in new[]
            {
                ("bankSeat", "columns", "pad", "parallel", "round"),
                ("wall", "hammerhead", "pileCap", "splayed", "obround"),
                ("piled", "wall", "combined", "square", "round"),
                ("wall", "pileBent", "shaft", "none", "rectangular"),
                ("wall", "columns", "shaft", "parallel", "rectangular"),
            }
        )
        {
            var bridge = Demo;
            foreach (var axis in new[] { 1, 4 })
                bridge = With(bridge, axis, [("pileRake", 0.1)], [("abutment", abutment), ("foundation", foundation), ("wings", wings)]);
            foreach (var axis in new[] { 2, 3 })
                bridge = With(
                    bridge,
                    axis,
                    [("columnTaper", 0.02), ("columnLength", 0.7)],
                    [("pier", pier), ("foundation", foundation), ("columnShape", shape)]
                );
            var parts = SupportSolids.All(new(bridge), Plain(36)).ToList();
            Assert.All(parts, p => Assert.True(p.Solid.IsClosed, $"{abutment} {pier} {p.Name}"));
            Assert.All(parts, p => Assert.True(p.Solid.Volume > 0, $"{abutment} {pier} {p.Name} {p.Solid.Volume}"));
        }
        var level = With(TestBridges.Symmetric(0, 20, 20), 2, [("capEndDepth", 1.2)], [("columnShape", "round")]);
        var support = At(level, 2, Plain(-9));
        var solids = new SupportSolids(support).Parts().ToList();
        double Volume(string name) => solids.Single(p => p.Name.StartsWith(name, StringComparison.Ordinal)).Solid.Volume;
        Assert.Equal(Math.PI / 4 * (support.CapSoffit - support.FootTop), Volume("Column 2"), 1e-9);
        Assert.Equal(1.4 * 1.2 * (support.LastGirder - support.FirstGirder + 1.2), Volume("Crosshead"), 1e-9);
        Assert.Equal(1.0 * 3.6 * (1.0 + 1.6), Volume("Pad 2"), 1e-9);
        Assert.Equal(0.25 * 0.40 * 0.074, Volume("Bearing under G1"), 1e-9);
    }

    [Fact]
    public void Values_are_own_followed_linked_or_usual()
    {
        var bridge = With(
            With(Demo, 2, [("columnWidth", 1.3), ("capDepth", 1.5)], [("columnShape", "obround")]),
            3,
            [("capDepth", 1.1)],
            null,
            [("capWidth", "2/columnWidth")],
            "2"
        );
        var values = At(bridge, 3).Values;
        Assert.Equal((1.1, ValueSource.Own), (values.Size("capDepth"), values.Source("capDepth")));
        Assert.Equal((1.3, ValueSource.Followed), (values.Size("columnWidth"), values.Source("columnWidth")));
        Assert.Equal((1.3, ValueSource.Linked), (values.Size("capWidth"), values.Source("capWidth")));
        Assert.Equal((0.6, ValueSource.Usual), (values.Size("capOverhang"), values.Source("capOverhang")));
        Assert.Equal(("obround", ValueSource.Followed), (values.Choice("columnShape"), values.Source("columnShape")));
        Assert.DoesNotContain(BridgeValidation.Check(bridge), f => f.Severity == Findings.Severity.Error);
    }

    public static TheoryData<string, Func<Bridge, Bridge>> Bad =>
        new()
        {
            { "/supports/2/follows", b => With(With(b, 2, follows: "3"), 3, follows: "2") },
            { "/supports/2/links", b => With(b, 2, links: [("capWidth", "2/columnWidth"), ("columnWidth", "2/capWidth")]) },
            { "/supports/2/links/capWidth", b => With(b, 2, links: [("capWidth", "somewhere")]) },
            { "/supports/2/links/capWidth", b => With(b, 2, links: [("capWidth", null!)]) },
            { "/supports/2/links/capWidth", b => With(b, 2, links: [("capWidth", "3/columns")]) },
            { "/supports/2/sizes/capWidth", b => With(b, 2, [("capWidth", 0)]) },
            { "/supports/2/sizes/columns", b => With(b, 2, [("columns", 2.5)]) },
            { "/supports/2/sizes/wingspan", b => With(b, 2, [("wingspan", 2)]) },
            { "/supports/2/choices/pier", b => With(b, 2, null, [("pier", "tower")]) },
            { "/supports/2/choices/bearing-1", b => With(b, 2, null, [("bearing-1", "Roller")]) },
            { "/supports/x", b => b with { Supports = b.Supports.Add("x", new()) } },
            { "/bearings", b => b with { Bearings = [] } },
            { "/bearings/0/height", b => b with { Bearings = [new() { Layers = 20 }] } },
            { "/bearings/1/name", b => b with { Bearings = [new(), new()] } },
        };

    [Theory]
    [MemberData(nameof(Bad))]
    public void Bad_values_are_refused_at_their_place(string path, Func<Bridge, Bridge> spoil) =>
        Assert.Contains(
            BridgeValidation.Check(spoil(Demo)),
            f => f.Severity == Findings.Severity.Error && f.Path == path && f.Message.Length > 10
        );

    /// <summary>A pier that comes to follow an abutment, as when a span is added, is told and keeps its form.</summary>
    [Fact]
    public void Following_the_other_kind_is_told_and_harmless()
    {
        var bridge = With(With(Demo, 1, [("leastPlinth", 0.2)], [("abutment", "wall")]), 2, follows: "1");
        var finding = Assert.Single(BridgeValidation.Check(bridge), f => f.Path == "/supports/2/follows");
        Assert.Equal((Findings.Severity.Warning, "remove"), (finding.Severity, finding.Repair!.Patch[0].Op));
        Assert.Equal(("columns", 0.2), (At(bridge, 2).Values.Choice("pier"), At(bridge, 2).Values.Size("leastPlinth")));
    }

    public static TheoryData<string, string, Func<Bridge, Bridge>> Unfit =>
        new()
        {
            { "columnSpacing", "beyond the crosshead", b => With(b, 2, [("columnSpacing", 6)]) },
            { "columnSpacing", "touch", b => With(b, 2, [("columnSpacing", 0.9)]) },
            { "foundingLevel", "above the lowest ground", b => With(b, 2, [("foundingLevel", 37)]) },
            { "shelfLevel", "above the seat", b => With(b, 2, [("shelfLevel", 45)]) },
            { "capWidth", "beyond its shelf", b => With(b, 2, [("rows", 2), ("bearingDistance", 0.7)]) },
            { "bearingDistance", "beyond the ends", b => With(b, 2, [("rows", 2), ("bearingDistance", 0.4)]) },
            { "pilesAcross", "beyond their cap", b => With(b, 2, [("pilesAcross", 9)], [("foundation", "pileCap")]) },
        };

    [Theory]
    [MemberData(nameof(Unfit))]
    public void What_does_not_fit_is_told(string size, string words, Func<Bridge, Bridge> spoil)
    {
        var bridge = spoil(Demo);
        Assert.DoesNotContain(BridgeValidation.Check(bridge), f => f.Severity == Findings.Severity.Error);
        Assert.Contains(
            SupportChecks.Check(new(bridge), Plain(36)),
            f => f.Path == $"/supports/2/sizes/{size}" && f.Message.Contains(words)
        );
        Assert.Empty(SupportChecks.Check(new(Demo), Plain(36)));
    }

    /// <summary>A pier of which nothing is left offers to be founded deeper, which mends it.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_pier_that_has_vanished_is_founded_deeper(bool hasOwn)
    {
        var bridge = hasOwn ? With(Demo, 2, [("foundingLevel", 44.5)]) : Demo;
        var ground = Plain(hasOwn ? 36 : 45.5);
        var found = SupportChecks.Check(new(bridge), ground).First(f => f.Message.Contains("nothing is left") && f.Path.Contains("/2/"));
        var patch = found.Repair!.Patch.Select(o => new PatchOperation(o.Op, o.Path, JsonNode.Parse(o.Value)));
        var patched = BridgeEditing.Apply(bridge, [.. patch]).Bridge!;
        Assert.DoesNotContain(
            SupportChecks.Check(new(patched), ground),
            f => f.Path.Contains("/2/") && f.Message.Contains("nothing is left")
        );
        Assert.InRange(At(patched, 2).CapSoffit - At(patched, 2).FootTop, 1, 1.02);
    }

    /// <summary>Back wall to approach slab stand behind the deck's end at both ends, in the frame of a skewed axis.</summary>
    [Fact]
    public void Abutments_stand_behind_the_deck_at_both_ends()
    {
        foreach (var axis in new[] { 1, 4 })
        {
            var support = At(Demo, axis);
            var wall = new SupportSolids(support).Parts().Single(p => p.Name.StartsWith("Back wall", StringComparison.Ordinal)).Solid;
            var v = wall.Points.Select(p => support.Local(new(p.X, p.Y)).Y * support.Front).ToList();
            var overhang = Demo.Deck.EndOverhang * Math.Cos(support.Axis.Skew);
            Assert.Equal(-overhang - 0.05, v.Max(), 1e-9);
            Assert.Equal(-overhang - 0.45, v.Min(), 1e-9);
        }
    }

    /// <summary>
    /// By hand: plates 240 × 390 mm, A₁ = 0.0936 m², l_p = 1.26 m, S = 0.0936/(1.26·0.008) = 9.286; six layers give way by
    /// 6·0.008·(1/(5·0.9·86.22) + 1/2000)/0.0936 m per MN = 1.5781e-3; T_e = 6·8 + 2·2.5 = 53 mm. Outer layers of 5 mm count with
    /// t_e = 7 mm, S = 10.61, and take the stiffness to 542.8 MN/m.
    /// </summary>
    [Fact]
    public void An_elastomeric_bearing_has_the_stiffness_of_its_layers()
    {
        var bearing = new BearingType();
        Assert.Equal(9.2857, bearing.ShapeFactor(), 1e-4);
        Assert.Equal(0.9e6 * 0.1 / 0.053, bearing.Shear().Along, 1);
        Assert.Equal(633.7e6, bearing.Compression(), 0.1e6);
        Assert.Equal(0.074, bearing.Stack(), 1e-12);
        Assert.Equal(542.8e6, (bearing with { OuterLayer = 0.005 }).Compression(), 0.1e6);
        Assert.Equal((0, double.PositiveInfinity), new BearingType { Freedom = Freedom.GuidedAlong }.Shear());
    }

    [Fact]
    public void A_height_that_is_not_that_of_the_layers_is_told()
    {
        Bridge With(BearingType type) => TestBridges.Demo with { Bearings = [type, .. BearingType.Usual.Skip(1)] };
        Assert.Contains(
            BridgeValidation.Check(With(new() { Name = "High", Height = 0.1 })),
            f => f.Path == "/bearings/0/height" && f.Severity == Severity.Warning && f.Message.Contains("74 mm")
        );
        Assert.Contains(
            BridgeValidation.Check(With(new() { Name = "Low", Height = 0.05 })),
            f => f.Path == "/bearings/0/height" && f.Severity == Severity.Error
        );
    }
}
