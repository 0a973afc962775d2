using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Pravik.Exchange;

namespace Pravik.Data;

/// <summary>An item of the office library as it is listed.</summary>
public sealed record LibraryRow(string Kind, string Name, bool Superseded, DateTime ChangedAt, JsonNode Value);

/// <summary>
/// The office library: what is kept for use in any bridge. A name is used once within a kind; keeping it again replaces it.
/// </summary>
public sealed class LibraryStore(IDbContextFactory<PravikContext> contexts)
{
    /// <summary>All entries, by kind and name.</summary>
    public async Task<IReadOnlyList<LibraryRow>> ListAsync()
    {
        await using var db = await contexts.CreateDbContextAsync();
        var entries = await db.Library.AsNoTracking().OrderBy(e => e.Kind).ThenBy(e => e.Superseded).ThenBy(e => e.Name).ToListAsync();
        return [.. entries.Select(Row).OfType<LibraryRow>()];
    }

    /// <summary>An entry as it is listed; null where its value is damaged, so that the others are served.</summary>
    private static LibraryRow? Row(LibraryEntry entry)
    {
        try
        {
            return JsonNode.Parse(entry.Json) is { } value ? new(entry.Kind, entry.Name, entry.Superseded, entry.ChangedAt, value) : null;
        }
        catch (System.Text.Json.JsonException)
        {
            return null;
        }
    }

    /// <summary>Keeps an item, and says whether it took the place of another of that name.</summary>
    public async Task<bool> KeepAsync(LibraryItem item)
    {
        await using var db = await contexts.CreateDbContextAsync();
        var (found, json) = (await db.Library.FindAsync(item.Kind, item.Name), item.Value.ToJsonString());
        if (found is null)
            db.Library.Add(
                new()
                {
                    Kind = item.Kind,
                    Name = item.Name,
                    Json = json,
                    Superseded = item.Superseded,
                    ChangedAt = DateTime.UtcNow,
                }
            );
        else
            (found.Json, found.Superseded, found.ChangedAt) = (json, item.Superseded, DateTime.UtcNow);
        await db.SaveChangesAsync();
        return found is not null;
    }

    /// <summary>Marks an item as superseded or as current; nothing where there is none of that name.</summary>
    public async Task MarkAsync(string kind, string name, bool superseded)
    {
        await using var db = await contexts.CreateDbContextAsync();
        await db
            .Library.Where(e => e.Kind == kind && e.Name == name)
            .ExecuteUpdateAsync(set => set.SetProperty(e => e.Superseded, superseded).SetProperty(e => e.ChangedAt, DateTime.UtcNow));
    }

    /// <summary>Takes an entry out of the library; nothing where there is none.</summary>
    public async Task TakeAwayAsync(string kind, string name)
    {
        await using var db = await contexts.CreateDbContextAsync();
        await db.Library.Where(e => e.Kind == kind && e.Name == name).ExecuteDeleteAsync();
    }
}
