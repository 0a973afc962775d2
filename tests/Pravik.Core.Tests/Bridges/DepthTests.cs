using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Frames;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Solids;
using Pravik.Core.Stages;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

/// <summary>Girders whose section changes along their length, against closed forms and integrals written out here.</summary>
public class DepthTests
{
    private const double Span = 20;
    private const double Width = 0.6;

    private static readonly DepthLaw Parabola = new() { Start = 1.5, Middle = 0.9 };

    /// <summary>One rectangular girder of a width of 0.6 m, end gaps left out.</summary>
    private static Bridge Deep(DepthLaw? law, params double[] spans) =>
        TestBridges.OneGirder(spans.Length == 0 ? [Span] : spans) is var bridge
            ? bridge with
            {
                Sections =
                [
                    new()
                    {
                        Name = "R",
                        Family = "rectangle",
                        Sizes = TestSizes(("depth", 0.9), ("width", Width)),
                    },
                ],
                Girders = bridge.Girders with { Depth = law, EndGap = 0, Types = [new() { Strands = new() { Rows = [] } }] },
            }
            : null!;

    private static System.Collections.Immutable.ImmutableSortedDictionary<string, double> TestSizes(params (string, double)[] sizes) =>
        System.Collections.Immutable.ImmutableSortedDictionary.CreateRange(sizes.Select(s => KeyValuePair.Create(s.Item1, s.Item2)));

    [Theory]
    [InlineData(DepthCourse.Linear, 0.25, 1.2)] // half way between
    [InlineData(DepthCourse.Parabola, 0.25, 1.05)] // 0.9 + 0.6/4
    [InlineData(DepthCourse.Parabola, 0.0, 1.5)]
    [InlineData(DepthCourse.Parabola, 0.5, 0.9)]
    public void Depth_follows_its_course(DepthCourse course, double t, double depth)
    {
        var law = Parabola with { Course = course };
        Assert.Equal(depth, law.At(t, Span), 1e-12);
        Assert.Equal(depth, law.At(1 - t, Span), 1e-12);
        Assert.Equal(0.9, (law with { Reach = 0.2 }).At(0.2, Span), 1e-12);
        Assert.Equal(0.7, (law with { End = 0.7 }).At(1, Span), 1e-12);
    }

    /// <summary>All points of an arc lie on the circle through its end with its level point half way: x² + (R − y)² = R².</summary>
    [Fact]
    public void An_arc_is_a_circle()
    {
        var law = Parabola with { Course = DepthCourse.Arc };
        var radius = (10 * 10 + 0.6 * 0.6) / (2 * 0.6);
        for (var t = 0.0; t <= 0.5; t += 0.05)
        {
            var (x, y) = ((0.5 - t) * Span, law.At(t, Span) - 0.9);
            Assert.Equal(radius * radius, x * x + (radius - y) * (radius - y), 1e-9);
        }
    }

    /// <summary>
    /// Mean depth of the parabola is d_m + (d_e − d_m)/3; the solid, in pieces of 1 m, follows it from outside by (1/20)² of the rise.
    /// </summary>
    [Fact]
    public void Volume_is_that_of_the_integral_and_of_the_solid()
    {
        var geometry = new BridgeGeometry(Deep(Parabola));
        var volume = Width * Span * (0.9 + 0.6 / 3);
        Assert.Equal(volume, geometry.GirderVolume(geometry.Girders[0], 0), 1e-6);
        var solids = new BridgeSolids(geometry).Girders().ToList();
        Assert.All(solids, s => Assert.True(s.Solid.IsClosed));
        Assert.Equal(volume, solids.Sum(s => s.Solid.Volume), 2e-3 * volume);
        Assert.Equal(volume / Span * 25e3, geometry.GirderWeight(geometry.Girders[0], 0), 1e-3);
    }

    /// <summary>
    /// Voids keep their part of the depth, and the solid of a voided slab stays closed while it deepens. In pieces of 1 m it lies
    /// outside a parabola by h²·d″/12 = 1.1 mm on average over 14 m of 3.4 m: 0.05 m³.
    /// </summary>
    [Fact]
    public void A_voided_slab_deepens_with_its_voids()
    {
        var bridge = TestBridges.Read("clover-drove.json");
        var geometry = new BridgeGeometry(bridge);
        var pier = geometry.SectionOf(geometry.Girders[0], 0, 1);
        Assert.Equal(0.95, pier.Depth, 1e-9);
        Assert.Equal(0.475, pier.Shape.Size("height"), 1e-9);
        var solids = new BridgeSolids(geometry).Girders().ToList();
        Assert.All(solids, s => Assert.True(s.Solid.IsClosed && s.Solid.Volume > 0, s.Name));
        Assert.Equal(
            Enumerable.Range(0, 2).Sum(span => geometry.GirderVolume(geometry.Girders[0], span)),
            solids.Sum(s => s.Solid.Volume),
            0.06
        );
    }

