using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Checks.Steel;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Permanent deformations (AASHTO LRFD 6.10.4.2): stresses of flanges under Service II within 0.95·R_h·F_yf, and of slender webs within
/// F_crw. Under hogging the slab is taken as cracked.
/// </summary>
public sealed class ServiceTwo : ISteelCheck
{
    private const string Clause = "AASHTO LRFD 6.10.4.2.2";
    private const double OfYield = 0.95;

    /// <inheritdoc/>
    public string Id => "serviceTwo";

    /// <inheritdoc/>
    public string Subject => "permanent deformations in service";

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        private readonly Dictionary<Member, FlangeStresses> along = members.ToDictionary(
            m => m,
            m => new FlangeStresses(m, m.Effects(LimitState.Characteristic))
        );

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            if (member.Points[place].Steel.IsEmpty)
                yield break;
            foreach (var isGreatest in new[] { true, false })
            {
                var total = along[member].Moments(place, isGreatest).Total;
                if (isGreatest ? total > 0 : total < 0)
                    yield return Worst(member, place, isGreatest).Outcome;
            }
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var isGreatest = check.EndsWith("sagging", StringComparison.Ordinal);
            var (steel, _) = Worst(member, place, isGreatest);
            StateMoments.Write(calculation, member, member.Effects(LimitState.Characteristic), member.Points[place].Number, isGreatest);
            return Of(member, place, steel, isGreatest, calculation);
        }

        private (MemberSteel Steel, CheckOutcome Outcome) Worst(Member member, int place, bool isGreatest) =>
            member.Points[place].Steel.Select(s => (s, Of(member, place, s, isGreatest, null))).MaxBy(o => o.Item2.Utilisation);

        private CheckOutcome Of(Member member, int place, MemberSteel steel, bool isGreatest, Calculation? c)
        {
            var (stresses, acting, number) = (
                along[member].Of(steel, place, isGreatest),
                along[member].Moments(place, isGreatest),
                member.Points[place].Number
            );
            var worst = Parts(steel, stresses, acting, isGreatest, c).MaxBy(p => p.Utilisation)!;
            if (c is not null)
            {
                c.Heading("Check");
                c.Ratio("η", CheckWords.Met(worst.Name, worst.Utilisation), worst.Utilisation, 3, Clause);
            }
            return new(
                $"serviceTwo.{(isGreatest ? "sagging" : "hogging")}",
                $"Service II, {(isGreatest ? "sagging" : "hogging")}, {worst.Name}",
                number,
                number,
                worst.Effect,
                worst.Resistance,
                worst.Utilisation,
                Clause
            )
            {
                Kind = QuantityKind.Stress,
                IsGreatest = isGreatest,
                State = LimitState.Characteristic,
            };
        }

        /// <summary>Each flange, and the web where it can buckle: not composite under sagging with D/t_w ≤ 150 (6.10.4.2.2).</summary>
        private static List<LimitResult> Parts(
            MemberSteel steel,
            SteelStresses stresses,
            StateMoments acting,
            bool isGreatest,
            Calculation? c
        )
        {
            List<LimitResult> parts = [];
            foreach (var top in new[] { true, false })
            {
                if (c is not null)
                    stresses.Write(c, top, Clause);
                var stress = stresses.Flange(top);
                // The top flange is held by the slab all along.
                var sideways = top ? 0 : LateralBending.Stress(steel, false, acting.Total, stress, null, 1, c);
                var (effect, limit) = (Math.Abs(stress) + sideways / 2, OfYield * steel.FlangeYield(top));
                c?.Line("0.95 R_h F_yf", "limit", limit, QuantityKind.Stress, Clause);
                parts.Add(
                    new(
                        top ? "top flange" : "bottom flange",
                        Math.CopySign(effect, stress),
                        Math.CopySign(limit, stress),
                        effect / limit,
                        QuantityKind.Stress,
                        Clause
                    )
                );
            }
            var compressed = -stresses.Flange(isGreatest);
            if (compressed > 0 && (!isGreatest || steel.Plates.WebSlenderness > Proportions.WebWithoutStiffeners))
            {
                c?.Heading("Web");
                var critical = WebBendBuckling.Stress(steel, isGreatest, stresses.WebInCompression(isGreatest), c);
                parts.Add(new("web", -compressed, -critical, compressed / critical, QuantityKind.Stress, Clause));
            }
            return parts;
        }
    }
}
