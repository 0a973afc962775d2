using System.Collections.Immutable;
using Pravik.Core.Models;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>A lane on a line, as it is placed for a value.</summary>
/// <param name="Load">What loads the lane.</param>
/// <param name="Value">The value, all factors in it.</param>
/// <param name="First">Place of the first axle or load as seen along the line (m); not a number where no vehicle stands on it.</param>
/// <param name="IsTurned">Whether the vehicle goes back, so that its first axle is the last along the line.</param>
public sealed record LineLoading(LaneLoad Load, double Value, double First, bool IsTurned);

/// <summary>How a unit load moving along a line changes an effect: values just behind and just ahead of every station.</summary>
public sealed record InfluenceLine(double[] Behind, double[] Ahead);

/// <summary>
/// One lane of a traffic model on a line of beams, with a share of its load: every effect at its greatest and least, and what acts
/// together with it. The vehicle stands where it is worst or not at all; loads along lie on adverse parts.
/// </summary>
/// <remarks>Influence is straight between stations: the places sought are those at which axles or ends of loads meet them.</remarks>
public sealed class LineTraffic
{
    private readonly double[] stations;
    private readonly double[] lengths;
    private readonly double laneWidth;
    private readonly double share;
    private readonly Func<int, InfluenceLine?> lines;
    private readonly List<(LaneLoad Load, TrainWay[] Ways, Meeting[][] Orders)> loads = [];
    private readonly LineLoading?[] greatest;
    private readonly LineLoading?[] least;

    /// <param name="model">The model: its first kind of lane is taken.</param>
    /// <param name="share">The part of the lane's load that the line carries.</param>
    /// <param name="stations">Stations in order (m).</param>
    /// <param name="layout">The places of the effects.</param>
    /// <param name="lines">The influence line of an effect; null for one that loads on the line do not change.</param>
    public LineTraffic(TrafficModel model, double share, double[] stations, EffectLayout layout, Func<int, InfluenceLine?> lines)
    {
        (this.stations, this.lines, this.share, laneWidth) = (stations, lines, share, model.LaneWidth);
        lengths = [.. stations.Select((s, i) => i + 1 < stations.Length ? stations[i + 1] - s : 0)];
        var met = stations.Select((s, i) => (s, i)).ToList();
        foreach (var load in LoadsOf(model))
        {
            var ways = load.Vehicle is { } vehicle ? TrainWay.Of(vehicle, Clear(load), load.LineClear ?? 0) : [];
            var orders = ways.Select(w => new AxleGroup([.. w.Parts.Select(p => p.At)], new double[w.Parts.Length]).On(met));
            loads.Add((load, ways, [.. orders]));
        }
        (greatest, least) = (new LineLoading?[layout.Count], new LineLoading?[layout.Count]);
        var (most, fewest) = (new double[layout.Count], new double[layout.Count]);
        for (var effect = 0; effect < layout.Count; effect++)
        {
            if (lines(effect) is not { } line)
                continue;
            (greatest[effect], least[effect]) = (Worst(line, 1), Worst(line, -1));
            (most[effect], fewest[effect]) = (greatest[effect]?.Value ?? 0, least[effect]?.Value ?? 0);
        }
        (Greatest, Least) = (new(layout, most), new(layout, fewest));
    }

    /// <summary>Greatest values of all effects.</summary>
    public EffectValues Greatest { get; }

    /// <summary>Least values of all effects.</summary>
    public EffectValues Least { get; }

    /// <summary>Why a model is not placed on a line; null where it is.</summary>
    public static string? Refusal(TrafficModel model) =>
        model.Rule == LaneRule.Design
        || LoadsOf(model)
            .Any(l =>
                l.OnlyOverPiers || l.Vehicle is { } v && (v.OnlyWorsening || v.StaysOnDeck || v.Axles.Any(a => a.MostGap is not null))
            )
            ? $"{model.Name} is not placed on a member alone: its lanes or axles follow rules of the whole deck."
            : null;

