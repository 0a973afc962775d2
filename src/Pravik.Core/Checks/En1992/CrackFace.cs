using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>A face of a section in tension whose bars hold cracks: how wide they open (EN 1992-1-1 7.3.4).</summary>
/// <remarks>
/// w_k = s_r,max·(ε_sm − ε_cm) (7.8); ε_sm − ε_cm = [σ_s − k_t·f_ct,eff/ρ·(1 + α_e·ρ)]/E_s ≥ 0.6·σ_s/E_s (7.9) with k_t = 0.4 of what
/// stays; s_r,max = 3.4·c + 0.425·k₁·k₂·φ/ρ (7.11) with k₁ = 0.8, k₂ = (ε₁ + ε₂)/(2·ε₁) (7.13), at least 1.3·(h − x) where bars are
/// farther apart than 5·(c + φ/2) (7.14); ρ = A_s/A_c,eff, h_c,ef = min(2.5·(h − d), (h − x)/3, half of the part) (7.3.2(3)).
/// The bars' stress comes from <see cref="CrackedSection"/>: what the concrete carried in tension before, each action on the section of its
/// time, goes to the bars.
/// </remarks>
internal sealed class CrackFace
{
    private const double LongTerm = 0.4;
    private const double Bond = 0.8;
    private const double NoResistance = 99;
    private readonly Member member;
    private readonly MemberPoint point;
    private readonly MemberSection section;
    private readonly GirderEffect face;
    private readonly EffectRange sustained;
    private readonly CrackedSection? cracked;
    private readonly ElasticConcrete tensile = null!;
    private readonly ElasticSteel steel = null!;
    private double? area;
    private double? width;

    /// <summary>A face at a place.</summary>
    /// <param name="member">The member.</param>
    /// <param name="point">The place, with a section.</param>
    /// <param name="face">Top of the slab, or soffit.</param>
    public CrackFace(Member member, MemberPoint point, GirderEffect face)
    {
        (this.member, this.point, section, this.face) = (member, point, point.Section!, face);
        sustained = member.Effects(LimitState.QuasiPermanent);
        Concrete = (IsTop ? section.Concrete[0] : section.Concrete[^1]).Concrete;
        Bars = section.Bars.Where(b => b.IsTop == IsTop && b.Diameter > 0).MaxBy(b => IsTop ? b.Height : -b.Height);
        First = Stress(member.Effects(LimitState.Characteristic), face);
        Stays = Stress(sustained, face);
        if (First <= Concrete.Fctm || Stays <= 0 || Bars is null)
            return;
        var parts = Before();
        ImmutableArray<ElasticSteel> layers = [.. Steel(parts)];
        (tensile, steel) = (IsTop ? parts[0] : parts[^1], layers[section.Bars.IndexOf(Bars)]);
        cracked = CrackedSection.Of(parts, layers);
    }

    private bool IsTop => face == GirderEffect.SlabTop;

    /// <summary>Whether all acts on one section, by its moment and axial force.</summary>
    private bool IsInOne => member.IsCastInOne;

    /// <summary>The bars nearest to the face; null where there are none.</summary>
    public MemberBars? Bars { get; }

    /// <summary>Concrete at the face.</summary>
    public Concrete Concrete { get; }

    /// <summary>Stress at the face under the characteristic combination, which cracks it where it is more than f_ctm (Pa).</summary>
    public double First { get; }

    /// <summary>Stress there under the quasi-permanent combination, as if it were not cracked (Pa).</summary>
    public double Stays { get; }

    /// <summary>Whether it cracks, and cracks stay open.</summary>
    public bool IsOpen => First > Concrete.Fctm && Stays > 0;

    /// <summary>w_max (m).</summary>
    public double Limit => member.Values["crackWidth"] * 1e-3;

    /// <summary>Width of cracks over the limit.</summary>
    public double Utilisation => Math.Min(NoResistance, Width / Limit);

    /// <summary>σ_s (Pa).</summary>
    public double SteelStress => cracked is null ? double.PositiveInfinity : cracked.StressOf(steel);

    /// <summary>Layers of bars at the face: the nearest, and those not more than 2.5 times as far from it.</summary>
    private IEnumerable<MemberBars> Near =>
        section.Bars.Where(b => b.IsTop == IsTop && b.Diameter > 0 && FromFace(b) <= 2.5 * FromFace(Bars!) + 1e-9);

    /// <summary>Those of them that lie in the effective area in tension.</summary>
    private IEnumerable<MemberBars> Within => Near.Where(b => FromFace(b) <= EffectiveHeight + 1e-9 || b == Bars);

    private double FromFace(MemberBars bars) => IsTop ? section.Depth - bars.Height : bars.Height;

    /// <summary>h − d, from the face to the centroid of the bars near it (m).</summary>
    private double ToCentroid => Near.Sum(b => b.Area * FromFace(b)) / Near.Sum(b => b.Area);

    /// <summary>φ_eq = Σ n·φ² / Σ n·φ of bars of several diameters (7.12), n = A/(π·φ²/4).</summary>
    private double Diameter => Within.Sum(b => b.Area) / Within.Sum(b => b.Area / b.Diameter);

