using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;

namespace Pravik.Core.Effects;

/// <summary>
/// What acts where: every case, what is built up stage by stage, envelopes of variable actions, traffic, generated combinations and the
/// engineer's own, each at every place.
/// </summary>
public sealed partial class BridgeEffects
{
    private readonly ModelResults results;
    private readonly Bridge bridge;
    private readonly NationalValues values;
    private readonly ImmutableArray<CombinationRule> rules;
    private readonly EffectLayout layout;
    private readonly List<EffectRange> all = [];
    private readonly Dictionary<CaseId, EffectRange> cases;
    private readonly Dictionary<CaseId, EffectRange> secondary = [];
    private readonly Dictionary<TrafficGroup, EffectRange> groups = [];

    /// <summary>Name of the envelope of temperature.</summary>
    public const string TemperatureName = "Temperature, the worst together";

    /// <summary>Name of the envelope of settlements.</summary>
    public const string SettlementsName = "Settlements, any of the supports";

    /// <summary>Name of the envelope of braking.</summary>
    public const string BrakingName = "Braking and acceleration";

    /// <summary>Name of the envelope of wind.</summary>
    public const string WindName = "Wind from either side";

    /// <summary>Name of the envelope of traffic.</summary>
    public const string TrafficName = "Traffic, the worst of all groups";

    private const string Later = "Creep, shrinkage and losses";
    private const string BuiltUp = "Built up to";
    private const string Envelopes = "Envelopes";
    private const string Combinations = "Combinations";
    private const string OwnGroup = "Own";

    /// <param name="bridge">The bridge.</param>
    /// <param name="results">Results of its model.</param>
    public BridgeEffects(Bridge bridge, ModelResults results)
    {
        (this.bridge, this.results, layout) = (bridge, results, results.Layout);
        (values, rules) = (bridge.Basis.Values, GeneratedRules.Of(bridge));
        cases = results.Cases.ToDictionary(c => c.Id, c => EffectRange.Of(c.Name, c.Effects).As(c.Id, GroupOf(c)));
        AddBuiltUp();
        all.AddRange(results.Cases.Select(c => cases[c.Id]));
        AddPrestressParts();
        var temperature = Temperature();
        var settlements = Settlements();
        var braking = Braking();
        var wind = Wind("", CaseNames.Wind, new("windBoth"), WindName);
        var windWithTraffic = Wind("Traffic", "", new("windTrafficBoth"), "Wind from either side, on deck and traffic");
        var inService = cases.ContainsKey(new("windService"))
            ? Wind("Service", "", new("windServiceBoth"), "Wind from either side, on deck and traffic in service")
            : windWithTraffic;
        AddTraffic(braking);
        foreach (var step in results.Steps)
            AddInStage(step);
        Generate(
            new(
                layout,
                values,
                PermanentBy,
                groups,
                new(temperature, Either(CaseId.Expansion, CaseId.Contraction), Either(CaseId.Heating, CaseId.Cooling))
            )
            {
                Settlements = settlements,
                Wind = wind,
                WindWithTraffic = state => (WithTraffic, state.IsUltimate() ? windWithTraffic : inService),
                Accidental = EffectRange.OneOf("Accidental actions", Those(c => c.Kind == ActionKind.Accidental).Select(c => c.Item2)),
                Own = [.. OwnVariables()],
                NameOf = NameOf,
            }
        );
        Unknown = AddOwn();
    }

    /// <summary>All ranges, in the order in which they are listed.</summary>
    public ImmutableArray<EffectRange> All => [.. all];

    /// <summary>Height above the soffit at which axial forces at a point act: the centroid of the finished section (m).</summary>
    public double HeightOfAxial(ModelPoint point) =>
        results.Finished.Sections[point.Girder][results.Finished.RowOf(point)]?.Composite.Centroid ?? 0;

    /// <summary>Terms of own combinations that name nothing.</summary>
    public ImmutableArray<string> Unknown { get; }

    /// <summary>The range of an id; null where there is none.</summary>
    public EffectRange? Find(CaseId? id) => all.Find(r => r.Id == id);

    /// <summary>The envelope of all combinations of a limit state.</summary>
    public EffectRange Of(LimitState state) => Find(IdOf(state))!;

