using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>The stress of tendons at every point of the girders, from the jack on, step by step.</summary>
/// <remarks>
/// Friction and draw-in by <see cref="TendonFriction"/>. Tendons are jacked in the order in which a stage names them, in all girders at
/// once; each shortens the concrete around those that are stressed already, which lose E_p/E_cm times its stress at their level, and of
/// n ducts jacked one after another each loses (n − 1)/2n of what all of them do (EN 1992-1-1 5.10.5.1 (5.44)). With time the concrete
/// at a tendon creeps and shrinks as at strands (<see cref="StrandStresses"/>), with 0.8 of the relaxation since it was jacked. What
/// later loads and later strands add is not counted in it, nor what strands lose as tendons are jacked.
/// </remarks>
public sealed class TendonStresses
{
    private const double LongestRelaxation = 500_000;
    private const double OfRelaxation = 0.8;
    private readonly BridgeGeometry geometry;
    private readonly TendonRows rows;
    private readonly ImmutableArray<ModelPoint> points;
    private readonly PointIndex index;
    private readonly ImmutableArray<PlacedRow>[] placed;
    private readonly double[]?[] now;
    private readonly double[]?[] stressed;
    private readonly double?[] since;
    private readonly List<LossStep> steps = [];

    /// <summary>No stress yet.</summary>
    public TendonStresses(BridgeGeometry geometry, ImmutableArray<ModelPoint> points, TendonRows rows)
    {
        (this.geometry, this.points, this.rows, index) = (geometry, points, rows, new(points));
        placed = [.. points.Select(p => rows.At(geometry.Girders[p.Girder], p.Span, p.Fraction).ToImmutableArray())];
        (now, stressed, since) = (new double[]?[points.Length], new double[]?[points.Length], new double?[rows.All.Length]);
    }

    /// <summary>The tendons.</summary>
    public ImmutableArray<Tendon> All => rows.All;

    /// <summary>Their strand.</summary>
    public PrestressingSteel Steel => rows.Steel;

    /// <summary>The course of a tendon in a girder; null where it does not lie in it.</summary>
    public TendonPath? PathOf(GirderIndex girder, int tendon) => rows.PathOf(geometry.Girders[girder], tendon);

    /// <summary>Whether losses are worked out for any tendon of a bridge.</summary>
    public static bool AreWorkedOut(Bridge bridge) => bridge.Girders.Tendons.Any(t => t.EffectiveStress is null);

    /// <summary>Whether losses are worked out for any tendon.</summary>
    public bool WorksOut => AreWorkedOut(geometry.Bridge);

    /// <summary>The steps in the order of time, for tendons that are jacked after others too.</summary>
    public IEnumerable<LossStep> Steps => steps.OrderBy(s => s.To).ThenBy(s => s.From < s.To ? 0 : 1);

    /// <summary>The tendons that pass a point: number of the tendon, level and area.</summary>
    public ImmutableArray<PlacedRow> At(int point) => placed[point];

    /// <summary>The day on which the first of them is jacked; null where none is.</summary>
    public double? First => since.Min();

    /// <summary>Whether a tendon that is jacked passes a point.</summary>
    public bool AreAt(int point) => placed[point].Any(r => since[r.Index] is not null);

    /// <summary>Slope of a tendon at a point, rising ahead positive.</summary>
    public double SlopeAt(int point, int tendon) =>
        PathOf(points[point].Girder, tendon)!.SlopeAt(points[point].Span, points[point].Fraction);

    /// <summary>Stress of a tendon at a point after all steps (Pa); 0 where it is never jacked.</summary>
    public double StressAt(int point, int tendon) => now[point]?[tendon] ?? 0;

    /// <summary>Stress of a tendon at a point when it was anchored and the concrete had shortened (Pa).</summary>
    public double StressedAt(int point, int tendon) => stressed[point]?[tendon] ?? 0;

    /// <summary>The day on which a tendon is jacked; null where it never is.</summary>
    public double? Since(int tendon) => since[tendon];

