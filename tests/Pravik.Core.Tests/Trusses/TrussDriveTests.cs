using Pravik.Core.Trusses;
using static Pravik.Core.Tests.Trusses.TestTrusses;

namespace Pravik.Core.Tests.Trusses;

/// <summary>What gives way, in which order, and how it falls.</summary>
public class TrussDriveTests
{
    private const string Strong = "219.1 × 12.5";
    private const string Weak = "60.3 × 4";

    /// <summary>Two struts of 3 by 4 from springings to the middle joint, held along by the deck.</summary>
    private static TrussScheme Struts(double load) =>
        Scheme(Site(8, 2) with { Springings = 3 }, ("S1", "D1"), ("S2", "D1"), ("D0", "D1"), ("D1", "D2")) with
        {
            Vehicles = [new() { Axles = [new(load, 0)] }],
        };

    private static double Buckles(TrussScheme scheme, string size, double length) =>
        BarResistance.Of(BarCatalogue.Section(scheme, "tube", size)!, BarCatalogue.Grade(scheme, "weightless")!, length, Plain).Compression;

    [Fact]
    public void Two_struts_buckle_where_the_axle_is_heavy_enough_on_their_joint()
    {
        // N = P·(x/4)/(2·0.6) reaches N_b,Rd at x = 4.8·N_b,Rd/P.
        var scheme = Struts(1500e3);
        var resistance = Buckles(scheme, "139.7 × 8", 5);
        var drive = new TrussDrive(scheme, 0, true);
        var failure = Assert.Single(drive.Failures);
        Assert.Equal(BarLimit.Buckling, failure.Limit);
        Assert.Equal(4.8 * resistance / 1500e3, failure.Front!.Value, 1e-6);
        Assert.True(drive.Falls);
        Assert.Contains("buckles", failure.Words(scheme));
    }

    [Fact]
    public void Two_struts_stand_under_a_lighter_one()
    {
        var scheme = Struts(1);
        var stands = 1.2 * Buckles(scheme, "139.7 × 8", 5);
        Assert.Empty(new TrussDrive(Struts(0.999 * stands), 0, true).Failures);
        Assert.True(new TrussDrive(Struts(1.001 * stands), 0, false).Falls);
    }

    /// <summary>The two struts with an upright on a pier between them, which is held along by a bar to a springing.</summary>
    private static TrussScheme Five(double load, string upright)
    {
        var scheme = Struts(load);
        scheme = scheme with { Site = scheme.Site with { Pier = new(4, -3) } };
        var usual = scheme.Bars[0] with { Size = Strong };
        return scheme with
        {
            Bars =
            [
                .. scheme.Bars.Select(b => b with { Size = Strong }),
                usual with
                {
                    From = "P1",
                    To = "D1",
                    Size = upright,
                },
                usual with
                {
                    From = "S1",
                    To = "P1",
                },
            ],
        };
    }

    [Fact]
    public void An_upright_that_buckles_leaves_its_load_to_the_struts()
    {
        // A joint that goes down by δ: upright E·A₁·δ/3, struts E·A₂·(0.6·δ)/5 each: load on the upright P/(1 + 2·0.6·0.36·A₂/A₁).
        var scheme = Five(1, Weak);
        var areas = BarCatalogue.Section(scheme, "tube", Strong)!.Area / BarCatalogue.Section(scheme, "tube", Weak)!.Area;
        var first = Buckles(scheme, Weak, 3) * (1 + 0.432 * areas);
        var last = 1.2 * Buckles(scheme, Strong, 5);
        Assert.True(first < last);
        var (heavy, light) = (new TrussDrive(Five(1.5 * last, Weak), 0, true), new TrussDrive(Five(0.99 * last, Weak), 0, true));
        Assert.Equal(4 * first / (1.5 * last), heavy.Failures[0].Front!.Value, 1e-5);
        Assert.Equal(4, heavy.Failures[0].Bar);
        Assert.Equal(4 / 1.5, heavy.Failures[1].Front!.Value, 1e-5);
        Assert.True(heavy.Falls);
        Assert.Equal(4, Assert.Single(light.Failures).Bar);
        Assert.False(light.Falls);
    }