    /// <summary>The id of the envelope of a limit state.</summary>
    public static CaseId IdOf(LimitState state) =>
        state switch
        {
            LimitState.Ultimate => CaseId.Ultimate,
            LimitState.Accidental => new("accidental"),
            LimitState.Characteristic => new("characteristic"),
            LimitState.Frequent => new("frequent"),
            LimitState.Fatigue => new("fatigue"),
            _ => new("quasiPermanent"),
        };

    /// <summary>A group of traffic actions with its characteristic values.</summary>
    public EffectRange Group(TrafficGroup group) => groups[group];

    /// <summary>Permanent actions and settlements with their factors at the ultimate state, without any variable action.</summary>
    public EffectRange PermanentAtUltimate()
    {
        var rule = rules.First(r => r.State == LimitState.Ultimate);
        var settlements = all.Find(r => r.Name == SettlementsName);
        return EffectRange.Sum(
            "Permanent, ultimate",
            [(1, PermanentBy(rule)), .. settlements is null ? Array.Empty<(double, EffectRange)>() : [(rule.Settlement, settlements)]],
            layout
        );
    }

    /// <summary>
    /// Weights with one factor and surfacing with another, secondary prestress, creep and shrinkage as they are (AASHTO LRFD Table
    /// 3.4.1-2).
    /// </summary>
    public EffectRange PermanentWith(double weights, double surfacing)
    {
        List<(double, EffectRange)> terms = [];
        foreach (var c in results.Cases.Where(c => !c.IsPassing))
        {
            if (c.Kind is ActionKind.Permanent or ActionKind.Surfacing)
                terms.Add((c.Kind == ActionKind.Surfacing ? surfacing : weights, cases[c.Id]));
            else if (IsPrestress(c))
                terms.Add((1, secondary[c.Id]));
            else if (IsSlow(c))
                terms.Add((1, cases[c.Id]));
        }
        return EffectRange.Sum("Permanent", terms, layout);
    }

    /// <summary>Weight of girders and prestress when strands are released.</summary>
    public EffectRange AtRelease => EffectRange.Sum("Strands released", Those(c => c.IsAtRelease), layout);

    /// <summary>All that is there after a stage, with what drives in it.</summary>
    public EffectRange After(StageStep step) => Find(new($"stage{step.Index.Number}traffic")) ?? Find(CaseId.UpTo(step.Index))!;

    /// <summary>What prestress and its losses do, of some cases.</summary>
    public EffectValues PrestressIn(Func<ActionResult, bool> which) =>
        EffectValues.Sum(layout, results.Cases.Where(c => IsPrestress(c) && which(c)).Select(c => (1.0, c.Effects)));

    private static bool IsPrestress(ActionResult c) => c.Kind is ActionKind.Prestress or ActionKind.Losses;

    private static string GroupOf(ActionResult c) =>
        c.Stage is not null ? "Stages"
        : IsSlow(c) ? "With time"
        : c.Kind switch
        {
            ActionKind.Temperature => "Temperature",
            ActionKind.Settlement => "Settlement",
            ActionKind.Wind or ActionKind.Braking => "Wind and braking",
            ActionKind.Centrifugal
            or ActionKind.TrainAlong
            or ActionKind.Nosing
            or ActionKind.TrainCentrifugal
            or ActionKind.TrainCentrifugalAt => "Traffic along and across",
            _ => OwnGroup,
        };

    private EffectRange Add(EffectRange range, CaseId id, string group, string clause = "")
    {
        all.Add(range.As(id, group, clause));
        return range;
    }

    private List<(double, EffectRange)> Those(Func<ActionResult, bool> which) =>
        [.. results.Cases.Where(which).Select(c => (1.0, cases[c.Id]))];

    private static bool IsSlow(ActionResult c) => c.Kind is ActionKind.Creep or ActionKind.Shrinkage or ActionKind.Losses;

    private void AddBuiltUp()
    {
        for (var stage = 0; stage < results.Steps.Length; stage++)
        {
            var here = results.Steps[stage];
            Add(EffectRange.Sum(CaseNames.After(here.Stage), Those(c => c.IsThereAfter(here)), layout), CaseId.UpTo(stage), BuiltUp);
        }
        var actions = bridge.Actions;
        Add(
            EffectRange.Sum(CaseNames.Permanent, Those(c => (c.Stage is not null && !c.IsPassing) || IsSlow(c)), layout),
            CaseId.Permanent,
            BuiltUp
        );
        Add(EffectRange.Sum(CaseNames.AllCreep(actions), Those(c => c.Kind == ActionKind.Creep), layout), new("creep"), "With time");
        Add(
            EffectRange.Sum(CaseNames.AllShrinkage(actions), Those(c => c.Kind == ActionKind.Shrinkage), layout),
            new("shrinkage"),
            "With time"
        );
        if (Those(c => c.Kind == ActionKind.Losses) is { Count: > 0 } losses)
            Add(EffectRange.Sum(CaseNames.AllLosses(actions), losses, layout), new("losses"), "With time");
    }

