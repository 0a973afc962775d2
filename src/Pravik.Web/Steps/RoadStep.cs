using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>The road line, its levels and crossfalls, and the ground.</summary>
internal sealed class RoadStep : IStep
{
    public string Id => "road";

    public string Name => "Road";

    public IReadOnlyList<StepLayout> Layouts { get; } =
    [new("road", "Plan and diagrams"), new("roadPlan", "Plan"), new("roadDiagrams", "Diagrams"), new("surroundings", "Surroundings")];

    public IReadOnlyList<string> Paths { get; } = ["/road", "/ground"];

    public SheetContent Sheet(Screen screen, string layout)
    {
        ViewPart Plan(ViewSize size) => Screen.Drawn("road", RoadPlanView.Draw(screen.Geometry, screen.Units, size, screen.Station));
        ViewPart Diagrams(ViewSize size) =>
            Screen.Drawn("profile", RoadDiagramView.Draw(screen.Geometry, screen.Ground, screen.Units, size, screen.Station));
        return layout switch
        {
            "roadPlan" => new([Plan(screen.Whole)]),
            "roadDiagrams" => new([Diagrams(screen.Whole)]),
            "surroundings" => new([screen.Surroundings()]),
            _ => new([Plan(screen.Half), Diagrams(screen.Half)]),
        };
    }

    public Ledger Ledger(Screen screen) =>
        new RoadLedger(screen.Snapshot.Bridge, screen.Geometry, screen.Rows, screen.Around.Neighbours).Make(screen.Station);
}
