using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Codes;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Proposals;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Design;

/// <summary>Ultimate shear by EN 1992-1-1 6.2: the resistance of a section by hand, and what is checked along girders.</summary>
public sealed class ShearTests
{
    private static readonly NationalValues Values = NationalValues.Named(NationalValues.Recommended)!;
    private static readonly string[] OfLinks =
    [
        "shear.links",
        "shear.struts",
        "shear.least",
        "interface.slab",
        "torsion.webstruts",
        "torsion.weblinks",
    ];
    private static readonly ReinforcingSteel Steel = ReinforcingSteel.Of(new());

    /// <summary>300 × 600 in C30/37, four bars of 20 mm at 50 mm, two legs of 10 mm every 200 mm.</summary>
    private static MemberSection Rectangle(int bars = 4, MemberLinks? links = null) =>
        new(
            [
                new(
                    "girder",
                    new([new(-0.15, 0), new(0.15, 0), new(0.15, 0.6), new(-0.15, 0.6)]),
                    Concrete.Of(new ConcreteGrade { Class = "C30/37" })
                ),
            ],
            [new("bars", 0.05, bars * Math.PI * 1e-4, Steel)],
            []
        )
        {
            WebWidth = 0.3,
            Links = links,
        };

    private static MemberLinks Links(double spacing = 0.2) => new(2 * Math.PI * 25e-6, spacing, Steel);

    private static ShearResistance Of(MemberSection section, double slope = 1.5, double axial = 0) =>
        new(section, Values, slope, true, axial);

    /// <summary>
    /// By hand: d = 550 mm, k = 1.603, ρ_l = 0.762 %, V_Rd,c = 0.12·1.603·(22.85)^⅓·300·550 = 90.06 kN; V_Rd,s = 0.785·495·434.8·1.5 = 253.55 kN;
    /// V_Rd,max = 300·495·0.528·17/(1.5 + 1/1.5) = 615.20 kN.
    /// </summary>
    [Fact]
    public void A_rectangle_by_hand()
    {
        var resistance = Of(Rectangle(links: Links()));
        Assert.Equal(0.55, resistance.Depth, 1e-12);
        Assert.Equal(90.06e3, resistance.Concrete, 10.0);
        Assert.Equal(253.55e3, resistance.Links, 10.0);
        Assert.Equal(615.20e3, resistance.Struts, 10.0);
        Assert.Equal(resistance.Links, resistance.Resistance);
        Assert.Equal(0.002618, resistance.LinkRatio, 1e-6);
        Assert.Equal(0.000876, resistance.LeastLinks, 1e-6);
        Assert.Equal(0.4125, resistance.MostSpacing, 1e-9);
    }

    /// <summary>500 kN of compression: σ_cp = 2.78 MPa adds 0.15·2.78·165000 = 68.75 kN without links, and α_cw = 1.1634 to struts.</summary>
    [Fact]
    public void Compression_helps_and_tension_takes_away()
    {
        var (without, with) = (Of(Rectangle(links: Links())), Of(Rectangle(links: Links()), axial: -500e3));
        Assert.Equal(68.75e3, with.Concrete - without.Concrete, 1.0);
        Assert.Equal(1.1634, with.Struts / without.Struts, 1e-4);
        Assert.True(Of(Rectangle(), axial: 300e3).Concrete < without.Concrete);
        Assert.Equal(0, Of(Rectangle(), axial: 5e6).Concrete);
        Assert.Equal(0, Of(Rectangle(links: Links()), axial: -20e6).Struts);
    }

    [Fact]
    public void Without_links_the_concrete_alone_carries_and_more_steel_never_less()
    {
        Assert.Equal(Of(Rectangle()).Concrete, Of(Rectangle()).Resistance);
        Assert.Equal(0, Of(Rectangle()).Links);
        // Without bars the least shear strength is left: v_min·b·d with d = 0.9·h.
        Assert.InRange(Of(Rectangle(0)).Concrete, 50e3, 70e3);
        var last = 0.0;
        foreach (var bars in new[] { 0, 2, 4, 8, 16, 32 })
        {
            var carried = Of(Rectangle(bars, Links())).Concrete;
            Assert.True(carried >= last * (1 - 0.03));
            last = carried;
        }
        last = 0;
        foreach (var spacing in new[] { 0.4, 0.2, 0.1, 0.05, 0.02 })
        {
            var carried = Of(Rectangle(links: Links(spacing))).Resistance;
            Assert.True(carried >= last);
            last = carried;
        }
        // Struts are the end of it.
        Assert.Equal(Of(Rectangle(links: Links())).Struts, last, 1e-6);
    }

    /// <summary>Steeper struts ask for more links and carry more: V_Rd,s ~ cot θ, V_Rd,max ~ 1/(cot θ + tan θ).</summary>
    [Theory]
    [InlineData(1.0)]
    [InlineData(2.5)]
    public void The_slope_of_struts_shares_between_links_and_concrete(double slope)
    {
        var (one, other) = (Of(Rectangle(links: Links())), Of(Rectangle(links: Links()), slope));
        Assert.Equal(slope / 1.5, other.Links / one.Links, 1e-9);
        Assert.Equal((1.5 + 1 / 1.5) / (slope + 1 / slope), other.Struts / one.Struts, 1e-9);
    }

