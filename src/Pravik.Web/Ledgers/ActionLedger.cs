using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Stages;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>Groups of the loads step for actions on the whole bridge, own cases, and own combinations.</summary>
internal sealed class ActionLedger(Bridge bridge, BridgeGeometry geometry, Ground? ground, LedgerRows rows)
{
    /// <summary>Actions on the whole bridge.</summary>
    public IEnumerable<LedgerGroup> Whole()
    {
        yield return new("Temperature", [rows.Entry("/actions/expansion"), rows.Entry("/actions/contraction")])
        {
            Note =
                "Differences through the depth: EN 1991-1-5 Figure 6.2 with Annex B for the depth of surfacing; restrained part "
                + "and self-equilibrating stresses.",
        };
        yield return new(
            "Settlement",
            [
                rows.Entry("/actions/settlement"),
                .. geometry.Axes.Select(a => rows.Entry($"/actions/settlements/{a.Number}", bridge.Actions.Settlement, $"Axis {a.Name}")),
            ]
        );
        yield return Horizontal();
    }

    private LedgerGroup Horizontal()
    {
        var wind = new DeckWind(geometry, ground);
        var middle = geometry.SpanCount / 2;
        var (deck, traffic) = (wind.Of(middle, WindOn.Deck), wind.Of(middle, WindOn.DeckAndTraffic));
        var isLrfd = bridge.Basis.Standard == Standard.Lrfd;
        var braking = geometry.Units.Sum(u => ModelLoads.BrakingOn(geometry, u));
        return new(
            "Braking and wind",
            [
                rows.Entry("/actions/braking", braking),
                rows.Entry("/actions/windVelocity"),
                .. isLrfd ? [rows.Entry("/actions/windExposure")] : Array.Empty<LedgerRow>(),
                rows.Entry("/actions/windHeight", wind.Height),
                rows.Entry("/actions/windFactor", deck.Factor),
                rows.Reading(
                    "Depth in the wind",
                    deck.Depth,
                    QuantityKind.Length,
                    "Girder, haunch, slab, edge and parapets; open ones count by 0.3 m (EN 1991-1-4 8.3.1(4)). Each span has its own."
                ),
                rows.Reading(
                    "Wind",
                    deck.Across,
                    QuantityKind.LineLoad,
                    isLrfd ? "2.56·10⁻⁶ V² K_Z G C_D times the depth (AASHTO LRFD 3.8.1.2)." : "½ ρ v_b² C d_tot, across the bridge."
                ),
                rows.Reading(
                    "Wind with traffic",
                    traffic.Across,
                    QuantityKind.LineLoad,
                    isLrfd ? "Strength V: 80 mph, and 0.10 klf on vehicles (3.8.1.3)." : "On 2 m above the carriageway (8.3.1(5))."
                ),
                rows.Reading(
                    "Lift",
                    deck.Lift,
                    QuantityKind.LineLoad,
                    isLrfd ? "0.020 ksf upward at the windward quarter (3.8.2)." : "±0.9 q_p b, at b/4 from the middle (8.3.3)."
                ),
            ]
        )
        {
            Note =
                $"Readings of span {middle + 1}. Braking acts on each part of the deck by its own length "
                + (isLrfd ? "(AASHTO LRFD 3.6.4)." : "(EN 1991-2 4.4.1(2)).")
                + (
                    wind.Height is null
                        ? $" No ground is given: the deck is taken to lie {(isLrfd ? "33 ft" : "20 m")} above it or less."
                        : ""
                ),
        };
    }

