using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using Pravik.Core.Models;

namespace Pravik.Core.Traffic;

/// <summary>Every place of a tandem along a track: the station of its middle, and where in a cut each of its four wheels stands.</summary>
internal sealed class TandemPlaces
{
    private const double Nudge = 1e-7;
    private readonly List<double> stations = [];

    private readonly List<Wheel> wheels = [];

    /// <summary>Places with a wheel just behind a row come last: they count where a surface jumps.</summary>
    private readonly int ahead;
    private readonly Wheel[] all;

    /// <summary>Number of a row in a cut, and the fraction of the piece ahead of it.</summary>
    private readonly record struct Wheel(int Row, double Fraction);

    public TandemPlaces(DeckLine left, DeckLine right, int leftFrom, int rightFrom, int offDeck)
    {
        const double Half = LoadModel1.AxleSpacing / 2;
        double[] middles = [.. left.Station.Concat(right.Station).SelectMany(s => new[] { s - Half, s + Half }).Order()];
        foreach (var nudge in new[] { Nudge, -Nudge })
        {
            var last = double.NegativeInfinity;
            foreach (var middle in middles)
            {
                if (middle - last < 1e-6)
                    continue;
                last = middle;
                stations.Add(middle);
                foreach (var axle in new[] { -Half, Half })
                {
                    Add(left, leftFrom, middle + nudge + axle, offDeck);
                    Add(right, rightFrom, middle + nudge + axle, offDeck);
                }
            }
            if (ahead == 0)
                ahead = stations.Count;
        }
        all = [.. wheels];
    }

    public double Station(int place) => stations[place];

    /// <summary>Ordinates under the four wheels of a place, added up.</summary>
    public double Under(SurfaceCut cut, int place)
    {
        double sum = 0;
        for (var w = 4 * place; w < 4 * place + 4; w++)
        {
            var wheel = all[w];
            var behind = cut.Ahead[wheel.Row];
            sum += behind + wheel.Fraction * (cut.Behind[wheel.Row + 1] - behind);
        }
        return sum;
    }

    /// <summary>The greatest and the least sum of ordinates, not less and not more than 0, and their places; −1 for none.</summary>
    public (double Greatest, int AtGreatest, double Least, int AtLeast) Extremes(SurfaceCut cut)
    {
        var (greatest, atGreatest, least, atLeast) = (0.0, -1, 0.0, -1);
        var count = cut.Jumps ? stations.Count : ahead;
        // Every row lies within a cut by construction: this is the innermost loop of all, and goes without checks.
        ref var from = ref MemoryMarshal.GetArrayDataReference(cut.Ahead);
        ref var to = ref Unsafe.Add(ref MemoryMarshal.GetArrayDataReference(cut.Behind), 1);
        ref var wheel = ref MemoryMarshal.GetArrayDataReference(all);
        for (var p = 0; p < count; p++)
        {
            var sum = Value(wheel, ref from, ref to) + Value(Unsafe.Add(ref wheel, 1), ref from, ref to);
            sum += Value(Unsafe.Add(ref wheel, 2), ref from, ref to) + Value(Unsafe.Add(ref wheel, 3), ref from, ref to);
            wheel = ref Unsafe.Add(ref wheel, 4);
            if (sum > greatest)
                (greatest, atGreatest) = (sum, p);
            else if (sum < least)
                (least, atLeast) = (sum, p);
        }
        return (greatest, atGreatest, least, atLeast);
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static double Value(Wheel wheel, ref double from, ref double to)
    {
        var behind = Unsafe.Add(ref from, wheel.Row);
        return behind + wheel.Fraction * (Unsafe.Add(ref to, wheel.Row) - behind);
    }

    private void Add(DeckLine line, int from, double station, int offDeck)
    {
        var rows = line.Station;
        // Just ahead of the last row is the end of the deck itself: a wheel stands on it.
        station = station > rows[^1] && station < rows[^1] + 2 * Nudge ? rows[^1] : station;
        if (station < rows[0] || station > rows[^1])
        {
            wheels.Add(new(offDeck, 0));
            return;
        }
        var found = Array.BinarySearch(rows, station);
        var at = Math.Min(found >= 0 ? found : ~found - 1, rows.Length - 2);
        // Over a joint two rows lie in one place: nothing is between them.
        var length = rows[at + 1] - rows[at];
        wheels.Add(new(from + at, length <= 0 ? 0 : (station - rows[at]) / length));
    }
}
