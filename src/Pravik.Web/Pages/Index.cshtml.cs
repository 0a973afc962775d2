using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Runs;

namespace Pravik.Web.Pages;

/// <summary>The start page: every bridge with its picture and state; searched, sorted, tagged, copied, put away and brought back.</summary>
public sealed class IndexModel(ProjectStore store, BridgeList list, RunQueue runs, MemberStore memberStore, TrussStore trussStore)
    : PageModel
{
    /// <summary>Text that a bridge's name, kind, tags or author must hold.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Text { get; set; }

    /// <summary>Order: <c>changed</c>, <c>name</c>, <c>length</c> or <c>state</c>.</summary>
    [BindProperty(SupportsGet = true)]
    public string Sort { get; set; } = "changed";

    /// <summary>Which bridges are shown.</summary>
    [BindProperty(SupportsGet = true)]
    public Shelf Shelf { get; set; }

    /// <summary>A bridge that was just put on another shelf, so that it can be brought back.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Moved { get; set; }

    /// <summary>The shelf from which it came.</summary>
    [BindProperty(SupportsGet = true)]
    public Shelf From { get; set; }

    /// <summary>The bridges to show.</summary>
    public IReadOnlyList<BridgeEntry> Bridges { get; private set; } = [];

    /// <summary>Members alone that belong on the shelf and hold the text that is looked for.</summary>
    public IReadOnlyList<DocumentListed> Members { get; private set; } = [];

    /// <summary>How many there are on each shelf.</summary>
    public IReadOnlyDictionary<Shelf, int> Counts { get; private set; } = new Dictionary<Shelf, int>();

    /// <summary>What was just moved.</summary>
    public BridgeEntry? MovedBridge { get; private set; }

    /// <summary>What could not be done.</summary>
    [TempData]
    public string? Problem { get; set; }

    /// <summary>Name of whoever looks.</summary>
    public string Author => Web.Author.Of(Request);

    /// <summary>A shelf in words.</summary>
    public static string Words(Shelf shelf) =>
        shelf switch
        {
            Shelf.Current => "In work",
            Shelf.Template => "Templates",
            Shelf.Archived => "Archived",
            _ => "Deleted",
        };

    /// <summary>What the checks came to, as a mark and a word that needs no colour.</summary>
    public static (string Class, string Word) State(BridgeEntry bridge) =>
        bridge.Verdict switch
        {
            Verdict.Passes => ("passes", "passes"),
            Verdict.Partly => ("partly", "passes in part"),
            Verdict.Fails => ("fails", "fails"),
            Verdict.Unchecked => ("none", "not checked"),
            Verdict.DoesNotRun => ("fault", "does not run"),
            _ => ("none", "not analysed yet"),
        };

    /// <summary>Spans in the reader's units.</summary>
    public string Spans(BridgeEntry bridge)
    {
        var units = UnitSystem.Named(Request.Cookies[UserUnits.Cookie]);
        return $"{string.Join(" + ", bridge.Spans.Select(s => units.Format(s, QuantityKind.Length)))} {units[QuantityKind.Length].Symbol}";
    }

    /// <summary>Spans of a member, kept in m, in the reader's units.</summary>
    public string Lengths(string spans)
    {
        var units = UnitSystem.Named(Request.Cookies[UserUnits.Cookie]);
        var all = spans.Split(" + ").Select(s => units.Format(double.Parse(s, CultureInfo.InvariantCulture), QuantityKind.Length));
        return $"{string.Join(" + ", all)} {units[QuantityKind.Length].Symbol}";
    }

    /// <summary>Truss schemes that belong on the shelf and hold the text that is looked for.</summary>
    public IReadOnlyList<DocumentListed> Trusses { get; private set; } = [];

    /// <summary>Deletes a truss scheme, or brings it back.</summary>
    public async Task<IActionResult> OnPostTrussAsync(string id, bool deleted)
    {
        await trussStore.DeleteAsync(id, deleted);
        return Back();
    }

    /// <summary>Deletes a member, or brings it back.</summary>
    public async Task<IActionResult> OnPostMemberAsync(string id, bool deleted)
    {
        await memberStore.DeleteAsync(id, deleted);
        return Back();
    }

    /// <summary>Bridges that are analysed for the list at once, where nothing is known of them.</summary>
    private const int MostAnalysed = 12;

    /// <summary>Shows the page.</summary>
    public async Task OnGetAsync()
    {
        var all = await list.ListAsync();
        foreach (var unknown in all.Where(b => b is { Verdict: Verdict.None, Shelf: Shelf.Current }).Take(MostAnalysed))
            await AnalyseAsync(unknown.Id);
        var (alone, schemes) = (await memberStore.ListAsync(), await trussStore.ListAsync());
        Counts = all.Select(b => b.Shelf)
            .Concat(alone.Concat(schemes).Select(ShelfOf))
            .GroupBy(s => s)
            .ToDictionary(g => g.Key, g => g.Count());
        MovedBridge = all.FirstOrDefault(b => b.Id == Moved);
        var words = (Text ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var found = all.Where(b => b.Shelf == Shelf)
            .Where(b =>
                words.All(w =>
                    $"{b.Name} {b.Kind} {b.Author} {string.Join(' ', b.Tags)} {State(b).Word}".Contains(
                        w,
                        StringComparison.OrdinalIgnoreCase
                    )
                )
            );
        Members = Found(alone, "member");
        Trusses = Found(schemes, "truss scheme");
        Bridges = Sort switch
        {
            "name" => [.. found.OrderBy(b => b.Name, StringComparer.CurrentCultureIgnoreCase)],
            "length" => [.. found.OrderByDescending(b => b.Spans.Sum())],
            "state" => [.. found.OrderBy(b => StateOrder(b.Verdict)).ThenByDescending(b => b.ChangedAt)],
            _ => [.. found],
        };
    }

    private IReadOnlyList<DocumentListed> Found(IReadOnlyList<DocumentListed> of, string kind)
    {
        var words = (Text ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return
        [
            .. of.Where(m =>
                Shelf == ShelfOf(m) && words.All(w => $"{m.Name} {m.Author} {kind}".Contains(w, StringComparison.OrdinalIgnoreCase))
            ),
        ];
    }

    private static Shelf ShelfOf(DocumentListed member) => member.IsDeleted ? Shelf.Deleted : Shelf.Current;

    /// <summary>Makes a copy of a bridge as it stands.</summary>
    public Task<IActionResult> OnPostCopyAsync(string id) => CopyAsync(id, Shelf.Current, "copy");

    /// <summary>Makes a template of a bridge as it stands; the bridge itself stays.</summary>
    public Task<IActionResult> OnPostTemplateAsync(string id) => CopyAsync(id, Shelf.Template, "template");

    /// <summary>Gives a bridge another name.</summary>
    public async Task<IActionResult> OnPostRenameAsync(string id, string? name)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        PatchOperation[] patch = [new("replace", "/name", BridgeJson.Node((name ?? "").Trim()))];
        var outcome = await store.EditAsync(id, snapshot.Revision, patch, $"Renamed “{(name ?? "").Trim()}”", Author);
        Problem = outcome?.Refusals.FirstOrDefault()?.Message;
        if (outcome?.Snapshot is { } now)
            await runs.FollowAsync(id, now, outcome);
        return Back();
    }

    /// <summary>Sets the tags of a bridge.</summary>
    public async Task<IActionResult> OnPostTagAsync(string id, string? tags)
    {
        await list.TagAsync(id, tags ?? "");
        return Back();
    }

    /// <summary>Puts a bridge on another shelf: archives or deletes it, or brings it back.</summary>
    public async Task<IActionResult> OnPostPutAsync(string id, Shelf to)
    {
        var from = (await list.ListAsync()).FirstOrDefault(b => b.Id == id)?.Shelf ?? Shelf.Current;
        await list.PutAsync(id, to);
        return RedirectToPage(
            new
            {
                Text,
                Sort,
                Shelf,
                moved = id,
                from,
            }
        );
    }

    /// <summary>Keeps the name of whoever looks.</summary>
    public IActionResult OnPostAuthor(string? author)
    {
        Web.Author.Keep(Response, author ?? "");
        return Back();
    }

    private async Task AnalyseAsync(string id)
    {
        try
        {
            if (await store.FindAsync(id) is { } snapshot)
                await runs.RequestAsync(id, snapshot.Revision, snapshot.Bridge);
        }
        catch (UnreadableBridgeException)
        {
            // It says so where it is opened; the others are listed.
        }
    }

    private async Task<IActionResult> CopyAsync(string id, Shelf shelf, string word)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        const int longest = 120;
        var name = $"{snapshot.Bridge.Name}, {word}";
        var bridge = snapshot.Bridge with { Name = name.Length <= longest ? name : name[..longest] };
        var made = await store.CreateAsync(
            bridge,
            $"Copied from {snapshot.Bridge.Name}, edit {snapshot.Revision}",
            null,
            Author,
            shelf == Shelf.Template
        );
        if (shelf != Shelf.Current)
            await list.PutAsync(made.ProjectId, shelf);
        await runs.RequestAsync(made.ProjectId, made.Revision, made.Bridge);
        return RedirectToPage(new { shelf });
    }

    private RedirectToPageResult Back() =>
        RedirectToPage(
            new
            {
                Text,
                Sort,
                Shelf,
            }
        );

    private static int StateOrder(string verdict) =>
        verdict switch
        {
            Verdict.Fails => 0,
            Verdict.DoesNotRun => 1,
            Verdict.None => 2,
            Verdict.Unchecked => 3,
            Verdict.Partly => 4,
            _ => 5,
        };
}
