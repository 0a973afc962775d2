using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Steps;

/// <summary>Weights, traffic, and the other actions.</summary>
internal sealed class LoadsStep : IStep
{
    public string Id => "loads";

    public string Name => "Loads";

    public IReadOnlyList<StepLayout> Layouts { get; } = [new("loads", "Loads on the section"), new("ownLoads", "Own loads in plan")];

    public IReadOnlyList<string> Paths { get; } = ["/loads", "/actions"];

    public SheetContent Sheet(Screen screen, string layout)
    {
        var (geometry, station) = (screen.Geometry, Math.Clamp(screen.Station, screen.Geometry.FirstStation, screen.Geometry.LastStation));
        return layout == "ownLoads"
            ? new([Screen.Drawn("plan", PlanView.DrawLoads(geometry, screen.Units, screen.Whole, screen.Station))])
            : new([Screen.Drawn("loads", LoadsView.Draw(geometry, screen.Units, screen.Whole, station))]);
    }

    public Ledger Ledger(Screen screen) =>
        new LoadsLedger(screen.Snapshot.Bridge, screen.Geometry, screen.Ground, screen.Rows).Make(screen.Station);
}