    private double Cover => FromFace(Bars!) - Bars!.Diameter / 2;

    /// <summary>Distance of the bars that lie side by side nearest to the face (m); 0 where they are entered by number.</summary>
    private double Distance
    {
        get
        {
            var beside = Near.Where(b => Math.Abs(FromFace(b) - FromFace(Bars!)) < 1e-3).ToList();
            return beside.TrueForAll(b => b.Spacing > 0) ? 1 / beside.Sum(b => 1 / b.Spacing) : 0;
        }
    }

    private double FaceHeight => IsTop ? section.Depth : 0;

    /// <summary>Height of the part of the section at the face: the slab, or the whole (m).</summary>
    private double Part => IsTop ? section.Concrete[0].Outline.Top - section.Concrete[0].Outline.Bottom : section.Depth;

    /// <summary>h − x, how deep the tension reaches from the face (m).</summary>
    private double Tension
    {
        get
        {
            var (near, far) = (cracked!.StrainOf(tensile, FaceHeight), cracked.StrainOf(tensile, section.Depth - FaceHeight));
            return far < near ? Math.Min(section.Depth, section.Depth * near / (near - far)) : section.Depth;
        }
    }

    private double EffectiveHeight => Math.Min(Math.Min(2.5 * ToCentroid, Tension / 3), Part / 2);

    private double EffectiveArea => area ??= AreaWithin(EffectiveHeight);

    private double AreaWithin(double reach)
    {
        const int Slices = 40;
        var height = reach / Slices;
        return Enumerable
            .Range(0, Slices)
            .Sum(i => height * section.Concrete.Sum(c => c.Outline.WidthAt(FaceHeight + (IsTop ? -1 : 1) * (i + 0.5) * height)));
    }

    private double Ratio => SteelArea / EffectiveArea;

    private double SteelArea => Within.Sum(b => b.Area);

    /// <summary>k₂, between 0.5 where the strain goes to nothing over the part and 1 where it is even.</summary>
    private double StrainShape
    {
        get
        {
            var near = cracked!.StrainOf(tensile, FaceHeight);
            var far = cracked.StrainOf(tensile, FaceHeight + (IsTop ? -Part : Part));
            return (near + Math.Max(0, far)) / (2 * near);
        }
    }

    private bool IsSparse => Distance > 5 * (Cover + Diameter / 2);

    private double Spacing
    {
        get
        {
            var near = 3.4 * Cover + 0.425 * Bond * StrainShape * Diameter / Ratio;
            return IsSparse ? Math.Max(near, 1.3 * Tension) : near;
        }
    }

    private double Moduli => Bars!.Steel.Es / Concrete.Ecm;

    private double Strain
    {
        get
        {
            var stiffened = SteelStress - LongTerm * Concrete.Fctm / Ratio * (1 + Moduli * Ratio);
            return Math.Max(stiffened, 0.6 * SteelStress) / Bars!.Steel.Es;
        }
    }

    /// <summary>w_k (m): 0 where the face does not crack, infinite where no bars hold it.</summary>
    public double Width =>
        width ??=
            !IsOpen ? 0
            : cracked is null ? double.PositiveInfinity
            : Math.Max(0, Spacing * Strain);

    /// <summary>Stress at a face, prestress taken as is worse for the face in question (Pa).</summary>
    private double Stress(EffectRange range, GirderEffect where)
    {
        if (IsInOne)
        {
            return At(InOne(range));
        }
        var whole = range.Layout.At(point.Number, face);
        var part = member.Prestress[point.Number, face];
        var factor = part > 0 ? member.PrestressFactors(section).More : member.PrestressFactors(section).Less;
        // What acts together with the greatest stress at the face, at another one.
        var sum = where == face ? range.Greatest[whole] : range.Beside(whole, true, range.Layout.At(point.Number, where));
        return sum + (factor - 1) * member.Prestress[point.Number, where];
    }

    private double At(ImmutableArray<ElasticConcrete> parts) => IsTop ? parts[0].StressAt(section.Depth) : parts[^1].StressAt(0);

    /// <summary>Stresses of a section cast in one that stretch the face most, prestress as it is worse.</summary>
    private ImmutableArray<ElasticConcrete> InOne(EffectRange range)
    {
        double Prestress(GirderEffect effect) => member.Prestress[point.Number, effect];
        var (axial, moment) = (Prestress(GirderEffect.N), Prestress(GirderEffect.M));
        if (axial == 0 && moment == 0)
            return LinearSection.Stresses(point, range, !IsTop);
        var part = At(LinearSection.Stresses(section, axial, point.AxialHeight, moment));
        var factor = (part > 0 ? member.PrestressFactors(section).More : member.PrestressFactors(section).Less) - 1;
        var leads = range.Layout.At(point.Number, GirderEffect.M);
        return LinearSection.Stresses(
            section,
            range.Together(leads, !IsTop)[(int)GirderEffect.N] + factor * axial,
            point.AxialHeight,
            range.Side(!IsTop)[leads] + factor * moment
        );
    }

