using Microsoft.EntityFrameworkCore;

namespace Pravik.Data.Tests;

/// <summary>Contexts on a database file.</summary>
internal sealed class Contexts(string file) : IDbContextFactory<PravikContext>
{
    public PravikContext CreateDbContext() => new(new DbContextOptionsBuilder<PravikContext>().UseSqlite($"Data Source={file}").Options);
}
