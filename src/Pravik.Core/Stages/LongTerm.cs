using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>
/// Creep and shrinkage from the day on which a slab works with its girder, interval by interval on the structure of each, by the
/// age-adjusted effective modulus.
/// </summary>
/// <remarks>
/// In an interval from day a to day b, in which the structure stays the same, a fibre stressed by a load since the day τ would creep
/// freely by [φ(b, τ) − φ(a, τ)]·σ/E, by φ(b, τ)·σ/E where the load came within it; and shrink by ε_cs(b) − ε_cs(a). The whole structure,
/// with E/(1 + χ·φ(b, a)) in every layer, answers to these free strains (EN 1992-1-1 Annex B; EN 1992-2 Annex KK.7, χ = 0.8; Ghali and
/// Favre, Concrete Structures: Stresses and Deformations, 2nd edition, chapters 2 to 4). Forces from creep and shrinkage of an earlier
/// interval creep as if put on half way through it; what balances within a section from an earlier interval is not followed further.
/// For one section and one kind of concrete the moment at a pier becomes φ/(1 + χφ) of that in the structure cast in one. Girders alone,
/// of one material, keep their stresses and are left out.
/// </remarks>
public sealed class LongTerm
{
    private readonly BridgeGeometry geometry;
    private readonly SolvedModels models;
    private readonly ModelLoads loads;
    private readonly StrandStresses strands;
    private readonly TendonStresses tendons;
    private readonly ImmutableArray<StageStep> steps;
    private readonly Actions values;
    private readonly ImmutableArray<Ageing> girders;
    private readonly Ageing slab;
    private readonly Dictionary<(GirderIndex Girder, int Row), int> pointOf = [];
    private readonly ImmutableArray<TimeValue>.Builder told = ImmutableArray.CreateBuilder<TimeValue>();

    private LongTerm(
        BridgeGeometry geometry,
        SolvedModels models,
        ModelLoads loads,
        StrandStresses strands,
        TendonStresses tendons,
        ImmutableArray<StageStep> steps
    )
    {
        (this.geometry, this.models, this.loads, this.steps) = (geometry, models, loads, steps);
        (this.strands, this.tendons) = (strands, tendons);
        values = geometry.Bridge.Actions;
        // The slab dries at both faces; h0 is then its thickness.
        var slabSize = geometry.SlabThickness(geometry.Girders[0], geometry.Girders[0].FirstSpan, 0.5);
        slab = new(Concrete.Of(geometry.Bridge.Materials.Slab), slabSize, values);
        girders = [.. geometry.Sections.Makings.Select(Of)];
        var points = models.Layout.Points;
        for (var i = 0; i < points.Length; i++)
            pointOf[(points[i].Girder, points[i].Line)] = i + 1 < points.Length && Ends(points, i) ? i + 1 : i;
        foreach (var making in Concretes)
            told.Add(
                new(Name("h_0", making), "notional size of the girder, 2A/u", girders[making].Size, "EN 1992-1-1 3.1.4(5)") { Unit = "m" }
            );
        told.Add(new("h_0,slab", "notional size of the slab", slabSize, "EN 1992-1-1 3.1.4(5)") { Unit = "m" });
    }

    /// <summary>How a concrete creeps and shrinks.</summary>
    private sealed class Ageing(Concrete concrete, double size, Actions values)
    {
        /// <summary>Notional size h₀ = 2A/u (m).</summary>
        public double Size => size;
        public Creep Creep { get; } = new(concrete, values.Humidity, size, values.Cement);
        public Shrinkage Shrinkage { get; } = new(concrete, values.Humidity, size, values.Cement);

        /// <summary>Age-adjusted modulus over E_cm, 1/(1 + χφ), for a load of an age kept to another (days).</summary>
        public double Factor(double to, double from, double aging) => 1 / (1 + aging * Creep.At(to, from));
    }

    private Ageing Of(GirderMaking making)
    {
        var properties = geometry.Sections.At(making.Number, making.Span, 0.5).Properties;
        var concrete = Concrete.Of(geometry.Sections.Types[making.Type].Concrete);
        return new(concrete, 2 * properties.GrossArea / properties.Perimeter, values);
    }

    /// <summary>Makings of girders that are of concrete.</summary>
    private IEnumerable<int> Concretes => Enumerable.Range(0, girders.Length).Where(i => !geometry.Sections.Makings[i].Section.IsSteel);

    /// <summary>The symbol of a value of a making of girders: with its type and section only where there are several.</summary>
    private string Name(string symbol, int making)
    {
        var (type, section, _, _) = geometry.Sections.Makings[making];
        var named = girders.Length == 1 ? "girder" : $"girder {geometry.Sections.Types[type].Name}, {section.Shape.Name}";
        return $"{symbol}{(symbol.Contains('_') ? ',' : '_')}{named}";
    }

