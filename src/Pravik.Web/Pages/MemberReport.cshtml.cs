using System.Collections.Immutable;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.LoneMembers;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings.Reports;
using Pravik.Web.Members;
using Pravik.Web.Reports;

namespace Pravik.Web.Pages;

/// <summary>The report on a member alone, to be read and printed.</summary>
public sealed class MemberReportModel(MemberStore store, MemberRuns runs) : PageModel
{
    /// <summary>Its name in addresses.</summary>
    public string MemberId { get; private set; } = "";

    /// <summary>The member as it stands.</summary>
    public LoneMember Member { get; private set; } = null!;

    /// <summary>The edit at which it stands.</summary>
    public int Revision { get; private set; }

    /// <summary>Why there is no report.</summary>
    public string Why { get; private set; } = "";

    /// <summary>The report in order; null while something stands in the way.</summary>
    public ImmutableArray<ReportBlock>? Blocks { get; private set; }

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        (MemberId, Member, Revision) = (id, snapshot.Document, snapshot.Revision);
        (var run, Why) = runs.Of(snapshot);
        if (run is not null)
            Blocks = new MemberReport(run, UnitSystem.Named(UserUnits.For(Request, Member).Basis.Units), snapshot.Findings).Blocks;
        return Page();
    }
}
