using Pravik.Core.Checks;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.Tests.Design;

/// <summary>Least steel against cracks and sudden failure (EN 1992-1-1 7.3.2, 9.2.1.1; EN 1992-2 6.1(109)), by hand.</summary>
public sealed class LeastSteelTests
{
    private const double Fctm = 2.896e6;

    /// <summary>A strip of 1 × 0.3 m in C30/37 with bars at 50 mm from the soffit, cast in place.</summary>
    private static HandMember Strip(double diameter, double spacing) =>
        new HandMember(
            new(
                [HandMember.Box("girder", 1, 0, 0.3)],
                [
                    new("bars", 0.05, Math.PI / 4 * diameter * diameter / spacing, HandMember.Steel)
                    {
                        Diameter = diameter,
                        Spacing = spacing,
                    },
                ],
                []
            )
            {
                WebWidth = 1,
            }
        )
        {
            Form = MemberForm.CastInPlace,
        }.With(GirderEffect.M, 30e3);

    private static CheckOutcome Of(HandMember member, ICheck check, string id) => member.Of(check).Single(o => o.Check == id);

    /// <summary>
    /// 0.4·1·2.896·0.15 m² = 173.8 kN; φ* = 12·(2.9/2.896)·2·50/(0.4·150) = 20.03 mm: between 25 mm (200) and 16 mm (240 MPa) of the column
    /// for 0.3 mm 222.1 MPa; 12 mm every 150 hold 754·222.1 = 167.5 kN.
    /// </summary>
    [Fact]
    public void A_strip_as_it_first_cracks()
    {
        var outcome = Of(Strip(0.012, 0.15), new CrackWidth(), "cracks.least-soffit");
        Assert.Equal(173.8e3, outcome.Effect, 100.0);
        Assert.Equal(754e-6 * 222.1e6, outcome.Resistance, 300.0);
        Assert.False(outcome.Passes);
        Assert.True(Of(Strip(0.012, 0.125), new CrackWidth(), "cracks.least-soffit").Passes);
        // Nothing is asked of a face in compression.
        Assert.DoesNotContain(Strip(0.012, 0.15).Of(new CrackWidth()), o => o.Check == "cracks.least-top");
        Assert.Equal(
            99,
            Of(
                Strip(0.012, 0.15) with
                {
                    Section = Strip(0.012, 0.15).Section with { Bars = [] },
                },
                new CrackWidth(),
                "cracks.least-soffit"
            ).Utilisation
        );
    }

    /// <summary>
    /// A slab of 2 × 0.2 m on a web of 0.4 × 0.8 m, the top in tension: z̄ = (0.32·0.4 + 0.4·0.9)/0.72 = 0.6778 m, so that the stress goes
    /// from f_ctm at 1.0 m to 0.379·f_ctm at 0.8 m; F_cr = 0.6896·f_ctm·0.4 m², k_c = 0.9·0.6896 = 0.6207, k = 0.65.
    /// </summary>
    [Fact]
    public void A_slab_on_a_web_counts_as_a_flange()
    {
        var layer = new MemberBars("slab bars", 0.95, 2 * 1340e-6, HandMember.Steel)
        {
            Diameter = 0.016,
            Spacing = 0.15,
            IsTop = true,
        };
        var member = new HandMember(
            new([HandMember.Box("slab", 2, 0.8, 1), HandMember.Box("girder", 0.4, 0, 0.8)], [layer], []) { WebWidth = 0.4 }
        )
        {
            Form = MemberForm.CastInPlace,
        }.With(GirderEffect.M, -100e3);
        var outcome = Of(member, new CrackWidth(), "cracks.least-top");
        Assert.Equal(0.6207 * 0.65 * Fctm * 0.4, outcome.Effect, 500.0);
        // (7.7N): 16·(2.9/2.896)·8·50/200 = 32.04 mm: 160 MPa.
        Assert.Equal(2 * 1340e-6 * 160e6, outcome.Resistance, 100.0);
        Assert.True(Of(member.With(GirderEffect.N, 0), new CrackWidth(), "cracks.least-top").Utilisation > 1);
    }

    /// <summary>
    /// 300 × 600: f_ctm·b·h²/6/(0.9·0.55) = 105.3 kN, and max(0.26·f_ctm, 0.0013·500)·0.3·0.55 = 124.2 kN, of 4 bars of 20 mm 628.3 kN.
    /// </summary>
    [Fact]
    public void Bars_take_over_what_concrete_carried()
    {
        var member = new HandMember(HandMember.Rectangle()) { Form = MemberForm.CastInPlace }.With(GirderEffect.M, 50e3);
        var outcome = Of(member, new SuddenFailure(), "sudden.sagging");
        Assert.Equal(124.2e3, outcome.Effect, 100.0);
        Assert.Equal(628.3e3, outcome.Resistance, 100.0);
        Assert.DoesNotContain(member.Of(new SuddenFailure()), o => o.Check == "sudden.hogging");
        var without = member with { Section = member.Section with { Bars = [] } };
        Assert.Equal(99, Of(without, new SuddenFailure(), "sudden.sagging").Utilisation);
        // The moment that cracks it, as a force, where that is more: a web half as wide asks for less than that.
        var narrow = member with
        {
            Section = member.Section with { WebWidth = 0.1 },
        };
        Assert.Equal(Fctm * 0.3 * 0.36 / 6 / (0.9 * 0.55), Of(narrow, new SuddenFailure(), "sudden.sagging").Effect, 100.0);
    }

    /// <summary>
    /// Eight strands of 150 mm² at 80 mm in 300 × 600: where frequent loads give 10 MPa and prestress −12 MPa, λ = (10 − 2.896)/12 =
    /// 0.592 of them are left as it cracks. They carry about 0.592·1200 mm²·1800 MPa·0.48 m against the frequent moment.
    /// </summary>
    [Fact]
    public void A_prestressed_section_cracks_before_it_fails()
    {
        var strand = PrestressingSteel.Of(new StrandGrade());
        HandMember With(double moment) =>
            new HandMember(
                new(
                    [HandMember.Box("slab", 1, 0.5, 0.6), HandMember.Box("girder", 0.3, 0, 0.5)],
                    [],
                    [
                        new(1, 0.08, [new(8, 9)])
                        {
                            Steel = strand,
                            EffectiveStress = 1100e6,
                            Steps = [],
                            StressAtRelease = 1300e6,
                            FctmAtRelease = 2.5e6,
                            Concrete = Concrete.Of(new ConcreteGrade { Class = "C30/37" }),
                        },
                    ]
                )
                {
                    FromEnd = 9,
                    WebWidth = 0.3,
                }
            )
            {
                Prestress = [(GirderEffect.Bottom, -12e6), (GirderEffect.M, -300e3)],
            }
                .With(GirderEffect.Bottom, -2e6)
                .With(GirderEffect.M, moment - 300e3);
        var outcome = Of(With(400e3), new SuddenFailure(), "sudden.sagging");
        Assert.Equal(400e3, outcome.Effect, 1.0);
        var force = (10 - 2.896) / 12 * 1200e-6 * strand.Stress(0.02, 1.0);
        Assert.InRange(outcome.Resistance, 0.93 * force * 0.48, force * 0.52);
        Assert.True(outcome.Passes);
        Assert.False(Of(With(800e3), new SuddenFailure(), "sudden.sagging").Passes);
        // With less load the concrete holds even with no strand at all.
        Assert.Empty(With(400e3).With(GirderEffect.Bottom, -9.2e6).Of(new SuddenFailure()));
    }
}
