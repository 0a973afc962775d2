using System.Collections.Immutable;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>A vehicle where it is worst.</summary>
/// <param name="Of">The vehicle; null for line loads alone.</param>
/// <param name="Value">What it adds to the effect.</param>
/// <param name="First">Station of its first axle, or of the beginning of its first stretch (m).</param>
/// <param name="Direction">1 where it goes ahead, −1 back.</param>
public sealed record PlacedVehicle(Vehicle? Of, double Value, double First, int Direction)
{
    /// <summary>The gap that is sought, where it is (m); 0 without one.</summary>
    public double Gap { get; init; }

    /// <summary>Axles that are left out because they would relieve, a bit for each.</summary>
    public ulong LeftOut { get; init; }

    /// <summary>Line loads (N/m) from station to station.</summary>
    public ImmutableArray<(double From, double To, double Load)> Lines { get; init; } = [];

    /// <summary>Stations of the axles that act, each with its load (N), also of those beyond the deck's ends.</summary>
    public IEnumerable<(double Station, double Load)> Axles => Acting.Select(a => (a.Station, a.Axle.Load));

    /// <summary>Their wheels: station, place right of the middle (m), and load (N).</summary>
    public IEnumerable<(double Station, double Across, double Load)> Wheels
    {
        get
        {
            foreach (var (station, axle) in Acting)
            {
                var wheels = Of!.WheelsOf(axle);
                foreach (var across in wheels)
                    yield return (station, Direction * across, axle.Load / wheels.Length);
            }
        }
    }

    private IEnumerable<(double Station, Axle Axle)> Acting
    {
        get
        {
            if (Of is null)
                yield break;
            double at = 0;
            for (var i = 0; i < Of.Axles.Length; i++)
            {
                var axle = Of.Axles[i];
                at +=
                    i == 0 ? 0
                    : axle.MostGap is null ? axle.Gap
                    : Gap;
                if ((LeftOut >> i & 1) == 0)
                    yield return (First - Direction * at, axle);
            }
        }
    }

    /// <summary>A vehicle at its extreme.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="at">Where it is, per load.</param>
    /// <param name="profile">The surface along its wheels, where axles that relieve are left out; else null.</param>
    /// <param name="isGreatest">Which value it gives.</param>
    internal static PlacedVehicle At(Vehicle vehicle, VehicleExtreme at, LineProfile? profile, bool isGreatest)
    {
        var (length, gap) = (0.0, 0.0);
        if (!double.IsNaN(at.Second))
        {
            var shape = VehicleShape.Of(vehicle);
            var lead = at.IsTurned ? shape.Turned().Lead : shape.Lead;
            gap = at.Lead - lead.Length - at.Second;
        }
        foreach (var axle in vehicle.Axles.Skip(1))
            length += axle.MostGap is null ? axle.Gap : gap;
        var placed = new PlacedVehicle(vehicle, vehicle.AxleLoad * at.Value, at.IsTurned ? at.Lead - length : at.Lead, at.IsTurned ? -1 : 1)
        {
            Gap = gap,
        };
        if (profile is null)
            return placed;
        var (left, number) = (0UL, 0);
        foreach (var (station, _) in placed.Axles)
        {
            if ((isGreatest ? 1 : -1) * profile.At(station) <= 0)
                left |= 1UL << number;
            number++;
        }
        return placed with { LeftOut = left };
    }
}
