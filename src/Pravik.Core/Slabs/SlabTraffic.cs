using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.LoneMembers;
using Pravik.Core.Places;
using Pravik.Core.Plates;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Slabs;

/// <summary>An axle, or a wheel alone, on the slab: the offset of its middle, the force of each wheel, and how many stand across.</summary>
/// <param name="Model">LM1 or LM2.</param>
/// <param name="At">Offset of its middle (m).</param>
/// <param name="Wheel">Force of each wheel (N).</param>
/// <param name="Wheels">Wheels side by side.</param>
/// <param name="Beside">From the place along the road to the nearest of its axles (m).</param>
/// <param name="Axles">Axles one behind the other.</param>
public sealed record SlabAxle(string Model, double At, double Wheel, int Wheels, double Beside, int Axles);

/// <summary>What road traffic does at a place of the slab at its worst: characteristic values of its parts.</summary>
/// <param name="Tandems">Tandems of load model 1.</param>
/// <param name="Lanes">Its distributed load.</param>
/// <param name="Axle">Load model 2.</param>
/// <param name="Footways">A load of 1 N/m² on footways.</param>
public readonly record struct SlabTrafficParts(double Tandems, double Lanes, double Axle, double Footways);

/// <summary>Traffic at its worst for a value, and where its axles stand.</summary>
public sealed record SlabWorst(SlabTrafficParts Parts, ImmutableArray<SlabAxle> Axles);

/// <summary>
/// Load models 1 and 2 where they are worst for a moment or shear of the slab across (EN 1991-2 4.3): a local verification.
/// </summary>
/// <remarks>
/// Tandems stand anywhere in the carriageways, wheels of two side by side not closer than 0.5 m (4.3.2(5)), as many as there are lanes and
/// three at most; each with an axle at the place, or both beside it. Wheels spread at 1:1 through the surfacing and down to the middle of
/// the slab (4.3.6). Distributed loads stand all along the span on adverse parts across, the greater one of lane 1 where it is worst by
/// itself, which is on the safe side. Load model 2 is an axle or one of its wheels.
/// </remarks>
public sealed class SlabTraffic
{
    private const double Gauge = 2;
    private const double TandemAxles = 1.2;
    private const double TandemWheel = 0.4;
    private const double AxleWheelAlong = 0.35;
    private const double AxleWheelAcross = 0.6;
    private const double Closest = 0.5;

    /// <summary>Steps across (m): a part of the least distance of two tandems and of the width of a lane, so that they meet both.</summary>
    private const double Step = 0.125;
    private const double SingleAxle = 400e3;
    private const int MostTandems = 3;

    /// <summary>From the place to the first of two axles (m): one at the place, both beside it, and between.</summary>
    private static readonly ImmutableArray<double> Along = [0, -0.3, -0.6];

    private readonly NationalValues values;
    private readonly ImmutableArray<Carriageway> carriageways;
    private readonly ImmutableArray<StripPlace> footways;
    private readonly double onSlab;

    /// <param name="cut">The slab.</param>
    public SlabTraffic(SlabCut cut)
    {
        (values, carriageways) = (cut.Bridge.Basis.Values, cut.Carriageways);
        footways = [.. cut.Section.Strips.Where(s => s.Kind == StripKind.Footway)];
        var fill = cut.Section.Strips.Where(s => s.Kind == StripKind.Carriageway).Select(s => s.LeastFill).DefaultIfEmpty(0).Min();
        onSlab = 2 * Math.Max(0, fill);
        Spread = onSlab + cut.Section.LeastThickness;
    }

    /// <summary>By how much a wheel is wider at the middle of the slab than on the surface (m).</summary>
    public double Spread { get; }

    /// <summary>The shortest length along the road over which a wheel is spread (m).</summary>
    public double Least => AxleWheelAlong + Spread;

    /// <summary>Offsets of the middles of the wheels of an axle (m).</summary>
    public static IEnumerable<double> WheelsOf(SlabAxle axle) => axle.Wheels == 1 ? [axle.At] : [axle.At - Gauge / 2, axle.At + Gauge / 2];

    /// <summary>How wide a wheel of an axle is across the deck (m).</summary>
    public static double Across(SlabAxle axle) => axle.Model == "LM2" ? AxleWheelAcross : TandemWheel;

    /// <summary>Single wheels, as they press on the top of the slab, spread through the surfacing alone.</summary>
    public IEnumerable<LoneWheel> Wheels =>
        [
            new()
            {
                Name = "wheel of a tandem of LM1",
                Force = values["alphaQ1"] * values["tandem1"] / 2,
                Along = TandemWheel + onSlab,
                Across = TandemWheel + onSlab,
            },
            new()
            {
                Name = "wheel of LM2",
                Force = values["alphaQ1"] * SingleAxle / 2,
                Along = AxleWheelAcross + onSlab,
                Across = AxleWheelAlong + onSlab,
            },
        ];

    /// <summary>What a surface says for both senses: of a line, of the single axle, of tandems where they may stand.</summary>
    /// <param name="Line">Of 1 N/m all along.</param>
    /// <param name="Axle">Of a wheel of load model 2.</param>
    /// <param name="Ways">
    /// For each carriageway the most tandems, and at each middle what a tandem of unit wheels does for each place along.
    /// </param>
    private sealed record Read(
        PlateOrdinates Line,
        PlateOrdinates Axle,
        ImmutableArray<(int Most, ImmutableArray<(double Middle, ImmutableArray<double> Does)> Places)> Ways
    );

