using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Webs of panels inside that are stiffened must not flex: shear of permanent loads and of the truck under Fatigue I within that at which
/// the web buckles (AASHTO LRFD 6.10.5.3).
/// </summary>
public sealed class WebFatigue : ISteelCheck
{
    private const string Clause = "AASHTO LRFD 6.10.5.3";

    /// <inheritdoc/>
    public string Id => "webFatigue";

    /// <inheritdoc/>
    public string Subject => "fatigue of webs";

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready();

    private sealed class Ready : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            if (member.Points[place].Steel.Any(s => new WebPanel(s).HasField))
                yield return Of(member, place, null);
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) => Of(member, place, calculation);

        private static CheckOutcome Of(Member member, int place, Calculation? c)
        {
            var (point, truck) = (member.Points[place], FatigueCycles.Range(member));
            var effect = truck.Layout.At(point.Number, GirderEffect.V);
            var permanent = member.Effects(LimitState.QuasiPermanent).Greatest[effect];
            var (most, least) = (permanent + truck.Greatest[effect], permanent + truck.Least[effect]);
            var shear = Math.Abs(most) >= Math.Abs(least) ? most : least;
            var web = point.Steel.Select(s => new WebPanel(s)).Where(w => w.HasField).MinBy(w => w.Buckling)!;
            var utilisation = Math.Abs(shear) / web.Buckling;
            if (c is not null)
            {
                c.Heading("Effect");
                c.Line("V_DL", "permanent, no factor", permanent, QuantityKind.Force, Clause);
                c.Line("V_LL", "truck under Fatigue I", shear - permanent, QuantityKind.Force, Clause);
                c.Line("V_u", "sum", shear, QuantityKind.Force, Clause);
                web.Write(c);
                c.Line("V_cr", "C V_p", web.Buckling, QuantityKind.Force, Clause);
                c.Heading("Check");
                c.Ratio("η", CheckWords.Met("|V_u| / V_cr", utilisation), utilisation, 3, Clause);
            }
            return new(
                "webFatigue.shear",
                "Fatigue of the web",
                point.Number,
                point.Number,
                shear,
                Math.CopySign(web.Buckling, shear),
                utilisation,
                Clause
            )
            {
                Kind = QuantityKind.Force,
                Leads = GirderEffect.V,
                IsGreatest = shear >= 0,
                State = LimitState.Fatigue,
            };
        }
    }
}
