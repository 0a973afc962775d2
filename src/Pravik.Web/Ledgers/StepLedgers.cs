using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Geometry;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Core.Validation;
using Pravik.Exchange;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Ledgers;

/// <summary>The ledgers of the steps in which the bridge is described.</summary>
internal sealed class StepLedgers(Bridge bridge, BridgeGeometry geometry, double station, Around around)
{
    private readonly DeckSection section = geometry.SectionAt(station);
    private readonly LedgerRows rows = new(bridge);

    public Ledger Basis()
    {
        var set = NationalValues.Named(bridge.Basis.NationalSet)!;
        var titles = new[] { "project", "client", "office", "number", "issue", "drawn", "checked" }.Select(t =>
            rows.Entry($"/basis/titles/{t}")
        );
        var unused = Unused.In(bridge);
        return new(
            "Basis",
            "what the project is built on",
            [
                new(
                    "Project",
                    [
                        rows.Entry("/name"),
                        LedgerRows.Reading("Code", "EN 1990, 1991, 1992", "Design basis of actions and checks."),
                        rows.Entry("/basis/nationalSet"),
                        rows.Entry("/basis/indirectAtUltimate"),
                        rows.Entry("/basis/units"),
                    ]
                ),
                new("Titles", [.. titles]) { Note = "Printed on every sheet." },
                new(
                    "National values",
                    [.. set.Entries.Select(e => rows.Entry($"/basis/ownValues/{e.Name}", e.Value, e.Meaning) with { Help = e.Clause })]
                )
                {
                    Note = "Grey values are those of the set. A value typed here replaces one.",
                    Actions =
                    [
                        new("Keep as a set in the office library", "", []) { Saves = "/basis" },
                        .. around
                            .Library.Where(r => r.Kind == LibraryJson.NationalSet && !r.Superseded)
                            .Select(r => new LedgerAction(
                                $"Take “{r.Name}”",
                                $"National values of “{r.Name}” taken",
                                [
                                    new("replace", "/basis/nationalSet", r.Value["nationalSet"]!.DeepClone()),
                                    new("replace", "/basis/ownValues", r.Value["values"]!.DeepClone()),
                                ]
                            )),
                    ],
                },
                new("Definitions that nothing uses", [.. unused.Select(u => LedgerRows.Reading(u.Kind, u.Name))])
                {
                    // From the last of each list, so that the paths of those before stay.
                    Actions =
                        unused.Count == 0
                            ? []
                            :
                            [
                                new(
                                    "Clear them all",
                                    $"{unused.Count} unused definitions cleared",
                                    [.. unused.Reverse().Select(u => new PatchOperation("remove", u.Path))]
                                ),
                            ],
                    Note = unused.Count == 0 ? "Everything that is defined is in use." : "",
                },
            ]
        );
    }

    public Ledger Deck(string? picked) => new DeckLedger(bridge, geometry, rows, station, around.Library).Make(picked);

    public Ledger Road() => new RoadLedger(bridge, geometry, rows, around.Neighbours).Make(station);

    public Ledger Axes()
    {
        var axes = bridge.Axes;
        var spans = axes.Spans;
        var units = rows.Units;
        var add = new LedgerAction(
            "Add a span",
            $"Span {spans.Length + 1} added",
            [new("add", "/axes/spans/-", JsonValue.Create(spans[^1]))]
        );
        return new(
            "Axes",
            $"{spans.Length} {(spans.Length == 1 ? "span" : "spans")}",
            [
                new(
                    "Set out",
                    [
                        rows.Entry("/axes/firstStation"),
                        rows.Entry("/axes/spans"),
                        rows.Entry("/axes/skew"),
                        rows.Derived("/axes/count", spans.Length),
                        rows.Derived("/axes/overall", spans.Sum()),
                        rows.Derived("/axes/lastStation", geometry.LastStation),
                    ]
                )
                {
                    Actions =
                        spans.Length > 1
                            ?
                            [
                                add,
                                new(
                                    "Take the last away",
                                    $"Span {spans.Length} taken away",
                                    [new("remove", $"/axes/spans/{spans.Length - 1}")]
                                ),
                            ]
                            : [add],
                },
                new(
                    "Axis by axis",
                    [
                        .. geometry.Axes.SelectMany(a =>
                            new[]
                            {
                                rows.Entry($"/axes/own/{a.Number}/name", inheritedChoice: $"{a.Number}"),
                                rows.Derived($"/axes/stations/{a.Number}", a.Station),
                                rows.Entry($"/axes/own/{a.Number}/skew", a.Skew),
                                rows.Entry(
                                    $"/axes/own/{a.Number}/kind",
                                    inheritedChoice: a.Number == 1 || a.Number == geometry.Axes.Length ? "abutment" : "pier"
                                ),
                            }
                        ),
                    ]
                )
                {
                    Columns =
                    [
                        "Axis",
                        $"Station, {units[QuantityKind.Length].Symbol}",
                        $"Skew, {units[QuantityKind.Angle].Symbol}",
                        "Kind",
                    ],
                    Note = "Grey values follow from the common ones; clear an own value to give it back.",
                },
                .. Crossings(),
                new(
                    "Directions",
                    [.. geometry.Axes.Select(a => rows.Entry($"/axes/own/{a.Number}/azimuth", Direction(a), $"Axis {a.Name}"))]
                )
                {
                    Note = "A direction clockwise from north takes the place of a skew.",
                },
                new(
                    "Readings",
                    [
                        .. geometry.Axes.SelectMany(a =>
                            new[]
                            {
                                LedgerRows.Reading("", a.Name) with
                                {
                                    Picks = $"/parts/axes/{a.Number}",
                                },
                                LedgerRows.Reading("", units.Format(geometry.Road.Level(a.Station), QuantityKind.Length)),
                                LedgerRows.Reading("", units.Format(a.Skew, QuantityKind.Angle)),
                                LedgerRows.Reading("", units.Format(AxisLength(a), QuantityKind.Length)),
                            }
                        ),
                    ]
                )
                {
                    Columns = ["Axis", "Road level", "Skew", "Length"],
                },
            ]
        );
    }