    /// <summary>The greatest and the least of each part at a place.</summary>
    public (SlabWorst Greatest, SlabWorst Least) Worst(PlateSurface surface)
    {
        var over = TandemWheel + Spread;
        var tandems = Along.Select(first => surface.OfTwo(first, first + TandemAxles, over)).ToArray();
        double Wheel(PlateOrdinates tandem, double at) => tandem.Mean(at - over / 2, at + over / 2);
        ImmutableArray<double> Does(double middle) => [.. tandems.Select(t => Wheel(t, middle - Gauge / 2) + Wheel(t, middle + Gauge / 2))];
        var read = new Read(
            surface.OfLine(),
            surface.OfLoad(0, AxleWheelAlong + Spread),
            [
                .. carriageways.Select(c =>
                    (
                        NotionalLanes.On(c.Width, values["laneWidth"]).Count,
                        Middles(c, TandemWheel).Select(m => (m, Does(m))).ToImmutableArray()
                    )
                ),
            ]
        );
        return (Worst(read, 1), Worst(read, -1));
    }

    private SlabWorst Worst(Read read, int sign)
    {
        double Adverse(double from, double to) => sign > 0 ? read.Line.Above(from, to) : -read.Line.Below(from, to);
        var (tandems, placed) = Tandems(read, sign);
        var (axle, single) = Single(read.Axle, sign);
        var rest = Math.Max(values["alphaqr"] * values["remaining"], values["alphaq3"] * values["lane3"]);
        var lanes = rest * carriageways.Sum(c => Adverse(c.From, c.To)) + Extra(Adverse, rest);
        var parts = new SlabTrafficParts(sign * tandems, sign * lanes, sign * axle, sign * footways.Sum(f => Adverse(f.From, f.To)));
        return new(parts, [.. placed, .. single]);
    }

    /// <summary>Where a carriageway lets the middle of an axle stand.</summary>
    private IEnumerable<double> Middles(Carriageway way, double wheel)
    {
        var (from, to) = (way.From + (Gauge + wheel) / 2, way.To - (Gauge + wheel) / 2);
        return to < from ? [] : Steps(from, to);
    }

    private (double Value, IEnumerable<SlabAxle> Axles) Tandems(Read read, int sign)
    {
        ImmutableArray<double> wheels =
        [
            .. Enumerable.Range(1, MostTandems).Select(lane => values[$"alphaQ{lane}"] * values[$"tandem{lane}"] / 2).Where(w => w > 0),
        ];
        var best = SideBySide.Of(
            [
                .. read.Ways.Select(w =>
                    (w.Most, (IReadOnlyList<(double, double)>)[.. w.Places.Select(p => (p.Middle, p.Does.Max(d => sign * d)))])
                ),
            ],
            wheels,
            Gauge + Closest
        );
        double Beside(double middle)
        {
            var does = read.Ways.SelectMany(w => w.Places).First(p => p.Middle == middle).Does;
            return Math.Abs(Along[Enumerable.Range(0, does.Length).MaxBy(i => sign * does[i])]);
        }
        return (best.Value, best.Places.Select(p => new SlabAxle("LM1", p.At, wheels[p.Weight], 2, Beside(p.At), 2)).OrderBy(a => a.At));
    }

    private (double Value, IEnumerable<SlabAxle> Axles) Single(PlateOrdinates ordinates, int sign)
    {
        var (wheel, across) = (values["alphaQ1"] * SingleAxle / 2, AxleWheelAcross + Spread);
        double Wheel(double at) => sign * wheel * ordinates.Mean(at - across / 2, at + across / 2);
        var best = (Value: 0.0, Axle: default(SlabAxle));
        foreach (var middle in carriageways.SelectMany(c => Middles(c, AxleWheelAcross)))
        {
            var (left, right) = (Wheel(middle - Gauge / 2), Wheel(middle + Gauge / 2));
            foreach (var (value, at, count) in new[] { (left + right, middle, 2), (left, middle - 1, 1), (right, middle + 1, 1) })
            {
                if (value > best.Value)
                    best = (value, new("LM2", at, wheel, count, 0, 1));
            }
        }
        return (best.Value, best.Axle is { } axle ? [axle] : []);
    }

    /// <summary>Places in steps from one to another and back, in order, so that left and right are alike.</summary>
    private static IEnumerable<double> Steps(double from, double to)
    {
        var count = (int)Math.Floor((to - from) / Step + 1e-6) + 1;
        var all = Enumerable.Range(0, count).SelectMany(i => new[] { from + i * Step, to - i * Step });
        List<double> kept = [];
        foreach (var at in all.Order())
        {
            if (kept.Count == 0 || at - kept[^1] > 1e-6)
                kept.Add(at);
        }
        return kept;
    }

    /// <summary>What the lanes have beyond the load of the remaining area, where it is worst.</summary>
    private double Extra(Func<double, double, double> adverse, double rest)
    {
        var width = values["laneWidth"];
        ImmutableArray<double> more =
        [
            .. Enumerable.Range(1, MostTandems).Select(lane => values[$"alphaq{lane}"] * values[$"lane{lane}"] - rest).Where(q => q > 0),
        ];
        IReadOnlyList<(double, double)> Windows(Carriageway way)
        {
            var lane = Math.Min(width, way.Width);
            return [.. Steps(way.From + lane / 2, way.To - lane / 2).Select(m => (m, adverse(m - lane / 2, m + lane / 2)))];
        }
        return SideBySide.Of([.. carriageways.Select(c => (NotionalLanes.On(c.Width, width).Count, Windows(c)))], more, width).Value;
    }
}