    [Fact]
    public void Of_five_bars_the_weaker_strut_buckles_and_the_tie_that_takes_over_yields()
    {
        // Struts of 5 m from both springings, a tie of 10 m from the anchorage, two bars of the deck that are idle.
        // N1 + N2 = −P/0.6, N3 = 0.8·(N2 − N1), and e1 − e2 = 1.6·e3: N1/N2 = r = (5/A2 + 1.28·10/A3)/(5/A1 + 1.28·10/A3).
        var (weaker, tie) = ("139.7 × 8", "168.3 × 8");
        var scheme = Struts(1);
        double Area(string size) => BarCatalogue.Section(scheme, "tube", size)!.Area;
        var give = 1.28 * 10 / Area(tie);
        var r = (5 / Area(weaker) + give) / (5 / Area(Strong) + give);
        var first = 0.6 * (1 + r) * Buckles(scheme, weaker, 5);
        // Then the strut that is left bears P/0.6, and the tie P·4/3.
        var second = 0.75 * Area(tie) * 355e6;
        Assert.True(first < second && second < 0.6 * Buckles(scheme, Strong, 5));
        var load = 1.2 * second;
        string[] sizes = [Strong, weaker, Strong, Strong, tie];
        var loaded = Struts(load);
        var five = loaded with
        {
            Site = loaded.Site with { LeftAnchor = 6 },
            Bars = [.. loaded.Bars.Add(loaded.Bars[0] with { From = "A1" }).Select((b, i) => b with { Size = sizes[i] })],
        };
        var drive = new TrussDrive(five, 0, true);
        Assert.Equal([(1, BarLimit.Buckling), (4, BarLimit.Yield)], drive.Failures.Select(f => (f.Bar, f.Limit)));
        Assert.Equal(4 * first / load, drive.Failures[0].Front!.Value, 1e-5);
        Assert.Equal(4 * second / load, drive.Failures[1].Front!.Value, 1e-5);
        Assert.True(drive.Falls);
    }

    [Fact]
    public void A_tie_that_yields_goes_on_carrying_its_resistance()
    {
        // Springings spread: without friction at the deck's ends the tie D0–D1 is idle; a tie between raking struts on rollers yields.
        // Two bars of 3 by 4 stand on D0 and D2; the tie below them D0–D1–D2 carries P/2·(4/3) and is not redundant: it yields and all falls.
        var scheme = Scheme(Site(8, 2), ("D0", "J1"), ("J1", "D2"), ("D0", "D1"), ("D1", "D2"), ("D1", "J1")) with
        {
            Joints =
            [
                new()
                {
                    Id = "J1",
                    X = 4,
                    Z = 3,
                },
            ],
            Vehicles = [new() { Axles = [new(2000e3, 0)] }],
        };
        scheme = scheme with { Bars = [.. scheme.Bars.Select((b, i) => b with { Size = i is 2 ? Weak : Strong })] };
        var drive = new TrussDrive(scheme, 0, true);
        var yields = BarCatalogue.Section(scheme, "tube", Weak)!.Area * 355e6;
        Assert.Equal(BarLimit.Yield, drive.Failures[0].Limit);
        Assert.Equal(4 * yields / (2000e3 / 2 * 4 / 3), drive.Failures[0].Front!.Value, 1e-5);
        Assert.True(drive.Falls);
    }

    [Fact]
    public void Its_own_weight_can_bring_it_down_before_a_vehicle_comes()
    {
        var scheme = Struts(1000) with { Grades = [new("weightless", 355e6, 210e9, 4e6, 1)] };
        var drive = new TrussDrive(scheme, 0, true);
        Assert.Null(drive.Failures[0].Front);
        var forces = Forces(scheme);
        var share = Buckles(scheme, "139.7 × 8", 5) / -forces.Weight[0];
        Assert.Equal(share, drive.Failures[0].Share, 1e-6);
        Assert.True(drive.Falls);
    }

    [Fact]
    public void It_falls_about_the_strut_that_is_left_and_stops_on_the_ground()
    {
        // The axle stands on the joint: one strut is slack, the joint swings about the springing of the other with g·0.8 along its arc, of which
        // 0.8 is down.
        var load = 1.0001 * 1.2 * Buckles(Struts(1), "139.7 × 8", 5);
        var drive = new TrussDrive(
            Struts(load) with
            {
                Site = Site(8, 2) with { Springings = 3, Ground = [new(-5, -8), new(20, -8)] },
            },
            0,
            true
        );
        var frames = drive.Fall!.Frames;
        var from = frames[0][3];
        for (var i = 1; i <= 6; i++)
        {
            var time = (double)i / TrussFall.Rate;
            Assert.Equal(0.32 * TrussModel.Gravity * time * time, from - frames[i][3], 0.002 + 0.1 * time * time);
        }
        Assert.All(frames, f => Assert.True(f[3] >= -8.001));
        Assert.Contains(0, drive.Fall.Broken);
    }

    [Fact]
    public void Slenderness_is_told_first_and_brings_nothing_down()
    {
        var scheme = Struts(1000);
        var drive = new TrussDrive(scheme with { Rules = Plain with { SlendernessCompression = 100, SlendernessTension = 5000 } }, 0, true);
        Assert.Equal([BarLimit.Slenderness, BarLimit.Slenderness], drive.Failures.Select(f => f.Limit));
        Assert.False(drive.Falls);
    }
}
