namespace Pravik.Core.Materials;

/// <summary>Shrinkage of concrete by EN 1992-1-1 3.1.4 and Annex B.2.</summary>
/// <param name="Concrete">The concrete.</param>
/// <param name="Humidity">Relative humidity of the air, 0 to 1.</param>
/// <param name="NotionalSize">h₀ = 2A_c/u (m).</param>
/// <param name="Cement">Class of cement: S, N or R.</param>
public sealed record Shrinkage(Concrete Concrete, double Humidity, double NotionalSize, string Cement)
{
    /// <summary>Age at which drying begins (days): the end of curing.</summary>
    public const double Drying = 3;
    private static readonly (double Size, double Factor)[] Sizes = [(100, 1.0), (200, 0.85), (300, 0.75), (500, 0.70)];

    /// <summary>
    /// ε_cd,0 = 0.85·[(220 + 110·α_ds1)·exp(−α_ds2·f_cm/10)]·10⁻⁶·β_RH, β_RH = 1.55·(1 − RH³) (B.11, B.12); shortening positive.
    /// </summary>
    public double NominalDrying
    {
        get
        {
            var (a1, a2) = Cement switch
            {
                "S" => (3.0, 0.13),
                "R" => (6.0, 0.11),
                _ => (4.0, 0.12),
            };
            return 0.85e-6 * (220 + 110 * a1) * Math.Exp(-a2 * Concrete.Fcm / 1e7) * 1.55 * (1 - Math.Pow(Humidity, 3));
        }
    }

    /// <summary>k_h of Table 3.3, straight between its entries.</summary>
    public double SizeFactor
    {
        get
        {
            var size = NotionalSize * 1000;
            if (size <= Sizes[0].Size)
                return Sizes[0].Factor;
            for (var i = 1; i < Sizes.Length; i++)
            {
                var (a, b) = (Sizes[i - 1], Sizes[i]);
                if (size <= b.Size)
                    return a.Factor + (size - a.Size) / (b.Size - a.Size) * (b.Factor - a.Factor);
            }
            return Sizes[^1].Factor;
        }
    }

    /// <summary>
    /// Shortening at an age (days): drying, (t − t_s)/(t − t_s + 0.04·√h₀³)·k_h·ε_cd,0 (3.9, 3.10), and autogenous, (1 −
    /// exp(−0.2·√t))·2.5·(f_ck − 10)·10⁻⁶ (3.11 to 3.13).
    /// </summary>
    public double At(double age)
    {
        if (age <= 0)
            return 0;
        var (dry, size) = (Math.Max(0, age - Drying), NotionalSize * 1000);
        return dry / (dry + 0.04 * Math.Sqrt(size * size * size)) * SizeFactor * NominalDrying
            + (1 - Math.Exp(-0.2 * Math.Sqrt(age))) * 2.5e-6 * Math.Max(0, Concrete.Fck / 1e6 - 10);
    }
}
