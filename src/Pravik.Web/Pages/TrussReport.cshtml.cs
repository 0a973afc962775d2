using System.Collections.Immutable;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings.Reports;
using Pravik.Web.Reports;
using Pravik.Web.Trusses;

namespace Pravik.Web.Pages;

/// <summary>The report on a truss scheme, to be read and printed.</summary>
public sealed class TrussReportModel(TrussStore store, TrussRuns runs) : PageModel
{
    /// <summary>Its name in addresses.</summary>
    public string TrussId { get; private set; } = "";

    /// <summary>The scheme as it stands.</summary>
    public TrussScheme Scheme { get; private set; } = null!;

    /// <summary>The edit at which it stands.</summary>
    public int Revision { get; private set; }

    /// <summary>What stands at the head of pages: a scheme has an author in place of an office.</summary>
    public Titles Titles => TitlesOf(Scheme);

    /// <summary>The report in order.</summary>
    public ImmutableArray<ReportBlock> Blocks { get; private set; }

    internal static Titles TitlesOf(TrussScheme scheme) => new() { Office = scheme.Author, Issue = "" };

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id)
    {
        if (await store.FindAsync(id) is not { } kept)
            return NotFound();
        var snapshot = kept with { Document = UserUnits.For(Request, kept.Document) };
        (TrussId, Scheme, Revision) = (id, snapshot.Document, snapshot.Revision);
        Blocks = new TrussReport(runs.Of(snapshot), UnitSystem.Named(Scheme.Units), snapshot.Findings).Blocks;
        return Page();
    }
}
