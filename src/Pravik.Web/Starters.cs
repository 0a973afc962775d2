using Pravik.Core.Bridges;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web;

/// <summary>A template that ships with the program.</summary>
public sealed record Starter(string Id, Bridge Bridge);

/// <summary>What ships with the program to begin with: templates of bridges, and a first filling of the office library.</summary>
public sealed class Starters(IWebHostEnvironment environment)
{
    private readonly string folder = Path.Combine(environment.ContentRootPath, "Starters");
    private IReadOnlyList<Starter>? templates;

    /// <summary>Templates, by name.</summary>
    public IReadOnlyList<Starter> Templates =>
        templates ??= [
            .. Directory
                .EnumerateFiles(Path.Combine(folder, "Templates"), "*.json")
                .Order()
                .Select(f => (Id: Path.GetFileNameWithoutExtension(f), BridgeJson.Read(File.ReadAllText(f)).Bridge))
                .Where(t => t.Bridge is not null)
                .Select(t => new Starter(t.Id, t.Bridge!)),
        ];

    /// <summary>Items of the office library that ship.</summary>
    public IReadOnlyList<LibraryItem> Library => LibraryJson.Read(File.ReadAllText(Path.Combine(folder, "library.json"))).Items;

    /// <summary>Puts into the library what ships, where it has none of that kind and name; how many.</summary>
    public async Task<int> FillAsync(LibraryStore library)
    {
        var known = (await library.ListAsync()).Select(r => (r.Kind, r.Name)).ToHashSet();
        var fresh = Library.Where(i => !known.Contains((i.Kind, i.Name))).ToList();
        foreach (var item in fresh)
            await library.KeepAsync(item);
        return fresh.Count;
    }
}
