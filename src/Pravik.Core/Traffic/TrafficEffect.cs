using System.Collections.Immutable;

namespace Pravik.Core.Traffic;

/// <summary>A loaded lane: its number, the offset of its left edge, its width, and the station of the middle of its tandem.</summary>
public sealed record LoadedLane(int Number, double From, double Width, double? TandemStation);

/// <summary>
/// The worst of load model 1 for one effect and sign: the part of the tandems, the part of the distributed loads (lanes and
/// remaining area, on adverse parts only), and where the lanes lie.
/// </summary>
public sealed record TrafficEffect(double Tandem, double Distributed, ImmutableArray<LoadedLane> Lanes)
{
    public double Total => Tandem + Distributed;
}

/// <summary>
/// Traffic on one effect: worst upward and downward, each for the characteristic values and for the frequent ones (whose other
/// weights can prefer another place), and the adverse integral of the footways for a unit load (effect per N/m²).
/// </summary>
public sealed record TrafficRange(
    TrafficEffect Max,
    TrafficEffect Min,
    TrafficEffect FrequentMax,
    TrafficEffect FrequentMin,
    double FootwayMax,
    double FootwayMin
);
