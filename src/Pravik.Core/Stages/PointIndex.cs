using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Models;

namespace Pravik.Core.Stages;

/// <summary>Finds points of girders by girder, span and row of the mesh.</summary>
public sealed class PointIndex
{
    private readonly Dictionary<(GirderIndex, SpanIndex, int), int> pointOf = [];
    private readonly Dictionary<int, SpanIndex> spanOf = [];

    /// <param name="points">All points.</param>
    public PointIndex(ImmutableArray<ModelPoint> points)
    {
        for (var p = 0; p < points.Length; p++)
        {
            pointOf[(points[p].Girder, points[p].Span, points[p].Line)] = p;
            // The row on which a span begins is told after the one before has ended on it.
            spanOf[points[p].Line] = points[p].Span;
        }
    }

    /// <summary>The number of a point.</summary>
    public int Of(ModelPoint point) => pointOf[(point.Girder, point.Span, point.Line)];

    /// <summary>Numbers of the points at both ends of the piece of a girder that begins on a row.</summary>
    public (int First, int Last) Ends(GirderIndex girder, int row) =>
        (pointOf[(girder, spanOf[row], row)], pointOf[(girder, spanOf[row], row + 1)]);
}
