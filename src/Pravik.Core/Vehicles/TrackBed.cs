using System.Collections.Immutable;

namespace Pravik.Core.Vehicles;

/// <summary>
/// How rails, sleepers and ballast bring what stands on a track to the deck (EN 1991-2 6.3.6): an axle as a quarter, a half and a quarter
/// on three sleepers, each sleeper's share even over its width and length, widened by the ballast at 4 to 1.
/// </summary>
public sealed record TrackBed
{
    /// <summary>Distance of the middles of the rails (m).</summary>
    public double Gauge { get; init; } = 1.5;

    /// <summary>Spacing of sleepers (m); null for axles where they stand.</summary>
    public double? Sleepers { get; init; }

    /// <summary>Depth of ballast from under the sleepers to the deck’s surface (m); null for loads where the rails are.</summary>
    public double? Ballast { get; init; }

    /// <summary>Length of a sleeper, across the track (m).</summary>
    public double SleeperLength { get; init; } = 2.6;

    /// <summary>Width of a sleeper, along the track (m).</summary>
    public double SleeperWidth { get; init; } = 0.28;

    /// <summary>Points across for which an even load stands: its mean is right to 1/128 of a kink times its width.</summary>
    private const int PointsAcross = 4;

    /// <summary>Points along for which an even load stands.</summary>
    private const int PointsAlong = 2;

    /// <summary>Depth over which the load spreads by 1 to each side.</summary>
    private const double Slope = 4;

    /// <summary>Where loads lie, right of the middle of the track (m), each with the same part of them.</summary>
    public ImmutableArray<double> Across => Ballast is null ? [-Gauge / 2, Gauge / 2] : Spread(SleeperLength, PointsAcross);

    /// <summary>Where the parts of an axle lie, ahead of it (m), and how large they are.</summary>
    public ImmutableArray<(double Ahead, double Part)> Along
    {
        get
        {
            (double Ahead, double Part)[] sleepers = Sleepers is { } s ? [(-s, 0.25), (0, 0.5), (s, 0.25)] : [(0, 1)];
            if (Ballast is null)
                return [.. sleepers];
            var around = Spread(SleeperWidth, PointsAlong);
            return [.. sleepers.SelectMany(p => around.Select(a => (p.Ahead + a, p.Part / PointsAlong)))];
        }
    }

    /// <summary>From an axle to the farthest of its parts (m).</summary>
    public double Reach => Along.Max(p => p.Ahead);

    private ImmutableArray<double> Spread(double size, int points)
    {
        var wide = size + 2 * (Ballast ?? 0) / Slope;
        return [.. Enumerable.Range(0, points).Select(i => ((i + 0.5) / points - 0.5) * wide)];
    }
}
