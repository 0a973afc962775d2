namespace Pravik.Core.Loads;

/// <summary>
/// Temperature differences (K) by depth of the deck or slab and depth of surfacing (EN 1991-1-5 Annex B), straight between entries and
/// those of the ends beyond. Without surfacing the values are those of a waterproofed deck, the greater ones.
/// </summary>
internal sealed class SurfacingTables
{
    private static readonly double[] Surfacings = [0, 0.05, 0.10, 0.15, 0.20];
    private readonly double[] depths;

    /// <summary>Values by depth, then by surfacing.</summary>
    private readonly double[][][] values;

    private SurfacingTables(double[] depths, double[][][] values) => (this.depths, this.values) = (depths, values);

    private static readonly double[][] DeepHeating =
    [
        [23.6, 5.0, 1.4],
        [17.8, 4.0, 2.1],
        [13.5, 3.0, 2.5],
        [10.0, 2.5, 2.0],
        [7.5, 2.1, 1.5],
    ];

    /// <summary>Table B.3, heating: ΔT₁ to ΔT₃ of concrete decks.</summary>
    public static SurfacingTables Heating { get; } =
        new(
            [0.2, 0.4, 0.6, 0.8],
            [
                [
                    [19.5, 8.5, 0.0],
                    [13.2, 4.9, 0.3],
                    [8.5, 3.5, 0.5],
                    [5.6, 2.5, 0.2],
                    [3.7, 2.0, 0.5],
                ],
                [
                    [23.6, 6.5, 1.0],
                    [17.2, 4.6, 1.4],
                    [12.0, 3.0, 1.5],
                    [8.5, 2.0, 1.2],
                    [6.2, 1.3, 1.0],
                ],
                [
                    [23.6, 6.0, 1.4],
                    [17.6, 4.0, 1.8],
                    [13.0, 3.0, 2.0],
                    [9.7, 2.2, 1.7],
                    [7.2, 1.5, 1.5],
                ],
                DeepHeating,
            ]
        );

    /// <summary>Table B.3, cooling: ΔT₁ to ΔT₄ of concrete decks.</summary>
    public static SurfacingTables Cooling { get; } =
        new(
            [0.2, 0.4, 0.6, 0.8, 1.0, 1.5],
            [
                [
                    [-4.7, -1.7, 0.0, -0.7],
                    [-3.1, -1.0, -0.2, -1.2],
                    [-2.0, -0.5, -0.5, -1.5],
                    [-1.1, -0.3, -0.7, -1.7],
                    [-0.5, -0.2, -1.0, -1.8],
                ],
                [
                    [-9.0, -3.5, -0.4, -2.9],
                    [-6.4, -2.3, -0.6, -3.2],
                    [-4.5, -1.4, -1.0, -3.5],
                    [-3.2, -0.9, -1.4, -3.8],
                    [-2.2, -0.5, -1.9, -4.0],
                ],
                [
                    [-11.8, -4.0, -0.9, -4.6],
                    [-8.7, -2.7, -1.2, -4.9],
                    [-6.5, -1.8, -1.5, -5.0],
                    [-4.9, -1.1, -1.7, -5.1],
                    [-3.6, -0.6, -1.9, -5.1],
                ],
                [
                    [-12.8, -3.3, -0.9, -5.6],
                    [-9.8, -2.4, -1.2, -5.8],
                    [-7.6, -1.7, -1.5, -6.0],
                    [-5.8, -1.3, -1.7, -6.2],
                    [-4.5, -1.0, -1.9, -6.0],
                ],
                [
                    [-13.4, -3.0, -0.9, -6.4],
                    [-10.3, -2.1, -1.2, -6.3],
                    [-8.0, -1.5, -1.5, -6.3],
                    [-6.2, -1.1, -1.7, -6.2],
                    [-4.8, -0.9, -1.9, -5.8],
                ],
                [
                    [-13.7, -1.0, -0.6, -6.7],
                    [-10.6, -0.7, -0.8, -6.6],
                    [-8.4, -0.5, -1.0, -6.5],
                    [-6.5, -0.4, -1.1, -6.2],
                    [-5.0, -0.3, -1.2, -5.6],
                ],
            ]
        );

    /// <summary>Table B.2, heating: ΔT₁ of composite decks by the thickness of their slab.</summary>
    public static SurfacingTables CompositeHeating { get; } =
        new(
            [0.2, 0.3],
            [
                [
                    [23.0],
                    [18.0],
                    [13.0],
                    [10.5],
                    [8.5],
                ],
                [
                    [26.5],
                    [20.5],
                    [16.0],
                    [12.5],
                    [10.0],
                ],
            ]
        );

    /// <summary>Table B.2, cooling.</summary>
    public static SurfacingTables CompositeCooling { get; } =
        new(
            [0.2, 0.3],
            [
                [
                    [-5.9],
                    [-4.4],
                    [-3.5],
                    [-2.3],
                    [-1.6],
                ],
                [
                    [-9.0],
                    [-6.8],
                    [-5.0],
                    [-3.7],
                    [-2.7],
                ],
            ]
        );

    /// <summary>All values for a depth and a surfacing (m).</summary>
    public double[] At(double depth, double surfacing)
    {
        var ((i, t), (j, u)) = (Between(depths, depth), Between(Surfacings, surfacing));
        double Mix(int k) =>
            (1 - t) * ((1 - u) * values[i][j][k] + u * values[i][j + 1][k])
            + t * ((1 - u) * values[i + 1][j][k] + u * values[i + 1][j + 1][k]);
        return [.. Enumerable.Range(0, values[0][0].Length).Select(Mix)];
    }

    /// <summary>The entry before a value and the part of the way to the next.</summary>
    private static (int Entry, double Part) Between(double[] entries, double value)
    {
        var last = entries.Length - 2;
        var i = Math.Clamp(Array.FindLastIndex(entries, e => e <= value), 0, last);
        return (i, Math.Clamp((value - entries[i]) / (entries[i + 1] - entries[i]), 0, 1));
    }
}