    private void AddPrestressParts()
    {
        foreach (var c in results.Cases.Where(c => c.Secondary is not null))
        {
            var primary = EffectValues.Sum(layout, [(1, c.Effects), (-1, c.Secondary!)]);
            Add(EffectRange.Of(CaseNames.Primary(c.Name), primary), new($"{c.Id}p"), GroupOf(c));
            secondary[c.Id] = Add(EffectRange.Of(CaseNames.Secondary(c.Name), c.Secondary!), new($"{c.Id}s"), GroupOf(c));
        }
    }

    /// <summary>
    /// Uniform change and difference together, either leading (EN 1991-1-5 6.1.5): ΔT_M + ω_N·ΔT_N or ω_M·ΔT_M + ΔT_N, in every pairing.
    /// </summary>
    private EffectRange Temperature()
    {
        List<(double, EffectRange)> pairs = [];
        foreach (var uniform in new[] { CaseId.Expansion, CaseId.Contraction })
        {
            foreach (var difference in new[] { CaseId.Heating, CaseId.Cooling })
            {
                var (n, m) = (cases[uniform], cases[difference]);
                pairs.Add((1, EffectRange.Sum("temperature", [(1, m), (values["omegaN"], n)], layout)));
                pairs.Add((1, EffectRange.Sum("temperature", [(values["omegaM"], m), (1, n)], layout)));
            }
        }
        return Add(EffectRange.OrNothing(TemperatureName, pairs), new("temperature"), Envelopes, "EN 1991-1-5 6.1.5");
    }

    private EffectRange Either(CaseId one, CaseId other) => EffectRange.OrNothing(cases[one].Name, [(1, cases[one]), (1, cases[other])]);

    /// <summary>Any set of supports may settle: each adds where it worsens.</summary>
    private EffectRange? Settlements()
    {
        var each = Those(c => c.Kind == ActionKind.Settlement).ConvertAll(s => (1.0, EffectRange.OrNothing(s.Item2.Name, [s])));
        return each.Count == 0 ? null : Add(EffectRange.Sum(SettlementsName, each, layout), new("settlements"), Envelopes);
    }

    /// <summary>Braking or acceleration on any one unit of the deck.</summary>
    private EffectRange Braking()
    {
        var each = Those(c => c.Kind == ActionKind.Braking);
        return Add(
            EffectRange.OrNothing(BrakingName, [.. each, .. each.Select(b => (-1.0, b.Item2))]),
            new("brakingBoth"),
            Envelopes,
            "EN 1991-2 4.4.1"
        );
    }

    /// <summary>Wind from either side, with its lift or without, up or down, on either half.</summary>
    private EffectRange Wind(string suffix, string name, CaseId id, string words)
    {
        var (across, isLrfd) = (cases[new($"wind{suffix}")], bridge.Basis.Standard == Standard.Lrfd);
        var either = EffectRange.OrNothing(across.Name, [(1, across), (-1, across)]);
        var clause = isLrfd ? "AASHTO LRFD 3.8" : "EN 1991-1-4 8.3";
        if (!cases.TryGetValue(new($"uplift{suffix}Left"), out var left))
            return Add(EffectRange.Sum(words, [(1, either)], layout), id, Envelopes, clause);
        var right = cases[new($"uplift{suffix}Right")];
        // Under AASHTO LRFD wind lifts; by EN 1991-1-4 it may also press.
        (double, EffectRange)[] pressing = isLrfd ? [] : [(-1, left), (-1, right)];
        var lift = EffectRange.OrNothing(left.Name, [(1, left), (1, right), .. pressing]);
        return Add(EffectRange.Sum(words, [(1, either), (1, lift)], layout), id, Envelopes, clause);
    }

