using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>Upright stiffeners: transverse ones by width and stiffness (AASHTO LRFD 6.10.11.1), those over bearings (6.10.11.2).</summary>
public sealed class Stiffeners : ISteelCheck
{
    private const string TransverseOnes = "transverse";
    private const string Bearing = "bearing";

    /// <inheritdoc/>
    public string Id => "stiffeners";

    /// <inheritdoc/>
    public string Subject => "stiffeners";

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        public IEnumerable<string> LeftOut
        {
            get
            {
                yield return "longitudinal stiffeners";
                if (members.Any(m => m.Points.Any(p => p.Steel.Any(s => new WebPanel(s).IsStiffened && s.Upright is null))))
                    yield return "plates of frames where they stiffen the web";
                if (members.Any(m => !m.Points.Any(p => p.Steel.Any(s => s.OverBearing is not null))))
                    yield return "webs over bearings without stiffeners";
            }
        }

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            foreach (var sense in new[] { TransverseOnes, Bearing })
            {
                if (Find(member, place, sense, null) is { } found)
                    yield return Outcome(member, place, sense, found);
            }
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation c)
        {
            var sense = check[(check.IndexOf('.') + 1)..];
            var found = Find(member, place, sense, c)!;
            c.Heading("Check");
            c.Ratio("η", CheckWords.Met(found.Name.ToLowerInvariant(), found.Utilisation), found.Utilisation, 3, found.Clause);
            return Outcome(member, place, sense, found);
        }

        /// <summary>The section whose panel is stiffened; null for none.</summary>
        private static MemberSteel? Transverse(Member member, MemberPoint point) =>
            point
                .Steel.Where(s => s.Upright is not null && new WebPanel(s).IsStiffened)
                .MaxBy(s => new TransverseStiffener(s, s.Upright!, Shear(member, point)).Check(null).Utilisation);

        /// <summary>What a sense comes to; null where no such stiffener stands.</summary>
        private static LimitResult? Find(Member member, int place, string sense, Calculation? c)
        {
            var point = member.Points[place];
            if (sense == TransverseOnes)
                return Transverse(member, point) is { Upright: { } upright } steel
                    ? new TransverseStiffener(steel, upright, Shear(member, point)).Check(c)
                    : null;
            return point.Steel.FirstOrDefault(s => s.OverBearing is not null) is { OverBearing: { } bearing } over
                ? new BearingStiffener(over, bearing, Reaction(member, point)).Check(c)
                : null;
        }

        /// <summary>The greatest shear of the strength states at a place (N).</summary>
        private static double Shear(Member member, MemberPoint point)
        {
            var range = member.Effects(LimitState.Ultimate);
            var effect = range.Layout.At(point.Number, GirderEffect.V);
            return Math.Max(Math.Abs(range.Greatest[effect]), Math.Abs(range.Least[effect]));
        }

        /// <summary>The greatest shears on both sides of a support together, each by itself: on the safe side of its reaction.</summary>
        private static double Reaction(Member member, MemberPoint point) =>
            member
                .Points.Where(p => Math.Abs(p.Distance - point.Distance) < 1e-6)
                .GroupBy(p => p.Span)
                .Sum(side => side.Max(p => Shear(member, p)));

        private static CheckOutcome Outcome(Member member, int place, string sense, LimitResult found) =>
            found.At($"stiffeners.{sense}", member.Points[place].Number);
    }
}
