using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Solids;
using Pravik.Core.Stages;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Structures;

/// <summary>Diaphragms placed between the axes.</summary>
public class DiaphragmTests
{
    private static Bridge With(Bridge bridge, params PlacedDiaphragm[] placed) =>
        bridge with
        {
            Girders = bridge.Girders with { Diaphragms = [.. placed] },
        };

    [Fact]
    public void They_stand_in_their_span_and_bays_and_their_solids_are_closed()
    {
        var geometry = new BridgeGeometry(
            With(
                TestBridges.Demo,
                new(),
                new()
                {
                    Span = 2,
                    At = 0.25,
                    FirstBay = 2,
                    LastBay = 3,
                }
            )
        );
        Assert.Equal(3 * 4 + 2, geometry.DiaphragmBays().Count());
        var solids = new BridgeSolids(geometry).Diaphragms().ToList();
        Assert.Equal(14, solids.Count);
        Assert.All(solids, s => Assert.True(s.Solid.IsClosed && s.Solid.Volume > 0, s.Name));
        var bay = geometry.DiaphragmBays().First();
        Assert.Equal(bay.Clear * 0.3 * 0.9, solids[0].Solid.Volume, 2e-3);
    }

    /// <summary>
    /// P·L/4 half way more than the slab alone gives, P being half the weight of each of two bays, by the clear length between webs.
    /// </summary>
    [Fact]
    public void Their_weight_is_on_the_girders_alone()
    {
        var plain = Analysis.Stages.Reading.OnAxes(TestBridges.Symmetric(0, 20));
        var placed = With(plain, new PlacedDiaphragm { Width = 0.4, Depth = 0.8 });
        var geometry = new BridgeGeometry(placed);
        var load = (geometry.SpacingAt(40) - geometry.Section.WebWidth) * 0.4 * 0.8 * 25e3;
        double Slab(Bridge bridge, int girder)
        {
            var results = ModelRun.Run(new(bridge), withTraffic: false);
            var slab = results.Cases.First(c => c.Name.StartsWith("Slab", StringComparison.Ordinal)).Effects;
            var middle = Enumerable
                .Range(0, results.Points.Length)
                .First(p => results.Points[p].Girder == girder && results.Points[p].Fraction == 0.5);
            return slab[middle, GirderEffect.M];
        }
        Assert.Equal(load * 20 / 4, Slab(placed, 1) - Slab(plain, 1), 1);
        Assert.Equal(load / 2 * 20 / 4, Slab(placed, 0) - Slab(plain, 0), 1);
    }

    /// <summary>
    /// Girders tied half way share a lane's load more evenly: the worst traffic moment falls, what all carry together stays.
    /// </summary>
    [Fact]
    public void They_spread_load_between_girders()
    {
        var (loose, tied) = (
            TestBridges.Run(TestBridges.Symmetric(0, 20)),
            TestBridges.Run(With(TestBridges.Symmetric(0, 20), new PlacedDiaphragm { Width = 0.5, Depth = 1.1 }))
        );
        var points = Enumerable.Range(0, loose.Points.Length).ToList();
        double Worst(BridgeResults run) => points.Max(p => run.Model.Traffic!["LM1"].Greatest[p, GirderEffect.M]);
        Assert.InRange(Worst(tied) / Worst(loose), 0.5, 0.97);
        double Together(BridgeResults run) =>
            points
                .Where(p => run.Points[p].Fraction == 0.5)
                .Sum(p => run.Model.Cases.Single(c => c.Name == CaseNames.Edges).Effects[p, GirderEffect.M]);
        Assert.Equal(Together(loose), Together(tied), 1e-3 * Together(loose));
    }

    [Theory]
    [InlineData("/girders/diaphragms/0/at", 1.2, 0.3, null)]
    [InlineData("/girders/diaphragms/0/width", 0.5, 0.0, null)]
    [InlineData("/girders/diaphragms/0/lastBay", 0.5, 0.3, 7)]
    public void Bad_ones_are_refused_at_their_place(string path, double at, double width, int? lastBay) =>
        Assert.Contains(
            BridgeValidation.Check(
                With(
                    TestBridges.Demo,
                    new PlacedDiaphragm
                    {
                        At = at,
                        Width = width,
                        LastBay = lastBay,
                    }
                )
            ),
            f => f.Severity == Severity.Error && f.Path == path
        );
}
