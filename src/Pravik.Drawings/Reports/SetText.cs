using Pravik.Core.Calculations;
using Pravik.Drawings.Writers;

namespace Pravik.Drawings.Reports;

/// <summary>Sets text of one kind and height, symbols with their indices low: measures, breaks into lines, draws.</summary>
/// <param name="kind">The kind.</param>
/// <param name="height">Height of the letters (mm).</param>
internal sealed class SetText(TextKind kind, double height)
{
    private const double Lowered = 0.25;

    /// <summary>From line to line (mm).</summary>
    public double Leading => 1.35 * height;

    /// <summary>Width of a text on one line (mm).</summary>
    public double WidthOf(string text) => SymbolText.Runs(text).Sum(r => Fonts.WidthOf(r.Text, kind, HeightOf(r.IsSubscript)));

    /// <summary>The lines of a text, none wider than a width (mm); a word that is wider is cut.</summary>
    public IReadOnlyList<string> Lines(string text, double width)
    {
        var (lines, line) = (new List<string>(), "");
        foreach (var word in text.Split(' ').SelectMany(w => Cut(w, width)))
        {
            var longer = line.Length == 0 ? word : $"{line} {word}";
            if (line.Length > 0 && WidthOf(longer) > width)
            {
                lines.Add(line);
                line = word;
            }
            else
                line = longer;
        }
        lines.Add(line);
        return lines;
    }

    /// <summary>Draws a line whose letters stand on y; one that ends at x where it is a number.</summary>
    public void Draw(Canvas canvas, double x, double y, string line, bool endsThere = false)
    {
        if (endsThere)
            x -= WidthOf(line);
        foreach (var (text, isLow) in SymbolText.Runs(line))
        {
            var size = HeightOf(isLow);
            canvas.Text(new(x, isLow ? y + Lowered * height : y), text, kind, height: size);
            x += Fonts.WidthOf(text, kind, size);
        }
    }

    private double HeightOf(bool isLow) => isLow ? Palette.SubscriptSize * height : height;

    private IEnumerable<string> Cut(string word, double width)
    {
        while (word.Length > 1 && WidthOf(word) > width)
        {
            var most = word.Length - 1;
            while (most > 1 && WidthOf(word[..most]) > width)
                most--;
            yield return word[..most];
            word = word[most..];
        }
        yield return word;
    }
}
