using System.Text;

namespace Pravik.Cli;

/// <summary>Rows set under each other in columns.</summary>
internal static class TextTable
{
    /// <summary>The rows, the first of them headings; columns that are named stand to the left, others to the right.</summary>
    public static string Of(IReadOnlyList<string[]> rows, params int[] left)
    {
        var widths = Enumerable.Range(0, rows[0].Length).Select(c => rows.Max(r => r[c].Length)).ToArray();
        var text = new StringBuilder();
        foreach (var row in rows)
        {
            var cells = row.Select((cell, c) => left.Contains(c) ? cell.PadRight(widths[c]) : cell.PadLeft(widths[c]));
            text.AppendLine(string.Join("  ", cells).TrimEnd());
        }
        return text.ToString();
    }
}
