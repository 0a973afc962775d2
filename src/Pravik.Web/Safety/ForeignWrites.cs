using Pravik.Core.Findings;
using Pravik.Web.Endpoints;

namespace Pravik.Web.Safety;

/// <summary>
/// Refuses writes that another site makes a browser send. A browser says where a request comes from (Sec-Fetch-Site, Origin); a program
/// that is no browser says neither and is let through. What the interface takes is JSON, and pictures as bare
/// bytes: no form can send either.
/// </summary>
internal static class ForeignWrites
{
    private static readonly string[] Json = ["application/json", "application/json-patch+json"];

    public static Task Refuse(HttpContext context, RequestDelegate next)
    {
        var request = context.Request;
        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method))
            return next(context);
        if (IsForeign(request))
            return Answer(context, 403, "Another site asked for this. Nothing was changed.");
        var hasBody = request.ContentLength > 0 || request.Headers.TransferEncoding.Count > 0;
        if (hasBody && request.Path.StartsWithSegments("/api") && !IsJson(request.ContentType) && !IsPicture(request))
            return Answer(context, 415, $"The interface takes {string.Join(" or ", Json)} in UTF-8.");
        return next(context);
    }

    private static bool IsForeign(HttpRequest request)
    {
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        if (site.Length > 0 && site is not ("same-origin" or "none"))
            return true;
        var origin = request.Headers.Origin.ToString();
        return origin.Length > 0
            && (
                !Uri.TryCreate(origin, UriKind.Absolute, out var from)
                || from.Authority != new Uri($"{request.Scheme}://{request.Host}").Authority
            );
    }

    private static bool IsPicture(HttpRequest request) =>
        request.ContentType == "application/octet-stream" && request.Path.Value!.EndsWith("/picture", StringComparison.Ordinal);

    private static bool IsJson(string? type)
    {
        if (!System.Net.Http.Headers.MediaTypeHeaderValue.TryParse(type, out var parsed))
            return false;
        var isUtf8 = parsed.CharSet is null || parsed.CharSet.Trim('"').Equals("utf-8", StringComparison.OrdinalIgnoreCase);
        return isUtf8 && Json.Contains(parsed.MediaType, StringComparer.OrdinalIgnoreCase);
    }

    private static Task Answer(HttpContext context, int status, string words)
    {
        context.Response.StatusCode = status;
        return context.Response.WriteAsJsonAsync(new Refusal([Finding.Error("", words)], []));
    }
}