    /// <summary>The steps of a tendon at a point: those that change its stress.</summary>
    public IEnumerable<(LossStep Step, double Change)> StepsAt(int point, int tendon) =>
        Steps.Where(s => s.Changes[point] is { } changes && changes[tendon] != 0).Select(s => (s, s.Changes[point]![tendon]));

    /// <summary>The number of a tendon by its name; null for none.</summary>
    public int? Find(string name) => All.Select((t, k) => t.Name == name ? k : (int?)null).FirstOrDefault(k => k is not null);

    /// <summary>Values of tendons by point, and in the middle of pieces.</summary>
    public sealed class Spread(TendonStresses of, double[]?[] values)
    {
        /// <summary>At a point; null where there is none.</summary>
        public double[]? AtPoint(ModelPoint point) => values[of.index.Of(point)];

        /// <summary>
        /// In the piece of a girder that begins on a row: the mean of both ends, or that of the one which a tendon passes.
        /// </summary>
        public double[]? InPiece(GirderIndex girder, int row)
        {
            var (first, last) = of.index.Ends(girder, row);
            if (values[first] is null && values[last] is null)
                return null;
            var (sum, count) = (new double[of.All.Length], new int[of.All.Length]);
            foreach (var point in new[] { first, last })
            {
                foreach (var tendon in of.placed[point].Where(_ => values[point] is not null))
                    (sum[tendon.Index], count[tendon.Index]) = (sum[tendon.Index] + values[point]![tendon.Index], count[tendon.Index] + 1);
            }
            return [.. sum.Select((s, k) => count[k] > 0 ? s / count[k] : 0)];
        }
    }

    /// <summary>Jacks a tendon on a day, and anchors it. Gives its stress, of others nothing.</summary>
    public Spread Jack(int tendon, double day)
    {
        since[tendon] = day;
        var of = All[tendon];
        var (jack, rubs, slips) = (Step(LossKind.Stressing, day), Step(LossKind.Friction, day), Step(LossKind.DrawIn, day));
        var values = new double[]?[points.Length];
        foreach (var along in Enumerable.Range(0, points.Length).GroupBy(p => points[p].Girder))
        {
            if (PathOf(along.Key, tendon) is not { } path)
                continue;
            var friction = new TendonFriction(path, of, rows.Steel);
            foreach (var p in along.Where(p => placed[p].Any(r => r.Index == tendon)))
            {
                var x = path.DistanceOf(points[p].Span, points[p].Fraction);
                var (stress, jacked, anchored) = (of.Jack(rows.Steel), friction.Jacked(x), friction.Anchored(x));
                if (of.EffectiveStress is { } entered)
                    (stress, jacked, anchored) = (entered, entered, entered);
                Put(jack, p, tendon, stress);
                Put(rubs, p, tendon, jacked - stress);
                Put(slips, p, tendon, anchored - jacked);
                (stressed[p] ??= new double[All.Length])[tendon] = anchored;
                (values[p] = new double[All.Length])[tendon] = anchored;
            }
        }
        return new(this, values);
    }

    /// <summary>
    /// What tendons lose as others are jacked after them on the same day, and ducts of one tendon after each other; null where none does.
    /// </summary>
    /// <param name="jacked">Those that are jacked, in order, each with its effects.</param>
    /// <param name="model">The structure.</param>
    /// <param name="day">The day.</param>
    public Spread? Shorten(IReadOnlyList<(int Tendon, EffectValues Effects)> jacked, BridgeModel model, double day)
    {
        var step = new Lazy<LossStep>(() => Step(LossKind.Elastic, day));
        var values = new double[]?[points.Length];
        for (var p = 0; p < points.Length; p++)
        {
            if (model.Sections[points[p].Girder][model.RowOf(points[p])] is not { } section)
                continue;
            foreach (var row in placed[p].Where(r => since[r.Index] is not null && All[r.Index].EffectiveStress is null))
            {
                var lost = 0.0;
                var place = jacked.TakeWhile(j => j.Tendon != row.Index).Count();
                for (var j = 0; j < jacked.Count; j++)
                {
                    // Those that were jacked before, on this day or another, feel the whole; its own ducts feel each other.
                    var ducts = All[row.Index].Ducts;
                    var part =
                        place == jacked.Count || j > place ? 1
                        : j == place ? (ducts - 1) / (2.0 * ducts)
                        : 0;
                    if (part == 0)
                        continue;
                    var (bottom, top) = (jacked[j].Effects[p, GirderEffect.Bottom], jacked[j].Effects[p, GirderEffect.GirderTop]);
                    var stress = bottom + row.Level / section.Girder.Depth * (top - bottom);
                    lost += part * rows.Steel.Ep / section.Modulus * stress;
                }
                if (lost == 0)
                    continue;
                Put(step.Value, p, row.Index, lost);
                stressed[p]![row.Index] += lost;
                (values[p] ??= new double[All.Length])[row.Index] = lost;
            }
        }
        return step.IsValueCreated ? new(this, values) : null;
    }

