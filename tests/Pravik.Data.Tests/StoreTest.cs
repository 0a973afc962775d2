using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Pravik.Exchange;

namespace Pravik.Data.Tests;

/// <summary>Tests on a database of their own, which can be opened again as after a restart.</summary>
public abstract class StoreTest : IDisposable
{
    protected string File { get; } = Path.Combine(Path.GetTempPath(), $"pravik-{Guid.NewGuid():N}.db");

    protected BridgeList List { get; private set; } = null!;

    protected BridgeHistory History { get; private set; } = null!;

    protected SummaryStore Summaries { get; private set; } = null!;

    protected AssumedValues Assumed { get; private set; } = null!;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        foreach (var left in Directory.EnumerateFiles(Path.GetTempPath(), Path.GetFileName(File) + "*"))
            System.IO.File.Delete(left);
        GC.SuppressFinalize(this);
    }

    protected async Task<ProjectStore> OpenAsync()
    {
        var contexts = new Contexts(File);
        var writer = new StoreWriter(contexts);
        var store = new ProjectStore(contexts, writer);
        (List, History, Summaries, Assumed) = (
            new(contexts, writer),
            new(contexts, writer, store),
            new(contexts, writer),
            new(contexts, writer)
        );
        await store.PrepareAsync();
        await List.CompleteAsync(store);
        return store;
    }

    protected static PatchOperation[] Set(string path, double value) => [new("replace", path, JsonValue.Create(value))];
}
