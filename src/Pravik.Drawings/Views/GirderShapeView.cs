using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The girder's section with its strands, dimensioned.</summary>
public static class GirderShapeView
{
    public static Drawing Draw(BridgeGeometry geometry, UnitSystem units, ViewSize size)
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var girders = geometry.Bridge.Girders;
        var shape = girders.Section;
        var width = Math.Max(shape.TopFlangeWidth, shape.BottomFlangeWidth);
        var scale = Math.Max(DrawingScale.Fitting(width, size.Width - 60), DrawingScale.Fitting(shape.Depth, Math.Max(4, size.Height - 10 * size.TextHeight)));
        var k = 1000.0 / scale;
        var (x0, y0) = (size.Width / 2, (size.Height + k * shape.Depth) / 2 + size.TextHeight);
        Point At(double x, double y) => new(x0 + k * x, y0 - k * y);
        string Text(double length) => units.Format(length, QuantityKind.Size);
        canvas.Area(shape.Outline().Points.Select(p => At(p.X, p.Y)), Fill.Concrete, Pen.Cut);
        for (var i = 0; i < girders.Strands.Rows.Length; i++)
        {
            var row = girders.Strands.Rows[i];
            canvas.Part = $"/girders/strands/rows/{i}";
            for (var j = 0; j < row.Count; j++) canvas.Circle(At((j - (row.Count - 1) / 2.0) * row.Spacing, row.Level), Math.Max(0.35, 0.0078 * k), Pen.Edge, Fill.Sheet);
            canvas.Part = null;
            if (row.Count == 0) continue;
            // Notes to rows stand above each other, led to their row.
            var end = At((row.Count - 1) / 2.0 * row.Spacing + 0.015, row.Level);
            var note = new Point(At(width / 2, 0).X + 9, y0 - i * 1.35 * size.TextHeight);
            canvas.Path([end, new(note.X - 4, end.Y), new(note.X - 1, note.Y - 0.35 * size.TextHeight)], Pen.Dimension);
            canvas.Text(note, $"{row.Count} at {Text(row.Level)}", TextKind.Number);
        }
        var left = At(-width / 2, 0).X - 7;
        double[] heights = [0, shape.BottomFlangeThickness, shape.BottomFlangeThickness + shape.BottomTaper, shape.Depth - shape.TopFlangeThickness - shape.TopTaper, shape.Depth - shape.TopFlangeThickness, shape.Depth];
        var levels = heights.Distinct().ToList();
        canvas.Dimensions([.. levels.Select(h => new Point(left, At(0, h).Y))], [.. levels.Zip(levels.Skip(1), (a, b) => Text(b - a))]);
        canvas.Dimensions([new(left - 13, At(0, 0).Y), new(left - 13, At(0, shape.Depth).Y)], [Text(shape.Depth)]);
        canvas.Dimensions([At(-shape.TopFlangeWidth / 2, shape.Depth) - new Point(0, 3), At(shape.TopFlangeWidth / 2, shape.Depth) - new Point(0, 3)], [Text(shape.TopFlangeWidth)]);
        canvas.Dimensions([At(-shape.BottomFlangeWidth / 2, 0) + new Point(0, 6), At(shape.BottomFlangeWidth / 2, 0) + new Point(0, 6)], [Text(shape.BottomFlangeWidth)]);
        canvas.Text(At(shape.WebThickness / 2, shape.Depth / 2) + new Point(2, 1), $"web {Text(shape.WebThickness)}", TextKind.Number);
        return canvas.Finish("Girder section", $"{units[QuantityKind.Size].Symbol}, {DrawingScale.Text(scale)}");
    }
}
