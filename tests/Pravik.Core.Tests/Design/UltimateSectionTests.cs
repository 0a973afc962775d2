using Pravik.Core.Calculations;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Codes;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Core.Tests.Design;

public class UltimateSectionTests
{
    private const double GammaS = 1.15;
    private static readonly Concrete C35 = Concrete.Of(new() { Class = "C35/45" });
    private static readonly double Fcd = C35.DesignStrength(0.85, 1.5);
    private static readonly ReinforcingSteel Bars = ReinforcingSteel.Of(new());
    private static readonly PrestressingSteel Strand = PrestressingSteel.Of(new());

    private static ConcretePart Box(double width, double from, double to) =>
        new("box", new([new(-width / 2, from), new(width / 2, from), new(width / 2, to), new(-width / 2, to)]), C35, Fcd);

    private static SteelLayer Bar(double height, double area) =>
        new("bars", height, area, e => Bars.Stress(e, GammaS), 0, double.PositiveInfinity);

    private static SteelLayer Strands(double height, double area, double stress) =>
        new("strands", height, area, e => Strand.Stress(e, GammaS), stress / Strand.Ep, PrestressingSteel.StrainLimit);

    /// <summary>
    /// b = 400 mm, d = 550 mm, A_s = 2000 mm² of B500B, C35/45. The parabola-rectangle at 3.5 ‰ fills 17/21 = 0.80952 of b·x·fcd
    /// and acts at 99/238 = 0.41597·x from the face. fcd = 0.85·35/1.5 = 19.8333 MPa, fyd = 434.783 MPa:
    /// x = 2000·434.783/(0.80952·400·19.8333) = 135.40 mm; z = 550 − 0.41597·135.40 = 493.68 mm;
    /// M_Rd = 2000·434.783·493.68 = 429.29 kNm. The steel yields: ε_s = 3.5·(550 − 135.4)/135.4 = 10.7 ‰.
    /// </summary>
    [Theory]
    [InlineData(Bending.Sagging, 0.05)]
    [InlineData(Bending.Hogging, 0.55)]
    public void Reinforced_rectangle_agrees_with_a_hand_calculation(Bending bending, double height)
    {
        var state = new UltimateSection([Box(0.4, 0, 0.6)], [Bar(height, 2000e-6)]).Resistance(bending)!;
        Assert.Equal(0.13540, state.NeutralAxis, 0.00002);
        Assert.Equal(429.29e3, state.Moment, 0.05e3);
        Assert.Equal(0.0035, state.FaceStrain, 1e-9);
    }

    /// <summary>
    /// The same section with an axial force at mid-depth: x = (A_s·fyd − N)/(0.80952·b·fcd), about mid-depth
    /// M_Rd = F_c·(300 − 0.41597·x) + A_s·fyd·250. With 200 kN of tension x = 669.565/6.42221 = 104.26 mm and
    /// M_Rd = 669.565·0.25663 + 869.565·0.25 = 389.22 kNm; with 200 kN of compression x = 166.54 mm and 464.17 kNm.
    /// </summary>
    [Theory]
    [InlineData(Bending.Sagging, 0.05, 200e3, 0.10426, 389.22e3)]
    [InlineData(Bending.Hogging, 0.55, 200e3, 0.10426, 389.22e3)]
    [InlineData(Bending.Sagging, 0.05, -200e3, 0.16654, 464.17e3)]
    [InlineData(Bending.Hogging, 0.55, -200e3, 0.16654, 464.17e3)]
    public void Axial_force_agrees_with_a_hand_calculation(Bending bending, double height, double axial, double depth, double moment)
    {
        var state = new UltimateSection([Box(0.4, 0, 0.6)], [Bar(height, 2000e-6)]).Resistance(bending, axial, 0.3)!;
        Assert.Equal(depth, state.NeutralAxis, 0.00002);
        Assert.Equal(moment, state.Moment, 0.05e3);
    }

    /// <summary>Tension above what the steel carries leaves no resistance.</summary>
    [Fact]
    public void Too_much_tension_is_said() =>
        Assert.Null(new UltimateSection([Box(0.4, 0, 0.6)], [Bar(0.05, 2000e-6)]).Resistance(Bending.Sagging, 900e3, 0.3));

    /// <summary>The kept moments lie on chords of the domain of N and M, which is convex: never above the true ones, and close.</summary>
    [Fact]
    public void Kept_moments_are_on_the_safe_side_and_close()
    {
        var demo = TestBridges.OneType;
        var bending = new GirderResistance(demo);
        foreach (var side in new[] { Bending.Sagging, Bending.Hogging })
        {
            foreach (var axial in new[] { -430e3, -90e3, 0, 60e3, 125e3, 380e3 })
            {
                var point = new ModelPoint(2, 1, 0, 0.4, 0, 0);
                var (kept, exact) = (bending.Moments(point, side, 0.9)(axial)!.Value, bending.At(point, side, axial, 0.9)!.Moment);
                Assert.InRange(kept, exact * (1 - 5e-4), exact * (1 + 1e-9));
            }
        }
    }

