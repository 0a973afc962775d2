using Pravik.Core.Checks;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Traffic;

namespace Pravik.Core.Tests.Design;

/// <summary>Fatigue along by the bound of every lorry, by hand.</summary>
public sealed class FatigueTests
{
    private const double Area = 4 * Math.PI * 1e-4;
    private const double Depth = 0.55;

    private static HandMember Beam(double moment, double traffic) =>
        (new HandMember(HandMember.Rectangle()) with { Form = MemberForm.CastInPlace, Traffic = [(GirderEffect.M, traffic)] }).With(
            GirderEffect.M,
            moment
        );

    private static CheckOutcome[] Of(HandMember member) => member.Of(new Fatigue());

    /// <summary>Neutral axis of the cracked rectangle, b·x²/2 = n·A_s·(d − x), and its lever d − x/3.</summary>
    private static (double Axis, double Lever) Cracked
    {
        get
        {
            var concrete = Concrete.Of(new ConcreteGrade { Class = "C30/37" });
            var n = HandMember.Steel.Es / concrete.Ecm * Area / 0.3;
            var x = n * (Math.Sqrt(1 + 2 * Depth / n) - 1);
            return (x, Depth - x / 3);
        }
    }

    /// <summary>
    /// Of 60 kNm traffic is 25: Δσ = ΔM/(A_s·z) against 162.5/1.15·(10⁶/2·10⁸)^(1/9) = 78.43 MPa; σ_c = 2·M/(b·x·z) at 60 and 35 kNm against
    /// (0.5 + 0.45·σ_min/f)·f, f = 0.85·17·(1 − 30/250) = 12.716 MPa.
    /// </summary>
    [Fact]
    public void A_cracked_rectangle_by_hand()
    {
        var (x, z) = Cracked;
        var outcomes = Of(Beam(60e3, 25e3));
        var steel = outcomes.Single(o => o.Check == "fatigue.steel");
        Assert.Equal(25e3 / (Area * z), steel.Effect, 2e-3 * steel.Effect);
        Assert.Equal(78.43e6, steel.Resistance, 1e4);
        var concrete = outcomes.Single(o => o.Check == "fatigue.concrete");
        Assert.Equal(2 * 60e3 / (0.3 * x * z), concrete.Effect, 2e-3 * concrete.Effect);
        const double Strength = 0.85 * 17e6 * (1 - 30.0 / 250);
        var least = 2 * 35e3 / (0.3 * x * z);
        Assert.Equal((0.5 + 0.45 * least / Strength) * Strength, concrete.Resistance, 2e-3 * concrete.Resistance);
    }

    /// <summary>Where the bound is not met nothing is said to pass, nor to fail; without traffic there is nothing.</summary>
    [Fact]
    public void What_the_bound_does_not_show_is_left_out()
    {
        Assert.DoesNotContain(Of(Beam(120e3, 100e3)), o => o.Check == "fatigue.steel");
        Assert.Empty(Of(Beam(60e3, 0) with { Traffic = [] }));
        Assert.Equal(0, Of(Beam(60e3, 0)).Single(o => o.Check == "fatigue.steel").Effect, 1);
    }

    private static IReadOnlyList<PassageCycles> Passages(params double[][] ranges) =>
        [.. ranges.Select((r, i) => new PassageCycles($"lorry {i + 1}", 0, r) { Greatest = r.FirstOrDefault() })];

    /// <summary>
    /// Lorries 1 and 3, a fifth and a half of 2.2·10⁸, at an end (1.3): Δσ = 1.3·ΔM/(A_s·z), D = Σ n·(Δσ·1.15/162.5)^k/10⁶ with k 5 above the
    /// knee and 9 below it; the range told is that of D in all of them.
    /// </summary>
    [Fact]
    public void Damage_of_lorries_by_hand()
    {
        const double All = 2.2e8;
        var (_, z) = Cracked;
        double[][] ranges =
        [
            [30e3],
            [],
            [45e3, 25e3],
            [],
            [],
        ];
        var member = Beam(120e3, 100e3) with { Lorries = Passages(ranges) };
        var steel = Of(member).Single(o => o.Check == "fatigue.steel");
        double OfCycle(double moment)
        {
            var ratio = 1.3 * moment / (Area * z) * 1.15 / 162.5e6;
            return Math.Pow(ratio, ratio > 1 ? 5 : 9) / 1e6;
        }
        var damage = All * (0.2 * OfCycle(30e3) + 0.5 * (OfCycle(45e3) + OfCycle(25e3)));
        var limit = 162.5e6 / 1.15 * Math.Pow(1e6 / All, 1.0 / 9);
        Assert.Equal(limit, steel.Resistance, 1e-9 * limit);
        Assert.Equal(limit * Math.Pow(damage, 1.0 / 9), steel.Effect, 2e-3 * steel.Effect);
    }

    /// <summary>
    /// Two legs of 10 mm every 200 mm: Δσ_w = 1.3·ΔV·s/(A_sw·0.9·d·√1.5), against ζ·162.5 MPa with ζ = 0.35 + 0.026·4; one lorry alone does
    /// D = 0.2·N·(Δσ_w/Δσ_Rd)⁹/10⁶.
    /// </summary>
    [Fact]
    public void Damage_of_links_by_hand()
    {
        var member = Beam(120e3, 100e3) with { Lorries = Passages([20e3], [], [], [], []) };
        var links = Of(member).Single(o => o.Check == "fatigue.links");
        var range = 1.3 * 20e3 * 0.2 / (2 * Math.PI * 25e-6 * 0.9 * 0.54 * Math.Sqrt(1.5));
        var strength = (0.35 + 0.104) * 162.5e6 / 1.15;
        var (knee, damage) = (Math.Pow(1e6 / 2.2e8, 1.0 / 9), 0.2 * 2.2e8 / 1e6 * Math.Pow(range / strength, range > strength ? 5 : 9));
        Assert.Equal(strength * knee, links.Resistance, 1e-9 * links.Resistance);
        Assert.Equal(strength * knee * Math.Pow(damage, 1.0 / 9), links.Effect, 1e-6 * links.Effect);
    }

    /// <summary>
    /// Tendons of straight sections: uncracked, n·ΔM·y/I with the limit of tendons, 120/1.15·(1/200)^(1/7) = 48.95 MPa, when they govern.
    /// </summary>
    [Fact]
    public void Tendons_have_a_limit_of_their_own()
    {
        var steel = PrestressingSteel.Of(new());
        var concrete = Concrete.Of(new ConcreteGrade { Class = "C30/37" });
        var tendon = new MemberStrands(1, 0.02, [new(6, double.PositiveInfinity)])
        {
            Duct = new(1, 0.06, 0),
            Steel = steel,
            EffectiveStress = 1000e6,
            Steps = [],
            StressAtRelease = 1200e6,
            FctmAtRelease = 2.9e6,
            Concrete = concrete,
        };
        var member = (
            new HandMember(HandMember.Rectangle() with { Strands = [tendon], Bars = [] }) with
            {
                Form = MemberForm.PostTensioned,
                Traffic = [(GirderEffect.M, 40e3)],
            }
        )
            // Axial forces of members made by hand act at the soffit: 270 kNm bring 900 kN to the middle.
            .With(GirderEffect.M, 290e3)
            .With(GirderEffect.N, -900e3);
        var found = Of(member).Single(o => o.Check == "fatigue.steel");
        Assert.Equal(steel.Ep / concrete.Ecm * 40e3 * 0.28 / (0.3 * Math.Pow(0.6, 3) / 12), found.Effect, 1e3);
        Assert.Equal(48.95e6, found.Resistance, 2e4);
    }
}
