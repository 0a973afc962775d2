namespace Pravik.Core.Materials;

/// <summary>Concrete at an age below 28 days, as when strands are released (EN 1992-1-1 3.1.2, 3.1.3; Annex B.1(3)).</summary>
/// <param name="Concrete">The concrete at 28 days.</param>
/// <param name="Cement">Class of cement: S, N or R.</param>
/// <param name="Age">Age (days).</param>
/// <param name="Entered">f_ck(t) as entered (Pa); null for what the age gives.</param>
/// <param name="HeatTemperature">Temperature of heat curing (°C).</param>
/// <param name="HeatHours">Hours at that temperature; the rest of the age is at 20 °C.</param>
public sealed record EarlyConcrete(
    Concrete Concrete,
    string Cement,
    double Age,
    double? Entered = null,
    double HeatTemperature = 20,
    double HeatHours = 0
)
{
    private const double MarginOfMean = 8e6;
    private const double Full = 28;

    /// <summary>
    /// Age adjusted for temperature, t_T = Σ e^(13.65 − 4000/(273 + T))·Δt (B.10) (days); 20 °C counts as 1.
    /// </summary>
    public double Maturity
    {
        get
        {
            static double Rate(double temperature) => Math.Exp(13.65 - 4000 / (273 + temperature));
            var heated = Math.Min(HeatHours / 24, Age);
            return Rate(HeatTemperature) / Rate(20) * heated + (Age - heated);
        }
    }

    /// <summary>β_cc = f_cm(t)/f_cm = e^(s·(1 − √(28/t))), s = 0.38, 0.25, 0.20 for cement S, N, R (3.2); at most 1.</summary>
    public double Growth
    {
        get
        {
            if (Entered is { } strength)
                return Math.Min(1, (strength + MarginOfMean) / Concrete.Fcm);
            var s = Cement switch
            {
                "S" => 0.38,
                "R" => 0.20,
                _ => 0.25,
            };
            return Math.Exp(s * (1 - Math.Sqrt(Full / Math.Min(Full, Maturity))));
        }
    }

    /// <summary>f_cm(t) (Pa).</summary>
    public double Fcm => Growth * Concrete.Fcm;

    /// <summary>f_ck(t) = f_cm(t) − 8 MPa below 28 days (3.1.2(5)) (Pa).</summary>
    public double Fck => Math.Min(Concrete.Fck, Fcm - MarginOfMean);

    /// <summary>f_ctm(t) = β_cc·f_ctm below 28 days (3.4) (Pa).</summary>
    public double Fctm => Growth * Concrete.Fctm;

    /// <summary>E_cm(t) = (f_cm(t)/f_cm)^0.3·E_cm (3.5) (Pa).</summary>
    public double Ecm => Math.Pow(Growth, 0.3) * Concrete.Ecm;
}
