namespace Pravik.Core.Bridges;

/// <summary>
/// Which span, counted from 0. Plain integers convert from and to it, so that lists are indexed by it; a girder, axis or stage is never
/// taken for a span, as no conversion leads from one index to another.
/// </summary>
/// <param name="Value">Place in lists.</param>
public readonly record struct SpanIndex(int Value)
{
    /// <summary>Number as people count, from 1.</summary>
    public int Number => Value + 1;

    /// <summary>The axis at which the span begins.</summary>
    public AxisIndex FirstAxis => Value;

    /// <summary>The axis at which the span ends.</summary>
    public AxisIndex LastAxis => Value + 1;

    /// <summary>Place in lists.</summary>
    public static implicit operator int(SpanIndex index) => index.Value;

    /// <summary>From a place in lists.</summary>
    public static implicit operator SpanIndex(int value) => new(value);

    /// <inheritdoc/>
    public override string ToString() => $"{Value}";
}

/// <summary>Which girder line, counted from 0 at the left. See <see cref="SpanIndex"/>.</summary>
/// <param name="Value">Place in lists.</param>
public readonly record struct GirderIndex(int Value)
{
    /// <summary>Number as people count, from 1.</summary>
    public int Number => Value + 1;

    /// <summary>Place in lists.</summary>
    public static implicit operator int(GirderIndex index) => index.Value;

    /// <summary>From a place in lists.</summary>
    public static implicit operator GirderIndex(int value) => new(value);

    /// <inheritdoc/>
    public override string ToString() => $"{Value}";
}

/// <summary>Which support axis, counted from 0. See <see cref="SpanIndex"/>.</summary>
/// <param name="Value">Place in lists.</param>
public readonly record struct AxisIndex(int Value)
{
    /// <summary>Number as people count, from 1.</summary>
    public int Number => Value + 1;

    /// <summary>Place in lists.</summary>
    public static implicit operator int(AxisIndex index) => index.Value;

    /// <summary>From a place in lists.</summary>
    public static implicit operator AxisIndex(int value) => new(value);

    /// <inheritdoc/>
    public override string ToString() => $"{Value}";
}

/// <summary>Which stage of construction, counted from 0. See <see cref="SpanIndex"/>.</summary>
/// <param name="Value">Place in lists.</param>
public readonly record struct StageIndex(int Value)
{
    /// <summary>Number as people count, from 1.</summary>
    public int Number => Value + 1;

    /// <summary>Place in lists.</summary>
    public static implicit operator int(StageIndex index) => index.Value;

    /// <summary>From a place in lists.</summary>
    public static implicit operator StageIndex(int value) => new(value);

    /// <inheritdoc/>
    public override string ToString() => $"{Value}";
}
