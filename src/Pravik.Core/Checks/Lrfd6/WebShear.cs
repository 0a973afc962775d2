using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Shear of webs at the strength states (AASHTO LRFD 6.10.9): without stiffeners and in end panels by buckling, between stiffeners inside
/// with the tension field. Longitudinal stiffeners are left out.
/// </summary>
public sealed class WebShear : ISteelCheck
{
    private const string Clause = "AASHTO LRFD 6.10.9";

    /// <inheritdoc/>
    public string Id => "webShear";

    /// <inheritdoc/>
    public string Subject => "shear of webs";

    /// <inheritdoc/>
    public bool IsRated => true;

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready();

    private sealed class Ready : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            if (!member.Points[place].Steel.IsEmpty)
                yield return Of(member, place, null);
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) => Of(member, place, calculation);

        private static CheckOutcome Of(Member member, int place, Calculation? c)
        {
            var (point, range) = (member.Points[place], member.Effects(LimitState.Ultimate));
            var effect = range.Layout.At(point.Number, GirderEffect.V);
            var isGreatest = range.Greatest[effect] >= -range.Least[effect];
            var (shear, combination) = (range.Side(isGreatest)[effect], range.Governing(effect, isGreatest));
            var web = point.Steel.Select(s => new WebPanel(s)).MinBy(w => w.Resistance)!;
            var resistance = SteelGirders.Phi * web.Resistance;
            var utilisation = Math.Abs(shear) / resistance;
            if (c is not null)
            {
                c.Heading("Effect");
                c.Remark($"Combination: {combination.Name}.", combination.Clause);
                EffectLines.Write(c, combination, effect, isGreatest, "V", QuantityKind.Force);
                c.Line("V_u", "sum", shear, QuantityKind.Force, combination.Clause);
                web.Write(c);
                c.Heading("Check");
                c.Ratio("η", CheckWords.Met("|V_u| / φ_v V_n", utilisation), utilisation, 3, Clause);
            }
            return new(
                "webShear.shear",
                "Shear of the web",
                point.Number,
                point.Number,
                shear,
                shear < 0 ? -resistance : resistance,
                utilisation,
                Clause
            )
            {
                Kind = QuantityKind.Force,
                Leads = GirderEffect.V,
                IsGreatest = isGreatest,
            };
        }
    }
}
