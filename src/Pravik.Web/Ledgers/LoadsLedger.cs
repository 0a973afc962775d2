using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Traffic;
using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>The ledger of loads: weights, strips, traffic, and the actions beside them.</summary>
internal sealed class LoadsLedger(Bridge bridge, BridgeGeometry geometry, Ground? ground, LedgerRows rows)
{
    public Ledger Make(double station)
    {
        var strips = geometry.SectionAt(station).Strips;
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
                .. new ActionLedger(bridge, geometry, ground, rows).Groups(),
            ]
        );
    }

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
