using Pravik.Core.Calculations;
using Pravik.Core.Effects;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Steel;

/// <summary>The moment of a combination at a place, by what resists each part of it (Nm), and the axial force beside it (N).</summary>
/// <param name="Bare">On the steel alone.</param>
/// <param name="LongTerm">On steel and slab, for a long time.</param>
/// <param name="ShortTerm">On steel and slab, for a short time.</param>
/// <param name="Axial">Axial force, tension positive.</param>
internal readonly record struct StateMoments(double Bare, double LongTerm, double ShortTerm, double Axial)
{
    /// <summary>The whole moment.</summary>
    public double Total => Bare + LongTerm + ShortTerm;

    /// <summary>On steel and slab.</summary>
    public double Composite => LongTerm + ShortTerm;

    /// <summary>The parts of the greatest or the least moment at a place, with the axial force that acts together with it.</summary>
    public static StateMoments Of(Member member, EffectRange range, int point, bool isGreatest)
    {
        var effect = range.Layout.At(point, GirderEffect.M);
        var sums = new double[4];
        foreach (var part in range.Parts(effect, isGreatest))
            sums[(int)member.StateOf(part.Of.Id, point)] += part.Value;
        return new(
            sums[(int)SteelState.Bare],
            sums[(int)SteelState.LongTerm],
            sums[(int)SteelState.ShortTerm],
            range.Together(effect, isGreatest)[(int)GirderEffect.N]
        );
    }

    /// <summary>Writes every part, what resists it, and the sums.</summary>
    public static StateMoments Write(Calculation c, Member member, EffectRange range, int point, bool isGreatest)
    {
        var effect = range.Layout.At(point, GirderEffect.M);
        var (combination, number) = (range.Governing(effect, isGreatest), 0);
        c.Heading("Effect");
        c.Remark($"Combination: {combination.Name}.", combination.Clause);
        foreach (var part in combination.Parts(effect, isGreatest).Where(p => p.Value != 0))
            c.Line(
                $"M_{++number}",
                $"{part.Of.Name}, factor {QuantityText.Fixed(part.Factor, 3)}, on {Words(member.StateOf(part.Of.Id, point))}",
                part.Value,
                QuantityKind.Moment,
                combination.Clause
            );
        var sum = Of(member, range, point, isGreatest);
        c.Line("M_D1", "sum on the steel alone", sum.Bare, QuantityKind.Moment, combination.Clause);
        c.Line("M_D2", "sum on steel and slab, for a long time", sum.LongTerm, QuantityKind.Moment, combination.Clause);
        c.Line("M_L", "sum on steel and slab, for a short time", sum.ShortTerm, QuantityKind.Moment, combination.Clause);
        c.Line("M_u", "M_D1 + M_D2 + M_L", sum.Total, QuantityKind.Moment, combination.Clause);
        if (sum.Axial != 0)
            c.Line("N_u", "beside M_u, tension positive", sum.Axial, QuantityKind.Force, combination.Clause);
        return sum;
    }

    private static string Words(SteelState state) =>
        state switch
        {
            SteelState.Bare => "the steel alone",
            SteelState.LongTerm => "steel and slab for a long time",
            _ => "steel and slab for a short time",
        };
}
