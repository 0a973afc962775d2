using System.Globalization;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Traffic;

namespace Pravik.Web.Workspaces;

/// <summary>Generated combinations with the factors of what they hold.</summary>
internal static class CombinationTable
{
    private static readonly string[] Columns =
    [
        "Combination",
        "Weights",
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
    public static DataTable Of(Bridge bridge)
    {
        var rules = RoadCombinations.Rules(bridge.Basis.Values, bridge.Basis.IndirectAtUltimate);
        var made = rules.Where(r => TrafficPlan.Has(bridge, r.Group));
        return new(
            "Generated combinations",
            [.. Columns.Select((c, i) => new TableColumn(c, i is > 0 and not 4 and < 9))],
            [.. made.Select(Row)]
        );
    }

    private static TableRow Row(CombinationRule rule)
    {
        double?[] numbers =
        [
            null,
            rule.WeightAdverse,
            rule.Restraint,
            rule.Settlement,
            null,
            rule.Traffic,
            rule.Temperature,
            rule.Wind + rule.WindWithTraffic,
            rule.Own,
            null,
        ];
        string Text(int i) => Number(numbers[i] ?? 0);
        // Where they worsen and where they relieve.
        var weights = rule.WeightAdverse == rule.WeightRelieving ? Text(1) : $"{Text(1)} / {Number(rule.WeightRelieving)}";
        var wind = rule.WindWithTraffic > 0 ? $"{Text(7)} ψ₀" : Text(7);
        var own = Text(8).Length == 0 ? "" : $"{Text(8)} {Psi(rule.OwnPart)}";
        string[] cells = [rule.Name, weights, Text(2), Text(3), Words(rule.Group), Text(5), Text(6), wind, own, rule.Clause];
        return new(cells, numbers, null, null, false);
    }

    private static string Number(double value) => value == 0 ? "" : value.ToString("0.###", CultureInfo.InvariantCulture);

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
            _ => "",
        };
}
