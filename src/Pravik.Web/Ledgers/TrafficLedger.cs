using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>What drives on the bridge, and the vehicles of the project's own.</summary>
internal sealed class TrafficLedger(Bridge bridge, LedgerRows rows, TrafficModel shown, IReadOnlyList<LibraryRow> library)
{
    public IEnumerable<LedgerGroup> Groups()
    {
        yield return Acting();
        yield return Shown();
        for (var v = 0; v < bridge.Traffic.Vehicles.Length; v++)
        {
            foreach (var group in Own(bridge.Traffic.Vehicles[v], $"/traffic/vehicles/{v}"))
                yield return group;
        }
        yield return new(bridge.Traffic.Vehicles.IsEmpty ? "Own vehicles" : "", [])
        {
            Actions = [AddVehicle()],
            Note =
                "An own vehicle has axles, single wheels or line loads. Added to what drives, it goes in a lane of its own, "
                + (bridge.Basis.Standard == Standard.Lrfd ? "alone (Strength II)." : "with load model 1 at its frequent values beside it."),
        };
        foreach (var group in Kept())
            yield return group;
    }

    private IEnumerable<LedgerGroup> Kept() =>
        FromLibrary.Group(
            FromLibrary.Actions(
                library,
                LibraryJson.Vehicle,
                n => bridge.Traffic.Vehicles.Any(v => v.Name == n),
                n => n,
                "/traffic/vehicles"
            )
        );

    private LedgerGroup Acting()
    {
        var used = bridge.Traffic.Models;
        var usual = TrafficModels.Usual(bridge.Basis.Standard, bridge.Basis.Values).Name;
        var next =
            shown.Name != usual ? shown.Name
            : usual == "LM1" ? "LM2"
            : "HL-93 truck";
        return new("Drives on the bridge", [.. used.SelectMany((use, i) => Use(use, i))])
        {
            Note =
                $"{usual} and footways always act. What is added here is put on every effect after each edit. Lanes of its own: Loads, "
                + "Lanes.",
            Actions =
            [
                .. used.Any(m => m.Name == next)
                    ? Array.Empty<LedgerAction>()
                    :
                    [
                        new(
                            $"Add {next}",
                            $"{next} added to traffic",
                            [new("add", "/traffic/models/-", new JsonObject { ["name"] = next })]
                        ),
                    ],
                .. used.Select(
                    (m, i) =>
                        new LedgerAction($"Take {m.Name} away", $"{m.Name} taken from traffic", [new("remove", $"/traffic/models/{i}")])
                ),
            ],
        };
    }

    /// <summary>A model that drives; trains and loads without lanes have no margin and no factor of their own.</summary>
    private IEnumerable<LedgerRow> Use(TrafficUse use, int number)
    {
        var (path, model) = ($"/traffic/models/{number}", TrafficModels.Named(use.Name, bridge.Basis.Values, bridge.Traffic.Vehicles));
        yield return rows.Entry($"{path}/name", null, $"Model {number + 2}");
        var goesInLanes = model is { Kinds.IsEmpty: false } && model.Rule != LaneRule.Track;
        if (goesInLanes || use.Margin is not null)
            yield return rows.Entry($"{path}/margin");
        if (goesInLanes || use.Dynamic is not null)
            yield return rows.Entry($"{path}/dynamic");
    }

    private LedgerGroup Shown()
    {
        var role = shown.Role switch
        {
            _ when bridge.Basis.Standard == Standard.Lrfd => InLrfd,
            TrafficRole.Usual => "groups 1a and 2 of EN 1991-2 Table 4.4a",
            TrafficRole.SingleAxle => "group 1b",
            TrafficRole.Crowd => "group 4, with footways",
            TrafficRole.Rail => "railway traffic leading, with its horizontal forces (EN 1991-2 Table 6.11)",
            TrafficRole.Fatigue => "fatigue, as the range of it alone",
            TrafficRole.Special => "group 5, with load model 1 at its frequent values in other lanes",
            _ => "in no generated combination: its envelope is shown",
        };
        List<LedgerRow> all =
        [
            LedgerRows.Reading("Source", shown.Source),
            .. shown
                .Kinds.SelectMany(k => k.Loads)
                .Where(l => l.Vehicle is not null)
                .Select(l => rows.Reading($"Axles, {l.Name}", l.Vehicle!.AxleLoad, QuantityKind.Force, "All axles together.")),
        ];
        return new($"Readings: {shown.Name}", all)
        {
            Note = $"Combined: {role}.{(shown.LeftOut is { } left ? $" Left out: {left}." : "")}",
        };
    }

