using System.Collections.Immutable;
using Pravik.Core.Effects;
using Pravik.Core.Members;

namespace Pravik.Core.Checks;

/// <summary>What is rated: a vehicle or model of traffic, on what acts beside it, with its factor.</summary>
/// <param name="Traffic">Name of the traffic.</param>
/// <param name="Rule">Name of the rule in words.</param>
/// <param name="Clause">Where the rule comes from.</param>
/// <param name="Others">All that acts beside the traffic, factors in it.</param>
/// <param name="Load">The traffic, without its factor.</param>
/// <param name="Factor">The factor on the traffic.</param>
public sealed record RatingBasis(string Traffic, string Rule, string Clause, EffectRange Others, EffectRange Load, double Factor)
{
    /// <summary>All that acts when the traffic is so many times as heavy.</summary>
    public EffectRange At(double times) =>
        EffectRange.Sum($"{Traffic}, {times} times", [(1, Others), (times * Factor, Load)], Others.Layout);
}

/// <summary>How many times as heavy the traffic may be at the place of a member where a check allows least.</summary>
/// <param name="Basis">What is rated.</param>
/// <param name="Member">The member.</param>
/// <param name="Outcome">The outcome there, as it is at the factor that is told.</param>
/// <param name="Factor">
/// The rating factor: 0 where what acts beside fails alone, <see cref="Rating.Most"/> where that much is allowed.
/// </param>
public sealed record RatedCheck(RatingBasis Basis, Member Member, CheckOutcome Outcome, double Factor);

/// <summary>
/// Rating: the factor on traffic at which a check of a member is just met, for every check of the catalogue. With a resistance C, what
/// acts beside D and traffic L it is (C − D)/(γ·L) where C does not depend on them (AASHTO, The Manual for Bridge Evaluation, 6A.4.2.1);
/// here it is found from the checks themselves, so that what acts together with a moment counts too.
/// </summary>
public static class Rating
{
    /// <summary>Factors above this are not sought.</summary>
    public const double Most = 16;

    private const double Precise = 1e-5;
    private static readonly double[] Tried = [0, 0.5, 1, 1.5, 2, 3, 4, 6, 8, Most];

    /// <summary>The least factor of every member and check, the least first. Throws when cancelled.</summary>
    /// <param name="bases">What is rated.</param>
    /// <param name="members">The members.</param>
    /// <param name="checks">The checks that apply to them.</param>
    /// <param name="cancel">Stops it.</param>
    public static ImmutableArray<RatedCheck> Of(
        IEnumerable<RatingBasis> bases,
        ImmutableArray<Member> members,
        ImmutableArray<ICheck> checks,
        CancellationToken cancel = default
    ) =>
        [
            .. bases
                .SelectMany(b => checks.SelectMany(c => new OfBasis(b, members, c, cancel).Least()))
                .OrderBy(r => r.Factor)
                .ThenBy(r => r.Member.Name, StringComparer.Ordinal),
        ];

    /// <summary>A check of members under one kind of traffic.</summary>
    private sealed class OfBasis(RatingBasis basis, ImmutableArray<Member> members, ICheck check, CancellationToken cancel)
    {
        /// <summary>Outcomes of a check at a place, by the factors that were tried.</summary>
        private sealed record Place(Member Member, int Number, CheckOutcome[] Outcomes)
        {
            /// <summary>About the factor at which it is met, straight between those tried.</summary>
            public double Guess()
            {
                for (var i = 0; i < Tried.Length; i++)
                {
                    if (Outcomes[i].Utilisation < 1)
                        continue;
                    if (i == 0)
                        return 0;
                    var (from, to) = (Outcomes[i - 1].Utilisation, Outcomes[i].Utilisation);
                    return Tried[i - 1] + (1 - from) / (to - from) * (Tried[i] - Tried[i - 1]);
                }
                return Most;
            }
        }

        /// <summary>The worst place of each member and each sense of the check.</summary>
        public IEnumerable<RatedCheck> Least()
        {
            var loaded = Tried.Select(t => basis.At(t)).Select(r => members.Select(m => m with { Effects = _ => r }).ToArray()).ToArray();
            var ready = check.Of([.. loaded.SelectMany(m => m)]);
            var places = members.SelectMany((m, i) => m.Points.Select((_, number) => (Member: i, Number: number))).ToArray();
            var found = new Place[places.Length][];
            Parallel.For(
                0,
                places.Length,
                new ParallelOptions { CancellationToken = cancel },
                p =>
                {
                    var (member, number) = places[p];
                    var tried = loaded.Select(l => ready.At(l[member], number).ToArray()).ToArray();
                    found[p] = [.. tried[0].Select((_, sense) => new Place(members[member], number, [.. tried.Select(t => t[sense])]))];
                }
            );
            return found
                .SelectMany(f => f)
                .GroupBy(p => (p.Member, p.Outcomes[0].Check))
                .Select(g => g.MinBy(p => p.Guess())!)
                .Where(p => p.Outcomes[^1].Utilisation > 0)
                .Select(Refined);
        }

        /// <summary>The factor of a place by regula falsi between two that were tried.</summary>
        private RatedCheck Refined(Place place)
        {
            var above = Array.FindIndex(place.Outcomes, o => o.Utilisation >= 1);
            if (above <= 0)
                return new(basis, place.Member, place.Outcomes[above < 0 ? ^1 : 0], above < 0 ? Most : 0);
            var (from, to) = (Tried[above - 1], Tried[above]);
            var (low, high) = (place.Outcomes[above - 1], place.Outcomes[above]);
            for (var tries = 0; tries < 40; tries++)
            {
                cancel.ThrowIfCancellationRequested();
                var at = from + (1 - low.Utilisation) / (high.Utilisation - low.Utilisation) * (to - from);
                // A jump of the resistance between them leaves halving.
                at = tries % 4 == 3 ? (from + to) / 2 : at;
                var outcome = At(place, at);
                if (Math.Abs(outcome.Utilisation - 1) < Precise || to - from < Precise)
                    return new(basis, place.Member, outcome, at);
                if (outcome.Utilisation < 1)
                    (from, low) = (at, outcome);
                else
                    (to, high) = (at, outcome);
            }
            return new(basis, place.Member, low, from);
        }

        private CheckOutcome At(Place place, double times)
        {
            var (range, member) = (basis.At(times), place.Member);
            var loaded = member with { Effects = _ => range };
            return check.Of([loaded]).At(loaded, place.Number).First(o => o.Check == place.Outcomes[0].Check);
        }
    }
}
