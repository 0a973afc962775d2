using Pravik.Core.Bridges;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>What drives on the bridge, and own vehicles.</summary>
internal static class TrafficEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Uses("/traffic/models/*", s => $"of traffic {s.Number(0)}"),
            .. Lanes("/traffic/models/*/lanes/*", s => $"of lane {s.Number(1)}, traffic {s.Number(0)}"),
            .. Part("/traffic", _ => "of road traffic", OfRoad),
            .. Part("/traffic/carriageways/*", s => $"of carriageway {s.Number(0)}", OfCarriageway),
            .. Part("/traffic/rail", _ => "of railway traffic", OfRail),
            .. Part(
                "/traffic/rail/tracks/*",
                s => $"of track {s.Number(0)}",
                Value("offset", "Centre line", QuantityKind.Length, -100, 100, "Offset from the road line, positive to the right.")
            ),
            .. Part("/traffic/vehicles/*", VehicleWords, OfVehicle),
            .. Part("/traffic/vehicles/*/axles/*", s => $"of axle {s.Number(1)}, {VehicleWords(s)[3..]}", OfAxle),
            .. Part("/traffic/vehicles/*/stretches/*", s => $"of line load {s.Number(1)}, {VehicleWords(s)[3..]}", OfStretch),
        ];

    /// <summary>A model that drives, wherever it is named.</summary>
    public static IEnumerable<Entry> Uses(string pattern, Func<Stars, string> words) =>
        Part(
            pattern,
            words,
            Offer("name", "Model", Models, "A traffic model of a standard, or an own vehicle.") with
            {
                Subject = "Model",
            },
            Own(
                "margin",
                "Wheels from the lane’s edge",
                QuantityKind.Length,
                0,
                3,
                "Least distance; vehicles then go as far to both sides as it lets them. Empty: in the middle, or as the model has it."
            ) with
            {
                Subject = "Margin",
            },
            Own(
                "dynamic",
                "Dynamic factor",
                QuantityKind.Number,
                0.5,
                3,
                "On its vehicles. A special vehicle at normal speed has 1.40 − L/500, at least 1, with L the influence length in m "
                    + "(EN 1991-2 A.3). Empty: that of the model."
            )
        );

    /// <summary>A lane of its own of such a model.</summary>
    public static IEnumerable<Entry> Lanes(string pattern, Func<Stars, string> words) =>
        Part(
            pattern,
            words,
            Value("from", "Left edge", QuantityKind.Length, -100, 100, "Offset from the road line, positive to the right."),
            Value("width", "Width", QuantityKind.Length, 2, 10)
        );

    private static string VehicleWords(Stars s) =>
        s.Bridge is { } bridge && s.Of(0, bridge.Traffic.Vehicles) is { } vehicle ? $"of {vehicle.Name}" : $"of vehicle {s.Number(0)}";

    private static IEnumerable<Choice> Models(Bridge bridge) =>
        [
            .. bridge.Traffic.Vehicles.Select(v => new Choice(v.Name, v.Name) { Group = "Own vehicles" }),
            .. TrafficModels
                .All(bridge.Basis.Values)
                .Select(m => new Choice(m.Name, m.Name) { Group = m.Source.Split(' ')[0] == "AASHTO" ? "AASHTO LRFD" : "EN 1991-2" }),
        ];

    private static IEnumerable<Entry> OfRoad =>
        [
            Own(
                "speed",
                "Speed on the curve",
                QuantityKind.Speed,
                5 / 3.6,
                200 / 3.6,
                "Of road traffic, for centrifugal forces by AASHTO LRFD 3.6.3. Empty: none. EN 1991-2 Table 4.3 asks for no speed."
            ) with
            {
                Subject = "Speed",
            },
            Value(
                "uneven",
                "Right wheels carry more by",
                QuantityKind.Slope,
                -0.9,
                0.9,
                "Part of its load by which a right wheel has more and a left one less, as by the moment of the centrifugal force; negative "
                    + "where left wheels have more. The load of axles stays."
            ) with
            {
                Subject = "Unevenness of wheels",
            },
        ];

    private static IEnumerable<Entry> OfRail =>
        [
            Own(
                "speed",
                "Speed of trains",
                QuantityKind.Speed,
                5 / 3.6,
                350 / 3.6,
                "Greatest on the line, for centrifugal forces on a curve (EN 1991-2 6.5.1). Empty: there are none."
            ) with
            {
                Subject = "Speed",
            },
            Value(
                "level",
                "Rails above the deck",
                QuantityKind.Length,
                0.1,
                3,
                "Top of the rails above the deck’s surface: braking and nosing act there, centrifugal forces 1.8 m above."
            ),
            Value("gauge", "Distance of rails", QuantityKind.Length, 0.6, 2, "Between their middles: 1.5 m on standard gauge."),
            Own(
                "ballast",
                "Ballast under sleepers",
                QuantityKind.Length,
                0.05,
                2,
                "From under the sleepers to the deck’s surface: there loads spread from under the sleepers at 4 to 1 (EN 1991-2 6.3.6). "
                    + "Empty: loads act where the rails are. Its weight is not counted here."
            ),
            Value("sleeperLength", "Sleepers, across", QuantityKind.Length, 0.6, 4) with
            {
                Subject = "Length of sleepers",
            },
            Value("sleeperWidth", "Sleepers, along", QuantityKind.Length, 0.1, 1) with
            {
                Subject = "Width of sleepers",
            },
            Value("alpha", "Factor α", QuantityKind.Number, 0.5, 2, "On load model 71 and SW/0 (EN 1991-2 6.3.2(3)): 0.75 to 1.46."),
            Choose(
                "care",
                "Dynamic factor",
                [new("none", "none"), new("careful", "Φ₂, carefully kept track"), new("standard", "Φ₃, standard track")],
                "By the determinant length of main girders (EN 1991-2 6.4.5.2, Table 6.2)."
            ),
            Own(
                "sleepers",
                "Axles over sleepers every",
                QuantityKind.Length,
                0.3,
                0.8,
                "A quarter, a half and a quarter of an axle on three sleepers (EN 1991-2 6.3.6.1). Empty: axles are points."
            ) with
            {
                Subject = "Spacing of sleepers",
            },
            Own("dynamic", "In place of it", QuantityKind.Number, 1, 3, "A dynamic factor of the project’s own."),
        ];

    private static IEnumerable<Entry> OfCarriageway =>
        [
            Choose("fromOf", "Left edge from", References, "From what its left edge is measured."),
            Value("from", "Left edge", QuantityKind.Length, -100, 100, "Positive to the right of that, looking ahead."),
            Choose("toOf", "Right edge from", References, "From what its right edge is measured."),
            Value("to", "Right edge", QuantityKind.Length, -100, 100, "Positive to the right of that, looking ahead."),
        ];

    private static IReadOnlyList<Choice> References =>
        [
            new("roadLine", "road line"),
            new("leftEdge", "deck’s left edge"),
            new("rightEdge", "deck’s right edge"),
            new("leftParapet", "left parapet"),
            new("rightParapet", "right parapet"),
        ];

    private static IEnumerable<Entry> OfVehicle =>
        [
            Text("name", "Name", 80),
            Value("wheelSpacing", "Wheels apart", QuantityKind.Length, 0.5, 6, "Distance of the two wheels of an axle.") with
            {
                Subject = "Distance of wheels",
            },
            Value("dynamic", "Dynamic factor", QuantityKind.Number, 0.5, 3, "On all its loads; 1 where they have it already."),
            Flag(
                "staysOnDeck",
                "Partly off the deck",
                "counts",
                "never stands so",
                "Whether it also acts while some of its axles stand before or behind the deck, or only with all of it on the deck."
            ),
            Flag(
                "onlyWorsening",
                "Axles that relieve",
                "stand",
                "are left out",
                "Whether the vehicle acts whole or not at all, or only those of its axles that worsen an effect."
            ),
        ];

    private static IEnumerable<Entry> OfAxle =>
        [
            Value("load", "Load", QuantityKind.Force, 1, 5e6, "Of the axle, the same part of it on each wheel."),
            Value(
                "gap",
                "Behind the one before",
                QuantityKind.Length,
                0,
                200,
                "Distance from the axle before it; 0 for the first, and for wheels in one line with those before that carry another load."
            ) with
            {
                Subject = "Distance",
            },
            Own(
                "mostGap",
                "Up to",
                QuantityKind.Length,
                0.1,
                200,
                "Where the worst distance is sought: the greatest. Empty: it is fixed."
            ) with
            {
                Subject = "Greatest distance",
            },
            new("wheels", "Wheels at", EntryKind.Places, QuantityKind.Length)
            {
                Help =
                    "Places of its wheels across, from the left, right of the vehicle’s middle as it goes: -1.5 0 1.5; one place is a "
                    + "single wheel. Empty: two at the distance above.",
                IsOwn = true,
                Blank = "two",
            },
        ];

    private static IEnumerable<Entry> OfStretch =>
        [
            Value("load", "Load", QuantityKind.LineLoad, 1, 1e6, "Along the vehicle, half of it on each wheel line."),
            Value("from", "From", QuantityKind.Length, 0, 500, "Distance behind the first axle at which it begins."),
            Value("length", "Length", QuantityKind.Length, 0.1, 500),
        ];
}
