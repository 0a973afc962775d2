using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>Why the stress of strands changes.</summary>
public enum LossKind
{
    /// <summary>They are stressed, or their stress is entered.</summary>
    Stressing,

    /// <summary>They relax.</summary>
    Relaxation,

    /// <summary>The concrete grips them while they are warm.</summary>
    Heat,

    /// <summary>The concrete shortens when they are released.</summary>
    Elastic,

    /// <summary>The concrete creeps.</summary>
    Creep,

    /// <summary>The concrete shrinks.</summary>
    Shrinkage,

    /// <summary>The concrete lengthens as their force falls.</summary>
    Recovery,

    /// <summary>Tendons rub in their ducts as they are jacked.</summary>
    Friction,

    /// <summary>Wedges draw in.</summary>
    DrawIn,
}

/// <summary>
/// A step of the stress of strands: why, from which day to which, and the change in each row at each point (Pa; null where there is none).
/// </summary>
public sealed record LossStep(LossKind Kind, double From, double To)
{
    /// <summary>Changes by point and row (Pa).</summary>
    public required double[]?[] Changes { get; init; }
}

/// <summary>The stress of pretensioned strands at every point of the girders, from the jack on, step by step.</summary>
/// <remarks>
/// At release every row shortens with the concrete at its height, under the force of all rows and the weight of the girder: σ_r = a_r −
/// k·(F/A + d_r·G/I), k = E_p/E_cm(t), F = ΣA_r·σ_r, G = ΣA_r·d_r·σ_r, d down from the centroid, with the gross section (the exact solution
/// of the transformed section but for the area that strands displace). In an interval of time the concrete at a row creeps and shrinks by
/// Δε in the structure of that time; strands lose E_p·Δε and 0.8 of their relaxation (EN 1992-1-1 5.10.6, the factor for shortening), and
/// the same equation with the age-adjusted section gives what the concrete gives back as their force falls. What later loads add to the
/// stress is not counted in it, nor what supports that are redundant answer to a loss within its own interval.
/// </remarks>
public sealed class StrandStresses
{
    private const double OfRelaxation = 0.8;
    private const double Expansion = 1e-5;
    private readonly BridgeGeometry geometry;
    private readonly StrandRows rows;
    private readonly ImmutableArray<ModelPoint> points;
    private readonly double[]?[] now;
    private readonly double[]?[] released;
    private readonly List<LossStep> steps = [];
    private readonly PointIndex index;

    /// <summary>No stress yet.</summary>
    public StrandStresses(BridgeGeometry geometry, ImmutableArray<ModelPoint> points)
    {
        (this.geometry, this.points, rows) = (geometry, points, new(geometry));
        WorksOut = AreWorkedOut(geometry.Bridge);
        (now, released, index) = (new double[]?[points.Length], new double[]?[points.Length], new(points));
    }

    /// <summary>The steps, in the order of time; the first is what strands are stressed to.</summary>
    public IReadOnlyList<LossStep> Steps => steps;

    /// <summary>Stress of the rows at a point after all steps (Pa); null where there are none.</summary>
    public double[]? At(int point) => now[point];

    /// <summary>Stress of the rows just after release (Pa); null where there are none.</summary>
    public double[]? AtRelease(int point) => released[point];

    /// <summary>Stress of the rows at a point after a number of steps (Pa).</summary>
    public double[]? After(int point, int count)
    {
        if (now[point] is not { } all)
            return null;
        var sum = new double[all.Length];
        foreach (var change in steps.Take(count).Select(s => s.Changes[point]).OfType<double[]>())
            Add(sum, change);
        return sum;
    }

    /// <summary>Whether losses are worked out for any girder of a bridge.</summary>
    public static bool AreWorkedOut(Bridge bridge) =>
        !bridge.Girders.CastInPlace
        && new BridgeGeometry(bridge, placeGirders: false).Sections.InUse.Any(u =>
            !u.Section.IsSteel && AreWorkedOut(bridge.Girders.Types[u.Type])
        );

