using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>Groups of the loads step: weights and strips, and where traffic can be.</summary>
internal sealed class LoadsLedger(Bridge bridge, BridgeGeometry geometry, LedgerRows rows)
{
    /// <summary>What lies on the deck.</summary>
    public IEnumerable<LedgerGroup> Permanent(double station)
    {
        var strips = geometry.SectionAt(station).Strips;
        return
        [
            new(
                "Unit weights",
                [
                    rows.Entry("/loads/concreteWeight"),
                    rows.Entry("/loads/wetConcrete"),
                    rows.Entry("/loads/steelWeight"),
                    rows.Entry("/loads/surfacingWeight"),
                    rows.Entry("/loads/footwayWeight"),
                ]
            ),
            new(
                "Parapets",
                [
                    .. ParapetLine
                        .All(geometry)
                        .Select(p =>
                            rows.Reading(
                                $"{p.Profile.Name}, {(p.Side < 0 ? "left" : "right")}",
                                p.Weight,
                                QuantityKind.LineLoad,
                                "Entered in the deck step."
                            )
                        ),
                ]
            ),
            new(
                "Readings: strips, left to right",
                [
                    .. strips.SelectMany(s =>
                        new[]
                        {
                            LedgerRows.Reading("", s.Name),
                            LedgerRows.Reading("", rows.Units.Format(s.MeanFill, QuantityKind.Size)),
                            LedgerRows.Reading("", rows.Units.Format(PermanentLoads.StripLoad(s, bridge.Loads), QuantityKind.AreaLoad)),
                        }
                    ),
                ]
            )
            {
                Columns = ["Strip", $"Depth, {rows.Units[QuantityKind.Size].Symbol}", rows.Units[QuantityKind.AreaLoad].Symbol],
            },
            new(
                "Readings: on each girder",
                [rows.Reading("Girder", geometry.GirderWeight(geometry.GirdersIn(0)[0], 0), QuantityKind.LineLoad)]
            ),
        ];
    }

    /// <summary>Carriageways, and the lanes of a model on them.</summary>
    /// <param name="model">The model.</param>
    /// <param name="scheme">The arrangement that is looked at.</param>
    public IEnumerable<LedgerGroup> Traffic(TrafficModel model, LaneScheme scheme)
    {
        var many = geometry.Carriageways.Length > 1;
        foreach (var (part, i) in geometry.Carriageways.Select((c, i) => (c, i)))
            yield return new(many ? $"Readings: carriageway {i + 1}" : "Readings: carriageway", [.. Carriageway(part, model)]);
        if (model.Rule != LaneRule.Track)
            yield return Lanes(model, scheme);
        foreach (var group in Typed().Concat(Tracks()))
            yield return group;
        yield return new("", [])
        {
            Note = geometry.Carriageways.IsEmpty
                ? "No carriageway is found on the deck: nothing drives there. A running surface between kerbs or restraints makes one."
                : "Lanes go anywhere on the carriageways without overlapping: packed from both kerbs, with wheels on lines of the model, "
                    + "and in steps of 0.25 m, refined to 0.01 m about the worst; vehicles anywhere along them, for every effect by "
                    + "itself. Those shown are some.",
        };
    }

    /// <summary>Lanes that a model has of its own, or what gives it some.</summary>
    private LedgerGroup Lanes(TrafficModel model, LaneScheme scheme)
    {
        var use = bridge.Traffic.Models.Select(m => m.Name).ToList().IndexOf(model.Name);
        JsonNode Lane((int Number, double From, double Width) lane) =>
            new JsonObject { ["from"] = Math.Round(lane.From, 3), ["width"] = Math.Round(lane.Width, 3) };
        if (use < 0)
            return new($"Lanes of {model.Name}", [])
            {
                Note = "They lie anywhere. The lanes that are drawn can be made its own: then it goes in these alone.",
                Actions =
                [
                    new(
                        "Only in the lanes drawn",
                        $"{model.Name} in lanes of its own",
                        [
                            new(
                                "add",
                                "/traffic/models/-",
                                new JsonObject { ["name"] = model.Name, ["lanes"] = new JsonArray([.. scheme.All.Select(Lane)]) }
                            ),
                        ]
                    ),
                ],
            };
        var (path, lanes) = ($"/traffic/models/{use}", bridge.Traffic.Models[use].Lanes);
        var next = lanes.IsEmpty ? scheme.All.FirstOrDefault((1, -1.5, 3)) : (1, lanes[^1].From + lanes[^1].Width, lanes[^1].Width);
        return new(
            $"Lanes of {model.Name}",
            [.. lanes.SelectMany((_, i) => new[] { rows.Entry($"{path}/lanes/{i}/from"), rows.Entry($"{path}/lanes/{i}/width") })]
        )
        {
            Columns = lanes.IsEmpty
                ? []
                : [$"Left edge, {rows.Units[QuantityKind.Length].Symbol}", $"Width, {rows.Units[QuantityKind.Length].Symbol}"],
            RowActions =
            [
                .. lanes.Select(
                    (_, i) =>
                        new LedgerAction(
                            $"Take lane {i + 1} away",
                            $"Lane {i + 1} of {model.Name} taken away",
                            [new("remove", $"{path}/lanes/{i}")]
                        )
                ),
            ],
            Note = lanes.IsEmpty ? "They lie anywhere." : "It goes in these lanes alone, at most one vehicle of a kind in each.",
            Actions =
            [
                new(
                    "Add a lane",
                    $"Lane added to {model.Name}",
                    lanes.IsEmpty
                        ? [new("replace", $"{path}/lanes", new JsonArray(Lane(next)))]
                        : [new("add", $"{path}/lanes/-", Lane(next))]
                ),
                .. lanes.IsEmpty
                    ? Array.Empty<LedgerAction>()
                    : [new("Anywhere again", $"{model.Name} anywhere again", [new("remove", $"{path}/lanes")])],
            ],
        };
    }

