namespace Pravik.Core.Bridges;

/// <summary>Studs that join the slab to girders of steel over a part of the length: rows across the flange at one distance.</summary>
public sealed record StudZone
{
    /// <summary>Number of the span; null for every one.</summary>
    public int? Span { get; init; }

    /// <summary>From where, as a part of the span.</summary>
    public double From { get; init; }

    /// <summary>To where, as a part of the span.</summary>
    public double To { get; init; } = 1;

    /// <summary>Studs side by side in a row.</summary>
    public int PerRow { get; init; } = 3;

    /// <summary>From row to row (m).</summary>
    public double Spacing { get; init; } = 0.25;

    /// <summary>Diameter of the shank (m).</summary>
    public double Diameter { get; init; } = 0.022;

    /// <summary>Height after welding (m).</summary>
    public double Height { get; init; } = 0.15;

    /// <summary>From the middle of the first stud of a row to that of the last (m).</summary>
    public double Across { get; init; } = 0.25;

    /// <summary>Whether it lies at fraction t of a span.</summary>
    public bool Holds(SpanIndex span, double t) => (Span is null || Span == span + 1) && t >= From && t <= To;
}
