using Pravik.Data;
using Pravik.Web.Members;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Pages;

/// <summary>The workspace of a member alone.</summary>
public sealed class MemberModel(MemberStore store, MemberReader reader, PartRenderer renderer) : WorkPage(renderer)
{
    /// <inheritdoc/>
    public override string FirstStep => "spans";

    /// <inheritdoc/>
    protected override bool HasStep(string step) => MemberSteps.All.Any(s => s.Id == step);

    /// <inheritdoc/>
    protected override async Task<WorkPart?> ReadAsync(string id, WorkspaceRequest request, Trial? trial)
    {
        if (await reader.ReadAsync(id, request, trial, Request) is not { } work)
            return null;
        var history = request.Drawer == "history" ? await store.HistoryAsync(id) : [];
        return new(id, work, request, history, [], Author.Of(Request)) { Root = $"/members/{id}", Kind = "member" };
    }

    /// <summary>Members are worked out with the page: nothing runs beside it.</summary>
    protected override async Task<RunInfo?> RunAsync(string id) =>
        await store.FindAsync(id) is null ? null : new RunInfo("done", 0, "", false);
}
