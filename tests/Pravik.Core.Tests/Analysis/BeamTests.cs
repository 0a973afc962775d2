using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Numerics;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Traffic;

namespace Pravik.Core.Tests.Analysis;

/// <summary>
/// A bridge of one girder is a beam. Loads are lumped at 40 joints a span, which is exact for moments of a simple span and lowers
/// the moment over a pier by 1/40² of w·l²/8; the nominal edge members take less than 0.01 %. Closed forms are met to 0.1 %.
/// </summary>
public class BeamTests
{
    private const double Tolerance = 0.001;

    private static double SuperimposedMoment(Bridge bridge, int span, int number, EffectKind kind = EffectKind.Moment)
    {
        var (grillage, solver, load) = Uniform(bridge);
        var point = EffectPoint.All(grillage).Single(p => p.Girder == 0 && p.Span == span && p.Number == number);
        return InfluenceSurface.Solve(grillage, solver, [new(point, kind)])[0].Of(load);
    }

    /// <summary>10 kN/m along the road line.</summary>
    private static (Grillage, GrillageSolver, double[]) Uniform(Bridge bridge)
    {
        var geometry = new BridgeGeometry(bridge);
        var grillage = GrillageBuilder.Build(geometry);
        var load = new double[grillage.Nodes.Length];
        DeckLine.At(grillage.Mesh, geometry, 0).Spread(load, 10e3);
        return (grillage, new GrillageSolver(grillage, new BandedCholesky()), load);
    }

    private static void Near(double expected, double actual) => Assert.Equal(expected, actual, Math.Abs(expected) * Tolerance);

    [Fact]
    public void Simple_span() => Near(10e3 * 20 * 20 / 8, SuperimposedMoment(TestBridges.OneGirder(20), 0, 10));

    [Fact]
    public void Two_equal_spans()
    {
        var bridge = TestBridges.OneGirder(20, 20);
        Near(-10e3 * 400 / 8, SuperimposedMoment(bridge, 0, 20)); // −w·l²/8 at the pier
        Near(10e3 * 400 * 0.07, SuperimposedMoment(bridge, 0, 8)); // 0.375·0.4 − 0.4²/2 = 0.07 at 0.4·l
        Near(10e3 * 20 * 0.375, SuperimposedMoment(bridge, 0, 0, EffectKind.Shear) + 10e3 * 0.25); // ⅜·w·l, and half a joint's load that goes straight to the support
    }

    [Fact]
    public void Three_equal_spans()
    {
        var bridge = TestBridges.OneGirder(20, 20, 20);
        Near(-0.1 * 10e3 * 400, SuperimposedMoment(bridge, 1, 0));
        // Small beside w·l²/8, and so judged against it.
        Assert.Equal(0.025 * 10e3 * 400, SuperimposedMoment(bridge, 1, 10), Tolerance * 10e3 * 400 / 8);
        Near(0.08 * 10e3 * 400, SuperimposedMoment(bridge, 0, 8));
    }

    [Fact]
    public void Unequal_spans_follow_the_three_moment_equation()
    {
        // 2·M·(l₁ + l₂) = −w·(l₁³ + l₂³)/4 for two spans with the same EI; both are end spans with the same effective width.
        Near(-10e3 * (Math.Pow(15, 3) + Math.Pow(21, 3)) / 8 / 36, SuperimposedMoment(TestBridges.OneGirder(15, 21), 0, 20));
    }

    [Fact]
    public void Moment_over_all_longitudinals_of_a_simple_span_is_exactly_static()
    {
        var (grillage, solver, load) = Uniform(TestBridges.Symmetric(0, 20));
        var u = new double[load.Length * 3];
        for (var n = 0; n < load.Length; n++)
            u[3 * n] = -load[n];
        solver.Solve(u, 1);
        // Just behind the middle of the span, all members that cut that line.
        var line = grillage.Spans[0].Last / 2;
        var total = Enumerable
            .Range(0, grillage.Members.Length)
            .Where(m =>
                grillage.Members[m].Kind is MemberKind.Girder or MemberKind.Edge && grillage.Nodes[grillage.Members[m].J].Line == line
            )
            .Sum(m => GrillageSolver.EndEffect(grillage, m, true, false).Sum(t => t.Coefficient * u[t.Unknown]));
        Assert.Equal(10e3 * 20 * 20 / 8, total, 1e-3);
    }

    [Fact]
    public void A_surface_by_reciprocity_is_the_effect_of_a_unit_load_at_every_joint()
    {
        var (grillage, solver, _) = Uniform(TestBridges.Demo);
        var point = EffectPoint.All(grillage).Single(p => p is { Girder: 1, Span: 1, Number: 7 });
        foreach (var kind in new[] { EffectKind.Moment, EffectKind.Shear })
        {
            var surface = InfluenceSurface.Solve(grillage, solver, [new(point, kind)])[0];
            for (var node = 0; node < grillage.Nodes.Length; node += 13)
            {
                var u = new double[grillage.Nodes.Length * 3];
                u[3 * node] = -1;
                solver.Solve(u, 1);
                Assert.Equal(
                    InfluenceSurface.Terms(grillage, new(point, kind)).Sum(t => t.Coefficient * u[t.Unknown]),
                    surface.Ordinates[node],
                    1e-8
                );
            }
        }
    }

    [Theory]
    [InlineData(0, null)]
    [InlineData(12, null)]
    [InlineData(35, null)]
    [InlineData(-50, null)]
    [InlineData(10, 200.0)]
    [InlineData(-25, -400.0)]
    public void Reactions_balance_loads_and_no_load_is_lost(double skew, double? radius)
    {
        var bridge = TestBridges.Symmetric(skew * Math.PI / 180, 16, 22, 16);
        var geometry = new BridgeGeometry(bridge with { Road = TestBridges.Arc(200, radius) });
        var grillage = GrillageBuilder.Build(geometry);
        var solver = new GrillageSolver(grillage, new BandedCholesky());
        var permanent = new PermanentLoads(geometry, grillage.Mesh);
        foreach (
            var (load, total) in new[]
            {
                (permanent.Superimposed, permanent.SuperimposedTotal),
                (permanent.Surfacing, permanent.SurfacingTotal),
            }
        )
        {
            var u = new double[load.Length * 3];
            for (var n = 0; n < load.Length; n++)
                u[3 * n] = -load[n];
            solver.Solve(u, 1);
            var reacted = solver.Reactions(u, load).Sum();
            Assert.Equal(load.Sum(), reacted, load.Sum() * 1e-9);
            // On a curve the deck's pieces are chords: the spread load is that much shorter than the arc.
            Assert.Equal(total, load.Sum(), total * (radius is null ? 1e-9 : 1e-3));
        }
    }
}
