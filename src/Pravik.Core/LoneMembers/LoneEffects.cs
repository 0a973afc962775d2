using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Frames;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

namespace Pravik.Core.LoneMembers;

/// <summary>A case of a member alone.</summary>
/// <param name="Kind">Kind of action, by which it enters combinations.</param>
/// <param name="Range">What it does.</param>
/// <param name="Results">The same with its load and the reactions to it.</param>
public sealed record LoneCaseRange(ActionKind Kind, EffectRange Range, LoneCaseResults Results)
{
    /// <summary>What supports answer to prestress, without the primary part; null for other cases.</summary>
    public EffectRange? Secondary { get; init; }

    /// <summary>The case as it was entered; null for others.</summary>
    public LoneCase? Own { get; init; }
}

/// <summary>Traffic on a member: a model in one lane.</summary>
/// <param name="Model">The model.</param>
/// <param name="Use">How it is used.</param>
/// <param name="Range">What it does.</param>
/// <param name="Reactions">Greatest and least reaction of each support (N).</param>
public sealed record LoneTrafficRange(
    TrafficModel Model,
    LoneTraffic Use,
    EffectRange Range,
    ImmutableArray<(double Greatest, double Least)> Reactions
);

/// <summary>What acts along a member alone: cases, traffic, and combinations by EN 1990.</summary>
public sealed class LoneEffects
{
    private readonly LoneMember member;
    private readonly EffectLayout layout;
    private readonly NationalValues values;
    private readonly List<LoneCaseRange> cases = [];
    private readonly List<LoneTrafficRange> traffic = [];
    private readonly Dictionary<LimitState, EffectRange> states = [];
    private readonly List<EffectRange> combinations = [];
    private readonly ImmutableArray<SlowInterval> slow = [];

    internal LoneEffects(LoneMember member, LonePlaces places, LoneSections sections)
    {
        (this.member, layout, values) = (member, new(places.Points), member.Basis.Values);
        if (member.Effects is { } tables)
        {
            FromTables(tables, places, sections);
            return;
        }
        var whole = new LoneModel(member, places, sections, layout, true);
        var alone = member.StandsBeforeSlab ? new LoneModel(member, places, sections, layout, false) : whole;
        AddWeights(sections, alone);
        if (member.WorksOutLosses)
            Losses = new(member, places, sections, p => cases[0].Range.Greatest[p, GirderEffect.M]);
        AddPrestress(places, sections, alone);
        AddCases(places, alone, whole);
        if (Losses is not null)
            slow = new LoneSlow(places, layout, whole, Losses, cases).AddTo(cases);
        var temperature = AddTemperature(whole);
        var settlements = AddSettlements(places, whole);
        var groups = AddTraffic(places, whole);
        FrequentTraffic = CombinationParts.FrequentTraffic(groups);
        Combine(temperature, settlements, groups);
    }

    /// <summary>Cases: weights, prestress, own cases, temperature, settlements; none where effects are given.</summary>
    public IReadOnlyList<LoneCaseRange> Cases => cases;

    /// <summary>Traffic, each model by itself.</summary>
    public IReadOnlyList<LoneTrafficRange> Traffic => traffic;

    /// <summary>All combinations.</summary>
    public IReadOnlyList<EffectRange> Combinations => combinations;

    /// <summary>Losses of strands; null where they are not worked out.</summary>
    public LoneLosses? Losses { get; }

    /// <summary>The places of the effects.</summary>
    public EffectLayout Layout => layout;

    /// <summary>The envelopes of all combinations by limit state, the ultimate first.</summary>
    public IReadOnlyDictionary<LimitState, EffectRange> States => states;

    /// <summary>Traffic at its frequent value and trains, by themselves; null for none.</summary>
    public EffectRange? FrequentTraffic { get; }

    /// <summary>The envelope of all combinations of a limit state.</summary>
    public EffectRange Of(LimitState state) => states[state];

    /// <summary>What prestress does, losses off.</summary>
    public EffectValues Prestress =>
        EffectValues.Sum(
            layout,
            cases.Where(c => c.Kind is ActionKind.Prestress or ActionKind.Losses).Select(c => (1.0, c.Range.Greatest))
        );

    /// <summary>Moments while it is built, the release of strands first; none where losses are not worked out.</summary>
    public ImmutableArray<MemberStage> Stages => Losses is null ? [] : LoneSlow.Stages(member, layout, Losses, cases);

