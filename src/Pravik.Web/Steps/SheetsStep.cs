using Pravik.Drawings.Sheets;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>Sheets to print, and quantities.</summary>
internal sealed class SheetsStep : IStep
{
    public string Id => "sheets";

    public string Name => "Sheets";

    public bool HasValues => false;

    public IReadOnlyList<StepLayout> Layouts { get; } = [new("sheet", "General arrangement"), new("quantities", "Quantities")];

    public IReadOnlyList<string> Paths { get; } = ["/costs"];

    public SheetContent Sheet(Screen screen, string layout) =>
        layout == "quantities"
            ? new([], BillTables.Show(screen.Bill, screen.Units, screen.Snapshot.Bridge.Costs.Currency))
            : Arrangement(screen);

    public Ledger Ledger(Screen screen) => new SheetsLedger(screen.Rows).Make(screen.Bill);

    public StepState State(Screen screen) => new(Id, Name, "good", "in order");

    /// <summary>The general arrangement as it would be printed now.</summary>
    internal static SheetContent Arrangement(Screen screen)
    {
        var (results, today) = (screen.IsCurrent ? screen.Latest?.Results : null, DateTime.Now.ToString("yyyy-MM-dd"));
        return new([Screen.Drawn("sheet", GeneralArrangement.Draw(screen.Geometry, screen.Ground, screen.Units, results, today))]);
    }
}
