using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

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

    private void Say(string code) =>
        (Heading, Words) = code switch
        {
            "404" => ("Nothing is here", "There is no bridge or page of that name. It may have been typed wrongly."),
            "fault" => (
                "A fault in the program",
                "What you asked for could not be done. Everything saved is still there; go back and try again."
            ),
            _ => ("That could not be done", $"The request was not understood (code {code}). Nothing was changed."),
        };
}
