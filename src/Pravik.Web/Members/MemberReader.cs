using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Members;

/// <summary>Reads what a page of a member shows: as it stands, or as it would be after an edit that is tried.</summary>
public sealed class MemberReader(MemberStore store, MemberRuns runs)
{
    /// <summary>The workspace as asked; null where there is no such member.</summary>
    public async Task<Workspace?> ReadAsync(string id, WorkspaceRequest request, Trial? trial, HttpRequest http)
    {
        if (await store.FindAsync(id) is not { } kept)
            return null;
        var shown = trial is null ? kept : Tried(kept, trial, http) ?? kept;
        return new MemberScreen(shown with { Document = UserUnits.For(http, shown.Document) }, runs, request).Build();
    }

    private static DocumentSnapshot<LoneMember>? Tried(DocumentSnapshot<LoneMember> kept, Trial trial, HttpRequest http)
    {
        var reading = trial.Patch is null ? MemberEntryReader.Read(UserUnits.For(http, kept.Document), trial.Path, trial.Text) : null;
        if (reading?.Error is not null)
            return null;
        var edited = Formats.Member.Edit(Formats.Member.Node(kept.Document), trial.Patch ?? reading!.Patch);
        return edited.Document is { } member && edited.Findings.All(f => f.Severity < Severity.Error)
            ? kept with
            {
                Document = member,
                Findings = edited.Findings,
            }
            : null;
    }
}
