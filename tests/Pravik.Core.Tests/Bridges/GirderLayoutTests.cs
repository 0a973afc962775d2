using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Geometry;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

/// <summary>Girders laid out span by span.</summary>
public class GirderLayoutTests
{
    private static Bridge With(Bridge bridge, params (string Span, SpanLayout Layout)[] spans) =>
        bridge with
        {
            Girders = bridge.Girders with { Spans = spans.ToImmutableSortedDictionary(s => s.Span, s => s.Layout) },
        };

    [Fact]
    public void An_overhang_of_a_span_that_is_too_small_is_a_fault_at_its_place()
    {
        foreach (
            var own in new SpanLayout[]
            {
                new() { OverhangLeft = 0.2 },
                new() { OverhangRight = 0.2 },
            }
        )
        {
            var place = own.OverhangLeft is null ? "overhangRight" : "overhangLeft";
            var findings = BridgeValidation.Check(With(TestBridges.OneType, ("2", own)));
            Assert.Equal($"/girders/spans/2/{place}", Assert.Single(findings, f => f.Severity == Severity.Fault).Path);
        }
    }

    [Fact]
    public void A_span_has_its_own_values_those_it_follows_and_the_common_ones()
    {
        var bridge = With(
            TestBridges.OneType,
            ("2", new() { OverhangLeft = 1.1, Spacings = [2.1, 2.2, 2.3, 2.0] }),
            ("3", new() { Follows = "2", StartGap = 0.5 })
        );
        var geometry = new BridgeGeometry(bridge);
        Assert.Equal(
            (0.95, 0.95, 0),
            (geometry.LayoutOf(0).OverhangLeft, geometry.LayoutOf(0).OverhangRight, geometry.LayoutOf(0).Spacings.Length)
        );
        Assert.Equal((1.1, 0.5, 0.35), (geometry.LayoutOf(2).OverhangLeft, geometry.LayoutOf(2).StartGap, geometry.LayoutOf(2).EndGap));
        Assert.Equal(
            "2.1 2.2 2.3 2",
            string.Join(" ", geometry.LayoutOf(2).Spacings.Select(s => s.ToString(System.Globalization.CultureInfo.InvariantCulture)))
        );
        // At their axes girders lie where the list says, from the left edge.
        var offsets = geometry.Girders.Select(g => g.In(1).StartOffset - geometry.LeftEdge(geometry.Axes[1].Station)).ToList();
        foreach (var (expected, actual) in new[] { 1.1, 3.2, 5.4, 7.7, 9.7 }.Zip(offsets))
            Assert.Equal(expected, actual, 1e-6);
        Assert.Equal(geometry.Girders[0].SpanLength(2) - 0.85, geometry.LengthOf(geometry.Girders[0], 2), 1e-12);
        // Own values are kept by what no longer follows.
        Assert.Equal(
            0.5,
            new BridgeGeometry(With(bridge, ("2", bridge.Girders.Spans["2"]), ("3", bridge.Girders.Spans["3"] with { Follows = null })))
                .LayoutOf(2)
                .StartGap
        );
    }

    /// <summary>
    /// On a straight road with a skew of 30°, distances along the axis are 1/cos 30° of the square ones: direct intersection of lines.
    /// </summary>
    [Fact]
    public void Distances_may_be_measured_along_the_axis()
    {
        var skew = Math.PI / 6;
        var plain = TestBridges.Symmetric(skew, 20);
        var geometry = new BridgeGeometry(
            plain with
            {
                Girders = plain.Girders with { AlongAxis = true, OverhangLeft = 1.3, OverhangRight = 1.2 },
            }
        );
        var axis = geometry.Axes[0];
        var (left, right) = geometry.EdgesOn(axis);
        var (a, b) = (geometry.Road.At(left), geometry.Road.At(right));
        Assert.Equal((right.Offset - left.Offset) / Math.Cos(skew), Point.Distance(a, b), 1e-9);
        Assert.Equal(1.3, Point.Distance(a, geometry.Girders[0].In(0).Start), 1e-9);
        Assert.Equal(1.2, Point.Distance(b, geometry.Girders[^1].In(0).Start), 1e-9);
        Assert.Equal(1.3 * Math.Cos(skew), geometry.Girders[0].In(0).StartOffset - left.Offset, 1e-9);
        var spacing = Point.Distance(geometry.Girders[0].In(0).Start, geometry.Girders[1].In(0).Start);
        Assert.All(
            geometry.Girders.Zip(geometry.Girders.Skip(1)),
            p => Assert.Equal(spacing, Point.Distance(p.First.In(0).Start, p.Second.In(0).Start), 1e-9)
        );
    }

    /// <summary>
    /// On an arc of radius R to the right about (R, 0), an axis of skew φ through the road's point and the circle of radius R − o: the
    /// end of a girder of offset o by
    /// the quadratic equation of line and circle.
    /// </summary>
    [Fact]
    public void Ends_on_a_skewed_curved_deck_are_intersections_of_axis_and_circle()
    {
        const double R = 150;
        var bridge = TestBridges.Symmetric(0.3, 20, 20) with { Road = TestBridges.Arc(120, R) };
        var geometry = new BridgeGeometry(bridge);
        var start = geometry.Road.At(0);
        var centre = start + R * Point.Towards(geometry.Road.Azimuth(0) + Math.PI / 2);
        foreach (
            var (axis, span, atEnd) in new[] { (geometry.Axes[0], 0, false), (geometry.Axes[1], 0, true), (geometry.Axes[2], 1, true) }
        )
        {
            var origin = geometry.Road.At(axis.Station);
            var along = Point.Towards(geometry.Road.Azimuth(axis.Station) + Math.PI / 2 + 0.3);
            foreach (var girder in geometry.Girders)
            {
                var (left, right, overhang) = (geometry.LeftEdge(30), geometry.RightEdge(30), bridge.Girders.OverhangLeft);
                var offset = left + overhang + (girder.Number - 1) * (right - left - 2 * overhang) / (bridge.Girders.Count - 1);
                // |origin + t·along − centre|² = (R − o)², the root near the road.
                var (b, c) = ((origin - centre).Dot(along), (origin - centre).Dot(origin - centre) - (R - offset) * (R - offset));
                var t = -b - Math.Sqrt(b * b - c);
                var at = atEnd ? girder.In(span).End : girder.In(span).Start;
                Assert.Equal(0, Point.Distance(origin + t * along, at), 1e-9);
            }
        }
    }

