using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Solids;
using Pravik.Core.Tests.Bridges;

namespace Pravik.Core.Tests.Quantities;

/// <summary>The bill against a bridge that can be measured by hand.</summary>
public class BillTests
{
    /// <summary>
    /// Straight, level along and across, one span of 20 m, 10 m wide, slab 0.20, four girders 0.8 wide on top with end gaps of 0.35,
    /// haunch 0.03, no edge beams.
    /// </summary>
    private static Bridge Plain { get; } =
        Bridge.New("Plain") with
        {
            Axes = new() { FirstStation = 20, Spans = [20] },
            Road = new()
            {
                Elements = [new() { Length = 60 }],
                Profile = [new() { Station = 0, Level = 10 }, new() { Station = 60, Level = 10 }],
            },
            Deck = DeckEdits
                .Of([new() { Width = 5, Crossfall = 0 }], [new() { Width = 5, Crossfall = 0 }])
                .With(p => p with { Slab = new() { Thickness = 0.2 } }) with
            {
                EndOverhang = 0.5,
                Haunch = 0.03,
            },
            Girders = new() { Count = 4, OverhangLeft = 1 },
            Parapets = [],
        };

    [Fact]
    public void Amounts_are_those_measured_by_hand()
    {
        var bill = Bill.Of(new(Plain), null).ToDictionary(i => i.Key, i => i.Amount);
        Assert.Equal(21 * 10 * 0.2, bill["concrete.slab"], 1e-9);
        Assert.Equal(4 * 20 * 0.8 * 0.03, bill["concrete.haunches"], 1e-9);
        Assert.Equal(4, bill["girders.number.Precast I"]);
        Assert.Equal(4 * 19.3, bill["girders.length.Precast I"], 1e-9);
        Assert.Equal(4 * 19.3 * 0.456200, bill["concrete.girders"], 2e-3);
        // Soffit without flanges, and four edges.
        Assert.Equal(21 * 10 - 4 * 19.3 * 0.8 + 2 * (21 + 10) * 0.2, bill["formwork.deck"], 1e-6);
        Assert.Equal(2 * 4 * 19.3 * 0.03 + 8 * 0.8 * 0.03, bill["formwork.haunches"], 1e-6);
        Assert.Equal(2 * (8 * 0.9 * 1.2), bill["concrete.diaphragms"], 1e-9);
        Assert.Equal(8, bill["bearings.Elastomeric 250 × 400"]);
        Assert.Equal(20 * 150e-6 * 4 * 19.3 * 7850, bill["steel.strands"], 1e-6);
        Assert.Equal(21 * 10 * 0.1, bill["finishes.surfacing"], 1e-9);
        Assert.DoesNotContain("piles.length", bill.Keys);
    }

    /// <summary>Every solid of the supports is in one amount of concrete, bearings apart.</summary>
    [Fact]
    public void Concrete_of_supports_is_the_sum_of_their_solids()
    {
        var geometry = new BridgeGeometry(TestBridges.Demo);
        var bill = Bill.Of(geometry, null);
        string[] keys = ["concrete.abutments", "concrete.approach", "concrete.piers", "concrete.foundations", "concrete.piles"];
        Assert.Equal(
            SupportSolids.All(geometry, null).Where(p => p.Kind != SolidKind.Bearings).Sum(p => p.Solid.Volume),
            bill.Where(i => keys.Contains(i.Key)).Sum(i => i.Amount),
            1e-9
        );
    }

    /// <summary>Rates are per unit of the project: 200 per m³, or per yd³ of which a m³ has 1.30795.</summary>
    [Fact]
    public void Costs_are_rates_times_amounts_in_the_project_units()
    {
        var priced = Plain with
        {
            Costs = new()
            {
                Rates = ImmutableSortedDictionary<string, double>.Empty.Add("concrete.slab", 200).Add("girders.number.Precast I", 7000),
            },
        };
        var bill = Bill.Of(new(priced), null);
        Assert.Equal(42 * 200, bill.Single(i => i.Key == "concrete.slab").Cost!.Value, 1e-6);
        Assert.Equal(28000, bill.Single(i => i.Key == "girders.number.Precast I").Cost!.Value, 1e-6);
        Assert.Null(bill.Single(i => i.Key == "girders.length.Precast I").Cost);
        var us = priced with { Basis = priced.Basis with { Units = "us" } };
        Assert.Equal(42 * 1.3079506 * 200, Bill.Of(new(us), null).Single(i => i.Key == "concrete.slab").Cost!.Value, 1e-2);
    }
}
