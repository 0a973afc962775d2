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

    /// <summary>Members alone and truss schemes.</summary>
    public DbSet<DocumentProject> Documents => Set<DocumentProject>();

    /// <summary>Revisions of members alone.</summary>
    public DbSet<DocumentRevision> DocumentRevisions => Set<DocumentRevision>();

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
        // The tables were made for members alone and keep their names.
        modelBuilder.Entity<DocumentProject>(documents =>
        {
            documents.ToTable("Members").HasMany(p => p.Revisions).WithOne().HasForeignKey(r => r.DocumentId);
            documents.Property(p => p.Kind).HasDefaultValue("member");
        });
        modelBuilder.Entity<DocumentRevision>(revisions =>
        {
            revisions.ToTable("MemberRevisions").HasKey(r => new { r.DocumentId, r.Number });
            revisions.Property(r => r.DocumentId).HasColumnName("MemberId");
            revisions.Property(r => r.Words).HasColumnName("Spans");
        });
        modelBuilder.Entity<StoredResult>().HasKey(r => r.Hash);
    }
}