    private Ageing At(GirderIndex girder, SpanIndex span) => girders[geometry.Sections.MakingIndex(girder + 1, span)];

    /// <summary>
    /// Whether a point ends a span where the next one begins on the same row, whose pieces then begin at the point after it.
    /// </summary>
    private static bool Ends(ImmutableArray<ModelPoint> points, int i) =>
        points[i + 1].Girder == points[i].Girder && points[i + 1].Line == points[i].Line;

    /// <summary>An interval in which the structure stays the same, in days.</summary>
    public sealed record Interval(int Number, StageState State, double From, double To)
    {
        /// <summary>The spans whose girders are followed in it; null for all that stand.</summary>
        public ImmutableArray<int>? Only { get; init; }

        /// <summary>Whether the girders of a span are followed.</summary>
        public bool Follows(SpanIndex span) => Only?.Contains(span) ?? true;
    }

    /// <summary>
    /// Solves creep, shrinkage and losses of prestress of all intervals, after the stages. Returns the values behind them, in words.
    /// </summary>
    public static ImmutableArray<TimeValue> Run(
        BridgeGeometry geometry,
        SolvedModels models,
        ModelLoads loads,
        StrandStresses strands,
        TendonStresses tendons,
        ImmutableArray<StageStep> steps
    )
    {
        var run = new LongTerm(geometry, models, loads, strands, tendons, steps);
        foreach (var interval in Intervals(steps, geometry.Bridge))
            run.Solve(interval);
        return run.told.ToImmutable();
    }

    /// <summary>The intervals of a bridge: from the release of strands where losses are worked out.</summary>
    public static ImmutableArray<Interval> Intervals(IReadOnlyList<StageStep> steps, Bridge bridge) =>
        Intervals(
            steps,
            bridge.Axes.Spans.Length,
            bridge.Actions.LastDay,
            StrandStresses.AreWorkedOut(bridge) ? bridge.Girders.Release.Age : null,
            [.. bridge.Girders.Tendons.Select(t => t.Name)]
        );

    /// <summary>
    /// The intervals in which a slab works with its girder somewhere, or girders are joined; from the release of strands on, those before
    /// too: first those in the yard, girders of each stage by themselves. An interval begins where tendons are jacked.
    /// </summary>
    public static ImmutableArray<Interval> Intervals(
        IReadOnlyList<StageStep> steps,
        int spans,
        double lastDay,
        double? release = null,
        ImmutableHashSet<string>? tendons = null
    )
    {
        List<(StageState State, double From, double To)> all = [];
        for (var i = 0; i < steps.Count; i++)
        {
            var end = i + 1 < steps.Count ? steps[i + 1].Stage.Day : steps[i].Stage.Day;
            Add(steps[i].State, steps[i].Stage.Day, end, steps[i].Stage.LoadNames.Any(l => tendons?.Contains(l) ?? false));
        }
        if (steps.Count > 0)
            Add(Staging.Finished(steps, spans), steps[^1].Stage.Day, Math.Max(lastDay, steps[^1].Stage.Day));
        bool Counts(StageState state) => release is not null || state.Slab.Contains(true) || state.Joined.Contains(true);
        List<Interval> intervals =
        [
            .. steps.Where(s => s.NewGirders.Length > 0 && s.Stage.Day > release).Select(s => InYard(s, release!.Value)),
            .. all.Where(a => a.To > a.From && Counts(a.State)).Select(a => new Interval(0, a.State, a.From, a.To)),
        ];
        return [.. intervals.Select((interval, n) => interval with { Number = n + 1 })];

        void Add(StageState state, double from, double to, bool begins = false)
        {
            if (all.Count > 0 && all[^1].State.Equals(state) && !begins)
                all[^1] = (state, all[^1].From, to);
            else
                all.Add((state, from, to));
        }
    }

    /// <summary>New girders from the release of their strands to the day on which they are set: no prop touches them.</summary>
    private static Interval InYard(StageStep step, double release)
    {
        var state = step.State with { Props = [.. step.State.Props.Select((p, span) => p && !step.NewGirders.Contains(span))] };
        return new(0, state, release, step.Stage.Day) { Only = step.NewGirders };
    }

