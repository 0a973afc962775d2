using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Checks.En1992;

/// <summary>A line of stress ranges and cycles of steel (EN 1992-1-1 Tables 6.3N, 6.4N).</summary>
/// <param name="Characteristic">Δσ_Rsk at N* = 10⁶ (Pa).</param>
/// <param name="Slope">k₂, beyond N*.</param>
public readonly record struct SteelLine(double Characteristic, double Slope)
{
    /// <summary>N*.</summary>
    public const double Knee = 1e6;

    /// <summary>k₁, before N*.</summary>
    public const double Steep = 5;

    /// <summary>Straight bars.</summary>
    public static SteelLine Bars { get; } = new(162.5e6, 9);

    /// <summary>Pretensioned strands.</summary>
    public static SteelLine Strands { get; } = new(185e6, 9);

    /// <summary>Curved tendons in ducts of steel.</summary>
    public static SteelLine Tendons { get; } = new(120e6, 7);

    /// <summary>The line of strands, or of the tendon that they are.</summary>
    public static SteelLine Of(MemberStrands strands) => strands.Duct is null ? Strands : Tendons;

    /// <summary>Links bent about a mandrel of 4 diameters, 7 above 16 mm (Table 8.1N): ζ = 0.35 + 0.026·D/φ (Table 6.3N, note).</summary>
    public static SteelLine Of(MemberLinks links)
    {
        var diameter = Math.Sqrt(4 * links.Area / (Math.PI * links.Legs));
        return Bars with { Characteristic = (0.35 + 0.026 * (diameter <= 0.016 ? 4 : 7)) * Bars.Characteristic };
    }

    /// <summary>The range that so many cycles may have (Pa), beyond N*.</summary>
    public double Limit(double gamma, double cycles) => Characteristic / gamma * Math.Pow(Knee / cycles, 1 / Slope);

    /// <summary>The damage of one cycle, 1/N(Δσ), with γ_S,fat (6.70).</summary>
    public double OfCycle(double range, double gamma)
    {
        var ratio = range * gamma / Characteristic;
        return ratio <= 0 ? 0 : Math.Pow(ratio, ratio > 1 ? Steep : Slope) / Knee;
    }
}

/// <summary>
/// What all lorries of a design life do to the steel of a place: the damage of fatigue load model 4 (EN 1991-2 4.6.5, EN 1992-1-1
/// 6.8.4(2)).
/// </summary>
/// <remarks>
/// The five lorries pass alone with the shares of long distance traffic (Table 4.7), in the lane in which the effect ranges most; a tenth
/// more for another lane (4.6.1(3)). Their cycles come by rainflow; each is taken from the end of its lorry’s passage where the section is
/// the most cracked, with all else as in the frequent combination without traffic (EN 1992-1-1 6.8.3). Within 6 m of an end ranges grow by
/// Δφ_fat = 1 + 0.3·(1 − D/6) (EN 1991-2 Figure 4.7).
/// </remarks>
internal sealed class FatigueDamage(Member member, MemberPoint point)
{
    private const double OtherLanes = 1.1;
    private const double NearJoint = 6;
    private const double AtJoint = 0.3;

    /// <summary>Cycles below this part of the greatest of a lorry do less than a thousandth of its damage.</summary>
    private const double Small = 0.3;

    /// <summary>N, lorries in a design life.</summary>
    public static double Lorries(NationalValues values) => OtherLanes * values["lorriesPerYear"] * values["designLife"];

    private double Gamma => member.Values["fatigueGammaS"];

    /// <summary>Δφ_fat.</summary>
    public double Joint
    {
        get
        {
            var nearest = Math.Min(point.Distance - member.Points[0].Distance, member.Points[^1].Distance - point.Distance);
            return 1 + AtJoint * Math.Max(0, 1 - nearest / NearJoint);
        }
    }

    /// <summary>Damage of every layer of bars, then of every row of strands and tendon.</summary>
    public ImmutableArray<double> Along(bool isSagging)
    {
        var section = point.Section!;
        var between = FatigueRange.Between(member, point, isSagging);
        ImmutableArray<SteelLine> lines = [.. section.Bars.Select(_ => SteelLine.Bars), .. section.Strands.Select(SteelLine.Of)];
        var damage = new double[lines.Length];
        foreach (var (share, passage) in Shared(GirderEffect.M))
        {
            foreach (var cycle in passage.Ranges.Where(r => r > Small * passage.Ranges[0]))
            {
                var (end, way) = isSagging ? (passage.Greatest, -cycle) : (passage.Least, cycle);
                var range = between(Joint * end, Joint * (end + way));
                if (!range.IsBalanced)
                    return [.. lines.Select(_ => double.PositiveInfinity)];
                var ranges = range.OfBars.AddRange(range.OfStrands);
                for (var i = 0; i < damage.Length; i++)
                    damage[i] += share * Lorries(member.Values) * lines[i].OfCycle(ranges[i], Gamma);
            }
        }
        return [.. damage];
    }

    /// <summary>
    /// Damage of links, which carry the whole range of shear: Δσ_w = ΔV/(A_sw/s·z·√cot θ) (6.8.2(3), tan θ_fat = √tan θ ≤ 1).
    /// </summary>
    public double OfLinks(MemberLinks links)
    {
        var line = SteelLine.Of(links);
        return Shared(GirderEffect.V)
            .Sum(p => p.Share * Lorries(member.Values) * p.Passage.Ranges.Sum(r => line.OfCycle(Joint * r * PerShear(links), Gamma)));
    }

    /// <summary>Stress of links per shear (Pa/N).</summary>
    public double PerShear(MemberLinks links)
    {
        double Lever(bool isSagging) => new ShearResistance(point.Section!, member.Values, member.StrutSlope, isSagging, 0).Lever;
        return links.Spacing / (links.Area * Math.Min(Lever(true), Lever(false)) * Math.Sqrt(member.StrutSlope));
    }

    private IEnumerable<(double Share, PassageCycles Passage)> Shared(GirderEffect effect) =>
        EnRoadTraffic.SharesOfLorries[0].Shares.Zip(member.Lorries!(point.Number, effect)).Where(p => p.Second.Ranges.Length > 0);
}
