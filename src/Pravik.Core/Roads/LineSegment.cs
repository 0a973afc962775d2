using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Roads;

/// <summary>
/// A piece of the horizontal line with curvature linear in length: straight, arc or clothoid. Azimuths clockwise from north;
/// curvature positive turning right.
/// </summary>
/// <remarks>
/// κ(d) = κ₀ + (κ₁ − κ₀)·d/L; azimuth α(d) = α₀ + κ₀·d + (κ₁ − κ₀)·d²/(2L); position = start + ∫(sin α, cos α), in closed form for
/// straight and arc, by ten-point Gauss–Legendre panels of at most 1 rad for the clothoid.
/// </remarks>
public sealed class LineSegment(double station, double length, Point start, double azimuth, double startCurvature, double endCurvature)
{
    /// <summary>The longest element of a road (m).</summary>
    public const double Longest = 100e3;

    /// <summary>By how much an element may turn (rad): two full circles.</summary>
    public const double MostTurning = 4 * Math.PI;

    private readonly double rate = (endCurvature - startCurvature) / length;

    /// <summary>
    /// What is wrong with an element, in words that go on its name; null where nothing is. A clothoid turns by L·|κ₁ + κ₂|/2, by
    /// L·(κ₁² + κ₂²)/(2·|κ₁ − κ₂|) where it turns back: one that turns on and on is no road, and takes for ever to follow.
    /// </summary>
    /// <param name="length">Length (m).</param>
    /// <param name="startRadius">Radius at its start (m, with its sign); null where it is straight.</param>
    /// <param name="endRadius">Radius at its end.</param>
    public static string? Problem(double length, double? startRadius, double? endRadius)
    {
        var (start, end) = (1 / (startRadius ?? double.PositiveInfinity), 1 / (endRadius ?? double.PositiveInfinity));
        var turns =
            Math.Sign(start) * Math.Sign(end) < 0
                ? length * (start * start + end * end) / (2 * Math.Abs(start - end))
                : length * Math.Abs(start + end) / 2;
        return !(length <= Longest) ? $"is longer than {Longest / 1000:0} km"
            : !(turns <= MostTurning)
                ? $"turns by {turns / (2 * Math.PI):0.#} full circles, and up to {MostTurning / (2 * Math.PI):0} are taken"
            : null;
    }

    /// <summary>Station where it begins (m).</summary>
    public double Station { get; } = station;

    /// <summary>Length (m).</summary>
    public double Length { get; } = length;

    /// <summary>Where it begins.</summary>
    public Point Start { get; } = start;

    /// <summary>Direction where it begins, clockwise from north (rad).</summary>
    public double StartAzimuth { get; } = azimuth;

    /// <summary>Curvature where it begins (1/m), positive to the right.</summary>
    public double StartCurvature { get; } = startCurvature;

    /// <summary>Curvature where it ends (1/m).</summary>
    public double EndCurvature { get; } = endCurvature;

    /// <summary>Station where it ends (m).</summary>
    public double EndStation => Station + Length;

    /// <summary>Where it ends.</summary>
    public Point End => At(Length);

    /// <summary>Direction where it ends (rad).</summary>
    public double EndAzimuth => Azimuth(Length);

    /// <summary>Whether it is straight.</summary>
    public bool IsStraight => StartCurvature == 0 && EndCurvature == 0;

    /// <summary>Whether it is an arc.</summary>
    public bool IsArc => rate == 0 && StartCurvature != 0;

    /// <summary>The middle of the piece: every point of it lies within half its length from there.</summary>
    public Point Middle { get; } =
        new LineSegmentPosition(start, azimuth, startCurvature, (endCurvature - startCurvature) / length).At(length / 2);

    /// <summary>Curvature at a distance from its beginning (1/m).</summary>
    public double Curvature(double distance) => StartCurvature + rate * distance;

    /// <summary>Direction at a distance from its beginning (rad).</summary>
    public double Azimuth(double distance) => StartAzimuth + distance * (StartCurvature + rate * distance / 2);

    /// <summary>The point at a distance from its beginning.</summary>
    public Point At(double distance) => new LineSegmentPosition(Start, StartAzimuth, StartCurvature, rate).At(distance);

    /// <summary>
    /// The distance along the piece that is nearest to a point, within [0, L], and the distance to it. Exact on straights and arcs;
    /// on clothoids each foot that a search in steps brackets is found to 1e-12 m by Newton's method.
    /// </summary>
    public (double Along, double Distance) Nearest(Point point)
    {
        var best = (Along: 0.0, Distance: Point.Distance(point, Start));
        Try(Length);
        if (IsStraight)
            Try((point - Start).Dot(Point.Towards(StartAzimuth)));
        else if (IsArc)
            TryArc();
        else
        {
            var steps = 2 + (int)(10 * Math.Max(Math.Abs(StartCurvature), Math.Abs(EndCurvature)) * Length);
            var before = Ahead(0);
            for (var i = 1; i <= steps; i++)
            {
                var after = Ahead(Length * i / steps);
                if (before >= 0 && after <= 0)
                    Try(
                        before == 0 ? Length * (i - 1) / steps
                        : after == 0 ? Length * i / steps
                        : Roots.Newton(Slope, Length * (i - 1) / steps, Length * i / steps)
                    );
                before = after;
            }
        }
        return best;

        double Ahead(double distance) => (point - At(distance)).Dot(Point.Towards(Azimuth(distance)));

        // d/ds of the above: −1 + κ·(distance to the right of the line).
        (double, double) Slope(double distance)
        {
            var (from, azimuth) = (point - At(distance), Azimuth(distance));
            return (from.Dot(Point.Towards(azimuth)), -1 + Curvature(distance) * from.Dot(Point.Towards(azimuth + Math.PI / 2)));
        }

        void TryArc()
        {
            var radius = 1 / StartCurvature;
            var centre = Start + radius * Point.Towards(StartAzimuth + Math.PI / 2);
            var (from, to) = (Start - centre, point - centre);
            // Clockwise angle from the start to the point, as the arc turns.
            var angle = Math.Atan2(to.Cross(from), from.Dot(to)) * Math.Sign(radius);
            for (var a = angle < 0 ? angle + 2 * Math.PI : angle; a * Math.Abs(radius) <= Length; a += 2 * Math.PI)
                Try(a * Math.Abs(radius));
        }

        void Try(double along)
        {
            if (along < 0 || along > Length)
                return;
            var distance = Point.Distance(point, At(along));
            if (distance < best.Distance)
                best = (along, distance);
        }
    }
}

/// <summary>Position on a curve of linear curvature.</summary>
internal readonly struct LineSegmentPosition(Point start, double azimuth, double curvature, double rate)
{
    public Point At(double distance)
    {
        if (rate == 0)
        {
            var half = curvature * distance / 2;
            return start + (half == 0 ? distance : distance * Math.Sin(half) / half) * Point.Towards(azimuth + half);
        }
        var turn = Math.Max(Math.Abs(curvature), Math.Abs(curvature + rate * distance)) * Math.Abs(distance);
        var panels = 1 + (int)turn;
        var width = distance / panels;
        var rule = GaussLegendre.Ten;
        double x = 0,
            y = 0;
        for (var panel = 0; panel < panels; panel++)
        {
            for (var i = 0; i < rule.At.Length; i++)
            {
                var d = (panel + rule.At[i]) * width;
                var (sin, cos) = Math.SinCos(azimuth + d * (curvature + rate * d / 2));
                x += rule.Weight[i] * sin;
                y += rule.Weight[i] * cos;
            }
        }
        return start + new Point(x * width, y * width);
    }
}
