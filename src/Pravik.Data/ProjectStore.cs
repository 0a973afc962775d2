using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Validation;
using Pravik.Exchange;

namespace Pravik.Data;

/// <summary>A bridge as it stands at a revision.</summary>
public sealed record Snapshot(
    string ProjectId,
    int Revision,
    string Label,
    Bridge Bridge,
    ImmutableArray<Finding> Findings,
    bool CanUndo,
    bool CanRedo
);

/// <summary>A value that two people changed: where, what is there now, and what the edit wanted (JSON).</summary>
public sealed record Conflict(string Path, string Theirs, string Yours);

/// <summary>What an edit came to: the new snapshot, or the reasons against it, or the values that conflict.</summary>
public sealed record EditOutcome(Snapshot? Snapshot, ImmutableArray<Finding> Refusals, ImmutableArray<Conflict> Conflicts)
{
    /// <summary>Other bridges on the same road, which took it over.</summary>
    public ImmutableArray<Neighbour> Followers { get; init; } = [];

    internal static EditOutcome Taken(Snapshot snapshot) => new(snapshot, [], []);

    internal static EditOutcome Refused(IEnumerable<Finding> reasons) => new(null, [.. reasons], []);
}

/// <summary>Another bridge on the same road.</summary>
public sealed record Neighbour(string ProjectId, Bridge Bridge)
{
    /// <summary>Its latest edit; 0 where that is not told.</summary>
    public int Revision { get; init; }
}

/// <summary>Projects, their revisions and their results. Writes are taken one after another; each is one transaction.</summary>
public sealed class ProjectStore(IDbContextFactory<PravikContext> contexts, StoreWriter writer)
{
    /// <summary>A store that alone writes to its database.</summary>
    public ProjectStore(IDbContextFactory<PravikContext> contexts)
        : this(contexts, new(contexts)) { }

    private const int LongestLabel = 200;
    private static readonly JsonSerializerOptions PatchOptions = new(JsonSerializerDefaults.Web);
    private const int MostTries = 20;
    private readonly BridgeCache bridges = new();
    private readonly EditTurns turns = new();

    /// <summary>Makes the database where there is none, and brings one of an older version to the present one.</summary>
    public async Task PrepareAsync()
    {
        await using var db = await contexts.CreateDbContextAsync();
        await Upgrade.RunAsync(db);
        await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL;");
    }

