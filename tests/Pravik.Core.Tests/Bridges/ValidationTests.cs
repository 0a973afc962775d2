using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Sections;
using Pravik.Core.Validation;
using Pravik.Exchange;

namespace Pravik.Core.Tests.Bridges;

public class ValidationTests
{
    public static TheoryData<string, Func<Bridge, Bridge>> Bad =>
        new()
        {
            { "/axes/skew", b => b with { Axes = b.Axes with { Skew = 75 * Math.PI / 180 } } },
            { "/axes/spans/0", b => b with { Axes = b.Axes with { Spans = [0.0, 20] } } },
            { "/axes/spans/1", b => b with { Axes = b.Axes with { Spans = [20.0, 1e9] } } },
            { "/axes/spans", b => b with { Axes = b.Axes with { Spans = [] } } },
            { "/axes/spans", b => b with { Axes = b.Axes with { Spans = [.. Enumerable.Repeat(119.0, 25)] } } },
            { "/axes/firstStation", b => b with { Axes = b.Axes with { FirstStation = -2500 } } },
            { "/axes/own/3", b => b with { Axes = b.Axes with { Own = b.Axes.Own.Add("3", null!) } } },
            { "/axes/own/x", b => b with { Axes = b.Axes with { Own = b.Axes.Own.Add("x", new()) } } },
            { "/road/profile/1/station", b => b with { Road = b.Road with { Profile = [new(), new() { Station = -4 }] } } },
            {
                "/road/crossfalls/1/station",
                b => b with { Road = b.Road with { Crossfalls = [new() { Station = 5 }, new() { Station = 5 }] } }
            },
            { "/road/points", b => b with { Road = b.Road with { Entry = LineEntry.Points } } },
            { "/road/elements/0/endRadius", b => b with { Road = TestBridges.Arc(300, 0) } },
            {
                "/deck/patterns/0/left/0/width",
                b => b with { Deck = b.Deck.With(p => p with { Left = p.Left.SetItem(0, p.Left[0] with { Width = -3 }) }) }
            },
            {
                "/deck/patterns/0/left",
                b =>
                    b with
                    {
                        Deck = b.Deck.With(p =>
                            p with
                            {
                                Left = [new() { Kind = StripKind.Footway, Width = 5 }],
                                Right = [new() { Kind = StripKind.Footway, Width = 5 }],
                            }
                        ),
                    }
            },
            {
                "/deck/patterns/0/left",
                b =>
                    b with
                    {
                        Deck = b.Deck.With(p => p with { Left = [new() { Width = 1.4 }], Right = [new() { Width = 1.4 }] }),
                        Girders = b.Girders with { Count = 1, OverhangLeft = 1.4 },
                    }
            },
            {
                "/deck/patterns/0/left/1/upstand",
                b => b with { Deck = b.Deck.With(p => p with { Left = p.Left.SetItem(1, p.Left[1] with { Upstand = -0.4 }) }) }
            },
            { "/girders/count", b => b with { Girders = b.Girders with { Count = 30 } } },
            { "/girders/count", b => b with { Girders = b.Girders with { Count = 0 } } },
            { "/sections/0/sizes/depth", b => WithSection(b, new() { Sizes = Sizes(("depth", 0.5)) }) },
            { "/sections/0/sizes/web", b => WithSection(b, new() { Sizes = Sizes(("web", 0)) }) },
            { "/sections/0/sizes/web", b => WithSection(b, new() { Sizes = Sizes(("web", 0.7)) }) },
            { "/sections/0/sizes/wing", b => WithSection(b, new() { Sizes = Sizes(("wing", 0.7)) }) },
            { "/sections/0/family", b => WithSection(b, new() { Family = "banana" }) },
            { "/sections/0/sizes/spacing", b => WithSection(b, new() { Family = "voidedSlab", Sizes = Sizes(("spacing", 0.4)) }) },
            { "/sections/0/sizes/voids", b => WithSection(b, new() { Family = "voidedSlab", Sizes = Sizes(("voids", 2.5)) }) },
            { "/sections/1/name", b => b with { Sections = [b.Sections[0], b.Sections[0]] } },
            { "/sections", b => b with { Sections = [] } },
            { "/sections/0/outlines", b => WithOutlines(b) },
            { "/sections/0/outlines/0", b => WithOutlines(b, Outline(false, (0, 0), (1, 1), (1, 0), (0, 1))) },
            {
                "/sections/0/outlines/1",
                b =>
                    WithOutlines(
                        b,
                        Outline(false, (0, 0), (1, 0), (1, 1), (0, 1)),
                        Outline(true, (0.8, 0.4), (1.2, 0.4), (1.2, 0.6), (0.8, 0.6))
                    )
            },
            {
                "/sections/0/outlines/1",
                b =>
                    WithOutlines(
                        b,
                        Outline(false, (0, 0), (1, 0), (1, 1), (0, 1)),
                        Outline(false, (0.5, 0.5), (1.5, 0.5), (1.5, 1.5), (0.5, 1.5))
                    )
            },
            { "/sections/0/outlines/0/corners/1/x", b => WithOutlines(b, Outline(false, (0, 0), (100, 0), (1, 1))) },
            { "/sections/0/outlines/0/corners", b => WithOutlines(b, Outline(false, (0, 0), (1, 0))) },
            { "/girders/types/0/section", b => b with { Girders = b.Girders.Typed(t => t with { Section = "Nowhere" }) } },
            { "/materials/slab/class", b => b with { Materials = b.Materials with { Slab = new() { Class = "C36/46" } } } },
            { "/materials/strand/fp01k", b => b with { Materials = b.Materials with { Strand = new() { Fp01k = 1900e6 } } } },
            { "/basis/nationalSet", b => b with { Basis = b.Basis with { NationalSet = "none" } } },
            {
                "/basis/ownValues/gammaX",
                b =>
                    b with
                    {
                        Basis = b.Basis with
                        {
                            OwnValues = new Dictionary<string, double> { ["gammaX"] = 1 }.ToImmutableSortedDictionary(),
                        },
                    }
            },
            {
                "/basis/ownValues/gammaC",
                b =>
                    b with
                    {
                        Basis = b.Basis with
                        {
                            OwnValues = new Dictionary<string, double> { ["gammaC"] = 0 }.ToImmutableSortedDictionary(),
                        },
                    }
            },
            {
                "/basis/titles/client",
                b => b with { Basis = b.Basis with { Titles = b.Basis.Titles with { Client = new string('x', 200) } } }
            },
            { "/parapets/0/weight", b => b with { Parapets = [new() { Weight = double.NaN }] } },
            { "/parapets/0/across", b => b with { Parapets = [new() { Across = 0.1 }] } },
            { "/parapets/0/profile", b => b with { Parapets = [new() { Profile = "hedge" }] } },
            { "/profiles/0/outline", b => WithProfile(b, (0, 0), (1, 1)) },
            { "/profiles/0/outline", b => WithProfile(b, (0, 0), (0.3, 1), (0.3, 0), (0, 1)) },
            { "/profiles/0/outline", b => WithProfile(b, (0, 0), (0.1, 0.1), (0.3, 0.3)) },
            { "/profiles/0/outline/1/up", b => WithProfile(b, (0, 0), (0.3, 100), (0.3, 0)) },
            {
                "/profiles/0/name",
                b => b with { Profiles = [new() { Name = "Upright concrete", Outline = [new(), new() { Up = 1 }, new() { Across = 1 }] }] }
            },
            { "/profiles", b => b with { Profiles = [null!] } },
            { "/parapets/0/boundary", b => b with { Parapets = [new() { Boundary = 9 }] } },
            { "/version", b => b with { Version = 7 } },
            { "/deck", b => b with { Deck = null! } },
        };

