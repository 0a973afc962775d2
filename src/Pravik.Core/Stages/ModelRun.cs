using System.Collections.Immutable;
using System.Diagnostics;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Roads;

namespace Pravik.Core.Stages;

/// <summary>Thrown where the model of a bridge cannot be solved: which model, in which state, and why.</summary>
public sealed class ModelRefusedException(BridgeModel model, string state, FrameRefusedException reason)
    : Exception($"{reason.Problems[0].Message} ({char.ToUpperInvariant(state[0])}{state[1..]}.)", reason)
{
    public BridgeModel Model { get; } = model;
    public string State { get; } = state;

    /// <summary>How it moves, where it can: displacements of the joints.</summary>
    public double[][]? Mode { get; } = reason.Mode;
}

/// <summary>
/// From a bridge to the results of its model: construction stage by stage, each load on the structure of its time, creep and shrinkage
/// after that, and actions on the finished bridge.
/// </summary>
public sealed class ModelRun
{
    private readonly BridgeGeometry geometry;
    private readonly ModelBuilder builder;
    private readonly ModelLoads loads;
    private readonly ImmutableArray<StageStep> steps;
    private readonly ImmutableArray<ModelPoint> points;
    private readonly FactorStore factors;
    private readonly Action<double, string> report;
    private readonly CancellationToken cancel;
    private readonly List<BridgeModel> models = [];
    private (int Model, FrameAnalysis Analysis)? ready;
    private readonly List<ModelEffort> efforts = [];
    private readonly List<ActionResult> cases = [];
    private readonly List<string> warnings = [];

    private ModelRun(
        BridgeGeometry geometry,
        ModelChoices choices,
        Ground? ground,
        FactorStore factors,
        Action<double, string> report,
        CancellationToken cancel
    )
    {
        (this.geometry, this.factors, this.report, this.cancel) = (geometry, factors, report, cancel);
        builder = new(geometry, choices, ground);
        loads = new(geometry, builder.Mesh, choices);
        steps = Staging.Steps(geometry.Bridge);
        points = ModelPoint.All(geometry, builder.Mesh);
    }

    /// <summary>
    /// Runs the model of a bridge that can be analysed. Throws <see cref="ModelRefusedException"/> where the model can move or is too
    /// large, <see cref="OperationCanceledException"/> when cancelled.
    /// </summary>
    /// <param name="geometry">The bridge.</param>
    /// <param name="choices">Its model; null for the bridge's own choice.</param>
    /// <param name="ground">The ground, for foundations.</param>
    /// <param name="factors">Where factors are kept from run to run.</param>
    /// <param name="report">Told how far it is (0 to 1), and what it is doing.</param>
    /// <param name="cancel">Stops it.</param>
    public static ModelResults Run(
        BridgeGeometry geometry,
        ModelChoices? choices = null,
        Ground? ground = null,
        FactorStore? factors = null,
        Action<double, string>? report = null,
        CancellationToken cancel = default
    ) => new ModelRun(geometry, choices ?? geometry.Bridge.Model, ground, factors ?? new(), report ?? ((_, _) => { }), cancel).Run();

    private ModelResults Run()
    {
        foreach (var step in steps)
            RunStage(step);
        var finished = ModelOf(Staging.Finished(steps, geometry.SpanCount), "finished bridge");
        report(0.6, "Actions on the finished bridge");
        RunFinished(finished);
        report(0.8, "Creep and shrinkage");
        var later = new LongTerm(geometry, steps, models[finished].State, points);
        RunLater(later);
        // Stages first, then what comes with time, then actions.
        return new([.. models], points, steps, [.. cases.OrderBy(c => c.Kind)])
        {
            Efforts = [.. efforts],
            FinishedModel = finished,
            Warnings = [.. warnings.Distinct()],
            TimeValues = later.TimeValues,
        };
    }

    /// <summary>The model of a state, made and factorised the first time that it is wanted.</summary>
    private int ModelOf(StageState state, string name)
    {
        var known = models.FindIndex(m => m.State.Equals(state));
        if (known >= 0)
            return known;
        cancel.ThrowIfCancellationRequested();
        var watch = Stopwatch.StartNew();
        var model = builder.Build(state);
        var (analysis, reused) = Analysed(model, name);
        models.Add(model);
        ready = (models.Count - 1, analysis);
        warnings.AddRange(analysis.Warnings);
        warnings.AddRange(model.Unmet.Select(u => $"A change by hand has no part to act on: {u}."));
        var effort = analysis.Effort;
        efforts.Add(
            new(
                name,
                model.Frame.Nodes.Length,
                model.Frame.Beams.Length,
                model.Frame.Shells.Length,
                effort.Unknowns,
                effort.Entries,
                effort.LeastPivot,
                effort.GreatestPivot,
                watch.Elapsed.TotalSeconds,
                reused
            )
        );
        return models.Count - 1;
    }

