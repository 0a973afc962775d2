using Pravik.Core.Geometry;

namespace Pravik.Core.Sections;

/// <summary>Where bars of a row are drawn across a section.</summary>
public static class BarSpread
{
    private const double Cover = 0.05;

    /// <summary>
    /// Places spread evenly over the concrete at a height, 50 mm from its sides, from left to right; in the middle where there is no room.
    /// </summary>
    public static IEnumerable<double> Across(IEnumerable<Polygon> outlines, double height, int count)
    {
        var pieces = WithRoom(outlines, height);
        var room = pieces.Sum(p => p.To - p.From - 2 * Cover);
        for (var i = 0; i < count; i++)
        {
            var along = count == 1 ? room / 2 : room * i / (count - 1);
            var piece = 0;
            while (piece + 1 < pieces.Count && along > pieces[piece].To - pieces[piece].From - 2 * Cover + 1e-9)
                along -= pieces[piece].To - pieces[piece++].From - 2 * Cover;
            yield return pieces.Count == 0 ? 0 : pieces[piece].From + Cover + along;
        }
    }

    /// <summary>Places at a distance in each piece of concrete at a height, about its middle, at least 50 mm from its sides.</summary>
    public static IEnumerable<double> Every(IEnumerable<Polygon> outlines, double height, double spacing)
    {
        foreach (var (from, to) in WithRoom(outlines, height))
        {
            var gaps = (int)Math.Floor((to - from - 2 * Cover) / spacing + 1e-9);
            for (var i = 0; i <= gaps; i++)
                yield return (from + to) / 2 + (i - gaps / 2.0) * spacing;
        }
    }

    private static List<(double From, double To)> WithRoom(IEnumerable<Polygon> outlines, double height) =>
        [.. outlines.SelectMany(o => Pieces(o, height)).Where(p => p.To - p.From > 2 * Cover)];

    /// <summary>From where to where an outline has material at a height.</summary>
    public static IEnumerable<(double From, double To)> Pieces(Polygon outline, double height)
    {
        var cuts = outline.CutsAt(height);
        for (var i = 0; i + 1 < cuts.Count; i += 2)
            yield return (cuts[i], cuts[i + 1]);
    }
}
