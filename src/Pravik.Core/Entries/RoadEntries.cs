using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>The road line, its profile, crossfalls and station equations.</summary>
internal static class RoadEntries
{
    /// <summary>The steepest crossfall of a road and of a strip of its deck.</summary>
    public const double GreatestCrossfall = 0.15;

    public static IEnumerable<Entry> All =>
        [
            .. Line,
            .. Part("/road/elements/*", s => $"of element {s.Number(0)}", [.. Element, .. Start]),
            .. Part("/road/features/*", s => $"of line {s.Number(0)}", Text("name", "Name", 120)),
            .. Part("/road/features/*/elements/*", s => $"of element {s.Number(1)}, line {s.Number(0)}", [.. Element, .. Start]),
            .. Part("/road/points/*", s => $"of point {s.Number(0)}", Point),
            .. Part("/road/profile/*", s => $"of profile point {s.Number(0)}", Profile),
            .. Part(
                "/road/crossfalls/*",
                s => $"of crossfall {s.Number(0)}",
                Value("station", "Station", QuantityKind.Length, -1e6, 2e6, "Between entries crossfalls run straight."),
                Crossfall("left", "Left"),
                Crossfall("right", "Right")
            ),
            .. Part(
                "/road/equations/*",
                s => $"of equation {s.Number(0)}",
                Value("at", "At", QuantityKind.Length, -1e6, 2e6, "Running station of the equation.") with
                {
                    Subject = "Running station",
                },
                Value("back", "Back", QuantityKind.Length, -1e6, 2e6, "Station shown just before it.") with
                {
                    Subject = "Station back",
                },
                Value("ahead", "Ahead", QuantityKind.Length, -1e6, 2e6, "Station shown from it on.") with
                {
                    Subject = "Station ahead",
                }
            ),
        ];

    private static IEnumerable<Entry> Line =>
        [
            Text("/road/name", "Road", 120),
            Choose(
                "/road/entry",
                "Line entered as",
                [new("elements", "Elements"), new("points", "Intersection points")],
                "The other entry is kept."
            ),
            Value("/road/startStation", "First station", QuantityKind.Length, -1e6, 1e6, "Station at which the road line begins."),
            Value("/road/startEast", "Start, east", QuantityKind.Length, -1e8, 1e8, "Easting of that point."),
            Value("/road/startNorth", "Start, north", QuantityKind.Length, -1e8, 1e8, "Northing of that point."),
            Value(
                "/road/azimuth",
                "Azimuth",
                QuantityKind.Angle,
                -4 * Math.PI,
                4 * Math.PI,
                "Direction at the start, clockwise from north."
            ),
        ];

    private static IEnumerable<Entry> Element =>
        [
            Value("length", "Length", QuantityKind.Length, 1e-6, 100e3, "Length of the element."),
            Own(
                "startRadius",
                "Radius at start",
                QuantityKind.Length,
                5,
                1e7,
                "Empty for straight. Positive turns right looking ahead, negative left."
            ) with
            {
                IsBoundBySize = true,
            },
            Own(
                "endRadius",
                "Radius at end",
                QuantityKind.Length,
                5,
                1e7,
                "Like the radius at the start: an arc. Another one: a clothoid between the two."
            ) with
            {
                IsBoundBySize = true,
            },
        ];

    /// <summary>Where an element from a road file begins.</summary>
    private static IEnumerable<Entry> Start =>
        [
            Value("start/east", "Easting", QuantityKind.Length, -1e8, 1e8),
            Value("start/north", "Northing", QuantityKind.Length, -1e8, 1e8),
            Value("start/azimuth", "Azimuth", QuantityKind.Angle, -100, 100),
        ];

    private static IEnumerable<Entry> Point =>
        [
            Value("east", "East", QuantityKind.Length, -1e8, 1e8, "Easting of the point where the tangents meet.") with
            {
                Subject = "Easting",
            },
            Value("north", "North", QuantityKind.Length, -1e8, 1e8, "Its northing.") with
            {
                Subject = "Northing",
            },
            Own("radius", "Radius", QuantityKind.Length, 5, 1e7, "Empty for a kink, which only a straight line on needs."),
            Value("transitionIn", "Transition in", QuantityKind.Length, 0, 10e3, "Length of the clothoid before the arc."),
            Value("transitionOut", "Transition out", QuantityKind.Length, 0, 10e3, "Length of the clothoid after the arc."),
        ];

    private static IEnumerable<Entry> Profile =>
        [
            Value("station", "Station", QuantityKind.Length, -1e6, 2e6, "Station where the grades meet."),
            Value("level", "Level", QuantityKind.Length, -500, 9000, "Level where the grades meet."),
            Value(
                "curveLength",
                "Vertical curve",
                QuantityKind.Length,
                0,
                10e3,
                "Length of the parabola that rounds the point; 0 for none."
            ),
            Own("curveLengthOut", "Curve after it", QuantityKind.Length, 0, 10e3, "Where the curve is longer after the point than before."),
            Own("radius", "Radius of the curve", QuantityKind.Length, 10, 1e7, "Of a round in place of a parabola."),
            Derived(
                "grade",
                "Grade ahead",
                QuantityKind.Slope,
                "Rise over run to the next point; typing one sets the next level. 1:40 and 2.5 are the same."
            ),
        ];

    private static Entry Crossfall(string side, string name) =>
        Value(
            side,
            name,
            QuantityKind.Slope,
            -GreatestCrossfall,
            GreatestCrossfall,
            "Rise outward from the road line; negative falls away from it."
        ) with
        {
            Subject = $"Slope on the {side}",
        };
}
