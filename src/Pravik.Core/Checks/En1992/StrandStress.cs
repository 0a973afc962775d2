using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Stress of strands against its limits: just after release min(0.75·f_pk, 0.85·f_p0.1k) (EN 1992-1-1 5.10.3(2)), and in service 0.75·f_pk
/// under the characteristic combination (7.2(5)). The calculation tells every loss.
/// </summary>
public sealed class StrandStress : ICheck
{
    private const string AtRelease = "strands.released";
    private const string InService = "strands.service";

    /// <inheritdoc/>
    public string Id => "strands";

    /// <inheritdoc/>
    public string Subject => "stress of strands with all losses";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    /// <summary>The row of a section whose stress is greatest.</summary>
    public static MemberStrands Governing(MemberSection section, string check) =>
        section.Strands.MaxBy(s => check == AtRelease ? s.StressAtRelease : s.EffectiveStress)!;

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        public IEnumerable<string> LeftOut =>
            members.Any(m => m.Points.Any(p => p.Section is { HasTendons: true }))
                ? ["end zones behind the anchorages of tendons (EN 1992-1-1 8.10.3)"]
                : [];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            // Nearer to an end the force is not yet transmitted.
            if (
                member.Points[place].Section is not { Strands.IsEmpty: false, IsInterrupted: false } section
                || section.Strands.Any(s => s.Duct is null && section.FromEnd < StrandAnchorage.Of(s, member.Values).Transmission)
            )
                yield break;
            if (section.AtRelease is not null)
                yield return Of(member, place, AtRelease, null);
            yield return Of(member, place, InService, null);
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) => Of(member, place, check, calculation);

        private static CheckOutcome Of(Member member, int place, string check, Calculation? c)
        {
            var point = member.Points[place];
            var row = Governing(point.Section!, check);
            var (limit, words, clause) =
                check == AtRelease
                    ? (row.Steel.MostAfterRelease, "min(0.75 f_pk, 0.85 f_p0.1k)", "EN 1992-1-1 5.10.3(2)")
                    : (member.Values["stressK5"] * row.Steel.Fpk, $"{member.Values["stressK5"]:0.##} f_pk", "EN 1992-1-1 7.2(5)");
            var later = check == AtRelease ? 0 : Later(member, point, row);
            var stress = check == AtRelease ? row.StressAtRelease : row.EffectiveStress + later;
            var utilisation = stress / limit;
            if (c is not null)
            {
                WriteSteps(c, row);
                c.Heading("Check");
                var face = FaceStress.NameOf(FaceOf(point, row));
                if (check == InService)
                    c.Line(
                        "Δσ_p",
                        $"E_p/E_cm times the greatest change of stress of the concrete at the {face}, characteristic",
                        later,
                        QuantityKind.Stress,
                        clause
                    );
                c.Line("σ_p", check == AtRelease ? "just after release" : "σ_pm∞ + Δσ_p", stress, QuantityKind.Stress, clause);
                c.Line("σ_lim", words, limit, QuantityKind.Stress, clause);
                c.Ratio("η", CheckWords.Met("σ_p / σ_lim", utilisation), utilisation, 3, clause);
            }
            return new(
                check,
                check == AtRelease ? (row.Duct is null ? "Stress of strands at release" : "Stress of tendons, anchored") : InServiceOf(row),
                point.Number,
                point.Number,
                stress,
                limit,
                utilisation,
                clause
            )
            {
                Kind = QuantityKind.Stress,
                Leads = FaceOf(point, row),
                IsGreatest = true,
                State = null,
            };
        }

        private static string InServiceOf(MemberStrands row) =>
            row.Duct is null ? "Stress of strands in service" : "Stress of tendons in service";

        /// <summary>The face of the girder on whose side a row lies.</summary>
        private static GirderEffect FaceOf(MemberPoint point, MemberStrands row) =>
            row.Height < point.Section!.Depth / 2 ? GirderEffect.Bottom : GirderEffect.GirderTop;

        /// <summary>What loads after release add: the stress that they leave in the concrete at the face, times E_p/E_cm (Pa).</summary>
        private static double Later(Member member, MemberPoint point, MemberStrands row)
        {
            var whole = member.Effects(LimitState.Characteristic);
            var effect = whole.Layout.At(point.Number, FaceOf(point, row));
            var added =
                whole.Greatest[effect]
                - (point.Section!.AtRelease is null ? member.Prestress[effect] : member.Stages[0].Effects.Greatest[effect]);
            return Math.Max(0, added) * row.Steel.Ep / row.Concrete.Ecm;
        }

        private static void WriteSteps(Calculation c, MemberStrands row)
        {
            c.Heading($"Losses of {row.Name}, {c.Text(row.Height, QuantityKind.Size)} above the soffit");
            var stress = 0.0;
            var from = -1.0;
            foreach (var step in row.Steps)
            {
                if (step.From != from && step.Kind == LossKind.Creep)
                    c.Line(
                        "σ_p",
                        $"on day {step.From:0.#}",
                        stress,
                        QuantityKind.Stress,
                        step.From > 0 && from < step.From ? "sum of the lines above" : ""
                    );
                from = step.From;
                stress += step.Change;
                var (words, clause) = Words(step, row);
                c.Line(step.Kind == LossKind.Stressing ? "σ_p,max" : "Δσ_p", words, step.Change, QuantityKind.Stress, clause);
            }
            c.Line("σ_pm∞", "after all of them", stress, QuantityKind.Stress, "EN 1992-1-1 5.10.3(4)");
            c.Remark(
                "Losses are worked out row by row: what the concrete at its height shortens, in the structure of each interval, with "
                    + "0.8 of the relaxation. Beside them EN 1992-1-1 (5.46) has the same terms for one row on one section."
            );
        }

        private static (string Words, string Clause) Words(StrandStep step, MemberStrands row)
        {
            var days = $"day {step.From:0.#} to {step.To:0.#}";
            return step.Kind switch
            {
                LossKind.Stressing => ("stressed to, or entered after all losses", "EN 1992-1-1 5.10.2.1"),
                LossKind.Relaxation when step.From == 0 && row.Duct is null => (
                    $"relaxation until release, {days}",
                    "EN 1992-1-1 5.10.4, 3.3.2(7)"
                ),
                LossKind.Relaxation => ($"0.8 of the relaxation, {days}", "EN 1992-1-1 5.10.6"),
                LossKind.Heat => ("0.5 E_p α_c ΔT, heat curing", "EN 1992-1-1 (10.8)"),
                LossKind.Friction => ("σ_max (1 − e^(−μ(θ + k x))), friction", "EN 1992-1-1 (5.45)"),
                LossKind.DrawIn => ("wedges draw in, against friction", "EN 1992-1-1 5.10.5.3"),
                LossKind.Elastic when row.Duct is not null => ("E_p/E_cm times the concrete's stress by later ducts", "EN 1992-1-1 (5.44)"),
                LossKind.Elastic => ("E_p/E_cm(t) times the concrete's stress at the row", "EN 1992-1-1 5.10.4"),
                LossKind.Creep => ($"E_p times creep of the concrete at the row, {days}", "EN 1992-1-1 5.10.6, B.1"),
                LossKind.Shrinkage => ($"E_p times its shrinkage, {days}", "EN 1992-1-1 5.10.6, 3.1.4(6)"),
                _ => ($"what the concrete gives back as the force falls, {days}", "EN 1992-1-1 5.10.6"),
            };
        }
    }
}
