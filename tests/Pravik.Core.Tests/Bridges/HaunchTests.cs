using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Solids;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

/// <summary>The haunch against calculations written out here.</summary>
public class HaunchTests
{
    private const double Span = 30;
    private const double Curvature = 0.06 / 200; // (3 % − (−3 %)) over 2·100 m

    /// <summary>
    /// A straight road over a crest: level 0.03·x − 0.0003·x² from the beginning of a vertical curve of 100 m, which reaches from −20 m
    /// to 80 m about a span of 30 m.
    /// Slab of 0.20 under 0.10 of surfacing, falling outward at 2.5 %; flanges 0.80 wide; least haunch 0.04.
    /// </summary>
    private static Bridge Crest(double? camber, double later = 0) =>
        Bridge.New("Crest") with
        {
            Road = new()
            {
                Elements = [new() { Length = 200 }],
                Profile =
                [
                    new() { Station = 0, Level = 10 - 0.03 * 60 },
                    new()
                    {
                        Station = 60,
                        Level = 10,
                        CurveLength = 100,
                    },
                    new() { Station = 200, Level = 10 - 0.03 * 140 },
                ],
            },
            Axes = new() { FirstStation = 45, Spans = [Span] },
            Deck = DeckEdits
                .Of([new() { Width = 5, Crossfall = -0.025 }], [new() { Width = 5, Crossfall = -0.025 }])
                .With(p => p with { Slab = new() { Thickness = 0.2 } }) with
            {
                Haunch = 0.04,
                EndOverhang = 0,
            },
            Girders = new()
            {
                Count = 4,
                OverhangLeft = 1,
                Types =
                [
                    new()
                    {
                        Camber = camber,
                        LaterDeflection = later,
                        GreatestHaunch = 0.5,
                    },
                ],
            },
        };

    private static double RoadLevel(double station) => 10 - 0.03 * 60 + 0.03 * station - Curvature * Math.Pow(station - 10, 2);

    /// <summary>
    /// The soffit stands k·x(L − x) above its chord, with k half the change of grade per metre, and falls by 2.5 % of half the flange
    /// to its outer edge. With the camber that
    /// stays, c, the haunch on the centre line is h₀ + (k − 4c/L²)·x(L − x): least at the ends for small c, else half way.
    /// </summary>
    [Theory]
    [InlineData(0.0, 0.0)]
    [InlineData(0.03, 0.0)]
    [InlineData(0.03, 0.05)]
    [InlineData(0.12, 0.0)]
    public void The_haunch_over_a_crest_keeps_to_a_calculation_by_hand(double stays, double later)
    {
        var plain = new BridgeGeometry(Crest(null));
        var slab = plain.HaunchOf(plain.Girders[1], 0).SlabDeflection;
        var geometry = new BridgeGeometry(Crest(stays + slab + later, later));
        var girder = geometry.Girders[3];
        var line = geometry.HaunchOf(girder, 0);
        // The outer girders carry another share of the slab.
        var left = stays + slab - line.SlabDeflection;
        Assert.Equal(left, line.Camber, 1e-12);
        var rise = Curvature * Span * Span / 4 - left;
        var edge = 0.025 * 0.4;
        var over = 0.04 + edge + Math.Max(0, -rise);
        Assert.Equal(over, line.OverBearings, 1e-6);
        for (var i = 0; i <= 10; i++)
            Assert.Equal(over + rise * 4 * (i / 10.0) * (1 - i / 10.0), line.Tenths[i], 1e-6);
        Assert.Equal(0.04, line.Least, 1e-6);
        Assert.Equal(over + Math.Max(0, rise) + edge, line.Greatest, 1e-6);
        Assert.Equal(Span * 0.8 * (over + rise * 2 / 3), line.Volume, 1e-6);
        // Levels: the girder stands 4 m right of the road line.
        Assert.Equal(RoadLevel(45) - 0.1 - 0.2 - 0.025 * 4 - over, line.Top(0), 1e-6);
        Assert.Equal((RoadLevel(45) + RoadLevel(75)) / 2 - 0.4 - over + left, line.Top(0.5), 1e-6);
        Assert.Equal(line.Top(0.5) - 1.2, line.Bottom(0.5), 1e-12);
    }

