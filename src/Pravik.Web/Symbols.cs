using System.Net;
using Microsoft.AspNetCore.Html;
using Pravik.Core.Calculations;

namespace Pravik.Web;

/// <summary>Symbols with subscripts as HTML.</summary>
public static class Symbols
{
    /// <summary>A symbol with its indices set low.</summary>
    public static IHtmlContent Markup(string text) =>
        new HtmlString(
            string.Concat(
                SymbolText
                    .Runs(text)
                    .Select(r => r.IsSubscript ? $"<sub>{WebUtility.HtmlEncode(r.Text)}</sub>" : WebUtility.HtmlEncode(r.Text))
            )
        );
}
