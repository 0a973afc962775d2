using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace Pravik.Data;

/// <summary>Brings a database to the present version by its migrations.</summary>
internal static class Upgrade
{
    public static async Task RunAsync(PravikContext db)
    {
        var history = db.GetService<IHistoryRepository>();
        if (!await history.ExistsAsync() && await HasTablesAsync(db))
        {
            // It was made before there were migrations: what the first of them makes is there.
            var first = db.Database.GetMigrations().First();
            await db.Database.ExecuteSqlRawAsync(history.GetCreateScript());
            await db.Database.ExecuteSqlRawAsync(history.GetInsertScript(new(first, ProductInfo.GetVersion())));
        }
        await db.Database.MigrateAsync();
    }

    private static async Task<bool> HasTablesAsync(PravikContext db) =>
        await db
            .Database.SqlQuery<int>($"SELECT COUNT(*) AS Value FROM sqlite_master WHERE type = 'table' AND name = 'Projects'")
            .SingleAsync() > 0;
}