    /// <summary>How the lane stands for a value; null where nothing worsens it.</summary>
    public LineLoading? Loading(int effect, bool isGreatest) => (isGreatest ? greatest : least)[effect];

    /// <summary>
    /// Forces at the place of an effect under the loading that gives its greatest or least value, in the order of the block.
    /// </summary>
    public double[] Together(int effect, bool isGreatest)
    {
        var (from, count) = Greatest.Layout.TogetherWith(effect);
        var forces = new double[count];
        if (Loading(effect, isGreatest) is not { } placed)
            return forces;
        var adverse = Profile(lines(effect)!).AdverseParts(isGreatest ? 1 : -1).ToList();
        for (var i = 0; i < count; i++)
        {
            if (from + i == effect)
                forces[i] = placed.Value;
            else if (lines(from + i) is { } line)
                forces[i] = Under(placed, Profile(line), adverse);
        }
        return forces;
    }

    private static ImmutableArray<LaneLoad> LoadsOf(TrafficModel model) =>
        model.Kinds.IsEmpty ? [new(model.Name) { Area = model.Rest }] : model.Kinds[0].Loads;

    /// <summary>The line load that keeps clear of the vehicle (N/m).</summary>
    private static double Clear(LaneLoad load) => load.Vehicle is not null && load.LineClear is not null ? load.LineOnWheels : 0;

    /// <summary>What lies along on all adverse parts, with its dynamic factor where it runs on wheels (N/m).</summary>
    private double Even(LaneLoad load) =>
        load.Area * laneWidth + (Clear(load) > 0 ? 0 : load.Line * (load.RunsOnWheels ? load.Dynamic : 1));

    private LineProfile Profile(InfluenceLine line) => new([.. stations.Select((s, i) => (s, line.Behind[i], line.Ahead[i], lengths[i]))]);

    private LineLoading? Worst(InfluenceLine line, int sign)
    {
        var (profile, train) = (Profile(line), new TrainProfile(stations, lengths, line.Behind, line.Ahead));
        LineLoading? worst = null;
        foreach (var (load, ways, orders) in loads)
        {
            var (value, first, isTurned) = (0.0, double.NaN, false);
            var start = Clear(load) > 0 ? Clear(load) * profile.Adverse(sign) : 0;
            for (var w = 0; w < ways.Length; w++)
            {
                var found = TrainSweep.Worst(orders[w], ways[w].Parts, train, sign, start);
                if (sign * found.Value > sign * value * (1 + 1e-12))
                    (value, first, isTurned) = (found.Value, found.Place, ways[w].IsTurned);
            }
            var sum = share * load.Factor * (load.Dynamic * value + Even(load) * profile.Adverse(sign));
            if (sign * sum > sign * (worst?.Value ?? 0))
                worst = new(load, sum, first, isTurned);
        }
        return worst;
    }

    /// <summary>What a placed lane does to another effect.</summary>
    private double Under(LineLoading placed, LineProfile other, List<(double From, double To)> adverse)
    {
        var load = placed.Load;
        double Up(double to) => adverse.Where(p => p.From < to).Sum(p => other.Integral(Math.Min(to, p.To)) - other.Integral(p.From));
        var (vehicle, along) = (0.0, Up(double.PositiveInfinity));
        if (!double.IsNaN(placed.First))
        {
            var way = loads.First(l => l.Load == load).Ways.First(w => w.IsTurned == placed.IsTurned);
            vehicle = Clear(load) * along;
            foreach (var (behind, kind, size) in way.Parts)
            {
                var at = placed.First - behind;
                vehicle +=
                    size
                    * kind switch
                    {
                        TrainPart.Axle => other.At(at),
                        TrainPart.LineEnd => other.Integral(at),
                        _ => Up(at),
                    };
            }
        }
        return share * load.Factor * (load.Dynamic * vehicle + Even(load) * along);
    }
}
