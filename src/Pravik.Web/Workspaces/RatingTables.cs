using Pravik.Core.Checks;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>The rating of traffic: a row for every traffic, girder and check, and what the factors mean.</summary>
internal static class RatingTables
{
    /// <summary>The least factor of every traffic and rule.</summary>
    public static IReadOnlyList<RatingBar> Bars(IReadOnlyList<RatedCheck> rated) =>
        [
            .. rated
                .GroupBy(r => (r.Basis.Traffic, r.Basis.Rule))
                .Select(g => g.MinBy(r => r.Factor)!)
                .OrderBy(r => r.Factor)
                .Select(r => new RatingBar(NameOf(r.Basis), r.Factor, r.Member.Name)),
        ];

    private static string NameOf(RatingBasis basis) => $"{basis.Traffic}, {basis.Rule}";

    /// <summary>All factors, the least first.</summary>
    public static DataTable Of(IReadOnlyList<RatedCheck> rated, Screen screen)
    {
        return new(
            "Rating factors, least first",
            [
                new("Traffic", false),
                new("Rule", false),
                new("Girder", false),
                new("Check", false),
                new("Span", true),
                new("Station", true),
                new("Factor", true),
                new("Beside", true),
                new("Traffic once", true),
                new("Resistance", true),
            ],
            [.. rated.Select(r => Row(r, screen))]
        );
    }

    private static TableRow Row(RatedCheck rated, Screen screen)
    {
        var (results, outcome, units) = (screen.Latest!.Results, rated.Outcome, screen.Units);
        var point = results.Points[outcome.Point];
        var isForce = outcome.Kind == QuantityKind.Force;
        // Where the axial force leads, the moments are those that act with it.
        var greatest = outcome.Leads == GirderEffect.M ? outcome.Check.EndsWith("sagging", StringComparison.Ordinal) : outcome.IsGreatest;
        double At(EffectRange range, int place) =>
            range.Together(results.Model.Layout.At(place, outcome.Leads), greatest)[(int)(isForce ? GirderEffect.V : GirderEffect.M)];
        double Acting(EffectRange range)
        {
            var here = At(range, outcome.Source);
            return outcome.Towards is { } to ? here + to.Part * (At(range, to.Point) - here) : here;
        }
        var beside = Acting(rated.Basis.Others);
        var once = rated.Basis.Factor * Acting(rated.Basis.Load);
        // What acts is a moment or a shear, though steel sets stresses against its resistance.
        string Acts(double value) => units.FormatWithUnit(value, isForce ? QuantityKind.Force : QuantityKind.Moment);
        return new(
            [
                rated.Basis.Traffic,
                rated.Basis.Rule,
                rated.Member.Name,
                outcome.Name,
                $"{point.Span + 1}",
                units.Format(point.Station, QuantityKind.Length),
                rated.Factor >= Rating.Most ? $"above {Rating.Most:0}" : QuantityText.Fixed(rated.Factor, 2),
                Acts(beside),
                Acts(once),
                ResultViews.Value(outcome.Resistance, outcome, units),
            ],
            [null, null, point.Girder.Number, null, point.Span.Number, point.Station, rated.Factor, beside, once, outcome.Resistance],
            results.PathOf(outcome),
            null,
            false
        );
    }

    /// <summary>What the factors mean, and what they leave out.</summary>
    public static Ledger Ledger(Screen screen)
    {
        var rated = screen.Latest?.Results.Ratings ?? [];
        var least = rated.Select(r => r.Factor).DefaultIfEmpty(0).Min();
        List<LedgerRow> rows = rated.Count == 0 ? [] : [LedgerRows.Reading("Least factor", QuantityText.Fixed(least, 2))];
        rows.AddRange(
            rated.GroupBy(r => NameOf(r.Basis)).Select(g => LedgerRows.Reading(g.Key, QuantityText.Fixed(g.Min(r => r.Factor), 2)))
        );
        return new(
            "Rating",
            "what traffic may weigh",
            [
                new("Readings: least factors", rows)
                {
                    Note =
                        "How many times as heavy a traffic may be until a check of a girder is just met: (C − D)/(γ·L), worked out with "
                        + "the checks themselves. From 1 on it may drive. Load model 1 and the models and own vehicles that are chosen "
                        + "under Loads, Vehicles are rated.",
                },
                new("How", [])
                {
                    Note =
                        "Each traffic goes alone, with its dynamic factor and the factor of traffic, beside permanent actions, prestress "
                        + "and settlement as at the ultimate state (EN 1990, 6.10). Models with design lanes: 1.25 DC + 1.5 DW and 1.75 "
                        + "(inventory) or 1.35 (operating) on the load (AASHTO, MBE 6A.4.2.2), with the resistance of this project’s "
                        + "standard; condition and system factors are 1.",
                },
                new("Not in it", [])
                {
                    Note =
                        "Temperature, wind, braking and footways beside the traffic. Not checked and so not rated: "
                        + $"{string.Join(", ", screen.Latest?.Results.NotChecked ?? [])}.",
                },
            ]
        );
    }
}
