using System.Globalization;
using PdfSharp.Drawing;
using PdfSharp.Fonts;
using PdfSharp.Pdf;
using Pravik.Core.Geometry;

namespace Pravik.Drawings.Writers;

/// <summary>Writes drawings as PDF, one page each, at true size.</summary>
public static class PdfWriter
{
    private const double PointsPerMillimetre = 72 / 25.4;

    static PdfWriter()
    {
        if (GlobalFontSettings.FontResolver is null) GlobalFontSettings.FontResolver = new Shipped();
    }

    public static byte[] Write(string title, IReadOnlyList<Drawing> drawings)
    {
        using var document = new PdfDocument();
        document.Info.Title = title;
        document.Info.Creator = "Pravik";
        foreach (var drawing in drawings)
        {
            var page = document.AddPage();
            page.Width = XUnit.FromMillimeter(drawing.Width);
            page.Height = XUnit.FromMillimeter(drawing.Height);
            using var graphics = XGraphics.FromPdfPage(page);
            graphics.ScaleTransform(PointsPerMillimetre);
            foreach (var mark in drawing.Marks) Draw(graphics, mark);
        }
        using var stream = new MemoryStream();
        document.Save(stream);
        return stream.ToArray();
    }

    private static void Draw(XGraphics graphics, Mark mark)
    {
        switch (mark)
        {
            case Stroke { Closed: true } area:
                var path = new XGraphicsPath();
                path.AddPolygon([.. area.Points.Select(At)]);
                Paint(graphics, path, area.Fill, area.Pen);
                break;
            case Stroke line when PenOf(line.Pen) is { } pen && line.Points.Length > 1:
                graphics.DrawLines(pen, [.. line.Points.Select(At)]);
                break;
            case Disc disc:
                var circle = new XGraphicsPath();
                circle.AddEllipse(disc.Centre.X - disc.Radius, disc.Centre.Y - disc.Radius, 2 * disc.Radius, 2 * disc.Radius);
                Paint(graphics, circle, disc.Fill, disc.Pen);
                break;
            case Label label:
                Write(graphics, label);
                break;
        }
    }

    private static void Paint(XGraphics graphics, XGraphicsPath path, Fill fill, Pen pen)
    {
        if (Palette.Of(fill) is { } look)
        {
            graphics.DrawPath(new XSolidBrush(Colour(look.Colour)), path);
            if (look.Hatch is { } hatch) Hatch(graphics, path, hatch, fill == Fill.UseFails ? (0.85, 0.4) : (1.65, 0.13));
        }
        if (PenOf(pen) is { } outline) graphics.DrawPath(outline, path);
    }

    /// <summary>Lines at 45° clipped to the outline.</summary>
    private static void Hatch(XGraphics graphics, XGraphicsPath path, string colour, (double Spacing, double Width) look)
    {
        var state = graphics.Save();
        graphics.IntersectClip(path);
        var pen = new XPen(Colour(colour), look.Width);
        var (width, height) = (graphics.PdfPage!.Width.Millimeter, graphics.PdfPage.Height.Millimeter);
        for (var c = -height; c < width; c += look.Spacing * Math.Sqrt(2)) graphics.DrawLine(pen, c, height, c + height, 0);
        graphics.Restore(state);
    }

    private static void Write(XGraphics graphics, Label label)
    {
        var font = new XFont(Palette.IsNumber(label.Kind) ? "Spline Sans Mono" : "Barlow", label.Height, Palette.IsStrong(label.Kind) ? XFontStyleEx.Bold : XFontStyleEx.Regular);
        var width = graphics.MeasureString(label.Text, font).Width;
        var x = label.At.X - (label.Anchor switch { Anchor.Middle => width / 2, Anchor.End => width, _ => 0 });
        if (label.Halo) graphics.DrawRectangle(new XSolidBrush(Colour("#FFFEFB")), x - 0.3, label.At.Y - 0.78 * label.Height, width + 0.6, 0.98 * label.Height);
        graphics.DrawString(label.Text, font, new XSolidBrush(Colour(Palette.Of(label.Kind))), x, label.At.Y);
    }

    private static XPen? PenOf(Pen pen)
    {
        if (Palette.Of(pen) is not { } look) return null;
        var result = new XPen(Colour(look.Colour), look.Width) { LineJoin = XLineJoin.Round };
        if (look.Dashes.Length > 0) result.DashPattern = [.. look.Dashes.Select(d => d / look.Width)];
        return result;
    }

    private static XPoint At(Point p) => new(p.X, p.Y);

    private static XColor Colour(string hex) => XColor.FromArgb(
        int.Parse(hex.AsSpan(1, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture),
        int.Parse(hex.AsSpan(3, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture),
        int.Parse(hex.AsSpan(5, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture));

    private sealed class Shipped : IFontResolver
    {
        public byte[]? GetFont(string faceName) => FontFiles.Read(faceName);

        public FontResolverInfo? ResolveTypeface(string familyName, bool isBold, bool isItalic) =>
            new(familyName == "Barlow" ? (isBold ? "Barlow-SemiBold.ttf" : "Barlow-Regular.ttf") : "SplineSansMono-Regular.ttf");
    }
}
