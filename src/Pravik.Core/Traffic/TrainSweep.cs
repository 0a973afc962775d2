using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>
/// A vehicle with stretches of line load, or with a line load on adverse parts that keeps clear of it, and the order in which its parts
/// meet the stations of the runs that it may take.
/// </summary>
internal sealed class TrainOnDeck
{
    private readonly TrainWay[] ways;
    private readonly Meeting[]?[][] orders;

    /// <param name="load">The load of a lane.</param>
    /// <param name="deck">The deck.</param>
    /// <param name="runs">Runs that it may take.</param>
    public TrainOnDeck(LaneLoad load, DeckLoading deck, IEnumerable<int> runs)
    {
        Line = load.LineOnWheels;
        ways = TrainWay.Of(load.Vehicle!, Line, load.LineClear ?? 0);
        orders = [.. ways.Select(_ => new Meeting[]?[deck.Runs.Length])];
        foreach (var run in runs.Distinct())
        {
            var stations = deck.Runs[run].Stations.Select((s, i) => (s, i)).ToList();
            for (var w = 0; w < ways.Length; w++)
                orders[w][run] = new AxleGroup([.. ways[w].Parts.Select(p => p.At)], new double[ways[w].Parts.Length]).On(stations);
        }
    }

    /// <summary>The line load on adverse parts (N/m).</summary>
    public double Line { get; }

    /// <summary>Whether a load is placed so: not where axles that relieve are left out.</summary>
    public static bool Takes(LaneLoad load) =>
        load.Vehicle is { OnlyWorsening: false } && (load.RunsOnWheels || !load.Vehicle.Stretches.IsEmpty);

    /// <summary>The worst value along a run, the place of the first axle then, and whether it goes back; 0 where it relieves.</summary>
    public (double Value, double At, bool IsTurned) Worst(TrainProfile profile, int run, int sign)
    {
        var (worst, start) = ((Value: 0.0, At: double.NaN, IsTurned: false), Line * profile.Adverse(sign).Total);
        for (var w = 0; w < ways.Length; w++)
        {
            var (value, at) = TrainSweep.Worst(orders[w][run]!, ways[w].Parts, profile, sign, start);
            if (sign * value > sign * worst.Value * (1 + 1e-12))
                worst = (value, ways[w].IsTurned ? at - ways[w].Length : at, ways[w].IsTurned);
        }
        return worst;
    }
}

/// <summary>What a part of a train is.</summary>
internal enum TrainPart
{
    /// <summary>An axle: its load times the profile.</summary>
    Axle,

    /// <summary>
    /// The front end of a line load, or its rear end with the load turned: its load times the profile’s integral up to there.
    /// </summary>
    LineEnd,

    /// <summary>The same of what is left clear on adverse parts.</summary>
    ClearEnd,
}

/// <summary>A train going one way: places of its parts behind its front (m), and their loads.</summary>
internal sealed record TrainWay((double At, TrainPart Kind, double Load)[] Parts, double Length, bool IsTurned)
{
    /// <summary>A vehicle going ahead, and back where that is another thing.</summary>
    public static TrainWay[] Of(Vehicle vehicle, double line, double clear)
    {
        double at = 0;
        (double At, double Load)[] axles = [.. vehicle.Axles.Select((a, i) => (at += i == 0 ? 0 : a.Gap, a.Load))];
        var length = vehicle.Length;
        List<(double, TrainPart, double)> ahead = [.. axles.Select(a => (a.At, TrainPart.Axle, a.Load))];
        List<(double, TrainPart, double)> back = [.. axles.Select(a => (length - a.At, TrainPart.Axle, a.Load))];
        foreach (var s in vehicle.Stretches)
        {
            ahead.AddRange([(s.From, TrainPart.LineEnd, s.Load), (s.From + s.Length, TrainPart.LineEnd, -s.Load)]);
            back.AddRange([(length - s.From - s.Length, TrainPart.LineEnd, s.Load), (length - s.From, TrainPart.LineEnd, -s.Load)]);
        }
        if (line > 0)
        {
            List<(double, TrainPart, double)> ends = [(-clear, TrainPart.ClearEnd, -line), (length + clear, TrainPart.ClearEnd, line)];
            ahead.AddRange(ends);
            back.AddRange(ends);
        }
        var one = new TrainWay([.. ahead], length, false);
        return IsSame(ahead, back) ? [one] : [one, new([.. back], length, true)];
    }

    private static bool IsSame(List<(double At, TrainPart Kind, double Load)> a, List<(double At, TrainPart Kind, double Load)> b) =>
        a.Order().Zip(b.Order()).All(p => Math.Abs(p.First.At - p.Second.At) < 1e-9 && Math.Abs(p.First.Load - p.Second.Load) < 1e-9);
}

/// <summary>How a run’s profile changes at its stations, per metre of the road’s station and per metre of the line itself.</summary>
internal sealed class TrainProfile
{
    private readonly double[] stations;
    private readonly (double[] Behind, double[] Ahead) scaled;
    private readonly Part?[] parts = new Part?[2];

    /// <param name="run">The run.</param>
    /// <param name="behind">Values just behind its stations.</param>
    /// <param name="ahead">Values just ahead of them.</param>
    public TrainProfile(WheelRun run, double[] behind, double[] ahead)
        : this(run.Stations, run.Lengths, behind, ahead) { }

