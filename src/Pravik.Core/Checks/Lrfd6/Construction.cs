using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Checks.Steel;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// The steel alone stage by stage until a slab acts with it (AASHTO LRFD 6.10.3.2): the flange in compression between braces against
/// yielding, F_nc and web bend-buckling, the one in tension against yielding. Weights count 1.4 times (3.4.2.1).
/// </summary>
public sealed class Construction : ISteelCheck
{
    private const string Clause = "AASHTO LRFD 6.10.3.2";

    /// <summary>Factor of permanent loads on steel while it is built (3.4.2.1).</summary>
    private const double Factor = 1.4;

    /// <inheritdoc/>
    public string Id => "construction";

    /// <inheritdoc/>
    public string Subject => "steel girders while they are built";

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        private readonly Dictionary<(Member, int Stage), FlangeStresses> along = members
            .SelectMany(m => m.Stages.Select((s, i) => (Key: (m, i), new FlangeStresses(m, s.Effects))))
            .ToDictionary(s => s.Key, s => s.Item2);

        public IEnumerable<string> LeftOut =>
            ["equipment, overhang brackets and wind while it is built", "tension of the slab while it is cast in parts"];

        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            if (!member.Points[place].Steel.IsEmpty && Worst(member, place) is { } worst)
                yield return worst.Outcome;
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var (stage, steel, _) = Worst(member, place)!.Value;
            return Of(member, place, stage, steel, calculation);
        }

        private (int Stage, MemberSteel Steel, CheckOutcome Outcome)? Worst(Member member, int place)
        {
            (int, MemberSteel, CheckOutcome Outcome)? worst = null;
            for (var stage = 0; stage < member.Stages.Length; stage++)
            {
                if (along[(member, stage)].Moments(place, true) is not { Bare: not 0, Composite: 0 })
                    continue;
                foreach (var steel in member.Points[place].Steel)
                {
                    var found = Of(member, place, stage, steel, null);
                    if (worst is null || found.Utilisation > worst.Value.Outcome.Utilisation)
                        worst = (stage, steel, found);
                }
            }
            return worst;
        }

        private CheckOutcome Of(Member member, int place, int stage, MemberSteel steel, Calculation? c)
        {
            var (built, flanges, number) = (member.Stages[stage], along[(member, stage)], member.Points[place].Number);
            var moment = Factor * flanges.Moments(place, true).Bare;
            var top = moment > 0;
            var stresses = new SteelStresses(steel, new(moment, 0, 0, 0), false);
            var (flange, gradient) = (
                new CompressionFlange(steel, top, stresses.WebInCompression(top), true),
                flanges.Gradient(steel, true, top)
            );
            if (c is not null)
            {
                c.Heading("Effect");
                EffectLines.Write(c, built.Effects, built.Effects.Layout.At(number, GirderEffect.M), true, "M", QuantityKind.Moment);
                c.Line("M_u", $"1.4 times the sum, {built.Name.ToLowerInvariant()}", moment, QuantityKind.Moment, "AASHTO LRFD 3.4.2.1");
                stresses.Write(c, top, Clause);
            }
            var (compressed, pulled) = (-stresses.Flange(top), stresses.Flange(!top));
            var inCompression = LateralBending.Stress(steel, top, moment, -compressed, flange, gradient, c);
            var yield = SteelGirders.Phi * steel.FlangeYield(top);
            if (c is not null)
                flange.Write(c, steel.Unbraced.Length, gradient);
            var resistance = SteelGirders.Phi * flange.Resistance(steel.Unbraced.Length, gradient);
            var critical = WebBendBuckling.Stress(steel, top, stresses.WebInCompression(top), c);
            if (c is not null)
                stresses.Write(c, !top, Clause);
            var inTension = LateralBending.Stress(steel, !top, moment, pulled, null, 1, c);
            var (name, other) = top ? ("top flange", "bottom flange") : ("bottom flange", "top flange");
            LimitResult Part(string words, double effect, double limit) =>
                new(words, effect, limit, Math.Abs(effect) / Math.Abs(limit), QuantityKind.Stress, Clause);
            LimitResult[] all =
            [
                Part($"{name}, buckling", -(compressed + inCompression / 3), -resistance),
                Part($"{name}, yielding", -(compressed + inCompression), -yield),
                Part($"{name}, sideways", -inCompression, -LateralBending.Most * yield),
                .. flange.HasSlenderWeb ? new[] { Part("web", -compressed, -SteelGirders.Phi * critical) } : [],
                Part($"{other}, yielding", pulled + inTension, SteelGirders.Phi * steel.FlangeYield(!top)),
                Part($"{other}, sideways", inTension, LateralBending.Most * steel.FlangeYield(!top)),
            ];
            var worst = all.Aggregate(LimitResult.Worse);
            if (c is not null)
            {
                c.Heading("Check");
                foreach (var part in all)
                    c.Ratio("η", part.Name, part.Utilisation, 3, Clause);
                c.Ratio("η", CheckWords.Met($"the greatest, {worst.Name}", worst.Utilisation), worst.Utilisation, 3, Clause);
            }
            return new(
                "construction.built",
                $"While built, {worst.Name}",
                number,
                number,
                worst.Effect,
                worst.Resistance,
                worst.Utilisation,
                Clause
            )
            {
                Kind = QuantityKind.Stress,
                State = null,
            };
        }
    }
}
