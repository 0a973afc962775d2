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