    private void Solve(Interval interval)
    {
        var (from, to) = (interval.From, interval.To);
        var casts = geometry.SpanIndices.Select(CastOn).OfType<double>().Where(c => c <= from).ToList();
        var cast = casts.Count > 0 ? casts.Max() : from;
        var made = geometry.Bridge.Girders.CastInPlace && casts.Count > 0 ? cast : 0;
        var state = interval.State with
        {
            GirderFactors = [.. girders.Select(g => g.Factor(to - made, from - made, values.Aging))],
            SlabFactor = slab.Factor(to - cast, from - cast, values.Aging),
        };
        var model = models.Of(state, $"day {from:0} to {to:0}, slow");
        var standing = models[model];
        List<ActionResult> before = [.. models.Cases.Where(c => !c.IsPassing && c.Day < to)];
        var creep = Remembered(interval, (girder, row) => Crept(interval, girder, row, before));
        var shrinkage = Remembered(
            interval,
            (girder, row) => Shrunk(interval, standing.SpanOf(row), girder, loads.Made(girder, row).IsSteel)
        );
        SolvedModels.Wanted Case(CaseId id, string name, ActionKind kind, Func<GirderIndex, int, LayerStrain?> strain) =>
            new(id, name, kind, loads.Strain(name, standing, (g, row, _) => strain(g, row)))
            {
                Day = (from + to) / 2,
                Until = to,
                Strain = (p, section) => strain(p.Girder, standing.RowOf(p)) is { } of ? models.Free(of, p, section) : null,
            };
        models.Solve(
            model,
            [
                Case(CaseId.Creep(interval.Number), CaseNames.Creep(from, to), ActionKind.Creep, creep),
                Case(CaseId.Shrinkage(interval.Number), CaseNames.Shrinkage(from, to), ActionKind.Shrinkage, shrinkage),
            ]
        );
        if (strands.WorksOut || tendons.WorksOut)
            Lose(interval, model, creep, shrinkage);
        Tell(interval, state, cast, made);
    }

    /// <summary>What strands lose as the concrete at their height creeps and shrinks in the structure of the interval.</summary>
    private void Lose(
        Interval interval,
        int model,
        Func<GirderIndex, int, LayerStrain?> creep,
        Func<GirderIndex, int, LayerStrain?> shrinkage
    )
    {
        var made = models[model];
        Func<int, double, double> Strain(EffectValues effects, Func<GirderIndex, int, LayerStrain?> free) =>
            (point, level) =>
            {
                var at = models.Layout.Points[point];
                var (section, strain) = (made.Sections[at.Girder][made.RowOf(at)]!, free(at.Girder, made.RowOf(at))!.Girder);
                // The section stays plane: from what the faces of the girder keep of their free strain as stress.
                var bottom = effects[point, GirderEffect.Bottom] / section.Modulus + strain(0);
                var top = effects[point, GirderEffect.GirderTop] / section.Modulus + strain(section.Girder.Depth);
                return bottom + level / section.Girder.Depth * (top - bottom);
            };
        bool Follows(SpanIndex span) => interval.Follows(span) && interval.State.Girders[span];
        var (byCreep, byShrinkage) = (Strain(models.Cases[^2].Effects, creep), Strain(models.Cases[^1].Effects, shrinkage));
        var lost = strands.Over(strands.Lose(interval.From, interval.To, made, Follows, byCreep, byShrinkage));
        var ofTendons = tendons.Lose(interval.From, interval.To, made, Follows, byCreep, byShrinkage);
        var name = CaseNames.Losses(interval.From, interval.To);
        models.Solve(
            model,
            [
                new(CaseId.Losses(interval.Number), name, ActionKind.Losses, loads.Strands(name, made, lost.InPiece, ofTendons.InPiece))
                {
                    Day = (interval.From + interval.To) / 2,
                    Until = interval.To,
                    Primary = p => loads.Primary(made, p, lost.AtPoint(p), ofTendons.AtPoint(p)),
                },
            ]
        );
    }

    /// <summary>The same strains, each worked out once; none where a piece is not followed.</summary>
    private Func<GirderIndex, int, LayerStrain?> Remembered(Interval interval, Func<GirderIndex, int, LayerStrain> strain)
    {
        Dictionary<(GirderIndex, int), LayerStrain> known = [];
        return (girder, row) =>
        {
            if (!interval.Follows(models[0].SpanOf(row)))
                return null;
            if (!known.TryGetValue((girder, row), out var found))
                known[(girder, row)] = found = strain(girder, row);
            return found;
        };
    }

