using Pravik.Core.Effects;
using Pravik.Core.Models;

namespace Pravik.Core.Traffic;

/// <summary>An influence surface cut along a <see cref="DeckLine"/>: its values just behind and just ahead of each mesh line.</summary>
public readonly struct SurfaceProfile
{
    private readonly double[] behind;
    private readonly double[] ahead;

    public SurfaceProfile(InfluenceSurface surface, DeckLine line, int sectionNode)
    {
        behind = new double[line.Node.Length];
        for (var k = 0; k < behind.Length; k++)
        {
            var node = line.Node[k];
            behind[k] = (1 - line.Weight[k]) * surface.Ordinates[node] + line.Weight[k] * surface.Ordinates[node + 1];
        }
        ahead = behind;
        var (stepBehind, stepAhead) = surface.Jump;
        if (stepBehind == 0 && stepAhead == 0)
            return;
        var at = surface.Point.Line;
        var share =
            line.Node[at] == sectionNode ? 1 - line.Weight[at]
            : line.Node[at] + 1 == sectionNode ? line.Weight[at]
            : 0;
        ahead = [.. behind];
        behind[at] += share * stepBehind;
        ahead[at] += share * stepAhead;
    }

    /// <summary>Value at fraction t of the piece ahead of mesh line k; 0 for k below 0 (off the deck).</summary>
    public double At(int k, double t) => k < 0 ? 0 : ahead[k] + t * (behind[k + 1] - ahead[k]);

    /// <summary>Integrals along the line of the positive and of the negative part; the value is linear in each piece.</summary>
    public (double Positive, double Negative) Parts(DeckLine line)
    {
        double positive = 0,
            negative = 0;
        for (var k = 0; k + 1 < behind.Length; k++)
        {
            var (a, b, length) = (ahead[k], behind[k + 1], line.Length[k]);
            if (a >= 0 && b >= 0)
                positive += (a + b) / 2 * length;
            else if (a <= 0 && b <= 0)
                negative += (a + b) / 2 * length;
            else
            {
                var zero = a / (a - b);
                var (first, second) = (a / 2 * length * zero, b / 2 * length * (1 - zero));
                positive += Math.Max(first, second);
                negative += Math.Min(first, second);
            }
        }
        return (positive, negative);
    }
}
