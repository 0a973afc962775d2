using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Web.Safety;

namespace Pravik.Web.Pages;

/// <summary>What is shown where something is not there or went wrong.</summary>
[IgnoreAntiforgeryToken]
public sealed class ProblemModel : PageModel
{
    /// <summary>What happened.</summary>
    public string Heading { get; private set; } = "";

    /// <summary>What can be done.</summary>
    public string Words { get; private set; } = "";

    /// <summary>Shows the page.</summary>
    public void OnGet(string code) => Say(code);

    /// <summary>Shows the page after a post that failed.</summary>
    public void OnPost(string code) => Say(code);

    private void Say(string code) => (Heading, Words) = Faults.Page(code, HttpContext.Features.Get<IExceptionHandlerFeature>());
}
