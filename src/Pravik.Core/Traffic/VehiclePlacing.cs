using System.Collections.Immutable;

namespace Pravik.Core.Traffic;

/// <summary>A vehicle where it is worst.</summary>
/// <param name="Value">What it adds to the effect.</param>
/// <param name="First">Station of its first axle, or of the beginning of its first stretch (m).</param>
/// <param name="Direction">1 where it goes ahead, −1 back.</param>
/// <param name="Axles">Stations of the axles that act, each with its load (N).</param>
/// <param name="Lines">Line loads (N/m) from station to station.</param>
public sealed record PlacedVehicle(
    double Value,
    double First,
    int Direction,
    ImmutableArray<(double Station, double Load)> Axles,
    ImmutableArray<(double From, double To, double Load)> Lines
);

/// <summary>
/// Finds where a vehicle is worst on a profile. Between stations at which one of its axles or ends of stretches meets a station of the
/// profile its effect is straight, or of second degree with stretches: the worst is at one of them, or at the top of a parabola between.
/// </summary>
public sealed class VehiclePlacing
{
    /// <summary>Beside a station, to read the value of either side where the profile jumps (m).</summary>
    private const double Nudge = 1e-7;
    private readonly LineProfile profile;
    private readonly int sign;

    /// <param name="profile">The profile.</param>
    /// <param name="greatest">Whether the greatest value is sought; else the least.</param>
    public VehiclePlacing(LineProfile profile, bool greatest) => (this.profile, sign) = (profile, greatest ? 1 : -1);

    /// <summary>Axles and stretches that do not move against each other: places behind the first of them (m).</summary>
    private sealed record Group(ImmutableArray<(double Load, double At)> Axles, ImmutableArray<Stretch> Stretches, bool OnlyWorsening)
    {
        public double Length =>
            Math.Max(Axles.Select(a => a.At).DefaultIfEmpty(0).Max(), Stretches.Select(s => s.From + s.Length).DefaultIfEmpty(0).Max());
    }

    /// <summary>
    /// The vehicle at its worst in either direction, with a line load (N/m) on adverse parts that keeps clear of it by a distance before
    /// and behind; null where it is no worse than nothing there and no line load.
    /// </summary>
    public PlacedVehicle? Worst(Vehicle vehicle, double line = 0, double clear = 0)
    {
        var (first, second, gap, mostGap) = Groups(vehicle);
        PlacedVehicle? worst = null;
        foreach (var direction in IsSymmetric(vehicle) ? [1] : new[] { 1, -1 })
        {
            var found = second is null ? Alone(first, direction, line, clear) : Pair(first, second, gap, mostGap, direction);
            if (found is not null && sign * found.Value > sign * (worst?.Value ?? 0))
                worst = found;
        }
        return worst;
    }

    private static (Group First, Group? Second, double Gap, double MostGap) Groups(Vehicle vehicle)
    {
        var parted = vehicle.Axles.Select((a, i) => (a, i)).FirstOrDefault(a => a.a.MostGap is not null);
        if (parted.a is null)
            return (Of(vehicle.Axles, vehicle.Stretches), null, 0, 0);
        return (Of(vehicle.Axles[..parted.i], vehicle.Stretches), Of(vehicle.Axles[parted.i..], []), parted.a.Gap, parted.a.MostGap!.Value);

        Group Of(ImmutableArray<Axle> axles, ImmutableArray<Stretch> stretches)
        {
            double at = 0;
            return new([.. axles.Select((a, i) => (a.Load, at += i == 0 ? 0 : a.Gap))], stretches, vehicle.OnlyWorsening);
        }
    }

    private static bool IsSymmetric(Vehicle vehicle) =>
        vehicle.Axles.All(a => a.MostGap is null)
        && vehicle.Axles.Select(a => a.Load).SequenceEqual(vehicle.Axles.Select(a => a.Load).Reverse())
        && vehicle.Axles.Skip(1).Select(a => a.Gap).SequenceEqual(vehicle.Axles.Skip(1).Select(a => a.Gap).Reverse())
        && vehicle.Stretches.Select(s => (s.Load, s.Length)).SequenceEqual(vehicle.Stretches.Select(s => (s.Load, s.Length)).Reverse());

    private PlacedVehicle? Alone(Group group, int direction, double line, double clear)
    {
        var best = (Value: 0.0, At: double.NaN);
        void Try(double at)
        {
            var value = With(at);
            if (sign * value > sign * best.Value)
                best = (value, at);
        }
        double With(double at) => Value(group, at, direction) + (line > 0 ? line * Beside(at) : 0);
        double Beside(double at)
        {
            var (head, tail) = (at + direction * clear, at - direction * (group.Length + clear));
            var under = profile.Adverse(Math.Max(head, tail), sign) - profile.Adverse(Math.Min(head, tail), sign);
            return profile.Adverse(sign) - under;
        }

        var places = Places(group, direction, clear).ToList();
        var curved = !group.Stretches.IsEmpty || line > 0;
        for (var i = 0; i < places.Count; i++)
        {
            Try(places[i] - Nudge);
            Try(places[i] + Nudge);
            if (!curved || i + 1 == places.Count)
                continue;
            var (from, to) = (places[i] + Nudge, places[i + 1] - Nudge);
            var (a, m, b) = (With(from), With((from + to) / 2), With(to));
            var curvature = a - 2 * m + b;
            var top = curvature == 0 ? 0.5 : 0.5 + (a - b) / (4 * curvature);
            if (top is > 0 and < 1)
                Try(from + top * (to - from));
        }
        return double.IsNaN(best.At)
            ? null
            : new(
                best.Value,
                best.At,
                direction,
                [.. Acting(group, best.At, direction)],
                [.. Lines(group, best.At, direction, line, clear)]
            );
    }

