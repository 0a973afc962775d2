using System.Collections.Immutable;

namespace Pravik.Core.Traffic;

/// <summary>
/// A loaded lane: its number, the offset of its left edge, its width, and the station of the middle of its tandem (null for none).
/// </summary>
public sealed record LoadedLane(int Number, double From, double Width, double? TandemStation);

/// <summary>
/// Load model 1 where it is worst for an effect: the part of the tandems, the part of the distributed loads (lanes and remaining area,
/// on adverse parts only), both characteristic, and where the lanes lie.
/// </summary>
public sealed record TrafficLoading(double Tandem, double Distributed, ImmutableArray<LoadedLane> Lanes)
{
    /// <summary>No traffic.</summary>
    public static TrafficLoading None { get; } = new(0, 0, []);
}
