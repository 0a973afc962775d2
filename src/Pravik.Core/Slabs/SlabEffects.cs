using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Loads;
using Pravik.Core.LoneMembers;
using Pravik.Core.Places;
using Pravik.Core.Plates;

namespace Pravik.Core.Slabs;

/// <summary>An effect of the slab across, per metre: its moment or its shear.</summary>
public enum SlabForce
{
    /// <summary>Moment, sagging positive (Nm/m).</summary>
    M,

    /// <summary>Shear, positive where what lies left is pushed up (N/m).</summary>
    V,
}

/// <summary>What stands behind an extreme of a force at a place of the slab.</summary>
/// <param name="Weight">Of the slab itself.</param>
/// <param name="Later">Of strips beside the carriageway and of parapets.</param>
/// <param name="Surfacing">Of the surfacing.</param>
/// <param name="Traffic">Of traffic at its worst, part by part.</param>
/// <param name="Axles">Where its axles stand.</param>
public sealed record SlabParts(double Weight, double Later, double Surfacing, SlabTrafficParts Traffic, ImmutableArray<SlabAxle> Axles);

/// <summary>
/// Moments and shears across of the slab of a span at every place, with girders that give way and with girders that do not, and their
/// combinations.
/// </summary>
/// <remarks>
/// Combinations of EN 1990 6.4.3, 6.5.3 and Tables A2.1, A2.4(B) with traffic leading: group 1a (load model 1 with its footway load), group
/// 1b (load model 2) or footways alone. The slab’s own weight acts on firm girders, which its formwork stood on. Temperature, shrinkage,
/// wind and settlement are left out. Shear is the mean over a few depths along the span, and within the depth of a girder’s face that at
/// the depth from it.
/// </remarks>
public sealed class SlabEffects
{
    private const int Firm = 1;

    private readonly NationalValues values;
    private readonly (StripPlate Plate, string Words)[] plates;
    private readonly SlabParts[,,,] parts;
    private readonly ImmutableArray<ParapetImpact> impacts;
    private readonly double[,,] hits;

    /// <param name="cut">The slab.</param>
    /// <param name="cancel">Stops it.</param>
    public SlabEffects(SlabCut cut, CancellationToken cancel = default)
    {
        (Cut, values, Traffic) = (cut, cut.Bridge.Basis.Values, new(cut));
        plates =
        [
            (cut.Plate(true, Traffic.Least), "girders as half way along"),
            (cut.Plate(false, Traffic.Least), "girders that do not give way"),
        ];
        parts = new SlabParts[2, 2, 2, cut.Spots.Length];
        impacts = [.. cut.Parapets.Where(p => p.Impact > 0).Select(p => new ParapetImpact(cut, p, Traffic))];
        hits = new double[impacts.Length, plates.Length, cut.Spots.Length];
        Parallel.For(
            0,
            cut.Spots.Length,
            new ParallelOptions { CancellationToken = cancel },
            spot =>
            {
                foreach (var force in Forces)
                {
                    var surfaces = plates.Select(p => Surface(p.Plate, force, spot)).ToArray();
                    var weight = Weight(surfaces[Firm].OfLine());
                    for (var plate = 0; plate < plates.Length; plate++)
                    {
                        var surface = surfaces[plate];
                        var line = surface.OfLine();
                        var (later, surfacing) = (Later(line), Strips(line, s => !PermanentLoads.IsSuperimposed(s)));
                        for (var hit = 0; force == SlabForce.M && hit < impacts.Length; hit++)
                            hits[hit, plate, spot] = impacts[hit].Moment(surface);
                        var (greatest, least) = Traffic.Worst(surface);
                        this[plate, force, true, spot] = new(weight, later, surfacing, greatest.Parts, greatest.Axles);
                        this[plate, force, false, spot] = new(weight, later, surfacing, least.Parts, least.Axles);
                    }
                }
            }
        );
    }

    /// <summary>The slab.</summary>
    public SlabCut Cut { get; }

    /// <summary>The traffic.</summary>
    public SlabTraffic Traffic { get; }

