using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// A section between the least and the greatest that traffic does to it while all else stays: concrete in tension is left out (EN 1992-1-1
/// 6.8.2(1)).
/// </summary>
/// <remarks>
/// One state is the most sagging, or the most hogging, of the frequent combination; the other has frequent traffic taken away at its
/// greatest and put on at its least, or the other way. Bars beside strands in tension have η = (A_s + A_p)/(A_s + A_p·√(ξ·φ_s/φ_p)) times
/// their range where the section cracks (6.64), ξ of Table 6.2 (strands 0.6, tendons 0.5), φ_p = 1.6·√A_p of a tendon and 1.75·φ/3 of a
/// strand.
/// </remarks>
internal sealed class FatigueRange
{
    private readonly MemberSection section;
    private readonly ImmutableArray<Loaded> states;
    private readonly bool isSagging;

    /// <summary>Stresses before and after cracking.</summary>
    private sealed record Loaded(
        ImmutableArray<ElasticConcrete> Parts,
        ImmutableArray<ElasticSteel> Bars,
        ImmutableArray<ElasticSteel> Strands,
        CrackedSection? Cracked
    );

    private FatigueRange(
        MemberSection section,
        bool isSagging,
        ImmutableArray<ElasticConcrete> first,
        ImmutableArray<ElasticConcrete> second
    )
    {
        (this.section, this.isSagging) = (section, isSagging);
        states = [Load(first), Load(second)];
    }

    /// <summary>The whole range of frequent traffic.</summary>
    /// <param name="member">A member with frequent traffic.</param>
    /// <param name="point">A place of it with a section.</param>
    /// <param name="isSagging">Whether the most sagging state is one of both; else the most hogging.</param>
    public static FatigueRange OfFrequent(Member member, MemberPoint point, bool isSagging)
    {
        var (most, other, _) = States(member, point, isSagging);
        return new(point.Section!, isSagging, most, other);
    }

    /// <summary>Ranges between moments of traffic, all else as in the frequent combination without it.</summary>
    /// <param name="member">A member with frequent traffic.</param>
    /// <param name="point">A place of it with a section.</param>
    /// <param name="isSagging">Whether all else is at its most sagging; else at its most hogging.</param>
    public static Func<double, double, FatigueRange> Between(Member member, MemberPoint point, bool isSagging)
    {
        var (section, traffic) = (point.Section!, member.FrequentTraffic!);
        var (_, _, rest) = States(member, point, isSagging);
        var effect = traffic.Layout.At(point.Number, GirderEffect.M);
        // The axial force that goes with the greater moment of frequent traffic goes with every moment of a lorry.
        var side = Math.Abs(traffic.Greatest[effect]) >= Math.Abs(traffic.Least[effect]);
        var moment = traffic.Side(side)[effect];
        var axial = moment == 0 ? 0 : traffic.Together(effect, side)[(int)GirderEffect.N] / moment;
        var unit = LinearSection.Stresses(section, axial, point.AxialHeight, 1);
        ImmutableArray<ElasticConcrete> With(double m) =>
            [.. rest.Zip(unit, (r, u) => r with { AtSoffit = r.AtSoffit + m * u.AtSoffit, Slope = r.Slope + m * u.Slope })];
        return (first, second) => new(section, isSagging, With(first), With(second));
    }

    /// <summary>Stresses with frequent traffic at one end of its range, at the other, and without it.</summary>
    private static (
        ImmutableArray<ElasticConcrete> Most,
        ImmutableArray<ElasticConcrete> Other,
        ImmutableArray<ElasticConcrete> Without
    ) States(Member member, MemberPoint point, bool isSagging)
    {
        var (range, traffic) = (member.Effects(LimitState.Frequent), member.FrequentTraffic!);
        return member.IsCastInOne ? InOne(point, range, traffic, isSagging) : ByFaces(point, range, traffic, isSagging);
    }

    /// <summary>Whether the cracked section balances what acts.</summary>
    public bool IsBalanced => states.All(s => s is not { Cracked: null } || !IsPulled(s.Parts));

    private static (ImmutableArray<ElasticConcrete>, ImmutableArray<ElasticConcrete>, ImmutableArray<ElasticConcrete>) InOne(
        MemberPoint point,
        EffectRange range,
        EffectRange traffic,
        bool isSagging
    )
    {
        var effect = range.Layout.At(point.Number, GirderEffect.M);
        (double N, double M) Of(EffectRange of, bool greatest) =>
            (of.Together(effect, greatest)[(int)GirderEffect.N], of.Side(greatest)[effect]);
        var (most, own, other) = (Of(range, isSagging), Of(traffic, isSagging), Of(traffic, !isSagging));
        ImmutableArray<ElasticConcrete> At(double n, double m) => LinearSection.Stresses(point.Section!, n, point.AxialHeight, m);
        var (n, m) = (most.N - own.N, most.M - own.M);
        return (At(most.N, most.M), At(n + other.N, m + other.M), At(n, m));
    }

