using Pravik.Data;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Pages;

/// <summary>The workspace of a bridge.</summary>
public sealed class BridgeModel(BridgeHistory edits, WorkspaceReader reader, PartRenderer renderer) : WorkPage(renderer)
{
    /// <inheritdoc/>
    public override string FirstStep => "axes";

    /// <inheritdoc/>
    public override bool HasFind => true;

    /// <inheritdoc/>
    protected override bool HasStep(string step) => StepCatalog.All.Any(s => s.Id == step);

    /// <inheritdoc/>
    protected override async Task<WorkPart?> ReadAsync(string id, WorkspaceRequest request, Trial? trial)
    {
        if ((await reader.ReadAsync(id, request, trial, Request)).Workspace is not { } work)
            return null;
        var history = request.Drawer == "history" ? await edits.ListAsync(id) : [];
        var variants = request.Drawer == "history" ? await edits.VariantsAsync(id) : [];
        return new(id, work, request, history, variants, Author.Of(Request));
    }

    /// <inheritdoc/>
    protected override Task<RunInfo?> RunAsync(string id) => reader.RunAsync(id);
}
