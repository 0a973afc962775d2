using System.Collections.Immutable;

namespace Pravik.Core.Vehicles;

/// <summary>
/// Rail traffic of EN 1991-2, one track, without α and dynamic factors; rails 1.5 m apart, unless the track says otherwise.
/// </summary>
public static class EnRailTraffic
{
    private const double kN = 1000;
    private const double Rails = 1.5;
    private const string LeftOut = "α, dynamic factor, eccentricity, one track along the road line; horizontal forces act in combinations";
    private const string LeftOutOnTracks = "horizontal forces, which combinations add, and the combined response of structure and track";

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

    /// <summary>
    /// A model on the tracks of a bridge: every track may be loaded (6.8.1), from three on with 0.75 of it. α and Φ count on load model 71
    /// and SW/0, Φ also on SW/2, beside which load model 71 goes on the other tracks; load model 71 and SW/0 stand up to r/18 beside the
    /// track (6.3.5), r the distance of the rails.
    /// </summary>
    /// <param name="model">Load model 71, SW/0, SW/2 or the unloaded train.</param>
    /// <param name="tracks">Offsets of the tracks (m); at least one.</param>
    /// <param name="alpha">α.</param>
    /// <param name="dynamic">Φ.</param>
    /// <param name="bed">How the track brings it to the deck.</param>
    public static TrafficModel On(TrafficModel model, ImmutableArray<double> tracks, double alpha, double dynamic, TrackBed bed)
    {
        ImmutableArray<LaneLoad> Loads(TrafficModel of)
        {
            var (factor, phi) = (of.Name is "LM71" or "SW/0" ? alpha : 1, of.Name == "unloaded train" ? 1 : dynamic);
            return [.. of.Kinds[0].Loads.Select(l => OnBed(l, bed) with { Factor = factor, Dynamic = phi })];
        }
        var isHeavy = model.Name == "SW/2";
        ImmutableArray<LaneKind> kinds = isHeavy
            ? [new(1, Loads(model)), new(tracks.Length - 1, Loads(All[0]))]
            : [new(tracks.Length, Loads(model))];
        return model with
        {
            Tracks = tracks,
            Rails = bed.Across,
            LaneWidth = bed.Gauge,
            Kinds = [.. kinds.Where(k => k.Most > 0)],
            Aside = model.Name is "LM71" or "SW/0" ? bed.Gauge / 18 : 0,
            Presence = [1, 1, 0.75],
            LeftOut = LeftOutOnTracks,
        };
    }

    /// <summary>Every axle in its parts on sleepers and under the ballast. Line loads are even along, and stay beside the axles.</summary>
    private static LaneLoad OnBed(LaneLoad load, TrackBed bed)
    {
        if (load.Vehicle is not { Axles.IsEmpty: false } vehicle)
            return load;
        List<(double At, double Load)> points = [];
        var at = bed.Reach;
        foreach (var axle in vehicle.Axles)
        {
            at += axle.Gap;
            points.AddRange(bed.Along.Select(p => (at + p.Ahead, axle.Load * p.Part)));
        }
        var together = points
            .GroupBy(p => Math.Round(p.At, 6))
            .OrderBy(g => g.Key)
            .Select(g => (At: g.Key, Load: g.Sum(p => p.Load)))
            .ToList();
        return load with
        {
            Vehicle = vehicle with
            {
                Axles = [.. together.Select((p, i) => new Axle(p.Load, i == 0 ? 0 : p.At - together[i - 1].At) { Wheels = bed.Across })],
                Stretches = [.. vehicle.Stretches.Select(s => s with { From = s.From + bed.Reach })],
            },
            LineClear = load.LineClear is { } clear ? clear - bed.Reach : null,
        };
    }

    /// <summary>
    /// Φ₂ = 1.44/(√L − 0.2) + 0.82 between 1 and 1.67 for carefully maintained track, Φ₃ = 2.16/(√L − 0.2) + 0.73 between 1 and 2 else
    /// (6.4.5.2(2)).
    /// </summary>
    /// <param name="length">Determinant length L_Φ (m).</param>
    /// <param name="isCareful">Whether the track is carefully maintained.</param>
    public static double DynamicFactor(double length, bool isCareful)
    {
        var root = Math.Sqrt(length) - 0.2;
        return isCareful ? Math.Clamp(1.44 / root + 0.82, 1, 1.67) : Math.Clamp(2.16 / root + 0.73, 1, 2);
    }

    /// <summary>
    /// Determinant length of main girders: the span of simple ones; of continuous ones k times the mean span, k = 1.2, 1.3, 1.4, 1.5 for
    /// 2, 3, 4, and 5 or more spans, at least the greatest (Table 6.2, cases 5.1 and 5.2).
    /// </summary>
    public static double DeterminantLength(IReadOnlyList<double> spans) =>
        Math.Max(spans.Max(), (1 + (spans.Count == 1 ? 0 : 0.1 * Math.Min(5, spans.Count))) * spans.Average());

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
        new(name, source, LaneRule.Track, [new(1, loads)])
        {
            LaneWidth = Rails,
            LeftOut = LeftOut,
            Role = TrafficRole.Rail,
        };
}
