using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.LoneMembers;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Web.Runs;

namespace Pravik.Web.Pages;

/// <summary>A girder in a span, as it can be kept.</summary>
/// <param name="Which">Girder and span from 1, as a form sends them.</param>
/// <param name="Girder">Its name.</param>
/// <param name="Span">The span, from 1.</param>
/// <param name="Utilisation">The greatest of its checks.</param>
/// <param name="Refusal">Why it cannot be kept; null where it can.</param>
public sealed record KeptGirder(string Which, string Girder, int Span, string Utilisation, string? Refusal);

/// <summary>Keeps girders of a bridge as members alone.</summary>
public sealed class AsMembersModel(ProjectStore store, MemberStore members, RunQueue runs) : PageModel
{
    private const string OfSlab = "slab-";

    /// <summary>The bridge.</summary>
    public string ProjectId { get; private set; } = "";

    /// <summary>Its name.</summary>
    public string Name { get; private set; } = "";

    /// <summary>Every girder in every span; none while there are no current results.</summary>
    public IReadOnlyList<KeptGirder> Girders { get; private set; } = [];

    /// <summary>How the analysis stands for which the page waits; null for none.</summary>
    public RunState? Awaited { get; private set; }

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        (ProjectId, Name) = (id, snapshot.Bridge.Name);
        var current = await CurrentResults.OfAsync(runs, id, snapshot);
        Awaited = current.Awaited;
        if (current.Results is { Outcomes.IsEmpty: false } results)
            Girders = [.. All(new(snapshot.Bridge), results)];
        return Page();
    }

    /// <summary>Keeps a girder, and opens it.</summary>
    public async Task<IActionResult> OnPostAsync(string id, string? which)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        var geometry = new BridgeGeometry(snapshot.Bridge);
        if (which?.StartsWith(OfSlab, StringComparison.Ordinal) == true)
        {
            var slab = runs.Kept(snapshot.Bridge)?.Slabs.FirstOrDefault(x => $"{OfSlab}{x.Span.Number}" == which);
            return slab is null ? RedirectToPage(new { id }) : await KeepAsync(slab.Run.Member, snapshot);
        }
        if (
            which?.Split('-') is not [var g, var s]
            || !int.TryParse(g, out var girder)
            || !int.TryParse(s, out var span)
            || girder < 1
            || girder > geometry.Girders.Length
            || span < 1
            || span > geometry.SpanCount
            || runs.Kept(snapshot.Bridge) is not { Outcomes.IsEmpty: false } results
            || GirderAlone.Refusal(geometry, girder - 1, span - 1) is not null
        )
            return RedirectToPage(new { id });
        return await KeepAsync(GirderAlone.Of(geometry, results, girder - 1, span - 1), snapshot);
    }

    private async Task<IActionResult> KeepAsync(LoneMember member, Snapshot snapshot)
    {
        var made = await members.CreateAsync(
            member,
            $"Kept from {snapshot.Bridge.Name}, edit {snapshot.Revision}",
            null,
            Author.Of(Request)
        );
        return Redirect($"/members/{made.Id}/checks");
    }

    private static IEnumerable<KeptGirder> All(BridgeGeometry geometry, BridgeResults results)
    {
        foreach (var girder in geometry.Girders)
        {
            foreach (var span in geometry.SpanIndices)
            {
                GirderIndex number = girder.Number - 1;
                var here = Enumerable
                    .Range(0, results.Points.Length)
                    .Where(i => results.Points[i].Girder == number && results.Points[i].Span == span);
                yield return new(
                    $"{girder.Number}-{span.Number}",
                    girder.Name,
                    span.Number,
                    QuantityText.Fixed(here.Select(results.UtilisationAt).DefaultIfEmpty(0).Max(), 2),
                    GirderAlone.Refusal(geometry, number, span)
                );
            }
        }
        foreach (var slab in results.Slabs)
            yield return new(
                $"{OfSlab}{slab.Span.Number}",
                "Slab across",
                slab.Span.Number,
                QuantityText.Fixed(slab.Governing?.Utilisation ?? 0, 2),
                null
            );
    }
}
