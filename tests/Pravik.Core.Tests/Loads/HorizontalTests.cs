using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Geometry;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Stages;

namespace Pravik.Core.Tests.Loads;

/// <summary>Wind and braking against EN 1991-1-4 section 8 and EN 1991-2 4.4.1 by hand.</summary>
public sealed class HorizontalTests
{
    /// <summary>A deck of 11 m on girders of 1.2 m, with 220 mm of slab, 30 mm of haunch and 90 mm of surfacing.</summary>
    private static readonly Bridge Deck = TestBridges.Symmetric(0, 20, 30) with { Actions = new() { WindVelocity = 26 } };

    private static double Girders => 1.2;

    private static double Below(Bridge bridge) =>
        Girders + bridge.Deck.Patterns[0].Slab.Thickness + bridge.Deck.Haunch + bridge.Deck.Patterns[0].Surfacing;

    [Theory]
    [InlineData(0.5, 10, 6.7)]
    [InlineData(4, 20, 3.6)]
    [InlineData(7, 5, 3.6)]
    [InlineData(0.5, 50, 8.3)]
    [InlineData(4, 50, 4.5)]
    [InlineData(2.25, 20, 5.15)]
    [InlineData(2.25, 35, 5.775)]
    public void Factors_are_those_of_Table_8_2_and_straight_between(double slenderness, double height, double factor) =>
        Assert.Equal(factor, DeckWind.FactorOf(slenderness, height), 1e-12);

    /// <summary>
    /// The area without traffic is girder, slab, haunch, surfacing, the highest strip, and 0.3 m of each open parapet; with traffic 2 m
    /// stand above the road in place of them, and the wind is at most 23 m/s.
    /// </summary>
    [Fact]
    public void Wind_on_deck_and_traffic_by_hand()
    {
        var bridge = Deck with
        {
            Parapets =
            [
                new()
                {
                    Profile = "Post and rail on plinth",
                    Side = ParapetSide.Both,
                    Across = -0.35,
                },
            ],
        };
        var geometry = new BridgeGeometry(bridge);
        var wind = new DeckWind(geometry, null);
        var section = geometry.SectionAt(40);
        var top = section.Strips.Max(s => Math.Max(s.SurfaceFrom, s.SurfaceTo));
        var depth = Below(bridge) + Math.Max(0, top) + 2 * 0.3;
        var width = section.RightEdge - section.LeftEdge;
        double Factor(double d) => 6.7 + (Math.Clamp(width / d, 0.5, 4) - 0.5) / 3.5 * (3.6 - 6.7);
        var alone = wind.Of(0, WindOn.Deck);
        Assert.Equal(depth, alone.Depth, 1e-9);
        Assert.Equal(0.625 * 26 * 26 * Factor(depth) * depth, alone.Across, 1e-6);
        Assert.Equal(0.9 * 0.625 * 26 * 26 * 3.6 / 1.3 * width, alone.Lift, 1e-6);
        var loaded = wind.Of(0, WindOn.DeckAndTraffic);
        Assert.Equal(Below(bridge) + 2, loaded.Depth, 1e-9);
        Assert.Equal(0.625 * 23 * 23 * Factor(loaded.Depth) * loaded.Depth, loaded.Across, 1e-6);
        // Its middle lies (below − above)/2 below the road.
        Assert.Equal((Below(bridge) - 2) / 2, loaded.Below, 1e-9);
    }

