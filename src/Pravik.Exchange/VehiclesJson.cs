using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Pravik.Core.Findings;
using Pravik.Core.Vehicles;

namespace Pravik.Exchange;

/// <summary>Vehicles that were read, and what is wrong with the file; no vehicles where anything is.</summary>
public sealed record VehiclesReading(ImmutableArray<Vehicle> Vehicles, IReadOnlyList<Finding> Findings);

/// <summary>Own vehicles as JSON (docs/traffic.md).</summary>
public static class VehiclesJson
{
    private const int MostAxles = 60;
    private const double HeaviestAxle = 5e6;
    private const double LongestGap = 200;

    /// <summary>Reads a file of vehicles. Never throws on bad input.</summary>
    public static VehiclesReading Read(string text)
    {
        List<Finding> findings = [];
        JsonNode? root;
        try
        {
            root = JsonNode.Parse(text, documentOptions: new() { AllowDuplicateProperties = false });
        }
        catch (JsonException problem)
        {
            return new([], [Finding.Error("", $"This is no JSON: {problem.Message}")]);
        }
        if (root is not JsonObject all || all["vehicles"] is not JsonArray list)
            return new([], [Finding.Error("", "A file of vehicles is an object with a list “vehicles”.")]);
        List<Vehicle> vehicles = [];
        for (var i = 0; i < list.Count; i++)
        {
            if (Vehicle(list[i], $"/vehicles/{i}", findings) is { } vehicle)
                vehicles.Add(vehicle);
        }
        foreach (var twice in vehicles.GroupBy(v => v.Name, StringComparer.OrdinalIgnoreCase).Where(g => g.Count() > 1))
            findings.Add(Finding.Error("/vehicles", $"“{twice.Key}” is there {twice.Count()} times."));
        return new(findings.Count > 0 ? [] : [.. vehicles], findings);
    }

    private static Vehicle? Vehicle(JsonNode? node, string path, List<Finding> findings)
    {
        if (node is not JsonObject entry)
        {
            findings.Add(Finding.Error(path, "A vehicle is an object with name and axles."));
            return null;
        }
        var before = findings.Count;
        var name = entry["name"] is JsonValue v && v.TryGetValue<string>(out var text) ? text.Trim() : "";
        if (name.Length is 0 or > 80)
            findings.Add(Finding.Error($"{path}/name", "A vehicle has a name of 1 to 80 characters."));
        var axles = ImmutableArray.CreateBuilder<Axle>();
        if (entry["axles"] is not JsonArray { Count: > 0 and <= MostAxles } given)
            findings.Add(Finding.Error($"{path}/axles", $"A vehicle has 1 to {MostAxles} axles."));
        else
            for (var i = 0; i < given.Count; i++)
                axles.Add(Axle(given[i], i, $"{path}/axles/{i}", findings));
        if (axles.Count(a => a.MostGap is not null) > 1)
            findings.Add(Finding.Error($"{path}/axles", "At most one gap of a vehicle can be sought (mostGap)."));
        var dynamic = Number(entry, "dynamic", path, 0.5, 3, findings, 1) ?? 1;
        var wheels = Number(entry, "wheelSpacing", path, 0.5, 6, findings, 2) ?? 2;
        return findings.Count > before
            ? null
            : new(name, axles.ToImmutable())
            {
                WheelSpacing = wheels,
                Dynamic = dynamic,
                OnlyWorsening = entry["onlyWorsening"] is JsonValue only && only.TryGetValue<bool>(out var yes) && yes,
            };
    }

    private static Axle Axle(JsonNode? node, int number, string path, List<Finding> findings)
    {
        if (node is not JsonObject axle)
        {
            findings.Add(Finding.Error(path, "An axle is an object with load (N) and gap (m)."));
            return new(0, 0);
        }
        var load = Number(axle, "load", path, 1, HeaviestAxle, findings, null) ?? 0;
        var gap = number == 0 ? 0 : Number(axle, "gap", path, 0.1, LongestGap, findings, null) ?? 0;
        var most = number == 0 || axle["mostGap"] is null ? null : Number(axle, "mostGap", path, gap, LongestGap, findings, null);
        return new(load, gap) { MostGap = most };
    }

    /// <summary>A number within bounds; a finding and null for anything else, the usual value where it is not given.</summary>
    private static double? Number(
        JsonObject of,
        string name,
        string path,
        double least,
        double greatest,
        List<Finding> findings,
        double? usual
    )
    {
        if (of[name] is null && usual is not null)
            return usual;
        if (of[name] is JsonValue value && value.TryGetValue<double>(out var number) && number >= least && number <= greatest)
            return number;
        findings.Add(Finding.Error($"{path}/{name}", FormattableString.Invariant($"{name} is a number from {least} to {greatest}.")));
        return null;
    }
}
