namespace Pravik.Web.Safety;

/// <summary>Headers that tell browsers what pages may do. Every answer has them, those about errors too.</summary>
internal static class SafeHeaders
{
    // Styles stand in attributes of the widgets; scripts come from this server only.
    private const string Policy =
        "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; connect-src 'self' blob:; "
        + "object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'";

    public static Task Add(HttpContext context, RequestDelegate next)
    {
        // Set as the answer starts: an error page clears what was set before.
        context.Response.OnStarting(() =>
        {
            var headers = context.Response.Headers;
            headers.ContentSecurityPolicy = Policy;
            headers.XContentTypeOptions = "nosniff";
            headers.XFrameOptions = "DENY";
            // Pages and answers are of one person at one moment; files say themselves how long they hold.
            if (string.IsNullOrEmpty(headers.CacheControl) && !Path.HasExtension(context.Request.Path))
                headers.CacheControl = "no-store";
            headers["Referrer-Policy"] = "same-origin";
            headers["Permissions-Policy"] = "camera=(), microphone=(), geolocation=(), payment=(), usb=()";
            headers["Cross-Origin-Opener-Policy"] = "same-origin";
            headers["Cross-Origin-Resource-Policy"] = "same-origin";
            return Task.CompletedTask;
        });
        return next(context);
    }
}
