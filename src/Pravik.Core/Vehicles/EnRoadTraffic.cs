using System.Collections.Immutable;
using Pravik.Core.Codes;

namespace Pravik.Core.Vehicles;

/// <summary>Road traffic of EN 1991-2.</summary>
public static class EnRoadTraffic
{
    private const double kN = 1000;

    /// <summary>All of them, with the adjustment factors of a national set.</summary>
    public static ImmutableArray<TrafficModel> All(NationalValues values) =>
        [
            Lm1(values, "LM1", "EN 1991-2 4.3.2", 1, 1) with
            {
                Role = TrafficRole.Usual,
            },
            Lm2(values),
            .. SpecialVehicles().Select(v => Alone($"LM3 {v.Name}", "EN 1991-2 Annex A", v, values["laneWidth"])),
            .. WideVehicles().Select(v => Wide(Alone($"LM3 {v.Name}", "EN 1991-2 Annex A", v, values["laneWidth"]))),
            new("LM4", "EN 1991-2 4.3.5", LaneRule.Notional, []) { Rest = 5 * kN, Role = TrafficRole.Crowd },
            Lm1(values, "FLM1", "EN 1991-2 4.6.2", 0.7, 0.3) with
            {
                Role = TrafficRole.Fatigue,
            },
            Lorries("FLM2", "EN 1991-2 Table 4.6", FrequentLorries, values["laneWidth"]),
            Alone(
                "FLM3",
                "EN 1991-2 4.6.4",
                new("fatigue vehicle", Vehicle.Of([120 * kN, 120 * kN, 120 * kN, 120 * kN], [1.2, 6, 1.2])),
                values["laneWidth"]
            ) with
            {
                LeftOut = "the second vehicle in the same lane: see FLM3, two vehicles",
            },
            Alone("FLM3, two vehicles", "EN 1991-2 4.6.4(3)", TwoFatigueVehicles, values["laneWidth"]),
            Lorries("FLM4", "EN 1991-2 Table 4.7", EquivalentLorries, values["laneWidth"]),
        ];

    /// <summary>Load model 1 with the combination factors of EN 1990 Table A2.1 on its parts: ψ₀, ψ₁ or ψ₂.</summary>
    /// <param name="values">A national set.</param>
    /// <param name="psi"><c>psi0</c>, <c>psi1</c> or <c>psi2</c>.</param>
    public static TrafficModel Lm1With(NationalValues values, string psi)
    {
        var (onTandem, onLane) = (values[$"{psi}tandem"], values[$"{psi}lane"]);
        // What has the same factors is one model.
        var name = string.Create(System.Globalization.CultureInfo.InvariantCulture, $"LM1, tandems × {onTandem}, lanes × {onLane}");
        return Lm1(values, name, "EN 1991-2 4.3.2, EN 1990 Table A2.1", onTandem, onLane);
    }

    /// <summary>
    /// A special vehicle in lane 1 with load model 1 beside it at its frequent values (EN 1991-2 A.3): tandems in lanes 2 and 3,
    /// distributed loads on all lanes and the rest. In the vehicle's own lane the distributed load also acts within 25 m of it, which is
    /// on the safe side; a tandem before or behind it there is left out.
    /// </summary>
    public static TrafficModel WithFrequent(TrafficModel special, TrafficModel lm1)
    {
        if (lm1.Kinds.IsEmpty)
            return special;
        var taken = special.Kinds[0].Wide;
        LaneLoad With(LaneLoad load)
        {
            // In two lanes that of the second lies on both, and what the first has beyond it on either.
            var (first, last) = (lm1.Kinds[0].Loads[0].Area, lm1.Kinds[Math.Min(taken, lm1.Kinds.Length) - 1].Loads[0].Area);
            return taken == 1
                ? load with
                {
                    Area = first,
                }
                : load with
                {
                    Area = last,
                    Line = (first - last) * lm1.LaneWidth,
                    LineWidth = lm1.LaneWidth,
                };
        }
        var own = special.Kinds[0] with { Loads = [.. special.Kinds[0].Loads.Select(With)] };
        return lm1 with
        {
            Name = $"{special.Name} with LM1, frequent",
            Source = $"{special.Source}, A.3",
            Role = TrafficRole.Special,
            Kinds = [own, .. lm1.Kinds[taken..]],
            LeftOut = "a tandem in the vehicle’s own lane, before or behind it",
        };
    }