    private static Bridge WithProfile(Bridge bridge, params (double Across, double Up)[] corners) =>
        bridge with
        {
            Profiles = [new() { Outline = [.. corners.Select(c => new ProfileCorner { Across = c.Across, Up = c.Up })] }],
        };

    private static Bridge WithSection(Bridge bridge, SectionShape section) => bridge with { Sections = [section] };

    private static Bridge WithOutlines(Bridge bridge, params OwnOutline[] outlines) =>
        WithSection(bridge, new() { Family = SectionFamily.Own, Outlines = [.. outlines] });

    private static OwnOutline Outline(bool isVoid, params (double X, double Y)[] corners) =>
        new() { IsVoid = isVoid, Corners = [.. corners.Select(c => new SectionCorner { X = c.X, Y = c.Y })] };

    private static ImmutableSortedDictionary<string, double> Sizes(params (string Name, double Value)[] sizes) =>
        sizes.ToImmutableSortedDictionary(s => s.Name, s => s.Value);

    /// <summary>What stands on steel is refused where it cannot stand, with its place.</summary>
    [Fact]
    public void Studs_and_details_lie_on_the_steel()
    {
        var steel = WithSection(TestBridges.Demo, new() { Family = "plateGirder" });
        string[] Errors(Girders girders) =>
            [.. BridgeValidation.Check(steel with { Girders = girders }).Where(f => f.Severity == Severity.Error).Select(f => f.Path)];
        var of = steel.Girders;
        Assert.Empty(
            Errors(
                of with
                {
                    Studs = [new()],
                    Fatigue = new() { Details = [new()] },
                }
            )
        );
        Assert.Equal(["/girders/studs/0/across"], Errors(of with { Studs = [new() { Across = 0.5 }] }));
        Assert.Equal(["/girders/studs/0/across"], Errors(of with { Studs = [new() { Across = 0.02 }] }));
        Assert.Equal(["/girders/studs/0/to"], Errors(of with { Studs = [new() { From = 0.5, To = 0.4 }] }));
        Assert.Equal(["/girders/studs/0/spacing"], Errors(of with { Studs = [new() { Spacing = 0 }] }));
        Assert.Equal(["/girders/fatigue/trucksADay"], Errors(of with { Fatigue = new() { TrucksADay = -5 } }));
        Assert.Equal(["/girders/fatigue/details/0/category"], Errors(of with { Fatigue = new() { Details = [new() { Category = "F" }] } }));
        Assert.Equal(
            ["/girders/stiffeners/0/width"],
            BridgeValidation
                .Check(steel with { Girders = of with { Stiffeners = [new() { Width = 0.3 }] } })
                .Where(f => f.Path.StartsWith("/girders/stiffeners", StringComparison.Ordinal))
                .Select(f => f.Path)
        );
        var thick = WithSection(steel, new() { Family = "plateGirder", Sizes = Sizes(("bottomThickness", 0.12)) });
        Assert.Contains(BridgeValidation.Check(thick), f => f.Path == "/materials/structural/class" && f.Severity == Severity.Error);
        Assert.Equal(["/girders/fatigue/details/0/level"], Errors(of with { Fatigue = new() { Details = [new() { Level = 9 }] } }));
    }

