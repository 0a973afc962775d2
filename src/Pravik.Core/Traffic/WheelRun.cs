using Pravik.Core.Models;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>
/// Wheel lines along the deck, by number among the lines of a grid, and how the mean of a surface along them, by their shares of the load,
/// is read: at the stations of any of them, between which it is straight.
/// </summary>
internal sealed class WheelRun
{
    private const double Tiny = 1e-9;
    private readonly Sample[] behind;
    private readonly Sample[] ahead;

    /// <summary>A place in a cut on one of the lines: the number of a row, and the part of the piece ahead of it.</summary>
    internal readonly record struct Sample(int Row, double Part);

    /// <param name="middle">Offset of their middle (m).</param>
    /// <param name="tracks">Where they lie from there, and what they carry.</param>
    /// <param name="numbers">Their numbers, from the left.</param>
    /// <param name="lines">All lines.</param>
    /// <param name="fine">The same tracks in fine steps across.</param>
    public WheelRun(double middle, WheelTracks tracks, int[] numbers, IReadOnlyList<DeckLine> lines, FineRuns fine)
    {
        (Middle, Tracks, Lines, Fine) = (middle, tracks, numbers, fine);
        Here = [.. numbers.Select(n => new FineLine(lines[n]))];
        RowPlaces[] on = [.. numbers.Select(n => new RowPlaces(lines[n], n))];
        List<double> stations = [];
        foreach (var station in numbers.SelectMany(n => lines[n].Station).Order())
        {
            if (stations.Count == 0 || station - stations[^1] > Tiny)
                stations.Add(station);
        }
        Stations = [.. stations];
        var offDeck = lines.Count * lines[0].Station.Length;
        Sample[] At(bool isBehind) => [.. stations.SelectMany(s => on.Select(o => o.At(s, isBehind, offDeck)))];
        (behind, ahead) = (At(true), At(false));
        Lengths = new double[Stations.Length];
        for (var i = 0; i + 1 < Stations.Length; i++)
            Lengths[i] = on.Average(o => o.Length(Stations[i], Stations[i + 1]));
    }

    /// <summary>Offset of the middle (m).</summary>
    public double Middle { get; }

    /// <summary>Where the lines lie from there, and what they carry.</summary>
    public WheelTracks Tracks { get; }

    /// <summary>The lines here.</summary>
    public FineLine[] Here { get; }

    /// <summary>The same tracks in fine steps across.</summary>
    public FineRuns Fine { get; }

    /// <summary>Numbers of the lines, from the left.</summary>
    public int[] Lines { get; }

    /// <summary>Stations of all lines, in order.</summary>
    public double[] Stations { get; }

    /// <summary>Length in plan of the piece ahead of each station (m).</summary>
    public double[] Lengths { get; }

    /// <summary>Whether what has no jump has none at a station: no line begins, ends or is parted there.</summary>
    public bool IsSmooth(int station)
    {
        var before = Behind(station);
        var after = Ahead(station);
        for (var line = 0; line < before.Length; line++)
        {
            var (b, a) = (before[line], after[line]);
            if (b != a && (b.Row + 1 != a.Row || b.Part != 1 || a.Part != 0))
                return false;
        }
        return true;
    }

    /// <summary>Where the mean is read just behind a station, on each line.</summary>
    public ReadOnlySpan<Sample> Behind(int station) => behind.AsSpan(station * Lines.Length, Lines.Length);

    /// <summary>Where the mean is read just ahead of a station, on each line.</summary>
    public ReadOnlySpan<Sample> Ahead(int station) => ahead.AsSpan(station * Lines.Length, Lines.Length);

    /// <summary>The mean of all lines just behind and just ahead of every station.</summary>
    public void Read(SurfaceCut cut, Span<double> behindOf, Span<double> aheadOf)
    {
        for (var i = 0; i < Stations.Length; i++)
        {
            behindOf[i] = Mean(cut, Behind(i));
            aheadOf[i] = Mean(cut, Ahead(i));
        }
    }

    /// <summary>A surface along the run.</summary>
    public LineProfile Profile(SurfaceCut cut)
    {
        var (b, a) = (new double[Stations.Length], new double[Stations.Length]);
        Read(cut, b, a);
        return new([.. Stations.Select((s, i) => (s, b[i], a[i], Lengths[i]))]);
    }

    private double Mean(SurfaceCut cut, ReadOnlySpan<Sample> at)
    {
        double sum = 0;
        for (var line = 0; line < at.Length; line++)
            sum += Tracks.Weights[line] * Value(cut, at[line].Row, at[line].Part);
        return sum;
    }

    private static double Value(SurfaceCut cut, int row, double part)
    {
        var from = cut.Ahead[row];
        return part == 0 ? from : from + part * (cut.Behind[row + 1] - from);
    }
}

/// <summary>Where stations lie among the rows of a line.</summary>
/// <param name="line">The line.</param>
/// <param name="number">Its number in the grid.</param>
internal readonly struct RowPlaces(DeckLine line, int number)
{
    private const double Tiny = 1e-9;
    private readonly int first = number * line.Station.Length;

    /// <summary>
    /// The row in a cut at or before a station, and the part of the piece ahead of it; of a station on rows just behind or just ahead of
    /// them. What lies off the deck is at its own place.
    /// </summary>
    public WheelRun.Sample At(double station, bool isBehind, int offDeck)
    {
        var rows = line.Station;
        if (station < rows[0] - Tiny || station > rows[^1] + Tiny)
            return new(offDeck, 0);
        var found = Array.BinarySearch(rows, station - Tiny);
        var next = found >= 0 ? found : ~found;
        if (next < rows.Length && rows[next] <= station + Tiny)
        {
            if (isBehind)
                return next == 0 ? new(offDeck, 0) : new(first + next - 1, 1);
            while (next + 1 < rows.Length && rows[next + 1] <= station + Tiny)
                next++;
            return next == rows.Length - 1 ? new(offDeck, 0) : new(first + next, 0);
        }
        return new(first + next - 1, (station - rows[next - 1]) / (rows[next] - rows[next - 1]));
    }

    /// <summary>Length in plan between stations within one piece (m).</summary>
    public double Length(double from, double to)
    {
        var (rows, middle) = (line.Station, (from + to) / 2);
        if (to <= from || middle <= rows[0] || middle >= rows[^1])
            return 0;
        var i = ~Array.BinarySearch(rows, middle) - 1;
        return i < 0 ? 0 : line.Length[i] * (to - from) / (rows[i + 1] - rows[i]);
    }
}
