using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>What a vehicle does as it passes alone along a line: the history of an effect, and its cycles.</summary>
/// <remarks>
/// The line is read in steps, straight between them; where it jumps, as that of shear does, each axle is also put just behind and just
/// ahead of the jump, all axles then read exactly. Both ways are tried, and that with the greater range is told.
/// </remarks>
internal sealed class LorryPassage
{
    private const double Step = 0.25;
    private const double Nudge = 1e-7;
    private const double NoJump = 1e-9;
    private readonly LineProfile profile;
    private readonly double from;
    private readonly double[] values;
    private readonly double[] jumps;

    /// <param name="profile">What a load along the line does.</param>
    public LorryPassage(LineProfile profile)
    {
        this.profile = profile;
        var stations = profile.Stations;
        from = stations[0];
        values = new double[(int)Math.Ceiling((stations[^1] - from) / Step) + 1];
        var piece = 0;
        for (var i = 0; i < values.Length; i++)
        {
            var at = from + i * Step;
            while (piece + 2 < stations.Length && stations[piece + 1] <= at)
                piece++;
            var length = stations[piece + 1] - stations[piece];
            var part = length <= 0 ? 0 : Math.Clamp((at - stations[piece]) / length, 0, 1);
            values[i] = profile.Ahead[piece] + part * (profile.Behind[piece + 1] - profile.Ahead[piece]);
        }
        jumps = [.. stations.Where((_, i) => Math.Abs(profile.Ahead[i] - profile.Behind[i]) > NoJump)];
    }

    /// <summary>The cycles of a vehicle that passes, with a factor on its loads.</summary>
    public PassageCycles Of(Vehicle vehicle, double factor, double offset)
    {
        var (ahead, back) = (Cycles(vehicle, 1), Cycles(vehicle, -1));
        var (history, ranges) = back.Ranges.FirstOrDefault() > ahead.Ranges.FirstOrDefault() ? back : ahead;
        return new(vehicle.Name, offset, [.. ranges.Select(r => factor * r)])
        {
            Greatest = factor * history.Append(0).Max(),
            Least = factor * history.Append(0).Min(),
        };
    }

    private (double[] History, double[] Ranges) Cycles(Vehicle vehicle, int way)
    {
        var axles = new (double Behind, double Load)[vehicle.Axles.Length];
        var behind = 0.0;
        for (var i = 0; i < axles.Length; i++)
            axles[i] = (way * (behind += vehicle.Axles[i].Gap), vehicle.Axles[i].Load);
        var (first, last) = (from + Math.Min(0, axles[^1].Behind), from + Step * (values.Length - 1) + Math.Max(0, axles[^1].Behind));
        var history = new double[(int)Math.Floor((last - first) / Step + 1e-9) + 1];
        foreach (var axle in axles)
            Add(axle.Load, (first - axle.Behind - from) / Step, history);
        if (jumps.Length > 0)
            history = WithJumps(history, first, axles);
        return (history, Rainflow.Ranges(history));
    }

    /// <summary>Adds what an axle does from a place on (in steps from the line’s beginning), a step further each time.</summary>
    private void Add(double load, double place, double[] history)
    {
        var begin = (int)Math.Floor(place + 1e-9);
        var part = Math.Max(0, place - begin);
        for (var i = Math.Max(0, -begin); i < history.Length && begin + i < values.Length; i++)
        {
            var (here, at) = (values[begin + i], begin + i + 1);
            // Beyond the last value nothing stands, and short of the first nothing stood.
            history[i] +=
                at < values.Length ? load * (here + part * (values[at] - here))
                : part < 1e-9 ? load * here
                : 0;
        }
    }

    /// <summary>A history in steps with the places in it at which an axle is just behind or just ahead of a jump.</summary>
    private double[] WithJumps(double[] history, double first, (double Behind, double Load)[] axles)
    {
        var places = jumps.SelectMany(j => axles.SelectMany(a => new[] { j + a.Behind - Nudge, j + a.Behind + Nudge })).Order().ToList();
        var (all, next) = (new double[history.Length + places.Count], 0);
        for (var i = 0; i <= history.Length; i++)
        {
            for (; next < places.Count && (i == history.Length || places[next] < first + i * Step); next++)
            {
                foreach (var axle in axles)
                    all[i + next] += axle.Load * profile.At(places[next] - axle.Behind);
            }
            if (i < history.Length)
                all[i + next] = history[i];
        }
        return all;
    }
}
