using Pravik.Core.Models;

namespace Pravik.Core.Traffic;

/// <summary>
/// Two wheel lines along the deck, by number among the lines of a grid, and how the mean of a surface along them is read: at the stations
/// of either, between which it is straight.
/// </summary>
internal sealed class WheelRun
{
    private const double Tiny = 1e-9;
    private readonly Sample[] behind;
    private readonly Sample[] ahead;

    /// <summary>A place in a cut on either line: the number of a row, and the part of the piece ahead of it.</summary>
    internal readonly record struct Sample(int Left, double OfLeft, int Right, double OfRight);

    /// <param name="middle">Offset of their middle (m).</param>
    /// <param name="spacing">Distance of the wheels (m).</param>
    /// <param name="left">Number of the left line.</param>
    /// <param name="right">Number of the right line.</param>
    /// <param name="lines">All lines.</param>
    public WheelRun(double middle, double spacing, int left, int right, IReadOnlyList<DeckLine> lines)
    {
        (Middle, Spacing, Left, Right) = (middle, spacing, left, right);
        var (onLeft, onRight) = (new RowPlaces(lines[left], left), new RowPlaces(lines[right], right));
        List<double> stations = [];
        foreach (var station in lines[left].Station.Concat(lines[right].Station).Order())
        {
            if (stations.Count == 0 || station - stations[^1] > Tiny)
                stations.Add(station);
        }
        Stations = [.. stations];
        var offDeck = lines.Count * lines[0].Station.Length;
        Sample At(double station, bool isBehind)
        {
            var ((l, t), (r, u)) = (onLeft.At(station, isBehind, offDeck), onRight.At(station, isBehind, offDeck));
            return new(l, t, r, u);
        }
        (behind, ahead) = ([.. stations.Select(s => At(s, true))], [.. stations.Select(s => At(s, false))]);
        Lengths = new double[Stations.Length];
        for (var i = 0; i + 1 < Stations.Length; i++)
            Lengths[i] = (onLeft.Length(Stations[i], Stations[i + 1]) + onRight.Length(Stations[i], Stations[i + 1])) / 2;
    }

    /// <summary>Offset of the middle (m).</summary>
    public double Middle { get; }

    /// <summary>Distance of the wheels (m).</summary>
    public double Spacing { get; }

    /// <summary>Number of the left line.</summary>
    public int Left { get; }

    /// <summary>Number of the right line.</summary>
    public int Right { get; }

    /// <summary>Stations of both lines, in order.</summary>
    public double[] Stations { get; }

    /// <summary>Length in plan of the piece ahead of each station (m).</summary>
    public double[] Lengths { get; }

    /// <summary>Where the mean is read just behind each station.</summary>
    public ReadOnlySpan<Sample> Behind => behind;

    /// <summary>Where the mean is read just ahead of each station.</summary>
    public ReadOnlySpan<Sample> Ahead => ahead;

    /// <summary>The mean of both lines just behind and just ahead of every station.</summary>
    public void Read(SurfaceCut cut, Span<double> behindOf, Span<double> aheadOf)
    {
        for (var i = 0; i < behind.Length; i++)
        {
            behindOf[i] = Mean(cut, behind[i]);
            aheadOf[i] = Mean(cut, ahead[i]);
        }
    }

    /// <summary>A surface along the run.</summary>
    public LineProfile Profile(SurfaceCut cut)
    {
        var (b, a) = (new double[Stations.Length], new double[Stations.Length]);
        Read(cut, b, a);
        return new([.. Stations.Select((s, i) => (s, b[i], a[i], Lengths[i]))]);
    }

    private static double Mean(SurfaceCut cut, Sample at) => (Value(cut, at.Left, at.OfLeft) + Value(cut, at.Right, at.OfRight)) / 2;

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
    public (int Row, double Part) At(double station, bool isBehind, int offDeck)
    {
        var rows = line.Station;
        if (station < rows[0] - Tiny || station > rows[^1] + Tiny)
            return (offDeck, 0);
        var found = Array.BinarySearch(rows, station - Tiny);
        var next = found >= 0 ? found : ~found;
        if (next < rows.Length && rows[next] <= station + Tiny)
        {
            if (isBehind)
                return next == 0 ? (offDeck, 0) : (first + next - 1, 1);
            while (next + 1 < rows.Length && rows[next + 1] <= station + Tiny)
                next++;
            return next == rows.Length - 1 ? (offDeck, 0) : (first + next, 0);
        }
        return (first + next - 1, (station - rows[next - 1]) / (rows[next] - rows[next - 1]));
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
