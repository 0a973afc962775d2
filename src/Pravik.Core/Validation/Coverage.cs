using System.Globalization;
using System.Text.Json;
using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>
/// Whether the road reaches as far as the bridge: every corner of the deck and a margin. What lies beyond stands on the end tangents.
/// </summary>
internal static class Coverage
{
    private const double Margin = 1;

    /// <summary>How far off the road a bridge may lie before it is taken for a slip (m).</summary>
    private const double Farthest = 2000;

    public static void Check(BridgeGeometry geometry, Bounds bounds)
    {
        var units = UnitSystem.Named(geometry.Bridge.Basis.Units);
        string Text(double length) => units.FormatWithUnit(length, QuantityKind.Length);
        var corners = geometry.Corners().Select(c => (c.Name, c.Place.Station)).ToList();
        var (first, last) = (corners.MinBy(c => c.Station), corners.MaxBy(c => c.Station));
        var before = geometry.Road.StartStation - first.Station + Margin;
        var after = last.Station - geometry.Road.EndStation + Margin;
        if (before > 1e-6)
            Tell(first, before, true);
        if (after > 1e-6)
            Tell(last, after, false);
        if (geometry.Road.Profile is { } profile && (!profile.Covers(first.Station) || !profile.Covers(last.Station)))
            bounds.Warning(
                "/road/profile",
                $"The profile reaches from {Text(profile.Range.From)} to {Text(profile.Range.To)}, not over the whole bridge.",
                "Beyond it the end grade is taken to go on."
            );

        void Tell((string Name, double Station) corner, double missing, bool atStart)
        {
            var message =
                $"The road {(atStart ? "begins too late" : "ends too soon")}: the {corner.Name} corner of the deck and a margin "
                + $"of {Text(Margin)} need {Text(missing)} more.";
            if (missing > Farthest)
                bounds.Error(atStart ? "/axes/firstStation" : "/axes/spans", message);
            else
            {
                bounds.Findings.Add(
                    Finding.Warning("/road/elements", message, "Beyond its ends the road is taken to go on straight.") with
                    {
                        Station = corner.Station,
                        Repair = new(
                            $"Extend the road by {Text(Math.Ceiling(missing + 10))} along its end tangent",
                            [.. Extend(geometry.Road, Math.Ceiling(missing + 10), atStart)]
                        ),
                    }
                );
            }
        }
    }

    private static IEnumerable<RepairOperation> Extend(RoadLine road, double length, bool atStart)
    {
        string Json(object value) => JsonSerializer.Serialize(value, JsonSerializerOptions.Web);
        string Number(double value) => value.ToString("R", CultureInfo.InvariantCulture);
        var station = atStart ? road.StartStation - length : road.EndStation + length;
        var end = road.At(station);
        if (atStart)
            yield return new("replace", "/road/startStation", Number(station));
        if (road.Road.Entry == LineEntry.Points)
        {
            var path = atStart ? "/road/points/0" : $"/road/points/{road.Road.Points.Length - 1}";
            yield return new("replace", $"{path}/east", Number(end.X));
            yield return new("replace", $"{path}/north", Number(end.Y));
        }
        else if (atStart)
        {
            yield return new("replace", "/road/startEast", Number(end.X));
            yield return new("replace", "/road/startNorth", Number(end.Y));
            yield return new("replace", "/road/azimuth", Number(road.Azimuth(road.StartStation)));
            yield return new("add", "/road/elements/0", Json(new RoadElement { Length = length }));
        }
        else
            yield return new("add", "/road/elements/-", Json(new RoadElement { Length = length }));
    }
}
