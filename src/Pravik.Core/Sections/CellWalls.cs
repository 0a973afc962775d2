using System.Collections.Immutable;

namespace Pravik.Core.Sections;

/// <summary>The walls of a section with voids, between its outermost webs (m).</summary>
/// <param name="Width">From face to face of the outermost webs, half way up the voids.</param>
/// <param name="Webs">Number of webs: one more than of voids.</param>
/// <param name="Web">Least thickness of the outermost webs.</param>
/// <param name="Bottom">Thickness under the voids.</param>
/// <param name="Top">Thickness over them.</param>
public sealed record CellWalls(double Width, int Webs, double Web, double Bottom, double Top)
{
    private const int Looked = 20;

    /// <summary>The walls of a section; null without voids.</summary>
    internal static CellWalls? Of(ImmutableArray<SectionPart> parts, double bottom, double top)
    {
        var voids = parts.Where(p => p.IsVoid).Select(p => p.Outline).ToList();
        var solid = parts.Where(p => !p.IsVoid).Select(p => p.Outline).ToList();
        if (voids.Count == 0)
            return null;
        var (low, high) = (voids.Min(v => v.Bottom), voids.Max(v => v.Top));
        var (width, web) = (0.0, double.PositiveInfinity);
        for (var i = 1; i < Looked; i++)
        {
            var y = low + (high - low) * i / Looked;
            var inside = voids.SelectMany(v => v.CutsAt(y)).ToList();
            var outside = solid.SelectMany(s => s.CutsAt(y)).ToList();
            if (inside.Count == 0 || outside.Count == 0)
                continue;
            web = Math.Min(web, Math.Min(inside.Min() - outside.Min(), outside.Max() - inside.Max()));
            if (2 * i == Looked)
                width = outside.Max() - outside.Min();
        }
        return width > 0 && web > 0 ? new(width, voids.Count + 1, web, low - bottom, top - high) : null;
    }
}
