using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>What fatigue of girders of steel is reckoned with.</summary>
public sealed record SteelFatigue
{
    /// <summary>Trucks a day in one lane, the mean over the design life; null where not known: life is then to be infinite.</summary>
    public double? TrucksADay { get; init; }

    /// <summary>Design life in years.</summary>
    public double Years { get; init; } = 75;

    /// <summary>Details beside those that follow from welds, stiffeners, frames and studs.</summary>
    public ImmutableArray<FatigueDetail> Details { get; init; } = [];
}

/// <summary>A detail of a steel girder that may tire, over a part of the length.</summary>
public sealed record FatigueDetail
{
    /// <summary>Categories of AASHTO LRFD Table 6.6.1.2.3-1.</summary>
    public static readonly ImmutableArray<string> Categories = ["A", "B", "B'", "C", "C'", "D", "E", "E'"];

    /// <summary>What it is, in words.</summary>
    public string Name { get; init; } = "Detail";

    /// <summary>Its category.</summary>
    public string Category { get; init; } = "C";

    /// <summary>Height above the soffit (m).</summary>
    public double Level { get; init; }

    /// <summary>Number of the span; null for every one.</summary>
    public int? Span { get; init; }

    /// <summary>From where, as a part of the span.</summary>
    public double From { get; init; }

    /// <summary>To where, as a part of the span.</summary>
    public double To { get; init; } = 1;

    /// <summary>Whether it lies at fraction t of a span.</summary>
    public bool Holds(SpanIndex span, double t) => (Span is null || Span == span + 1) && t >= From && t <= To;
}
