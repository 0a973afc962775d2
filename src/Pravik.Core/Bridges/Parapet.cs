using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>
/// A parapet: a profile led along a line of the deck. The profile's origin is the foot of the traffic face; across counts outward, away
/// from the road line.
/// </summary>
public sealed record Parapet
{
    /// <summary>Name of a profile of the bridge, or of those that come with the program.</summary>
    public string Profile { get; init; } = "Post and rail on plinth";

    /// <summary>On which side it stands.</summary>
    public ParapetSide Side { get; init; } = ParapetSide.Both;

    /// <summary>Boundary of the strips, counted outward from the road line (0); null for the edge of the deck.</summary>
    public int? Boundary { get; init; }

    /// <summary>Name of a line of the road along which it runs, in place of a boundary; null for none.</summary>
    public string? Line { get; init; }

    /// <summary>From that line to the traffic face, positive outward (m).</summary>
    public double Across { get; init; } = -0.35;

    /// <summary>Raises (or lowers) the foot from the surface (m).</summary>
    public double Rise { get; init; }

    /// <summary>How far the foot goes below the surface, as where asphalt runs past it (m).</summary>
    public double ExtraDepth { get; init; }

    /// <summary>Whether it stands square to the deck's crossfall; upright otherwise.</summary>
    public bool SquareToDeck { get; init; }

    /// <summary>First and last station; null for the ends of the deck.</summary>
    public double? From { get; init; }

    /// <summary>Station where it ends (m); null for the end of the deck.</summary>
    public double? To { get; init; }

    /// <summary>Force of a vehicle that hits it, across (N), EN 1991-2 4.7.3.3; null for none.</summary>
    public double? Impact { get; init; }

    /// <summary>Own weight per metre (N/m); null for that of the profile.</summary>
    public double? Weight { get; init; }
}

/// <summary>A profile of the bridge's own: points of its outline across, from the foot of the traffic face outward, and up (m).</summary>
public sealed record OwnProfile
{
    /// <summary>Name, by which parapets call it.</summary>
    public string Name { get; init; } = "Own profile";

    /// <summary>Corners of its outline, in order.</summary>
    public ImmutableArray<ProfileCorner> Outline { get; init; } = [];

    /// <summary>Weight per metre (N/m); null for that of solid concrete.</summary>
    public double? Weight { get; init; }
}

/// <summary>A corner of a profile: across, outward, and up (m).</summary>
public sealed record ProfileCorner
{
    /// <summary>Outward from the foot of the traffic face (m).</summary>
    public double Across { get; init; }

    /// <summary>Upward from the surface there (m).</summary>
    public double Up { get; init; }
}

/// <summary>On which side of the deck a parapet stands.</summary>
public enum ParapetSide
{
    /// <summary>Left, looking ahead.</summary>
    Left,

    /// <summary>Right, looking ahead.</summary>
    Right,

    /// <summary>Both sides, mirror images.</summary>
    Both,
}
