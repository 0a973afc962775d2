using System.Collections.Immutable;
using Pravik.Core.Loads;
using Pravik.Core.Sections;

namespace Pravik.Core.Stages;

/// <summary>Steel that shortens and lengthens with the concrete around it.</summary>
internal static class BondedSteel
{
    /// <summary>σ_r = a_r − k·(F/A + d_r·G/I) for all rows at once: two equations for F and G.</summary>
    public static double[] Balanced(double[] free, ImmutableArray<PlacedRow> placed, double ratio, SectionProperties section)
    {
        double area = 0,
            first = 0,
            second = 0,
            force = 0,
            moment = 0;
        for (var r = 0; r < free.Length; r++)
        {
            var (a, d) = (placed[r].Area, section.Centroid - placed[r].Level);
            (area, first, second) = (area + a, first + a * d, second + a * d * d);
            (force, moment) = (force + a * free[r], moment + a * d * free[r]);
        }
        var (kA, kI) = (ratio / section.Area, ratio / section.SecondMoment);
        var (ff, fg, gf, gg) = (1 + kA * area, kI * first, kA * first, 1 + kI * second);
        var determinant = ff * gg - fg * gf;
        var (f, g) = ((force * gg - moment * fg) / determinant, (moment * ff - force * gf) / determinant);
        return [.. free.Select((s, r) => s - kA * f - kI * (section.Centroid - placed[r].Level) * g)];
    }
}
