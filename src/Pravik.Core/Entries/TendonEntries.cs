using Pravik.Core.Bridges;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Tendons that are stressed after casting.</summary>
internal static class TendonEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Part("/girders/tendons/*", s => $"of tendon {s.Number(0)}", Whole),
            .. Part("/girders/tendons/*/points/*", s => $"of point {s.Number(1)} of tendon {s.Number(0)}", Point),
        ];

    private static IEnumerable<Entry> Whole =>
        [
            Text("name", "Name", 40, "A stage stresses it by this name."),
            Text("girders", "In girders", 60, "Numbers of girders, with commas between. Empty: every girder.") with
            {
                IsOwn = true,
                Blank = "all",
            },
            Value("ducts", "Ducts", QuantityKind.Count, 1, 12, "Alike in each girder, at one level: one in each web, say."),
            Value("strands", "Strands in a duct", QuantityKind.Count, 1, 60) with
            {
                Subject = "Number of strands in a duct",
            },
            Value("ductDiameter", "Diameter of a duct", QuantityKind.Size, 0.02, 0.25, "Outside. Webs carry less by half of it."),
            Choose(
                "jacked",
                "Jacked at",
                [new(Tendon.AtStart, "its start"), new(Tendon.AtEnd, "its end"), new(Tendon.AtBoth, "both ends")]
            ) with
            {
                Subject = "End that is jacked",
            },
            Own("jackStress", "Stress at the jack", QuantityKind.Stress, 100e6, 1700e6, "Empty: the greatest of EN 1992-1-1 5.10.2.1.") with
            {
                Blank = "greatest",
            },
            Value("friction", "Friction μ", QuantityKind.Number, 0, 0.8, "Per angle (EN 1992-1-1 (5.45), Table 5.1).") with
            {
                Subject = "Friction",
            },
            Value("wobble", "Wobble k, per m", QuantityKind.Number, 0, 0.05, "Angle per metre: 0.005 to 0.01 (5.10.5.2(3)).") with
            {
                Subject = "Wobble",
            },
            Value("drawIn", "Draw-in", QuantityKind.Size, 0, 0.03, "How far strands slip until wedges hold: by the system's approval."),
            Own(
                "effectiveStress",
                "Stress after losses",
                QuantityKind.Stress,
                0,
                1700e6,
                "Empty: worked out, from friction to the last day. Entered: the same everywhere."
            ) with
            {
                Blank = "worked out",
            },
        ];

    private static IEnumerable<Entry> Point =>
        [
            Value("span", "Span", QuantityKind.Count, 1, 30),
            Value("at", "At", QuantityKind.Number, 0, 1, "Part of the span.") with
            {
                Subject = "Place",
            },
            Value("level", "Level", QuantityKind.Size, -2, 10, "Above the girder's soffit there."),
            Flag("kink", "Goes", "level", "kink", "Level: the curve runs along the soffit there. Kink: its direction is free.") with
            {
                Subject = "Direction",
            },
            Own(
                "turn",
                "Turns over",
                QuantityKind.Number,
                0.02,
                0.98,
                "Where on the way to the next point, as a part. Empty: half way."
            ) with
            {
                Subject = "Turn",
                Blank = "0.5",
            },
        ];
}