    /// <summary>Own load cases.</summary>
    public IEnumerable<LedgerGroup> Cases()
    {
        var middle = Math.Round((geometry.FirstStation + geometry.LastStation) / 2, 2);
        JsonObject Load(string kind) =>
            new()
            {
                ["kind"] = kind,
                ["station"] = middle,
                ["offset"] = 0,
                ["toStation"] = Math.Round(middle + 2, 2),
                ["toOffset"] = kind == "patch" ? 2 : 0,
                ["value"] = kind switch
                {
                    "point" => 100e3,
                    "line" => 10e3,
                    _ => 5e3,
                },
            };
        var names = bridge.Actions.Cases.Select(c => c.Name).ToHashSet();
        var name = Enumerable.Range(1, names.Count + 1).Select(i => $"Own case {i}").First(n => !names.Contains(n));
        var add = new LedgerAction(
            "Add an own case",
            $"{name} added",
            [new("add", "/actions/cases/-", new JsonObject { ["name"] = name, ["loads"] = new JsonArray(Load("point")) })]
        );
        if (bridge.Actions.Cases.IsEmpty)
            yield return new("Own load cases", [])
            {
                Actions = [add],
                Note =
                    "Points, lines and patches anywhere on the deck, by station and offset. A stage can put them on by name; "
                    + "else they act on the finished bridge.",
            };
        for (var c = 0; c < bridge.Actions.Cases.Length; c++)
        {
            var (own, path) = (bridge.Actions.Cases[c], $"/actions/cases/{c}");
            List<LedgerAction> actions =
            [
                .. new[] { "point", "line", "patch" }.Select(k => new LedgerAction(
                    $"Add a {k}",
                    $"A {k} added to {own.Name}",
                    [new("add", $"{path}/loads/-", Load(k))]
                )),
                new("Take the case away", $"{own.Name} taken away", [new("remove", path)]),
            ];
            if (c == bridge.Actions.Cases.Length - 1)
                actions.Add(add);
            string[] shown = own.Action == OwnAction.Variable ? ["name", "action", "psi0", "psi1", "psi2"] : ["name", "action"];
            yield return new($"Own case: {own.Name}", [.. shown.Select(n => rows.Entry($"{path}/{n}"))]);
            if (own.Loads.Length > MostTyped)
                yield return Listed(own, path);
            for (var l = 0; l < own.Loads.Length && own.Loads.Length <= MostTyped; l++)
            {
                var (load, at) = (own.Loads[l], $"{path}/loads/{l}");
                string[] fields =
                    load.Kind == OwnLoadKind.Point
                        ? ["kind", "value", "station", "offset"]
                        : ["kind", "value", "station", "offset", "toStation", "toOffset"];
                yield return new($"Load {l + 1} of {own.Name}", [.. fields.Select(f => rows.Entry($"{at}/{f}"))])
                {
                    Actions = [new("Take this load away", $"Load {l + 1} of {own.Name} taken away", [new("remove", at)])],
                };
            }
            yield return new("", []) { Actions = actions };
        }
    }

    /// <summary>Loads of a case that are typed one by one; more, as of traffic that was kept, are listed.</summary>
    private const int MostTyped = 12;

    private LedgerGroup Listed(OwnCase own, string path)
    {
        LedgerRow Cell(string value) => LedgerRows.Reading("", value);
        string Range(double from, double to, OwnLoadKind kind) =>
            rows.Units.Format(from, QuantityKind.Length)
            + (kind == OwnLoadKind.Point || from == to ? "" : $" to {rows.Units.Format(to, QuantityKind.Length)}");
        string Value(OwnLoad load) => rows.Units.FormatWithUnit(load.Value, load.Quantity);
        return new(
            $"Readings: {own.Loads.Length} loads",
            [
                .. own.Loads.SelectMany(l =>
                    new[] { Cell(Value(l)), Cell(Range(l.Station, l.ToStation, l.Kind)), Cell(Range(l.Offset, l.ToOffset, l.Kind)) }
                ),
            ]
        )
        {
            Columns = ["Down", $"Station, {Metre}", $"Offset, {Metre}"],
            RowActions =
            [
                .. own.Loads.Select(
                    (_, l) => new LedgerAction("Take away", $"Load {l + 1} of {own.Name} taken away", [new("remove", $"{path}/loads/{l}")])
                ),
            ],
        };
    }

    private string Metre => rows.Units[QuantityKind.Length].Symbol;

