using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Studs between steel and slab (AASHTO LRFD 6.10.10): how they lie, fatigue by the pitch at every place, and strength from the greatest
/// sagging moment of a span to both its ends.
/// </summary>
public sealed class Studs : ISteelCheck
{
    /// <inheritdoc/>
    public string Id => "studs";

    /// <inheritdoc/>
    public string Subject => "studs";

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        private readonly Dictionary<(Member, int Span), StudStrength> strength = members
            .Where(HasStuds)
            .SelectMany(m => m.Points.Select(p => p.Span).Distinct().Select(s => (Key: (m, s), Found: StudStrength.Of(m, s))))
            .Where(s => s.Found is not null)
            .ToDictionary(s => s.Key, s => s.Found!);

        public IEnumerable<string> LeftOut =>
            members.Any(HasStuds)
                ? ["shear of studs from forces of frames at skew supports"]
                : ["shear connectors, of which none are entered (6.10.10)"];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            var point = member.Points[place];
            if (point.Steel.IsEmpty || !HasStuds(member))
                yield break;
            yield return Outcome(member, place, "layout", StudLayout.Check(point, null));
            if (point.Steel.All(s => s.Studs is not null))
                yield return Outcome(member, place, "fatigue", StudFatigue.Check(member, place, null));
            if (strength.TryGetValue((member, point.Span), out var of) && of.Place == place)
                yield return Outcome(member, place, "strength", of.Check(null));
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation c)
        {
            var (sense, point) = (check[(check.IndexOf('.') + 1)..], member.Points[place]);
            var found = sense switch
            {
                "layout" => StudLayout.Check(point, c),
                "fatigue" => StudFatigue.Check(member, place, c),
                _ => strength[(member, point.Span)].Check(c),
            };
            c.Heading("Check");
            c.Ratio("η", CheckWords.Met("effect over resistance", found.Utilisation), found.Utilisation, 3, found.Clause);
            return Outcome(member, place, sense, found);
        }

        private static bool HasStuds(Member member) => member.Points.Any(p => p.Steel.Any(s => s.Studs is not null));

        private static CheckOutcome Outcome(Member member, int place, string sense, LimitResult found) =>
            found.At($"studs.{sense}", member.Points[place].Number);
    }
}
