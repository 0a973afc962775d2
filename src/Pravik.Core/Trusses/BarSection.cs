using System.Collections.Immutable;
using Pravik.Core.Materials;

namespace Pravik.Core.Trusses;

/// <summary>A grade of a bar (Pa, kg/m³): yield strength to 40 mm and above, E, density.</summary>
public sealed record BarGrade(string Name, double Fy, double FyThick, double E, double Density)
{
    /// <summary>Whether it buckles by the column of S460 in EN 1993-1-1 Table 6.2.</summary>
    public bool IsS460 => Fy >= 460e6;

    /// <summary>ε = √(235 MPa / f_y) (EN 1993-1-1 Table 5.2).</summary>
    public double Epsilon => Math.Sqrt(235e6 / Fy);
}

/// <summary>An axis about which a bar can buckle.</summary>
/// <param name="I">Second moment of area about it (m⁴).</param>
/// <param name="Curve">Its curve.</param>
/// <param name="CurveS460">Its curve in S460.</param>
public readonly record struct BucklingAxis(double I, BucklingCurve Curve, BucklingCurve CurveS460);

/// <summary>Curves of EN 1993-1-1 6.3.1.2.</summary>
public enum BucklingCurve
{
    /// <summary>α = 0.13.</summary>
    A0,

    /// <summary>α = 0.21.</summary>
    A,

    /// <summary>α = 0.34.</summary>
    B,

    /// <summary>α = 0.49.</summary>
    C,

    /// <summary>α = 0.76.</summary>
    D,
}

/// <summary>
/// A section of a bar (m): area, the axes about which it buckles with the curves of EN 1993-1-1 Table 6.2, the thickness of its
/// thickest wall, and the depth to which it is drawn.
/// </summary>
public sealed record BarSection
{
    /// <summary>Gap between the two angles of a pair, for the gusset (m).</summary>
    private const double Gusset = 0.010;

    /// <summary>Name in its family.</summary>
    public required string Name { get; init; }

    /// <summary>Family.</summary>
    public required string Family { get; init; }

    /// <summary>A (m²).</summary>
    public required double Area { get; init; }

    /// <summary>Axes of buckling; none for a bar that does not buckle.</summary>
    public required ImmutableArray<BucklingAxis> Axes { get; init; }

    /// <summary>Thickness of the thickest wall (m), which decides f_y.</summary>
    public double Thickness { get; init; }

    /// <summary>Depth in elevation (m).</summary>
    public double Depth { get; init; }

    /// <summary>
    /// How slender its walls are: the greatest of (c/t) over its limit for class 3 in uniform compression at ε = 1
    /// (EN 1993-1-1 Table 5.2); d/t over 90 for tubes, whose limit goes with ε².
    /// </summary>
    public double WallSlenderness { get; init; }

    /// <summary>Radius of gyration about the weaker axis (m); infinite for a bar that does not buckle.</summary>
    public double Gyration => Axes.IsEmpty ? double.PositiveInfinity : Math.Sqrt(Axes.Min(a => a.I) / Area);

    /// <summary>I about the weaker axis (m⁴); 0 for a bar that does not buckle.</summary>
    public double LeastSecondMoment => Axes.IsEmpty ? 0 : Axes.Min(a => a.I);

    /// <summary>f_y of this section in a grade (Pa).</summary>
    public double Yield(BarGrade grade) => Thickness <= StructuralSteel.Thick ? grade.Fy : grade.FyThick;

    /// <summary>Whether the whole area works in compression: class 3 or better.</summary>
    public bool IsWholeInCompression(BarGrade grade) =>
        WallSlenderness <= (Family == "tube" ? grade.Epsilon * grade.Epsilon : grade.Epsilon) * (1 + 1e-9);

    /// <summary>Solid square: curve c.</summary>
    public static BarSection Square(string name, double side) => Solid("square", name, side, side);

    /// <summary>Plate, solid: curve c, weak across its thickness.</summary>
    public static BarSection Plate(string name, double width, double thickness) => Solid("plate", name, width, thickness);

