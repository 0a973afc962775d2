using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Roads;

namespace Pravik.Core.Places;

/// <summary>
/// A cross-section along the bridge: its section at any station, with widths, crossfalls and thickness by their laws. Boundaries of
/// strips are
/// numbered from the left edge (0) to the right edge.
/// </summary>
public sealed class DeckShape
{
    private readonly DeckPattern pattern;
    private readonly RoadLine road;
    private readonly ImmutableArray<double> axes;
    private readonly double kerbHeight;
    private readonly int number;
    private readonly DeckSection? only;

    /// <param name="pattern">The cross-section.</param>
    /// <param name="number">Number of the unit that has it, for the paths of its strips.</param>
    /// <param name="patternIndex">Number of the pattern in the library, for the same.</param>
    /// <param name="road">The road, whose superelevation and lines strips may follow.</param>
    /// <param name="axisStations">Stations of the axes from which tables count.</param>
    /// <param name="kerbHeight">Least upstand that bounds the carriageway (m).</param>
    public DeckShape(
        DeckPattern pattern,
        int number,
        int patternIndex,
        RoadLine road,
        ImmutableArray<double> axisStations,
        double kerbHeight
    )
    {
        (this.pattern, this.number, PatternIndex, this.road, axes, this.kerbHeight) = (
            pattern,
            number,
            patternIndex,
            road,
            axisStations,
            kerbHeight
        );
        var strips = pattern.Left.Concat(pattern.Right).ToList();
        HasConstantWidths = strips.All(s => s.Widths.IsEmpty && s.WidthLine is null);
        if (
            HasConstantWidths
            && pattern.Slab.Thicknesses.IsEmpty
            && strips.All(s => s.CrossfallLaw is CrossfallLaw.Constant or CrossfallLaw.Level)
        )
            only = Make(0);
    }

    /// <summary>Whether no width changes along the unit.</summary>
    public bool HasConstantWidths { get; }

    /// <summary>Whether the section is the same everywhere.</summary>
    public bool IsConstant => only is not null;

    /// <summary>Place of the pattern in the list.</summary>
    public int PatternIndex { get; }

    /// <summary>Number of boundaries: strips and one.</summary>
    public int Boundaries => pattern.Left.Length + pattern.Right.Length + 1;

    /// <summary>Number of the boundary on the road line.</summary>
    public int RoadBoundary => pattern.Left.Length;

    /// <summary>The section at a station; laws hold their end values beyond their tables and lines.</summary>
    public DeckSection At(double station) => only ?? Make(station);

    /// <summary>Offset of a boundary at a station.</summary>
    public double Boundary(int number, double station)
    {
        var side = Math.Sign(number - RoadBoundary);
        var strips = side < 0 ? pattern.Left : pattern.Right;
        double offset = 0;
        for (var i = 0; i < Math.Abs(number - RoadBoundary); i++)
            offset += Width(strips[i], side, offset, station);
        return side * offset;
    }

    /// <summary>Offset at fraction t of a strip (0 at its left boundary), strips numbered from the left edge.</summary>
    public double Within(int strip, double t, double station) => (1 - t) * Boundary(strip, station) + t * Boundary(strip + 1, station);

    /// <summary>Offset of the left edge at a station (m).</summary>
    public double LeftEdge(double station) => Boundary(0, station);

    /// <summary>Offset of the right edge at a station (m).</summary>
    public double RightEdge(double station) => Boundary(Boundaries - 1, station);

    /// <summary>Stations at which a table has an entry.</summary>
    public IEnumerable<double> Breaks =>
        pattern.Left.Concat(pattern.Right).SelectMany(s => s.Widths.Concat(s.Crossfalls)).Concat(pattern.Slab.Thicknesses).Select(Station);

    private DeckSection Make(double station)
    {
        var (left, right) = road.Crossfalls.At(station);
        var slab = pattern.Slab;
        return new(
            pattern with
            {
                Left = Side(pattern.Left, -1, left),
                Right = Side(pattern.Right, 1, right),
                Slab = slab.Thicknesses.IsEmpty ? slab : slab with { Thickness = Read(slab.Thicknesses, station) },
            },
            number,
            PatternIndex,
            kerbHeight
        );

        ImmutableArray<Strip> Side(ImmutableArray<Strip> strips, int side, double roadCrossfall)
        {
            var placed = ImmutableArray.CreateBuilder<Strip>(strips.Length);
            double offset = 0;
            foreach (var strip in strips)
            {
                var width = Width(strip, side, offset, station);
                offset += width;
                placed.Add(
                    strip with
                    {
                        Width = width,
                        Crossfall = strip.CrossfallLaw switch
                        {
                            CrossfallLaw.Table when !strip.Crossfalls.IsEmpty => Read(strip.Crossfalls, station),
                            CrossfallLaw.Road => roadCrossfall,
                            CrossfallLaw.Level => 0,
                            _ => strip.Crossfall,
                        },
                    }
                );
            }
            return placed.MoveToImmutable();
        }
    }

    /// <summary>
    /// Width of a strip whose inner boundary lies at a distance from the road line; one that follows a line falls back to its table
    /// where there is no such line.
    /// </summary>
    private double Width(Strip strip, int side, double inner, double station)
    {
        if (strip.WidthLine is { } name && road.Features.FirstOrDefault(f => f.Name == name) is { } line)
            return side * line.OffsetAt(station) - inner;
        return strip.Widths.IsEmpty ? strip.Width : Read(strip.Widths, station);
    }

    private double Station(LawPoint point) => point.Axis is { } axis ? axes[Math.Clamp(axis, 1, axes.Length) - 1] + point.At : point.At;

    private double Read(ImmutableArray<LawPoint> table, double station)
    {
        for (var i = 1; i < table.Length; i++)
        {
            var (from, to) = (Station(table[i - 1]), Station(table[i]));
            if (station > to)
                continue;
            return station <= from
                ? table[i - 1].Value
                : table[i - 1].Value + (station - from) / (to - from) * (table[i].Value - table[i - 1].Value);
        }
        return table[^1].Value;
    }
}
