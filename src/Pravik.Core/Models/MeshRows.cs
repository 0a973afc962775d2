using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Places;

namespace Pravik.Core.Models;

/// <summary>Rows along a span.</summary>
/// <param name="Pieces">Even pieces from which they were made.</param>
/// <param name="At">Where they lie, as parts of the span from 0 to 1.</param>
public readonly record struct SpanRows(int Pieces, ImmutableArray<double> At)
{
    /// <summary>
    /// A name of each row: the number of the last even row not beyond it, counted from a number on, and letters for further rows. A row so
    /// keeps its name where others come or go, and names go on meaning what lies there.
    /// </summary>
    public IEnumerable<string> Names(int from)
    {
        var (last, more) = (-1, 0);
        foreach (var at in At)
        {
            var even = (int)Math.Floor(at * Pieces + 1e-9);
            more = even == last ? more + 1 : 0;
            last = even;
            yield return more == 0 ? $"{from + even}" : $"{from + even}{(char)('a' + more - 1)}";
        }
    }
}

/// <summary>
/// Where rows of the mesh lie along a span, as parts of it: evenly, and wherever steel of a girder begins, ends or changes, since checks
/// look at rows.
/// </summary>
public static class MeshRows
{
    /// <summary>Changes nearer than this to one that has a row share it, as a part of an even piece.</summary>
    private const double Same = 0.1;

    /// <summary>An even row nearer than this to a change gives way to it.</summary>
    private const double Near = 0.4;
    private const double Middle = 0.5;

    /// <summary>The rows of every span, each from 0 to 1.</summary>
    public static IReadOnlyList<SpanRows> Of(BridgeGeometry geometry, ModelChoices choices) =>
        [.. geometry.SpanIndices.Select(span => With(PiecesOf(geometry, choices, span), ChangesIn(geometry, span)))];

    /// <summary>Rows at equal distances.</summary>
    public static SpanRows Even(int pieces) => new(pieces, [.. Enumerable.Range(0, pieces + 1).Select(i => (double)i / pieces)]);

    /// <summary>
    /// Even rows, with those at changes in the place of the nearest ones; ends and middle stay. What is the same from both ends stays so.
    /// </summary>
    public static SpanRows With(int pieces, IEnumerable<double> changes)
    {
        List<double> kept = [];
        var inner = changes.Where(c => Math.Min(c, 1 - c) > Same / pieces).Select(c => Math.Abs(c - Middle) <= Same / pieces ? Middle : c);
        foreach (var at in inner.OrderBy(c => Math.Min(c, 1 - c)))
        {
            if (kept.TrueForAll(k => Math.Abs(k - at) > Same / pieces))
                kept.Add(at);
        }
        bool Stays(double row) => row is 0 or 1 or Middle || kept.TrueForAll(k => Math.Abs(k - row) > Near / pieces);
        return new(pieces, [.. Even(pieces).At.Where(Stays).Concat(kept).Distinct().Order()]);
    }

    /// <summary>
    /// Pieces along a span: those chosen, and where none are chosen for it as many times more as keep strips within 1.5 girder spacings of
    /// each other.
    /// </summary>
    private static int PiecesOf(BridgeGeometry geometry, ModelChoices choices, SpanIndex span)
    {
        if (choices.SpanDivisions.TryGetValue($"{span + 1}", out var own))
            return own;
        var (start, end) = (geometry.Axes[span].Station, geometry.Axes[span + 1].Station);
        var spacing = Math.Min(geometry.SpacingIn(span, start), geometry.SpacingIn(span, end));
        var wanted = spacing == 0 ? 1 : (int)Math.Ceiling((end - start) / choices.Divisions / (1.5 * spacing) - 1e-9);
        return choices.Divisions * Math.Max(1, wanted);
    }

    /// <summary>
    /// Where bond of debonded strands begins, bars of a girder and over a pier begin and end, and zones of links meet, in any girder;
    /// plates and zones of studs of one of steel.
    /// </summary>
    private static IEnumerable<double> ChangesIn(BridgeGeometry geometry, SpanIndex span)
    {
        var pier = geometry.Bridge.Girders.PierBars;
        foreach (var girder in geometry.GirdersIn(span))
        {
            var (type, length) = (geometry.TypeOf(girder, span), girder.SpanLength(span));
            var (from, to) = geometry.EndsOf(girder, span);
            if (geometry.SectionOf(girder, span).IsSteel)
            {
                foreach (var splice in geometry.Breaks(girder, span).Where(t => t > from && t < to))
                    yield return splice;
                foreach (var zone in geometry.Bridge.Girders.Studs.Where(z => z.Span is null || z.Span == span + 1))
                {
                    yield return zone.From;
                    yield return zone.To;
                }
                continue;
            }
            var zones = type.Links.Select((_, i) => type.Links.Take(i + 1).Sum(z => z.Length)).SkipLast(1);
            var debonded = type.Strands.Rows.SelectMany(r => r.Bonds).Select(b => b.Length).Where(l => l > 0);
            foreach (var fromEnd in zones.Concat(debonded).Where(l => l < (to - from) * length / 2))
            {
                yield return from + fromEnd / length;
                yield return to - fromEnd / length;
            }
            foreach (var bars in type.Bars)
            {
                yield return bars.From;
                yield return bars.To;
                yield return bars.SecondFrom ?? bars.From;
                yield return bars.SecondTo ?? bars.To;
            }
            if (pier.Count > 0 && pier.Reach < length / 2)
            {
                if (!geometry.UnitOf(span).FirstSpan.Equals(span))
                    yield return pier.Reach / length;
                if (!geometry.UnitOf(span).LastSpan.Equals(span))
                    yield return 1 - pier.Reach / length;
            }
        }
    }
}