    private static ImmutableArray<SlabForce> Forces => [SlabForce.M, SlabForce.V];

    private static ImmutableArray<bool> Senses => [true, false];

    private SlabParts this[int plate, SlabForce force, bool greatest, int spot]
    {
        get => parts[plate, (int)force, greatest ? 1 : 0, spot];
        set => parts[plate, (int)force, greatest ? 1 : 0, spot] = value;
    }

    /// <summary>The places, and every combination with each force at its greatest and least.</summary>
    public EffectTables Tables() =>
        new()
        {
            At = [.. Cut.Spots.Select(s => s.At - Cut.Section.LeftEdge)],
            Combinations =
            [
                .. from state in EffectTables.States.Where(s => s != LimitState.Accidental)
                from plate in Enumerable.Range(0, plates.Length)
                from force in Forces
                from greatest in Senses
                select Table(state, plate, force, greatest),
                .. Impacts(),
            ],
        };

    /// <summary>
    /// The traffic model that is worst at the ultimate state: LM1 with its footways, or LM2; null where footways alone are.
    /// </summary>
    public string? Leading(SlabParts parts)
    {
        var groups = Groups(LimitState.Ultimate, parts.Traffic).Select(Math.Abs).ToList();
        return groups.Max() == 0 ? null
            : groups[0] >= groups.Max() ? "LM1"
            : groups[1] >= groups.Max() ? "LM2"
            : null;
    }

    /// <summary>What stands behind an ultimate extreme at an offset: the parts, and on which girders.</summary>
    public (SlabParts Parts, string Girders) Behind(SlabForce force, bool greatest, double offset)
    {
        var spot = Enumerable.Range(0, Cut.Spots.Length).MinBy(s => Math.Abs(Cut.Spots[s].At - offset));
        if (force == SlabForce.V)
            spot = Control(spot);
        var worst = Enumerable
            .Range(0, plates.Length)
            .MaxBy(p => (greatest ? 1 : -1) * Combined(LimitState.Ultimate, this[p, force, greatest, spot], greatest));
        return (this[worst, force, greatest, spot], plates[worst].Words);
    }

    private PlateSurface Surface(StripPlate plate, SlabForce force, int spot) =>
        force == SlabForce.M
            ? plate.Moment(Cut.Spots[spot].Line)
            : plate.Shear(Cut.Spots[spot].Line, values["slabShearMean"] * Depth(Cut.Spots[spot]));

    /// <summary>d, to the bars at the soffit (m).</summary>
    private double Depth(SlabSpot spot) => spot.Thickness - Cut.Bridge.Girders.BarsAcross.Bottom.AxisDistance;

    private EffectTable Table(LimitState state, int plate, SlabForce force, bool greatest)
    {
        ImmutableArray<double> column =
        [
            .. Enumerable
                .Range(0, Cut.Spots.Length)
                .Select(spot => Combined(state, this[plate, force, greatest, force == SlabForce.V ? Control(spot) : spot], greatest)),
        ];
        var name = $"{state.Words()}, {(greatest ? "greatest" : "least")} {force}, {plates[plate].Words}";
        return force == SlabForce.M
            ? new()
            {
                Name = name,
                State = state,
                M = column,
            }
            : new()
            {
                Name = name,
                State = state,
                V = column,
            };
    }

    /// <summary>The spot whose shear counts: within d of a girder's face the nearest one beyond it, if there is one.</summary>
    private int Control(int spot)
    {
        var (at, d) = (Cut.Spots[spot].At, Depth(Cut.Spots[spot]));
        foreach (var girder in Cut.Girders)
        {
            foreach (var (face, side) in new[] { (girder.Left, -1), (girder.Right, 1) })
            {
                var from = side * (at - face);
                if (from < -1e-6 || from > d)
                    continue;
                var beyond = Enumerable
                    .Range(0, Cut.Spots.Length)
                    .Where(s => side * (Cut.Spots[s].At - face) >= d && IsSameBay(at, Cut.Spots[s].At))
                    .ToList();
                return beyond.Count == 0 ? spot : beyond.MinBy(s => Math.Abs(Cut.Spots[s].At - face));
            }
        }
        return spot;
    }