    /// <summary>Carriageways that are typed, or what types them.</summary>
    private IEnumerable<LedgerGroup> Typed()
    {
        var typed = bridge.Traffic.Carriageways;
        for (var i = 0; i < typed.Length; i++)
        {
            var path = $"/traffic/carriageways/{i}";
            yield return new(
                $"Typed carriageway {i + 1}",
                [.. new[] { "fromOf", "from", "toOf", "to" }.Select(f => rows.Entry($"{path}/{f}"))]
            )
            {
                Actions = [new("Take it away", $"Carriageway {i + 1} taken away", [new("remove", path)])],
            };
        }
        var found = geometry.Carriageways.DefaultIfEmpty(new(-3.5, 3.5));
        yield return new(typed.IsEmpty ? "Typed carriageways" : "", [])
        {
            Note = typed.IsEmpty
                ? "Carriageways are found between kerbs and restraint systems; they can be typed by their edges instead."
                : "",
            Actions = typed.IsEmpty
                ? [new("Type them", "Carriageways typed", [new("replace", "/traffic/carriageways", BridgeJson.Node(found.Select(As)))])]
                :
                [
                    new(
                        "Add a carriageway",
                        "Carriageway added",
                        [new("add", "/traffic/carriageways/-", BridgeJson.Node(As(found.Last())))]
                    ),
                    new(
                        "As they are found",
                        "Carriageways as found",
                        [new("replace", "/traffic/carriageways", BridgeJson.Node(typed.Clear()))]
                    ),
                ],
        };
    }

    /// <summary>Railway tracks and the factors on what goes there.</summary>
    private IEnumerable<LedgerGroup> Tracks()
    {
        var rail = bridge.Traffic.Rail;
        var isUsed = !rail.IsUsual || TrafficPlan.Chosen(bridge).Any(m => m.Role == TrafficRole.Rail);
        yield return new(
            "Railway tracks",
            [.. rail.Tracks.Select((_, i) => rows.Entry($"/traffic/rail/tracks/{i}/offset", null, $"Track {i + 1}"))]
        )
        {
            Note = rail.Tracks.IsEmpty ? "None: railway traffic, where it is chosen, goes along the road line." : "",
            Actions =
            [
                new(
                    "Add a track",
                    $"Track {rail.Tracks.Length + 1} added",
                    [
                        new(
                            "add",
                            "/traffic/rail/tracks/-",
                            BridgeJson.Node(new Track { Offset = rail.Tracks.IsEmpty ? 0 : rail.Tracks[^1].Offset + 4 })
                        ),
                    ]
                ),
                .. rail.Tracks.Select(
                    (_, i) =>
                        new LedgerAction(
                            $"Take track {i + 1} away",
                            $"Track {i + 1} taken away",
                            [new("remove", $"/traffic/rail/tracks/{i}")]
                        )
                ),
            ],
        };
        if (isUsed)
            yield return new(
                "Railway traffic",
                [
                    rows.Entry("/traffic/rail/alpha"),
                    rows.Entry("/traffic/rail/care"),
                    rows.Entry("/traffic/rail/dynamic"),
                    rows.Entry("/traffic/rail/gauge"),
                    rows.Entry("/traffic/rail/sleepers"),
                    rows.Entry("/traffic/rail/ballast"),
                    .. rail.Ballast is null
                        ? Array.Empty<LedgerRow>()
                        : [rows.Entry("/traffic/rail/sleeperLength"), rows.Entry("/traffic/rail/sleeperWidth")],
                    rows.Entry("/traffic/rail/speed"),
                    rows.Entry("/traffic/rail/level"),
                    LedgerRows.Reading(
                        "Φ that is applied",
                        QuantityText.Fixed(TrafficPlan.DynamicFactor(geometry), 3),
                        "EN 1991-2 6.4.5.2"
                    ),
                ]
            )
            {
                Note =
                    "Traction, braking, nosing and, with a speed, centrifugal forces on a curve act with it in combinations (Table 6.11). "
                    + "Left out: the weight of the track, and the combined response of structure and track (6.5.4).",
            };
    }

    private static TypedCarriageway As(Carriageway found) => new() { From = Math.Round(found.From, 3), To = Math.Round(found.To, 3) };

    private IEnumerable<LedgerRow> Carriageway(Carriageway part, TrafficModel model)
    {
        var (count, width) = LaneScheme.Lanes(part.Width, model);
        return
        [
            rows.Reading("From", part.From, QuantityKind.Length, "Offset of its left side from the road line, right positive."),
            rows.Reading("To", part.To, QuantityKind.Length),
            rows.Reading("Width", part.Width, QuantityKind.Length, "Between kerbs and restraint systems, of all sections together."),
            LedgerRows.Reading("Lanes", $"{count}", model.Rule == LaneRule.Design ? "AASHTO LRFD 3.6.1.1.1" : "EN 1991-2 Table 4.1"),
            rows.Reading("Width of a lane", width, QuantityKind.Length),
            rows.Reading("Remaining area", Math.Max(0, part.Width - count * width), QuantityKind.Length),
        ];
    }
}
