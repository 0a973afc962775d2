using System.Collections.Immutable;
using Pravik.Core.Roads;
using Pravik.Core.Sections;

namespace Pravik.Core.Bridges;

/// <summary>
/// A bridge: one immutable value in SI base units, from which all else follows. Stored and exchanged as JSON with the same
/// names (docs/file-format.md).
/// </summary>
public sealed record Bridge
{
    /// <summary>What the member <c>format</c> of a file says.</summary>
    public const string FormatName = "pravik-bridge";

    /// <summary>The version that is written; older ones are read.</summary>
    public const int CurrentVersion = 6;

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Version of the format.</summary>
    public required int Version { get; init; }

    /// <summary>Name of the bridge.</summary>
    public string Name { get; init; } = "New bridge";

    /// <summary>What the project is built on.</summary>
    public Basis Basis { get; init; } = new();

    /// <summary>The road that the bridge carries.</summary>
    public Road Road { get; init; } = new();

    /// <summary>The ground, by name and hash of its content; null where none is given.</summary>
    public GroundReference? Ground { get; init; }

    /// <summary>What it crosses.</summary>
    public ImmutableArray<Crossing> Crossings { get; init; } = [];

    /// <summary>Support axes and spans.</summary>
    public Axes Axes { get; init; } = new();

    /// <summary>The deck: cross-sections and units.</summary>
    public Deck Deck { get; init; } = new();

    /// <summary>Parapets along the deck.</summary>
    public ImmutableArray<Parapet> Parapets { get; init; } = [new()];

    /// <summary>Own parapet profiles, beside those that come with the program.</summary>
    public ImmutableArray<OwnProfile> Profiles { get; init; } = [];

    /// <summary>Girders and what belongs to them.</summary>
    public Girders Girders { get; init; } = new();

    /// <summary>Sections of members, at least one.</summary>
    public ImmutableArray<SectionShape> Sections { get; init; } = [new() { Name = "Precast I" }];

    /// <summary>Types of bearings, at least one.</summary>
    public ImmutableArray<BearingType> Bearings { get; init; } = [.. BearingType.Usual];

    /// <summary>What supports have of their own, by number of the axis. Those of axes that do not exist are kept.</summary>
    public ImmutableSortedDictionary<string, Support> Supports { get; init; } = ImmutableSortedDictionary<string, Support>.Empty;

    /// <summary>Materials in use.</summary>
    public MaterialSet Materials { get; init; } = new();

    /// <summary>Weights that load the deck.</summary>
    public UnitWeights Loads { get; init; } = new();

    /// <summary>Traffic beside load model 1.</summary>
    public TrafficChoices Traffic { get; init; } = new();

    /// <summary>Actions beside weights and traffic, own cases, and stages of construction.</summary>
    public Actions Actions { get; init; } = new();

    /// <summary>The model that is made of the bridge, and what is changed in it by hand.</summary>
    public ModelChoices Model { get; init; } = new();

    /// <summary>Rates that give quantities a cost.</summary>
    public CostRates Costs { get; init; } = new();

    /// <summary>A bridge with defaults that give a sound single span, to be edited.</summary>
    public static Bridge New(string name) =>
        new()
        {
            Format = FormatName,
            Version = CurrentVersion,
            Name = name,
            Girders = new()
            {
                StrutSlope = 1.2,
                Release = new() { Age = 2, Strength = 38e6 },
                Types =
                [
                    new()
                    {
                        Concrete = new() { Class = "C50/60" },
                        Strands = new() { Rows = [Row(0.06, 12) with { Debonded = 4, DebondedLength = 2 }, Row(0.11, 4)] },
                        Links = [Links(0.075), Links(0.125), Links(0.15)],
                    },
                ],
            },
        };

    /// <summary>A zone of links that carry the new bridge.</summary>
    private static LinkZone Links(double spacing) =>
        new()
        {
            Length = 4,
            Diameter = 0.016,
            Spacing = spacing,
        };

    /// <summary>A row of strands at a level, enough of which carry the new bridge.</summary>
    private static StrandRow Row(double level, int count) => new() { Level = level, Count = count };
}

/// <summary>Names a ground that is kept beside the bridge: a surface is far larger than all the rest.</summary>
public sealed record GroundReference(string Name, string Hash);
