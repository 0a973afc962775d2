using Pravik.Core.Models;
using Pravik.Core.Numerics;
using Pravik.Core.Sections;

namespace Pravik.Core.Loads;

/// <summary>A free strain of a layer that stays plane: at its centroid (lengthening positive) and as a sagging curvature (1/m).</summary>
public readonly record struct PlaneStrain(double Axial, double Curvature)
{
    /// <summary>The sum of two strains.</summary>
    public static PlaneStrain operator +(PlaneStrain a, PlaneStrain b) => new(a.Axial + b.Axial, a.Curvature + b.Curvature);
}

/// <summary>
/// What free strains of a section's fibres do to it: the plane strain of the whole section when nothing holds it, and stresses that
/// then balance each other.
/// </summary>
/// <remarks>
/// For a free strain ε₀(z) the section, if free, takes ε = ∫E·ε₀ dA/EA at its centroid and the curvature κ = ∫E·ε₀·(z̄ − z) dA/EI
/// (sagging positive), and keeps σ(z) = E·(ε + κ·(z̄ − z) − ε₀(z)), whose resultants vanish. Layers of girder and
/// slab have their own free strains.
/// </remarks>
public sealed class ImposedStrain
{
    private readonly LayeredSection section;
    private readonly MadeSection made;
    private readonly Func<double, double> girder;
    private readonly Func<double, double> slab;

    /// <param name="section">The layers.</param>
    /// <param name="made">The girder's outline.</param>
    /// <param name="girder">Free strain of the girder by height above its soffit (m).</param>
    /// <param name="slab">That of slab and haunch.</param>
    /// <param name="corners">Heights at which a strain has a corner.</param>
    public ImposedStrain(
        LayeredSection section,
        MadeSection made,
        Func<double, double> girder,
        Func<double, double> slab,
        IReadOnlyList<double>? corners = null
    )
    {
        (this.section, this.made, this.girder, this.slab) = (section, made, girder, slab);
        double force = 0,
            moment = 0;
        var centroid = section.Composite.Centroid;
        foreach (var (z, area, ratio, strain) in Fibres(corners ?? []))
        {
            force += ratio * area * strain;
            moment += ratio * area * strain * (centroid - z);
        }
        Whole = new(force / section.Composite.Area, moment / section.Composite.SecondMoment);
    }

    /// <summary>Strain at the centroid of the whole section, and curvature.</summary>
    public PlaneStrain Whole { get; }

    /// <summary>Stress that stays at a height of the girder or the slab (Pa), tension positive.</summary>
    public double GirderStress(double z) => section.Modulus * (Plane(z) - girder(z));

    /// <summary>Stress in the slab at a height above the girder's soffit (Pa).</summary>
    public double SlabStress(double z) => section.HasSlab ? section.Modulus * section.Ratio * (Plane(z) - slab(z)) : 0;

    private double Plane(double z) => Whole.Axial + Whole.Curvature * (section.Composite.Centroid - z);

    /// <summary>Resultants of the stresses that stay: both are 0 but for rounding and the quadrature.</summary>
    public (double Force, double Moment) Rest(IReadOnlyList<double>? corners = null)
    {
        double force = 0,
            moment = 0;
        foreach (var (z, area, ratio, strain) in Fibres(corners ?? []))
        {
            var stress = section.Modulus * ratio * (Plane(z) - strain);
            force += stress * area;
            moment += stress * area * (section.Composite.Centroid - z);
        }
        return (force, moment);
    }

    /// <summary>Gauss's fibres: height, area, modulus over the girder's, free strain.</summary>
    private IEnumerable<(double Z, double Area, double Ratio, double Strain)> Fibres(IReadOnlyList<double> corners)
    {
        foreach (var part in made.Parts)
        {
            var heights = part.Outline.Points.Select(p => p.Y - made.Bottom);
            foreach (var (z, weight) in Points(heights.Min(), heights.Max(), heights.Concat(corners)))
                yield return (z, weight * part.Outline.WidthAt(z + made.Bottom), made.Properties.Weight(part), girder(z));
        }
        if (!section.HasSlab)
            yield break;
        var (top, haunch) = (section.Girder.Depth, section.Girder.Depth + section.Haunch);
        foreach (var (z, weight) in Points(top, haunch, corners))
            yield return (z, weight * section.HaunchWidth, section.Ratio, slab(z));
        foreach (var (z, weight) in Points(haunch, haunch + section.SlabThickness, corners))
            yield return (z, weight * section.SlabWidth, section.Ratio, slab(z));
    }

    /// <summary>Gauss's points between two heights, part by part between corners.</summary>
    private static IEnumerable<(double Z, double Weight)> Points(double from, double to, IEnumerable<double> corners)
    {
        var rule = GaussLegendre.Five;
        List<double> ends = [.. corners.Where(z => z > from && z < to).Append(from).Append(to).Distinct().Order()];
        for (var i = 0; i + 1 < ends.Count; i++)
        {
            for (var k = 0; k < rule.At.Length; k++)
                yield return (ends[i] + rule.At[k] * (ends[i + 1] - ends[i]), rule.Weight[k] * (ends[i + 1] - ends[i]));
        }
    }
}
