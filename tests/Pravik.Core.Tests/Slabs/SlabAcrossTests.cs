using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.LoneMembers;
using Pravik.Core.Places;
using Pravik.Core.Slabs;

namespace Pravik.Core.Tests.Slabs;

/// <summary>The slab across: its wheels, combinations, impacts on parapets, and what its checks say.</summary>
public class SlabAcrossTests
{
    private static readonly BridgeGeometry Demo = new(TestBridges.Demo);
    private static readonly SlabAcross Middle = SlabAcross.All(Demo).Slabs[1];

    private static SlabAcross Of(Bridge bridge) => SlabAcross.All(new(bridge)).Slabs[0];

    /// <summary>Every way of putting three weights on places side by side, against the search.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Weights_side_by_side_are_those_of_every_way(int most)
    {
        var random = new Random(7);
        var places = Enumerable.Range(0, 40).Select(i => (At: i * 0.25, Value: random.NextDouble() - 0.4)).ToList();
        double[] weights = [3, 2, 1];
        double best = 0;
        void Try(double sum, ImmutableArray<double> taken, int used)
        {
            best = Math.Max(best, sum);
            for (var w = 0; w < 3; w++)
            {
                if ((used & (1 << w)) != 0 || taken.Length == most)
                    continue;
                foreach (var p in places.Where(p => taken.All(t => Math.Abs(t - p.At) >= 2.5)))
                    Try(sum + weights[w] * p.Value, taken.Add(p.At), used | (1 << w));
            }
        }
        Try(0, [], 0);
        var found = SideBySide.Of([(most, places)], [.. weights], 2.5);
        Assert.Equal(best, found.Value, 1e-12);
        Assert.Equal(best, found.Places.Sum(p => weights[p.Weight] * places.First(q => q.At == p.At).Value), 1e-12);
    }

    /// <summary>(6.10): 1.35·G + 1.35·Q for what worsens, surfacing a fifth more; the frequent value by ψ₁ 0.75, 0.4 and 0.4.</summary>
    [Fact]
    public void Combinations_are_the_sum_of_their_parts_with_factors()
    {
        var tables = Middle.Effects.Tables();
        var spot = 20;
        var offset = Middle.Cut.Spots[spot].At;
        var (p, girders) = Middle.Effects.Behind(SlabForce.M, true, offset);
        double Column(LimitState state) =>
            tables.Combinations.Single(c => c.State == state && c.Name.EndsWith($"greatest M, {girders}")).M[spot];
        double Weight(double value, double factor) => value > 0 ? factor * value : value;
        var t = p.Traffic;
        Assert.True(t.Tandems > t.Axle);
        Assert.Equal(
            Weight(p.Weight + p.Later, 1.35)
                + (p.Surfacing > 0 ? 1.35 * 1.2 : 0.8) * p.Surfacing
                + 1.35 * (t.Tandems + t.Lanes + 3000 * t.Footways),
            Column(LimitState.Ultimate),
            1
        );
        var permanent = p.Weight + p.Later + (p.Surfacing > 0 ? 1.2 : 0.8) * p.Surfacing;
        Assert.Equal(permanent + 0.75 * t.Tandems + 0.4 * t.Lanes + 0.4 * 3000 * t.Footways, Column(LimitState.Frequent), 1);
        Assert.Equal(permanent, Column(LimitState.QuasiPermanent), 1);
    }

    /// <summary>The influence of a wheel is told by the plate; tandems are two axles, their wheels 2 m apart, spread to the middle of the slab.</summary>
    [Fact]
    public void Tandems_do_what_their_wheels_do()
    {
        var cut = Middle.Cut;
        var traffic = new SlabTraffic(cut);
        var surface = cut.Plate(true, traffic.Least).Moment(cut.Spots[20].Line);
        var (parts, axles) = traffic.Worst(surface).Greatest;
        var over = 0.4 + 2 * 0.1 + 0.22;
        double sum = 0;
        foreach (var axle in axles.Where(a => a.Model == "LM1"))
        {
            foreach (var wheel in new[] { axle.At - 1, axle.At + 1 })
                sum +=
                    axle.Wheel
                    * new[] { axle.Beside, 1.2 - axle.Beside }.Sum(x => surface.OfLoad(x, over).Mean(wheel - over / 2, wheel + over / 2));
        }
        Assert.Equal(parts.Tandems, sum, 1e-6 * sum);
        var ways = cut.Carriageways;
        Assert.All(
            axles,
            a => Assert.Contains(ways, w => a.At - (a.Wheels - 1) - 0.2 >= w.From - 1e-9 && a.At + (a.Wheels - 1) + 0.2 <= w.To + 1e-9)
        );
    }

    [Fact]
    public void A_deck_that_is_alike_on_both_sides_is_checked_alike()
    {
        var slab = Of(TestBridges.Symmetric(0, 22));
        var tables = slab.Effects.Tables();
        foreach (var table in tables.Combinations.Where(c => !c.M.IsEmpty))
        {
            for (var i = 0; i < table.M.Length; i++)
                Assert.Equal(table.M[i], table.M[^(i + 1)], 1e-6 * 1e5);
        }
    }

