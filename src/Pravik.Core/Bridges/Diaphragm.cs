namespace Pravik.Core.Bridges;

/// <summary>The concrete diaphragm over every support axis, cast with the slab.</summary>
public sealed record Diaphragm
{
    /// <summary>Width along the road (m).</summary>
    public double Width { get; init; } = 0.9;

    /// <summary>Depth from the girders' top down (m).</summary>
    public double Depth { get; init; } = 1.2;
}

/// <summary>When a diaphragm is cast or set.</summary>
public enum DiaphragmStage
{
    /// <summary>Before the slab: it weighs on the girders alone.</summary>
    BeforeSlab,

    /// <summary>With the slab.</summary>
    WithSlab,

    /// <summary>After the slab: it weighs on the composite section.</summary>
    AfterSlab,
}

/// <summary>What stands between the girders: a concrete diaphragm, or a steel one of a member or a frame of bars.</summary>
public enum DiaphragmKind
{
    /// <summary>Of concrete.</summary>
    Concrete,

    /// <summary>A steel member at half depth.</summary>
    Beam,

    /// <summary>Two diagonals that cross, and a bar at the bottom.</summary>
    CrossFrame,

    /// <summary>Two diagonals that meet half way at the bottom bar, and a bar at the top and the bottom.</summary>
    KFrame,
}

/// <summary>A diaphragm or cross-frame between the girders, at the same part of every girder's span or square to them.</summary>
public sealed record PlacedDiaphragm
{
    /// <summary>Number of the span; null for every one.</summary>
    public int? Span { get; init; }

    /// <summary>Where, as a part of the span, which scales with its length.</summary>
    public double At { get; init; } = 0.5;

    /// <summary>Where, as a distance from the first axis along the girder (m), which does not; null for the part of the span.</summary>
    public double? Distance { get; init; }

    /// <summary>Square to the girders, bay by bay, instead of at the same part of all.</summary>
    public bool Square { get; init; }

    /// <summary>What it is made of.</summary>
    public DiaphragmKind Kind { get; init; }

    /// <summary>When it is cast or set.</summary>
    public DiaphragmStage Stage { get; init; } = DiaphragmStage.WithSlab;

    /// <summary>Section of the bars of a steel one; null for the first section of steel.</summary>
    public string? Section { get; init; }

    /// <summary>Width of a concrete one (m).</summary>
    public double Width { get; init; } = 0.3;

    /// <summary>From the girders' top downward.</summary>
    public double Depth { get; init; } = 0.9;

    /// <summary>First and last bay, counted from the left from 1; null for the outer ones.</summary>
    public int? FirstBay { get; init; }

    /// <summary>Last bay, from the left from 1; null for the outermost.</summary>
    public int? LastBay { get; init; }

    /// <summary>Whether it stands in a span, and in a bay (from 1).</summary>
    public bool IsIn(SpanIndex span) => Span is null || Span == span + 1;

    /// <summary>Whether it stands in a bay (from 1).</summary>
    public bool HasBay(int bay) => bay >= (FirstBay ?? 1) && bay <= (LastBay ?? int.MaxValue);
}
