using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Fatigue of bars, strands and concrete along a member, and of links: first by a bound, every lorry of a design life taken to cause the
/// whole range of frequent traffic; where that is not met, steel by the damage of fatigue load model 4 (EN 1992-1-1 6.8.4, 6.8.7(2)).
/// </summary>
/// <remarks>
/// Frequent load model 1 (0.75 and 0.4) is more than fatigue load model 1 (0.7 and 0.3; EN 1991-2 4.6.2), so that no lorry causes more.
/// With N lorries Δσ ≤ Δσ_Rsk/γ_S,fat·(N*/N)^(1/k₂): bars 162.5 MPa and k₂ = 9 (Table 6.3N), pretensioned strands 185 MPa and 9,
/// tendons 120 MPa and 7, as curved ones in ducts of steel (Table 6.4N). A damage D is told as the range that does it in N lorries,
/// D^(1/k₂) times what may be (<see cref="FatigueDamage"/>). Concrete σ_c,max/f_cd,fat ≤ 0.5 + 0.45·σ_c,min/f_cd,fat ≤ 0.9, or 0.8 above
/// C50 (6.77), f_cd,fat = 0.85·f_cd·(1 − f_ck/250 MPa) (6.76) as at 28 days: where it is not met nothing is shown, and that is told; as it
/// is of steel and links where no lorries are known. Ducts of plastic are not looked at.
/// </remarks>
public sealed class Fatigue : ICheck
{
    private const string OfSteel = "fatigue.steel";
    private const string OfConcrete = "fatigue.concrete";
    private const string OfLinks = "fatigue.links";
    private const double NoResistance = 99;

    /// <inheritdoc/>
    public string Id => "fatigue";

    /// <inheritdoc/>
    public string Subject => "fatigue along";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    /// <summary>Steel with the range of its stress and what it may be (Pa).</summary>
    private sealed record Ranged(string Name, double Range, double Limit, SteelLine Line, double? Damage = null)
    {
        public bool IsLinks { get; init; }
    }

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

        /// <summary>Whether steel meets the bound everywhere along a member.</summary>
        private bool IsBounded(Member member) => along[member].Value.All(a => a is not { } other || other.Steel.Range <= other.Steel.Limit);

        private Ranged SteelAt(Member member, int place, Ranged bound) =>
            IsBounded(member) || member.Lorries is null ? bound : Damaged(member, member.Points[place]);

        public IEnumerable<string> LeftOut
        {
            get
            {
                if (members.All(m => m.FrequentTraffic is null))
                    return ["fatigue along, as no traffic is there"];
                var unknown = members.Where(m => m.Lorries is null).ToList();
                return
                [
                    .. NotShown("steel", unknown, a => a.Steel.Range / a.Steel.Limit),
                    .. NotShown("concrete", members, a => a.Concrete.Most / a.Concrete.Limit),
                    .. unknown.Any(m => m.Points.Any(p => p.Section?.Links is not null)) ? ["fatigue of links"] : Array.Empty<string>(),
                ];
            }
        }

