using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Units;

namespace Pravik.Core.Effects;

/// <summary>The combinations of actions that are worked out.</summary>
public enum Combination
{
    /// <summary>Ultimate, expression (6.10) of EN 1990.</summary>
    Ultimate,
    Characteristic,
    Frequent,
    QuasiPermanent,
}

/// <summary>Greatest and least value of an effect.</summary>
public readonly record struct Envelope(double Max, double Min);

/// <summary>Combinations of EN 1990 Annex A2 for road bridges, with traffic as the leading action.</summary>
public static class Combinations
{
    /// <summary>Both ends of a combination at a point.</summary>
    public static Envelope Of(Combination combination, PointEffects effects, NationalValues values) =>
        new(Side(combination, effects, values, true), Side(combination, effects, values, false));

    /// <summary>
    /// Ultimate: Σ γG·G + γQ·Q, each permanent action with γG,sup where it adds and γG,inf where it relieves (6.10). Characteristic:
    /// Σ G + Q. Frequent: Σ G + ψ1·Q. Quasi-permanent: Σ G + ψ2·Q. Q is the worse of group 1a (load model 1 with the reduced
    /// footway load) and group 3 (footways alone), EN 1991-2 Table 4.4a; no traffic where it would relieve.
    /// </summary>
    public static double Side(
        Combination combination,
        PointEffects effects,
        NationalValues values,
        bool greatest,
        Calculation? calculation = null
    )
    {
        double permanent = 0;
        var number = 0;
        foreach (var (name, value) in effects.Permanent.Named)
        {
            number++;
            var factor =
                combination != Combination.Ultimate ? 1
                : value > 0 == greatest ? values["gammaGsup"]
                : values["gammaGinf"];
            permanent += factor * value;
            calculation?.Line(
                Symbol(effects.Kind, $"G{number}"),
                $"{name}, factor γ_G = {QuantityText.Fixed(factor, 2)}",
                value,
                Quantity(effects.Kind),
                "EN 1990 Table A2.4(B)"
            );
        }
        var traffic = Traffic(combination, effects, values, greatest, calculation);
        var total = permanent + traffic;
        calculation?.Line(
            Symbol(effects.Kind, "Ed"),
            combination == Combination.Ultimate ? "Σ γ_G G + γ_Q Q" : "Σ G + ψ Q",
            total,
            Quantity(effects.Kind),
            "EN 1990 (6.10)",
            $"{calculation.Text(permanent, Quantity(effects.Kind))} + {calculation.Text(traffic, Quantity(effects.Kind))}"
        );
        return total;
    }

    private static double Traffic(
        Combination combination,
        PointEffects effects,
        NationalValues values,
        bool greatest,
        Calculation? calculation
    )
    {
        var (tandem, lane, foot) = combination switch
        {
            Combination.Ultimate => (values["gammaQtraffic"], values["gammaQtraffic"], values["gammaQtraffic"]),
            Combination.Characteristic => (1, 1, 1),
            Combination.Frequent => (values["psi1tandem"], values["psi1lane"], values["psi1footway"]),
            _ => (values["psi2tandem"], values["psi2lane"], values["psi2footway"]),
        };
        var range = effects.Traffic;
        var model =
            combination == Combination.Frequent ? (greatest ? range.FrequentMax : range.FrequentMin)
            : greatest ? range.Max
            : range.Min;
        var footway = greatest ? range.FootwayMax : range.FootwayMin;
        var group1 = tandem * model.Tandem + lane * model.Distributed + foot * values["footwayWithTraffic"] * footway;
        var group3 = foot * values["footwayAlone"] * footway;
        var first = Math.Abs(group1) >= Math.Abs(group3);
        if (calculation is { } c)
        {
            var kind = Quantity(effects.Kind);
            c.Line(Symbol(effects.Kind, "TS"), "tandem systems, load model 1", model.Tandem, kind, "EN 1991-2 4.3.2");
            c.Line(Symbol(effects.Kind, "UDL"), "lane loads and remaining area", model.Distributed, kind, "EN 1991-2 4.3.2");
            c.Line(
                Symbol(effects.Kind, "f"),
                $"footways, {c.Text(values["footwayWithTraffic"], QuantityKind.AreaLoad)} with load model 1",
                values["footwayWithTraffic"] * footway,
                kind,
                "EN 1991-2 Table 4.4a"
            );
            c.Line(
                Symbol(effects.Kind, "Q"),
                first
                    ? $"group 1a governs, factors {QuantityText.Fixed(tandem, 2)}, {QuantityText.Fixed(lane, 2)}, {QuantityText.Fixed(foot, 2)}"
                    : $"group 3 governs, footways alone with {c.Text(values["footwayAlone"], QuantityKind.AreaLoad)}",
                first ? group1 : group3,
                kind,
                "EN 1990 Table A2.1, A2.4(B)"
            );
        }
        return first ? group1 : group3;
    }

    private static string Symbol(EffectKind kind, string index) => $"{(kind == EffectKind.Moment ? "M" : "V")}_{index}";

    private static QuantityKind Quantity(EffectKind kind) => kind == EffectKind.Moment ? QuantityKind.Moment : QuantityKind.Force;
}