    /// <summary>
    /// Along the demo: at every place of a girder the shear of the ultimate envelope, at the first one that at d from the axis; nothing over
    /// piers; the calculation ends with the same ratio.
    /// </summary>
    [Fact]
    public void Girders_are_checked_at_every_place()
    {
        var results = TestBridges.Run(TestBridges.OneType);
        var ultimate = results.Effects.Of(LimitState.Ultimate);
        var places = 0;
        foreach (var outcome in results.Outcomes.Where(o => o.Check == "shear.links"))
        {
            places++;
            var envelope = Math.Max(ultimate.Greatest[outcome.Point, GirderEffect.V], -ultimate.Least[outcome.Point, GirderEffect.V]);
            Assert.True(Math.Abs(outcome.Effect) <= envelope * 1.15);
            Assert.Equal(Math.Abs(outcome.Effect / outcome.Resistance), outcome.Utilisation, 1e-9);
            if (Math.Abs(results.Points[outcome.Point].Fraction - 0.5) < 0.3)
                Assert.True(Math.Abs(outcome.Effect) <= envelope + 1);
        }
        Assert.Equal(results.Points.Count(p => p.Fraction is > 0 and < 1), places);
        Assert.Equal(5 * 3 * 2, results.Outcomes.Count(o => o.Check == "shear.struts"));
        var worst = results.Outcomes.Where(o => o.Check.StartsWith("shear.", StringComparison.Ordinal)).MaxBy(o => o.Utilisation)!;
        var calculation = new Calculation("shear", UnitSystem.Metric);
        results.Write(worst, calculation);
        Assert.Equal(QuantityText.Fixed(worst.Utilisation, 3), calculation.Lines.Last(l => l.Symbol == "η").Value);
    }

    /// <summary>Without links the demo fails in shear and says so; wider spacing never helps.</summary>
    [Fact]
    public void Links_are_needed_and_told_where_they_are_missing()
    {
        double Worst(params LinkZone[] zones) =>
            BridgeRun
                .Run(TestBridges.OneType with { Girders = TestBridges.OneType.Girders.Typed(t => t with { Links = [.. zones] }) })
                .Outcomes.Where(o => o.Check == "shear.links")
                .Max(o => o.Utilisation);
        Assert.True(Worst() > 2);
        Assert.True(Worst(new LinkZone { Spacing = 0.3 }) >= Worst(new LinkZone { Spacing = 0.1 }));
    }

    /// <summary>
    /// What is proposed passes when the bridge is run with it, uses less steel than links that are far too many, and is the same whatever links
    /// there are; where struts fail no links are proposed.
    /// </summary>
    [Fact]
    public void Proposed_links_pass_when_the_bridge_is_run_with_them()
    {
        Bridge With(params LinkZone[] zones) =>
            TestBridges.OneType with
            {
                Girders = TestBridges.OneType.Girders.Typed(t => t with { Links = [.. zones] }),
            };
        LinkProposal Proposed(Bridge bridge) => LinkProposal.Of(new(bridge), TestBridges.Run(bridge), 0);
        var dense = Proposed(With(new LinkZone { Diameter = 0.016, Spacing = 0.05 }));
        Assert.Equal("", dense.Why);
        Assert.InRange(dense.OfToday, 0.1, 0.6);
        Assert.Equal(dense.Zones.AsEnumerable(), Proposed(With()).Zones);
        var run = TestBridges.Run(With([.. dense.Zones]));
        var worst = run.Outcomes.Where(o => OfLinks.Contains(o.Check)).MaxBy(o => o.Utilisation)!;
        Assert.True(worst.Passes);
        // Where their zones meet there are places of their own.
        Assert.Equal(dense.Worst!.Utilisation, worst.Utilisation, 1e-3);
        // Every zone is used: with a step of 25 mm more the first fails.
        var wider = dense.Zones.SetItem(0, dense.Zones[0] with { Spacing = dense.Zones[0].Spacing + 0.025 });
        Assert.Contains(TestBridges.Run(With([.. wider])).Outcomes, o => OfLinks.Contains(o.Check) && !o.Passes);

        var flat = With() with { Girders = With().Girders with { StrutSlope = 2.5 } };
        Assert.Contains("struts", Proposed(flat).Why, StringComparison.Ordinal);
        Assert.Empty(Proposed(flat).Zones);
    }

    [Fact]
    public void Bad_links_are_told_with_their_place()
    {
        IEnumerable<string> Of(LinkZone zone) =>
            BridgeValidation
                .Check(TestBridges.OneType with { Girders = TestBridges.OneType.Girders.Typed(t => t with { Links = [zone] }) })
                .Select(f => f.Path);
        Assert.Contains("/girders/types/0/links/0/spacing", Of(new() { Spacing = 0.02 }));
        Assert.Contains("/girders/types/0/links/0/length", Of(new() { Length = -1 }));
        Assert.Contains("/girders/types/0/links/0/legs", Of(new() { Legs = 0 }));
        Assert.Contains("/girders/types/0/links/0/diameter", Of(new() { Diameter = double.NaN }));
    }
}
