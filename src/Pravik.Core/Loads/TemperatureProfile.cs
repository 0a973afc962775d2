using Pravik.Core.Models;

namespace Pravik.Core.Loads;

/// <summary>
/// Temperature differences through the depth of a deck by EN 1991-1-5 6.1.4.2, approach 2: concrete beams (type 3b, Figure 6.2c) and
/// composite decks (type 2, Figure 6.2b), for the depth of surfacing by Annex B, Tables B.2 and B.3.
/// </summary>
public sealed class TemperatureProfile
{
    private readonly List<(double Depth, double Value)> points;

    private TemperatureProfile(double depth, List<(double, double)> points) => (Depth, this.points) = (depth, points);

    /// <summary>Depth of the section, slab included (m).</summary>
    public double Depth { get; }

    /// <summary>Heights above the soffit at which the line has a corner.</summary>
    public IReadOnlyList<double> Corners => [.. points.Select(p => Depth - p.Depth)];

    /// <summary>
    /// Concrete, the top warmer: ΔT₁ to ΔT₂ over h₁ = 0.3h ≤ 0.15 m, to 0 over h₂ = 0.3h, 0.10 to 0.25 m; ΔT₃ at the soffit, from 0 over
    /// h₃ = 0.3h ≤ 0.10 m + the surfacing.
    /// </summary>
    public static TemperatureProfile Heating(double depth, double surfacing)
    {
        var t = SurfacingTables.Heating.At(depth, surfacing);
        var first = Math.Min(0.3 * depth, 0.15);
        var second = Math.Min(Math.Clamp(0.3 * depth, 0.10, 0.25), depth - first);
        var third = Math.Min(Math.Min(0.3 * depth, 0.10 + surfacing), depth - first - second);
        return new(depth, [(0, t[0]), (first, t[1]), (first + second, 0), (depth - third, 0), (depth, t[2])]);
    }

    /// <summary>
    /// Concrete, the top cooler: ΔT₁ to ΔT₂ over h₁ = 0.20h ≤ 0.25 m, to 0 over h₂ = 0.25h ≤ 0.20 m; at the soffit to ΔT₃ over h₃ = h₂ and
    /// to ΔT₄ over h₄ = h₁.
    /// </summary>
    public static TemperatureProfile Cooling(double depth, double surfacing)
    {
        var t = SurfacingTables.Cooling.At(depth, surfacing);
        var (outer, inner) = (Math.Min(0.20 * depth, 0.25), Math.Min(0.25 * depth, 0.20));
        return new(depth, [(0, t[0]), (outer, t[1]), (outer + inner, 0), (depth - outer - inner, 0), (depth - outer, t[2]), (depth, t[3])]);
    }

    /// <summary>
    /// Composite, with a slab of thickness h: warmer, ΔT₁ at the top to 4 K at 0.6h and to 0 over the next 0.4 m; cooler, ΔT₁ at the top to
    /// 0 at 0.6h and to −8 K over the next 0.4 m, and so to the soffit.
    /// </summary>
    public static TemperatureProfile OnSteel(double depth, double slab, double surfacing, bool warmer)
    {
        var (first, second) = (0.6 * slab, Math.Min(0.4, depth - 0.6 * slab));
        if (warmer)
            return new(depth, [(0, SurfacingTables.CompositeHeating.At(slab, surfacing)[0]), (first, 4), (first + second, 0), (depth, 0)]);
        return new(depth, [(0, SurfacingTables.CompositeCooling.At(slab, surfacing)[0]), (first, 0), (first + second, -8), (depth, -8)]);
    }

    /// <summary>The free strain of a section under such a difference.</summary>
    /// <param name="section">The section, with its slab.</param>
    /// <param name="isSteel">Whether its girder is of steel.</param>
    /// <param name="surfacing">Depth of surfacing (m).</param>
    /// <param name="warmer">Whether the top is warmer, or cooler.</param>
    /// <param name="expansion">Thermal expansion (1/K).</param>
    public static LayerStrain Strain(LayeredSection section, bool isSteel, double surfacing, bool warmer, double expansion)
    {
        var depth = section.HasSlab ? section.SlabMiddle + section.SlabThickness / 2 : section.Girder.Depth;
        var line =
            isSteel && section.HasSlab ? OnSteel(depth, section.SlabThickness, surfacing, warmer)
            : warmer ? Heating(depth, surfacing)
            : Cooling(depth, surfacing);
        double At(double z) => expansion * line.AtHeight(z);
        return new(At, At, line.Corners) { IsAlong = true };
    }

    /// <summary>Temperature (K) at a height above the soffit.</summary>
    public double AtHeight(double z)
    {
        var below = Math.Clamp(Depth - z, 0, Depth);
        for (var i = 1; i < points.Count; i++)
        {
            var ((a, from), (b, to)) = (points[i - 1], points[i]);
            if (below <= b)
                return b > a ? from + (below - a) / (b - a) * (to - from) : to;
        }
        return points[^1].Value;
    }
}