    /// <summary>
    /// Tandems in lanes 1 to 3, each whole or not at all, and distributed loads on adverse parts; factors on both parts (4.3.2, 4.6.2).
    /// Lanes beyond the third carry no tandem; their load and that of the remaining area are taken alike, as the greater of αq3·q3 and
    /// αqr·qr (equal by the recommended values). Adjustment factors are worked in.
    /// </summary>
    private static TrafficModel Lm1(NationalValues values, string name, string source, double onTandem, double onLane)
    {
        LaneKind Lane(int number)
        {
            var area = onLane * values[$"alphaq{number}"] * values[$"lane{number}"];
            var axle = onTandem * values[$"alphaQ{number}"] * values[$"tandem{number}"];
            var tandem = axle > 0 ? new Vehicle("tandem", Vehicle.Alike(2, axle, TandemAxles)) : null;
            return new(1, [new($"lane {number}") { Vehicle = tandem, Area = area }]);
        }
        return new(name, source, LaneRule.Notional, onTandem == 0 && onLane == 0 ? [] : [Lane(1), Lane(2), Lane(3)])
        {
            LaneWidth = values["laneWidth"],
            Rest = onLane * Math.Max(values["alphaqr"] * values["remaining"], values["alphaq3"] * values["lane3"]),
        };
    }

    /// <summary>Distance between the two axles of a tandem (m), Figure 4.2a.</summary>
    private const double TandemAxles = 1.2;

    private static TrafficModel Lm2(NationalValues values) =>
        Alone("LM2", "EN 1991-2 4.3.3", new("single axle", [new(values["alphaQ1"] * 400 * kN, 0)]), values["laneWidth"]) with
        {
            Role = TrafficRole.SingleAxle,
        };

    private static TrafficModel Alone(string name, string source, Vehicle vehicle, double laneWidth) =>
        new(name, source, LaneRule.Notional, [new(1, [new(vehicle.Name) { Vehicle = vehicle }])])
        {
            LaneWidth = laneWidth,
            Role = name.StartsWith("LM3", StringComparison.Ordinal) ? TrafficRole.Special : TrafficRole.Fatigue,
            LeftOut = name.StartsWith("LM3", StringComparison.Ordinal)
                ? "load model 1 beside the special vehicle; it goes at low speed unless a dynamic factor is typed"
                : null,
        };

    private static TrafficModel Lorries(string name, string source, ImmutableArray<Vehicle> lorries, double laneWidth) =>
        new(name, source, LaneRule.Notional, [new(1, [.. lorries.Select(v => new LaneLoad(v.Name) { Vehicle = v })])])
        {
            LaneWidth = laneWidth,
            Role = TrafficRole.Fatigue,
            LeftOut = "numbers of lorries: the worst single one is told, and the cycles of each with the loading",
        };

    /// <summary>Special vehicles with axles of 150 and 200 kN, which go in one lane (Tables A.1 and A.2, Figure A.1).</summary>
    private static IEnumerable<Vehicle> SpecialVehicles()
    {
        const double Gap = 1.5;
        foreach (var (total, axle, count) in new[] { (600, 150, 4), (900, 150, 6), (1200, 150, 8), (1500, 150, 10), (1800, 150, 12) })
            yield return Special($"{total}/{axle}", Vehicle.Alike(count, axle * kN, Gap));
        yield return Special("1200/200", Vehicle.Alike(6, 200 * kN, Gap));
        yield return Special("1500/200", [new(100 * kN, 0), .. Vehicle.Alike(8, 200 * kN, Gap).Skip(1)]);
        foreach (var (total, count) in new[] { (1800, 9), (2400, 12), (3000, 15), (3600, 18) })
            yield return Special($"{total}/200", Vehicle.Alike(count, 200 * kN, Gap));
        foreach (var (total, first, second) in new[] { (2400, 6, 6), (3000, 8, 7), (3600, 9, 9) })
            yield return Special(
                $"{total}/200/200",
                [.. Vehicle.Alike(first, 200 * kN, Gap), new(200 * kN, 12), .. Vehicle.Alike(second, 200 * kN, Gap).Skip(1)]
            );
    }

