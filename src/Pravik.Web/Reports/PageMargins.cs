using System.Text;
using Pravik.Drawings.Reports;

namespace Pravik.Web.Reports;

/// <summary>
/// What stands in the margins of every printed page, as on the pages of a PDF (CSS Paged Media, margin boxes). Browsers without them leave
/// the margins empty.
/// </summary>
internal static class PageMargins
{
    /// <summary>The style rules.</summary>
    public static string Rules(ReportFrame frame) =>
        $$"""
            @page {
              @top-left { content: {{Quoted(frame.Title)}}; }
              @top-right { content: {{Quoted(frame.Number)}}; }
              @bottom-left { content: {{Quoted(frame.Project)}}; }
              @bottom-center { content: {{Quoted($"{frame.State}, {frame.Date}")}}; }
            }
            """;

    /// <summary>A string of CSS; what could end it, or the page's style, is written by its number.</summary>
    private static string Quoted(string text)
    {
        var quoted = new StringBuilder("\"");
        foreach (var c in text)
        {
            if (c is '"' or '\\' or '<' or '>' or '&' || char.IsControl(c))
                quoted.Append('\\').Append(((int)c).ToString("x", System.Globalization.CultureInfo.InvariantCulture)).Append(' ');
            else
                quoted.Append(c);
        }
        return quoted.Append('"').ToString();
    }
}
