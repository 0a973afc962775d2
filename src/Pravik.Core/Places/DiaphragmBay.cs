using Pravik.Core.Bridges;
using Pravik.Core.Geometry;

namespace Pravik.Core.Places;

/// <summary>
/// A placed diaphragm in one bay: which one, in which span (from 0) and bay (from 1), between which girders, at which fractions of
/// their spans and points of their
/// centre lines, and its clear length between their webs (m).
/// </summary>
public sealed record DiaphragmBay(
    PlacedDiaphragm Diaphragm,
    int Index,
    int Span,
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
}
