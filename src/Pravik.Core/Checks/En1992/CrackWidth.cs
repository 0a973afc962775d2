using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Widths of cracks where bars hold them, under what stays: at the top of the slab everywhere, at the soffit where girders meet over a
/// pier or are cast in place with bars (EN 1992-1-1 7.3.4, EN 1992-2 Table 7.101N); and the least steel as a face first cracks (7.3.2).
/// At strands cracks are kept closed: <see cref="ServiceStress"/>.
/// </summary>
public sealed class CrackWidth : ICheck
{
    /// <inheritdoc/>
    public string Id => "cracks";

    /// <inheritdoc/>
    public string Subject => "crack widths and least steel along";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        public IEnumerable<string> LeftOut =>
            [
                .. members.Any(m => m.Points.Any(p => p.Section is { HasPretensioned: true }))
                    ? ["cracks of soffits where the force of strands is not yet transmitted"]
                    : Array.Empty<string>(),
            ];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            var point = member.Points[place];
            if (point.Section is null)
                yield break;
            foreach (var where in new[] { GirderEffect.SlabTop, GirderEffect.Bottom })
            {
                var face = new CrackFace(member, point, where);
                if (where == GirderEffect.SlabTop || HasBarsAlone(member, point.Section))
                    yield return Outcome(point, where, face);
                if (Least(member, point, face, where) is { } least)
                    yield return Outcome(member, point, where, least);
            }
        }

        /// <summary>Whether bars alone hold the soffit: cracks at strands are kept closed.</summary>
        private static bool HasBarsAlone(Member member, MemberSection section) => section.IsInterrupted || member.IsCastInOne;

        /// <summary>
        /// The least steel at a face; null where none is asked for: nothing pulls there, or strands keep the face from cracking under the
        /// characteristic combination (7.3.2(4)), or their force is not yet transmitted.
        /// </summary>
        private static LeastAgainstCracks? Least(Member member, MemberPoint point, CrackFace face, GirderEffect where)
        {
            var (section, isTop) = (point.Section!, where == GirderEffect.SlabTop);
            var hasStrands = !section.Strands.IsEmpty;
            if (face.First <= (hasStrands ? face.Concrete.Fctm : 0))
                return null;
            if (hasStrands && !isTop && section.Strands.All(s => s.FromEnd < StrandAnchorage.Of(s, member.Values).Transmission))
                return null;
            var range = member.Effects(LimitState.Characteristic);
            return new(section, isTop, () => range.Together(range.Layout.At(point.Number, GirderEffect.M), !isTop)[(int)GirderEffect.N]);
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var (point, isLeast) = (member.Points[place], check.StartsWith(OfLeast, StringComparison.Ordinal));
            var where = check.EndsWith("top", StringComparison.Ordinal) ? GirderEffect.SlabTop : GirderEffect.Bottom;
            var face = new CrackFace(member, point, where);
            if (isLeast)
            {
                var least = Least(member, point, face, where)!;
                calculation.Heading("Whether it may crack");
                calculation.Line("σ", "characteristic, uncracked", face.First, QuantityKind.Stress, "EN 1992-1-1 7.3.2(4)");
                least.Write(calculation, member.Values["crackWidth"]);
                return Outcome(member, point, where, least);
            }
            face.Write(calculation);
            return Outcome(point, where, face);
        }

        private const string OfLeast = "cracks.least-";

        private static CheckOutcome Outcome(Member member, MemberPoint point, GirderEffect where, LeastAgainstCracks least)
        {
            var (width, isTop) = (member.Values["crackWidth"], where == GirderEffect.SlabTop);
            return new(
                $"{OfLeast}{(isTop ? "top" : "soffit")}",
                $"Least steel at the {(isTop ? "top" : "soffit")}",
                point.Number,
                point.Number,
                least.Force,
                least.Held(width),
                least.Utilisation(width),
                "EN 1992-1-1 7.3.2"
            )
            {
                Kind = QuantityKind.Force,
                Leads = where,
                IsGreatest = true,
                State = null,
            };
        }

        private static string IdOf(GirderEffect face) => face == GirderEffect.SlabTop ? "cracks.top" : "cracks.soffit";

        private static CheckOutcome Outcome(MemberPoint point, GirderEffect where, CrackFace face) =>
            new(
                IdOf(where),
                where == GirderEffect.SlabTop ? "Cracks at the top" : "Cracks at the soffit",
                point.Number,
                point.Number,
                double.IsFinite(face.Width) ? face.Width : 1,
                face.Limit,
                face.Utilisation,
                "EN 1992-1-1 7.3.4"
            )
            {
                Kind = QuantityKind.CrackWidth,
                Leads = where,
                IsGreatest = true,
                State = null,
            };
    }
}
