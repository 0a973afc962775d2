using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Places;

/// <summary>A girder added among others, which keep their places.</summary>
public static class GirderAddition
{
    /// <summary>
    /// The girders with one more in a span, half way to the next one on the right. The span gets spacings of its own; own
    /// values of the girders on the right go with them. Throws <see cref="ArgumentOutOfRangeException"/> for the last girder.
    /// </summary>
    public static Girders RightOf(BridgeGeometry geometry, GirderLine girder, SpanIndex span)
    {
        var (girders, layout, axis) = (geometry.Bridge.Girders, geometry.LayoutOf(span), geometry.Axes[span]);
        var edges = geometry.UnitOf(span).OnAxis(axis);
        var width = layout.AlongAxis
            ? Geometry.Point.Distance(geometry.Road.At(edges.Left), geometry.Road.At(edges.Right))
            : geometry.UnitOf(span).Shape.RightEdge(axis.Station) - geometry.UnitOf(span).Shape.LeftEdge(axis.Station);
        var spacings = Enumerable
            .Range(1, layout.Count - 1)
            .Select(n => layout.FromLeft(n + 1, width) - layout.FromLeft(n, width))
            .ToList();
        var half = Math.Round(spacings[girder.Number - 1] / 2, 3);
        spacings[girder.Number - 1] -= half;
        spacings.Insert(girder.Number - 1, half);
        var own = ImmutableSortedDictionary.CreateBuilder<string, GirderOwn>();
        foreach (var (key, value) in girders.Own)
        {
            var moves = key.Split('-') is [var number, var at] && at == $"{span + 1}" && int.Parse(number) > girder.Number;
            own.Add(moves ? HaunchLine.Key(int.Parse(key.Split('-')[0]) + 1, span) : key, value);
        }
        var of = girders.Spans.GetValueOrDefault($"{span + 1}") ?? new();
        return girders with
        {
            Own = own.ToImmutable(),
            Spans = girders.Spans.SetItem(
                $"{span + 1}",
                of with
                {
                    Count = layout.Count + 1,
                    Spacings = [.. spacings.Select(s => Math.Round(s, 9))],
                }
            ),
        };
    }
}
