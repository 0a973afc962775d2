namespace Pravik.Core.Materials;

/// <summary>Structural steel as entered: its grade and own values (Pa).</summary>
public sealed record StructuralGrade
{
    /// <summary>Grade, such as <c>S355</c>.</summary>
    public string Class { get; init; } = "S355";

    /// <summary>f_y to 40 mm (Pa); null for that of the grade.</summary>
    public double? Fy { get; init; }

    /// <summary>f_u (Pa); null for that of the grade.</summary>
    public double? Fu { get; init; }

    /// <summary>E (Pa); null for that of the grade.</summary>
    public double? E { get; init; }
}

/// <summary>Structural steel (Pa): yield and tensile strength by the thickness of the plate, and modulus of elasticity.</summary>
/// <remarks>
/// S-classes: EN 1993-1-1 Table 3.1, to 40 mm and above to 80 mm, E = 210 GPa (3.2.6). Grades of AASHTO M 270: AASHTO LRFD Table
/// 6.4.1-1, the same for all
/// thicknesses to 4 in, E = 29,000 ksi (6.4.1).
/// </remarks>
public sealed record StructuralSteel(string Class, double Fy, double FyThick, double Fu, double FuThick, double E)
{
    /// <summary>Thickness above which the second pair of strengths holds (m).</summary>
    public const double Thick = 0.040;
    private const double MPa = 1e6;
    private const double Ksi = 6.894757293168e6;

    private static readonly StructuralSteel[] Table =
    [
        Class1993("S235", 235, 215, 360, 360),
        Class1993("S275", 275, 255, 430, 410),
        Class1993("S355", 355, 335, 510, 470),
        Class1993("S420 N", 420, 390, 520, 520),
        Class1993("S460 N", 460, 430, 540, 540),
        Grade270("Grade 36", 36, 58),
        Grade270("Grade 50", 50, 65),
        Grade270("Grade 50W", 50, 70),
        Grade270("Grade HPS 70W", 70, 85),
    ];

    /// <summary>The grades that are known.</summary>
    public static IReadOnlyList<string> Classes { get; } = [.. Table.Select(s => s.Class)];

    /// <summary>Throws <see cref="ArgumentException"/> for an unknown class. Own strengths hold for every thickness.</summary>
    public static StructuralSteel Of(StructuralGrade grade)
    {
        var row =
            Table.FirstOrDefault(s => s.Class == grade.Class)
            ?? throw new ArgumentException($"{grade.Class} is not a known structural steel.", nameof(grade));
        return new(row.Class, grade.Fy ?? row.Fy, grade.Fy ?? row.FyThick, grade.Fu ?? row.Fu, grade.Fu ?? row.FuThick, grade.E ?? row.E);
    }

    /// <summary>Yield strength of a plate (Pa); above 80 mm that to 80 mm.</summary>
    public double Yield(double thickness) => thickness <= Thick ? Fy : FyThick;

    /// <summary>The thickest plate for which strengths are known (m): 80 mm, or 4 in of AASHTO M 270.</summary>
    public double Thickest => Class.StartsWith('S') ? 0.080 : 4 * 0.0254;

    /// <summary>f_y of a plate of a thickness (Pa).</summary>
    public double YieldOf(double thickness) => thickness > Thick ? FyThick : Fy;

    /// <summary>Shear modulus with ν = 0.3 (EN 1993-1-1 3.2.6).</summary>
    public double G => E / (2 * (1 + 0.3));

    private static StructuralSteel Class1993(string name, double fy, double fyThick, double fu, double fuThick) =>
        new(name, fy * MPa, fyThick * MPa, fu * MPa, fuThick * MPa, 210e9);

    private static StructuralSteel Grade270(string name, double fy, double fu) =>
        new(name, fy * Ksi, fy * Ksi, fu * Ksi, fu * Ksi, 29000 * Ksi);
}