    public static TheoryData<string, Func<Bridge, Bridge>> Bad =>
        new()
        {
            { "/girders/spacings", b => b with { Girders = b.Girders with { Spacings = [2.2, 2.2] } } },
            { "/girders/spacings/1", b => b with { Girders = b.Girders with { Spacings = [2.2, 0, 2.2, 2.2] } } },
            { "/girders/spacings", b => b with { Girders = b.Girders with { Spacings = [2.2, 0.5, 2.2, 2.2] } } },
            { "/girders/spans/2/spacings", b => With(b, ("2", new() { Spacings = [2.6, 2.6, 2.6, 2.6] })) },
            { "/girders/spans/2/startGap", b => With(b, ("2", new() { StartGap = 4 })) },
            { "/girders/spans/2/follows", b => With(b, ("2", new() { Follows = "3" }), ("3", new() { Follows = "2" })) },
            { "/girders/spans/x", b => With(b, ("x", new())) },
        };

    [Theory]
    [MemberData(nameof(Bad))]
    public void Bad_layouts_are_refused_at_their_place(string path, Func<Bridge, Bridge> spoil) =>
        Assert.Contains(
            BridgeValidation.Check(spoil(TestBridges.OneType)),
            f => f.Severity == Severity.Error && f.Path == path && f.Message.Length > 10
        );

    private static Bridge Owned(Bridge bridge, GirderOwn own, params string[] keys) =>
        bridge with
        {
            Girders = bridge.Girders with { Own = keys.ToImmutableSortedDictionary(k => k, _ => own) },
        };

    /// <summary>The same section given to every girder by itself, or to all at once, is the same bridge.</summary>
    [Fact]
    public void Own_sections_of_all_girders_are_the_section_of_all()
    {
        var demo = TestBridges.OneType with
        {
            Sections =
            [
                .. TestBridges.OneType.Sections,
                new() { Name = "Deeper", Sizes = ImmutableSortedDictionary<string, double>.Empty.Add("depth", 1.35) },
            ],
        };
        string[] keys = [.. Enumerable.Range(1, 5).SelectMany(g => Enumerable.Range(1, 3).Select(s => $"{g}-{s}"))];
        var (each, all) = (
            TestBridges.Run(Owned(demo, new() { Section = "Deeper" }, keys)),
            TestBridges.Run(demo with { Girders = demo.Girders.Typed(t => t with { Section = "Deeper" }) })
        );
        Assert.Equal(all.Governing!.Utilisation, each.Governing!.Utilisation, 1e-12);
        // One deeper girder draws load to itself, and has a resistance of its own.
        var one = TestBridges.Run(Owned(demo, new() { Section = "Deeper" }, "2-1", "2-2", "2-3"));
        var usual = TestBridges.Run(demo);
        double Live(BridgeResults run, int girder) =>
            Enumerable
                .Range(0, run.Points.Length)
                .Where(p => run.Points[p].Girder == girder && run.Points[p].Span == 1)
                .Max(p => run.Model.Traffic!["LM1"].Greatest[p, GirderEffect.M]);
        Assert.True(Live(one, 1) > 1.05 * Live(usual, 1));
        Assert.True(Live(one, 2) < Live(usual, 2));
    }

    [Fact]
    public void A_shifted_girder_lies_aside_and_may_not_meet_its_neighbour()
    {
        var (usual, moved) = (
            new BridgeGeometry(TestBridges.OneType),
            new BridgeGeometry(Owned(TestBridges.OneType, new() { Shift = 0.3 }, "2-1", "2-2", "2-3"))
        );
        Assert.Equal(usual.Girders[1].In(1).StartOffset + 0.3, moved.Girders[1].In(1).StartOffset, 1e-9);
        Assert.Equal(usual.WetSlabWidth(usual.Girders[0], 1) + 0.15, moved.WetSlabWidth(moved.Girders[0], 1), 1e-9);
        Assert.Contains(
            BridgeValidation.Check(Owned(TestBridges.OneType, new() { Shift = 1.6 }, "2-2")),
            f => f.Severity == Severity.Error && f.Path == "/girders/own/2-2/shift"
        );
        Assert.Contains(
            BridgeValidation.Check(Owned(TestBridges.OneType, new() { Section = "None" }, "2-2")),
            f => f.Severity == Severity.Error && f.Path == "/girders/own/2-2/section"
        );
    }

    [Fact]
    public void Girders_that_step_aside_over_a_pier_are_told()
    {
        var findings = BridgeValidation.Check(With(TestBridges.OneType, ("2", new() { OverhangLeft = 1.2, OverhangRight = 1.2 })));
        Assert.DoesNotContain(findings, f => f.Severity == Severity.Error);
        Assert.Contains(findings, f => f.Path == "/girders/spans/2" && f.Message.Contains("steps aside by 0.250 m over axis 2"));
    }
}
