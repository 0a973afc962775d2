using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// The tension that shear asks of the steel at the soffit over an end support, against what is anchored beyond the front of the bearing (EN
/// 1992-1-1 9.2.1.4).
/// </summary>
/// <remarks>
/// F_Ed = |V_Ed|·a_l/z + N_Ed (9.3) with a_l = z·cot θ/2. Strands count with what <see cref="StrandAnchorage"/> has from where their bond
/// begins to the front of the bearing, bars with f_yd as far as they are anchored there. At inner supports (9.2.1.5) the shifted moments of
/// ultimate bending cover it.
/// </remarks>
public sealed class SupportAnchorage : ICheck
{
    private const double NoResistance = 99;
    private const string Clause = "EN 1992-1-1 9.2.1.4";

    /// <inheritdoc/>
    public string Id => "anchorage";

    /// <inheritdoc/>
    public string Subject => "anchorage at end supports";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        public IEnumerable<string> LeftOut =>
            members.Any(m => m.Points.Where((p, place) => FreeEnd(m, place) is not null && m.ToBearing(p) is null).Any())
                ? ["anchorage at ends of girders that end in a diaphragm, short of the bearing"]
                : [];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            if (FreeEnd(member, place) is { } end && member.ToBearing(member.Points[place]) is { } front)
                yield return Of(member, place, end, front, null);
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) =>
            Of(member, place, FreeEnd(member, place)!, member.ToBearing(member.Points[place])!.Value, calculation);
    }

    /// <summary>The end of the member next to a place, beyond which nothing stands; null where there is none.</summary>
    private static MemberPoint? FreeEnd(Member member, int place) =>
        member.Points[place].Section is { IsInterrupted: false } && ActingShear.EndOf(member, place) is { Section: null } end ? end : null;

    private static CheckOutcome Of(Member member, int place, MemberPoint end, double front, Calculation? c)
    {
        var (point, section) = (member.Points[place], member.Points[place].Section!);
        ActingShear Shear(bool isGreatest) => ActingShear.Of(member, point, isGreatest).Nearer(member, end, 0);
        var acting = new[] { Shear(true), Shear(false) }.MaxBy(s => Math.Abs(s.Shear));
        var needed = 0.5 * member.StrutSlope * Math.Abs(acting.Shear) + Math.Max(0, acting.Axial);
        // How much nearer to the end the front of the bearing lies than this place.
        var nearer = section.FromEnd - front;
        ImmutableArray<(string Words, double Force)> steel =
        [
            .. section.Strands.Where(s => s.Height < section.Depth / 2).Select(s => OfStrands(member, s, nearer)),
            .. section.Bars.Where(b => !b.IsTop && b.Height < section.Depth / 2).Select(b => OfBars(member, b, nearer)),
        ];
        var held = steel.Sum(s => s.Force);
        var utilisation =
            needed == 0 ? 0
            : held <= 0 ? NoResistance
            : Math.Min(NoResistance, needed / held);
        if (c is not null)
        {
            acting.Write(c, member, "at the axis of the support");
            c.Line("F_Ed", $"|V_Ed| cot θ / 2 + N_Ed, cot θ = {member.StrutSlope:0.##}", needed, QuantityKind.Force, "EN 1992-1-1 (9.3)");
            c.Heading("What is anchored at the front of the bearing");
            c.Line("x", "from the end of the member to it", front, QuantityKind.Size, $"{Clause}(3)");
            foreach (var (words, force) in steel)
                c.Line("F", words, force, QuantityKind.Force, "EN 1992-1-1 8.10.2.3, 8.4");
            c.Heading("Check");
            c.Line("F_Rd", "Σ F", held, QuantityKind.Force, Clause);
            c.Ratio("η", CheckWords.Met("F_Ed / F_Rd", utilisation), utilisation, 3, Clause);
            c.Remark("Bars without an end of their own are taken to be anchored by bends beyond the bearing.", "EN 1992-1-1 8.4");
        }
        return new("anchorage.end", "Anchorage at the end support", point.Number, acting.At.Number, needed, held, utilisation, Clause)
        {
            Kind = QuantityKind.Force,
            Leads = GirderEffect.V,
            IsGreatest = acting.IsGreatest,
            Towards = acting.Towards,
            State = null,
        };
    }

    private static (string, double) OfStrands(Member member, MemberStrands row, double nearer)
    {
        var anchorage = StrandAnchorage.Of(row, member.Values);
        var part = row.Sum(from => anchorage.At(from - nearer));
        return ($"{row.Name}: A_p σ_p as far as it is anchored", part * row.Steel.Area * anchorage.Design);
    }

    private static (string, double) OfBars(Member member, MemberBars bars, double nearer)
    {
        var part = BarAnchorage.Part(bars with { FromEnd = bars.FromEnd - nearer }, member.Values);
        return ($"{bars.Name}: A_s f_yd as far as they are anchored", part * bars.Area * bars.Steel.Fyk / member.Values["gammaS"]);
    }
}
