using SkiaSharp;

namespace Pravik.Drawings.Writers;

/// <summary>
/// The faces in which texts are set, and how wide they come out. Letters that a face lacks, as Greek ones and signs of formulas, come from
/// another.
/// </summary>
internal static class Fonts
{
    private static readonly SKTypeface Plain = Face("Barlow-Regular.ttf");
    private static readonly SKTypeface Strong = Face("Barlow-SemiBold.ttf");
    private static readonly SKTypeface Number = Face("SplineSansMono-Regular.ttf");
    private static readonly SKTypeface Symbols = Face("Roboto-Symbols-Regular.ttf");
    private static readonly SKTypeface StrongSymbols = Face("Roboto-Symbols-Medium.ttf");

    /// <summary>
    /// The runs of a text at a height (mm), each with its font, which lives while the runs are gone through, and its width.
    /// </summary>
    public static IEnumerable<(string Text, SKFont Font, double Width)> Runs(string text, TextKind kind, double height)
    {
        using var own = Of(
            Palette.IsNumber(kind) ? Number
                : Palette.IsStrong(kind) ? Strong
                : Plain,
            height
        );
        using var other = Of(Palette.IsStrong(kind) ? StrongSymbols : Symbols, height);
        var from = 0;
        while (from < text.Length)
        {
            var (isOther, to) = (IsOther(text[from]), from + 1);
            while (to < text.Length && IsOther(text[to]) == isOther)
                to++;
            var font = isOther ? other : own;
            yield return (text[from..to], font, font.MeasureText(text[from..to]));
            from = to;
        }

        bool IsOther(char letter) => !own.ContainsGlyph(letter) && other.ContainsGlyph(letter);
    }

    /// <summary>Width of a text (mm).</summary>
    public static double WidthOf(string text, TextKind kind, double height) => Runs(text, kind, height).Sum(r => r.Width);

    private static SKFont Of(SKTypeface face, double height) =>
        new(face, (float)height)
        {
            Subpixel = true,
            LinearMetrics = true,
            Hinting = SKFontHinting.None,
        };

    private static SKTypeface Face(string file)
    {
        using var data = SKData.CreateCopy(FontFiles.Read(file));
        return SKTypeface.FromData(data);
    }
}
