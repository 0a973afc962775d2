using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Checks.Steel;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Bars along the slab wherever it is pulled under Service II beyond φ·f_r: at least 1 % of its area (AASHTO LRFD 6.10.1.7), f_r =
/// 0.24·√f′_c in ksi (5.4.2.6), φ = 0.9.
/// </summary>
public sealed class SlabOverPiers : ISteelCheck
{
    private const string Clause = "AASHTO LRFD 6.10.1.7";
    private const double Least = 0.01;

    /// <inheritdoc/>
    public string Id => "slabBars";

    /// <inheritdoc/>
    public string Subject => "bars of the slab where it is pulled";

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready();

    private sealed class Ready : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            var point = member.Points[place];
            if (point.Steel.FirstOrDefault() is { } steel && Pull(member, point, steel) > Cracking(steel))
                yield return Of(member, place, null);
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) => Of(member, place, calculation);

        private static CheckOutcome Of(Member member, int place, Calculation? c)
        {
            var (point, steel) = (member.Points[place], member.Points[place].Steel[0]);
            var (whole, bars) = (steel.Slab.Width * steel.Slab.Thickness, steel.Slab.Bars.Sum(b => b.Area));
            var utilisation = bars == 0 ? 99 : Least * whole / bars;
            if (c is not null)
            {
                c.Heading("Slab");
                c.Line(
                    "f_slab",
                    "greatest tension under Service II, slab at n and 3n",
                    Pull(member, point, steel),
                    QuantityKind.Stress,
                    Clause
                );
                c.Line("φ f_r", "0.9 · 0.24 √f'_c, in ksi", Cracking(steel), QuantityKind.Stress, "AASHTO LRFD 5.4.2.6");
                c.Line("A_slab", "width that acts times thickness", whole, QuantityKind.SectionArea, Clause);
                c.Line("A_s", "bars along it", bars, QuantityKind.SectionArea, Clause);
                c.Heading("Check");
                c.Ratio("η", CheckWords.Met("0.01 A_slab / A_s", utilisation), utilisation, 3, Clause);
            }
            return new("slabBars.least", "Bars of the pulled slab", point.Number, point.Number, Least * whole, bars, utilisation, Clause)
            {
                Kind = QuantityKind.SectionArea,
                State = LimitState.Characteristic,
            };
        }

        /// <summary>Tension at the top of the slab, uncracked, under the least moment of Service II (Pa).</summary>
        private static double Pull(Member member, MemberPoint point, MemberSteel steel)
        {
            var acting = StateMoments.Of(member, member.Effects(LimitState.Characteristic), point.Number, false);
            return new SteelStresses(steel, acting, true).SlabTension;
        }

        private static double Cracking(MemberSteel steel) =>
            0.9 * 0.24 * Math.Sqrt(steel.Slab.Strength / SteelGirders.Ksi) * SteelGirders.Ksi;
    }
}
