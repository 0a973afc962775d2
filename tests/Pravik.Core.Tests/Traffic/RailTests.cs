using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Traffic;
using Pravik.Core.Validation;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Railway traffic on tracks: α, Φ, eccentricity, two tracks, and its combinations.</summary>
public class RailTests
{
    /// <summary>EN 1991-2 Table 6.2 and 6.4.5.2 by hand: Φ₂ = 1.44/(√L − 0.2) + 0.82, Φ₃ = 2.16/(√L − 0.2) + 0.73, within their bounds.</summary>
    [Theory]
    [InlineData(20.0, new[] { 20.0 }, 1.1571, 1.2356)]
    [InlineData(26.0, new[] { 18.0, 24, 18 }, 1.1139, 1.1709)]
    [InlineData(3.0, new[] { 3.0 }, 1.67, 2)]
    [InlineData(140.0, new[] { 140.0 }, 1, 1)]
    public void Dynamic_factors_follow_the_determinant_length(double length, double[] spans, double careful, double standard)
    {
        Assert.Equal(length, EnRailTraffic.DeterminantLength(spans), 1e-9);
        Assert.Equal(careful, EnRailTraffic.DynamicFactor(length, true), 1e-4);
        Assert.Equal(standard, EnRailTraffic.DynamicFactor(length, false), 1e-4);
    }

    private static Bridge With(Bridge bridge, RailChoices rail, params string[] models) =>
        bridge with
        {
            Traffic = new() { Rail = rail, Models = [.. models.Select(m => new TrafficUse { Name = m })] },
        };

    private static Bridge Line(RailChoices rail, params string[] models) =>
        With(
            TestBridges.OneGirder(20) with
            {
                Model = new() { Kind = ModelKind.Line, Divisions = 40 },
            },
            rail,
            models
        );

    /// <summary>
    /// With the train about midspan axles give 4200 kNm wherever no load crosses the peak, and the line load 1849.6 + 40·d² with the train d
    /// aside: as points the worst has an axle on the peak, d = 0.8, 6075.2 kNm; on three sleepers 0.6 m apart the first quarter comes there
    /// at d = 0.2, 6051.2 kNm. The loads in all stay, and where the line load begins.
    /// </summary>
    [Fact]
    public void Sleepers_cut_the_peak_and_keep_the_load()
    {
        double Of(double? sleepers, out TrafficModel model)
        {
            var bridge = Line(new() { Sleepers = sleepers }, "LM71");
            var results = ModelRun.Run(new(bridge));
            var middle = Array.FindIndex([.. results.Points], p => Math.Abs(p.Fraction - 0.5) < 1e-9);
            model = results.Traffic!["LM71"].Model!;
            return results.Traffic["LM71"].Greatest[middle, GirderEffect.M];
        }
        var points = Of(null, out var bare);
        var spread = Of(0.6, out var model);
        Assert.Equal(bare.Kinds[0].Loads[0].Vehicle!.AxleLoad, model.Kinds[0].Loads[0].Vehicle!.AxleLoad, 1e-6);
        Assert.Equal(0.8, 0.6 + model.Kinds[0].Loads[0].LineClear!.Value, 1e-9);
        Assert.Equal(6075.2e3, points, 100.0);
        Assert.Equal(6051.2e3, spread, 100.0);
    }

    /// <summary>
    /// Under ballast every sleeper's part is even over its width and half the depth more: the worst of all places of the train, by summing
    /// the peak’s triangle over a thousand strips of each; two points stand for a part here, 0.01 %.
    /// </summary>
    [Fact]
    public void Ballast_spreads_axles_along()
    {
        const double Depth = 0.5;
        var rail = new RailChoices { Sleepers = 0.6, Ballast = Depth };
        var bridge = Line(rail, "LM71");
        var results = ModelRun.Run(new(bridge));
        var middle = Array.FindIndex([.. results.Points], p => Math.Abs(p.Fraction - 0.5) < 1e-9);
        var wide = 0.28 + Depth / 2;
        double Ordinate(double x) => Math.Max(0, 5 - Math.Abs(x) / 2);
        double Mean(double x) => Enumerable.Range(0, 1000).Average(i => Ordinate(x + ((i + 0.5) / 1000 - 0.5) * wide));
        double OfAxle(double x) => 250e3 * (Mean(x - 0.6) / 4 + Mean(x) / 2 + Mean(x + 0.6) / 4);
        double Lines(double d) => 80e3 * (Math.Pow(10 - 3.2 - d, 2) + Math.Pow(10 - 3.2 + d, 2)) / 4;
        double At(double d) => new[] { -2.4, -0.8, 0.8, 2.4 }.Sum(a => OfAxle(a + d)) + Lines(d);
        var worst = Enumerable.Range(0, 160).Max(i => At(i * 0.01));
        Assert.Equal(worst, results.Traffic!["LM71"].Greatest[middle, GirderEffect.M], 2e-4 * worst);
    }

