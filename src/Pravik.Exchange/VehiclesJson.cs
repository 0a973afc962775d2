using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Pravik.Core.Findings;
using Pravik.Core.Vehicles;

namespace Pravik.Exchange;

/// <summary>Vehicles that were read, and what is wrong with the file; no vehicles where anything is.</summary>
public sealed record VehiclesReading(ImmutableArray<Vehicle> Vehicles, IReadOnlyList<Finding> Findings);

/// <summary>Own vehicles as JSON (docs/traffic.md): a list “vehicles”, or those of an office library.</summary>
public static class VehiclesJson
{
    /// <summary>Reads a file of vehicles. Never throws on bad input.</summary>
    public static VehiclesReading Read(string text)
    {
        JsonNode? root;
        try
        {
            root = JsonNode.Parse(text, documentOptions: new() { AllowDuplicateProperties = false });
        }
        catch (JsonException problem)
        {
            return new([], [Finding.Error("", $"This is no JSON: {problem.Message}")]);
        }
        if (root is JsonObject library && library.ContainsKey("items"))
            return OfLibrary(text);
        if (root is not JsonObject all || all["vehicles"] is not JsonArray list)
            return new([], [Finding.Error("", "A file of vehicles is an object with a list “vehicles”, or an office library.")]);
        List<Finding> findings = [];
        List<Vehicle> vehicles = [];
        for (var i = 0; i < list.Count; i++)
        {
            var (item, problems) =
                list[i] is JsonObject
                    ? LibraryJson.Item(LibraryJson.Vehicle, list[i], false)
                    : (null, [Finding.Error("", "A vehicle is an object with name and axles.")]);
            findings.AddRange(problems.Select(p => p with { Path = $"/vehicles/{i}{p.Path}" }));
            if (item is not null)
                vehicles.Add(VehicleOf(item));
        }
        foreach (var twice in vehicles.GroupBy(v => v.Name, StringComparer.OrdinalIgnoreCase).Where(g => g.Count() > 1))
            findings.Add(Finding.Error("/vehicles", $"“{twice.Key}” is there {twice.Count()} times."));
        return new(findings.Count > 0 ? [] : [.. vehicles], findings);
    }

    private static VehiclesReading OfLibrary(string text)
    {
        var reading = LibraryJson.Read(text);
        var vehicles = reading.Items.Where(i => i.Kind == LibraryJson.Vehicle).Select(VehicleOf).ToImmutableArray();
        return reading.Findings.IsEmpty && vehicles.IsEmpty
            ? new([], [Finding.Error("/items", "There is no vehicle in this library.")])
            : new(reading.Findings.IsEmpty ? vehicles : [], reading.Findings);
    }

    private static Vehicle VehicleOf(LibraryItem item) =>
        item.Value.Deserialize<Vehicle>(BridgeJson.Options)! with
        {
            Name = item.Name.Trim(),
        };
}
