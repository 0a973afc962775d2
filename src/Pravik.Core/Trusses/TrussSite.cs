using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>Where the two planes of bars stand.</summary>
public enum PlanePlace
{
    /// <summary>At both edges of the deck: bars may reach above the road.</summary>
    Beside,

    /// <summary>Beneath the deck, closer together: nothing may reach above the road.</summary>
    Under,
}

/// <summary>A level of the ground (m).</summary>
/// <param name="X">Place along the opening.</param>
/// <param name="Z">Level.</param>
public sealed record GroundLevel(double X, double Z);

/// <summary>A box over water, a road or a path that bars keep out of: from one place to another, up to a level (m).</summary>
/// <param name="From">Where it begins.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Top">Level up to which it is kept free.</param>
public sealed record TrussClearance(double From, double To, double Top);

/// <summary>An intermediate support: it holds upright and gives way along.</summary>
/// <param name="X">Place along the opening (m).</param>
/// <param name="Top">Level of its top (m).</param>
public sealed record TrussPier(double X, double Top);

/// <summary>What is crossed, and what carries the bars at the ends.</summary>
public sealed record TrussSite
{
    /// <summary>The opening between the faces of the abutments (m).</summary>
    public double Opening { get; init; } = 40;

    /// <summary>Level of the road, at which the deck's joints lie (m).</summary>
    public double Road { get; init; }

    /// <summary>The ground by a few levels, from left to right.</summary>
    public ImmutableArray<GroundLevel> Ground { get; init; } =
    [new(-15, 0.5), new(0, 0), new(9, -9), new(16, -13), new(24, -13), new(31, -9), new(40, 0), new(55, 0.5)];

    /// <summary>What is kept free; null for nothing.</summary>
    public TrussClearance? Clearance { get; init; }

    /// <summary>Depth of springings below the road, at the faces of the abutments (m); null for plain abutments.</summary>
    public double? Springings { get; init; }

    /// <summary>An intermediate support; null for none.</summary>
    public TrussPier? Pier { get; init; }

    /// <summary>How far behind the left abutment a back-stay is anchored, at road level (m); null for no anchorage.</summary>
    public double? LeftAnchor { get; init; }

    /// <summary>The same behind the right abutment (m).</summary>
    public double? RightAnchor { get; init; }

    /// <summary>Into how many panels of equal length joints at road level divide the deck.</summary>
    public int Panels { get; init; } = 8;

    /// <summary>Name of the deck in the catalogue.</summary>
    public string Deck { get; init; } = "slab";

    /// <summary>Own weight of the deck with its beams and railings (N/m²); null for that of the catalogue.</summary>
    public double? DeckWeight { get; init; }

    /// <summary>Lanes, each with a vehicle, abreast.</summary>
    public int Lanes { get; init; } = 2;

    /// <summary>Width of a lane (m).</summary>
    public double LaneWidth { get; init; } = 3;

    /// <summary>Width of a kerb at each side (m).</summary>
    public double Kerb { get; init; } = 0.5;

    /// <summary>Height that vehicles need over the road (m).</summary>
    public double Headroom { get; init; } = 4.5;

    /// <summary>Where the planes stand.</summary>
    public PlanePlace Planes { get; init; }

    /// <summary>Whether choices of the site stand: a task locks them.</summary>
    public bool Locked { get; init; }
}
