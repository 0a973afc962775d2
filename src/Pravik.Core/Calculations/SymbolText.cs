using System.Text.RegularExpressions;

namespace Pravik.Core.Calculations;

/// <summary>
/// Symbols with subscripts: an underscore starts one, which ends at the next character that is not a letter, digit or comma within it.
/// </summary>
public static partial class SymbolText
{
    /// <summary>The runs of a text, each upright or a subscript, in order; a text without subscripts is one run.</summary>
    public static IEnumerable<(string Text, bool IsSubscript)> Runs(string text)
    {
        var from = 0;
        foreach (Match match in Subscript().Matches(text))
        {
            if (match.Index > from)
                yield return (text[from..match.Index], false);
            yield return (match.Groups[1].Value, true);
            from = match.Index + match.Length;
        }
        if (from < text.Length)
            yield return (text[from..], false);
    }

    [GeneratedRegex(@"_([\p{L}\p{N}.]+(?:,[\p{L}\p{N}]+)*)")]
    private static partial Regex Subscript();
}
