using Pravik.Core.Codes;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Vehicles on influence lines of constant stiffness, against values worked out from the exact lines.</summary>
public class VehiclePlacingTests
{
    private const double ft = 0.3048;
    private const double kip = 4448.2216152605;
    private static readonly NationalValues Values = NationalValues.Named(NationalValues.Recommended)!;

    /// <summary>An influence line, straight between places 0.05 m apart or less.</summary>
    private static LineProfile Line(double length, Func<double, double> of, double at)
    {
        var count = (int)Math.Ceiling(length / 0.05);
        var stations = Enumerable.Range(0, count + 1).Select(i => length * i / count).Append(at).Distinct().Order().ToList();
        return new([.. stations.Select((s, i) => (s, of(s), of(s), i + 1 < stations.Count ? stations[i + 1] - s : 0))]);
    }

    private static Func<double, double> Simple(double l, double a) =>
        x =>
            x < 0 || x > l ? 0
            : x < a ? x * (l - a) / l
            : a * (l - x) / l;

    /// <summary>Moment over the middle support of two equal spans: M = −x(l² − x²)/(4l²), x from the outer support.</summary>
    private static Func<double, double> OverPier(double l) =>
        x =>
        {
            var from = x <= l ? x : 2 * l - x;
            return -from * (l * l - from * from) / (4 * l * l);
        };

    /// <summary>Moment in the first of two equal spans.</summary>
    private static Func<double, double> InSpan(double l, double a) => x => Simple(l, a)(x) + a / l * OverPier(l)(x);

    private static double Worst(string model, LineProfile profile, bool greatest = true)
    {
        var placing = new VehiclePlacing(profile, greatest);
        var values = TrafficModels
            .Named(model, Values)!
            .Kinds[0]
            .Loads.Select(l =>
                l.Factor
                * (
                    l.LineWidth > 0 ? (l.Vehicle is { } v ? placing.Worst(v)?.Value ?? 0 : 0) + (placing.LineAlone(l.Line)?.Value ?? 0)
                    : l.Vehicle is { } w ? placing.Worst(w, l.Line, l.LineClear ?? 0)?.Value ?? 0
                    : placing.LineAlone(l.Line)?.Value ?? 0
                )
            );
        return greatest ? values.Max() : values.Min();
    }

    /// <summary>
    /// Tandem of lane 1 on 30 m: 2·300·(15 − 0.6) ·… = 4320 kNm. Fatigue vehicle on 25 m at midspan 2136 kNm; LM71 on 18 m 5071 kNm.
    /// </summary>
    [Theory]
    [InlineData("LM1", 30, 4320)]
    [InlineData("FLM3", 25, 2136)]
    [InlineData("LM71", 18, 5071)]
    [InlineData("LM2", 20, 2000)]
    public void Midspan_of_a_simple_beam(string model, double length, double expected) =>
        Assert.Equal(expected * 1e3, Worst(model, Line(length, Simple(length, length / 2), length / 2)), expected * 1e3 * 2e-4);

    /// <summary>The truck's greatest moment on 100 ft stands 2.33 ft from midspan under its middle axle: 1523.8 kip ft.</summary>
    [Fact]
    public void Truck_on_a_hundred_feet()
    {
        double At(double a) => Worst("HL-93 truck", Line(100 * ft, Simple(100 * ft, a * ft), a * ft)) / (kip * ft);
        Assert.Equal(1523.8, Enumerable.Range(0, 41).Max(i => At(50 + 0.1 * i)), 0.3);
        // At midspan by statics: (32·50 + 32·36 + 8·36)/2 = 1520.
        Assert.Equal(1520, At(50), 0.1);
    }

    [Fact]
    public void Two_trucks_and_lane_over_the_pier_of_two_spans_of_ninety_feet()
    {
        var line = Line(180 * ft, OverPier(90 * ft), 90 * ft);
        Assert.Equal(-1187.1, Worst("HL-93 two trucks", line, false) / (kip * ft), 0.3);
        Assert.Equal(-648.0, Worst("HL-93 lane", line, false) / (kip * ft), 0.3);
    }