    private (FrameAnalysis Analysis, bool Reused) Analysed(BridgeModel model, string name)
    {
        try
        {
            return factors.Of(model.Frame, cancel);
        }
        catch (FrameRefusedException refused)
        {
            throw new ModelRefusedException(model, name, refused);
        }
    }

    private void RunStage(StageStep step)
    {
        report(0.6 * step.Number / steps.Length, step.Stage.Name);
        var model = ModelOf(step.State, $"stage {step.Number + 1}");
        var (made, stage) = (models[model], step.Number + 1);
        List<(string Name, FrameCase Case, GirderEffects? Primary)> all = [];
        if (step.NewGirders.Length > 0)
        {
            all.Add((CaseNames.Girders, loads.Girders(made, step.NewGirders), null));
            if (IsPrestressed(geometry.Bridge))
                all.Add((CaseNames.Prestress, loads.Prestress(made, step.NewGirders), Primary(step.NewGirders, made)));
        }
        if (step.Releases.Length > 0)
            all.Add((CaseNames.PropsAway, Release(step), null));
        if (step.Pours.Length > 0)
            all.Add((CaseNames.Slab(step.Pours), loads.Slab(made, step.Pours), null));
        foreach (var axis in Staging.JoinedIn(geometry.Bridge, step))
            all.Add((CaseNames.Pour(geometry.Axes[axis].Name), loads.Joint(axis), null));
        foreach (var load in step.Stage.LoadNames)
        {
            if (load == "edges")
                all.Add((CaseNames.Edges, loads.Edges(made), null));
            else if (load == "surfacing")
                all.Add((CaseNames.Surfacing, loads.Surfacing(made), null));
            else if (geometry.Bridge.Girders.Tendons.FirstOrDefault(t => t.Name == load) is { } tendon)
                all.Add((tendon.Name, loads.Tendon(made, tendon), Primary(tendon, made)));
            else if (geometry.Bridge.Actions.Cases.FirstOrDefault(c => c.Name == load) is { } own)
                all.Add((own.Name, loads.Own(made, own), null));
        }
        if (all.Count == 0)
            return;
        var solved = Solve(model, [.. all.Select(c => c.Case)]);
        for (var i = 0; i < all.Count; i++)
            Add($"stage{stage}.{i + 1}", all[i].Name, ActionKind.Stage, model, solved[i], all[i].Primary, step.Number);
    }

    /// <summary>What props carried so far, put on the structure that is left without them.</summary>
    private FrameCase Release(StageStep step)
    {
        var before = cases.Where(c => models[c.Model].Props.Any(p => step.Releases.Contains(p.Span))).ToList();
        var nodes = before.SelectMany(c => models[c.Model].Props).Where(p => step.Releases.Contains(p.Span)).Select(p => p.Node).Distinct();
        return new("Props")
        {
            Nodal =
            [
                .. nodes.Select(n => new NodalLoad(n, new(0, 0, -before.Sum(c => propReactions[c.Id].GetValueOrDefault(n))), default)),
            ],
        };
    }

    private readonly Dictionary<string, Dictionary<int, double>> propReactions = [];

    private GirderEffects Primary(Tendon tendon, BridgeModel model)
    {
        var (forces, pull) = (new SectionForces[points.Length], loads.Pull(tendon));
        for (var i = 0; i < points.Length; i++)
        {
            if (tendon.IsIn(points[i].Span))
                forces[i] = new(
                    -pull,
                    0,
                    0,
                    0,
                    -pull * (SectionAt(model, points[i])!.Composite.Centroid - tendon.LevelAt(points[i].Fraction)),
                    0
                );
        }
        return new([.. forces], [.. new double[points.Length]]);
    }

    private GirderEffects Primary(ImmutableArray<int> spans, BridgeModel model)
    {
        var forces = new SectionForces[points.Length];
        for (var i = 0; i < points.Length; i++)
        {
            if (!spans.Contains(points[i].Span))
                continue;
            var (force, moment) = loads.Primary(
                geometry.Girders[points[i].Girder],
                points[i].Span,
                points[i].Fraction,
                SectionAt(model, points[i])!.Girder.Centroid
            );
            forces[i] = new(force, 0, 0, 0, moment, 0);
        }
        return new([.. forces], [.. new double[points.Length]]);
    }

