using System.Collections.Immutable;

namespace Pravik.Core.Roads;

/// <summary>
/// Levels along the road. Grades run straight between points of vertical intersection; at each point a curve may round them: a
/// parabola, two parabolas of unequal length, or a circle. Beyond the first and last point the end grades continue.
/// </summary>
public sealed class ProfileLine
{
    private readonly Piece[] pieces;
    private readonly double[] starts;

    /// <summary>A profile of one point is level. Throws <see cref="ArgumentException"/> for none.</summary>
    public ProfileLine(ImmutableArray<ProfilePoint> points)
    {
        if (points.IsDefaultOrEmpty)
            throw new ArgumentException("A profile has at least one point.", nameof(points));
        Points = points;
        List<Piece> list = [];
        for (var i = 0; i < points.Length; i++)
        {
            var (before, after) = (Grade(i - 1, i), Grade(i, i + 1));
            if (i == 0)
            {
                before = after;
                list.Add(new(double.NegativeInfinity, points[0].Station, points[0].Level, after, 0, null));
                continue;
            }
            if (i == points.Length - 1)
                after = before;
            AddCurve(list, points[i], before, after);
        }
        pieces = [.. list];
        starts = [.. list.Select(p => p.From)];
    }

    /// <summary>Points where grades meet, along the road.</summary>
    public ImmutableArray<ProfilePoint> Points { get; }

    /// <summary>Stations of the first and last point: beyond them the profile is not given.</summary>
    public (double From, double To) Range =>
        Points.Length == 1 ? (double.NegativeInfinity, double.PositiveInfinity) : (Points[0].Station, Points[^1].Station);

    /// <summary>Whether a station lies between its ends.</summary>
    public bool Covers(double station) => station >= Range.From - 1e-6 && station <= Range.To + 1e-6;

    /// <summary>Level at a station (m); beyond the ends the grade goes on.</summary>
    public double Level(double station) => Find(station).Level(station);

    /// <summary>Rise over run looking ahead.</summary>
    public double Grade(double station) => Find(station).Grade(station);

    /// <summary>Stations in a range where the grade is 0 on a curve: high and low points, with their levels.</summary>
    public IEnumerable<(double Station, double Level, bool IsHigh)> Extremes()
    {
        for (var i = 0; i < pieces.Length; i++)
        {
            var (piece, to) = (pieces[i], i + 1 < pieces.Length ? pieces[i + 1].From : double.PositiveInfinity);
            if (piece.ZeroGrade() is { } station && station >= piece.From && station < to)
                yield return (station, piece.Level(station), piece.Grade(piece.From) > 0);
        }
    }

    /// <summary>Half lengths of the vertical curve at a point, before and after it (m along the stations).</summary>
    public static (double Before, double After) Reach(ProfilePoint point, double before, double after)
    {
        if (point.Radius is { } radius)
        {
            // Tangent length of a circle: R·tan(|θ₂ − θ₁|/2) along each grade.
            var (one, two) = (Math.Atan(before), Math.Atan(after));
            var tangent = radius * Math.Tan(Math.Abs(two - one) / 2);
            return (tangent * Math.Cos(one), tangent * Math.Cos(two));
        }
        return point.CurveLengthOut is { } outward ? (point.CurveLength, outward) : (point.CurveLength / 2, point.CurveLength / 2);
    }

    /// <summary>Grade between two neighbouring points; 0 where one of them does not exist.</summary>
    private double Grade(int i, int j) =>
        i < 0 || j >= Points.Length ? 0 : (Points[j].Level - Points[i].Level) / (Points[j].Station - Points[i].Station);

    /// <summary>The curve at a point and the grade after it.</summary>
    private static void AddCurve(List<Piece> list, ProfilePoint point, double before, double after)
    {
        var (back, ahead) = Reach(point, before, after);
        var (from, to) = (point.Station - back, point.Station + ahead);
        var (levelFrom, levelTo) = (point.Level - before * back, point.Level + after * ahead);
        if (before != after && back + ahead > 0)
        {
            if (point.Radius is { } radius)
                list.Add(new(from, from, levelFrom, before, 0, new(radius, Math.Sign(after - before))));
            else
            {
                // Two parabolas meet under the point at the offset e = L₁·L₂·A / (2(L₁ + L₂)); for equal halves they are one.
                var e = back * ahead * (after - before) / (2 * (back + ahead));
                list.Add(new(from, from, levelFrom, before, e / (back * back), null));
                if (back != ahead)
                    list.Add(new(point.Station, to, levelTo, after, e / (ahead * ahead), null));
            }
        }
        list.Add(new(to, to, levelTo, after, 0, null));
    }

    private Piece Find(double station)
    {
        var at = Array.BinarySearch(starts, station);
        return pieces[at >= 0 ? at : ~at - 1];
    }

    private sealed record Circle(double Radius, int Sense);

    /// <summary>From a station on: level = origin level + grade·x + bend·x² about the origin, or a circle that begins there.</summary>
    private sealed record Piece(double From, double Origin, double OriginLevel, double OriginGrade, double Bend, Circle? Circle)
    {
        public double Level(double station)
        {
            var x = station - Origin;
            if (Circle is not { } c)
                return OriginLevel + x * (OriginGrade + Bend * x);
            // Centre square to the grade; a sag (sense +1) has its centre above.
            var sine = OriginGrade / Math.Sqrt(1 + OriginGrade * OriginGrade);
            var cosine = 1 / Math.Sqrt(1 + OriginGrade * OriginGrade);
            var across = x / c.Radius + c.Sense * sine;
            return OriginLevel + c.Sense * c.Radius * (cosine - Math.Sqrt(1 - across * across));
        }

        public double Grade(double station)
        {
            if (double.IsInfinity(station))
                return OriginGrade;
            var x = station - Origin;
            if (Circle is not { } c)
                return OriginGrade + 2 * Bend * x;
            var across = x / c.Radius + c.Sense * OriginGrade / Math.Sqrt(1 + OriginGrade * OriginGrade);
            return c.Sense * across / Math.Sqrt(1 - across * across);
        }

        public double? ZeroGrade()
        {
            if (Circle is { } c)
                return Origin - c.Sense * c.Radius * OriginGrade / Math.Sqrt(1 + OriginGrade * OriginGrade);
            return Bend == 0 ? null : Origin - OriginGrade / (2 * Bend);
        }
    }
}
