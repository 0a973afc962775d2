using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;

namespace Pravik.Core.Models;

/// <summary>
/// A joint of the mesh: where it is in plan, on which longitudinal line (0 the left edge) and which mesh line along the bridge, its
/// station and offset, and the direction (rad, anticlockwise
/// from east) of its first rotation axis.
/// </summary>
public sealed record DeckNode(Point At, int Longitudinal, int Line, double Station, double Offset, double Direction);

/// <summary>The mesh lines on which a span begins and ends.</summary>
public readonly record struct SpanLines(int First, int Last);

/// <summary>
/// Joints on the deck, row by row across it: on its edges, on the girder lines and on lines between them. Spans that are continuous
/// share the row between them; over a joint of the deck each has its own, in the same
/// place.
/// </summary>
/// <param name="Nodes">Joints, row by row from the left.</param>
/// <param name="Longitudinals">Lines along the bridge, edges included.</param>
/// <param name="Lines">Rows across the bridge.</param>
/// <param name="Spans">Rows on which each span begins and ends.</param>
/// <param name="Rows">Where the rows of each span lie.</param>
/// <param name="Names">Names of the rows, by which their parts are known.</param>
/// <param name="GirderLines">Longitudinal line of each girder.</param>
public sealed record DeckMesh(
    ImmutableArray<DeckNode> Nodes,
    int Longitudinals,
    int Lines,
    ImmutableArray<SpanLines> Spans,
    ImmutableArray<SpanRows> Rows,
    ImmutableArray<string> Names,
    ImmutableArray<int> GirderLines
)
{
    /// <summary>The joint where a longitudinal meets a mesh line.</summary>
    public int NodeAt(int longitudinal, int line) => line * Longitudinals + longitudinal;

    /// <summary>The joint of a girder on a row.</summary>
    public int OfGirder(GirderIndex girder, int line) => NodeAt(GirderLines[girder], line);

    /// <summary>Rows on axes, with the number of the axis (from 0): one at each, two where the deck is parted.</summary>
    public IEnumerable<(int Line, AxisIndex Axis)> AxisLines() =>
        Spans.SelectMany((s, span) => new (int Line, AxisIndex Axis)[] { (s.First, span), (s.Last, span + 1) }).Distinct();

    /// <summary>The span of the piece that begins on a row; that before it on the last row of a unit.</summary>
    public SpanIndex SpanOf(int line)
    {
        for (var span = 0; span < Spans.Length; span++)
        {
            if (line < Spans[span].Last || span + 1 == Spans.Length || line < Spans[span + 1].First)
                return span;
        }
        throw new ArgumentOutOfRangeException(nameof(line));
    }

    /// <summary>Where a row lies in a span, as a part of it.</summary>
    public double FractionOf(SpanIndex span, int line) => Rows[span].At[line - Spans[span].First];

    /// <summary>Length of the piece that begins on a row, as a part of its span.</summary>
    public double PartOf(SpanIndex span, int line) => FractionOf(span, line + 1) - FractionOf(span, line);

    /// <summary>Where that piece has its middle, as a part of the span; the end of the span on its last row.</summary>
    public double MiddleOf(SpanIndex span, int line) =>
        (FractionOf(span, line) + FractionOf(span, Math.Min(line + 1, Spans[span].Last))) / 2;

    /// <summary>The row of a span that is nearest to a part of it.</summary>
    public int NearestLine(SpanIndex span, double fraction)
    {
        var rows = Rows[span].At;
        return Spans[span].First + Enumerable.Range(0, rows.Length).MinBy(i => Math.Abs(rows[i] - fraction));
    }

    /// <summary>Makes the mesh.</summary>
    /// <param name="geometry">The bridge, with girders in every span.</param>
    /// <param name="rows">Rows along each span.</param>
    /// <param name="between">Pieces between neighbouring girders, and half as many (at least one) from the outer girders to the
    /// edges.</param>
    public static DeckMesh Of(BridgeGeometry geometry, IReadOnlyList<SpanRows> rows, int between = 1)
    {
        ImmutableArray<SpanLines> spans = [.. LinesOf(geometry, rows)];
        var (girders, outside) = (geometry.Girders, Math.Max(1, between / 2));
        var nodes = ImmutableArray.CreateBuilder<DeckNode>();
        var line = 0;
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var unit = geometry.UnitOf(span);
            var (left, right) = (EdgeOf(geometry, span, 0), EdgeOf(geometry, span, unit.Shape.Boundaries - 1));
            for (; line <= spans[span].Last; line++)
            {
                var t = rows[span].At[line - spans[span].First];
                List<DeckNode> main =
                [
                    EdgeNode(geometry, t, left),
                    .. girders.Select(g => OnGirder(geometry, g, span, t)),
                    EdgeNode(geometry, t, right),
                ];
                for (var bay = 0; bay + 1 < main.Count; bay++)
                {
                    var pieces = bay == 0 || bay == girders.Length ? outside : between;
                    for (var k = 0; k < pieces; k++)
                        nodes.Add(
                            (k == 0 ? main[bay] : Between(geometry, main[bay], main[bay + 1], (double)k / pieces)) with
                            {
                                Longitudinal = nodes.Count % Count(girders.Length, between),
                                Line = line,
                            }
                        );
                }
                nodes.Add(main[^1] with { Longitudinal = Count(girders.Length, between) - 1, Line = line });
            }
        }
        return new(
            nodes.ToImmutable(),
            Count(girders.Length, between),
            spans[^1].Last + 1,
            spans,
            [.. rows],
            [.. NamesOf(geometry, rows)],
            [.. girders.Select((_, g) => outside + g * between)]
        );
    }

    private static int Count(int girders, int between) => (girders - 1) * between + 2 * Math.Max(1, between / 2) + 1;

    private static IEnumerable<SpanLines> LinesOf(BridgeGeometry geometry, IReadOnlyList<SpanRows> rows)
    {
        var line = 0;
        for (var span = 0; span < rows.Count; span++)
        {
            if (span > 0 && geometry.UnitOf(span).FirstSpan == span)
                line++;
            yield return new(line, line += rows[span].At.Length - 1);
        }
    }

    /// <summary>Names of all rows: that between two spans has one.</summary>
    private static IEnumerable<string> NamesOf(BridgeGeometry geometry, IReadOnlyList<SpanRows> rows)
    {
        var from = 0;
        for (var span = 0; span < rows.Count; span++)
        {
            var begins = geometry.UnitOf(span).FirstSpan == span;
            if (span > 0 && begins)
                from++;
            foreach (var name in rows[span].Names(from).Skip(begins ? 0 : 1))
                yield return name;
            from += rows[span].Pieces;
        }
    }

    private static DeckNode OnGirder(BridgeGeometry geometry, GirderLine girder, SpanIndex span, double t)
    {
        var (at, ahead) = (geometry.OnGirder(girder, span, t), girder.In(span).Along(t));
        var place = geometry.Road.Locate(at);
        return new(at, 0, 0, place.Station, place.Offset, Math.Atan2(ahead.Y, ahead.X));
    }

    private static DeckNode Between(BridgeGeometry geometry, DeckNode a, DeckNode b, double part)
    {
        var at = Point.Between(a.At, b.At, part);
        var place = geometry.Road.Locate(at);
        return new(at, 0, 0, place.Station, place.Offset, a.Direction + part * Math.IEEERemainder(b.Direction - a.Direction, 2 * Math.PI));
    }

    /// <summary>An edge of the deck and the stations between which it runs in a span.</summary>
    private static (DeckShape Shape, int Boundary, double From, double To) EdgeOf(BridgeGeometry geometry, SpanIndex span, int boundary)
    {
        var unit = geometry.UnitOf(span);
        return (
            unit.Shape,
            boundary,
            unit.BoundaryOnAxis(geometry.Axes[span], boundary).Station,
            unit.BoundaryOnAxis(geometry.Axes[span + 1], boundary).Station
        );
    }

    private static DeckNode EdgeNode(BridgeGeometry geometry, double t, (DeckShape Shape, int Boundary, double From, double To) edge)
    {
        var station = edge.From + t * (edge.To - edge.From);
        var offset = edge.Shape.Boundary(edge.Boundary, station);
        return new(geometry.Road.At(station, offset), 0, 0, station, offset, Math.PI / 2 - geometry.Road.Azimuth(station));
    }
}
