namespace Pravik.Core.Bridges;

/// <summary>A tendon stressed after casting, along a parabola through three levels of a span; a stage puts it on by its name.</summary>
public sealed record Tendon
{
    /// <summary>Name, by which a stage stresses it.</summary>
    public string Name { get; init; } = "Tendon";

    /// <summary>Number of the span; null for every one, which makes it run on over the piers.</summary>
    public int? Span { get; init; }

    /// <summary>Strands in the tendon.</summary>
    public int Strands { get; init; } = 12;

    /// <summary>Stress after all losses (Pa), entered.</summary>
    public double EffectiveStress { get; init; } = 1100e6;

    /// <summary>Levels above the girder's soffit at both ends of the span and at its low point (m).</summary>
    public double StartLevel { get; init; } = 0.7;

    /// <summary>Level at the low point, above the girder's soffit (m).</summary>
    public double LowLevel { get; init; } = 0.15;

    /// <summary>Level at the end of the span, above the girder's soffit (m).</summary>
    public double EndLevel { get; init; } = 0.7;

    /// <summary>Where the low point is, as a part of the span.</summary>
    public double LowAt { get; init; } = 0.5;

    /// <summary>Whether it is in a span.</summary>
    public bool IsIn(SpanIndex span) => Span is null || Span == span + 1;

    /// <summary>Level above the soffit at fraction t of the span: the parabola through the three points.</summary>
    public double LevelAt(double t) =>
        StartLevel * (t - LowAt) * (t - 1) / LowAt
        + LowLevel * t * (t - 1) / (LowAt * (LowAt - 1))
        + EndLevel * t * (t - LowAt) / (1 - LowAt);
}
