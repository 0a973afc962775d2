using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Checks.En1992;

/// <summary>Heights and areas by which a quantity that is straight over the height is summed exactly over an outline.</summary>
internal static class OutlineSlices
{
    /// <summary>The slices between two heights, cut at the corners of the outline and at a height more where one is given.</summary>
    /// <param name="outline">The outline (m).</param>
    /// <param name="low">The lower height (m).</param>
    /// <param name="high">The upper height (m).</param>
    /// <param name="cut">Where the quantity has a corner (m); not a number for none.</param>
    public static IEnumerable<(double Y, double Area)> Between(Polygon outline, double low, double high, double cut = double.NaN)
    {
        var corners = outline.Points.Select(p => p.Y).Append(double.IsNaN(cut) ? low : cut).Where(y => y > low && y < high);
        var cuts = corners.Append(low).Append(high).Order().ToArray();
        for (var i = 0; i + 1 < cuts.Length; i++)
        {
            var height = cuts[i + 1] - cuts[i];
            if (height < 1e-12)
                continue;
            for (var k = 0; k < GaussLegendre.Five.At.Length; k++)
            {
                var y = cuts[i] + height * GaussLegendre.Five.At[k];
                yield return (y, height * GaussLegendre.Five.Weight[k] * outline.WidthAt(y));
            }
        }
    }
}
