using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Tests.Design;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Analysis.Stages;

/// <summary>Tendons: friction, draw-in, what supports answer, what they lose, and how checks see them.</summary>
public sealed class TendonTests
{
    private const double Span = 20;
    private const double Jack = 1400e6;
    private static readonly PrestressingSteel Steel = PrestressingSteel.Of(new());

    private static TendonPoint At(int span, double at, double level, double? turn = null) =>
        new()
        {
            Span = span,
            At = at,
            Level = level,
            Turn = turn,
        };

    private static Tendon Of(params TendonPoint[] points) =>
        new()
        {
            Name = "Cable",
            JackStress = Jack,
            Friction = 0.25,
            Wobble = 0.02,
            DrawIn = 0,
            Points = [.. points],
        };

    /// <summary>A beam cast in place whose tendons are jacked on day 14, when it is struck.</summary>
    private static Bridge Cast(ImmutableArray<Tendon> tendons, params double[] spans)
    {
        var bridge = TestBridges.OneGirder(spans);
        return bridge with
        {
            Girders = bridge.Girders with
            {
                CastInPlace = true,
                RunsOn = true,
                EndGap = 0,
                Types =
                [
                    new()
                    {
                        Strands = new() { Rows = [] },
                        Links = [new() { Diameter = 0.016, Spacing = 0.1 }],
                    },
                ],
                Tendons = tendons,
            },
            Model = new() { Kind = ModelKind.Line, Divisions = 40 },
            Actions = new()
            {
                Stages =
                [
                    new()
                    {
                        Name = "Cast",
                        Day = 0,
                        Girders = "all",
                        Pours = "all",
                        Joins = "all",
                    },
                    new()
                    {
                        Name = "Jacked",
                        Day = 14,
                        Releases = "all",
                        Loads = string.Join(", ", tendons.Select(t => t.Name)),
                    },
                ],
            },
        };
    }

    private static TendonFriction Friction(Tendon tendon, params double[] spans)
    {
        var geometry = new Pravik.Core.Places.BridgeGeometry(Cast([tendon], spans));
        return new(new TendonRows(geometry).PathOf(geometry.Girders[0], 0)!, tendon, Steel);
    }

    /// <summary>A parabola with a sag of 0.5 m turns through 2·atan(4·0.5/20) from end to end (EN 1992-1-1 (5.45)).</summary>
    [Fact]
    public void A_parabola_rubs_by_its_whole_angle()
    {
        var found = Friction(Of(At(1, 0, 0.7), At(1, 0.5, 0.2), At(1, 1, 0.7)), Span);
        Assert.Equal(Jack, found.Jacked(0), 1e-6 * Jack);
        var half = 0.25 * (Math.Atan(0.1) + 0.02 * Span / 2);
        Assert.Equal(Jack * Math.Exp(-half), found.Jacked(Span / 2), 1e-6 * Jack);
        Assert.Equal(Jack * Math.Exp(-2 * half), found.Jacked(Span), 1e-6 * Jack);
        // Jacked at both ends it is as tight at either end, and as loose half way.
        var both = Friction(Of(At(1, 0, 0.7), At(1, 0.5, 0.2), At(1, 1, 0.7)) with { Jacked = Tendon.AtBoth }, Span);
        Assert.Equal(Jack, both.Jacked(Span), 1e-6 * Jack);
        Assert.Equal(found.Jacked(Span / 2), both.Jacked(Span / 2), 1e-6 * Jack);
    }

    /// <summary>
    /// A straight tendon, σ = σ₀·e^(−a·x), a = μ·k: draw-in reaches as far as (1 − e^(−a·l))² = a·Δ·E_p/σ₀; where that is beyond the other
    /// end the whole of it slips, by ∫(σ − c/σ) dx = Δ·E_p.
    /// </summary>
    [Theory]
    [InlineData(0.004)]
    [InlineData(0.006)]
    [InlineData(0.03)]
    public void Draw_in_reaches_as_far_as_friction_lets_it(double slip)
    {
        var found = Friction(Of(At(1, 0, 0.5), At(1, 1, 0.5)) with { DrawIn = slip }, Span);
        const double A = 0.25 * 0.02;
        var part = Math.Sqrt(A * slip * Steel.Ep / Jack);
        var reach = -Math.Log(1 - part) / A;
        var atAnchor =
            reach < Span
                ? Jack * (1 - part) * (1 - part)
                : (Jack * (1 - Math.Exp(-A * Span)) / A - slip * Steel.Ep) / ((Math.Exp(A * Span) - 1) / A);
        Assert.Equal(atAnchor, found.Anchored(0), 1e-5 * Jack);
        Assert.Equal(Math.Min(Jack * Math.Exp(-A * Span), atAnchor * Math.Exp(A * Span)), found.Anchored(Span), 1e-5 * Jack);
        Assert.Equal((1 - Math.Exp(-A * Span)) / A * Jack / Steel.Ep, found.Extension, 1e-5);
    }

