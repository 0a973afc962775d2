using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Frames;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>Construction stage by stage: each load on the structure of its time.</summary>
/// <remarks>
/// Girders that are set weigh on their own span, and their strands are released, before any prop touches them: props that are put up in
/// the same stage carry what comes after. A prop can push and not pull: where the sum of all that it carries would pull, it lets go, and
/// what it held is put on the structure that is left.
/// </remarks>
public sealed class StageRun
{
    private const int MostReleases = 20;
    private readonly BridgeGeometry geometry;
    private readonly SolvedModels models;
    private readonly ModelLoads loads;
    private ImmutableHashSet<PropPlace> letGo = [];

    private readonly Action<StageStep, int> stood;
    private readonly StrandStresses strands;
    private readonly TendonStresses tendons;

    private StageRun(
        BridgeGeometry geometry,
        SolvedModels models,
        ModelLoads loads,
        StrandStresses strands,
        TendonStresses tendons,
        Action<StageStep, int> stood
    ) =>
        (this.geometry, this.models, this.loads, this.strands, this.tendons, this.stood) = (
            geometry,
            models,
            loads,
            strands,
            tendons,
            stood
        );

    /// <summary>
    /// Solves all stages, and tells of each the model that stands at its end. Throws <see cref="ModelRefusedException"/> where a structure
    /// can move.
    /// </summary>
    public static void Run(
        BridgeGeometry geometry,
        SolvedModels models,
        ModelLoads loads,
        StrandStresses strands,
        TendonStresses tendons,
        ImmutableArray<StageStep> steps,
        Action<double, string> report,
        Action<StageStep, int> stood
    )
    {
        var run = new StageRun(geometry, models, loads, strands, tendons, stood);
        foreach (var step in steps)
        {
            report((double)step.Index / steps.Length, step.Stage.Name);
            run.Put(step);
        }
    }

    private void Put(StageStep step)
    {
        var name = $"stage {step.Index.Number}";
        var number = 0;
        SolvedModels.Wanted Case(string words, ActionKind kind, FrameCase load) =>
            new(CaseId.OfStage(step.Index, ++number), words, kind, load) { Stage = step.Index, Day = step.Stage.Day };
        if (geometry.Bridge.Girders.CastInPlace)
        {
            Strike(step, name, Case);
            Shorten(step, models.Of(step.State, name), Case);
            stood(step, models.Of(step.State, name));
            return;
        }
        if (step.NewGirders.Length > 0)
        {
            var model = models.Of(Before(step), name);
            SetGirders(step, model, Case);
        }
        var released = step.Releases.Length > 0 ? Held(p => step.Releases.Contains(p.Span)) : [];
        letGo = [.. letGo.Where(p => step.State.Props[p.Span])];
        var state = step.State with { LetGo = letGo };
        if (released.Any(r => r.Load != 0))
            models.Solve(models.Of(state, name), [Case(CaseNames.PropsAway, ActionKind.Permanent, Released(released))]);
        released.ForEach(r => models.ForgetProp(r.Node));
        var after = models.Of(state, name);
        models.Solve(after, [.. Laid(step, models[after], Case)]);
        Shorten(step, after, Case);
        LetGo(step, state, name, Case);
        stood(step, models.Of(step.State with { LetGo = letGo }, name));
    }

    /// <summary>
    /// A stage of a bridge that is cast in place: what its falsework carried comes on the structure that stands, then what is put on.
    /// </summary>
    private void Strike(StageStep step, string name, Func<string, ActionKind, FrameCase, SolvedModels.Wanted> put)
    {
        var (model, spans) = (models.Of(step.State, name), step.Releases);
        List<SolvedModels.Wanted> wanted = [];
        if (spans.Length > 0)
        {
            wanted.Add(put(CaseNames.Girders, ActionKind.Permanent, loads.Girders(models[model], spans)));
            wanted.Add(put(CaseNames.Struck(spans), ActionKind.Permanent, loads.Slab(models[model], spans)));
            foreach (var axis in Enumerable.Range(1, geometry.SpanCount - 1).Where(a => spans.Contains(a - 1)))
                wanted.Add(put(CaseNames.Pour(geometry.Axes[axis].Name), ActionKind.Permanent, loads.Joint(axis)));
        }
        wanted.AddRange(Laid(step with { Pours = [], Joins = [] }, models[model], put));
        if (wanted.Count > 0)
            models.Solve(model, wanted);
    }

    /// <summary>The state in which new girders stand alone: props that come with them do not touch yet.</summary>
    private StageState Before(StageStep step) =>
        step.State with
        {
            Props = [.. step.State.Props.Select((p, span) => p && !step.NewGirders.Contains(span))],
            LetGo = letGo,
        };

    /// <summary>Weight of new girders, by which their strands know how the concrete shortens, then their prestress.</summary>
    private void SetGirders(StageStep step, int model, Func<string, ActionKind, FrameCase, SolvedModels.Wanted> put)
    {
        var (made, spans) = (models[model], step.NewGirders);
        var worksOut = strands.WorksOut;
        SolvedModels.Wanted Put(string name, ActionKind kind, FrameCase load) =>
            put(name, kind, load) with
            {
                Day = worksOut ? geometry.Bridge.Girders.Release.Age : step.Stage.Day,
            };
        models.Solve(model, [Put(CaseNames.Girders, ActionKind.Permanent, loads.Girders(made, spans))]);
        if (!IsPrestressed(geometry.Bridge))
            return;
        strands.Release(spans, made, models.Cases[^1].Effects);
        var stress = strands.InSpans(spans);
        models.Solve(
            model,
            [
                Put(CaseNames.Prestress, ActionKind.Prestress, loads.Strands(CaseNames.Prestress, made, stress.InPiece)) with
                {
                    Primary = p => loads.Primary(made, p, stress.AtPoint(p)),
                },
            ]
        );
    }

