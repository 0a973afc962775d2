using System.Runtime.CompilerServices;
using Pravik.Core.Geometry;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// The width of an outline over its height, in strips between the heights of its corners: straight in each, so that it is found without
/// going round the outline.
/// </summary>
internal sealed class WidthStrips
{
    private static readonly ConditionalWeakTable<Polygon, WidthStrips> Known = [];
    private readonly double[] heights;
    private readonly double[] widths;
    private readonly double[] slopes;

    /// <summary>The strips of an outline, found once as long as the outline is there.</summary>
    public static WidthStrips Of(Polygon outline) => Known.GetValue(outline, o => new(o));

    private WidthStrips(Polygon outline)
    {
        heights = [.. outline.Points.Select(p => p.Y).Distinct().Order()];
        (widths, slopes) = (new double[Count], new double[Count]);
        for (var i = 0; i < Count; i++)
        {
            // Widths jump at level edges: they are taken from within.
            var (low, third) = (heights[i], (heights[i + 1] - heights[i]) / 3);
            var (a, b) = (outline.WidthAt(low + third), outline.WidthAt(low + 2 * third));
            (widths[i], slopes[i]) = (2 * a - b, (b - a) / third);
        }
    }

    /// <summary>How many strips there are.</summary>
    public int Count => heights.Length - 1;

    /// <summary>Where a strip begins (m).</summary>
    public double From(int strip) => heights[strip];

    /// <summary>Where it ends (m).</summary>
    public double To(int strip) => heights[strip + 1];

    /// <summary>The width at a height within a strip (m).</summary>
    public double At(int strip, double height) => widths[strip] + slopes[strip] * (height - heights[strip]);
}
