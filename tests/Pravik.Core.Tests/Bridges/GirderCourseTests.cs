using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Geometry;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Solids;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

/// <summary>Where girders run, which there are, and what stands between them.</summary>
public class GirderCourseTests
{
    private const double Radius = 150;

    private static Bridge Curved(string? course) =>
        TestBridges.Symmetric(0, 30, 30) is var b
            ? b with
            {
                Road = TestBridges.Arc(140, Radius),
                Girders = b.Girders with { Course = course },
            }
            : null!;

    private static Bridge With(Bridge bridge, Func<Girders, Girders> change) => bridge with { Girders = change(bridge.Girders) };

    /// <summary>On an arc that turns right a girder at offset o has the radius R − o and the length L·(R − o)/R.</summary>
    [Fact]
    public void Concentric_girders_keep_their_offset_and_have_the_length_of_their_arc()
    {
        var geometry = new BridgeGeometry(Curved(Girders.WithRoad));
        foreach (var girder in geometry.Girders)
        {
            var offset = girder.In(0).StartOffset;
            Assert.Equal(30 * (Radius - offset) / Radius, girder.SpanLength(0), 1e-5);
            Assert.All(
                Enumerable.Range(0, 11),
                i => Assert.Equal(offset, geometry.Road.Locate(geometry.OnGirder(girder, 0, i / 10.0)).Offset, 1e-6)
            );
            // Fractions are parts of the length.
            Assert.Equal(30 + 30 * 0.3, geometry.Road.Locate(geometry.OnGirder(girder, 0, 0.3)).Station, 1e-4);
            Assert.Equal(0, girder.In(0).Along(0.4).Dot(girder.In(0).Right(0.4)), 1e-12);
        }
        Assert.All(new BridgeSolids(geometry).Girders(), s => Assert.True(s.Solid.IsClosed));
    }

    /// <summary>A chord lies inside the arc by its rise L²/8R, within a part in a thousand.</summary>
    [Fact]
    public void Straight_girders_cut_the_corner()
    {
        var geometry = new BridgeGeometry(Curved(null));
        var girder = geometry.Girders[0];
        var chord = girder.SpanLength(0);
        var radius = Radius - girder.In(0).StartOffset;
        Assert.Equal(
            chord * chord / (8 * radius),
            geometry.Road.Locate(geometry.OnGirder(girder, 0, 0.5)).Offset - girder.In(0).StartOffset,
            2e-3
        );
    }

    [Fact]
    public void Concentric_girders_are_analysed_and_carry_their_load()
    {
        var run = TestBridges.Run(Curved(Girders.WithRoad));
        Assert.All(run.Model.Cases, c => Assert.True(c.Account.Imbalance < 1e-8, $"{c.Name}: {c.Account.Imbalance}"));
        Assert.All(run.Model.Cases.Where(c => c.Stage is not null), c => Assert.Equal(c.Account.Load, c.Account.Reaction, 1.0));
    }

    /// <summary>
    /// Between its ends, which the layout gives, a girder bows as the line does: by the line's offset over that of the chord of its
    /// ends.
    /// </summary>
    [Fact]
    public void Girders_follow_a_line_of_the_road_file()
    {
        var kerb = new Core.Roads.RoadFeature
        {
            Name = "Kerb",
            Elements =
            [
                new()
                {
                    Length = 122,
                    StartRadius = 250,
                    EndRadius = 250,
                    Start = new(-1, -8, Math.PI / 2 - 0.2),
                },
            ],
        };
        var bridge = TestBridges.Symmetric(0, 20) is var b
            ? b with
            {
                Road = b.Road with { Features = [kerb] },
                Girders = b.Girders with { Course = "Kerb" },
            }
            : null!;
        Assert.DoesNotContain(BridgeValidation.Check(bridge), f => f.Severity == Severity.Error);
        var geometry = new BridgeGeometry(bridge);
        var line = geometry.Road.Features.Single();
        foreach (var station in new[] { 33.0, 40, 46 })
        {
            var bow = line.OffsetAt(station) - (line.OffsetAt(30) + (station - 30) / 20 * (line.OffsetAt(50) - line.OffsetAt(30)));
            Assert.True(Math.Abs(bow) > 0.05);
            Assert.All(geometry.Girders, g => Assert.Equal(g.In(0).StartOffset + bow, geometry.GirderOffsetAt(g, station)!.Value, 1e-6));
        }
        Assert.Contains(BridgeValidation.Check(With(bridge, g => g with { Course = "Ditch" })), f => f.Path == "/girders/course");
    }

