using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Fatigue of bars, strands and concrete along a member by a bound: every lorry of a design life is taken to cause the whole range of
/// frequent traffic (EN 1992-1-1 6.8.4, 6.8.7(2)).
/// </summary>
/// <remarks>
/// Frequent load model 1 (0.75 and 0.4) is more than fatigue load model 1 (0.7 and 0.3; EN 1991-2 4.6.2), so that no lorry causes more.
/// With N lorries Δσ ≤ Δσ_Rsk/γ_S,fat·(N*/N)^(1/k₂), N* = 10⁶: bars 162.5 MPa and k₂ = 9 (Table 6.3N), pretensioned strands 185 MPa and 9,
/// tendons 120 MPa and 7, as curved ones in ducts of steel (Table 6.4N). Concrete σ_c,max/f_cd,fat ≤ 0.5 + 0.45·σ_c,min/f_cd,fat ≤ 0.9, or
/// 0.8 above C50 (6.77), f_cd,fat = 0.85·f_cd·(1 − f_ck/250 MPa) (6.76) as at 28 days. A bound: where it is not met nothing is shown, and
/// that is told; links, and ducts of plastic, are not looked at.
/// </remarks>
public sealed class Fatigue : ICheck
{
    private const string OfSteel = "fatigue.steel";
    private const string OfConcrete = "fatigue.concrete";
    private const double Cycles = 1e6;
    private const double NoResistance = 99;

    /// <inheritdoc/>
    public string Id => "fatigue";

    /// <inheritdoc/>
    public string Subject => "fatigue along by a bound";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    /// <summary>Steel with the range of its stress and what it may be (Pa).</summary>
    private sealed record Ranged(string Name, double Range, double Limit, double Characteristic, double Slope);

    /// <summary>Concrete at a height: greatest and least compression, and f_cd,fat (Pa).</summary>
    private sealed record Pressed(string Name, double Most, double Least, double Strength, double Cap)
    {
        public double Limit => Strength * Math.Min(Cap, 0.5 + 0.45 * Least / Strength);
    }

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        private readonly Dictionary<Member, Lazy<ImmutableArray<(Ranged Steel, Pressed Concrete)?>>> along = members.ToDictionary(
            m => m,
            m => new Lazy<ImmutableArray<(Ranged, Pressed)?>>(() => [.. m.Points.Select(p => LookAt(m, p))])
        );

        public IEnumerable<string> LeftOut
        {
            get
            {
                if (members.All(m => m.FrequentTraffic is null))
                    return ["fatigue along, as no traffic is there"];
                return
                [
                    .. NotShown("steel", a => a.Steel.Range / a.Steel.Limit),
                    .. NotShown("concrete", a => a.Concrete.Most / a.Concrete.Limit),
                ];
            }
        }

        /// <summary>Members at which the bound is not met somewhere.</summary>
        private IEnumerable<string> NotShown(string what, Func<(Ranged Steel, Pressed Concrete), double> use)
        {
            var worst = members
                .Select(m => (m.Name, Use: along[m].Value.Select(a => a is { } looked ? use(looked) : 0).DefaultIfEmpty(0).Max()))
                .Where(m => m.Use > 1)
                .ToList();
            if (worst.Count > 0)
            {
                var names = string.Join(", ", worst.Select(w => w.Name));
                var most = QuantityText.Fixed(Math.Min(NoResistance, worst.Max(w => w.Use)), 2);
                yield return $"fatigue of {what} along {names}, where the bound of every lorry is not met (up to {most} times it)";
            }
        }

        private static (Ranged, Pressed)? LookAt(Member member, MemberPoint point) =>
            member.FrequentTraffic is not null && point.Section is { } section && IsTransmitted(member, section)
                ? Look(member, point)
                : null;

