using System.Collections.Immutable;

namespace Pravik.Drawings.Views;

/// <summary>Nine bands of a contour plot, even on both sides of 0, which lies in the middle one.</summary>
internal static class ContourBands
{
    /// <summary>From the least to the greatest.</summary>
    public static ImmutableArray<Fill> All { get; } =
    [Fill.Contour1, Fill.Contour2, Fill.Contour3, Fill.Contour4, Fill.Contour5, Fill.Contour6, Fill.Contour7, Fill.Contour8, Fill.Contour9];

    /// <summary>Where a value lies among them: a band is half a unit to both sides of its number.</summary>
    public static double Place(double value, double largest) => 4 + 4.5 * value / largest;

    /// <summary>The band of a value, by the largest one without sign.</summary>
    public static Fill Of(double value, double largest) => All[Math.Clamp((int)Math.Round(Place(value, largest)), 0, All.Length - 1)];
}