    private static Tendon Continuous =>
        Of(At(1, 0, 0.6), At(1, 0.4, 0.15, 0.8), At(1, 1, 0.9, 0.2), At(2, 0.6, 0.15), At(2, 1, 0.6)) with
        {
            DrawIn = 0.006,
        };

    /// <summary>The level and its slope in the first span by hand: a parabola down, then two that turn over at 0.8 of the way up.</summary>
    private static (double Level, double Slope) ByHand(double x)
    {
        var (low, turn) = (0.4 * Span, 0.4 * Span + 0.8 * 0.6 * Span);
        if (x <= low)
            return (0.15 + 0.45 * Math.Pow(1 - x / low, 2), -0.9 / low * (1 - x / low));
        var (rising, falling) = (0.6 / Math.Pow(turn - low, 2), 0.15 / Math.Pow(Span - turn, 2));
        return x <= turn
            ? (0.15 + rising * Math.Pow(x - low, 2), 2 * rising * (x - low))
            : (0.9 - falling * Math.Pow(Span - x, 2), 2 * falling * (Span - x));
    }

    /// <summary>Stress by distance over both spans as it is jacked at the start, and anchored, summed in steps of 1 mm.</summary>
    private static (double[] Jacked, double[] Anchored) Summed(double slip)
    {
        const int Steps = 40_000;
        var h = 2 * Span / Steps;
        var jacked = new double[Steps + 1];
        var angle = 0.0;
        double Slope(double x) => x <= Span ? ByHand(x).Slope : -ByHand(2 * Span - x).Slope;
        for (var i = 0; i <= Steps; i++)
        {
            angle += i == 0 ? 0 : Math.Abs(Math.Atan(Slope(i * h)) - Math.Atan(Slope((i - 1) * h)));
            jacked[i] = Jack * Math.Exp(-0.25 * (angle + 0.02 * i * h));
        }
        var reach = 0;
        for (var slipped = 0.0; slipped < slip * Steel.Ep; reach++)
            slipped = Enumerable.Range(0, reach).Sum(i => h * (jacked[i] - jacked[reach] * jacked[reach] / jacked[i]));
        return (jacked, [.. jacked.Select((s, i) => i < reach ? jacked[reach] * jacked[reach] / s : s)]);
    }

    [Fact]
    public void Two_spans_rub_and_draw_in_as_they_are_summed_by_hand()
    {
        var (found, (jacked, anchored)) = (Friction(Continuous, Span, Span), Summed(0.006));
        foreach (var x in new[] { 0, 4.0, 8, 14, 17.6, 20, 24, 32, 40 })
        {
            Assert.Equal(jacked[(int)(x * 1000)], found.Jacked(x), 1e-4 * Jack);
            Assert.Equal(anchored[(int)(x * 1000)], found.Anchored(x), 5e-4 * Jack);
        }
    }

    /// <summary>
    /// The moment over the pier with which supports answer, by the method of forces: X·∫m² dx = −∫M_p·m dx with m rising to 1 over the
    /// pier and M_p = −P(x)·e(x), friction and draw-in included; and the whole is what is left of it by equilibrium.
    /// </summary>
    [Fact]
    public void Supports_answer_by_the_method_of_forces()
    {
        var results = ModelRun.Run(new(Cast([Continuous], Span, Span)), withTraffic: false);
        var centroid = results.Finished.Sections[0][5]!.Composite.Centroid;
        var (area, anchored) = (12 * Steel.Area, Summed(0.006).Anchored);
        var (force, unit) = (0.0, 0.0);
        for (var i = 0; i < 40_000; i++)
        {
            var x = (i + 0.5) / 1000;
            var (near, m) = (Math.Min(x, 2 * Span - x), Math.Min(x, 2 * Span - x) / Span);
            force += -area * anchored[i] * (centroid - ByHand(near).Level) * m / 1000;
            unit += m * m / 1000;
        }
        var cable = results.Cases.Single(c => c.Name == "Cable");
        var pier = results.Points.IndexOf(results.Points.First(p => p.Fraction == 1));
        var answer = -force / unit;
        Assert.Equal(answer, cable.Secondary!.Forces(pier).M, 0.005 * Math.Abs(answer));
        // Straight to nothing at the ends, and the primary part is P·e.
        var low = results.Points.IndexOf(results.Points.First(p => Math.Abs(p.Fraction - 0.4) < 1e-9));
        Assert.Equal(0.4 * answer, cable.Secondary!.Forces(low).M, 0.005 * Math.Abs(answer));
        var primary = cable.Effects.Forces(low).M - cable.Secondary.Forces(low).M;
        Assert.Equal(-area * anchored[8000] * (centroid - 0.15), primary, 1e-3 * Math.Abs(primary));
    }

