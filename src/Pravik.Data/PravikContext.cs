using Microsoft.EntityFrameworkCore;

namespace Pravik.Data;

/// <summary>The database: SQLite through EF Core.</summary>
public sealed class PravikContext(DbContextOptions<PravikContext> options) : DbContext(options)
{
    public DbSet<Project> Projects => Set<Project>();
    public DbSet<Revision> Revisions => Set<Revision>();
    public DbSet<RestorePoint> RestorePoints => Set<RestorePoint>();
    public DbSet<StoredResult> Results => Set<StoredResult>();
    public DbSet<RoadShare> RoadShares => Set<RoadShare>();
    public DbSet<LibraryEntry> Library => Set<LibraryEntry>();

    protected override void OnModelCreating(Microsoft.EntityFrameworkCore.ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<Project>().HasMany(p => p.Revisions).WithOne().HasForeignKey(r => r.ProjectId);
        modelBuilder.Entity<Revision>().HasKey(r => new { r.ProjectId, r.Number });
        modelBuilder.Entity<RestorePoint>().HasKey(r => new { r.ProjectId, r.Number });
        modelBuilder.Entity<RoadShare>().HasKey(s => s.ProjectId);
        modelBuilder.Entity<LibraryEntry>().HasKey(e => new { e.Kind, e.Name });
        modelBuilder.Entity<StoredResult>().HasKey(r => r.Hash);
    }
}
