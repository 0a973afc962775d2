using System.Collections.Immutable;

namespace Pravik.Core.Roads;

/// <summary>
/// The road as entered or received: horizontal line, profile, crossfalls and station equations. Lengths in m, angles in rad,
/// grades and crossfalls as rise over run.
/// </summary>
public sealed record Road
{
    /// <summary>Name of the road.</summary>
    public string Name { get; init; } = "Road";

    /// <summary>Station at which the line begins. Stations inside the program run on from it with the length of the line.</summary>
    public double StartStation { get; init; }

    /// <summary>Which of the two entries of the line is in force. The other is kept.</summary>
    public LineEntry Entry { get; init; } = LineEntry.Elements;

    /// <summary>Easting where the line begins (m).</summary>
    public double StartEast { get; init; }

    /// <summary>Northing where the line begins (m).</summary>
    public double StartNorth { get; init; }

    /// <summary>Direction at the start, clockwise from north (rad); for a line entered as elements.</summary>
    public double Azimuth { get; init; } = Math.PI / 2;

    /// <summary>The line as elements.</summary>
    public ImmutableArray<RoadElement> Elements { get; init; } = [new() { Length = 200 }];

    /// <summary>The line as intersection points.</summary>
    public ImmutableArray<IntersectionPoint> Points { get; init; } = [];

    /// <summary>The profile; without points the road has no level.</summary>
    public ImmutableArray<ProfilePoint> Profile { get; init; } = [new()];

    /// <summary>Crossfalls by station, linear between entries; none is level.</summary>
    public ImmutableArray<Crossfall> Crossfalls { get; init; } = [];

    /// <summary>Where stations shown differ from running ones.</summary>
    public ImmutableArray<StationEquation> Equations { get; init; } = [];

    /// <summary>Other lines of the road file, as kerbs and edges, that strips and parapets may follow.</summary>
    public ImmutableArray<RoadFeature> Features { get; init; } = [];
}

/// <summary>A line beside the road: its name and its elements, each with its own start.</summary>
public sealed record RoadFeature
{
    /// <summary>Name of the line.</summary>
    public string Name { get; init; } = "";

    /// <summary>Its elements.</summary>
    public ImmutableArray<RoadElement> Elements { get; init; } = [];
}

/// <summary>How the horizontal line is entered.</summary>
public enum LineEntry
{
    /// <summary>Straights, arcs and clothoids.</summary>
    Elements,

    /// <summary>Intersection points with their curves.</summary>
    Points,
}

/// <summary>
/// One element: a straight (no radius), an arc (both radii alike) or a clothoid (curvature linear in length). A positive radius turns
/// right looking ahead; null is a straight end. An own start replaces the end of the element before, as received files give it.
/// </summary>
public sealed record RoadElement
{
    /// <summary>Length (m).</summary>
    public double Length { get; init; }

    /// <summary>Radius where it begins (m), positive to the right; null for straight.</summary>
    public double? StartRadius { get; init; }

    /// <summary>Radius where it ends (m), positive to the right; null for straight.</summary>
    public double? EndRadius { get; init; }

    /// <summary>Where it begins, in place of the end of the element before.</summary>
    public ElementStart? Start { get; init; }
}

/// <summary>Where an element begins, and in which direction (rad, clockwise from north).</summary>
public sealed record ElementStart(double East, double North, double Azimuth);

/// <summary>
/// A point where the tangents of a curve meet, with the radius (without sign) and the lengths of the transitions in and out. The
/// first and last point are the ends of the line.
/// </summary>
public sealed record IntersectionPoint
{
    /// <summary>Easting (m).</summary>
    public double East { get; init; }

    /// <summary>Northing (m).</summary>
    public double North { get; init; }

    /// <summary>Radius of the arc (m); null for a kink.</summary>
    public double? Radius { get; init; }

    /// <summary>Length of the clothoid before the arc (m).</summary>
    public double TransitionIn { get; init; }

    /// <summary>Length of the clothoid after the arc (m).</summary>
    public double TransitionOut { get; init; }
}

/// <summary>
/// A point where grades meet: station, level, and the vertical curve. A parabola of <c>CurveLength</c>; with <c>CurveLengthOut</c> an
/// unequal
/// one, of two parabolas before and after the point; with <c>Radius</c> a circular one.
/// </summary>
public sealed record ProfilePoint
{
    /// <summary>Station where the grades meet (m).</summary>
    public double Station { get; init; }

    /// <summary>Level where the grades meet (m).</summary>
    public double Level { get; init; }

    /// <summary>Length of the parabola about the point (m); 0 for none.</summary>
    public double CurveLength { get; init; }

    /// <summary>Length of its second half (m), where it is not as long as the first.</summary>
    public double? CurveLengthOut { get; init; }

    /// <summary>Radius of a circular curve (m), in place of a parabola.</summary>
    public double? Radius { get; init; }
}

/// <summary>Crossfall left and right of the road line at a station: rise per metre outward, negative falls away.</summary>
public sealed record Crossfall
{
    /// <summary>Station (m).</summary>
    public double Station { get; init; }

    /// <summary>Rise over run outward on the left.</summary>
    public double Left { get; init; }

    /// <summary>Rise over run outward on the right.</summary>
    public double Right { get; init; }
}

/// <summary>
/// From the running station <c>At</c> on, the stations shown are <c>Ahead</c> and following; before it they arrive at <c>Back</c>.
/// </summary>
public sealed record StationEquation
{
    /// <summary>Running station of the equation (m).</summary>
    public double At { get; init; }

    /// <summary>Station shown just before it (m).</summary>
    public double Back { get; init; }

    /// <summary>Station shown from it on (m).</summary>
    public double Ahead { get; init; }
}