    private static Vehicle Special(string name, ImmutableArray<Axle> axles) => new(name, axles) { WheelSpacing = 1.5 };

    /// <summary>Axles of 240 kN on three wheels across, in two lanes (Tables A.1 and A.2, Figure A.1).</summary>
    private static IEnumerable<Vehicle> WideVehicles()
    {
        const double Gap = 1.5;
        static Axle Three(double load, double gap) => new(load * kN, gap) { Wheels = [-1.5, 0, 1.5] };
        ImmutableArray<Axle> Alike(int count, double before = 0) =>
            [.. Enumerable.Range(0, count).Select(i => Three(240, i == 0 ? before : Gap))];
        yield return new("2400/240", Alike(10));
        yield return new("3000/240", [Three(120, 0), .. Alike(12, Gap)]);
        yield return new("3600/240", Alike(15));
        yield return new("3600/240/240", [.. Alike(8), .. Alike(7, 12)]);
    }

    /// <summary>A vehicle that takes two lanes side by side.</summary>
    private static TrafficModel Wide(TrafficModel model) => model with { Kinds = [model.Kinds[0] with { Wide = 2 }] };

    /// <summary>Four axles of 120 kN, and four of 36 kN with middles at least 40 m apart.</summary>
    private static Vehicle TwoFatigueVehicles
    {
        get
        {
            const double Length = 8.4;
            ImmutableArray<Axle> Four(double load) => Vehicle.Of([load, load, load, load], [1.2, 6, 1.2]);
            var second = Four(36 * kN);
            return new(
                "two fatigue vehicles",
                [.. Four(120 * kN), second[0] with { Gap = 40 - Length, MostGap = double.PositiveInfinity }, .. second[1..]]
            );
        }
    }

    private static ImmutableArray<Vehicle> FrequentLorries { get; } =
    [
        Lorry(1, [90, 190], [4.5]),
        Lorry(2, [80, 140, 140], [4.2, 1.3]),
        Lorry(3, [90, 180, 120, 120, 120], [3.2, 5.2, 1.3, 1.3]),
        Lorry(4, [90, 190, 140, 140], [3.4, 6, 1.8]),
        Lorry(5, [90, 180, 120, 110, 110], [4.8, 3.6, 4.4, 1.3]),
    ];

    private static ImmutableArray<Vehicle> EquivalentLorries { get; } =
    [
        Lorry(1, [70, 130], [4.5]),
        Lorry(2, [70, 120, 120], [4.2, 1.3]),
        Lorry(3, [70, 150, 90, 90, 90], [3.2, 5.2, 1.3, 1.3]),
        Lorry(4, [70, 140, 90, 90], [3.4, 6, 1.8]),
        Lorry(5, [70, 130, 90, 80, 80], [4.8, 3.6, 4.4, 1.3]),
    ];

    /// <summary>
    /// Shares of the lorries of fatigue load model 4 by type of traffic: long distance, medium distance, local (Table 4.7).
    /// </summary>
    public static ImmutableArray<(string Traffic, ImmutableArray<double> Shares)> SharesOfLorries { get; } =
    [
        ("long distance", [0.2, 0.05, 0.5, 0.15, 0.1]),
        ("medium distance", [0.4, 0.1, 0.3, 0.15, 0.05]),
        ("local", [0.8, 0.05, 0.05, 0.05, 0.05]),
    ];

    private static Vehicle Lorry(int number, double[] loads, double[] gaps) =>
        new($"lorry {number}", Vehicle.Of([.. loads.Select(l => l * kN)], gaps));
}
