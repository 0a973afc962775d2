using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>The ledger of the road: line, profile, crossfalls, equations, and what they give at the station.</summary>
internal sealed class RoadLedger(Bridge bridge, BridgeGeometry geometry, LedgerRows rows, IReadOnlyList<Neighbour> neighbours)
{
    /// <summary>Rows of a list that are shown at once; a received road can have thousands.</summary>
    private const int MostRows = 40;
    private readonly Road road = bridge.Road;

    public Ledger Make(double station)
    {
        List<LedgerGroup> groups = [Readings(station)];
        groups.Add(
            new(
                "Line",
                road.Entry == LineEntry.Elements
                    ?
                    [
                        rows.Entry("/road/name"),
                        rows.Entry("/road/entry"),
                        rows.Entry("/road/startStation"),
                        rows.Entry("/road/startEast"),
                        rows.Entry("/road/startNorth"),
                        rows.Entry("/road/azimuth"),
                    ]
                    : [rows.Entry("/road/name"), rows.Entry("/road/entry"), rows.Entry("/road/startStation")]
            )
        );
        groups.Add(road.Entry == LineEntry.Elements ? Elements(station) : Points(station));
        groups.Add(Profile(station));
        groups.Add(
            List(
                "Crossfalls",
                "crossfalls",
                ["station", "left", "right"],
                [L("Station"), "Left, %", "Right, %"],
                Near(road.Crossfalls.Select(c => c.Station), station),
                "Crossfall",
                new JsonObject
                {
                    ["station"] = road.Crossfalls.IsEmpty ? geometry.Road.StartStation : road.Crossfalls[^1].Station + 20,
                    ["left"] = road.Crossfalls.IsEmpty ? -0.025 : road.Crossfalls[^1].Left,
                    ["right"] = road.Crossfalls.IsEmpty ? -0.025 : road.Crossfalls[^1].Right,
                }
            ) with
            {
                Note = road.Crossfalls.IsEmpty
                    ? "Without entries the road is level across."
                    : "Rise outward from the road line; straight between entries.",
            }
        );
        groups.Add(
            List(
                "Station equations",
                "equations",
                ["at", "back", "ahead"],
                [L("At"), "Back", "Ahead"],
                Near(road.Equations.Select(e => e.At), station),
                "Equation",
                new JsonObject
                {
                    ["at"] = road.Equations.IsEmpty ? geometry.Road.StartStation : road.Equations[^1].At + 100,
                    ["back"] = geometry.Road.StartStation,
                    ["ahead"] = geometry.Road.StartStation,
                }
            ) with
            {
                Note = "Stations typed and listed elsewhere are running ones; the reading above shows both.",
            }
        );
        groups.Add(Features());
        groups.Add(
            new(
                "Bridges on this road",
                [
                    .. neighbours.SelectMany(n =>
                        new[]
                        {
                            LedgerRows.Reading("", n.Bridge.Name) with
                            {
                                Opens = $"/bridges/{n.ProjectId}/road",
                            },
                            LedgerRows.Reading("", rows.Units.Format(n.Bridge.Axes.FirstStation, QuantityKind.Length)),
                            LedgerRows.Reading(
                                "",
                                rows.Units.Format(n.Bridge.Axes.FirstStation + n.Bridge.Axes.Spans.Sum(), QuantityKind.Length)
                            ),
                        }
                    ),
                ]
            )
            {
                Columns = ["Bridge", "From", "To"],
                Actions = [new("Add a bridge on this road", "", []) { AsksNeighbour = true }],
                Note =
                    neighbours.Count == 0
                        ? "This bridge stands alone on its road."
                        : "They share the road and the ground: changed here, it changes for all.",
            }
        );
        return new("Road", road.Name, groups);
    }

    /// <summary>The other lines of the road file.</summary>
    private LedgerGroup Features() =>
        new(
            "Other lines",
            [
                .. geometry.Road.Features.SelectMany(f =>
                    new[]
                    {
                        LedgerRows.Reading("", f.Name),
                        LedgerRows.Reading("", rows.Units.Format(f.From, QuantityKind.Length)),
                        LedgerRows.Reading("", rows.Units.Format(f.To, QuantityKind.Length)),
                    }
                ),
            ]
        )
        {
            Columns = ["Line", "From", "To"],
            RowActions =
            [
                .. road.Features.Select(
                    (f, i) => new LedgerAction($"Take {f.Name} away", $"Line {f.Name} taken away", [new("remove", $"/road/features/{i}")])
                ),
            ],
            Note = road.Features.IsEmpty
                ? "Kerbs, edges and other alignments come with a road file; strips and parapets can follow them."
                : "",
        };

    private LedgerGroup Readings(double station)
    {
        var line = geometry.Road;
        var at = line.Survey(station, 0);
        var (left, right) = line.Crossfalls.At(station);
        var curvature = line.Line.Curvature(station);
        List<LedgerRow> list =
        [
            rows.Reading("Station", station, QuantityKind.Length),
            rows.Reading("East", at.X, QuantityKind.Length),
            rows.Reading("North", at.Y, QuantityKind.Length),
            rows.Reading("Azimuth", at.Azimuth, QuantityKind.Angle, "Clockwise from north."),
            curvature == 0
                ? LedgerRows.Reading("Radius", "straight")
                : rows.Reading(curvature > 0 ? "Radius, right" : "Radius, left", Math.Abs(1 / curvature), QuantityKind.Length),
            at.Z is { } z ? rows.Reading("Level", z, QuantityKind.Length) : LedgerRows.Reading("Level", "no profile here"),
            rows.Reading("Grade", at.Grade, QuantityKind.Slope, "Rise over run looking ahead."),
            rows.Reading("Crossfall left", left, QuantityKind.Slope, "Rise outward."),
            rows.Reading("Crossfall right", right, QuantityKind.Slope, "Rise outward."),
            rows.Reading("Road from", line.StartStation, QuantityKind.Length),
            rows.Reading("Road to", line.EndStation, QuantityKind.Length),
        ];
        if (!road.Equations.IsEmpty)
            list.Insert(
                1,
                rows.Reading("Station shown", line.Stationing.Shown(station), QuantityKind.Length, "After the station equations.")
            );
        return new("At the cursor", list);
    }

