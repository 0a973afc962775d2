using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.Rendering;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.Validation;
using Pravik.Data;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Exchange.LandXml;
using Pravik.Web.Endpoints;

namespace Pravik.Web.Pages;

/// <summary>Something from which a bridge can begin: its name in the form, what it is, and its picture.</summary>
public sealed record Beginning(string Id, string Name, string Kind, string Picture);

/// <summary>Begins a bridge: from nothing, from a template, as a copy, or from a file.</summary>
[RequestSizeLimit(RoadUploads.LongestFile)]
[RequestFormLimits(MultipartBodyLengthLimit = RoadUploads.LongestFile)]
public sealed class NewModel(ProjectStore store, BridgeList list, Starters starters, RoadUploads uploads, GroundStore grounds) : PageModel
{
    private const string Shipped = "shipped:";
    private const string Kept = "kept:";

    /// <summary>Name of the new bridge.</summary>
    [BindProperty, Required(ErrorMessage = "The bridge needs a name."), StringLength(120)]
    public string Name { get; set; } = "";

    /// <summary>From what it begins: empty for nothing, else a template or a bridge.</summary>
    [BindProperty]
    public string? Begin { get; set; }

    /// <summary>Its national set; empty for that of what it begins from.</summary>
    [BindProperty, Display(Name = "National set")]
    public string? NationalSet { get; set; }

    /// <summary>Its units; empty for those of what it begins from.</summary>
    [BindProperty]
    public string? Units { get; set; }

    /// <summary>Templates that ship, then those of the office.</summary>
    public IReadOnlyList<Beginning> Templates { get; private set; } = [];

    /// <summary>Bridges that can be copied.</summary>
    public IReadOnlyList<BridgeEntry> Others { get; private set; } = [];

    /// <summary>What was wrong with a file.</summary>
    public IReadOnlyList<Finding> FileFindings { get; private set; } = [];

    /// <summary>National sets that can be chosen.</summary>
    public IEnumerable<SelectListItem> Sets => NationalValues.Names.Select(n => new SelectListItem(n, n));

    /// <summary>Shows the page.</summary>
    public Task OnGetAsync() => FillAsync();

    /// <summary>Begins a bridge.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        await FillAsync();
        var (from, words) = await BeginningAsync();
        if (from is null)
            ModelState.AddModelError("", "What the bridge was to begin from is not there any more.");
        if (!ModelState.IsValid)
            return Page();
        var name = Name.Trim();
        var bridge = from! with
        {
            Name = name,
            Basis = from.Basis with
            {
                NationalSet = string.IsNullOrEmpty(NationalSet) ? from.Basis.NationalSet : NationalSet,
                Units = string.IsNullOrEmpty(Units) ? from.Basis.Units : Units,
                Titles = from.Basis.Titles with { Project = name[..Math.Min(80, name.Length)] },
            },
        };
        foreach (var finding in BridgeValidation.Check(bridge).Where(f => f.Severity == Severity.Error))
            ModelState.AddModelError("", finding.Message);
        if (!ModelState.IsValid)
            return Page();
        var snapshot = await store.CreateAsync(bridge, words, null, Author.Of(Request), isAssumed: true);
        return Redirect($"/bridges/{snapshot.ProjectId}/basis");
    }

    /// <summary>Begins a bridge from a file: a bridge as JSON, or a road as LandXML.</summary>
    public async Task<IActionResult> OnPostFileAsync(IFormFile? file)
    {
        ModelState.Clear();
        await FillAsync();
        if (file is null || file.Length == 0)
        {
            FileFindings = [Finding.Error("", "Choose a file first.")];
            return Page();
        }
        using var reader = new StreamReader(file.OpenReadStream());
        var isXml = (char)reader.Peek() == '<' || file.FileName.EndsWith(".xml", StringComparison.OrdinalIgnoreCase);
        if (isXml)
            return await FromRoadAsync(file);
        if (file.Length > BridgeJson.LongestDocument)
        {
            FileFindings = [Finding.Error("", "The file is too large to be a bridge.")];
            return Page();
        }
        var reading = BridgeJson.Read(await reader.ReadToEndAsync());
        if (reading.Bridge is { } bridge)
        {
            var made = await store.CreateAsync(bridge, "Brought in from a file", null, Author.Of(Request));
            return Redirect($"/bridges/{made.ProjectId}/axes");
        }
        FileFindings = [.. reading.Errors];
        return Page();
    }

    /// <summary>A new bridge half way along the first road of a LandXML file, with its ground.</summary>
    private async Task<IActionResult> FromRoadAsync(IFormFile file)
    {
        await using var stream = file.OpenReadStream();
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(HttpContext.RequestAborted);
        limit.CancelAfter(RoadUploads.LongestReading);
        RoadFile read;
        try
        {
            (_, read) = await Task.Run(() => uploads.Take(Path.GetFileName(file.FileName), stream, limit.Token), limit.Token);
        }
        catch (OperationCanceledException)
        {
            FileFindings = [Finding.Error("", $"It could not be read within {RoadUploads.LongestReading.TotalSeconds:0} seconds.")];
            return Page();
        }
        if (read.Alignments.FirstOrDefault(a => a.Road is not null) is not { Road: { } road } first)
        {
            FileFindings = [.. read.Findings.DefaultIfEmpty(Finding.Error("", "The file holds no road."))];
            return Page();
        }
        var fresh = Bridge.New($"Bridge on {first.Name}");
        var bridge = RoadBeginning.On(fresh, road, read.Grounds.FirstOrDefault(), grounds);
        var errors = BridgeValidation.Check(bridge).Where(f => f.Severity == Severity.Error).ToList();
        if (errors.Count > 0)
        {
            FileFindings = errors;
            return Page();
        }
        var made = await store.CreateAsync(
            bridge,
            $"Created on {first.Name} of {Path.GetFileName(file.FileName)}",
            null,
            Author.Of(Request),
            true
        );
        return Redirect($"/bridges/{made.ProjectId}/road");
    }

    private async Task<(Bridge? Bridge, string Words)> BeginningAsync()
    {
        if (string.IsNullOrEmpty(Begin))
            return (Bridge.New(Name), "Created from nothing");
        if (Begin.StartsWith(Shipped, StringComparison.Ordinal))
        {
            var starter = starters.Templates.FirstOrDefault(t => Shipped + t.Id == Begin);
            return (starter?.Bridge, $"Created from the template {starter?.Bridge.Name}");
        }
        var kept = await store.FindAsync(Begin.StartsWith(Kept, StringComparison.Ordinal) ? Begin[Kept.Length..] : Begin);
        return (kept?.Bridge, $"Created as a copy of {kept?.Bridge.Name}, edit {kept?.Revision}");
    }

    private async Task FillAsync()
    {
        var all = await list.ListAsync();
        Others = [.. all.Where(b => b.Shelf == Shelf.Current)];
        Templates =
        [
            .. starters.Templates.Select(t => new Beginning(
                Shipped + t.Id,
                t.Bridge.Name,
                BridgeDescription.Kind(t.Bridge),
                $"data:image/svg+xml,{Uri.EscapeDataString(SvgWriter.Inline(FileEndpoints.PictureOf(t.Bridge, null)))}"
            )),
            .. all.Where(b => b.Shelf == Shelf.Template)
                .Select(b => new Beginning(Kept + b.Id, b.Name, b.Kind, $"/api/bridges/{b.Id}/picture.svg?revision={b.Revision}")),
        ];
    }
}
