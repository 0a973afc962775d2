namespace Pravik.Core.Sections;

/// <summary>
/// A girder acting with a slab of the given effective width, by modular ratio, in girder concrete (uncracked, short term).
/// </summary>
public static class CompositeSection
{
    /// <summary>
    /// A = A_g + n·b·h; z̄ = Σ A·z / A; I = Σ (I_i + A_i·(z_i − z̄)²), with n = E_slab/E_girder. The haunch between girder and slab
    /// sets the slab's height and adds n times its own rectangle.
    /// </summary>
    /// <param name="girder">The bare girder.</param>
    /// <param name="effectiveWidth">Width of slab that acts (m).</param>
    /// <param name="slabThickness">Slab thickness (m).</param>
    /// <param name="haunch">Thickness between girder top and slab soffit (m).</param>
    /// <param name="haunchWidth">Width of that concrete (m).</param>
    /// <param name="modularRatio">E of the slab over E of the girder.</param>
    public static SectionProperties Of(
        SectionProperties girder,
        double effectiveWidth,
        double slabThickness,
        double haunch,
        double haunchWidth,
        double modularRatio
    )
    {
        (double Area, double Height, double Own)[] parts =
        [
            (girder.Area, girder.Centroid, girder.SecondMoment),
            (modularRatio * haunchWidth * haunch, girder.Depth + haunch / 2, modularRatio * haunchWidth * Math.Pow(haunch, 3) / 12),
            (
                modularRatio * effectiveWidth * slabThickness,
                girder.Depth + haunch + slabThickness / 2,
                modularRatio * effectiveWidth * Math.Pow(slabThickness, 3) / 12
            ),
        ];
        var area = parts.Sum(p => p.Area);
        var centroid = parts.Sum(p => p.Area * p.Height) / area;
        var second = parts.Sum(p => p.Own + p.Area * Math.Pow(p.Height - centroid, 2));
        return new(area, centroid, second, girder.Depth + haunch + slabThickness);
    }
}
