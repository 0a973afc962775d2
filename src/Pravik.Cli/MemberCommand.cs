using System.CommandLine;
using System.Text;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Findings;
using Pravik.Core.Frames;
using Pravik.Core.LoneMembers;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Cli;

/// <summary><c>member FILE [--json] [--out DIR]</c>: analyses a member alone and prints the governing checks.</summary>
internal static class MemberCommand
{
    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A member as JSON (docs/member-format.md)." };
        var json = new Option<bool>("--json") { Description = "Print JSON, in SI units." };
        var folder = new Option<DirectoryInfo?>("--out") { Description = "Write results.json and calculation.txt into this folder." };
        var command = new Command(
            "member",
            "Analyse a member alone and print its governing checks. Exit status 0: what is checked passes; 1: a check fails; 2: bad input."
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
        if (BridgeFile.ReadText(file) is not { } text)
            return Exit.BadInput;
        var reading = Formats.Member.Read(text);
        BridgeFile.Print(file, reading.Findings);
        if (reading.Document is not { } member || reading.Findings.Any(f => f.Severity == Severity.Fault))
            return Exit.BadInput;
        LoneRun run;
        try
        {
            run = new(member);
        }
        catch (FrameRefusedException problem)
        {
            Console.Error.WriteLine($"{file}: {problem.Message}");
            return Exit.BadInput;
        }
        var summary = MemberSummary.Of(run);
        if (
            folder is not null
            && !(
                BridgeFile.Write(folder, "results.json", Encoding.UTF8.GetBytes(summary.Write()))
                && BridgeFile.Write(folder, "calculation.txt", Encoding.UTF8.GetBytes(CalculationText(run)))
            )
        )
            return Exit.BadInput;
        Console.WriteLine(asJson ? summary.Write() : AsTable(member, summary));
        return run.Checks.Fails ? Exit.Fails : Exit.Passes;
    }

    private static string AsTable(LoneMember member, MemberSummary summary)
    {
        var units = UnitSystem.Named(member.Basis.Units);
        string Value(double value, MemberCheckRow of) =>
            of.Kind == QuantityKind.Number ? QuantityText.Significant(value, 3) : units.FormatWithUnit(value, of.Kind);
        string[][] rows =
        [
            ["Span", "At", "Check", "Effect", "Resistance", "Utilisation", ""],
            .. summary.Checks.Select(row =>
                new[]
                {
                    $"{row.Span}",
                    units.FormatWithUnit(row.At, QuantityKind.Length),
                    row.Check,
                    Value(row.Effect, row),
                    Value(row.Resistance, row),
                    QuantityText.Fixed(row.Utilisation, 3),
                    row.Utilisation <= 1 ? "" : "FAILS",
                }
            ),
        ];
        return $"{member.Name}\n\n{TextTable.Of(rows, 2, 6)}\n{Reactions(summary, units)}"
            + $"{CheckText.Verdict(summary.Checked, summary.Fails, summary.Utilisation)}\n{CheckWords.Missing(summary.NotChecked)}";
    }

    /// <summary>Reactions of each support, without partial factors; nothing where effects are given.</summary>
    private static string Reactions(MemberSummary summary, UnitSystem units)
    {
        if (summary.Reactions.IsEmpty)
            return "";
        var force = units[QuantityKind.Force];
        string Value(double value) => QuantityText.Fixed(value / force.Factor, 1);
        string Both(double greatest, double least) => greatest == least ? Value(greatest) : $"{Value(greatest)} / {Value(least)}";
        string[][] rows =
        [
            [$"Reactions ({force.Symbol})", .. summary.Reactions[0].Greatest.Select((_, s) => $"Support {s + 1}")],
            .. summary.Reactions.Select(r => (string[])[r.Load, .. r.Greatest.Select((g, s) => Both(g, r.Least[s]))]),
        ];
        return $"{TextTable.Of(rows, 0)}\n";
    }

    /// <summary>The full calculation of every governing check.</summary>
    private static string CalculationText(LoneRun run)
    {
        var (member, units) = (run.Member, UnitSystem.Named(run.Member.Basis.Units));
        var text = new StringBuilder($"{member.Name}\n{member.Basis.Titles.Project}\nNational set: {member.Basis.NationalSet}\n");
        foreach (var outcome in run.GoverningBySpan())
        {
            var place = run.Places.Places[outcome.Point];
            var at = units.FormatWithUnit(place.At, QuantityKind.Length);
            var calculation = new Calculation($"{outcome.Name}, span {place.Span + 1}, {at} from the beginning", units);
            run.Checks.Write(outcome, calculation);
            text.Append(CheckText.Of(calculation));
        }
        return text.ToString();
    }
}
