using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace Pravik.Data;

/// <summary>Makes a context for the tool that writes migrations (docs/architecture.md).</summary>
public sealed class DesignTime : IDesignTimeDbContextFactory<PravikContext>
{
    /// <summary>A context for the tools that make migrations.</summary>
    public PravikContext CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<PravikContext>().UseSqlite("Data Source=:memory:").Options);
}
