using System.Collections.Immutable;
using System.Diagnostics;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Frames;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>Thrown where the model of a bridge cannot be solved: which model, in which state, and why.</summary>
public sealed class ModelRefusedException(BridgeModel model, string state, FrameRefusedException reason)
    : Exception($"{reason.Problems[0].Message} ({char.ToUpperInvariant(state[0])}{state[1..]}.)", reason)
{
    /// <summary>The model that can move.</summary>
    public BridgeModel Model { get; } = model;

    /// <summary>The moment of construction, in words.</summary>
    public string State { get; } = state;

    /// <summary>How it moves, where it can: displacements of the joints.</summary>
    public double[][]? Mode { get; } = reason.Mode;
}

/// <summary>
/// The models of a bridge at the moments of its construction, each made and factorised when it is first wanted, and the cases solved on
/// them.
/// </summary>
public sealed class SolvedModels
{
    private readonly ModelBuilder builder;
    private readonly ModelLoads loads;
    private readonly FactorStore factors;
    private readonly CancellationToken cancel;
    private readonly List<BridgeModel> models = [];
    private readonly List<ModelEffects> effects = [];
    private readonly List<ModelEffort> efforts = [];
    private readonly List<ActionResult> cases = [];
    private readonly List<string> warnings = [];
    private readonly Dictionary<CaseId, Dictionary<int, double>> propForces = [];
    private readonly Dictionary<int, double> handedOver = [];
    private readonly BridgeModel finished;
    private (int Model, FrameAnalysis Analysis)? ready;

    /// <param name="builder">Makes models.</param>
    /// <param name="loads">Makes loads.</param>
    /// <param name="factors">Where factors are kept from run to run.</param>
    /// <param name="cancel">Stops it.</param>
    public SolvedModels(ModelBuilder builder, ModelLoads loads, FactorStore factors, CancellationToken cancel)
    {
        (this.builder, this.loads, this.factors, this.cancel) = (builder, loads, factors, cancel);
        // The finished bridge has every seat and member.
        finished = builder.Build(StageState.Finished(builder.Geometry.SpanCount));
        Layout = new(ModelPoint.All(builder.Geometry, builder.Mesh), finished, builder.SlabPoints());
    }

    /// <summary>The places of all effects.</summary>
    public EffectLayout Layout { get; }

    /// <summary>The models made so far.</summary>
    public IReadOnlyList<BridgeModel> All => models;

    /// <summary>The cases solved so far.</summary>
    public IReadOnlyList<ActionResult> Cases => cases;

    /// <summary>What each model cost.</summary>
    public IReadOnlyList<ModelEffort> Efforts => efforts;

    /// <summary>What is told about them, each once.</summary>
    public ImmutableArray<string> Warnings => [.. warnings.Distinct()];

    /// <summary>A model by its place.</summary>
    public BridgeModel this[int model] => models[model];

    /// <summary>The effects of a model by its place.</summary>
    public ModelEffects EffectsOf(int model) => effects[model];

    /// <summary>Tells something.</summary>
    public void Warn(string words) => warnings.Add(words);

