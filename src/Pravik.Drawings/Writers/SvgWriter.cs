using System.Globalization;
using System.Net;
using System.Text;
using Pravik.Core.Geometry;

namespace Pravik.Drawings.Writers;

/// <summary>Writes drawings as SVG 1.1: one user unit is one millimetre.</summary>
public static class SvgWriter
{
    /// <summary>For a page that has the fonts: sized by the page, with parts that can be picked.</summary>
    public static string Inline(Drawing drawing) => Write(drawing, false);

    /// <summary>A file of its own, sized in millimetres, with the fonts inside.</summary>
    public static string File(Drawing drawing) => "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n" + Write(drawing, true);

    private static string Write(Drawing drawing, bool own)
    {
        var text = new StringBuilder();
        var size = $"viewBox=\"0 0 {N(drawing.Width)} {N(drawing.Height)}\"";
        text.Append(
            own
                ? $"<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{N(drawing.Width)}mm\" height=\"{N(drawing.Height)}mm\" {size}>\n"
                : $"<svg xmlns=\"http://www.w3.org/2000/svg\" {size} role=\"img\" aria-label=\"{Escape(drawing.Title)}\">\n"
        );
        text.Append($"<title>{Escape(drawing.Title)}</title>\n");
        if (own)
            text.Append("<style>").Append(FontFaces()).Append("</style>\n");
        WriteHatches(drawing, text);
        string? part = null;
        foreach (var mark in drawing.Marks)
        {
            if (mark.Part != part)
            {
                if (part is not null)
                    text.Append("</g>\n");
                part = mark.Part;
                if (part is not null)
                    text.Append($"<g data-part=\"{Escape(part)}\">");
            }
            WriteMark(mark, text);
        }
        if (part is not null)
            text.Append("</g>\n");
        return text.Append("</svg>\n").ToString();
    }

    private static void WriteHatches(Drawing drawing, StringBuilder text)
    {
        var hatched = drawing
            .Marks.Select(m =>
                m switch
                {
                    Stroke s => s.Fill,
                    Disc d => d.Fill,
                    _ => Fill.None,
                }
            )
            .Where(f => Palette.Of(f)?.Hatch is not null)
            .Distinct()
            .ToList();
        if (hatched.Count == 0)
            return;
        text.Append("<defs>");
        foreach (var fill in hatched)
        {
            var (colour, hatch) = Palette.Of(fill)!.Value;
            var (size, width) = fill == Fill.UseFails ? (1.2, 0.55) : (2.3, 0.18);
            text.Append(
                $"<pattern id=\"h{fill}\" width=\"{N(size)}\" height=\"{N(size)}\" patternUnits=\"userSpaceOnUse\" "
                    + "patternTransform=\"rotate(45)\">"
                    + $"<rect width=\"{N(size)}\" height=\"{N(size)}\" fill=\"{colour}\"/><path d=\"M0 0V{N(size)}\" "
                    + $"stroke=\"{hatch}\" stroke-width=\"{N(width)}\"/></pattern>"
            );
        }
        text.Append("</defs>\n");
    }

