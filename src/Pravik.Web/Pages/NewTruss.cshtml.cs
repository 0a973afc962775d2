using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Entries;
using Pravik.Core.Findings;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Pages;

/// <summary>Begins a truss scheme: from nothing, a form, a copy, or a file.</summary>
public sealed class NewTrussModel(TrussStore store) : PageModel
{
    /// <summary>Name of the new scheme.</summary>
    [BindProperty, Required(ErrorMessage = "The scheme needs a name."), StringLength(120)]
    public string Name { get; set; } = "";

    /// <summary>Its opening, as typed.</summary>
    [BindProperty]
    public string? Opening { get; set; } = "40";

    /// <summary>The form with which it begins; empty for none.</summary>
    [BindProperty]
    public string? Form { get; set; }

    /// <summary>The scheme of which it is a copy; empty for none.</summary>
    [BindProperty]
    public string? Begin { get; set; }

    /// <summary>Schemes that can be copied.</summary>
    public IReadOnlyList<DocumentListed> Others { get; private set; } = [];

    /// <summary>Forms that the usual site allows.</summary>
    public static IReadOnlyList<Choice> Forms { get; } =
    [.. TrussEntries.All.First(e => e.Pattern == "/form/kind").Choices.Where(c => c.Value is not ("deckArch" or "stayed"))];

    /// <summary>What is wrong with a file.</summary>
    public IReadOnlyList<Finding> FileFindings { get; private set; } = [];

    /// <summary>Shows the page.</summary>
    public Task OnGetAsync() => FillAsync();

    /// <summary>Begins a scheme.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        var author = Author.Of(Request);
        var scheme = Begin is { Length: > 0 } id ? (await store.FindAsync(id))?.Document : Usual();
        if (scheme is null && ModelState.IsValid)
            ModelState.AddModelError(nameof(Begin), "The scheme to copy is not there any more.");
        if (!ModelState.IsValid || scheme is null)
        {
            await FillAsync();
            return Page();
        }
        scheme = scheme with { Name = Name.Trim(), Author = author };
        if (TrussValidation.Check(scheme).FirstOrDefault(f => f.Severity == Severity.Error) is { } error)
        {
            ModelState.AddModelError("", error.Message);
            await FillAsync();
            return Page();
        }
        var made = await store.CreateAsync(scheme, "Begun", null, author);
        return Redirect($"/trusses/{made.Id}/{(scheme.Bars.IsEmpty ? "site" : "sketch")}");
    }

    /// <summary>Begins a scheme from a file.</summary>
    public async Task<IActionResult> OnPostFileAsync(IFormFile? file)
    {
        ModelState.Clear();
        (var document, FileFindings) = await GivenFile.ReadAsync(file, Formats.Truss, "scheme");
        if (document is not null)
        {
            var made = await store.CreateAsync(document, $"Brought in from {file!.FileName}", null, Author.Of(Request));
            return Redirect($"/trusses/{made.Id}/sketch");
        }
        await FillAsync();
        return Page();
    }

    /// <summary>A form over a ravine as wide as typed; null where that is not understood.</summary>
    private TrussScheme? Usual()
    {
        var units = UnitSystem.Named(Request.Cookies[UserUnits.Cookie]);
        var parsed = QuantityParser.Parse(Opening ?? "", QuantityKind.Length, units);
        if (!parsed.IsValid || parsed.Value is < 4 or > 300)
        {
            ModelState.AddModelError(nameof(Opening), parsed.IsValid ? "An opening is 4 m to 300 m wide." : parsed.Error!);
            return null;
        }
        var (opening, usual) = (parsed.Value, new TrussSite());
        var part = opening / usual.Opening;
        var site = usual with
        {
            Opening = opening,
            Panels = Math.Max(2, 2 * (int)Math.Ceiling(opening / 10)),
            Ground = [.. usual.Ground.Select(g => new GroundLevel(Math.Round(part * g.X, 2), Math.Round(part * g.Z, 2)))],
        };
        var scheme = TrussScheme.New(site) with { Units = units.Name };
        if (!Enum.TryParse<FormKind>(Form, true, out var kind))
            return scheme;
        var depth = Math.Max(1, Math.Round(opening / 4) / 2);
        return TrussForms
                .Draw(
                    scheme,
                    new()
                    {
                        Kind = kind,
                        Depth = depth,
                        Rise = Math.Round(depth / 3, 1),
                    }
                )
                .Scheme
            ?? scheme;
    }

    private async Task FillAsync() => Others = [.. (await store.ListAsync()).Where(m => !m.IsDeleted)];
}
