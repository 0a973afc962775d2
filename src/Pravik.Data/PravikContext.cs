using Microsoft.EntityFrameworkCore;

namespace Pravik.Data;

/// <summary>The database: SQLite through EF Core.</summary>
public sealed class PravikContext(DbContextOptions<PravikContext> options) : DbContext(options)
{
    /// <summary>Bridges.</summary>
    public DbSet<Project> Projects => Set<Project>();

    /// <summary>Revisions of bridges.</summary>
    public DbSet<Revision> Revisions => Set<Revision>();

    /// <summary>Variants of bridges.</summary>
    public DbSet<Variant> Variants => Set<Variant>();

    /// <summary>What was looked at.</summary>
    public DbSet<LookedAt> LookedAt => Set<LookedAt>();

    /// <summary>Named points of histories.</summary>
    public DbSet<RestorePoint> RestorePoints => Set<RestorePoint>();

    /// <summary>Results by hash.</summary>
    public DbSet<StoredResult> Results => Set<StoredResult>();

    /// <summary>Bridges on one road.</summary>
    public DbSet<RoadShare> RoadShares => Set<RoadShare>();

    /// <summary>The office library.</summary>
    public DbSet<LibraryEntry> Library => Set<LibraryEntry>();

    /// <summary>Members alone.</summary>
    public DbSet<MemberProject> Members => Set<MemberProject>();

    /// <summary>Revisions of members alone.</summary>
    public DbSet<MemberRevision> MemberRevisions => Set<MemberRevision>();

    /// <summary>Keys and indices.</summary>
    protected override void OnModelCreating(Microsoft.EntityFrameworkCore.ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<Project>().HasMany(p => p.Revisions).WithOne().HasForeignKey(r => r.ProjectId);
        modelBuilder.Entity<Revision>().HasKey(r => new { r.ProjectId, r.Number });
        modelBuilder.Entity<Project>().Property(p => p.Shelf).HasConversion<string>().HasDefaultValue(Shelf.Current);
        modelBuilder.Entity<Variant>().HasKey(v => new { v.ProjectId, v.Number });
        modelBuilder.Entity<LookedAt>().HasKey(l => new { l.ProjectId, l.What });
        modelBuilder.Entity<RestorePoint>().HasKey(r => new { r.ProjectId, r.Number });
        modelBuilder.Entity<RoadShare>().HasKey(s => s.ProjectId);
        modelBuilder.Entity<LibraryEntry>().HasKey(e => new { e.Kind, e.Name });
        modelBuilder.Entity<MemberProject>().HasMany(p => p.Revisions).WithOne().HasForeignKey(r => r.MemberId);
        modelBuilder.Entity<MemberRevision>().HasKey(r => new { r.MemberId, r.Number });
        modelBuilder.Entity<StoredResult>().HasKey(r => r.Hash);
    }
}
