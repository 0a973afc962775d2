using Pravik.Web.Ledgers;

namespace Pravik.Web.Steps;

/// <summary>Support axes, spans and what is crossed.</summary>
internal sealed class AxesStep : IStep
{
    public string Id => "axes";

    public string Name => "Axes";

    public IReadOnlyList<StepLayout> Layouts { get; } =
    [
        new("planElevation", "Plan and elevation"),
        new("plan", "Plan"),
        new("elevation", "Elevation"),
        new("surroundings", "Surroundings"),
        new("model", "3D"),
    ];

    public IReadOnlyList<string> Paths { get; } = ["/axes", "/crossings"];

    public SheetContent Sheet(Screen screen, string layout) =>
        layout switch
        {
            "plan" => new([screen.Plan(screen.Whole)]),
            "elevation" => new([screen.Elevation(screen.Whole)]),
            "surroundings" => new([screen.Surroundings()]),
            "model" => new([Screen.InSpace]),
            _ => new([screen.Plan(screen.Half), screen.Elevation(screen.Half)]),
        };

    public Ledger Ledger(Screen screen) => new AxesLedger(screen.Snapshot.Bridge, screen.Geometry, screen.Rows).Make();
}
