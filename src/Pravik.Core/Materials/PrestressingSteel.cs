namespace Pravik.Core.Materials;

/// <summary>Strand as entered: its type and own values (Pa, m²).</summary>
public sealed record StrandGrade
{
    /// <summary>Type and diameter in mm, such as <c>Y1860S7 15.7</c>.</summary>
    public string Type { get; init; } = "Y1860S7 15.7";
    public double? Area { get; init; }
    public double? Fpk { get; init; }
    public double? Fp01k { get; init; }
    public double? Ep { get; init; }
}

/// <summary>Prestressing strand (Pa, m²). Areas and strengths by prEN 10138-3; 0.1 % proof strength 88 % of the tensile strength.</summary>
public sealed record PrestressingSteel(string Type, double Diameter, double Area, double Fpk, double Fp01k, double Ep)
{
    /// <summary>Design strain limit εud = 0.9·εuk where nothing more accurate is known (EN 1992-1-1 3.3.6(7)).</summary>
    public const double StrainLimit = 0.02;

    private static readonly (string Type, double Diameter, double Area, double Fpk)[] Table =
    [
        ("Y1860S7 15.7", 15.7e-3, 150e-6, 1860e6),
        ("Y1860S7 15.2", 15.2e-3, 139e-6, 1860e6),
        ("Y1860S7 12.9", 12.9e-3, 100e-6, 1860e6),
        ("Y1860S7 12.5", 12.5e-3, 93e-6, 1860e6),
        ("Y1770S7 15.7", 15.7e-3, 150e-6, 1770e6),
    ];

    public static IReadOnlyList<string> Types { get; } = [.. Table.Select(row => row.Type)];

    /// <summary>Throws <see cref="ArgumentException"/> for an unknown type.</summary>
    public static PrestressingSteel Of(StrandGrade grade)
    {
        var row = Table.FirstOrDefault(r => r.Type == grade.Type);
        if (row.Type is null) throw new ArgumentException($"{grade.Type} is not a known strand.", nameof(grade));
        var fpk = grade.Fpk ?? row.Fpk;
        return new(row.Type, row.Diameter, grade.Area ?? row.Area, fpk, grade.Fp01k ?? 0.88 * fpk, grade.Ep ?? 195e9);
    }

    /// <summary>
    /// Design stress at a total strain, tension positive: elastic to fpd = fp0.1k/γS, then rising to fpk/γS at εuk = εud/0.9
    /// (EN 1992-1-1 3.3.6(7), Figure 3.10, the inclined branch). Beyond the limit the branch continues; the section stops there.
    /// </summary>
    public double Stress(double strain, double gammaS)
    {
        var fpd = Fp01k / gammaS;
        var yield = fpd / Ep;
        var magnitude = Math.Abs(strain);
        if (magnitude <= yield) return Ep * strain;
        var slope = (Fpk / gammaS - fpd) / (StrainLimit / 0.9 - yield);
        return Math.Sign(strain) * (fpd + slope * (magnitude - yield));
    }
}
