using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Sections;

namespace Pravik.Drawings.Views;

/// <summary>Where the bars of a row are drawn: evenly over the concrete at their level.</summary>
internal static class BarPlaces
{
    private const double FromFace = 0.05;
    private const int Looked = 400;

    /// <summary>Places across (m from the middle), from left to right; none where no concrete is at their level.</summary>
    public static ImmutableArray<double> Of(MadeSection section, BarRow row)
    {
        var y = section.Bottom + row.Level;
        var (left, right) = (section.Properties.Left, section.Properties.Right);
        double[] inside =
        [
            .. Enumerable
                .Range(0, Looked + 1)
                .Select(i => left + (right - left) * i / Looked)
                .Where(x => section.Parts.Any(p => !p.IsVoid && p.Outline.Contains(new(x, y)))),
        ];
        if (inside.Length == 0 || row.Count == 0)
            return [];
        var (from, to) = (inside[0] + FromFace, inside[^1] - FromFace);
        return row.Count == 1 || to <= from
            ? [(from + to) / 2]
            : [.. Enumerable.Range(0, row.Count).Select(i => from + (to - from) * i / (row.Count - 1))];
    }
}