    private void Add(ActionKind kind, string name, LoneCaseResults results, LoneCase? own = null) =>
        cases.Add(new(kind, EffectRange.Of(name, results.Effects), results) { Own = own });

    private void AddWeights(LoneSections sections, LoneModel alone)
    {
        var solved = alone.Solve([alone.Even("weight", s => sections.Weight(s).Own), alone.Even("slab", s => sections.Weight(s).Slab)]);
        Add(ActionKind.Permanent, "Weight of the member", solved[0]);
        if (member.Slab is not null)
            Add(ActionKind.Permanent, "Weight of the slab", solved[1]);
    }

    /// <summary>
    /// Prestress on the member alone, with the stress just after release or that which is entered: what strands do where they are, and
    /// what supports answer.
    /// </summary>
    private void AddPrestress(LonePlaces places, LoneSections sections, LoneModel alone)
    {
        if (!member.HasStrands || (Losses is null && member.Strands.EffectiveStress is null))
            return;
        var entered = member.Strands.EffectiveStress ?? 0;
        (double Axial, double Moment) At(int place)
        {
            if (Losses is not null)
                return Losses.AtRelease(place);
            double axial = 0,
                moment = 0;
            var centroid = sections.MadeAt(places.Places[place]).Bending.Centroid;
            foreach (var (_, level, area) in sections.RowsAt(places.Places[place].At))
                (axial, moment) = (axial - area * entered, moment - area * entered * (centroid - level));
            return (axial, moment);
        }
        double Curvature(int place) =>
            At(place).Moment / (sections.Concrete.Ecm * sections.MadeAt(places.Places[place]).Bending.SecondMoment);
        var answer = alone.Solve([alone.Bent("prestress", places.InPieces(Curvature))])[0];
        var primary = new double[layout.Count];
        for (var p = 0; p < places.Places.Length; p++)
        {
            var (axial, moment) = At(p);
            (primary[layout.At(p, GirderEffect.N)], primary[layout.At(p, GirderEffect.M)]) = (axial, moment);
            alone.Stresses(primary, p, axial, moment);
        }
        var effects = EffectValues.Sum(layout, [(1, answer.Effects), (1, new EffectValues(layout, primary))]);
        cases.Add(
            new(
                ActionKind.Prestress,
                EffectRange.Of(Losses is null ? "Prestress, losses off" : "Prestress at release", effects),
                answer with
                {
                    Effects = effects,
                }
            )
            {
                Secondary = EffectRange.Of("Prestress, what supports answer", answer.Effects),
            }
        );
    }

    private void AddCases(LonePlaces places, LoneModel alone, LoneModel whole)
    {
        foreach (var own in member.Cases)
        {
            var model = own.BeforeSlab ? alone : whole;
            var load = new FrameCase(own.Name)
            {
                Beams = [.. own.Loads.Where(l => l.Kind == LoneLoadKind.Line).SelectMany(l => OnPieces(l, places, model))],
                Nodal = [.. own.Loads.Where(l => l.Kind != LoneLoadKind.Line).Select(l => OnJoint(l, places))],
            };
            var kind = own.Action switch
            {
                OwnAction.Permanent => ActionKind.Permanent,
                OwnAction.Surfacing => ActionKind.Surfacing,
                OwnAction.Variable => ActionKind.Variable,
                OwnAction.Accidental => ActionKind.Accidental,
                _ => ActionKind.Aside,
            };
            Add(kind, own.Name, model.Solve([load])[0], own);
        }
    }

    private static IEnumerable<BeamLoad> OnPieces(LoneLoad load, LonePlaces places, LoneModel model) =>
        model.Line(load.From ?? 0, load.To ?? places.Ends[^1], load.Value, load.ToValue ?? load.Value);

    private static NodalLoad OnJoint(LoneLoad load, LonePlaces places)
    {
        var joint = places.Nearest(load.From ?? 0);
        return load.Kind == LoneLoadKind.Point ? new(joint, new(0, 0, -load.Value), default) : new(joint, default, new(0, load.Value, 0));
    }

