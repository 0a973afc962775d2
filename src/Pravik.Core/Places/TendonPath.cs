using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Places;

/// <summary>The course of a tendon along one girder: levels, slopes, and the angle through which it turns.</summary>
/// <remarks>
/// Levels are above the soffit, so a soffit that rises lifts the tendon with it; slopes and angles are those in space, the top of the
/// girder taken as straight, with the girder's course in plan. A vertical curve of the road is left out.
/// </remarks>
public sealed class TendonPath
{
    // Pieces of each stretch between two breaks, of equal length.
    private const int Pieces = 16;
    private readonly BridgeGeometry geometry;
    private readonly GirderLine girder;
    private readonly ImmutableArray<TendonPoint> points;
    private readonly double[] starts;
    private readonly double[] places;
    private readonly double[] slopes;
    private readonly double[] angles;

    /// <summary>
    /// The course of a tendon in a girder; null where it does not lie in it, or runs in spans that do not exist or have no such girder.
    /// </summary>
    public static TendonPath? Of(BridgeGeometry geometry, Tendon tendon, GirderLine girder) =>
        tendon.IsIn(girder.Number)
        && geometry.SpanIndices.All(girder.IsIn)
        && tendon.Points.Length > 1
        && tendon.Points.All(p => p.Span >= 1 && p.Span <= geometry.SpanCount)
            ? new(geometry, tendon, girder)
            : null;

    private TendonPath(BridgeGeometry geometry, Tendon tendon, GirderLine girder)
    {
        (this.geometry, this.girder, points) = (geometry, girder, tendon.Points);
        starts = new double[geometry.SpanCount + 1];
        foreach (var span in geometry.SpanIndices)
            starts[span + 1] = starts[span] + girder.SpanLength(span);
        places = [.. points.Select(p => DistanceOf(p.Span - 1, p.At))];
        List<double> along = [],
            slope = [],
            angle = [];
        (double East, double North, double Up)? before = null;
        var sum = 0.0;
        foreach (var (from, to) in Stretches())
        {
            var (step, up) = ((to - from) / Pieces, Enumerable.Range(0, Pieces + 1).Select(i => Height(from, to, i)).ToArray());
            for (var i = 0; i <= Pieces; i++)
            {
                // Exact for parabolas: at the ends from three heights on one side, in between from both neighbours.
                var rise =
                    i == 0 ? (-3 * up[0] + 4 * up[1] - up[2]) / (2 * step)
                    : i == Pieces ? (3 * up[i] - 4 * up[i - 1] + up[i - 2]) / (2 * step)
                    : (up[i + 1] - up[i - 1]) / (2 * step);
                var x = from + i * step;
                var direction = Direction(Math.Clamp(x, from + 1e-9, to - 1e-9), rise);
                if (before is { } last)
                    sum += Angle(last, direction);
                before = direction;
                along.Add(x);
                slope.Add(rise);
                angle.Add(sum);
            }
        }
        (Distances, slopes, angles) = ([.. along], [.. slope], [.. angle]);
    }

    /// <summary>Distances from the first axis at which angles are known, rising (m); twice where the tendon has a kink.</summary>
    public ImmutableArray<double> Distances { get; }

    /// <summary>θ, the sum of angles from its first point on, by distance (rad).</summary>
    public IReadOnlyList<double> Angles => angles;

    /// <summary>Length along the girder (m).</summary>
    public double Length => places[^1] - places[0];

    /// <summary>Distance from the first axis of a part of a span (m).</summary>
    public double DistanceOf(SpanIndex span, double t) => starts[span] + t * girder.SpanLength(span);

    /// <summary>Whether it passes a part of a span.</summary>
    public bool Passes(SpanIndex span, double t) => DistanceOf(span, t) is var x && x >= places[0] - 1e-9 && x <= places[^1] + 1e-9;

    /// <summary>Level above the soffit at a part of a span (m).</summary>
    public double LevelAt(SpanIndex span, double t) => Level(DistanceOf(span, t));

