using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;

namespace Pravik.Core.Places;

/// <summary>A stage worked out: what stands under its loads, and what is put on; spans and axes from 0.</summary>
public sealed record StageStep(StageIndex Index, Stage Stage, StageState State)
{
    /// <summary>Spans in which girders are set.</summary>
    public ImmutableArray<int> NewGirders { get; init; } = [];

    /// <summary>Spans in which the slab is cast.</summary>
    public ImmutableArray<int> Pours { get; init; } = [];

    /// <summary>Axes over which girders are joined.</summary>
    public ImmutableArray<int> Joins { get; init; } = [];

    /// <summary>Spans from which props are taken away.</summary>
    public ImmutableArray<int> Releases { get; init; } = [];
}

/// <summary>Works out from the table of stages what stands when.</summary>
public static class Staging
{
    /// <summary>Whether traffic can be put on in a stage: girders stand in every span.</summary>
    public static bool TakesTraffic(StageStep step) => !step.State.Girders.Contains(false);

    /// <summary>The stages in order. What is cast in one is stiff from the next.</summary>
    public static ImmutableArray<StageStep> Steps(Bridge bridge)
    {
        var spans = bridge.Axes.Spans.Length;
        var (state, steps) = (StageState.Nothing(spans), ImmutableArray.CreateBuilder<StageStep>());
        ImmutableArray<int> cast = [],
            joined = [];
        foreach (var stage in bridge.Actions.StagesOf(bridge.Girders, spans))
        {
            ImmutableArray<int> From(string text, int most) => [.. (NumberList.Read(text, most) ?? []).Select(n => n - 1)];
            state = Hardened(state, cast, joined);
            var (girders, releases) = (From(stage.Girders, spans), From(stage.Releases, spans));
            state = state with
            {
                Girders = With(state.Girders, girders, true),
                Props = With(With(state.Props, From(stage.Props, spans), true), releases, false),
            };
            (cast, joined) = (From(stage.Pours, spans), From(stage.Joins, spans + 1));
            steps.Add(
                new(steps.Count, stage, state)
                {
                    NewGirders = girders,
                    Pours = cast,
                    Joins = joined,
                    Releases = releases,
                }
            );
        }
        return steps.ToImmutable();
    }

    /// <summary>Axes (from 0) over which a stage joins girders: piers between spans over which the deck is not parted.</summary>
    public static ImmutableArray<int> JoinedIn(Bridge bridge, StageStep step) =>
        [
            .. step.Joins.Where(a =>
                a > 0 && a < bridge.Axes.Spans.Length && bridge.Axes.Own.GetValueOrDefault($"{a + 1}")?.Kind != AxisKind.Joint
            ),
        ];

    /// <summary>What stands after the last stage, when all that was cast is stiff.</summary>
    public static StageState Finished(IReadOnlyList<StageStep> steps, int spans) =>
        steps.Count == 0 ? StageState.Nothing(spans) : Hardened(steps[^1].State, steps[^1].Pours, steps[^1].Joins);

    /// <summary>
    /// The day from which all that stands in the end stands, and the day on which the slab of a span was cast; null where it never is.
    /// </summary>
    public static double ReadyOn(IReadOnlyList<StageStep> steps, StageState finished) =>
        steps.FirstOrDefault(s => s.State.Equals(finished))?.Stage.Day ?? (steps.Count > 0 ? steps[^1].Stage.Day : 0);

    /// <summary>Day on which the slab of a span is cast; null where it never is.</summary>
    public static double? CastOn(IReadOnlyList<StageStep> steps, SpanIndex span) =>
        steps.FirstOrDefault(s => s.Pours.Contains(span))?.Stage.Day;

