using Pravik.Core.Checks;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Geometry;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.Tests.Design;

/// <summary>Cracked sections and widths of cracks by EN 1992-1-1 7.3.4, by hand.</summary>
public sealed class CrackTests
{
    private const double Ecm = 32.837e9;

    /// <summary>A strip of 1000 × 300 with bars of 16 mm every 150 mm at 50 mm, as over a pier where the soffit is in tension.</summary>
    private static HandMember Strip(double moment, double spacing = 0.15)
    {
        var bars = new MemberBars("bars", 0.05, Math.PI * 64e-6 / spacing, HandMember.Steel) { Diameter = 0.016, Spacing = spacing };
        var face = 6 * moment / 0.09;
        return new HandMember(new([HandMember.Box("girder", 1, 0, 0.3)], [bars], []) { IsInterrupted = true })
            .With(GirderEffect.Bottom, face)
            .With(GirderEffect.GirderTop, -face)
            .With(GirderEffect.SlabTop, -face);
    }

    private static CheckOutcome Soffit(HandMember member) => member.Of(new CrackWidth()).Single(o => o.Check == "cracks.soffit");

    /// <summary>
    /// M = 80 kNm: α_e = 6.091, x = 56.2 mm, σ_s = 80/(1340·0.2313) = 258.1 MPa; h_c,ef = 243.8/3 = 81.3 mm, ρ = 0.01650,
    /// s_r,max = 3.4·42 + 0.17·16/0.0165 = 307.7 mm, ε = (258.1 − 0.4·2.896/0.0165·1.1005)/200000 = 0.904e-3: w_k = 0.278 mm of 0.3.
    /// </summary>
    [Fact]
    public void A_strip_by_hand()
    {
        var outcome = Soffit(Strip(80e3));
        Assert.Equal(0.2782e-3, outcome.Effect, 0.3e-6);
        Assert.Equal(0.927, outcome.Utilisation, 1e-3);
    }

    /// <summary>The same strip cast in place, by its moment: bars 258.1 of 400 MPa, concrete 2·80/(0.05624·0.23125) = 12.30 of 18 MPa.</summary>
    [Fact]
    public void A_strip_cast_in_place_by_hand()
    {
        var strip = (Strip(0) with { Form = MemberForm.CastInPlace }).With(GirderEffect.M, 80e3);
        var of = strip.Of(new BarStress()).ToDictionary(o => o.Check);
        Assert.Equal(258.1e6, of["bars.steel"].Effect, 0.1e6);
        Assert.Equal(258.1 / 400, of["bars.steel"].Utilisation, 1e-3);
        Assert.Equal(12.30e6, of["bars.concrete"].Effect, 0.02e6);
        Assert.Equal(12.30 / 18, of["bars.concrete"].Utilisation, 1e-3);
        Assert.Equal(12.30 / 13.5, of["bars.sustained"].Utilisation, 2e-3);
        Assert.Equal(0.2782e-3, Soffit(strip).Effect, 0.3e-6);
        Assert.Equal(0, strip.Of(new CrackWidth()).Single(o => o.Check == "cracks.top").Utilisation);
        Assert.Empty(strip.Of(new ServiceStress()));
        Assert.Empty(Strip(80e3).Of(new BarStress()));
        Assert.Equal(99, (strip with { Section = strip.Section with { Bars = [] } }).Of(new BarStress()).Max(o => o.Utilisation));
    }

