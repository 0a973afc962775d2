using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Checks.Steel;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Flexure at the strength states: sagging compact or not (AASHTO LRFD 6.10.7) with its ductility, hogging by the stresses of both flanges
/// (6.10.8).
/// </summary>
public sealed class Flexure : ISteelCheck
{
    private const string Sagging = "sagging";
    private const string Hogging = "hogging";
    private const string Ductility = "ductility";

    /// <inheritdoc/>
    public string Id => "flexure";

    /// <inheritdoc/>
    public string Subject => "flexure at the strength states";

    /// <inheritdoc/>
    public bool IsRated => true;

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    private sealed class Ready : IMemberCheck
    {
        private readonly Dictionary<Member, FlangeStresses> along;
        private readonly List<string> leftOut = [];

        public Ready(ImmutableArray<Member> members)
        {
            along = members.ToDictionary(m => m, m => new FlangeStresses(m, m.Effects(LimitState.Ultimate)));
            if (members.Any(m => m.Points.All(p => p.Steel.IsEmpty)))
                leftOut.Add("girders of steel that are no I-girders");
        }

        public IEnumerable<string> LeftOut =>
            [.. leftOut, "cross-frames and their members", "splices", "lateral bending of flanges by skew and wind"];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            foreach (var sense in member.Points[place].Steel.IsEmpty ? [] : new[] { Sagging, Hogging, Ductility })
            {
                if (Worst(member, place, sense) is { } worst)
                    yield return Outcome(member, place, sense, worst.Found);
            }
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var sense = check[(check.IndexOf('.') + 1)..];
            var (steel, _) = Worst(member, place, sense)!.Value;
            return Outcome(member, place, sense, Of(member, place, steel, sense, calculation)!);
        }

        /// <summary>The side of the place that is worse; null where nothing acts in that sense.</summary>
        private (MemberSteel Steel, LimitResult Found)? Worst(Member member, int place, string sense)
        {
            (MemberSteel, LimitResult)? worst = null;
            foreach (var steel in member.Points[place].Steel)
            {
                if (
                    Of(member, place, steel, sense, null) is { } found
                    && (worst is null || found.Utilisation > worst.Value.Item2.Utilisation)
                )
                    worst = (steel, found);
            }
            return worst;
        }

        private LimitResult? Of(Member member, int place, MemberSteel steel, string sense, Calculation? c)
        {
            var isGreatest = sense != Hogging;
            var stresses = along[member];
            var acting = stresses.Moments(place, isGreatest);
            if (isGreatest ? acting.Total <= 0 : acting.Total >= 0)
                return null;
            if (c is not null)
                StateMoments.Write(c, member, member.Effects(LimitState.Ultimate), member.Points[place].Number, isGreatest);
            return sense switch
            {
                Ductility => PositiveFlexure.Ductility(steel, c),
                Sagging => new PositiveFlexure(steel, stresses, place, IsContinuous(member)).Check(c),
                _ => NegativeFlexure.Check(steel, stresses, place, c),
            };
        }

        private static bool IsContinuous(Member member) => member.Points.Select(p => p.Span).Distinct().Skip(1).Any();

        private static CheckOutcome Outcome(Member member, int place, string sense, LimitResult found) =>
            found.At($"flexure.{sense}", member.Points[place].Number) with
            {
                Leads = GirderEffect.M,
                IsGreatest = sense != Hogging,
                State = sense == Ductility ? null : LimitState.Ultimate,
            };
    }
}