    /// <summary>
    /// A track over a girder by the lever rule: of rails g apart it carries 1 − g/(2s), of a load even over a width w 1 − w/(4s), s the
    /// distance of girders.
    /// </summary>
    [Theory]
    [InlineData(1.5, null)]
    [InlineData(1.06, null)]
    [InlineData(1.5, 0.3)]
    [InlineData(1.5, 0.9)]
    public void Rails_and_ballast_spread_loads_across(double gauge, double? ballast)
    {
        var deck = TestBridges.Symmetric(0, 20) with
        {
            Model = new() { Kind = ModelKind.Line, Divisions = 8 },
        };
        var geometry = new BridgeGeometry(deck);
        double Offset(int girder) => geometry.GirderOffsetAt(geometry.Girders[girder], 40)!.Value;
        var (over, spacing) = (Offset(1), Offset(2) - Offset(1));
        var rail = new RailChoices
        {
            Tracks = [new() { Offset = over }],
            Gauge = gauge,
            Ballast = ballast,
        };
        var results = ModelRun.Run(new(With(deck, rail, "unloaded train")));
        var middle = Array.FindIndex([.. results.Points], p => p.Girder == 1 && Math.Abs(p.Fraction - 0.5) < 1e-9);
        var share = ballast is { } depth ? 1 - (2.6 + depth / 2) / (4 * spacing) : 1 - gauge / (2 * spacing);
        Assert.Equal(share * 10e3 * 20 * 20 / 8, results.Traffic!["unloaded train"].Greatest[middle, GirderEffect.M], 1.0);
    }

    /// <summary>
    /// A line girder of 20 m: 250·(L − 3.2) + 20·[(L/2 − 2.4)² + (L/2 − 4)²] = 6075 kNm under load model 71 with an axle over the middle,
    /// times α = 1.21 and Φ₃ = 1.2356; nothing for SW/2 but Φ. In the ultimate combination with γ = 1.45.
    /// </summary>
    [Fact]
    public void Factors_count_on_the_models_to_which_they_belong()
    {
        var rail = new RailChoices { Alpha = 1.21, Care = TrackCare.Standard };
        var bridge = Line(rail, "LM71", "SW/2");
        var results = ModelRun.Run(new(bridge));
        var middle = Array.FindIndex([.. results.Points], p => Math.Abs(p.Fraction - 0.5) < 1e-9);
        var bare = ModelRun.Run(new(Line(new(), "LM71", "SW/2")));
        double Of(ModelResults r, string model) => r.Traffic![model].Greatest[middle, GirderEffect.M];
        var factor = EnRailTraffic.DynamicFactor(20, false);
        Assert.InRange(Of(bare, "LM71"), 6075.2e3 * 0.9999, 6075.2e3 * 1.003);
        Assert.Equal(1.21 * factor * Of(bare, "LM71"), Of(results, "LM71"), 1e-6 * Of(results, "LM71"));
        Assert.Equal(factor * Of(bare, "SW/2"), Of(results, "SW/2"), 1e-6 * Of(results, "SW/2"));
        var effects = new BridgeEffects(bridge, results);
        var worst = Math.Max(Of(results, "LM71"), Of(results, "SW/2"));
        var parts = effects.Find(new("ultimate.rail"))!.Parts(results.Layout.At(middle, GirderEffect.M), true);
        Assert.Equal(1.45 * worst, parts.Where(p => p.Of.Name is "LM71" or "SW/2").Sum(p => p.Value), 1e-6 * worst);
        Assert.Null(new BridgeEffects(Line(rail), ModelRun.Run(new(Line(rail)))).Find(new("ultimate.rail")));
    }

