using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The road from above, north up: its elements, where they meet, tangents of intersection points, and the bridge on it.</summary>
public static class RoadPlanView
{
    private const int MostMarks = 400;

    /// <summary>Draws the road line in plan.</summary>
    public static Drawing Draw(BridgeGeometry geometry, UnitSystem units, ViewSize size, double? cursor = null)
    {
        var line = geometry.Road.Line;
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var shape = Shape(line);
        List<Point> bounds = [.. shape];
        if (geometry.Bridge.Road.Entry == LineEntry.Points)
            bounds.AddRange(geometry.Bridge.Road.Points.Select(p => new Point(p.East, p.North)));
        var (left, right, low, high) = (bounds.Min(p => p.X), bounds.Max(p => p.X), bounds.Min(p => p.Y), bounds.Max(p => p.Y));
        var scale = Math.Max(
            DrawingScale.Fitting(right - left, size.Width - 40),
            DrawingScale.Fitting(high - low, Math.Max(5, size.Height - 24))
        );
        var k = 1000.0 / scale;
        var centre = new Point((left + right) / 2, (low + high) / 2);
        Point At(Point p) => new(size.Width / 2 + k * (p.X - centre.X), size.Height / 2 - k * (p.Y - centre.Y));

        if (geometry.Bridge.Road.Entry == LineEntry.Points)
            canvas.Path(geometry.Bridge.Road.Points.Select(p => At(new(p.East, p.North))), Pen.Hidden);
        Bridge(geometry, canvas, At);
        canvas.Path(shape.Select(At), Pen.Edge);
        Elements(line, units, canvas, At);
        Ends(line, units, canvas, At);
        if (cursor is { } station)
        {
            var reach = 6 / k;
            canvas.Line(At(line.At(station, -reach)), At(line.At(station, reach)), Pen.Active);
        }
        canvas.Arrow(new(size.Width - 8, size.Height - 6), new(size.Width - 8, size.Height - 15), Pen.Edge);
        canvas.Text(new(size.Width - 8, size.Height - 16.5), "N", TextKind.Strong, Anchor.Middle);
        return canvas.Finish("Road in plan", $"north up, {DrawingScale.Text(scale)}");
    }

    /// <summary>Points close enough that curves look smooth: one for every 2° of turning, the ends of every piece.</summary>
    private static List<Point> Shape(HorizontalLine line)
    {
        List<Point> points = [line.Segments[0].Start];
        foreach (var s in line.Segments)
        {
            var turn = Math.Max(Math.Abs(s.StartCurvature), Math.Abs(s.EndCurvature)) * s.Length;
            var pieces = 1 + (int)(turn * 180 / Math.PI / 2);
            for (var i = 1; i <= pieces; i++)
                points.Add(s.At(s.Length * i / pieces));
        }
        return points;
    }

    private static void Bridge(BridgeGeometry geometry, Canvas canvas, Func<Point, Point> at)
    {
        foreach (var unit in geometry.Units)
        {
            IEnumerable<Point> Edge(int boundary)
            {
                var (from, to) = unit.Ends(boundary);
                return Enumerable
                    .Range(0, 25)
                    .Select(i => from + i * (to - from) / 24)
                    .Select(s => geometry.Road.At(s, unit.Shape.Boundary(boundary, s)));
            }
            canvas.Area(Edge(0).Concat(Edge(unit.Shape.Boundaries - 1).Reverse()).Select(at), Fill.Picked, Pen.Cut);
        }
        foreach (var axis in geometry.Axes)
        {
            var (left, right) = geometry.EdgesOn(axis);
            canvas.Line(at(geometry.Road.At(left)), at(geometry.Road.At(right)), Pen.Edge);
        }
    }

    /// <summary>A tick where elements meet, and what each is; names that would crowd are left out.</summary>
    private static void Elements(HorizontalLine line, UnitSystem units, Canvas canvas, Func<Point, Point> at)
    {
        if (line.Segments.Length > MostMarks)
            return;
        var taken = new List<Point>();
        foreach (var s in line.Segments)
        {
            var across = Point.Towards(s.StartAzimuth + Math.PI / 2);
            var (p, tick) = (at(s.Start), new Point(across.X, -across.Y));
            canvas.Line(p - 1.4 * tick, p + 1.4 * tick, Pen.Dimension);
            var words = Words(s, units);
            var side = Point.Towards(s.Azimuth(s.Length / 2) + Math.PI / 2);
            var outward = s.StartCurvature + s.EndCurvature > 0 ? -1 : 1;
            var place = at(s.Middle) + 4.2 * outward * new Point(side.X, -side.Y);
            if (
                taken.Any(t =>
                    Math.Abs(t.X - place.X) < canvas.WidthOf(words, TextKind.SoftNumber)
                    && Math.Abs(t.Y - place.Y) < 1.2 * canvas.TextHeight
                )
            )
                continue;
            taken.Add(place);
            canvas.Text(
                place + new Point(0, 0.35 * canvas.TextHeight),
                words,
                TextKind.SoftNumber,
                outward * side.X > 0.35 ? Anchor.Start
                    : outward * side.X < -0.35 ? Anchor.End
                    : Anchor.Middle,
                true
            );
        }
    }

    private static string Words(LineSegment s, UnitSystem units)
    {
        string Length(double value) => units.Format(value, QuantityKind.Length);
        if (s.IsStraight)
            return Length(s.Length);
        if (s.IsArc)
            return $"R {Length(1 / Math.Abs(s.StartCurvature))}";
        return $"A {Length(Math.Sqrt(s.Length / Math.Abs(s.EndCurvature - s.StartCurvature)))}";
    }

    private static void Ends(HorizontalLine line, UnitSystem units, Canvas canvas, Func<Point, Point> at)
    {
        foreach (var station in new[] { line.StartStation, line.EndStation })
        {
            var p = at(line.At(station));
            canvas.Circle(p, 0.8, Pen.Edge, Fill.Sheet);
            // On the tangent, away from the line.
            var away = (station == line.StartStation ? -1 : 1) * Point.Towards(line.Azimuth(station));
            canvas.Text(
                p + new Point(2.2 * away.X, -2.2 * away.Y + 0.35 * canvas.TextHeight),
                units.Format(station, QuantityKind.Length),
                TextKind.Number,
                away.X > 0.3 ? Anchor.Start
                    : away.X < -0.3 ? Anchor.End
                    : Anchor.Middle,
                true
            );
        }
    }
}