    /// <summary>
    /// A strip of 1000 × 450 with 20 mm every 125 and 16 mm every 250 beside each other at 60 mm, M = 99.66 kNm: x = 102.6 mm, σ_s = 85.0 MPa,
    /// φ_eq = (8·400 + 4·256)/(8·20 + 4·16) = 18.86 mm, ρ = 3317/115803, s_r,max = 3.4·50 + 0.17·18.86/0.02865 = 281.9 mm: w_k = 0.0719 mm.
    /// Layers that are parted in two are one.
    /// </summary>
    [Fact]
    public void Bars_of_two_diameters_hold_cracks_together()
    {
        MemberBars Layer(double diameter, double spacing, bool isTop = false) =>
            new("bars", isTop ? 0.39 : 0.06, Math.PI / 4 * diameter * diameter / spacing, HandMember.Steel)
            {
                Diameter = diameter,
                Spacing = spacing,
                IsTop = isTop,
            };
        double Width(params MemberBars[] bars) =>
            Soffit(
                new HandMember(new([HandMember.Box("girder", 1, 0, 0.45)], [.. bars], [])) { Form = MemberForm.CastInPlace }.With(
                    GirderEffect.M,
                    99.664e3
                )
            ).Effect;
        Assert.Equal(0.0719e-3, Width(Layer(0.02, 0.125), Layer(0.016, 0.25), Layer(0.02, 0.125, true)), 0.2e-6);
        Assert.Equal(Width(Layer(0.016, 0.1)), Width(Layer(0.016, 0.2), Layer(0.016, 0.2)), 1e-9);
    }

    /// <summary>Below f_ctm it does not crack; more moment or fewer bars never close cracks; without bars nothing holds them.</summary>
    [Fact]
    public void Its_limits()
    {
        Assert.Equal(0, Soffit(Strip(43e3)).Utilisation);
        Assert.True(Soffit(Strip(44e3)).Utilisation > 0);
        Assert.True(Soffit(Strip(90e3)).Effect > Soffit(Strip(80e3)).Effect);
        Assert.True(Soffit(Strip(80e3, 0.2)).Effect > Soffit(Strip(80e3)).Effect);
        var bare = Strip(80e3);
        Assert.Equal(99, Soffit(bare with { Section = bare.Section with { Bars = [] } }).Utilisation);
    }

    /// <summary>
    /// A strip under moment alone: x = 56.24 mm and σ_s = 258.1 MPa by the closed form; with a force, and for a tee whose slab is evenly in
    /// tension, the forces of 4000 fibres and the bars are those that act.
    /// </summary>
    [Theory]
    [InlineData(5.333e6, -35.556e6, 0)]
    [InlineData(5.333e6, -35.556e6, 1e6)]
    [InlineData(-3e6, 4e6, 2.5e6)]
    public void A_cracked_section_carries_what_acted_before(double soffit, double slope, double inSlab)
    {
        ElasticConcrete web = new(new Polygon(HandMember.Box("", 1, 0, 0.3).Outline.Points), Ecm, soffit, slope);
        ElasticConcrete slab = new(HandMember.Box("", 2, 0.3, 0.5).Outline, Ecm, inSlab, 0);
        ElasticConcrete[] parts = inSlab == 0 ? [web] : [web, slab];
        double Before(double y, double stress) => 200e9 / Ecm * stress;
        ElasticSteel[] steel =
        [
            new(0.05, 1.3404e-3, 200e9, Before(0.05, web.StressAt(0.05))),
            .. inSlab == 0 ? Array.Empty<ElasticSteel>() : [new ElasticSteel(0.45, 3e-3, 200e9, Before(0.45, inSlab))],
        ];
        var section = CrackedSection.Of([.. parts], [.. steel])!;
        var (n, m, before, about) = (0.0, 0.0, 0.0, 0.0);
        foreach (var part in parts)
        {
            var (bottom, height) = (part.Outline.Bottom, (part.Outline.Top - part.Outline.Bottom) / 4000);
            for (var i = 0; i < 4000; i++)
            {
                var y = bottom + (i + 0.5) * height;
                var area = height * (part == web ? 1 : 2);
                Assert.True(section.StressOf(part, y) <= 0);
                n += section.StressOf(part, y) * area;
                m += section.StressOf(part, y) * area * y;
                before += part.StressAt(y) * area;
                about += part.StressAt(y) * area * y;
            }
        }
        n += steel.Sum(s => section.StressOf(s) * s.Area);
        m += steel.Sum(s => section.StressOf(s) * s.Area * s.Height);
        Assert.Equal(before, n, 20.0);
        Assert.Equal(about, m, 20.0);
        if (inSlab == 0)
            Assert.Equal(258.1e6, section.StressOf(steel[0]), 0.1e6);
    }
}
