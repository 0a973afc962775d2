using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Tests.Bridges;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Where traffic may drive (EN 1991-2 1.4.2.1, 4.2.3), found from strips, kerbs and restraint systems.</summary>
public class CarriagewayTests
{
    private static Strip Of(StripKind kind, double width, double upstand = 0) =>
        new()
        {
            Kind = kind,
            Width = width,
            Upstand = upstand,
        };

    private static readonly Strip Edge = Of(StripKind.EdgeBeam, 0.5, 0.05);

    private static Carriageway[] Found(Strip[] left, Strip[] right, params Parapet[] parapets)
    {
        var bridge = Bridge.New("Dual") with
        {
            Deck = DeckEdits.Of([.. left], [.. right]),
            Girders = new() { Count = 6, OverhangLeft = 1 },
            Parapets = [.. parapets],
        };
        return [.. new BridgeGeometry(bridge).Carriageways];
    }

    private static void Are(Carriageway[] found, params (double From, double To)[] expected)
    {
        Assert.Equal(expected.Length, found.Length);
        foreach (var (part, (from, to)) in found.Zip(expected))
        {
            Assert.Equal(from, part.From, 1e-9);
            Assert.Equal(to, part.To, 1e-9);
        }
    }

    [Fact]
    public void A_kerbed_median_parts_two_carriageways_and_both_are_found()
    {
        Strip[] side = [Of(StripKind.Median, 1, 0.12), Of(StripKind.Carriageway, 7, -0.12), Edge];
        Are(Found(side, side), (-8, -1), (1, 8));
    }

    [Fact]
    public void A_flush_median_belongs_to_one_carriageway_unless_a_barrier_stands_on_it()
    {
        Strip[] side = [Of(StripKind.Median, 1), Of(StripKind.Carriageway, 7), Edge];
        Are(Found(side, side), (-8, 8));
        var barrier = new Parapet
        {
            Profile = "Upright concrete",
            Side = ParapetSide.Both,
            Boundary = 0,
            Across = 0.2,
        };
        var parted = Found(side, side, barrier);
        Assert.Equal(2, parted.Length);
        Assert.Equal(-0.2, parted[0].To, 1.0);
        Assert.True(parted[0].To < 0 && parted[1].From > 0);
    }

    [Fact]
    public void A_verge_with_a_kerb_inside_does_not_switch_traffic_off()
    {
        Strip[] left = [Of(StripKind.Verge, 0.6, 0.12), Of(StripKind.Carriageway, 3.5, -0.12), Edge];
        Are(Found(left, [Of(StripKind.Carriageway, 3.5), Edge]), (-4.1, -0.6), (0, 3.5));
    }

    [Theory]
    [InlineData(0.06, 5.5)]
    [InlineData(0.12, 3.5)]
    public void A_footway_behind_a_low_kerb_belongs_to_the_carriageway(double kerb, double reach)
    {
        Strip[] side = [Of(StripKind.Carriageway, 3.5), Of(StripKind.Footway, 2, kerb), Edge];
        Are(Found(side, side), (-reach, reach));
    }

    /// <summary>Both carriageways of a dual road are loaded, and only one lane on the deck has number 1.</summary>
    [Fact]
    public void Both_carriageways_are_loaded_with_one_numbering()
    {
        Strip[] side = [Of(StripKind.Median, 1, 0.12), Of(StripKind.Carriageway, 7, -0.12), Edge];
        var bridge = Bridge.New("Dual") with
        {
            Deck = DeckEdits.Of([.. side], [.. side]),
            Girders = new() { Count = 6, OverhangLeft = 1 },
        };
        var results = ModelRun.Run(new(bridge));
        var traffic = results.Traffic!["LM1"];
        foreach (var girder in new[] { 0, 5 })
        {
            var middle = Array.FindIndex([.. results.Points], p => p.Girder == girder && Math.Abs(p.Fraction - 0.5) < 1e-9);
            var loading = traffic.Loading(results.Layout.At(middle, GirderEffect.M), true)!;
            var first = loading.Lanes.Single(l => l.Kind == 1);
            Assert.True(girder == 0 ? first.From < -1 : first.From > 1);
            Assert.Equal(loading.Lanes.Length, loading.Lanes.Select(l => l.Kind).Distinct().Count());
        }
        // Mirror images: the outer girders have the same moments.
        var (a, b) = (Moment(0), Moment(5));
        Assert.True(a > 500e3);
        Assert.Equal(a, b, 1e-6 * a);

        double Moment(int girder) =>
            Enumerable
                .Range(0, results.Points.Length)
                .Where(p => results.Points[p].Girder == girder)
                .Max(p => traffic.Greatest[p, GirderEffect.M]);
    }

