using Pravik.Core.Findings;
using Pravik.Exchange;

namespace Pravik.Web.Pages;

/// <summary>Reads a file with which a document begins.</summary>
internal static class GivenFile
{
    /// <summary>The document, or what is wrong with the file.</summary>
    /// <param name="file">The file; null where none was chosen.</param>
    /// <param name="format">How the document is read.</param>
    /// <param name="kind">Its kind in words, such as member.</param>
    public static async Task<(T? Document, IReadOnlyList<Finding> Findings)> ReadAsync<T>(
        IFormFile? file,
        DocumentFormat<T> format,
        string kind
    )
        where T : class
    {
        if (file is null)
            return (null, [Finding.Error("", "Choose a file first.")]);
        if (file.Length > BridgeJson.LongestDocument)
            return (null, [Finding.Error("", $"The file is too large to be a {kind}.")]);
        using var reader = new StreamReader(file.OpenReadStream());
        var reading = format.Read(await reader.ReadToEndAsync());
        return (reading.Document, [.. reading.Findings.Where(f => f.Severity == Severity.Error)]);
    }
}
