using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>The deck: patterns of its cross-section, units, parapets.</summary>
internal sealed class DeckStep : IStep
{
    public string Id => "deck";

    public string Name => "Deck";

    public IReadOnlyList<StepLayout> Layouts { get; } =
    [new("sectionPlan", "Section and plan"), new("section", "Section"), new("plan", "Plan"), new("model", "3D")];

    public IReadOnlyList<string> Paths { get; } = ["/deck", "/parapets", "/profiles"];

    public SheetContent Sheet(Screen screen, string layout)
    {
        ViewPart Section(ViewSize size) => Preview(screen, size) ?? screen.Section(size);
        return layout switch
        {
            "section" => new([Section(screen.Whole)]),
            "plan" => new([screen.Plan(screen.Whole)]),
            "model" => new([Screen.InSpace]),
            _ => new([Section(screen.Half), screen.Plan(screen.Half)]),
        };
    }

    public Ledger Ledger(Screen screen) =>
        new DeckLedger(screen.Snapshot.Bridge, screen.Geometry, screen.Rows, screen.Station, screen.Around.Library).Make(screen.Pick);

    /// <summary>The section as it would be with the pattern that is opened, where the unit at the cursor has another; else null.</summary>
    private static ViewPart? Preview(Screen screen, ViewSize size)
    {
        var unit = screen.Geometry.UnitAt(screen.Station);
        if (DeckLedger.ShownPattern(screen.Snapshot.Bridge.Deck, screen.Pick) is not { } shown || shown == unit.PatternIndex)
            return null;
        var (deck, name) = (screen.Snapshot.Bridge.Deck, screen.Snapshot.Bridge.Deck.Patterns[shown].Name);
        var bridge = screen.Snapshot.Bridge with
        {
            Parapets = [],
            Deck = deck with { Units = deck.Units.SetItem(unit.Key, new() { Name = unit.Own.Name, Pattern = name }) },
        };
        return Screen.Drawn("section", SectionView.Draw(new(bridge), screen.Units, size, screen.Station, screen.Pick)) with
        {
            Title = $"Preview of “{name}”",
        };
    }
}
