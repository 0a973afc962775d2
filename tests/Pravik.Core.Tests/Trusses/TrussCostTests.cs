using Pravik.Core.Trusses;
using static Pravik.Core.Tests.Trusses.TestTrusses;

namespace Pravik.Core.Tests.Trusses;

/// <summary>Cost by hand.</summary>
public class TrussCostTests
{
    private static readonly TrussSite Flat = new()
    {
        Opening = 20,
        Panels = 4,
        Deck = "plank",
        Lanes = 1,
        Ground = [new(-10, -5), new(30, -5)],
    };

    [Fact]
    public void Site_and_deck_by_hand()
    {
        // Deck 4 m wide. Embankments of 5 m over 10 m on both sides; five cross beams.
        var cost = TrussCost.Of(TrussScheme.New(Flat));
        Assert.Equal(400 * 22 + 2 * 9000, cost.Of(TrussCost.SiteGroup), 1e-3);
        Assert.Equal(20 * 4 * 140 + 5 * 4 * 420, cost.Of(TrussCost.DeckGroup), 6);
        Assert.Equal(0, cost.Of(TrussCost.SteelGroup));
    }

    [Fact]
    public void Springings_pier_and_anchorages_by_hand()
    {
        var site = Flat with { Springings = 3, Pier = new(10, -1), LeftAnchor = 8 };
        var added = TrussCost.Of(TrussScheme.New(site)).Total - TrussCost.Of(TrussScheme.New(Flat)).Total;
        Assert.Equal(2 * 3 * 1900 + 8000 + 4 * 1400 + 11000, added, 1e-3);
    }

    [Fact]
    public void Banks_are_dug_away_to_the_springings()
    {
        // Ground level with the road to 4 m within the opening, then falling at once: a cut of 3 m by 4 m for springings, 0.6 m for seats.
        TrussSite Banked(double? springings) =>
            Flat with
            {
                Ground = [new(-10, 0), new(4, 0), new(4.001, -10), new(30, -10)],
                Springings = springings,
            };
        Assert.Equal(4 * 3 * 4, new SitePlaces(Banked(3)).Earthworks().Dug, 0.02);
        Assert.Equal(4 * 0.6 * 4, new SitePlaces(Banked(null)).Earthworks().Dug, 0.02);
    }

    [Fact]
    public void Steel_orders_and_joints_by_hand()
    {
        // Warren of two panels of 10 m, 5 m deep: seven bars. Two sections of tubes in S355; five joints in each plane.
        var scheme = Drawn(Flat with { Panels = 2, Deck = "heavy" }, FormKind.Warren, 5);
        scheme = scheme with
        {
            Grades = [],
            Bars = [.. scheme.Bars.Select((b, i) => b with { Grade = "S355", Size = i < 2 ? "139.7 × 8" : "168.3 × 8" })],
        };
        var (small, large) = (0.00330998, 0.00402876);
        var mass = 7850 * (2 * 10 * small + (4 * Math.Sqrt(50) + 10) * large);
        var cost = TrussCost.Of(scheme);
        Assert.Equal(2 * mass * 2.4 * 1.08, cost.Of(TrussCost.SteelGroup), 0.5);
        Assert.Equal(2 * 900 + 2 * 5 * 150 + 2 * 14 * 60, cost.Of(TrussCost.MakingGroup), 6);
        var own = TrussCost.Of(scheme with { Prices = scheme.Prices.Add("order", 1000) });
        Assert.Equal(200, own.Total - cost.Total, 6);
    }
}
