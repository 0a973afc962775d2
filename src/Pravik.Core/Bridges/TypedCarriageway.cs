namespace Pravik.Core.Bridges;

/// <summary>From what an edge is measured across the deck.</summary>
public enum DeckReference
{
    /// <summary>The road line.</summary>
    RoadLine,

    /// <summary>The deck's left edge.</summary>
    LeftEdge,

    /// <summary>The deck's right edge.</summary>
    RightEdge,

    /// <summary>The inner face of the outermost parapet on the left; the deck's edge where there is none.</summary>
    LeftParapet,

    /// <summary>The inner face of the outermost parapet on the right; the deck's edge where there is none.</summary>
    RightParapet,
}

/// <summary>Where traffic may drive, by its edges: each so far to the right of something (m).</summary>
public sealed record TypedCarriageway
{
    /// <summary>From what its left edge is measured.</summary>
    public DeckReference FromOf { get; init; }

    /// <summary>Its left edge, positive to the right of that (m).</summary>
    public double From { get; init; } = -3.5;

    /// <summary>From what its right edge is measured.</summary>
    public DeckReference ToOf { get; init; }

    /// <summary>Its right edge, positive to the right of that (m).</summary>
    public double To { get; init; } = 3.5;
}