    /// <summary>
    /// Two tracks load a deck as much as each of them where both worsen; one that relieves stays empty. Loads stand up to 83 mm beside the
    /// track.
    /// </summary>
    [Fact]
    public void Tracks_are_loaded_where_they_worsen()
    {
        var bridge = TestBridges.Symmetric(0, 20) with { Model = new() { Divisions = 10 } };
        static RailChoices Tracks(params double[] offsets) =>
            new() { Tracks = [.. offsets.Select(o => new Track { Offset = o })], Alpha = 1.1 };
        TrafficEnvelope Of(params double[] offsets)
        {
            var choices = With(bridge, Tracks(offsets), "LM71");
            return ModelRun.Run(new(choices)).Traffic!["LM71"];
        }
        var (both, left, right) = (Of(-2, 2), Of(-2), Of(2));
        var layout = both.Layout;
        var points = Enumerable.Range(0, layout.Points.Length).ToList();
        foreach (var p in points)
        {
            var at = layout.At(p, GirderEffect.M);
            Assert.Equal(left.Greatest[at] + right.Greatest[at], both.Greatest[at], 1e-6 * both.Greatest[at] + 1);
            Assert.Equal(left.Least[at] + right.Least[at], both.Least[at], 1e-6 * both.Greatest[at] + 1);
        }
        // The deck is the same on both sides: so is what the tracks do.
        var (first, last) = (
            points.First(p => layout.Points[p] is { Girder.Value: 0, Fraction: > 0.45 }),
            points.Last(p => layout.Points[p].Fraction > 0.45 && layout.Points[p].Fraction < 0.55)
        );
        Assert.Equal(
            left.Greatest[first, GirderEffect.M],
            right.Greatest[last, GirderEffect.M],
            1e-6 * left.Greatest[first, GirderEffect.M]
        );
        var loading = both.Loading(layout.At(first, GirderEffect.M), true)!;
        Assert.Equal(-2 - 1.5 / 18, loading.Lanes[0].Offset, 1e-9);
        Assert.True(loading.Lanes.Length is 1 or 2);
    }

    /// <summary>Beside SW/2 on one track load model 71 goes on the other; three tracks count 0.75.</summary>
    [Fact]
    public void Heavy_traffic_goes_on_one_track()
    {
        var values = TestBridges.Demo.Basis.Values;
        var heavy = EnRailTraffic.On(TrafficModels.Named("SW/2", values)!, [-4, 0, 4], 1.21, 1.1, new());
        Assert.Equal([1, 2], heavy.Kinds.Select(k => k.Most));
        Assert.Equal([1, 1, 0.75], heavy.Presence.ToArray());
        Assert.Equal(1, heavy.Kinds[0].Loads[0].Factor);
        Assert.All(heavy.Kinds[1].Loads, l => Assert.Equal((1.21, 1.1), (l.Factor, l.Dynamic)));
        Assert.Single(EnRailTraffic.On(TrafficModels.Named("SW/2", values)!, [0], 1, 1, new()).Kinds);
        Assert.All(
            EnRailTraffic.On(TrafficModels.Named("unloaded train", values)!, [0], 1.21, 1.3, new()).Kinds[0].Loads,
            l => Assert.Equal((1.0, 1.0), (l.Factor, l.Dynamic))
        );
    }

    [Fact]
    public void What_is_missing_or_off_the_deck_is_told()
    {
        string[] Told(Bridge bridge) =>
            [
                .. BridgeValidation
                    .Check(bridge)
                    .Where(f => f.Path.StartsWith("/traffic", StringComparison.Ordinal))
                    .Select(f => $"{f.Path} {f.Message}"),
            ];
        var bridge = TestBridges.Symmetric(0, 20);
        Assert.Empty(Told(With(bridge, new() { Care = TrackCare.Careful }, "LM71")));
        Assert.Contains("/traffic/rail/care No dynamic factor is applied to LM71", Assert.Single(Told(With(bridge, new(), "LM71"))));
        var wide = new RailChoices { Tracks = [new() { Offset = 30 }], Care = TrackCare.Careful };
        Assert.Contains(
            "/traffic/rail/tracks/0/offset A rail of track 1 lies off the deck",
            Assert.Single(Told(With(bridge, wide, "LM71")))
        );
        Assert.Contains("enters no generated combination", Assert.Single(Told(With(bridge, new(), "HL-93"))));
        Assert.Contains("/traffic/rail/alpha", Assert.Single(Told(With(bridge, new() { Alpha = 9 }))));
        Assert.Equal(1, TrafficPlan.DynamicFactor(new BridgeGeometry(bridge)));
        Assert.Equal(1.3, TrafficPlan.DynamicFactor(new BridgeGeometry(With(bridge, new() { Dynamic = 1.3 }))));
    }
}