    /// <summary>With the top kept straight the soffit arches by the depth's rise; with the soffit straight the haunch does.</summary>
    [Fact]
    public void Either_the_soffit_or_the_top_keeps_straight()
    {
        var bridge = Deep(Parabola) with { Road = TestBridges.Straight(40) };
        bridge = bridge with { Girders = bridge.Girders.Typed(t => t with { Camber = 0, GreatestHaunch = 1 }) };
        var arched = new BridgeGeometry(bridge);
        var (girder, line) = (arched.Girders[0], arched.HaunchOf(arched.Girders[0], 0));
        var flat = line.SlabDeflection;
        Assert.Equal(0.6 + line.Camber, line.Bottom(0.5) - line.Bottom(0), 1e-9);
        var straight = new BridgeGeometry(
            bridge with
            {
                Girders = bridge.Girders.Typed(t => t with { Camber = flat }) with { Depth = Parabola with { SoffitStraight = true } },
            }
        );
        var other = straight.HaunchOf(straight.Girders[0], 0);
        Assert.Equal(other.Bottom(0), other.Bottom(0.5), 1e-9);
        Assert.Equal(0.6, other.At(0.5) - other.At(0), 1e-9);
        Assert.Equal(other.Least, bridge.Deck.Haunch, 1e-6);
    }

    /// <summary>
    /// Own weight of a parabola, w = γb·(d_m + (d_e − d_m)(1 − 2x)²): M half way = γbL²·[d_m/8 + (d_e − d_m)/48], V at the end = half
    /// the weight.
    /// </summary>
    [Fact]
    public void Own_weight_on_the_girder_alone()
    {
        var geometry = new BridgeGeometry(Deep(Parabola));
        var girders = Weight(Analysis.Stages.Reading.OnAxes(Deep(Parabola)));
        var expected = 25e3 * Width * Span * Span * (0.9 / 8 + 0.6 / 48);
        Assert.Equal(expected, girders.M, 1e-3 * expected);
        Assert.Equal(0, girders.V, 1e-3 * 25e3 * geometry.GirderVolume(geometry.Girders[0], 0));
    }

    /// <summary>Forces half way under the girder's own weight, on it alone.</summary>
    private static SectionForces Weight(Bridge bridge)
    {
        var results = ModelRun.Run(new(bridge with { Model = bridge.Model with { Divisions = 40 } }), withTraffic: false);
        var middle = results.Points.IndexOf(results.Points.First(p => Math.Abs(p.Fraction - 0.5) < 1e-9));
        return results.Cases.Single(c => c.Name == CaseNames.Girders).Effects.Forces(middle);
    }

    /// <summary>
    /// Deflection of a simple span under a load half way, P·∫ m²/(E·I) ds with the composite section at every point: members of a
    /// fortieth of the span each as it is half
    /// way along are within the 0.5 % that dividing twice as fine may change.
    /// </summary>
    [Fact]
    public void Members_are_short_enough()
    {
        var geometry = new BridgeGeometry(Deep(Parabola));
        var model = new ModelBuilder(geometry, new() { Divisions = 40 }).Build(StageState.Finished(1));
        var middle = model.Mesh.OfGirder(0, 20);
        var load = new FrameCase("middle") { Nodal = [DeckShares.Down(middle, 1e3)] };
        var deflection = -new FrameAnalysis(model.Frame).Solve([load]).Cases[0].Displacements[middle][2];
        var modulus = Concrete.Of(geometry.Bridge.Girders.Types[0].Concrete).Ecm;
        const int Steps = 4000;
        var expected =
            Enumerable
                .Range(0, Steps)
                .Select(i => (i + 0.5) / Steps)
                .Sum(t =>
                    Math.Pow(Span * Math.Min(t, 1 - t) / 2, 2)
                    / (modulus * EffectiveSlab.Composite(geometry, geometry.Girders[0], 0, t).SecondMoment)
                )
            * Span
            / Steps
            * 1e3;
        // The girder is stiffened by the nominal edge members, by less than 0.2 %.
        Assert.Equal(expected, deflection, 0.004 * expected);
    }

