using System.Collections.Immutable;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>
/// Finds where a vehicle is worst on a profile. Axles alone are sought by <see cref="VehicleSearch"/>. With stretches of line load the
/// effect between stations at which an axle or an end of a stretch meets one of the profile is of second degree: the worst is at one of
/// them, or at the top of a parabola between. No gap is sought then.
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
        if (vehicle.Stretches.IsEmpty && line == 0)
            return Sought(vehicle);
        var group = GroupOf(vehicle);
        PlacedVehicle? worst = null;
        foreach (var direction in IsSymmetric(vehicle) ? [1] : new[] { 1, -1 })
        {
            if (Alone(vehicle, group, direction, line, clear) is { } found && sign * found.Value > sign * (worst?.Value ?? 0))
                worst = found;
        }
        return worst;
    }

    /// <summary>
    /// The vehicle with its first axle at a place, going ahead (1) or back (−1), with a line load as in <see cref="Worst"/>.
    /// </summary>
    internal PlacedVehicle At(Vehicle vehicle, double at, int direction, double line, double clear)
    {
        var group = GroupOf(vehicle);
        return new(vehicle, With(group, at, direction, line, clear), at, direction)
        {
            Lines = [.. Lines(group, at, direction, line, clear)],
        };
    }

    private static Group GroupOf(Vehicle vehicle)
    {
        double at = 0;
        return new([.. vehicle.Axles.Select((a, i) => (a.Load, at += i == 0 ? 0 : a.Gap))], vehicle.Stretches, vehicle.OnlyWorsening);
    }

    /// <summary>The effect at a place, with a line load on adverse parts beside the group.</summary>
    private double With(Group group, double at, int direction, double line, double clear)
    {
        var value = Value(group, at, direction);
        if (line == 0)
            return value;
        var (head, tail) = (at + direction * clear, at - direction * (group.Length + clear));
        var under = profile.Adverse(Math.Max(head, tail), sign) - profile.Adverse(Math.Min(head, tail), sign);
        return value + line * (profile.Adverse(sign) - under);
    }

    private PlacedVehicle? Sought(Vehicle vehicle)
    {
        var (search, stations) = (new VehicleSearch(), profile.Stations);
        var ways = VehicleWay.Of(VehicleShape.Of(vehicle), [.. stations.Select((s, i) => (s, i))]);
        var changes = new ProfileChanges(new double[stations.Length], new double[stations.Length]);
        ProfileSteps.Find(stations, profile.Behind, profile.Ahead, ProfilePart.Whole, changes.Jump, changes.Kink);
        var worst = vehicle.OnlyWorsening
            ? search.OnlyWorsening(ways, stations, profile.Behind, profile.Ahead, sign)
            : search.WholeAt(ways, changes, sign);
        return worst.Value == 0 ? null : PlacedVehicle.At(vehicle, worst, vehicle.OnlyWorsening ? profile : null, sign > 0);
    }

    private static bool IsSymmetric(Vehicle vehicle) =>
        VehicleShape.Of(vehicle).IsSymmetric
        && vehicle.Stretches.Select(s => (s.Load, s.Length)).SequenceEqual(vehicle.Stretches.Select(s => (s.Load, s.Length)).Reverse());

    private PlacedVehicle? Alone(Vehicle vehicle, Group group, int direction, double line, double clear)
    {
        var best = (Value: 0.0, At: double.NaN);
        void Try(double at)
        {
            var value = With(at);
            if (sign * value > sign * best.Value)
                best = (value, at);
        }
        double With(double at) => this.With(group, at, direction, line, clear);

        var places = Places(group, direction, clear).ToList();
        for (var i = 0; i < places.Count; i++)
        {
            Try(places[i] - Nudge);
            Try(places[i] + Nudge);
            if (i + 1 == places.Count)
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
            : new(vehicle, best.Value, best.At, direction) { Lines = [.. Lines(group, best.At, direction, line, clear)] };
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
        return value == 0
            ? null
            : new(null, value, double.NaN, 1) { Lines = [.. profile.AdverseParts(sign).Select(p => (p.From, p.To, line))] };
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
}
