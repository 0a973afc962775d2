using System.Globalization;
using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Exchange;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Pages;

/// <summary>What a page sends of what changed: where it stands, and the parts that the browser has not got yet.</summary>
public sealed record PageChange(
    int Revision,
    string Title,
    double Station,
    string StationText,
    IReadOnlyList<double> Axes,
    IReadOnlyDictionary<string, PagePart> Parts
);

/// <summary>
/// The workspace of a document, rendered whole; and, for a page that is open, its parts that changed. Choices stand in the address.
/// </summary>
public abstract class WorkPage(PartRenderer renderer) : PageModel
{
    /// <summary>Keys of the parts, which are the ids of their elements and the names of their partials.</summary>
    private static readonly string[] Keys =
    [
        "title",
        "state",
        "steps",
        "controls",
        "layouts",
        "views",
        "table",
        "ledger",
        "bandview",
        "drawer",
    ];

    /// <summary>Header in which a browser tells the room it has: width and height of the sheet and width of the band (px).</summary>
    private const string RoomHeader = "X-Room";

    /// <summary>Cookie in which it keeps that for the next page.</summary>
    private const string RoomCookie = "pravik-room";

    /// <summary>Header with the hashes of the parts that a browser has, as JSON.</summary>
    private const string HaveHeader = "X-Have";

    /// <summary>Beginning of the addresses of the document's pages.</summary>
    public string Root { get; private set; } = "";

    /// <summary>The step that is shown where none is named.</summary>
    public abstract string FirstStep { get; }

    /// <summary>Whether parts and values can be looked for by name.</summary>
    public virtual bool HasFind => false;

    /// <summary>The page.</summary>
    public PageChange Change { get; private set; } = null!;

    /// <summary>Hashes of the parts, for the script.</summary>
    public string Have => WorkPart.Json(Change.Parts.ToDictionary(p => p.Key, p => p.Value.Hash));

    /// <summary>The room for which the drawings were made.</summary>
    public string Room { get; private set; } = "";

    /// <summary>Whether there is a step of a name.</summary>
    protected abstract bool HasStep(string step);

    /// <summary>What the document shows; null where there is none of that id.</summary>
    protected abstract Task<WorkPart?> ReadAsync(string id, WorkspaceRequest request, Trial? trial);

    /// <summary>What runs; null where there is no such document.</summary>
    protected abstract Task<RunInfo?> RunAsync(string id);

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id, string? step, WorkspaceQuery query)
    {
        if (step is not null && !HasStep(step))
            return NotFound();
        if (await ChangeAsync(id, step, query, null) is not { } change)
            return NotFound();
        Change = change;
        return Page();
    }

    /// <summary>The parts of the page that changed, as JSON; with an entry to try as they would be after it.</summary>
    public async Task<IActionResult> OnGetPartsAsync(
        string id,
        string? step,
        WorkspaceQuery query,
        string? entry,
        string? text,
        string? patch
    )
    {
        Trial? trial = null;
        if (entry is not null)
            trial = new(entry, text);
        else if (patch is not null && Json<List<PatchOperation>>(patch) is { } operations && operations.All(o => o?.Path is not null))
            trial = new("", null, operations);
        if (await ChangeAsync(id, step, query, trial) is not { } change)
            return NotFound();
        var have = Had();
        var changed = change.Parts.Where(p => have.GetValueOrDefault(p.Key) != p.Value.Hash).ToDictionary();
        return new JsonResult(change with { Parts = changed }, JsonSerializerOptions.Web);
    }

    /// <summary>What runs alone, which is asked for while it reports.</summary>
    public async Task<IActionResult> OnGetRunAsync(string id) =>
        await RunAsync(id) is { } run ? new JsonResult(run, JsonSerializerOptions.Web) : NotFound();

    private async Task<PageChange?> ChangeAsync(string id, string? step, WorkspaceQuery query, Trial? trial)
    {
        var request = InRoom(query.ToRequest() with { Step = step ?? FirstStep });
        if (await ReadAsync(id, request, trial) is not { } model)
            return null;
        Root = model.Root;
        var work = model.Work;
        var parts = new Dictionary<string, PagePart>();
        foreach (var key in Keys)
            parts[key] = await renderer.RenderAsync(PageContext, $"/Pages/Work/{key}.cshtml", model);
        return new(work.Revision, work.Name, work.Station, work.StationText, work.AxisStations, parts);
    }

    private WorkspaceRequest InRoom(WorkspaceRequest request)
    {
        Room = Request.Headers[RoomHeader].FirstOrDefault() ?? Request.Cookies[RoomCookie] ?? "";
        var told = Room.Split(['x', ' ']).Select(t => int.TryParse(t, CultureInfo.InvariantCulture, out var n) ? n : 0).ToArray();
        return told is [> 0 and var width, > 0 and var height, > 0 and var band]
            ? (
                new WorkspaceQuery
                {
                    Width = width,
                    Height = height,
                    BandWidth = band,
                }
            ).Fit(request)
            : request;
    }

    private Dictionary<string, string> Had() => Json<Dictionary<string, string>>(Request.Headers[HaveHeader].ToString()) ?? [];

    private static T? Json<T>(string text)
        where T : class
    {
        try
        {
            return JsonSerializer.Deserialize<T>(text, JsonSerializerOptions.Web);
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
