using System.Globalization;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;

namespace Pravik.Web.Workspaces;

/// <summary>Generated combinations with the factors of what they hold.</summary>
internal static class CombinationTable
{
    /// <summary>Under which own factors are picked.</summary>
    public const string Factors = "/actions/ownFactors/";

    private const string Own = "*";

    private static readonly string[] Columns =
    [
        "Combination",
        "Weights",
        "Surfacing",
        "Restraint",
        "Settlement",
        "Traffic",
        "Factor",
        "Temperature",
        "Wind",
        "Own",
        "Clause",
    ];

    /// <summary>The rules of a bridge; those of groups that it does not have are left out.</summary>
    /// <param name="bridge">The bridge.</param>
    /// <param name="picked">Id of the rule that is looked at.</param>
    public static DataTable Of(Bridge bridge, string? picked) =>
        new(
            "Generated combinations",
            [.. Columns.Select((c, i) => new TableColumn(c, i is > 0 and not 5 and < 10))],
            [.. GeneratedRules.Of(bridge).Select(r => Row(r, bridge.Actions, r.Id == picked))]
        );

    private static TableRow Row(CombinationRule rule, Actions actions, bool isPicked)
    {
        double?[] numbers =
        [
            null,
            rule.IsRange ? 0 : rule.WeightAdverse,
            rule.SurfacingAdverse,
            rule.IsRange ? 0 : rule.Restraint,
            rule.IsRange ? 0 : rule.Settlement,
            null,
            rule.Traffic,
            rule.Temperature + rule.Uniform,
            rule.Wind + rule.WindWithTraffic,
            rule.Own,
            null,
        ];
        var variable = rule.Own == 0 ? "" : $"{Number(rule.Own)} {Psi(rule.OwnPart)}";
        var own = rule.Accidental > 0 ? $"{variable} + {Number(rule.Accidental)} A" : variable;
        var wind = rule.WindWithTraffic > 0 && rule.SurfacingAdverse is null ? $"{Number(rule.WindWithTraffic)} ψ₀" : Number(numbers[8]);
        var name = rule.Name + (actions.OwnFactors.Keys.Any(k => k.StartsWith($"{rule.Id}.", StringComparison.Ordinal)) ? $" {Own}" : "");
        string[] cells =
        [
            name,
            rule.IsRange ? "" : Both(rule.WeightAdverse, rule.WeightRelieving),
            rule.SurfacingAdverse is { } adverse ? Both(adverse, rule.SurfacingRelieving ?? adverse) : "",
            Number(numbers[3]),
            Number(numbers[4]),
            Words(rule.Group),
            Number(rule.Traffic),
            // Uniform change, and difference over the depth.
            rule.Difference > 0
                ? $"{Number(rule.Uniform)} + {Number(rule.Difference)} Δ"
                : Number(numbers[7]),
            wind,
            own,
            rule.Clause,
        ];
        return new(cells, numbers, Factors + rule.Id, null, isPicked);
    }

    /// <summary>Where they worsen and where they relieve.</summary>
    private static string Both(double adverse, double relieving) =>
        adverse == relieving ? Number(adverse) : $"{Number(adverse)} / {Number(relieving)}";

    private static string Number(double? value) => value is null or 0 ? "" : value.Value.ToString("0.###", CultureInfo.InvariantCulture);

    private static string Psi(OwnPart part) =>
        part switch
        {
            OwnPart.Psi0 => "ψ₀",
            OwnPart.Psi1 => "ψ₁",
            _ => "ψ₂",
        };

    private static string Words(TrafficGroup group) =>
        group switch
        {
            TrafficGroup.Group1a => "1a: LM1, footways",
            TrafficGroup.Group1aBeside => "1a with ψ₀",
            TrafficGroup.Group1aFrequent => "1a with ψ₁",
            TrafficGroup.Group1aQuasiPermanent => "1a with ψ₂",
            TrafficGroup.Group1b => "1b: single axle",
            TrafficGroup.Group2 => "2: braking, LM1 with ψ₁",
            TrafficGroup.Group3 => "3: footways alone",
            TrafficGroup.Group4 => "4: crowd",
            TrafficGroup.Group5 => "5: special vehicles",
            TrafficGroup.Rail => "railway, upright",
            TrafficGroup.Live => "HL-93, braking, footways",
            TrafficGroup.Permit => "permit vehicles",
            TrafficGroup.FatigueTruck => "fatigue truck",
            TrafficGroup.FatigueModels => "fatigue load models",
            _ => "",
        };
}
