using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Deflection under frequent traffic against the span over a limit that the engineer types (EN 1990 A2.4.1; of railway bridges A2.4.4.2.3).
/// </summary>
/// <remarks>Deflections are those of the uncracked model, so that members which crack in service are left out.</remarks>
public sealed class TrafficDeflection : ICheck
{
    private const string Clause = "EN 1990 A2.4";

    /// <inheritdoc/>
    public string Id => "deflection";

    /// <inheritdoc/>
    public string Subject => "deflection under frequent traffic";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        private readonly Dictionary<(Member, int Span), double> spans = members
            .SelectMany(m =>
                m.Points.GroupBy(p => p.Span).Select(s => (Key: (m, s.Key), Length: s.Max(p => p.Distance) - s.Min(p => p.Distance)))
            )
            .ToDictionary(s => s.Key, s => s.Length);

        public IEnumerable<string> LeftOut =>
            members.All(m => m.DeflectionLimit is null) ? ["deflections, for which no limit is typed"]
            : members.Any(m => m.Form == MemberForm.CastInPlace) ? ["deflections of members that crack in service"]
            : members.All(m => m.FrequentTraffic is null) ? ["deflections, as no traffic is there"]
            : [];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            var point = member.Points[place];
            if (
                point.Section is not null
                && member.Form != MemberForm.CastInPlace
                && member is { DeflectionLimit: not null, FrequentTraffic: not null }
            )
                yield return Of(member, point, null);
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) =>
            Of(member, member.Points[place], calculation);

        private CheckOutcome Of(Member member, MemberPoint point, Calculation? c)
        {
            var (range, limit) = (member.FrequentTraffic!, member.DeflectionLimit!.Value);
            var effect = range.Layout.At(point.Number, GirderEffect.Deflection);
            var isGreatest = range.Greatest[effect] > -range.Least[effect];
            var deflection = range.Side(isGreatest)[effect];
            var (length, most) = (spans[(member, point.Span)], spans[(member, point.Span)] / limit);
            var utilisation = Math.Abs(deflection) / most;
            if (c is not null)
            {
                c.Heading("Deflection");
                var governing = range.Governing(effect, isGreatest);
                c.Remark($"{governing.Name}, upward positive.", governing.Clause);
                EffectLines.Write(c, governing, effect, isGreatest, "δ", QuantityKind.Size);
                c.Line("δ", "sum, the section uncracked", deflection, QuantityKind.Size, governing.Clause);
                c.Heading("Check");
                c.Line("L", "span", length, QuantityKind.Length, "entered");
                c.Line("δ_lim", $"L / {limit:0.#}", most, QuantityKind.Size, "entered");
                c.Ratio("η", CheckWords.Met("|δ| / δ_lim", utilisation), utilisation, 3, Clause);
            }
            return new("deflection.traffic", "Deflection under traffic", point.Number, point.Number, deflection, most, utilisation, Clause)
            {
                Kind = QuantityKind.Size,
                Leads = GirderEffect.Deflection,
                IsGreatest = isGreatest,
                State = null,
            };
        }
    }
}
