using Pravik.Core.Geometry;

namespace Pravik.Drawings;

/// <summary>Collects the marks of a drawing. All coordinates in millimetres on paper, y down.</summary>
public sealed class Canvas(double width, double height, double textHeight = 2.9)
{
    private readonly List<Mark> marks = [];
    private readonly List<Snap> snaps = [];

    /// <summary>Width of the sheet.</summary>
    public double Width { get; } = width;

    /// <summary>Height of the sheet.</summary>
    public double Height { get; } = height;

    /// <summary>Height of the usual text on this drawing; numbers are a little smaller.</summary>
    public double TextHeight { get; } = textHeight;

    /// <summary>What following marks belong to.</summary>
    public string? Part { get; set; }

    /// <summary>A straight line.</summary>
    public void Line(Point a, Point b, Pen pen) => Add(new Stroke([a, b], false, pen, Fill.None));

    /// <summary>A line through points.</summary>
    public void Path(IEnumerable<Point> points, Pen pen) => Add(new Stroke([.. points], false, pen, Fill.None));

    /// <summary>A line that swings from where it rests to another place and back.</summary>
    public void Swinging(IEnumerable<Point> rest, IEnumerable<Point> far, Pen pen) =>
        Add(new Stroke([.. rest], false, pen, Fill.None) { SwingsTo = [.. far] });

    /// <summary>A filled area with its outline.</summary>
    public void Area(IEnumerable<Point> points, Fill fill, Pen pen = Pen.None) => Add(new Stroke([.. points], true, pen, fill));

    /// <summary>A rectangle from one corner to the opposite one.</summary>
    public void Box(double x, double y, double width, double height, Fill fill, Pen pen = Pen.None) =>
        Area([new(x, y), new(x + width, y), new(x + width, y + height), new(x, y + height)], fill, pen);

    /// <summary>A circle.</summary>
    public void Circle(Point centre, double radius, Pen pen, Fill fill = Fill.None) => Add(new Disc(centre, radius, pen, fill));

    /// <summary>A faint picture by its upper left corner and its width.</summary>
    public void Picture(Point at, double width, string address) => Add(new Picture(at, width, address));

    /// <summary>A text at a point.</summary>
    public void Text(
        Point at,
        string text,
        TextKind kind = TextKind.Plain,
        Anchor anchor = Anchor.Start,
        bool halo = false,
        double? height = null
    )
    {
        if (text.Length > 0)
            Add(new Label(at, text, kind, anchor, height ?? HeightOf(kind), halo));
    }

    /// <summary>A symbol with its subscript, written <c>M_Ed</c>; without an underscore it is plain text.</summary>
    public void Symbol(Point at, string symbol)
    {
        var parts = symbol.Split('_', 2);
        Add(
            new Label(at, parts[0], TextKind.Plain, Anchor.Start, HeightOf(TextKind.Plain), false)
            {
                Subscript = parts.Length > 1 ? parts[1] : "",
            }
        );
    }

    /// <summary>About how wide a text comes out.</summary>
    public double WidthOf(string text, TextKind kind) =>
        text.Length * HeightOf(kind) * (kind is TextKind.Number or TextKind.SoftNumber ? 0.61 : 0.53);

    /// <summary>
    /// A chain of dimensions between points on one line: ticks at the points, each text above the middle of its piece, moved to the
    /// other side where it is wider than the piece and its neighbour has a text too.
    /// </summary>
    public void Dimensions(IReadOnlyList<Point> points, IReadOnlyList<string> texts)
    {
        Path(points, Pen.Dimension);
        var tick = 0.35 * TextHeight;
        foreach (var p in points)
            Line(new(p.X - tick, p.Y + tick), new(p.X + tick, p.Y - tick), Pen.Dimension);
        var flipped = false;
        for (var i = 0; i < texts.Count; i++)
        {
            var (a, b) = (points[i], points[i + 1]);
            var middle = Point.Between(a, b, 0.5);
            var steep = Math.Abs(b.Y - a.Y) > Math.Abs(b.X - a.X);
            if (steep)
            {
                Text(new(middle.X + 0.8, middle.Y + 0.35 * TextHeight), texts[i], TextKind.Number, Anchor.Start, true);
                continue;
            }
            flipped = WidthOf(texts[i], TextKind.Number) > Math.Abs(b.X - a.X) - 1 && !flipped && texts.Count > 1;
            Text(
                new(middle.X, flipped ? middle.Y + 1.15 * TextHeight : middle.Y - 0.35 * TextHeight),
                texts[i],
                TextKind.Number,
                Anchor.Middle,
                true
            );
        }
    }

    /// <summary>The bubble that names an axis.</summary>
    public void AxisBubble(Point centre, string name)
    {
        Circle(centre, 0.9 * TextHeight, Pen.Edge, Fill.Sheet);
        Text(new(centre.X, centre.Y + 0.35 * TextHeight), name, TextKind.Strong, Anchor.Middle);
    }

    /// <summary>An arrow from a to b.</summary>
    public void Arrow(Point a, Point b, Pen pen)
    {
        Line(a, b, pen);
        var along = b - a;
        var back = -Math.Min(1.6, along.Length / 2) / along.Length * along;
        var side = new Point(-back.Y, back.X);
        Path([b + back + 0.4 * side, b, b + back - 0.4 * side], pen);
    }

    /// <summary>Copies another drawing's marks, moved by (dx, dy).</summary>
    public void Place(Drawing drawing, double dx, double dy)
    {
        var shift = new Point(dx, dy);
        foreach (var mark in drawing.Marks)
        {
            marks.Add(
                mark switch
                {
                    Stroke s => s with { Points = [.. s.Points.Select(p => p + shift)], SwingsTo = [.. s.SwingsTo.Select(p => p + shift)] },
                    Disc d => d with { Centre = d.Centre + shift },
                    Label l => l with { At = l.At + shift },
                    _ => mark,
                }
            );
        }
    }

    /// <summary>Makes a point that measuring catches.</summary>
    public void Catch(Point at, Point3 world, string name) => snaps.Add(new(at, world, name));

    /// <summary>The drawing, with its title and description in words.</summary>
    public Drawing Finish(string title, string note = "", StationScale? stations = null) =>
        new(Width, Height, [.. LabelPlaces.Free(marks, this)])
        {
            Title = title,
            Note = note,
            Stations = stations,
            Snaps = [.. snaps],
        };

    private double HeightOf(TextKind kind) =>
        kind switch
        {
            TextKind.Number or TextKind.SoftNumber => 0.95 * TextHeight,
            TextKind.Title => 1.5 * TextHeight,
            _ => TextHeight,
        };

    private void Add(Mark mark) => marks.Add(Part is null ? mark : mark with { Part = Part });
}

/// <summary>Scales as drawing offices use them.</summary>
public static class DrawingScale
{
    private static readonly int[] Usual =
    [
        10,
        20,
        25,
        50,
        75,
        100,
        125,
        150,
        200,
        250,
        300,
        400,
        500,
        750,
        1000,
        1250,
        1500,
        2000,
        2500,
        3000,
        4000,
        5000,
        7500,
        10000,
        20000,
    ];

    /// <summary>The largest usual scale 1 : N at which <paramref name="metres"/> fit in <paramref name="millimetres"/>.</summary>
    public static int Fitting(double metres, double millimetres) => Usual.FirstOrDefault(n => metres * 1000 / n <= millimetres, 50000);

    /// <summary>The scale as written: 1 : 200.</summary>
    public static string Text(int scale) => $"1 : {scale}";
}
