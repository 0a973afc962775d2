using System.Collections.Immutable;
using Pravik.Core.Codes;

namespace Pravik.Core.Vehicles;

/// <summary>All traffic models that ship.</summary>
public static class TrafficModels
{
    /// <summary>Models with the values of a national set.</summary>
    public static ImmutableArray<TrafficModel> All(NationalValues values) =>
        [.. EnRoadTraffic.All(values), .. EnRailTraffic.All, .. LrfdTraffic.All];

    /// <summary>The model of a name, whatever its case; null where there is none.</summary>
    public static TrafficModel? Named(string name, NationalValues values) =>
        All(values).FirstOrDefault(m => m.Name.Equals(name.Trim(), StringComparison.OrdinalIgnoreCase));

    /// <summary>The model of a name, or the own vehicle; null where there is neither.</summary>
    public static TrafficModel? Named(string name, NationalValues values, ImmutableArray<Vehicle> own) =>
        own.FirstOrDefault(v => v.Name.Equals(name.Trim(), StringComparison.OrdinalIgnoreCase)) is { } vehicle
            ? Of(vehicle, values)
            : Named(name, values);

    /// <summary>An own vehicle in one notional lane, with nothing beside it.</summary>
    public static TrafficModel Of(Vehicle vehicle, NationalValues values) =>
        new(vehicle.Name, "own vehicle", LaneRule.Notional, [new(1, [new(vehicle.Name) { Vehicle = vehicle, Dynamic = vehicle.Dynamic }])])
        {
            LaneWidth = values["laneWidth"],
            Role = TrafficRole.Special,
            LeftOut = "traffic beside the vehicle",
        };
}
