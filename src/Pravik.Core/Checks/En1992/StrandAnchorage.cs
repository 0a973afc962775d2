using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>How much of a pretensioned strand's strength is anchored at a distance from where its bond begins.</summary>
/// <remarks>
/// EN 1992-1-1 8.10.2.2 and 8.10.2.3: f_bpt = η_p1·η₁·f_ctd(t), l_pt = α₁·α₂·φ·σ_pm0/f_bpt, l_pt2 = 1.2·l_pt, l_bpd = l_pt2 + α₂·φ·(σ_pd −
/// σ_pm∞)/f_bpd; the stress rises linearly from 0 to σ_pm∞ at l_pt2 and on to σ_pd at l_bpd. Seven-wire strand, sudden release, good bond;
/// σ_pm0 is that after release, the greatest that 5.10.3(2) allows where stresses after losses are entered.
/// </remarks>
public sealed class StrandAnchorage
{
    private const double BondAtUltimate = 1.2;
    private readonly double effective;

    /// <param name="strand">The strand.</param>
    /// <param name="concrete">Concrete of the girder.</param>
    /// <param name="fctmAtRelease">f_ctm(t) of it when strands are released (Pa).</param>
    /// <param name="stressAtRelease">σ_pm0 (Pa).</param>
    /// <param name="effectiveStress">σ_pm∞, stress after all losses (Pa).</param>
    /// <param name="values">National values.</param>
    public StrandAnchorage(
        PrestressingSteel strand,
        Concrete concrete,
        double fctmAtRelease,
        double stressAtRelease,
        double effectiveStress,
        NationalValues values
    )
    {
        (effective, AtRelease) = (effectiveStress, stressAtRelease);
        Design = Math.Max(effectiveStress, strand.Fp01k / values["gammaS"]);
        Transmission = 1.2 * StrandTransmission.Length(strand.Diameter, AtRelease, fctmAtRelease, values.Persistent["gammaC"]);
        var bond = BondAtUltimate * 0.7 * concrete.Fctm / values["gammaC"];
        Anchorage = Transmission + StrandTransmission.SevenWire * strand.Diameter * (Design - effectiveStress) / bond;
    }

    /// <summary>The anchorage of the strands of a row.</summary>
    public static StrandAnchorage Of(MemberStrands row, NationalValues values) =>
        new(row.Steel, row.Concrete, row.FctmAtRelease, row.StressAtRelease, row.EffectiveStress, values);

    /// <summary>σ_pd and σ_pm0 (Pa).</summary>
    public double Design { get; }

    /// <summary>σ_pm0, stress just after release (Pa).</summary>
    public double AtRelease { get; }

    /// <summary>l_pt2 and l_bpd (m).</summary>
    public double Transmission { get; }

    /// <summary>l_bpd, length over which the design stress is anchored (m).</summary>
    public double Anchorage { get; }

    /// <summary>Part of σ_pd that is anchored at a distance from where bond begins: 0 before it, 1 beyond l_bpd.</summary>
    public double At(double distance) =>
        distance <= 0 ? 0
        : distance < Transmission ? effective / Design * distance / Transmission
        : distance < Anchorage ? (effective + (Design - effective) * (distance - Transmission) / (Anchorage - Transmission)) / Design
        : 1;

    /// <summary>Writes the lengths.</summary>
    public void Write(Calculation c)
    {
        c.Line("l_pt2", "1.2 α_1 α_2 φ σ_pm0 / f_bpt, transmission length", Transmission, QuantityKind.Size, "EN 1992-1-1 (8.16), (8.18)");
        c.Line("l_bpd", "l_pt2 + α_2 φ (σ_pd − σ_pm∞) / f_bpd, anchorage length", Anchorage, QuantityKind.Size, "EN 1992-1-1 (8.21)");
    }
}