    [Fact]
    public void Spans_may_have_other_counts_and_are_not_analysed_then()
    {
        var bridge = With(TestBridges.Symmetric(0, 20, 20), g => g with { Spans = g.Spans.Add("2", new() { Count = 5 }) });
        var findings = BridgeValidation.Check(bridge);
        Assert.DoesNotContain(findings, f => f.Severity == Severity.Error);
        Assert.Contains(findings, f => f.Message.Contains("nor checked"));
        var geometry = new BridgeGeometry(bridge);
        Assert.Equal([4, 5], Enumerable.Range(0, 2).Select(s => geometry.GirdersIn(s).Length));
        Assert.Equal(9, geometry.Pieces.Count());
        // The slab is shared among those that are there.
        foreach (var span in new[] { 0, 1 })
            Assert.Equal(
                geometry.RightEdge(40) - geometry.LeftEdge(40),
                geometry.GirdersIn(span).Sum(g => geometry.WetSlabWidth(g, span)),
                1e-9
            );
        Assert.Throws<NotSupportedException>(() => TestBridges.Run(bridge));
        // Over the pier, girders of both spans that do not meet have bearings of their own.
        var pier = SupportPlace.All(geometry, null)[1];
        Assert.Equal(4 + 5 - 2, pier.Bearings.Length); // the outer ones meet
    }

    [Fact]
    public void A_girder_left_out_gives_its_slab_to_its_neighbours()
    {
        var bridge = With(TestBridges.Symmetric(0, 20, 20), g => g with { Own = g.Own.Add("2-1", new() { Absent = true }) });
        var (all, less) = (new BridgeGeometry(TestBridges.Symmetric(0, 20, 20)), new BridgeGeometry(bridge));
        var spacing = all.SpacingAt(40);
        Assert.Equal(spacing, less.WetSlabWidth(less.Girders[0], 0) - all.WetSlabWidth(all.Girders[0], 0) + spacing / 2, 1e-9);
        Assert.Equal(all.WetSlabWidth(all.Girders[0], 1), less.WetSlabWidth(less.Girders[0], 1), 1e-9);
        Assert.Null(less.Girders[1].Spans[0]);
        Assert.Throws<InvalidOperationException>(() => less.Girders[1].In(0));
        var none = With(bridge, g => g with { Count = 1, OverhangLeft = 4, Own = g.Own.Clear().Add("1-1", new() { Absent = true }) });
        Assert.Contains(BridgeValidation.Check(none), f => f.Path == "/girders/own/1-1/absent" && f.Severity == Severity.Error);
    }

    /// <summary>A girder added: the others keep their places, and own values of those on the right go with them.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    public void A_girder_is_added_among_others_that_stay(int number)
    {
        var bridge = With(TestBridges.Symmetric(0.3, 20, 20), g => g with { Own = g.Own.Add("3-2", new() { Camber = 0.03 }) });
        var geometry = new BridgeGeometry(bridge);
        var wider = With(bridge, _ => GirderAddition.RightOf(geometry, geometry.Girders[number - 1], 1));
        Assert.DoesNotContain(BridgeValidation.Check(wider), f => f.Severity == Severity.Error);
        var after = new BridgeGeometry(wider);
        Assert.Equal([4, 5], Enumerable.Range(0, 2).Select(s => after.GirdersIn(s).Length));
        var before = geometry.Girders.Select(g => g.In(1).StartOffset).ToList();
        Assert.All(before, o => Assert.Contains(after.GirdersIn(1), g => Math.Abs(g.In(1).StartOffset - o) < 1e-6));
        Assert.Equal(0.03, wider.Girders.Own[number < 3 ? "4-2" : "3-2"].Camber);
    }

    [Fact]
    public void Girders_that_run_on_have_no_gap_at_the_pier()
    {
        var bridge = With(TestBridges.Symmetric(0, 20, 20, 20), g => g with { Spans = g.Spans.Add("1", new() { RunsOn = true }) });
        var geometry = new BridgeGeometry(bridge);
        Assert.Equal(
            [(0.35, 0.0), (0.0, 0.35), (0.35, 0.35)],
            Enumerable.Range(0, 3).Select(s => (geometry.LayoutOf(s).StartGap, geometry.LayoutOf(s).EndGap))
        );
        // Girder and wet slab are simple spans in the analysis; these are not.
        Assert.NotEmpty(TestBridges.Run(bridge).Refusals);
        var joint = bridge with { Axes = bridge.Axes with { Own = bridge.Axes.Own.Add("2", new() { Kind = AxisKind.Joint }) } };
        Assert.Contains(BridgeValidation.Check(joint), f => f.Path == "/girders/spans/1/runsOn" && f.Severity == Severity.Error);
    }

