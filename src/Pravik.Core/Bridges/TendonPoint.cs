namespace Pravik.Core.Bridges;

/// <summary>
/// A point through which a tendon goes. At its ends the direction is free; in between it runs level there, or has a kink. Between two
/// points that are level the curve turns over, as two parabolas with one tangent; between a free one and a level one it is one parabola,
/// and between two that are free a straight line.
/// </summary>
public sealed record TendonPoint
{
    /// <summary>Number of the span.</summary>
    public int Span { get; init; } = 1;

    /// <summary>Where it is, as a part of the span.</summary>
    public double At { get; init; }

    /// <summary>Level above the girder's soffit there (m).</summary>
    public double Level { get; init; } = 0.5;

    /// <summary>Whether the direction is free: the curve has a kink there.</summary>
    public bool Kink { get; init; }

    /// <summary>Where the curve turns over on the way to the next point, as a part of it; null for half way.</summary>
    public double? Turn { get; init; }
}
