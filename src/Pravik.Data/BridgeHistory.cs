using Microsoft.EntityFrameworkCore;

namespace Pravik.Data;

/// <summary>One point of the history: its edit, the one before, who made it and when, and the name it was given.</summary>
public sealed record HistoryEntry(int Revision, int Parent, string Label, DateTime At, bool IsHead, string? Name)
{
    /// <summary>Who made it; empty where no name was given.</summary>
    public string Author { get; init; } = "";

    /// <summary>Variants that stand at this point.</summary>
    public IReadOnlyList<VariantEntry> Variants { get; init; } = [];

    /// <summary>What its checks came to when they last ran; null before.</summary>
    public string? VerdictWords { get; init; }
}

/// <summary>A variant as it is listed: where it began, where it stands, whether it is the one shown, whether it was closed.</summary>
public sealed record VariantEntry(int Number, string Name, int Start, int Head, bool IsShown, bool IsClosed);

/// <summary>The histories of bridges and their variants.</summary>
public sealed class BridgeHistory(IDbContextFactory<PravikContext> contexts, StoreWriter writer, ProjectStore store)
{
    private const int LongestName = 60;

    /// <summary>Variants that a bridge can have.</summary>
    public const int MostVariants = 50;

    /// <summary>All revisions, newest first.</summary>
    public async Task<IReadOnlyList<HistoryEntry>> ListAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        var head = await db.Projects.Where(p => p.Id == id).Select(p => p.Head).FirstOrDefaultAsync();
        var rows = await db
            .Revisions.Where(r => r.ProjectId == id)
            .OrderByDescending(r => r.Number)
            .Select(r => new
            {
                r.Number,
                r.Parent,
                r.Label,
                r.CreatedAt,
                r.Author,
                r.VerdictWords,
            })
            .ToListAsync();
        var names = await db.RestorePoints.Where(p => p.ProjectId == id).ToDictionaryAsync(p => p.Number, p => p.Name);
        var variants = (await VariantsAsync(db, id)).ToLookup(v => v.Head);
        return
        [
            .. rows.Select(r => new HistoryEntry(
                r.Number,
                r.Parent,
                r.Label,
                r.CreatedAt,
                r.Number == head,
                names.GetValueOrDefault(r.Number)
            )
            {
                Author = r.Author,
                Variants = [.. variants[r.Number]],
                VerdictWords = r.VerdictWords,
            }),
        ];
    }

    /// <summary>Names a point of the history, or takes its name away where it is empty. False where there is no such revision.</summary>
    public Task<bool> NameAsync(string id, int revision, string name) =>
        writer.WriteAsync(async db =>
        {
            if (!await db.Revisions.AnyAsync(r => r.ProjectId == id && r.Number == revision))
                return false;
            await db.RestorePoints.Where(p => p.ProjectId == id && p.Number == revision).ExecuteDeleteAsync();
            if (Short(name) is { Length: > 0 } kept)
                db.RestorePoints.Add(
                    new()
                    {
                        ProjectId = id,
                        Number = revision,
                        Name = kept,
                    }
                );
            await db.SaveChangesAsync();
            return true;
        });

    /// <summary>All variants of a bridge; one at least where there is such a bridge.</summary>
    public async Task<IReadOnlyList<VariantEntry>> VariantsAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        return await VariantsAsync(db, id);
    }

    /// <summary>
    /// Begins a variant at a point of the history and shows it. Refused without a name, with one that another has, or beyond
    /// <see cref="MostVariants"/>. Null where there is no such bridge or revision.
    /// </summary>
    public async Task<EditOutcome?> BeginAsync(string id, int revision, string name)
    {
        string? refusal = null;
        var outcome = await store.MoveAsync(
            id,
            async (db, project) =>
            {
                var variants = await KeptAsync(db, project);
                refusal =
                    !await db.Revisions.AnyAsync(r => r.ProjectId == id && r.Number == revision)
                        ? $"There is no edit {revision} of this bridge."
                    : Short(name).Length == 0 ? "The variant needs a name."
                    : variants.Any(v => v.Name.Equals(Short(name), StringComparison.OrdinalIgnoreCase))
                        ? $"There is another variant called “{Short(name)}”."
                    : variants.Count >= MostVariants ? $"A bridge has {MostVariants} variants at most; close one first."
                    : null;
                if (refusal is not null)
                    return 0;
                var begun = new Variant
                {
                    ProjectId = id,
                    Number = variants.Max(v => v.Number) + 1,
                    Name = Short(name),
                    Start = revision,
                    Head = revision,
                    Tip = revision,
                };
                db.Variants.Add(begun);
                (project.Variant, project.Tip) = (begun.Number, revision);
                return revision;
            }
        );
        return refusal is null ? outcome : EditOutcome.Refused([Core.Findings.Finding.Error("", refusal)]);
    }

    /// <summary>Shows a variant, and opens it where it was closed; stays where there is none of that number.</summary>
    public Task<EditOutcome?> ShowAsync(string id, int number) =>
        store.MoveAsync(
            id,
            async (db, project) =>
            {
                if ((await KeptAsync(db, project)).FirstOrDefault(v => v.Number == number) is not { } wanted)
                    return 0;
                wanted.IsClosed = false;
                (project.Variant, project.Tip) = (number, wanted.Tip);
                return wanted.Head;
            }
        );

    /// <summary>
    /// Closes a variant, which stays in the history; where it was the one shown, the first open one is shown. The last open one stays open.
    /// </summary>
    public Task<EditOutcome?> CloseAsync(string id, int number) =>
        store.MoveAsync(
            id,
            async (db, project) =>
            {
                var variants = await KeptAsync(db, project);
                var (closed, next) = (
                    variants.FirstOrDefault(v => v.Number == number),
                    variants.FirstOrDefault(v => v.Number != number && !v.IsClosed)
                );
                if (closed is null || next is null)
                    return 0;
                closed.IsClosed = true;
                if (project.Variant != number)
                    return project.Head;
                (project.Variant, project.Tip) = (next.Number, next.Tip);
                return next.Head;
            }
        );

    /// <summary>The variants, with the head of the one that is shown as it is now.</summary>
    private static async Task<List<Variant>> KeptAsync(PravikContext db, Project project)
    {
        var variants = await db.Variants.Where(v => v.ProjectId == project.Id).OrderBy(v => v.Number).ToListAsync();
        if (variants.Count == 0)
        {
            variants.Add(
                new()
                {
                    ProjectId = project.Id,
                    Number = Variant.First,
                    Name = "Main",
                    Start = 1,
                }
            );
            db.Variants.Add(variants[0]);
        }
        if (variants.FirstOrDefault(v => v.Number == project.Variant) is { } shown)
            (shown.Head, shown.Tip) = (project.Head, project.Tip);
        return variants;
    }

    private static async Task<IReadOnlyList<VariantEntry>> VariantsAsync(PravikContext db, string id)
    {
        if (await db.Projects.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id) is not { } project)
            return [];
        var rows = await db.Variants.AsNoTracking().Where(v => v.ProjectId == id).OrderBy(v => v.Number).ToListAsync();
        if (rows.Count == 0)
            return [new(Variant.First, "Main", 1, project.Head, true, false)];
        return
        [
            .. rows.Select(v => new VariantEntry(
                v.Number,
                v.Name,
                v.Start,
                v.Number == project.Variant ? project.Head : v.Head,
                v.Number == project.Variant,
                v.IsClosed
            )),
        ];
    }

    private static string Short(string name)
    {
        name = name.Trim();
        return name.Length <= LongestName ? name : name[..LongestName];
    }
}