    private static void WriteMark(Mark mark, StringBuilder text)
    {
        switch (mark)
        {
            case Stroke stroke:
                text.Append("<path d=\"M").AppendJoin("L", stroke.Points.Select(At));
                if (stroke.Closed)
                    text.Append('Z');
                text.Append('"').Append(FillOf(stroke.Fill)).Append(PenOf(stroke.Pen));
                if (stroke.SwingsTo.IsEmpty)
                    text.Append("/>\n");
                else
                    text.Append('>').Append(Swing(stroke)).Append("</path>\n");
                break;
            case Disc disc:
                text.Append($"<circle cx=\"{N(disc.Centre.X)}\" cy=\"{N(disc.Centre.Y)}\" r=\"{N(disc.Radius)}\"")
                    .Append(FillOf(disc.Fill))
                    .Append(PenOf(disc.Pen))
                    .Append("/>\n");
                break;
            case Picture picture:
                text.Append(
                    $"<image x=\"{N(picture.At.X)}\" y=\"{N(picture.At.Y)}\" width=\"{N(picture.Width)}\" opacity=\"0.3\" "
                        + $"href=\"{Escape(picture.Address)}\"/>\n"
                );
                break;
            case Label label:
                var family = Palette.IsNumber(label.Kind) ? "'Spline Sans Mono',monospace" : "Barlow,sans-serif";
                var anchor = label.Anchor switch
                {
                    Anchor.Middle => " text-anchor=\"middle\"",
                    Anchor.End => " text-anchor=\"end\"",
                    _ => "",
                };
                var weight = Palette.IsStrong(label.Kind) ? " font-weight=\"600\"" : "";
                var halo = label.Halo ? " stroke=\"#FFFEFB\" stroke-width=\"0.9\" stroke-linejoin=\"round\" paint-order=\"stroke\"" : "";
                var subscript =
                    label.Subscript.Length > 0
                        ? $"<tspan dy=\"{N(0.25 * label.Height)}\" "
                            + $"font-size=\"{N(Palette.SubscriptSize * label.Height)}\">{Escape(label.Subscript)}</tspan>"
                        : "";
                text.Append(
                    $"<text x=\"{N(label.At.X)}\" y=\"{N(label.At.Y)}\" font-family=\"{family}\" font-size=\"{N(label.Height)}\" "
                        + $"fill=\"{Palette.Of(label.Kind)}\"{weight}{anchor}{halo}>{Escape(label.Text)}{subscript}</text>\n"
                );
                break;
        }
    }

    /// <summary>There and back as a smooth swing.</summary>
    private static string Swing(Stroke stroke)
    {
        var (rest, far) = (
            $"M{string.Join('L', stroke.Points.Select(At))}{(stroke.Closed ? "Z" : "")}",
            $"M{string.Join('L', stroke.SwingsTo.Select(At))}{(stroke.Closed ? "Z" : "")}"
        );
        return "<animate attributeName=\"d\" dur=\"2.6s\" repeatCount=\"indefinite\" calcMode=\"spline\" keyTimes=\"0;0.5;1\" "
            + $"keySplines=\"0.45 0 0.55 1;0.45 0 0.55 1\" values=\"{rest};{far};{rest}\"/>";
    }

    private static string FillOf(Fill fill) =>
        Palette.Of(fill) is not { } look ? " fill=\"none\""
        : look.Hatch is null ? $" fill=\"{look.Colour}\""
        : $" fill=\"url(#h{fill})\"";

    private static string PenOf(Pen pen)
    {
        if (Palette.Of(pen) is not { } look)
            return "";
        var dashes = look.Dashes.Length > 0 ? $" stroke-dasharray=\"{string.Join(' ', look.Dashes.Select(N))}\"" : "";
        return $" stroke=\"{look.Colour}\" stroke-width=\"{N(look.Width)}\" stroke-linejoin=\"round\"{dashes}";
    }

    private static string FontFaces()
    {
        var text = new StringBuilder();
        foreach (
            var (family, weight, file) in new[]
            {
                ("Barlow", 400, "barlow-latin-400-normal"),
                ("Barlow", 600, "barlow-latin-600-normal"),
                ("Spline Sans Mono", 400, "spline-sans-mono-latin-400-normal"),
            }
        )
        {
            var content = Convert.ToBase64String(FontFiles.Read(file + ".woff2"));
            text.Append($"@font-face{{font-family:\"{family}\";font-weight:{weight};src:url(data:font/woff2;base64,{content})}}");
        }
        return text.ToString();
    }

    private static string At(Point p) => $"{N(p.X)} {N(p.Y)}";

    private static string N(double value) => value.ToString("0.###", CultureInfo.InvariantCulture);

    private static string Escape(string text) => WebUtility.HtmlEncode(text);
}
