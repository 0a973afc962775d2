using Pravik.Core.Models;

namespace Pravik.Core.Loads;

/// <summary>
/// Temperature differences through the depth of a concrete deck by EN 1991-1-5 6.1.4.2, approach 2, Figure 6.2c (type 3b, concrete
/// beams), for 100 mm of surfacing; and of a composite one.
/// </summary>
public sealed class TemperatureProfile
{
    private static readonly double[] HeatingDepths = [0.2, 0.4, 0.6, 0.8];
    private static readonly double[][] HeatingValues =
    [
        [8.5, 3.5, 0.5],
        [12.0, 3.0, 1.5],
        [13.0, 3.0, 2.0],
        [13.0, 3.0, 2.5],
    ];
    private static readonly double[] CoolingDepths = [0.2, 0.4, 0.6, 0.8, 1.0, 1.5];
    private static readonly double[][] CoolingValues =
    [
        [-2.0, -0.5, -0.5, -1.5],
        [-4.5, -1.4, -1.0, -3.5],
        [-6.5, -1.8, -1.5, -5.0],
        [-7.6, -1.7, -1.5, -6.0],
        [-8.0, -1.5, -1.5, -6.3],
        [-8.4, -0.5, -1.0, -6.5],
    ];
    private readonly List<(double Depth, double Value)> points;

    private TemperatureProfile(double depth, List<(double, double)> points) => (Depth, this.points) = (depth, points);

    /// <summary>Depth of the section, slab included (m).</summary>
    public double Depth { get; }

    /// <summary>Heights above the soffit at which the line has a corner.</summary>
    public IReadOnlyList<double> Corners => [.. points.Select(p => Depth - p.Depth)];

    /// <summary>
    /// The top warmer: ΔT₁ to ΔT₂ over h₁ = 0.3h ≤ 0.15 m, to 0 over h₂ = 0.3h, 0.10 to 0.25 m; ΔT₃ at the soffit, from 0 over h₃ =
    /// 0.3h ≤ 0.10 m + 0.10 m of surfacing.
    /// </summary>
    public static TemperatureProfile Heating(double depth)
    {
        var t = At(HeatingDepths, HeatingValues, depth);
        var first = Math.Min(0.3 * depth, 0.15);
        var second = Math.Min(Math.Clamp(0.3 * depth, 0.10, 0.25), depth - first);
        var third = Math.Min(Math.Min(0.3 * depth, 0.20), depth - first - second);
        return new(depth, [(0, t[0]), (first, t[1]), (first + second, 0), (depth - third, 0), (depth, t[2])]);
    }

    /// <summary>
    /// The top cooler: ΔT₁ to ΔT₂ over h₁ = 0.20h ≤ 0.25 m, to 0 over h₂ = 0.25h ≤ 0.20 m; at the soffit to ΔT₃ over h₃ = h₂ and to ΔT₄
    /// over h₄ = h₁.
    /// </summary>
    public static TemperatureProfile Cooling(double depth)
    {
        var t = At(CoolingDepths, CoolingValues, depth);
        var (outer, inner) = (Math.Min(0.20 * depth, 0.25), Math.Min(0.25 * depth, 0.20));
        return new(depth, [(0, t[0]), (outer, t[1]), (outer + inner, 0), (depth - outer - inner, 0), (depth - outer, t[2]), (depth, t[3])]);
    }

    /// <summary>
    /// The free strain of a composite deck on girders of steel by the simplified profile of Figure 6.2b (type 2): the slab 10 K warmer
    /// or cooler than the steel.
    /// </summary>
    public static LayerStrain OnSteel(LayeredSection section, bool heating, double expansion)
    {
        var strain = (heating ? 10 : -10) * expansion;
        return new(_ => 0, _ => section.HasSlab ? strain : 0, []) { IsAlong = true };
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

    /// <summary>Values by depth, straight between the figure's and those of its ends beyond.</summary>
    private static double[] At(double[] depths, double[][] values, double depth)
    {
        if (depth <= depths[0])
            return values[0];
        for (var i = 1; i < depths.Length; i++)
        {
            if (depth > depths[i])
                continue;
            var part = (depth - depths[i - 1]) / (depths[i] - depths[i - 1]);
            return [.. values[i - 1].Zip(values[i], (a, b) => a + part * (b - a))];
        }
        return values[^1];
    }
}
