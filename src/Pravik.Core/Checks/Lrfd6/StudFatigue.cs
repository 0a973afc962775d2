using Pravik.Core.Calculations;
using Pravik.Core.Checks.Steel;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Fatigue of studs (AASHTO LRFD 6.10.10.1.2, 6.10.10.2): V_sr = √(V_fat² + F_fat²) over a pitch within n·Z_r, V_fat = V_f·Q/I of the slab
/// at n, F_fat = A_bot·σ_flg·L_b/(w·R) of a curved girder, Z_r = 5.5·d² for infinite life or α·d², α = 34.5 − 4.28·log N (kip, in).
/// </summary>
internal static class StudFatigue
{
    private const string Pitch = "AASHTO LRFD 6.10.10.1.2";
    private const string Resistance = "AASHTO LRFD 6.10.10.2";
    private const double Wide = 48 * SteelGirders.Inch;

    /// <summary>The worse side of a place.</summary>
    public static LimitResult Check(Member member, int place, Calculation? c)
    {
        var worst = member.Points[place].Steel.MaxBy(s => Of(member, place, s, null).Utilisation)!;
        return Of(member, place, worst, c);
    }

    private static LimitResult Of(Member member, int place, MemberSteel steel, Calculation? c)
    {
        var (range, studs, number) = (FatigueCycles.Range(member), steel.Studs!, member.Points[place].Number);
        var (most, smallest, factor) = FatigueCycles.Truck(range, range.Layout.At(number, GirderEffect.V));
        var shear = most - smallest;
        var section = steel.In(SteelState.ShortTerm);
        var first =
            steel.Slab.Width * steel.Slab.Thickness / steel.Slab.Ratio * (steel.SlabTop - steel.Slab.Thickness / 2 - section.Centroid);
        var along = shear * first / section.SecondMoment;
        var across = Radial(member, number, steel);
        var flow = Math.Sqrt(along * along + across * across);
        var (count, d) = (studs.PerRow, studs.Diameter);
        var infinite = 5.5 * SteelGirders.Ksi * d * d;
        var (demand, least) = (factor * flow * studs.Spacing, count * infinite);
        var utilisation = demand / least;
        var alpha = FatigueCycles.InLife(member, place) is { } n ? 34.5 - 4.28 * Math.Log10(n) : 0;
        var finite =
            alpha > 0 ? FatigueCycles.Finite * flow * studs.Spacing / (count * alpha * SteelGirders.Ksi * d * d) : double.PositiveInfinity;
        if (c is not null)
        {
            c.Heading("Shear over a pitch");
            c.Line("V_f", "range of shear of the fatigue truck, no factor", shear, QuantityKind.Force, Pitch);
            c.Line("Q", "first moment of the slab at n", first, QuantityKind.Modulus, Pitch);
            c.Line("I", "of steel and slab at n", section.SecondMoment, QuantityKind.SecondMoment, Pitch);
            c.Line("V_fat", "V_f Q / I", along, QuantityKind.LineLoad, Pitch);
            if (across > 0)
                c.Line("F_fat", "A_bot σ_flg L_b / (w R), w = 48 in", across, QuantityKind.LineLoad, Pitch);
            c.Line("V_sr", "√(V_fat² + F_fat²)", flow, QuantityKind.LineLoad, Pitch);
            c.Line("p", "pitch", studs.Spacing, QuantityKind.Size, "entered");
            c.Heading("Resistance");
            c.Line("Z_r", "5.5 d², kip and in, infinite life", infinite, QuantityKind.Force, Resistance);
            c.Ratio("η_I", $"{QuantityText.Fixed(factor, 2)} V_sr p / (n Z_r), n = {count}", utilisation, 3, Pitch);
            if (alpha > 0)
            {
                c.Line("Z_r", "α d², α = 34.5 − 4.28 log N", alpha * SteelGirders.Ksi * d * d, QuantityKind.Force, Resistance);
                c.Ratio("η_II", "0.80 V_sr p / (n Z_r)", finite, 3, Pitch);
            }
            c.Remark("The lesser of both counts.", Resistance);
        }
        return finite < utilisation
            ? Result(FatigueCycles.Finite * flow * studs.Spacing, count * alpha * SteelGirders.Ksi * d * d, finite)
            : Result(demand, least, utilisation);
    }

    private static LimitResult Result(double effect, double resistance, double utilisation) =>
        new("Studs, fatigue", effect, resistance, utilisation, QuantityKind.Force, Pitch);

    /// <summary>F_fat: what the range of stress of a curved bottom flange presses sideways on the slab, per length (N/m).</summary>
    private static double Radial(Member member, int number, MemberSteel steel)
    {
        if (!steel.IsCurved)
            return 0;
        var range = FatigueCycles.Range(member);
        var (most, least, _) = FatigueCycles.Truck(range, range.Layout.At(number, GirderEffect.M));
        double Stress(double moment) => new SteelStresses(steel, new(0, 0, moment, 0), moment > 0).Bottom;
        var stress = Math.Abs(Stress(most) - Stress(least));
        return steel.Plates.Bottom.Area * stress * steel.Unbraced.Length * Math.Abs(steel.Curvature) / Wide;
    }
}