    /// <summary>Under the Eurocodes girders of steel are told not to be checked, and are not.</summary>
    [Fact]
    public void Girders_of_steel_are_laid_out_but_not_checked()
    {
        var steel = WithSection(TestBridges.Demo, new() { Family = "plateGirder" });
        var findings = BridgeValidation.Check(steel);
        Assert.DoesNotContain(findings, f => f.Severity == Severity.Error);
        Assert.Contains(findings, f => f.Path == "/girders/types/0/section" && f.Message.Contains("under AASHTO LRFD alone"));
        var run = TestBridges.Run(steel);
        Assert.Empty(run.Outcomes);
        Assert.False(run.Passes);
        Assert.Contains(run.NotChecked, n => n.Contains("steel", StringComparison.Ordinal));
        Assert.Empty(TestBridges.Run(TestBridges.Demo).Refusals);
        var bill = Core.Quantities.Bill.Of(new(steel), null);
        Assert.DoesNotContain(bill, i => i.Key is "concrete.girders" or "steel.strands");
        Assert.True(bill.Single(i => i.Key == "steel.girders").Amount > 1e4);
    }

    [Theory]
    [MemberData(nameof(Bad))]
    public void Bad_values_are_refused_at_their_place(string path, Func<Bridge, Bridge> spoil)
    {
        var findings = BridgeValidation.Check(spoil(Bridge.New("Test")));
        Assert.Contains(findings, f => f.Severity == Severity.Error && f.Path == path);
        Assert.All(findings, f => Assert.NotEmpty(f.Message));
    }

    public static TheoryData<string, Func<Bridge, Bridge>> Wrong =>
        new()
        {
            { "/girders/overhangLeft", b => b with { Girders = b.Girders with { OverhangLeft = 0 } } },
            { "/girders/overhangRight", b => b with { Girders = b.Girders with { OverhangRight = 0.2 } } },
            {
                "/girders/types/0/strands/rows/0/count",
                b => b with { Girders = b.Girders.Typed(t => t with { Strands = t.Strands with { Rows = [new() { Count = 20 }] } }) }
            },
            {
                "/girders/types/0/strands/rows/0/level",
                b =>
                    b with
                    {
                        Girders = b.Girders.Typed(t => t with { Strands = t.Strands with { Rows = [new() { Level = 1.3, Count = 2 }] } }),
                    }
            },
            {
                "/girders/slabBars/top/axisDistance",
                b =>
                    b with
                    {
                        Girders = b.Girders with
                        {
                            SlabBars = b.Girders.SlabBars with { Top = b.Girders.SlabBars.Top with { AxisDistance = 0.3 } },
                        },
                    }
            },
        };

