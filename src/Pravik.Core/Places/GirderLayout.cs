using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Places;

/// <summary>The layout of girders that holds in a span. Spacings are empty for equal ones.</summary>
public sealed record GirderLayout(
    int Count,
    double OverhangLeft,
    double OverhangRight,
    ImmutableArray<double> Spacings,
    bool AlongAxis,
    double StartGap,
    double EndGap,
    string Course,
    bool RunsOn,
    DepthLaw? Depth,
    string? Type
)
{
    private const int Deepest = 40;

    /// <summary>
    /// The layout in a span: its own values, those of the span it follows, then the common ones. There is no gap where girders
    /// run on.
    /// </summary>
    public static GirderLayout Of(Girders girders, SpanIndex span, int spans)
    {
        var chain = Chain(girders, span).Select(c => c.Layout).ToList();
        T? First<T>(Func<SpanLayout, T?> of)
            where T : struct => chain.Select(of).FirstOrDefault(v => v is not null);
        var left = First(l => l.OverhangLeft) ?? girders.OverhangLeft;
        return new(
            First(l => l.Count) ?? girders.Count,
            left,
            First(l => l.OverhangRight) ?? girders.OverhangRight ?? left,
            First(l => l.Spacings) ?? girders.Spacings ?? [],
            First(l => l.AlongAxis) ?? girders.AlongAxis,
            span > 0 && GoesOn(span - 1) ? 0 : First(l => l.StartGap) ?? girders.EndGap,
            GoesOn(span) ? 0 : First(l => l.EndGap) ?? girders.EndGap,
            chain.Select(l => l.Course).FirstOrDefault(c => c is not null) ?? girders.Course ?? Girders.Straight,
            GoesOn(span),
            chain.Select(l => l.Depth).FirstOrDefault(d => d is not null) ?? girders.Depth,
            chain.Select(l => l.Type).FirstOrDefault(t => t is not null) ?? girders.Type
        );

        bool GoesOn(int at) =>
            at < spans - 1 && (Chain(girders, at).Select(c => c.Layout.RunsOn).FirstOrDefault(r => r is not null) ?? girders.RunsOn);
    }

    /// <summary>The layouts of all spans.</summary>
    public static ImmutableArray<GirderLayout> All(Bridge bridge) =>
        [.. Enumerable.Range(0, bridge.Axes.Spans.Length).Select(span => Of(bridge.Girders, span, bridge.Axes.Spans.Length))];

    /// <summary>Whether following leads from a span back to itself.</summary>
    public static bool IsCircular(Girders girders, SpanIndex span) => Chain(girders, span).Count() > Deepest;

    /// <summary>Path at which a value that holds in a span is kept: the span's own, or the common one.</summary>
    public static string PathOf(Girders girders, SpanIndex span, string value, Func<SpanLayout, bool> has)
    {
        foreach (var (at, own) in Chain(girders, span))
        {
            if (has(own))
                return $"/girders/spans/{at}/{value}";
        }
        return $"/girders/{(value == "startGap" ? "endGap" : value)}";
    }

    /// <summary>From the left edge to a girder (from 1) where the deck is as wide as given, edges and girders measured alike (m).</summary>
    public double FromLeft(int girder, double width) =>
        OverhangLeft + (Spacings.IsEmpty ? (girder - 1) * Spacing(width) : Spacings.Take(girder - 1).Sum());

    /// <summary>The spacing, or the least of those listed; 0 for a single girder.</summary>
    public double Spacing(double width) =>
        Count == 1 ? 0
        : Spacings.IsEmpty ? (width - OverhangLeft - OverhangRight) / (Count - 1)
        : Spacings.Min();

    /// <summary>Numbers and own layouts of a span and of those that it follows, one after the other.</summary>
    private static IEnumerable<(SpanIndex Span, SpanLayout Layout)> Chain(Girders girders, SpanIndex span)
    {
        for (var (at, depth) = (span + 1, 0); depth <= Deepest && girders.Spans.TryGetValue($"{at}", out var own); depth++)
        {
            yield return (at, own);
            if (own.Follows is not { } follows || !int.TryParse(follows, out at))
                yield break;
        }
    }
}
