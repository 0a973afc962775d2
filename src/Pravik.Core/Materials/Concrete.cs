using System.Collections.Immutable;
using System.Globalization;

namespace Pravik.Core.Materials;

/// <summary>The values of a concrete (Pa and plain strains), from its class by EN 1992-1-1 Table 3.1 or its own values.</summary>
/// <param name="Class">Strength class.</param>
/// <param name="Fck">Characteristic cylinder strength.</param>
/// <param name="Fcm">Mean cylinder strength.</param>
/// <param name="Fctm">Mean tensile strength.</param>
/// <param name="Ecm">Secant modulus of elasticity.</param>
/// <param name="EpsilonC2">Strain at which the parabola reaches the design strength.</param>
/// <param name="EpsilonCu2">Ultimate compressive strain.</param>
/// <param name="Exponent">Exponent n of the parabola.</param>
public sealed record Concrete(
    string Class,
    double Fck,
    double Fcm,
    double Fctm,
    double Ecm,
    double EpsilonC2,
    double EpsilonCu2,
    double Exponent
)
{
    private const double MPa = 1e6;
    private const double Ksi = 6.894757293168;
    private const string KsiMark = " ksi";

    /// <summary>The classes of Table 3.1, then specified strengths f'c of AASHTO LRFD 5.4.2.1.</summary>
    public static IReadOnlyList<string> Classes { get; } =
    [
        "C12/15",
        "C16/20",
        "C20/25",
        "C25/30",
        "C30/37",
        "C35/45",
        "C40/50",
        "C45/55",
        "C50/60",
        "C55/67",
        "C60/75",
        "C70/85",
        "C80/95",
        "C90/105",
        "4 ksi",
        "5 ksi",
        "6 ksi",
        "7 ksi",
        "8 ksi",
        "8.5 ksi",
        "10 ksi",
    ];

    /// <summary>
    /// Values by the analytical relations in the last column of Table 3.1, f in MPa: fcm = fck + 8; fctm = 0.30·fck^(2/3) to
    /// C50/60, 2.12·ln(1 + fcm/10) above; Ecm = 22·(fcm/10)^0.3 GPa; εc2, εcu2 and n constant to C50/60 and by their formulas
    /// above. A specified strength f'c of AASHTO LRFD stands for fck in them, but for the modulus: Ec = 120,000·wc²·f'c^0.33 (5.4.2.4,
    /// ksi, normal weight wc = 0.145 kcf
    /// to 5 ksi and 0.140 + 0.001·f'c above, Table 3.5.1-1). Throws <see cref="ArgumentException"/> for a class that is not listed.
    /// </summary>
    public static Concrete Of(ConcreteGrade grade)
    {
        if (!Classes.Contains(grade.Class))
            throw new ArgumentException($"{grade.Class} is not a known class of concrete.", nameof(grade));
        double? ksi = grade.Class.EndsWith(KsiMark, StringComparison.Ordinal)
            ? double.Parse(grade.Class[..^KsiMark.Length], CultureInfo.InvariantCulture)
            : null;
        var fck = ksi * Ksi ?? double.Parse(grade.Class[1..grade.Class.IndexOf('/')], CultureInfo.InvariantCulture);
        var fcm = fck + 8;
        var normal = fck <= 50;
        var fctm = normal ? 0.30 * Math.Pow(fck, 2.0 / 3.0) : 2.12 * Math.Log(1 + fcm / 10);
        var above = (90 - fck) / 100;
        return new(
            grade.Class,
            fck * MPa,
            fcm * MPa,
            grade.Fctm ?? fctm * MPa,
            grade.Ecm
                ?? (
                    ksi is { } f
                        ? 120e3 * Math.Pow(f <= 5 ? 0.145 : 0.140 + 0.001 * f, 2) * Math.Pow(f, 0.33) * Ksi * MPa
                        : 22e9 * Math.Pow(fcm / 10, 0.3)
                ),
            grade.EpsilonC2 ?? (normal ? 0.0020 : (2.0 + 0.085 * Math.Pow(fck - 50, 0.53)) / 1000),
            grade.Line is { } own ? own[^1].Strain : grade.EpsilonCu2 ?? (normal ? 0.0035 : (2.6 + 35 * Math.Pow(above, 4)) / 1000),
            grade.Exponent ?? (normal ? 2.0 : 1.4 + 23.4 * Math.Pow(above, 4))
        )
        {
            Line = grade.Line ?? [],
        };
    }

    /// <summary>Own stress-strain line; empty for parabola and rectangle.</summary>
    public ImmutableArray<LinePoint> Line { get; init; } = [];

    /// <summary>Strains at which the stress-strain line has a corner or changes its law.</summary>
    public IEnumerable<double> Corners => Line.IsEmpty ? [EpsilonC2] : Line.Select(p => p.Strain);

    /// <summary>fcd = αcc·fck/γC (EN 1992-1-1 3.1.6(1)).</summary>
    public double DesignStrength(double alphaCc, double gammaC) => alphaCc * Fck / gammaC;

    /// <summary>
    /// Design stress at a compressive strain (both positive), the parabola-rectangle diagram of EN 1992-1-1 3.1.7(1):
    /// σ = fcd·(1 − (1 − ε/εc2)^n) to εc2, then fcd to εcu2; an own line times fcd/fck. Zero in tension and beyond εcu2 unchanged.
    /// </summary>
    public double Stress(double strain, double fcd)
    {
        if (strain <= 0)
            return 0;
        if (!Line.IsEmpty)
            return StressLine.At(Line, strain) * fcd / Fck;
        return strain >= EpsilonC2 ? fcd : fcd * (1 - Math.Pow(1 - strain / EpsilonC2, Exponent));
    }
}
