using System.Collections.Immutable;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings.Reports;
using Pravik.Web.Endpoints;
using Pravik.Web.Reports;
using Pravik.Web.Runs;

namespace Pravik.Web.Pages;

/// <summary>The report on a bridge, to be read and printed.</summary>
public sealed class ReportModel(ProjectStore store, GroundStore grounds, RunQueue runs) : PageModel
{
    /// <summary>The bridge.</summary>
    public string ProjectId { get; private set; } = "";

    /// <summary>The bridge as it stands.</summary>
    public Bridge Bridge { get; private set; } = null!;

    /// <summary>The edit at which it stands.</summary>
    public int Revision { get; private set; }

    /// <summary>The report in order; null while there are no current results.</summary>
    public ImmutableArray<ReportBlock>? Blocks { get; private set; }

    /// <summary>How the analysis stands for which the page waits; null for none.</summary>
    public RunState? Awaited { get; private set; }

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        (ProjectId, Bridge, Revision) = (id, snapshot.Bridge, snapshot.Revision);
        var units = UnitSystem.Named(UserUnits.For(Request, Bridge).Basis.Units);
        var current = await CurrentResults.OfAsync(runs, id, snapshot);
        Awaited = current.Awaited;
        if (current.Results is { } results)
            Blocks = new BridgeReport(
                new BridgeGeometry(Bridge),
                Answers.GroundOf(snapshot, grounds),
                results,
                units,
                snapshot.Findings
            ).Blocks;
        return Page();
    }
}