    private string InLrfd =>
        shown.Name switch
        {
            "HL-93" => "live load of the strength and service combinations",
            TrafficModels.FatigueTruck => "Fatigue I and II",
            _ when shown.Role == TrafficRole.Special => "Strength II, alone",
            _ => "in no generated combination: its envelope is shown",
        };

    private IEnumerable<LedgerGroup> Own(Vehicle vehicle, string path)
    {
        yield return new(
            $"Vehicle: {vehicle.Name}",
            [
                rows.Entry($"{path}/name"),
                rows.Entry($"{path}/wheelSpacing"),
                rows.Entry($"{path}/dynamic"),
                rows.Entry($"{path}/onlyWorsening"),
                rows.Entry($"{path}/staysOnDeck"),
                rows.Reading("In all", vehicle.Total, QuantityKind.Force),
            ]
        );
        yield return new("", [.. vehicle.Axles.SelectMany((_, a) => Cells($"{path}/axles/{a}", "load", "gap", "mostGap", "wheels"))])
        {
            Columns = Headings(
                ("Axle", QuantityKind.Force),
                ("behind", QuantityKind.Length),
                ("up to", QuantityKind.Length),
                ("wheels at", QuantityKind.Length)
            ),
            RowActions = [.. vehicle.Axles.Select((_, a) => Remove($"axle {a + 1}", $"{path}/axles/{a}", vehicle))],
        };
        if (!vehicle.Stretches.IsEmpty)
            yield return new("", [.. vehicle.Stretches.SelectMany((_, s) => Cells($"{path}/stretches/{s}", "load", "from", "length"))])
            {
                Columns = Headings(("Line load", QuantityKind.LineLoad), ("from", QuantityKind.Length), ("length", QuantityKind.Length)),
                RowActions = [.. vehicle.Stretches.Select((_, s) => Remove($"line load {s + 1}", $"{path}/stretches/{s}", vehicle))],
            };
        yield return new("", [])
        {
            Actions =
            [
                new("Add an axle", $"Axle added to {vehicle.Name}", [new("add", $"{path}/axles/-", Axle(vehicle.Axles.IsEmpty ? 0 : 1.4))]),
                new(
                    "Add a line load",
                    $"Line load added to {vehicle.Name}",
                    [
                        new(
                            "add",
                            $"{path}/stretches/-",
                            new JsonObject
                            {
                                ["load"] = 20e3,
                                ["from"] = 0,
                                ["length"] = 10,
                            }
                        ),
                    ]
                ),
                new("Keep in the office library", "", []) { Saves = path },
                new("Take the vehicle away", $"{vehicle.Name} taken away", [new("remove", path)]),
            ],
        };
    }

    private IEnumerable<LedgerRow> Cells(string path, params string[] fields) => fields.Select(f => rows.Entry($"{path}/{f}"));

    private string[] Headings(params (string Name, QuantityKind Kind)[] columns) =>
        [.. columns.Select(c => $"{c.Name}, {rows.Units[c.Kind].Symbol}")];

    private static LedgerAction Remove(string what, string path, Vehicle of) =>
        new($"Take {what} away", $"{what} of {of.Name} taken away", [new("remove", path)]);

    private static JsonObject Axle(double gap) => new() { ["load"] = 100e3, ["gap"] = gap };

    private LedgerAction AddVehicle()
    {
        var names = bridge.Traffic.Vehicles.Select(v => v.Name).ToHashSet();
        var name = Enumerable.Range(1, names.Count + 1).Select(i => $"Own vehicle {i}").First(n => !names.Contains(n));
        var vehicle = new JsonObject { ["name"] = name, ["axles"] = new JsonArray(Axle(0), Axle(3.6), Axle(1.4)) };
        return new("Add an own vehicle", $"{name} added", [new("add", "/traffic/vehicles/-", vehicle)]);
    }
}
