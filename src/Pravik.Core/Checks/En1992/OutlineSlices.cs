using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Heights and areas by which a quantity that is a parabola over the height, or straight, is summed exactly over an outline.
/// </summary>
internal static class OutlineSlices
{
    /// <summary>The slices between two heights, cut at the corners of the outline and at a height more where one is given.</summary>
    /// <param name="outline">The outline (m).</param>
    /// <param name="low">The lower height (m).</param>
    /// <param name="high">The upper height (m).</param>
    /// <param name="cut">Where the quantity has a corner (m); not a number for none.</param>
    public static IEnumerable<(double Y, double Area)> Between(Polygon outline, double low, double high, double cut = double.NaN)
    {
        var strips = WidthStrips.Of(outline);
        for (var strip = 0; strip < strips.Count; strip++)
        {
            var (from, to) = (Math.Max(low, strips.From(strip)), Math.Min(high, strips.To(strip)));
            var middle = cut > from && cut < to ? cut : to;
            foreach (var slice in Slices(strips, strip, from, middle).Concat(middle < to ? Slices(strips, strip, middle, to) : []))
                yield return slice;
        }
    }

    private static IEnumerable<(double Y, double Area)> Slices(WidthStrips strips, int strip, double from, double to)
    {
        var height = to - from;
        if (height < 1e-12)
            yield break;
        for (var k = 0; k < GaussLegendre.Two.At.Length; k++)
        {
            var y = from + height * GaussLegendre.Two.At[k];
            yield return (y, height * GaussLegendre.Two.Weight[k] * strips.At(strip, y));
        }
    }
}
