using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Stresses of girder and slab against limits: when strands are released, while the bridge is built, and in service (EN 1992-1-1 5.10.2.2,
/// 7.2; EN 1992-2 7.3.1). Sections are uncracked, each action on the section of its time.
/// </summary>
/// <remarks>
/// Compression at most 0.6·f_ck(t), in service 0.6·f_ck under the characteristic and 0.45·f_ck under the quasi-permanent combination;
/// tension at most f_ctm(t) until the bridge is finished. Prestress counts with r_sup or r_inf, whichever is worse (5.10.9). Faces of the
/// girder within 100 mm of a strand stay without tension as the exposure class asks, and uncracked (σ ≤ f_ctm) under the frequent
/// combination. Tension in the slab and over piers, where bars take it, is not limited here.
/// </remarks>
public sealed class ServiceStress : ICheck
{
    private const double NearStrands = 0.1;

    /// <inheritdoc/>
    public string Id => "stress";

    /// <inheritdoc/>
    public string Subject => "stresses at release, while it is built and in service";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    /// <summary>The kinds of this check: id and name in words.</summary>
    public static ImmutableArray<(string Id, string Name)> Kinds { get; } =
    [
        ("stress.release", "Stress at release"),
        ("stress.building", "Stress while it is built"),
        ("stress.characteristic", "Compression, characteristic"),
        ("stress.sustained", "Compression, quasi-permanent"),
        ("stress.closed", "Cracks kept closed"),
    ];

    /// <summary>All stresses of a kind at a place with their limits; none where nothing is limited.</summary>
    public static IEnumerable<FaceStress> Of(Member member, MemberPoint point, string kind) =>
        // Sections cast in one with bars alone crack in service: BarStress.
        point.Section
            is null
        || (member.IsCastInOne && point.Section.Strands.IsEmpty)
            ? []
            : kind switch
            {
                "stress.release" => new OfPlace(member, point).Building(true),
                "stress.building" => new OfPlace(member, point).Building(false),
                "stress.characteristic" => new OfPlace(member, point).InService(LimitState.Characteristic, "stressK1", "7.2(2)"),
                "stress.sustained" => new OfPlace(member, point).InService(LimitState.QuasiPermanent, "stressK2", "7.2(3)"),
                _ => new OfPlace(member, point).Closed(),
            };

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        public IEnumerable<string> LeftOut =>
            members.Any(m => m.Points.Any(p => p.Section is { Strands.IsEmpty: false, AtRelease: null }))
                ? ["release and construction, as the stress after losses is entered"]
                : [];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            var point = member.Points[place];
            foreach (var (id, name) in Kinds)
            {
                if (Of(member, point, id).MaxBy(f => f.Utilisation) is { } worst)
                    yield return Outcome(id, name, point, worst);
            }
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var (point, all) = (member.Points[place], Of(member, member.Points[place], check).ToList());
            var worst = all.MaxBy(f => f.Utilisation)!;
            WriteFace(calculation, worst, member.PrestressFactors(point.Section!));
            calculation.Heading("All limits here");
            foreach (var face in all.OrderByDescending(f => f.Utilisation).DistinctBy(f => (f.Moment, f.Face, f.LimitWords)).Take(12))
                calculation.Line(
                    "σ",
                    $"{face.Moment}, {FaceStress.NameOf(face.Face)}; limit {calculation.Text(face.Limit, QuantityKind.Stress)}",
                    face.Stress,
                    QuantityKind.Stress,
                    face.Clause,
                    $"η = {QuantityText.Fixed(face.Utilisation, 2)}"
                );
            return Outcome(check, Kinds.First(k => k.Id == check).Name, point, worst);
        }

        private static CheckOutcome Outcome(string id, string name, MemberPoint point, FaceStress worst) =>
            new(id, name, point.Number, point.Number, worst.Stress, worst.Limit, worst.Utilisation, worst.Clause)
            {
                Kind = QuantityKind.Stress,
                Leads = worst.Face,
                IsGreatest = worst.IsGreatest,
                State = null,
            };

        private static void WriteFace(Calculation c, FaceStress face, (double More, double Less) factors)
        {
            c.Heading("Stress");
            var governing = face.Range.Governing(face.Effect, face.IsGreatest);
            c.Remark($"{face.Moment}: {governing.Name}. At the {FaceStress.NameOf(face.Face)}, tension positive.", governing.Clause);
            EffectLines.Write(c, governing, face.Effect, face.IsGreatest, "σ", QuantityKind.Stress);
            c.Line("Σ", "sum", face.Range.Side(face.IsGreatest)[face.Effect], QuantityKind.Stress, governing.Clause);
            c.Line("σ_P", "of it prestress, losses off", face.Prestress, QuantityKind.Stress, "EN 1992-1-1 5.10.9");
            c.Line(
                "Δσ",
                $"prestress as it is worse, r_sup = {factors.More:0.##}, r_inf = {factors.Less:0.##}",
                face.Variation,
                QuantityKind.Stress,
                "EN 1992-1-1 (5.47), (5.48)"
            );
            c.Line("σ", "Σ + Δσ", face.Stress, QuantityKind.Stress, face.Clause);
            c.Heading("Check");
            c.Line("σ_lim", face.LimitWords, face.Limit, QuantityKind.Stress, face.Clause);
            c.Ratio(
                "η",
                CheckWords.Met(
                    face.Limit != 0 ? "σ / σ_lim"
                        : face.Prestress < 0 ? "1 + σ / |σ_P|"
                        : "1 + σ / f_ctm",
                    face.Utilisation
                ),
                face.Utilisation,
                3,
                face.Clause,
                $"{c.Text(face.Stress, QuantityKind.Stress)}, {c.Text(face.Limit, QuantityKind.Stress)}"
            );
            c.Remark("The section is taken as uncracked; what balances within it under creep, shrinkage and temperature is counted.");
        }
    }

    private sealed class OfPlace(Member member, MemberPoint point)
    {
        private readonly MemberSection section = point.Section!;
        private readonly (double More, double Less) factors = member.PrestressFactors(point.Section!);

        private Concrete Girder => section.Concrete[^1].Concrete;

        private Concrete Slab => section.Concrete[0].Concrete;

        public IEnumerable<FaceStress> Building(bool release)
        {
            foreach (var stage in member.Stages.Where(s => s.IsRelease == release))
            {
                if (section.AtRelease is not { } early || section.IsInterrupted)
                    yield break;
                var then = stage.IsRelease ? early : early with { Age = Math.Max(stage.Day, early.Age), Entered = null };
                var (fck, fctm) = stage.IsRelease
                    ? (early.Fck, early.Fctm)
                    : (Math.Max(early.Fck, then.Fck), Math.Max(early.Fctm, then.Fctm));
                var words = $"{member.Values["releaseK6"]:0.##} f_ck(t), f_ck(t) = {fck / 1e6:0.0} MPa on day {stage.Day:0.#}";
                foreach (var face in new[] { GirderEffect.Bottom, GirderEffect.GirderTop })
                {
                    const string Clause = "EN 1992-1-1 5.10.2.2(5)";
                    yield return Against(stage, face, false, -member.Values["releaseK6"] * fck, words, Clause);
                    yield return Against(stage, face, true, fctm, $"f_ctm(t) on day {stage.Day:0.#}: uncracked", "EN 1992-1-1 7.1(2)");
                }
            }
        }

        public IEnumerable<FaceStress> InService(LimitState state, string factor, string clause)
        {
            foreach (var face in new[] { GirderEffect.Bottom, GirderEffect.GirderTop, GirderEffect.SlabTop })
            {
                var concrete = face == GirderEffect.SlabTop ? Slab : Girder;
                yield return Against(
                    Name(state),
                    member.Effects(state),
                    member.Prestress,
                    face,
                    false,
                    -member.Values[factor] * concrete.Fck,
                    $"{member.Values[factor]:0.##} f_ck, {concrete.Class}",
                    $"EN 1992-1-1 {clause}"
                );
            }
        }

        public IEnumerable<FaceStress> Closed()
        {
            const string Clause = "EN 1992-2 Table 7.101N";
            if (section.Strands.IsEmpty || section.IsInterrupted || !IsTransmitted)
                yield break;
            var closed =
                ExposureClass.StaysClosedWhenFrequent(member.Exposure) ? LimitState.Frequent
                : ExposureClass.StaysClosed(member.Exposure) ? LimitState.QuasiPermanent
                : (LimitState?)null;
            foreach (var face in new[] { GirderEffect.Bottom, member.IsCastInOne ? GirderEffect.SlabTop : GirderEffect.GirderTop })
            {
                if (!section.Strands.Any(s => IsNear(s, face)))
                    continue;
                if (closed is { } state)
                    yield return InTension(state, face, 0, $"no tension within 100 mm of strands, {member.Exposure}", Clause);
                if (closed != LimitState.Frequent)
                    yield return InTension(LimitState.Frequent, face, Girder.Fctm, "f_ctm: uncracked", "EN 1992-1-1 7.1(2)");
            }
        }

        /// <summary>
        /// Whether steel lies near a face: strands within 100 mm, tendons in the third of the depth next to it, which is safe.
        /// </summary>
        private bool IsNear(MemberStrands steel, GirderEffect face)
        {
            var height = face == GirderEffect.GirderTop ? section.Concrete[^1].Outline.Top : section.Depth;
            var distance = Math.Abs(steel.Height - (face == GirderEffect.Bottom ? 0 : height));
            return distance <= (steel.Duct is null ? NearStrands : section.Depth / 3);
        }

        /// <summary>Whether the force of the strands is transmitted here; nearer to an end bars hold the concrete.</summary>
        private bool IsTransmitted => section.Strands.Any(s => s.FromEnd >= StrandAnchorage.Of(s, member.Values).Transmission);

        private FaceStress InTension(LimitState state, GirderEffect face, double limit, string words, string clause) =>
            Against(Name(state), member.Effects(state), member.Prestress, face, true, limit, words, clause);

        private FaceStress Against(MemberStage stage, GirderEffect face, bool isGreatest, double limit, string words, string clause) =>
            Against(stage.Name, stage.Effects, stage.Prestress, face, isGreatest, limit, words, clause);

        private FaceStress Against(
            string moment,
            EffectRange range,
            EffectValues prestress,
            GirderEffect face,
            bool isGreatest,
            double limit,
            string words,
            string clause
        )
        {
            var (effect, of) = (range.Layout.At(point.Number, face), prestress[point.Number, face]);
            var (more, less) = ((factors.More - 1) * of, (factors.Less - 1) * of);
            var variation = isGreatest ? Math.Max(more, less) : Math.Min(more, less);
            return new(moment, range, effect, face, isGreatest, of, variation, limit, Girder.Fctm, words, clause);
        }

        private static string Name(LimitState state) =>
            state switch
            {
                LimitState.Characteristic => "Characteristic",
                LimitState.Frequent => "Frequent",
                _ => "Quasi-permanent",
            };
    }
}
