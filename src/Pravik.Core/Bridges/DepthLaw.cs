using System.Text.Json.Serialization;

namespace Pravik.Core.Bridges;

/// <summary>How the depth of a girder goes from that at an axis to that half way.</summary>
public enum DepthCourse
{
    /// <summary>Straight.</summary>
    Linear,

    /// <summary>A parabola, level where it ends.</summary>
    Parabola,

    /// <summary>A circular arc, level where it ends.</summary>
    Arc,
}

/// <summary>
/// The depth of girders along a span: d(t) = d_m + (d_e − d_m)·f(u), d_e at the axis and d_m half way, u = 1 at the axis and 0 where
/// the reach ends and beyond.
/// </summary>
/// <remarks>
/// f = u for a straight course, u² for a parabola; for an arc over the reach c with the rise h = |d_e − d_m|, f = (R − √(R² − u²c²))/h
/// with R = (c² + h²)/(2h).
/// </remarks>
public sealed record DepthLaw
{
    /// <summary>How the depth goes from the axis to the middle.</summary>
    public DepthCourse Course { get; init; } = DepthCourse.Parabola;

    /// <summary>Depth at the first axis of the span, at the second (null for the same), and half way (m).</summary>
    public double Start { get; init; } = 1.6;

    /// <summary>Depth at the second axis (m); null for that at the first.</summary>
    public double? End { get; init; }

    /// <summary>Depth half way (m).</summary>
    public double Middle { get; init; } = 1.2;

    /// <summary>Over what part of the span the depth changes at either end; half of it for all along.</summary>
    public double Reach { get; init; } = 0.5;

    /// <summary>Whether the soffit keeps straight and the top follows the depth, instead of the reverse.</summary>
    public bool SoffitStraight { get; init; }

    /// <summary>The greatest depth (m).</summary>
    [JsonIgnore]
    public double Greatest => Math.Max(Middle, Math.Max(Start, End ?? Start));

    /// <summary>The least depth (m).</summary>
    [JsonIgnore]
    public double Least => Math.Min(Middle, Math.Min(Start, End ?? Start));

    /// <summary>Depth at fraction t of a span (m); t is taken within 0 and 1. The span's length counts for an arc alone.</summary>
    public double At(double t, double span)
    {
        t = Math.Clamp(t, 0, 1);
        var rise = (t < 0.5 ? Start : End ?? Start) - Middle;
        var u = Math.Max(0, 1 - Math.Min(t, 1 - t) / Reach);
        return Middle
            + rise
                * Course switch
                {
                    DepthCourse.Linear => u,
                    DepthCourse.Arc when rise != 0 => Arc(u, Math.Abs(rise), Reach * span),
                    _ => u * u,
                };
    }

    private static double Arc(double u, double rise, double reach)
    {
        var radius = (reach * reach + rise * rise) / (2 * rise);
        return (radius - Math.Sqrt(radius * radius - u * u * reach * reach)) / rise;
    }
}

/// <summary>A section that girders have over a part of their length. Where ranges meet the later one holds.</summary>
public sealed record SectionRange
{
    /// <summary>Number of the span; null for every one.</summary>
    public int? Span { get; init; }

    /// <summary>From where to where, as parts of the span.</summary>
    public double From { get; init; }

    /// <summary>Where it ends, as a part of the span.</summary>
    public double To { get; init; } = 0.2;

    /// <summary>Name of a section of the bridge; null for the first.</summary>
    public string? Section { get; init; }

    /// <summary>Whether it holds at a fraction of a span.</summary>
    public bool Holds(SpanIndex span, double t) => IsIn(span) && t >= From && t <= To;

    /// <summary>Whether it holds in a span.</summary>
    public bool IsIn(SpanIndex span) => Span is null || Span == span + 1;
}
