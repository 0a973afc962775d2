using Pravik.Core.Codes;
using Pravik.Core.Loads;
using Pravik.Core.Places;

namespace Pravik.Core.Effects;

/// <summary>What a curve does to road traffic, where it is sharpest on the deck.</summary>
public sealed class CurveTraffic
{
    private const double Gravity = 9.81;

    /// <summary>Usual distance of the wheels of a truck: 6 ft.</summary>
    private const double Wheels = 6 * 0.3048;

    /// <param name="geometry">The bridge.</param>
    public CurveTraffic(BridgeGeometry geometry)
    {
        var line = geometry.Road.Line;
        var sharpest = geometry.Stations(200).MaxBy(s => Math.Abs(line.Curvature(s)));
        Curvature = line.Curvature(sharpest);
        Centrifugal = TrafficForceCases.CentrifugalOn(geometry, geometry.UnitAt(sharpest), Curvature).Force;
        var (left, right) = geometry.Road.Crossfalls.At(sharpest);
        // Positive where the outer side is higher: a right turn has it on the left.
        Lean = -Math.Sign(Curvature) * (right - left) / 2;
        if (Curvature == 0 || geometry.Bridge.Traffic.Speed is not { } speed)
            return;
        var radius = 1 / Math.Abs(Curvature);
        var factor =
            geometry.Bridge.Basis.Standard == Standard.Lrfd
                ? TrafficForces.LrfdCentrifugalFactor(radius, speed)
                : speed * speed / (Gravity * radius);
        Uneven = -Math.Sign(Curvature) * Math.Clamp(TrafficForces.Uneven(factor, Lean, TrafficForces.LrfdHeight, Wheels), -0.9, 0.9);
    }

    /// <summary>Greatest curvature of the road line on the deck (1/m), positive turning right.</summary>
    public double Curvature { get; }

    /// <summary>Centrifugal force of road traffic there (N).</summary>
    public double Centrifugal { get; }

    /// <summary>Crossfall there, positive where the outer side is higher.</summary>
    public double Lean { get; }

    /// <summary>
    /// The part of its load by which a right wheel has more there, by the centrifugal force 6 ft above the road over wheels 6 ft apart,
    /// less what the crossfall takes of it; null without a speed.
    /// </summary>
    public double? Uneven { get; }
}
