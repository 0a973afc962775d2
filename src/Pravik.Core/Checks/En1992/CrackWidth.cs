using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Widths of cracks where bars hold them, under what stays: at the top of the slab everywhere, at the soffit where girders meet over a
/// pier or are cast in place with bars (EN 1992-1-1 7.3.4, EN 1992-2 Table 7.101N). At strands cracks are kept closed:
/// <see cref="ServiceStress"/>.
/// </summary>
public sealed class CrackWidth : ICheck
{
    /// <inheritdoc/>
    public string Id => "cracks";

    /// <inheritdoc/>
    public string Subject => "crack widths at bars along";

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
                "least bars against cracks (7.3.2)",
                .. members.Any(m => m.Points.Any(p => p.Section is { Strands.IsEmpty: false }))
                    ? ["cracks of soffits where the force of strands is not yet transmitted"]
                    : Array.Empty<string>(),
            ];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            var point = member.Points[place];
            if (point.Section is null)
                yield break;
            yield return Outcome(point, GirderEffect.SlabTop, new(member, point, GirderEffect.SlabTop));
            if (point.Section.IsInterrupted || member.Form == MemberForm.CastInPlace)
                yield return Outcome(point, GirderEffect.Bottom, new(member, point, GirderEffect.Bottom));
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var where = check == IdOf(GirderEffect.SlabTop) ? GirderEffect.SlabTop : GirderEffect.Bottom;
            var face = new CrackFace(member, member.Points[place], where);
            face.Write(calculation);
            calculation.Remark(CheckWords.Missing(CheckCatalog.NotYetOfMembers));
            return Outcome(member.Points[place], where, face);
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