    private bool IsSameBay(double a, double b) => !Cut.Girders.Any(g => (a - g.At) * (b - g.At) < 0);

    /// <summary>The value of a combination of a limit state with traffic leading (EN 1990 (6.10), (6.14b), (6.15b), (6.16b)).</summary>
    private double Combined(LimitState state, SlabParts p, bool greatest)
    {
        var isUltimate = state == LimitState.Ultimate;
        double Permanent(double value, double more = 0, double less = 0)
        {
            var (adverse, relieving) = (
                (isUltimate ? values["gammaGsup"] : 1) * (1 + more),
                (isUltimate ? values["gammaGinf"] : 1) * (1 - less)
            );
            return (value > 0 == greatest ? adverse : relieving) * value;
        }
        var sign = greatest ? 1 : -1;
        return Permanent(p.Weight + p.Later)
            + Permanent(p.Surfacing, values["surfacingMore"], values["surfacingLess"])
            + sign * Groups(state, p.Traffic).Append(0).Max(v => sign * v);
    }

    /// <summary>Groups of traffic actions at the value that a limit state asks for, each by itself.</summary>
    private double[] Groups(LimitState state, SlabTrafficParts t)
    {
        var (with, alone) = (values["footwayWithTraffic"] * t.Footways, values["footwayAlone"] * t.Footways);
        double[] characteristic = [t.Tandems + t.Lanes + with, t.Axle, alone];
        return state switch
        {
            LimitState.Ultimate => [.. characteristic.Select(v => values["gammaQtraffic"] * v)],
            LimitState.Characteristic => characteristic,
            LimitState.Frequent =>
            [
                values["psi1tandem"] * t.Tandems + values["psi1lane"] * t.Lanes + values["psi1footway"] * with,
                values["psi1axle"] * t.Axle,
                values["psi1footway"] * alone,
            ],
            _ => [values["psi2tandem"] * t.Tandems + values["psi2lane"] * t.Lanes + values["psi2footway"] * with],
        };
    }

    /// <summary>
    /// Of the slab's own weight: per metre all along, by its thickness (without thickenings over girders, which the girders hold).
    /// </summary>
    private double Weight(PlateOrdinates line)
    {
        double sum = 0;
        for (var i = 0; i + 1 < Cut.Lines.Length; i++)
            sum += (Cut.Lines[i + 1] - Cut.Lines[i]) * Cut.Thicknesses[i] * (line[i] + line[i + 1]) / 2;
        return Cut.Bridge.Loads.ConcreteWeight * sum;
    }

    private double Later(PlateOrdinates line) =>
        Strips(line, PermanentLoads.IsSuperimposed) + Cut.Parapets.Sum(p => p.Weight * line.At(p.Centre(Cut.Station)));

    private double Strips(PlateOrdinates line, Func<StripPlace, bool> wanted) =>
        Cut.Section.Strips.Where(wanted).Sum(s => PermanentLoads.StripLoad(s, Cut.Bridge.Loads) * s.Width * line.Mean(s.From, s.To));

    /// <summary>Vehicles that hit a parapet, each by itself, on either way in which girders hold the slab.</summary>
    private IEnumerable<EffectTable> Impacts()
    {
        for (var hit = 0; hit < impacts.Length; hit++)
        {
            for (var plate = 0; plate < plates.Length; plate++)
            {
                var (impact, on, at) = (impacts[hit], plate, hit);
                double Moment(SlabSpot spot, int number)
                {
                    var p = this[on, SlabForce.M, true, number];
                    return impact.IsInside(spot.At) ? p.Weight + p.Later + p.Surfacing + hits[at, on, number] : 0;
                }
                yield return new()
                {
                    Name = $"{impact.Name}, {plates[plate].Words}",
                    State = LimitState.Accidental,
                    M = [.. Cut.Spots.Select(Moment)],
                    N = [.. Cut.Spots.Select(s => impact.Pull(s.At))],
                };
            }
        }
    }
}
