using System.Collections.Immutable;

namespace Pravik.Core.Materials;

/// <summary>Strand as entered: its type and own values (Pa, m²).</summary>
public sealed record StrandGrade
{
    /// <summary>Type and diameter in mm, such as <c>Y1860S7 15.7</c>.</summary>
    public string Type { get; init; } = "Y1860S7 15.7";

    /// <summary>Area of one strand (m²); null for that of the type.</summary>
    public double? Area { get; init; }

    /// <summary>f_pk (Pa); null for that of the type.</summary>
    public double? Fpk { get; init; }

    /// <summary>f_p0.1k (Pa); null for that of the type.</summary>
    public double? Fp01k { get; init; }

    /// <summary>E_p (Pa); null for 195 GPa.</summary>
    public double? Ep { get; init; }

    /// <summary>Relaxation class 1, 2 or 3 (EN 1992-1-1 3.3.2(4)); low-relaxation strand is of class 2.</summary>
    public int RelaxationClass { get; init; } = 2;

    /// <summary>Own relaxation loss after 1000 hours at 20 °C and 0.7 of the tensile strength, as a part of the stress.</summary>
    public double? Rho1000 { get; init; }

    /// <summary>How the stress goes on beyond the proof strength.</summary>
    public Branch Branch { get; init; } = Branch.Rising;

    /// <summary>Own stress-strain line, in place of the type's.</summary>
    public ImmutableArray<LinePoint>? Line { get; init; }
}

/// <summary>
/// Prestressing strand (Pa, m²). Areas and strengths by prEN 10138-3; 0.1 % proof strength 88 % of the tensile strength. Strand of
/// grade 270: areas of ASTM A416, yield
/// strength 90 % of the tensile strength and E = 28,500 ksi (AASHTO LRFD 5.4.4).
/// </summary>
public sealed record PrestressingSteel(
    string Type,
    double Diameter,
    double Area,
    double Fpk,
    double Fp01k,
    double Ep,
    int RelaxationClass,
    double Rho1000,
    Branch Branch
)
{
    /// <summary>Design strain limit εud = 0.9·εuk where nothing more accurate is known (EN 1992-1-1 3.3.6(7)).</summary>
    public const double StrainLimit = 0.02;

    private const double Ksi = 6.894757293168e6;

    private static readonly (string Type, double Diameter, double Area, double Fpk)[] Table =
    [
        ("Y1860S7 15.7", 15.7e-3, 150e-6, 1860e6),
        ("Y1860S7 15.2", 15.2e-3, 139e-6, 1860e6),
        ("Y1860S7 12.9", 12.9e-3, 100e-6, 1860e6),
        ("Y1860S7 12.5", 12.5e-3, 93e-6, 1860e6),
        ("Y1770S7 15.7", 15.7e-3, 150e-6, 1770e6),
        ("Grade 270, 0.5 in", 12.7e-3, 98.71e-6, 270 * Ksi),
        ("Grade 270, 0.6 in", 15.24e-3, 140.0e-6, 270 * Ksi),
    ];

    /// <summary>The types that are known.</summary>
    public static IReadOnlyList<string> Types { get; } = [.. Table.Select(row => row.Type)];

    /// <summary>Throws <see cref="ArgumentException"/> for an unknown type.</summary>
    public static PrestressingSteel Of(StrandGrade grade)
    {
        var row = Table.FirstOrDefault(r => r.Type == grade.Type);
        if (row.Type is null)
            throw new ArgumentException($"{grade.Type} is not a known strand.", nameof(grade));
        var fpk = grade.Fpk ?? row.Fpk;
        var isGrade = row.Type.StartsWith("Grade", StringComparison.Ordinal);
        var rho = grade.RelaxationClass switch
        {
            1 => 0.08,
            2 => 0.025,
            3 => 0.04,
            _ => throw new ArgumentException($"{grade.RelaxationClass} is not a relaxation class.", nameof(grade)),
        };
        return new(
            row.Type,
            row.Diameter,
            grade.Area ?? row.Area,
            fpk,
            grade.Fp01k ?? (isGrade ? 0.90 : 0.88) * fpk,
            grade.Ep ?? (isGrade ? 28500 * Ksi : 195e9),
            grade.RelaxationClass,
            grade.Rho1000 ?? rho,
            grade.Branch
        )
        {
            Line = grade.Line ?? [],
        };
    }

    /// <summary>Own stress-strain line; empty for the type's.</summary>
    public ImmutableArray<LinePoint> Line { get; init; } = [];

    /// <summary>Design strain limit of this steel: εud on the rising branch, none on the level one, the end of an own line.</summary>
    public double Limit =>
        !Line.IsEmpty ? Line[^1].Strain
        : Branch == Branch.Rising ? StrainLimit
        : double.PositiveInfinity;

    /// <summary>
    /// Relaxation loss after a time at 20 °C as a part of the initial stress, Δσpr/σpi = c·ρ1000·e^(kμ)·(t/1000)^(0.75(1 − μ))·10⁻⁵
    /// with ρ1000 in per cent: c and k are 5.39 and 6.7 for class 1,
    /// 0.66 and 9.1 for class 2, 1.98 and 8.0 for class 3 (EN 1992-1-1 (3.28) to (3.30)).
    /// </summary>
    /// <param name="level">μ, initial stress over fpk.</param>
    /// <param name="hours">Time after tensioning; 500 000 for the final value (3.3.2(8)).</param>
    public double Relaxation(double level, double hours)
    {
        var (c, k) = RelaxationClass switch
        {
            1 => (5.39, 6.7),
            2 => (0.66, 9.1),
            _ => (1.98, 8.0),
        };
        return c * 100 * Rho1000 * Math.Exp(k * level) * Math.Pow(hours / 1000, 0.75 * (1 - level)) * 1e-5;
    }

    /// <summary>Greatest stress at the jack, min(0.8·f_pk, 0.9·f_p0.1k) (EN 1992-1-1 5.10.2.1) (Pa).</summary>
    public double MostAtJack => Math.Min(0.8 * Fpk, 0.9 * Fp01k);

    /// <summary>Greatest stress just after release, min(0.75·f_pk, 0.85·f_p0.1k) (EN 1992-1-1 5.10.3(2)) (Pa).</summary>
    public double MostAfterRelease => Math.Min(0.75 * Fpk, 0.85 * Fp01k);

    /// <summary>Hours by which heat curing makes relaxation older: t_eq = 1.14^(T − 20)·hours at T (EN 1992-1-1 10.3.2.1).</summary>
    public static double HeatHours(double temperature, double hours) => temperature <= 20 ? 0 : Math.Pow(1.14, temperature - 20) * hours;

    /// <summary>
    /// Design stress at a total strain, tension positive: elastic to fpd = fp0.1k/γS, then rising to fpk/γS at εuk = εud/0.9
    /// (EN 1992-1-1 3.3.6(7), Figure 3.10, the inclined branch), or level. An own line over γS. Beyond the limit the branch continues;
    /// the section stops there.
    /// </summary>
    public double Stress(double strain, double gammaS)
    {
        if (!Line.IsEmpty)
            return Math.Sign(strain) * StressLine.At(Line, Math.Abs(strain)) / gammaS;
        var fpd = Fp01k / gammaS;
        var yield = fpd / Ep;
        var magnitude = Math.Abs(strain);
        if (magnitude <= yield)
            return Ep * strain;
        if (Branch == Branch.Level)
            return Math.Sign(strain) * fpd;
        var slope = (Fpk / gammaS - fpd) / (StrainLimit / 0.9 - yield);
        return Math.Sign(strain) * (fpd + slope * (magnitude - yield));
    }
}
