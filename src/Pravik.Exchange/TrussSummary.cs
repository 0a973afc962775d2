using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;
using Pravik.Core.Trusses;

namespace Pravik.Exchange;

/// <summary>A bar of a truss in SI units: bars counted from 1; forces with partial factors, tension positive.</summary>
public sealed record TrussBarRow(
    int Bar,
    string From,
    string To,
    string Section,
    string Grade,
    double Length,
    double Mass,
    double Most,
    double Least,
    double Tension,
    double Compression,
    double InTension,
    double InCompression,
    double Slender,
    double Ratio,
    BarLimit Limit
)
{
    /// <summary>Price of the steel of both planes.</summary>
    public double Cost { get; init; }

    /// <summary>Name of the vehicle that governs; empty for none.</summary>
    public string Vehicle { get; init; } = "";

    /// <summary>Where its first axle stands (m); null without a vehicle.</summary>
    public double? Front { get; init; }

    /// <summary>Whether it goes from left to right.</summary>
    public bool? IsAhead { get; init; }
}

/// <summary>What a truss scheme comes to, as JSON.</summary>
public sealed record TrussSummary
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    /// <summary>Name of the scheme.</summary>
    public required string Truss { get; init; }

    /// <summary>Whether every bar and the deflection are within their limits.</summary>
    public required bool Passes { get; init; }

    /// <summary>The greatest ratio of all.</summary>
    public required double Worst { get; init; }

    /// <summary>Greatest movement of the deck down under traffic without factor (m).</summary>
    public required double Deflection { get; init; }

    /// <summary>Its limit (m); null for none.</summary>
    public double? DeflectionLimit { get; init; }

    /// <summary>What is not looked at.</summary>
    public required ImmutableArray<string> NotChecked { get; init; }

    /// <summary>All bars, in their order.</summary>
    public required ImmutableArray<TrussBarRow> Bars { get; init; }

    /// <summary>What gives way as the worst vehicle crosses, in order; empty where nothing does.</summary>
    public required ImmutableArray<string> Failures { get; init; }

    /// <summary>Lines of the cost.</summary>
    public required ImmutableArray<CostLine> Cost { get; init; }

    /// <summary>All of it.</summary>
    public required double TotalCost { get; init; }

    /// <summary>The summary of results.</summary>
    public static TrussSummary Of(TrussScheme scheme, TrussResults results)
    {
        var cost = TrussCost.Of(scheme);
        return new()
        {
            Truss = scheme.Name,
            Passes = results.Worst <= 1,
            Worst = results.Worst,
            Deflection = results.Deflection,
            DeflectionLimit = results.Forces.Model.DeflectionLimit,
            NotChecked = TrussScope.NotChecked,
            Bars = [.. Enumerable.Range(0, results.Bars.Length).Select(b => Row(scheme, results, b))],
            Failures = [.. TrussDrives.Worst(scheme)?.Failures.Select(f => f.Words(scheme)) ?? []],
            Cost = cost.Lines,
            TotalCost = cost.Total,
        };
    }

    /// <summary>The summary as JSON.</summary>
    public string Write() => JsonSerializer.Serialize(this, Options);

    private static TrussBarRow Row(TrussScheme scheme, TrussResults results, int b)
    {
        var (model, bar) = (results.Forces.Model, results.Bars[b]);
        var made = model.Bars[b];
        var position = bar.GoverningAt < 0 ? null : model.Positions[bar.GoverningAt];
        return new(
            b + 1,
            model.Joints[made.From].Id,
            model.Joints[made.To].Id,
            made.Section.Name,
            made.Grade.Name,
            model.Length(b),
            model.Mass(b),
            bar.Most,
            bar.Least,
            bar.Resistance.Tension,
            bar.Resistance.Compression,
            bar.InTension,
            bar.InCompression,
            bar.Slender,
            bar.Ratio,
            bar.Limit
        )
        {
            Cost = TrussCost.Planes * model.Mass(b) * made.Price,
            Vehicle = position is null ? "" : scheme.Vehicles[position.Vehicle].Name,
            Front = position?.Front,
            IsAhead = position?.IsAhead,
        };
    }
}
