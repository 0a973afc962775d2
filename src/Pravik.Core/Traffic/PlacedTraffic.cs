using System.Collections.Immutable;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>A loaded lane.</summary>
/// <param name="Kind">The kind of lane, from 1: the number of the lane where each kind is one lane.</param>
/// <param name="From">Offset of its left edge (m).</param>
/// <param name="Width">Its width (m).</param>
/// <param name="Load">What loads it.</param>
public sealed record PlacedLane(int Kind, double From, double Width, LaneLoad Load)
{
    /// <summary>The vehicle, or line loads along wheel lines; null for none.</summary>
    public PlacedVehicle? Vehicle { get; init; }

    /// <summary>Offset of the vehicle's middle (m).</summary>
    public double Offset { get; init; }

    /// <summary>Load on adverse parts of a strip along the lane: its left edge and width (m), and N/m².</summary>
    public (double From, double Width, double Load)? Strip { get; init; }

    /// <summary>The part of its load by which a right wheel has more and a left one less.</summary>
    public double Uneven { get; init; }

    /// <summary>Its wheels on the deck: station, offset from the road line (m), and load (N) before factors.</summary>
    public IEnumerable<(double Station, double Offset, double Load)> Wheels =>
        Vehicle?.Wheels.Select(w => (w.Station, Offset + w.Across, w.Load * (1 + Math.Sign(w.Across) * Uneven))) ?? [];

    /// <summary>The run of wheels that the vehicle takes.</summary>
    internal int Run { get; init; } = -1;
}

/// <summary>A traffic model where it is worst for an effect.</summary>
/// <param name="OfVehicles">What vehicles give, all factors in it.</param>
/// <param name="Distributed">What loads on adverse parts of lanes and carriageways give.</param>
/// <param name="Presence">Factor by the number of loaded lanes.</param>
/// <param name="Rest">Load on adverse parts of the carriageways (N/m²).</param>
/// <param name="Lanes">Loaded lanes from the left.</param>
public sealed record PlacedTraffic(double OfVehicles, double Distributed, double Presence, double Rest, ImmutableArray<PlacedLane> Lanes)
{
    /// <summary>No traffic.</summary>
    public static PlacedTraffic None { get; } = new(0, 0, 1, 0, []);

    /// <summary>The value of the effect, all factors in it.</summary>
    public double Value => OfVehicles + Distributed + 0.0;
}
