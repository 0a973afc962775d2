using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Pravik.Core.Materials;

namespace Pravik.Core.Bridges;

/// <summary>A tendon in a duct, stressed after casting: a stage stresses it by its name.</summary>
public sealed record Tendon
{
    /// <summary>It is jacked at its start, at its end, or at both.</summary>
    public const string AtStart = "start";

    /// <summary>Jacked at its end.</summary>
    public const string AtEnd = "end";

    /// <summary>Jacked at both ends.</summary>
    public const string AtBoth = "both";

    /// <summary>Where tendons can be jacked.</summary>
    public static ImmutableArray<string> Jackings { get; } = [AtStart, AtEnd, AtBoth];

    /// <summary>Name, by which a stage stresses it.</summary>
    public string Name { get; init; } = "Tendon";

    /// <summary>Numbers of the girders in which it lies, with commas between; null for every one.</summary>
    public string? Girders { get; init; }

    /// <summary>Ducts alike in each of these girders, at one level.</summary>
    public int Ducts { get; init; } = 1;

    /// <summary>Strands in each duct.</summary>
    public int Strands { get; init; } = 12;

    /// <summary>Outer diameter of a duct (m).</summary>
    public double DuctDiameter { get; init; } = 0.08;

    /// <summary>Its course, from its first point to its last.</summary>
    public ImmutableArray<TendonPoint> Points { get; init; } =
    [new() { Level = 0.7 }, new() { At = 0.5, Level = 0.15 }, new() { At = 1, Level = 0.7 }];

    /// <summary>Where it is jacked.</summary>
    public string Jacked { get; init; } = AtStart;

    /// <summary>Stress at the jack (Pa); null for the greatest that EN 1992-1-1 5.10.2.1 allows.</summary>
    public double? JackStress { get; init; }

    /// <summary>μ of EN 1992-1-1 (5.45), friction along the curve (Table 5.1: strand in a duct 0.19).</summary>
    public double Friction { get; init; } = 0.19;

    /// <summary>k of (5.45), angle per length by which a duct wobbles (1/m).</summary>
    public double Wobble { get; init; } = 0.0075;

    /// <summary>How far strands slip at a jacked end until wedges hold them (m).</summary>
    public double DrawIn { get; init; } = 0.006;

    /// <summary>Stress after all losses (Pa), the same everywhere, where it is entered; null where losses are worked out.</summary>
    public double? EffectiveStress { get; init; }

    /// <summary>Whether it lies in a girder, by its number.</summary>
    public bool IsIn(int girder) => Girders is null || Numbers.Contains(girder);

    /// <summary>The numbers of the girders that are named; what is no number is left out.</summary>
    [JsonIgnore]
    public IEnumerable<int> Numbers =>
        (Girders ?? "")
            .Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(n => int.TryParse(n, out var number) ? number : 0)
            .Where(n => n > 0);

    /// <summary>The stress to which a strand is jacked (Pa).</summary>
    public double Jack(PrestressingSteel steel) => JackStress ?? steel.MostAtJack;
}
