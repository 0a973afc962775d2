using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Runs;
using Pravik.Core.Sections;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Design;

/// <summary>Strands of a row that are debonded over several lengths, bars by their distance, and every second bar.</summary>
public class SteelRowTests
{
    private static readonly StrandRow Row = new()
    {
        Count = 12,
        Debonded = 4,
        DebondedLength = 2,
        AlsoDebonded = [new() { Count = 2, Length = 5 }],
    };

    /// <summary>With 1 m of transmission: 6 from the end, 4 from 2 m, 2 from 5 m.</summary>
    [Theory]
    [InlineData(0, 0)]
    [InlineData(0.5, 3)]
    [InlineData(2, 6)]
    [InlineData(2.25, 7)]
    [InlineData(5, 10)]
    [InlineData(5.5, 11)]
    [InlineData(9, 12)]
    public void Strands_work_from_where_their_bond_begins(double fromEnd, double working) =>
        Assert.Equal(working, Row.Working(fromEnd, 1), 1e-12);

    /// <summary>Where more are debonded than there are, each strand is still counted once.</summary>
    [Fact]
    public void No_strand_is_counted_twice()
    {
        var row = Row with { Count = 5 };
        Assert.Equal([(0, 0.0), (4, 2.0), (1, 5.0)], row.Bonds.Select(b => (b.Count, b.Length)));
        Assert.Equal(0, row.Working(1.9, 1), 1e-12);
        Assert.Equal(5, row.Working(6, 1), 1e-12);
    }

    /// <summary>A row with two lengths is as good as three rows of one each at its level: in every check, at every place.</summary>
    [Fact]
    public void A_row_with_several_lengths_is_as_good_as_a_row_for_each()
    {
        BridgeResults With(params StrandRow[] lowest)
        {
            var girders = TestBridges.Demo.Girders.Typed(t =>
                t with
                {
                    Strands = t.Strands with { Rows = [.. lowest, .. t.Strands.Rows.Skip(1)] },
                }
            );
            return TestBridges.Run(TestBridges.Demo with { Girders = girders });
        }
        StrandRow Alone(int count, double length) =>
            new()
            {
                Count = count,
                Debonded = length > 0 ? count : 0,
                DebondedLength = length,
            };
        var together = With(Row).Outcomes;
        var apart = With(Alone(6, 0), Alone(4, 2), Alone(2, 5)).Outcomes.ToLookup(o => (o.Point, o.Check), o => o.Utilisation);
        Assert.NotEmpty(together);
        Assert.All(together, o => Assert.Equal(apart[(o.Point, o.Check)].Max(), o.Utilisation, 1e-6));
        // Without debonding it is another girder.
        Assert.Contains(
            With(Row with { Debonded = 0, AlsoDebonded = [] }).Outcomes,
            o => Math.Abs(apart[(o.Point, o.Check)].FirstOrDefault() - o.Utilisation) > 0.01
        );
    }

    [Theory]
    [InlineData(8, 2.0, "/girders/types/0/strands/rows/0/alsoDebonded")]
    [InlineData(-1, 2.0, "/girders/types/0/strands/rows/0/alsoDebonded/0/count")]
    [InlineData(2, 1e9, "/girders/types/0/strands/rows/0/alsoDebonded/0/length")]
    public void Bad_debonding_is_told_where_it_is(int count, double length, string path)
    {
        var row = Row with { AlsoDebonded = [new() { Count = count, Length = length }], Count = 10 };
        var girders = TestBridges.Demo.Girders.Typed(t => t with { Strands = t.Strands with { Rows = [row] } });
        Assert.Contains(BridgeValidation.Check(TestBridges.Demo with { Girders = girders }), f => f.Path == path);
    }

    /// <summary>0.6 m less 50 mm on both sides takes 6 bars every 100 mm, 4 every 150 mm; two webs take their own each.</summary>
    [Fact]
    public void Bars_by_their_distance_are_counted_over_the_concrete_at_their_level()
    {
        Polygon Box(double from, double to) => new([new(from, 0), new(to, 0), new(to, 1), new(from, 1)]);
        Assert.Equal(6, BarSpread.Every([Box(-0.3, 0.3)], 0.06, 0.1).Count());
        Assert.Equal([-0.225, -0.075, 0.075, 0.225], BarSpread.Every([Box(-0.3, 0.3)], 0.06, 0.15).Select(x => Math.Round(x, 9)));
        Assert.Equal(2 * 3, BarSpread.Every([Box(-1, -0.7), Box(0.7, 1)], 0.5, 0.1).Count());
        Assert.Empty(BarSpread.Every([Box(-0.05, 0.05)], 0.5, 0.1));
    }

    private static Bridge SlabWith(params BarRow[] bars)
    {
        var slab = TestBridges.Read("osier-cut.json");
        return slab with { Girders = slab.Girders.Typed(t => t with { Bars = [.. bars] }) };
    }

    /// <summary>By distance or counted, with every second bar in the row or in one of its own: the same steel, the same checks.</summary>
    [Fact]
    public void Every_second_bar_is_as_good_as_a_row_of_its_own()
    {
        var row = new BarRow
        {
            Level = 0.075,
            Diameter = 0.032,
            Spacing = 0.13,
            SecondFrom = 0.2,
            SecondTo = 0.8,
        };
        var bridge = SlabWith(row);
        var geometry = new BridgeGeometry(bridge);
        var runs = row.In(geometry.Sections.OfType(bridge.Girders.Types[0])).ToList();
        // 3.4 m less twice 50 mm holds 25 gaps of 0.13 m: 26 bars.
        Assert.Equal([13, 13], runs.Select(r => r.Count));
        var whole = row with { Spacing = null, SecondFrom = null, SecondTo = null, Count = 13 };
        var other = SlabWith(whole, whole with { From = 0.2, To = 0.8 });
        var expected = TestBridges.Run(other).Outcomes.ToLookup(o => (o.Point, o.Check), o => o.Utilisation);
        var found = TestBridges.Run(bridge).Outcomes;
        Assert.All(found, o => Assert.Equal(expected[(o.Point, o.Check)].Max(), o.Utilisation, 1e-6));
        double Mass(Bridge of) => Bill.Of(new(of), null).First(l => l.Key == "steel.girderBars").Amount;
        Assert.Equal(Mass(other), Mass(bridge), 1e-6);
    }

    [Theory]
    [InlineData(0.04, null, null, "spacing")]
    [InlineData(0.15, 0.9, 0.4, "secondTo")]
    [InlineData(0.15, 1.2, null, "secondFrom")]
    [InlineData(1e9, null, null, "spacing")]
    public void Bad_bars_are_told_where_they_are(double spacing, double? from, double? to, string entry)
    {
        var bridge = SlabWith(
            new BarRow
            {
                Level = 0.075,
                Spacing = spacing,
                SecondFrom = from,
                SecondTo = to,
            }
        );
        Assert.Contains(BridgeValidation.Check(bridge), f => f.Path == $"/girders/types/0/bars/0/{entry}");
    }
}
