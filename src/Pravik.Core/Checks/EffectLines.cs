using Pravik.Core.Calculations;
using Pravik.Core.Effects;
using Pravik.Core.Units;

namespace Pravik.Core.Checks;

/// <summary>The lines by which an effect of a combination is explained.</summary>
internal static class EffectLines
{
    /// <summary>Writes what a combination adds up, part by part: those that are 0 are left out.</summary>
    public static void Write(Calculation c, EffectRange combination, int effect, bool isGreatest, string symbol, QuantityKind kind)
    {
        var number = 0;
        foreach (var part in combination.Parts(effect, isGreatest).Where(p => p.Value != 0))
            c.Line(
                $"{symbol}_{++number}",
                $"{part.Of.Name}, factor {QuantityText.Fixed(part.Factor, 3)}",
                part.Value,
                kind,
                combination.Clause
            );
    }
}
