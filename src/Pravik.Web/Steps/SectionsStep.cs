using Pravik.Core.Sections;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>The design of sections of members.</summary>
internal sealed class SectionsStep : IStep
{
    public string Id => "sections";

    public string Name => "Sections";

    public bool IsListed => false;

    public IReadOnlyList<StepLayout> Layouts { get; } = [new("shape", "Shape and table"), new("shapeOnly", "Shape")];

    public IReadOnlyList<string> Paths { get; } = ["/sections"];

    public SheetContent Sheet(Screen screen, string layout) =>
        layout == "shapeOnly"
            ? new([Shape(screen, screen.Whole)])
            : new([Shape(screen, screen.Half)], ShapeTables.Compare(screen.Snapshot.Bridge.Sections, screen.Units, Number(screen)));

    public Ledger Ledger(Screen screen) =>
        new SectionLedger(screen.Snapshot.Bridge, screen.Rows, screen.Around.Library).Make(Number(screen));

    /// <summary>The section that is picked (<c>/sections/N</c>), or the girders'.</summary>
    private static int Number(Screen screen) =>
        screen.Pick?.Split('/') is ["", "sections", var item, ..]
        && int.TryParse(item, out var i)
        && i >= 0
        && i < screen.Snapshot.Bridge.Sections.Length
            ? i
            : Math.Max(0, screen.Snapshot.Bridge.Sections.Select(s => s.Name).ToList().IndexOf(screen.Geometry.Section.Shape.Name));

    /// <summary>The section in hand, on which outlines can be drawn: on a grid of 10 mm or half an inch.</summary>
    private static ViewPart Shape(Screen screen, ViewSize size)
    {
        var (path, sections) = ($"/sections/{Number(screen)}", screen.Snapshot.Bridge.Sections);
        var made = new MadeSection(sections[Number(screen)]);
        var drawing = ShapeView.Draw(made, screen.Units, size, path);
        var plane = drawing.Plane!;
        var name = Enumerable.Range(1, sections.Length + 1).Select(i => $"Own section {i}").First(n => sections.All(s => s.Name != n));
        var grid = screen.Units == UnitSystem.Metric ? 0.01 : 0.0127;
        return Screen.Drawn("shape", drawing) with
        {
            Plane = new(
                plane.X0,
                plane.Y0,
                plane.Scale,
                grid,
                1 / screen.Units[QuantityKind.Size].Factor,
                screen.Units[QuantityKind.Size].Symbol,
                made.Shape.Family == SectionFamily.Own ? path : null,
                name,
                $"/sections/{sections.Length}"
            ),
        };
    }
}