    /// <param name="stations">Stations in order (m).</param>
    /// <param name="lengths">Length of the piece ahead of each (m).</param>
    /// <param name="behind">Values just behind the stations.</param>
    /// <param name="ahead">Values just ahead of them.</param>
    public TrainProfile(double[] stations, double[] lengths, double[] behind, double[] ahead)
    {
        this.stations = stations;
        Whole = Changes(behind, ahead, ProfilePart.Whole, null);
        // Outside a curve a line load is longer than the difference of its stations.
        scaled = (new double[stations.Length], new double[stations.Length]);
        for (var i = 0; i + 1 < stations.Length; i++)
        {
            var (size, length) = (stations[i + 1] - stations[i], lengths[i]);
            var ratio = size > 0 ? length / size : 0;
            (scaled.Ahead[i], scaled.Behind[i + 1]) = (ratio * ahead[i], ratio * behind[i + 1]);
        }
        Lines = Changes(scaled.Behind, scaled.Ahead, ProfilePart.Whole, null);
    }

    /// <summary>Changes that axles meet.</summary>
    public ProfileChanges Whole { get; }

    /// <summary>Changes that ends of line loads meet.</summary>
    public ProfileChanges Lines { get; }

    /// <summary>An adverse part: its changes, where it begins and ends between stations, and its integral.</summary>
    internal sealed record Part(ProfileChanges Changes, List<(double Station, double Kink)> Crossings, double Total);

    /// <summary>What is above 0, or below.</summary>
    public Part Adverse(int sign)
    {
        ref var part = ref parts[sign > 0 ? 0 : 1];
        if (part is not null)
            return part;
        List<(double Station, double Kink)> crossings = [];
        var changes = Changes(scaled.Behind, scaled.Ahead, sign > 0 ? ProfilePart.Above : ProfilePart.Below, crossings);
        double total = 0;
        for (var i = 0; i + 1 < stations.Length; i++)
        {
            var (a, b, size) = (sign * scaled.Ahead[i], sign * scaled.Behind[i + 1], stations[i + 1] - stations[i]);
            total +=
                a >= 0 && b >= 0 ? size * (a + b) / 2
                : a <= 0 && b <= 0 ? 0
                : size * Math.Max(a, b) * Math.Max(a, b) / (2 * Math.Abs(a - b));
        }
        return part = new(changes, crossings, sign * total);
    }

    private ProfileChanges Changes(double[] behind, double[] ahead, ProfilePart part, List<(double, double)>? crossings)
    {
        var changes = new ProfileChanges(new double[stations.Length], new double[stations.Length]);
        ProfileSteps.Find(stations, behind, ahead, part, changes.Jump, changes.Kink, crossings);
        return changes;
    }
}

/// <summary>
/// Goes over a profile once with a train: between meetings its effect is of second degree, and its slope and curvature change where a part
/// meets a station. An axle’s effect jumps and bends with the profile; that of the end of a line load bends by the profile’s jump, and its
/// curvature changes by the profile’s bend.
/// </summary>
internal static class TrainSweep
{
    /// <summary>
    /// The greatest or by its sign the least value and the place of the front, from a value with the train before the deck.
    /// </summary>
    public static (double Value, double Place) Worst(
        Meeting[] order,
        (double At, TrainPart Kind, double Load)[] parts,
        TrainProfile profile,
        int sign,
        double start
    )
    {
        if (order.Length == 0)
            return (0, double.NaN);
        var (adverse, extra) = (profile.Adverse(sign).Changes, Crossings(parts, profile, sign));
        var (value, slope, curvature, at, jumped) = (start, 0.0, 0.0, order[0].Place, false);
        var (worst, place) = (0.0, double.NaN);
        void Try(double found, double where)
        {
            if (sign * found > worst)
                (worst, place) = (sign * found, where);
        }
        void GoTo(double next)
        {
            var length = next - at;
            if (length <= GroupSweep.Tiny)
                return;
            if (jumped)
                Try(value, at + GroupSweep.Nudge);
            var top = curvature == 0 ? -1 : -slope / curvature;
            if (top > 0 && top < length)
                Try(value + top * (slope + top * curvature / 2), at + top);
            value += length * (slope + length * curvature / 2);
            slope += length * curvature;
            (at, jumped) = (next, false);
            Try(value, at - GroupSweep.Nudge);
        }
        var e = 0;
        foreach (ref readonly var meeting in order.AsSpan())
        {
            for (; e < extra.Length && extra[e].Place < meeting.Place; e++)
            {
                GoTo(extra[e].Place);
                curvature += extra[e].Kink;
            }
            GoTo(meeting.Place);
            var (kind, load, number) = (parts[meeting.Axle].Kind, parts[meeting.Axle].Load, meeting.Number);
            if (kind == TrainPart.Axle)
            {
                value += load * profile.Whole.Jump[number];
                jumped |= profile.Whole.Jump[number] != 0;
                slope += load * profile.Whole.Kink[number];
                continue;
            }
            var changes = kind == TrainPart.LineEnd ? profile.Lines : adverse;
            slope += load * changes.Jump[number];
            curvature += load * changes.Kink[number];
        }
        return (sign * worst, place);
    }

    /// <summary>Where the ends of what is left clear meet places at which adverse parts begin or end between stations.</summary>
    private static (double Place, double Kink)[] Crossings((double At, TrainPart Kind, double Load)[] parts, TrainProfile profile, int sign)
    {
        var crossings = profile.Adverse(sign).Crossings;
        if (crossings.Count == 0)
            return [];
        List<(double Place, double Kink)> all = [];
        foreach (var (at, _, load) in parts.Where(p => p.Kind == TrainPart.ClearEnd))
            all.AddRange(crossings.Select(c => (c.Station + at, load * c.Kink)));
        all.Sort((a, b) => a.Place.CompareTo(b.Place));
        return [.. all];
    }
}
