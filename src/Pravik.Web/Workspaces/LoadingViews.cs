using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Entries;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>The loads behind a value at the cursor: its parts and factors, lanes and vehicles, and what acts together with it.</summary>
internal sealed class LoadingViews
{
    private readonly Screen screen;
    private readonly BridgeEffects ranges;
    private readonly ModelResults results;
    private readonly EffectPlace at;
    private readonly int effect;

    /// <param name="screen">What is shown; it has a model.</param>
    /// <param name="model">Its results.</param>
    public LoadingViews(Screen screen, ModelViews model)
    {
        (this.screen, ranges, results) = (screen, model.Ranges, model.Results);
        at = EffectPlace.Asked(screen, results.Layout);
        Quantity = Offered.FirstOrDefault(e => e.Id == screen.Request.Quantity) ?? at.Effects[0];
        effect = at.From + Quantity.Number;
    }

    /// <summary>
    /// Effects that are known of what is shown. Bearings move and turn from when the bridge is finished on: what girders did on them before
    /// is not followed, so that neither what is built up nor combinations have it.
    /// </summary>
    private IEnumerable<ShownEffect> Offered => OnFinished.Contains(Asked.Group) ? at.Effects : at.Effects.Where(e => !e.SinceFinished);

    private const string NotFollowed =
        " What bearings move and turn is told of actions on the finished bridge alone: what girders did before is not followed.";

    /// <summary>Groups of what acts on the finished bridge.</summary>
    private static readonly HashSet<string> OnFinished =
    [
        "Traffic",
        "Traffic models",
        "Traffic along and across",
        "Temperature",
        "Settlement",
        "Wind and braking",
        "Envelopes",
    ];

    /// <summary>What is shown.</summary>
    public ShownEffect Quantity { get; }

    /// <summary>The surface on which the value is sought; null where nothing stands at the point or traffic was not run.</summary>
    public SurfaceOnDeck? Surface =>
        results.Traffic?.Surface(effect, IsGreatest) is { } surface ? new(screen.Geometry, results.Finished.Mesh, surface) : null;

    /// <summary>Station and offset of the place (m); null for members.</summary>
    public (double Station, double Offset)? OnDeck => at.OnDeck;

    /// <summary>Whether the place is one of the slab.</summary>
    public bool IsOfSlab => at.Effects[0].Kind == QuantityKind.SlabMoment;

    private bool IsGreatest => screen.Request.Side != "least";

    private EffectRange Asked => ranges.Find(new(screen.Request.Show)) ?? ranges.Find(CaseId.Ultimate)!;

    /// <summary>The combination of an envelope that gives the value, or what was asked for.</summary>
    private EffectRange Range => Asked.Governing(effect, IsGreatest);

    private List<RangePart> Parts => [.. Asked.Parts(effect, IsGreatest)];

    /// <summary>The traffic in it; null for none.</summary>
    public PlacedTraffic? Traffic =>
        Parts.Select(p => p.Of.Loading(effect, p.IsGreatest)).FirstOrDefault(l => l is { Lanes.IsEmpty: false });

    /// <summary>What is chosen: case, effect, girder, side.</summary>
    public IReadOnlyList<SheetControl> Controls =>
        [
            new("show", "Shown", Asked.Id.Value, [.. ranges.All.Select(r => new Choice(r.Id.Value, r.Name) { Group = r.Group })]),
            new("place", "At", at.Id, Places()),
            new("quantity", "Effect", Quantity.Id, [.. Offered.Select(q => new Choice(q.Id, q.Words))]),
            .. at.Id.Length > 0
                ? Array.Empty<SheetControl>()
                :
                [
                    new(
                        "girder",
                        "Girder",
                        $"{screen.Girder + 1}",
                        [.. screen.Geometry.Girders.Select(g => new Choice($"{g.Number}", g.Name))]
                    ),
                ],
            new("side", "Value", IsGreatest ? "greatest" : "least", [new("greatest", "greatest"), new("least", "least")]),
        ];

    private IReadOnlyList<Choice> Places() =>
        [
            .. EffectPlace
                .All(screen, results.Layout)
                .Select(p => new Choice(p.Id, p.Id.Length == 0 ? "the girder at the cursor" : p.Words) { Group = p.Group }),
        ];

    /// <summary>Of what the value is made.</summary>
    public DataTable Table()
    {
        string Value(double value) => screen.Units.Format(value, Quantity.Kind);
        TableRow Row(string name, string factor, double value) => new([name, factor, Value(value)], [null, null, value], null, null, false);
        var parts = Parts;
        return new(
            $"{Quantity.Words} at {Place}, {(IsGreatest ? "greatest" : "least")}: {Range.Name}",
            [new("Part", false), new("Factor", true), new($"Value, {screen.Units[Quantity.Kind].Symbol}", true)],
            [
                .. parts.Select(p => Row(p.Of.Name, QuantityText.Fixed(p.Factor, 3).TrimEnd('0').TrimEnd('.'), p.Value)),
                Row("In all", "", Asked.Side(IsGreatest)[effect]),
            ]
        );
    }

    /// <summary>The place in words.</summary>
    public string Place => at.Words;

