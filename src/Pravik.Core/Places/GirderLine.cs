using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Places;

/// <summary>A girder line: its number from the left, and where it runs in each span; null in spans that it has no girder in.</summary>
public sealed record GirderLine(int Number, ImmutableArray<GirderSpan?> Spans)
{
    /// <summary>Name, G and its number.</summary>
    public string Name => $"G{Number}";

    /// <summary>Whether there is a girder in a span.</summary>
    public bool IsIn(SpanIndex span) => Spans[span] is not null;

    /// <summary>The girder in a span; throws <see cref="InvalidOperationException"/> where there is none.</summary>
    public GirderSpan In(SpanIndex span) => Spans[span] ?? throw new InvalidOperationException($"{Name} has no girder in span {span + 1}.");

    /// <summary>The first span in which there is a girder.</summary>
    public SpanIndex FirstSpan => Enumerable.Range(0, Spans.Length).First(span => IsIn(span));

    /// <summary>Distance between the axes of a span, along the girder.</summary>
    public double SpanLength(SpanIndex span) => In(span).Length;

    /// <summary>Points along the line from axis to axis; over a joint it may step aside.</summary>
    public IEnumerable<Point> Points => Spans.OfType<GirderSpan>().SelectMany(s => s.Points);
}

/// <summary>A girder in a span, from the axis at which it begins to the one at which it ends: its points there and their offsets.</summary>
public sealed record GirderSpan(Point Start, Point End, double StartOffset, double EndOffset)
{
    /// <summary>The line that it follows; null for a straight one.</summary>
    public GirderCurve? Curve { get; init; }

    /// <summary>Length from axis to axis (m).</summary>
    public double Length => Curve?.Length ?? Point.Distance(Start, End);

    /// <summary>Offset half way (m).</summary>
    public double MiddleOffset => Curve?.MiddleOffset ?? (StartOffset + EndOffset) / 2;

    /// <summary>
    /// A point at fraction t of the length, 0 at the first axis. Outside 0 and 1 a straight girder goes on and a curved one ends.
    /// </summary>
    public Point At(double t) => Curve?.At(t) ?? Point.Between(Start, End, t);

    /// <summary>Directions of length 1 at fraction t: along the girder, and to its right.</summary>
    public Point Along(double t) => Curve?.Along(t) ?? 1 / Length * (End - Start);

    /// <summary>Direction to its right at fraction t, of length 1.</summary>
    public Point Right(double t) => Along(t) is var ahead ? new(ahead.Y, -ahead.X) : default;

    /// <summary>Points from axis to axis, enough to draw it.</summary>
    public IEnumerable<Point> Points => Curve is null ? [Start, End] : Enumerable.Range(0, 25).Select(i => Curve.At(i / 24.0));
}

/// <summary>
/// A girder that keeps its offset from a line along the road. Its length is the sum of 200 chords, short of the true one by less than a
/// part in 10⁶ where it turns
/// less than a radian; its points lie on the line itself.
/// </summary>
public sealed class GirderCurve
{
    private const int Pieces = 200;
    private readonly RoadLine road;
    private readonly Func<double, double> offset;
    private readonly double[] stations = new double[Pieces + 1];
    private readonly double[] along = new double[Pieces + 1];

    /// <param name="road">The road line.</param>
    /// <param name="from">Station at which the girder's line begins.</param>
    /// <param name="to">Station at which it ends.</param>
    /// <param name="offset">Its offset from the road at a station.</param>
    public GirderCurve(RoadLine road, double from, double to, Func<double, double> offset)
    {
        (this.road, this.offset) = (road, offset);
        var before = PointOf(from);
        for (var i = 0; i <= Pieces; i++)
        {
            stations[i] = from + (to - from) * i / Pieces;
            var here = PointOf(stations[i]);
            along[i] = i == 0 ? 0 : along[i - 1] + Point.Distance(before, here);
            before = here;
        }
        MiddleOffset = offset((from + to) / 2);
    }

    /// <summary>Length (m).</summary>
    public double Length => along[^1];

    /// <summary>Offset half way (m).</summary>
    public double MiddleOffset { get; }

    /// <summary>The point at fraction t of the length; t is taken within 0 and 1.</summary>
    public Point At(double t) => PointOf(StationAt(t));

    /// <summary>Direction along it at fraction t, of length 1.</summary>
    public Point Along(double t)
    {
        var (station, step) = (StationAt(t), (stations[^1] - stations[0]) / Pieces / 2);
        var chord = PointOf(station + step) - PointOf(station - step);
        return 1 / chord.Length * chord;
    }

    private double StationAt(double t)
    {
        var wanted = Math.Clamp(t, 0, 1) * Length;
        var found = Array.BinarySearch(along, wanted);
        if (found >= 0)
            return stations[found];
        var i = Math.Clamp(~found, 1, Pieces);
        return stations[i - 1] + (wanted - along[i - 1]) / (along[i] - along[i - 1]) * (stations[i] - stations[i - 1]);
    }

    private Point PointOf(double station) => road.At(station, offset(station));
}
