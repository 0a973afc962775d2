using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>The ledger of axes: spans, axis by axis, and what is crossed.</summary>
internal sealed class AxesLedger(Bridge bridge, BridgeGeometry geometry, LedgerRows rows)
{
    public Ledger Make()
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
                                    Picks = PartPath.Axis(a),
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
}