    private static Bridge Typed(params TypedCarriageway[] carriageways)
    {
        Strip[] side = [Of(StripKind.Carriageway, 5), Of(StripKind.Verge, 1, 0.12), Edge];
        return Bridge.New("Typed") with
        {
            Deck = DeckEdits.Of([.. side], [.. side]),
            Girders = new() { Count = 4, OverhangLeft = 1 },
            Parapets =
            [
                new()
                {
                    Side = ParapetSide.Both,
                    Boundary = 3,
                    Across = -0.5,
                },
            ],
            Traffic = new() { Carriageways = [.. carriageways] },
        };
    }

    private static TypedCarriageway Between(DeckReference fromOf, double from, DeckReference toOf, double to) =>
        new()
        {
            FromOf = fromOf,
            From = from,
            ToOf = toOf,
            To = to,
        };

    /// <summary>The deck is 13 m wide, its edges at ±6.5, the faces of its parapets 0.5 m inside them.</summary>
    [Fact]
    public void A_typed_carriageway_lies_between_its_edges()
    {
        void Is(TypedCarriageway typed, double from, double to) => Are([.. new BridgeGeometry(Typed(typed)).Carriageways], (from, to));
        Is(Between(DeckReference.RoadLine, -4, DeckReference.RoadLine, 2.5), -4, 2.5);
        Is(Between(DeckReference.LeftEdge, 1, DeckReference.RightEdge, -2), -5.5, 4.5);
        Is(Between(DeckReference.LeftParapet, 0.5, DeckReference.RightParapet, -0.5), -5.5, 5.5);
        // No further than the deck.
        Is(Between(DeckReference.RoadLine, -9, DeckReference.RoadLine, 9), -6.5, 6.5);
        Are([.. new BridgeGeometry(Typed()).Carriageways], (-5, 5));
    }

    [Fact]
    public void Traffic_goes_where_carriageways_are_typed()
    {
        double[] Moments(params TypedCarriageway[] typed)
        {
            var bridge = Typed(typed) with { Model = new() { Divisions = 8 } };
            var results = ModelRun.Run(new(bridge));
            return
            [
                .. Enumerable
                    .Range(0, 4)
                    .Select(g =>
                        results
                            .Points.Select((p, i) => (p, i))
                            .Where(x => x.p.Girder == g)
                            .Max(x => results.Traffic!["LM1"].Greatest[x.i, GirderEffect.M])
                    ),
            ];
        }
        var (found, same) = (Moments(), Moments(Between(DeckReference.RoadLine, -5, DeckReference.RoadLine, 5)));
        for (var g = 0; g < 4; g++)
            Assert.Equal(found[g], same[g], 1e-9 * found[g]);
        // On the right half alone the outer girder there lacks what lane 2 added, the one on the left has next to nothing.
        var right = Moments(Between(DeckReference.RoadLine, 0, DeckReference.RoadLine, 5));
        Assert.InRange(right[3] / found[3], 0.8, 0.95);
        Assert.InRange(right[0] / found[0], 0, 0.3);
        // What is turned loads nothing.
        Assert.All(Moments(Between(DeckReference.RoadLine, 3, DeckReference.RoadLine, -3)), m => Assert.Equal(0, m));
    }

    [Theory]
    [InlineData(3, -3, 0, 0, "nothing drives there")]
    [InlineData(-1, 0.5, 0, 0, "nothing drives there")]
    [InlineData(-4, 2, 1, 5, "overlaps another one")]
    [InlineData(-9, 2, 0, 0, "reaches over the deck’s edge")]
    public void A_typed_carriageway_that_is_wrong_is_told(double from, double to, double second, double until, string words)
    {
        List<TypedCarriageway> typed = [Between(DeckReference.RoadLine, from, DeckReference.RoadLine, to)];
        if (until > second)
            typed.Add(Between(DeckReference.RoadLine, second, DeckReference.RoadLine, until));
        var finding = Assert.Single(
            BridgeValidation.Check(Typed([.. typed])),
            f => f.Path.StartsWith("/traffic", StringComparison.Ordinal)
        );
        Assert.Contains(words, finding.Message);
        Assert.Equal($"/traffic/carriageways/{typed.Count - 1}/from", finding.Path);
        Assert.Equal(Severity.Warning, finding.Severity);
    }
}