    /// <summary>
    /// Square to the girders of a skewed bridge, a diaphragm is as long as their spacing; at the same part of all it follows the skew.
    /// </summary>
    [Fact]
    public void A_square_diaphragm_is_square()
    {
        const double Skew = 0.4;
        DiaphragmBay Bay(bool square) =>
            new BridgeGeometry(With(TestBridges.Symmetric(Skew, 20), g => g with { Diaphragms = [new() { Square = square }] }))
                .DiaphragmBays()
                .First();
        var (square, skewed) = (Bay(true), Bay(false));
        var spacing = square.Right.In(0).MiddleOffset - square.Left.In(0).MiddleOffset;
        Assert.Equal(spacing, Point.Distance(square.From, square.To), 1e-9);
        Assert.Equal(0, (square.To - square.From).Dot(square.Left.In(0).Along(0.5)), 1e-9);
        Assert.Equal(spacing / Math.Cos(Skew), Point.Distance(skewed.From, skewed.To), 1e-6);
        // Both have their middle in one place.
        Assert.Equal(0, Point.Distance(Point.Between(square.From, square.To, 0.5), Point.Between(skewed.From, skewed.To, 0.5)), 1e-9);
    }

    /// <summary>A place by distance stays when the span grows; one by part goes along.</summary>
    [Fact]
    public void A_place_is_a_part_of_the_span_or_a_distance()
    {
        double Place(double span, double? distance) =>
            new BridgeGeometry(
                With(TestBridges.Symmetric(0, span), g => g with { Diaphragms = [new() { At = 0.25, Distance = distance }] })
            )
                .DiaphragmBays()
                .First()
                is var bay
                ? bay.OnLeft * span
                : 0;
        Assert.Equal([5, 7.5, 4, 4], [Place(20, null), Place(30, null), Place(20, 4), Place(30, 4)]);
    }

    /// <summary>
    /// An X of two diagonals and a bottom bar: 2·√(c² + (0.9h)²) + c. Its weight is its bars', and so is its solids' but for their box.
    /// </summary>
    [Fact]
    public void A_cross_frame_weighs_what_its_bars_do()
    {
        var bridge = TestBridges.Symmetric(0, 20) is var b
            ? b with
            {
                Sections = b.Sections.Add(new() { Name = "Angle", Family = "angle" }),
                Girders = b.Girders with
                {
                    Diaphragms =
                    [
                        new()
                        {
                            Kind = DiaphragmKind.CrossFrame,
                            Depth = 1,
                            Stage = DiaphragmStage.BeforeSlab,
                        },
                    ],
                },
            }
            : null!;
        var geometry = new BridgeGeometry(bridge);
        var bay = geometry.DiaphragmBays().First();
        var length = 2 * Math.Sqrt(bay.Clear * bay.Clear + 0.9 * 0.9) + bay.Clear;
        Assert.Equal(length, bay.BarLength, 1e-9);
        var area = 0.12 * 0.012 + 0.108 * 0.012;
        Assert.Equal(area * length * 77e3, bay.Weight(geometry), 1e-6);
        var solids = new BridgeSolids(geometry).Diaphragms().ToList();
        Assert.Equal(9, solids.Count);
        Assert.All(solids, s => Assert.True(s.Solid.IsClosed && s.Solid.Volume > 0));
        Assert.Contains(
            BridgeValidation.Check(bridge with { Sections = [bridge.Sections[0]] }),
            f => f.Path == "/girders/diaphragms/0/kind"
        );
    }

    /// <summary>Before the slab a diaphragm is on its girders alone; after it, on the finished deck, and the balance knows it.</summary>
    [Fact]
    public void The_stage_of_a_diaphragm_says_what_carries_it()
    {
        double Later(DiaphragmStage stage)
        {
            var geometry = new BridgeGeometry(With(TestBridges.Symmetric(0, 20), g => g with { Diaphragms = [new() { Stage = stage }] }));
            return new PermanentLoads(
                geometry,
                DeckMesh.Of(geometry, [.. geometry.Bridge.Axes.Spans.Select(_ => MeshRows.Even(40))])
            ).SuperimposedTotal();
        }
        var weight = new BridgeGeometry(With(TestBridges.Symmetric(0, 20), g => g with { Diaphragms = [new()] })) is var with
            ? with.DiaphragmBays().Sum(b => b.Weight(with))
            : 0;
        Assert.Equal(weight, Later(DiaphragmStage.AfterSlab) - Later(DiaphragmStage.BeforeSlab), 1e-6 * weight);
    }

