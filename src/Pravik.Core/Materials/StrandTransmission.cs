namespace Pravik.Core.Materials;

/// <summary>
/// Transmission of the force of pretensioned strands to the concrete (EN 1992-1-1 8.10.2.2): seven-wire strand, sudden release, good
/// bond.
/// </summary>
public static class StrandTransmission
{
    /// <summary>α₁, sudden release.</summary>
    public const double SuddenRelease = 1.25;

    /// <summary>α₂, seven-wire strand.</summary>
    public const double SevenWire = 0.19;

    private const double BondAtRelease = 3.2;

    /// <summary>
    /// l_pt = α₁·α₂·φ·σ_pm0/f_bpt, f_bpt = η_p1·η₁·f_ctd(t), f_ctd(t) = 0.7·f_ctm(t)/γ_C (8.15, 8.16) (m). Design values are 0.8 and 1.2
    /// of it (8.17, 8.18).
    /// </summary>
    /// <param name="diameter">Diameter of the strand (m).</param>
    /// <param name="stress">σ_pm0, just after release (Pa).</param>
    /// <param name="fctm">f_ctm(t) at release (Pa).</param>
    /// <param name="gammaC">γ_C.</param>
    public static double Length(double diameter, double stress, double fctm, double gammaC) =>
        SuddenRelease * SevenWire * diameter * stress / (BondAtRelease * 0.7 * fctm / gammaC);
}
