using System.Collections.Immutable;
using System.Security.Cryptography;
using Microsoft.EntityFrameworkCore;
using Pravik.Core.Findings;
using Pravik.Exchange;

namespace Pravik.Data;

/// <summary>A document as it stands at a revision.</summary>
public sealed record DocumentSnapshot<T>(
    string Id,
    int Revision,
    string Label,
    T Document,
    ImmutableArray<Finding> Findings,
    bool CanUndo,
    bool CanRedo
)
    where T : class;

/// <summary>What an edit came to: the new snapshot, or the reasons against it, or the values that conflict.</summary>
public sealed record DocumentOutcome<T>(DocumentSnapshot<T>? Snapshot, ImmutableArray<Finding> Refusals, ImmutableArray<Conflict> Conflicts)
    where T : class;

/// <summary>A document in the list of its kind.</summary>
public sealed record DocumentListed(string Id, string Name, string Words, int Revision, DateTime ChangedAt, string Author, bool IsDeleted);

/// <summary>
/// Documents of a kind beside bridges and their revisions, by the same rules as bridges: each edit is one transaction, and nothing is
/// ever removed.
/// </summary>
/// <param name="contexts">The database.</param>
/// <param name="writer">Who writes to it.</param>
/// <param name="kind">The kind, as it is kept.</param>
/// <param name="format">How documents are read and written.</param>
/// <param name="listed">Name of a document and what it is in words, for the list.</param>
public abstract class DocumentStore<T>(
    IDbContextFactory<PravikContext> contexts,
    StoreWriter writer,
    string kind,
    DocumentFormat<T> format,
    Func<T, (string Name, string Words)> listed
)
    where T : class
{
    private const int LongestLabel = 200;
    private const int MostReadings = 60;

    /// <summary>Documents as they were read last, with their findings: an edit and the pages that follow read the same text.</summary>
    private readonly Recent<DocumentReading<T>> readings = new(MostReadings);

    /// <summary>A new document as its first revision.</summary>
    public async Task<DocumentSnapshot<T>> CreateAsync(T document, string label, string? id = null, string author = "")
    {
        id ??= Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(5));
        await writer.WriteAsync(async db =>
        {
            var project = new DocumentProject
            {
                Id = id,
                Kind = kind,
                CreatedAt = DateTime.UtcNow,
                Head = 1,
                Tip = 1,
            };
            project.Revisions.Add(NewRevision(id, 1, 0, label, document, author));
            db.Documents.Add(project);
            await db.SaveChangesAsync();
        });
        return (await FindAsync(id))!;
    }

    /// <summary>The head of a document, or null where there is none with that id, or it cannot be read.</summary>
    public async Task<DocumentSnapshot<T>?> FindAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        return await db.Documents.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id && p.Kind == kind) is { } project
            ? await SnapshotAsync(db, project)
            : null;
    }

    /// <summary>The document before the last edit; null where the head is the first.</summary>
    public async Task<T?> BeforeAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        if (await db.Documents.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id && p.Kind == kind) is not { } project)
            return null;
        var parent = (await ParentsAsync(db, id)).GetValueOrDefault(project.Head);
        return await DocumentAsync(db, id, parent) is { } text ? format.Read(text).Document : null;
    }

    /// <summary>All of them, the last changed first.</summary>
    public async Task<IReadOnlyList<DocumentListed>> ListAsync()
    {
        await using var db = await contexts.CreateDbContextAsync();
        var all = await db
            .Documents.Where(p => p.Kind == kind)
            .Join(
                db.DocumentRevisions,
                p => new { p.Id, Number = p.Head },
                r => new { Id = r.DocumentId, r.Number },
                (p, r) => new DocumentListed(p.Id, r.Name, r.Words, r.Number, r.CreatedAt, r.Author, p.IsDeleted)
            )
            .ToListAsync();
        return [.. all.OrderByDescending(m => m.ChangedAt)];
    }

    /// <summary>All edits of a document, the newest first.</summary>
    public async Task<IReadOnlyList<HistoryEntry>> HistoryAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        if (await db.Documents.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id && p.Kind == kind) is not { } project)
            return [];
        var all = await db
            .DocumentRevisions.AsNoTracking()
            .Where(r => r.DocumentId == id)
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
    /// changed; else both values come back. Null where there is no such document.
    /// </summary>
    public Task<DocumentOutcome<T>?> EditAsync(
        string id,
        int against,
        IReadOnlyList<PatchOperation> patch,
        string label,
        string author = ""
    ) =>
        WriteAsync(
            id,
            async (db, project) =>
            {
                var head = await DocumentAsync(db, id, project.Head);
                if (against != project.Head)
                {
                    if (await DocumentAsync(db, id, against) is not { } old)
                        return Refused(Finding.Error("", $"There is no revision {against} of this {kind}."));
                    var conflicts = JsonEditing.Conflicts(format.Node(old), format.Node(head!), patch).ToList();
                    if (conflicts.Count > 0)
                        return new(null, [], [.. conflicts.Select(c => new Conflict(c.Path, c.Theirs, c.Yours))]);
                }
                var reading = format.Edit(format.Node(head!), patch);
                if (reading.Document is not { } document)
                    return Refused([.. reading.Findings.Where(f => f.Severity == Severity.Error)]);
                var number = await db.DocumentRevisions.Where(r => r.DocumentId == id).MaxAsync(r => r.Number) + 1;
                var revision = NewRevision(id, number, project.Head, label, document, author);
                readings.Of(revision.Document, () => reading);
                db.DocumentRevisions.Add(revision);
                project.Head = project.Tip = number;
                return null;
            }
        );

    /// <summary>Moves the head to the revision before; stays where there is none.</summary>
    public Task<DocumentOutcome<T>?> UndoAsync(string id) =>
        MoveAsync(id, async (db, p) => (await ParentsAsync(db, id)).GetValueOrDefault(p.Head));

    /// <summary>Moves the head to the next revision of the line on which it was undone; stays where nothing was.</summary>
    public Task<DocumentOutcome<T>?> RedoAsync(string id) =>
        MoveAsync(id, async (db, p) => Line(await ParentsAsync(db, id), p.Tip).TakeWhile(n => n != p.Head).LastOrDefault());

    /// <summary>Moves the head to any revision; stays where there is none of that number.</summary>
    public Task<DocumentOutcome<T>?> GoToAsync(string id, int revision) =>
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

    /// <summary>Deletes a document, or brings it back.</summary>
    public Task DeleteAsync(string id, bool isDeleted) =>
        writer.WriteAsync(async db =>
        {
            if (await db.Documents.FirstOrDefaultAsync(p => p.Id == id && p.Kind == kind) is { } project)
                project.IsDeleted = isDeleted;
            await db.SaveChangesAsync();
        });

    private Task<DocumentOutcome<T>?> MoveAsync(string id, Func<PravikContext, DocumentProject, Task<int>> target) =>
        WriteAsync(
            id,
            async (db, project) =>
            {
                if (await target(db, project) is > 0 and var number)
                    project.Head = number;
                return null;
            }
        );

    /// <summary>Does something with a document; where it gives no outcome, what it did is kept and shown.</summary>
    private Task<DocumentOutcome<T>?> WriteAsync(string id, Func<PravikContext, DocumentProject, Task<DocumentOutcome<T>?>> work) =>
        writer.WriteAsync<DocumentOutcome<T>?>(
            async (db, transaction) =>
            {
                if (await db.Documents.FirstOrDefaultAsync(p => p.Id == id && p.Kind == kind) is not { } project)
                    return null;
                if (await work(db, project) is { } refused)
                    return refused;
                await db.SaveChangesAsync();
                await transaction.CommitAsync();
                return new(await SnapshotAsync(db, project), [], []);
            }
        );

    private static DocumentOutcome<T> Refused(params ImmutableArray<Finding> reasons) => new(null, reasons, []);

    private static async Task<string?> DocumentAsync(PravikContext db, string id, int number) =>
        await db.DocumentRevisions.Where(r => r.DocumentId == id && r.Number == number).Select(r => r.Document).FirstOrDefaultAsync();

    private static Task<Dictionary<int, int>> ParentsAsync(PravikContext db, string id) =>
        db.DocumentRevisions.Where(r => r.DocumentId == id).ToDictionaryAsync(r => r.Number, r => r.Parent);

    private static IEnumerable<int> Line(Dictionary<int, int> parents, int from)
    {
        for (var at = from; at > 0 && parents.ContainsKey(at); at = parents[at])
            yield return at;
    }

    private async Task<DocumentSnapshot<T>?> SnapshotAsync(PravikContext db, DocumentProject project)
    {
        var revision = await db.DocumentRevisions.AsNoTracking().FirstAsync(r => r.DocumentId == project.Id && r.Number == project.Head);
        var reading = readings.Of(revision.Document, () => format.Read(revision.Document));
        return reading.Document is { } document
            ? new(project.Id, revision.Number, revision.Label, document, reading.Findings, revision.Parent > 0, project.Tip != project.Head)
            : null;
    }

    private DocumentRevision NewRevision(string id, int number, int parent, string label, T document, string author)
    {
        var (name, words) = listed(document);
        return new()
        {
            DocumentId = id,
            Number = number,
            Parent = parent,
            Label = label.Length <= LongestLabel ? label : label[..LongestLabel],
            Name = name,
            Words = words,
            Document = format.Write(document),
            CreatedAt = DateTime.UtcNow,
            Author = author,
        };
    }
}
