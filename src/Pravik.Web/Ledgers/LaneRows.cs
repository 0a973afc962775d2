using Pravik.Core.Traffic;
using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>Loaded lanes as a table of a ledger: number, offsets of their edges, and the vehicle.</summary>
internal static class LaneRows
{
    public static string[] Columns { get; } = ["Lane", "Offset from, to", "Vehicle, first axle at"];

    /// <summary>The cells, lane by lane in the order of their numbers.</summary>
    public static IEnumerable<LedgerRow> Of(PlacedTraffic traffic, UnitSystem units)
    {
        string Length(double value) => units.Format(value, QuantityKind.Length);
        foreach (var lane in traffic.Lanes.OrderBy(l => l.Kind))
        {
            yield return LedgerRows.Reading("", $"{lane.Kind}");
            yield return LedgerRows.Reading("", $"{Length(lane.From)} to {Length(lane.From + lane.Width)}");
            var vehicle = lane.Vehicle is { Of: { } of } v
                ? $"{of.Name}, {Length(v.First)}{(v.Direction < 0 ? ", going back" : "")}"
                : "none";
            yield return LedgerRows.Reading("", vehicle);
        }
    }
}