    private IEnumerable<LedgerGroup> Crossings()
    {
        var add = new LedgerAction(
            "Add what is crossed",
            "Crossing added",
            [
                new(
                    "add",
                    "/crossings/-",
                    new JsonObject
                    {
                        ["station"] = Math.Round((geometry.FirstStation + geometry.LastStation) / 2, 3),
                        ["level"] = Math.Round(geometry.Road.Level(geometry.FirstStation) - 6, 2),
                    }
                ),
            ]
        );
        if (bridge.Crossings.IsEmpty)
            yield return new("What is crossed", [])
            {
                Actions = [add],
                Note = "Roads, railways, paths and water under the bridge, with the space that they need.",
            };
        for (var i = 0; i < bridge.Crossings.Length; i++)
        {
            var path = $"/crossings/{i}";
            var least = Clearances.Least(geometry, bridge.Crossings[i]);
            yield return new(
                $"Crossed: {bridge.Crossings[i].Name}",
                [
                    .. new[] { "name", "kind", "station", "skew", "level", "grade", "width", "height" }.Select(f =>
                        rows.Entry($"{path}/{f}")
                    ),
                    .. least is null
                        ? new[] { LedgerRows.Reading("Clearance", "not under the bridge") }
                        :
                        [
                            rows.Reading(
                                "Least clearance",
                                least.Height,
                                QuantityKind.Length,
                                "From its surface to the girders' soffit, within the width of the envelope."
                            ),
                            LedgerRows.Reading("under", least.Girder),
                            rows.Reading("at station", least.Station, QuantityKind.Length),
                            rows.Reading("and offset", least.Offset, QuantityKind.Length),
                        ],
                ]
            )
            {
                Actions =
                [
                    new("Take away", $"{bridge.Crossings[i].Name} taken away", [new("remove", path)]),
                    .. i == bridge.Crossings.Length - 1 ? new[] { add } : [],
                ],
            };
        }
    }

    private double AxisLength(AxisPlace axis)
    {
        var (left, right) = geometry.EdgesOn(axis);
        return Point.Distance(geometry.Road.At(left), geometry.Road.At(right));
    }

    /// <summary>Azimuth of an axis seen from left to right, 0 to 2π.</summary>
    private double Direction(AxisPlace axis)
    {
        var azimuth = (geometry.Road.Azimuth(axis.Station) + Math.PI / 2 + axis.Skew) % (2 * Math.PI);
        return azimuth < 0 ? azimuth + 2 * Math.PI : azimuth;
    }

    public Ledger Girders(string? picked) => new GirderLedger(bridge, geometry, rows, station).Show(picked);

    public Ledger Loads()
    {
        var strips = section.Strips;
        return new(
            "Loads",
            "what acts on the finished deck",
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
                new(
                    "Readings: traffic",
                    [
                        .. geometry.Carriageways.SelectMany(
                            (c, i) => Carriageway(geometry.Carriageways.Length == 1 ? "Carriageway" : $"Carriageway {i + 1}", c)
                        ),
                    ]
                )
                {
                    Note =
                        "Load model 1 and footway load of EN 1991-2, factors from the national set (Basis). Lanes go anywhere in "
                        + "the carriageway, tandems anywhere along it, for every effect by itself.",
                },
                .. new ActionLedger(bridge, geometry, around.Ground, rows).Groups(),
            ]
        );
    }

    public Ledger Sheets(IReadOnlyList<BillItem> bill) =>
        new(
            "Sheets",
            "general arrangement, A3",
            [
                new(
                    "Titles",
                    [
                        .. new[] { "project", "client", "office", "number", "issue", "drawn", "checked" }.Select(t =>
                            rows.Entry($"/basis/titles/{t}")
                        ),
                    ]
                ),
                new(
                    "Rates",
                    [
                        rows.Entry("/costs/currency"),
                        .. bill.Select(i =>
                            rows.Entry($"/costs/rates/{i.Key}", null, i.Words) with
                            {
                                Unit = $"per {(i.Kind == QuantityKind.Count ? "piece" : rows.Units[i.Kind].Symbol)}",
                            }
                        ),
                    ]
                )
                {
                    Note = "A rate gives its quantity a cost. Rates are per unit of the project's own units.",
                },
            ]
        );

    private IEnumerable<LedgerRow> Carriageway(string name, Carriageway part)
    {
        var lanes = NotionalLanes.On(part.Width, bridge.Basis.Values["laneWidth"]);
        return
        [
            rows.Reading(name, part.Width, QuantityKind.Length, "Between kerbs and restraint systems, of all sections together."),
            LedgerRows.Reading("Notional lanes", lanes.Count.ToString(), "EN 1991-2 Table 4.1"),
            rows.Reading("Width of a lane", lanes.Width, QuantityKind.Length),
            rows.Reading("Remaining area", lanes.Remaining, QuantityKind.Length),
        ];
    }
}
