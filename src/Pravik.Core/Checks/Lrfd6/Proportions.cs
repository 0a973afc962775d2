using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>Limits of proportion of webs and flanges (AASHTO LRFD 6.10.2), each a check of its own.</summary>
public sealed class Proportions : ISteelCheck
{
    /// <summary>D/t_w of webs without longitudinal stiffeners (6.10.2.1.1).</summary>
    public const double WebWithoutStiffeners = 150;

    private const string OfFlanges = "AASHTO LRFD 6.10.2.2";

    /// <inheritdoc/>
    public string Id => "proportions";

    /// <inheritdoc/>
    public string Subject => "proportions of plates";

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready();

    /// <summary>A limit: its symbol, value, the most or least, and clause.</summary>
    private readonly record struct Limit(string Symbol, double Value, double Bound, bool IsMost, string Words, string Clause)
    {
        public double Utilisation => IsMost ? Value / Bound : Bound / Value;
    }

    private sealed class Ready : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place)
        {
            var point = member.Points[place];
            return point.Steel.IsEmpty ? [] : [Of(point, null)];
        }

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) => Of(member.Points[place], calculation);

        private static CheckOutcome Of(MemberPoint point, Calculation? c)
        {
            var all = point.Steel.SelectMany(Limits).ToList();
            var worst = all.MaxBy(l => l.Utilisation);
            if (c is not null)
            {
                foreach (var steel in point.Steel)
                {
                    c.Heading(steel.Side.Length == 0 ? "Proportions" : $"Proportions {steel.Side}");
                    foreach (var l in Limits(steel))
                        c.Ratio(l.Symbol, $"{l.Words}: {(l.IsMost ? "at most" : "at least")} {l.Bound:0.##}", l.Value, 3, l.Clause);
                }
                c.Heading("Check");
                c.Ratio("η", CheckWords.Met($"{worst.Symbol} against its limit", worst.Utilisation), worst.Utilisation, 3, worst.Clause);
            }
            return new(
                "proportions.plates",
                $"Proportions: {worst.Words}",
                point.Number,
                point.Number,
                worst.Value,
                worst.Bound,
                worst.Utilisation,
                worst.Clause
            )
            {
                Kind = QuantityKind.Number,
                State = null,
            };
        }

        private static IEnumerable<Limit> Limits(MemberSteel steel)
        {
            var p = steel.Plates;
            yield return new("D / t_w", p.WebSlenderness, WebWithoutStiffeners, true, "web", "AASHTO LRFD 6.10.2.1.1");
            foreach (var (name, symbol, flange) in new[] { ("top flange", "t", p.Top), ("bottom flange", "b", p.Bottom) })
            {
                yield return new($"b_f{symbol} / 2 t_f{symbol}", flange.Slenderness, 12, true, $"slenderness of the {name}", OfFlanges);
                yield return new($"b_f{symbol} / D", flange.Width / p.WebDepth, 1.0 / 6, false, $"width of the {name}", OfFlanges);
                yield return new(
                    $"t_f{symbol} / t_w",
                    flange.Thickness / p.WebThickness,
                    1.1,
                    false,
                    $"thickness of the {name}",
                    OfFlanges
                );
            }
            var ratio = p.Top.LateralSecondMoment / p.Bottom.LateralSecondMoment;
            yield return new("I_yt / I_yb", ratio, 10, true, "flanges against each other", OfFlanges);
            yield return new("I_yt / I_yb", ratio, 0.1, false, "flanges against each other", OfFlanges);
        }
    }
}
