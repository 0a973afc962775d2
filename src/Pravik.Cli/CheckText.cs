using System.Text;
using Pravik.Core.Calculations;
using Pravik.Core.Units;

namespace Pravik.Cli;

/// <summary>Checks as plain text.</summary>
internal static class CheckText
{
    /// <summary>What was checked, and whether it passes, in one sentence.</summary>
    public static string Verdict(IReadOnlyList<string> subjects, bool fails, double? utilisation)
    {
        if (subjects.Count == 0)
            return "Nothing was checked.";
        var all = string.Join(", ", subjects);
        var verb = (fails, subjects.Count) switch
        {
            (true, _) => "not all of it passes",
            (false, 1) => "passes",
            _ => "all pass",
        };
        var colon = subjects.Count == 1 && !fails ? "" : ":";
        var worst = QuantityText.Fixed(utilisation ?? 0, 3);
        return $"{char.ToUpperInvariant(all[0])}{all[1..]}{colon} {verb}; the worst utilisation is {worst}.";
    }

    /// <summary>A calculation under its title.</summary>
    public static string Of(Calculation calculation)
    {
        var text = new StringBuilder("\n").AppendLine(calculation.Title).AppendLine(new string('=', calculation.Title.Length));
        foreach (var line in calculation.Lines)
            text.AppendLine(Line(line));
        return text.ToString();
    }

    private static string Line(CalculationLine line)
    {
        if (line.IsHeading)
            return $"\n{line.Formula}";
        if (line.IsRemark)
            return $"  {line.Formula} {line.Clause}".TrimEnd();
        var numbers = line.Numbers.Length > 0 ? $" [{line.Numbers}]" : "";
        return $"  {line.Symbol.PadRight(12)} = {line.Value.PadLeft(12)} {line.Unit.PadRight(6)}  {line.Formula}{numbers}  ({line.Clause})";
    }
}
