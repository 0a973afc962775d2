using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.Rendering;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.Validation;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Pages;

/// <summary>The list of bridges, a form for a new one, and one for a file.</summary>
public sealed class IndexModel(ProjectStore store) : PageModel
{
    /// <summary>Name of the new bridge.</summary>
    [BindProperty, Required(ErrorMessage = "The bridge needs a name."), StringLength(120)]
    public string Name { get; set; } = "";

    /// <summary>Its national set.</summary>
    [BindProperty, Display(Name = "National set")]
    public string NationalSet { get; set; } = NationalValues.Recommended;

    /// <summary>Its units.</summary>
    [BindProperty]
    public string Units { get; set; } = "metric";

    /// <summary>All bridges.</summary>
    public IReadOnlyList<ProjectEntry> Projects { get; private set; } = [];

    /// <summary>What was wrong with a file.</summary>
    public IReadOnlyList<Finding> FileFindings { get; private set; } = [];

    /// <summary>National sets that can be chosen.</summary>
    public IEnumerable<SelectListItem> Sets => NationalValues.Names.Select(n => new SelectListItem(n, n));

    /// <summary>Shows the page.</summary>
    public async Task OnGetAsync() => Projects = await store.ListAsync();

    /// <summary>Takes what the form holds.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        Projects = await store.ListAsync();
        if (!ModelState.IsValid)
            return Page();
        var bridge = Bridge.New(Name.Trim()) with
        {
            Basis = new()
            {
                NationalSet = NationalSet,
                Units = Units,
                Titles = new() { Project = Name.Trim()[..Math.Min(80, Name.Trim().Length)] },
            },
        };
        foreach (var finding in BridgeValidation.Check(bridge).Where(f => f.Severity == Severity.Error))
            ModelState.AddModelError("", finding.Message);
        if (!ModelState.IsValid)
            return Page();
        var snapshot = await store.CreateAsync(bridge, "Begun");
        return Redirect($"/bridges/{snapshot.ProjectId}/basis");
    }

    /// <summary>Takes a file.</summary>
    public async Task<IActionResult> OnPostFileAsync(IFormFile? file)
    {
        ModelState.Clear();
        Projects = await store.ListAsync();
        if (file is null || file.Length == 0)
            FileFindings = [Finding.Error("", "Choose a file first.")];
        else if (file.Length > BridgeJson.LongestDocument)
            FileFindings = [Finding.Error("", "The file is too large to be a bridge.")];
        else
        {
            using var reader = new StreamReader(file.OpenReadStream());
            var reading = BridgeJson.Read(await reader.ReadToEndAsync());
            if (reading.Bridge is { } bridge)
                return Redirect($"/bridges/{(await store.CreateAsync(bridge, "Brought in from a file")).ProjectId}/axes");
            FileFindings = [.. reading.Errors];
        }
        return Page();
    }
}
