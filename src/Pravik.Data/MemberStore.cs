using System.Collections.Immutable;
using System.Globalization;
using System.Security.Cryptography;
using Microsoft.EntityFrameworkCore;
using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;
using Pravik.Exchange;

namespace Pravik.Data;

/// <summary>A member as it stands at a revision.</summary>
public sealed record MemberSnapshot(
    string MemberId,
    int Revision,
    string Label,
    LoneMember Member,
    ImmutableArray<Finding> Findings,
    bool CanUndo,
    bool CanRedo
);

/// <summary>What an edit came to: the new snapshot, or the reasons against it, or the values that conflict.</summary>
public sealed record MemberOutcome(MemberSnapshot? Snapshot, ImmutableArray<Finding> Refusals, ImmutableArray<Conflict> Conflicts);

/// <summary>A member in the list of members.</summary>
public sealed record MemberListed(string Id, string Name, string Spans, int Revision, DateTime ChangedAt, string Author, bool IsDeleted);

/// <summary>
/// Members alone and their revisions, by the same rules as bridges: each edit is one transaction, and nothing is ever removed.
/// </summary>
public sealed class MemberStore(IDbContextFactory<PravikContext> contexts, StoreWriter writer)
{
    private const int LongestLabel = 200;

    /// <summary>A new member as its first revision.</summary>
    public async Task<MemberSnapshot> CreateAsync(LoneMember member, string label, string? id = null, string author = "")
    {
        id ??= Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(5));
        await writer.WriteAsync(async db =>
        {
            var project = new MemberProject
            {
                Id = id,
                CreatedAt = DateTime.UtcNow,
                Head = 1,
                Tip = 1,
            };
            project.Revisions.Add(NewRevision(id, 1, 0, label, member, author));
            db.Members.Add(project);
            await db.SaveChangesAsync();
        });
        return (await FindAsync(id))!;
    }

    /// <summary>The head of a member, or null where there is none with that id, or it cannot be read.</summary>
    public async Task<MemberSnapshot?> FindAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        return await db.Members.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id) is { } project
            ? await SnapshotAsync(db, project)
            : null;
    }

    /// <summary>All members, the last changed first.</summary>
    public async Task<IReadOnlyList<MemberListed>> ListAsync()
    {
        await using var db = await contexts.CreateDbContextAsync();
        var all = await db
            .Members.Join(
                db.MemberRevisions,
                p => new { p.Id, Number = p.Head },
                r => new { Id = r.MemberId, r.Number },
                (p, r) => new MemberListed(p.Id, r.Name, r.Spans, r.Number, r.CreatedAt, r.Author, p.IsDeleted)
            )
            .ToListAsync();
        return [.. all.OrderByDescending(m => m.ChangedAt)];
    }

    /// <summary>All edits of a member, the newest first.</summary>
    public async Task<IReadOnlyList<HistoryEntry>> HistoryAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        if (await db.Members.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id) is not { } project)
            return [];
        var all = await db
            .MemberRevisions.AsNoTracking()
            .Where(r => r.MemberId == id)
            .OrderByDescending(r => r.Number)
            .Select(r => new
            {
                r.Number,
                r.Parent,
                r.Label,
                r.CreatedAt,
                r.Author,
            })
            .ToListAsync();
        return
        [
            .. all.Select(r => new HistoryEntry(r.Number, r.Parent, r.Label, r.CreatedAt, r.Number == project.Head, null)
            {
                Author = r.Author,
            }),
        ];
    }

    /// <summary>
    /// Applies a patch made against a revision. Where the head has moved on since, it is taken if none of its paths meets a value that
    /// changed; else both values come back. Null where there is no such member.
    /// </summary>
    public Task<MemberOutcome?> EditAsync(string id, int against, IReadOnlyList<PatchOperation> patch, string label, string author = "") =>
        WriteAsync(
            id,
            async (db, project) =>
            {
                var head = await DocumentAsync(db, id, project.Head);
                if (against != project.Head)
                {
                    if (await DocumentAsync(db, id, against) is not { } old)
                        return Refused(Finding.Error("", $"There is no revision {against} of this member."));
                    var conflicts = JsonEditing.Conflicts(MemberJson.Node(old), MemberJson.Node(head!), patch).ToList();
                    if (conflicts.Count > 0)
                        return new(null, [], [.. conflicts.Select(c => new Conflict(c.Path, c.Theirs, c.Yours))]);
                }
                var reading = MemberJson.Edit(MemberJson.Node(head!), patch);
                if (reading.Member is not { } member)
                    return Refused([.. reading.Findings.Where(f => f.Severity == Severity.Error)]);
                var number = await db.MemberRevisions.Where(r => r.MemberId == id).MaxAsync(r => r.Number) + 1;
                db.MemberRevisions.Add(NewRevision(id, number, project.Head, label, member, author));
                project.Head = project.Tip = number;
                return null;
            }
        );

    /// <summary>Moves the head to the revision before; stays where there is none.</summary>
    public Task<MemberOutcome?> UndoAsync(string id) =>
        MoveAsync(id, async (db, p) => (await ParentsAsync(db, id)).GetValueOrDefault(p.Head));

    /// <summary>Moves the head to the next revision of the line on which it was undone; stays where nothing was.</summary>
    public Task<MemberOutcome?> RedoAsync(string id) =>
        MoveAsync(id, async (db, p) => Line(await ParentsAsync(db, id), p.Tip).TakeWhile(n => n != p.Head).LastOrDefault());

    /// <summary>Moves the head to any revision; stays where there is none of that number.</summary>
    public Task<MemberOutcome?> GoToAsync(string id, int revision) =>
        MoveAsync(
            id,
            async (db, project) =>
            {
                var parents = await ParentsAsync(db, id);
                if (!parents.ContainsKey(revision))
                    return 0;
                if (!Line(parents, project.Tip).Contains(revision))
                    project.Tip = revision;
                return revision;
            }
        );

    /// <summary>Deletes a member, or brings it back.</summary>
    public Task DeleteAsync(string id, bool isDeleted) =>
        writer.WriteAsync(async db =>
        {
            if (await db.Members.FirstOrDefaultAsync(p => p.Id == id) is { } project)
                project.IsDeleted = isDeleted;
            await db.SaveChangesAsync();
        });

    private Task<MemberOutcome?> MoveAsync(string id, Func<PravikContext, MemberProject, Task<int>> target) =>
        WriteAsync(
            id,
            async (db, project) =>
            {
                if (await target(db, project) is > 0 and var number)
                    project.Head = number;
                return null;
            }
        );

    /// <summary>Does something with a member; where it gives no outcome, what it did is kept and shown.</summary>
    private Task<MemberOutcome?> WriteAsync(string id, Func<PravikContext, MemberProject, Task<MemberOutcome?>> work) =>
        writer.WriteAsync<MemberOutcome?>(
            async (db, transaction) =>
            {
                if (await db.Members.FirstOrDefaultAsync(p => p.Id == id) is not { } project)
                    return null;
                if (await work(db, project) is { } refused)
                    return refused;
                await db.SaveChangesAsync();
                await transaction.CommitAsync();
                return new(await SnapshotAsync(db, project), [], []);
            }
        );

    private static MemberOutcome Refused(params ImmutableArray<Finding> reasons) => new(null, reasons, []);

    private static async Task<string?> DocumentAsync(PravikContext db, string id, int number) =>
        await db.MemberRevisions.Where(r => r.MemberId == id && r.Number == number).Select(r => r.Document).FirstOrDefaultAsync();

    private static Task<Dictionary<int, int>> ParentsAsync(PravikContext db, string id) =>
        db.MemberRevisions.Where(r => r.MemberId == id).ToDictionaryAsync(r => r.Number, r => r.Parent);

    private static IEnumerable<int> Line(Dictionary<int, int> parents, int from)
    {
        for (var at = from; at > 0 && parents.ContainsKey(at); at = parents[at])
            yield return at;
    }

    private static async Task<MemberSnapshot?> SnapshotAsync(PravikContext db, MemberProject project)
    {
        var revision = await db.MemberRevisions.AsNoTracking().FirstAsync(r => r.MemberId == project.Id && r.Number == project.Head);
        var reading = MemberJson.Read(revision.Document);
        return reading.Member is { } member
            ? new(project.Id, revision.Number, revision.Label, member, reading.Findings, revision.Parent > 0, project.Tip != project.Head)
            : null;
    }

    private static MemberRevision NewRevision(string id, int number, int parent, string label, LoneMember member, string author) =>
        new()
        {
            MemberId = id,
            Number = number,
            Parent = parent,
            Label = label.Length <= LongestLabel ? label : label[..LongestLabel],
            Name = member.Name,
            Spans = string.Join(" + ", member.Spans.Select(s => s.Length.ToString("0.###", CultureInfo.InvariantCulture))),
            Document = MemberJson.Write(member),
            CreatedAt = DateTime.UtcNow,
            Author = author,
        };
}
