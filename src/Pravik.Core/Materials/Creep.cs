namespace Pravik.Core.Materials;

/// <summary>Creep of concrete by EN 1992-1-1 Annex B.1.</summary>
/// <param name="Concrete">The concrete.</param>
/// <param name="Humidity">Relative humidity of the air, 0 to 1.</param>
/// <param name="NotionalSize">h₀ = 2A_c/u (m).</param>
/// <param name="Cement">Class of cement: S, N or R.</param>
public sealed record Creep(Concrete Concrete, double Humidity, double NotionalSize, string Cement)
{
    private double Fcm => Concrete.Fcm / 1e6;
    private double Size => NotionalSize * 1000;

    /// <summary>
    /// φ₀ = φ_RH·β(f_cm)·β(t₀): φ_RH = 1 + (1 − RH)/(0.1·h₀^⅓) to f_cm = 35 MPa, [1 + (1 − RH)/(0.1·h₀^⅓)·α₁]·α₂ above (B.3); β(f_cm) =
    /// 16.8/√f_cm (B.4); β(t₀) = 1/(0.1 + t₀^0.20) (B.5), the age t₀ (days) being
    /// adjusted for the cement, t₀·(9/(2 + t₀^1.2) + 1)^α ≥ 0.5 (B.9).
    /// </summary>
    public double Notional(double loadedAt)
    {
        var humid = (1 - Humidity) / (0.1 * Math.Cbrt(Size));
        var (a1, a2) = Fcm > 35 ? (Math.Pow(35 / Fcm, 0.7), Math.Pow(35 / Fcm, 0.2)) : (1, 1);
        var age = Math.Max(
            0.5,
            loadedAt
                * Math.Pow(
                    9 / (2 + Math.Pow(loadedAt, 1.2)) + 1,
                    Cement switch
                    {
                        "S" => -1,
                        "R" => 1,
                        _ => 0,
                    }
                )
        );
        return (1 + humid * a1) * a2 * 16.8 / Math.Sqrt(Fcm) / (0.1 + Math.Pow(age, 0.20));
    }

    /// <summary>
    /// φ(t, t₀) = φ₀·[(t − t₀)/(β_H + t − t₀)]^0.3 (B.1, B.7), β_H = 1.5·[1 + (0.012·RH)¹⁸]·h₀ + 250·α₃ ≤ 1500·α₃ (B.8), days; 0 before
    /// the load comes. Ages under half a day count as half a day.
    /// </summary>
    public double At(double age, double loadedAt)
    {
        var from = Math.Max(0.5, loadedAt);
        if (age <= from)
            return 0;
        var a3 = Fcm > 35 ? Math.Sqrt(35 / Fcm) : 1;
        var reach = Math.Min(1500 * a3, 1.5 * (1 + Math.Pow(1.2 * Humidity, 18)) * Size + 250 * a3);
        return Notional(from) * Math.Pow((age - from) / (reach + age - from), 0.3);
    }
}
