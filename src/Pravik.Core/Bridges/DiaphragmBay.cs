using Pravik.Core.Geometry;

namespace Pravik.Core.Bridges;

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
);
