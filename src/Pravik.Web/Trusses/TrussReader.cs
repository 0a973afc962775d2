using Pravik.Core.Trusses;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>Reads what a page of a truss scheme shows: as it stands, or as it would be after an edit that is tried.</summary>
public sealed class TrussReader(TrussStore store, TrussRuns runs, TrussSearches searches, LibraryStore library, PictureStore pictures)
{
    /// <summary>The workspace as asked; null where there is no such scheme.</summary>
    public async Task<Workspace?> ReadAsync(string id, WorkspaceRequest request, Trial? trial, HttpRequest http)
    {
        if (await store.FindAsync(id) is not { } kept)
            return null;
        var shown = TriedEdit.On(
            kept,
            trial,
            Formats.Truss,
            (scheme, path, text) => TrussEntryReader.Read(UserUnits.For(http, scheme), path, text)
        );
        shown = shown with { Document = UserUnits.For(http, shown.Document) };
        var screen = new TrussScreen(shown, request, runs.Of(shown), searches);
        screen.HasPicture = shown.Document.Picture is { } picture && pictures.Has(picture.Hash);
        if (request.Step == "site")
            screen.Library = await library.ListAsync();
        if (request.Step == "cost" && await store.BeforeAsync(id) is { } before)
            screen.Before = TrussCost.Of(before);
        if (request.Step == "compare")
            screen.Designs = await DesignsAsync(shown.Document);
        return screen.Build();
    }

    /// <summary>Designs of the same task, or over the same opening where there is no task.</summary>
    private async Task<IReadOnlyList<TrussDesign>> DesignsAsync(TrussScheme scheme)
    {
        List<TrussDesign> designs = [];
        foreach (var listed in (await store.ListAsync()).Where(d => !d.IsDeleted))
        {
            if (await store.FindAsync(listed.Id) is not { } other || other.Document.Bars.IsEmpty || !BelongTogether(scheme, other.Document))
                continue;
            designs.Add(new(listed.Id, other.Document with { Units = scheme.Units }, runs.Of(other)));
        }
        return designs;
    }

    private static bool BelongTogether(TrussScheme a, TrussScheme b) =>
        a.Task is { } task ? b.Task?.Name == task.Name : b.Site.Opening == a.Site.Opening && b.Site.Road == a.Site.Road;
}

/// <summary>A design that is compared with others.</summary>
internal sealed record TrussDesign(string Id, TrussScheme Scheme, TrussRun Run);
