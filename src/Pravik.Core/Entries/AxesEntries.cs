using Pravik.Core.Bridges;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Support axes and what passes below.</summary>
internal static class AxesEntries
{
    public static IEnumerable<Entry> All =>
        [
            Value("/axes/firstStation", "First axis", QuantityKind.Length, -1e6, 1e6, "Station of the first support axis."),
            Derived("/axes/lastStation", "Last axis", QuantityKind.Length, "Typing one stretches all spans alike."),
            Derived("/axes/count", "Number of spans", QuantityKind.Count, "Typing one divides the overall length into equal spans."),
            Derived("/axes/overall", "Overall length", QuantityKind.Length, "Typing one stretches all spans alike."),
            Derived("/axes/stations/*", "Station", QuantityKind.Length, "Station of this axis; its neighbours stay."),
            new("/axes/spans", "Spans", EntryKind.Spans, QuantityKind.Length)
            {
                Help = "In one line along the road: 17.4 + 25.8 + 17.4, or 5*30.",
            },
            Value("/axes/spans/*", "Span", QuantityKind.Length, 2, 120, "Distance between two axes along the road line.") with
            {
                Words = s => s.Number(0),
            },
            Value(
                "/axes/skew",
                "Skew",
                QuantityKind.Angle,
                -Axes.GreatestSkew,
                Axes.GreatestSkew,
                "From the line square to the road to the axis, positive clockwise seen from above."
            ),
            .. OwnPart("/axes/own/*", s => $"of axis {s[0]}", OwnAxis),
            .. Part("/crossings/*", s => $"of crossing {s.Number(0)}", Crossing),
        ];

    private static IEnumerable<Entry> OwnAxis =>
        [
            Text("name", "Name", 8) with
            {
                IsOwn = true,
            },
            Own("skew", "Skew", QuantityKind.Angle, -Axes.GreatestSkew, Axes.GreatestSkew, "Own skew of this axis. Empty: as all."),
            Own(
                "azimuth",
                "Direction",
                QuantityKind.Angle,
                -2 * Math.PI,
                2 * Math.PI,
                "Direction of the axis clockwise from north, in place of a skew."
            ),
            Choose(
                "kind",
                "Kind",
                [new("abutment", "Abutment"), new("pier", "Pier"), new("joint", "Pier, joint")],
                "Over a joint the deck is parted: one unit ends and the next begins."
            ) with
            {
                IsOwn = true,
            },
        ];

    private static IEnumerable<Entry> Crossing =>
        [
            Text("name", "Name"),
            Choose("kind", "Kind", [new("road", "Road"), new("railway", "Railway"), new("path", "Path"), new("water", "Water")]),
            Value(
                "station",
                "Under station",
                QuantityKind.Length,
                -1e6,
                2e6,
                "Station of the road line that its centre line passes under."
            ) with
            {
                Subject = "Station",
            },
            Value(
                "skew",
                "Skew",
                QuantityKind.Angle,
                -80 * Math.PI / 180,
                80 * Math.PI / 180,
                "From the line square to the road, positive clockwise seen from above."
            ),
            Value("level", "Level", QuantityKind.Length, -500, 9000, "Level of its surface under the road line."),
            Value("grade", "Grade to the right", QuantityKind.Slope, -0.3, 0.3, "Rise over run, to the right of the road."),
            Value("width", "Envelope, width", QuantityKind.Length, 0, 500, "Width that must be clear."),
            Value("height", "Envelope, height", QuantityKind.Length, 0, 100, "Height that must be clear above its surface."),
        ];
}
