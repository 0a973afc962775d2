using Microsoft.EntityFrameworkCore;

namespace Pravik.Data;

/// <summary>
/// Which values of a bridge are merely assumed: those that came with a template or a new bridge and that nobody has typed or looked
/// at since. Of a bridge that came from a file none is.
/// </summary>
public sealed record Assumptions(bool Apply, IReadOnlySet<string> Looked)
{
    /// <summary>Of a bridge of which nothing is assumed.</summary>
    public static Assumptions None { get; } = new(false, new HashSet<string>());

    /// <summary>Whether a step, or a value of it, is assumed.</summary>
    public bool IsAssumed(string step, string? path = null) => Apply && !Looked.Contains(step) && (path is null || !Looked.Contains(path));
}

/// <summary>Keeps what was looked at.</summary>
public sealed class AssumedValues(IDbContextFactory<PravikContext> contexts, StoreWriter writer)
{
    private const int Longest = 300;

    /// <summary>What is assumed of a bridge.</summary>
    public async Task<Assumptions> OfAsync(string id)
    {
        await using var db = await contexts.CreateDbContextAsync();
        if (!await db.Projects.Where(p => p.Id == id).Select(p => p.IsAssumed).FirstOrDefaultAsync())
            return Assumptions.None;
        return new(true, (await db.LookedAt.Where(l => l.ProjectId == id).Select(l => l.What).ToListAsync()).ToHashSet());
    }

    /// <summary>Takes down that values or steps were looked at. Nothing where nothing of the bridge is assumed.</summary>
    public async Task LookAsync(string id, IReadOnlyCollection<string> what)
    {
        var known = await OfAsync(id);
        var fresh = what.Where(w => w.Length is > 0 and <= Longest && !known.Looked.Contains(w)).Distinct().ToList();
        if (!known.Apply || fresh.Count == 0)
            return;
        await writer.WriteAsync(async db =>
        {
            foreach (var item in fresh)
            {
                if (!await db.LookedAt.AnyAsync(l => l.ProjectId == id && l.What == item))
                    db.LookedAt.Add(new() { ProjectId = id, What = item });
            }
            await db.SaveChangesAsync();
        });
    }
}
