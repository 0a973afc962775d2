using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// A check at the ultimate state, made anew in accidental situations: combinations of EN 1990 (6.11b) against resistances with the partial
/// factors of EN 1992-1-1 Table 2.1N. Members without accidental actions are left out.
/// </summary>
/// <remarks>The transmission of prestress stays that of persistent situations: strands are released in none of these.</remarks>
public sealed class InAccident(ICheck check) : ICheck
{
    /// <inheritdoc/>
    public string Id => $"accidental-{check.Id}";

    /// <inheritdoc/>
    public string Subject => $"{check.Subject} in accidental situations";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => check.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members)
    {
        var values = members.Select(m => m.Values).Distinct().ToDictionary(v => v, v => v.InAccidents());
        var there = members
            .Where(m => m.Accidental is not null)
            .ToDictionary(m => m, m => m with { Effects = _ => m.Accidental!, Values = values[m.Values] });
        return new Ready(check.Of([.. there.Values]), there);
    }

    private sealed class Ready(IMemberCheck check, Dictionary<Member, Member> there) : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place) =>
            there.TryGetValue(member, out var hit) ? check.At(hit, place).Where(o => o.Check != "shear.least").Select(Named) : [];

        public CheckOutcome Write(Member member, int place, string of, Calculation calculation) =>
            Named(check.Write(there[member], place, of["accidental-".Length..], calculation));

        private static CheckOutcome Named(CheckOutcome o) =>
            o with
            {
                Check = $"accidental-{o.Check}",
                Name = $"{o.Name}, accidental",
                State = o.State is null ? null : LimitState.Accidental,
            };
    }
}
