using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Ultimate bending of members, both ways, with the axial force that acts beside it, by strain compatibility (EN
/// 1992-1-1 6.1).
/// </summary>
public sealed class UltimateBending : ICheck
{
    /// <summary>The clause that the check follows.</summary>
    public const string Clause = "EN 1992-1-1 6.1";

    /// <inheritdoc/>
    public string Id => "bending";

    /// <inheritdoc/>
    public string Subject => "ultimate bending";

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <summary>What is ready for a member, as long as the member is there: torsion asks for bending too.</summary>
    private static readonly ConditionalWeakTable<Member, OfMember> Known = [];

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members)
    {
        var resistances = members.Select(m => m.Values).Distinct().ToDictionary(v => v, v => new BendingResistance(v));
        return new Ready(members.ToDictionary(m => m, m => Known.GetValue(m, _ => new(m, resistances[m.Values]))));
    }

    private sealed class Ready(Dictionary<Member, OfMember> members) : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place) => members[member].At(place);

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) =>
            members[member].Write(place, check, calculation);
    }

    private sealed class OfMember(Member member, BendingResistance resistance)
    {
        private const double NoResistance = 99;

        private readonly double strutSlope = member.StrutSlope;
        private readonly EffectRange ultimate = member.Effects(LimitState.Ultimate);
        private readonly ImmutableArray<MemberPoint> points = member.Points;
        private readonly ConcurrentDictionary<(int Point, GirderEffect Leads, bool IsGreatest), (double N, double M)> beside = [];

        public IEnumerable<CheckOutcome> At(int point) =>
            points[point].Section is null ? [] : [Check(point, Bending.Sagging, null), Check(point, Bending.Hogging, null)];

        public CheckOutcome Write(int point, string check, Calculation calculation) =>
            Check(point, check.EndsWith("hogging", StringComparison.Ordinal) ? Bending.Hogging : Bending.Sagging, calculation);

        /// <summary>A moment with the axial force beside it: which of them leads, and at which point they stand.</summary>
        private readonly record struct Pair(double Moment, double Axial, GirderEffect Leads, bool IsGreatest, int From);

        private CheckOutcome Check(int point, Bending side, Calculation? calculation)
        {
            var (sagging, at, height) = (side == Bending.Sagging, points[point], points[point].AxialHeight);
            var section = at.Section!;
            // Over a pier what comes from girders alone stops at their bearings; the rest is as great there as it gets.
            var shift = section.IsInterrupted ? 0 : 0.9 * section.Depth * strutSlope / 2;
            var resists = resistance.Moments(section, side, height);
            var pair = Pairs(point, shift, sagging).MaxBy(p => Ratio(p.Moment, sagging, resists(p.Axial)));
            if (calculation is not null)
                WriteEffect(calculation, point, pair, shift);
            var state = resistance.At(section, side, pair.Axial, height, calculation);
            var utilisation = Ratio(pair.Moment, sagging, state?.Moment);
            var moment = (sagging ? 1 : -1) * (state?.Moment ?? 0);
            if (calculation is not null)
                WriteCheck(calculation, pair.Moment, moment, utilisation);
            var name = sagging ? "Ultimate bending, sagging" : "Ultimate bending, hogging";
            return new(
                $"bending.{(sagging ? "sagging" : "hogging")}",
                name,
                at.Number,
                points[pair.From].Number,
                pair.Moment,
                moment,
                utilisation,
                Clause
            )
            {
                Axial = pair.Axial,
                Leads = pair.Leads,
                IsGreatest = pair.IsGreatest,
            };
        }

        /// <summary>Moment over resistance; 0 where the moment has the other sign.</summary>
        private static double Ratio(double moment, bool sagging, double? resistance) =>
            (sagging ? moment : -moment) <= 0 ? 0
            : resistance is not > 0 ? NoResistance
            : Math.Min(NoResistance, Math.Abs(moment) / resistance.Value);

        /// <summary>
        /// What may govern: the worst moment with the axial force beside it, and the greatest and least axial force with the moment beside
        /// them, at the point and within the shift of the tension force from it.
        /// </summary>
        private IEnumerable<Pair> Pairs(int point, double shift, bool sagging)
        {
            var (moment, from) = Shifted(point, shift, sagging);
            yield return new(moment, Beside(from, GirderEffect.M, sagging).N, GirderEffect.M, sagging, from);
            foreach (var near in Within(point, shift))
            {
                foreach (var greatest in new[] { true, false })
                {
                    var (n, m) = Beside(near, GirderEffect.N, greatest);
                    yield return new(m, n, GirderEffect.N, greatest, near);
                }
            }
        }

        /// <summary>Axial force and moment that act together where one of them is greatest or least.</summary>
        private (double N, double M) Beside(int point, GirderEffect leads, bool greatest) =>
            beside.GetOrAdd(
                (point, leads, greatest),
                _ =>
                {
                    var forces = ultimate.Together(ultimate.Layout.At(points[point].Number, leads), greatest);
                    return (forces[(int)GirderEffect.N], forces[(int)GirderEffect.M]);
                }
            );

        /// <summary>The places of the same span up to a distance away.</summary>
        private IEnumerable<int> Within(int point, double distance)
        {
            var here = points[point];
            yield return point;
            foreach (var step in new[] { -1, 1 })
            {
                for (var i = point + step; i >= 0 && i < points.Length; i += step)
                {
                    var there = points[i];
                    if (there.Span != here.Span || Math.Abs(there.Distance - here.Distance) > distance)
                        break;
                    yield return i;
                }
            }
        }

        /// <summary>
        /// The worst moment within the shift of the tension force on either side, in the same span, and where it stands (EN 1992-1-1
        /// 9.2.1.3(2)); straight between points.
        /// </summary>
        private (double Moment, int From) Shifted(int point, double shift, bool greatest)
        {
            var (moments, here) = (ultimate.Side(greatest), points[point]);
            double At(int i) => moments[points[i].Number, GirderEffect.M];
            bool Worse(double a, double b) => greatest ? a > b : a < b;
            var (worst, from) = (At(point), point);
            foreach (var step in new[] { -1, 1 })
            {
                for (var i = point + step; i >= 0 && i < points.Length; i += step)
                {
                    if (points[i].Span != here.Span)
                        break;
                    var (before, distance) = (points[i - step], Math.Abs(points[i].Distance - here.Distance));
                    var part = Math.Min(
                        1,
                        (shift - Math.Abs(before.Distance - here.Distance)) / Math.Abs(points[i].Distance - before.Distance)
                    );
                    var moment = At(i - step) + part * (At(i) - At(i - step));
                    if (Worse(moment, worst))
                        (worst, from) = (moment, i);
                    if (distance >= shift)
                        break;
                }
            }
            return (worst, from);
        }

        private void WriteEffect(Calculation c, int point, Pair pair, double shift)
        {
            c.Heading("Effect");
            var (leads, at, from) = (pair.Leads, ultimate.Layout.At(points[pair.From].Number, pair.Leads), pair.From);
            var combination = ultimate.Governing(at, pair.IsGreatest);
            c.Remark($"Combination: {combination.Name}.", combination.Clause);
            var (symbol, quantity) = leads == GirderEffect.M ? ("M", QuantityKind.Moment) : ("N", QuantityKind.Force);
            if (leads == GirderEffect.N)
                c.Remark($"Governs with the {(pair.IsGreatest ? "greatest" : "least")} axial force and the moment beside it.", Clause);
            EffectLines.Write(c, combination, at, pair.IsGreatest, symbol, quantity);
            var station = c.Text(points[from].Station, QuantityKind.Length);
            c.Line($"{symbol}_E", $"Σ at station {station}", ultimate.Side(pair.IsGreatest)[at], quantity, combination.Clause);
            if (shift > 0)
                c.Line("a_l", $"z cot θ / 2, z = 0.9 h, cot θ = {strutSlope:0.##}", shift, QuantityKind.Length, "EN 1992-1-1 (9.2)");
            var words =
                leads == GirderEffect.N ? $"beside N_Ed at station {station}"
                : from == point ? "no worse moment lies within a_l"
                : "the moment within a_l of the section, straight between places";
            c.Line("M_Ed", words, pair.Moment, QuantityKind.Moment, "EN 1992-1-1 9.2.1.3(2)");
            c.Line(
                "N_Ed",
                leads == GirderEffect.N ? "as above, tension positive" : $"beside M_Ed at station {station}, tension positive",
                pair.Axial,
                QuantityKind.Force,
                combination.Clause
            );
        }

        private static void WriteCheck(Calculation c, double effect, double resistance, double utilisation)
        {
            c.Heading("Check");
            c.Ratio(
                "η",
                CheckWords.Met("M_Ed / M_Rd", utilisation),
                utilisation,
                3,
                Clause,
                $"{c.Text(effect, QuantityKind.Moment)} / {c.Text(resistance, QuantityKind.Moment)}"
            );
            c.Remark(
                "The whole moment is set against the composite section; the strain that the girder has when the slab is cast "
                    + "is left out, as is usual. Bending across the girder is left out.",
                Clause
            );
        }
    }
}
