namespace Pravik.Core.Bridges;

/// <summary>How a stiffener stands on the web.</summary>
public enum StiffenerKind
{
    /// <summary>Upright, at one place or at equal distances.</summary>
    Transverse,

    /// <summary>Upright, over both bearings.</summary>
    Bearing,

    /// <summary>Along the web.</summary>
    Longitudinal,
}

/// <summary>Stiffeners of the webs of steel girders, plates from flange to flange or along the web.</summary>
public sealed record PlacedStiffener
{
    /// <summary>What it is for.</summary>
    public StiffenerKind Kind { get; init; }

    /// <summary>Number of the span; null for every one.</summary>
    public int? Span { get; init; }

    /// <summary>From where to where, as parts of the span. A transverse one without a distance stands at the first.</summary>
    public double From { get; init; } = 0.1;

    /// <summary>Where the last one stands, as a part of the span.</summary>
    public double To { get; init; } = 0.9;

    /// <summary>Greatest distance between transverse ones (m), which share the way between them equally; null for a single one.</summary>
    public double? Spacing { get; init; }

    /// <summary>Height of a longitudinal one above the bottom flange, as a part of the web.</summary>
    public double Height { get; init; } = 0.75;

    /// <summary>How far it stands out from the web, and its thickness (m).</summary>
    public double Width { get; init; } = 0.15;

    /// <summary>Thickness (m).</summary>
    public double Thickness { get; init; } = 0.015;

    /// <summary>Whether one stands on each side of the web.</summary>
    public bool BothSides { get; init; } = true;

    /// <summary>Whether it stands in a span.</summary>
    public bool IsIn(SpanIndex span) => Span is null || Span == span + 1;
}
