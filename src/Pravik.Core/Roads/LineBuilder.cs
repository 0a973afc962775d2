using System.Collections.Immutable;
using Pravik.Core.Findings;
using Pravik.Core.Geometry;

namespace Pravik.Core.Roads;

/// <summary>Makes the horizontal line of a road from its elements or its intersection points.</summary>
public static class LineBuilder
{
    /// <summary>The line, chained from element to element; an own start of an element is taken as it is.</summary>
    public static HorizontalLine Build(Road road) =>
        new(
            Chain(
                road.StartStation,
                new(road.StartEast, road.StartNorth),
                road.Azimuth,
                road.Entry == LineEntry.Points ? FromPoints(road.Points).Elements : road.Elements
            )
        );

    /// <summary>Pieces from elements. Elements without length are left out.</summary>
    public static ImmutableArray<LineSegment> Chain(double station, Point start, double azimuth, ImmutableArray<RoadElement> elements)
    {
        var pieces = ImmutableArray.CreateBuilder<LineSegment>(elements.Length);
        foreach (var element in elements.Where(e => e.Length > 0))
        {
            if (element.Start is { } own)
                (start, azimuth) = (new(own.East, own.North), own.Azimuth);
            var piece = new LineSegment(station, element.Length, start, azimuth, 1 / element.StartRadius ?? 0, 1 / element.EndRadius ?? 0);
            pieces.Add(piece);
            (station, start, azimuth) = (piece.EndStation, piece.End, piece.EndAzimuth);
        }
        return pieces.ToImmutable();
    }

    /// <summary>
    /// Elements from intersection points, and findings where curves do not fit. With spiral angles τ = L/(2R) and the end point (X, Y)
    /// of each
    /// clothoid in its tangent's axes, shift p = Y − R(1 − cos τ) and k = X − R sin τ, the tangent lengths are
    /// T₁ = k₁ + (R + p₁)·tan(Δ/2) + (p₂ − p₁)/sin Δ and T₂ with 1 and 2 exchanged (unequal transitions included); the arc turns Δ − τ₁
    /// − τ₂.
    /// </summary>
    public static (ImmutableArray<RoadElement> Elements, ImmutableArray<Finding> Findings) FromPoints(
        ImmutableArray<IntersectionPoint> points
    )
    {
        var (elements, findings) = (ImmutableArray.CreateBuilder<RoadElement>(), ImmutableArray.CreateBuilder<Finding>());
        if (points.Length < 2)
            return ([], [Finding.Error("/road/points", "A line needs at least two points.")]);
        double used = 0;
        for (var i = 1; i < points.Length; i++)
        {
            var (from, to) = (At(points[i - 1]), At(points[i]));
            var leg = Point.Distance(from, to);
            if (leg < 1e-6)
                return ([], [Finding.Error($"/road/points/{i}", $"Points {i} and {i + 1} lie on one another.")]);
            var azimuth = AzimuthOf(to - from);
            var curve = i + 1 < points.Length ? Curve(points, i, azimuth, findings) : null;
            var straight = leg - used - (curve?.Before ?? 0);
            if (straight < -1e-6)
                findings.Add(
                    Finding.Error(
                        $"/road/points/{Math.Min(i, points.Length - 2)}/radius",
                        $"The curves between points {i} and {i + 1} need {-straight:0.###} m more than the {leg:0.###} m between "
                            + "them. Take a smaller radius or shorter transitions."
                    )
                );
            if (straight > 1e-9 || elements.Count == 0)
            {
                var start = used * Point.Towards(azimuth) + from;
                elements.Add(new() { Length = Math.Max(straight, 1e-9), Start = new(start.X, start.Y, azimuth) });
            }
            if (curve is { } c)
                elements.AddRange(c.Elements);
            used = curve?.After ?? 0;
        }
        return (findings.Count == 0 ? elements.ToImmutable() : [], findings.ToImmutable());
    }

    private sealed record CurveParts(ImmutableArray<RoadElement> Elements, double Before, double After);

    private static CurveParts? Curve(
        ImmutableArray<IntersectionPoint> points,
        int i,
        double azimuth,
        ImmutableArray<Finding>.Builder findings
    )
    {
        var point = points[i];
        var next = At(points[i + 1]) - At(point);
        var turn = Math.IEEERemainder(AzimuthOf(next) - azimuth, 2 * Math.PI);
        var delta = Math.Abs(turn);
        if (point.Radius is not { } radius || delta < 1e-12)
            return null;
        if (delta > Math.PI - 1e-6)
        {
            findings.Add(Finding.Error($"/road/points/{i}", $"The line turns back on itself at point {i + 1}."));
            return null;
        }
        var (angleIn, shiftIn, alongIn) = Transition(point.TransitionIn, radius);
        var (angleOut, shiftOut, alongOut) = Transition(point.TransitionOut, radius);
        var arc = delta - angleIn - angleOut;
        if (arc < -1e-9)
        {
            findings.Add(
                Finding.Error(
                    $"/road/points/{i}/transitionIn",
                    $"The transitions at point {i + 1} turn further than its whole angle of {delta * 180 / Math.PI:0.###}°. "
                        + "Shorten them or take a greater radius."
                )
            );
            return null;
        }
        var signed = Math.CopySign(radius, turn);
        var half = Math.Tan(delta / 2);
        List<RoadElement> parts = [];
        if (point.TransitionIn > 0)
            parts.Add(new() { Length = point.TransitionIn, EndRadius = signed });
        if (arc > 1e-12)
            parts.Add(
                new()
                {
                    Length = arc * radius,
                    StartRadius = signed,
                    EndRadius = signed,
                }
            );
        if (point.TransitionOut > 0)
            parts.Add(new() { Length = point.TransitionOut, StartRadius = signed });
        return new(
            [.. parts],
            alongIn + (radius + shiftIn) * half + (shiftOut - shiftIn) / Math.Sin(delta),
            alongOut + (radius + shiftOut) * half + (shiftIn - shiftOut) / Math.Sin(delta)
        );
    }

    private static (double Angle, double Shift, double Along) Transition(double length, double radius)
    {
        if (length <= 0)
            return (0, 0, 0);
        var angle = length / (2 * radius);
        // Azimuth 0 is north: y runs along the tangent, x to the right of it.
        var end = new LineSegment(0, length, new(0, 0), 0, 0, 1 / radius).End;
        return (angle, end.X - radius * (1 - Math.Cos(angle)), end.Y - radius * Math.Sin(angle));
    }

    private static Point At(IntersectionPoint point) => new(point.East, point.North);

    private static double AzimuthOf(Point direction) => Math.Atan2(direction.X, direction.Y);
}