    /// <summary>Factors of a generated combination, each of which can have an own value.</summary>
    public IEnumerable<LedgerGroup> Factors(string? id)
    {
        var usual = GeneratedRules.Usual(bridge.Basis);
        if (usual.FirstOrDefault(r => r.Id == id) is not { } rule)
        {
            yield return new("", []) { Note = "Click a combination in the table to see its factors here and to give them own values." };
            yield break;
        }
        var parts = RulePart.All.Where(p => p.Of(rule) is not null).ToList();
        var own = parts.Where(p => bridge.Actions.OwnFactors.ContainsKey(p.KeyIn(rule))).Select(p => p.KeyIn(rule)).ToList();
        yield return new(
            $"Factors: {rule.Name}",
            [.. parts.Select(p => rows.Entry($"/actions/ownFactors/{p.KeyIn(rule)}", p.Of(rule), p.Words))]
        )
        {
            Note = $"Grey values are those of {rule.Clause}. A value typed here replaces one in this combination alone.",
            Actions =
                own.Count == 0
                    ? []
                    :
                    [
                        new(
                            "All as in the standard",
                            $"Factors of {rule.Name} as in the standard",
                            [.. own.Select(k => new PatchOperation("remove", $"/actions/ownFactors/{k}", null))]
                        ),
                    ],
        };
    }

    /// <summary>To which kind of action each case belongs, by which combinations choose their factors.</summary>
    public IEnumerable<LedgerGroup> Kinds()
    {
        var staged = bridge.Actions.StagesOf(bridge.Girders, bridge.Axes.Spans.Length).SelectMany(s => s.LoadNames).ToHashSet();
        yield return new(
            "Kinds of action",
            [
                LedgerRows.Reading("Weights", "girders, slab, edges, props taken away"),
                LedgerRows.Reading("Surfacing", "surfacing"),
                LedgerRows.Reading("Prestress", "strands and tendons, factor 1", "At ultimate states their secondary part alone."),
                LedgerRows.Reading("Restraint", "creep and shrinkage"),
                .. bridge.Actions.Cases.Select(
                    (c, i) => rows.Entry($"/actions/cases/{i}/action", null, staged.Contains(c.Name) ? $"{c.Name}, in a stage" : c.Name)
                ),
            ]
        );
    }

    /// <summary>The engineer's own combinations.</summary>
    public IEnumerable<LedgerGroup> Combinations()
    {
        var all = bridge.Actions.Combinations;
        var taken = all.Select(c => c.Name).ToHashSet();
        var name = Enumerable.Range(1, all.Length + 1).Select(i => $"Own combination {i}").First(n => !taken.Contains(n));
        JsonObject Term() => new() { ["case"] = CaseNames.Permanent, ["factor"] = 1.0 };
        var add = new LedgerAction(
            "Add a combination or envelope",
            $"{name} added",
            [new("add", "/actions/combinations/-", new JsonObject { ["name"] = name, ["terms"] = new JsonArray(Term()) })]
        );
        if (all.IsEmpty)
            yield return new("Own combinations", [])
            {
                Actions = [add],
                Note = "Sums of cases with factors, or envelopes of them; they are shown in the analysis step beside the generated ones.",
            };
        for (var c = 0; c < all.Length; c++)
        {
            var path = $"/actions/combinations/{c}";
            yield return new($"Combination: {all[c].Name}", [rows.Entry($"{path}/name"), rows.Entry($"{path}/isEnvelope")]);
            yield return new(
                "",
                [
                    .. all[c]
                        .Terms.SelectMany((_, t) => new[] { rows.Entry($"{path}/terms/{t}/factor"), rows.Entry($"{path}/terms/{t}/case") }),
                ]
            )
            {
                Columns = ["Factor", "Case"],
                RowActions =
                [
                    .. all[c]
                        .Terms.Select(
                            (_, t) =>
                                new LedgerAction(
                                    $"Take term {t + 1} away",
                                    $"Term {t + 1} of {all[c].Name} taken away",
                                    [new("remove", $"{path}/terms/{t}")]
                                )
                        ),
                ],
                Actions =
                [
                    new("Add a term", $"Term added to {all[c].Name}", [new("add", $"{path}/terms/-", Term())]),
                    new("Take it away", $"{all[c].Name} taken away", [new("remove", path)]),
                    .. c == all.Length - 1 ? [add] : Array.Empty<LedgerAction>(),
                ],
            };
        }
    }
}
