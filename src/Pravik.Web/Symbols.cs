using System.Net;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Html;

namespace Pravik.Web;

/// <summary>
/// Symbols with subscripts: an underscore starts one, which ends at the next character that is not a letter, digit or comma within it.
/// </summary>
public static partial class Symbols
{
    /// <summary>A symbol with its indices set low, as HTML.</summary>
    public static IHtmlContent Markup(string text) => new HtmlString(Subscript().Replace(WebUtility.HtmlEncode(text), "<sub>$1</sub>"));

    [GeneratedRegex(@"_([\p{L}\p{N}.]+(?:,[\p{L}\p{N}]+)*)")]
    private static partial Regex Subscript();
}
