using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Effects;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Slabs;
using Pravik.Core.Traffic;

namespace Pravik.Core.Runs;

/// <summary>All results of a bridge: what acts where, and the checks of its girders.</summary>
public sealed class BridgeResults
{
    private readonly CheckedMembers done;
    private readonly IEnumerable<RatingBasis> bases;

    internal BridgeResults(ModelResults model, BridgeEffects effects, CheckedMembers done, IEnumerable<RatingBasis> bases) =>
        (Model, Effects, this.done, this.bases) = (model, effects, done, bases);

    /// <summary>The slabs across of spans that are checked.</summary>
    public ImmutableArray<SlabAcross> Slabs { get; internal init; } = [];

    /// <summary>Why the slab across is not checked in some spans, in words.</summary>
    public ImmutableArray<string> SlabRefusals { get; internal init; } = [];

    /// <summary>The slab with the greatest utilisation; null where none is checked.</summary>
    public SlabAcross? WorstSlab => Slabs.MaxBy(s => s.Governing?.Utilisation ?? 0);

    /// <summary>The girders with all outcomes.</summary>
    public CheckedMembers Done => done;

    /// <summary>Results of the model.</summary>
    public ModelResults Model { get; }

    /// <summary>Every effect and combination.</summary>
    public BridgeEffects Effects { get; }

    /// <summary>The girders as checks see them.</summary>
    public ImmutableArray<Member> Members => done.Members;

    /// <summary>The rating of all traffic that drives, the least factor first; null before <see cref="Rate"/>.</summary>
    public IReadOnlyList<RatedCheck>? Ratings { get; private set; }

    /// <summary>Rates all traffic that drives. Throws <see cref="OperationCanceledException"/> when cancelled.</summary>
    public void Rate(CancellationToken cancel = default) => Ratings ??= Rating.Of(bases, Members, done.Rated, cancel);

    /// <summary>The points of the girders.</summary>
    public ImmutableArray<ModelPoint> Points => Model.Points;

    /// <summary>Outcomes of all checks, point by point.</summary>
    public ImmutableArray<CheckOutcome> Outcomes => done.Outcomes;

    /// <summary>Outcomes by their point.</summary>
    public ILookup<int, CheckOutcome> ByPoint => done.ByPoint;

    /// <summary>Why checks do not cover this bridge.</summary>
    public ImmutableArray<string> Refusals => done.Refusals;

    /// <summary>What was checked, in words.</summary>
    public IEnumerable<string> Checked => [.. done.Checked, .. Slabs.IsEmpty ? [] : new[] { "slab across" }];

    /// <summary>What was not: what this bridge has and no check covers yet.</summary>
    public ImmutableArray<string> NotChecked =>
        [
            .. done.NotChecked,
            .. SlabRefusals,
            .. Slabs.IsEmpty ? [] : SlabAcross.LeftOut,
            .. Slabs.SelectMany(s => s.LeftOutHere).Distinct(),
        ];

    /// <summary>What passes or fails, in words (<see cref="CheckWords"/>).</summary>
    public string Words => CheckWords.Verdict([.. Checked], NotChecked, Worst is { } worst ? (worst.Name, worst.Utilisation) : null);

    /// <summary>The greatest utilisation of girders and slabs and its name; null where nothing was checked.</summary>
    public (string Name, double Utilisation)? Worst =>
        WorstSlab is { Governing: { } slab } of && slab.Utilisation > (Governing?.Utilisation ?? 0)
            ? ($"Slab across in span {of.Span.Number}: {slab.Name.ToLowerInvariant()}", slab.Utilisation)
        : Governing is { } girder ? (girder.Name, girder.Utilisation)
        : null;

    /// <summary>The outcome of a girder with the greatest utilisation; null where none was checked.</summary>
    public CheckOutcome? Governing => done.Governing;

    /// <summary>Whether anything that was checked fails.</summary>
    public bool Fails => done.Fails || Slabs.Any(s => s.Run.Checks.Fails);