    /// <summary>
    /// Of two ducts jacked one after the other each loses a quarter of E_p/E_cm times what both give the concrete at their level; a tendon
    /// that is jacked after them takes the whole of its own from them (EN 1992-1-1 (5.44)).
    /// </summary>
    [Fact]
    public void Ducts_lose_as_those_after_them_shorten_the_concrete()
    {
        var straight = Of(At(1, 0, 0.3), At(1, 1, 0.3)) with { Friction = 0, Ducts = 2 };
        var later = Of(At(1, 0, 0.2), At(1, 1, 0.2)) with { Name = "Later", Friction = 0 };
        var results = ModelRun.Run(new(Cast([straight, later], Span)), withTraffic: false);
        var middle = results.Points.IndexOf(results.Points.First(p => Math.Abs(p.Fraction - 0.5) < 1e-9));
        var section = results.Finished.Sections[0][results.Finished.RowOf(results.Points[middle])]!;
        var (c, ratio) = (section.Composite, Steel.Ep / section.Modulus);
        double By(double force, double level, double at) =>
            -force / c.Area - force * (c.Centroid - level) * (c.Centroid - at) / c.SecondMoment;
        var (own, other) = (2 * 12 * Steel.Area * Jack, 12 * Steel.Area * Jack);
        var steps = results.Tendons.StepsAt(middle, 0).ToList();
        var lost = steps.Single(s => s.Step.Kind == LossKind.Elastic).Change;
        Assert.Equal(ratio * (By(own, 0.3, 0.3) / 4 + By(other, 0.2, 0.3)), lost, 1e-3 * Math.Abs(lost));
        Assert.DoesNotContain(results.Tendons.StepsAt(middle, 1), s => s.Step.Kind == LossKind.Elastic);
        Assert.Equal(Jack + lost, results.Tendons.StressedAt(middle, 0), 1);
    }

    /// <summary>Losses with time beside EN 1992-1-1 (5.46) for the girder's concrete; the slab of the same section creeps otherwise.</summary>
    [Fact]
    public void Losses_with_time_stand_beside_the_formula_of_the_standard()
    {
        var bridge = Cast([Of(At(1, 0, 0.15), At(1, 1, 0.15)) with { Friction = 0 }], Span);
        var results = ModelRun.Run(new(bridge), withTraffic: false);
        var middle = results.Points.IndexOf(results.Points.First(p => Math.Abs(p.Fraction - 0.5) < 1e-9));
        var section = results.Finished.Sections[0][results.Finished.RowOf(results.Points[middle])]!;
        var (c, area, last) = (section.Composite, 12 * Steel.Area, bridge.Actions.LastDay);
        var concrete = Concrete.Of(bridge.Girders.Types[0].Concrete);
        var size = results.TimeValues.First(t => t.Symbol == "h_0,girder" || t.Symbol.StartsWith("h_0", StringComparison.Ordinal)).Value;
        var (creep, shrinkage) = (
            new Creep(concrete, bridge.Actions.Humidity, size, bridge.Actions.Cement).At(last, 14),
            new Shrinkage(concrete, bridge.Actions.Humidity, size, bridge.Actions.Cement) is var s ? s.At(last) - s.At(14) : 0
        );
        var (e, level) = (c.Centroid - 0.15, Jack / Steel.Fpk);
        var weight = results.Cases.Where(x => x.Kind == ActionKind.Permanent && x.Stage is not null).Sum(x => x.Effects.Forces(middle).M);
        var stress = weight * e / c.SecondMoment - area * Jack * (1 / c.Area + e * e / c.SecondMoment);
        var relaxed = 0.8 * Jack * Steel.Relaxation(level, 500_000);
        var lost = shrinkage * Steel.Ep + relaxed - Steel.Ep / concrete.Ecm * creep * stress;
        lost /= 1 + Steel.Ep / concrete.Ecm * area / c.Area * (1 + c.Area / c.SecondMoment * e * e) * (1 + 0.8 * creep);
        Assert.Equal(lost, Jack - results.Tendons.StressAt(middle, 0), 0.05 * lost);
        Assert.True(lost > 100e6);
    }

