using System.Collections.Immutable;
using Pravik.Core.Models;

namespace Pravik.Core.Traffic;

/// <summary>A loaded lane.</summary>
/// <param name="Kind">The kind of lane, from 1: the number of the lane where each kind is one lane.</param>
/// <param name="From">Offset of its left edge (m).</param>
/// <param name="Width">Its width (m).</param>
/// <param name="Load">What loads it, in words.</param>
/// <param name="Factor">Factor on all of it, that by number of lanes left out.</param>
/// <param name="Dynamic">Factor on the vehicle beside that.</param>
public sealed record PlacedLane(int Kind, double From, double Width, string Load, double Factor, double Dynamic)
{
    /// <summary>The vehicle, or line loads along wheel lines; null for none.</summary>
    public PlacedVehicle? Vehicle { get; init; }

    /// <summary>Offset of the vehicle's middle (m).</summary>
    public double Offset { get; init; }

    /// <summary>Load on adverse parts of the lane beside that on the rest (N/m²).</summary>
    public double Area { get; init; }

    /// <summary>Load on adverse parts of a strip along the lane: its left edge and width (m), and N/m².</summary>
    public (double From, double Width, double Load)? Strip { get; init; }

    /// <summary>The wheel lines that the vehicle runs along.</summary>
    internal LanePositions.WheelRun? Run { get; init; }
}

/// <summary>A traffic model where it is worst for an effect.</summary>
/// <param name="Value">The value of the effect, all factors in it.</param>
/// <param name="Presence">Factor by the number of loaded lanes.</param>
/// <param name="Rest">Load on adverse parts of the carriageways (N/m²).</param>
/// <param name="Lanes">Loaded lanes from the left.</param>
/// <param name="Together">What the same loading does to every effect of the place.</param>
public sealed record PlacedTraffic(
    double Value,
    double Presence,
    double Rest,
    ImmutableArray<PlacedLane> Lanes,
    ImmutableDictionary<SurveyEffect, double> Together
);

/// <summary>Effects that a traffic model is put on by name.</summary>
public enum SurveyEffect
{
    /// <summary>Axial force in a girder (N).</summary>
    N,

    /// <summary>Shear in a girder (N).</summary>
    V,

    /// <summary>Torsion in a girder (Nm).</summary>
    T,

    /// <summary>Sagging moment of a girder (Nm).</summary>
    M,

    /// <summary>Upward reaction of a bearing (N).</summary>
    R,

    /// <summary>Deflection of a girder, up (m).</summary>
    D,
}

/// <summary>The greatest and the least value of an effect at a place under a traffic model.</summary>
/// <param name="Effect">The effect.</param>
/// <param name="Point">The place on a girder; of a reaction the end of the span at its bearing.</param>
/// <param name="Seat">The bearing; null for other effects.</param>
/// <param name="Greatest">The loading that gives the greatest value; its value is 0 where none raises it.</param>
/// <param name="Least">That which gives the least.</param>
public sealed record SurveyedEffect(SurveyEffect Effect, ModelPoint? Point, SeatPlace? Seat, PlacedTraffic Greatest, PlacedTraffic Least);
