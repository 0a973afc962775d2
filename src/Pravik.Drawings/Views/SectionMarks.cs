using Pravik.Core.Geometry;
using Pravik.Core.Members;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>Concrete, bars and strands of a section as checks see it, and notes beside them.</summary>
internal static class SectionMarks
{
    /// <summary>Draws a section.</summary>
    /// <param name="canvas">On what.</param>
    /// <param name="section">The section.</param>
    /// <param name="at">Where a place of the section lies on paper.</param>
    /// <param name="k">Millimetres on paper of a metre.</param>
    /// <param name="units">Units of what is written.</param>
    /// <returns>What bars and strands there are, by height above the soffit.</returns>
    public static List<(double Height, string Words)> Draw(
        Canvas canvas,
        MemberSection section,
        Func<double, double, Point> at,
        double k,
        UnitSystem units
    )
    {
        string Text(double length) => units.Format(length, QuantityKind.Size);
        foreach (var concrete in section.Concrete)
            Outline(canvas, concrete, [.. concrete.Outline.Points.Select(p => at(p.X, p.Y))]);
        List<(double Height, string Words)> notes = [];
        foreach (var bars in section.Bars)
        {
            var number = Math.Max(1, bars.Area / (Math.PI * bars.Diameter * bars.Diameter / 4));
            var count = Math.Clamp((int)Math.Round(number), 1, 60);
            foreach (var x in BarSpread.Across(section.Concrete.Select(c => c.Outline), bars.Height, count))
                canvas.Circle(at(x, bars.Height), Math.Max(0.35, bars.Diameter / 2 * k), Pen.None, Fill.Ink);
            var words = bars.Spacing > 0 ? $"{Text(bars.Diameter)} every {Text(bars.Spacing)}" : $"{count} × {Text(bars.Diameter)}";
            notes.Add((bars.Height, words));
        }
        foreach (var row in section.Strands)
        {
            var count = row.Count;
            if (row.Duct is { } duct)
            {
                foreach (var x in Webs(section, duct.Count))
                    canvas.Circle(at(x, row.Height), Math.Max(0.5, duct.Diameter / 2 * k), Pen.Load, Fill.Sheet);
                notes.Add((row.Height, $"{duct.Count} × {count / duct.Count} strands at {Text(row.Height)}"));
                continue;
            }
            for (var i = 0; i < count; i++)
                canvas.Circle(at((i - (count - 1) / 2.0) * row.Spacing, row.Height), Math.Max(0.35, 0.0078 * k), Pen.Edge, Fill.Sheet);
            notes.Add((row.Height, $"{count} strands at {Text(row.Height)}"));
        }
        return notes;
    }

    /// <summary>An outline without the cuts by which voids are joined to it: those are gone along twice, there and back.</summary>
    private static void Outline(Canvas canvas, MemberConcrete concrete, List<Point> points)
    {
        canvas.Area(points, concrete.Name == "girder" ? Fill.Concrete : Fill.Paper);
        var edges = points.Select((p, i) => (From: p, To: points[(i + 1) % points.Count])).ToList();
        bool Meet(Point a, Point b) => (a - b).Length < 1e-6;
        bool IsCut((Point From, Point To) edge) => edges.Exists(e => Meet(e.From, edge.To) && Meet(e.To, edge.From));
        List<Point> line = [];
        foreach (var edge in edges)
        {
            if (IsCut(edge))
            {
                Draw();
                continue;
            }
            if (line.Count == 0)
                line.Add(edge.From);
            line.Add(edge.To);
        }
        Draw();

        void Draw()
        {
            if (line.Count > 1)
                canvas.Path(line, Pen.Cut);
            line = [];
        }
    }

    /// <summary>Places of ducts, shared among the webs as they are half way up.</summary>
    private static IEnumerable<double> Webs(MemberSection section, int count) =>
        DuctPlaces.Among([.. BarSpread.Pieces(section.Concrete[^1].Outline, section.Concrete[^1].Outline.Top / 2)], count);

    /// <summary>Notes beside the section at their heights, apart from each other.</summary>
    public static void Notes(Canvas canvas, List<(double Height, string Words)> notes, double right, Func<double, double> y)
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
