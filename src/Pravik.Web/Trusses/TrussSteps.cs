using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>A step of the work on a truss scheme.</summary>
/// <param name="Id">Its name in addresses and requests.</param>
/// <param name="Name">Its name in words.</param>
/// <param name="Paths">Beginnings of the paths of values that are entered here.</param>
/// <param name="Layouts">At least one.</param>
/// <param name="Sheet">What the sheet shows in a layout.</param>
/// <param name="Ledger">What the ledger shows.</param>
internal sealed record TrussStep(
    string Id,
    string Name,
    IReadOnlyList<string> Paths,
    IReadOnlyList<StepLayout> Layouts,
    Func<TrussScreen, string, SheetContent> Sheet,
    Func<TrussScreen, Ledger> Ledger
)
{
    /// <summary>Controls over the sheet.</summary>
    public Func<TrussScreen, IReadOnlyList<SheetControl>> Controls { get; init; } = _ => [];
}

/// <summary>The steps of a truss scheme, in order.</summary>
internal static class TrussSteps
{
    public static IReadOnlyList<TrussStep> All { get; } =
    [
        new(
            "site",
            "Site",
            ["/name", "/author", "/units", "/currency", "/site", "/rules", "/vehicles", "/task"],
            [new("site", "Site"), new("choices", "All choices compared")],
            SiteStep.Sheet,
            SiteStep.Ledger
        ),
        new("sketch", "Sketch", ["/form", "/joints", "/bars"], [new("sketch", "Sketch")], SketchStep.Sheet, SketchStep.Ledger)
        {
            Controls = SketchStep.Controls,
        },
        new(
            "bars",
            "Bars",
            ["/sections", "/grades", "/parts/bars"],
            [new("table", "Table"), new("strength", "Strength and length"), new("influence", "Influence line")],
            BarsStep.Sheet,
            BarsStep.Ledger
        ),
        new(
            "drive",
            "Drive",
            ["/parts/drive"],
            [new("drive", "From the side"), new("space", "In space"), new("driver", "Driver’s seat")],
            DriveStep.Sheet,
            DriveStep.Ledger
        )
        {
            Controls = DriveStep.Controls,
        },
        new("cost", "Cost", ["/prices"], [new("cost", "Cost")], CostStep.Sheet, CostStep.Ledger),
        new("lighter", "Make it lighter", ["/parts/search"], [new("search", "Search")], LighterStep.Sheet, LighterStep.Ledger)
        {
            Controls = LighterStep.Controls,
        },
        new("compare", "Compare", ["/parts/designs"], [new("designs", "Designs")], CompareStep.Sheet, CompareStep.Ledger),
    ];

    /// <summary>The step of a name; the sketch where there is none.</summary>
    public static TrussStep Named(string id) => All.FirstOrDefault(s => s.Id == id) ?? All[1];

    /// <summary>To which step a value belongs, by the beginning of its path.</summary>
    public static IReadOnlyDictionary<string, string> Places { get; } =
        All.SelectMany(s => s.Paths.Select(p => (p, s.Id))).ToDictionary(p => p.p, p => p.Id);
}
