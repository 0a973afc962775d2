using System.Text.Json.Nodes;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>Road traffic on a curve: centrifugal force, and wheels that carry more than their half.</summary>
internal static class CurveLedger
{
    public static LedgerGroup Group(BridgeGeometry geometry, LedgerRows rows)
    {
        var (curve, standard) = (new CurveTraffic(geometry), geometry.Bridge.Basis.Standard);
        var isStraight = curve.Curvature == 0;
        List<LedgerRow> all = [rows.Entry("/traffic/uneven")];
        if (!isStraight || geometry.Bridge.Traffic.Speed is not null)
            all.Insert(0, rows.Entry("/traffic/speed"));
        if (!isStraight)
        {
            all.Add(rows.Reading("Least radius on the deck", Math.Abs(1 / curve.Curvature), QuantityKind.Length, "Of the road line."));
            all.Add(
                rows.Reading(
                    "Centrifugal force",
                    curve.Centrifugal,
                    QuantityKind.Force,
                    standard == Standard.Lrfd
                        ? "4/3·v²/(g·R) of the axles in all lanes, 6 ft above the road (AASHTO LRFD 3.6.3)."
                        : "Of all tandem systems, at the road’s level, at any place (EN 1991-2 Table 4.3): with braking in group 2."
                )
            );
        }
        if (curve.Uneven is { } uneven)
            all.Add(
                rows.Reading(
                    "Right wheels more, by the curve",
                    uneven,
                    QuantityKind.Slope,
                    "2·h·(C − e)/b with the force 6 ft above the road, wheels 6 ft apart, and e the crossfall into the curve."
                )
            );
        return new("On a curve", all)
        {
            Note =
                isStraight ? "The road line is straight on the deck: there is no centrifugal force."
                : standard == Standard.Eurocode ? "Transverse forces of braking askew and of skidding (EN 1991-2 4.4.2(4)) are left out."
                : geometry.Bridge.Traffic.Speed is null ? "No speed is typed: centrifugal forces (AASHTO LRFD 3.6.3) are left out."
                : "The force acts with HL-93 in every combination of live load, at any place of the deck.",
            Actions =
                curve.Uneven is { } found && Math.Abs(found - geometry.Bridge.Traffic.Uneven) > 1e-4
                    ?
                    [
                        new(
                            "Load wheels by the curve",
                            "Wheels loaded by the curve",
                            [new("replace", "/traffic/uneven", JsonValue.Create(Math.Round(found, 4)))]
                        ),
                    ]
                    : [],
        };
    }
}
