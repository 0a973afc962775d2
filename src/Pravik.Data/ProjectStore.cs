using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Pravik.Core.Bridges;
using Pravik.Core.Design;
using Pravik.Core.Findings;
using Pravik.Exchange;

namespace Pravik.Data;

/// <summary>A bridge as it stands at a revision.</summary>
public sealed record Snapshot(string ProjectId, int Revision, string Label, Bridge Bridge, ImmutableArray<Finding> Findings, bool CanUndo, bool CanRedo);

/// <summary>A value that two people changed: where, what is there now, and what the edit wanted (JSON).</summary>
public sealed record Conflict(string Path, string Theirs, string Yours);

/// <summary>What an edit came to: the new snapshot, or the reasons against it, or the values that conflict.</summary>
public sealed record EditOutcome(Snapshot? Snapshot, ImmutableArray<Finding> Refusals, ImmutableArray<Conflict> Conflicts)
{
    internal static EditOutcome Taken(Snapshot snapshot) => new(snapshot, [], []);

    internal static EditOutcome Refused(IEnumerable<Finding> reasons) => new(null, [.. reasons], []);
}

/// <summary>One line of the history.</summary>
public sealed record HistoryEntry(int Revision, int Parent, string Label, DateTime At, bool IsHead, string? Name);

/// <summary>A project in the list.</summary>
public sealed record ProjectEntry(string Id, string Name, int Revision, DateTime ChangedAt);

/// <summary>Projects, their revisions and their results. Writes are taken one after another; each is one transaction.</summary>
public sealed class ProjectStore(IDbContextFactory<PravikContext> contexts)
{
    private const int LongestLabel = 200;
    private const int LongestName = 60;
    private static readonly JsonSerializerOptions PatchOptions = new(JsonSerializerDefaults.Web);
    private readonly SemaphoreSlim writing = new(1, 1);

    /// <summary>Makes the database where there is none.</summary>
    public async Task PrepareAsync()
    {
        await using var db = await contexts.CreateDbContextAsync();
        await db.Database.EnsureCreatedAsync();
        // Databases that were made before points could be named.
        await db.Database.ExecuteSqlRawAsync("CREATE TABLE IF NOT EXISTS RestorePoints (ProjectId TEXT NOT NULL, Number INTEGER NOT NULL, Name TEXT NOT NULL, PRIMARY KEY (ProjectId, Number));");
        await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL;");
    }

    public async Task<IReadOnlyList<ProjectEntry>> ListAsync()
    {
        await using var db = await contexts.CreateDbContextAsync();
        var rows = await db.Projects.SelectMany(p => p.Revisions.Where(r => r.Number == p.Head), (p, r) => new { p.Id, r.Number, r.Document, r.CreatedAt }).ToListAsync();
        return [.. rows.OrderByDescending(r => r.CreatedAt).Select(r => new ProjectEntry(r.Id, BridgeJson.Read(r.Document).Bridge?.Name ?? "(cannot be read)", r.Number, r.CreatedAt))];
    }

