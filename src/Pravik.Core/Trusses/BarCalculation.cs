using Pravik.Core.Calculations;
using Pravik.Core.Units;

namespace Pravik.Core.Trusses;

/// <summary>The calculation of a bar: how its greatest and least force arise, what it can carry, how near it is to each limit.</summary>
public static class BarCalculation
{
    /// <summary>Writes it, line by line.</summary>
    /// <param name="scheme">The scheme, for names of its vehicles.</param>
    /// <param name="results">Its results.</param>
    /// <param name="bar">The bar, by its place in the list.</param>
    /// <param name="lines">To which it is written.</param>
    public static void Write(TrussScheme scheme, TrussResults results, int bar, Calculation lines)
    {
        var (outcome, model) = (results.Bars[bar], results.Forces.Model);
        lines.Heading("Force");
        lines.Line("N_G", "weight of bars and deck, without factor", results.Forces.Weight[bar], QuantityKind.Force, "");
        if (outcome.Most > 0)
            Force(scheme, results, bar, outcome.MostAt, outcome.Most, "t", lines);
        if (outcome.Least < 0)
            Force(scheme, results, bar, outcome.LeastAt, outcome.Least, "c", lines);
        lines.Heading("Resistance, EN 1993-1-1");
        BarResistance.Of(model.Bars[bar].Section, model.Bars[bar].Grade, model.Length(bar), model.Rules, lines);
        lines.Heading("Ratios");
        if (outcome.InTension > 0)
            lines.Ratio("N_Ed,t/N_t,Rd", "in tension", outcome.InTension, 3, "6.2.3");
        if (outcome.InCompression > 0)
            lines.Ratio("N_Ed,c/N_b,Rd", "in compression", outcome.InCompression, 3, "6.3.1");
        if (outcome.SlendernessLimit is not { } limit)
            lines.Remark("Slenderness has no limit here.");
        else if (outcome.Resistance.Slenderness > 0)
        {
            var numbers = $"{QuantityText.Fixed(outcome.Resistance.Slenderness, 1)} / {QuantityText.Fixed(limit, 0)}";
            lines.Ratio("(L/i)/limit", "rule of practice", outcome.Slender, 3, "", numbers);
        }
        lines.Ratio("", "greatest", outcome.Ratio, 3, "");
    }

    /// <summary>Permanent loads with the factor that worsens, and the vehicle where it is worst.</summary>
    private static void Force(TrussScheme scheme, TrussResults results, int bar, int at, double force, string side, Calculation lines)
    {
        var (model, weight) = (results.Forces.Model, results.Forces.Weight[bar]);
        var rules = model.Rules;
        var factor =
            weight * force > 0 ? Math.Max(rules.Permanent, rules.PermanentRelieving) : Math.Min(rules.Permanent, rules.PermanentRelieving);
        var traffic = 0.0;
        if (at >= 0)
        {
            var position = model.Positions[at];
            traffic = results.Forces.Under(position.Loads.AsSpan())[bar];
            var way = position.IsAhead ? "ahead" : "back";
            var where = $"{scheme.Vehicles[position.Vehicle].Name}, {way}, first axle at {lines.Text(position.Front, QuantityKind.Length)}";
            lines.Line($"N_Q,{side}", where, traffic, QuantityKind.Force, "");
        }
        string Part(double gamma, double n) => FormattableString.Invariant($"{gamma:0.####}·({lines.Text(n, QuantityKind.Force)})");
        var numbers = at >= 0 ? $"{Part(factor, weight)} + {Part(rules.Traffic, traffic)}" : Part(factor, weight);
        lines.Line($"N_Ed,{side}", at >= 0 ? "γ_G·N_G + γ_Q·N_Q" : "γ_G·N_G", force, QuantityKind.Force, "EN 1990 (6.10)", numbers);
    }
}