    /// <summary>
    /// AASHTO LRFD 3.8.1.2: 2.56·10⁻⁶·V²·K_Z·1.3 ksf, K_Z at 33 ft by category 0.71, 1.00 and 1.15, at 100 ft in open land 1.27; at
    /// Strength V 0.0213 ksf and 0.10 klf at 6 ft above the road; 0.020 ksf lift.
    /// </summary>
    [Fact]
    public void Wind_of_AASHTO_LRFD_by_hand()
    {
        const double ksf = 47880.26;
        const double klf = 14593.9;
        Assert.Equal(0.71, DeckWind.Rise(WindExposure.B, 5), 5e-3);
        Assert.Equal(1.00, DeckWind.Rise(WindExposure.C, 5), 5e-3);
        Assert.Equal(1.15, DeckWind.Rise(WindExposure.D, 10), 5e-3);
        Assert.Equal(1.27, DeckWind.Rise(WindExposure.C, 100 * 0.3048), 5e-3);
        var bridge = Deck with
        {
            Basis = Deck.Basis with { Standard = Standard.Lrfd },
            Actions = Deck.Actions with { WindVelocity = 115 * 0.44704 },
        };
        var geometry = new BridgeGeometry(bridge);
        var wind = new DeckWind(geometry, null);
        var (deck, loaded, service) = (wind.Of(0, WindOn.Deck), wind.Of(0, WindOn.DeckAndTraffic), wind.Of(0, WindOn.InService));
        Assert.Equal(2.56e-6 * 115 * 115 * DeckWind.Rise(WindExposure.C, 0) * 1.3 * ksf * deck.Depth, deck.Across, 1);
        Assert.Equal(0.020 * ksf * deck.Width, deck.Lift, 1);
        var strength = 0.0213 * ksf * deck.Depth;
        Assert.Equal(strength + 0.1 * klf, loaded.Across, 0.002 * strength);
        Assert.Equal(0, loaded.Lift);
        Assert.Equal(2.56e-6 * 70 * 70 * 1.3 * ksf * deck.Depth + 0.1 * klf, service.Across, 1);
        // The moment about the road is that of both parts.
        Assert.Equal(strength * deck.Below - 0.1 * klf * 6 * 0.3048, loaded.Across * loaded.Below, 0.01 * strength);
    }

    [Fact]
    public void Height_above_the_ground_raises_the_wind_and_own_values_take_its_place()
    {
        Ground At(double level) => new([-500, -500, level, 1500, -500, level, 1500, 500, level, -500, 500, level], [0, 1, 2, 0, 2, 3]);
        var geometry = new BridgeGeometry(Deck);
        var road = geometry.Road.Level(40);
        var (low, high) = (new DeckWind(geometry, At(road - 6)), new DeckWind(geometry, At(road - 45)));
        Assert.Equal(6, low.Height!.Value, 0.2);
        Assert.True(high.Of(0, WindOn.Deck).Across > 1.15 * low.Of(0, WindOn.Deck).Across);
        var own = new DeckWind(new(Deck with { Actions = Deck.Actions with { WindFactor = 5, WindHeight = 12 } }), At(road - 45));
        Assert.Equal(0.625 * 26 * 26 * 5 * own.Of(0, WindOn.Deck).Depth, own.Of(0, WindOn.Deck).Across, 1e-6);
    }

    /// <summary>Each span has the depth of its own girders; the force on the model is w·L of each.</summary>
    [Fact]
    public void Each_span_meets_the_wind_with_its_own_depth()
    {
        var deep = Deck with
        {
            Sections = [.. Deck.Sections, new() { Name = "Deep", Sizes = Deck.Sections[0].Sizes.SetItem("depth", 1.8) }],
        };
        deep = deep with
        {
            Girders = deep.Girders with
            {
                Types = [new(), new() { Name = "Type B", Section = "Deep" }],
                Spans = deep.Girders.Spans.SetItem("2", new() { Type = "Type B" }),
            },
        };
        var wind = new DeckWind(new(deep), null);
        Assert.Equal(0.6, wind.Of(1, WindOn.Deck).Depth - wind.Of(0, WindOn.Deck).Depth, 1e-9);
        var results = ModelRun.Run(new(deep), withTraffic: false);
        var across = results.Find(new CaseId("wind"))!.Load!.Nodal.Aggregate(default(Point3), (s, n) => s + n.Force);
        Assert.Equal(wind.Of(0, WindOn.Deck).Across * 20 + wind.Of(1, WindOn.Deck).Across * 30, across.Length, 1);
    }

    /// <summary>Q = 0.6·2·300 + 0.10·9·3·L kN of each unit by itself, between 180 and 900 kN (4.4.1(2)).</summary>
    [Fact]
    public void Each_unit_brakes_by_its_own_length()
    {
        var parted = TestBridges.Symmetric(0, 20, 30, 40);
        parted = parted with { Axes = parted.Axes with { Own = parted.Axes.Own.SetItem("3", new() { Kind = AxisKind.Joint }) } };
        var results = ModelRun.Run(new(parted), withTraffic: false);
        var braking = results.Cases.Where(c => c.Kind == ActionKind.Braking).ToList();
        Assert.Equal(2, braking.Count);
        foreach (var (one, length) in braking.Zip([50.0, 40.0]))
        {
            var force = one.Load!.Nodal.Aggregate(default(Point3), (s, n) => s + n.Force);
            Assert.Equal(360e3 + 2.7e3 * length, force.Length, 1);
        }
        var set = NationalValues.Named(NationalValues.Recommended)!;
        Assert.Equal(900e3, TrafficForces.Braking(1000, set));
    }
}
