using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Pages;

/// <summary>The printable report that sets line girders, grillage and shells side by side.</summary>
public sealed class ModelsModel(ProjectStore store, RunQueue runs) : PageModel
{
    /// <summary>The bridge.</summary>
    public string ProjectId { get; private set; } = "";

    /// <summary>The bridge as it stands.</summary>
    public Bridge Bridge { get; private set; } = null!;

    /// <summary>The edit at which it stands.</summary>
    public int Revision { get; private set; }

    /// <summary>Units of the reader.</summary>
    public UnitSystem Units { get; private set; } = UnitSystem.Metric;

    /// <summary>The three models side by side; null until they are worked out.</summary>
    public ModelComparison? Comparison { get; private set; }

    /// <summary>For every load and effect the value that is greatest in the grillage.</summary>
    public IEnumerable<ComparedValue> Greatest =>
        Comparison!.Values.GroupBy(v => (v.Load, v.Effect)).Select(g => g.MaxBy(v => Math.Abs(v.Grillage))!).Where(v => v.Greatest > 0);

    /// <summary>A compared value in its unit.</summary>
    public string Show(ComparedValue value, double of) => ModelViews.Show(value, of, Units);

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        (ProjectId, Bridge, Revision) = (id, snapshot.Bridge, snapshot.Revision);
        Units = UnitSystem.Named(UserUnits.For(Request, Bridge).Basis.Units);
        if (runs.Compared(id) is { } compared && compared.Hash == InputHash.Of(snapshot.Bridge))
            Comparison = compared.Comparison;
        return Page();
    }
}