    /// <summary>Whether girders have strands: some are of concrete, and rows hold some.</summary>
    public static bool IsPrestressed(Bridge bridge) =>
        bridge.Girders.Strands.Rows.Any(r => r.Count > 0)
        && new BridgeGeometry(bridge, placeGirders: false).SectionsInUse.Any(s => !s.IsSteel);

    /// <summary>Why the model of a bridge is not run in this version, or null where it is.</summary>
    public static string? Refusal(Bridge bridge) =>
        bridge.Girders.CastInPlace ? "Not modelled: girders cast in place"
        : !new BridgeGeometry(bridge).IsComplete ? "Not modelled: girders that are not in every span"
        : null;

    private void RunFinished(int model)
    {
        var (made, actions) = (models[model], geometry.Bridge.Actions);
        List<(string Id, string Name, ActionKind Kind, FrameCase Case, Func<ModelPoint, LayeredSection, ImposedStrain>? Strain)> all =
        [
            ("expansion", CaseNames.Expansion(actions), ActionKind.Temperature, ModelLoads.Uniform(made, actions.Expansion), null),
            ("contraction", CaseNames.Contraction(actions), ActionKind.Temperature, ModelLoads.Uniform(made, -actions.Contraction), null),
        ];
        foreach (
            var (id, name, profile) in new (string, string, Func<double, TemperatureProfile>)[]
            {
                ("heating", CaseNames.Heating, TemperatureProfile.Heating),
                ("cooling", CaseNames.Cooling, TemperatureProfile.Cooling),
            }
        )
        {
            LayerStrain Of(int girder, int row, LayeredSection section)
            {
                if (loads.Made(girder, row).IsSteel)
                    return TemperatureProfile.OnSteel(section, id == "heating", ModelBuilder.Expansion);
                var line = profile(section.HasSlab ? section.SlabMiddle + section.SlabThickness / 2 : section.Girder.Depth);
                return new(z => ModelBuilder.Expansion * line.AtHeight(z), z => ModelBuilder.Expansion * line.AtHeight(z), line.Corners)
                {
                    IsAlong = true,
                };
            }
            all.Add((id, name, ActionKind.Temperature, loads.Strain(name, made, Of), (p, s) => Free(Of(p.Girder, RowOf(p), s), p, s)));
        }
        for (var axis = 0; axis < geometry.Axes.Length; axis++)
        {
            var settlement = CaseNames.SettlementOf(actions, axis);
            if (settlement != 0)
                all.Add(
                    (
                        $"settlement{axis + 1}",
                        CaseNames.Settlement(geometry.Axes[axis].Name, settlement),
                        ActionKind.Settlement,
                        ModelLoads.Settlement(made, axis, settlement),
                        null
                    )
                );
        }
        all.Add(("braking", CaseNames.Braking, ActionKind.Horizontal, loads.Braking(made), null));
        all.Add(("wind", CaseNames.Wind, ActionKind.Horizontal, loads.Wind(made), null));
        for (var i = 0; i < actions.Cases.Length; i++)
            all.Add(($"own{i + 1}", actions.Cases[i].Name, ActionKind.Own, loads.Own(made, actions.Cases[i]), null));
        var solved = Solve(model, [.. all.Select(c => c.Case)]);
        for (var i = 0; i < all.Count; i++)
            Add(all[i].Id, all[i].Name, all[i].Kind, model, solved[i], strain: all[i].Strain);
    }

    private void RunLater(LongTerm later)
    {
        var model = ModelOf(later.State, "finished bridge, slow");
        var (made, stages) = (models[model], cases.Where(c => c.Stage is not null).ToList());
        LayerStrain Creep(int girder, int row) =>
            later.Creep(girder, row, builder.Mesh.SpanOf(row), loads.Made(girder, row).IsSteel, stages, models);
        LayerStrain Shrink(int girder, int row) => later.Shrink(builder.Mesh.SpanOf(row), loads.Made(girder, row).IsSteel);
        var solved = Solve(
            model,
            [loads.Strain("Creep", made, (g, row, _) => Creep(g, row)), loads.Strain("Shrinkage", made, (g, row, _) => Shrink(g, row))]
        );
        Add(
            "creep",
            CaseNames.Creep(geometry.Bridge.Actions),
            ActionKind.LongTerm,
            model,
            solved[0],
            strain: (p, s) => Free(Creep(p.Girder, RowOf(p)), p, s)
        );
        Add(
            "shrinkage",
            CaseNames.Shrinkage(geometry.Bridge.Actions),
            ActionKind.LongTerm,
            model,
            solved[1],
            strain: (p, s) => Free(Shrink(p.Girder, RowOf(p)), p, s)
        );
    }

