using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Trusses;

/// <summary>Vehicles that can be added to a scheme: the vehicles of standard traffic models that are axles at fixed distances.</summary>
public static class TrussVehicles
{
    private static readonly string[] Models = ["FLM3", "FLM4", "LM3 900/150", "HL-93", TrafficModels.FatigueTruck];

    /// <summary>Those of EN 1991-2 and AASHTO LRFD, without the uniform loads that go with some of them.</summary>
    public static ImmutableArray<TrussVehicle> Standard { get; } = [.. Read()];

    /// <summary>A vehicle of an office or of a model; null where it has a gap that is sought, stretches or no axles.</summary>
    public static TrussVehicle? Of(Vehicle vehicle) =>
        vehicle.Axles.IsEmpty || !vehicle.Stretches.IsEmpty || vehicle.Axles.Any(a => a.MostGap is not null)
            ? null
            : new()
            {
                Name = vehicle.Name,
                Axles = [.. vehicle.Axles.Select(a => new TrussAxle(a.Load, a.Gap))],
                Dynamic = Math.Clamp(vehicle.Dynamic, 0.5, 3),
            };

    private static IEnumerable<TrussVehicle> Read()
    {
        yield return new();
        var all = TrafficModels.All(NationalValues.Named(NationalValues.Recommended)!);
        var vehicles = all.Where(m => Models.Contains(m.Name)).SelectMany(m => m.Kinds).SelectMany(k => k.Loads).Select(l => l.Vehicle);
        foreach (var vehicle in vehicles.OfType<Vehicle>().DistinctBy(v => v.Name))
        {
            if (Of(vehicle) is { } found)
                yield return found;
        }
    }
}