    /// <summary>Whether losses are worked out for any girder.</summary>
    public bool WorksOut { get; }

    /// <summary>Whether losses are worked out for girders of a type: no stress after losses is entered.</summary>
    public static bool AreWorkedOut(GirderType type) => type.Strands.EffectiveStress is null && type.Strands.Rows.Any(r => r.Count > 0);

    /// <summary>Whether strands are at a point whose losses are worked out.</summary>
    public bool IsWorkedOut(int point) => now[point] is not null && AreWorkedOut(TypeOf(points[point]));

    /// <summary>The rows that work at a point.</summary>
    public ImmutableArray<PlacedRow> RowsAt(int point) =>
        [.. rows.At(geometry.Girders[points[point].Girder], points[point].Span, points[point].Fraction)];

    /// <summary>The concrete of the girder at a point when its strands are released.</summary>
    public EarlyConcrete ConcreteAt(int point) => rows.Releases[TypeIndex(points[point])];

    /// <summary>Stressing, relaxation until release, and the elastic shortening then, in the girders of some spans.</summary>
    /// <param name="spans">The spans (from 0).</param>
    /// <param name="model">The girders as they stand alone.</param>
    /// <param name="weight">Effects of their weight.</param>
    public void Release(ImmutableArray<int> spans, BridgeModel model, EffectValues weight)
    {
        var release = geometry.Bridge.Girders.Release;
        var (stressing, relaxing, heating, shortening) = (
            Step(LossKind.Stressing, 0, 0),
            Step(LossKind.Relaxation, 0, release.Age),
            Step(LossKind.Heat, 0, release.Age),
            Step(LossKind.Elastic, release.Age, release.Age)
        );
        for (var p = 0; p < points.Length; p++)
        {
            if (!spans.Contains(points[p].Span) || RowsAt(p) is not { IsEmpty: false } placed)
                continue;
            var strands = TypeOf(points[p]).Strands;
            double[] Even(double value) => [.. placed.Select(_ => value)];
            if (!AreWorkedOut(TypeOf(points[p])))
            {
                Put(stressing, p, Even(strands.EffectiveStress ?? strands.JackStress));
                released[p] = Even(rows.Steel.MostAfterRelease);
                continue;
            }
            var relaxed = -strands.JackStress * rows.Steel.Relaxation(strands.JackStress / rows.Steel.Fpk, Hours(release.Age));
            var heated = -0.5 * rows.Steel.Ep * Expansion * Math.Max(0, release.HeatTemperature - 20);
            Put(stressing, p, Even(strands.JackStress));
            Put(relaxing, p, Even(relaxed));
            if (heated < 0)
                Put(heating, p, Even(heated));
            var section = model.Sections[points[p].Girder][model.RowOf(points[p])]!.Girder;
            var ratio = rows.Steel.Ep / ConcreteAt(p).Ecm;
            var moment = weight[p, GirderEffect.M];
            var alone = now[p]!.Select((s, r) => s + ratio * moment * (section.Centroid - placed[r].Level) / section.SecondMoment);
            var balanced = BondedSteel.Balanced([.. alone], placed, ratio, section);
            Put(shortening, p, [.. balanced.Select((s, r) => s - now[p]![r])]);
            released[p] = [.. now[p]!];
        }
    }

