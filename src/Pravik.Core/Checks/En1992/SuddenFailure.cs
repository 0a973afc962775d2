using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Steel that keeps a member from failing without warning (EN 1992-2 6.1(109), (110); EN 1992-1-1 9.2.1.1).
/// </summary>
/// <remarks>
/// Where strands hold the face that bending pulls, method (a): as strands are lost one after another, it must crack before it fails. The
/// part of them with which the frequent combination brings the face to f_ctm is λ = (f_ctm − (σ − σ_P))/σ_P; with that part
/// left the section carries the frequent moment, with the partial factors of accidental situations. Nothing is asked where
/// the face stays below f_ctm with no strand at all. Elsewhere method (b): A_s·f_yk ≥ M_rep/z (6.101a), M_rep = f_ctm·W of the
/// uncracked finished section, z = 0.9·d; without strands in the section also A_s ≥ max(0.26·f_ctm/f_yk, 0.0013)·b_w·d (9.1N) with the
/// width of the web. That is asked for where the face is in tension under the characteristic combination, prestress left out.
/// </remarks>
public sealed class SuddenFailure : ICheck
{
    private const double NoResistance = 99;
    private const string Clause = "EN 1992-2 6.1(109)";

    /// <inheritdoc/>
    public string Id => "sudden";

    /// <inheritdoc/>
    public string Subject => "steel against sudden failure";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        public IEnumerable<string> LeftOut =>
            members.Any(m => m.Points.Any(p => p.Section is { HasPretensioned: true }))
                ? ["steel against sudden failure where strands are not yet anchored"]
                : [];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            var point = member.Points[place];
            if (point.Section is not { } section || !IsAnchored(member, section))
                yield break;
            foreach (var isSagging in new[] { true, false })
            {
                if (HasStrands(section, isSagging) ? Left(member, point, isSagging) > 0 : Tension(member, point, isSagging) > 0)
                    yield return Of(member, point, isSagging, null);
            }
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) =>
            Of(member, member.Points[place], check == "sudden.sagging", calculation);
    }

    private static bool IsAnchored(Member member, MemberSection section) =>
        section.Strands.All(s => s.FromEnd >= StrandAnchorage.Of(s, member.Values).Anchorage);

    /// <summary>Characteristic stress at the face that bending pulls, without prestress (Pa).</summary>
    private static double Tension(Member member, MemberPoint point, bool isSagging)
    {
        var range = member.Effects(LimitState.Characteristic);
        if (member.Form == MemberForm.CastInPlace)
            return (isSagging ? 1 : -1) * range.Side(isSagging)[point.Number, GirderEffect.M];
        var face = isSagging ? GirderEffect.Bottom : GirderEffect.SlabTop;
        return range.Greatest[point.Number, face] - member.Prestress[point.Number, face];
    }

    private static GirderEffect FaceOf(bool isSagging) => isSagging ? GirderEffect.Bottom : GirderEffect.SlabTop;

    private static bool HasStrands(MemberSection section, bool isSagging) =>
        section.Strands.Any(s => s.Height < section.Depth / 2 == isSagging);

    private static MemberConcrete ConcreteAt(MemberSection section, bool isSagging) =>
        isSagging ? section.Concrete[^1] : section.Concrete[0];

    /// <summary>λ, the part of the strands with which the face reaches f_ctm under frequent loads; 0 where it stays below.</summary>
    private static double Left(Member member, MemberPoint point, bool isSagging)
    {
        var (face, fctm) = (FaceOf(isSagging), ConcreteAt(point.Section!, isSagging).Concrete.Fctm);
        var prestress = PrimaryAt(member, point, face);
        var others = member.Effects(LimitState.Frequent).Greatest[point.Number, face] - prestress;
        return others <= fctm || prestress >= 0 ? 0 : Math.Min(1, (others - fctm) / -prestress);
    }

    private static CheckOutcome Of(Member member, MemberPoint point, bool isSagging, Calculation? c) =>
        HasStrands(point.Section!, isSagging) ? ByStrands(member, point, isSagging, c) : ByBars(member, point, isSagging, c);

    /// <summary>Method (a): with the strands that are left the section carries the frequent moment.</summary>
    private static CheckOutcome ByStrands(Member member, MemberPoint point, bool isSagging, Calculation? c)
    {
        var (section, left, range) = (point.Section!, Left(member, point, isSagging), member.Effects(LimitState.Frequent));
        var effect = range.Layout.At(point.Number, GirderEffect.M);
        var primary = Primary(member, point);
        var moment = Math.Max(0, (isSagging ? 1 : -1) * (range.Side(isSagging)[effect] - primary.Moment));
        var axial = range.Together(effect, isSagging)[(int)GirderEffect.N] - primary.Axial;
        var rest = section with
        {
            Strands = [.. section.Strands.Select(s => s with { Steel = s.Steel with { Area = left * s.Steel.Area } })],
        };
        c?.Heading("Strands that are left when it cracks");
        if (c is not null)
            WriteLeft(c, member, point, isSagging, left);
        var state = new BendingResistance(member.Values.InAccidents()).At(
            rest,
            isSagging ? Bending.Sagging : Bending.Hogging,
            axial,
            point.AxialHeight,
            c
        );
        var carried = state?.Moment ?? 0;
        var utilisation = carried > 0 ? Math.Min(NoResistance, moment / carried) : NoResistance;
        if (c is not null)
        {
            c.Heading("Check");
            var name = range.Governing(effect, isSagging).Name;
            c.Line("M_freq", $"{name}, without the force of strands", moment, QuantityKind.Moment, Clause);
            c.Ratio("η", CheckWords.Met("M_freq / M_Rd(λ A_p)", utilisation), utilisation, 3, Clause);
        }
        return Outcome(point, isSagging, moment, carried, utilisation) with { Kind = QuantityKind.Moment };
    }

    /// <summary>
    /// What goes as steel goes: in a section cast in one the force of its steel about its axis, as supports go on answering to the rest of
    /// the tendons; of girders that are joined later the whole of prestress, as that answer is small.
    /// </summary>
    private static (double Axial, double Moment) Primary(Member member, MemberPoint point) =>
        member.IsCastInOne
            ? (
                -point.Section!.Strands.Sum(s => s.Area * s.EffectiveStress),
                -point.Section.Strands.Sum(s => s.Area * s.EffectiveStress * (point.AxialHeight - s.Height))
            )
            : (member.Prestress[point.Number, GirderEffect.N], member.Prestress[point.Number, GirderEffect.M]);

    /// <summary>The stress of that at a face (Pa).</summary>
    private static double PrimaryAt(Member member, MemberPoint point, GirderEffect face)
    {
        if (!member.IsCastInOne)
            return member.Prestress[point.Number, face];
        var (axial, moment) = Primary(member, point);
        var parts = LinearSection.Stresses(point.Section!, axial, point.AxialHeight, moment);
        return face == GirderEffect.Bottom ? parts[^1].StressAt(0) : parts[0].StressAt(point.Section!.Depth);
    }

    private static void WriteLeft(Calculation c, Member member, MemberPoint point, bool isSagging, double left)
    {
        var (face, range) = (FaceOf(isSagging), member.Effects(LimitState.Frequent));
        var prestress = PrimaryAt(member, point, face);
        var concrete = ConcreteAt(point.Section!, isSagging).Concrete;
        c.Line("σ", $"{FaceStress.NameOf(face)}, frequent", range.Greatest[point.Number, face], QuantityKind.Stress, Clause);
        c.Line("σ_P", "of it prestress", prestress, QuantityKind.Stress, Clause);
        c.Line("f_ctm", $"of {concrete.Class}", concrete.Fctm, QuantityKind.Stress, "EN 1992-1-1 Table 3.1");
        c.Ratio("λ", "(f_ctm − (σ − σ_P)) / σ_P", left, 3, $"{Clause}(a)");
    }

    /// <summary>Method (b): bars take over what the concrete carried.</summary>
    private static CheckOutcome ByBars(Member member, MemberPoint point, bool isSagging, Calculation? c)
    {
        var (section, concrete) = (point.Section!, ConcreteAt(point.Section!, isSagging).Concrete);
        var parts = LinearSection.Stresses(section, 0, 0, isSagging ? 1 : -1);
        var modulus = 1 / (isSagging ? parts[^1].StressAt(0) : parts[0].StressAt(section.Depth));
        var moment = concrete.Fctm * modulus;
        ImmutableArray<MemberBars> bars = [.. section.Bars.Where(b => b.IsTop != isSagging)];
        double ForceOf(MemberBars b) => b.Area * b.Steel.Fyk * BarAnchorage.Part(b, member.Values);
        var force = bars.Sum(ForceOf);
        var level = force > 0 ? bars.Sum(b => ForceOf(b) * b.Height) / force : 0.1 * section.Depth;
        var depth = isSagging || force == 0 ? section.Depth - level : level;
        var needed = moment / (0.9 * depth);
        var strength = bars.IsEmpty ? 0 : bars.Min(b => b.Steel.Fyk);
        var least = section.Strands.IsEmpty ? Math.Max(0.26 * concrete.Fctm, 0.0013 * strength) * section.WebWidth * depth : 0;
        var most = Math.Max(needed, least);
        var utilisation = force > 0 ? Math.Min(NoResistance, most / force) : NoResistance;
        if (c is not null)
        {
            c.Heading("As it first cracks");
            c.Line("f_ctm", $"of {concrete.Class}", concrete.Fctm, QuantityKind.Stress, "EN 1992-1-1 Table 3.1");
            c.Line("M_rep", "f_ctm W, the finished section, no prestress", moment, QuantityKind.Moment, Clause);
            c.Line("z", "0.9 d", 0.9 * depth, QuantityKind.Size, Clause);
            c.Line("M_rep / z", "force that bars take over", needed, QuantityKind.Force, "EN 1992-2 (6.101a)");
            if (least > 0)
                c.Line("F_min", "max(0.26 f_ctm, 0.0013 f_yk) b_w d", least, QuantityKind.Force, "EN 1992-1-1 (9.1N)");
            c.Heading("Check");
            foreach (var b in bars)
                c.Line("F", $"{b.Name}: A_s f_yk, as far as it is anchored", ForceOf(b), QuantityKind.Force, "EN 1992-2 (6.101a)");
            c.Ratio("η", CheckWords.Met("F_needed / Σ F", utilisation), utilisation, 3, $"{Clause}(b)");
        }
        return Outcome(point, isSagging, most, force, utilisation) with { Kind = QuantityKind.Force };
    }

    private static CheckOutcome Outcome(MemberPoint point, bool isSagging, double effect, double resistance, double utilisation) =>
        new(
            isSagging ? "sudden.sagging" : "sudden.hogging",
            $"Steel against sudden failure, {(isSagging ? "soffit" : "top")}",
            point.Number,
            point.Number,
            effect,
            resistance,
            utilisation,
            Clause
        )
        {
            Leads = GirderEffect.M,
            IsGreatest = isSagging,
            State = null,
        };
}