    /// <summary>Stretches where they stand, and the adverse parts of a line load that keeps clear of them.</summary>
    private IEnumerable<(double From, double To, double Load)> Lines(Group group, double at, int direction, double line, double clear)
    {
        foreach (var stretch in group.Stretches)
        {
            var (head, tail) = (at - direction * stretch.From, at - direction * (stretch.From + stretch.Length));
            yield return (Math.Min(head, tail), Math.Max(head, tail), stretch.Load);
        }
        if (line == 0)
            yield break;
        var (ahead, behind) = (at + direction * clear, at - direction * (group.Length + clear));
        var (low, high) = (Math.Min(ahead, behind), Math.Max(ahead, behind));
        foreach (var (from, to) in profile.AdverseParts(sign))
        {
            if (from < low)
                yield return (from, Math.Min(to, low), line);
            if (to > high)
                yield return (Math.Max(from, high), to, line);
        }
    }

    /// <summary>A line load (N/m) alone on adverse parts; null where there are none.</summary>
    public PlacedVehicle? LineAlone(double line)
    {
        var value = line * profile.Adverse(sign);
        return value == 0 ? null : new(value, double.NaN, 1, [], [.. profile.AdverseParts(sign).Select(p => (p.From, p.To, line))]);
    }

    /// <summary>Two groups of axles with a gap between them: both at their own places, or at the ends of the gap from each other.</summary>
    private PlacedVehicle? Pair(Group first, Group second, double gap, double mostGap, int direction)
    {
        // A place of the second is told by its first axle, which stands behind the last one of the first group.
        var length = first.Length;
        var own = Places(second, direction, 0).SelectMany(p => new[] { p - Nudge, p + Nudge }).ToList();
        double[] ends = double.IsFinite(mostGap) ? [gap, mostGap] : [gap];
        var places = Places(first, direction, 0)
            .SelectMany(p => new[] { p - Nudge, p + Nudge })
            .Concat(own.SelectMany(p => ends.Select(e => p + direction * (length + e))));
        var seconds = own.Select(at => (At: direction * at, Value: Value(second, at, direction))).OrderBy(s => s.At).ToArray();
        var stations = Array.ConvertAll(seconds, s => s.At);
        // The worst of all up to each, for gaps without an end.
        var worstTo = new int[seconds.Length];
        for (var i = 1; i < seconds.Length; i++)
            worstTo[i] = sign * seconds[i].Value > sign * seconds[worstTo[i - 1]].Value ? i : worstTo[i - 1];
        var best = (Value: 0.0, At: double.NaN, Second: double.NaN);
        foreach (var at in places)
        {
            var alone = Value(first, at, direction);
            // Along the direction of travel the second stands from here to there.
            var (to, from) = (direction * at - length - gap, direction * at - length - mostGap);
            var (behind, where) = (Value(second, direction * to, direction), direction * to);
            if (double.IsFinite(from) && sign * Value(second, direction * from, direction) > sign * behind)
                (behind, where) = (Value(second, direction * from, direction), direction * from);
            var last = AtOrBefore(stations, to);
            var start =
                double.IsFinite(from) ? AtOrBefore(stations, from) + 1
                : last < 0 ? 0
                : worstTo[last];
            for (var i = start; i <= (double.IsFinite(from) ? last : Math.Min(last, start)); i++)
            {
                if (sign * seconds[i].Value > sign * behind)
                    (behind, where) = (seconds[i].Value, direction * seconds[i].At);
            }
            if (sign * (alone + behind) > sign * best.Value)
                best = (alone + behind, at, where);
        }
        return double.IsNaN(best.At)
            ? null
            : new(best.Value, best.At, direction, [.. Acting(first, best.At, direction), .. Acting(second, best.Second, direction)], []);
    }

    /// <summary>The last of the stations at or before one; −1 for none.</summary>
    private static int AtOrBefore(double[] stations, double station)
    {
        var found = Array.BinarySearch(stations, station);
        return found >= 0 ? found : ~found - 1;
    }

    /// <summary>Places of the first axle in order, at which something of the group stands on a station of the profile.</summary>
    private IEnumerable<double> Places(Group group, int direction, double clear)
    {
        var parts = group
            .Axles.Select(a => a.At)
            .Concat(group.Stretches.SelectMany(s => new[] { s.From, s.From + s.Length }))
            .Concat(clear > 0 ? [-clear, group.Length + clear] : []);
        return parts.Distinct().SelectMany(at => profile.Stations.Select(s => s + direction * at)).Order().Distinct();
    }

    private double Value(Group group, double at, int direction)
    {
        double sum = 0;
        foreach (var (load, behind) in group.Axles)
        {
            var value = load * profile.At(at - direction * behind);
            sum += group.OnlyWorsening && sign * value < 0 ? 0 : value;
        }
        foreach (var stretch in group.Stretches)
        {
            var (head, tail) = (at - direction * stretch.From, at - direction * (stretch.From + stretch.Length));
            sum += stretch.Load * (profile.Integral(Math.Max(head, tail)) - profile.Integral(Math.Min(head, tail)));
        }
        return sum;
    }

    private IEnumerable<(double Station, double Load)> Acting(Group group, double at, int direction) =>
        group
            .Axles.Select(a => (Station: at - direction * a.At, a.Load))
            .Where(a => !group.OnlyWorsening || sign * profile.At(a.Station) > 0)
            .Where(a => profile.Stations.Length > 0 && a.Station >= profile.Stations[0] && a.Station <= profile.Stations[^1]);
}
