using System.Collections.Immutable;
using Pravik.Core.Roads;

namespace Pravik.Core.Bridges;

/// <summary>
/// The deck along the bridge: its cross-section at any station, with widths and crossfalls by their laws. Boundaries of strips are numbered
/// from the left edge (0) to the right edge.
/// </summary>
public sealed class DeckShape
{
    private readonly Deck deck;
    private readonly CrossfallLine road;
    private readonly ImmutableArray<double> axes;
    private readonly double kerbHeight;
    private readonly DeckSection? only;

    public DeckShape(Deck deck, CrossfallLine road, ImmutableArray<double> axisStations, double kerbHeight)
    {
        (this.deck, this.road, axes, this.kerbHeight) = (deck, road, axisStations, kerbHeight);
        var strips = deck.Left.Concat(deck.Right).ToList();
        HasConstantWidths = strips.All(s => s.Widths.IsEmpty);
        if (HasConstantWidths && strips.All(s => s.CrossfallLaw is CrossfallLaw.Constant or CrossfallLaw.Level)) only = Make(0);
    }

    public bool HasConstantWidths { get; }

    /// <summary>Number of boundaries: strips and one.</summary>
    public int Boundaries => deck.Left.Length + deck.Right.Length + 1;

    /// <summary>The section that the deck has at a station; laws hold their end values beyond their tables.</summary>
    public DeckSection At(double station) => only ?? Make(station);

    /// <summary>Offset of a boundary at a station.</summary>
    public double Boundary(int number, double station)
    {
        double offset = 0;
        for (var i = 0; i < deck.Left.Length - number; i++) offset -= Width(deck.Left[i], station);
        for (var i = 0; i < number - deck.Left.Length; i++) offset += Width(deck.Right[i], station);
        return offset;
    }

    /// <summary>Offset at fraction t of a strip (0 at its left boundary), strips numbered from the left edge.</summary>
    public double Within(int strip, double t, double station) => (1 - t) * Boundary(strip, station) + t * Boundary(strip + 1, station);

    public double LeftEdge(double station) => Boundary(0, station);

    public double RightEdge(double station) => Boundary(Boundaries - 1, station);

    /// <summary>Stations at which a table of the deck has an entry.</summary>
    public IEnumerable<double> Breaks => deck.Left.Concat(deck.Right).SelectMany(s => s.Widths.Concat(s.Crossfalls)).Select(Station);

    private DeckSection Make(double station)
    {
        var (left, right) = road.At(station);
        return new(deck, Side(deck.Left, left), Side(deck.Right, right), kerbHeight);

        ImmutableArray<Strip> Side(ImmutableArray<Strip> strips, double roadCrossfall) => [.. strips.Select(s => s with
        {
            Width = Width(s, station),
            Crossfall = s.CrossfallLaw switch
            {
                CrossfallLaw.Table when !s.Crossfalls.IsEmpty => Read(s.Crossfalls, station),
                CrossfallLaw.Road => roadCrossfall,
                CrossfallLaw.Level => 0,
                _ => s.Crossfall,
            },
        })];
    }

    private double Width(Strip strip, double station) => strip.Widths.IsEmpty ? strip.Width : Read(strip.Widths, station);

    private double Station(LawPoint point) => point.Axis is { } axis ? axes[Math.Clamp(axis, 1, axes.Length) - 1] + point.At : point.At;

    private double Read(ImmutableArray<LawPoint> table, double station)
    {
        for (var i = 1; i < table.Length; i++)
        {
            var (from, to) = (Station(table[i - 1]), Station(table[i]));
            if (station > to) continue;
            return station <= from ? table[i - 1].Value : table[i - 1].Value + (station - from) / (to - from) * (table[i].Value - table[i - 1].Value);
        }
        return table[^1].Value;
    }
}
