using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>Girders, their types, what stands between them, materials.</summary>
internal sealed class GirdersStep : IStep
{
    public string Id => "girders";

    public string Name => "Girders";

    public IReadOnlyList<StepLayout> Layouts { get; } =
    [
        new("planSection", "Plan and section"),
        new("girder", "Girder"),
        new("allGirders", "All girders"),
        new("levels", "Levels"),
        new("materials", "Materials"),
        new("section", "Section"),
        new("model", "3D"),
    ];

    public IReadOnlyList<string> Paths { get; } = ["/girders", "/materials"];

    public SheetContent Sheet(Screen screen, string layout)
    {
        // On an axis the section shows what stands there.
        ViewPart Section(ViewSize size) =>
            Math.Abs(screen.SupportAxis.Station - screen.Station) < 0.3 ? screen.Support(size) : screen.Section(size);
        return layout switch
        {
            "girder" => new([Screen.Drawn("girder", ShapeView.Girder(screen.Geometry, screen.Units, screen.Whole, TypeNumber(screen)))]),
            "allGirders" => new([screen.Plan(screen.Half)], GirderTables.All(screen.Geometry, screen.Units, screen.Pick)),
            "levels" => new([screen.Elevation(screen.Half)], GirderTables.Haunches(screen.Geometry, screen.Units, screen.Pick)),
            "materials" => new([Screen.Drawn("materials", MaterialView.Draw(screen.Snapshot.Bridge, screen.Units, screen.Whole))]),
            "section" => new([Section(screen.Whole)]),
            "model" => new([Screen.InSpace]),
            _ => new([screen.Plan(screen.Half), Section(screen.Half)]),
        };
    }

    public Ledger Ledger(Screen screen) =>
        new GirderLedger(screen.Snapshot.Bridge, screen.Geometry, screen.Rows, screen.Station).Show(screen.Pick);

    /// <summary>Place of the type of girder that is picked, or of the picked girder's.</summary>
    private static int TypeNumber(Screen screen) =>
        screen.Pick?.Split('/') switch
        {
            ["", "girders", "types", var item, ..]
                when int.TryParse(item, out var i) && i >= 0 && i < screen.Geometry.Sections.Types.Length => i,
            ["", "parts", "girders", var number, "spans", var span]
                when int.TryParse(number, out var n)
                    && int.TryParse(span, out var s)
                    && s >= 1
                    && s <= screen.Geometry.SpanCount
                    && screen.Geometry.Sections.IsPresent(n, s - 1) => screen.Geometry.Sections.TypeIndex(n, s - 1),
            _ => screen.Geometry.Sections.TypeIndex(screen.Geometry.GirdersIn(0)[0].Number, 0),
        };
}
