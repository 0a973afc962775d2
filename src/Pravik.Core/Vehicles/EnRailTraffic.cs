using System.Collections.Immutable;

namespace Pravik.Core.Vehicles;

/// <summary>Rail traffic of EN 1991-2, one track, without α and dynamic factors; rails 1.5 m apart.</summary>
public static class EnRailTraffic
{
    private const double kN = 1000;
    private const double Rails = 1.5;
    private const string LeftOut = "α, dynamic factors, eccentricity; one track along the road line";

    /// <summary>All of them.</summary>
    public static ImmutableArray<TrafficModel> All { get; } =
    [
        Train(
            "LM71",
            "EN 1991-2 6.3.2",
            new LaneLoad("LM71")
            {
                Vehicle = new("four axles", Vehicle.Alike(4, 250 * kN, 1.6)) { WheelSpacing = Rails },
                Line = 80 * kN,
                LineClear = 0.8,
            },
            new LaneLoad("LM71, line load alone") { Line = 80 * kN }
        ),
        Heavy("SW/0", 133 * kN, 15, 5.3),
        Heavy("SW/2", 150 * kN, 25, 7),
        Train("unloaded train", "EN 1991-2 6.3.4", new LaneLoad("unloaded train") { Line = 10 * kN }),
    ];

    private static TrafficModel Heavy(string name, double load, double length, double apart) =>
        Train(
            name,
            "EN 1991-2 6.3.3, Table 6.1",
            new LaneLoad(name)
            {
                Vehicle = new("two stretches", [])
                {
                    Stretches = [new(load, 0, length), new(load, length + apart, length)],
                    WheelSpacing = Rails,
                },
            }
        );

    private static TrafficModel Train(string name, string source, params ImmutableArray<LaneLoad> loads) =>
        new(name, source, LaneRule.Track, [new(1, loads)]) { LaneWidth = Rails, LeftOut = LeftOut };
}
