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
/// σ_pm0 is the greatest that 5.10.3(2) allows and the tensile strength at release 0.7 of that at 28 days, as neither is entered.
/// </remarks>
public sealed class StrandAnchorage
{
    private const double ReleaseStrength = 0.7;
    private const double SuddenRelease = 1.25;
    private const double SevenWire = 0.19;
    private const double BondAtRelease = 3.2;
    private const double BondAtUltimate = 1.2;
    private readonly double effective;

    /// <param name="strand">The strand.</param>
    /// <param name="concrete">Concrete of the girder.</param>
    /// <param name="effectiveStress">σ_pm∞, stress after all losses (Pa).</param>
    /// <param name="values">National values.</param>
    public StrandAnchorage(PrestressingSteel strand, Concrete concrete, double effectiveStress, NationalValues values)
    {
        effective = effectiveStress;
        Design = Math.Max(effectiveStress, strand.Fp01k / values["gammaS"]);
        AtRelease = Math.Min(0.75 * strand.Fpk, 0.85 * strand.Fp01k);
        var tensile = 0.7 * concrete.Fctm / values["gammaC"];
        Transmission = 1.2 * SuddenRelease * SevenWire * strand.Diameter * AtRelease / (BondAtRelease * ReleaseStrength * tensile);
        Anchorage = Transmission + SevenWire * strand.Diameter * (Design - effectiveStress) / (BondAtUltimate * tensile);
    }

    /// <summary>The anchorage of the strands of a row.</summary>
    public static StrandAnchorage Of(MemberStrands row, NationalValues values) => new(row.Steel, row.Concrete, row.EffectiveStress, values);

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
