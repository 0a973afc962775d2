using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Stresses in service of members cast in one with bars: concrete at most k₁·f_ck under the characteristic and k₂·f_ck under the
/// quasi-permanent combination, bars at most k₃·f_yk under the characteristic one (EN 1992-1-1 7.2), the section cracked.
/// </summary>
public sealed class BarStress : ICheck
{
    private const string OfConcrete = "bars.concrete";
    private const string Sustained = "bars.sustained";
    private const string OfBars = "bars.steel";
    private const double NoResistance = 99;

    /// <inheritdoc/>
    public string Id => "bars";

    /// <inheritdoc/>
    public string Subject => "stresses of concrete and bars in service";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready();

    private static readonly ImmutableArray<(string Id, string Name, LimitState State, string Factor, string Clause)> Kinds =
    [
        (OfConcrete, "Compression, characteristic", LimitState.Characteristic, "stressK1", "EN 1992-1-1 7.2(2)"),
        (Sustained, "Compression, quasi-permanent", LimitState.QuasiPermanent, "stressK2", "EN 1992-1-1 7.2(3)"),
        (OfBars, "Stress of bars, characteristic", LimitState.Characteristic, "stressK3", "EN 1992-1-1 7.2(5)"),
    ];

    /// <summary>A stress against its limit, under the greatest or least moment.</summary>
    private sealed record Found(double Stress, double Limit, bool IsGreatest, string Words)
    {
        public double Utilisation => double.IsFinite(Stress) ? Math.Max(0, Stress / Limit) : NoResistance;
    }

    private sealed class Ready : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            var point = member.Points[place];
            return !member.IsCastInOne || point.Section is not { Strands.IsEmpty: true }
                ? []
                : Kinds.Select(k => Outcome(member, point, k.Id, null));
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) =>
            Outcome(member, member.Points[place], check, calculation);

        private static CheckOutcome Outcome(Member member, MemberPoint point, string id, Calculation? c)
        {
            var kind = Kinds.First(k => k.Id == id);
            var range = member.Effects(kind.State);
            var worst = new[] { true, false }
                .Select(g => Of(member, point, range, g, id, member.Values[kind.Factor]))
                .MaxBy(f => f.Utilisation)!;
            if (c is not null)
                Write(c, point, range, worst, kind.Clause, member.Values[kind.Factor]);
            var stress = double.IsFinite(worst.Stress) ? worst.Stress : NoResistance * worst.Limit;
            return new(id, kind.Name, point.Number, point.Number, stress, worst.Limit, worst.Utilisation, kind.Clause)
            {
                Kind = QuantityKind.Stress,
                Leads = GirderEffect.M,
                IsGreatest = worst.IsGreatest,
                State = kind.State,
            };
        }

        private static Found Of(Member member, MemberPoint point, EffectRange range, bool isGreatest, string id, double factor)
        {
            var (section, parts) = (point.Section!, LinearSection.Stresses(point, range, isGreatest));
            ImmutableArray<ElasticSteel> steel = [.. LinearSection.Bars(section, parts)];
            var cracked = CrackedSection.Of(parts, steel);
            if (id == OfBars)
            {
                if (cracked is null || section.Bars.IsEmpty)
                    return new(double.PositiveInfinity, 1, isGreatest, "no bars hold the tension");
                var most = Enumerable.Range(0, steel.Length).MaxBy(i => cracked.StressOf(steel[i]));
                return new(cracked.StressOf(steel[most]), factor * section.Bars[most].Steel.Fyk, isGreatest, section.Bars[most].Name);
            }
            var all = section.Concrete.Select(
                (c, i) =>
                {
                    double Pressed(double y) => cracked is null ? double.PositiveInfinity : -cracked.StressOf(parts[i], y);
                    return new Found(
                        Math.Max(Pressed(c.Outline.Bottom), Pressed(c.Outline.Top)),
                        factor * c.Concrete.Fck,
                        isGreatest,
                        $"{c.Name}, {c.Concrete.Class}"
                    );
                }
            );
            return all.MaxBy(f => f.Utilisation)!;
        }

        private static void Write(Calculation c, MemberPoint point, EffectRange range, Found found, string clause, double factor)
        {
            c.Heading("Effect");
            var effect = range.Layout.At(point.Number, GirderEffect.M);
            var governing = range.Governing(effect, found.IsGreatest);
            c.Remark($"Combination: {governing.Name}.", governing.Clause);
            EffectLines.Write(c, governing, effect, found.IsGreatest, "M", QuantityKind.Moment);
            c.Line("M", "sum", range.Side(found.IsGreatest)[effect], QuantityKind.Moment, governing.Clause);
            var axial = range.Together(effect, found.IsGreatest)[(int)GirderEffect.N];
            c.Line("N", "beside it, tension positive", axial, QuantityKind.Force, governing.Clause);
            c.Heading("Check");
            c.Line("σ", $"{found.Words}: the section cracked, plane, with E_cm", found.Stress, QuantityKind.Stress, clause);
            c.Line("σ_lim", $"{factor:0.##} of the strength", found.Limit, QuantityKind.Stress, clause);
            c.Ratio("η", CheckWords.Met("σ / σ_lim", found.Utilisation), found.Utilisation, 3, clause);
            c.Remark("What balances within the section under temperature and shrinkage is not counted in a cracked section.");
        }
    }
}