    /// <summary>A new project with a valid bridge as its first revision.</summary>
    public async Task<Snapshot> CreateAsync(Bridge bridge, string label, string? id = null)
    {
        id ??= Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(5));
        await using var db = await contexts.CreateDbContextAsync();
        var project = new Project { Id = id, CreatedAt = DateTime.UtcNow, Head = 1 };
        project.Revisions.Add(NewRevision(id, 1, 0, label, "", bridge));
        db.Projects.Add(project);
        await db.SaveChangesAsync();
        return (await FindAsync(id))!;
    }

    /// <summary>The head of a project, or null where there is none with that id.</summary>
    public async Task<Snapshot?> FindAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        var project = await db.Projects.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id);
        return project is null ? null : await SnapshotAsync(db, project);
    }

    /// <summary>The bridge at any revision, or null.</summary>
    public async Task<Bridge?> AtAsync(string id, int revision)
    {
        await using var db = await contexts.CreateDbContextAsync();
        var found = await db.Revisions.AsNoTracking().FirstOrDefaultAsync(r => r.ProjectId == id && r.Number == revision);
        return found is null ? null : BridgeJson.Read(found.Document).Bridge;
    }

    public async Task<IReadOnlyList<HistoryEntry>> HistoryAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        var head = await db.Projects.Where(p => p.Id == id).Select(p => p.Head).FirstOrDefaultAsync();
        var rows = await db.Revisions.Where(r => r.ProjectId == id).OrderByDescending(r => r.Number).Select(r => new { r.Number, r.Parent, r.Label, r.CreatedAt }).ToListAsync();
        var names = await db.RestorePoints.Where(p => p.ProjectId == id).ToDictionaryAsync(p => p.Number, p => p.Name);
        return [.. rows.Select(r => new HistoryEntry(r.Number, r.Parent, r.Label, r.CreatedAt, r.Number == head, names.GetValueOrDefault(r.Number)))];
    }

    /// <summary>Names a point of the history, or takes its name away where it is empty. False where there is no such revision.</summary>
    public async Task<bool> NameAsync(string id, int revision, string name)
    {
        await writing.WaitAsync();
        try
        {
            await using var db = await contexts.CreateDbContextAsync();
            if (!await db.Revisions.AnyAsync(r => r.ProjectId == id && r.Number == revision)) return false;
            var point = await db.RestorePoints.FirstOrDefaultAsync(p => p.ProjectId == id && p.Number == revision);
            name = name.Trim();
            if (point is not null) db.RestorePoints.Remove(point);
            await db.SaveChangesAsync();
            if (name.Length > 0) db.RestorePoints.Add(new() { ProjectId = id, Number = revision, Name = name.Length <= LongestName ? name : name[..LongestName] });
            await db.SaveChangesAsync();
            return true;
        }
        finally
        {
            writing.Release();
        }
    }

    /// <summary>
    /// Applies a patch made against revision <paramref name="against"/>. Where the head has moved on since, the patch is taken if
    /// none of its paths meets a value that changed; else both values come back. Null where there is no such project.
    /// </summary>
    public Task<EditOutcome?> EditAsync(string id, int against, IReadOnlyList<PatchOperation> patch, string label) => WriteAsync(id, async (db, project) =>
    {
        var head = await BridgeAsync(db, id, project.Head);
        if (against != project.Head)
        {
            if (await db.Revisions.AsNoTracking().FirstOrDefaultAsync(r => r.ProjectId == id && r.Number == against) is not { } old)
                return EditOutcome.Refused([Finding.Error("", $"There is no revision {against} of this bridge.")]);
            var conflicts = Conflicts(BridgeJson.Read(old.Document).Bridge!, head, patch);
            if (conflicts.Length > 0) return new(null, [], conflicts);
        }
        var reading = BridgeEditing.Apply(head, patch);
        if (reading.Bridge is not { } edited) return EditOutcome.Refused(reading.Errors);
        var number = await db.Revisions.Where(r => r.ProjectId == id).MaxAsync(r => r.Number) + 1;
        db.Revisions.Add(NewRevision(id, number, project.Head, label, JsonSerializer.Serialize(patch, PatchOptions), edited));
        project.Head = number;
        await db.SaveChangesAsync();
        return EditOutcome.Taken(await SnapshotAsync(db, project));
    });

    /// <summary>Moves the head to the revision before; stays where there is none.</summary>
    public Task<EditOutcome?> UndoAsync(string id) => MoveAsync(id, async (db, project) =>
        await db.Revisions.Where(r => r.ProjectId == id && r.Number == project.Head).Select(r => r.Parent).FirstAsync());

    /// <summary>Moves the head to the latest revision made from it; stays where there is none.</summary>
    public Task<EditOutcome?> RedoAsync(string id) => MoveAsync(id, async (db, project) =>
        await db.Revisions.Where(r => r.ProjectId == id && r.Parent == project.Head).MaxAsync(r => (int?)r.Number) ?? 0);

    /// <summary>Moves the head to any revision of the project; stays where there is none of that number.</summary>
    public Task<EditOutcome?> GoToAsync(string id, int revision) => MoveAsync(id, async (db, _) =>
        await db.Revisions.AnyAsync(r => r.ProjectId == id && r.Number == revision) ? revision : 0);

    public async Task<BridgeResults?> ResultsAsync(string hash)
    {
        await using var db = await contexts.CreateDbContextAsync();
        var stored = await db.Results.AsNoTracking().FirstOrDefaultAsync(r => r.Hash == hash);
        return stored is null ? null : ResultsJson.Read(stored.Json);
    }

    public async Task KeepResultsAsync(string hash, BridgeResults results)
    {
        await writing.WaitAsync();
        try
        {
            await using var db = await contexts.CreateDbContextAsync();
            if (await db.Results.AnyAsync(r => r.Hash == hash)) return;
            db.Results.Add(new() { Hash = hash, Json = ResultsJson.Write(results), CreatedAt = DateTime.UtcNow });
            await db.SaveChangesAsync();
        }
        finally
        {
            writing.Release();
        }
    }

    private static ImmutableArray<Conflict> Conflicts(Bridge old, Bridge head, IReadOnlyList<PatchOperation> patch)
    {
        var changed = BridgeEditing.ChangedPaths(old, head);
        return [.. patch.SelectMany(op => new[] { (Path: op.Path, op.Value), (Path: op.From ?? "", Value: null) }).Where(op => op.Path.Length > 0)
            .Where(op => changed.Any(path => BridgeEditing.Meet(path, WholeArray(op.Path))))
            .Select(op => new Conflict(op.Path, BridgeEditing.ValueAt(head, op.Path)?.ToJsonString() ?? "null", op.Value?.ToJsonString() ?? "null"))];

        // A place in a list that is being lengthened or shortened concerns the whole list.
        static string WholeArray(string path) => path.EndsWith("/-", StringComparison.Ordinal) ? path[..^2] : path;
    }

    private Task<EditOutcome?> MoveAsync(string id, Func<PravikContext, Project, Task<int>> target) => WriteAsync(id, async (db, project) =>
    {
        var number = await target(db, project);
        if (number > 0)
        {
            project.Head = number;
            await db.SaveChangesAsync();
        }
        return EditOutcome.Taken(await SnapshotAsync(db, project));
    });

    private async Task<EditOutcome?> WriteAsync(string id, Func<PravikContext, Project, Task<EditOutcome>> work)
    {
        await writing.WaitAsync();
        try
        {
            await using var db = await contexts.CreateDbContextAsync();
            await using var transaction = await db.Database.BeginTransactionAsync();
            if (await db.Projects.FirstOrDefaultAsync(p => p.Id == id) is not { } project) return null;
            var outcome = await work(db, project);
            await transaction.CommitAsync();
            return outcome;
        }
        finally
        {
            writing.Release();
        }
    }

    private static async Task<Bridge> BridgeAsync(PravikContext db, string id, int number)
    {
        var document = await db.Revisions.AsNoTracking().Where(r => r.ProjectId == id && r.Number == number).Select(r => r.Document).FirstAsync();
        return BridgeJson.Read(document).Bridge ?? throw new InvalidDataException($"Revision {number} of {id} cannot be read.");
    }

    private static async Task<Snapshot> SnapshotAsync(PravikContext db, Project project)
    {
        var revision = await db.Revisions.AsNoTracking().FirstAsync(r => r.ProjectId == project.Id && r.Number == project.Head);
        var reading = BridgeJson.Read(revision.Document);
        var bridge = reading.Bridge ?? throw new InvalidDataException($"Revision {revision.Number} of {project.Id} cannot be read.");
        var canRedo = await db.Revisions.AnyAsync(r => r.ProjectId == project.Id && r.Parent == project.Head);
        return new(project.Id, revision.Number, revision.Label, bridge, reading.Findings, revision.Parent > 0, canRedo);
    }

    private static Revision NewRevision(string id, int number, int parent, string label, string patch, Bridge bridge) => new()
    {
        ProjectId = id,
        Number = number,
        Parent = parent,
        Label = label.Length <= LongestLabel ? label : label[..LongestLabel],
        Patch = patch,
        Document = BridgeJson.Write(bridge),
        CreatedAt = DateTime.UtcNow,
    };
}
