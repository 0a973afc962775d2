using Pravik.Core.Calculations;
using Pravik.Core.Checks.Steel;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Composite sections under sagging: compact ones by moments (AASHTO LRFD 6.10.7.1), others by stresses of flanges and slab (6.10.7.2).
/// </summary>
internal sealed class PositiveFlexure
{
    private const string Compact = "AASHTO LRFD 6.10.7.1";
    private const string Noncompact = "AASHTO LRFD 6.10.7.2";
    private const string OfDuctility = "AASHTO LRFD 6.10.7.3";

    /// <summary>F_y of compact sections is at most 70 ksi (6.10.6.2.2).</summary>
    private const double MostYield = 70 * SteelGirders.Ksi;
    private readonly MemberSteel steel;
    private readonly FlangeStresses along;
    private readonly int place;
    private readonly bool isContinuous;
    private readonly PlasticMoment plastic;
    private readonly SteelStresses stresses;
    private readonly StateMoments acting;

    public PositiveFlexure(MemberSteel steel, FlangeStresses along, int place, bool isContinuous)
    {
        (this.steel, this.along, this.place, this.isContinuous) = (steel, along, place, isContinuous);
        (plastic, stresses, acting) = (new(steel), along.Of(steel, place, true), along.Moments(place, true));
    }

    /// <summary>Effect against resistance.</summary>
    public LimitResult Check(Calculation? c)
    {
        c?.Heading("Kind of section");
        c?.Line("D_cp", "web in compression at M_p", plastic.WebInCompression, QuantityKind.Size, "AASHTO LRFD D6.3.2");
        c?.Ratio("2 D_cp / t_w", $"compact: at most {WebLimit:0.0}", 2 * plastic.WebInCompression / steel.Plates.WebThickness, 1, Compact);
        c?.Remark($"The section is {(WhyNot is { } why ? $"not compact: {why}" : "compact")}.", "AASHTO LRFD 6.10.6.2.2");
        return WhyNot is null ? OfMoments(c) : OfStresses(c);
    }

    private double WebLimit => 3.76 * Math.Sqrt(steel.Steel.E / steel.FlangeYield(true));

    /// <summary>Why a section is not compact (6.10.6.2.2); null where it is.</summary>
    private string? WhyNot =>
        steel.IsCurved ? "the girder is curved in plan"
        : Math.Max(steel.FlangeYield(true), steel.FlangeYield(false)) > MostYield * (1 + 1e-9) ? "F_y is above 70 ksi"
        : steel.Plates.WebSlenderness > Proportions.WebWithoutStiffeners ? "D / t_w is above 150"
        : 2 * plastic.WebInCompression / steel.Plates.WebThickness > WebLimit ? "2 D_cp / t_w is above 3.76 √(E / F_yc)"
        : null;

    private LimitResult OfMoments(Calculation? c)
    {
        var (depth, total) = (plastic.Depth, steel.SlabTop);
        var reduced = depth <= 0.1 * total ? plastic.Moment : plastic.Moment * (1.07 - 0.7 * depth / total);
        var most = isContinuous ? 1.3 * YieldMoment : double.PositiveInfinity;
        var resistance = SteelGirders.Phi * Math.Min(reduced, most);
        var utilisation = acting.Total / resistance;
        if (c is not null)
        {
            c.Heading("Resistance");
            c.Line("M_p", "plates at F_y, slab at 0.85 f'_c, without its bars", plastic.Moment, QuantityKind.Moment, "AASHTO LRFD D6.1");
            c.Line("D_p", "from the slab’s top to the plastic neutral axis", depth, QuantityKind.Size, Compact);
            c.Line("D_t", "depth of the composite section", total, QuantityKind.Size, Compact);
            c.Line("M_n", "M_p; M_p (1.07 − 0.7 D_p / D_t) where D_p > 0.1 D_t", reduced, QuantityKind.Moment, Compact);
            if (isContinuous)
                c.Line("1.3 R_h M_y", "not above it in continuous spans, R_h = 1", most, QuantityKind.Moment, Compact);
            c.Heading("Check");
            c.Ratio("η", CheckWords.Met("M_u / φ_f M_n", utilisation), utilisation, 3, Compact);
        }
        return new("Flexure, sagging", acting.Total, resistance, utilisation, QuantityKind.Moment, Compact);
    }

