using System.CommandLine;
using Pravik.Core.Bridges;
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
        Console.WriteLine(
            $"{"load", -30} {"effect", -16} {"girder", -7} {"place", -18} {"line", 11} {"grillage", 11} {"shells", 11} {"line", 7} {"shells", 7}"
        );
        var greatest = comparison.Values.GroupBy(v => (v.Load, v.Effect)).Select(g => g.MaxBy(v => Math.Abs(v.Grillage))!).ToHashSet();
        foreach (var v in comparison.Values.Where(v => all || greatest.Contains(v) || v.Worst > ModelComparison.Limit))
        {
            var (words, kind) = v.Named;
            Console.WriteLine(
                $"{v.Load, -30} {words, -16} {$"G{v.Girder}", -7} {v.Place, -18} {units.Format(v.Line, kind), 11} {units.Format(v.Grillage, kind), 11} {units.Format(v.Shells, kind), 11} {100 * v.LineDifference, 6:0.0}% {100 * v.ShellsDifference, 6:0.0}%"
            );
            if (v.Reason(ModelComparison.Limit) is { } why)
                Console.WriteLine($"    {why}");
        }
        Console.WriteLine(
            $"{comparison.Values.Length} values compared; {comparison.Values.Count(v => v.Worst > ModelComparison.Limit)} differ by more than {100 * ModelComparison.Limit:0} % of the greatest of their kind in the grillage."
        );
    }
}
