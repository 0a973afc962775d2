namespace Pravik.Core.Traffic;

/// <summary>
/// The influence of a unit load along a line: straight between stations, with a jump at some, 0 off the deck. Points where it changes its
/// sign are among its stations, so that its parts above and below 0 are straight too.
/// </summary>
public sealed class LineProfile
{
    private readonly double[] behind;
    private readonly double[] ahead;
    private readonly double[] above;
    private readonly double[] below;

    /// <param name="points">Stations in order with the values just behind and just ahead of each, and the length of the piece ahead of it
    /// (m), which is longer than the difference of stations outside a curve.</param>
    public LineProfile(IReadOnlyList<(double Station, double Behind, double Ahead, double Length)> points)
    {
        List<(double Station, double Behind, double Ahead, double Length)> all = [];
        for (var i = 0; i < points.Count; i++)
        {
            var here = points[i];
            if (i + 1 == points.Count || here.Ahead * points[i + 1].Behind >= 0)
            {
                all.Add(here);
                continue;
            }
            var (next, part) = (points[i + 1], here.Ahead / (here.Ahead - points[i + 1].Behind));
            all.Add(here with { Length = part * here.Length });
            all.Add((here.Station + part * (next.Station - here.Station), 0, 0, (1 - part) * here.Length));
        }
        Stations = [.. all.Select(p => p.Station)];
        (behind, ahead) = ([.. all.Select(p => p.Behind)], [.. all.Select(p => p.Ahead)]);
        (above, below) = (new double[all.Count], new double[all.Count]);
        for (var i = 0; i + 1 < all.Count; i++)
        {
            var area = all[i].Length * (ahead[i] + behind[i + 1]) / 2;
            above[i + 1] = above[i] + Math.Max(0, area);
            below[i + 1] = below[i] + Math.Min(0, area);
        }
    }

    /// <summary>Stations between which it is straight.</summary>
    public double[] Stations { get; }

    /// <summary>Values just behind its stations.</summary>
    public double[] Behind => behind;

    /// <summary>Values just ahead of its stations.</summary>
    public double[] Ahead => ahead;

    /// <summary>Its value at a station; on a jump either side may be told.</summary>
    public double At(double station)
    {
        var i = PieceAt(station);
        return i < 0 ? 0 : ahead[i] + Part(i, station) * (behind[i + 1] - ahead[i]);
    }

    /// <summary>Its integral from the beginning of the deck to a station (m times its unit).</summary>
    public double Integral(double station) => Adverse(station, 1) + Adverse(station, -1);

    /// <summary>The integral of those of its parts that have a sign, from the beginning of the deck to a station.</summary>
    public double Adverse(double station, int sign)
    {
        var of = sign > 0 ? above : below;
        if (Stations.Length == 0 || station <= Stations[0])
            return 0;
        if (station >= Stations[^1])
            return of[^1];
        var i = PieceAt(station);
        var (t, whole) = (Part(i, station), of[i + 1] - of[i]);
        var (a, b) = (ahead[i], behind[i + 1]);
        // The share of a trapezium's area up to t of its base.
        return whole == 0 || a + b == 0 ? of[i] : of[i] + whole * (t * (2 * a + t * (b - a)) / (a + b));
    }

    /// <summary>The integral over the whole deck of those of its parts that have a sign.</summary>
    public double Adverse(int sign) => (sign > 0 ? above : below) is [.., var last] ? last : 0;

    /// <summary>The parts, from station to station, that have a sign.</summary>
    public IEnumerable<(double From, double To)> AdverseParts(int sign)
    {
        var begin = double.NaN;
        for (var i = 0; i + 1 < Stations.Length; i++)
        {
            var isAdverse = sign * (ahead[i] + behind[i + 1]) > 0;
            if (isAdverse && double.IsNaN(begin))
                begin = Stations[i];
            else if (!isAdverse && !double.IsNaN(begin) && Stations[i + 1] > Stations[i])
            {
                yield return (begin, Stations[i]);
                begin = double.NaN;
            }
        }
        if (!double.IsNaN(begin))
            yield return (begin, Stations[^1]);
    }

    private double Part(int i, double station)
    {
        var length = Stations[i + 1] - Stations[i];
        return length <= 0 ? 0 : (station - Stations[i]) / length;
    }

    /// <summary>The piece within which a station lies; −1 off the deck.</summary>
    private int PieceAt(double station)
    {
        if (Stations.Length < 2 || station < Stations[0] || station > Stations[^1])
            return -1;
        var found = Array.BinarySearch(Stations, station);
        return Math.Min(found >= 0 ? found : ~found - 1, Stations.Length - 2);
    }
}
