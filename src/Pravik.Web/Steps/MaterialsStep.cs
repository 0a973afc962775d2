using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Steps;

/// <summary>Concretes of girders, slab and supports, bars, strands and steel, with their stress-strain lines.</summary>
internal sealed class MaterialsStep : IStep
{
    // As many as a bridge has at most.
    private const int MostTypes = 30;

    public string Id => "materials";

    public string Name => "Materials";

    public IReadOnlyList<StepLayout> Layouts { get; } = [new("lines", "Stress and strain")];

    /// <summary>Concretes are values of the types of girders, which are entered on the step of girders otherwise.</summary>
    public IReadOnlyList<string> Paths { get; } =
    ["/materials", .. Enumerable.Range(0, MostTypes).Select(i => $"/girders/types/{i}/concrete")];

    public SheetContent Sheet(Screen screen, string layout) =>
        new([Screen.Drawn("materials", MaterialView.Draw(screen.Snapshot.Bridge, screen.Units, screen.Whole))]);

    public Ledger Ledger(Screen screen) =>
        new("Materials", "as they are calculated with", [.. new MaterialLedger(screen.Snapshot.Bridge, screen.Rows).Groups()]);
}
