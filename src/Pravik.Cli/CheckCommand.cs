using System.CommandLine;
using System.Text;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Members;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Stages;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Cli;

/// <summary><c>check FILE [--json] [--out DIR]</c>: analyses a bridge and prints the governing checks.</summary>
internal static class CheckCommand
{
    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A bridge as JSON (docs/file-format.md)." };
        var json = new Option<bool>("--json") { Description = "Print JSON, in SI units." };
        var folder = new Option<DirectoryInfo?>("--out") { Description = "Write results.json and calculation.txt into this folder." };
        var command = new Command(
            "check",
            "Analyse a bridge and print its governing checks. Exit status 0: what is checked passes; 1: a check fails; 2: bad input."
        )
        {
            file,
            json,
            folder,
        };
        command.SetAction(parsed => Run(parsed.GetRequiredValue(file), parsed.GetValue(json), parsed.GetValue(folder)));
        return command;
    }

    private static int Run(string file, bool asJson, DirectoryInfo? folder)
    {
        if (BridgeFile.Read(file) is not { } bridge)
            return Exit.BadInput;
        if (Refusal(bridge) is { } reason)
        {
            Console.Error.WriteLine($"{file}: {reason}.");
            return Exit.BadInput;
        }
        BridgeResults results;
        try
        {
            results = BridgeRun.Run(bridge);
        }
        catch (ModelRefusedException problem)
        {
            Console.Error.WriteLine($"{file}: {problem.Message}");
            return Exit.BadInput;
        }
        var summary = CheckSummary.Of(bridge.Name, results);
        if (
            folder is not null
            && !(
                BridgeFile.Write(folder, "results.json", Encoding.UTF8.GetBytes(summary.Write()))
                && BridgeFile.Write(folder, "calculation.txt", Encoding.UTF8.GetBytes(CalculationText(bridge, results)))
            )
        )
            return Exit.BadInput;
        Console.WriteLine(asJson ? summary.Write() : AsTable(bridge, summary));
        return results.Fails ? Exit.Fails : Exit.Passes;
    }

    /// <summary>Why a bridge is not analysed, or no check covers it; null where one does.</summary>
    private static string? Refusal(Bridge bridge)
    {
        if (BridgeRun.Refusal(bridge) is { } reason)
            return reason;
        var form = GirderMembers.FormOf(new(bridge, placeGirders: false));
        var reasons = CheckCatalog.All.Where(c => c.IsFor(form)).Select(c => c.Refusal(form, bridge.Basis.Standard)).ToList();
        return reasons.All(r => r is not null) ? reasons[0] : null;
    }

    private static string AsTable(Bridge bridge, CheckSummary summary)
    {
        var units = UnitSystem.Named(bridge.Basis.Units);
        string[][] rows =
        [
            ["Girder", "Span", "Station", "Check", "Effect", "Resistance", "Utilisation", ""],
            .. summary.Checks.Select(row =>
                new[]
                {
                    $"G{row.Girder}",
                    $"{row.Span}",
                    units.Format(row.Station, QuantityKind.Length),
                    row.Check,
                    Value(row.Effect, row.Kind),
                    Value(row.Resistance, row.Kind),
                    QuantityText.Fixed(row.Utilisation, 3),
                    row.Utilisation <= 1 ? "" : "FAILS",
                }
            ),
        ];
        string[][] slabs =
        [
            ["Slab across, span", "Offset", "Check, per metre", "Effect", "Resistance", "Utilisation", ""],
            .. summary.Slabs.Select(row =>
                new[]
                {
                    $"{row.Span}",
                    units.Format(row.Offset, QuantityKind.Length),
                    row.Check,
                    Value(row.Effect, row.Kind),
                    Value(row.Resistance, row.Kind),
                    QuantityText.Fixed(row.Utilisation, 3),
                    row.Utilisation <= 1 ? "" : "FAILS",
                }
            ),
        ];
        string Value(double value, QuantityKind kind) =>
            kind == QuantityKind.Number ? QuantityText.Significant(value, 3) : units.FormatWithUnit(value, kind);
        var ofSlabs = summary.Slabs.IsEmpty ? "" : $"\n{TextTable.Of(slabs, 2, 6)}";
        var tables = $"{TextTable.Of(rows, 0, 3, 7)}{ofSlabs}";
        return $"{bridge.Name}\n\n{tables}\n{CheckText.Verdict(summary.Checked, summary.Fails, summary.Utilisation)}"
            + $"\n{CheckWords.Missing(summary.NotChecked)}";
    }

    /// <summary>The full calculation of every governing check.</summary>
    private static string CalculationText(Bridge bridge, BridgeResults results)
    {
        var (units, geometry) = (UnitSystem.Named(bridge.Basis.Units), new BridgeGeometry(bridge));
        var text = new StringBuilder($"{bridge.Name}\n{bridge.Basis.Titles.Project}\nNational set: {bridge.Basis.NationalSet}\n");
        foreach (var outcome in results.GoverningByGirder())
        {
            var point = results.Points[outcome.Point];
            var place = $"{geometry.Girders[point.Girder].Name}, span {point.Span + 1}";
            var calculation = new Calculation(
                $"{outcome.Name}, {place}, station {units.Format(point.Station, QuantityKind.Length)}",
                units
            );
            results.Write(outcome, calculation);
            text.Append(CheckText.Of(calculation));
        }
        foreach (var (slab, outcome) in results.GoverningOfSlabs())
        {
            var at = units.Format(slab.OffsetOf(outcome), QuantityKind.Length);
            var calculation = new Calculation($"{outcome.Name}, slab across, span {slab.Span.Number}, offset {at}, per metre", units);
            slab.Write(outcome, calculation);
            text.Append(CheckText.Of(calculation));
        }
        return text.ToString();
    }
}
