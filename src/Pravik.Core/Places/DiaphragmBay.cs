using Pravik.Core.Bridges;
using Pravik.Core.Geometry;

namespace Pravik.Core.Places;

/// <summary>
/// A placed diaphragm in one bay: which one, in which span and bay (from 1), between which girders, at which fractions of
/// their spans and points of their
/// centre lines, and its clear length between their webs (m).
/// </summary>
public sealed record DiaphragmBay(
    PlacedDiaphragm Diaphragm,
    int Index,
    SpanIndex Span,
    int Bay,
    GirderLine Left,
    GirderLine Right,
    double OnLeft,
    double OnRight,
    Point From,
    Point To,
    double Clear
)
{
    /// <summary>Placed diaphragms bay by bay.</summary>
    public static IEnumerable<DiaphragmBay> All(BridgeGeometry geometry)
    {
        for (var i = 0; i < geometry.Bridge.Girders.Diaphragms.Length; i++)
        {
            var placed = geometry.Bridge.Girders.Diaphragms[i];
            for (var span = 0; span < geometry.SpanCount; span++)
            {
                if (!placed.IsIn(span))
                    continue;
                var girders = geometry.GirdersIn(span);
                for (var bay = 1; bay < girders.Length; bay++)
                {
                    if (!placed.HasBay(bay))
                        continue;
                    var (left, right) = (girders[bay - 1], girders[bay]);
                    var (onLeft, onRight) = Fractions(geometry, placed, left, right, span);
                    var (from, to) = (geometry.OnGirder(left, span, onLeft), geometry.OnGirder(right, span, onRight));
                    yield return new(
                        placed,
                        i,
                        span,
                        bay,
                        left,
                        right,
                        onLeft,
                        onRight,
                        from,
                        to,
                        Point.Distance(from, to)
                            - (geometry.SectionOf(left, span, onLeft).WebWidth + geometry.SectionOf(right, span, onRight).WebWidth) / 2
                    );
                }
            }
        }
    }

    /// <summary>Weight (N): its clear length times its section, or its bars.</summary>
    public double Weight(BridgeGeometry geometry) =>
        Diaphragm.Kind == DiaphragmKind.Concrete
            ? Clear * Diaphragm.Width * Diaphragm.Depth * geometry.Bridge.Loads.ConcreteWeight
            : (geometry.BarsOf(Diaphragm)?.Properties.GrossArea ?? 0) * BarLength * geometry.Bridge.Loads.SteelWeight;

    /// <summary>Length of the bars of a steel one together (m), between the girders' webs.</summary>
    public double BarLength =>
        Bars(Diaphragm).Sum(b => Math.Sqrt(Math.Pow((b.To.Across - b.From.Across) * Clear, 2) + Math.Pow(b.To.Below - b.From.Below, 2)));

    /// <summary>Axes of what a diaphragm is made of: parts of the way across and depths below the girders' tops.</summary>
    public static IReadOnlyList<((double Across, double Below) From, (double Across, double Below) To, string Name)> Bars(
        PlacedDiaphragm placed
    )
    {
        var (top, bottom) = (0.1 * placed.Depth, placed.Depth);
        return placed.Kind switch
        {
            DiaphragmKind.Concrete => [((0, placed.Depth / 2), (1, placed.Depth / 2), "Diaphragm")],
            DiaphragmKind.Beam => [((0, placed.Depth / 2), (1, placed.Depth / 2), "Steel diaphragm")],
            DiaphragmKind.CrossFrame =>
            [
                ((0, top), (1, bottom), "Cross-frame"),
                ((0, bottom), (1, top), "Cross-frame"),
                ((0, bottom), (1, bottom), "Cross-frame"),
            ],
            _ =>
            [
                ((0, top), (1, top), "K-frame"),
                ((0, top), (0.5, bottom), "K-frame"),
                ((0.5, bottom), (1, top), "K-frame"),
                ((0, bottom), (1, bottom), "K-frame"),
            ],
        };
    }

    /// <summary>
    /// Fractions of the span at which a diaphragm meets the girders of a bay: the same part of both, or square to the left one about
    /// the middle of the bay.
    /// </summary>
    private static (double Left, double Right) Fractions(
        BridgeGeometry geometry,
        PlacedDiaphragm placed,
        GirderLine left,
        GirderLine right,
        SpanIndex span
    )
    {
        double Part(GirderLine girder) => placed.Distance is { } distance ? distance / girder.SpanLength(span) : placed.At;
        if (!placed.Square)
            return (Part(left), Part(right));
        // Projections of the middle of the bay on both girders, along which they are all but straight.
        var middle = Point.Between(geometry.OnGirder(left, span, Part(left)), geometry.OnGirder(right, span, Part(right)), 0.5);
        double Foot(GirderLine girder) =>
            Math.Clamp(
                Part(girder)
                    + (middle - geometry.OnGirder(girder, span, Part(girder))).Dot(left.In(span).Along(Part(left)))
                        / girder.SpanLength(span),
                0,
                1
            );
        return (Foot(left), Foot(right));
    }
}
