namespace Pravik.Core.Sections;

/// <summary>
/// Properties of a plane section (m², m, m⁴): area, height of the centroid above the soffit, second moment about the horizontal axis.
/// </summary>
public sealed record SectionProperties(double Area, double Centroid, double SecondMoment, double Depth)
{
    /// <summary>Section modulus at the top (m³).</summary>
    public double TopModulus => SecondMoment / (Depth - Centroid);

    /// <summary>Section modulus at the bottom (m³).</summary>
    public double BottomModulus => SecondMoment / Centroid;
}

/// <summary>The solid rectangle.</summary>
public static class Rectangle
{
    /// <summary>
    /// J = a·b³·(⅓ − 0.21·(b/a)·(1 − b⁴/(12·a⁴))), a the longer side (Roark's Formulas for Stress and Strain, Table 10.7; within
    /// 0.2 % of the exact series for a square and closer beyond).
    /// </summary>
    public static double TorsionConstant(double side, double other)
    {
        var (a, b) = (Math.Max(side, other), Math.Min(side, other));
        return a <= 0 ? 0 : a * b * b * b * (1.0 / 3 - 0.21 * (b / a) * (1 - Math.Pow(b / a, 4) / 12));
    }
}
