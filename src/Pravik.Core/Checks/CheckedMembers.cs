using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;

namespace Pravik.Core.Checks;

/// <summary>Members with the outcomes of all checks at all their places. Places are numbered through all members.</summary>
public sealed class CheckedMembers
{
    private readonly ImmutableArray<(ICheck Check, IMemberCheck Ready)> checks;
    private readonly IReadOnlyList<string> notYet;

    /// <summary>Runs all checks that cover the members. Throws <see cref="OperationCanceledException"/> when cancelled.</summary>
    /// <param name="members">The members.</param>
    /// <param name="form">How they are made.</param>
    /// <param name="standard">The family of standards.</param>
    /// <param name="notYet">What no check covers yet.</param>
    /// <param name="wanted">Which checks are run; null for all.</param>
    /// <param name="cancel">Stops it.</param>
    public CheckedMembers(
        ImmutableArray<Member> members,
        MemberForm form,
        Standard standard,
        IReadOnlyList<string> notYet,
        Func<ICheck, bool>? wanted = null,
        CancellationToken cancel = default
    )
    {
        (Members, this.notYet) = (members, notYet);
        var all = CheckCatalog.All.Where(c => c.IsFor(form) && wanted?.Invoke(c) != false).ToList();
        Refusals = [.. all.Select(c => c.Refusal(form, standard)).OfType<string>().Distinct()];
        checks = [.. all.Where(c => c.Refusal(form, standard) is null).Select(c => (c, c.Of(members)))];
        var places = members.SelectMany(m => m.Points.Select((_, place) => (Member: m, Place: place))).ToArray();
        var outcomes = new CheckOutcome[places.Length][];
        Parallel.For(
            0,
            places.Length,
            new ParallelOptions { CancellationToken = cancel },
            p => outcomes[p] = [.. checks.SelectMany(c => c.Ready.At(places[p].Member, places[p].Place))]
        );
        Outcomes = [.. outcomes.SelectMany(o => o)];
        ByPoint = Outcomes.ToLookup(o => o.Point);
    }

    /// <summary>The members.</summary>
    public ImmutableArray<Member> Members { get; }

    /// <summary>The checks by which traffic is rated.</summary>
    public ImmutableArray<ICheck> Rated => [.. checks.Select(c => c.Check).Where(c => c.IsRated)];

    /// <summary>Outcomes of all checks, place by place.</summary>
    public ImmutableArray<CheckOutcome> Outcomes { get; }

    /// <summary>Outcomes by their place.</summary>
    public ILookup<int, CheckOutcome> ByPoint { get; }

    /// <summary>Why checks do not cover these members.</summary>
    public ImmutableArray<string> Refusals { get; }

    /// <summary>What was checked, in words.</summary>
    public IEnumerable<string> Checked =>
        checks.Where(c => Outcomes.Any(o => o.Check.StartsWith($"{c.Check.Id}.", StringComparison.Ordinal))).Select(c => c.Check.Subject);

    /// <summary>What was not: what these members have and no check covers yet.</summary>
    public ImmutableArray<string> NotChecked => [.. Refusals, .. checks.SelectMany(c => c.Ready.LeftOut), .. notYet];

    /// <summary>What passes or fails, in words (<see cref="CheckWords"/>).</summary>
    public string Words => CheckWords.Verdict([.. Checked], NotChecked, Governing is { } worst ? (worst.Name, worst.Utilisation) : null);

    /// <summary>The outcome with the greatest utilisation; null where nothing was checked.</summary>
    public CheckOutcome? Governing => Outcomes.IsEmpty ? null : Outcomes.MaxBy(o => o.Utilisation);

    /// <summary>Whether anything that was checked fails.</summary>
    public bool Fails => Outcomes.Any(o => !o.Passes);

    /// <summary>Whether all that applies was checked and passes.</summary>
    public bool Passes => !Fails && !Outcomes.IsEmpty && NotChecked.IsEmpty;

    /// <summary>The greatest utilisation at a place; 0 where nothing was checked.</summary>
    public double UtilisationAt(int point) => ByPoint[point].Select(o => o.Utilisation).DefaultIfEmpty(0).Max();

    /// <summary>The calculation behind an outcome.</summary>
    public void Write(CheckOutcome outcome, Calculation calculation)
    {
        var (check, member) = (
            checks.First(c => outcome.Check.StartsWith($"{c.Check.Id}.", StringComparison.Ordinal)),
            Members.First(m => m.Points.Any(p => p.Number == outcome.Point))
        );
        var place = member.Points.Select(p => p.Number).ToList().IndexOf(outcome.Point);
        check.Ready.Write(member, place, outcome.Check, calculation);
    }
}
