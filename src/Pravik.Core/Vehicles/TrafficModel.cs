using System.Collections.Immutable;

namespace Pravik.Core.Vehicles;

/// <summary>How lanes lie on the deck.</summary>
public enum LaneRule
{
    /// <summary>Notional lanes of EN 1991-2 Table 4.1, anywhere on the carriageways.</summary>
    Notional,

    /// <summary>Design lanes of AASHTO LRFD 3.6.1.1.1, anywhere on the carriageways.</summary>
    Design,

    /// <summary>A railway track along the road line.</summary>
    Track,
}

/// <summary>How a model enters combinations.</summary>
public enum TrafficRole
{
    /// <summary>It enters none; its envelopes are shown.</summary>
    Shown,

    /// <summary>Load model 1.</summary>
    Usual,

    /// <summary>A single axle: group 1b of EN 1991-2 Table 4.4a.</summary>
    SingleAxle,

    /// <summary>A crowd, with footways: group 4.</summary>
    Crowd,

    /// <summary>Railway traffic.</summary>
    Rail,

    /// <summary>A fatigue load model, whose range acts alone.</summary>
    Fatigue,

    /// <summary>A special vehicle, with the frequent values of load model 1 beside it: group 5.</summary>
    Special,
}

/// <summary>What loads a lane. A lane may have several, of which the worst acts.</summary>
/// <param name="Name">Name in words.</param>
public sealed record LaneLoad(string Name)
{
    /// <summary>The vehicle, once, or not at all where it would relieve; null for none.</summary>
    public Vehicle? Vehicle { get; init; }

    /// <summary>Factor on the vehicle for its dynamics.</summary>
    public double Dynamic { get; init; } = 1;

    /// <summary>Factor on all of it.</summary>
    public double Factor { get; init; } = 1;

    /// <summary>Load per area of the lane on adverse parts, along and across (N/m²).</summary>
    public double Area { get; init; }

    /// <summary>Load along the lane on adverse parts (N/m).</summary>
    public double Line { get; init; }

    /// <summary>Width over which the line load is spread (m); 0 for the wheel lines.</summary>
    public double LineWidth { get; init; }

    /// <summary>Distance before and behind the vehicle that the line load keeps (m); null where it may lie under it.</summary>
    public double? LineClear { get; init; }

    /// <summary>Whether a line load goes along the wheel lines.</summary>
    internal bool RunsOnWheels => LineOnWheels > 0;

    /// <summary>Line load along the wheel lines (N/m).</summary>
    internal double LineOnWheels => LineWidth > 0 ? 0 : Line;

    /// <summary>Whether it acts on hogging moments and on reactions of piers only (AASHTO LRFD 3.6.1.3.1).</summary>
    public bool OnlyOverPiers { get; init; }
}

/// <summary>A lane that lies where it is put.</summary>
/// <param name="From">Offset of its left edge from the road line (m).</param>
/// <param name="Width">Its width (m).</param>
public sealed record FixedLane(double From, double Width);

/// <summary>Lanes that are loaded alike: at most so many, each with the worst of some loads.</summary>
public sealed record LaneKind(int Most, ImmutableArray<LaneLoad> Loads)
{
    /// <summary>Where these lanes lie; empty for anywhere.</summary>
    public ImmutableArray<FixedLane> Lanes { get; init; } = [];

    /// <summary>Least distance of a wheel from the edge of its lane (m), in place of that of the model; null for that.</summary>
    public double? Margin { get; init; }

    /// <summary>How many lanes side by side one of them takes.</summary>
    public int Wide { get; init; } = 1;
}

/// <summary>A traffic model as data: where lanes lie, what loads them, and how lanes count together.</summary>
/// <param name="Name">Name by which it is asked for.</param>
/// <param name="Source">Where it is defined.</param>
/// <param name="Rule">How lanes lie.</param>
/// <param name="Kinds">Kinds of lanes.</param>
public sealed record TrafficModel(string Name, string Source, LaneRule Rule, ImmutableArray<LaneKind> Kinds)
{
    /// <summary>How it enters combinations.</summary>
    public TrafficRole Role { get; init; }

    /// <summary>Width of a lane (m).</summary>
    public double LaneWidth { get; init; } = 3;

    /// <summary>Least distance of a wheel from the edge of its lane (m); null where it runs in the middle.</summary>
    public double? Margin { get; init; }

    /// <summary>
    /// The part of its load by which a right wheel has more and a left one less, as on a curve; the load of axles stays.
    /// </summary>
    public double Uneven { get; init; }

    /// <summary>Offsets of the middles of tracks (m).</summary>
    public ImmutableArray<double> Tracks { get; init; } = [0];

    /// <summary>Where loads on a track lie, right of its middle (m).</summary>
    public ImmutableArray<double> Rails { get; init; } = [-0.75, 0.75];

    /// <summary>How far to both sides of a track the load may stand (m).</summary>
    public double Aside { get; init; }

    /// <summary>Load on the rest of the carriageways on adverse parts (N/m²).</summary>
    public double Rest { get; init; }

    /// <summary>Factors by the number of loaded lanes; the last goes on.</summary>
    public ImmutableArray<double> Presence { get; init; } = [1];

    /// <summary>What is left out, in words; null for nothing.</summary>
    public string? LeftOut { get; init; }

    /// <summary>
    /// The same in lanes that lie where they are put, with vehicles as near to their edges as a margin lets them; trains stay on tracks.
    /// </summary>
    /// <param name="lanes">The lanes; empty for anywhere.</param>
    /// <param name="margin">The margin (m); null for that of the model.</param>
    public TrafficModel In(ImmutableArray<FixedLane> lanes, double? margin) =>
        Rule == LaneRule.Track || (lanes.IsEmpty && margin is null)
            ? this
            : this with
            {
                Kinds = [.. Kinds.Select(k => k with { Lanes = lanes, Margin = margin })],
            };

    /// <summary>The same with another dynamic factor on its vehicles; trains have that of railway traffic.</summary>
    public TrafficModel With(double dynamic)
    {
        LaneLoad Of(LaneLoad load) => load.Vehicle is null ? load : load with { Dynamic = dynamic };
        return Rule == LaneRule.Track ? this : this with { Kinds = [.. Kinds.Select(k => k with { Loads = [.. k.Loads.Select(Of)] })] };
    }

    /// <summary>The model without dynamic factors and factors by number of lanes.</summary>
    public TrafficModel Static() =>
        this with
        {
            Presence = [1],
            Kinds = [.. Kinds.Select(k => k with { Loads = [.. k.Loads.Select(l => l with { Dynamic = 1 })] })],
        };
}
