using Pravik.Data;
using Pravik.Web.Trusses;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Pages;

/// <summary>The workspace of a truss scheme.</summary>
public sealed class TrussModel(TrussStore store, TrussReader reader, TrussSearches searches, PartRenderer renderer) : WorkPage(renderer)
{
    /// <inheritdoc/>
    public override string FirstStep => "sketch";

    /// <inheritdoc/>
    protected override bool HasStep(string step) => TrussSteps.All.Any(s => s.Id == step);

    /// <inheritdoc/>
    protected override async Task<WorkPart?> ReadAsync(string id, WorkspaceRequest request, Trial? trial)
    {
        if (await reader.ReadAsync(id, request, trial, Request) is not { } work)
            return null;
        var history = request.Drawer == "history" ? await store.HistoryAsync(id) : [];
        return new(id, work, request, history, [], Author.Of(Request)) { Root = $"/trusses/{id}", Kind = "truss" };
    }

    /// <summary>Results come with the page; a search runs beside it.</summary>
    protected override async Task<RunInfo?> RunAsync(string id) => await store.FindAsync(id) is null ? null : searches.InfoOf(id);
}