    private void Generate(CombinationParts parts)
    {
        foreach (var state in rules.GroupBy(r => r.State))
        {
            List<EffectRange> made = [.. state.SelectMany(rule => parts.Of(rule, Combinations))];
            all.AddRange(made);
            Add(EffectRange.Envelope(NameOf(state.Key), made.ConvertAll(m => (1.0, m))), IdOf(state.Key), "Limit states");
        }
    }

    private string NameOf(LimitState state) => bridge.Basis.Standard == Standard.Lrfd ? NameInLrfd(state) : NameInEurocode(state);

    private static string NameInLrfd(LimitState state) =>
        state switch
        {
            LimitState.Ultimate => "Strength, all combinations",
            LimitState.Accidental => "Extreme Event II, all combinations",
            LimitState.Characteristic => "Service I, II and IV, all combinations",
            LimitState.Frequent => "Service III, all combinations",
            LimitState.Fatigue => "Fatigue, both combinations",
            _ => "Sustained, permanent loads alone",
        };

    private static string NameInEurocode(LimitState state) => $"{state.Words()}, all combinations";

    /// <summary>ψ₀ on wind with traffic, or as much as brings it down to the wind in which traffic goes (EN 1990 A2.2.2(5)).</summary>
    private double WithTraffic =>
        bridge.Basis.Standard == Standard.Lrfd
            ? 1
            : Math.Min(values["psi0wind"], Math.Pow(values["windWithTraffic"] / bridge.Actions.WindVelocity, 2));

    private IEnumerable<OwnVariable> OwnVariables()
    {
        for (var i = 0; i < bridge.Actions.Cases.Length; i++)
        {
            var own = bridge.Actions.Cases[i];
            if (results.Find(CaseId.Own(i + 1)) is { Kind: ActionKind.Variable } c)
                yield return new(own.Name, own.Psi0, own.Psi1, own.Psi2, cases[c.Id]);
        }
    }

    /// <summary>
    /// Permanent actions: weights with one factor where they worsen and another where they relieve, surfacing with its thickness varied
    /// too (EN 1991-1-1 5.2.3(3)); prestress, at the ultimate state its secondary part, the primary being part of the resistance; creep and
    /// shrinkage of the last interval, which has not yet passed when the bridge opens, where they worsen.
    /// </summary>
    private EffectRange PermanentBy(CombinationRule rule)
    {
        var last = results.Cases.Where(IsSlow).Select(c => c.Day).DefaultIfEmpty(0).Max();
        List<(double, EffectRange)> terms = [];
        List<(double, EffectRange)> later = [];
        foreach (var c in results.Cases.Where(c => !c.IsPassing))
        {
            var range = cases[c.Id];
            if (c.Kind is ActionKind.Permanent or ActionKind.Surfacing)
                terms.Add((1, CombinationParts.Weight(rule, values, c.Kind, range)));
            else if (c.Kind == ActionKind.Prestress)
                terms.Add((1, rule.State.IsUltimate() ? secondary[c.Id] : range));
            else if (c.Kind == ActionKind.Losses)
                (c.Day == last ? later : terms).Add((1, rule.State.IsUltimate() ? secondary[c.Id] : range));
            else if (IsSlow(c) && rule.Restraint > 0)
                (c.Day == last ? later : terms).Add((rule.Restraint, range));
        }
        if (later.Count > 0)
            terms.Add((1, EffectRange.OrNothing(Later, [(1, EffectRange.Sum(Later, later, layout))])));
        return EffectRange.Sum("Permanent", terms, layout);
    }

    private ImmutableArray<string> AddOwn()
    {
        var unknown = ImmutableArray.CreateBuilder<string>();
        for (var i = 0; i < bridge.Actions.Combinations.Length; i++)
        {
            var own = bridge.Actions.Combinations[i];
            List<(double, EffectRange)> terms = [];
            foreach (var term in own.Terms)
            {
                if (all.Find(r => r.Name == term.Case) is { } range)
                    terms.Add((term.Factor, range));
                else
                    unknown.Add($"“{own.Name}” names “{term.Case}”, which is no case, envelope or combination above it.");
            }
            if (terms.Count == 0)
                continue;
            var made = own.IsEnvelope ? EffectRange.Envelope(own.Name, terms) : EffectRange.Sum(own.Name, terms, layout);
            Add(made, CaseId.Combination(i + 1), OwnGroup);
        }
        return unknown.ToImmutable();
    }
}
