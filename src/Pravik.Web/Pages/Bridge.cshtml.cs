using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Data;

namespace Pravik.Web.Pages;

/// <summary>The workspace of a bridge; its parts are filled by the screen's own modules.</summary>
public sealed class BridgeModel(ProjectStore store) : PageModel
{
    /// <summary>Ids of the steps, in their order.</summary>
    public static IReadOnlyList<string> Steps { get; } =
    ["basis", "road", "axes", "deck", "girders", "sections", "substructure", "loads", "analysis", "checks", "sheets"];

    /// <summary>The bridge.</summary>
    public string ProjectId { get; private set; } = "";

    /// <summary>Its name.</summary>
    public string Name { get; private set; } = "";

    /// <summary>The step to open at.</summary>
    public string Step { get; private set; } = "axes";

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id, string? step)
    {
        if (await store.FindAsync(id) is not { } snapshot || (step is not null && !Steps.Contains(step)))
            return NotFound();
        (ProjectId, Name, Step) = (id, snapshot.Bridge.Name, step ?? "axes");
        return Page();
    }
}
