using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Entries;
using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>
/// Entries of values that are not in the document but follow from it: typing one changes what it follows from. Stations of axes change the
/// spans beside them, a grade the next level.
/// </summary>
internal static class DerivedEntries
{
    public static bool Matches(string path) =>
        path is "/axes/lastStation" or "/axes/count" or "/axes/overall"
        || path.StartsWith("/axes/stations/", StringComparison.Ordinal)
        || Grade(path) is not null;

    public static EntryReading Read(Bridge bridge, Entry entry, string path, string text)
    {
        var units = UnitSystem.Named(bridge.Basis.Units);
        var parsed = QuantityParser.Parse(text, entry.Quantity, units);
        if (!parsed.IsValid)
            return new([], "", parsed.Error);
        var words = $"{QuantityText.Entered(parsed.Value, entry.Quantity, units)} {units[entry.Quantity].Symbol}".TrimEnd();
        if (Grade(path) is { } point)
            return NextLevel(bridge, point, parsed.Value, words);
        var (axes, value) = (bridge.Axes, parsed.Value);
        var total = axes.Spans.Sum();
        if (path == "/axes/count")
        {
            if (value is < 1 or > 30)
                return Refused("A bridge has 1 to 30 spans.");
            return Spans(Enumerable.Repeat(total / value, (int)value), $"Divided into {words} equal spans");
        }
        if (path.StartsWith("/axes/stations/", StringComparison.Ordinal))
            return Station(axes, int.TryParse(path["/axes/stations/".Length..], out var n) ? n : 0, value, words);
        var length = path == "/axes/overall" ? value : value - axes.FirstStation;
        if (!(length > 0))
            return Refused("The last axis must lie ahead of the first.");
        return Spans(
            axes.Spans.Select(s => s * length / total),
            path == "/axes/overall" ? $"Overall length set to {words}" : $"Last axis moved to {words}"
        );
    }

    /// <summary>Moves one axis (from 1); the stations of all others stay.</summary>
    private static EntryReading Station(Axes axes, int number, double station, string words)
    {
        if (number < 1 || number > axes.Spans.Length + 1)
            return Refused("There is no such axis.");
        List<double> stations = [axes.FirstStation];
        foreach (var span in axes.Spans)
            stations.Add(stations[^1] + span);
        stations[number - 1] = station;
        for (var i = 1; i < stations.Count; i++)
        {
            if (stations[i] <= stations[i - 1])
                return Refused($"Axis {number} would not lie between its neighbours.");
        }
        // Rounded to 1e-9 m, below any use, so that sums of spans do not carry the last bits about.
        var spans = stations.Zip(stations.Skip(1), (a, b) => Math.Round(b - a, 9));
        var reading = Spans(spans, $"Axis {number} moved to {words}");
        return number == 1
            ? reading with
            {
                Patch = [new("replace", "/axes/firstStation", JsonValue.Create(station)), .. reading.Patch],
            }
            : reading;
    }

    private static EntryReading NextLevel(Bridge bridge, int point, double grade, string words)
    {
        var profile = bridge.Road.Profile;
        if (point + 1 >= profile.Length)
            return Refused("There is no profile point ahead to which the grade could lead. Add one first.");
        var level = profile[point].Level + grade * (profile[point + 1].Station - profile[point].Station);
        return new(
            [new("replace", $"/road/profile/{point + 1}/level", JsonValue.Create(level))],
            $"Grade ahead of profile point {point + 1} set to {words}",
            null
        );
    }

    private static EntryReading Spans(IEnumerable<double> spans, string label) =>
        new([new("replace", "/axes/spans", new JsonArray([.. spans.Select(s => (JsonNode)JsonValue.Create(s))]))], label, null);

    private static int? Grade(string path) =>
        path.Split('/') is ["", "road", "profile", var item, "grade"] && int.TryParse(item, out var i) && i >= 0 ? i : null;

    private static EntryReading Refused(string reason) => new([], "", reason);
}