    private LedgerGroup Elements(double station)
    {
        var pieces = geometry.Road.Line.Segments;
        var added = new JsonObject { ["length"] = 50 };
        var arc = new JsonObject
        {
            ["length"] = 50,
            ["startRadius"] = 300,
            ["endRadius"] = 300,
        };
        var group = List(
            "Elements",
            "elements",
            ["length", "startRadius", "endRadius"],
            [L("Length"), "R start", "R end"],
            Near(pieces.Select(p => p.Station), station),
            "Element",
            added
        );
        return group with
        {
            Actions =
            [
                new("Add a straight", "Straight added", [new("add", "/road/elements/-", added)]),
                new("Add an arc", "Arc added", [new("add", "/road/elements/-", arc)]),
            ],
            Note = Clip(group.Note, "No radius: straight. Both alike: arc. Else a clothoid; positive turns right."),
        };
    }

    private LedgerGroup Points(double station)
    {
        var last = road.Points.Length > 0 ? road.Points[^1] : new() { East = road.StartEast, North = road.StartNorth };
        var direction = Core.Geometry.Point.Towards(geometry.Road.Azimuth(geometry.Road.EndStation));
        var added = new JsonObject
        {
            ["east"] = Math.Round(last.East + 100 * direction.X, 3),
            ["north"] = Math.Round(last.North + 100 * direction.Y, 3),
        };
        return List(
            "Intersection points",
            "points",
            ["east", "north", "radius", "transitionIn", "transitionOut"],
            [L("East"), "North", "Radius", "Clothoid in", "out"],
            Near(road.Points.Select((_, i) => (double)i), 0),
            "Point",
            added
        );
    }

    private LedgerGroup Profile(double station)
    {
        var (first, count) = Near(road.Profile.Select(p => p.Station), station);
        List<LedgerRow> cells = [];
        for (var i = first; i < first + count; i++)
        {
            cells.AddRange(new[] { "station", "level", "curveLength" }.Select(f => rows.Entry($"/road/profile/{i}/{f}")));
            cells.Add(
                i + 1 < road.Profile.Length
                    ? rows.Derived(
                        $"/road/profile/{i}/grade",
                        (road.Profile[i + 1].Level - road.Profile[i].Level) / (road.Profile[i + 1].Station - road.Profile[i].Station)
                    )
                    : LedgerRows.Reading("", "")
            );
        }
        var last = road.Profile[^1];
        var added = new JsonObject { ["station"] = Math.Max(geometry.Road.EndStation, last.Station + 50), ["level"] = last.Level };
        return new("Profile", cells)
        {
            Columns = [L("Station"), "Level", "Curve", "Grade, %"],
            RowActions =
                road.Profile.Length == 1
                    ? []
                    :
                    [
                        .. Enumerable
                            .Range(first, count)
                            .Select(i => new LedgerAction(
                                $"Take profile point {i + 1} away",
                                $"Profile point {i + 1} taken away",
                                [new("remove", $"/road/profile/{i}")]
                            )),
                    ],
            Actions = [new("Add a point", "Profile point added", [new("add", "/road/profile/-", added)])],
            Note = Clip(Shown(first, count, road.Profile.Length), road.Profile.Length == 1 ? "One point: the road is level." : ""),
        };
    }

    private LedgerGroup List(
        string title,
        string list,
        string[] fields,
        string[] columns,
        (int First, int Count) shown,
        string item,
        JsonObject added
    ) =>
        new(title, [.. Enumerable.Range(shown.First, shown.Count).SelectMany(i => fields.Select(f => rows.Entry($"/road/{list}/{i}/{f}")))])
        {
            Columns = columns,
            RowActions =
            [
                .. Enumerable
                    .Range(shown.First, shown.Count)
                    .Select(i => new LedgerAction(
                        $"Take {item.ToLowerInvariant()} {i + 1} away",
                        $"{item} {i + 1} taken away",
                        [new PatchOperation("remove", $"/road/{list}/{i}")]
                    )),
            ],
            Actions =
            [
                new(
                    $"Add {("aeiou".Contains(char.ToLowerInvariant(item[0])) ? "an" : "a")} {item.ToLowerInvariant()}",
                    $"{item} added",
                    [new("add", $"/road/{list}/-", added)]
                ),
            ],
            Note = Shown(
                shown.First,
                shown.Count,
                list switch
                {
                    "elements" => road.Elements.Length,
                    "points" => road.Points.Length,
                    "crossfalls" => road.Crossfalls.Length,
                    _ => road.Equations.Length,
                }
            ),
        };

    /// <summary>The part of a long list that lies about a station.</summary>
    private static (int First, int Count) Near(IEnumerable<double> stations, double station)
    {
        var all = stations.ToList();
        if (all.Count <= MostRows)
            return (0, all.Count);
        var at = all.FindLastIndex(s => s <= station);
        return (Math.Clamp(at - MostRows / 2, 0, all.Count - MostRows), MostRows);
    }

    private static string Shown(int first, int count, int all) =>
        count < all ? $"{first + 1} to {first + count} of {all}, those about the station." : "";

    private static string Clip(string one, string two) => one.Length == 0 ? two : $"{one} {two}";

    private string L(string name) => $"{name}, {rows.Units[QuantityKind.Length].Symbol}";
}