    private IEnumerable<SolvedModels.Wanted> Laid(
        StageStep step,
        BridgeModel model,
        Func<string, ActionKind, FrameCase, SolvedModels.Wanted> put
    )
    {
        if (step.Pours.Length > 0)
        {
            yield return put(CaseNames.Slab(step.Pours), ActionKind.Permanent, loads.Slab(model, step.Pours));
            if (loads.WetConcrete(model, step.Pours) is { } wet)
                yield return put(CaseNames.Wet(step.Pours), ActionKind.Aside, wet) with
                {
                    IsPassing = true,
                };
        }
        foreach (var axis in Staging.JoinedIn(geometry.Bridge, step))
            yield return put(CaseNames.Pour(geometry.Axes[axis].Name), ActionKind.Permanent, loads.Joint(axis));
        foreach (var load in step.Stage.LoadNames)
        {
            if (load == "edges")
                yield return OnDeck(CaseNames.Edges, ActionKind.Permanent, loads.Edges);
            else if (load == "surfacing")
                yield return OnDeck(CaseNames.Surfacing, ActionKind.Surfacing, loads.Surfacing);
            else if (tendons.Find(load) is { } tendon)
            {
                var stress = tendons.Jack(tendon, step.Stage.Day);
                yield return put(load, ActionKind.Prestress, loads.Strands(load, model, (_, _) => null, stress.InPiece)) with
                {
                    Primary = p => loads.Primary(model, p, null, stress.AtPoint(p)),
                };
            }
            else if (geometry.Bridge.Actions.Cases.FirstOrDefault(c => c.Name == load) is { } own)
                yield return OnDeck(
                    own.Name,
                    own.Action == OwnAction.Surfacing ? ActionKind.Surfacing : ActionKind.Permanent,
                    loads.Own(own)
                );
        }

        SolvedModels.Wanted OnDeck(string name, ActionKind kind, DeckLoads all) =>
            put(name, kind, loads.Case(name, all)) with
            {
                OnDeck = all,
            };
    }

    /// <summary>
    /// What tendons lose as the concrete shortens under those that are jacked in a stage, as a case of that stage.
    /// </summary>
    private void Shorten(StageStep step, int model, Func<string, ActionKind, FrameCase, SolvedModels.Wanted> put)
    {
        var jacked = models
            .Cases.Where(c => c.Stage == step.Index && c.Kind == ActionKind.Prestress && tendons.Find(c.Name) is not null)
            .Select(c => (tendons.Find(c.Name)!.Value, c.Effects))
            .ToList();
        if (jacked.Count == 0 || tendons.Shorten(jacked, models[model], step.Stage.Day) is not { } lost)
            return;
        var (made, name) = (models[model], CaseNames.Shortening(step.Stage));
        models.Solve(
            model,
            [
                put(name, ActionKind.Prestress, loads.Strands(name, made, (_, _) => null, lost.InPiece)) with
                {
                    Primary = p => loads.Primary(made, p, null, lost.AtPoint(p)),
                },
            ]
        );
    }

    /// <summary>Props that stand, with what they carry so far (N, up).</summary>
    private List<(PropPlace Prop, int Node, double Load)> Held(Func<PropPlace, bool> which) =>
        [
            .. models
                .All.SelectMany(m => m.Props)
                .Select(p => (new PropPlace(p.Span, p.Girder), p.Node))
                .Distinct()
                .Where(p => which(p.Item1))
                .Select(p => (p.Item1, p.Node, models.PropForce(p.Node))),
        ];

    /// <summary>What props carried, put on the structure that is left without them.</summary>
    private static FrameCase Released(IEnumerable<(PropPlace Prop, int Node, double Load)> props) =>
        new("Props") { Nodal = [.. props.Where(p => p.Load != 0).Select(p => DeckShares.Down(p.Node, p.Load))] };

    /// <summary>Lets go of props that would pull, the worst first, until none does.</summary>
    private void LetGo(StageStep step, StageState state, string name, Func<string, ActionKind, FrameCase, SolvedModels.Wanted> put)
    {
        for (var i = 0; i < MostReleases; i++)
        {
            var standing = Held(p => state.Props[p.Span] && !letGo.Contains(p));
            var tiny = 1e-9 * standing.Select(p => Math.Abs(p.Load)).DefaultIfEmpty(0).Max();
            if (standing.Count == 0 || standing.MinBy(p => p.Load) is var worst && worst.Load >= -Math.Max(1, tiny))
                return;
            letGo = letGo.Add(worst.Prop);
            state = state with { LetGo = letGo };
            var girder = geometry.Girders[worst.Prop.Girder].Name;
            models.Warn(
                $"The prop under {girder} in span {worst.Prop.Span + 1} would pull in stage {step.Index.Number} and lets go: it "
                    + "carries nothing from then on."
            );
            models.Solve(models.Of(state, name), [put(CaseNames.LetGo(girder, worst.Prop.Span), ActionKind.Permanent, Released([worst]))]);
        }
    }

    /// <summary>Whether girders have strands: some are of concrete, and rows hold some.</summary>
    public static bool IsPrestressed(Bridge bridge) =>
        new BridgeGeometry(bridge, placeGirders: false).Sections.InUse.Any(u =>
            !u.Section.IsSteel && bridge.Girders.Types[u.Type].Strands.Rows.Any(r => r.Count > 0)
        );
}
