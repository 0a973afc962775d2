using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Sections;

namespace Pravik.Core.Members;

/// <summary>What resists together with a steel girder.</summary>
public enum SteelState
{
    /// <summary>The steel alone.</summary>
    Bare,

    /// <summary>With the slab under what acts for a long time, its modulus a third (AASHTO LRFD 6.10.1.1.1b).</summary>
    LongTerm,

    /// <summary>With the slab under what acts for a short time.</summary>
    ShortTerm,

    /// <summary>With the bars of a slab that has cracked.</summary>
    Cracked,
}

/// <summary>The slab on a steel girder.</summary>
/// <param name="Width">Width that acts with the girder (m).</param>
/// <param name="Thickness">Its thickness (m).</param>
/// <param name="Haunch">Height between the girder’s top and the slab (m); its concrete is left out.</param>
/// <param name="Ratio">n, modulus of steel over that of the concrete.</param>
/// <param name="Strength">Strength of the concrete in compression (Pa).</param>
/// <param name="Bars">Bars along it, by their height above the girder’s soffit.</param>
public sealed record SteelSlab(
    double Width,
    double Thickness,
    double Haunch,
    double Ratio,
    double Strength,
    ImmutableArray<MemberBars> Bars
);

/// <summary>A detail that may tire: what it is, its category and its height above the soffit (m).</summary>
public sealed record SteelDetail(string Name, string Category, double Level);

/// <summary>A piece along a member (m from its beginning).</summary>
public readonly record struct Stretch(double From, double To)
{
    /// <summary>Its length (m).</summary>
    public double Length => To - From;
}

/// <summary>
/// A section of a steel girder with its slab, the panel of the web in which it lies and the length between braces. Where plates, panels
/// or braces change there are two of them at one place.
/// </summary>
/// <param name="Side">Which side of the place it stands for: “ahead” or “behind”; empty where both are alike.</param>
/// <param name="Plates">The plates.</param>
/// <param name="Steel">Their steel.</param>
/// <param name="Slab">The slab.</param>
/// <param name="Panel">From one upright stiffener to the next.</param>
/// <param name="IsEndPanel">Whether the panel is the last at an end over which the girder does not run on.</param>
/// <param name="Unbraced">From one cross-frame or support to the next.</param>
/// <param name="Curvature">1/R of the girder in plan (1/m); 0 for a straight one.</param>
public sealed record MemberSteel(
    string Side,
    PlateGirder Plates,
    StructuralSteel Steel,
    SteelSlab Slab,
    Stretch Panel,
    bool IsEndPanel,
    Stretch Unbraced,
    double Curvature
)
{
    /// <summary>Studs here; null for none.</summary>
    public StudZone? Studs { get; init; }

    /// <summary>The weaker one of the stiffeners at both ends of the panel; null where neither is entered.</summary>
    public PlacedStiffener? Upright { get; init; }

    /// <summary>The stiffener over the bearing, at a support; null elsewhere and where none is entered.</summary>
    public PlacedStiffener? OverBearing { get; init; }

    /// <summary>Details here that may tire.</summary>
    public ImmutableArray<SteelDetail> Details { get; init; } = [];

    /// <summary>n of what acts for a long time over n of what does not (AASHTO LRFD 6.10.1.1.1b).</summary>
    public const double Slow = 3;

    /// <summary>Curvature below this is none: a radius of more than 20 km.</summary>
    private const double Straight = 5e-5;

    /// <summary>Whether the girder is curved in plan.</summary>
    public bool IsCurved => Math.Abs(Curvature) > Straight;

    /// <summary>f_y of the top flange, or the bottom one (Pa).</summary>
    public double FlangeYield(bool top) => Steel.YieldOf(Plates.FlangeAt(top).Thickness);

    /// <summary>f_y of the web (Pa).</summary>
    public double WebYield => Steel.YieldOf(Plates.WebThickness);

    /// <summary>Level of the top of the slab above the soffit (m).</summary>
    public double SlabTop => Plates.Depth + Slab.Haunch + Slab.Thickness;

    /// <summary>Properties of what resists, in steel; the depth is that of the girder.</summary>
    public SectionProperties In(SteelState state) =>
        state switch
        {
            SteelState.ShortTerm => With(OfSlab(Slab.Ratio)),
            SteelState.LongTerm => With(OfSlab(Slow * Slab.Ratio)),
            SteelState.Cracked => With(Slab.Bars.Select(b => (b.Area, b.Height, 0.0))),
            _ => Plates.Bare,
        };

    private IEnumerable<(double Area, double Height, double Own)> OfSlab(double ratio)
    {
        var area = Slab.Width * Slab.Thickness / ratio;
        yield return (area, SlabTop - Slab.Thickness / 2, area * Slab.Thickness * Slab.Thickness / 12);
    }

    /// <summary>A = Σ A_i; z̄ = Σ A_i·z_i / A; I = Σ (I_i + A_i·(z_i − z̄)²).</summary>
    private SectionProperties With(IEnumerable<(double Area, double Height, double Own)> others)
    {
        (double Area, double Height, double Own)[] parts = [(Plates.Bare.Area, Plates.Bare.Centroid, Plates.Bare.SecondMoment), .. others];
        var area = parts.Sum(p => p.Area);
        var centroid = parts.Sum(p => p.Area * p.Height) / area;
        return new(area, centroid, parts.Sum(p => p.Own + p.Area * Math.Pow(p.Height - centroid, 2)), Plates.Depth);
    }
}
