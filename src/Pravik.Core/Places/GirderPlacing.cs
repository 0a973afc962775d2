using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Places;

/// <summary>Puts the lines of girders in their places, from the layout of every span and what girders have of their own.</summary>
internal sealed class GirderPlacing(BridgeGeometry geometry)
{
    private readonly IEnumerable<int> spans = Enumerable.Range(0, geometry.SpanCount);

    public ImmutableArray<GirderLine> Lines() => [.. Enumerable.Range(1, spans.Max(span => geometry.LayoutOf(span).Count)).Select(Line)];

    /// <summary>A girder line, placed by the layout of every span at both of its axes: where the deck widens, girders splay.</summary>
    private GirderLine Line(int number) =>
        new(number, [.. spans.Select(span => geometry.Sections.IsPresent(number, span) ? Between(number, span) : null)]);

    /// <summary>
    /// A girder between the axes of a span: straight, or keeping its offset from the road line or a line of its file, evenly from that
    /// at one axis to that at the other.
    /// </summary>
    private GirderSpan Between(int number, SpanIndex span)
    {
        var (start, end) = (GirderOnAxis(geometry.Axes[span], span, number), GirderOnAxis(geometry.Axes[span + 1], span, number));
        var straight = new GirderSpan(geometry.Road.At(start), geometry.Road.At(end), start.Offset, end.Offset);
        var course = geometry.LayoutOf(span).Course;
        if (course == Bridges.Girders.Straight)
            return straight;
        var line = geometry.Road.Features.FirstOrDefault(f => f.Name == course);
        double Guide(double station) => line?.OffsetAt(station) ?? 0;
        var (first, change) = (start.Offset - Guide(start.Station), end.Offset - Guide(end.Station) - start.Offset + Guide(start.Station));
        return straight with
        {
            Curve = new(
                geometry.Road,
                start.Station,
                end.Station,
                s => Guide(s) + first + (s - start.Station) / (end.Station - start.Station) * change
            ),
        };
    }

    private RoadPlace GirderOnAxis(AxisPlace axis, SpanIndex span, int number)
    {
        var (layout, unit) = (geometry.LayoutOf(span), geometry.UnitOf(span));
        var shift = geometry.Bridge.Girders.Own.GetValueOrDefault(HaunchLine.Key(number, span))?.Shift ?? 0;
        if (!layout.AlongAxis)
            return geometry.Meet(
                axis,
                s => shift + unit.Shape.LeftEdge(s) + layout.FromLeft(number, unit.Shape.RightEdge(s) - unit.Shape.LeftEdge(s))
            );
        var edges = unit.OnAxis(axis);
        var (left, right) = (geometry.Road.At(edges.Left), geometry.Road.At(edges.Right));
        var width = Point.Distance(left, right);
        return geometry.Road.Locate(left + (shift / Math.Cos(axis.Skew) + layout.FromLeft(number, width)) / width * (right - left));
    }
}
