using System.Text;
using Pravik.Core.Bridges;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Endpoints;

/// <summary>The path of what is to be kept in the office library.</summary>
public sealed record KeepRequest(string? Path);

/// <summary>The office library as a file, and keeping parts of a bridge in it.</summary>
internal static class LibraryEndpoints
{
    public static void Map(WebApplication app, RouteGroupBuilder bridge)
    {
        app.MapGet("/api/library.json", Write);
        bridge.MapPost("/library", Keep);
    }

    private static async Task<IResult> Write(LibraryStore library)
    {
        var items = (await library.ListAsync()).Select(r => new LibraryItem(r.Kind, r.Name, r.Superseded, r.Value));
        return Results.File(Encoding.UTF8.GetBytes(LibraryJson.Write(items)), "application/json", "office-library.json");
    }

    /// <summary>Keeps a pattern or an own profile of a bridge in the office library.</summary>
    private static async Task<IResult> Keep(string id, KeepRequest what, ProjectStore store, LibraryStore library)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Answers.NoSuchBridge(id);
        var path = what?.Path ?? "";
        var kind =
            path.StartsWith("/deck/patterns/", StringComparison.Ordinal) ? LibraryJson.Pattern
            : path.StartsWith("/profiles/", StringComparison.Ordinal) ? LibraryJson.Profile
            : path.StartsWith("/sections/", StringComparison.Ordinal) ? LibraryJson.Section
            : path.StartsWith("/traffic/vehicles/", StringComparison.Ordinal) ? LibraryJson.Vehicle
            : path == "/basis" ? LibraryJson.NationalSet
            : "";
        var (item, findings) = LibraryJson.Item(
            kind,
            kind.Length == 0 ? null
                : kind == LibraryJson.NationalSet ? BridgeJson.Node(OfficeSet.Of(snapshot.Bridge))
                : BridgeEditing.ValueAt(snapshot.Bridge, path),
            false
        );
        if (item is null)
            return Answers.Refused([.. findings]);
        var replaced = await library.KeepAsync(item);
        return Results.Json(
            new { words = replaced ? $"“{item.Name}” replaced in the office library." : $"“{item.Name}” is in the office library." }
        );
    }
}
