using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.LoneMembers;
using Pravik.Core.Models;
using static Pravik.Core.Tests.LoneMembers.LoneBeams;

namespace Pravik.Core.Tests.LoneMembers;

/// <summary>Members alone against closed forms of beams.</summary>
public class LoneAnalysisTests
{
    private static void Near(double expected, double actual, double relative = 1e-6) =>
        Assert.InRange(actual, expected - relative * Math.Abs(expected) - 1e-3, expected + relative * Math.Abs(expected) + 1e-3);

    [Fact]
    public void A_simple_span_under_even_and_point_loads_follows_the_closed_forms()
    {
        var run = new LoneRun(Of(8).With(Even(10e3)).With(Point(3, 40e3)));
        Near(10e3 * 64 / 8, run.Effect("Case 1", GirderEffect.M, 4));
        Near(40e3, run.Effect("Case 1", GirderEffect.V, 0));
        Assert.Equal(-5 * 10e3 * Math.Pow(8, 4) / (384 * Stiffness), run.Effect("Case 1", GirderEffect.Deflection, 4), 1e-9);
        Near(40e3 * 3 * 5 / 8.0, run.Effect("Case 2", GirderEffect.M, 3));
        // The shear jumps by the load: 25 kN before it, −15 kN behind it.
        Near(25e3, run.Effect("Case 2", GirderEffect.V, 3, isBehind: true));
        Near(-15e3, run.Effect("Case 2", GirderEffect.V, 3));
        Near(10e3 * 64 / 8 / (0.3 * 0.36 / 6), run.Effect("Case 1", GirderEffect.Bottom, 4));
        Near(-10e3 * 64 / 8 / (0.3 * 0.36 / 6), run.Effect("Case 1", GirderEffect.GirderTop, 4));
    }

    [Fact]
    public void Continuous_fixed_and_cantilevered_members_follow_the_closed_forms()
    {
        var two = new LoneRun(Of(6, 6).With(Even(10e3)));
        Near(-10e3 * 36 / 8, two.Effect("Case 1", GirderEffect.M, 6));
        Near(1.25 * 10e3 * 6, two.Effects.Cases.Single(c => c.Range.Name == "Case 1").Results.Reactions[1]);

        LoneSupport held = new() { Restraint = Restraint.Fixed };
        var both = new LoneRun((Of(6) with { Supports = [held, held] }).With(Even(10e3)));
        Near(-10e3 * 36 / 12, both.Effect("Case 1", GirderEffect.M, 0));
        Near(10e3 * 36 / 24, both.Effect("Case 1", GirderEffect.M, 3));

        LoneSupport free = new() { Restraint = Restraint.Free };
        var cantilever = new LoneRun((Of(3) with { Supports = [held, free] }).With(Even(10e3), Point(3, 5e3)));
        Near(-10e3 * 9 / 2 - 5e3 * 3, cantilever.Effect("Case 1", GirderEffect.M, 0));
        Assert.Contains(cantilever.Checks.Outcomes, o => o.Check == "bending.hogging" && o.Point == 0 && o.Utilisation > 0);
    }

    [Fact]
    public void What_is_imposed_bends_a_continuous_member_and_leaves_a_simple_one()
    {
        var settled = Of(6, 6) with { Supports = [new(), new() { Settlement = 0.01 }, new()] };
        // Two equal spans over a support that gives way by δ: 3·EI·δ/L².
        Near(3 * Stiffness * 0.01 / 36, new LoneRun(settled).Effect("Settlement of support 2", GirderEffect.M, 6));
        // A curvature α·ΔT/h that is held back in the middle: 1.5·EI·α·ΔT/h, soffit in tension where the top is warmer.
        var warm = new LoneRun(Of(6, 6) with { Heating = 12 });
        Near(1.5 * Stiffness * 1e-5 * 12 / 0.6, warm.Effect("Top warmer", GirderEffect.M, 6));
        Assert.Equal(0, new LoneRun(Of(6) with { Heating = 12 }).Effect("Top warmer", GirderEffect.M, 3), 1e-3);
        // A spring that is soft takes nothing; one that is stiff as good as a support.
        LoneMember Sprung(double k) => (Of(6, 6) with { Supports = [new(), new() { Spring = k }, new()] }).With(Even(10e3));
        Near(10e3 * 144 / 8, new LoneRun(Sprung(1e4)).Effect("Case 1", GirderEffect.M, 6), 0.02);
        Near(-10e3 * 36 / 8, new LoneRun(Sprung(1e13)).Effect("Case 1", GirderEffect.M, 6), 1e-4);
    }

    [Fact]
    public void Load_model_1_stands_where_it_is_worst_with_a_share_of_its_lane()
    {
        var member = Of(20) with { Traffic = [new() { Share = 0.5 }] };
        var traffic = new LoneRun(member).Effects.Traffic.Single();
        var run = new LoneRun(member);
        // 9 kN/m² on 3 m, and two axles of 300 kN 1.2 m apart: at mid-span, and at the support.
        Near(
            0.5 * (27e3 * 400 / 8 + 300e3 * 5 + 300e3 * (10 - 1.2) / 2),
            run.Effects.Traffic[0].Range.Greatest[run.PlaceAt(10), GirderEffect.M]
        );
        Near(0.5 * (270e3 + 300e3 + 300e3 * 18.8 / 20), run.Effects.Traffic[0].Range.Greatest[run.PlaceAt(0), GirderEffect.V], 1e-5);
        Near(0.5 * (270e3 + 300e3 + 300e3 * 18.8 / 20), traffic.Reactions[0].Greatest);
        Assert.Equal(0, traffic.Range.Least[run.PlaceAt(10), GirderEffect.M], 1e-3);
    }

