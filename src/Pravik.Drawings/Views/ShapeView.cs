using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>A section of a member with its sizes, and either its strands or its centroid, principal axes and stress points.</summary>
public sealed class ShapeView
{
    private const int MostSteps = 14;
    private readonly MadeSection section;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly int scale;
    private readonly double k;
    private readonly double x0;
    private readonly double y0;

    private ShapeView(MadeSection section, UnitSystem units, ViewSize size)
    {
        (this.section, this.units) = (section, units);
        canvas = new(size.Width, size.Height, size.TextHeight);
        var p = section.Properties;
        scale = Math.Max(
            DrawingScale.Fitting(p.Width, size.Width - 60),
            DrawingScale.Fitting(section.Depth, Math.Max(4, size.Height - 11 * size.TextHeight))
        );
        k = 1000.0 / scale;
        (x0, y0) = (
            size.Width / 2 - k * (p.Left + p.Right) / 2,
            size.Height / 2 + k * (section.Top + section.Bottom) / 2 + 0.6 * size.TextHeight
        );
    }

    private Point At(double x, double y) => new(x0 + k * x, y0 - k * y);

    private string Text(double length) => units.Format(length, QuantityKind.Size);

    /// <summary>The section of a type of girder with its strands.</summary>
    public static Drawing Girder(BridgeGeometry geometry, UnitSystem units, ViewSize size, int type = 0)
    {
        var shown = geometry.Sections.Types[type];
        var view = new ShapeView(geometry.Sections.OfType(shown), units, size);
        view.Parts();
        if (!view.section.IsSteel)
        {
            view.Strands(type, shown.Strands);
            view.Bars(type, shown.Bars, shown.Strands.Rows.Length);
        }
        view.Dimensions();
        return view.Finish($"Girders of {shown.Name}");
    }

    /// <summary>
    /// A section with what follows from it. With its path in the bridge, the corners of own outlines can be taken hold of.
    /// </summary>
    public static Drawing Draw(MadeSection section, UnitSystem units, ViewSize size, string? path = null)
    {
        var view = new ShapeView(section, units, size);
        view.Parts();
        view.Axes();
        view.Dimensions();
        if (path is not null && section.Shape.Family == SectionFamily.Own)
            view.Corners(path);
        return view.Finish(section.Shape.Name) with { Plane = new(view.x0, view.y0, view.k) };
    }

    private Drawing Finish(string title) => canvas.Finish(title, $"{units[QuantityKind.Size].Symbol}, {DrawingScale.Text(scale)}");

    private void Parts()
    {
        foreach (var part in section.Parts)
            canvas.Area(part.Outline.Points.Select(p => At(p.X, p.Y)), part.IsVoid ? Fill.Sheet : Fill.Concrete, Pen.Cut);
    }

    private void Corners(string path)
    {
        for (var i = 0; i < section.Shape.Outlines.Length; i++)
        {
            for (var c = 0; c < section.Shape.Outlines[i].Corners.Length; c++)
            {
                canvas.Part = $"{path}/outlines/{i}/corners/{c}";
                canvas.Circle(
                    At(section.Shape.Outlines[i].Corners[c].X, section.Shape.Outlines[i].Corners[c].Y),
                    0.9,
                    Pen.Active,
                    Fill.Sheet
                );
            }
        }
        canvas.Part = null;
    }

    /// <summary>Bars spread over the width of the concrete at their level, 50 mm from its faces.</summary>
    private void Bars(int type, ImmutableArray<BarRow> rows, int notes)
    {
        for (var i = 0; i < rows.Length; i++)
        {
            var row = rows[i];
            ImmutableArray<double> places = [.. row.In(section).SelectMany(r => r.Across(section)).Order()];
            canvas.Part = $"/girders/types/{type}/bars/{i}";
            foreach (var x in places)
                canvas.Circle(At(x, section.Bottom + row.Level), Math.Max(0.35, row.Diameter / 2 * k), Pen.None, Fill.Ink);
            canvas.Part = null;
            if (places.IsEmpty)
                continue;
            var end = At(places[^1] + row.Diameter, section.Bottom + row.Level);
            var note = new Point(At(section.Properties.Right, 0).X + 9, At(0, section.Bottom).Y - (notes + i) * 1.35 * canvas.TextHeight);
            canvas.Path([end, new(note.X - 4, end.Y), new(note.X - 1, note.Y - 0.35 * canvas.TextHeight)], Pen.Dimension);
            var number = row.Spacing is { } every ? $"{Text(row.Diameter)} every {Text(every)}" : $"{row.Count} × {Text(row.Diameter)}";
            canvas.Text(note, $"{number} at {Text(row.Level)}", TextKind.Number);
        }
    }