    /// <summary>M_y: M_D1 + M_D2 + M_AD with M_D1/S_NC + M_D2/S_LT + M_AD/S_ST = F_y at the flange that yields first (D6.2.2).</summary>
    private double YieldMoment =>
        new[] { true, false }.Min(top =>
        {
            var z = top ? steel.Plates.Depth : 0;
            double Modulus(SteelState state) => steel.In(state) is var s ? s.SecondMoment / Math.Abs(z - s.Centroid) : 0;
            var left = steel.FlangeYield(top) - acting.Bare / Modulus(SteelState.Bare) - acting.LongTerm / Modulus(SteelState.LongTerm);
            return acting.Bare + acting.LongTerm + left * Modulus(SteelState.ShortTerm);
        });

    private LimitResult OfStresses(Calculation? c)
    {
        var flange = along.Resisting(steel, place, true, true);
        var (compressed, pulled) = (Math.Max(0, -stresses.Top), Math.Max(0, stresses.Bottom));
        if (c is not null)
            stresses.Write(c, true, Noncompact);
        var resistance = SteelGirders.Phi * flange.Plateau;
        c?.Ratio("R_b", "composite under sagging with D / t_w ≤ 150", flange.WebLoad, 3, "AASHTO LRFD 6.10.1.10.2");
        c?.Line("φ_f F_nc", "φ_f R_b R_h F_yc, held by the slab", resistance, QuantityKind.Stress, Noncompact);
        if (c is not null)
            stresses.Write(c, false, Noncompact);
        var sideways = LateralBending.Stress(steel, false, acting.Total, stresses.Bottom, null, 1, c);
        var yield = SteelGirders.Phi * steel.FlangeYield(false);
        c?.Line("φ_f F_nt", "φ_f R_h F_yt", yield, QuantityKind.Stress, Noncompact);
        var slab = 0.6 * steel.Slab.Strength;
        c?.Heading("Slab");
        c?.Line("f_deck", "compression at its top", stresses.SlabCompression, QuantityKind.Stress, Noncompact);
        c?.Line("0.6 f'_c", "limit", slab, QuantityKind.Stress, Noncompact);
        LimitResult[] all =
        [
            new("Flexure, sagging, top flange", -compressed, -resistance, compressed / resistance, QuantityKind.Stress, Noncompact),
            new(
                "Flexure, sagging, bottom flange",
                pulled + sideways / 3,
                yield,
                Math.Max((pulled + sideways / 3) / yield, sideways / (LateralBending.Most * steel.FlangeYield(false))),
                QuantityKind.Stress,
                Noncompact
            ),
            new(
                "Flexure, sagging, slab",
                -stresses.SlabCompression,
                -slab,
                stresses.SlabCompression / slab,
                QuantityKind.Stress,
                Noncompact
            ),
        ];
        var worst = all.Aggregate(LimitResult.Worse);
        if (c is not null)
        {
            c.Heading("Check");
            c.Ratio("η_t", "top flange, |f_bu| / φ_f F_nc", all[0].Utilisation, 3, Noncompact);
            c.Ratio("η_b", "bottom flange, (f_bu + f_l / 3) / φ_f F_nt, f_l within 0.6 F_yf", all[1].Utilisation, 3, Noncompact);
            c.Ratio("η_s", "slab, f_deck / 0.6 f'_c", all[2].Utilisation, 3, Noncompact);
            c.Ratio("η", CheckWords.Met("the greatest", worst.Utilisation), worst.Utilisation, 3, Noncompact);
        }
        return worst;
    }

    /// <summary>D_p ≤ 0.42·D_t, so that the slab does not crush before steel yields.</summary>
    public static LimitResult Ductility(MemberSteel steel, Calculation? c)
    {
        var (plastic, most) = (new PlasticMoment(steel), 0.42 * steel.SlabTop);
        var utilisation = plastic.Depth / most;
        if (c is not null)
        {
            c.Heading("Ductility");
            c.Line("D_p", "from the slab’s top to the plastic neutral axis", plastic.Depth, QuantityKind.Size, OfDuctility);
            c.Line("0.42 D_t", "limit, D_t the depth of the composite section", most, QuantityKind.Size, OfDuctility);
            c.Ratio("η", CheckWords.Met("D_p / 0.42 D_t", utilisation), utilisation, 3, OfDuctility);
        }
        return new("Ductility under sagging", plastic.Depth, most, utilisation, QuantityKind.Size, OfDuctility);
    }
}