    /// <summary>The ledger beside it.</summary>
    public Ledger Ledger() =>
        new(
            "Loading",
            $"what acts at {Place}",
            [
                new("Readings: the value", [screen.Rows.Reading(Quantity.Words, Asked.Side(IsGreatest)[effect], Quantity.Kind)])
                {
                    Note = $"Given by: {Range.Name}{(Range.Clause.Length > 0 ? $" ({Range.Clause})" : "")}.",
                },
                new("Readings: together with it", [.. Together()])
                {
                    Note =
                        "At the same place under this very loading."
                        + (Offered.Count() < at.Effects.Length ? NotFollowed : "")
                        + (IsOfSlab ? OfSlab : "")
                        + (Quantity.Id == "V" ? " Shear is that on one side of a wheel at the point; a case tells the mean." : ""),
                    Actions = [.. Keep()],
                },
                Lanes(),
                .. Cycles(),
            ]
        );

    /// <summary>Cycles as vehicles pass one by one, where a traffic model by itself is shown that has them.</summary>
    private IEnumerable<LedgerGroup> Cycles()
    {
        var shown = results.Traffic?.Models.FirstOrDefault(m => Asked.Id == CaseId.OfTraffic(m.Model!.Name));
        if (shown?.Cycles(effect) is not { Count: > 0 } cycles)
            yield break;
        var symbol = screen.Units[Quantity.Kind].Symbol;
        LedgerRow Cell(string text) => LedgerRows.Reading("", text);
        string Value(double value) => screen.Units.Format(value, Quantity.Kind);
        yield return new(
            "Readings: cycles of one passage",
            [
                .. cycles.SelectMany(c =>
                    new[]
                    {
                        Cell(c.Vehicle),
                        Cell(string.Join(", ", c.Ranges.Where(r => r > 0.01 * c.Ranges[0]).Take(MostCycles).Select(Value))),
                        Cell(screen.Units.Format(c.Offset, QuantityKind.Length)),
                    }
                ),
            ]
        )
        {
            Columns = ["Vehicle", $"Ranges, {symbol}", $"Middle at, {screen.Units[QuantityKind.Length].Symbol}"],
            Note =
                "By rainflow, each vehicle alone in the lane in which the effect ranges most; ranges below 1 % of the greatest are not "
                + $"listed, and at most {MostCycles}.",
        };
        if (shown.Model!.Name != "FLM4")
            yield break;
        yield return new(
            "Readings: one cycle a lorry that does the same damage",
            [
                .. EnRoadTraffic.SharesOfLorries.SelectMany(t =>
                    Exponents
                        .Select(m => Value(Math.Pow(t.Shares.Zip(cycles).Sum(x => x.First * Math.Pow(x.Second.Equivalent(m), m)), 1.0 / m)))
                        .Prepend(t.Traffic)
                        .Select(Cell)
                ),
            ]
        )
        {
            Columns = [$"Traffic, {symbol}", .. Exponents.Select(m => $"m = {m}")],
            Note = "(Σ share · Δᵐ)^(1/m) over lorries and cycles, with the shares of EN 1991-2 Table 4.7; m: slope of the S-N curve.",
        };
    }

    private const int MostCycles = 6;
    private static readonly int[] Exponents = [3, 5, 9];

    private IEnumerable<LedgerRow> Together()
    {
        var values = Asked.Together(effect, IsGreatest);
        foreach (var of in Offered.Where(e => e.Number < values.Length))
            yield return screen.Rows.Reading(of.Words, values[of.Number], of.Kind);
    }

    private const string OfSlab =
        " Per metre, in the shells of the model: between the middles of shells as a line, and wheels as points at their places. What a "
        + "wheel does within its own shell is not resolved.";

    /// <summary>Characters that the name of a case has at most.</summary>
    private const int MostName = 60;

    /// <summary>
    /// The traffic of the value as a case of its own, without the factor that the combination puts on it; it enters no combination.
    /// </summary>
    private IEnumerable<LedgerAction> Keep()
    {
        var traffic = Parts
            .Where(p => p.Factor != 0)
            .Select(p => (p.Of, p.Factor, Loads: p.Of.Loads(effect, p.IsGreatest).ToList()))
            .Where(p => p.Loads.Count > 0)
            .ToList();
        if (traffic.Count == 0)
            yield break;
        // No commas: stages list cases with commas between them.
        var name = $"{Quantity.Id} {(IsGreatest ? "greatest" : "least")} {at.Words} under {traffic[0].Of.Name}".Replace(",", "");
        var others = screen.Snapshot.Bridge.Actions.Cases.Select(c => c.Name).ToHashSet();
        name = name[..Math.Min(name.Length, MostName - 5)].Trim();
        name = Enumerable.Range(1, 1000).Select(n => n == 1 ? name : $"{name} {n}").First(n => !others.Contains(n));
        var own = new OwnCase
        {
            Name = name,
            Action = OwnAction.Counted,
            Loads = [.. traffic.SelectMany(p => p.Loads.Select(l => l with { Value = l.Value * p.Factor / traffic[0].Factor }))],
        };
        yield return new(
            "Keep the traffic as a load case of its own",
            $"{name} kept as a case",
            [new("add", "/actions/cases/-", BridgeJson.Node(own))]
        );
    }

    private LedgerGroup Lanes()
    {
        if (Traffic is not { } traffic)
            return new("Readings: traffic", [LedgerRows.Reading("No lane is loaded", "")]);
        return new("Readings: traffic", [.. LaneRows.Of(traffic, screen.Units)])
        {
            Columns = LaneRows.Columns,
            Note =
                "Distributed loads of lanes and of the rest act on the parts that worsen the value; those parts are not drawn."
                + (traffic.Presence == 1 ? "" : $" Factor by the number of loaded lanes: {QuantityText.Fixed(traffic.Presence, 2)}."),
        };
    }
}