    /// <summary>Every outcome is the worst of what acts together: moments with their axial force, axial forces with their moment.</summary>
    [Fact]
    public void Outcomes_take_the_axial_force_that_acts_with_the_moment()
    {
        var demo = TestBridges.OneType;
        var run = TestBridges.Run(demo);
        var (ultimate, bending) = (run.Effects.Of(LimitState.Ultimate), new GirderResistance(demo));
        foreach (var outcome in run.Outcomes.Where(o => o.Utilisation > 0.3 && o.Check.StartsWith("bending.", StringComparison.Ordinal)))
        {
            var together = ultimate.Together(ultimate.Layout.At(outcome.Source, outcome.Leads), outcome.IsGreatest);
            Assert.Equal(together[(int)GirderEffect.N], outcome.Axial, 1);
            var (point, sagging) = (run.Points[outcome.Point], outcome.Effect > 0);
            var side = sagging ? Bending.Sagging : Bending.Hogging;
            var height = run.Effects.HeightOfAxial(point);
            Assert.Equal(outcome.Utilisation, Math.Abs(outcome.Effect) / bending.At(point, side, outcome.Axial, height)!.Moment, 1e-9);
            foreach (var (leads, greatest) in new[] { (GirderEffect.M, sagging), (GirderEffect.N, true), (GirderEffect.N, false) })
            {
                var forces = ultimate.Together(ultimate.Layout.At(outcome.Point, leads), greatest);
                var (n, m) = (forces[(int)GirderEffect.N], (sagging ? 1 : -1) * forces[(int)GirderEffect.M]);
                Assert.True(m / bending.At(point, side, n, height)!.Moment <= outcome.Utilisation + 5e-4);
            }
        }
        Assert.Contains(run.Outcomes, o => Math.Abs(o.Axial) > 10e3);
    }

    /// <summary>
    /// b = 1000 mm, h = 1200 mm, d_p = 1100 mm, A_p = 3000 mm² of Y1860S7 at 1050 MPa, C35/45. ε_p0 = 1050/195000 = 5.3846 ‰.
    /// fpd = 0.88·1860/1.15 = 1423.30 MPa at 7.2990 ‰; the branch rises to 1860/1.15 = 1617.39 MPa at 22.2222 ‰, by 13.006 MPa/‰.
    /// Trial: the strand at its limit of 20 ‰ has σ = 1423.30 + 13.006·12.7010 = 1588.49 MPa, F = 4765.5 kN; its added strain is
    /// 14.6154 ‰ over d_p − x. With κ = 14.6154/(1100 − x): at x = 266 mm, κx = 4.66 ‰ > 3.5 ‰, so the concrete governs.
    /// With ε_cu2: F_c = 0.80952·1000·x·19.8333 = 16.0556·x kN/mm. x = 290 mm: ε_p = 5.3846 + 3.5·(810/290) = 15.1605 ‰,
    /// σ = 1423.30 + 13.006·7.8615 = 1525.55, F_p = 4576.6; F_c = 4656.1. x = 285.5: ε_p = 5.3846 + 3.5·(814.5/285.5) = 15.3698,
    /// σ = 1528.27, F_p = 4584.8; F_c = 4583.9: balance near 285.55 mm. z = 1100 − 0.41597·285.55 = 981.22 mm;
    /// M_Rd = 4584.7·0.98122 = 4498.6 kNm.
    /// </summary>
    [Fact]
    public void Prestressed_rectangle_agrees_with_a_hand_calculation()
    {
        var state = new UltimateSection([Box(1, 0, 1.2)], [Strands(0.1, 3000e-6, 1050e6)]).Resistance(Bending.Sagging)!;
        Assert.Equal(0.28555, state.NeutralAxis, 0.0001);
        Assert.Equal(4498.6e3, state.Moment, 1e3);
    }

    /// <summary>
    /// A flange so wide that the strand's strain limit governs: 20 ‰ in the strand, x follows, and the steel's force is that of the
    /// hand value above, 4765.5 kN; with x small the lever arm is within 1 % of d.
    /// </summary>
    [Fact]
    public void The_strain_limit_of_the_strand_can_govern()
    {
        var state = new UltimateSection([Box(6, 0, 1.2)], [Strands(0.1, 3000e-6, 1050e6)]).Resistance(Bending.Sagging)!;
        Assert.Equal(0.02, state.Steel[0].Strain, 1e-9);
        Assert.Equal(4765.5e3, state.Steel[0].Force, 1e3);
        Assert.True(state.FaceStrain < 0.0035);
        Assert.InRange(state.Moment, 0.96 * 4765.5e3 * 1.1, 0.995 * 4765.5e3 * 1.1);
    }

