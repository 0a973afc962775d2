using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>Girders, their types, and what stands between them.</summary>
internal sealed class GirdersStep : IStep
{
    public string Id => "girders";

    public string Name => "Girders";

    public IReadOnlyList<StepLayout> Layouts { get; } =
    [
        new("planSection", "Plan and section"),
        new("girder", "Girder"),
        new("side", "From the side"),
        new("allGirders", "All girders"),
        new("levels", "Levels"),
        new("section", "Section"),
        new("model", "3D"),
    ];

    public IReadOnlyList<string> Paths { get; } = ["/girders"];

    public IReadOnlyList<string> Watched => [.. Paths, "/sections"];

    public SheetContent Sheet(Screen screen, string layout)
    {
        // On an axis the section shows what stands there.
        ViewPart Section(ViewSize size) =>
            Math.Abs(screen.SupportAxis.Station - screen.Station) < 0.3 ? screen.Support(size) : screen.Section(size);
        return layout switch
        {
            "girder" => new([
                Screen.Drawn(
                    "girder",
                    ShapeView.Girder(screen.Geometry, screen.Units, screen.Whole, GirderTypeLedger.Shown(screen.Geometry, screen.Pick))
                ),
            ]),
            "side" => PlateTables.Sheet(screen) ?? new TendonViews(screen).Sheet(),
            "allGirders" => new([screen.Plan(screen.Half)], GirderTables.All(screen.Geometry, screen.Units, screen.Pick)),
            "levels" => new([screen.Elevation(screen.Half)], GirderTables.Haunches(screen.Geometry, screen.Units, screen.Pick)),
            "section" => new([Section(screen.Whole)]),
            "model" => new([Screen.InSpace]),
            _ => new([screen.Plan(screen.Half), Section(screen.Half)]),
        };
    }

    public Ledger Ledger(Screen screen) =>
        new GirderLedger(screen.Snapshot.Bridge, screen.Geometry, screen.Rows, screen.Station).Show(screen.Pick);
}