    /// <summary>
    /// What strands lose in an interval, by point and row (Pa, negative); null where nothing changes.
    /// </summary>
    /// <param name="from">Its first day.</param>
    /// <param name="to">Its last day.</param>
    /// <param name="model">The structure with age-adjusted moduli.</param>
    /// <param name="spans">Spans whose girders are meant.</param>
    /// <param name="creep">Strain of creep in the girder at a point and a height above its soffit, in that structure.</param>
    /// <param name="shrinkage">The same of shrinkage.</param>
    public double[]?[] Lose(
        double from,
        double to,
        BridgeModel model,
        Func<SpanIndex, bool> spans,
        Func<int, double, double> creep,
        Func<int, double, double> shrinkage
    )
    {
        LossStep[] steps =
        [
            Step(LossKind.Creep, from, to),
            Step(LossKind.Shrinkage, from, to),
            Step(LossKind.Relaxation, from, to),
            Step(LossKind.Recovery, from, to),
        ];
        var lost = new double[]?[points.Length];
        for (var p = 0; p < points.Length; p++)
        {
            if (now[p] is not { } stress || !spans(points[p].Span) || !AreWorkedOut(TypeOf(points[p])))
                continue;
            if (model.Sections[points[p].Girder][model.RowOf(points[p])] is not { } section)
                continue;
            var placed = RowsAt(p);
            double[] Of(Func<int, double> change) => [.. Enumerable.Range(0, stress.Length).Select(change)];
            var (crept, shrunk, relaxed) = (
                Of(r => rows.Steel.Ep * creep(p, placed[r].Level)),
                Of(r => rows.Steel.Ep * shrinkage(p, placed[r].Level)),
                Of(r => -OfRelaxation * released[p]![r] * Relaxed(released[p]![r], from, to))
            );
            var free = Of(r => crept[r] + shrunk[r] + relaxed[r]);
            var balanced = BondedSteel.Balanced(free, placed, rows.Steel.Ep / section.Modulus, section.Composite);
            Put(steps[0], p, crept);
            Put(steps[1], p, shrunk);
            Put(steps[2], p, relaxed);
            Put(steps[3], p, Of(r => balanced[r] - free[r]));
            lost[p] = balanced;
        }
        return lost;
    }

    /// <summary>Stress, or a change of it, by point and in the middle of pieces.</summary>
    public sealed class Spread(PointIndex index, double[]?[] values)
    {
        /// <summary>At a point; null where there is none.</summary>
        public double[]? AtPoint(ModelPoint point) => values[index.Of(point)];

        /// <summary>
        /// In the piece of a girder that begins on a row: the mean of both ends; that of one alone where the other has none.
        /// </summary>
        public double[]? InPiece(GirderIndex girder, int row)
        {
            var (first, last) = index.Ends(girder, row);
            var (one, other) = (values[first], values[last]);
            return one is null ? other
                : other is null ? one
                : [.. one.Select((s, r) => (s + other[r]) / 2)];
        }
    }

    /// <summary>The present stress of girders in some spans.</summary>
    public Spread InSpans(ImmutableArray<int> spans) =>
        Over([.. now.Select((s, p) => spans.Contains(points[p].Span) && s is not null ? (double[])s.Clone() : null)]);

    /// <summary>Changes by point, and in the middle of pieces.</summary>
    public Spread Over(double[]?[] values) => new(index, values);

    /// <summary>Relaxation in an interval as a part of the stress after release.</summary>
    private double Relaxed(double stress, double from, double to)
    {
        var level = stress / rows.Steel.Fpk;
        return rows.Steel.Relaxation(level, Hours(to)) - rows.Steel.Relaxation(level, Hours(from));
    }

    private double Hours(double day) => geometry.Bridge.Girders.Release.RelaxedHours(day);

    private LossStep Step(LossKind kind, double from, double to)
    {
        var step = steps.Find(s => s.Kind == kind && s.From == from && s.To == to);
        if (step is null)
            steps.Add(step = new(kind, from, to) { Changes = new double[]?[points.Length] });
        return step;
    }

    private void Put(LossStep step, int point, double[] change)
    {
        step.Changes[point] = change;
        Add(now[point] ??= new double[change.Length], change);
    }

    private static void Add(double[] sum, double[] change)
    {
        for (var r = 0; r < sum.Length; r++)
            sum[r] += change[r];
    }

    private int TypeIndex(ModelPoint point) => geometry.Sections.TypeIndex(geometry.Girders[point.Girder].Number, point.Span);

    private GirderType TypeOf(ModelPoint point) => geometry.Bridge.Girders.Types[TypeIndex(point)];
}
