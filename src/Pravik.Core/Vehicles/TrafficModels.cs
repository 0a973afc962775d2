using System.Collections.Immutable;
using Pravik.Core.Codes;

namespace Pravik.Core.Vehicles;

/// <summary>All traffic models that ship.</summary>
public static class TrafficModels
{
    /// <summary>Models with the values of a national set.</summary>
    public static ImmutableArray<TrafficModel> All(NationalValues values) =>
        [.. EnRoadTraffic.All(values), .. EnRailTraffic.All, .. LrfdTraffic.All];

    /// <summary>Name of the truck of AASHTO LRFD 3.6.1.4.</summary>
    public const string FatigueTruck = "fatigue truck";

    /// <summary>The model that always acts: load model 1, or HL-93.</summary>
    public static TrafficModel Usual(Standard standard, NationalValues values) =>
        Named(standard == Standard.Lrfd ? "HL-93" : "LM1", values)!;

    /// <summary>Whether a model that is named enters a generated combination.</summary>
    public static bool IsCombined(Standard standard, TrafficModel model) =>
        standard == Standard.Lrfd
            ? model.Role == TrafficRole.Special || model.Name is "HL-93" or FatigueTruck
            : model.Role != TrafficRole.Shown;

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