    [Fact]
    public void Ranges_hold_where_they_lie_and_the_later_one_wins()
    {
        var bridge = Deep(null) is var plain
            ? plain with
            {
                Sections = plain.Sections.Add(
                    new()
                    {
                        Name = "Deeper",
                        Family = "rectangle",
                        Sizes = TestSizes(("depth", 1.3), ("width", Width)),
                    }
                ),
                Girders = plain.Girders with
                {
                    Ranges =
                    [
                        new() { To = 0.25, Section = "Deeper" },
                        new() { Span = 2, Section = "Deeper" },
                        new() { From = 0.2, To = 0.3 },
                    ],
                },
            }
            : null!;
        Assert.DoesNotContain(BridgeValidation.Check(bridge), f => f.Severity == Core.Findings.Severity.Error);
        var geometry = new BridgeGeometry(bridge);
        var girder = geometry.Girders[0];
        Assert.Equal([1.3, 0.9, 0.9, 0.9], new[] { 0.1, 0.22, 0.28, 0.5 }.Select(t => geometry.SectionOf(girder, 0, t).Depth));
        Assert.Equal(Width * Span * (0.2 * 1.3 + 0.8 * 0.9), geometry.GirderVolume(girder, 0), 1e-9);
        Assert.Equal(geometry.GirderVolume(girder, 0), new BridgeSolids(geometry).Girders().Sum(s => s.Solid.Volume), 0.01);
        Assert.Equal(["Deeper", "R"], geometry.SectionsInUse.Select(s => s.Shape.Name).Order());
    }

    /// <summary>Wet slab on the bare girder: 5wL⁴/(384EI) alone; wL⁴/(192EI) where two equal spans run on over the pier.</summary>
    [Fact]
    public void A_girder_that_runs_on_deflects_as_a_continuous_beam()
    {
        var bridge = Deep(null, Span, Span);
        double Of(bool runsOn) =>
            new BridgeGeometry(bridge with { Girders = bridge.Girders with { RunsOn = runsOn } }) is var g
                ? g.HaunchOf(g.Girders[0], 1).SlabDeflection
                : 0;
        Assert.Equal(Of(false) * 2 / 5, Of(true), 1e-9 * Of(true));
        Assert.Equal(
            0,
            new BridgeGeometry(bridge with { Girders = bridge.Girders with { CastInPlace = true } }) is var g
                ? g.HaunchOf(g.Girders[0], 0).SlabDeflection
                : 1
        );
    }

    /// <summary>A law of depth that is level all along is no law: all results stay.</summary>
    [Fact]
    public void A_level_law_changes_nothing()
    {
        var (plain, level) = (new BridgeGeometry(Deep(null)), new BridgeGeometry(Deep(new() { Start = 0.9, Middle = 0.9 })));
        Assert.Equal(plain.GirderVolume(plain.Girders[0], 0), level.GirderVolume(level.Girders[0], 0), 1e-9);
        Assert.Equal(plain.HaunchOf(plain.Girders[0], 0).SlabDeflection, level.HaunchOf(level.Girders[0], 0).SlabDeflection, 1e-12);
        double[] Seconds(BridgeGeometry of) =>
            [.. new ModelBuilder(of, new()).Build(StageState.Finished(1)).Sections[0].Select(x => x!.Composite.SecondMoment)];
        Assert.Equal(Seconds(plain), Seconds(level), (a, b) => Math.Abs(a - b) < 1e-9 * a);
    }

    [Theory]
    [InlineData("/girders/depth/start", 0.05, 0.9, "parabola")]
    [InlineData("/girders/depth/middle", 1.5, 20, "parabola")]
    [InlineData("/girders/depth/reach", 9, 0.3, "arc")]
    public void Bad_laws_are_refused_at_their_place(string path, double start, double middle, string course)
    {
        var law = new DepthLaw
        {
            Start = start,
            Middle = middle,
            Course = Enum.Parse<DepthCourse>(course, true),
            Reach = course == "arc" ? 0.1 : 0.5,
        };
        Assert.Contains(BridgeValidation.Check(Deep(law)), f => f.Path == path && f.Severity == Core.Findings.Severity.Error);
    }

    [Fact]
    public void A_section_without_depth_or_too_shallow_a_place_is_told()
    {
        var round = Deep(Parabola) with { Sections = [new() { Name = "Column", Family = "round" }] };
        Assert.Contains(BridgeValidation.Check(round), f => f.Path == "/girders/depth" && f.Message.Contains("has no depth"));
        var girders = TestBridges.Symmetric(0, 20) is var b
            ? b with
            {
                Girders = b.Girders with
                {
                    Depth = new() { Start = 1.2, Middle = 0.5 },
                },
            }
            : null!;
        Assert.Contains(
            BridgeValidation.Check(girders),
            f => f.Path == "/girders/depth/middle" && f.Message.Contains("cannot be 500 mm deep")
        );
    }
}