    [Fact]
    public void Stiffeners_stand_where_they_are_wanted_and_weigh_their_plates()
    {
        var geometry = new BridgeGeometry(TestBridges.Read("ellow-viaduct.json"));
        var places = geometry.StiffenerPlaces().ToList();
        // Four girders in four spans: 0.8·118 ft in bays of at most 12 ft are 8 bays, 0.8·156 ft 11 (curved ones a little more); one
        // pair over every bearing.
        Assert.Equal(4 * (4 + 1), places.Count(p => p.Index == 1));
        Assert.All(
            places.Where(p => p.Index == 0).GroupBy(p => (p.Girder, p.Span)),
            g => Assert.InRange(g.Count(), g.Key.Span.Value is 0 or 3 ? 9 : 11, g.Key.Span.Value is 0 or 3 ? 9 : 12)
        );
        var solids = new BridgeSolids(geometry).Stiffeners().ToList();
        Assert.All(solids, s => Assert.True(s.Solid.IsClosed && s.Solid.Volume > 0));
        Assert.Equal(places.Sum(p => p.Volume), solids.Sum(s => s.Solid.Volume), 1e-3 * places.Sum(p => p.Volume));
    }

    /// <summary>
    /// Slab over steel by the ratio of their moduli, n = E_s/E_cm, by hand: A_s·A_c/n/(A_s + A_c/n)·e² and the parts' own.
    /// </summary>
    [Fact]
    public void Steel_and_slab_are_composite_by_the_ratio_of_their_moduli()
    {
        var geometry = new BridgeGeometry(TestBridges.Read("ellow-viaduct.json"));
        var girder = geometry.Girders[1];
        var composite = EffectiveSlab.Composite(geometry, girder, 1);
        var steel = geometry.SectionOf(girder, 1).Bending;
        var n = 29000 * 6894757.293168 / (22e9 * Math.Pow(3.8, 0.3));
        var (left, right) = EffectiveSlab.ClearWidths(geometry, girder, 1);
        var (spans, span) = EffectiveSlab.Continuous(geometry, girder, 1);
        var width = Core.Sections.EffectiveWidth.Of(
            geometry.SectionOf(girder, 1).WebWidth,
            left,
            right,
            Core.Sections.EffectiveWidth.ZeroMomentLength(spans, span)
        );
        var (slab, haunch) = (width * 0.2286 / n, 0.4572 * 0.0508 / n);
        var (atSlab, atHaunch) = (steel.Depth + 0.0508 + 0.2286 / 2, steel.Depth + 0.0508 / 2);
        var centre = (steel.Area * steel.Centroid + slab * atSlab + haunch * atHaunch) / (steel.Area + slab + haunch);
        var inertia =
            steel.SecondMoment
            + steel.Area * Math.Pow(steel.Centroid - centre, 2)
            + slab * (0.2286 * 0.2286 / 12 + Math.Pow(atSlab - centre, 2))
            + haunch * (0.0508 * 0.0508 / 12 + Math.Pow(atHaunch - centre, 2));
        Assert.Equal(inertia, composite.SecondMoment, 1e-6 * inertia);
    }

    public static TheoryData<string, Func<Girders, Girders>> Bad =>
        new()
        {
            { "/girders/spans/2/count", g => g with { Spans = g.Spans.Add("2", new() { Count = 0 }) } },
            { "/girders/spans/2/count", g => g with { Spans = g.Spans.Add("2", new() { Count = 30 }) } },
            { "/girders/spacings", g => g with { Spacings = [2, 2] } },
            { "/girders/ranges/0/to", g => g with { Ranges = [new() { From = 0.5, To = 0.2 }] } },
            { "/girders/ranges/0/section", g => g with { Ranges = [new() { Section = "Nothing" }] } },
            { "/girders/ranges", g => g with { Ranges = [null!] } },
            { "/girders/diaphragms/0/distance", g => g with { Diaphragms = [new() { Distance = 25 }] } },
            { "/girders/diaphragms/0/at", g => g with { Diaphragms = [new() { At = -0.1 }] } },
            { "/girders/diaphragms/0/section", g => g with { Diaphragms = [new() { Kind = DiaphragmKind.Beam, Section = "Precast I" }] } },
            { "/girders/stiffeners/0/thickness", g => g with { Stiffeners = [new() { Thickness = 1 }] } },
            { "/girders/stiffeners/0/spacing", g => g with { Stiffeners = [new() { Spacing = 0 }] } },
        };

    [Theory]
    [MemberData(nameof(Bad))]
    public void Bad_values_are_refused_at_their_place(string path, Func<Girders, Girders> change) =>
        Assert.Contains(
            BridgeValidation.Check(With(TestBridges.Symmetric(0, 20, 20), change)),
            f => f.Path == path && f.Severity == Severity.Error
        );
}
