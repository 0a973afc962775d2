namespace Pravik.Core.Sections;

/// <summary>A strain that runs straight over the depth of a section, lengthening positive.</summary>
/// <param name="Soffit">At height 0.</param>
/// <param name="Slope">Its growth upwards (1/m): a curvature, hogging positive.</param>
public readonly record struct StrainLine(double Soffit, double Slope)
{
    /// <summary>ε(z) = N/(E·A) + M·(z̄ − z)/(E·I), z up from the soffit.</summary>
    /// <param name="axial">Axial force at the centroid (N, tension positive).</param>
    /// <param name="moment">Bending moment (Nm, sagging positive).</param>
    /// <param name="section">The section.</param>
    /// <param name="modulus">Its modulus (Pa).</param>
    public static StrainLine Of(double axial, double moment, SectionProperties section, double modulus)
    {
        var curvature = moment / (modulus * section.SecondMoment);
        return new(axial / (modulus * section.Area) + curvature * section.Centroid, -curvature);
    }

    /// <summary>The strain at a height (m).</summary>
    public double At(double height) => Soffit + Slope * height;

    /// <summary>
    /// The strain of a section that stays plane while each part of it would take a free strain of its own, without any force on the whole:
    /// Σ E·∫(ε − ε_free) dA = 0 and Σ E·∫(ε − ε_free)·z dA = 0.
    /// </summary>
    /// <param name="parts">Modulus (Pa), shape with heights from the common soffit, and free strain of each part.</param>
    public static StrainLine Balanced(IEnumerable<(double Modulus, SectionProperties Shape, StrainLine Free)> parts)
    {
        double zeroth = 0,
            first = 0,
            second = 0,
            force = 0,
            moment = 0;
        foreach (var (modulus, shape, free) in parts)
        {
            var s0 = modulus * shape.Area;
            var s1 = s0 * shape.Centroid;
            var s2 = modulus * shape.SecondMoment + s1 * shape.Centroid;
            (zeroth, first, second) = (zeroth + s0, first + s1, second + s2);
            force += s0 * free.Soffit + s1 * free.Slope;
            moment += s1 * free.Soffit + s2 * free.Slope;
        }
        var determinant = zeroth * second - first * first;
        return new((force * second - moment * first) / determinant, (zeroth * moment - first * force) / determinant);
    }

    /// <summary>Adds strains.</summary>
    public static StrainLine operator +(StrainLine a, StrainLine b) => new(a.Soffit + b.Soffit, a.Slope + b.Slope);

    /// <summary>What is left of one without another.</summary>
    public static StrainLine operator -(StrainLine a, StrainLine b) => new(a.Soffit - b.Soffit, a.Slope - b.Slope);

    /// <summary>Scales a strain.</summary>
    public static StrainLine operator *(double factor, StrainLine of) => new(factor * of.Soffit, factor * of.Slope);
}
