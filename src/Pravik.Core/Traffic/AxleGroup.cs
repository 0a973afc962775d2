namespace Pravik.Core.Traffic;

/// <summary>Axles that keep their distances.</summary>
/// <param name="behind">How far each is behind the leading one (m), in order.</param>
/// <param name="load">Load of each (N), or its share.</param>
internal sealed class AxleGroup(double[] behind, double[] load)
{
    /// <summary>How far each axle is behind the leading one (m).</summary>
    public double[] Behind => behind;

    /// <summary>What each carries.</summary>
    public double[] Load => load;

    /// <summary>From the first to the last axle (m).</summary>
    public double Length => behind.Length == 0 ? 0 : behind[^1];

    /// <summary>The same going back: the last axle leads.</summary>
    public AxleGroup Turned() => new([.. behind.Reverse().Select(b => Length - b)], [.. load.Reverse()]);

    /// <summary>In which order its axles meet stations as it goes ahead.</summary>
    /// <param name="stations">Stations (m), each with its number.</param>
    public Meeting[] On(IEnumerable<(double Station, int Number)> stations)
    {
        Meeting[] all = [.. stations.SelectMany(s => behind.Select((b, axle) => new Meeting(s.Station + b, s.Number, axle)))];
        Array.Sort(all, (a, b) => a.Place.CompareTo(b.Place));
        return all;
    }
}

/// <summary>An axle on a station.</summary>
/// <param name="Place">Where the leading axle is then (m).</param>
/// <param name="Number">Number of the station.</param>
/// <param name="Axle">Number of the axle.</param>
internal readonly record struct Meeting(double Place, int Number, int Axle);
