using Pravik.Core.Geometry;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The section of a member alone at a place: concrete, bars and strands, with its depth and widths.</summary>
public static class LoneSectionView
{
    private const double Cover = 0.05;

    /// <summary>Draws a section as checks see it.</summary>
    /// <param name="section">The section.</param>
    /// <param name="at">The place in words.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    public static Drawing Draw(MemberSection section, string at, UnitSystem units, ViewSize size)
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var points = section.Concrete.SelectMany(c => c.Outline.Points).ToList();
        var (left, right) = (points.Min(p => p.X), points.Max(p => p.X));
        var scale = Math.Max(
            DrawingScale.Fitting(right - left, size.Width - 70),
            DrawingScale.Fitting(section.Depth, Math.Max(4, size.Height - 9 * size.TextHeight))
        );
        var k = 1000.0 / scale;
        var (x0, y0) = (size.Width / 2 - 8 - k * (left + right) / 2, size.Height / 2 + k * section.Depth / 2);
        Point At(double x, double y) => new(x0 + k * x, y0 - k * y);
        string Text(double length) => units.Format(length, QuantityKind.Size);
        foreach (var concrete in section.Concrete)
            canvas.Area(concrete.Outline.Points.Select(p => At(p.X, p.Y)), concrete.Name == "girder" ? Fill.Concrete : Fill.Paper, Pen.Cut);
        List<(double Height, string Words)> notes = [];
        foreach (var bars in section.Bars)
        {
            var number = Math.Max(1, bars.Area / (Math.PI * bars.Diameter * bars.Diameter / 4));
            var count = Math.Clamp((int)Math.Round(number), 1, 60);
            foreach (var x in Across(section, bars.Height, count))
                canvas.Circle(At(x, bars.Height), Math.Max(0.35, bars.Diameter / 2 * k), Pen.None, Fill.Ink);
            var words = bars.Spacing > 0 ? $"{Text(bars.Diameter)} every {Text(bars.Spacing)}" : $"{count} × {Text(bars.Diameter)}";
            notes.Add((bars.Height, words));
        }
        foreach (var row in section.Strands)
        {
            var count = row.Bonded + row.Debonded;
            for (var i = 0; i < count; i++)
                canvas.Circle(At((i - (count - 1) / 2.0) * 0.05, row.Height), Math.Max(0.35, 0.0078 * k), Pen.Edge, Fill.Sheet);
            notes.Add((row.Height, $"{count} strands at {Text(row.Height)}"));
        }
        Notes(canvas, notes, At(right, 0).X, h => At(0, h).Y);
        canvas.Dimensions([At(left, 0) + new Point(-8, 0), At(left, section.Depth) + new Point(-8, 0)], [Text(section.Depth)]);
        canvas.Dimensions([At(left, 0) + new Point(0, 6), At(right, 0) + new Point(0, 6)], [Text(right - left)]);
        return canvas.Finish($"Section {at}", $"{units[QuantityKind.Size].Symbol}, {DrawingScale.Text(scale)}");
    }

    /// <summary>Bars spread evenly over the concrete at their height, 50 mm from its sides; in the middle where there is no room.</summary>
    private static IEnumerable<double> Across(MemberSection section, double height, int count)
    {
        List<(double From, double To)> pieces =
        [
            .. section.Concrete.SelectMany(c => Pieces(c.Outline, height)).Where(p => p.To - p.From > 2 * Cover),
        ];
        var room = pieces.Sum(p => p.To - p.From - 2 * Cover);
        for (var i = 0; i < count; i++)
        {
            var along = count == 1 ? room / 2 : room * i / (count - 1);
            var piece = 0;
            while (piece + 1 < pieces.Count && along > pieces[piece].To - pieces[piece].From - 2 * Cover + 1e-9)
                along -= pieces[piece].To - pieces[piece++].From - 2 * Cover;
            yield return pieces.Count == 0 ? 0 : pieces[piece].From + Cover + along;
        }
    }

    /// <summary>From where to where an outline has material at a height.</summary>
    private static IEnumerable<(double From, double To)> Pieces(Polygon outline, double height)
    {
        List<double> cuts = [];
        for (var i = 0; i < outline.Points.Length; i++)
        {
            var (a, b) = (outline.Points[i], outline.Points[(i + 1) % outline.Points.Length]);
            if (a.Y <= height != b.Y <= height)
                cuts.Add(a.X + (height - a.Y) / (b.Y - a.Y) * (b.X - a.X));
        }
        cuts.Sort();
        for (var i = 0; i + 1 < cuts.Count; i += 2)
            yield return (cuts[i], cuts[i + 1]);
    }

    /// <summary>Notes beside the section at their heights, apart from each other.</summary>
    private static void Notes(Canvas canvas, List<(double Height, string Words)> notes, double right, Func<double, double> y)
    {
        var last = double.NegativeInfinity;
        foreach (var (height, words) in notes.OrderByDescending(n => n.Height))
        {
            var at = Math.Max(y(height), last + 1.35 * canvas.TextHeight);
            canvas.Path([new(right + 1, y(height)), new(right + 6, at), new(right + 8, at)], Pen.Dimension);
            canvas.Text(new(right + 9, at + 0.35 * canvas.TextHeight), words, TextKind.Number);
            last = at;
        }
    }
}