    /// <summary>A new project with a valid bridge as its first revision.</summary>
    public async Task<Snapshot> CreateAsync(Bridge bridge, string label, string? id = null, string author = "", bool isAssumed = false)
    {
        id ??= Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(5));
        await using var db = await contexts.CreateDbContextAsync();
        var project = new Project
        {
            Id = id,
            CreatedAt = DateTime.UtcNow,
            Head = 1,
            Tip = 1,
            IsAssumed = isAssumed,
        };
        project.Revisions.Add(NewRevision(id, 1, 0, label, "", bridge, author));
        db.Projects.Add(project);
        await db.SaveChangesAsync();
        return (await FindAsync(id))!;
    }

    /// <summary>
    /// A new bridge on the road of another: with its basis, road, ground and weights, beginning 30 m beyond its last axis or, where the
    /// road ends too
    /// soon, at the road's start. Null where there is no such project.
    /// </summary>
    public async Task<EditOutcome?> AddOnRoadAsync(string id, string name, string author = "")
    {
        if (await FindAsync(id) is not { } snapshot)
            return null;
        var other = snapshot.Bridge;
        var (road, fresh) = (new Core.Roads.RoadLine(other.Road), Bridge.New(name));
        var (ahead, length) = (other.Axes.FirstStation + other.Axes.Spans.Sum() + 30, fresh.Axes.Spans.Sum());
        var bridge = fresh with
        {
            Basis = other.Basis,
            Road = other.Road,
            Ground = other.Ground,
            Loads = other.Loads,
            Axes = fresh.Axes with { FirstStation = ahead + length + 5 <= road.EndStation ? ahead : road.StartStation + 5 },
        };
        var findings = BridgeValidation.Check(bridge);
        if (findings.Any(f => f.Severity == Severity.Error))
            return EditOutcome.Refused(findings.Where(f => f.Severity == Severity.Error));
        var added = await CreateAsync(bridge, $"Created on {other.Road.Name}", null, author);
        await writer.WriteAsync(async db =>
        {
            var share = await db.RoadShares.FindAsync(id);
            if (share is null)
                db.RoadShares.Add(share = new() { ProjectId = id, Group = id });
            db.RoadShares.Add(new() { ProjectId = added.ProjectId, Group = share.Group });
            await db.SaveChangesAsync();
        });
        return EditOutcome.Taken(added);
    }

    /// <summary>The other bridges on the road of a project.</summary>
    public async Task<IReadOnlyList<Neighbour>> NeighboursAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        return await NeighboursAsync(db, id);
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
        return found is null ? null : bridges.Read(id, revision, found.Document).Bridge;
    }

    /// <summary>
    /// Applies a patch made against revision <paramref name="against"/>. Where the head has moved on since, the patch is taken if
    /// none of its paths meets a value that changed; else both values come back. Null where there is no such project. Edits of one
    /// bridge are worked out one after another, while those of others write; where the head has moved when an edit is to be stored (by
    /// an undo, say), it is worked out again on the new one.
    /// </summary>
    public Task<EditOutcome?> EditAsync(string id, int against, IReadOnlyList<PatchOperation> patch, string label, string author = "") =>
        turns.TakeAsync(id, () => EditInTurnAsync(id, against, patch, label, author));

    private async Task<EditOutcome?> EditInTurnAsync(
        string id,
        int against,
        IReadOnlyList<PatchOperation> patch,
        string label,
        string author
    )
    {
        var changes = JsonSerializer.Serialize(patch, PatchOptions);
        for (var tries = 0; tries < MostTries; tries++)
        {
            var (refused, edit) = await WorkOutAsync(id, against, patch);
            if (refused is not null || edit is null)
                return refused;
            var moved = false;
            var outcome = await WriteAsync(
                id,
                async (db, project) =>
                {
                    moved = project.Head != edit.Head;
                    if (moved)
                        return EditOutcome.Refused([]);
                    var number = await NextAsync(db, id);
                    db.Revisions.Add(NewRevision(id, number, project.Head, label, changes, edit.Reading.Bridge!, author));
                    project.Head = project.Tip = number;
                    await db.SaveChangesAsync();
                    return EditOutcome.Taken(await SnapshotAsync(db, project, edit.Reading));
                }
            );
            // Kept once it is stored: a revision that was rolled back leaves its number to another.
            if (outcome?.Snapshot is { } stored)
                bridges.Keep(id, stored.Revision, edit.Reading);
            if (!moved)
                return outcome;
        }
        return EditOutcome.Refused([Finding.Error("", "Others edit this bridge faster than the edit can be taken. Try again.")]);
    }

    /// <summary>An edit worked out on a head.</summary>
    private sealed record Edit(int Head, BridgeReading Reading);

    /// <summary>The edit, or why it is refused; neither where there is no such project.</summary>
    private async Task<(EditOutcome? Refused, Edit? Edit)> WorkOutAsync(string id, int against, IReadOnlyList<PatchOperation> patch)
    {
        await using var db = await contexts.CreateDbContextAsync();
        if (await db.Projects.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id) is not { } project)
            return (null, null);
        var head = await BridgeAsync(db, id, project.Head);
        if (against != project.Head)
        {
            if (await db.Revisions.AsNoTracking().FirstOrDefaultAsync(r => r.ProjectId == id && r.Number == against) is not { } old)
                return (EditOutcome.Refused([Finding.Error("", $"There is no revision {against} of this bridge.")]), null);
            if (bridges.Read(id, against, old.Document).Bridge is not { } was)
                return (EditOutcome.Refused([Finding.Error("", $"Revision {against} of this bridge cannot be read.")]), null);
            var conflicts = Conflicts(was, head, patch);
            if (conflicts.Length > 0)
                return (new(null, [], conflicts), null);
        }
        var reading = BridgeEditing.Apply(head, patch);
        return reading.Bridge is null ? (EditOutcome.Refused(reading.Errors), null) : (null, new(project.Head, reading));
    }

    private static async Task<int> NextAsync(PravikContext db, string id) =>
        await db.Revisions.Where(r => r.ProjectId == id).MaxAsync(r => r.Number) + 1;

    /// <summary>Moves the head to the revision before; stays where there is none.</summary>
    public Task<EditOutcome?> UndoAsync(string id) =>
        MoveAsync(
            id,
            async (db, project) =>
                await db.Revisions.Where(r => r.ProjectId == id && r.Number == project.Head).Select(r => r.Parent).FirstAsync()
        );

    /// <summary>
    /// Moves the head to the next revision of the line on which it was undone; stays where nothing was. Lines that were left for
    /// another edit are reached through the history.
    /// </summary>
    public Task<EditOutcome?> RedoAsync(string id) =>
        MoveAsync(id, async (db, project) => (await LineAsync(db, id, project.Tip)).TakeWhile(n => n != project.Head).LastOrDefault());

    /// <summary>Moves the head to any revision of the project; stays where there is none of that number.</summary>
    public Task<EditOutcome?> GoToAsync(string id, int revision) =>
        MoveAsync(
            id,
            async (db, project) =>
            {
                if (!await db.Revisions.AnyAsync(r => r.ProjectId == id && r.Number == revision))
                    return 0;
                // On the line that can be redone, redo still leads to its end; elsewhere a line of its own is shown.
                if (!(await LineAsync(db, id, project.Tip)).Contains(revision))
                    project.Tip = revision;
                return revision;
            }
        );

    /// <summary>The revisions from one back to the first, newest first.</summary>
    internal static async Task<IReadOnlyList<int>> LineAsync(PravikContext db, string id, int from)
    {
        var parents = await db.Revisions.Where(r => r.ProjectId == id).ToDictionaryAsync(r => r.Number, r => r.Parent);
        var line = new List<int>();
        for (var at = from; at > 0 && parents.ContainsKey(at); at = parents[at])
            line.Add(at);
        return line;
    }

    private static ImmutableArray<Conflict> Conflicts(Bridge old, Bridge head, IReadOnlyList<PatchOperation> patch) =>
        [
            .. JsonEditing
                .Conflicts(BridgeJson.ToNode(old), BridgeJson.ToNode(head), patch)
                .Select(c => new Conflict(c.Path, c.Theirs, c.Yours)),
        ];

    /// <summary>Moves the head to a revision that is looked for within the transaction; stays where that is 0.</summary>
    internal Task<EditOutcome?> MoveAsync(string id, Func<PravikContext, Project, Task<int>> target) =>
        WriteAsync(
            id,
            async (db, project) =>
            {
                var number = await target(db, project);
                if (number > 0)
                {
                    project.Head = number;
                    await db.SaveChangesAsync();
                }
                return EditOutcome.Taken(await SnapshotAsync(db, project));
            }
        );

    private Task<EditOutcome?> WriteAsync(string id, Func<PravikContext, Project, Task<EditOutcome>> work) =>
        writer.WriteAsync<EditOutcome?>(
            async (db, transaction) =>
            {
                if (await db.Projects.FirstOrDefaultAsync(p => p.Id == id) is not { } project)
                    return null;
                var outcome = await work(db, project);
                if (outcome.Snapshot is { } snapshot)
                {
                    var (followers, refusals) = await TakeOverRoadAsync(db, snapshot);
                    // Nothing is kept of an edit that would leave a bridge on another road than its neighbours.
                    if (refusals.Length > 0)
                        return EditOutcome.Refused(refusals);
                    outcome = outcome with { Followers = followers };
                }
                await transaction.CommitAsync();
                return outcome;
            }
        );

    private async Task<IReadOnlyList<Neighbour>> NeighboursAsync(PravikContext db, string id)
    {
        if (await db.RoadShares.AsNoTracking().FirstOrDefaultAsync(s => s.ProjectId == id) is not { } share)
            return [];
        var others = await db
            .RoadShares.Where(s => s.Group == share.Group && s.ProjectId != id)
            .Join(db.Projects, s => s.ProjectId, p => p.Id, (_, p) => p)
            .AsNoTracking()
            .ToListAsync();
        var found = new List<Neighbour>();
        foreach (var other in others)
        {
            // One that cannot be read does not take the others' screens away; it says so on its own.
            if (await TryBridgeAsync(db, other.Id, other.Head) is { } bridge)
                found.Add(new(other.Id, bridge));
        }
        return [.. found.OrderBy(n => n.Bridge.Axes.FirstStation)];
    }

    /// <summary>
    /// Gives a bridge's road and ground to those that stand on the same road, where theirs differ; each is an edit of its own.
    /// </summary>
    private async Task<(ImmutableArray<Neighbour> Followers, ImmutableArray<Finding> Refusals)> TakeOverRoadAsync(
        PravikContext db,
        Snapshot snapshot
    )
    {
        var road = BridgeJson.Node(snapshot.Bridge.Road).ToJsonString();
        var (followers, refusals) = (ImmutableArray.CreateBuilder<Neighbour>(), ImmutableArray.CreateBuilder<Finding>());
        foreach (var other in await NeighboursAsync(db, snapshot.ProjectId))
        {
            if (other.Bridge.Ground == snapshot.Bridge.Ground && BridgeJson.Node(other.Bridge.Road).ToJsonString() == road)
                continue;
            PatchOperation[] patch =
            [
                new("replace", "/road", BridgeJson.Node(snapshot.Bridge.Road)),
                new("replace", "/ground", snapshot.Bridge.Ground is { } ground ? BridgeJson.Node(ground) : null),
            ];
            var reading = BridgeEditing.Apply(other.Bridge, patch);
            if (reading.Bridge is not { } moved)
            {
                refusals.AddRange(
                    reading.Errors.Select(e =>
                        e with
                        {
                            Path = "",
                            Message = $"{other.Bridge.Name}, which stands on this road too, would not hold: {e.Message}",
                        }
                    )
                );
                continue;
            }
            var project = await db.Projects.FirstAsync(p => p.Id == other.ProjectId);
            var number = await NextAsync(db, project.Id);
            db.Revisions.Add(
                NewRevision(
                    project.Id,
                    number,
                    project.Head,
                    $"Road as in {snapshot.Bridge.Name}",
                    JsonSerializer.Serialize(patch, PatchOptions),
                    moved,
                    ""
                )
            );
            project.Head = project.Tip = number;
            await db.SaveChangesAsync();
            followers.Add(new(project.Id, moved) { Revision = number });
        }
        return (followers.ToImmutable(), refusals.ToImmutable());
    }

    private async Task<Bridge> BridgeAsync(PravikContext db, string id, int number) =>
        await TryBridgeAsync(db, id, number) ?? throw new UnreadableBridgeException(id, number);

    private async Task<Bridge?> TryBridgeAsync(PravikContext db, string id, int number)
    {
        var document = await db
            .Revisions.AsNoTracking()
            .Where(r => r.ProjectId == id && r.Number == number)
            .Select(r => r.Document)
            .FirstAsync();
        return bridges.Read(id, number, document).Bridge;
    }

    private async Task<Snapshot> SnapshotAsync(PravikContext db, Project project, BridgeReading? known = null)
    {
        var revision = await db.Revisions.AsNoTracking().FirstAsync(r => r.ProjectId == project.Id && r.Number == project.Head);
        var reading = known ?? bridges.Read(project.Id, revision.Number, revision.Document);
        var bridge = reading.Bridge ?? throw new UnreadableBridgeException(project.Id, revision.Number);
        return new(project.Id, revision.Number, revision.Label, bridge, reading.Findings, revision.Parent > 0, project.Tip != project.Head);
    }

    private static Revision NewRevision(string id, int number, int parent, string label, string patch, Bridge bridge, string author) =>
        new()
        {
            ProjectId = id,
            Number = number,
            Parent = parent,
            Label = label.Length <= LongestLabel ? label : label[..LongestLabel],
            Patch = patch,
            Name = bridge.Name,
            Document = BridgeJson.Write(bridge),
            CreatedAt = DateTime.UtcNow,
            Author = author,
            Spans = BridgeList.SpansOf(bridge),
            Kind = BridgeDescription.Kind(bridge),
        };
}
