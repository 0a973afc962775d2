using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings.Reports;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Web.Members;
using Pravik.Web.Reports;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Endpoints;

/// <summary>Members alone: what documents answer, and their results, report and tables.</summary>
internal static class MemberEndpoints
{
    private static readonly DocumentEndpoints<LoneMember> Documents = new(
        "members",
        "member",
        "spans",
        Formats.Member,
        (http, member, path, text) => MemberEntryReader.Read(UserUnits.For(http, member), path, text)
    );

    public static void Map(WebApplication app)
    {
        var member = Documents.Map(app);
        member.MapGet("/results.json", Summary);
        member.MapGet("/report.pdf", Report);
        member.MapGet("/table.txt", Table);
    }

    /// <summary>What the checks say, as the command line writes it.</summary>
    private static async Task<IResult> Summary(string id, MemberStore store, MemberRuns runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        var (run, why) = runs.Of(snapshot);
        return run is null ? Answers.Refused(Finding.Error("", why)) : Results.Text(MemberSummary.Of(run).Write(), "application/json");
    }

    /// <summary>The report on a member as it stands, on pages.</summary>
    private static async Task<IResult> Report(string id, HttpRequest http, MemberStore store, MemberRuns runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        var (run, why) = runs.Of(snapshot);
        if (run is null)
            return Answers.Refused(Finding.Error("", why));
        var units = UnitSystem.Named(UserUnits.For(http, snapshot.Document).Basis.Units);
        var frame = ReportParts.Frame(snapshot.Document.Name, snapshot.Document.Basis.Titles, snapshot.Revision);
        var pages = ReportPages.Of(frame, new MemberReport(run, units, snapshot.Findings).Blocks);
        return Results.File(PdfWriter.Write(snapshot.Document.Name, pages), "application/pdf", $"{id}-report.pdf");
    }

    /// <summary>The table that a step shows, all rows of it, as text with tabs between columns.</summary>
    private static async Task<IResult> Table(string id, [AsParameters] WorkspaceQuery query, HttpRequest http, MemberReader reader)
    {
        var request = query.ToRequest();
        if (await reader.ReadAsync(id, request with { Rows = 100_000 }, null, http) is not { } work)
            return Documents.Missing(id);
        return Answers.TableText(work.Table);
    }
}