    /// <summary>What is wrong but can be drawn is kept; nothing is analysed until it is mended, as its repair does.</summary>
    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_can_be_drawn_is_kept_as_a_fault(string path, Func<Bridge, Bridge> spoil)
    {
        var bridge = spoil(Bridge.New("Test"));
        var findings = BridgeValidation.Check(bridge);
        Assert.DoesNotContain(findings, f => f.Severity == Severity.Error);
        var fault = Assert.Single(findings, f => f.Severity == Severity.Fault && f.Path == path);
        Assert.Contains(fault.Message, BridgeRun.Refusal(bridge));
        if (fault.Repair is null)
            return;
        var patch = fault.Repair.Patch.Select(o => new PatchOperation(o.Op, o.Path, System.Text.Json.Nodes.JsonNode.Parse(o.Value)));
        Assert.DoesNotContain(BridgeEditing.Apply(bridge, [.. patch]).Findings, f => f.Severity == Severity.Fault && f.Path == path);
    }

    [Fact]
    public void The_defaults_and_the_examples_are_sound()
    {
        Assert.Empty(BridgeValidation.Check(Bridge.New("Test")));
        Assert.Empty(BridgeValidation.Check(TestBridges.Demo));
    }

    /// <summary>At a skew of 30° the right corner of the first axis lies 5.45·tan 30° before it, and the deck 0.6 m further.</summary>
    [Fact]
    public void A_road_too_short_for_a_corner_is_told_and_mended()
    {
        var demo = Bridge.New("Short") with
        {
            Axes = new()
            {
                FirstStation = 2,
                Spans = [20],
                Skew = Math.PI / 6,
            },
        };
        var finding = Assert.Single(BridgeValidation.Check(demo));
        Assert.Equal(2 - 5.45 * Math.Tan(Math.PI / 6) - 0.6, finding.Station!.Value, 1e-9);
        Assert.Contains("first right corner", finding.Message);
        Assert.Contains("2.747 m more", finding.Message);
        var patch = finding
            .Repair!.Patch.Select(o => new PatchOperation(o.Op, o.Path, System.Text.Json.Nodes.JsonNode.Parse(o.Value)))
            .ToList();
        var mended = BridgeEditing.Apply(demo, patch);
        Assert.Empty(mended.Findings);
        var (before, after) = (new BridgeGeometry(demo), new BridgeGeometry(mended.Bridge!));
        Assert.Equal(0, Geometry.Point.Distance(before.Girders[2].AtAxes()[1], after.Girders[2].AtAxes()[1]), 1e-9);
    }

    [Fact]
    public void A_girder_that_leaves_a_curved_deck_is_a_fault_that_following_the_road_mends()
    {
        var bridge = TestBridges.Symmetric(0, 40) with { Road = TestBridges.Arc(100, 80) };
        var fault = BridgeValidation.Check(bridge).First(f => f.Severity == Severity.Fault && f.Message.Contains("curved"));
        Assert.Equal("Let the girders follow the road", fault.Repair!.Label);
        var mended = BridgeEditing.Apply(bridge, [new("replace", fault.Repair.Patch[0].Path, Girders.WithRoad)]);
        Assert.DoesNotContain(mended.Findings, f => f.Severity >= Severity.Fault);
    }

    [Fact]
    public void A_footway_without_kerb_is_a_warning_with_a_repair()
    {
        var deck = TestBridges.Demo.Deck;
        var bridge = TestBridges.Demo with
        {
            Deck = deck.With(p => p with { Surfacing = 0.2, Left = p.Left.SetItem(1, p.Left[1] with { Upstand = 0.02 }) }),
        };
        var finding = Assert.Single(BridgeValidation.Check(bridge), f => f.Path == "/deck/patterns/0/left/1/upstand");
        Assert.Equal(Severity.Warning, finding.Severity);
        Assert.Equal("0.12", finding.Repair!.Patch[0].Value);
    }
}
