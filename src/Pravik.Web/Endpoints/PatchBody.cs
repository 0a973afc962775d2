using System.Text.Json;
using Pravik.Core.Findings;
using Pravik.Exchange;

namespace Pravik.Web.Endpoints;

/// <summary>A JSON Patch in the body of a request, or why it is none.</summary>
internal static class PatchBody
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { MaxDepth = 16 };

    /// <summary>Reads the patch of an edit against a revision.</summary>
    public static async Task<(List<PatchOperation> Patch, Finding? Problem)> ReadAsync(int? revision, HttpRequest http)
    {
        if (revision is null)
            return ([], Finding.Error("", "The revision that was edited is missing (?revision=N)."));
        List<PatchOperation>? patch;
        try
        {
            patch = await JsonSerializer.DeserializeAsync<List<PatchOperation>>(http.Body, Options);
            // Text is read when it is used: what is no text must be found before anything is done with it.
            JsonSerializer.Serialize(patch, Options);
        }
        catch (Exception problem) when (problem is JsonException or InvalidOperationException)
        {
            return ([], Finding.Error("", $"The patch is not a JSON Patch: {problem.Message}"));
        }
        return patch is null || patch.Any(p => p?.Op is null || p.Path is null)
            ? ([], Finding.Error("", "The patch is not a JSON Patch: each operation needs “op” and “path”."))
            : (patch, null);
    }
}
