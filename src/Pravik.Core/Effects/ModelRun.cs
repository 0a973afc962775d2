using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Frames;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Effects;

/// <summary>
/// From a bridge to all that acts in it: construction stage by stage, creep and shrinkage, actions on the finished bridge, and traffic,
/// all from one model.
/// </summary>
public static class ModelRun
{
    /// <summary>Why the model of a bridge is not run in this version, or null where it is.</summary>
    public static string? Refusal(Bridge bridge) =>
        !new BridgeGeometry(bridge).IsComplete ? "Not modelled: girders that are not in every span" : null;

    /// <summary>
    /// Runs the model of a bridge that can be analysed. Throws <see cref="ModelRefusedException"/> where the model can move or is too
    /// large, <see cref="OperationCanceledException"/> when cancelled.
    /// </summary>
    /// <param name="geometry">The bridge.</param>
    /// <param name="choices">Its model; null for the bridge's own choice.</param>
    /// <param name="ground">The ground, for foundations and the height above it.</param>
    /// <param name="factors">Where factors are kept from run to run.</param>
    /// <param name="report">Told how far it is (0 to 1), and what it is doing.</param>
    /// <param name="withTraffic">Whether traffic is wanted.</param>
    /// <param name="known">Where traffic is kept from run to run.</param>
    /// <param name="rowsOf">The bridge whose steel places the rows of the mesh; null for the same.</param>
    /// <param name="cancel">Stops it.</param>
    public static ModelResults Run(
        BridgeGeometry geometry,
        ModelChoices? choices = null,
        Ground? ground = null,
        FactorStore? factors = null,
        Action<double, string>? report = null,
        bool withTraffic = true,
        TrafficStore? known = null,
        BridgeGeometry? rowsOf = null,
        CancellationToken cancel = default
    )
    {
        void Say(double fraction, string doing) => report?.Invoke(fraction, doing);
        var chosen = choices ?? geometry.Bridge.Model;
        var builder = new ModelBuilder(geometry, chosen, ground, rowsOf);
        var loads = new ModelLoads(geometry, builder.Mesh, chosen);
        var models = new SolvedModels(builder, loads, factors ?? new(), cancel);
        var steps = Staging.Steps(geometry.Bridge);
        var finished = models.Of(Staging.Finished(steps, geometry.SpanCount), "finished bridge");
        var strands = new StrandStresses(geometry, models.Layout.Points);
        var tendons = new TendonStresses(geometry, models.Layout.Points, loads.Tendons);
        // Traffic needs the finished bridge alone, and runs beside the stages.
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var traffic = withTraffic ? Task.Run(Traffic(models.AnalysisOf(finished)), CancellationToken.None) : null;
        ImmutableArray<TimeValue> told;
        List<TrafficInStage> inStages = [];
        try
        {
            StageRun.Run(geometry, models, loads, strands, tendons, steps, (f, doing) => Say(0.3 * f, doing), Stood);
            Say(0.3, "Creep and shrinkage");
            told = LongTerm.Run(geometry, models, loads, strands, tendons, steps);
            Say(0.4, "Actions on the finished bridge");
            models.Solve(finished, [.. ActionCases.Of(geometry, models, finished, loads, ground)]);
        }
        catch
        {
            stop.Cancel();
            traffic?.ContinueWith(t => t.Exception, TaskScheduler.Default).Wait(CancellationToken.None);
            throw;
        }
        // Stages first, then what comes with time, then actions.
        return new([.. models.All], models.Layout, steps, [.. models.Cases.OrderBy(c => c.Stage is null ? 1 : 0)])
        {
            Efforts = [.. models.Efforts],
            FinishedModel = finished,
            Warnings = models.Warnings,
            TimeValues = told,
            Strands = strands,
            Tendons = tendons,
            Traffic = traffic?.GetAwaiter().GetResult(),
            InStages = [.. inStages],
        };

        void Stood(StageStep step, int model)
        {
            if (!withTraffic || !Staging.TakesTraffic(step) || TrafficPlan.InStage(geometry, step.Stage) is not { IsEmpty: false } driving)
                return;
            var target = TargetOf(model, models.AnalysisOf(model));
            inStages.Add(new(step.Index, TrafficRun.Run(target, driving, cancel: cancel)));
        }

        TrafficTarget TargetOf(int model, FrameAnalysis analysis) =>
            new(geometry, models[model], models.Layout, models.EffectsOf(model), new(models[model].Mesh, chosen), analysis);

        Func<TrafficResults> Traffic(FrameAnalysis analysis)
        {
            var target = TargetOf(finished, analysis);
            var key = known is null ? "" : TrafficStore.KeyOf(geometry.Bridge, chosen, models[finished].Frame);
            if (known?.Find(key) is { } before)
                return () => before;
            void Tell(double f) => Say(0.5 + 0.5 * f, "Traffic on every effect");
            return () =>
            {
                var found = TrafficRun.Run(
                    target,
                    TrafficPlan.Of(geometry),
                    null,
                    Tell,
                    TrafficPlan.HasLorries(geometry.Bridge),
                    stop.Token
                );
                if (geometry.Bridge.Basis.Standard == Standard.Lrfd)
                    found.Shares = GirderShares.Of(target, stop.Token);
                known?.Keep(key, found);
                return found;
            };
        }
    }
}
