using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Pravik.Core.Bridges;

namespace Pravik.Data;

/// <summary>A bridge in the list, from columns alone: documents are large.</summary>
public sealed record BridgeEntry(string Id, string Name, int Revision, DateTime ChangedAt)
{
    /// <summary>Spans (m).</summary>
    public IReadOnlyList<double> Spans { get; init; } = [];

    /// <summary>What kind of bridge it is.</summary>
    public string Kind { get; init; } = "";

    /// <summary>Who made the last change.</summary>
    public string Author { get; init; } = "";

    /// <summary>What its checks came to when they last ran: a word of <see cref="Data.Verdict"/>.</summary>
    public string Verdict { get; init; } = Data.Verdict.None;

    /// <summary>The same in words.</summary>
    public string VerdictWords { get; init; } = "not analysed yet";

    /// <summary>Where it stands.</summary>
    public Shelf Shelf { get; init; }

    /// <summary>Words by which it is found.</summary>
    public IReadOnlyList<string> Tags { get; init; } = [];

    /// <summary>Name of the variant that is shown, where there are several.</summary>
    public string? Variant { get; init; }
}

/// <summary>Words for what the checks of a bridge came to.</summary>
public static class Verdict
{
    /// <summary>Not analysed yet.</summary>
    public const string None = "none";

    /// <summary>All that applies was checked and passes.</summary>
    public const string Passes = "passes";

    /// <summary>What was checked passes; something was not.</summary>
    public const string Partly = "partly";

    /// <summary>Something fails.</summary>
    public const string Fails = "fails";

    /// <summary>Nothing was checked.</summary>
    public const string Unchecked = "unchecked";

    /// <summary>It cannot be analysed as it is.</summary>
    public const string DoesNotRun = "fault";
}

/// <summary>The bridges as the start page has them: listed by columns, put on shelves, tagged, with what their checks came to.</summary>
public sealed class BridgeList(IDbContextFactory<PravikContext> contexts, StoreWriter writer)
{
    /// <summary>Longest text of all tags of a bridge.</summary>
    public const int LongestTags = 200;
    private const int LongestWords = 200;

    /// <summary>All bridges, the one that changed last first.</summary>
    public async Task<IReadOnlyList<BridgeEntry>> ListAsync()
    {
        await using var db = await contexts.CreateDbContextAsync();
        var rows = await db
            .Projects.SelectMany(
                p => p.Revisions.Where(r => r.Number == p.Head),
                (p, r) =>
                    new
                    {
                        Project = p,
                        r.Number,
                        r.Name,
                        r.CreatedAt,
                        r.Author,
                        r.Spans,
                        r.Kind,
                        r.Verdict,
                        r.VerdictWords,
                    }
            )
            .AsNoTracking()
            .ToListAsync();
        var variants = (await db.Variants.Where(v => !v.IsClosed).AsNoTracking().ToListAsync()).ToLookup(v => v.ProjectId);
        return
        [
            .. rows.OrderByDescending(r => r.CreatedAt)
                .Select(r => new BridgeEntry(r.Project.Id, r.Name, r.Number, r.CreatedAt)
                {
                    Spans = r.Spans is null ? [] : JsonSerializer.Deserialize<double[]>(r.Spans)!,
                    Kind = r.Kind ?? "",
                    Author = r.Author,
                    Verdict = r.Verdict ?? Verdict.None,
                    VerdictWords = r.VerdictWords ?? "not analysed yet",
                    Shelf = r.Project.Shelf,
                    Tags = Split(r.Project.Tags),
                    Variant = variants[r.Project.Id].FirstOrDefault(v => v.Number == r.Project.Variant)?.Name,
                }),
        ];
    }

    /// <summary>Puts a bridge on a shelf. False where there is no such bridge.</summary>
    public Task<bool> PutAsync(string id, Shelf shelf) => ChangeAsync(id, p => p.Shelf = shelf);

    /// <summary>Sets the tags of a bridge, parted by commas. False where there is no such bridge.</summary>
    public Task<bool> TagAsync(string id, string tags)
    {
        var kept = string.Join(", ", Split(tags));
        return ChangeAsync(id, p => p.Tags = kept.Length <= LongestTags ? kept : kept[..LongestTags]);
    }

    /// <summary>Keeps what the checks of an edit came to.</summary>
    public Task KeepVerdictAsync(string id, int revision, string verdict, string words) =>
        writer.WriteAsync(db =>
            db.Revisions.Where(r => r.ProjectId == id && r.Number == revision)
                .ExecuteUpdateAsync(set =>
                    set.SetProperty(r => r.Verdict, verdict)
                        .SetProperty(r => r.VerdictWords, words.Length <= LongestWords ? words : words[..LongestWords])
                )
        );

    /// <summary>Fills columns of the heads of bridges that were written before there were these columns.</summary>
    public async Task CompleteAsync(ProjectStore store)
    {
        await using var db = await contexts.CreateDbContextAsync();
        var bare = await db
            .Projects.SelectMany(p => p.Revisions.Where(r => r.Number == p.Head && r.Spans == null), (p, r) => new { p.Id, r.Number })
            .ToListAsync();
        foreach (var head in bare)
        {
            Bridge? bridge;
            try
            {
                bridge = await store.AtAsync(head.Id, head.Number);
            }
            catch (UnreadableBridgeException)
            {
                continue;
            }
            if (bridge is null)
                continue;
            var (spans, kind) = (SpansOf(bridge), BridgeDescription.Kind(bridge));
            await writer.WriteAsync(d =>
                d.Revisions.Where(r => r.ProjectId == head.Id && r.Number == head.Number)
                    .ExecuteUpdateAsync(set => set.SetProperty(r => r.Spans, spans).SetProperty(r => r.Kind, kind))
            );
        }
    }

    internal static string SpansOf(Bridge bridge) => JsonSerializer.Serialize(bridge.Axes.Spans.Select(s => Math.Round(s, 3)));

    private static string[] Split(string tags) =>
        [
            .. tags.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                .Distinct(StringComparer.OrdinalIgnoreCase),
        ];

    private Task<bool> ChangeAsync(string id, Action<Project> change) =>
        writer.WriteAsync(async db =>
        {
            if (await db.Projects.FindAsync(id) is not { } project)
                return false;
            change(project);
            await db.SaveChangesAsync();
            return true;
        });
}
