using System.CommandLine;
using Pravik.Core.Effects;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Units;

namespace Pravik.Cli;

/// <summary><c>models FILE</c>: sets line girders, grillage and shells of a bridge side by side.</summary>
internal static class ModelsCommand
{
    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A bridge as JSON (docs/file-format.md)." };
        var all = new Option<bool>("--all")
        {
            Description = "Every value, not only the greatest of each load and those that differ by more than 5 %.",
        };
        var command = new Command("models", "Set line girders, grillage and shells of a bridge side by side. Exit status 2: bad input.")
        {
            file,
            all,
        };
        command.SetAction(parsed => Run(parsed.GetRequiredValue(file), parsed.GetValue(all)));
        return command;
    }

    private static int Run(string file, bool all)
    {
        if (BridgeFile.Read(file) is not { } bridge)
            return Exit.BadInput;
        if (ModelRun.Refusal(bridge) is { } reason)
        {
            Console.Error.WriteLine($"{file}: {reason}.");
            return Exit.BadInput;
        }
        try
        {
            Print(ModelComparison.Of(new BridgeGeometry(bridge)), UnitSystem.Named(bridge.Basis.Units), all);
            return Exit.Passes;
        }
        catch (ModelRefusedException refused)
        {
            Console.Error.WriteLine(refused.Message);
            return Exit.BadInput;
        }
    }

    private static void Print(ModelComparison comparison, UnitSystem units, bool all)
    {
        Console.WriteLine(Row("load", "effect", "girder", "place", "line", "grillage", "shells", "line", "shells"));
        var greatest = comparison.Values.GroupBy(v => (v.Load, v.Effect)).Select(g => g.MaxBy(v => Math.Abs(v.Grillage))!).ToHashSet();
        foreach (var v in comparison.Values.Where(v => all || greatest.Contains(v) || v.Worst > ModelComparison.Limit))
        {
            var (words, kind) = v.Named;
            string Text(double value) => units.Format(value, kind);
            string Part(double part) => $"{QuantityText.Fixed(100 * part, 1)}%";
            var differences = (Part(v.LineDifference), Part(v.ShellsDifference));
            Console.WriteLine(
                Row(
                    v.Load,
                    words,
                    $"G{v.Girder}",
                    v.Place,
                    Text(v.Line),
                    Text(v.Grillage),
                    Text(v.Shells),
                    differences.Item1,
                    differences.Item2
                )
            );
            if (v.Reason(ModelComparison.Limit) is { } why)
                Console.WriteLine($"    {why}");
        }
        var differing = comparison.Values.Count(v => v.Worst > ModelComparison.Limit);
        Console.WriteLine(
            $"{comparison.Values.Length} values compared; {differing} differ by more than {100 * ModelComparison.Limit:0} % of "
                + "the greatest of their kind in the grillage."
        );
    }

    /// <summary>Widths of columns: words to the left, numbers to the right.</summary>
    private static readonly int[] Widths = [-30, -16, -7, -18, 11, 11, 11, 7, 7];

    private static string Row(params string[] cells) =>
        string.Join(" ", cells.Select((cell, i) => Widths[i] < 0 ? cell.PadRight(-Widths[i]) : cell.PadLeft(Widths[i])));
}