    /// <summary>What is wrong with the stages of a bridge.</summary>
    internal static IEnumerable<Finding> Check(Bridge bridge)
    {
        var spans = bridge.Axes.Spans.Length;
        var own = bridge.Actions.Cases.Select(c => c.Name).ToHashSet();
        var tendons = bridge.Girders.Tendons.Select(t => t.Name).ToHashSet();
        List<StageStep> steps = [.. Steps(bridge)];
        var worksOut = !bridge.Girders.CastInPlace && bridge.Girders.Types.Any(t => t.Strands.EffectiveStress is null);
        var path = "/actions/stages";
        foreach (var step in steps)
        {
            var (at, before) = ($"{path}/{step.Index}", step.Index == 0 ? StageState.Nothing(spans) : steps[step.Index - 1].State);
            if (worksOut && step.NewGirders.Length > 0 && step.Stage.Day < bridge.Girders.Release.Age)
                yield return Finding.Error(
                    $"{at}/day",
                    $"Girders are set in stage {step.Index.Number} before their strands are released, on day "
                        + $"{bridge.Girders.Release.Age:0.#}."
                );
            foreach (var span in step.NewGirders.Where(s => before.Girders[s]))
                yield return Finding.Error(
                    $"{at}/girders",
                    $"The girders of span {span + 1} stand already before stage {step.Index.Number}."
                );
            foreach (var span in step.Pours)
            {
                if (!step.State.Girders[span])
                    yield return Finding.Error(
                        $"{at}/pours",
                        $"The slab of span {span + 1} is cast in stage {step.Index.Number} before its girders are set."
                    );
                if (steps.Take(step.Index).Any(s => s.Pours.Contains(span)))
                    yield return Finding.Error(
                        $"{at}/pours",
                        $"The slab of span {span + 1} is cast a second time in stage {step.Index.Number}."
                    );
            }
            foreach (var axis in JoinedIn(bridge, step))
            {
                if (!step.State.Girders[axis - 1] || !step.State.Girders[axis])
                    yield return Finding.Error(
                        $"{at}/joins",
                        $"Girders are joined over axis {axis + 1} in stage {step.Index.Number} before those of both spans are set."
                    );
            }
            foreach (var finding in bridge.Girders.CastInPlace ? InPlace(step, steps, at) : [])
                yield return finding;
            foreach (var span in step.Releases.Where(s => !before.Props[s] && !bridge.Girders.CastInPlace))
                yield return Finding.Error(
                    $"{at}/releases",
                    $"Props are taken away from span {span + 1} in stage {step.Index.Number}, where none stand."
                );
            if (step.Index > 0 && step.Stage.Day < steps[step.Index - 1].Stage.Day)
                yield return Finding.Error(
                    $"{at}/day",
                    $"Stage {step.Index.Number} comes before the one above it: its day must be at least "
                        + $"{steps[step.Index - 1].Stage.Day:0.#}."
                );
            foreach (var load in step.Stage.LoadNames)
            {
                if (tendons.Contains(load))
                {
                    if (step.State.Girders.Contains(false))
                        yield return Finding.Error(
                            $"{at}/loads",
                            $"“{load}” is stressed in stage {step.Index.Number} before the girders of every span are set."
                        );
                    else if (bridge.Girders.CastInPlace && step.State.Slab.Contains(false))
                        yield return Finding.Error(
                            $"{at}/loads",
                            $"“{load}” is stressed in stage {step.Index.Number} before the concrete of every span is stiff: what is cast "
                                + "in a stage carries from the next one."
                        );
                    if (steps.Take(step.Index).Any(s => s.Stage.LoadNames.Contains(load)))
                        yield return Finding.Error($"{at}/loads", $"“{load}” is stressed a second time in stage {step.Index.Number}.");
                }
                else if (!Stage.KnownLoads.Contains(load) && !own.Contains(load))
                    yield return Finding.Error(
                        $"{at}/loads",
                        $"“{load}” is not a load. Known are {string.Join(", ", Stage.KnownLoads.Concat(own).Concat(tendons))}."
                    );
                else if (step.State.Slab.Contains(false))
                    yield return Finding.Error(
                        $"{at}/loads",
                        $"“{load}” lies on the slab, which is not stiff in every span in stage {step.Index.Number}: what is cast in "
                            + "a stage carries from the next one."
                    );
            }
        }
        if (steps.Count == 0)
        {
            yield return Finding.Error(path, "There is no stage.");
            yield break;
        }
        var end = Finished(steps, spans);
        for (var span = 0; span < spans; span++)
        {
            if (!end.Girders[span])
                yield return Finding.Error(path, $"The girders of span {span + 1} are never set.");
            else if (!end.Slab[span])
                yield return Finding.Warning(path, $"The slab of span {span + 1} is never cast: the finished bridge has none there.");
            if (bridge.Girders.CastInPlace && !steps.Exists(s => s.Releases.Contains(span)))
                yield return Finding.Error(path, $"The falsework of span {span + 1} is never struck: nothing of it would weigh.");
            if (end.Props[span])
                yield return Finding.Warning(path, $"The props of span {span + 1} stay for good.");
        }
        foreach (var load in Stage.KnownLoads.Concat(tendons).Where(l => !steps.Exists(s => s.Stage.LoadNames.Contains(l))))
            yield return Finding.Warning(path, $"“{load}” is put on in no stage.");
    }

    /// <summary>What is wrong with a stage of a bridge that is cast in place.</summary>
    private static IEnumerable<Finding> InPlace(StageStep step, List<StageStep> steps, string at)
    {
        foreach (var span in step.NewGirders.Except(step.Pours))
            yield return Finding.Error(
                $"{at}/pours",
                $"Span {span + 1} is cast in one with its slab: both are named in stage {step.Index.Number}."
            );
        foreach (var span in step.Releases)
        {
            if (!step.State.Slab[span])
                yield return Finding.Error(
                    $"{at}/releases",
                    $"The falsework of span {span + 1} is struck in stage {step.Index.Number} before its concrete is stiff: "
                        + "what is cast in a stage carries from the next one."
                );
            if (steps.Take(step.Index).Any(s => s.Releases.Contains(span)))
                yield return Finding.Error(
                    $"{at}/releases",
                    $"The falsework of span {span + 1} is struck a second time in stage {step.Index.Number}."
                );
        }
        if (
            step.Stage.LoadNames.Any()
            && step.State.Girders.Select((g, span) => g && !steps.Take(step.Index + 1).Any(s => s.Releases.Contains(span))).Any(w => w)
        )
            yield return Finding.Error(
                $"{at}/loads",
                $"Something is put on in stage {step.Index.Number} while falsework stands: what that carries is not followed."
            );
    }

    private static StageState Hardened(StageState state, IEnumerable<int> cast, IEnumerable<int> joined) =>
        state with
        {
            Slab = With(state.Slab, cast, true),
            Joined = With(state.Joined, joined, true),
        };

    private static ImmutableArray<bool> With(ImmutableArray<bool> all, IEnumerable<int> which, bool value)
    {
        var result = all.ToBuilder();
        foreach (var i in which.Where(i => i < all.Length))
            result[i] = value;
        return result.ToImmutable();
    }
}
