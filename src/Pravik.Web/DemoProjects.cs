using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web;

/// <summary>Loads the example bridges of a folder as projects, each once, under the name of its file.</summary>
internal static class DemoProjects
{
    public static async Task AddAsync(ProjectStore store, string folder)
    {
        foreach (var file in Directory.EnumerateFiles(folder, "*.json").Order())
        {
            var id = Path.GetFileNameWithoutExtension(file);
            if (await store.FindAsync(id) is not null) continue;
            var reading = BridgeJson.Read(await File.ReadAllTextAsync(file));
            if (reading.Bridge is { } bridge) await store.CreateAsync(bridge, "Example loaded", id);
        }
    }
}
