namespace Pravik.Core.Traffic;

/// <summary>
/// Where the axles of a group stand among stations when its leading axle is at some places, just behind each place or just ahead.
/// </summary>
internal sealed class AxleReadings
{
    private readonly AxleReading[] behind;
    private readonly AxleReading[] ahead;

    /// <param name="group">The axles.</param>
    /// <param name="places">Places of the leading axle (m).</param>
    /// <param name="stations">Stations, in order.</param>
    public AxleReadings(AxleGroup group, IEnumerable<double> places, double[] stations)
    {
        Load = group.Load;
        double[] axles = [.. places.SelectMany(at => group.Behind.Select(b => at - b))];
        behind = [.. axles.Select(at => AxleReading.At(stations, at, true))];
        ahead = [.. axles.Select(at => AxleReading.At(stations, at, false))];
    }

    /// <summary>Loads of the axles.</summary>
    public double[] Load { get; }

    /// <summary>The axles at a place, by its number.</summary>
    public ReadOnlySpan<AxleReading> At(int place, bool isBehind) => (isBehind ? behind : ahead).AsSpan(place * Load.Length, Load.Length);
}

/// <summary>A place among stations: the piece ahead of a station, and the part of it. The number of all stations stands for none.</summary>
internal readonly record struct AxleReading(int Station, double Part)
{
    /// <summary>Finds a place: on a station the piece behind it, whole, or the one ahead.</summary>
    public static AxleReading At(double[] stations, double place, bool isBehind)
    {
        var off = new AxleReading(stations.Length, 0);
        var found = Array.BinarySearch(stations, place - GroupSweep.Tiny);
        var next = found >= 0 ? found : ~found;
        var isOn = next < stations.Length && stations[next] <= place + GroupSweep.Tiny;
        if (isOn && !isBehind)
            return next == stations.Length - 1 ? off : new(next, 0);
        if (next == 0 || next == stations.Length)
            return off;
        return new(next - 1, isOn ? 1 : (place - stations[next - 1]) / (stations[next] - stations[next - 1]));
    }
}

/// <summary>
/// Where a group of axles stands each time one of them meets a station, in order as it goes ahead: what it does to a profile is straight
/// or bends up between these stops.
/// </summary>
internal sealed class GroupStops
{
    private readonly int[] met;

    /// <param name="group">The axles.</param>
    /// <param name="stations">Stations of the profile, in order.</param>
    public GroupStops(AxleGroup group, double[] stations)
    {
        List<double> places = [];
        List<int> stationsMet = [];
        foreach (var meeting in group.On([.. stations.Select((s, number) => (s, number))]))
        {
            if (places.Count == 0 || meeting.Place - places[^1] > GroupSweep.Tiny)
            {
                places.Add(meeting.Place);
                stationsMet.Add(meeting.Number);
            }
            else
                stationsMet[^1] = Several;
        }
        (Place, met) = ([.. places], [.. stationsMet]);
        Axles = new(group, places, stations);
    }

    /// <summary>In place of a station where several axles meet one each.</summary>
    private const int Several = -1;

    /// <summary>Places of the leading axle (m).</summary>
    public double[] Place { get; }

    /// <summary>Its axles at each of them.</summary>
    public AxleReadings Axles { get; }

    /// <summary>Whether what stands just behind a stop differs from what stands just ahead, where profiles jump at some stations.</summary>
    public bool IsParted(int stop, bool[] jumps) => met[stop] == Several || jumps[met[stop]];
}

/// <summary>
/// Two groups with a gap between them: at each stop of either the axles of the other where the gap is least and where it is greatest, and
/// the stops between.
/// </summary>
internal sealed class PairStops
{
    /// <param name="shape">The vehicle.</param>
    /// <param name="lead">Stops of its first group.</param>
    /// <param name="second">Stops of its second group.</param>
    /// <param name="stations">Stations of the profile, in order.</param>
    public PairStops(VehicleShape shape, GroupStops lead, GroupStops second, double[] stations)
    {
        var (near, far) = (shape.Lead.Length + shape.Gap, shape.Lead.Length + shape.MostGap);
        HasEnd = double.IsFinite(far);
        IsAlike = shape.Second!.IsSame(shape.Lead);
        Second = second;
        AxleReadings SecondAt(double distance) => new(shape.Second!, lead.Place.Select(x => x - distance), stations);
        AxleReadings LeadAt(double distance) => new(shape.Lead, second.Place.Select(x => x + distance), stations);
        (NearOfLead, NearOfSecond) = (SecondAt(near), LeadAt(near));
        if (HasEnd)
            (FarOfLead, FarOfSecond) = (SecondAt(far), LeadAt(far));
        Between =
        [
            .. lead.Place.Select(x => (First(second.Place, x - far + GroupSweep.Tiny), First(second.Place, x - near - GroupSweep.Tiny))),
        ];
    }

    /// <summary>Stops of the second group.</summary>
    public GroupStops Second { get; }

    /// <summary>Whether both groups are the same, with the same stops.</summary>
    public bool IsAlike { get; }

    /// <summary>Whether the gap has a greatest value.</summary>
    public bool HasEnd { get; }

    /// <summary>The second group behind each stop of the first.</summary>
    public AxleReadings NearOfLead { get; }

    /// <summary>The same with the greatest gap; null where it has no end.</summary>
    public AxleReadings? FarOfLead { get; }

    /// <summary>The first group ahead of each stop of the second.</summary>
    public AxleReadings NearOfSecond { get; }

    /// <summary>The same with the greatest gap; null where it has no end.</summary>
    public AxleReadings? FarOfSecond { get; }

    /// <summary>Stops of the second group from one to before another, with a gap between its bounds, for each stop of the first.</summary>
    public (int From, int To)[] Between { get; }

    private static int First(double[] places, double from)
    {
        var found = Array.BinarySearch(places, from);
        return found >= 0 ? found : ~found;
    }
}

/// <summary>The stops of a shape going ahead, or back, along some stations.</summary>
internal sealed record StopsOfWay(GroupStops Lead, PairStops? Pair, bool IsTurned)
{
    /// <summary>A shape going ahead, and back where that is another thing.</summary>
    public static StopsOfWay[] Of(VehicleShape shape, double[] stations)
    {
        StopsOfWay One(VehicleShape way, bool isTurned)
        {
            var lead = new GroupStops(way.Lead, stations);
            return new(lead, way.Second is { } second ? new(way, lead, new(second, stations), stations) : null, isTurned);
        }
        return shape.IsSymmetric ? [One(shape, false)] : [One(shape, false), One(shape.Turned(), true)];
    }
}
