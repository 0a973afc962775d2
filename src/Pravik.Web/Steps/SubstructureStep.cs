using Pravik.Core.Places;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>Abutments, piers, foundations and bearings.</summary>
internal sealed class SubstructureStep : IStep
{
    public string Id => "substructure";

    public string Name => "Substructure";

    public IReadOnlyList<StepLayout> Layouts { get; } =
    [
        new("supportElevation", "Support and elevation"),
        new("support", "Support"),
        new("planElevation", "Plan and elevation"),
        new("seats", "Seats"),
        new("model", "3D"),
    ];

    public IReadOnlyList<string> Paths { get; } = ["/supports", "/bearings"];

    public SheetContent Sheet(Screen screen, string layout) =>
        layout switch
        {
            "support" => new([screen.Support(screen.Whole)]),
            "planElevation" => new([screen.Plan(screen.Half), screen.Elevation(screen.Half)]),
            "seats" => new(
                [screen.Support(screen.Half)],
                SupportTables.Seats(SupportPlace.All(screen.Geometry, screen.Ground), screen.Units, screen.Pick)
            ),
            "model" => new([Screen.InSpace]),
            _ => new([screen.Support(screen.Half), screen.Elevation(screen.Half)]),
        };

    public Ledger Ledger(Screen screen) =>
        new SubstructureLedger(screen.Snapshot.Bridge, screen.Geometry, screen.Ground, screen.Rows).Make(screen.SupportAxis);
}
