using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Entries;
using Pravik.Core.Frames;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using Pravik.Exchange;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Ledgers;

/// <summary>The ledgers of the model: its choices, a picked part, its stages, its balance.</summary>
internal sealed class ModelLedger(
    Bridge bridge,
    LedgerRows rows,
    RunState? state,
    ModelViews? views,
    ModelComparison? compared,
    SlabPlace next
)
{
    /// <param name="layout">The layout shown.</param>
    /// <param name="pick">What is picked.</param>
    /// <param name="stage">The stage shown, from 0.</param>
    public Ledger Show(string layout, string? pick, int stage) =>
        layout switch
        {
            "stages" => Stages(stage),
            "balance" => new("Balance", "what was solved, and how well", [.. Efforts(), Time()]),
            "models" => new(
                "Three models",
                "line girders, grillage, shells",
                [
                    .. ComparedValue(pick),
                    Choices(),
                    new("How to read it", [])
                    {
                        Note =
                            "Each load by all three models, with the bridge's own refinement and supports, changes by hand left "
                            + "out. A difference is a part of the greatest value of its kind in the grillage, so that small values "
                            + "do not alarm. Pick a row to read why: where all girders together agree, only the sharing differs.",
                    },
                ]
            ),
            _ => new(
                "Analysis",
                views is null ? ModelViews.Refusal(state) : "the bridge's model",
                [.. Picked(pick), Choices(), .. SlabPlaces(), .. Changes(), .. Warnings(), Time()]
            ),
        };

    /// <summary>The picked value of the comparison, with why models differ.</summary>
    private IEnumerable<LedgerGroup> ComparedValue(string? pick)
    {
        if (compared is null || ModelViews.Compared(compared, pick) is not { } value)
            yield break;
        yield return new(
            $"{value.Load}, G{value.Girder}, {value.Place}",
            [
                LedgerRows.Reading("Line girders", $"{QuantityText.Fixed(100 * value.LineDifference, 1)} %"),
                LedgerRows.Reading("Shells", $"{QuantityText.Fixed(100 * value.ShellsDifference, 1)} %"),
            ]
        )
        {
            Note = value.Reason(ModelComparison.Limit) ?? "The three agree.",
        };
    }

    private LedgerGroup Choices()
    {
        List<LedgerRow> list = [rows.Entry("/model/kind"), rows.Entry("/model/supports"), rows.Entry("/model/divisions")];
        list.AddRange(
            Enumerable
                .Range(1, bridge.Axes.Spans.Length)
                .Select(s => rows.Entry($"/model/spanDivisions/{s}", bridge.Model.Divisions, $"in span {s}"))
        );
        list.Add(rows.Entry("/model/haunchActs"));
        if (bridge.Model.Kind == ModelKind.Shells)
            list.Add(rows.Entry("/model/between"));
        if (bridge.Model.Kind == ModelKind.Line)
            list.AddRange([rows.Entry("/model/share"), rows.Entry("/model/shareFactor", null)]);
        var used =
            bridge.Model.Supports == ModelSupports.Simple
                ? "Bearings, piers and ground of the substructure step are not in this model."
                : "";
        return new("Model", list) { Note = used };
    }

    /// <summary>A member, shell or joint that is picked, with what it is and what can be changed.</summary>
    private IEnumerable<LedgerGroup> Picked(string? pick)
    {
        if (views is null || pick?.StartsWith("/parts/model/", StringComparison.Ordinal) != true)
            yield break;
        var (id, frame) = (Uri.UnescapeDataString(pick["/parts/model/".Length..]), views.Results.Finished.Frame);
        LedgerAction Change(string words, string kind, Action<JsonObject> fill)
        {
            var value = new JsonObject { ["kind"] = kind, ["part"] = id };
            fill(value);
            return new(words, $"{id}: {words.ToLowerInvariant()}", [new("add", "/model/changes/-", value)]);
        }
        LedgerAction Factor(string words, double factor) => Change(words, "stiffness", v => v["factor"] = factor);
        if (frame.Beams.FirstOrDefault(b => b.Id == id) is { } beam)
        {
            var (section, material) = (frame.Sections[beam.Section], frame.Materials[beam.Material]);
            var length = (frame.Nodes[beam.J].At + beam.OffsetJ - frame.Nodes[beam.I].At - beam.OffsetI).Length;
            yield return new(
                $"Member {id}",
                [
                    LedgerRows.Reading("From, to", $"{frame.Nodes[beam.I].Id}, {frame.Nodes[beam.J].Id}"),
                    rows.Reading("Length", length, QuantityKind.Length),
                    LedgerRows.Reading("Material", material.Id),
                    rows.Reading("E", material.E, QuantityKind.Stress),
                    LedgerRows.Reading("Section", section.Id),
                    rows.Reading("A", section.A, QuantityKind.SectionArea),
                    rows.Reading("I, upright bending", section.Iy, QuantityKind.SecondMoment),
                    rows.Reading("I, across", section.Iz, QuantityKind.SecondMoment),
                    rows.Reading("J", section.J, QuantityKind.SecondMoment),
                    LedgerRows.Reading(
                        "Rigid offset",
                        beam.OffsetI.Z == 0 ? "none" : $"{rows.Units.FormatWithUnit(beam.OffsetI.Z, QuantityKind.Size)}"
                    ),
                    LedgerRows.Reading(
                        "Hinge",
                        beam.ReleaseI.IsEmpty && beam.ReleaseJ.IsEmpty ? "none"
                            : beam.ReleaseJ.IsEmpty ? "at its start"
                            : "at its end"
                    ),
                ]
            )
            {
                Actions =
                [
                    Change("Leave it out", "delete", _ => { }),
                    Factor("Half as stiff", 0.5),
                    Factor("Twice as stiff", 2),
                    Change("Section like another", "section", v => v["like"] = id),
                    Change("Another material", "material", v => v["material"] = material.Id),
                ],
                Note =
                    "Changes by hand stay when the model is made again; they are listed below, where factor, part and material "
                    + "can be typed.",
            };
        }
        else if (frame.Shells.FirstOrDefault(s => s.Id == id) is { } shell)
        {
            yield return new(
                $"Shell {id}",
                [
                    LedgerRows.Reading("Joints", string.Join(", ", shell.Nodes.Select(n => frame.Nodes[n].Id))),
                    rows.Reading("Thickness", shell.Thickness, QuantityKind.Size),
                    LedgerRows.Reading("Material", frame.Materials[shell.Material].Id),
                ]
            )
            {
                Actions = [Change("Leave it out", "delete", _ => { }), Factor("Half as stiff", 0.5)],
            };
        }
        else if (frame.Nodes.FirstOrDefault(n => n.Id == id) is { } node)
        {
            var at = Array.FindIndex([.. frame.Nodes], n => n.Id == id);
            var fixes = frame.Supports.Where(s => s.Node == at).SelectMany(s => s.Fix).Distinct().Order().Select(d => d.Name());
            yield return new(
                $"Joint {id}",
                [
                    rows.Reading("East", node.At.X, QuantityKind.Length),
                    rows.Reading("North", node.At.Y, QuantityKind.Length),
                    rows.Reading("Level", node.At.Z, QuantityKind.Length),
                    LedgerRows.Reading("Held in", string.Join(" ", fixes) is { Length: > 0 } held ? held : "nothing"),
                ]
            )
            {
                Actions =
                [
                    Change("Hold it upright", "restrain", v => v["directions"] = "uz"),
                    Change("Hold it in everything", "restrain", v => v["directions"] = string.Join(' ', ModelChange.AllDirections)),
                ],
            };
        }
        else if (frame.Springs.FirstOrDefault(s => s.Id == id) is { } spring)
        {
            yield return new(
                $"Bearing {id}",
                [
                    .. spring
                        .Stiffness.Take(3)
                        .Zip(
                            ["along", "across", "upright"],
                            (k, words) =>
                                LedgerRows.Reading(
                                    $"Stiffness {words}, {rows.Units[QuantityKind.Force].Symbol}/mm",
                                    k >= 1e11 ? "held" : QuantityText.Fixed(k / 1e3 / rows.Units[QuantityKind.Force].Factor, 1)
                                )
                        ),
                ]
            );
        }
    }

    /// <summary>Places at which moments of the slab are told; they want shells.</summary>
    private IEnumerable<LedgerGroup> SlabPlaces()
    {
        var places = bridge.Model.SlabPlaces;
        if (bridge.Model.Kind != ModelKind.Shells && places.IsEmpty)
            yield break;
        const string Path = "/model/slabPlaces";
        var metre = rows.Units[QuantityKind.Length].Symbol;
        yield return new(
            "Places of the slab",
            [.. places.SelectMany((_, i) => new[] { rows.Entry($"{Path}/{i}/station"), rows.Entry($"{Path}/{i}/offset") })]
        )
        {
            Columns = places.IsEmpty ? [] : [$"Station, {metre}", $"Offset, {metre}"],
            Note =
                "There moments and shears of the slab per metre are told, under every case, with traffic at its worst: in the table "
                + "along the girders, and in Loading and Influence.",
            RowActions =
            [
                .. places.Select(
                    (_, i) =>
                        new LedgerAction(
                            $"Take place {i + 1} away",
                            $"Place {i + 1} of the slab taken away",
                            [new("remove", $"{Path}/{i}")]
                        )
                ),
            ],
            Actions = [new("Add a place at the cursor", "Place of the slab added", [new("add", $"{Path}/-", BridgeJson.Node(next))])],
        };
    }

    private IEnumerable<LedgerGroup> Changes()
    {
        var changes = bridge.Model.Changes;
        if (changes.IsEmpty)
        {
            yield return new("Changed by hand", [])
            {
                Note = "Nothing. Pick a member, shell or joint in the layout “Model” to leave it out, hold it or change its stiffness.",
            };
            yield break;
        }
        for (var i = 0; i < changes.Length; i++)
        {
            var path = $"/model/changes/{i}";
            string[] own = changes[i].Kind switch
            {
                ModelChangeKind.Restrain => ["directions"],
                ModelChangeKind.Stiffness => ["factor"],
                ModelChangeKind.Material => ["material"],
                ModelChangeKind.Section => ["like"],
                _ => [],
            };
            yield return new($"Changed by hand {i + 1}", [.. new[] { "part", "kind" }.Concat(own).Select(f => rows.Entry($"{path}/{f}"))])
            {
                Actions = [new("Undo this change", $"Change of {changes[i].Part} taken back", [new("remove", path)])],
            };
        }
    }

    private IEnumerable<LedgerGroup> Warnings()
    {
        List<string> all = [.. views?.Results.Warnings ?? [], .. views?.Ranges.Unknown ?? []];
        if (all.Count > 0)
            yield return new("To look at", [.. all.Take(12).Select((w, i) => LedgerRows.Reading($"{i + 1}", w))]);
        if (state?.Refused is { } refused)
            yield return new("Not solved", [])
            {
                Note = refused.Mode is null
                    ? refused.Message
                    : $"{refused.Message} The drawing shows how. Let a bearing or support hold it there, or restrain a joint by hand.",
            };
    }

    private LedgerGroup Time() =>
        new(
            "Creep and shrinkage",
            [
                rows.Entry("/actions/humidity"),
                rows.Entry("/actions/cement"),
                rows.Entry("/actions/lastDay"),
                rows.Entry("/actions/aging"),
                .. views?.Results.TimeValues.Select(v =>
                    v.Unit == "m"
                        ? rows.Reading(v.Symbol, v.Value, QuantityKind.Length, $"{v.Name}. {v.Clause}")
                        : LedgerRows.Reading(v.Symbol, QuantityText.Fixed(v.Value, v.Value >= 10 ? 0 : 3), $"{v.Name}. {v.Clause}") with
                        {
                            Unit = v.Unit,
                        }
                )
                    ?? [],
            ]
        );

    private IEnumerable<LedgerGroup> Efforts()
    {
        if (views is null)
            yield break;
        var worst = views.Results.Cases.MaxBy(c => c.Account.Imbalance)!;
        yield return new(
            "In words",
            [
                LedgerRows.Reading("Cases", $"{views.Results.Cases.Length}"),
                LedgerRows.Reading(
                    "Largest left over",
                    $"{worst.Account.Imbalance:0.0e+0}",
                    "Of the load, or of the forces inside where nothing is put on."
                ),
                LedgerRows.Reading("in", worst.Name),
            ]
        )
        {
            Note =
                worst.Account.Imbalance < 1e-8
                    ? "Every case balances: what is put on comes back at the supports, in forces and in moments."
                    : "A case does not balance to 1e-8 of its load: look at stiffnesses that differ very much.",
        };
        foreach (var e in views.Results.Efforts)
            yield return new(
                char.ToUpperInvariant(e.Name[0]) + e.Name[1..],
                [
                    LedgerRows.Reading("Joints, members, shells", $"{e.Joints}, {e.Members}, {e.Shells}"),
                    LedgerRows.Reading("Unknowns", $"{e.Unknowns}"),
                    LedgerRows.Reading(
                        "Least pivot",
                        $"{e.LeastPivot:0.0e+0}",
                        "Over what was added to its diagonal entry: its exponent is about the number of the sixteen digits that are lost."
                    ),
                    LedgerRows.Reading("Greatest pivot", $"{e.GreatestPivot:0.0e+0}"),
                    LedgerRows.Reading("Time", e.Reused ? "factor kept from before" : $"{QuantityText.Fixed(1000 * e.Seconds, 0)} ms"),
                    LedgerRows.Reading("Memory of the factor", $"{QuantityText.Fixed(e.Megabytes, 1)} MB"),
                ]
            );
    }

    private Ledger Stages(int number)
    {
        var (spans, own) = (bridge.Axes.Spans.Length, bridge.Actions.Stages);
        var stages = bridge.Actions.StagesOf(bridge.Girders, spans);
        string[] fields = ["name", "day", "girders", "pours", "joins", "props", "releases", "loads"];
        var all = new LedgerGroup(
            "Stages",
            [
                .. stages.SelectMany(
                    (s, i) =>
                        new[]
                        {
                            LedgerRows.Reading("", $"{i + 1}") with
                            {
                                Picks = $"/actions/stages/{i}",
                            },
                            LedgerRows.Reading("", s.Name) with
                            {
                                Picks = $"/actions/stages/{i}",
                            },
                            LedgerRows.Reading("", QuantityText.Fixed(s.Day, 0)),
                        }
                ),
            ]
        )
        {
            Columns = ["No.", "Stage", "Day"],
            Note =
                own is null ? "The usual stages. The first value that is typed makes them the bridge's own."
                : bridge.Girders.CastInPlace ? "What is cast is stiff from the next stage, and weighs when its falsework is struck."
                : "Structure first, then loads; what is cast weighs in its stage and is stiff from the next.",
            RowActions = own is null
                ? []
                :
                [
                    .. stages.Select(
                        (s, i) =>
                            new LedgerAction(
                                $"Take stage {i + 1} away",
                                $"Stage “{s.Name}” taken away",
                                [new("remove", $"/actions/stages/{i}")]
                            )
                    ),
                ],
            Actions =
            [
                new(
                    "Add a stage at the end",
                    "Stage added",
                    [
                        .. EntryReader.OwnStages(bridge),
                        new("add", "/actions/stages/-", new JsonObject { ["name"] = "New stage", ["day"] = stages[^1].Day + 10 }),
                    ]
                ),
                .. spans > 1 && !bridge.Girders.CastInPlace
                    ?
                    [
                        new LedgerAction(
                            "Cast the slab span by span",
                            "Slab cast span by span",
                            [new("replace", "/actions/stages", BridgeJson.Node(Stage.SpanBySpan(spans)))]
                        ),
                    ]
                    : Array.Empty<LedgerAction>(),
                .. own is null
                    ? Array.Empty<LedgerAction>()
                    : [new LedgerAction("Back to the usual stages", "Usual stages", [new("replace", "/actions/stages", null)])],
            ],
        };
        var picked = new LedgerGroup(
            $"Stage {number + 1}",
            [.. fields.Select(f => own is null ? Usual(stages[number], f, number) : rows.Entry($"/actions/stages/{number}/{f}"))]
        );
        return new("Stages", stages[number].Name, [all, picked, .. Driving(stages[number], number), Time()]);
    }

    /// <summary>What drives in a stage, and in which lanes.</summary>
    private IEnumerable<LedgerGroup> Driving(Stage stage, int number)
    {
        var path = $"/actions/stages/{number}/traffic";
        var usual = TrafficModels.Usual(bridge.Basis.Standard, bridge.Basis.Values).Name;
        var next = stage.Traffic.IsEmpty ? usual : bridge.Traffic.Vehicles.FirstOrDefault()?.Name ?? "LM2";
        JsonObject Use() => new() { ["name"] = next };
        yield return new("Drives in this stage", [.. stage.Traffic.SelectMany((_, i) => new[] { rows.Entry($"{path}/{i}/name") })])
        {
            Note =
                "On the bridge as it stands at the end of the stage, on effects of girders. It is listed under “While it is built” along "
                + "the girders, with what is built up to then; checks do not count it.",
            RowActions =
            [
                .. stage.Traffic.Select(
                    (u, i) => new LedgerAction($"Take {u.Name} away", $"{u.Name} taken away", [new("remove", $"{path}/{i}")])
                ),
            ],
            Actions =
            [
                new(
                    $"Let {next} drive",
                    $"{next} drives in “{stage.Name}”",
                    [
                        .. EntryReader.OwnStages(bridge),
                        stage.Traffic.IsEmpty ? new("add", path, new JsonArray(Use())) : new("add", $"{path}/-", Use()),
                    ]
                ),
            ],
        };
        for (var i = 0; i < stage.Traffic.Length; i++)
        {
            var (use, lanes) = (stage.Traffic[i], $"{path}/{i}/lanes");
            var from = use.Lanes.IsEmpty ? -1.5 : use.Lanes[^1].From + use.Lanes[^1].Width;
            JsonObject lane = new() { ["from"] = Math.Round(from, 3), ["width"] = 3.0 };
            yield return new(
                $"Lanes of {use.Name}",
                [.. use.Lanes.SelectMany((_, l) => new[] { rows.Entry($"{lanes}/{l}/from"), rows.Entry($"{lanes}/{l}/width") })]
            )
            {
                Columns = use.Lanes.IsEmpty ? [] : ["Left edge", "Width"],
                Note = use.Lanes.IsEmpty ? "They lie anywhere." : "",
                RowActions =
                [
                    .. use.Lanes.Select(
                        (_, l) => new LedgerAction($"Take lane {l + 1} away", $"Lane {l + 1} taken away", [new("remove", $"{lanes}/{l}")])
                    ),
                ],
                Actions =
                [
                    new(
                        "Add a lane",
                        $"Lane added to {use.Name}",
                        [use.Lanes.IsEmpty ? new("add", lanes, new JsonArray(lane)) : new("add", $"{lanes}/-", lane)]
                    ),
                ],
            };
        }
    }

    /// <summary>A value of a usual stage: shown as inherited, and typed all the same.</summary>
    private static LedgerRow Usual(Stage stage, string name, int number)
    {
        var field = EntryCatalog.At($"/actions/stages/{number}/{name}")!;
        var value = name switch
        {
            "name" => stage.Name,
            "day" => QuantityText.Fixed(stage.Day, 0),
            "girders" => stage.Girders,
            "pours" => stage.Pours,
            "joins" => stage.Joins,
            "props" => stage.Props,
            "releases" => stage.Releases,
            _ => stage.Loads,
        };
        return new(field.Name, value, "")
        {
            Path = $"/actions/stages/{number}/{name}",
            Entry = field.Kind == EntryKind.Text ? "text" : "quantity",
            Help = field.Help,
            IsInherited = true,
        };
    }
}