    /// <summary>A difference of temperature over the depth, either way or none; lengthening is free.</summary>
    private TemperatureParts AddTemperature(LoneModel whole)
    {
        var solved = whole.Solve([whole.Warmer("heating", member.Heating), whole.Warmer("cooling", -member.Cooling)]);
        Add(ActionKind.Temperature, "Top warmer", solved[0]);
        Add(ActionKind.Temperature, "Top cooler", solved[1]);
        var nothing = EffectRange.Of("nothing", EffectValues.None(layout));
        var difference = EffectRange.OrNothing("Temperature", [(1, cases[^2].Range), (1, cases[^1].Range)]);
        return new(difference, nothing, difference);
    }

    /// <summary>Any set of supports may settle: each adds where it worsens.</summary>
    private EffectRange? AddSettlements(LonePlaces places, LoneModel whole)
    {
        List<(double, EffectRange)> each = [];
        for (var s = 0; s < member.Supports.Length; s++)
        {
            if (member.Supports[s].Settlement == 0)
                continue;
            var settled = new FrameCase($"settlement {s + 1}")
            {
                Settlements = [new(places.JointOfEnd[s], new(0, 0, -member.Supports[s].Settlement), default)],
            };
            Add(ActionKind.Settlement, $"Settlement of support {s + 1}", whole.Solve([settled])[0]);
            each.Add((1, EffectRange.OrNothing(cases[^1].Range.Name, [(1, cases[^1].Range)])));
        }
        return each.Count == 0 ? null : EffectRange.Sum("Settlements, any of the supports", each, layout);
    }

    private Dictionary<TrafficGroup, EffectRange> AddTraffic(LonePlaces places, LoneModel whole)
    {
        Dictionary<TrafficGroup, List<EffectRange>> found = [];
        if (member.Traffic.IsEmpty)
            return [];
        var lines = whole.Influence(out var reactions);
        double[] stations = [.. places.Joints];
        EffectRange Load(TrafficModel model, LoneTraffic use, string? name = null) =>
            EffectRange.Of(name ?? model.Name, new LineTraffic(With(model, use), use.Share, stations, layout, e => lines[e]));
        void Put(TrafficGroup group, EffectRange range) => (found.TryGetValue(group, out var list) ? list : found[group] = []).Add(range);
        var frequent = member.Traffic.Any(t => Is(t, "LM1")) ? EnRoadTraffic.Lm1With(values, "psi1") : null;
        foreach (var use in member.Traffic)
        {
            var model = TrafficModels.Named(use.Model, values)!;
            var range = Load(model, use);
            traffic.Add(new(model, use, range, ReactionsTo(With(model, use), use.Share, stations, reactions)));
            if (model.Role == TrafficRole.Usual)
            {
                Put(TrafficGroup.Group1a, range);
                Put(TrafficGroup.Group1aBeside, Load(EnRoadTraffic.Lm1With(values, "psi0"), use, "Load model 1, ψ₀"));
                Put(TrafficGroup.Group1aFrequent, Load(EnRoadTraffic.Lm1With(values, "psi1"), use, "Load model 1, frequent"));
                Put(TrafficGroup.Group1aQuasiPermanent, Load(EnRoadTraffic.Lm1With(values, "psi2"), use, "Load model 1, ψ₂"));
            }
            else if (model.Role == TrafficRole.Special)
                Put(TrafficGroup.Group5, frequent is null ? range : Load(EnRoadTraffic.WithFrequent(model, frequent), use));
            else if (GroupOf(model) is { } group)
                Put(group, range);
        }
        return found.ToDictionary(g => g.Key, g => EffectRange.Envelope(g.Value[0].Name, [.. g.Value.Select(r => (1.0, r))]));
    }

    private static TrafficGroup? GroupOf(TrafficModel model) =>
        model.Role switch
        {
            TrafficRole.SingleAxle => TrafficGroup.Group1b,
            TrafficRole.Crowd => TrafficGroup.Group4,
            TrafficRole.Rail => TrafficGroup.Rail,
            TrafficRole.Fatigue => TrafficGroup.FatigueModels,
            _ => null,
        };

    private static bool Is(LoneTraffic use, string name) => use.Model.Trim().Equals(name, StringComparison.OrdinalIgnoreCase);

    /// <summary>A model with the dynamic factor of its use on vehicles and trains.</summary>
    private static TrafficModel With(TrafficModel model, LoneTraffic use) =>
        use.Dynamic == 1
            ? model
            : model with
            {
                Kinds =
                [
                    .. model.Kinds.Select(k => k with { Loads = [.. k.Loads.Select(l => l with { Dynamic = l.Dynamic * use.Dynamic })] }),
                ],
            };

