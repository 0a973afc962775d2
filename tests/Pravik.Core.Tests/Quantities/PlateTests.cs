using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Sections;

namespace Pravik.Core.Tests.Quantities;

public class PlateTests
{
    private static SectionShape Girder(string name, double bottom) =>
        new()
        {
            Name = name,
            Family = "plateGirder",
            Sizes = ImmutableSortedDictionary<string, double>.Empty.Add("bottomThickness", bottom),
        };

    private static BridgeGeometry Continuous(Girders girders) =>
        new(
            TestBridges.Demo with
            {
                Sections = [Girder("span", 0.035), Girder("pier", 0.06)],
                Girders = girders with
                {
                    RunsOn = true,
                    Types = [new() { Section = "span" }],
                    Ranges =
                    [
                        new()
                        {
                            Span = 1,
                            From = 0.8,
                            To = 1,
                            Section = "pier",
                        },
                        new()
                        {
                            Span = 2,
                            From = 0,
                            To = 0.2,
                            Section = "pier",
                        },
                    ],
                },
            }
        );

    /// <summary>Plates over the first pier are one piece, those of spans 2 and 3 another: three pieces, with the steel that is billed.</summary>
    [Fact]
    public void Plates_run_from_splice_to_splice()
    {
        var geometry = Continuous(TestBridges.Demo.Girders);
        var all = geometry.Girders.Select(g => PlateRun.Of(geometry, g)).ToList();
        Assert.All(all, runs => Assert.Equal(["span", "pier", "span"], runs.Select(r => r.Section)));
        var (girder, pier) = (geometry.Girders[0], all[0][1]);
        Assert.Equal(0.2 * (girder.SpanLength(0) + girder.SpanLength(1)), pier.Length, 1e-9);
        // 0.4 × 25 and 0.5 × 60 mm of flanges, 1.5 m deep over all, a web of 14 mm.
        Assert.Equal(7850 * pier.Length * (0.01 + 0.03 + 0.014 * (1.5 - 0.085)), pier.Mass, 1e-6);
        Assert.Equal(Bill.Of(geometry, null).Single(i => i.Key == "steel.girders").Amount, all.Sum(runs => runs.Sum(r => r.Mass)), 1e-6);
    }

    /// <summary>
    /// One girder of 0.4 × 25, 0.5 × 35 and a web of 14 mm, 1.5 m deep, with a stiffener of 150 × 15 on both sides half way along each
    /// span: four welds along it and two at each side of a plate, on the web of 1.44 m and both flanges.
    /// </summary>
    [Fact]
    public void Welds_and_paint_are_measured()
    {
        var plain = Continuous(
            TestBridges.Demo.Girders with
            {
                Stiffeners =
                [
                    new()
                    {
                        From = 0.5,
                        Width = 0.15,
                        Thickness = 0.015,
                    },
                ],
            }
        );
        var geometry = new BridgeGeometry(plain.Bridge with { Girders = plain.Bridge.Girders with { Ranges = [] } });
        var girder = geometry.Girders[0];
        var length = PlateRun.Of(geometry, girder).Sum(r => r.Length);
        var work = SteelWork.Of(geometry, girder);
        Assert.Equal(4 * length + 3 * 2 * 2 * (1.44 + 2 * 0.15), work.Welds, 1e-9);
        var around = 2 * 1.44 + (0.4 - 0.014) + 2 * 0.025 + (2 * 0.5 - 0.014) + 2 * 0.035;
        Assert.Equal(around * length + 3 * 2 * 2 * 0.15 * 1.44, work.Paint, 1e-9);
    }

    /// <summary>Three studs a row: 0.5 m apart over the first half, 0.2 m over the second, a row at both ends of each.</summary>
    [Fact]
    public void Studs_are_counted_by_whole_rows()
    {
        var geometry = Continuous(TestBridges.Demo.Girders with { Studs = [new() { Spacing = 0.5 }, new() { From = 0.5, Spacing = 0.2 }] });
        var (girder, inner) = (geometry.Girders[0], new SpanIndex(1));
        var runs = StudRun.Of(geometry, girder, inner).ToList();
        var half = girder.SpanLength(inner) / 2;
        Assert.Equal([3 * ((int)(half / 0.5) + 1), 3 * ((int)(half / 0.2) + 1)], runs.Select(r => r.Count));
        Assert.Equal((0.0, 0.5, 1.0), (runs[0].From, runs[0].To, runs[1].To));
        Assert.Empty(StudRun.Of(new(TestBridges.Demo), new BridgeGeometry(TestBridges.Demo).Girders[0], inner));
    }
}