        /// <summary>Members at which the bound is not met somewhere.</summary>
        private IEnumerable<string> NotShown(string what, IEnumerable<Member> of, Func<(Ranged Steel, Pressed Concrete), double> use)
        {
            var worst = of.Select(m => (m.Name, Use: along[m].Value.Select(a => a is { } looked ? use(looked) : 0).DefaultIfEmpty(0).Max()))
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
            if (member.Lorries is not null && LinksAt(member, place) is { } links)
                yield return Of(member.Points[place], Links(member, member.Points[place], links));
            if (along[member].Value[place] is not var (steel, concrete))
                yield break;
            if (IsBounded(member) || member.Lorries is not null)
                yield return Of(member.Points[place], SteelAt(member, place, steel));
            if (along[member].Value.All(a => a is not { } other || other.Concrete.Most <= other.Concrete.Limit))
                yield return Of(member.Points[place], concrete);
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var point = member.Points[place];
            if (check == OfLinks)
                return WriteLinks(calculation, member, point);
            var (steel, concrete) = Look(member, point);
            return check == OfSteel
                ? WriteSteel(calculation, member, point, SteelAt(member, place, steel))
                : WriteConcrete(calculation, point, concrete);
        }
    }

    private static MemberLinks? LinksAt(Member member, int place) =>
        member.Points[place].Section is { IsInterrupted: false, Links: { } links } ? links : null;

    /// <summary>The links of a place with the range that does the damage of all lorries.</summary>
    private static Ranged Links(Member member, MemberPoint point, MemberLinks links)
    {
        var line = SteelLine.Of(links);
        return Damaged(member, links.Words, line, new FatigueDamage(member, point).OfLinks(links)) with { IsLinks = true };
    }

    private static Ranged Damaged(Member member, string name, SteelLine line, double damage)
    {
        var limit = line.Limit(member.Values["fatigueGammaS"], FatigueDamage.Lorries(member.Values));
        return new(name, limit * Math.Pow(damage, 1 / line.Slope), limit, line, damage);
    }

    /// <summary>The steel of a place that the lorries damage most.</summary>
    private static Ranged Damaged(Member member, MemberPoint point)
    {
        var (section, damage) = (point.Section!, new FatigueDamage(member, point));
        var lines = section
            .Bars.Select(b => (b.Name, Line: SteelLine.Bars))
            .Concat(section.Strands.Select(s => (s.Name, Line: SteelLine.Of(s))))
            .ToList();
        return new[] { true, false }
            .SelectMany(isSagging => lines.Zip(damage.Along(isSagging), (l, d) => Damaged(member, l.Name, l.Line, d)))
            .DefaultIfEmpty(new("no steel", 0, 1, SteelLine.Bars))
            .MaxBy(r => r.Range / r.Limit)!;
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
            var range = FatigueRange.OfFrequent(member, point, isSagging);
            if (!range.IsBalanced)
                return (new("cracked section, which does not balance", double.PositiveInfinity, 1, SteelLine.Bars), new("", 0, 0, 1, 1));
            steel.AddRange(section.Bars.Zip(range.OfBars, (b, r) => Steel(values, b.Name, r, SteelLine.Bars)));
            steel.AddRange(section.Strands.Zip(range.OfStrands, (s, r) => Steel(values, s.Name, r, SteelLine.Of(s))));
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
            steel.Count > 0 ? steel.MaxBy(s => s.Range / s.Limit)! : new("no steel", 0, 1, SteelLine.Bars),
            concrete.MaxBy(c => c.Most / c.Limit)!
        );
    }

    private static Ranged Steel(NationalValues values, string name, double range, SteelLine line) =>
        new(name, range, line.Limit(values["fatigueGammaS"], Lorries(values)), line);

    /// <summary>N, lorries in the slow lane in a design life.</summary>
    private static double Lorries(NationalValues values) => values["lorriesPerYear"] * values["designLife"];

    private static CheckOutcome Of(MemberPoint point, Ranged steel) =>
        steel.IsLinks
            ? Of(point, OfLinks, "Fatigue of links", steel.Range, steel.Limit, "EN 1992-1-1 6.8.4") with
            {
                Leads = GirderEffect.V,
            }
            : Of(point, OfSteel, "Fatigue of steel along", steel.Range, steel.Limit, "EN 1992-1-1 6.8.4");

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
        if (steel.Damage is null)
        {
            c.Remark(
                "Frequent traffic on at its greatest and at its least, all else the same; concrete in tension left out.",
                "EN 1992-1-1 6.8.2"
            );
            c.Line("Δσ", steel.Name, steel.Range, QuantityKind.Stress, "EN 1992-1-1 6.8.2");
            WriteLimit(c, steel, Lorries(member.Values), member.Values);
            c.Ratio("η", CheckWords.Met("Δσ / Δσ_lim", outcome.Utilisation), outcome.Utilisation, 3, "EN 1992-1-1 6.8.4");
            c.Remark("A bound, on the safe side: every lorry is taken to be as heavy as frequent traffic, more than fatigue load model 1.");
            return outcome;
        }
        c.Remark(
            "Five lorries pass alone, in the lane in which the moment ranges most; each cycle from the end of its lorry’s "
                + "passage, all else as in the frequent combination without traffic; concrete in tension left out.",
            "EN 1991-2 4.6.5, EN 1992-1-1 6.8.3"
        );
        WriteLorries(c, member, point, GirderEffect.M, QuantityKind.Moment);
        WriteDamage(c, member, point, steel, outcome.Utilisation);
        return outcome;
    }

    /// <summary>The lorries with the greatest range of each.</summary>
    private static void WriteLorries(Calculation c, Member member, MemberPoint point, GirderEffect effect, QuantityKind kind)
    {
        var (symbol, number) = (effect == GirderEffect.M ? "ΔM" : "ΔV", 0);
        foreach (var (share, passage) in EnRoadTraffic.SharesOfLorries[0].Shares.Zip(member.Lorries!(point.Number, effect)))
            c.Line(
                $"{symbol}_{++number}",
                $"{passage.Vehicle}, {100 * share:0} % of all, in the lane at {passage.Offset:0.0} m; the greatest of its cycles",
                passage.Ranges.FirstOrDefault(),
                kind,
                "EN 1991-2 Table 4.7"
            );
        c.Ratio("Δφ_fat", "1 + 0.3 (1 − D / 6 m) near an end", new FatigueDamage(member, point).Joint, 2, "EN 1991-2 Figure 4.7");
    }

    private static void WriteDamage(Calculation c, Member member, MemberPoint point, Ranged steel, double utilisation)
    {
        var lorries = FatigueDamage.Lorries(member.Values);
        c.Heading("Damage");
        c.Ratio("D", $"Σ n / N(Δσ), {steel.Name}", steel.Damage!.Value, 4, "EN 1992-1-1 (6.70)");
        c.Line(
            "Δσ_equ",
            $"the range that does it in N cycles, D^(1/{steel.Line.Slope:0}) Δσ_lim",
            steel.Range,
            QuantityKind.Stress,
            "EN 1992-1-1 6.8.4"
        );
        WriteLimit(c, steel, lorries, member.Values);
        c.Ratio("η", CheckWords.Met("Δσ_equ / Δσ_lim", utilisation), utilisation, 3, "EN 1992-1-1 6.8.4");
        c.Remark("Shares of long distance traffic; a tenth of the lorries more for another lane, as if in this one.", "EN 1991-2 4.6.1(3)");
    }

    private static void WriteLimit(Calculation c, Ranged steel, double lorries, NationalValues values)
    {
        c.Heading("What it may be");
        c.Ratio("N", "lorries in the slow lane in a year times the design life", lorries, 0, "EN 1991-2 Table 4.5");
        c.Line("Δσ_Rsk", "at N* = 10^6", steel.Line.Characteristic, QuantityKind.Stress, "EN 1992-1-1 Tables 6.3N, 6.4N");
        c.Line(
            "Δσ_lim",
            $"Δσ_Rsk / γ_S,fat (N* / N)^(1/{steel.Line.Slope:0}), γ_S,fat = {values["fatigueGammaS"]:0.##}",
            steel.Limit,
            QuantityKind.Stress,
            "EN 1992-1-1 6.8.4"
        );
    }

    private static CheckOutcome WriteLinks(Calculation c, Member member, MemberPoint point)
    {
        var links = point.Section!.Links!;
        var (steel, damage) = (Links(member, point, links), new FatigueDamage(member, point));
        var outcome = Of(point, steel);
        c.Heading("Range of stress");
        c.Remark("Links carry the whole range of shear, also where the web is not cracked.", "EN 1992-1-1 6.8.2(3)");
        WriteLorries(c, member, point, GirderEffect.V, QuantityKind.Force);
        c.Line("Δσ_w", "of 1 kN: ΔV / (A_sw/s z √cot θ)", 1000 * damage.PerShear(links), QuantityKind.SmallStress, "EN 1992-1-1 6.8.2(3)");
        c.Remark("Δσ_Rsk of links is that of bars times ζ = 0.35 + 0.026 D / φ, bent about the least mandrel.", "EN 1992-1-1 Table 6.3N");
        WriteDamage(c, member, point, steel, outcome.Utilisation);
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
        return outcome;
    }
}
