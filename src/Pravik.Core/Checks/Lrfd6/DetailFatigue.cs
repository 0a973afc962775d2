using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Checks.Steel;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Fatigue of details of steel girders (AASHTO LRFD 6.6.1.2): the range of stress of the fatigue truck against the threshold, for infinite
/// life under Fatigue I, or against (A/N)^⅓ for the trucks of the design life under Fatigue II, whichever is kinder. Sagging moments act
/// on the slab at n, hogging ones on its bars.
/// </summary>
public sealed class DetailFatigue : ISteelCheck
{
    private const string Clause = "AASHTO LRFD 6.6.1.2";

    /// <inheritdoc/>
    public string Id => "steelFatigue";

    /// <inheritdoc/>
    public string Subject => "fatigue of steel";

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready();

    /// <summary>A detail with its range and what it may be.</summary>
    private sealed record Found(
        MemberSteel Steel,
        SteelDetail Detail,
        DetailCategory Category,
        double Range,
        double Permanent,
        double Tension
    )
    {
        public required double Factor { get; init; }

        public required double? Cycles { get; init; }

        /// <summary>Whether permanent compression keeps it from ever being pulled (6.6.1.2.1).</summary>
        public bool IsPressed => Permanent < 0 && -Permanent >= Factor * Tension;

        public double Infinite => Factor * Range / Category.Threshold;

        public double? Finite => Cycles is { } n ? FatigueCycles.Finite * Range / Category.RangeAt(n) : null;

        public bool IsFinite => Finite < Infinite;

        public double Utilisation => IsPressed ? 0 : Math.Min(Infinite, Finite ?? double.PositiveInfinity);
    }

    private sealed class Ready : IMemberCheck
    {
        public IEnumerable<string> LeftOut => ["fatigue by distortion and by lateral bending of flanges, and of frames"];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            if (!member.Points[place].Steel.IsEmpty)
                yield return Outcome(member, place, Worst(member, place));
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var worst = Worst(member, place);
            WriteAll(calculation, member, place, worst);
            return Outcome(member, place, worst);
        }

        private static Found Worst(Member member, int place) =>
            member.Points[place].Steel.SelectMany(s => s.Details.Select(d => Of(member, place, s, d))).MaxBy(f => f.Utilisation)!;

        private static Found Of(Member member, int place, MemberSteel steel, SteelDetail detail)
        {
            var (point, range) = (member.Points[place], FatigueCycles.Range(member));
            var effect = range.Layout.At(point.Number, GirderEffect.M);
            var (most, least, factor) = FatigueCycles.Truck(range, effect);
            double Stress(double moment) => new SteelStresses(steel, new(0, 0, moment, 0), moment > 0).At(detail.Level);
            var (a, b) = (Stress(most), Stress(least));
            var permanent = StateMoments.Of(member, member.Effects(LimitState.QuasiPermanent), point.Number, true);
            return new(
                steel,
                detail,
                DetailCategory.Named(detail.Category),
                Math.Abs(a - b),
                new SteelStresses(steel, permanent, permanent.Total > 0).At(detail.Level),
                Math.Max(0, Math.Max(a, b))
            )
            {
                Factor = factor,
                Cycles = FatigueCycles.InLife(member, place),
            };
        }

        private static CheckOutcome Outcome(Member member, int place, Found found)
        {
            var (number, finite) = (member.Points[place].Number, found.IsFinite);
            return new(
                "steelFatigue.detail",
                $"Fatigue, {found.Detail.Name}",
                number,
                number,
                (finite ? FatigueCycles.Finite : found.Factor) * found.Range,
                finite ? found.Category.RangeAt(found.Cycles!.Value) : found.Category.Threshold,
                found.Utilisation,
                Clause
            )
            {
                Kind = QuantityKind.Stress,
                State = LimitState.Fatigue,
                IsGreatest = true,
            };
        }

        private static void WriteAll(Calculation c, Member member, int place, Found f)
        {
            var (range, number) = (FatigueCycles.Range(member), member.Points[place].Number);
            var effect = range.Layout.At(number, GirderEffect.M);
            var (most, least, _) = FatigueCycles.Truck(range, effect);
            c.Heading("Effect");
            c.Line("M_max", "fatigue truck with its allowance, no factor", most, QuantityKind.Moment, "AASHTO LRFD 3.6.1.4");
            c.Line("M_min", "the same, least", least, QuantityKind.Moment, "AASHTO LRFD 3.6.1.4");
            c.Line(
                "Δf",
                $"range at the {f.Detail.Name}: sagging on the slab at n, hogging on its bars",
                f.Range,
                QuantityKind.Stress,
                Clause
            );
            c.Line("y", "height above the soffit", f.Detail.Level, QuantityKind.Size, Clause);
            c.Line("f_DL", "permanent, tension positive", f.Permanent, QuantityKind.Stress, "AASHTO LRFD 6.6.1.2.1");
            if (f.IsPressed)
                c.Remark(
                    "Permanent compression is more than the greatest tension of Fatigue I: fatigue need not be looked at.",
                    "AASHTO LRFD 6.6.1.2.1"
                );
            c.Heading("Resistance");
            c.Line(
                "(ΔF)_TH",
                $"threshold of category {f.Category.Name}",
                f.Category.Threshold,
                QuantityKind.Stress,
                "AASHTO LRFD Table 6.6.1.2.5-3"
            );
            c.Ratio("η_I", $"{QuantityText.Fixed(f.Factor, 2)} Δf / (ΔF)_TH, infinite life", f.Infinite, 3, Clause);
            if (f.Cycles is { } n)
            {
                c.Ratio("n", "cycles a truck", FatigueCycles.PerTruck(member, place), 1, "AASHTO LRFD Table 6.6.1.2.5-2");
                c.Ratio(
                    "N",
                    $"365 · {member.Fatigue.Years:0} years · n · {member.Fatigue.TrucksADay:0} trucks a day",
                    n,
                    0,
                    "AASHTO LRFD 6.6.1.2.5"
                );
                c.Line("(A / N)^⅓", $"of category {f.Category.Name}", f.Category.RangeAt(n), QuantityKind.Stress, "AASHTO LRFD 6.6.1.2.5");
                c.Ratio("η_II", "0.80 Δf / (A / N)^⅓, finite life", f.Finite!.Value, 3, Clause);
            }
            else
                c.Remark("Trucks a day are not entered: the life is to be infinite.", Clause);
            c.Heading("Check");
            c.Ratio("η", CheckWords.Met(f.Cycles is null ? "η_I" : "the lesser of η_I and η_II", f.Utilisation), f.Utilisation, 3, Clause);
        }
    }
}