    /// <summary>Slope against the top of the girder at a part of a span, rising ahead positive.</summary>
    public double SlopeAt(SpanIndex span, double t) => Between(slopes, DistanceOf(span, t));

    /// <summary>A value at a distance, straight between those at <see cref="Distances"/>; beyond them that of the nearer end.</summary>
    public double Between(double[] values, double distance)
    {
        var i = Distances.BinarySearch(distance);
        if (i >= 0)
            return values[i];
        var next = Math.Clamp(~i, 1, Distances.Length - 1);
        var length = Distances[next] - Distances[next - 1];
        var part = length > 0 ? Math.Clamp((distance - Distances[next - 1]) / length, 0, 1) : 0;
        return values[next - 1] + part * (values[next] - values[next - 1]);
    }

    /// <summary>Level at a distance: lines and parabolas from point to point.</summary>
    private double Level(double x)
    {
        var i = 0;
        while (i < points.Length - 2 && x > places[i + 1])
            i++;
        var (from, to) = (points[i], points[i + 1]);
        var (part, rise) = (Math.Clamp((x - places[i]) / (places[i + 1] - places[i]), 0, 1), to.Level - from.Level);
        return (IsLevel(i), IsLevel(i + 1), from.Turn ?? 0.5) switch
        {
            (false, false, _) => from.Level + rise * part,
            (true, false, _) => from.Level + rise * part * part,
            (false, true, _) => to.Level - rise * (1 - part) * (1 - part),
            (_, _, var turn) when part <= turn => from.Level + rise * part * part / turn,
            (_, _, var turn) => to.Level - rise * (1 - part) * (1 - part) / (1 - turn),
        };
    }

    private bool IsLevel(int point) => point > 0 && point < points.Length - 1 && !points[point].Kink;

    /// <summary>Stretches within which the course is one parabola: between points, turns and axes.</summary>
    private IEnumerable<(double From, double To)> Stretches()
    {
        var turns = Enumerable
            .Range(0, points.Length - 1)
            .Where(i => IsLevel(i) && IsLevel(i + 1))
            .Select(i => places[i] + (points[i].Turn ?? 0.5) * (places[i + 1] - places[i]));
        var breaks = places.Concat(turns).Concat(starts.Where(s => s > places[0] && s < places[^1])).Order().ToList();
        for (var i = 0; i + 1 < breaks.Count; i++)
        {
            if (breaks[i + 1] - breaks[i] > 1e-6)
                yield return (breaks[i], breaks[i + 1]);
        }
    }

    /// <summary>Height against the top of the girder within a stretch, a little inside it at its ends.</summary>
    private double Height(double from, double to, int piece)
    {
        var x = Math.Clamp(from + piece * (to - from) / Pieces, from + 1e-9, to - 1e-9);
        var (span, t) = SpanAt(x);
        return Level(x) - geometry.SectionOf(girder, span, t).Depth;
    }

    private (SpanIndex Span, double Part) SpanAt(double x)
    {
        var span = geometry.SpanIndices.Last(s => s == 0 || starts[s] <= x);
        return (span, Math.Clamp((x - starts[span]) / girder.SpanLength(span), 0, 1));
    }

    private (double East, double North, double Up) Direction(double x, double rise)
    {
        var (span, t) = SpanAt(x);
        var (ahead, length) = (girder.In(span).Along(t), Math.Sqrt(1 + rise * rise));
        return (ahead.X / length, ahead.Y / length, rise / length);
    }

    private static double Angle((double East, double North, double Up) a, (double East, double North, double Up) b)
    {
        // By the chord between two unit vectors: exact for small angles too.
        var (e, n, u) = (a.East - b.East, a.North - b.North, a.Up - b.Up);
        return 2 * Math.Asin(Math.Min(1, Math.Sqrt(e * e + n * n + u * u) / 2));
    }
}
