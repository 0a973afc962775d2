using System.Collections.Immutable;
using Pravik.Core.Materials;

namespace Pravik.Core.Bridges;

/// <summary>
/// A named type of girder: what girders that are made alike share. Girders, spans and the whole bridge name the type that they have.
/// </summary>
public sealed record GirderType
{
    /// <summary>Name of the type of a bridge that never named one.</summary>
    public const string UsualName = "Type A";

    /// <summary>Name, by which girders, spans and the bridge call it.</summary>
    public string Name { get; init; } = UsualName;

    /// <summary>Name of a section of the bridge; null for the first.</summary>
    public string? Section { get; init; }

    /// <summary>Concrete of girders whose section is not of steel.</summary>
    public ConcreteGrade Concrete { get; init; } = new() { Class = "C45/55" };

    /// <summary>Its pretensioned strands.</summary>
    public Strands Strands { get; init; } = new();

    /// <summary>Zones of upright links from both ends to the middle; none where none are entered.</summary>
    public ImmutableArray<LinkZone> Links { get; init; } = [];

    /// <summary>Rows of bars along it; none where none are entered.</summary>
    public ImmutableArray<BarRow> Bars { get; init; } = [];

    /// <summary>
    /// Camber half way along the girder when the slab is cast (m); null for just what deflects later, so that girders end straight.
    /// </summary>
    public double? Camber { get; init; }

    /// <summary>Deflection half way under what is put on after the slab (m, downward).</summary>
    public double LaterDeflection { get; init; }

    /// <summary>A haunch greater than this is told (m).</summary>
    public double GreatestHaunch { get; init; } = 0.15;
}
