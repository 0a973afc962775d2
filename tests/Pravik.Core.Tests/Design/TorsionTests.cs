using System.Collections.Immutable;
using Pravik.Core.Checks;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Models;
using Pravik.Core.Sections;

namespace Pravik.Core.Tests.Design;

/// <summary>Torsion with shear and bending by EN 1992-1-1 6.3, by hand.</summary>
public sealed class TorsionTests
{
    private static CheckOutcome Of(HandMember member, string id) => member.Of(new UltimateTorsion()).Single(o => o.Check == id);

    private static HandMember Beam(double torsion, double shear, double moment = 100e3, double? spacing = 0.2) =>
        new HandMember(HandMember.Rectangle(spacing: spacing))
            .With(GirderEffect.T, torsion)
            .With(GirderEffect.V, shear)
            .With(GirderEffect.M, moment);

    /// <summary>
    /// t_ef = 0.18/1.8 = 100 mm, A_k = 0.2·0.5 m², u_k = 1.4 m; T_Rd,max = 2·0.528·17·0.1·0.1/(1.5 + 1/1.5) = 82.86 kNm; 20/82.86 + 100/615.2 =
    /// 0.4039. T_Rd,c = 2·0.1·0.1·1.3515 = 27.03 kNm: 20/27.03 + 100/90.06 = 1.85 > 1, so links are asked for: 100/(0.495·434.8·1.5) +
    /// 2·20/(2·0.1·434.8·1.5) = 6.164 cm²/m of 7.854 (0.7849).
    /// </summary>
    [Fact]
    public void A_rectangle_by_hand()
    {
        var beam = Beam(20e3, 100e3);
        Assert.Equal(0.4039, Of(beam, "torsion.webstruts").Utilisation, 1e-4);
        Assert.Equal(0.7849, Of(beam, "torsion.weblinks").Utilisation, 1e-4);
        // A little of both is carried by the concrete, with the least links: 5/27.03 + 40/90.06.
        Assert.Equal(0.6291, Of(Beam(5e3, 40e3, spacing: null), "torsion.weblinks").Utilisation, 2e-4);
        Assert.Equal(1.8501, Of(Beam(20e3, 100e3, spacing: null), "torsion.weblinks").Utilisation, 1e-3);
    }

    /// <summary>ΔF = 20·1.5·1.4/(2·0.1) = 210 kN, half of it times z = 0.495 m is 51.98 kNm beside the moment.</summary>
    [Fact]
    public void The_tension_chord_takes_half_of_the_pull_along()
    {
        var beam = Beam(20e3, 100e3);
        var bending = beam.Of(new UltimateBending()).First(o => o.Check == "bending.sagging");
        Assert.Equal((100e3 + 51.975e3) / bending.Resistance, Of(beam, "torsion.chord").Utilisation, 1e-6);
        Assert.Equal(bending.Utilisation, Of(Beam(0, 100e3), "torsion.chord").Utilisation, 1e-12);
    }

    /// <summary>
    /// Walls of 150 mm beside, 120 mm under and 180 mm over a void, 1.2 × 0.6 m over all: A_k = 1.05·0.45 = 0.4725 m²; T_Rd,max of webs =
    /// 2·0.528·17·0.4725·0.15/(1.5 + 1/1.5) = 587.2 kNm, under the void 469.8: 200/587.2 + 100/615.2 = 0.5031, and 200/469.8 = 0.4257
    /// without shear. Links of two webs: 100/(0.495·434.8·1.5) + 2·100/(2·0.4725·434.8·1.5) = 6.343 cm²/m of 7.854.
    /// </summary>
    [Fact]
    public void Walls_around_a_void_by_hand()
    {
        HandMember Box(double torsion, double shear) =>
            new HandMember(HandMember.Rectangle() with { Cells = new(1.2, 2, 0.15, 0.12, 0.18) })
                .With(GirderEffect.T, torsion)
                .With(GirderEffect.V, shear)
                .With(GirderEffect.M, 100e3);
        Assert.Equal(0.5031, Of(Box(200e3, 100e3), "torsion.webstruts").Utilisation, 1e-4);
        Assert.Equal(0.4257, Of(Box(200e3, 0), "torsion.webstruts").Utilisation, 1e-4);
        Assert.Equal(6.343 / 7.854, Of(Box(100e3, 100e3), "torsion.weblinks").Utilisation, 1e-4);
    }

    /// <summary>A box has its walls; of the slab inside each web has half the clear width as far as (5.7a) lets it.</summary>
    [Fact]
    public void The_walls_of_a_box_are_found()
    {
        var made = new MadeSection(
            new()
            {
                Family = "box",
                Sizes = new Dictionary<string, double>
                {
                    ["depth"] = 1.5,
                    ["width"] = 4.4,
                    ["web"] = 0.45,
                    ["top"] = 0.1,
                    ["bottom"] = 0.22,
                    ["chamfer"] = 0.15,
                }.ToImmutableSortedDictionary(),
            }
        );
        var cells = made.Cells!;
        Assert.Equal([4.4, 0.45, 0.22, 0.1], new[] { cells.Width, cells.Web, cells.Bottom, cells.Top }.Select(v => Math.Round(v, 9)));
        Assert.Equal(2, cells.Webs);
        Assert.Equal(4.4, EffectiveSlab.Between(made, 20), 1e-9);
        Assert.Equal(0.9 + 2 * (0.2 * 1.75 + 0.96), EffectiveSlab.Between(made, 9.6), 1e-9);
        Assert.Null(new MadeSection(new()).Cells);
    }

    /// <summary>Without torsion it is shear alone; more torsion never helps; its sign is all the same; what is left out is told.</summary>
    [Fact]
    public void Its_limits()
    {
        Assert.Equal(100 / 615.20, Of(Beam(0, 100e3), "torsion.webstruts").Utilisation, 1e-4);
        Assert.Equal(0, Of(Beam(0, 0), "torsion.weblinks").Utilisation);
        Assert.Equal(Of(Beam(30e3, 50e3), "torsion.weblinks").Utilisation, Of(Beam(-30e3, 50e3), "torsion.weblinks").Utilisation, 1e-12);
        var last = 0.0;
        foreach (var torsion in new[] { 1e3, 5e3, 20e3, 60e3, 100e3 })
        {
            var use = Of(Beam(torsion, 50e3), "torsion.webstruts").Utilisation;
            Assert.True(use > last);
            last = use;
        }
        Assert.Empty((Beam(20e3, 100e3) with { LeavesOutTorsion = true }).Of(new UltimateTorsion()));
    }

    /// <summary>A bridge that leaves torsion out does not count it among what passes; every outcome is found by its path.</summary>
    [Fact]
    public void What_is_left_out_is_told_and_every_outcome_has_a_path_of_its_own()
    {
        var demo = TestBridges.OneType;
        var with = TestBridges.Run(demo);
        Assert.All(with.Outcomes, o => Assert.Same(o, with.Find(with.PathOf(o))));
        var without = TestBridges.Run(demo with { Girders = demo.Girders with { LeavesOutTorsion = true } });
        Assert.Contains("torsion with shear", with.Checked);
        Assert.DoesNotContain("torsion with shear", without.Checked);
        Assert.Contains(without.NotChecked, n => n.StartsWith("torsion", StringComparison.Ordinal));
    }
}
