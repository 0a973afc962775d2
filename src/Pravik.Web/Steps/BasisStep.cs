using Pravik.Web.Ledgers;

namespace Pravik.Web.Steps;

/// <summary>What the project is built on.</summary>
internal sealed class BasisStep : IStep
{
    public string Id => "basis";

    public string Name => "Basis";

    public IReadOnlyList<StepLayout> Layouts { get; } = [new("sheet", "General arrangement")];

    public IReadOnlyList<string> Paths { get; } = ["/basis", "/name"];

    public SheetContent Sheet(Screen screen, string layout) => SheetsStep.Arrangement(screen);

    public Ledger Ledger(Screen screen) => new BasisLedger(screen.Snapshot.Bridge, screen.Rows, screen.Around.Library).Make();
}