        /// <summary>
        /// Outcomes where the bound is met everywhere along the member: else the greatest of those that meet it would tell nothing.
        /// </summary>
        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            if (along[member].Value[place] is not var (steel, concrete))
                yield break;
            if (along[member].Value.All(a => a is not { } other || other.Steel.Range <= other.Steel.Limit))
                yield return Of(member.Points[place], steel);
            if (along[member].Value.All(a => a is not { } other || other.Concrete.Most <= other.Concrete.Limit))
                yield return Of(member.Points[place], concrete);
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var point = member.Points[place];
            var (steel, concrete) = Look(member, point);
            return check == OfSteel ? WriteSteel(calculation, member, point, steel) : WriteConcrete(calculation, point, concrete);
        }
    }

    /// <summary>Near the ends of girders, where the force of strands is not yet transmitted, nothing is said.</summary>
    private static bool IsTransmitted(Member member, MemberSection section) =>
        section.Strands.All(s => s.Duct is not null || s.FromEnd >= StrandAnchorage.Of(s, member.Values).Transmission);

    /// <summary>The steel and the concrete that are worst at a place, of both senses of bending.</summary>
    private static (Ranged Steel, Pressed Concrete) Look(Member member, MemberPoint point)
    {
        var (section, values) = (point.Section!, member.Values);
        List<Ranged> steel = [];
        List<Pressed> concrete = [];
        foreach (var isSagging in new[] { true, false })
        {
            var range = new FatigueRange(member, point, isSagging);
            if (!range.IsBalanced)
                return (new("cracked section, which does not balance", double.PositiveInfinity, 1, 1, 1), new("", 0, 0, 1, 1));
            steel.AddRange(section.Bars.Zip(range.OfBars, (b, r) => Steel(values, b.Name, r, 162.5e6, 9)));
            steel.AddRange(
                section.Strands.Zip(
                    range.OfStrands,
                    (s, r) => s.Duct is null ? Steel(values, s.Name, r, 185e6, 9) : Steel(values, s.Name, r, 120e6, 7)
                )
            );
            concrete.Add(At(0, section.Depth));
            concrete.Add(At(section.Concrete.Length - 1, 0));

            Pressed At(int part, double y)
            {
                var (of, (most, least)) = (section.Concrete[part], range.Compression(part, y));
                var design = of.Concrete.DesignStrength(values["alphaCc"], values["gammaC"]);
                var strength = 0.85 * design * (1 - of.Concrete.Fck / 250e6);
                return new(y == 0 ? "soffit" : "top", most, least, strength, of.Concrete.Fck > 50e6 ? 0.8 : 0.9);
            }
        }
        return (
            steel.Count > 0 ? steel.MaxBy(s => s.Range / s.Limit)! : new("no steel", 0, 1, 1, 1),
            concrete.MaxBy(c => c.Most / c.Limit)!
        );
    }

    private static Ranged Steel(NationalValues values, string name, double range, double characteristic, double slope) =>
        new(name, range, characteristic / values["fatigueGammaS"] * Math.Pow(Cycles / Lorries(values), 1 / slope), characteristic, slope);

    /// <summary>N, lorries in the slow lane in a design life.</summary>
    private static double Lorries(NationalValues values) => values["lorriesPerYear"] * values["designLife"];

    private static CheckOutcome Of(MemberPoint point, Ranged steel) =>
        Of(point, OfSteel, "Fatigue of steel along", steel.Range, steel.Limit, "EN 1992-1-1 6.8.4");

    private static CheckOutcome Of(MemberPoint point, Pressed concrete) =>
        Of(point, OfConcrete, "Fatigue of concrete along", concrete.Most, concrete.Limit, "EN 1992-1-1 (6.77)");

    private static CheckOutcome Of(MemberPoint point, string id, string name, double stress, double limit, string clause) =>
        new(id, name, point.Number, point.Number, stress, limit, Math.Min(NoResistance, stress / limit), clause)
        {
            Kind = QuantityKind.Stress,
            Leads = GirderEffect.M,
            IsGreatest = true,
            State = null,
        };

    private static CheckOutcome WriteSteel(Calculation c, Member member, MemberPoint point, Ranged steel)
    {
        var outcome = Of(point, steel);
        c.Heading("Range of stress");
        c.Remark(
            "Frequent traffic on at its greatest and at its least, all else the same; concrete in tension left out.",
            "EN 1992-1-1 6.8.2"
        );
        c.Line("Δσ", steel.Name, steel.Range, QuantityKind.Stress, "EN 1992-1-1 6.8.2");
        c.Heading("What it may be");
        c.Ratio("N", "lorries in the slow lane in a year times the design life", Lorries(member.Values), 0, "EN 1991-2 Table 4.5");
        c.Line("Δσ_Rsk", "at N* = 10^6", steel.Characteristic, QuantityKind.Stress, "EN 1992-1-1 Tables 6.3N, 6.4N");
        c.Line(
            "Δσ_lim",
            $"Δσ_Rsk / γ_S,fat (N* / N)^(1/{steel.Slope:0}), γ_S,fat = {member.Values["fatigueGammaS"]:0.##}",
            steel.Limit,
            QuantityKind.Stress,
            "EN 1992-1-1 6.8.4"
        );
        c.Ratio("η", CheckWords.Met("Δσ / Δσ_lim", outcome.Utilisation), outcome.Utilisation, 3, "EN 1992-1-1 6.8.4");
        Remark(c);
        return outcome;
    }

    private static CheckOutcome WriteConcrete(Calculation c, MemberPoint point, Pressed concrete)
    {
        var outcome = Of(point, concrete);
        c.Heading($"Compression at the {concrete.Name}");
        c.Line("σ_c,max", "frequent traffic at one end of its range", concrete.Most, QuantityKind.Stress, "EN 1992-1-1 6.8.7(2)");
        c.Line("σ_c,min", "and at the other, all else the same", concrete.Least, QuantityKind.Stress, "EN 1992-1-1 6.8.7(2)");
        c.Line("f_cd,fat", "0.85 f_cd (1 − f_ck / 250), as at 28 days", concrete.Strength, QuantityKind.Stress, "EN 1992-1-1 (6.76)");
        c.Line(
            "σ_lim",
            $"(0.5 + 0.45 σ_c,min / f_cd,fat ≤ {concrete.Cap:0.0}) f_cd,fat",
            concrete.Limit,
            QuantityKind.Stress,
            "EN 1992-1-1 (6.77)"
        );
        c.Ratio("η", CheckWords.Met("σ_c,max / σ_lim", outcome.Utilisation), outcome.Utilisation, 3, "EN 1992-1-1 (6.77)");
        Remark(c);
        return outcome;
    }

    private static void Remark(Calculation c)
    {
        c.Remark(
            "A bound, on the safe side: every lorry is taken to be as heavy as frequent traffic, which is more than fatigue load model "
                + "1. Where it is not met nothing is shown, and the member stands among what is not checked. Links are not looked at."
        );
        c.Remark(CheckWords.Missing(CheckCatalog.NotYetOfMembers));
    }
}
