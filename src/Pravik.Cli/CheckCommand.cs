using System.CommandLine;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Cli;

/// <summary><c>check FILE [--json] [--out DIR]</c>: analyses a bridge and prints the governing checks.</summary>
internal static class CheckCommand
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A bridge as JSON (docs/file-format.md)." };
        var json = new Option<bool>("--json") { Description = "Print JSON, in SI units." };
        var folder = new Option<DirectoryInfo?>("--out") { Description = "Write results.json and calculation.txt into this folder." };
        var command = new Command(
            "check",
            "Analyse a bridge and print its governing checks. Exit status 0: all pass; 1: a check fails; 2: bad input."
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
        if (BridgeRun.Refusal(bridge) is { } reason)
        {
            Console.Error.WriteLine($"{file}: {reason}.");
            return Exit.BadInput;
        }
        BridgeResults results;
        try
        {
            results = BridgeRun.Run(bridge);
        }
        catch (UnstableStructureException problem)
        {
            Console.Error.WriteLine($"{file}: {problem.Message}");
            return Exit.BadInput;
        }
        if (
            folder is not null
            && !(
                BridgeFile.Write(folder, "results.json", Encoding.UTF8.GetBytes(ResultsJson.Write(results)))
                && BridgeFile.Write(folder, "calculation.txt", Encoding.UTF8.GetBytes(CalculationText(bridge, results)))
            )
        )
            return Exit.BadInput;
        Console.WriteLine(asJson ? AsJson(bridge, results) : AsTable(bridge, results));
        return results.Passes ? Exit.Passes : Exit.Fails;
    }

    private static string AsJson(Bridge bridge, BridgeResults results) =>
        JsonSerializer.Serialize(
            new
            {
                bridge = bridge.Name,
                passes = results.Passes,
                utilisation = results.Governing.Worst.Utilisation,
                checks = results
                    .GoverningByGirder()
                    .Select(row => new
                    {
                        girder = row.Point.Point.Girder + 1,
                        span = row.Point.Point.Span + 1,
                        station = row.Point.Point.Station,
                        check = row.Outcome.Name,
                        effect = row.Outcome.Effect,
                        resistance = row.Outcome.Resistance,
                        utilisation = row.Outcome.Utilisation,
                        clause = BendingOutcome.Clause,
                    }),
                balance = results.Model.Balance.Select(b => new
                {
                    load = b.Case,
                    applied = b.Applied,
                    reacted = b.Reacted,
                }),
            },
            Json
        );

    private static string AsTable(Bridge bridge, BridgeResults results)
    {
        var units = UnitSystem.Named(bridge.Basis.Units);
        var moment = units[QuantityKind.Moment].Symbol;
        string[][] rows =
        [
            ["Girder", "Span", "Station", "Check", $"M_Ed, {moment}", $"M_Rd, {moment}", "Utilisation", ""],
            .. results
                .GoverningByGirder()
                .Select(row =>
                    new[]
                    {
                        $"G{row.Point.Point.Girder + 1}",
                        $"{row.Point.Point.Span + 1}",
                        units.Format(row.Point.Point.Station, QuantityKind.Length),
                        row.Outcome.Name,
                        units.Format(row.Outcome.Effect, QuantityKind.Moment),
                        units.Format(row.Outcome.Resistance, QuantityKind.Moment),
                        QuantityText.Fixed(row.Outcome.Utilisation, 3),
                        row.Outcome.Passes ? "" : "FAILS",
                    }
                ),
        ];
        var widths = Enumerable.Range(0, 8).Select(c => rows.Max(r => r[c].Length)).ToArray();
        var text = new StringBuilder($"{bridge.Name}\n\n");
        foreach (var row in rows)
            text.AppendLine(
                string.Join("  ", row.Select((cell, c) => c is 0 or 3 or 7 ? cell.PadRight(widths[c]) : cell.PadLeft(widths[c]))).TrimEnd()
            );
        text.AppendLine();
        text.Append(results.Passes ? "All checks pass" : "A check fails")
            .AppendLine($"; the worst utilisation is {QuantityText.Fixed(results.Governing.Worst.Utilisation, 3)}.");
        return text.Append(GirderCheck.NotCovered).ToString();
    }

    /// <summary>The full calculation of every governing check.</summary>
    private static string CalculationText(Bridge bridge, BridgeResults results)
    {
        var units = UnitSystem.Named(bridge.Basis.Units);
        var geometry = new BridgeGeometry(bridge);
        var check = new GirderCheck(geometry, bridge.Basis.Values);
        var text = new StringBuilder($"{bridge.Name}\n{bridge.Basis.Titles.Project}\nNational set: {bridge.Basis.NationalSet}\n");
        foreach (var (point, outcome) in results.GoverningByGirder())
        {
            var calculation = new Calculation(
                $"{outcome.Name}, {geometry.Girders[point.Point.Girder].Name}, span {point.Point.Span + 1}, station {units.Format(point.Point.Station, QuantityKind.Length)}",
                units
            );
            check.Check(point.Moment, outcome.Bending, calculation);
            text.Append('\n').AppendLine(calculation.Title).AppendLine(new string('=', calculation.Title.Length));
            foreach (var line in calculation.Lines)
            {
                if (line.IsHeading)
                    text.AppendLine().AppendLine(line.Formula);
                else if (line.IsRemark)
                    text.AppendLine($"  {line.Formula} {line.Clause}".TrimEnd());
                else
                    text.AppendLine(
                        $"  {line.Symbol, -12} = {line.Value, 12} {line.Unit, -6}  {line.Formula}{(line.Numbers.Length > 0 ? $" [{line.Numbers}]" : "")}  ({line.Clause})"
                    );
            }
        }
        return text.ToString();
    }
}