    private void Tell(Interval interval, StageState state, double cast, double made)
    {
        var (from, to) = (interval.From, interval.To);
        var days = $"day {from:0} to {to:0}";
        foreach (var making in Concretes)
        {
            var (creep, shrinkage) = (girders[making].Creep, girders[making].Shrinkage);
            told.Add(new(Name("φ", making), days, creep.At(to - made, from - made), "EN 1992-1-1 (B.1)"));
            told.Add(new(Name("E/E_cm", making), $"age-adjusted modulus over E_cm, {days}", state.GirderFactor(making), "1/(1 + χφ)"));
            told.Add(
                new(Name("ε_cs", making), days, 1000 * (shrinkage.At(to - made) - shrinkage.At(from - made)), "EN 1992-1-1 (3.8)")
                {
                    Unit = "‰",
                }
            );
        }
        if (!interval.State.Slab.Contains(true))
            return;
        told.Add(new("φ_slab", $"{days}, at {from - cast:0} days of age", slab.Creep.At(to - cast, from - cast), "EN 1992-1-1 (B.1)"));
        told.Add(new("E/E_cm,slab", $"age-adjusted modulus over E_cm, {days}", state.SlabFactor, "1/(1 + χφ)"));
        told.Add(
            new("ε_cs,slab", days, 1000 * (slab.Shrinkage.At(to - cast) - slab.Shrinkage.At(from - cast)), "EN 1992-1-1 (3.8)")
            {
                Unit = "‰",
            }
        );
    }

    private double? CastOn(SpanIndex span) => Staging.CastOn(steps, span);

    /// <summary>Day on which the girders of a span were made: precast ones on day 0, others with their slab.</summary>
    private double MadeOn(SpanIndex span) => geometry.Bridge.Girders.CastInPlace ? CastOn(span) ?? 0 : 0;

    /// <summary>Shrinkage in an interval, shortening negative; girders of steel do not shrink.</summary>
    private LayerStrain Shrunk(Interval interval, SpanIndex span, GirderIndex girder, bool steel)
    {
        var (from, to) = (interval.From, interval.To);
        var (ofGirder, made) = (At(girder, span).Shrinkage, MadeOn(span));
        var (below, above) = (steel ? 0 : ofGirder.At(to - made) - ofGirder.At(Math.Max(0, from - made)), 0.0);
        if (CastOn(span) is { } cast && cast < to)
            above = slab.Shrinkage.At(to - cast) - slab.Shrinkage.At(Math.Max(0, from - cast));
        return new(_ => -below, _ => -above, []);
    }

    /// <summary>Free creep of the piece of a girder that begins on a row, from the strains of all that was put on before.</summary>
    private LayerStrain Crept(Interval interval, GirderIndex girder, int row, List<ActionResult> before)
    {
        double onGirder = 0,
            girderCurvature = 0,
            onSlab = 0,
            slabCurvature = 0;
        var span = models[0].SpanOf(row);
        var (steel, cast, point) = (loads.Made(girder, row).IsSteel, CastOn(span) ?? interval.From, pointOf[(girder, row)]);
        var girderCreep = At(girder, span).Creep;
        var (modulus, slabModulus) = (geometry.Sections.Modulus(girder + 1, span), slab.Creep.Concrete.Ecm);
        foreach (var c in before)
        {
            if (models[c.Model].Sections[girder][row] is not { } section)
                continue;
            var forces = Mean(c.Effects, point);
            // Strain at the soffit, and curvature, of the section as it was when the case came.
            var axial = forces.N / (section.Modulus * section.Composite.Area);
            var curvature = forces.M / (section.Modulus * section.Composite.SecondMoment);
            var soffit = axial + curvature * section.Composite.Centroid;
            // Creep goes with σ/E_cm: a stress that came slowly had more strain than that, of the age-adjusted modulus.
            var creep = steel ? 0 : Grown(girderCreep, interval, c.Day, MadeOn(span)) * section.Modulus / modulus;
            (onGirder, girderCurvature) = (onGirder + creep * soffit, girderCurvature + creep * curvature);
            if (!section.HasSlab)
                continue;
            creep = Grown(slab.Creep, interval, c.Day, cast) * section.Ratio * section.Modulus / slabModulus;
            (onSlab, slabCurvature) = (onSlab + creep * soffit, slabCurvature + creep * curvature);
        }
        return new(z => onGirder - girderCurvature * z, z => onSlab - slabCurvature * z, []) { IsAlong = true };
    }

    /// <summary>Growth of the creep factor in an interval for a load since a day, of concrete cast on another.</summary>
    private static double Grown(Creep creep, Interval interval, double day, double cast)
    {
        var loaded = day - cast;
        return creep.At(interval.To - cast, loaded) - (day < interval.From ? creep.At(interval.From - cast, loaded) : 0);
    }

    /// <summary>Mean over the piece that begins at a point: moments run as a parabola whose slopes at both ends are the shears.</summary>
    private SectionForces Mean(EffectValues effects, int point)
    {
        var (a, b) = (effects.Forces(point), effects.Forces(point + 1));
        var length = models.Layout.Points[point + 1].Distance - models.Layout.Points[point].Distance;
        return (0.5 * (a + b)) with { M = (a.M + b.M) / 2 + (a.V - b.V) * length / 12 };
    }
}