    /// <summary>Concrete before it cracks: the slab evenly stressed as at its top, the girder straight between soffit and top.</summary>
    private ImmutableArray<ElasticConcrete> Before()
    {
        if (IsInOne)
            return InOne(sustained);
        var (bottom, top) = (Stress(sustained, GirderEffect.Bottom), Stress(sustained, GirderEffect.GirderTop));
        return LinearSection.Straight(section, bottom, top, Stress(sustained, GirderEffect.SlabTop));
    }

    private IEnumerable<ElasticSteel> Steel(ImmutableArray<ElasticConcrete> parts)
    {
        foreach (var bars in LinearSection.Bars(section, parts))
            yield return bars;
        foreach (var row in section.Strands)
            yield return new(row.Height, row.Area, row.Steel.Ep, 0);
    }

    /// <summary>Writes how the width comes about.</summary>
    public void Write(Calculation c)
    {
        const string Clause = "EN 1992-1-1 7.3.4";
        c.Heading("Whether it cracks");
        c.Line("σ", $"{FaceStress.NameOf(face)}, characteristic, uncracked", First, QuantityKind.Stress, "EN 1992-1-1 7.1(2)");
        c.Line("f_ct,eff", $"f_ctm of {Concrete.Class}", Concrete.Fctm, QuantityKind.Stress, "EN 1992-1-1 7.1(2)");
        c.Heading("What stays");
        var (leads, isGreatest) = IsInOne ? (GirderEffect.M, !IsTop) : (face, true);
        var effect = sustained.Layout.At(point.Number, leads);
        var governing = sustained.Governing(effect, isGreatest);
        c.Remark($"Quasi-permanent: {governing.Name}.", governing.Clause);
        EffectLines.Write(c, governing, effect, isGreatest, IsInOne ? "M" : "σ", IsInOne ? QuantityKind.Moment : QuantityKind.Stress);
        var words = IsInOne ? "uncracked, by the moment and the axial force beside it" : "uncracked, prestress as it is worse";
        c.Line("σ", $"{FaceStress.NameOf(face)}, {words}", Stays, QuantityKind.Stress, "EN 1992-1-1 5.10.9");
        if (!IsOpen)
            c.Remark(First <= Concrete.Fctm ? "It does not crack: σ ≤ f_ct,eff." : "Cracks close under what stays.", "EN 1992-1-1 7.1(2)");
        else if (cracked is null)
            c.Remark(Bars is null ? "No bars hold the cracks." : "The cracked section does not carry what acts.", Clause);
        else
            WriteWidth(c, Clause);
        c.Heading("Check");
        if (double.IsFinite(Width))
            c.Line("w_k", "width of cracks", Width, QuantityKind.CrackWidth, Clause);
        c.Line("w_max", $"{member.Exposure}, bars", Limit, QuantityKind.CrackWidth, "EN 1992-2 Table 7.101N");
        c.Ratio("η", CheckWords.Met("w_k / w_max", Utilisation), Utilisation, 3, Clause);
    }

    private void WriteWidth(Calculation c, string clause)
    {
        c.Heading("Cracked section");
        c.Line(
            "σ_s",
            $"{Bars!.Name}: with what the concrete carried in tension{(IsInOne ? "" : ", taken as even over the slab")}",
            SteelStress,
            QuantityKind.Stress,
            "EN 1992-1-1 7.3.4(2)"
        );
        c.Line("h − x", "depth of tension", Tension, QuantityKind.Size, "EN 1992-1-1 7.3.2(3)");
        c.Line("h_c,ef", "min(2.5 (h − d), (h − x) / 3, h / 2)", EffectiveHeight, QuantityKind.Size, "EN 1992-1-1 7.3.2(3)");
        c.Ratio("ρ_p,eff", $"A_s / A_c,eff, {c.Text(SteelArea, QuantityKind.SmallArea)}", Ratio, 4, "EN 1992-1-1 (7.10)");
        c.Heading("Width of cracks");
        c.Line("c", "cover to the bars", Cover, QuantityKind.Size, "entered");
        if (Within.Select(b => b.Diameter).Distinct().Count() > 1)
            c.Line("φ", "φ_eq = Σ n φ² / Σ n φ", Diameter, QuantityKind.Size, "EN 1992-1-1 (7.12)");
        c.Ratio("k_2", "(ε_1 + ε_2) / (2 ε_1)", StrainShape, 2, "EN 1992-1-1 (7.13)");
        var words = IsSparse ? "1.3 (h − x), bars farther apart than 5 (c + φ/2)" : "3.4 c + 0.425 k_1 k_2 φ / ρ_p,eff, k_1 = 0.8";
        c.Line("s_r,max", words, Spacing, QuantityKind.Size, IsSparse ? "EN 1992-1-1 (7.14)" : "EN 1992-1-1 (7.11)");
        c.Line(
            "ε_sm − ε_cm",
            "(σ_s − 0.4 f_ct,eff / ρ (1 + α_e ρ)) / E_s ≥ 0.6 σ_s / E_s",
            Strain,
            QuantityKind.Strain,
            "EN 1992-1-1 (7.9)"
        );
    }
}