    /// <summary>Whether all that applies was checked and passes.</summary>
    public bool Passes => !Fails && !Outcomes.IsEmpty && NotChecked.IsEmpty;

    /// <summary>The greatest utilisation at a point; 0 where nothing was checked.</summary>
    public double UtilisationAt(int point) => done.UtilisationAt(point);

    /// <summary>For each girder, span and check, the outcome with the greatest utilisation: the worst first.</summary>
    public IReadOnlyList<CheckOutcome> GoverningByGirder() =>
        [
            .. Outcomes
                .Where(o => o.Utilisation > 0)
                .GroupBy(o => (Points[o.Point].Girder, Points[o.Point].Span, o.Check))
                .Select(group => group.MaxBy(o => o.Utilisation)!)
                .OrderByDescending(o => o.Utilisation),
        ];

    /// <summary>For each slab across and check, the outcome with the greatest utilisation: the worst first.</summary>
    public IReadOnlyList<(SlabAcross Slab, CheckOutcome Outcome)> GoverningOfSlabs() =>
        [
            .. Slabs
                .SelectMany(s => s.Run.GoverningBySpan().Select(o => (Slab: s, Outcome: o)))
                .OrderByDescending(s => s.Outcome.Utilisation),
        ];

    /// <summary>
    /// The outcome that a path names, such as <c>/parts/results/3/2/51/hogging</c>; the worst of the point without a sense.
    /// </summary>
    public CheckOutcome? Find(string? path)
    {
        if (path is null)
            return null;
        var point = Array.FindIndex([.. Points], p => path == p.Path || path.StartsWith($"{p.Path}/", StringComparison.Ordinal));
        if (point < 0)
            return null;
        var sense = path[Points[point].Path.Length..].TrimStart('/');
        return ByPoint[point].FirstOrDefault(o => o.Check == sense) ?? OfSense(point, sense) ?? ByPoint[point].MaxBy(o => o.Utilisation);
    }

    private CheckOutcome? OfSense(int point, string sense) =>
        ByPoint[point].FirstOrDefault(o => sense.Length > 0 && o.Check.EndsWith($".{sense}", StringComparison.Ordinal));

    /// <summary>
    /// The path by which an outcome is found: by the sense of its check, or by all of its id where another has that sense first.
    /// </summary>
    public string PathOf(CheckOutcome outcome)
    {
        var sense = outcome.Check.Split('.')[^1];
        return $"{Points[outcome.Point].Path}/{(OfSense(outcome.Point, sense)?.Check == outcome.Check ? sense : outcome.Check)}";
    }

    /// <summary>Load model 1 where it stands for the effect behind an outcome of bending; null where traffic has no part in it.</summary>
    public PlacedTraffic? TrafficBehind(CheckOutcome outcome)
    {
        if (outcome.State is not { } state)
            return null;
        var (combinations, greatest) = (Effects.Of(state), outcome.IsGreatest);
        var effect = Model.Layout.At(outcome.Source, outcome.Leads);
        return combinations
            .Governing(effect, greatest)
            .Parts(effect, greatest)
            .Select(p => p.Of.Loading(effect, p.IsGreatest))
            .FirstOrDefault(l => l is not null);
    }

    /// <summary>About how much memory the results take (bytes).</summary>
    public long Bytes =>
        16L * Model.Layout.Count * Effects.All.Length
        + (Model.Traffic?.Bytes ?? 0)
        + Model.Cases.Sum(c => 64L * c.Displacements.Length + 64L * c.Shells.Length)
        + Model.Models.Sum(m => 400L * (m.Frame.Nodes.Length + m.Frame.Beams.Length + m.Frame.Shells.Length));

    /// <summary>The calculation behind an outcome.</summary>
    public void Write(CheckOutcome outcome, Calculation calculation) => done.Write(outcome, calculation);
}
