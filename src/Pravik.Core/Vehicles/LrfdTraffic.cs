using System.Collections.Immutable;

namespace Pravik.Core.Vehicles;

/// <summary>Road traffic of AASHTO LRFD 3.6.1.</summary>
public static class LrfdTraffic
{
    private const double kip = 4448.2216152605;
    private const double ft = 0.3048;
    private const double Allowance = 1.33;
    private const double FatigueAllowance = 1.15;

    /// <summary>Distance of wheels (3.6.1.2.2).</summary>
    private const double Wheels = 6 * ft;

    /// <summary>Lane load 0.64 klf over a width of 10 ft (3.6.1.2.4).</summary>
    private const double Lane = 0.64 * kip / ft;

    /// <summary>All of them.</summary>
    public static ImmutableArray<TrafficModel> All { get; } =
    [
        Model("HL-93", "AASHTO LRFD 3.6.1.2, 3.6.1.3", 99, WithLane(Truck), WithLane(Tandem), OverPiers) with
        {
            LeftOut = "the limit of 90 % of two trucks to places between points of contraflexure: it is put on every hogging moment",
        },
        Model("HL-93 truck", "AASHTO LRFD 3.6.1.2.2", 1, Alone(Truck, Allowance)),
        Model("HL-93 tandem", "AASHTO LRFD 3.6.1.2.3", 1, Alone(Tandem, Allowance)),
        Model("HL-93 lane", "AASHTO LRFD 3.6.1.2.4", 1, WithLane(null)),
        Model("HL-93 two trucks", "AASHTO LRFD 3.6.1.3.1", 1, Alone(TwoTrucks, Allowance)),
        Model("fatigue truck", "AASHTO LRFD 3.6.1.4", 1, Alone(FatigueTruck, FatigueAllowance)) with
        {
            Presence = [1],
        },
    ];

    private static Vehicle Truck =>
        new("truck", [new(8 * kip, 0), new(32 * kip, 14 * ft), new(32 * kip, 14 * ft) { MostGap = 30 * ft }])
        {
            WheelSpacing = Wheels,
            OnlyWorsening = true,
        };

    private static Vehicle Tandem => new("tandem", Vehicle.Alike(2, 25 * kip, 4 * ft)) { WheelSpacing = Wheels, OnlyWorsening = true };

    private static Vehicle FatigueTruck =>
        new("fatigue truck", Vehicle.Of([8 * kip, 32 * kip, 32 * kip], [14 * ft, 30 * ft])) { WheelSpacing = Wheels, OnlyWorsening = true };

    private static Vehicle TwoTrucks =>
        new(
            "two trucks",
            [
                new(8 * kip, 0),
                new(32 * kip, 14 * ft),
                new(32 * kip, 14 * ft),
                new(8 * kip, 50 * ft) { MostGap = double.PositiveInfinity },
                new(32 * kip, 14 * ft),
                new(32 * kip, 14 * ft),
            ]
        )
        {
            WheelSpacing = Wheels,
            OnlyWorsening = true,
        };

    private static LaneLoad OverPiers =>
        WithLane(TwoTrucks) with
        {
            Name = "90 % of two trucks and lane load",
            Factor = 0.9,
            OnlyOverPiers = true,
        };

    private static LaneLoad Alone(Vehicle vehicle, double dynamic) => new(vehicle.Name) { Vehicle = vehicle, Dynamic = dynamic };

    private static LaneLoad WithLane(Vehicle? vehicle) =>
        new(vehicle is null ? "lane load" : $"{vehicle.Name} and lane load")
        {
            Vehicle = vehicle,
            Dynamic = Allowance,
            Line = Lane,
            LineWidth = 10 * ft,
        };

    /// <summary>Lanes of 12 ft, wheels at least 2 ft from their edges, factors by the number of loaded lanes (Table 3.6.1.1.2-1).</summary>
    private static TrafficModel Model(string name, string source, int lanes, params ImmutableArray<LaneLoad> loads) =>
        new(name, source, LaneRule.Design, [new(lanes, loads)])
        {
            LaneWidth = 12 * ft,
            Margin = 2 * ft,
            Presence = [1.2, 1, 0.85, 0.65],
        };
}