    private void Strands(int type, Strands strands)
    {
        var p = section.Properties;
        for (var i = 0; i < strands.Rows.Length; i++)
        {
            var row = strands.Rows[i];
            canvas.Part = $"/girders/types/{type}/strands/rows/{i}";
            for (var j = 0; j < row.Count; j++)
                canvas.Circle(
                    At((j - (row.Count - 1) / 2.0) * row.Spacing, section.Bottom + row.Level),
                    Math.Max(0.35, 0.0078 * k),
                    Pen.Edge,
                    Fill.Sheet
                );
            canvas.Part = null;
            if (row.Count == 0)
                continue;
            // Notes to rows stand above each other, led to their row.
            var end = At((row.Count - 1) / 2.0 * row.Spacing + 0.015, section.Bottom + row.Level);
            var note = new Point(At(p.Right, 0).X + 9, At(0, section.Bottom).Y - i * 1.35 * canvas.TextHeight);
            canvas.Path([end, new(note.X - 4, end.Y), new(note.X - 1, note.Y - 0.35 * canvas.TextHeight)], Pen.Dimension);
            canvas.Text(note, $"{row.Count} at {Text(row.Level)}", TextKind.Number);
        }
    }

    /// <summary>Principal axes through the centroid, the greater one named 1, and the stress points.</summary>
    private void Axes()
    {
        var p = section.Properties;
        var centre = At(p.Centroid.X, p.Centroid.Y);
        var angle = p.Principal.Angle;
        foreach (var (turn, reach, name) in new[] { (angle, p.Width, "1"), (angle + Math.PI / 2, p.Depth, "2") })
        {
            var along = (k * reach / 2 + 5) * new Point(Math.Cos(turn), -Math.Sin(turn));
            canvas.Line(centre - along, centre + along, Pen.Axis);
            canvas.Text(centre + along + new Point(0.8, 0.35 * canvas.TextHeight), name, TextKind.Soft, Anchor.Start, true);
        }
        canvas.Circle(centre, 0.7, Pen.Active, Fill.Sheet);
        foreach (var point in section.Shape.StressPoints)
        {
            var at = At(point.X, point.Y);
            canvas.Circle(at, 0.6, Pen.Load, Fill.Sheet);
            canvas.Text(at + new Point(1.2, -0.8), point.Name, TextKind.Soft, Anchor.Start, true);
        }
    }

    private void Dimensions()
    {
        var p = section.Properties;
        var left = At(p.Left, 0).X - 7;
        var levels = section
            .Parts.Where(part => !part.IsVoid)
            .SelectMany(part => part.Outline.Points)
            .Select(q => Math.Round(q.Y, 6))
            .Distinct()
            .Order()
            .ToList();
        if (levels.Count is > 2 and <= MostSteps)
            canvas.Dimensions([.. levels.Select(h => new Point(left, At(0, h).Y))], [.. levels.Zip(levels.Skip(1), (a, b) => Text(b - a))]);
        canvas.Dimensions([new(left - 13, At(0, section.Bottom).Y), new(left - 13, At(0, section.Top).Y)], [Text(section.Depth)]);
        var middle = (p.Left + p.Right) / 2;
        // Own outlines may be of any shape: their width over all.
        if (section.Shape.Family == SectionFamily.Own)
            Across(p.Width, section.Bottom, 6);
        else
        {
            Across(section.TopWidth, section.Top, -4);
            Across(section.BottomWidth, section.Bottom, 6);
        }
        if (section.WebWidth < 0.9 * Math.Min(section.TopWidth, section.BottomWidth) && section.Parts.All(part => !part.IsVoid))
            canvas.Text(
                At(middle + section.WebWidth / 2, (section.Top + section.Bottom) / 2) + new Point(2, 3.2),
                $"web {Text(section.WebWidth)}",
                TextKind.Number,
                halo: true
            );

        void Across(double width, double y, double away) =>
            canvas.Dimensions(
                [At(middle - width / 2, y) + new Point(0, away), At(middle + width / 2, y) + new Point(0, away)],
                [Text(width)]
            );
    }
}
