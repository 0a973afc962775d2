using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;

namespace Pravik.Core.Tests.Effects;

/// <summary>
/// A bridge of one girder is a beam. Loads on the deck are lumped at 40 joints a span, which is exact for moments of a simple span and
/// lowers the moment over a pier by 1/40² of w·l²/8; the nominal edge members take less than 0.01 %. Closed forms are met to 0.1 %.
/// </summary>
public class BeamTests
{
    private const double Tolerance = 0.001;

    /// <summary>Moments or shears under 10 kN/m along the road line on the finished bridge, at twentieths of the spans.</summary>
    private static double Under10(Bridge bridge, int span, int number, GirderEffect effect = GirderEffect.M)
    {
        var loaded = bridge with
        {
            Model = bridge.Model with { Divisions = 40 },
            Actions = bridge.Actions with
            {
                Cases =
                [
                    new()
                    {
                        Name = "Line",
                        Loads =
                        [
                            new()
                            {
                                Kind = OwnLoadKind.Line,
                                Station = bridge.Axes.FirstStation,
                                ToStation = bridge.Axes.FirstStation + bridge.Axes.Spans.Sum(),
                                Value = 10e3,
                            },
                        ],
                    },
                ],
            },
        };
        var results = ModelRun.Run(new(loaded), withTraffic: false);
        var point = Array.FindIndex([.. results.Points], p => p.Girder == 0 && p.Span == span && Math.Abs(p.Fraction * 20 - number) < 1e-9);
        return results.Find(CaseId.Own(1))!.Effects[point, effect];
    }

    private static void Near(double expected, double actual) => Assert.Equal(expected, actual, Math.Abs(expected) * Tolerance);

    [Fact]
    public void Simple_span() => Near(10e3 * 20 * 20 / 8, Under10(TestBridges.OneGirder(20), 0, 10));

    [Fact]
    public void Two_equal_spans()
    {
        var bridge = TestBridges.OneGirder(20, 20);
        Near(-10e3 * 400 / 8, Under10(bridge, 0, 20)); // −w·l²/8 at the pier
        Near(10e3 * 400 * 0.07, Under10(bridge, 0, 8)); // 0.375·0.4 − 0.4²/2 = 0.07 at 0.4·l
        Near(10e3 * 20 * 0.375, Under10(bridge, 0, 0, GirderEffect.V)); // ⅜·w·l
    }

    [Fact]
    public void Three_equal_spans()
    {
        var bridge = TestBridges.OneGirder(20, 20, 20);
        Near(-0.1 * 10e3 * 400, Under10(bridge, 1, 0));
        // Small beside w·l²/8, and so judged against it.
        Assert.Equal(0.025 * 10e3 * 400, Under10(bridge, 1, 10), Tolerance * 10e3 * 400 / 8);
        Near(0.08 * 10e3 * 400, Under10(bridge, 0, 8));
    }

    [Fact]
    public void Unequal_spans_follow_the_three_moment_equation()
    {
        // 2·M·(l₁ + l₂) = −w·(l₁³ + l₂³)/4 for two spans with the same EI; both are end spans with the same effective width.
        Near(-10e3 * (Math.Pow(15, 3) + Math.Pow(21, 3)) / 8 / 36, Under10(TestBridges.OneGirder(15, 21), 0, 20));
    }

    [Theory]
    [InlineData(0, null)]
    [InlineData(35, null)]
    [InlineData(-25, -400.0)]
    public void Reactions_balance_loads_and_no_load_is_lost(double skew, double? radius)
    {
        var bridge = TestBridges.Symmetric(skew * Math.PI / 180, 16, 22, 16) with { Road = TestBridges.Arc(200, radius) };
        var geometry = new BridgeGeometry(bridge);
        var results = ModelRun.Run(geometry, withTraffic: false);
        var permanent = new PermanentLoads(geometry, results.Finished.Mesh);
        foreach (
            var (name, total) in new[]
            {
                (CaseNames.Edges, permanent.SuperimposedTotal()),
                (CaseNames.Surfacing, permanent.SurfacingTotal()),
            }
        )
        {
            var account = results.Cases.Single(c => c.Name == name).Account;
            Assert.Equal(account.Load, account.Reaction, account.Load * 1e-9);
            // On a curve the deck's pieces are chords: the spread load is that much shorter than the arc.
            Assert.Equal(total, account.Load, total * (radius is null ? 1e-9 : 1e-3));
        }
    }

    /// <summary>
    /// Girders stand on their bearings until the slab is cast: M = w·l²/8 between them, and what lies outside goes to the support, so
    /// that nothing of the weight is lost.
    /// </summary>
    [Fact]
    public void Girder_and_wet_slab_span_from_bearing_to_bearing()
    {
        var bridge = TestBridges.OneGirder(20, 20);
        var geometry = new BridgeGeometry(bridge);
        var results = ModelRun.Run(geometry, withTraffic: false);
        var (girders, weight) = (results.Cases.Single(c => c.Name == CaseNames.Girders), geometry.GirderWeight(geometry.Girders[0], 0));
        var bearings = SupportPlace.All(geometry, null)[0].Bearings[0];
        var (outer, inner) = (Math.Max(bearings.Fraction * 20, bridge.Girders.EndGap), bridge.Girders.EndGap);
        var between = 20 - outer - inner;
        // At mid-span of the axes, x from the first bearing.
        var x = 10 - outer;
        Near(weight * x * (between - x) / 2, girders.Effects[10, GirderEffect.M]);
        Assert.Equal(2 * 20 * weight, girders.Account.Load, 1e-6 * weight);
    }

    /// <summary>
    /// Shear just within the ends of a simple span is half of all that lies on it, with few pieces as with many: what the joints on the
    /// axes lead straight into the supports is counted. The slab's own strips of a grillage take 0.35 % beside the girder.
    /// </summary>
    [Theory]
    [InlineData(ModelKind.Line, 4)]
    [InlineData(ModelKind.Grillage, 4)]
    [InlineData(ModelKind.Grillage, 20)]
    [InlineData(ModelKind.Shells, 20)]
    public void Shear_at_the_supports_is_half_of_the_load(ModelKind kind, int pieces)
    {
        var bridge = TestBridges.OneGirder(20);
        bridge = bridge with { Model = bridge.Model with { Kind = kind, Divisions = pieces } };
        var results = ModelRun.Run(new(bridge), withTraffic: false);
        var surfacing = results.Cases.Single(c => c.Name == CaseNames.Surfacing);
        var (start, end) = (surfacing.Effects[0, GirderEffect.V], surfacing.Effects[results.Points.Length - 1, GirderEffect.V]);
        Assert.Equal(surfacing.Account.Load / 2, start, 2e-3 * surfacing.Account.Load);
        Assert.Equal(-start, end, 1e-6 * start);
    }

    /// <summary>Shears within both ends of every span of the demo carry what lies on the span, skew and curved as it is.</summary>
    [Fact]
    public void Shears_of_all_girders_carry_the_load_of_their_span()
    {
        var demo = TestBridges.Demo;
        var results = ModelRun.Run(new(demo), withTraffic: false);
        var edges = results.Cases.Single(c => c.Name == CaseNames.Edges);
        double sum = 0;
        for (var p = 0; p < results.Points.Length; p++)
        {
            var (first, last) = results.Finished.Mesh.Spans[results.Points[p].Span];
            var shear = edges.Effects[p, GirderEffect.V];
            sum +=
                results.Points[p].Line == first ? shear
                : results.Points[p].Line == last ? -shear
                : 0;
        }
        Assert.Equal(edges.Account.Load, sum, 0.005 * edges.Account.Load);
    }
}