    [Theory]
    [InlineData("LM71", -7127, 0)]
    [InlineData("SW/0", -8062, 0)]
    [InlineData("LM71", 6693, 0.4)]
    public void Trains_on_two_spans(string model, double expected, double at)
    {
        const double L = 24.5;
        var line = at == 0 ? Line(2 * L, OverPier(L), L) : Line(2 * L, InSpan(L, at * L), at * L);
        Assert.Equal(expected * 1e3, Worst(model, line, expected > 0), Math.Abs(expected) * 1e3 * 5e-4);
    }

    /// <summary>No place of the first axle, direction or gap tried at random is worse than the one that is found.</summary>
    [Fact]
    public void No_other_place_is_worse()
    {
        var random = new Random(11);
        foreach (var trial in Enumerable.Range(0, 40))
        {
            var points = Enumerable.Range(0, 25).Select(i => (S: 2.0 * i + random.NextDouble(), V: random.NextDouble() - 0.5)).ToList();
            var jump = trial % 2 == 0 ? 0.4 : 0;
            var profile = new LineProfile([
                .. points.Select((p, i) => (p.S, p.V, p.V + (i == 12 ? jump : 0), i + 1 < points.Count ? points[i + 1].S - p.S : 0)),
            ]);
            Axle[] axles =
            [
                .. Enumerable
                    .Range(0, 5)
                    .Select(i => new Axle(50e3 + 100e3 * random.NextDouble(), i == 0 ? 0 : 1 + 4 * random.NextDouble())),
            ];
            if (trial % 3 == 0)
                axles[2] = axles[2] with { MostGap = axles[2].Gap + 6 };
            var vehicle = new Vehicle("random", [.. axles]) { OnlyWorsening = trial % 5 == 0 };
            foreach (var sign in new[] { 1, -1 })
            {
                var found = new VehiclePlacing(profile, sign > 0).Worst(vehicle);
                for (var i = 0; i < 4000; i++)
                {
                    var (at, direction) = (-25 + 100 * random.NextDouble(), random.Next(2) == 0 ? 1 : -1);
                    double value = 0,
                        behind = 0;
                    foreach (var axle in axles)
                    {
                        behind += axle.MostGap is { } most ? axle.Gap + (most - axle.Gap) * random.NextDouble() : axle.Gap;
                        var under = sign * axle.Load * profile.At(at - direction * behind);
                        value += vehicle.OnlyWorsening ? Math.Max(0, under) : under;
                    }
                    Assert.True(value <= sign * (found?.Value ?? 0) + 1e-3, $"{trial}: {value} beats {found?.Value}");
                }
                // The axles that are told give the value.
                Assert.Equal(
                    found?.Value ?? 0,
                    found?.Axles.Sum(a => a.Load * profile.At(a.Station)) ?? 0,
                    1e-6 * Math.Abs(found?.Value ?? 0)
                );
            }
        }
    }

    [Fact]
    public void A_vehicle_longer_than_the_bridge_stands_partly_on_it_and_none_off_it()
    {
        var line = Line(5, Simple(5, 2.5), 2.5);
        var placed = new VehiclePlacing(line, true).Worst(new("long", Vehicle.Alike(10, 100e3, 4)))!;
        // One axle at midspan, 1.25 m, the next ones 4 m off: outside.
        Assert.Equal(125e3, placed.Value, 1);
        Assert.Single(placed.Axles, a => a.Station is >= 0 and <= 5);
        Assert.Null(new VehiclePlacing(line, false).Worst(new("long", Vehicle.Alike(10, 100e3, 4))));
    }

    [Fact]
    public void Every_model_has_a_name_of_its_own_and_a_source()
    {
        var all = TrafficModels.All(Values);
        Assert.Equal(all.Length, all.Select(m => m.Name.ToUpperInvariant()).Distinct().Count());
        Assert.All(all, m => Assert.Matches("EN 1991-2|AASHTO", m.Source));
        // Totals of the special vehicles are in their names.
        foreach (var special in all.Where(m => m.Name.StartsWith("LM3", StringComparison.Ordinal)))
            Assert.Equal(double.Parse(special.Name[4..].Split('/')[0]) * 1e3, special.Kinds[0].Loads[0].Vehicle!.Total, 1);
    }
}
