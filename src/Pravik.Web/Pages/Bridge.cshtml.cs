using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Data;

namespace Pravik.Web.Pages;

/// <summary>The workspace of a bridge; its parts are filled by the screen's own modules.</summary>
public sealed class BridgeModel(ProjectStore store) : PageModel
{
    public static IReadOnlyList<string> Steps { get; } =
    ["basis", "road", "axes", "deck", "girders", "sections", "substructure", "loads", "analysis", "checks", "sheets"];

    public string ProjectId { get; private set; } = "";
    public string Name { get; private set; } = "";
    public string Step { get; private set; } = "axes";

    public async Task<IActionResult> OnGetAsync(string id, string? step)
    {
        if (await store.FindAsync(id) is not { } snapshot || (step is not null && !Steps.Contains(step)))
            return NotFound();
        (ProjectId, Name, Step) = (id, snapshot.Bridge.Name, step ?? "axes");
        return Page();
    }
}