    /// <summary>
    /// 5wL⁴/(384·E·I), w the share of slab, 2.667 m of 0.20, and the least haunch, at 25 kN/m³; E = 36 GPa of C45/55 (Table 3.1:
    /// 22·5.3^0.3 = 36.3).
    /// </summary>
    [Fact]
    public void The_deflection_under_the_slab_is_that_of_a_simple_span()
    {
        var geometry = new BridgeGeometry(Crest(null));
        var load = 25e3 * (8 / 3.0 * 0.2 + 0.8 * 0.04);
        var expected =
            5
            * load
            * Math.Pow(Span, 4)
            / (384 * Core.Materials.Concrete.Of(geometry.Bridge.Girders.Types[0].Concrete).Ecm * geometry.Section.Bending.SecondMoment);
        Assert.Equal(expected, geometry.HaunchOf(geometry.Girders[1], 0).SlabDeflection, 1e-12);
        Assert.Equal(0, geometry.HaunchOf(geometry.Girders[1], 0).Camber, 1e-15);
    }

    /// <summary>
    /// In a sag the deck is lowest half way: the least haunch is there, and a chord that touched at the ends would cut the slab.
    /// </summary>
    [Fact]
    public void In_a_sag_the_least_haunch_is_half_way()
    {
        var crest = Crest(null);
        var geometry = new BridgeGeometry(
            crest with
            {
                Road = crest.Road with
                {
                    Profile =
                    [
                        new() { Station = 0, Level = 10 },
                        new()
                        {
                            Station = 60,
                            Level = 8.2,
                            CurveLength = 100,
                        },
                        new() { Station = 200, Level = 12.4 },
                    ],
                },
            }
        );
        var line = geometry.HaunchOf(geometry.Girders[0], 0);
        Assert.Equal(0.04 + 0.01 + Curvature * Span * Span / 4, line.OverBearings, 1e-6);
        Assert.Equal(0.05, line.At(0.5), 1e-6);
    }

    [Fact]
    public void An_own_haunch_that_cuts_the_slab_is_told_with_its_repair()
    {
        var bridge = Crest(0.2);
        bridge = bridge with
        {
            Girders = bridge.Girders with { Own = ImmutableSortedDictionary<string, GirderOwn>.Empty.Add("2-1", new() { Haunch = 0.02 }) },
        };
        var finding = Assert.Single(BridgeValidation.Check(bridge), f => f.Path == "/girders/own/2-1/haunch");
        Assert.Contains("G2 cuts", finding.Message);
        Assert.Equal("remove", finding.Repair!.Patch[0].Op);
        Assert.DoesNotContain(BridgeValidation.Check(Crest(0.2)), f => f.Severity == Severity.Error);
    }

    /// <summary>The repair's camber takes the bulge away: after it the finding is gone.</summary>
    [Fact]
    public void A_thick_haunch_is_told_and_its_repair_mends_it()
    {
        var bridge = Crest(null);
        bridge = bridge with { Girders = bridge.Girders.Typed(t => t with { GreatestHaunch = 0.1 }) };
        var finding = Assert.Single(BridgeValidation.Check(bridge), f => f.Path == "/girders/types/0/greatestHaunch");
        var camber = double.Parse(finding.Repair!.Patch[0].Value, System.Globalization.CultureInfo.InvariantCulture);
        Assert.DoesNotContain(
            BridgeValidation.Check(bridge with { Girders = bridge.Girders.Typed(t => t with { Camber = camber }) }),
            f => f.Path == "/girders/types/0/greatestHaunch"
        );
    }

    /// <summary>Solids of haunches fill just what lies between girder and slab.</summary>
    [Fact]
    public void Solids_of_haunches_have_their_volume()
    {
        var bridge = Crest(0.1);
        var geometry = new BridgeGeometry(bridge with { Girders = bridge.Girders with { EndGap = 0 } });
        foreach (var part in new BridgeSolids(geometry).Haunches())
        {
            Assert.True(part.Solid.IsClosed);
            Assert.Equal(geometry.HaunchOf(geometry.Girders[int.Parse(part.Path.Split('/')[3]) - 1], 0).Volume, part.Solid.Volume, 2e-3);
        }
    }
}
