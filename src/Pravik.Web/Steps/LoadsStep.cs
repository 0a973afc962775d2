using Pravik.Core.Entries;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>Weights, traffic, the other actions, and how they are combined.</summary>
internal sealed class LoadsStep : IStep
{
    public string Id => "loads";

    public string Name => "Loads";

    public IReadOnlyList<StepLayout> Layouts { get; } =
    [
        new("permanent", "Permanent"),
        new("lanes", "Lanes"),
        new("vehicles", "Vehicles"),
        new("combinations", "Combinations"),
        new("ownLoads", "Own loads"),
    ];

    public IReadOnlyList<string> Paths { get; } = ["/loads", "/actions", "/traffic"];

    public SheetContent Sheet(Screen screen, string layout)
    {
        var (geometry, station) = (screen.Geometry, Math.Clamp(screen.Station, screen.Geometry.FirstStation, screen.Geometry.LastStation));
        var (model, units) = (Model(screen), screen.Units);
        switch (layout)
        {
            case "ownLoads":
                return new([Screen.Drawn("plan", PlanView.DrawLoads(geometry, units, screen.Whole, screen.Station))]);
            case "lanes":
                var scheme = Scheme(screen, model);
                return new([
                    Screen.Drawn("lanes", LanesView.Draw(geometry, units, screen.Part(0.58, 240), station, model, scheme)),
                    screen.Plan(screen.Part(0.42, 160), scheme.At(model, station)),
                ]);
            case "vehicles":
                return new([.. VehicleViews(screen, model).Take(3).Select((v, i) => Screen.Drawn($"vehicle{i}", v))]);
            case "combinations":
                return new([], CombinationTable.Of(screen.Snapshot.Bridge, PickedRule(screen)));
            default:
                return new([Screen.Drawn("loads", LoadsView.Draw(geometry, units, screen.Whole, station))]);
        }
    }

    public Ledger Ledger(Screen screen)
    {
        var (bridge, layout) = (screen.Snapshot.Bridge, screen.Request.Layout);
        var loads = new LoadsLedger(bridge, screen.Geometry, screen.Rows);
        var actions = new ActionLedger(bridge, screen.Geometry, screen.Ground, screen.Rows);
        return layout switch
        {
            "lanes" => new("Lanes", "where traffic can be", [.. loads.Traffic(Model(screen), Scheme(screen, Model(screen)))]),
            "vehicles" => new(
                "Vehicles",
                "what drives",
                [
                    .. new TrafficLedger(bridge, screen.Rows, Model(screen), screen.Around.Library).Groups(),
                    CurveLedger.Group(screen.Geometry, screen.Rows),
                ]
            ),
            "combinations" => new(
                "Combinations",
                "what acts together",
                [.. actions.Factors(PickedRule(screen)), .. actions.Kinds(), .. actions.Combinations()]
            ),
            "ownLoads" => new("Own loads", "cases of the project’s own", [.. actions.Cases()]),
            _ => new("Permanent", "what lies on the deck", [.. loads.Permanent(screen.Station), .. actions.Whole()]),
        };
    }

    public IReadOnlyList<SheetControl> Controls(Screen screen)
    {
        if (screen.Request.Layout is not ("lanes" or "vehicles"))
            return [];
        var bridge = screen.Snapshot.Bridge;
        var model = Model(screen);
        List<Choice> models =
        [
            .. TrafficPlan.Chosen(bridge).DistinctBy(m => m.Name).Select(m => new Choice(m.Name, m.Name) { Group = "In the project" }),
            .. TrafficModels.All(bridge.Basis.Values).Select(m => new Choice(m.Name, m.Name) { Group = "All" }),
        ];
        var drives = new SheetControl("traffic", "Model", model.Name, [.. models.DistinctBy(m => m.Value)])
        {
            Help = "Arrow keys step through what can be chosen.",
        };
        if (screen.Request.Layout == "vehicles")
            return [drives];
        var schemes = LaneScheme.Of(model, screen.Geometry.Carriageways);
        return
        [
            drives,
            new(
                "lanes",
                "Lanes",
                $"{Math.Min(screen.Request.Lanes, schemes.Length)}",
                [.. schemes.Select((s, i) => new Choice($"{i + 1}", $"{i + 1}  {s.Name}"))]
            )
            {
                Help = "Some of those among which the worst is sought; arrow keys step through them.",
            },
        ];
    }

    /// <summary>The generated combination whose factors are looked at.</summary>
    private static string? PickedRule(Screen screen) =>
        screen.Pick is { } pick && pick.StartsWith(CombinationTable.Factors, StringComparison.Ordinal)
            ? string.Join('.', pick[CombinationTable.Factors.Length..].Split('.').Take(2))
            : null;

    /// <summary>The model that is looked at; one of the project’s own vehicles where it is picked.</summary>
    private static TrafficModel Model(Screen screen)
    {
        var (bridge, pick) = (screen.Snapshot.Bridge, screen.Pick?.Split('/'));
        var vehicles = bridge.Traffic.Vehicles;
        if (pick is ["", "traffic", "vehicles", var n, ..] && int.TryParse(n, out var number) && number >= 0 && number < vehicles.Length)
            return TrafficModels.Of(vehicles[number], bridge.Basis.Values);
        var named = TrafficModels.Named(screen.Request.Traffic, bridge.Basis.Values, vehicles) ?? TrafficPlan.Usual(bridge);
        return TrafficPlan.On(screen.Geometry, TrafficPlan.UseOf(bridge, named.Name).Of(named));
    }

    private static LaneScheme Scheme(Screen screen, TrafficModel model)
    {
        var all = LaneScheme.Of(model, screen.Geometry.Carriageways);
        return all[Math.Clamp(screen.Request.Lanes, 1, all.Length) - 1];
    }

    private static IEnumerable<Drawings.Drawing> VehicleViews(Screen screen, TrafficModel model)
    {
        var vehicles = model.Kinds.SelectMany(k => k.Loads).Select(l => l.Vehicle).OfType<Vehicle>().DistinctBy(v => v.Name).ToList();
        var size = vehicles.Count > 1 ? screen.Part(1.0 / Math.Min(3, vehicles.Count), 170) : screen.Part(0.7, 240);
        return vehicles.Select(v => VehicleView.Draw(v, screen.Units, size));
    }
}
