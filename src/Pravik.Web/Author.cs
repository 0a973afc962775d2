namespace Pravik.Web;

/// <summary>The name that a person gave, kept in a cookie of the browser and written beside the person's edits.</summary>
public static class Author
{
    /// <summary>Name of the cookie.</summary>
    public const string Cookie = "pravik-name";

    /// <summary>Longest name.</summary>
    public const int Longest = 60;

    /// <summary>Name of whoever asks; empty where none was given.</summary>
    public static string Of(HttpRequest request)
    {
        var name = Uri.UnescapeDataString(request.Cookies[Cookie] ?? "").Trim();
        var shown = new string([.. name.Where(c => !char.IsControl(c) && !char.IsSurrogate(c))]);
        return shown.Length <= Longest ? shown : shown[..Longest];
    }

    /// <summary>Keeps a name, or forgets it where it is empty.</summary>
    public static void Keep(HttpResponse response, string name)
    {
        var kept = name.Trim();
        response.Cookies.Append(
            Cookie,
            Uri.EscapeDataString(kept.Length <= Longest ? kept : kept[..Longest]),
            new()
            {
                MaxAge = kept.Length > 0 ? TimeSpan.FromDays(365) : TimeSpan.Zero,
                SameSite = SameSiteMode.Lax,
                IsEssential = true,
            }
        );
    }
}
