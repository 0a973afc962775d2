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
        var shown = TriedEdit.On(
            kept,
            trial,
            Formats.Member,
            (member, path, text) => MemberEntryReader.Read(UserUnits.For(http, member), path, text)
        );
        return new MemberScreen(shown with { Document = UserUnits.For(http, shown.Document) }, runs, request).Build();
    }
}
