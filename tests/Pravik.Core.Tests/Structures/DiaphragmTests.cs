using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Geometry;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Solids;
using Pravik.Core.Tests.Bridges;
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
    /// P·L/4 half way, P being half the weight of each of two bays, by the clear length between webs; reactions are half of it.
    /// </summary>
    [Fact]
    public void Their_weight_is_on_the_girders_alone()
    {
        var geometry = new BridgeGeometry(With(TestBridges.Symmetric(0, 20), new PlacedDiaphragm { Width = 0.4, Depth = 0.8 }));
        var loads = new PermanentLoads(geometry, GrillageBuilder.Build(geometry).Mesh);
        var load = (geometry.SpacingAt(40) - geometry.Section.WebWidth) * 0.4 * 0.8 * 25e3;
        Assert.Equal(load * 20 / 4, loads.Diaphragms(geometry.Girders[1], 0, 0.5, EffectKind.Moment), 1e-6);
        Assert.Equal(load / 2, loads.Diaphragms(geometry.Girders[1], 0, 0.2, EffectKind.Shear), 1e-6);
        Assert.Equal(load / 2 * 20 / 4, loads.Diaphragms(geometry.Girders[0], 0, 0.5, EffectKind.Moment), 1e-6);
    }

    /// <summary>
    /// Girders tied half way share a lane's load more evenly: the worst traffic moment falls, what all carry together stays.
    /// </summary>
    [Fact]
    public void They_spread_load_between_girders()
    {
        var (loose, tied) = (
            BridgeRun.Run(TestBridges.Symmetric(0, 20)),
            BridgeRun.Run(With(TestBridges.Symmetric(0, 20), new PlacedDiaphragm { Width = 0.5, Depth = 1.1 }))
        );
        double Worst(BridgeResults run) => run.Points.Max(p => p.Moment.Traffic.Max.Total);
        Assert.InRange(Worst(tied) / Worst(loose), 0.5, 0.97);
        double Together(BridgeResults run) => run.Points.Where(p => p.Point.Fraction == 0.5).Sum(p => p.Moment.Permanent.Superimposed);
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
