using Microsoft.EntityFrameworkCore;
using Pravik.Exchange;

namespace Pravik.Data;

/// <summary>What checks said, under the hash of their inputs.</summary>
public sealed class SummaryStore(IDbContextFactory<PravikContext> contexts, StoreWriter writer)
{
    /// <summary>Summaries that are kept.</summary>
    public const int Most = 1000;

    /// <summary>What the checks said of a bridge with a hash of inputs; null where it is not known.</summary>
    public async Task<CheckSummary?> FindAsync(string hash)
    {
        await using var db = await contexts.CreateDbContextAsync();
        var stored = await db.Results.AsNoTracking().FirstOrDefaultAsync(r => r.Hash == hash);
        return stored is null ? null : CheckSummary.Read(stored.Json);
    }

    /// <summary>Keeps what the checks said; of all bridges together the latest <see cref="Most"/> stay.</summary>
    public Task KeepAsync(string hash, CheckSummary summary) =>
        writer.WriteAsync(async db =>
        {
            if (await db.Results.AnyAsync(r => r.Hash == hash))
                return;
            db.Results.Add(
                new()
                {
                    Hash = hash,
                    Json = summary.Write(),
                    CreatedAt = DateTime.UtcNow,
                }
            );
            await db.SaveChangesAsync();
            if (await db.Results.CountAsync() is var count && count > Most)
                await db.Results.OrderBy(r => r.CreatedAt).Take(count - Most).ExecuteDeleteAsync();
        });
}