    private ImposedStrain Free(LayerStrain strain, ModelPoint point, LayeredSection section) =>
        new(section, loads.Made(point.Girder, RowOf(point)), strain.Girder, strain.Slab, strain.Corners);

    private ImmutableArray<(FrameCase Load, FrameCaseResults Results)> Solve(int model, List<FrameCase> all)
    {
        cancel.ThrowIfCancellationRequested();
        // Only the latest factor is held here, so that large models do not need several at once.
        var analysis = ready is { } r && r.Model == model ? r.Analysis : Analysed(models[model], "finished bridge").Analysis;
        ready = (model, analysis);
        return [.. all.Zip(analysis.Solve(all, cancel).Cases)];
    }

    private void Add(
        string id,
        string name,
        ActionKind kind,
        int model,
        (FrameCase Load, FrameCaseResults Results) put,
        GirderEffects? primary = null,
        int? stage = null,
        Func<ModelPoint, LayeredSection, ImposedStrain>? strain = null
    )
    {
        var (made, solved) = (models[model], put.Results);
        var effects = EffectReader.Read(geometry, made, solved, points);
        var at = solved.Reactions.ToDictionary(r => r.Node, r => r.Force);
        if (!made.Props.IsEmpty)
            propReactions[id] = made.Props.ToDictionary(p => p.Node, p => at[p.Node][2]);
        var result = new ActionResult(id, name, kind, model, effects)
        {
            Stage = stage,
            Load = put.Load,
            Primary = primary,
            Displacements = solved.Displacements,
            Reactions = [.. made.Seats.Select(s => Reaction(made, s, solved, at))],
            Others = [.. made.Others.Select(o => Ends(o, solved.Beams[o.Beam]))],
            Shells = solved.Shells,
            Account = new([.. solved.Applied], [.. solved.Reacted], solved.Imbalance),
        };
        cases.Add(result with { Stresses = Stresses(made, result.Total, strain) });
    }

    private SeatReaction Reaction(BridgeModel model, ModelSeat seat, FrameCaseResults solved, Dictionary<int, double[]> at)
    {
        if (seat.Spring is { } spring)
            return new(seat.Axis, seat.Girder, -solved.Springs[spring][0], -solved.Springs[spring][1], -solved.Springs[spring][2]);
        var direction = builder.Mesh.Nodes[builder.Mesh.OfGirder(seat.Girder, seat.Line)].Direction;
        var (force, (sin, cos)) = (at[seat.Node], Math.SinCos(direction));
        return new(seat.Axis, seat.Girder, force[0] * cos + force[1] * sin, -force[0] * sin + force[1] * cos, force[2]);
    }

    private static MemberResult Ends(ModelMember member, BeamForces f)
    {
        SectionForces At(int i) => new(f.N[i], f.Vy[i], f.Vz[i], f.T[i], f.My[i], f.Mz[i]);
        return new(member.Name, At(0), At(f.At.Length - 1));
    }

    /// <summary>
    /// σ = N/A ∓ M/W at soffit, girder top and slab top in the material of each, with what free strains leave in the section.
    /// </summary>
    private ImmutableArray<FaceStresses> Stresses(
        BridgeModel model,
        GirderEffects total,
        Func<ModelPoint, LayeredSection, ImposedStrain>? strain
    )
    {
        var stresses = new FaceStresses[points.Length];
        for (var i = 0; i < points.Length; i++)
        {
            if (SectionAt(model, points[i]) is not { } section)
                continue;
            var (force, whole) = (total.Forces[i], section.Composite);
            double At(double z) => force.N / whole.Area + force.M * (whole.Centroid - z) / whole.SecondMoment;
            var top = section.HasSlab ? section.SlabMiddle + section.SlabThickness / 2 : 0;
            stresses[i] = new(At(0), At(section.Girder.Depth), section.HasSlab ? section.Ratio * At(top) : 0);
            if (strain?.Invoke(points[i], section) is { } free)
                stresses[i] += new FaceStresses(free.GirderStress(0), free.GirderStress(section.Girder.Depth), free.SlabStress(top));
        }
        return [.. stresses];
    }

    private LayeredSection? SectionAt(BridgeModel model, ModelPoint point) => model.Sections[point.Girder][RowOf(point)];

    /// <summary>The piece at a point: the one ahead of it, at the end of a span the one behind.</summary>
    private int RowOf(ModelPoint point) => Math.Min(point.Line, builder.Mesh.Spans[point.Span].Last - 1);
}
