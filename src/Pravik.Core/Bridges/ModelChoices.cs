using System.Collections.Immutable;
using Pravik.Core.Frames;

namespace Pravik.Core.Bridges;

/// <summary>How a bridge is modelled.</summary>
public enum ModelKind
{
    /// <summary>Girders and strips of slab as a grid of beams.</summary>
    Grillage,

    /// <summary>Each girder alone with its share of the deck.</summary>
    Line,

    /// <summary>The slab as shells, girders as beams below it.</summary>
    Shells,
}

/// <summary>What carries the girders in a model.</summary>
public enum ModelSupports
{
    /// <summary>
    /// Rigid supports on the axes, free to turn; the middle girder held along at the first axis of each unit and across at every one,
    /// so that the deck is free to expand.
    /// </summary>
    Simple,

    /// <summary>Bearings with their freedoms and stiffness, on rigid ground.</summary>
    Bearings,

    /// <summary>Bearings, piers, abutments, and the ground.</summary>
    Substructure,
}

/// <summary>How line girders share what lies on the deck.</summary>
public enum LoadShare
{
    /// <summary>Each load goes to the two girders beside it, as on slabs that are hinged over them.</summary>
    Lever,

    /// <summary>As on a deck that stays straight across: 1/n + e·x/Σx².</summary>
    StiffDeck,
}

/// <summary>The model that is made of the bridge.</summary>
public sealed record ModelChoices
{
    /// <summary>Line girders, grillage or shells.</summary>
    public ModelKind Kind { get; init; }

    /// <summary>What the superstructure stands on.</summary>
    public ModelSupports Supports { get; init; }

    /// <summary>Pieces along each span.</summary>
    public int Divisions { get; init; } = 20;

    /// <summary>Own pieces of spans, by number from 1. Those of spans that do not exist are kept.</summary>
    public ImmutableSortedDictionary<string, int> SpanDivisions { get; init; } = ImmutableSortedDictionary<string, int>.Empty;

    /// <summary>Shells between neighbouring girders.</summary>
    public int Between { get; init; } = 2;

    /// <summary>Whether the haunch's concrete counts in the stiffness; its height always does.</summary>
    public bool HaunchActs { get; init; } = true;

    /// <summary>How line girders share the deck's load.</summary>
    public LoadShare Share { get; init; }

    /// <summary>Share of all that lies on the deck which every line girder carries; null for that of <see cref="Share"/>.</summary>
    public double? ShareFactor { get; init; }

    /// <summary>Places at which moments of the slab are told, on models with shells.</summary>
    public ImmutableArray<SlabPlace> SlabPlaces { get; init; } = [];

    /// <summary>What was changed by hand, in order.</summary>
    public ImmutableArray<ModelChange> Changes { get; init; } = [];

    /// <summary>Pieces along a span.</summary>
    public int DivisionsOf(SpanIndex span) => SpanDivisions.GetValueOrDefault($"{span + 1}", Divisions);
}

/// <summary>What is changed by hand.</summary>
public enum ModelChangeKind
{
    /// <summary>A member or shell is left out.</summary>
    Delete,

    /// <summary>A joint is held in more directions.</summary>
    Restrain,

    /// <summary>A member's stiffness is multiplied.</summary>
    Stiffness,

    /// <summary>A member or shell is of another material of the model.</summary>
    Material,

    /// <summary>A member has the section of another one.</summary>
    Section,
}

/// <summary>
/// A change made by hand in the model that is generated; it stays when the model is made again, and is told where its part is there no
/// more.
/// </summary>
public sealed record ModelChange
{
    /// <summary>Directions in which a joint can be held, in their order.</summary>
    public static readonly ImmutableArray<string> AllDirections = [.. FrameDirections.All.Select(d => d.Name())];

    /// <summary>What the change does.</summary>
    public ModelChangeKind Kind { get; init; }

    /// <summary>Name of the member, shell or joint.</summary>
    public string Part { get; init; } = "";

    /// <summary>Directions held, such as <c>ux rz</c>.</summary>
    public string Directions { get; init; } = "";

    /// <summary>Factor on area, second moments and torsion constant.</summary>
    public double Factor { get; init; } = 1;

    /// <summary>Name of a material of the model.</summary>
    public string Material { get; init; } = "";

    /// <summary>Name of the member whose section it takes.</summary>
    public string Like { get; init; } = "";
}