    /// <summary>Round tube, hot finished: curve a, a0 in S460.</summary>
    public static BarSection Tube(string name, double diameter, double wall)
    {
        var inner = diameter - 2 * wall;
        var i = Math.PI / 64 * (Math.Pow(diameter, 4) - Math.Pow(inner, 4));
        return new()
        {
            Name = name,
            Family = "tube",
            Area = Math.PI / 4 * (diameter * diameter - inner * inner),
            Axes = [new(i, BucklingCurve.A, BucklingCurve.A0)],
            Thickness = wall,
            Depth = diameter,
            WallSlenderness = diameter / wall / 90,
        };
    }

    /// <summary>
    /// Rolled I: with h/b above 1.2 curves a and b (a0 in S460), else b and c (a in S460), flanges to 40 mm and 100 mm. With fillets.
    /// </summary>
    public static BarSection Rolled(string name, double h, double b, double web, double flange, double fillet)
    {
        var (clear, r2) = (h - 2 * flange, fillet * fillet);
        var (corner, ends) = (0.03 * r2 * r2, 0.2146 * r2);
        var strong = (b * Math.Pow(h, 3) - (b - web) * Math.Pow(clear, 3)) / 12 + corner + ends * Math.Pow(clear - 0.4468 * fillet, 2);
        var weak = (2 * flange * Math.Pow(b, 3) + clear * Math.Pow(web, 3)) / 12 + corner + ends * Math.Pow(web + 0.4468 * fillet, 2);
        var isDeep = h / b > 1.2;
        var s460 = isDeep ? BucklingCurve.A0 : BucklingCurve.A;
        return new()
        {
            Name = name,
            Family = "i",
            Area = 2 * b * flange + clear * web + (4 - Math.PI) * r2,
            Axes =
            [
                new(strong, isDeep ? BucklingCurve.A : BucklingCurve.B, s460),
                new(weak, isDeep ? BucklingCurve.B : BucklingCurve.C, s460),
            ],
            Thickness = flange,
            Depth = h,
            WallSlenderness = Math.Max((clear - 2 * fillet) / web / 42, (b - web - 2 * fillet) / 2 / flange / 14),
        };
    }

    /// <summary>
    /// Two equal angles back to back on a gusset of 10 mm, joined often enough to act as one: curve b. Without fillets, which is up to
    /// 1 % on the safe side.
    /// </summary>
    public static BarSection Angles(string name, double leg, double wall)
    {
        var (upright, across) = (leg * wall, (leg - wall) * wall);
        var area = upright + across;
        var centroid = (upright * leg / 2 + across * wall / 2) / area;
        var one =
            wall * Math.Pow(leg, 3) / 12
            + upright * Math.Pow(leg / 2 - centroid, 2)
            + (leg - wall) * Math.Pow(wall, 3) / 12
            + across * Math.Pow(centroid - wall / 2, 2);
        return new()
        {
            Name = name,
            Family = "angles",
            Area = 2 * area,
            Axes =
            [
                new(2 * one, BucklingCurve.B, BucklingCurve.B),
                new(2 * (one + area * Math.Pow(centroid + Gusset / 2, 2)), BucklingCurve.B, BucklingCurve.B),
            ],
            Thickness = wall,
            Depth = leg,
            WallSlenderness = Math.Max(leg / wall / 15, leg / wall / 11.5),
        };
    }

    /// <summary>A section of a scheme's own.</summary>
    public static BarSection Of(OwnSection own) =>
        new()
        {
            Name = own.Name,
            Family = BarCatalogue.Own,
            Area = own.Area,
            Axes = Enum.TryParse<BucklingCurve>(own.Curve, true, out var curve) ? [new(own.SecondMoment, curve, curve)] : [],
            Depth = own.Depth,
        };

    private static BarSection Solid(string family, string name, double width, double thickness) =>
        new()
        {
            Name = name,
            Family = family,
            Area = width * thickness,
            Axes = [new(width * Math.Pow(thickness, 3) / 12, BucklingCurve.C, BucklingCurve.C)],
            Thickness = thickness,
            Depth = width,
        };
}