    private static ImmutableArray<(double Greatest, double Least)> ReactionsTo(
        TrafficModel model,
        double share,
        double[] stations,
        InfluenceLine[] reactions
    )
    {
        // One effect for each support, in places of a layout of their own.
        var own = new EffectLayout([.. reactions.Select((_, i) => new ModelPoint(new(0), new(0), i, 0, i, i))]);
        InfluenceLine? At(int effect) => effect % EffectLayout.OfPoint == 0 ? reactions[effect / EffectLayout.OfPoint] : null;
        var found = new LineTraffic(model, share, stations, own, At);
        return [.. reactions.Select((_, i) => (found.Greatest[own.At(i, 0)], found.Least[own.At(i, 0)]))];
    }

    private void Combine(TemperatureParts temperature, EffectRange? settlements, Dictionary<TrafficGroup, EffectRange> groups)
    {
        var parts = new CombinationParts(layout, values, Permanent, groups, temperature)
        {
            Settlements = settlements,
            Own =
            [
                .. cases
                    .Where(c => c.Kind == ActionKind.Variable)
                    .Select(c => new OwnVariable(c.Range.Name, c.Own!.Psi0, c.Own.Psi1, c.Own.Psi2, c.Range)),
            ],
            Accidental = EffectRange.OneOf("Accidental actions", cases.Where(c => c.Kind == ActionKind.Accidental).Select(c => c.Range)),
            NameOf = s => $"{s.Words()}, all combinations",
        };
        var rules = Codes.Combinations.Of(member.Basis.Standard, values, member.Basis.IndirectAtUltimate);
        foreach (
            var state in rules.Where(r => IsLed(r, groups) && (r.Accidental == 0 || parts.Accidental is not null)).GroupBy(r => r.State)
        )
        {
            List<EffectRange> made = [.. state.SelectMany(r => parts.Of(r, "Combinations"))];
            combinations.AddRange(made);
            states[state.Key] = EffectRange.Envelope(parts.NameOf(state.Key), made.ConvertAll(m => (1.0, m)));
        }
    }

    /// <summary>Rules whose traffic there is; those of wind are left out, as no wind acts on a member alone.</summary>
    private static bool IsLed(CombinationRule rule, Dictionary<TrafficGroup, EffectRange> groups) =>
        rule.Wind == 0
        && rule.WindWithTraffic == 0
        && (
            rule.Group == TrafficGroup.None
            || groups.ContainsKey(rule.Group)
            || rule.Group is TrafficGroup.Group1aBeside or TrafficGroup.Group1aQuasiPermanent
        );

    private EffectRange Permanent(CombinationRule rule)
    {
        List<(double, EffectRange)> terms = [];
        foreach (var c in cases)
        {
            if (c.Kind is ActionKind.Permanent or ActionKind.Surfacing)
                terms.Add((1, CombinationParts.Weight(rule, values, c.Kind, c.Range)));
            else if (c.Kind == ActionKind.Prestress)
                terms.Add((1, rule.State.IsUltimate() ? c.Secondary! : c.Range));
        }
        // What time does leaves no force on a member that can turn: it counts in stresses and deflections. That of the last interval has
        // not yet come when the member is opened.
        if (slow.Length > 0 && !rule.State.IsUltimate())
            terms.AddRange(LoneSlow.Terms(cases, layout));
        return EffectRange.Sum("Permanent", terms, layout);
    }

    private void FromTables(EffectTables tables, LonePlaces places, LoneSections sections)
    {
        var reading = new TableReading(tables, places, sections, layout);
        foreach (var state in EffectTables.States)
        {
            List<EffectRange> given = [.. tables.Combinations.Where(t => t.State == state).Select(reading.Of)];
            combinations.AddRange(given);
            // Most members have no accidental actions.
            if (given.Count == 0 && state == LimitState.Accidental)
                continue;
            if (given.Count == 0)
                given.Add(EffectRange.Of($"{state.Words()}: none is given", EffectValues.None(layout)));
            states[state] = EffectRange.Envelope($"{state.Words()}, all tables", given.ConvertAll(g => (1.0, g)));
        }
    }
}