    /// <summary>What tendons lose in an interval, as <see cref="StrandStresses.Lose"/>; those that are jacked by its beginning.</summary>
    public Spread Lose(
        double from,
        double to,
        BridgeModel model,
        Func<SpanIndex, bool> spans,
        Func<int, double, double> creep,
        Func<int, double, double> shrinkage
    )
    {
        var values = new double[]?[points.Length];
        for (var p = 0; p < points.Length; p++)
        {
            ImmutableArray<PlacedRow> there =
            [
                .. placed[p].Where(r => since[r.Index] <= from + 1e-9 && All[r.Index].EffectiveStress is null),
            ];
            if (there.IsEmpty || !spans(points[p].Span) || model.Sections[points[p].Girder][model.RowOf(points[p])] is not { } section)
                continue;
            double[] crept = [.. there.Select(r => rows.Steel.Ep * creep(p, r.Level))];
            double[] shrunk = [.. there.Select(r => rows.Steel.Ep * shrinkage(p, r.Level))];
            double[] relaxed = [.. there.Select(r => -OfRelaxation * Relaxed(stressed[p]![r.Index], from, to, since[r.Index]!.Value))];
            double[] free = [.. there.Select((_, r) => crept[r] + shrunk[r] + relaxed[r])];
            var balanced = BondedSteel.Balanced(free, there, rows.Steel.Ep / section.Modulus, section.Composite);
            values[p] = new double[All.Length];
            for (var r = 0; r < there.Length; r++)
            {
                Put(Step(LossKind.Creep, from, to), p, there[r].Index, crept[r]);
                Put(Step(LossKind.Shrinkage, from, to), p, there[r].Index, shrunk[r]);
                Put(Step(LossKind.Relaxation, from, to), p, there[r].Index, relaxed[r]);
                Put(Step(LossKind.Recovery, from, to), p, there[r].Index, balanced[r] - free[r]);
                values[p]![there[r].Index] = balanced[r];
            }
        }
        return new(this, values);
    }

    /// <summary>Relaxation in an interval of a tendon that was stressed on a day (Pa).</summary>
    private double Relaxed(double stress, double from, double to, double day)
    {
        var level = stress / rows.Steel.Fpk;
        double Hours(double until) => Math.Min(LongestRelaxation, 24 * Math.Max(0, until - day));
        return stress * (rows.Steel.Relaxation(level, Hours(to)) - rows.Steel.Relaxation(level, Hours(from)));
    }

    private LossStep Step(LossKind kind, double day) => Step(kind, day, day);

    private LossStep Step(LossKind kind, double from, double to)
    {
        var step = steps.Find(s => s.Kind == kind && s.From == from && s.To == to);
        if (step is null)
            steps.Add(step = new(kind, from, to) { Changes = new double[]?[points.Length] });
        return step;
    }

    private void Put(LossStep step, int point, int tendon, double change)
    {
        (step.Changes[point] ??= new double[All.Length])[tendon] += change;
        (now[point] ??= new double[All.Length])[tendon] += change;
    }
}
