using Pravik.Data;
using Pravik.Exchange;
using Pravik.Exchange.LandXml;

namespace Pravik.Web;

/// <summary>
/// Loads the example bridges of a folder as projects, each once, under the name of its file, and the grounds of its road files.
/// </summary>
internal static class DemoProjects
{
    public static async Task AddAsync(ProjectStore store, GroundStore grounds, string folder)
    {
        foreach (var file in Directory.EnumerateFiles(folder, "*.xml"))
        {
            await using var stream = File.OpenRead(file);
            foreach (var ground in LandXmlReader.Read(stream).Grounds)
                grounds.Keep(ground.Ground);
        }
        foreach (var file in Directory.EnumerateFiles(folder, "*.json").Order())
        {
            var id = Path.GetFileNameWithoutExtension(file);
            if (await store.FindAsync(id) is not null)
                continue;
            var reading = BridgeJson.Read(await File.ReadAllTextAsync(file));
            if (reading.Bridge is { } bridge)
                await store.CreateAsync(bridge, "Example loaded", id);
        }
    }

    /// <summary>
    /// Loads the examples of a kind of document from a folder, each once, under the name of its file; none where there is no such folder.
    /// </summary>
    public static async Task AddDocumentsAsync<T>(DocumentStore<T> store, DocumentFormat<T> format, string folder)
        where T : class
    {
        if (!Directory.Exists(folder))
            return;
        foreach (var file in Directory.EnumerateFiles(folder, "*.json").Order())
        {
            var id = Path.GetFileNameWithoutExtension(file);
            if (await store.FindAsync(id) is null && format.Read(await File.ReadAllTextAsync(file)).Document is { } document)
                await store.CreateAsync(document, "Example loaded", id);
        }
    }
}