    /// <summary>The model of a state, made and factorised the first time that it is wanted.</summary>
    public int Of(StageState state, string name)
    {
        var known = models.FindIndex(m => m.State.Equals(state));
        if (known >= 0)
            return known;
        cancel.ThrowIfCancellationRequested();
        var watch = Stopwatch.StartNew();
        var model = state.Equals(finished.State) ? finished : builder.Build(state);
        var (analysis, reused) = Analysed(model, name);
        models.Add(model);
        effects.Add(new(model, Layout));
        ready = (models.Count - 1, analysis);
        warnings.AddRange(analysis.Warnings);
        warnings.AddRange(model.Unmet.Select(u => $"A change by hand has no part to act on: {u}."));
        var (effort, frame) = (analysis.Effort, model.Frame);
        efforts.Add(
            new(
                name,
                frame.Nodes.Length,
                frame.Beams.Length,
                frame.Shells.Length,
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

    /// <summary>The factor of a model. Only the latest one is held here, so that large models do not need several at once.</summary>
    public FrameAnalysis AnalysisOf(int model)
    {
        if (ready is { } r && r.Model == model)
            return r.Analysis;
        var analysis = Analysed(models[model], "finished bridge").Analysis;
        ready = (model, analysis);
        return analysis;
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

    /// <summary>A case to be solved: what it is, its loads, and what is not in the model's answer.</summary>
    public sealed record Wanted(CaseId Id, string Name, ActionKind Kind, FrameCase Load)
    {
        /// <summary>The stage that puts it on; null for none.</summary>
        public StageIndex? Stage { get; init; }

        /// <summary>Day on which it is put on.</summary>
        public double Day { get; init; }

        /// <summary>Day on which it is over, where it comes with time.</summary>
        public double? Until { get; init; }

        /// <summary>Whether it is gone with the next stage.</summary>
        public bool IsPassing { get; init; }

        /// <summary>Loads on the deck, whose parts at the ends of spans the joints lead straight into the supports.</summary>
        public DeckLoads? OnDeck { get; init; }

        /// <summary>Primary effects of prestress at a point; null for other cases.</summary>
        public Func<ModelPoint, SectionForces>? Primary { get; init; }

        /// <summary>Free strain of the section at a point, whose stresses balance within it; null for other cases.</summary>
        public Func<ModelPoint, LayeredSection, ImposedStrain?>? Strain { get; init; }
    }

    /// <summary>Solves cases on a model and keeps their results.</summary>
    public void Solve(int model, IReadOnlyList<Wanted> wanted)
    {
        cancel.ThrowIfCancellationRequested();
        if (wanted.Count == 0)
            return;
        var solved = AnalysisOf(model).Solve([.. wanted.Select(c => c.Load)], cancel).Cases;
        for (var i = 0; i < wanted.Count; i++)
            Keep(model, wanted[i], solved[i]);
    }

    private void Keep(int model, Wanted wanted, FrameCaseResults solved)
    {
        var (made, of) = (models[model], effects[model]);
        var values = of.Read(solved);
        var secondary = wanted.Primary is null ? null : new EffectValues(Layout, (double[])values.Clone());
        for (var p = 0; p < Layout.Points.Length; p++)
        {
            if (wanted.OnDeck is { } onDeck && of.Stands(Layout.Points[p]))
                values[Layout.At(p, GirderEffect.V)] += loads.EndShear(onDeck, Layout.Points[p]);
            if (wanted.Primary is { } primary)
                AddPrimary(values, of, p, primary(Layout.Points[p]));
            if (
                wanted.Strain is { } strain
                && of.SectionAt(Layout.Points[p]) is { } section
                && strain(Layout.Points[p], section) is { } free
            )
                AddBalanced(values, p, section, free);
        }
        if (!made.Props.IsEmpty)
            propForces[wanted.Id] = made.Props.ToDictionary(p => p.Node, p => solved.ReactionAt(p.Node)?[2] ?? 0);
        cases.Add(
            new(wanted.Id, wanted.Name, wanted.Kind, model, new(Layout, values))
            {
                Stage = wanted.Stage,
                Day = wanted.Day,
                Until = wanted.Until,
                IsPassing = wanted.IsPassing,
                Load = wanted.Load,
                Secondary = secondary,
                Displacements = solved.Displacements,
                Shells = solved.Shells,
                Account = new([.. solved.Applied], [.. solved.Reacted], solved.Imbalance),
            }
        );
    }

    private void AddPrimary(double[] values, ModelEffects of, int point, SectionForces primary)
    {
        values[Layout.At(point, GirderEffect.N)] += primary.N;
        values[Layout.At(point, GirderEffect.V)] += primary.V;
        values[Layout.At(point, GirderEffect.M)] += primary.M;
        of.AddStresses(values, point);
    }

    private void AddBalanced(double[] values, int point, LayeredSection section, ImposedStrain free)
    {
        values[Layout.At(point, GirderEffect.Bottom)] += free.GirderStress(0);
        values[Layout.At(point, GirderEffect.GirderTop)] += free.GirderStress(section.Girder.Depth);
        if (section.HasSlab)
            values[Layout.At(point, GirderEffect.SlabTop)] += free.SlabStress(section.SlabMiddle + section.SlabThickness / 2);
    }

    /// <summary>Stresses that stay in a section under free strains of the layers of a piece.</summary>
    public ImposedStrain Free(LayerStrain strain, ModelPoint point, LayeredSection section) =>
        new(section, loads.Made(point.Girder, models[0].RowOf(point)), strain.Girder, strain.Slab, strain.Corners);

    /// <summary>Force up of a prop (N) by all that it carries, at a joint.</summary>
    public double PropForce(int node) =>
        cases.Where(c => !c.IsPassing).Sum(c => propForces.GetValueOrDefault(c.Id)?.GetValueOrDefault(node) ?? 0)
        - handedOver.GetValueOrDefault(node);

    /// <summary>Takes a prop away: what it carries until now counts no more.</summary>
    public void ForgetProp(int node) => handedOver[node] = handedOver.GetValueOrDefault(node) + PropForce(node);
}
