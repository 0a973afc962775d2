using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace Pravik.Data;

/// <summary>Writes of a database, one after another, each in a transaction that is rolled back unless it is committed.</summary>
public sealed class StoreWriter(IDbContextFactory<PravikContext> contexts)
{
    private readonly SemaphoreSlim writing = new(1, 1);

    /// <summary>Does something that commits its transaction itself where it is to be kept.</summary>
    public async Task<T> WriteAsync<T>(Func<PravikContext, IDbContextTransaction, Task<T>> work)
    {
        await writing.WaitAsync();
        try
        {
            await using var db = await contexts.CreateDbContextAsync();
            await using var transaction = await db.Database.BeginTransactionAsync();
            return await work(db, transaction);
        }
        finally
        {
            writing.Release();
        }
    }

    /// <summary>Does something and keeps it.</summary>
    public Task<T> WriteAsync<T>(Func<PravikContext, Task<T>> work) =>
        WriteAsync(
            async (db, transaction) =>
            {
                var made = await work(db);
                await transaction.CommitAsync();
                return made;
            }
        );

    /// <summary>Does something and keeps it.</summary>
    public Task WriteAsync(Func<PravikContext, Task> work) =>
        WriteAsync(async db =>
        {
            await work(db);
            return true;
        });
}
