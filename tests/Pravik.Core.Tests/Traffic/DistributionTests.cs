using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Traffic;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Live load distribution: the formulas of AASHTO LRFD 4.6.2.2, and shares of girders in the model.</summary>
public class DistributionTests
{
    /// <summary>
    /// By hand: S = 8, L = 80 ft, t_s = 8 in, K_g = 600,000 in⁴: k = 600000/(12·80·512) = 1.2207, k^0.1 = 1.02014. One lane 0.06 +
    /// 0.57143^0.4·0.1^0.3·1.02014 = 0.4686; several 0.075 + 0.84211^0.6·0.1^0.2·1.02014 = 0.6556. Shear 0.68 and 0.8144.
    /// </summary>
    [Fact]
    public void Inner_girders_by_hand()
    {
        var of = new DistributionInput(8, 80, 8, 600_000, 5, 0);
        var moment = DistributionFactors.Moment(of);
        Assert.Equal(0.4686, moment.OneLane, 5e-4);
        Assert.Equal(0.6556, moment.SeveralLanes, 5e-4);
        var shear = DistributionFactors.Shear(of);
        Assert.Equal(0.68, shear.OneLane, 1e-6);
        Assert.Equal(0.2 + 8.0 / 12 - Math.Pow(8.0 / 35, 2), shear.SeveralLanes, 1e-9);
        Assert.Empty(DistributionFactors.OutOfRange(of));
        // Skew: less moment, more shear; none below 30° for moments.
        var skew = DistributionFactors.Moment(of with { Skew = Math.PI / 4 });
        Assert.Equal(1 - 0.25 * Math.Pow(1.2207, 0.25) * Math.Sqrt(0.1), skew.OneLane / moment.OneLane, 1e-4);
        Assert.Equal(moment, DistributionFactors.Moment(of with { Skew = 0.4 }));
        Assert.Equal(
            1 + 0.2 * Math.Pow(1 / 1.2207, 0.3),
            DistributionFactors.Shear(of with { Skew = Math.PI / 4 }).OneLane / shear.OneLane,
            1e-4
        );
    }

    /// <summary>
    /// Five girders 8 ft apart, d_e = 2 ft. Lever: (8/8 + 2/8)/2 = 0.625, 1.2-fold 0.75. Plane: 1.2·(1/5 + 16·13/640) = 0.63; two lanes
    /// 2/5 + 16·(13 + 1)/640 = 0.75. Formula 0.77 + 2/9.1 = 0.9898 of 0.6556.
    /// </summary>
    [Fact]
    public void Outer_girders_by_hand()
    {
        var of = new DistributionInput(8, 80, 8, 600_000, 5, 0)
        {
            EdgeDistance = 2,
            Offset = 16,
            Offsets = [-16, -8, 0, 8, 16],
        };
        Assert.Equal(0.625, DistributionFactors.Lever(8, 2), 1e-9);
        Assert.Equal(0.75, DistributionFactors.Moment(of).OneLane, 1e-9);
        Assert.Equal(0.75, DistributionFactors.Moment(of).SeveralLanes, 1e-9);
        Assert.Equal(0.8 * 0.8144, DistributionFactors.Shear(of with { Offsets = [] }).SeveralLanes, 1e-3);
        string[] words = [.. DistributionFactors.OutOfRange(of with { Girders = 3, Spacing = 20, EdgeDistance = 7 })];
        Assert.Equal(3, words.Length);
    }

    /// <summary>
    /// One girder takes the whole lane; on a straight square bridge shares under one and the same load add up to 1, so that those of the
    /// worst lanes come to more, and a girder and its mirror image take the same.
    /// </summary>
    [Fact]
    public void Shares_in_the_model()
    {
        var one = TestBridges.OneGirder(24) with
        {
            Model = new() { Kind = ModelKind.Line, Divisions = 20 },
        };
        var alone = GirderShares.Of(TrafficQuery.Target(new(one)));
        Assert.Equal(2, alone.Length);
        Assert.All(alone, s => Assert.Equal(1.2, s.InModel.OneLane, 1e-3));
        // 24 m without allowance: axles at midspan and 14 ft off, and the lane (kip, m).
        const double kip = 4448.2216152605;
        var lane = kip * (32 * 6 + 40 * (6 - 14 * 0.3048 / 2) + 0.64 / 0.3048 * 24 * 24 / 8);
        Assert.Equal(lane, alone.Single(s => s.Of == ShareOf.Sagging).Lane, 1e-3 * lane);

        var straight = TestBridges.Symmetric(0, 25, 25);
        var shares = GirderShares.Of(TrafficQuery.Target(new(straight)));
        foreach (var of in shares.GroupBy(s => (s.Span, s.Of)))
        {
            var girders = of.OrderBy(s => s.Girder.Value).ToList();
            Assert.True(girders.Sum(s => s.InModel.OneLane) > 1.2);
            for (var i = 0; i < girders.Count; i++)
                Assert.Equal(girders[i].InModel.Greatest, girders[^(i + 1)].InModel.Greatest, 2e-3);
        }
    }
}