    private static (ImmutableArray<ElasticConcrete>, ImmutableArray<ElasticConcrete>, ImmutableArray<ElasticConcrete>) ByFaces(
        MemberPoint point,
        EffectRange range,
        EffectRange traffic,
        bool isSagging
    )
    {
        var leads = range.Layout.At(point.Number, isSagging ? GirderEffect.Bottom : GirderEffect.SlabTop);
        double Of(EffectRange of, bool greatest, GirderEffect face)
        {
            var at = of.Layout.At(point.Number, face);
            return at == leads ? of.Side(greatest)[at] : of.Beside(leads, greatest, at);
        }
        double Most(GirderEffect face) => Of(range, true, face);
        double Rest(GirderEffect face) => Most(face) - Of(traffic, true, face);
        ImmutableArray<ElasticConcrete> Straight(Func<GirderEffect, double> at) =>
            LinearSection.Straight(point.Section!, at(GirderEffect.Bottom), at(GirderEffect.GirderTop), at(GirderEffect.SlabTop));
        return (Straight(Most), Straight(face => Rest(face) + Of(traffic, false, face)), Straight(Rest));
    }

    private Loaded Load(ImmutableArray<ElasticConcrete> parts)
    {
        ImmutableArray<ElasticSteel> bars = [.. LinearSection.Bars(section, parts)];
        ImmutableArray<ElasticSteel> strands = [.. section.Strands.Select(s => new ElasticSteel(s.Height, s.Area, s.Steel.Ep, 0))];
        return new(parts, bars, strands, IsPulled(parts) ? CrackedSection.Of(parts, [.. bars, .. strands]) : null);
    }

    private bool IsPulled(ImmutableArray<ElasticConcrete> parts) =>
        parts.Any(p => p.StressAt(p.Outline.Bottom) > 0 || p.StressAt(p.Outline.Top) > 0);

    /// <summary>Ranges of the stress of bars, in the order of the section (Pa).</summary>
    public ImmutableArray<double> OfBars => [.. section.Bars.Select((b, i) => Bond(b) * Math.Abs(Bar(states[0], i) - Bar(states[1], i)))];

    private static double Bar(Loaded state, int i) => state.Cracked?.StressOf(state.Bars[i]) ?? state.Bars[i].Stress;

    /// <summary>Ranges of the stress of strands and tendons, in the order of the section (Pa).</summary>
    public ImmutableArray<double> OfStrands =>
        [.. section.Strands.Select((s, i) => Math.Abs(Strand(states[0], s, i) - Strand(states[1], s, i)))];

    private static double Strand(Loaded state, MemberStrands row, int i)
    {
        var around = state.Parts.FirstOrDefault(p => row.Height >= p.Outline.Bottom && row.Height <= p.Outline.Top) ?? state.Parts[^1];
        return row.Steel.Ep / around.Modulus * around.StressAt(row.Height) + (state.Cracked?.StressOf(state.Strands[i]) ?? 0);
    }

    /// <summary>η of bars that pull beside strands in a section that cracks (6.64).</summary>
    private double Bond(MemberBars bars)
    {
        if (section.Strands.IsEmpty || bars.Diameter <= 0 || states.All(s => s.Cracked is null))
            return 1;
        bool Pulled(double height) => height < section.Depth / 2 == isSagging;
        if (!Pulled(bars.Height))
            return 1;
        var ofBars = section.Bars.Where(b => Pulled(b.Height)).Sum(b => b.Area);
        var (strands, bonded) = (0.0, 0.0);
        foreach (var row in section.Strands.Where(s => Pulled(s.Height)))
        {
            var one = row.Duct is { } duct ? row.Area / duct.Count : 0;
            var (bond, diameter) = row.Duct is null ? (0.6, 1.75 * row.Steel.Diameter / 3) : (0.5, 1.6 * Math.Sqrt(one));
            (strands, bonded) = (strands + row.Area, bonded + row.Area * Math.Sqrt(bond * bars.Diameter / diameter));
        }
        return (ofBars + strands) / (ofBars + bonded);
    }

    /// <summary>Greatest and least compression of the concrete of a part at a height (Pa, positive).</summary>
    public (double Most, double Least) Compression(int part, double y)
    {
        var both = states.Select(s => Math.Max(0, -(s.Cracked?.StressOf(s.Parts[part], y) ?? s.Parts[part].StressAt(y)))).ToList();
        return (both.Max(), both.Min());
    }
}
