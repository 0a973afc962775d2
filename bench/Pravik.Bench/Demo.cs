using Pravik.Core.Bridges;
using Pravik.Exchange;

namespace Pravik.Bench;

/// <summary>The demo bridge, and where things are in the checkout.</summary>
internal static class Demo
{
    public static string Root { get; } = FindRoot();

    public static Bridge Read() => BridgeJson.Read(File.ReadAllText(Path.Combine(Root, "examples", "sorrel-brook.json"))).Bridge!;

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Pravik.slnx")))
            folder = folder.Parent ?? throw new DirectoryNotFoundException("Run this inside the checkout.");
        return folder.FullName;
    }
}