    [Fact]
    public void Load_model_71_leaves_its_line_load_clear_of_the_axles_and_takes_its_dynamic_factor_whole()
    {
        var run = new LoneRun(Of(12) with { Traffic = [new() { Model = "LM71", Dynamic = 1.2 }] });
        // Two axles on either side give the same wherever they stand; the gap of the line load, 6.4 m, is least in the way with an axle at
        // mid-span: from −2.4 to 4 m.
        var axles = 250e3 * (4 * 3 - (1.6 + 0 + 1.6 + 3.2) / 2);
        double Beyond(double d) => 3 * (6 - d) - (36 - d * d) / 4;
        var line = 80e3 * (Beyond(2.4) + Beyond(4));
        Near(1.2 * (axles + line), run.Effects.Traffic[0].Range.Greatest[run.PlaceAt(6), GirderEffect.M]);
    }

    [Fact]
    public void What_acts_together_with_a_value_comes_from_the_same_loading()
    {
        var run = new LoneRun(Of(12, 12) with { Traffic = [new() { Model = "LM71" }] });
        var (range, layout) = (run.Effects.Traffic[0].Range, run.Effects.Layout);
        var over = run.PlaceAt(12);
        var effect = layout.At(over, GirderEffect.V);
        var beside = range.Together(effect, true);
        Assert.Equal(range.Greatest[effect], beside[(int)GirderEffect.V], 1e-6);
        Assert.InRange(beside[(int)GirderEffect.M], range.Least[over, GirderEffect.M], 0);
        // The line load alone on both spans, w·L²/8, is less than what the train does.
        Assert.True(range.Least[over, GirderEffect.M] < -80e3 * 144 / 8);
        // Both spans are alike: what is greatest before mid-way is least behind it.
        Near(range.Greatest[run.PlaceAt(4.8), GirderEffect.M], range.Greatest[run.PlaceAt(19.2), GirderEffect.M]);
        Near(range.Greatest[over, GirderEffect.V], -range.Least[run.PlaceAt(12, isBehind: true), GirderEffect.V]);
    }

    [Fact]
    public void Actions_are_combined_by_EN_1990_with_each_own_action_leading()
    {
        LoneCase Variable(string name, double load, double psi0) =>
            new()
            {
                Name = name,
                Action = OwnAction.Variable,
                Psi0 = psi0,
                Psi1 = 0.5,
                Psi2 = 0.3,
                Loads = [Even(load)],
            };
        var run = new LoneRun(Of(8) with { Cases = [Variable("A", 10e3, 0.7), Variable("B", 20e3, 0.6)] });
        // Without temperature at the ultimate state own actions lead as before.
        var plain = new LoneRun(run.Member with { Basis = new() { IndirectAtUltimate = false } });
        Assert.Equal(run.Greatest(LimitState.Ultimate, GirderEffect.M, 4), plain.Greatest(LimitState.Ultimate, GirderEffect.M, 4), 1e-3);
        const double Of1 = 64 / 8.0;
        var own = 0.3 * 0.6 * 25e3;
        Near(Of1 * (1.35 * own + 1.5 * 20e3 + 1.5 * 0.7 * 10e3), run.Greatest(LimitState.Ultimate, GirderEffect.M, 4));
        Near(Of1 * (own + 20e3 + 0.7 * 10e3), run.Greatest(LimitState.Characteristic, GirderEffect.M, 4));
        Near(Of1 * (own + 0.5 * 20e3 + 0.3 * 10e3), run.Greatest(LimitState.Frequent, GirderEffect.M, 4));
        Near(Of1 * (own + 0.3 * 30e3), run.Greatest(LimitState.QuasiPermanent, GirderEffect.M, 4));
    }

    [Fact]
    public void Every_case_balances()
    {
        var run = new LoneRun(
            (
                Of(6, 9, 6) with
                {
                    Spans =
                    [
                        new() { Length = 6 },
                        new()
                        {
                            Length = 9,
                            Depth = new() { Start = 0.9, Middle = 0.6 },
                        },
                        new() { Length = 6 },
                    ],
                }
            )
                .With(
                    Even(10e3),
                    new()
                    {
                        From = 2,
                        To = 7,
                        Value = 4e3,
                        ToValue = 9e3,
                    }
                )
                .With(Point(11, 5e4))
        );
        Assert.All(run.Effects.Cases, c => Assert.Equal(c.Results.Load, c.Results.Reactions.Sum(), 1e-3 + 1e-9 * Math.Abs(c.Results.Load)));
        Assert.Equal(10e3 * 21 + 5 * 6.5e3, run.Effects.Cases.Single(c => c.Range.Name == "Case 1").Results.Load, 1e-3);
    }
}
