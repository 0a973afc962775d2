using Pravik.Core.Geometry;
using SkiaSharp;

namespace Pravik.Drawings.Writers;

/// <summary>Writes drawings as PDF, one page each, at true size, with the fonts inside.</summary>
public static class PdfWriter
{
    private const float PointsPerMillimetre = 72 / 25.4f;

    /// <summary>A PDF with a page for each drawing; texts keep their characters.</summary>
    public static byte[] Write(string title, IReadOnlyList<Drawing> drawings)
    {
        using var stream = new MemoryStream();
        using (
            var document = SKDocument.CreatePdf(
                stream,
                new SKDocumentPdfMetadata
                {
                    Title = title,
                    Creator = "Pravik",
                    RasterDpi = 300,
                }
            )
        )
        {
            foreach (var drawing in drawings)
            {
                var canvas = document.BeginPage((float)drawing.Width * PointsPerMillimetre, (float)drawing.Height * PointsPerMillimetre);
                canvas.Scale(PointsPerMillimetre);
                foreach (var mark in drawing.Marks)
                    Draw(canvas, mark, drawing);
                document.EndPage();
            }
        }
        return stream.ToArray();
    }

    private static void Draw(SKCanvas canvas, Mark mark, Drawing drawing)
    {
        switch (mark)
        {
            case Stroke stroke:
                using (var path = PathOf(stroke))
                    Paint(canvas, path, stroke.Fill, stroke.Pen, drawing);
                break;
            case Disc disc:
                using (var builder = new SKPathBuilder())
                {
                    builder.AddCircle((float)disc.Centre.X, (float)disc.Centre.Y, (float)disc.Radius);
                    using var path = builder.Detach();
                    Paint(canvas, path, disc.Fill, disc.Pen, drawing);
                }
                break;
            case Label label:
                Write(canvas, label);
                break;
        }
    }

    private static SKPath PathOf(Stroke stroke)
    {
        using var builder = new SKPathBuilder();
        builder.AddPoly([.. stroke.Points.Select(At)], stroke.Closed);
        return builder.Detach();
    }

    private static void Paint(SKCanvas canvas, SKPath path, Fill fill, Pen pen, Drawing drawing)
    {
        if (Palette.Of(fill) is { } look)
        {
            using var paint = new SKPaint { Color = SKColor.Parse(look.Colour), IsAntialias = true };
            canvas.DrawPath(path, paint);
            if (look.Hatch is { } hatch)
                Hatch(canvas, path, hatch, fill == Fill.UseFails ? (1.2f, 0.55f) : (2.3f, 0.18f), drawing);
        }
        if (Palette.Of(pen) is not { } line)
            return;
        using var outline = new SKPaint
        {
            Style = SKPaintStyle.Stroke,
            Color = SKColor.Parse(line.Colour),
            StrokeWidth = (float)line.Width,
            StrokeJoin = SKStrokeJoin.Round,
            IsAntialias = true,
        };
        if (line.Dashes.Length > 0)
            outline.PathEffect = SKPathEffect.CreateDash([.. line.Dashes.Select(d => (float)d)], 0);
        canvas.DrawPath(path, outline);
    }

    /// <summary>Lines at 45° clipped to the outline.</summary>
    private static void Hatch(SKCanvas canvas, SKPath path, string colour, (float Spacing, float Width) look, Drawing drawing)
    {
        canvas.Save();
        canvas.ClipPath(path);
        using var paint = new SKPaint
        {
            Style = SKPaintStyle.Stroke,
            Color = SKColor.Parse(colour),
            StrokeWidth = look.Width,
            IsAntialias = true,
        };
        var (bounds, height) = (path.Bounds, (float)drawing.Height);
        var step = look.Spacing * MathF.Sqrt(2);
        var first = MathF.Floor((bounds.Left - height) / step) * step;
        for (var c = first; c < bounds.Right; c += step)
            canvas.DrawLine(c, height, c + height, 0, paint);
        canvas.Restore();
    }

    private static void Write(SKCanvas canvas, Label label)
    {
        var width = Fonts.WidthOf(label.Text, label.Kind, label.Height);
        var at = At(label.At);
        var x =
            label.Anchor switch
            {
                Anchor.Middle => -width / 2,
                Anchor.End => -width,
                _ => 0,
            } + at.X;
        if (label.Halo)
        {
            using var halo = new SKPaint
            {
                Style = SKPaintStyle.Stroke,
                StrokeWidth = 0.9f,
                StrokeJoin = SKStrokeJoin.Round,
                Color = SKColor.Parse("#FFFEFB"),
                IsAntialias = true,
            };
            Draw(canvas, label.Text, label.Kind, label.Height, x, at.Y, halo);
        }
        using var paint = new SKPaint { Color = SKColor.Parse(Palette.Of(label.Kind)), IsAntialias = true };
        Draw(canvas, label.Text, label.Kind, label.Height, x, at.Y, paint);
        var low = at.Y + 0.25 * label.Height;
        Draw(canvas, label.Subscript, label.Kind, Palette.SubscriptSize * label.Height, x + width, low, paint);
    }

    private static void Draw(SKCanvas canvas, string text, TextKind kind, double height, double x, double y, SKPaint paint)
    {
        foreach (var (part, font, width) in Fonts.Runs(text, kind, height))
        {
            canvas.DrawText(part, (float)x, (float)y, SKTextAlign.Left, font, paint);
            x += width;
        }
    }

    private static SKPoint At(Point p) => new((float)p.X, (float)p.Y);
}