    /// <summary>
    /// A force of 100 kN at 1.0 m above the road: beside the parapet the slab is pulled by F/(0.5 + 2·x); the couple hogs all of an overhang.
    /// </summary>
    [Fact]
    public void A_parapet_that_is_hit_pulls_and_bends_the_slab_beside_it()
    {
        var tables = Middle.Effects.Tables();
        var hits = tables.Combinations.Where(c => c.State == LimitState.Accidental).ToList();
        Assert.Equal(4, hits.Count);
        var right = Middle.Cut.Parapets.Single(p => p.Side > 0);
        var face = right.Face(Middle.Cut.Station);
        foreach (var hit in hits.Where(h => h.Name.StartsWith("Right")))
        {
            for (var i = 0; i < tables.At.Length; i++)
            {
                var away = face - Middle.Cut.Spots[i].At;
                Assert.Equal(away < 0 ? 0 : 100e3 / (0.5 + 2 * away), hit.N[i], 1e-6);
            }
            var beside = Enumerable.Range(0, tables.At.Length).Last(i => Middle.Cut.Spots[i].At < face);
            Assert.InRange(hit.M[beside], -100e3 * 1.6 / 0.5, -20e3);
        }
        Assert.Contains(Middle.Run.Checks.Outcomes, o => o.Check == "accidental-bending.hogging");
        var none = TestBridges.Demo with { Parapets = [.. TestBridges.Demo.Parapets.Select(p => p with { Impact = null })] };
        Assert.Contains("vehicle impact on parapets without a force of it", Of(none).LeftOutHere);
    }

    /// <summary>Twice the force bends and pulls by as much more.</summary>
    [Fact]
    public void Twice_the_force_on_a_parapet_does_twice_as_much()
    {
        EffectTable Hit(double force)
        {
            var bridge = TestBridges.Demo with { Parapets = [.. TestBridges.Demo.Parapets.Select(p => p with { Impact = force })] };
            return Of(bridge).Effects.Tables().Combinations.First(c => c.State == LimitState.Accidental);
        }
        var (one, two, three) = (Hit(100e3), Hit(200e3), Hit(300e3));
        for (var i = 0; i < one.M.Length; i++)
        {
            Assert.Equal(2 * one.N[i], two.N[i], 1e-6);
            Assert.Equal(two.M[i] - one.M[i], three.M[i] - two.M[i], 1e-3);
        }
    }

    /// <summary>
    /// A wheel of 200 kN of load model 2 on a slab of 220 mm by hand: a = 0.35 + 0.2 m, b = 0.6 + 0.2 m, d = (0.181 + 0.165)/2 m,
    /// ρ = √(ρ_y·ρ_z) of the bars near the soffit, u₁ = 2·(a + b) + 4π·d.
    /// </summary>
    [Fact]
    public void Punching_by_a_wheel_is_that_by_hand()
    {
        var place = Middle.Run.Checks.Outcomes.Where(o => o.Check == "punching.wheel").MinBy(o => Math.Abs(Middle.OffsetOf(o) - 0.4))!;
        var d = (0.181 + 0.165) / 2;
        var bar = Math.PI * 0.016 * 0.016 / 4;
        var ratio = Math.Sqrt(bar / 0.12 / 0.181 * (bar / 0.125 / 0.165));
        var k = 2.0;
        var stress = Math.Max(0.18 / 1.5 * k * Math.Cbrt(100 * ratio * 35), 0.035 * Math.Pow(k, 1.5) * Math.Sqrt(35)) * 1e6;
        var perimeter = 2 * (0.55 + 0.8) + 4 * Math.PI * d;
        Assert.Equal(1.35 * 200e3, place.Effect, 1);
        Assert.Equal(stress * perimeter * d, place.Resistance, 1e-6 * place.Resistance);
    }

    [Fact]
    public void What_is_not_covered_is_said_and_not_checked()
    {
        var (slabs, refusals) = SlabAcross.All(new(TestBridges.Read("plover-gate.json")));
        Assert.Empty(slabs);
        Assert.Equal("slab across on a single girder", Assert.Single(refusals));
        Assert.Equal(
            "slab across under railway traffic",
            Assert.Single(SlabAcross.All(new(TestBridges.Read("teasel-marsh.json"))).Refusals)
        );
        var lrfd = TestBridges.Demo with { Basis = TestBridges.Demo.Basis with { Standard = Standard.Lrfd } };
        Assert.Equal("slab across under AASHTO LRFD", Assert.Single(SlabAcross.All(new(lrfd)).Refusals));
    }

    /// <summary>Wider bars across never lower a resistance, and what they carry acts no other way.</summary>
    [Fact]
    public void More_steel_across_uses_less_of_it()
    {
        var bars = TestBridges.Demo.Girders.BarsAcross;
        var thick = TestBridges.Demo with
        {
            Girders = TestBridges.Demo.Girders with
            {
                BarsAcross = new() { Top = bars.Top with { Diameter = 0.02 }, Bottom = bars.Bottom with { Diameter = 0.02 } },
            },
        };
        var (before, after) = (Of(TestBridges.Demo), Of(thick));
        foreach (var check in new[] { "bending.sagging", "bending.hogging", "shear.links", "punching.wheel", "bars.steel" })
        {
            double Worst(SlabAcross slab) => slab.Run.Checks.Outcomes.Where(o => o.Check == check).Max(o => o.Utilisation);
            Assert.True(Worst(after) < Worst(before), check);
        }
    }

    /// <summary>What is kept as a member is valid, and is checked there as it is here.</summary>
    [Fact]
    public void A_strip_kept_as_a_member_is_checked_alike()
    {
        var member = Middle.Run.Member;
        Assert.DoesNotContain(LoneValidation.Check(member), f => f.Severity == Core.Findings.Severity.Error);
        Assert.Equal(Middle.Governing!.Utilisation, new LoneRun(member).Checks.Governing!.Utilisation, 1e-12);
        var wrong = member with { Wheels = member.Wheels! with { Wheels = [new() { Force = -1 }], Stand = [new() { From = 5, To = 2 }] } };
        var found = LoneValidation.Check(wrong).Select(f => f.Path).ToList();
        Assert.Contains("/wheels/wheels/0/force", found);
        Assert.Contains(found, f => f.StartsWith("/wheels/stand/0", StringComparison.Ordinal));
    }
}