    /// <summary>P·tan α is part of the shear of the concrete, half of the ducts is taken from the web of struts, and plates anchor all.</summary>
    [Fact]
    public void Checks_see_slope_duct_and_anchorage()
    {
        MemberStrands Row(double slope) =>
            new(1, 0.1, [new(6, double.PositiveInfinity)])
            {
                Name = "Cable",
                Duct = new(1, 0.06, slope),
                Steel = Steel,
                EffectiveStress = 1000e6,
                Steps = [],
                StressAtRelease = 1200e6,
                FctmAtRelease = 2.9e6,
                Concrete = Concrete.Of(new ConcreteGrade { Class = "C30/37" }),
            };
        HandMember With(params MemberStrands[] rows) =>
            new HandMember(HandMember.Rectangle() with { Strands = [.. rows] }) { Form = MemberForm.PostTensioned }
                .With(GirderEffect.V, 300e3)
                .With(GirderEffect.M, 200e3);
        var shear = With(Row(-0.1)).Of(new UltimateShear()).First(o => o.Check == "shear.links");
        Assert.Equal(300e3 - 6 * Steel.Area * 1000e6 * 0.1, shear.Effect, 1);
        var resistance = new ShearResistance(With(Row(0)).Section, HandMember.Recommended, 1.5, true, 0);
        Assert.Equal(0.3 - 0.03, resistance.StrutWidth, 1e-9);
        double Bending(MemberStrands row) => With(row).Of(new UltimateBending()).First(o => o.Check == "bending.sagging").Resistance;
        var bonded = Row(0) with { Duct = null, Bonds = [new(6, 100)] };
        Assert.Equal(Bending(bonded), Bending(Row(0)), 1e-6 * Bending(bonded));
    }

    /// <summary>A tendon is stressed once, in concrete that is stiff; one that no stage stresses leaves a girder with bars alone.</summary>
    [Fact]
    public void Tendons_are_stressed_once_in_stiff_concrete()
    {
        var tendon = Of(At(1, 0, 0.6), At(1, 0.5, 0.15), At(1, 1, 0.6));
        var bridge = Cast([tendon], Span);
        Bridge With(string cast, string struck) =>
            bridge with
            {
                Actions = bridge.Actions with
                {
                    Stages =
                    [
                        bridge.Actions.Stages!.Value[0] with
                        {
                            Loads = cast,
                        },
                        bridge.Actions.Stages.Value[1] with
                        {
                            Loads = struck,
                        },
                    ],
                },
            };
        Assert.Contains(BridgeValidation.Check(With("Cable", "")), f => f.Message.Contains("before the concrete of every span is stiff"));
        Assert.Contains(BridgeValidation.Check(With("Cable", "Cable")), f => f.Message.Contains("a second time"));
        var (none, one) = (TestBridges.Run(With("", "")), TestBridges.Run(bridge));
        Assert.Equal(MemberForm.CastInPlace, none.Members[0].Form);
        Assert.Contains(none.Outcomes, o => o.Check.StartsWith("bars.", StringComparison.Ordinal));
        Assert.Equal(MemberForm.PostTensioned, one.Members[0].Form);
        Assert.Contains(one.Outcomes, o => o.Check == "stress.building");
        Assert.Equal(14, one.Members[0].Stages[0].Day);
    }

    /// <summary>Wrong entries are told with place and reason.</summary>
    [Theory]
    [InlineData("points/1/span", "no span 4")]
    [InlineData("points/2/at", "does not lie ahead")]
    [InlineData("points", "outside the concrete of G1")]
    [InlineData("girders", "no girder “7”")]
    [InlineData("jackStress", "at most min(0.8 f_pk")]
    [InlineData("strands", "60")]
    [InlineData("friction", "0.8")]
    [InlineData("jacked", "both")]
    public void Wrong_tendons_are_told(string place, string message)
    {
        var tendon = Of(At(1, 0, 0.6), At(1, 0.5, 0.15), At(1, 1, 0.6));
        var wrong = place switch
        {
            "points/1/span" => tendon with { Points = tendon.Points.SetItem(1, At(4, 0.5, 0.15)) },
            "points/2/at" => tendon with { Points = tendon.Points.SetItem(2, At(1, 0.4, 0.6)) },
            "points" => tendon with { Points = tendon.Points.SetItem(1, At(1, 0.5, 0.01)) },
            "girders" => tendon with { Girders = "1, 7" },
            "jackStress" => tendon with { JackStress = 1650e6 },
            "strands" => tendon with { Strands = 100 },
            "friction" => tendon with { Friction = 2 },
            _ => tendon with { Jacked = "middle" },
        };
        var found = BridgeValidation.Check(Cast([wrong], Span));
        Assert.Contains(
            found,
            f => f.Severity is Severity.Error or Severity.Fault && f.Path == $"/girders/tendons/0/{place}" && f.Message.Contains(message)
        );
        Assert.DoesNotContain(BridgeValidation.Check(Cast([tendon], Span)), f => f.Severity is Severity.Error or Severity.Fault);
    }
}
