using System.Collections.Immutable;

namespace Pravik.Core.Materials;

/// <summary>Reinforcement as entered: its class and own values (Pa).</summary>
public sealed record ReinforcementGrade
{
    /// <summary>Class, such as <c>B500B</c>.</summary>
    public string Class { get; init; } = "B500B";

    /// <summary>f_yk (Pa); null for that of the class.</summary>
    public double? Fyk { get; init; }

    /// <summary>E_s (Pa); null for 200 GPa.</summary>
    public double? Es { get; init; }

    /// <summary>How the stress goes on beyond yield.</summary>
    public Branch Branch { get; init; }

    /// <summary>Own strain at greatest force, and ratio of tensile to yield strength.</summary>
    public double? EpsilonUk { get; init; }

    /// <summary>k, tensile over yield strength; null for that of the class.</summary>
    public double? Ratio { get; init; }

    /// <summary>Own stress-strain line, in place of the class's.</summary>
    public ImmutableArray<LinePoint>? Line { get; init; }
}

/// <summary>
/// Reinforcing steel (Pa). EN 1992-1-1 3.2; strain at greatest force and ratio ft/fy by ductility class of Table C.1 (A 2.5 % and 1.05,
/// B 5 % and 1.08, C 7.5 % and 1.15).
/// AASHTO grades: yield strength 60, 75 and 80 ksi and E = 29,000 ksi (AASHTO LRFD 5.4.3), beyond yield as class B.
/// </summary>
public sealed record ReinforcingSteel(string Class, double Fyk, double Es, Branch Branch, double EpsilonUk, double Ratio)
{
    private const double Ksi = 6.894757293168e6;

    private static readonly (string Class, double Fyk, double Es, char Ductility)[] Table =
    [
        ("B400B", 400e6, 200e9, 'B'),
        ("B400C", 400e6, 200e9, 'C'),
        ("B500A", 500e6, 200e9, 'A'),
        ("B500B", 500e6, 200e9, 'B'),
        ("B500C", 500e6, 200e9, 'C'),
        ("B600B", 600e6, 200e9, 'B'),
        ("Grade 60", 60 * Ksi, 29000 * Ksi, 'B'),
        ("Grade 75", 75 * Ksi, 29000 * Ksi, 'B'),
        ("Grade 80", 80 * Ksi, 29000 * Ksi, 'B'),
    ];

    /// <summary>The classes that are known.</summary>
    public static IReadOnlyList<string> Classes { get; } = [.. Table.Select(row => row.Class)];

    /// <summary>Own stress-strain line; empty for the class's.</summary>
    public ImmutableArray<LinePoint> Line { get; init; } = [];

    /// <summary>Throws <see cref="ArgumentException"/> for an unknown class.</summary>
    public static ReinforcingSteel Of(ReinforcementGrade grade)
    {
        var row = Table.FirstOrDefault(r => r.Class == grade.Class);
        if (row.Class is null)
            throw new ArgumentException($"{grade.Class} is not a known reinforcement class.", nameof(grade));
        var (strain, ratio) = row.Ductility switch
        {
            'A' => (0.025, 1.05),
            'B' => (0.05, 1.08),
            _ => (0.075, 1.15),
        };
        return new(row.Class, grade.Fyk ?? row.Fyk, grade.Es ?? row.Es, grade.Branch, grade.EpsilonUk ?? strain, grade.Ratio ?? ratio)
        {
            Line = grade.Line ?? [],
        };
    }

    /// <summary>
    /// Design strain limit: εud = 0.9·εuk on the rising branch (EN 1992-1-1 3.2.7(2)a, recommended value), none on the level one, the
    /// end of an own line.
    /// </summary>
    public double StrainLimit =>
        !Line.IsEmpty ? Line[^1].Strain
        : Branch == Branch.Rising ? 0.9 * EpsilonUk
        : double.PositiveInfinity;

    /// <summary>The clause by which stresses follow from strains.</summary>
    public string Clause =>
        !Line.IsEmpty ? "own line / γ_S"
        : Branch == Branch.Rising ? "EN 1992-1-1 3.2.7(2)a"
        : "EN 1992-1-1 3.2.7(2)b";

    /// <summary>
    /// Design stress at a strain, tension positive: elastic to fyd = fyk/γS, then level (3.2.7(2)b), or rising to k·fyk/γS at εuk
    /// (3.2.7(2)a); an own line over γS. The
    /// same in compression.
    /// </summary>
    public double Stress(double strain, double gammaS)
    {
        var (size, fyd) = (Math.Abs(strain), Fyk / gammaS);
        if (!Line.IsEmpty)
            return Math.Sign(strain) * StressLine.At(Line, size) / gammaS;
        var yield = fyd / Es;
        if (size <= yield)
            return Es * strain;
        return Math.Sign(strain) * (Branch == Branch.Level ? fyd : fyd + (Ratio - 1) * fyd * (size - yield) / (EpsilonUk - yield));
    }
}
