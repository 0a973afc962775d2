using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Pages;

/// <summary>The printable calculation of one check.</summary>
public sealed class CalculationModel(ProjectStore store, RunQueue runs) : PageModel
{
    /// <summary>The bridge.</summary>
    public string ProjectId { get; private set; } = "";

    /// <summary>The bridge as it stands.</summary>
    public Bridge Bridge { get; private set; } = null!;

    /// <summary>The edit at which it stands.</summary>
    public int Revision { get; private set; }

    /// <summary>The lines shown.</summary>
    public Calculation? Calculation { get; private set; }

    /// <summary>What applies and was not checked.</summary>
    public string NotChecked { get; private set; } = "";

    /// <summary>How the analysis stands for which the page waits; null for none.</summary>
    public RunState? Awaited { get; private set; }

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id, int girder, int span, int point, string? check)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        (ProjectId, Bridge, Revision) = (id, snapshot.Bridge, snapshot.Revision);
        var current = await CurrentResults.OfAsync(runs, id, snapshot);
        Awaited = current.Awaited;
        if (current.Results is { } results && results.Find($"/parts/results/{girder}/{span}/{point}/{check}") is { } outcome)
        {
            var units = UnitSystem.Named(UserUnits.For(Request, Bridge).Basis.Units);
            NotChecked = CheckWords.Missing(results.NotChecked);
            Calculation = new ResultViews(new BridgeGeometry(Bridge), results, units).Calculate(outcome);
        }
        return Page();
    }
}
