using Pravik.Core.Bridges;
using Pravik.Core.Checks;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Slabs;
using Pravik.Core.Stages;
using Pravik.Core.Validation;

namespace Pravik.Core.Runs;

/// <summary>How far a run is (0 to 1) and what it is doing.</summary>
public readonly record struct RunProgress(double Fraction, string Doing);

/// <summary>A part of all checks of a run: some girders and checks, and no slab.</summary>
/// <param name="Members">Which girders, by a point of theirs.</param>
/// <param name="Checks">Which checks.</param>
/// <param name="RowsOf">The bridge at whose places they look.</param>
public sealed record CheckScope(Func<ModelPoint, bool> Members, Func<ICheck, bool> Checks, BridgeGeometry RowsOf);

/// <summary>From a valid bridge to checked girders: model, stages, actions, traffic, combinations, checks.</summary>
public static class BridgeRun
{
    private const double ModelShare = 0.9;

    /// <summary>Why a bridge is not analysed in this version, or null where it is.</summary>
    public static string? Refusal(Bridge bridge) =>
        ModelRun.Refusal(bridge)
        ?? (
            BridgeValidation.Check(bridge).FirstOrDefault(f => f.Severity == Severity.Fault) is { } fault
                ? $"Not analysed: {fault.Message}"
                : null
        );

    /// <summary>
    /// Throws <see cref="NotSupportedException"/> where <see cref="Refusal(Bridge)"/> has a reason, <see cref="ModelRefusedException"/>
    /// where the model can move or is too large, <see cref="OperationCanceledException"/> when cancelled.
    /// </summary>
    /// <param name="bridge">A valid bridge.</param>
    /// <param name="ground">The ground below it; null where none is given.</param>
    /// <param name="stores">What is kept from run to run.</param>
    /// <param name="progress">Told how far it is.</param>
    /// <param name="only">What is checked; null for all.</param>
    /// <param name="cancel">Stops it.</param>
    public static BridgeResults Run(
        Bridge bridge,
        Ground? ground = null,
        RunStores? stores = null,
        Action<RunProgress>? progress = null,
        CheckScope? only = null,
        CancellationToken cancel = default
    )
    {
        progress?.Invoke(new(0, "Making the model"));
        if (Refusal(bridge) is { } reason)
            throw new NotSupportedException(reason);
        var geometry = new BridgeGeometry(bridge);
        void Report(double fraction, string doing) => progress?.Invoke(new(ModelShare * fraction, doing));
        var model = ModelRun.Run(
            geometry,
            null,
            ground,
            stores?.Factors,
            Report,
            known: stores?.Traffic,
            rowsOf: only?.RowsOf,
            cancel: cancel
        );
        progress?.Invoke(new(ModelShare, "Combinations and checks"));
        return Check(geometry, model, new(bridge, model), stores?.Slabs, only, cancel);
    }

    private static BridgeResults Check(
        BridgeGeometry geometry,
        ModelResults model,
        BridgeEffects effects,
        SlabStore? known,
        CheckScope? only,
        CancellationToken cancel
    )
    {
        var (members, standard) = (GirderMembers.Of(geometry, effects, model), geometry.Bridge.Basis.Standard);
        if (only is not null)
            members = [.. members.Where(m => m.Points.Any(p => only.Members(model.Points[p.Number])))];
        var done = new CheckedMembers(members, GirderMembers.FormOf(geometry), standard, CheckCatalog.NotYet, only?.Checks, cancel);
        var (slabs, refusals) = only is null ? SlabAcross.All(geometry, known, cancel) : ([], []);
        return new(model, effects, done, RatingBases.Of(geometry.Bridge, effects, model)) { Slabs = slabs, SlabRefusals = refusals };
    }
}