    [Fact]
    public void Forces_balance_and_the_strain_runs_straight_through_the_demo_section()
    {
        var results = TestBridges.Run(TestBridges.OneType);
        var geometry = new BridgeGeometry(TestBridges.OneType);
        var bending = new GirderResistance(TestBridges.OneType);
        foreach (var side in new[] { Bending.Sagging, Bending.Hogging })
        {
            var state = bending.At(results.Points[results.Governing!.Point], side)!;
            var tension = state.Steel.Sum(s => s.Force);
            Assert.Equal(tension, state.Concrete.Sum(c => c.Force), Math.Abs(tension) * 1e-9);
            var top = 1.2 + 0.03 + 0.22;
            foreach (var layer in state.Steel)
            {
                var depth = side == Bending.Sagging ? top - layer.Layer.Height : layer.Layer.Height;
                Assert.Equal(layer.Layer.InitialStrain + state.Curvature * (depth - state.NeutralAxis), layer.Strain, 1e-12);
            }
        }
    }

    /// <summary>
    /// Over a pier of the demo no strand passes. b_eff = 0.18 + 2·(0.2·1.01 + 0.1·6.48) = 1.88 m; two layers of ø16 at 125 mm:
    /// 1608.5·1.88 = 3024 mm² each, 1314.8 kN each at fyd. The flange of 650 mm in the diaphragm's C35/45 takes 0.80952·19.833·650·x =
    /// 2629.5 kN at x = 252 mm (32 mm of it in the slope, with little stress), which acts 105 mm above the soffit:
    /// M_Rd = 1314.8·(1.392 − 0.105) + 1314.8·(1.285 − 0.105) = 3243 kNm.
    /// </summary>
    [Theory]
    [InlineData(0, 20)]
    [InlineData(1, 0)]
    public void Over_a_pier_the_slab_bars_carry_the_hogging_moment(int span, int number)
    {
        var demo = TestBridges.OneType;
        var thin = demo.Girders.SlabBars.Top with { Diameter = 0.016 };
        var girders = demo.Girders with { SlabBars = demo.Girders.SlabBars with { Top = thin }, PierBars = new() };
        var bridge = demo with { Girders = girders };
        var bending = new GirderResistance(bridge);
        UltimateState At(int at, Bending side) => bending.At(new ModelPoint(2, span, 0, at / 20.0, 0, 0), side)!;
        Assert.Equal(3243e3, At(number, Bending.Hogging).Moment, 3243e3 * 0.003);
        Assert.Equal(2, At(number, Bending.Sagging).Steel.Length);
        Assert.Equal(4, At(Math.Abs(number - 1), Bending.Hogging).Steel.Length);
    }

    [Fact]
    public void Without_steel_there_is_no_resistance_and_too_much_steel_is_said()
    {
        Assert.Equal(0, new UltimateSection([Box(0.4, 0, 0.6)], []).Resistance(Bending.Sagging)?.Moment ?? 0, 1e-3);
        Assert.Null(new UltimateSection([Box(0.1, 0, 0.3)], [Strands(0.05, 0.02, 1050e6)]).Resistance(Bending.Sagging));
    }

    [Fact]
    public void More_strands_never_lower_the_sagging_resistance_of_the_demo()
    {
        double At(int count)
        {
            var demo = TestBridges.OneType;
            var bridge = demo with
            {
                Girders = demo.Girders.Typed(t => t with { Strands = t.Strands with { Rows = [new() { Level = 0.06, Count = count }] } }),
            };
            var point = new ModelPoint(2, 1, 0, 0.5, 0, 0);
            return new GirderResistance(bridge).At(point, Bending.Sagging)!.Moment;
        }
        Assert.True(At(4) < At(6) && At(6) < At(8) && At(8) < At(11));
    }

    [Fact]
    public void The_calculation_carries_the_numbers_that_were_used()
    {
        var results = TestBridges.Run(TestBridges.OneType);
        var calculation = new Calculation("", UnitSystem.Metric);
        var outcome = results.GoverningByGirder().First(o => o.Check == "bending.sagging");
        results.Write(outcome, calculation);
        Assert.InRange(outcome.Utilisation, 0.85, 0.98);
        string Value(string symbol) => calculation.Lines.Single(l => l.Symbol == symbol).Value;
        Assert.Equal(UnitSystem.Metric.Format(outcome.Effect, QuantityKind.Moment), Value("M_Ed"));
        Assert.Equal(UnitSystem.Metric.Format(outcome.Resistance, QuantityKind.Moment), Value("M_Rd"));
        Assert.Equal("2.200", Value("b_eff"));
        Assert.Equal("19.8", Value("f_cd,slab"));
        Assert.All(calculation.Lines.Where(l => !l.IsHeading && !l.IsRemark), l => Assert.NotEmpty(l.Clause));
    }
}
