using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Pages;

/// <summary>Begins a member alone: from nothing, as a copy, or from a file.</summary>
public sealed class NewMemberModel(MemberStore store) : PageModel
{
    /// <summary>Name of the new member.</summary>
    [BindProperty, Required(ErrorMessage = "The member needs a name."), StringLength(120)]
    public string Name { get; set; } = "";

    /// <summary>Its spans, as typed.</summary>
    [BindProperty]
    public string? Spans { get; set; } = "10";

    /// <summary>The member of which it is a copy; empty for none.</summary>
    [BindProperty, Display(Name = "Begin as")]
    public string? Begin { get; set; }

    /// <summary>Members that can be copied.</summary>
    public IReadOnlyList<DocumentListed> Others { get; private set; } = [];

    /// <summary>What is wrong with a file.</summary>
    public IReadOnlyList<Finding> FileFindings { get; private set; } = [];

    /// <summary>Shows the page.</summary>
    public Task OnGetAsync() => FillAsync();

    /// <summary>Begins a member.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        var member = Begin is { Length: > 0 } id ? (await store.FindAsync(id))?.Document : Usual();
        if (member is null && ModelState.IsValid)
            ModelState.AddModelError(nameof(Begin), "The member to copy is not there any more.");
        if (!ModelState.IsValid || member is null)
        {
            await FillAsync();
            return Page();
        }
        member = member with { Name = Name.Trim() };
        if (LoneValidation.Check(member).FirstOrDefault(f => f.Severity == Severity.Error) is { } error)
        {
            ModelState.AddModelError("", error.Message);
            await FillAsync();
            return Page();
        }
        var made = await store.CreateAsync(member, "Begun", null, Author.Of(Request));
        return Redirect($"/members/{made.Id}/spans");
    }

    /// <summary>Begins a member from a file.</summary>
    public async Task<IActionResult> OnPostFileAsync(IFormFile? file)
    {
        ModelState.Clear();
        (var document, FileFindings) = await GivenFile.ReadAsync(file, Formats.Member, "member");
        if (document is not null)
        {
            var made = await store.CreateAsync(document, $"Brought in from {file!.FileName}", null, Author.Of(Request));
            return Redirect($"/members/{made.Id}/spans");
        }
        await FillAsync();
        return Page();
    }

    /// <summary>A rectangle a twelfth of its longest span deep, with bars and links; null where the spans are not understood.</summary>
    private LoneMember? Usual()
    {
        var units = UnitSystem.Named(Request.Cookies[UserUnits.Cookie]);
        var (spans, error) = EntryReader.ReadSpans(Spans ?? "", units);
        if (error is not null)
        {
            ModelState.AddModelError(nameof(Spans), error);
            return null;
        }
        return LoneMember.New(spans) with { Basis = new() { Units = units.Name } };
    }

    private async Task FillAsync() => Others = [.. (await store.ListAsync()).Where(m => !m.IsDeleted)];
}
